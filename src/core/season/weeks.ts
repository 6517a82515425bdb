/** The season week by week: endurance figures, step-back weeks, mileage rules, and the sessions each week asks for. */
import { approachFor } from "../approach/pick";
import { safetyGate } from "../athlete/gate";
import { isOn } from "../athlete/switches";
import { type Athlete, type Emphasis, FITTED_LABELS, type Label, type Phase, routineLabel } from "../athlete/types";
import { hasAbsence } from "../athlete/windows";
import { addDays, dayLabel, dayNumber, type IsoDate, mondayOf, weekday } from "../dates";
import { type Known, knownOf, UsualWeek } from "../endurance/assumed";
import { byWeek, type Change, changeAgainstOrdinary, type WeekFigures, weeklyFigures } from "../endurance/figures";
import { isKey, startOf } from "../endurance/load";
import { type MileageRule, mileageRule, NO_MILEAGE_RULE } from "../endurance/mileage";
import { spikesOf } from "../endurance/spikes";
import { numbers, type RuleValues, type Why, why } from "../rulebook";
import type { SeasonDay } from "./day";
import { seasonDays } from "./days";
import type { SeasonPhase } from "./phases";

/** A session the week asks for; `days` limits where it may stand, null is anywhere. */
export interface WantedSession {
  label: Label;
  days: readonly IsoDate[] | null;
  taper: boolean;
  /** Minutes at most; without it the window says. */
  minutes?: number;
}

/** A routine that follows a run at once: it is placed by its run, not fitted. */
export interface WantedRoutine {
  label: Label;
  date: IsoDate;
  /** Minutes after midnight at which the run ends. */
  start: number;
  version: "short" | "long";
}

export interface SeasonWeek {
  start: IsoDate;
  phase: Phase;
  emphasis: Emphasis;
  days: SeasonDay[];
  /** How much of its endurance is planned or recorded; what is not known is no rest. */
  known: Known;
  stepBack: boolean;
  /** The endurance itself steps back this week. */
  enduranceStepBack: boolean;
  /** An ordinary week counts in comparisons: no step-back, race or recovery phase, absence. */
  ordinary: boolean;
  figures: WeekFigures;
  change: Change;
  mileage: MileageRule;
  /** Share of the sets that stays, all rules together (the strictest one). */
  setFactor: number;
  wanted: WantedSession[];
  routines: WantedRoutine[];
  why: Why[];
}

/** Whether a day lies in a week. */
export const inWeek = (w: Pick<SeasonWeek, "start">, date: IsoDate): boolean =>
  date >= w.start && date <= addDays(w.start, 6);

const mostFrequent = <T>(values: readonly T[]): T | undefined => {
  const count = new Map<T, number>();
  for (const v of values) count.set(v, (count.get(v) ?? 0) + 1);
  return [...count].reduce<[T, number] | undefined>((best, c) => (!best || c[1] > best[1] ? c : best), undefined)?.[0];
};

/** Sessions a full week of each emphasis asks for; supplied by the dose room so that the season knows no doses. */
export type PerWeek = (day: SeasonDay) => number;

/**
 * Every week that touches the season.
 * @param perWeek sessions of a full week at a day's emphasis
 * @param asOf the day up to which the log is known
 */
