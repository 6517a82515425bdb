/** What each session of a week would be on a day, in a window: the dose of that day, with its loads and its cuts. */

import { approachFor } from "../approach";
import {
  type Athlete,
  activeAreas,
  type DatedWindow,
  type Emphasis,
  isOn,
  type Label,
  type Place,
  placeById,
  type Stage,
  type StrengthLog,
  safetyGate,
  windowsOfWeek,
} from "../athlete";
import { addDays, dayNumber, type IsoDate, laterOf } from "../dates";
import { makeableLoads, sessionDose } from "../dose";
import { isKey } from "../endurance";
import {
  type ChoiceContext,
  closedBecause,
  type Exercise,
  feltLowBackTwice,
  type Library,
  loadingAt,
  progressionsOf,
  sideGaps,
} from "../exercise";
import { onceFor } from "../once";
import { type LadderState, nextLoad, type PlannedLoad, stoppedByPain } from "../progress";
import { numbers, say, type Why, why } from "../rulebook";
import { type Finding, findingsOf, hingeStopsAtKnee } from "../screening";
import type { SeasonDay, SeasonWeek } from "../season";
import { type BuiltSession, buildSession } from "../session";
import { descentWork } from "./descents";

export interface LastBuild {
  /** Hard sets in the four primary patterns. */
  sets: number;
  /** The row its sessions took, whose percent a hold keeps. */
  stage: Stage;
}

/** What the exercises of a week are chosen by, beside the athlete: the same for every session of the week. */
export interface ChoiceBasis {
  /** Ever lifted, or planned before this week; null where nothing is. */
  known: ReadonlySet<string> | null;
  /** This block of four weeks so far, by label (see blockKey); exercises of the one before it, and of the one before that. */
  now: ReadonlySet<string>;
  before: ReadonlySet<string>;
  earlier: ReadonlySet<string>;
}

/** An exercise the coach took instead of the planner's first choice. */
export interface Swap {
  date: IsoDate;
  label: Label;
  from: string;
  to: string;
}

export interface BuilderInput {
  athlete: Athlete;
  library: Library;
  basis: ChoiceBasis;
  swaps: readonly Swap[];
  week: SeasonWeek;
  /** First day on which anything may be placed. */
  from: IsoDate;
  /** First day of the whole plan; what was lifted before it is known. */
  asOf: IsoDate;
  /** What was lifted before `asOf`. */
  log: readonly StrengthLog[];
  /** Loads of the weeks planned before. */
  planned: ReadonlyMap<string, PlannedLoad>;
  /** What the last full build week held; null before there was one. */
  lastBuild: LastBuild | null;
}

/** What is asked of a session: its label on a day at a place, in so many minutes. */
interface Asked {
  label: Label;
  day: SeasonDay;
  place: Place;
  /** Minutes of the free time slot. */
  minutes: number;
  /** Share of the full dose that the week takes. */
  share: number;
  routine: "short" | "long" | null;
}

/** Builds and remembers what each label is on a day in a free time slot. */
export class SessionBuilder {
  private readonly known = new Map<string, BuiltSession | null>();
  private readonly choiceOn: ReturnType<typeof choiceContexts>;
  /** Sessions that share a hold's sets: those that have a day to stand on. */
  private readonly shared: number;
  private most = 0;

  constructor(private readonly input: BuilderInput) {
    const { athlete, week } = input;
    this.choiceOn = choiceContexts(input);
    const open = new Set(
      windowsOfWeek(athlete, week.start)
        .map((w) => w.date)
        .filter((date) => week.days.some((d) => d.date === date && d.counts)),
    );
    this.shared = Math.max(1, Math.min(open.size, week.wanted.filter((w) => !w.taper).length));
  }

  /** AU of the heaviest session built so far at the full dose. */
  deepest(): number {
    return this.most;
  }

  /** @returns null where not even the least form fits, or the place is unknown */
  build(
    label: Label,
    day: SeasonDay,
    w: DatedWindow,
    share: number,
    routine: Asked["routine"] = null,
  ): BuiltSession | null {
    const key = `${label}/${w.date}/${w.start}/${w.minutes}/${w.place}`;
    const before = this.known.get(key);
    if (before !== undefined) return before;
    const place = placeById(this.input.athlete, w.place);
    const made = place ? this.make({ label, day, place, minutes: w.minutes, share, routine }) : null;
    this.known.set(key, made);
    return made;
  }

