/** The story of one lift: every time it was lifted, what was decided after it, its e1RM over time, its sides. */
import { columnOf, rowFor } from "../approach";
import {
  type Athlete,
  activeAreas,
  cleanReps,
  type DecisionKind,
  type LoggedItem,
  type OneRepMaxFormula,
  safetyGate,
  topLoad,
} from "../athlete";
import { addDays, daysBetween, type IsoDate, laterOf, mondayOf } from "../dates";
import { bestOf, type CurrentMax, currentMax, makeableLoads } from "../dose";
import { EXTERNAL, type Exercise, type Library, loadingAt, sideAction, sideSums } from "../exercise";
import { increaseCap } from "../planning";
import { alike, type Decision, decide, decisionBasis, historyOf, overruleAfter, risingPain } from "../progress";
import { numbers, type Why, why } from "../rulebook";
import { asymmetry } from "../screening";
import type { SeasonWeek } from "../season";
import type { Item } from "../session";

export interface LiftEntry {
  date: IsoDate;
  item: LoggedItem;
  /** Heaviest load, kg; null without load. */
  topKg: number | null;
  /** Sets x reps x load, kg; 0 without load. */
  volumeKg: number;
  /** e1RM of the best set and how unsure it is; null where the sets say nothing. */
  max: { kg: number; unsurePct: number } | null;
  /** What it said about the next time; the coach's word where there is one. */
  decision: { kind: DecisionKind; byCoach: boolean; why: Why[] };
  sides: { left: number; right: number; pct: number; action: "even" | "watch" | "act" } | null;
}

export interface LiftStory {
  /** Oldest first. */
  entries: LiftEntry[];
  current: CurrentMax | null;
  /** The e1RM as it stood on each Monday since the first log, fading where nothing newer came. */
  line: { date: IsoDate; kg: number; lowKg: number; highKg: number }[];
  /** Three sessions of rising pain, oldest first; null where it does not rise. */
  rising: [number, number, number] | null;
}

/** What a log asked for that does not say and lies outside the season (rule log.unsaid). */
const USUAL = numbers("log.unsaid");

/** What a planned item and the last log make of each other: what the plan uses, decided by it or begun anew. */
export function plannedDecision(
  last: Pick<LiftEntry, "date" | "topKg" | "decision">,
  next: Pick<Item, "decision" | "loadKg" | "why">,
): LiftEntry["decision"] {
  const reasons = next.why.filter((w) => /^(progress|load)\./.test(w.rule) || w.rule === "gate.masters");
  if (next.decision?.after === last.date)
    return { kind: next.decision.kind, byCoach: next.decision.byCoach, why: reasons };
  // Without load then or now the two are different work: the log speaks for itself.
  if (next.loadKg === null || last.topKg === null) return last.decision;
  const by = next.loadKg - last.topKg;
  return { kind: by > 0 ? "up-load" : by < 0 ? "down-load" : "same", byCoach: false, why: reasons };
}

/** A place of the athlete's that can load the exercise, the one with most loads. */
function loadsOf(athlete: Athlete, e: Exercise) {
  return athlete.places
    .map((place) => {
      const loading = loadingAt(e, place);
      return { loading, loads: loading ? makeableLoads(e, loading, place) : [] };
    })
    .sort((a, b) => b.loads.length - a.loads.length)[0];
}

/** What a lift's history is told with. */
interface Telling {
  athlete: Athlete;
  exercise: Exercise;
  /** The athlete's weeks, for what capped an increase then. */
  season: readonly SeasonWeek[];
  /** The latest first. */
  history: ReturnType<typeof historyOf>;
  /** Where it is loaded best. */
  here: ReturnType<typeof loadsOf>;
  /** The exercise's ladder, easiest first; empty where it has none. */
  steps: readonly Exercise[];
}

