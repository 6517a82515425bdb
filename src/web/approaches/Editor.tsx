/** One approach as a grid, with the chosen cell beside it. */
import { useMemo, useState } from "react";
import type { ApproachView } from "../../api/views";
import type { Approach } from "../../core/athlete";
import { approachFaults } from "../../core/dose";
import { useHeld } from "../data/tags";
import { PHASE_NAMES } from "../format";
import { ICON } from "../ui/glyphs";
import { useUnsaved } from "../ui/useUnsaved";
import { CellForm } from "./CellForm";
import { Grid, type GridPlace } from "./Grid";
import { CopySheet, RemoveSheet, VersionsSheet } from "./sheets";

/** The same whatever the order of its keys, which a version gets from the server. */
const inOrder = (value: unknown): string =>
  JSON.stringify(value, (_, v: unknown) =>
    v !== null && typeof v === "object" && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );

/** Whether two versions say the same. */
const sameGrid = (a: Approach, b: Approach): boolean => inOrder({ ...a, version: 0 }) === inOrder({ ...b, version: 0 });

interface EditorProps {
  view: ApproachView;
  busy: boolean;
  onSave: (a: Approach) => void;
}

/** The grid with the chosen cell beside it. A shipped approach can be looked at, a copy changed. */
export function Editor({ view: v, busy, onSave }: EditorProps) {
  useHeld(v.own ? `approaches/${v.approach.id}` : null);
  const [draft, setDraft] = useState(v.approach);
  /** What the draft began with. A newer version takes its place only while nothing was changed here, or once it says the same. */
  const [from, setFrom] = useState(v.approach);
  if (v.approach.version !== from.version && (sameGrid(draft, from) || sameGrid(draft, v.approach))) {
    setFrom(v.approach);
    setDraft(v.approach);
  }
  const [at, setAt] = useState<GridPlace>({ stage: "build", column: "squat" });
  const [sheet, setSheet] = useState<"copy" | "versions" | "remove" | null>(null);
  const faults = useMemo(() => approachFaults(draft), [draft]);
  const changed = !sameGrid(draft, v.approach);
  useUnsaved(changed);
  const inCell = (p: GridPlace) =>
    faults.some((f) =>
      (p.column === "week"
        ? [`rows.${p.stage}.perWeek`]
        : [`rows.${p.stage}.cells.${p.column}.`, `lines.${p.stage}.${p.column}.`]
      ).some((at) => f.path.startsWith(at)),
    );
  const first = faults[0];
  return (
    <div className="two-pane min-h-0 flex-1">
      <section aria-label="Grid" className="min-w-0 overflow-auto px-4 pb-4">
        <Grid approach={draft} was={v.approach} at={at} faulty={inCell} onChoose={setAt} />
        <p className="mt-2 max-w-[92ch] text-label leading-4 text-ink2">
          RIR is the repetitions in reserve; the last line is the rest, and the tempo where it is not the exercise's
          own. Sets and sessions: the low end for new lifters and full weeks, the high end for trained ones with room.
          Repetitions move inside their range by progress. The leading lifts are common practice; the accessory work and
          the layered approach are our assumptions.
        </p>
      </section>
      <aside className="flex min-h-0 flex-col border-l border-hair bg-panel" aria-label="The chosen cell">
        <div className="min-h-0 flex-1 overflow-auto">
          <CellForm approach={draft} at={at} faults={faults} locked={!v.own} onChange={setDraft} />
          <div className="sec">
            <h2 className="sec-h">In words</h2>
            <p className="text-label leading-4">{draft.rows[at.stage].says}.</p>
          </div>
          <div className="sec flex-1">
            <h2 className="sec-h">Who follows it</h2>
            {v.users.length === 0 ? (
              <p className="text-label text-ink2">Nobody.</p>
            ) : (
              <ul className="text-label leading-5">
                {v.users.map((u) => (
                  <li key={u.id}>
                    {u.name}
                    {u.phases && (
                      <span className="text-ink2">
                        , {u.phases.map((p) => PHASE_NAMES[p].toLowerCase()).join(", ")} only
                      </span>
                    )}
                  </li>
                ))}
              </ul>
            )}
          </div>
        </div>
        <div className="flex flex-none flex-wrap gap-2 border-t border-hair bg-panel p-3">
          {v.own ? (
            <>
              {first && (
                <p role="alert" className="w-full text-label leading-4 text-brick-ink">
                  {faults.length === 1 ? "One cell" : `${faults.length} figures`} cannot be kept: {first.expected}.
                </p>
              )}
              <button
                type="button"
                className="btn btn-pri"
                disabled={!changed || faults.length > 0 || busy}
                onClick={() => onSave(draft)}
              >
                See what changes
              </button>
              <button type="button" className="btn" disabled={!changed} onClick={() => setDraft(v.approach)}>
                {ICON.undo} Discard
              </button>
              <button type="button" className="btn btn-sm" onClick={() => setSheet("versions")}>
                Versions
              </button>
              <button type="button" className="btn btn-sm" onClick={() => setSheet("copy")}>
                Copy
              </button>
              <button type="button" className="btn btn-sm" onClick={() => setSheet("remove")}>
                Remove
              </button>
            </>
          ) : (
            <button type="button" className="btn btn-pri" onClick={() => setSheet("copy")}>
              Make a copy to change
            </button>
          )}
        </div>
      </aside>
      {sheet === "copy" && <CopySheet view={v} onClose={() => setSheet(null)} />}
      {sheet === "versions" && (
        <VersionsSheet
          id={v.approach.id}
          onClose={() => setSheet(null)}
          onTake={(a) => {
            setDraft({ ...a, version: v.approach.version });
            setSheet(null);
          }}
        />
      )}
      {sheet === "remove" && <RemoveSheet view={v} onClose={() => setSheet(null)} />}
    </div>
  );
}
