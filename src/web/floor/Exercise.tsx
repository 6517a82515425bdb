/** One exercise at the rack: what to lift, the plates, the sets, the pain. */

import { lazy, Suspense, useState } from "react";
import type { ItemView, SessionView } from "../../api/views";
import type { LoggedItem, LoggedSet, StrengthLog } from "../../core/athlete";
import { reserveText, slowText, together } from "../../core/session";
import { useMay } from "../data/session";
import { clock, loadText, massNumber, setsByReps, type Units } from "../format";
import { PatternTile } from "../section/parts";
import { bandOf } from "../section/patterns";
import { ICON } from "../ui/glyphs";
import { BigBar } from "../ui/Plates";
import { Felt } from "./asked";
import { FloorAnchor } from "./FloorAnchor";
import { Pain, Rest, Stepper, sideText, WarmUps } from "./parts";
import {
  isFinished,
  isStopped,
  lighterBy,
  loadsWithin,
  loggedOf,
  rowsOf,
  type SetEntry,
  sideAt,
  sidesOf,
  startEntry,
  stepLoad,
} from "./progress";

// Asked for now and then: what they need is fetched then, and from what this device keeps.
const Ramp = lazy(() => import("./Ramp"));
const Swap = lazy(async () => ({ default: (await import("../session/Swap")).Swap }));

interface ExerciseProps {
  view: SessionView;
  item: ItemView;
  log: StrengthLog;
  units: Units;
  rest: { until: number; seconds: number } | null;
  onRestOver: () => void;
  onLog: (e: SetEntry) => void;
  onUndo: () => void;
  onPain: (pain: number) => void;
  /** A third of the sets are left out today. */
  /** Takes a third of the sets off, or puts them back; null once something is logged. */
  onCheckIn: (() => void) | null;
  onFelt: (felt: NonNullable<LoggedItem["felt"]>) => void;
  onPick: (at: number) => void;
  onEnd: () => void;
}

export function Exercise({
  view,
  item,
  log,
  units,
  rest,
  onRestOver,
  onLog,
  onUndo,
  onPain,
  onCheckIn,
  onFelt,
  onPick,
  onEnd,
}: ExerciseProps) {
  const [entry, setEntry] = useState<SetEntry>(() => startEntry(item, log));
  const rows = loggedOf(log, item.exercise)?.sets ?? [];
  const pain = loggedOf(log, item.exercise)?.pain;
  const sides = sidesOf(item);
  const n = rows.length;
  const current = Math.floor(n / sides.length) + 1;
  const side = sideAt(item, n);
  const left = rowsOf(item) - n;
  const stopped = isStopped(log, item, view);
  const partner = view.items.find((i) => i !== item && together(i, item));
  const later = view.items.map((i, at) => ({ i, at })).filter(({ i }) => i !== item && !isFinished(log, i, view));
  const may = useMay();
  const loads = may("plan.change", view.id) ? item.loads : loadsWithin(item.loads, item.loadKg);
  const external = !["bodyweight", "band"].includes(item.loading);
  return (
    <>
      <div className="min-h-0 flex-1 overflow-auto px-4 pt-3 pb-4">
        <Head item={item} units={units} n={n} view={view} log={log} />
        {item.loading === "bar" && item.barKg !== null && entry.loadKg !== null ? (
          <BigBar
            barText={`bar ${massNumber(item.barKg, units)} ${units.massUnit}`}
            perSideKg={entry.loadKg === item.loadKg ? item.perSideKg : []}
            sideText={sideText(item, entry.loadKg, units)}
          />
        ) : (
          <p className="my-2 text-body text-ink2">{item.cue}</p>
        )}
        {onCheckIn && (
          <button
            type="button"
            className="my-2 min-h-11 w-full rounded-[3px] border border-iron bg-iron-l px-3 text-left text-body font-medium"
            onClick={onCheckIn}
          >
            Before you start: check in, ten seconds
          </button>
        )}
        {n === 0 && item.warmUp.length > 0 && (
          <WarmUps
            item={item}
            units={units}
            onHarder={() => setEntry({ ...entry, loadKg: lighterBy(item.loads, entry.loadKg, view.floor.lessPct) })}
          />
        )}
        {n === 0 && item.ramp.length > 0 && (
          <Suspense fallback={<p role="status">Loading what finds the load…</p>}>
            <Ramp item={item} units={units} onFound={(loadKg) => setEntry({ ...entry, loadKg })} />
          </Suspense>
        )}
        <div className="overflow-hidden rounded-[3px] border border-edge bg-panel">
          <Done rows={rows} sides={sides} units={units} item={item} onUndo={onUndo} />
          {rest && <Rest rest={rest} partner={partner} onOver={onRestOver} />}
          {!stopped && left > 0 && <Entry {...{ side, external, item, loads, entry, setEntry, units }} />}
          {Array.from({ length: stopped ? 0 : Math.max(0, item.sets - current) }, (_, i) => current + i + 1).map(
            (set) => (
              <div key={set} className="flex h-9 items-center gap-3 border-t border-hair px-4 text-body text-ink2">
                <span className="w-9">{set}</span>
                <span className="w-20">{item.seconds === null ? `${item.reps} reps` : `${item.seconds} s`}</span>
                <span>{loadText(item, units)}</span>
              </div>
            ),
          )}
        </div>
        {item.pattern === "hinge" && n > 0 && <Felt felt={loggedOf(log, item.exercise)?.felt} onFelt={onFelt} />}
        <Pain pain={pain} onPain={onPain} stopped={stopped} />
        {later.length > 0 && <Later later={later} onPick={onPick} units={units} />}
        <button type="button" className="mt-2 min-h-11 text-body text-ink2 underline" onClick={onEnd}>
          Stop here: what is done counts
        </button>
      </div>
      <div className="flex-none border-t border-hair bg-panel p-4 pt-2">
        {stopped ? (
          <button
            type="button"
            className="h-14 w-full rounded-[3px] bg-iron text-title font-semibold text-on-iron"
            onClick={() => (later[0] ? onPick(later[0].at) : onEnd())}
          >
            {later[0] ? `Go on with ${later[0].i.name}` : "Finish"}
          </button>
        ) : (
          <button
            type="button"
            className="h-14 w-full rounded-[3px] bg-iron text-title font-semibold text-on-iron disabled:bg-field"
            disabled={external && entry.loadKg === null}
            onClick={() => onLog(entry)}
          >
            {external && entry.loadKg === null
              ? "Choose the load first"
              : `Log set ${current}${side === "both" ? "" : `, ${side}`}`}
          </button>
        )}
      </div>
    </>
  );
}

