/** What a week asks for: sessions to be placed, and routines that follow the runs. */
import { approachFor } from "../approach";
import { type Athlete, FITTED_LABELS, type Label, routineLabel, safetyGate } from "../athlete";
import { type IsoDate, weekday } from "../dates";
import { isKey, startOf } from "../endurance";
import { numbers, type RuleValues } from "../rulebook";
import type { SeasonDay } from "./day";

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

/** Sessions a full week of each emphasis asks for; supplied by the dose room so that the season knows no doses. */
export type PerWeek = (day: SeasonDay) => number;

/** Days of an approach whose sessions follow the runs. */
export const followsRuns = (athlete: Athlete, d: SeasonDay): boolean =>
  approachFor(athlete, d.phase).build === "routines";

/** One routine a day, after its last session of endurance; none where races or clearance keep the day free. */
export function wantedRoutines(athlete: Athlete, days: readonly SeasonDay[]): WantedRoutine[] {
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

interface Wanted {
  lastTaper: ReadonlyMap<string, IsoDate>;
  days: readonly SeasonDay[];
  perWeek: PerWeek;
  holdOnly: boolean;
  own: RuleValues | undefined;
}

/**
 * Number of sessions: the rounded sum of each day's share of its phase's weekly number. In the week that holds the end of an A
 * race's taper one of them is the light session, in its own days; where no day may hold a full session none is asked for.
 */
export function wantedSessions({ lastTaper, days, perWeek, holdOnly, own }: Wanted): WantedSession[] {
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