  private make(asked: Asked): BuiltSession | null {
    const { athlete, week } = this.input;
    const { day, share } = asked;
    const request = this.requestFor(asked);
    const uncut = { setFactor: 1, primaryRange: null, stressCap: null };
    const whole = buildSession({ ...request, ...uncut });
    // A session by hand says nothing about the planned dose, which is what a week's load limit is measured by.
    const { edit, ...planned } = request;
    const measure = edit ? buildSession({ ...planned, ...uncut }) : whole;
    if (measure) this.most = Math.max(this.most, measure.stress);
    const taper = day.taperFor !== null && day.loading === "light";
    const setFactor = taper ? numbers("taper.light", athlete.settings?.ruleValues).share : week.setFactor;
    const primaryRange = taper ? null : this.holdOf(asked);
    if (setFactor >= 1 && primaryRange === null && share >= 1) return whole;
    const stressCap = share < 1 && whole ? whole.stress * share : null;
    return buildSession({ ...request, setFactor, primaryRange: setFactor < 1 ? null : primaryRange, stressCap });
  }

  /** Its share of the last full build week's sets, where the day holds (rule taper.week). */
  private holdOf({ day, routine }: Asked): ReturnType<typeof holdRange> | null {
    const { athlete, lastBuild } = this.input;
    if (day.emphasis !== "hold" || routine || !isOn(athlete, "taper.week") || !lastBuild) return null;
    return holdRange(lastBuild.sets / this.shared);
  }

  private requestFor({ label, day, place, minutes, routine }: Asked) {
    const { athlete, week, log, planned, asOf, lastBuild, swaps } = this.input;
    const choice = this.choiceOn(day, place);
    const { gate, areas } = choice;
    const edit = athlete.edits?.find((e) => e.week === week.start && e.label === label);
    const { phase, stage, emphasis, loading, heavyOk, blockStart } = day;
    const within = loading === "mobility" ? numbers("session.slots").mobilityMinutes : minutes;
    const dose = sessionDose(
      athlete,
      { phase, stage, emphasis, holds: lastBuild?.stage ?? day.holds },
      { gate, room: week.mileage.roomForProgress },
    );
    const basis = {
      athlete,
      log,
      on: day.date,
      asOf,
      blockStart,
      cap: increaseCap(athlete, day, week),
      slower: gate.slower,
      planned,
      areas,
      ladder: (e: Exercise) => ladderState(e, choice),
    };
    const own = swaps.filter((s) => s.date === day.date && s.label === label);
    return {
      label,
      emphasis,
      loading,
      heavyOk,
      dose,
      build: approachFor(athlete, phase).build,
      routine,
      ...(edit ? { edit } : {}),
      place,
      minutes: Math.min(minutes, day.minutesMost ?? minutes, within),
      choice,
      swaps: new Map(own.map((s) => [s.from, s.to])),
      loadFor: (q: Parameters<typeof nextLoad>[0]) => nextLoad(q, basis),
    };
  }
}

/** Least and most hard sets of a session that holds, from its share of the last full build week's (rule taper.week). */
export function holdRange(buildSets: number): { least: number; most: number } {
  const { least, most } = numbers("taper.week");
  return { least: Math.ceil(buildSets * least), most: Math.max(2, Math.floor(buildSets * most)) };
}

