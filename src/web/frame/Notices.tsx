/** Notices over every view. */
import { useSaved } from "../data/saved";
import { WarnIcon } from "../ui/glyphs";

/** What holds for every view: the disk takes nothing. */
export function Notices() {
  const { fault } = useSaved();
  const bar = "flex flex-none items-center gap-2 border-b px-4 py-1.5 print:hidden";
  return (
    <>
      {fault && (
        <p role="alert" className={`${bar} border-brick-ink bg-panel font-medium text-brick-ink`}>
          <WarnIcon /> {fault}
        </p>
      )}
    </>
  );
}
