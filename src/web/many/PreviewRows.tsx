/** What a change would do to each athlete, a row each; whoever is ticked off is left out. */
import { Link } from "react-router";
import type { ManyPreview } from "../../api/many";
import { counted } from "../format";
import { WarnIcon } from "../ui/glyphs";

interface Props {
  rows: readonly { id: string; name: string; preview: ManyPreview | null }[];
  off: ReadonlySet<string>;
  onOff: (id: string, off: boolean) => void;
}

/** Lines that stand in a row before the rest is counted. */
const LINES = 3;

export function PreviewRows({ rows, off, onOff }: Props) {
  return (
    <ul aria-label="What would change">
      {rows.map(({ id, name, preview }) => {
        const possible = preview !== null && preview.fault === null;
        return (
          <li key={id} className="flex gap-3 border-b border-hair py-2">
            <label className="flex w-[190px] flex-none items-start gap-2 max-[700px]:w-[120px]">
              <input
                type="checkbox"
                className="mt-0.5 h-4 w-4 flex-none accent-iron"
                checked={possible && !off.has(id)}
                disabled={!possible}
                onChange={(e) => onOff(id, !e.target.checked)}
              />
              <span className="font-medium">{name}</span>
            </label>
            <Said preview={preview} id={id} />
          </li>
        );
      })}
    </ul>
  );
}

function Said({ preview, id }: { preview: ManyPreview | null; id: string }) {
  if (!preview) return <p className="text-ink2">being worked out…</p>;
  if (preview.fault !== null) return <p className="text-ink2">Left out: {preview.fault}.</p>;
  if (preview.same) return <p className="text-ink2">Nothing planned in those days changes.</p>;
  const more = preview.lines.length - LINES;
  return (
    <div className="min-w-0 flex-1 space-y-0.5">
      {preview.lines.slice(0, LINES).map((l) => (
        <p key={l}>{l}.</p>
      ))}
      {more > 0 && (
        <details>
          <summary className="cursor-pointer text-ink2">{counted(more, "more line")}</summary>
          {preview.lines.slice(LINES).map((l) => (
            <p key={l}>{l}.</p>
          ))}
        </details>
      )}
      {preview.noRoom.map((l) => (
        <p key={l} className="flex gap-1.5 text-brick-ink">
          <WarnIcon />
          <span>
            Without room: {l}{" "}
            <Link className="underline" to={`/a/${id}/intake/week`}>
              Free time
            </Link>
          </span>
        </p>
      ))}
    </div>
  );
}