interface HeadProps {
  item: ItemView;
  units: Units;
  n: number;
  view: SessionView;
  log: StrengthLog;
}

/** What is to be done, and how. */
function Head({ item, units, n, view, log }: HeadProps) {
  return (
    <div className="flex items-start gap-2">
      <div className="min-w-0 flex-1">
        <h1 className="flex items-center gap-2.5 text-figure leading-7 font-[650]">
          <PatternTile id={bandOf(item.pattern)} size={24} /> <span className="cond-s">{item.name}</span>
        </h1>
        <p className="mt-1 text-lead">
          {setsByReps(item)} {item.eachSide ? "each side " : ""}@ {loadText(item, units)}
          {item.seconds === null ? `, ${reserveText(item.rir)} in reserve` : ""}, {clock(item.restSeconds)} rest
        </p>
        {item.slow && <p className="text-lead font-medium">{slowText(item)}</p>}
        {item.note && <p className="text-lead font-medium">{item.note}</p>}
        {(item.style || item.firstSide) && (
          <p className="text-body text-ink2">
            {[
              item.style,
              item.firstSide ? `${item.firstSide} side first, the other matches it` : "",
              item.extraSide ? `one set more on the ${item.extraSide}` : "",
            ]
              .filter(Boolean)
              .join("; ")}
          </p>
        )}
        {n === 0 && view.date === view.today && (
          <div className="mt-1 -ml-3">
            <Suspense fallback={null}>
              <Swap item={item} view={view} />
            </Suspense>
          </div>
        )}
      </div>
      <FloorAnchor view={view} log={log} current={item} />
    </div>
  );
}

interface DoneProps {
  rows: LoggedSet[];
  sides: ("left" | "right" | "both")[];
  units: Units;
  item: ItemView;
  onUndo: () => void;
}