/** What an exercise can become here (rule 5 of progress). */
export function ladderState(e: Exercise, choice: ChoiceContext): LadderState {
  const progression = e.ladder ? choice.progressions.get(e.ladder.id) : undefined;
  const at = progression?.steps.indexOf(e) ?? -1;
  const harder = at >= 0 ? progression?.steps[at + 1] : undefined;
  const closed = harder ? closedBecause(harder, choice) : null;
  const loading = loadingAt(e, choice.place, !choice.unloaded);
  const loads = loading && loading !== "bodyweight" ? makeableLoads(e, loading, choice.place) : [];
  return {
    harder: harder && (!closed || closed.kind === "ladder") ? harder.name : null,
    easier: (at > 0 ? progression?.steps[at - 1]?.name : null) ?? null,
    lightestKg: loads[0] ?? null,
    tempo: e.tempo,
  };
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

const FOR_STRENGTH: readonly Emphasis[] = ["develop", "maximal", "hold"];

/**
 * What exercises are chosen by on a day at a place. Days that do not differ share one context, with its rankings.
 * @param input what the week is planned from
 */
export function choiceContexts(
  input: Pick<BuilderInput, "athlete" | "library" | "basis" | "week" | "log" | "from">,
): (day: SeasonDay, place: Place) => ChoiceContext {
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
  const progressions = progressionsOf(library, athlete, safetyGate(athlete, week.start).training, log);
  const sides = sideGaps(log);
  const felt = feltLowBackTwice(log, (id) => library.byId(id)?.pattern === "hinge");
  const contexts = new Map<string, ChoiceContext>();
  const byDay = new Map<string, ChoiceContext>();
  return (day, place) => {
    const dayKey = `${day.date}/${place.id}`;
    const same = byDay.get(dayKey);
    if (same) return same;
    const made = contextOn(day, place);
    byDay.set(dayKey, made);
    return made;
  };

  function contextOn(day: SeasonDay, place: Place): ChoiceContext {
    const { descent, ...differs } = whatDiffers(athlete, week, day);
    const { date } = day;
    const seen = [athlete.screening, athlete.seen].map((l) => l.filter((r) => r.date <= date).length);
    const { training, minRir, restricted, rules } = differs.gate;
    const key = JSON.stringify([
      place.id,
      { ...differs, gate: [training, minRir, restricted, rules] },
      descent?.id,
      seen,
    ]);
    const known = contexts.get(key);
    if (known) return known;
    const made: ChoiceContext = {
      athlete,
      library,
      place,
      on: date,
      ...differs,
      findings: [...(felt ? [FELT_LOW_BACK] : []), ...(descent ? [descent] : []), ...findingsOf(athlete, date)],
      progressions,
      sides,
      stopped,
      recent,
      known: basis.known,
      block: { now: basis.now, before: basis.before, earlier: basis.earlier },
      memo: new Map(),
    };
    contexts.set(key, made);
    return made;
  }
}

/** What of a day decides about its exercises. */
function whatDiffers(athlete: Athlete, week: SeasonWeek, day: SeasonDay) {
  const { date } = day;
  const unloaded = day.loading === "bodyweight" || day.loading === "mobility";
  const laddersFirst = approachFor(athlete, day.phase).build === "ladders";
  return {
    gate: safetyGate(athlete, date),
    areas: activeAreas(athlete, date),
    unloaded,
    laddersFirst,
    forStrength: !unloaded && FOR_STRENGTH.includes(day.emphasis) && !laddersFirst,
    nothingNew: noNewWork(athlete, day, week),
    nothingSlow: noSlowWork(athlete, day),
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

/** Days with a key session. */
const keyDays = onceFor(
  (endurance: Athlete["endurance"]): ReadonlySet<number> =>
    new Set(endurance.filter(isKey).map((e) => dayNumber(e.date))),
);

function noSlowWork(athlete: Athlete, day: SeasonDay): string | null {
  const days = keyDays(athlete.endurance);
  const { beforeKey } = numbers("first.time");
  const from = dayNumber(day.date);
  const near = Array.from({ length: beforeKey + 1 }, (_, i) => from + i).some((n) => days.has(n));
  return near ? `slow-lowering work for the first time needs ${beforeKey} days before a key session` : null;
}

/** Rowers protect the back: no heavy hinge the day before long rowing. */
function longRowingNext(athlete: Athlete, date: IsoDate): string | null {
  if (athlete.athlete.sport !== "row") return null;
  const next = addDays(date, 1);
  const long = athlete.endurance.some((e) => e.date === next && e.sport === "row" && e.kind === "long");
  return long ? "long rowing tomorrow: the hinge stays light" : null;
}

/** Why nothing may go up in this week; null where it may. */
export function increaseCap(athlete: Athlete, day: SeasonDay, week: SeasonWeek): Why | null {
  if (!isOn(athlete, "progress.cap")) return null;
  if (day.phase === "race") return why("progress.cap", "race");
  if (week.stepBack) return why("progress.cap", "stepBack");
  if (week.mileage.factor < 1) return why("progress.cap", "mileage");
  return null;
}
