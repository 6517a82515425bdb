/** What each session of a week would be on a day, in a window: the dose of that day, with its loads and its cuts. */
import { activeAreas, safetyGate } from "./athlete/gate";
import type { Athlete, Label, Place, StrengthLog } from "./athlete/types";
import { type DatedWindow, placeById } from "./athlete/windows";
import { dayNumber, type IsoDate, laterOf } from "./dates";
import { layeredDose } from "./dose/layered";
import type { ChoiceContext } from "./exercise/choose";
import { nextLoad, type PlannedLoad, stoppedByPain } from "./progress/next";
import type { SeasonDay } from "./season/days";
import type { SeasonWeek } from "./season/weeks";
import { buildSession } from "./session/build";
import type { BuiltSession } from "./session/types";
import { type Why, why } from "./why";

export interface LastBuild {
  /** Hard sets in the four heart patterns. */
  sets: number;
  /** Emphasis of its sessions, whose reps and percent a hold keeps. */
  emphasis: SeasonDay["holds"];
}

export interface BuilderInput {
  athlete: Athlete;
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

/** In a full race-phase week the hard sets are 41 to 60% below the last full build week. */
export const RACE_WEEK = { mostShare: 0.59, leastShare: 0.4 };
/** Days back in which a logged lift counts as one the athlete is on. */
const RECENT_DAYS = 56;

/** Builds and remembers what each label is on a day in a window. */
export function sessionBuilder(input: BuilderInput) {
  const { athlete, week, log } = input;
  let deepest = 0;
  const known = new Map<string, BuiltSession | null>();
  const recent = new Map<string, number>();
  for (const s of log)
    if (dayNumber(week.start) - dayNumber(s.date) <= RECENT_DAYS)
      for (const i of s.items) recent.set(i.exercise, (recent.get(i.exercise) ?? 0) + 1);
  const areas = activeAreas(athlete);
  const stopped = stoppedByPain(log, laterOf(week.start, input.from), athlete.settings?.strictPain ?? false);

  const build = (label: Label, day: SeasonDay, w: DatedWindow, depth: number): BuiltSession | null => {
    const key = `${label}/${w.date}/${w.start}/${w.minutes}/${w.place}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const place = placeById(athlete, w.place);
    const made = place ? make(label, day, place, w.minutes, depth) : null;
    known.set(key, made);
    return made;
  };

  const make = (label: Label, day: SeasonDay, place: Place, minutes: number, depth: number): BuiltSession | null => {
    const gate = safetyGate(athlete, day.date);
    const choice: ChoiceContext = {
      athlete,
      place,
      on: day.date,
      areas,
      unloaded: day.loading === "bodyweight" || day.loading === "mobility",
      stopped,
      recent,
    };
    const cap = increaseCap(day, week);
    const request = {
      label,
      emphasis: day.emphasis,
      loading: day.loading,
      heavyOk: day.heavyOk,
      dose: layeredDose(day.emphasis, gate, input.lastBuild?.emphasis ?? day.holds),
      place,
      minutes: day.loading === "mobility" ? Math.min(minutes, 30) : minutes,
      choice,
      loadFor: (q: Parameters<typeof nextLoad>[0]) =>
        nextLoad(q, {
          athlete,
          log,
          on: day.date,
          asOf: input.asOf,
          blockStart: day.blockStart,
          cap,
          planned: input.planned,
        }),
    };
    const whole = buildSession({ ...request, setFactor: 1, heartRange: null, stressCap: null });
    if (whole) deepest = Math.max(deepest, whole.stress);
    const taper = day.taperFor !== null && day.loading === "light";
    const setFactor = taper ? 0.5 : week.setFactor;
    const hold = day.emphasis === "hold" && !taper ? (input.lastBuild?.sets ?? null) : null;
    const heartRange =
      hold !== null
        ? { least: Math.ceil(hold * RACE_WEEK.leastShare), most: Math.max(2, Math.floor(hold * RACE_WEEK.mostShare)) }
        : null;
    if (setFactor >= 1 && heartRange === null && depth >= 1) return whole;
    const stressCap = depth < 1 && whole ? whole.stress * depth : null;
    return buildSession({ ...request, setFactor, heartRange: setFactor < 1 ? null : heartRange, stressCap });
  };
  return { build, deepest: () => deepest };
}

/** Why nothing may go up in this week; null where it may (handbook 13, rule 6). */
function increaseCap(day: SeasonDay, week: SeasonWeek): Why | null {
  if (day.phase === "race") return why("progress.cap", "No increase in the race phase: strength is held.");
  if (week.stepBack) return why("progress.cap", "No increase in a step-back week.");
  if (week.mileage.factor < 1) return why("progress.cap", "No increase with a jump in mileage.");
  return null;
}