export function seasonWeeks(
  athlete: Athlete,
  phases: readonly SeasonPhase[],
  perWeek: PerWeek,
  asOf?: IsoDate,
): SeasonWeek[] {
  const own = athlete.settings?.ruleValues;
  const stepShare = numbers("stepback.endurance", own).share;
  const lookBack = numbers("mileage.expected").lookBack;
  const first = mondayOf(athlete.season.start);
  const last = mondayOf(athlete.season.end);
  const historyStart = addDays(first, -7 * lookBack);
  const figures = weeklyFigures(athlete, historyStart, last);
  const days = seasonDays(athlete, phases, athlete.season.start, athlete.season.end, asOf);
  const lastTaper = new Map<string, IsoDate>();
  for (const d of days) if (d.taperFor !== null && d.loading === "light") lastTaper.set(d.taperFor, d.date);
  const ordinary: boolean[] = [];
  const weeks: SeasonWeek[] = [];
  const sessions = byWeek(athlete.endurance);
  const usual = new UsualWeek(athlete);
  let since = 0;
  const knownAt = (i: number): Known => {
    const start = figures[i]?.start ?? first;
    return knownOf(start, sessions.get(start) ?? [], usual.days(), asOf);
  };
  const stepsBack = (i: number, phase: Phase | undefined, known: Known): boolean => {
    const load = figures[i]?.load ?? 0;
    if (load <= 0 || known !== "all" || phase === "race" || phase === "recovery") return false;
    const change = changeAgainstOrdinary(figures, i, (k) => ordinary[k] ?? true);
    const before = change.against.length;
    const previous = figures[i - 1]?.load ?? 0;
    return (
      before === 3 &&
      load < stepShare * previous &&
      ((change.legLoadPct ?? 0) / 100 + 1 < stepShare || (change.distancePct ?? 0) / 100 + 1 < stepShare)
    );
  };

  figures.forEach((figure, i) => {
    const inSeason = i >= lookBack;
    const week = inSeason ? daysOf(figure.start) : [];
    const phase = mostFrequent(week.map((d) => d.phase));
    const known = knownAt(i);
    const back = stepsBack(i, phase, known);
    const racing = phase === "race" || phase === "recovery";
    ordinary[i] = !back && !racing && known === "all" && !hasAbsence(athlete, figure.start) && figure.load > 0;
    if (ordinary[i]) usual.tell(figure.start, sessions.get(figure.start) ?? []);
    if (!inSeason || !phase) return;
    const emphasis = mostFrequent(week.map((d) => d.emphasis)) ?? "prepare";
    const change = changeAgainstOrdinary(figures, i, (k) => ordinary[k] ?? true, known === "part");
    // Taper and restart raise no warning of growth.
    const mileage = racing
      ? NO_MILEAGE_RULE
      : mileageRule(change, ordinary[i] ?? false, (rule) => isOn(athlete, rule), own);
    const reasons: Why[] = [];
    const trains = phase === "base" || phase === "build";
    since = trains ? since + 1 : 0;
    const every = safetyGate(athlete, figure.start).stepBackEvery;
    let stepBack = false;
    if (trains && back && since > 1 && isOn(athlete, "stepback.endurance")) {
      stepBack = true;
      reasons.push(why("stepback.endurance", "with"));
    } else if (trains && since >= every && !waits(i) && isOn(athlete, "stepback.every")) {
      stepBack = true;
      reasons.push(why("stepback.every", "every", { weeks: every }));
    }
    if (stepBack) since = 0;
    reasons.push(...mileage.why, ...spikeWhy(athlete, figure.start));
    const bRace = isOn(athlete, "race.b")
      ? athlete.races.find((r) => r.priority === "B" && r.date >= figure.start && r.date <= addDays(figure.start, 6))
      : undefined;
    const hot = isOn(athlete, "heat.sets") ? firstHeat(athlete, figure.start) : null;
    if (hot) reasons.push(why("heat.sets", "first", hot));
    if (bRace) reasons.push(why("race.b", "halved", bRace.name));
    weeks.push({
      start: figure.start,
      phase,
      emphasis,
      days: week,
      known,
      stepBack,
      enduranceStepBack: back,
      ordinary: ordinary[i] ?? false,
      figures: figure,
      change,
      mileage,
      setFactor: Math.min(
        stepBack ? numbers("stepback.every", own).share : 1,
        bRace ? numbers("race.b", own).share : 1,
        hot ? numbers("heat.sets", own).share : 1,
        mileage.holdOnly ? 1 : mileage.factor,
      ),
      wanted: wantedSessions(
        lastTaper,
        week.filter((d) => !followsRuns(athlete, d)),
        perWeek,
        mileage.holdOnly,
        own,
      ),
      routines: wantedRoutines(athlete, week),
      why: reasons,
    });
  });
  return weeks;

  /** The season's days of one week: the days run without a gap from the season's start. */
  function daysOf(monday: IsoDate): SeasonDay[] {
    const at = dayNumber(monday) - dayNumber(athlete.season.start);
    return days.slice(Math.max(0, at), Math.max(0, at + 7));
  }

  /** A step-back due now waits for one in the endurance next week, and for the race phase if that begins next week. */
  function waits(i: number): boolean {
    const next = addDays(figures[i]?.start ?? first, 7);
    const nextDays = daysOf(next);
    if (nextDays.some((d) => d.phase === "race")) return true;
    const nextPhase = mostFrequent(nextDays.map((d) => d.phase));
    return stepsBack(i + 1, nextPhase, knownAt(i + 1));
  }
}

