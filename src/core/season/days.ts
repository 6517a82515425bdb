/** The season day by day: emphasis, what kind of loading may stand there, and why (handbook 8, 9). */
import { safetyGate } from "../athlete/gate";
import type { Athlete, Emphasis, Phase, Race } from "../athlete/types";
import { awayOn } from "../athlete/windows";
import { addDays, dateOf, dayLabel, dayNumber, type IsoDate } from "../dates";
import { type Why, why } from "../why";
import { phaseOn, type SeasonPhase } from "./phases";
import { classRule, inOrder, lastRaceDay, raceDay, raceMinutes } from "./races";

/** full: the emphasis' own dose. light: half sets, nothing heavy. restore: light loads. Then bodyweight, and mobility alone. */
export type Loading = "full" | "light" | "restore" | "bodyweight" | "mobility";

export interface SeasonDay {
  date: IsoDate;
  phase: Phase;
  emphasis: Emphasis;
  /** First day of the unbroken run of this emphasis. */
  blockStart: IsoDate;
  loading: Loading;
  /** What a hold day holds: the emphasis of the build before it. */
  holds: "develop" | "maximal";
  heavyOk: boolean;
  /** Races whose softer spacing (S13) a heavy session here would break. */
  softRaces: string[];
  /** The A race whose taper this day belongs to (light work only). */
  taperFor: string | null;
  /** Counts towards the week's number of sessions. */
  counts: boolean;
  why: Why[];
}

/** Days of prepare at the start of a base, at most [house]; and after a recovery [trade: one or two weeks]. */
export const PREPARE_DAYS = { first: 28, afterRecovery: 14 };
/** New lifters: days of bodyweight before load [trade: 2 to 3 weeks]. */
export const UNLOADED_DAYS_NEW = 21;

const RANK: Record<Loading, number> = { full: 4, light: 3, restore: 2, bodyweight: 1, mobility: 0 };

/** Emphasis the phase asks for, before any limit. */
function emphasisOf(phases: readonly SeasonPhase[], phase: SeasonPhase, day: number): [Emphasis, string] {
  switch (phase.phase) {
    case "build":
      return ["maximal", "Build takes the maximal emphasis."];
    case "race":
      return ["hold", "The race phase holds strength: load kept, volume cut."];
    case "recovery":
      return ["restore", "Recovery restores first: no load, then bodyweight, then light loads."];
    case "base": {
      const start = dayNumber(phase.start);
      const length = dayNumber(phase.end) - start + 1;
      const before = phases[phases.indexOf(phase) - 1];
      const most =
        before?.phase === "recovery" || before?.phase === "build" ? PREPARE_DAYS.afterRecovery : PREPARE_DAYS.first;
      const prepare = Math.min(most, Math.ceil(length / 2));
      return day - start < prepare
        ? ["prepare", `The first ${prepare} days of base prepare.`]
        : ["develop", "Late base develops."];
    }
  }
}

/**
 * @param from first day wanted, inside the season
 * @param to last day wanted, inside the season
 */
export function seasonDays(athlete: Athlete, phases: readonly SeasonPhase[], from: IsoDate, to: IsoDate): SeasonDay[] {
  const days: SeasonDay[] = [];
  const near = nearPairs(athlete.races);
  let built: SeasonDay["holds"] | null = null;
  const firstLog = athlete.strengthLog.length === 0;
  for (let n = dayNumber(from); n <= dayNumber(to); n++) {
    const date = dateOf(n);
    const phase = phaseOn(phases, date);
    if (!phase) continue;
    const gate = safetyGate(athlete, date);
    let [emphasis, sentence] = emphasisOf(phases, phase, n);
    if (emphasis === "maximal" && gate.training === "new")
      [emphasis, sentence] = ["develop", "Under three months in the gym: develop instead of maximal."];
    const day: SeasonDay = {
      date,
      phase: phase.phase,
      emphasis,
      blockStart: date,
      holds: built ?? (gate.training === "new" ? "develop" : "maximal"),
      loading: emphasis === "restore" ? "restore" : "full",
      heavyOk: emphasis !== "restore",
      softRaces: [],
      taperFor: null,
      counts: true,
      why: [why(emphasis === "prepare" || emphasis === "develop" ? "emphasis.early" : "emphasis.layered", sentence)],
    };
    const limit = (loading: Loading, reason: Why) => {
      if (RANK[loading] >= RANK[day.loading]) return;
      day.loading = loading;
      day.heavyOk = false;
      day.why.push(reason);
    };
    if (gate.restricted) {
      day.emphasis = "restore";
      const reason = gate.why[0];
      if (reason) limit("mobility", reason);
    }
    if (gate.training === "new" && firstLog && n - dayNumber(athlete.season.start) < UNLOADED_DAYS_NEW)
      limit("bodyweight", why("gate.new", "New to the gym: bodyweight for the first three weeks before any load."));
    for (const race of athlete.races) limitByRace(day, n, race, limit);
    betweenNearRaces(day, n, near, limit);
    const ill = illnessBefore(athlete, date);
    if (ill)
      limit("bodyweight", why("illness.back", `Back from illness: bodyweight for as many days as were lost (${ill}).`));
    if (phase.phase === "build" && (emphasis === "develop" || emphasis === "maximal")) built = emphasis;
    const last = days.at(-1);
    if (last && last.emphasis === day.emphasis) day.blockStart = last.blockStart;
    days.push(day);
  }
  return days;
}

