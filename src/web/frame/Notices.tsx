/** Notices over every view. */
import { useClub } from "../data/hooks";
import { useSaved } from "../data/saved";
import { WarnIcon } from "../ui/glyphs";

/** What holds for every view: the disk takes nothing, or everybody in the network may come in. */
export function Notices() {
  const { fault } = useSaved();
  const club = useClub();
  const bar = "flex flex-none items-center gap-2 border-b px-4 py-1.5 print:hidden";
  return (
    <>
      {fault && (
        <p role="alert" className={`${bar} border-brick-ink bg-panel font-medium text-brick-ink`}>
          <WarnIcon /> {fault}
        </p>
      )}
      {club.data?.open && (
        <p className={`${bar} border-hair bg-panel text-ink2`}>
          <WarnIcon /> Open to the network: whoever reaches this address can read and change the whole club.
        </p>
      )}
    </>
  );
}