/** Sessions of the week that are far longer than any of the month before, said each. */
const spikeWhy = (athlete: Athlete, monday: IsoDate): Why[] =>
  spikesOf(athlete.endurance)
    .filter(({ session: s }) => s.date >= monday && s.date <= addDays(monday, 6))
    .map(({ session: s, pct, blocks }) =>
      why("session.longer", "longer", {
        what: s.kind === "long" ? `Long ${s.sport}` : s.sport,
        on: dayLabel(s.date),
        pct: Math.round(pct),
        blocks,
      }),
    );

/** Heat or height that began so lately that the week is its first; null otherwise. */
function firstHeat(athlete: Athlete, monday: IsoDate): "heat" | "height" | null {
  const sunday = addDays(monday, 6);
  const span = athlete.away.find(
    (a) =>
      (a.kind === "heat" || a.kind === "height") &&
      a.start <= sunday &&
      addDays(a.start, numbers("heat.sets").days - 1) >= monday &&
      a.end >= monday,
  );
  return span?.kind === "height" ? "height" : span ? "heat" : null;
}

/** Days of an approach whose sessions follow the runs. */
const followsRuns = (athlete: Athlete, d: SeasonDay): boolean => approachFor(athlete, d.phase).build === "routines";

/** One routine a day, after its last session of endurance; none where races or clearance keep the day free. */
function wantedRoutines(athlete: Athlete, days: readonly SeasonDay[]): WantedRoutine[] {
  return days.flatMap((d): WantedRoutine[] => {
    if (!followsRuns(athlete, d) || (d.loading === "mobility" && d.phase !== "recovery")) return [];
    // Without clearance nothing but what restores: a routine holds more.
    if (safetyGate(athlete, d.date).restricted) return [];
    const runs = athlete.endurance.filter((e) => e.date === d.date && e.kind !== "race");
    const last = runs.reduce<(typeof runs)[number] | undefined>(
      (l, e) => (!l || startOf(e) + e.minutes > startOf(l) + l.minutes ? e : l),
      undefined,
    );
    if (!last) return [];
    const hard = runs.some(isKey) && d.phase !== "recovery" && d.phase !== "race" && d.loading === "full";
    return [
      {
        label: routineLabel(weekday(d.date)),
        date: d.date,
        start: startOf(last) + last.minutes,
        version: hard ? "long" : "short",
      },
    ];
  });
}

/**
 * Number of sessions: the rounded sum of each day's share of its phase's weekly number. In the week that holds the end of an A
 * race's taper one of them is the light session, in its own days; where no day may hold a full session none is asked for.
 */
function wantedSessions(
  lastTaper: ReadonlyMap<string, IsoDate>,
  days: readonly SeasonDay[],
  perWeek: PerWeek,
  holdOnly: boolean,
  own: RuleValues | undefined,
): WantedSession[] {
  const total = Math.round(days.reduce((a, d) => a + perWeek(d) / 7, 0));
  const tapers = [...lastTaper].flatMap(([race, last]) => {
    const taper = days.filter((d) => d.taperFor === race && d.loading === "light").map((d) => d.date);
    // A taper that runs on into next week is asked for there.
    return taper.at(-1) === last ? [taper] : [];
  });
  const series = days.filter((d) => d.seriesIn !== null && d.emphasis === "hold" && d.phase !== "race");
  if (series.length > 0 && tapers.length === 0) {
    const { first, last, minutes } = numbers("race.series", own);
    const near = series.filter((d) => (d.seriesIn ?? 0) >= first && (d.seriesIn ?? 0) <= last).map((d) => d.date);
    return [{ label: "A", days: near.length > 0 ? near : null, taper: false, minutes }];
  }
  const open = days.some((d) => d.counts);
  const full = open ? Math.max(0, Math.min(holdOnly ? 1 : FITTED_LABELS.length, total) - tapers.length) : 0;
  return FITTED_LABELS.slice(0, full + tapers.length).map((label, i) => ({
    label,
    days: tapers[i - full] ?? null,
    taper: i >= full,
  }));
}
