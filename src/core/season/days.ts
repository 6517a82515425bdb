/** The season day by day: emphasis, what kind of loading may stand there, and why. */
import { approachFor } from "../approach";
import { type Athlete, type Emphasis, type Gate, isOn, type Stage, safetyGate } from "../athlete";
import { dateOf, dayLabel, dayNumber, type IsoDate } from "../dates";
import { takenOn } from "../readiness";
import { numbers, type RuleValues, type Why, why } from "../rulebook";
import { limitTo, type SeasonDay } from "./day";
import { layoffOf } from "./layoff";
import { afterIllness, betweenNearRaces, limitByRace, limitBySpike, limitByTravel, nearPairs } from "./limits";
import { phaseOn, type SeasonPhase } from "./phase";
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

/** What is looked up once for all days of a season. */
interface Season {
  athlete: Athlete;
  phases: readonly SeasonPhase[];
  own: RuleValues | undefined;
  near: ReturnType<typeof nearPairs>;
  layoff: ReturnType<typeof layoffOf>;
  series: ReturnType<typeof raceSeries>;
  /** Nothing was ever logged. */
  firstLog: boolean;
  /** Today, as far as the log is known. */
  asOf: IsoDate | undefined;
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
  const own = athlete.settings?.ruleValues;
  const looksBack = asOf && (isOn(athlete, "layoff.prepare") || isOn(athlete, "gate.returning"));
  const season: Season = {
    athlete,
    phases,
    own,
    near: nearPairs(athlete.races),
    layoff: looksBack ? layoffOf(athlete, asOf, (d) => phaseOn(phases, d)?.phase === "recovery", own) : null,
    series: isOn(athlete, "race.series") ? raceSeries(athlete.races) : [],
    firstLog: athlete.strengthLog.length === 0,
    asOf,
  };
  const days: SeasonDay[] = [];
  let built: Stage | null = null;
  for (let n = dayNumber(from); n <= dayNumber(to); n++) {
    const phase = phaseOn(phases, dateOf(n));
    if (!phase) continue;
    const day = dayIn(season, phase, n, built);
    const { stage, emphasis } = day;
    limitDay(season, day, n);
    if (phase.phase === "build" && (emphasis === "develop" || emphasis === "maximal")) built = stage;
    const last = days.at(-1);
    if (last && last.emphasis === day.emphasis) day.blockStart = last.blockStart;
    days.push(day);
  }
  return days;
}

/** A day as its phase, its approach and what lies behind the athlete ask for it. @param built the row that the build before it took */
function dayIn(season: Season, phase: SeasonPhase, n: number, built: Stage | null): SeasonDay {
  const { athlete, own } = season;
  const date = dateOf(n);
  const gate = safetyGate(athlete, date);
  const { training } = gate;
  const { stage, emphasis, reason, through, next } = emphasisOf(season, phase, n, gate);
  const day: SeasonDay = {
    date,
    phase: phase.phase,
    emphasis,
    stage,
    through,
    blockStart: date,
    holds: built ?? (training === "new" ? "base-late" : "build"),
    loading: emphasis === "restore" ? "restore" : "full",
    heavyOk: emphasis !== "restore",
    softRaces: [],
    taperFor: null,
    counts: true,
    seriesIn: next === undefined ? null : next - n,
    minutesMost: null,
    setShare: 1,
    why: [reason],
  };
  backFromLayoff(season, day, n, own);
  return day;
}

interface EmphasisOfDay {
  stage: Stage;
  emphasis: Emphasis;
  reason: Why;
  through: number;
  /** Day number of the next race of a weekly series. */
  next: number | undefined;
}