function limitByRace(day: SeasonDay, n: number, race: Race, limit: (l: Loading, w: Why) => void): void {
  const out = raceDay(race) - n;
  const after = n - lastRaceDay(race);
  const rule = classRule(race);
  if (out <= 0 && after <= 0) {
    limit("mobility", why("M2", `${race.name}: nothing but mobility on a race day.`));
    day.counts = false;
  } else if (race.priority === "A") {
    if (out > 0 && out < rule.lastLight) {
      limit(
        "mobility",
        why(
          "M2",
          `${out === 1 ? "The day" : `${out} days`} before ${race.name}: nothing loaded after the last light session.`,
        ),
      );
      day.counts = false;
    } else if (out > 0 && out < rule.lastHeavy) {
      limit(
        "light",
        why(
          "taper.light",
          `Last heavy session ${rule.lastHeavy} days before ${race.name}; only light work of half the sets here.`,
        ),
      );
      day.taperFor = race.id;
      day.counts = false;
    } else if (after > 0 && after <= rule.mobilityUntil)
      limit(
        "mobility",
        why("restore.visits", `Day ${after} after ${race.name}: rolling, mobility and bridges, no load.`),
      );
    else if (after > 0 && after <= rule.bodyweightUntil)
      limit("bodyweight", why("restore.visits", `Day ${after} after ${race.name}: bodyweight ladders.`));
    else if (after > 0 && after <= rule.recoveryDays)
      limit("restore", why("restore.visits", `Day ${after} after ${race.name}: light loads, 4 or more in reserve.`));
  } else if (race.priority === "B") {
    if (out === 1 || (after > 0 && after <= 2)) {
      limit(
        "mobility",
        why("race.b", out === 1 ? `The day before ${race.name}: no loaded work.` : `Two easy days after ${race.name}.`),
      );
      day.counts = false;
    } else if (out > 0 && out < 4) {
      day.heavyOk = false;
      day.why.push(why("race.b", `Last heavy session 4 days before ${race.name}.`));
    }
  } else {
    if (out === 1) {
      limit(
        "mobility",
        why("race.c", `The day before ${race.name} (${dayLabel(race.date)}): no loaded lower-body work.`),
      );
      day.counts = false;
    }
    if (out === 2 || after === 1) day.softRaces.push(race.name);
  }
}

/** A races within this many days of each other share one taper (handbook 9). */
const ONE_TAPER_DAYS = 14;
/** Days before the second of them on which the one session between may stand, and the longest first race that allows it, minutes. */
const BETWEEN = { first: 5, last: 4, longestFirst: 120 };

/** Consecutive A races so near that one taper serves both. */
function nearPairs(races: readonly Race[]): [Race, Race][] {
  const a = inOrder(races).filter((r) => r.priority === "A");
  return a.flatMap((second, i): [Race, Race][] => {
    const first = a[i - 1];
    return first && raceDay(second) - lastRaceDay(first) <= ONE_TAPER_DAYS ? [[first, second]] : [];
  });
}

/** Between two such races at most one light session, 4 to 5 days before the second; none after a first of over 2 h. */
function betweenNearRaces(
  day: SeasonDay,
  n: number,
  near: readonly [Race, Race][],
  limit: (l: Loading, w: Why) => void,
): void {
  for (const [first, second] of near) {
    const out = raceDay(second) - n;
    if (n <= lastRaceDay(first) || out <= 0) continue;
    const open = out <= BETWEEN.first && out >= BETWEEN.last && raceMinutes(first).minutes <= BETWEEN.longestFirst;
    if (open) {
      limit(
        "light",
        why(
          "taper.light",
          `One light session between ${first.name} and ${second.name}, 4 to 5 days before the second.`,
        ),
      );
      if (day.loading === "light") day.taperFor = second.id;
      day.counts = false;
    } else {
      limit(
        "mobility",
        why(
          "taper.light",
          `${first.name} and ${second.name} share one taper: nothing loaded between them but one light session.`,
        ),
      );
      day.taperFor = null;
      if (day.emphasis !== "restore") day.counts = false;
    }
  }
}

/** Days lost to an illness that ended so recently that restore is not yet over; 0 where there is none. */
function illnessBefore(athlete: Athlete, date: IsoDate): number {
  const n = dayNumber(date);
  for (const a of athlete.away) {
    if (a.kind !== "illness") continue;
    const lost = dayNumber(a.end) - dayNumber(a.start) + 1;
    if (n > dayNumber(a.end) && n <= dayNumber(a.end) + lost && !awayOn(athlete, date)) return lost;
  }
  return 0;
}

/** Whether the absence of any day makes the week unlike others. */
export function hasAbsence(athlete: Pick<Athlete, "away">, monday: IsoDate): boolean {
  for (let i = 0; i < 7; i++) {
    const away = awayOn(athlete, addDays(monday, i));
    if (away && (away.kind === "illness" || away.kind === "travel" || away.kind === "holiday")) return true;
  }
  return false;
}
