/** What exercises are chosen by on each day of a week. */
import { approachFor } from "../approach";
import { type Athlete, type Emphasis, isOn, type Place, pastAreas, type StrengthLog, safetyGate } from "../athlete";
import { addDays, dayNumber, daysBetween, type IsoDate, laterOf } from "../dates";
import { isKey } from "../endurance";
import {
  type Anywhere,
  type ByLabel,
  type ChoiceContext,
  feltLowBackTwice,
  type Library,
  nothingFound,
  progressionsOf,
  sideGaps,
} from "../exercise";
import { onceFor } from "../once";
import { type AreaStage, isBefore, limitsOn, pathwayWork } from "../pathway";
import { stoppedByPain } from "../progress";
import { numbers, say } from "../rulebook";
import { type Finding, findingsOf, hingeStopsAtKnee } from "../screening";
import { descendsFar, lastRaceDay, type SeasonDay, type SeasonWeek, stagesOf } from "../season";
import { descentWork } from "./descents";

/** What the exercises of a week are chosen by, beside the athlete: the same for every session of the week. */
export interface ChoiceBasis {
  /** Ever lifted, or planned before this week; null where nothing is. */
  known: ReadonlySet<string> | null;
  /** This block of four weeks so far, by label; exercises of the one before it, and of the one before that. */
  now: ByLabel;
  before: ReadonlySet<string>;
  earlier: ReadonlySet<string>;
}

/** What a week's exercises are chosen from and by. */
export interface ContextInput {
  athlete: Athlete;
  library: Library;
  basis: ChoiceBasis;
  week: SeasonWeek;
  /** First day on which anything may be placed. */
  from: IsoDate;
  /** What was lifted before the first day of the whole plan. */
  log: readonly StrengthLog[];
  /** Lifts that stood still where nothing kept them from moving; none where it is not asked. */
  unmoved?: ReadonlySet<string>;
}

/** Felt in the low back twice: a light set for the hamstrings before the hinge. */
const FELT_LOW_BACK: Finding = {
  id: "felt-low-back",
  kind: "seen",
  title: "Hinge felt in the low back",
  says: say("progress.felt", "primer"),
  rule: "progress.felt",
  adds: [{ pattern: "hip", exercises: ["bridge", "slider-curl"], first: true }],
  prefers: [],
  more: null,
};

const NONE: ReadonlySet<string> = new Set();
const FOR_STRENGTH: readonly Emphasis[] = ["develop", "maximal", "hold"];

/**
 * What exercises are chosen by on a day at a place. Days that do not differ share one context, with its rankings.
 * @param input what the week is planned from
 */
export function choiceContexts(input: ContextInput): (day: SeasonDay, place: Place) => ChoiceContext {
  const { athlete, library, basis, week, log } = input;
  const recent = new Map<string, number>();
  for (const s of log)
    if (dayNumber(week.start) - dayNumber(s.date) <= numbers("choice.points").recentDays)
      for (const i of s.items) recent.set(i.exercise, (recent.get(i.exercise) ?? 0) + 1);
  const stopped = stoppedByPain(
    log,
    laterOf(week.start, input.from),
    athlete.settings?.strictPain ?? false,
    athlete.settings?.ruleValues,
  );
  const unmoved = input.unmoved ?? NONE;
  const progressions = progressionsOf(library, athlete, safetyGate(athlete, week.start).training, log);
  const sides = sideGaps(log);
  const felt = feltLowBackTwice(log, (id) => library.byId(id)?.pattern === "hinge");
  const contexts = new Map<string, ChoiceContext>();
  const found = new Map<string, Anywhere>();
  const byDay = new Map<string, ChoiceContext>();
  const byDate = new Map<IsoDate, ReturnType<typeof dayFacts>>();
  return (day, place) => {
    const dayKey = `${day.date}/${place.id}`;
    const same = byDay.get(dayKey);
    if (same) return same;
    const made = contextOn(day, place);
    byDay.set(dayKey, made);
    return made;
  };

  /** The same of a day at every place. */
  function factsOn(day: SeasonDay) {
    const known = byDate.get(day.date);
    if (known) return known;
    const made = dayFacts(athlete, week, day, log);
    byDate.set(day.date, made);
    return made;
  }

  function contextOn(day: SeasonDay, place: Place): ChoiceContext {
    const { kind, differs, added } = factsOn(day);
    const key = `${place.id}/${kind}`;
    const known = contexts.get(key);
    if (known) return known;
    const anywhere = found.get(kind) ?? nothingFound();
    const made: ChoiceContext = {
      athlete,
      library,
      place,
      on: day.date,
      gate: differs.gate,
      areas: differs.areas,
      past: pastAreas(athlete, day.date),
      stages: differs.stages,
      out: differs.out,
      sparedHamstring: differs.sparedHamstring,
      unloaded: differs.unloaded,
      laddersFirst: differs.laddersFirst,
      forStrength: differs.forStrength,
      nothingNew: differs.nothingNew,
      nothingSlow: differs.nothingSlow,
      slowOut: differs.slowOut,
      lightHinge: differs.lightHinge,
      kneeHinge: differs.kneeHinge,
      findings: [...added.wayBack, ...(felt ? [FELT_LOW_BACK] : []), ...added.descent, ...added.found],
      progressions,
      sides,
      stopped,
      recent,
      unmoved,
      known: basis.known,
      block: { now: basis.now, before: basis.before, earlier: basis.earlier },
      memo: new Map(),
      anywhere,
    };
    found.set(kind, anywhere);
    contexts.set(key, made);
    return made;
  }
}

