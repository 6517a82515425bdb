/** The season day by day: emphasis, what kind of loading may stand there, and why. */
import { approachFor } from "../approach/pick";
import type { Stage } from "../athlete/approach";
import { safetyGate } from "../athlete/gate";
import { isOn } from "../athlete/switches";
import type { Athlete, Emphasis } from "../athlete/types";
import { dateOf, dayLabel, dayNumber, type IsoDate } from "../dates";
import { numbers, type Why, why } from "../rulebook";
import { limitTo, type SeasonDay } from "./day";
import { layoffOf } from "./layoff";
import { afterIllness, betweenNearRaces, limitByRace, limitBySpike, limitByTravel, nearPairs } from "./limits";
import { phaseOn, type SeasonPhase } from "./phases";
import { raceSeries } from "./races";

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
  const prepare = numbers("emphasis.early");
  const most = before?.phase === "recovery" || before?.phase === "build" ? prepare.afterRecovery : prepare.first;
  const early = Math.min(most, Math.ceil(length / 2));
  return day - start < early
    ? { stage: "base-early", part: `Early base (its first ${early} days)`, through }
    : { stage: "base-late", part: "Late base", through };
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
  const own = athlete.settings?.ruleValues;
  const newLifter = numbers("gate.new", own);
  const returning = numbers("gate.returning", own);
  const mostPrepare = numbers("layoff.prepare", own).most;
  const weekly = numbers("race.series", own);
  const near = nearPairs(athlete.races);
  const layoff =
    asOf && (isOn(athlete, "layoff.prepare") || isOn(athlete, "gate.returning"))
      ? layoffOf(athlete, asOf, (d) => phaseOn(phases, d)?.phase === "recovery", own)
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
    const of = { part, says: EMPHASIS_SAYS[emphasis], approach: approach.name.toLowerCase() };
    const base = stage === "base-early" || stage === "base-late";
    let reason = base ? why("emphasis.early", "part", of) : why("emphasis.approach", "part", of);
    const lighter = emphasis === "maximal" ? whyNotMaximal(athlete, gate.training, date) : null;
    if (lighter) {
      // An approach that is maximal in late base already gives its early base's dose.
      stage = approach.rows["base-late"].emphasis === "maximal" ? "base-early" : "base-late";
      emphasis = "develop";
      reason = lighter;
    }
    const next = series.map((run) => run.find((r) => r > n && r - n <= weekly.gap)).find((r) => r !== undefined);
    if (next !== undefined && (phase.phase === "base" || phase.phase === "build")) {
      [stage, emphasis] = ["race", "hold"];
      reason = why("race.series", "hold", weekly.minutes);
    }
    if (
      layoff &&
      isOn(athlete, "layoff.prepare") &&
      date >= layoff.back &&
      emphasis !== "restore" &&
      emphasis !== "prepare"
    ) {
      const weeks = Math.min(mostPrepare, layoff.weeks);
      if (n < dayNumber(layoff.back) + 7 * weeks) {
        [stage, emphasis] = ["base-early", "prepare"];
        reason = why("layoff.prepare", "back", { away: layoff.weeks, on: dayLabel(layoff.back), weeks });
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
      minutesMost: null,
      why: [reason],
    };
    if (next !== undefined) day.seriesIn = next - n;
    if (gate.restricted) {
      day.emphasis = "restore";
      day.stage = "recovery";
      const first = gate.why[0];
      if (first) limitTo(day, "mobility", first);
    }
    if (
      isOn(athlete, "gate.new") &&
      gate.training === "new" &&
      firstLog &&
      n - dayNumber(athlete.season.start) < newLifter.days
    )
      limitTo(day, "bodyweight", why("gate.new", "bodyweight", { weeks: newLifter.days / 7 }));
    if (
      layoff &&
      layoff.weeks >= returning.weeks &&
      isOn(athlete, "gate.returning") &&
      date >= layoff.back &&
      n < dayNumber(layoff.back) + returning.days
    )
      limitTo(day, "bodyweight", why("gate.returning", "back", { away: layoff.weeks, days: returning.days }));
    for (const race of athlete.races) limitByRace(athlete, day, n, race);
    limitByTravel(athlete, day, n);
    limitBySpike(athlete, day, n);
    betweenNearRaces(day, n, near);
    backFromIllness(athlete, day);
    if (phase.phase === "build" && (emphasis === "develop" || emphasis === "maximal")) built = stage;
    const last = days.at(-1);
    if (last && last.emphasis === day.emphasis) day.blockStart = last.blockStart;
    days.push(day);
  }
  return days;
}

/** The emphasis itself is restore for as many days as were lost: short, light, the first half without load. */
function backFromIllness(athlete: Athlete, day: SeasonDay): void {
  const ill = afterIllness(athlete, day.date);
  if (!ill) return;
  const { lost, days, nth } = ill;
  const { minutes } = numbers("illness.back", athlete.settings?.ruleValues);
  const because = why("illness.back", "restore", { days, lost, minutes });
  day.emphasis = "restore";
  day.stage = "recovery";
  day.heavyOk = false;
  day.minutesMost = minutes;
  const before = day.why.length;
  limitTo(day, nth <= Math.ceil(days / 2) ? "bodyweight" : "restore", because);
  if (day.why.length === before) day.why.push(because);
}

/** Why a day takes develop where its phase asks for maximal work; null where it does not. */
function whyNotMaximal(
  athlete: Athlete,
  training: ReturnType<typeof safetyGate>["training"],
  date: IsoDate,
): Why | null {
  if (training === "new") return why("gate.new", "develop");
  const block = athlete.settings?.weightLoss;
  return block && block.start <= date && date <= block.end && isOn(athlete, "weight.develop")
    ? why("weight.develop", "until", dayLabel(block.end))
    : null;
}
