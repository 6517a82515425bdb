/** The sheet on a phone: an exercise a card, with its dose, its load and what can be done with it. */
import type { ItemView, SessionView } from "../../api/views";
import { heldText, reserveText, workText } from "../../core/session";
import { loadText, mass, type Units } from "../format";
import { PatternTile } from "../section/parts";
import { bandOf } from "../section/patterns";
import { Asked } from "../ui/Asked";
import { lineWhy, loadWhy, Notes, platesText } from "./Lines";
import { Swap } from "./Swap";

export function Cards({ view, units }: { view: SessionView; units: Units }) {
  return (
    <ul className="flex flex-col gap-2">
      {view.items.map((i) => (
        <li key={i.pair + i.exercise} className="rounded-[3px] border border-hair bg-panel p-3">
          <Card item={i} view={view} units={units} />
        </li>
      ))}
    </ul>
  );
}

function Card({ item: i, view, units }: { item: ItemView; view: SessionView; units: Units }) {
  const logged = view.log?.items.find((x) => x.exercise === i.exercise);
  return (
    <>
      <span className="flex items-center gap-2">
        <PatternTile id={bandOf(i.pattern)} size={20} />
        <b className="min-w-0 flex-1 text-lead leading-5 font-semibold">
          <span className="mr-1.5 text-ink2 num">{i.pair}</span>
          {i.name}
        </b>
        {view.log === null && view.time && <Swap item={i} view={view} />}
      </span>
      <span className="mt-2 flex flex-wrap items-baseline gap-x-4">
        <Asked reasons={lineWhy(i.why, view.why)} className="min-h-11 text-title font-semibold whitespace-nowrap">
          {i.sets} × {workText(i)}
        </Asked>
        <Asked reasons={loadWhy(i.why)} className="min-h-11 text-title font-semibold whitespace-nowrap">
          {loadText(i, units)}
        </Asked>
        <span className="text-label text-ink2">
          {[
            i.eachSide ? "each side" : "",
            i.seconds === null ? `${reserveText(i.rir)} in reserve` : "",
            heldText(i),
            platesText(i, units),
          ]
            .filter(Boolean)
            .join(", ")}
        </span>
      </span>
      {i.warmUp.length > 0 && (
        <p className="mt-1 text-label text-ink2">
          Warm-up sets: {i.warmUp.map((w) => `${mass(w.loadKg, units)} × ${w.reps}`).join(", ")}
        </p>
      )}
      {logged && <p className="mt-1 text-label">Lifted: {logged.sets.length} sets</p>}
      <p className="mt-1 text-label text-ink2">{i.cue}</p>
      <Notes item={i} block={view.block} units={units} />
    </>
  );
}
