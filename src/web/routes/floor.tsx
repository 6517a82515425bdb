/** Floor: the session at the rack, on a phone. One tap logs a set as prescribed. */
import { useEffect, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { Toaster } from "sonner";
import type { ItemView, SessionView } from "../../api/views";
import { useSession, useSquad } from "../data/hooks";
import { clock, day, loadText, massNumber, sessionName, setsByReps, type Units } from "../format";
import { doneRows, type Entry, emptyLog, isFinished, loggedOf, nextItem, rowsOf, STOP_PAIN, sidesOf, startEntry, stepLoad, withoutLast, withPain, withSet } from "../floor/progress";
import { type Sent, useLog } from "../floor/useLog";
import { Defs } from "../section/Defs";
import { anchorShape } from "../section/layout/common";
import { Anchor, PatternTile } from "../section/parts";
import { bandOf, bandSets } from "../section/patterns";
import { ICON, WarnIcon } from "../ui/glyphs";
import { BigBar } from "../ui/Plates";
import { Failed, Loading } from "../ui/State";

export default function FloorRoute() {
  const { id = "", date = "", label = "" } = useParams();
  const session = useSession(id, date, label);
  const squad = useSquad();
  if (session.isPending || squad.isPending) return <Loading what="the session" />;
  if (session.isError) return <Failed error={session.error} retry={() => session.refetch()} what="This session" />;
  const row = squad.data?.rows.find((r) => r.id === id);
  const units: Units = { massUnit: row?.massUnit ?? "kg", distanceUnit: row?.distanceUnit ?? "km" };
  const early = session.data.date > session.data.today;
  if (early)
    return (
      <main className="mx-auto max-w-[430px] p-6 text-[15px]">
        <h1 className="mb-2 text-[24px] font-semibold">Not yet</h1>
        <p className="mb-4">This session stands on {day(session.data.date)}. The floor opens on the day.</p>
        <Link className="btn" to={`/a/${id}/session/${date}/${label}`}>
          Back to the sheet
        </Link>
      </main>
    );
  return <Floor key={`${date}${label}`} id={id} view={session.data} name={row?.name ?? ""} units={units} />;
}

const nowText = () => new Date().toTimeString().slice(0, 5);

function Floor({ id, view, name, units }: { id: string; view: SessionView; name: string; units: Units }) {
  const navigate = useNavigate();
  const [initial] = useState(() => emptyLog(view, nowText()));
  const { log, change, sent, refused } = useLog(id, initial, view.log);
  const [picked, setPicked] = useState<number | null>(null);
  const [rest, setRest] = useState<{ until: number; seconds: number } | null>(null);
  const [ending, setEnding] = useState(false);
  const [began] = useState(() => Date.now());
  const due = nextItem(view, log);
  const at = picked ?? due;
  const item = view.items[at];
  const done = due === -1;
  const finished = view.items.filter((i) => isFinished(log, i)).length;
  const logSet = (entry: Entry) => {
    if (!item) return;
    const next = withSet(log, item, entry);
    change(next);
    const full = doneRows(next, item) % sidesOf(item).length === 0;
    if (full) setRest({ until: Date.now() + item.restSeconds * 1000, seconds: item.restSeconds });
    // A hand-picked exercise stays until it is done; then the order takes over again.
    setPicked(picked !== null && isFinished(next, item) ? null : picked);
  };
  return (
    <main className="mx-auto flex h-full max-w-[430px] min-w-[360px] flex-col bg-paper text-[15px]">
      <header className="flex h-14 flex-none border-b-[1.5px] border-ground bg-panel">
        <Link to={`/a/${id}/session/${view.date}/${view.label}`} aria-label="Back to the sheet" className="grid w-12 flex-none place-items-center border-r border-hair [&_svg]:h-5 [&_svg]:w-5 [&_svg]:fill-none [&_svg]:stroke-current [&_svg]:stroke-2">
          {ICON.left}
        </Link>
        <div className="min-w-0 flex-1 px-3 pt-1.5 leading-[22px]">
          <p className="truncate text-[12px] leading-5 text-ink2">
            {name} <SentMark sent={sent} />
          </p>
          <p className="truncate font-semibold">
            {sessionName(view.label, view.emphasis)}, {day(view.date)}
          </p>
        </div>
        <div className="border-l border-hair px-3 pt-1.5 leading-[22px]">
          <p className="text-[12px] leading-5 text-ink2">Exercise</p>
          <p className="num font-semibold">
            {done ? view.items.length : at + 1} of {view.items.length}
          </p>
        </div>
      </header>
      {refused && (
        <p role="alert" className="flex gap-2 bg-brick-l px-4 py-2 text-[13px] text-brick-ink">
          <WarnIcon /> {refused} It is kept on this phone.
        </p>
      )}
      {ending || done || !item ? (
        <Finish view={view} planned={view.rpe} minutes={Math.max(1, Math.round((Date.now() - began) / 60_000))} finished={finished} total={view.items.length} log={log} onBack={done ? null : () => setEnding(false)} onSave={(rpe, minutes) => {
          change({ ...log, rpe, minutes });
          navigate(`/a/${id}/session/${view.date}/${view.label}`);
        }} onUndo={() => {
          const last = view.items.findLast((i) => doneRows(log, i) > 0);
          if (last) change(withoutLast(log, last));
        }} />
      ) : (
        <Exercise
          key={`${item.exercise}${doneRows(log, item)}`}
          view={view}
          item={item}
          log={log}
          units={units}
          rest={rest}
          onRestOver={() => setRest(null)}
          onLog={logSet}
          onUndo={() => change(withoutLast(log, item))}
          onPain={(p) => change(withPain(log, item, p))}
          onPick={(index) => setPicked(index)}
          onEnd={() => setEnding(true)}
        />
      )}
      <Toaster position="top-center" />
    </main>
  );
}

const SentMark = ({ sent }: { sent: Sent }) => <span role="status">· {sent === "sent" ? "saved" : sent === "sending" ? "saving" : "kept on this phone, not sent yet"}</span>;

interface ExerciseProps {
  view: SessionView;
  item: ItemView;
  log: Parameters<typeof withSet>[0];
  units: Units;
  rest: { until: number; seconds: number } | null;
  onRestOver: () => void;
  onLog: (e: Entry) => void;
  onUndo: () => void;
  onPain: (pain: number) => void;
  onPick: (at: number) => void;
  onEnd: () => void;
}

function Exercise({ view, item, log, units, rest, onRestOver, onLog, onUndo, onPain, onPick, onEnd }: ExerciseProps) {
  const [entry, setEntry] = useState<Entry>(() => startEntry(item, log));
  const rows = loggedOf(log, item.exercise)?.sets ?? [];
  const pain = loggedOf(log, item.exercise)?.pain;
  const sides = sidesOf(item);
  const n = rows.length;
  const current = Math.floor(n / sides.length) + 1;
  const side = sides[n % sides.length];
  const left = rowsOf(item) - n;
  const stopped = (pain ?? 0) > STOP_PAIN;
  const partner = view.items.find((i) => i !== item && i.pair.replace(/[AB]$/, "") === item.pair.replace(/[AB]$/, ""));
  const later = view.items.map((i, at) => ({ i, at })).filter(({ i }) => i !== item && !isFinished(log, i));
  const external = !["bodyweight", "band"].includes(item.loading);
  return (
    <>
      <div className="min-h-0 flex-1 overflow-auto px-4 pt-3 pb-4">
        <div className="flex items-start gap-2">
          <div className="min-w-0 flex-1">
            <h1 className="flex items-center gap-2.5 text-[24px] leading-7 font-[650]">
              <PatternTile id={bandOf(item.pattern)} size={24} /> <span className="cond-s">{item.name}</span>
            </h1>
            <p className="mt-1 text-[15px]">
              {setsByReps(item)} {item.eachSide ? "each side " : ""}@ {loadText(item, units)}
              {item.seconds === null ? `, ${item.rir} in reserve` : ""}, {clock(item.restSeconds)} rest
            </p>
          </div>
          <FloorAnchor view={view} log={log} current={item} />
        </div>
        {item.loading === "bar" && item.barKg !== null && entry.loadKg !== null ? (
          <BigBar barText={`bar ${massNumber(item.barKg, units)} ${units.massUnit}`} perSideKg={entry.loadKg === item.loadKg ? item.perSideKg : []} sideText={sideText(item, entry.loadKg, units)} />
        ) : (
          <p className="my-2 text-[14px] text-ink2">{item.cue}</p>
        )}
        {n === 0 && item.warmUp.length > 0 && <WarmUps item={item} units={units} />}
        <div className="overflow-hidden rounded-[3px] border border-edge bg-panel">
          {rows.map((s, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: sets have no identity but their order
            <div key={i} className="flex h-11 items-center gap-3 border-b border-hair px-4 text-[16px]">
              <span className="w-9 text-[13px] text-ink2">
                {Math.floor(i / sides.length) + 1}
                {s.side !== "both" ? ` ${s.side[0]?.toUpperCase()}` : ""}
              </span>
              <span className="w-20">
                <b>{s.reps ?? s.seconds}</b> <small className="text-[13px]">{s.reps === undefined ? "s" : "reps"}</small>
              </span>
              <span className="flex-1">{s.loadKg !== undefined && (<><b>{massNumber(s.loadKg, units)}</b> <small className="text-[13px]">{units.massUnit}</small></>)}</span>
              <span className="text-[14px]">{item.seconds === null ? `${s.rir ?? "–"} in res.` : ""}</span>
              {i === rows.length - 1 ? (
                <button type="button" aria-label="Take back this set" className="grid h-11 w-11 place-items-center [&_svg]:h-5 [&_svg]:w-5 [&_svg]:fill-none [&_svg]:stroke-current [&_svg]:stroke-[1.5]" onClick={onUndo}>
                  {ICON.undo}
                </button>
              ) : (
                <span className="grid w-11 place-items-center text-moss-ink [&_svg]:h-5 [&_svg]:w-5 [&_svg]:fill-none [&_svg]:stroke-current [&_svg]:stroke-2">{ICON.check}</span>
              )}
            </div>
          ))}
          {rest && <Rest rest={rest} partner={partner} onOver={onRestOver} />}
          {!stopped && left > 0 && (
            <div className="border-l-4 border-iron bg-white p-2">
              {side !== "both" && <p className="px-1 pb-1 text-[15px] font-semibold">{side === "left" ? "Left" : "Right"} side</p>}
              <div className={`grid gap-2 ${external && item.seconds === null ? "grid-cols-3" : "grid-cols-2"}`}>
                {item.seconds === null ? (
                  <Stepper label="Reps" value={entry.reps ?? 0} onStep={(by) => setEntry({ ...entry, reps: Math.max(0, (entry.reps ?? 0) + by) })} />
                ) : (
                  <Stepper label="Seconds" value={entry.seconds ?? 0} onStep={(by) => setEntry({ ...entry, seconds: Math.max(0, (entry.seconds ?? 0) + 5 * by) })} />
                )}
                {external && <Stepper label={item.loading === "pair" ? "Load, each" : "Load"} value={entry.loadKg === null ? "find" : massNumber(entry.loadKg, units)} unit={units.massUnit} onStep={(by) => setEntry({ ...entry, loadKg: stepLoad(item.loads, entry.loadKg, by) })} />}
                {item.seconds === null && <Stepper label="In reserve" value={entry.rir} onStep={(by) => setEntry({ ...entry, rir: Math.min(10, Math.max(0, entry.rir + by)) })} />}
              </div>
            </div>
          )}
          {Array.from({ length: stopped ? 0 : Math.max(0, item.sets - current) }, (_, i) => current + i + 1).map((set) => (
            <div key={set} className="flex h-9 items-center gap-3 border-t border-hair px-4 text-[14px] text-ink2">
              <span className="w-9">{set}</span>
              <span className="w-20">{item.seconds === null ? `${item.reps} reps` : `${item.seconds} s`}</span>
              <span>{loadText(item, units)}</span>
            </div>
          ))}
        </div>
        <Pain pain={pain} onPain={onPain} stopped={stopped} />
        {later.length > 0 && (
          <ul className="mt-3 border-t border-ground">
            {later.slice(0, 4).map(({ i, at }, k) => (
              <li key={i.exercise + i.pair} className="border-b border-hair">
                <button type="button" className="flex min-h-11 w-full items-center gap-2.5 text-left" onClick={() => onPick(at)}>
                  <PatternTile id={bandOf(i.pattern)} size={20} />
                  <span className="flex-1 font-semibold">
                    {k === 0 ? "Next: " : ""}
                    {i.name}
                  </span>
                  <span className="text-[14px] whitespace-nowrap">
                    {setsByReps(i)} @ {loadText(i, units)}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        )}
        <button type="button" className="mt-2 min-h-11 text-[14px] text-ink2 underline" onClick={onEnd}>
          Stop here: what is done counts
        </button>
      </div>
      <div className="flex-none border-t border-hair bg-panel p-4 pt-2">
        {stopped ? (
          <button type="button" className="h-14 w-full rounded-[3px] bg-iron text-[18px] font-semibold text-white" onClick={() => (later[0] ? onPick(later[0].at) : onEnd())}>
            {later[0] ? `Go on with ${later[0].i.name}` : "Finish"}
          </button>
        ) : (
          <button type="button" className="h-14 w-full rounded-[3px] bg-iron text-[18px] font-semibold text-white disabled:bg-field" disabled={external && entry.loadKg === null} onClick={() => onLog(entry)}>
            {external && entry.loadKg === null ? "Choose the load first" : `Log set ${current}${side === "both" ? "" : `, ${side}`}`}
          </button>
        )}
      </div>
    </>
  );
}

/** Plates for the load on the steppers: given for the prescribed one, else half of what is added to the bar. */
function sideText(item: ItemView, loadKg: number, units: Units): string {
  if (loadKg === item.loadKg) return item.perSideKg.length ? item.perSideKg.map((p) => massNumber(p, units)).join(" + ") : "nothing";
  return `${massNumber((loadKg - (item.barKg ?? 0)) / 2, units)} ${units.massUnit}`;
}

function WarmUps({ item, units }: { item: ItemView; units: Units }) {
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  return (
    <fieldset className="my-2 flex gap-2">
      <legend className="sr-only">Warm-up sets</legend>
      {item.warmUp.map((w, i) => (
        <button
          key={w.loadKg}
          type="button"
          aria-pressed={ticked.has(i)}
          onClick={() => setTicked(new Set(ticked.has(i) ? [...ticked].filter((x) => x !== i) : [...ticked, i]))}
          className={`flex min-h-11 flex-1 items-center justify-center gap-1.5 rounded-[3px] border text-[14px] ${ticked.has(i) ? "border-moss bg-moss-plan" : "border-edge"}`}
        >
          {ticked.has(i) && <span className="[&_svg]:h-4 [&_svg]:w-4 [&_svg]:fill-none [&_svg]:stroke-moss-ink [&_svg]:stroke-2">{ICON.check}</span>}
          {item.barKg === w.loadKg ? "bar" : massNumber(w.loadKg, units)} × {w.reps}
        </button>
      ))}
    </fieldset>
  );
}

function Rest({ rest, partner, onOver }: { rest: { until: number; seconds: number }; partner: ItemView | undefined; onOver: () => void }) {
  const [now, setNow] = useState(Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, []);
  const left = Math.ceil((rest.until - now) / 1000);
  if (left <= 0) return null;
  return (
    <div className="relative flex items-center gap-3 bg-rest px-3 py-2">
      <span className="absolute top-0 left-0 h-0.5 bg-ground" style={{ width: `${(left / rest.seconds) * 100}%` }} />
      <span className="num text-[28px] leading-8 font-semibold" role="timer" aria-label="Rest left">
        {clock(left)}
      </span>
      <span className="text-[13px] leading-4">
        rest left
        <br />
        of {clock(rest.seconds)}
      </span>
      {partner && (
        <span className="min-w-0 flex-1 truncate text-[13px] leading-4">
          paired with
          <br />
          <b>{partner.name}</b>
        </span>
      )}
      <button type="button" className="ml-auto min-h-11 px-2 text-[14px] underline" onClick={onOver}>
        Skip
      </button>
    </div>
  );
}

function Stepper({ label, value, unit, onStep }: { label: string; value: number | string; unit?: string; onStep: (by: 1 | -1) => void }) {
  const button = "grid h-11 flex-1 place-items-center text-[22px] leading-none";
  return (
    <div className="rounded-[3px] border border-field bg-panel">
      <p className="pt-1 text-center text-[13px] leading-4">{label}</p>
      <output className="num block h-8 overflow-hidden text-center text-[26px] leading-8 font-semibold" aria-label={label}>
        {value}
        {unit && typeof value === "number" && <small className="ml-0.5 text-[14px] leading-none font-medium">{unit}</small>}
      </output>
      <div className="flex border-t border-hair">
        <button type="button" className={`${button} border-r border-hair`} aria-label={`${label} down`} onClick={() => onStep(-1)}>
          −
        </button>
        <button type="button" className={button} aria-label={`${label} up`} onClick={() => onStep(1)}>
          +
        </button>
      </div>
    </div>
  );
}

const painWords = (p: number | undefined): string => (p === undefined ? "tap if there is any" : p === 0 ? "none" : p <= 2 ? "I notice it, I move as usual" : p <= 5 ? "no increase; take a shorter range or the easier rung" : "stop this exercise");

function Pain({ pain, onPain, stopped }: { pain: number | undefined; onPain: (p: number) => void; stopped: boolean }) {
  return (
    <fieldset className="mt-3">
      <legend className="flex w-full justify-between text-[15px]">
        <b>Any pain?</b>
        <span className="text-[13px] text-ink2">{painWords(pain)}</span>
      </legend>
      <div className="mt-1 flex overflow-hidden rounded-[3px] border border-edge bg-panel">
        {Array.from({ length: 11 }, (_, p) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the scale is its own key
          <button key={p} type="button" aria-pressed={pain === p} aria-label={`Pain ${p} of 10`} onClick={() => onPain(p)} className={`h-11 flex-1 border-r border-hair last:border-r-0 ${pain === p ? "bg-iron font-semibold text-white" : ""}`}>
            {p}
          </button>
        ))}
      </div>
      <p className="mt-1 flex justify-between text-[12px] leading-4 text-ink2">
        <span>0 none</span>
        <span>5 changes how I move</span>
        <span>10 must stop</span>
      </p>
      {stopped && (
        <p role="alert" className="mt-2 flex gap-2 rounded-[3px] border border-brick bg-brick-l p-3 text-[14px] leading-5 text-brick-ink">
          <WarnIcon size={18} />
          <span>Stop this exercise. Go on with one that does not hurt. If the pain lasts beyond 24 hours or returns, see a physiotherapist.</span>
        </p>
      )}
    </fieldset>
  );
}

interface FinishProps {
  view: SessionView;
  planned: number;
  minutes: number;
  finished: number;
  total: number;
  log: Parameters<typeof withSet>[0];
  onBack: (() => void) | null;
  onSave: (rpe: number, minutes: number) => void;
  onUndo: () => void;
}

function Finish({ view, planned, minutes: counted, finished, total, log, onBack, onSave, onUndo }: FinishProps) {
  const [rpe, setRpe] = useState(log.rpe ?? planned);
  const [minutes, setMinutes] = useState(log.minutes ?? (counted < view.minutes / 3 ? view.minutes : counted));
  const missing = view.items.filter((i) => !isFinished(log, i));
  return (
    <>
      <div className="min-h-0 flex-1 overflow-auto px-4 pt-4">
        <h1 className="text-[24px] leading-7 font-[650]">{missing.length === 0 ? "All done" : "Stop here"}</h1>
        <p className="mt-1 mb-4">
          {finished} of {total} exercises{missing.length > 0 ? `; not finished: ${missing.map((i) => i.name).join(", ")}` : ""}. What is logged is saved.
        </p>
        <div className="grid grid-cols-2 gap-3">
          <Stepper label="How hard, 0 to 10" value={rpe} onStep={(by) => setRpe(Math.min(10, Math.max(0, rpe + by)))} />
          <Stepper label="Minutes" value={minutes} onStep={(by) => setMinutes(Math.max(1, minutes + by))} />
        </div>
        <button type="button" className="mt-3 min-h-11 text-[14px] underline" onClick={onBack ?? onUndo}>
          {onBack ? "Go on lifting" : "Take back the last set"}
        </button>
      </div>
      <div className="flex-none border-t border-hair bg-panel p-4 pt-2">
        <button type="button" className="h-14 w-full rounded-[3px] bg-iron text-[18px] font-semibold text-white" onClick={() => onSave(rpe, minutes)}>
          Finish session
        </button>
      </div>
    </>
  );
}

/** The session as an anchor that fills as sets are done. */
function FloorAnchor({ view, log, current }: { view: SessionView; log: Parameters<typeof withSet>[0]; current: ItemView }) {
  const bands = bandSets(view.items.map((i) => ({ pattern: i.pattern, sets: i.sets })));
  const shape = anchorShape({ key: "floor", stress: 84, bands, done: false, locked: false, limit: 0 }, 30, 40, 0, 1, 5, 13);
  return (
    <svg width="56" height="92" aria-hidden="true" className="-mt-3 flex-none">
      <Defs prefix="f" size={5} />
      <Anchor shape={shape} ground={0} prefix="f" letters eye={false} />
      {shape.bands.map((b) => {
        const items = view.items.filter((i) => bandOf(i.pattern) === b.id);
        const share = items.reduce((a, i) => a + Math.min(1, doneRows(log, i) / rowsOf(i)), 0) / Math.max(1, items.length);
        return share > 0 ? <rect key={b.id} x={shape.x0} y={b.y} width={(shape.x1 - shape.x0) * share} height={b.h} fill="var(--color-iron)" opacity=".78" /> : null;
      })}
      {shape.bands.filter((b) => b.id === bandOf(current.pattern)).map((b) => (
        <path key={b.id} d={`M${shape.x0 - 10} ${b.y + b.h / 2 - 4.500}l6 4.500l-6 4.500z`} fill="var(--color-ink)" />
      ))}
    </svg>
  );
}