/** The row and emphasis of a day: by the approach, lighter for new lifters and where weight is lost, a hold in a series of races. */
function emphasisOf(
  { athlete, phases, own, series }: Season,
  phase: SeasonPhase,
  n: number,
  gate: Gate,
): EmphasisOfDay {
  const { stage, part, through } = stageOf(phases, phase, n);
  const approach = approachFor(athlete, phase.phase);
  const { emphasis } = approach.rows[stage];
  const weekly = numbers("race.series", own);
  const next = series.map((run) => run.find((r) => r > n && r - n <= weekly.gap)).find((r) => r !== undefined);
  if (next !== undefined && (phase.phase === "base" || phase.phase === "build"))
    return { stage: "race", emphasis: "hold", reason: why("race.series", "hold", weekly.minutes), through, next };
  const lighter = emphasis === "maximal" ? whyNotMaximal(athlete, gate, dateOf(n)) : null;
  if (lighter) {
    // An approach that is maximal in late base already gives its early base's dose.
    const row = approach.rows["base-late"].emphasis === "maximal" ? "base-early" : "base-late";
    return { stage: row, emphasis: "develop", reason: lighter, through, next };
  }
  const of = { part, says: EMPHASIS_SAYS[emphasis], approach: approach.name.toLowerCase() };
  const base = stage === "base-early" || stage === "base-late";
  const reason = base ? why("emphasis.early", "part", of) : why("emphasis.approach", "part", of);
  return { stage, emphasis, reason, through, next };
}

/** After weeks without lifting the day goes back to prepare. */
function backFromLayoff({ athlete, layoff }: Season, day: SeasonDay, n: number, own: RuleValues | undefined): void {
  if (!layoff || day.date < layoff.back || !isOn(athlete, "layoff.prepare")) return;
  if (day.emphasis === "restore" || day.emphasis === "prepare") return;
  const weeks = Math.min(numbers("layoff.prepare", own).most, layoff.weeks);
  if (n >= dayNumber(layoff.back) + 7 * weeks) return;
  [day.stage, day.emphasis] = ["base-early", "prepare"];
  day.why = [why("layoff.prepare", "back", { away: layoff.weeks, on: dayLabel(layoff.back), weeks })];
}

/** What clearance, training age, races, journeys and illness take from a day. */
function limitDay({ athlete, own, layoff, near, firstLog, asOf }: Season, day: SeasonDay, n: number): void {
  const gate = safetyGate(athlete, day.date);
  const first = gate.why[0];
  if (gate.restricted) {
    day.emphasis = "restore";
    day.stage = "recovery";
    if (first) limitTo(day, "mobility", first);
  }
  const newLifter = numbers("gate.new", own);
  const since = n - dayNumber(athlete.season.start);
  if (isOn(athlete, "gate.new") && gate.training === "new" && firstLog && since < newLifter.days)
    limitTo(day, "bodyweight", why("gate.new", "bodyweight", { weeks: newLifter.days / 7 }));
  const returning = numbers("gate.returning", own);
  if (
    layoff &&
    layoff.weeks >= returning.weeks &&
    isOn(athlete, "gate.returning") &&
    day.date >= layoff.back &&
    n < dayNumber(layoff.back) + returning.days
  )
    limitTo(day, "bodyweight", why("gate.returning", "back", { away: layoff.weeks, days: returning.days }));
  for (const race of athlete.races) limitByRace(athlete, day, n, race, asOf);
  limitByTravel(athlete, day, n);
  limitBySpike(athlete, day, n);
  betweenNearRaces(day, n, near);
  backFromIllness(athlete, day);
  readyFor(athlete, day);
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

/** What the answers before today's session change, once they were taken. */
function readyFor(athlete: Athlete, day: SeasonDay): void {
  const r = takenOn(athlete, day.date);
  if (!r) return;
  const { share } = numbers("readiness.day", athlete.settings?.ruleValues);
  const before = day.why.length;
  if (r.session === "fewer") day.setShare = share;
  else if (r.session === "light" && r.why[0]) limitTo(day, "light", r.why[0]);
  else if (r.session === "none" && r.why[0]) {
    limitTo(day, "mobility", r.why[0]);
    day.counts = false;
  }
  day.why.push(...r.why.slice(day.why.length > before ? 1 : 0));
}

/** Why a day takes develop where its phase asks for maximal work; null where it does not. */
function whyNotMaximal(athlete: Athlete, { training, moderate }: Gate, date: IsoDate): Why | null {
  if (training === "new") return why("gate.new", "develop");
  if (moderate) return why("line.limits", "moderate");
  const block = athlete.settings?.weightLoss;
  return block && block.start <= date && date <= block.end && isOn(athlete, "weight.develop")
    ? why("weight.develop", "until", dayLabel(block.end))
    : null;
}
