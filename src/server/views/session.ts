/** One session as the sheet and the floor show it. */
import type { ItemView, SessionView } from "../../api/views";
import type { Label, LoggedItem } from "../../core/athlete/types";
import { placeById, windowsOfWeek } from "../../core/athlete/windows";
import { type IsoDate, mondayOf } from "../../core/dates";
import { makeableLoads } from "../../core/dose/loads";
import { exerciseName } from "../../core/exercise/library";
import type { PlanSession } from "../../core/plan";
import { plan } from "../../core/plan";
import { historyOf } from "../../core/progress/next";
import type { Item } from "../../core/session/types";
import type { Planned } from "../planner";

/** "3 × 5 @ 52.5", or set by set where they differ; one side stands for both. */
function lastText(item: LoggedItem): string {
  const sets = item.sets.filter((s) => s.side !== "right");
  const of = (s: (typeof sets)[number]) =>
    `${s.reps ?? `${s.seconds ?? 0} s`}${s.loadKg === undefined ? "" : ` @ ${s.loadKg}`}`;
  const first = sets[0] ? of(sets[0]) : "";
  return sets.length > 1 && sets.every((s) => of(s) === first) ? `${sets.length} × ${first}` : sets.map(of).join(", ");
}

function itemView(i: Item, s: PlanSession, p: Planned, date: IsoDate): ItemView {
  const place = placeById(p.stored.athlete, s.place);
  const last = historyOf(p.stored.athlete.strengthLog, i.exercise.id, date)[0];
  return {
    pair: i.pair,
    exercise: i.exercise.id,
    name: i.exercise.name,
    pattern: i.exercise.pattern,
    loading: i.loading,
    sets: i.sets,
    repsLow: i.repsLow,
    reps: i.reps,
    seconds: i.seconds,
    eachSide: i.eachSide,
    loadKg: i.loadKg,
    perSideKg: i.perSideKg,
    barKg: i.barKg,
    percent1rm: i.percent1rm,
    rir: i.rir,
    restSeconds: i.restSeconds,
    tempo: i.exercise.tempo,
    cue: i.exercise.cue,
    felt: i.exercise.felt,
    why: i.why,
    warmUp: s.warmUp
      .filter((w) => w.exercise === i.exercise.id)
      .map(({ exercise, reps, loadKg, perSideKg }) => ({ exercise, reps, loadKg, perSideKg })),
    loads: place ? makeableLoads(i.exercise, i.loading, place) : [],
    last: last ? { date: last.date, text: lastText(last.item) } : null,
  };
}

/**
 * @param date day of the session; a day already logged is planned once more as it stood that morning
 * @returns null where no session stands on that day
 */
export function sessionView(p: Planned, today: IsoDate, date: IsoDate, label: Label): SessionView | null {
  const { athlete, held } = p.stored;
  const log = athlete.strengthLog.find((l) => l.date === date && l.label === label) ?? null;
  const from = p.from > date ? date : p.from;
  const plans = p.from > date ? plan(athlete, { from, weeks: 1, held }).weeks : p.plan.weeks;
  const week = plans.find((w) => w.season.start === mondayOf(date));
  const s = week?.sessions.find((x) => x.date === date && x.label === label);
  if (!week || !s) return null;
  const window = windowsOfWeek(athlete, week.season.start).find(
    (w) => w.date === date && w.place === s.place && s.start >= w.start && s.start < w.start + w.minutes,
  );
  return {
    id: p.stored.id,
    today,
    date,
    start: s.start,
    place: s.place,
    label,
    emphasis: s.emphasis,
    phase: week.season.days.find((d) => d.date === date)?.phase ?? week.season.phase,
    minutes: s.minutes,
    windowMinutes: window ? window.start + window.minutes - s.start : s.minutes,
    stress: s.stress,
    rpe: s.rpe,
    locked: s.locked,
    depthLimit: week.depthLimit,
    items: s.items.map((i) => itemView(i, s, p, date)),
    dropped: s.dropped.map((d) => ({ ...d, name: exerciseName(d.exercise) })),
    cautions: s.cautions,
    time: s.time,
    why: s.why,
    log,
  };
}