/** Sets that are logged. */
function Done({ rows, sides, units, item, onUndo }: DoneProps) {
  return (
    <>
      {rows.map((s, i) => (
        <div key={i} className="flex h-11 items-center gap-3 border-b border-hair px-4 text-lead">
          <span className="w-9 text-body text-ink2">
            {Math.floor(i / sides.length) + 1}
            {s.side !== "both" ? ` ${s.side[0]?.toUpperCase()}` : ""}
          </span>
          <span className="w-20">
            <b>{s.reps ?? s.seconds}</b> <small className="text-body">{s.reps === undefined ? "s" : "reps"}</small>
          </span>
          <span className="flex-1">
            {s.loadKg !== undefined && (
              <>
                <b>{massNumber(s.loadKg, units)}</b> <small className="text-body">{units.massUnit}</small>
              </>
            )}
          </span>
          <span className="text-body">{item.seconds === null ? `${s.rir ?? "–"} in res.` : ""}</span>
          {i === rows.length - 1 ? (
            <button
              type="button"
              aria-label="Take back this set"
              className="grid h-11 w-11 place-items-center [&_svg]:h-5 [&_svg]:w-5 [&_svg]:fill-none [&_svg]:stroke-current [&_svg]:stroke-[1.5]"
              onClick={onUndo}
            >
              {ICON.undo}
            </button>
          ) : (
            <span className="grid w-11 place-items-center text-moss-ink [&_svg]:h-5 [&_svg]:w-5 [&_svg]:fill-none [&_svg]:stroke-current [&_svg]:stroke-2">
              {ICON.check}
            </span>
          )}
        </div>
      ))}
    </>
  );
}

interface EntryProps {
  side: "left" | "right" | "both";
  external: boolean;
  item: ItemView;
  /** Loads that may be set here. */
  loads: readonly number[];
  entry: SetEntry;
  setEntry: (value: SetEntry) => void;
  units: Units;
}

/** The set that comes next, with its steppers. */
function Entry({ side, external, item, loads, entry, setEntry, units }: EntryProps) {
  return (
    <div className="border-l-4 border-iron bg-surface p-2">
      {side !== "both" && (
        <p className="px-1 pb-1 text-lead font-semibold">{side === "left" ? "Left" : "Right"} side</p>
      )}
      <div className={`grid gap-2 ${external && item.seconds === null ? "grid-cols-3" : "grid-cols-2"}`}>
        {item.seconds === null ? (
          <Stepper
            label="Reps"
            value={entry.reps ?? 0}
            onStep={(by) => setEntry({ ...entry, reps: Math.max(0, (entry.reps ?? 0) + by) })}
          />
        ) : (
          <Stepper
            label="Seconds"
            value={entry.seconds ?? 0}
            onStep={(by) => setEntry({ ...entry, seconds: Math.max(0, (entry.seconds ?? 0) + 5 * by) })}
          />
        )}
        {external && (
          <Stepper
            label={
              item.loading !== "pair" ? "Load" : item.household === "rucksack" ? "Half the rucksack" : "Load, each"
            }
            value={entry.loadKg === null ? "find" : massNumber(entry.loadKg, units)}
            unit={units.massUnit}
            onStep={(by) => setEntry({ ...entry, loadKg: stepLoad(loads, entry.loadKg, by) })}
          />
        )}
        {item.seconds === null && (
          <Stepper
            label="In reserve"
            value={entry.rir}
            onStep={(by) => setEntry({ ...entry, rir: Math.min(10, Math.max(0, entry.rir + by)) })}
          />
        )}
      </div>
    </div>
  );
}

interface LaterProps {
  later: { i: ItemView; at: number }[];
  onPick: (at: number) => void;
  units: Units;
}

/** What comes after it. */
function Later({ later, onPick, units }: LaterProps) {
  return (
    <ul className="mt-3 border-t border-ground">
      {later.slice(0, 4).map(({ i, at }, k) => (
        <li key={i.exercise + i.pair} className="border-b border-hair">
          <button
            type="button"
            className="flex min-h-11 w-full items-center gap-2.5 text-left"
            onClick={() => onPick(at)}
          >
            <PatternTile id={bandOf(i.pattern)} size={20} />
            <span className="flex-1 font-semibold">
              {k === 0 ? "Next: " : ""}
              {i.name}
            </span>
            <span className="text-body whitespace-nowrap">
              {setsByReps(i)} @ {loadText(i, units)}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}
