/** What a change of dose alters, session by session, before it is kept. What is past is not among it. */
import type { ChangedSession } from "../../core/story";
import { day, sessionName } from "../format";
import { Sheet } from "../ui/Sheet";
import type { Changes } from "./useChanges";

interface Props {
  changes: Changes;
  title: string;
  save: string;
  saving: boolean;
  onSave: () => void;
  onClose: () => void;
  children?: React.ReactNode;
}

const KINDS = [
  ["changed", "changes", "change"],
  ["new", "is new", "are new"],
  ["gone", "goes", "go"],
] as const;

export function ChangesSheet({ changes, title, save, saving, onSave, onClose, children }: Props) {
  const { of, running, fault } = changes;
  const count = of.reduce((a, v) => a + v.changes.length, 0);
  const kinds = of.flatMap((v) => v.changes.map((c) => c.kind));
  const words = KINDS.flatMap(([kind, one, many]) => {
    const n = kinds.filter((k) => k === kind).length;
    return n === 0 ? [] : [`${n} ${n === 1 ? one : many}`];
  })
    .join(", ")
    .replace(/^(\d+) /, (_, n: string) => `${n} session${n === "1" ? "" : "s"} `);
  const all = of.reduce((a, v) => a + v.sessions, 0);
  return (
    <Sheet
      open
      onClose={onClose}
      title={title}
      note="Only sessions still ahead can change; what is past stays as it was."
      width={640}
    >
      {running ? (
        <div role="status" className="mb-3">
          <p className="mb-1 text-label text-ink2">
            Planning athlete {Math.min(running.all, running.done + 1)} of {running.all}…
          </p>
          <div className="h-1.5 bg-hair2">
            <div className="h-full bg-iron" style={{ width: `${(running.done / Math.max(1, running.all)) * 100}%` }} />
          </div>
        </div>
      ) : fault ? (
        <p role="alert" className="mb-3 text-brick-ink">
          {fault} Nothing was changed.
        </p>
      ) : (
        <p className="mb-3 text-lead font-semibold" data-testid="changes-count">
          {count === 0 ? "No session ahead changes." : `${words} (${all} ${all === 1 ? "is" : "are"} ahead now).`}
        </p>
      )}
      <div className="max-h-[46vh] overflow-auto border-y border-hair">
        {of.map((v) => (
          <section key={v.id} className="border-b border-hair2 last:border-b-0">
            <h3 className="sticky top-0 flex justify-between bg-panel py-1.5 font-semibold">
              {v.name}
              <span className="text-label font-normal text-ink2">
                {v.changes.length === 0 ? "nothing changes" : `${v.changes.length} listed`}
              </span>
            </h3>
            <ul>
              {v.changes.map((c) => (
                <Change key={`${c.week}${c.label}`} change={c} />
              ))}
            </ul>
          </section>
        ))}
      </div>
      {children}
      <div className="mt-3 flex justify-between">
        <button type="button" className="btn" onClick={onClose}>
          {running ? "Stop" : "Back"}
        </button>
        <button type="button" className="btn btn-pri" disabled={running !== null || saving} onClick={onSave}>
          {saving ? "Saving…" : save}
        </button>
      </div>
    </Sheet>
  );
}

const WORDS = { changed: "changes", new: "is new", gone: "goes" } as const;

function Change({ change: c }: { change: ChangedSession }) {
  return (
    <li>
      <details className="py-0.5" data-testid="changed-session" data-key={`${c.date}/${c.label}`}>
        <summary className="cursor-pointer text-body">
          {day(c.date)}, {sessionName(c.label, "develop")} {WORDS[c.kind]}
          {c.lines[0] && (
            <span className="text-label text-ink2">
              {" "}
              · {c.lines[0].what}
              {c.lines.length > 1 ? ` and ${c.lines.length - 1} more` : ""}
            </span>
          )}
        </summary>
        <ul className="mb-1 ml-4 text-label leading-4">
          {c.lines.map((l) => (
            <li key={l.what} className="py-0.5">
              <b className="font-semibold">{l.what}</b>: <span className="text-ink2">{l.was ?? "not there"}</span> to{" "}
              {l.is ?? "left out"}
            </li>
          ))}
        </ul>
      </details>
    </li>
  );
}
