/** One session as the sheet and the floor show it. */

import { type Label, type LoggedItem, placeById, type StrengthLog, setsOnce, windowsOfWeek } from "../../core/athlete";
import { type IsoDate, mondayOf } from "../../core/dates";
import { makeableLoads } from "../../core/dose";
import type { PlanSession, PlanWeek } from "../../core/plan";
import { plan } from "../../core/plan";
import { historyOf } from "../../core/progress";
import { numbers, why } from "../../core/rulebook";
import { type Item, reserveText, workText } from "../../core/session";
import { massIn } from "../../core/units";
import type { ItemView, SessionView } from "../views";
import { clubOptions, type Planned } from "./planned";
import { sessionOfLog, setsOf } from "./weekSessions";

/** "3 × 5 @ 52.5", or set by set where they differ; one side stands for both. */
export function lastText(item: LoggedItem, unit: "kg" | "lb" | undefined): string {
  const sets = setsOnce(item);
  const of = (s: (typeof sets)[number]) =>
    `${s.reps ?? `${s.seconds ?? 0} s`}${s.loadKg === undefined ? "" : ` @ ${massIn(s.loadKg, unit)}`}`;
  const first = sets[0] ? of(sets[0]) : "";
  return sets.length > 1 && sets.every((s) => of(s) === first) ? `${sets.length} × ${first}` : sets.map(of).join(", ");
}

/** What was asked for: "3 × 4–6 @ 60, 2 in reserve"; empty where the log does not say. */
export function askedText({ prescribed: a }: LoggedItem, unit: "kg" | "lb" | undefined): string {
  if (!a) return "";
  const load = a.loadKg === undefined ? "" : ` @ ${massIn(a.loadKg, unit)}`;
  return `${a.sets} × ${workText(a)}${load}${a.rir === undefined ? "" : `, ${reserveText(a.rir)} in reserve`}`;
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
    household: i.household,
    slow: i.slow,
    sets: i.sets,
    repsLow: i.repsLow,
    reps: i.reps,
    repsMost: i.repsMost,
    seconds: i.seconds,
    eachSide: i.eachSide,
    loadKg: i.loadKg,
    perSideKg: i.perSideKg,
    barKg: i.barKg,
    percent1rm: i.percent1rm,
    rir: i.rir,
    line: i.line,
    restSeconds: i.restSeconds,
    tempo: i.tempo,
    ramp: i.ramp,
    decision: i.decision,
    note: i.note,
    cue: i.exercise.cues[0] ?? "",
    felt: i.exercise.felt,
    added: i.added,
    style: i.style,
    firstSide: i.firstSide,
    extraSide: i.extraSide,
    why: i.why,
    warmUp: s.warmUp
      .filter((w) => w.exercise === i.exercise.id)
      .map(({ exercise, reps, loadKg, perSideKg }) => ({ exercise, reps, loadKg, perSideKg })),
    loads: place ? makeableLoads(i.exercise, i.loading, place) : [],
    last: last ? { date: last.date, text: lastText(last.item, p.stored.athlete.athlete.massUnit) } : null,
  };
}

/** The rack's own rules, as the coach has set them for the club and for the athlete. */
function floorOf({ stored }: Planned): SessionView["floor"] {
  const own = { ...stored.values, ...stored.athlete.settings?.ruleValues };
  return { stopPain: numbers("progress.pain", own).stop, lessPct: numbers("floor.today", own).lessPct };
}

