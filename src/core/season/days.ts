/** The season day by day: emphasis, what kind of loading may stand there, and why (handbook 8, 9). */
import { approachFor } from "../approach/pick";
import type { Stage } from "../athlete/approach";
import { safetyGate } from "../athlete/gate";
import { isOn } from "../athlete/switches";
import type { Athlete, Emphasis, Phase, Race } from "../athlete/types";
import { awayOn } from "../athlete/windows";
import { addDays, dateOf, dayLabel, dayNumber, type IsoDate } from "../dates";
import { type Why, why } from "../why";
import { phaseOn, type SeasonPhase } from "./phases";
import { classRule, inOrder, lastRaceDay, raceDay, raceMinutes, raceSeries, SERIES } from "./races";

/** full: the emphasis' own dose. light: half sets, nothing heavy. restore: light loads. Then bodyweight, and mobility alone. */
export type Loading = "full" | "light" | "restore" | "bodyweight" | "mobility";

export interface SeasonDay {
  date: IsoDate;
  phase: Phase;
  emphasis: Emphasis;
  /** Which row of the approach's table the day takes. */
  stage: Stage;
  /** Share of the phase that is over, 0 to 1. */
  through: number;
  /** First day of the unbroken run of this emphasis. */
  blockStart: IsoDate;
  loading: Loading;
  /** What a hold day holds: the row of the approach that the build before it took. */
  holds: Stage;
  heavyOk: boolean;
  /** Races whose softer spacing (S13) a heavy session here would break. */
  softRaces: string[];
  /** The A race whose taper this day belongs to (light work only). */
  taperFor: string | null;
  /** Days to the next race of a weekly series; null outside of one. */
  seriesIn: number | null;
  /** Counts towards the week's number of sessions. */
  counts: boolean;
  why: Why[];
}

/** Days of prepare at the start of a base, at most [house]; and after a recovery [trade: one or two weeks]. */
export const PREPARE_DAYS = { first: 28, afterRecovery: 14 };
/** New lifters: days of bodyweight before load [trade: 2 to 3 weeks]. */
export const UNLOADED_DAYS_NEW = 21;

const RANK: Record<Loading, number> = { full: 4, light: 3, restore: 2, bodyweight: 1, mobility: 0 };

const EMPHASIS_SAYS: Record<Emphasis, string> = {
  prepare: "prepares",
  develop: "develops",
  maximal: "takes the maximal emphasis",
  hold: "holds strength: load kept, volume cut",
  restore: "restores first: no load, then bodyweight, then light loads",
};

/** The row of the table that a day of a phase takes, with how it is said. */
function stageOf(
  phases: readonly SeasonPhase[],
  phase: SeasonPhase,
  day: number,
): { stage: Stage; part: string; through: number } {
  const start = dayNumber(phase.start);
  const length = dayNumber(phase.end) - start + 1;
  const through = length > 1 ? (day - start) / (length - 1) : 0;
  if (phase.phase === "build") return { stage: "build", part: "Build", through };
  if (phase.phase === "race") return { stage: "race", part: "The race phase", through };
  if (phase.phase === "recovery") return { stage: "recovery", part: "Recovery", through };
  const before = phases[phases.indexOf(phase) - 1];
  const most =
    before?.phase === "recovery" || before?.phase === "build" ? PREPARE_DAYS.afterRecovery : PREPARE_DAYS.first;
  const early = Math.min(most, Math.ceil(length / 2));
  return day - start < early
    ? { stage: "base-early", part: `Early base (its first ${early} days)`, through }
    : { stage: "base-late", part: "Late base", through };
}

/** Weeks missed from which an athlete goes back to prepare, and for how many at most [trade]. */
export const LAYOFF_WEEKS = { from: 5, most: 4 };
/** Weeks without lifting after which somebody counts as returning [house], and days of bodyweight then [trade: 2 to 3 weeks]. */
export const RETURNING = { weeks: 13, days: 14 };

/**
 * The last long stretch without a strength session: when it ended, and how many weeks it took. Weeks of recovery after a race are
 * no layoff.
 * @param asOf the day up to which the log is known
 */