/** What of a day decides about its exercises, with a text that days that do not differ share. */
function dayFacts(athlete: Athlete, week: SeasonWeek, day: SeasonDay, log: readonly StrengthLog[]) {
  const { date } = day;
  const differs = whatDiffers(athlete, week, day, log);
  const { gate, stages, out, descent } = differs;
  const wayBack = pathwayWork(
    stages.filter((s) => !out.includes(s.area) && isTrouble(athlete, s)),
    date,
  );
  const found = findingsOf(athlete, date);
  const upToNow = (of: readonly { date: IsoDate }[]): number => of.filter((r) => r.date <= date).length;
  const kind = JSON.stringify([
    gate.training,
    gate.minRir,
    gate.restricted,
    gate.rules,
    out,
    stages,
    differs.sparedHamstring,
    differs.unloaded,
    differs.laddersFirst,
    differs.forStrength,
    differs.nothingNew,
    differs.nothingSlow,
    differs.slowOut,
    differs.lightHinge,
    differs.kneeHinge,
    descent?.id,
    wayBack.map((w) => w.id),
    upToNow(athlete.screening),
    upToNow(athlete.seen),
    // The stage of each finding, and repetitions that rise by the week.
    found.map((f) => [f.id, f.stage, f.adds.map((a) => a.reps ?? null)]),
  ]);
  return { kind, differs, added: { wayBack, descent: descent ? [descent] : [], found } };
}

function whatDiffers(athlete: Athlete, week: SeasonWeek, day: SeasonDay, log: readonly StrengthLog[]) {
  const { date } = day;
  const { stages, out } = limitsOn(athlete, date, log);
  const unloaded = day.loading === "bodyweight" || day.loading === "mobility";
  const laddersFirst = approachFor(athlete, day.phase).build === "ladders";
  return {
    gate: safetyGate(athlete, date),
    areas: [...new Set(stages.map((s) => s.area))],
    stages,
    out,
    sparedHamstring: isSparedHamstring(stages, date),
    unloaded,
    laddersFirst,
    forStrength: !unloaded && FOR_STRENGTH.includes(day.emphasis) && !laddersFirst,
    nothingNew: noNewWork(athlete, day, week),
    nothingSlow: noSlowWork(athlete, day),
    slowOut: slowOutAfter(athlete, date),
    lightHinge: isOn(athlete, "sport.row-hinge") ? longRowingNext(athlete, date) : null,
    kneeHinge: hingeStopsAtKnee(athlete, date),
    descent: isOn(athlete, "descent.prep") && !unloaded ? descentWork(athlete, date) : null,
  };
}

function noNewWork(athlete: Athlete, day: SeasonDay, week: SeasonWeek): string | null {
  const { beforeRace } = numbers("first.time", athlete.settings?.ruleValues);
  const race = athlete.races.find((r) => {
    const out = dayNumber(r.date) - dayNumber(day.date);
    return r.priority === "A" && out > 0 && out <= beforeRace;
  });
  if (race) return `new work is left out in the ${beforeRace} days before ${race.name}`;
  if (day.phase === "race") return "new work is left out in the race phase";
  return week.mileage.factor < 1 ? "new work is left out with a mileage increase" : null;
}

/** After a descent far beyond the weeks before, slow lowering stays out until the light stage is over. */
function slowOutAfter(athlete: Athlete, date: IsoDate): string | null {
  const n = dayNumber(date);
  const race = athlete.races.find((r) => {
    const after = n - lastRaceDay(r);
    return after > 0 && after <= stagesOf(athlete, r).light && descendsFar(r, athlete.endurance);
  });
  return race ? say("race.descent", "slow", race.name) : null;
}

/** Days with a key session. */
const keyDays = onceFor(
  (endurance: Athlete["endurance"]): ReadonlySet<number> =>
    new Set(endurance.filter(isKey).map((e) => dayNumber(e.date))),
);

function noSlowWork(athlete: Athlete, day: SeasonDay): string | null {
  const days = keyDays(athlete.endurance);
  const { beforeKey } = numbers("first.time");
  const from = dayNumber(day.date);
  let near = false;
  for (let n = from; n <= from + beforeKey; n++) near ||= days.has(n);
  return near ? `slow-lowering work for the first time needs ${beforeKey} days before a key session` : null;
}

/** Rowers protect the back: no heavy hinge the day before long rowing. */
function longRowingNext(athlete: Athlete, date: IsoDate): string | null {
  if (athlete.athlete.sport !== "row") return null;
  const next = addDays(date, 1);
  const long = athlete.endurance.some((e) => e.date === next && e.sport === "row" && e.kind === "long");
  return long ? "long rowing tomorrow: the hinge stays light" : null;
}

/** Light loads of 15 while a hamstring is not at loads yet, and for the first of their days. */
function isSparedHamstring(stages: readonly AreaStage[], on: IsoDate): boolean {
  const h = stages.find((s) => s.area === "hamstring");
  if (!h) return false;
  if (isBefore(h.stage, "load")) return true;
  return h.stage === "load" && daysBetween(h.since, on) < numbers("pathway.stage").lightDays;
}

/** Trouble of the record, and not pain of today alone. */
const isTrouble = (athlete: Athlete, s: AreaStage): boolean =>
  athlete.health.areas.some((t) => t.area === s.area && t.side === s.side);