/** What the rules said after one log, as they would have planned with it. */
function decisionAfter({ athlete, exercise, season, history, here, steps }: Telling, i: number): Decision {
  const h = history[i] as Telling["history"][number];
  const byLoad = here?.loading != null && EXTERNAL.includes(here.loading) && exercise.unit === "reps";
  const at = steps.indexOf(exercise);
  const asked = h.item.prescribed;
  const on = addDays(h.date, 7);
  const week = season.find((w) => w.start === mondayOf(on));
  const day = week?.days.find((d) => d.date === on);
  const cell = day && rowFor(athlete, day.phase, day.stage).cells[columnOf(exercise.pattern, exercise.main)];
  const [low, high] = cell?.reps ?? [USUAL.reps, USUAL.reps];
  const rir = asked?.rir ?? cell?.rir?.[0] ?? USUAL.reserve;
  // The log itself, and before it what the plan would look at: work of a like reserve.
  const older = byLoad ? alike(history.slice(i + 1), rir) : history.slice(i + 1);
  return decide({
    ...decisionBasis(exercise, here?.loading ?? "bodyweight", here?.loads ?? [], athlete, activeAreas(athlete, on)),
    history: [h, ...older],
    on,
    repsLow: asked?.repsLow ?? asked?.reps ?? low,
    reps: asked?.reps ?? high,
    rir,
    ...(asked?.sets === undefined ? {} : { sets: asked.sets }),
    seconds: exercise.unit === "seconds" ? (asked?.seconds ?? cell?.seconds[0] ?? USUAL.seconds) : null,
    ...(cell && exercise.ownSeconds === null ? { secondsMost: cell.seconds[1] } : {}),
    ladder: () => ({
      harder: steps[at + 1]?.name ?? null,
      easier: steps[at - 1]?.name ?? null,
      lightestKg: here?.loads[0] ?? null,
      tempo: exercise.tempo,
    }),
    cap: week && day ? increaseCap(athlete, day, week) : null,
    slower: safetyGate(athlete, h.date).slower,
  });
}

function entryOf(t: Telling, i: number, formula: OneRepMaxFormula): LiftEntry {
  const h = t.history[i] as Telling["history"][number];
  const made = decisionAfter(t, i);
  const o = overruleAfter(t.athlete, t.exercise.id, h.date);
  const sums = sideSums(h.item);
  return {
    date: h.date,
    item: h.item,
    topKg: topLoad(h.item),
    volumeKg: h.item.sets.reduce((a, s) => a + cleanReps(s) * (s.loadKg ?? 0), 0),
    max: bestOf(h.item, formula),
    decision: o
      ? { kind: o.kind, byCoach: true, why: [why("progress.overrule", "page", o.reason), ...made.why] }
      : { kind: made.kind, byCoach: false, why: made.why },
    sides: sums && {
      left: sums.left,
      right: sums.right,
      pct: asymmetry(sums.left, sums.right),
      action: sideAction(sums.left, sums.right, sums.reps),
    },
  };
}

/** The e1RM as it stood on each Monday since the first log, and on the last day. */
function lineOf(history: Telling["history"], formula: OneRepMaxFormula, asOf: IsoDate): LiftStory["line"] {
  const first = history.at(-1)?.date;
  const line: LiftStory["line"] = [];
  if (!first) return line;
  const monday = mondayOf(first);
  for (let n = 7; n <= daysBetween(monday, asOf) + 6; n += 7) {
    const date = laterOf(addDays(first, 1), addDays(monday, n));
    const day = date > asOf ? asOf : date;
    const max = currentMax(history, formula, day);
    if (!max) continue;
    const unsure = (max.kg * max.unsurePct) / 100;
    line.push({ date: day, kg: max.kg, lowKg: max.kg - unsure, highKg: max.kg + unsure });
  }
  return line;
}

/**
 * @param season the athlete's weeks, for what capped an increase then
 * @param asOf the day up to which the log counts, itself left out
 */
export function liftStory(
  athlete: Athlete,
  library: Library,
  exercise: Exercise,
  season: readonly SeasonWeek[],
  asOf: IsoDate,
): LiftStory {
  const formula = athlete.settings?.oneRepMax ?? "default";
  const history = historyOf(athlete.strengthLog, exercise.id, asOf);
  const here = loadsOf(athlete, exercise);
  const steps = exercise.ladder ? library.ladder(exercise.ladder.id) : [];
  const told: Telling = { athlete, exercise, season, history, here, steps };
  return {
    entries: history.map((_, i) => entryOf(told, i, formula)).reverse(),
    current: currentMax(history, formula, asOf),
    line: lineOf(history, formula, asOf),
    rising: risingPain(history),
  };
}