export function layoffOf(
  athlete: Pick<Athlete, "strengthLog">,
  asOf: IsoDate,
  recovering: (date: IsoDate) => boolean,
): { back: IsoDate; weeks: number } | null {
  const dates = [...new Set(athlete.strengthLog.map((l) => l.date).filter((d) => d < asOf))].sort();
  const ends = [...dates.slice(1), asOf];
  for (let i = dates.length - 1; i >= 0; i--) {
    const [from, back] = [dates[i], ends[i]];
    if (!from || !back) continue;
    let away = 0;
    for (let n = dayNumber(from) + 1; n < dayNumber(back); n++) if (!recovering(dateOf(n))) away++;
    const weeks = Math.floor(away / 7);
    if (weeks >= LAYOFF_WEEKS.from) return { back, weeks };
  }
  return null;
}

/**
 * @param from first day wanted, inside the season
 * @param to last day wanted, inside the season
 * @param asOf the day up to which the log is known; without it no layoff is looked for
 */
export function seasonDays(
  athlete: Athlete,
  phases: readonly SeasonPhase[],
  from: IsoDate,
  to: IsoDate,
  asOf?: IsoDate,
): SeasonDay[] {
  const days: SeasonDay[] = [];
  const near = nearPairs(athlete.races);
  const layoff =
    asOf && (isOn(athlete, "layoff.prepare") || isOn(athlete, "gate.returning"))
      ? layoffOf(athlete, asOf, (d) => phaseOn(phases, d)?.phase === "recovery")
      : null;
  const series = isOn(athlete, "race.series") ? raceSeries(athlete.races) : [];
  let built: SeasonDay["holds"] | null = null;
  const firstLog = athlete.strengthLog.length === 0;
  for (let n = dayNumber(from); n <= dayNumber(to); n++) {
    const date = dateOf(n);
    const phase = phaseOn(phases, date);
    if (!phase) continue;
    const gate = safetyGate(athlete, date);
    const { stage: asked, part, through } = stageOf(phases, phase, n);
    const approach = approachFor(athlete, phase.phase);
    let stage = asked;
    let emphasis = approach.rows[stage].emphasis;
    let reason = why(
      stage === "base-early" || stage === "base-late" ? "emphasis.early" : "emphasis.approach",
      `${part} ${EMPHASIS_SAYS[emphasis]} (${approach.name.toLowerCase()}).`,
    );
    const lighter = emphasis === "maximal" ? whyNotMaximal(athlete, gate.training, date) : null;
    if (lighter) {
      // An approach that is maximal in late base already gives its early base's dose.
      stage = approach.rows["base-late"].emphasis === "maximal" ? "base-early" : "base-late";
      emphasis = "develop";
      reason = lighter;
    }
    const next = series.map((run) => run.find((r) => r > n && r - n <= SERIES.gapDays)).find((r) => r !== undefined);
    if (next !== undefined && (phase.phase === "base" || phase.phase === "build")) {
      [stage, emphasis] = ["race", "hold"];
      reason = why(
        "race.series",
        `Racing week by week: one hold of about ${SERIES.minutes} min, 72 to 96 h before each race.`,
      );
    }
    if (
      layoff &&
      isOn(athlete, "layoff.prepare") &&
      date >= layoff.back &&
      emphasis !== "restore" &&
      emphasis !== "prepare"
    ) {
      const weeks = Math.min(LAYOFF_WEEKS.most, layoff.weeks);
      if (n < dayNumber(layoff.back) + 7 * weeks) {
        [stage, emphasis] = ["base-early", "prepare"];
        reason = why(
          "layoff.prepare",
          `${layoff.weeks} weeks without lifting before ${dayLabel(layoff.back)}: back to prepare for ${weeks} week${weeks === 1 ? "" : "s"}.`,
        );
      }
    }
    const day: SeasonDay = {
      date,
      phase: phase.phase,
      emphasis,
      stage,
      through,
      blockStart: date,
      holds: built ?? (gate.training === "new" ? "base-late" : "build"),
      loading: emphasis === "restore" ? "restore" : "full",
      heavyOk: emphasis !== "restore",
      softRaces: [],
      taperFor: null,
      counts: true,
      seriesIn: null,
      why: [reason],
    };
    const limit = (loading: Loading, because: Why) => {
      if (RANK[loading] >= RANK[day.loading]) return;
      day.loading = loading;
      day.heavyOk = false;
      day.why.push(because);
    };
    if (next !== undefined) day.seriesIn = next - n;
    if (gate.restricted) {
      day.emphasis = "restore";
      day.stage = "recovery";
      const first = gate.why[0];
      if (first) limit("mobility", first);
    }
    if (
      isOn(athlete, "gate.new") &&
      gate.training === "new" &&
      firstLog &&
      n - dayNumber(athlete.season.start) < UNLOADED_DAYS_NEW
    )
      limit("bodyweight", why("gate.new", "New to the gym: bodyweight for the first three weeks before any load."));
    if (
      layoff &&
      layoff.weeks >= RETURNING.weeks &&
      isOn(athlete, "gate.returning") &&
      date >= layoff.back &&
      n < dayNumber(layoff.back) + RETURNING.days
    )
      limit(
        "bodyweight",
        why(
          "gate.returning",
          `Back after ${layoff.weeks} weeks without lifting: bodyweight for two weeks before any load.`,
        ),
      );
    for (const race of athlete.races) limitByRace(athlete, day, n, race, limit);
    limitByTravel(athlete, day, n);
    betweenNearRaces(day, n, near, limit);
    const ill = illnessBefore(athlete, date);
    if (ill)
      limit("bodyweight", why("illness.back", `Back from illness: bodyweight for as many days as were lost (${ill}).`));
    if (phase.phase === "build" && (emphasis === "develop" || emphasis === "maximal")) built = stage;
    const last = days.at(-1);
    if (last && last.emphasis === day.emphasis) day.blockStart = last.blockStart;
    days.push(day);
  }
  return days;
}