/** A session of the past as it was prescribed then: from its log alone, so that nothing later changes it. */
function loggedView(p: Planned, today: IsoDate, log: StrengthLog): SessionView {
  const { athlete } = p.stored;
  const anchor = sessionOfLog(log, p.library);
  const day = p.plan.season.flatMap((w) => w.days).find((d) => d.date === log.date);
  const items = log.items.map((item, n): ItemView => {
    const exercise = p.library.byId(item.exercise);
    const asked = item.prescribed;
    const last = historyOf(athlete.strengthLog, item.exercise, log.date)[0];
    const sided = item.sets.some((s) => s.side !== "both");
    return {
      pair: String(n + 1),
      exercise: item.exercise,
      name: exercise?.name ?? item.exercise,
      pattern: exercise?.pattern ?? "mobility",
      loading:
        asked?.loadKg === undefined && !item.sets.some((s) => s.loadKg !== undefined)
          ? "bodyweight"
          : (exercise?.loading ?? "bar"),
      sets: asked?.sets ?? setsOf(item),
      repsLow: asked?.repsLow ?? null,
      reps: asked?.reps ?? item.sets[0]?.reps ?? null,
      repsMost: asked?.most ?? null,
      seconds: asked?.seconds ?? (item.sets[0]?.reps === undefined ? (item.sets[0]?.seconds ?? null) : null),
      eachSide: sided,
      loadKg: asked?.loadKg ?? item.sets[0]?.loadKg ?? null,
      perSideKg: [],
      barKg: null,
      household: null,
      slow: null,
      percent1rm: null,
      rir: asked?.rir ?? 0,
      line: null,
      restSeconds: 0,
      tempo: exercise?.tempo ?? "",
      ramp: [],
      decision: null,
      note: null,
      cue: exercise?.cues[0] ?? "",
      felt: exercise?.felt ?? "",
      added: null,
      style: null,
      firstSide: null,
      extraSide: null,
      why: [why("past.log", "item")],
      warmUp: [],
      loads: [],
      last: last ? { date: last.date, text: lastText(last.item, p.stored.athlete.athlete.massUnit) } : null,
    };
  });
  return {
    id: p.stored.id,
    today,
    date: log.date,
    start: anchor.start,
    place: "",
    label: log.label,
    emphasis: day?.emphasis ?? "develop",
    slow: false,
    phase: day?.phase ?? "base",
    block: null,
    checkIn: p.stored.athlete.checkIns?.find((c) => c.date === log.date) ?? null,
    stepBack: false,
    minutes: anchor.minutes,
    windowMinutes: anchor.minutes,
    stress: anchor.stress,
    rpe: log.rpe ?? Math.round(anchor.stress / anchor.minutes),
    locked: false,
    loadLimit: p.pastLimits().get(mondayOf(log.date)) ?? 0,
    floor: floorOf(p),
    items,
    dropped: [],
    left: [],
    cautions: [],
    time: null,
    why: [why("past.log", "session")],
    log,
    edit: null,
  };
}

/**
 * @param date day of the session; today's is planned as it stood this morning, also once it is logged
 * @returns null where no session stands on that day
 */
export function sessionView(p: Planned, today: IsoDate, date: IsoDate, label: Label): SessionView | null {
  const { athlete } = p.stored;
  const log = athlete.strengthLog.find((l) => l.date === date && l.label === label) ?? null;
  if (log && date < today) return loggedView(p, today, log);
  const planned = plannedOn(p, date, label);
  if (!planned) return log ? loggedView(p, today, log) : null;
  return plannedView(p, today, planned.week, planned.session, log);
}

/** A session as it is planned; today's too, after the first set of it is logged and the plan begins tomorrow. */
export function plannedOn(p: Planned, date: IsoDate, label: Label): { week: PlanWeek; session: PlanSession } | null {
  const { weeks } =
    p.from > date
      ? plan(p.stored.athlete, { from: date, weeks: 1, library: p.library, ...clubOptions(p.stored) })
      : p.plan;
  const week = weeks.find((w) => w.season.start === mondayOf(date));
  const session = week?.sessions.find((x) => x.date === date && x.label === label);
  return week && session ? { week, session } : null;
}

/** A planned session as the sheet shows it. */
export function plannedView(
  p: Planned,
  today: IsoDate,
  week: PlanWeek,
  s: PlanSession,
  log: StrengthLog | null,
): SessionView {
  const { athlete } = p.stored;
  const { date, label } = s;
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
    slow: s.slow,
    phase: week.season.days.find((d) => d.date === date)?.phase ?? week.season.phase,
    block:
      s.items.some((i) => i.line) && week.season.block
        ? { week: week.season.block.week, of: week.season.block.of }
        : null,
    checkIn: athlete.checkIns?.find((c) => c.date === date) ?? null,
    stepBack: week.season.stepBack,
    minutes: s.minutes,
    windowMinutes: window ? window.start + window.minutes - s.start : s.minutes,
    stress: s.stress,
    rpe: s.rpe,
    locked: s.locked,
    loadLimit: week.loadLimit,
    floor: floorOf(p),
    items: s.items.map((i) => itemView(i, s, p, date)),
    dropped: s.dropped.map((d) => ({ ...d, name: p.library.name(d.exercise) })),
    left: s.left,
    cautions: s.cautions,
    time: s.time,
    why: s.why,
    log,
    edit: athlete.edits?.find((e) => e.week === week.season.start && e.label === label) ?? null,
  };
}