/** Why a day takes develop where its phase asks for maximal work; null where it does not. */
function whyNotMaximal(
  athlete: Athlete,
  training: ReturnType<typeof safetyGate>["training"],
  date: IsoDate,
): Why | null {
  if (training === "new") return why("gate.new", "Under three months in the gym: develop instead of maximal.");
  const block = athlete.settings?.weightLoss;
  return block && block.start <= date && date <= block.end && isOn(athlete, "weight.develop")
    ? why("weight.develop", `Weight is lost on purpose until ${dayLabel(block.end)}: develop instead of maximal.`)
    : null;
}

/** Hours on the way from which the legs rest, zones crossed, and days they then rest for (handbook 9) [trade]. */
export const TRAVEL = { hours: 4, zones: 3, days: 2 };

function limitByTravel(athlete: Athlete, day: SeasonDay, n: number): void {
  if (!isOn(athlete, "travel.legs")) return;
  for (const a of athlete.away) {
    if (a.kind !== "travel") continue;
    const [first, last] = [dayNumber(a.start), dayNumber(a.end)];
    const long = (a.hours ?? 0) > TRAVEL.hours && (n === first || n === last);
    const zones = a.zones ?? 0;
    const after = [first, last].some((d) => n > d && n <= d + TRAVEL.days);
    if (!long && !(zones >= TRAVEL.zones && (after || n === first || n === last))) continue;
    day.heavyOk = false;
    day.why.push(
      why(
        "travel.legs",
        after && zones >= TRAVEL.zones
          ? `No heavy legs in the 48 h after ${zones} time zones.`
          : `No heavy legs on a travel day${a.hours ? ` of ${a.hours} h` : ""}.`,
      ),
    );
    return;
  }
}

function limitByRace(
  athlete: Athlete,
  day: SeasonDay,
  n: number,
  race: Race,
  limit: (l: Loading, w: Why) => void,
): void {
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
    } else if (out > 0 && out < rule.lastHeavy && isOn(athlete, "taper.light")) {
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
    } else if (out > 0 && out < 4 && isOn(athlete, "race.b")) {
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
