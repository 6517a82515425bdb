/** The endurance plan as sessions: one pure function from the usual week and the amounts, around what stands already. */
import type { Athlete, EndurancePlan, EnduranceSession, Phase, SessionSport } from "../athlete";
import { addDays, dayNumber, type IsoDate, mondayOf } from "../dates";
import { byWeek, mostFrequent } from "../endurance";
import { numbers } from "../rulebook";
import { phaseOn, planPhases, type SeasonPhase } from "../season";
import { weekAmounts, withAmounts } from "./amounts";
import { speedsFrom } from "./speed";
import { type PlannedWeek, plannedWeek, sizeOf } from "./week";

const { days: LOOK_BACK } = numbers("amount.long");

/** What a plan's sessions are made from. */
const MADE_FROM = [
  "season",
  "races",
  "phases",
  "pastPhases",
  "settings",
  "endurance",
  "endurancePlan",
  "leftOut",
] as const satisfies readonly (keyof Athlete)[];
export type ForOutline = Pick<Athlete, (typeof MADE_FROM)[number]>;

/** The usual week of a phase; null where neither it nor the whole season has one. */
const usualOf = (plan: Pick<EndurancePlan, "usualWeeks">, phase: Phase | null) =>
  (plan.usualWeeks.find((u) => u.phase === phase) ?? plan.usualWeeks.find((u) => u.phase === null))?.sessions ?? null;

/** The phase that most days of a week have; null outside of the season. */
function phaseOfWeek(phases: readonly SeasonPhase[], week: IsoDate): Phase | null {
  const days = Array.from({ length: 7 }, (_, d) => phaseOn(phases, addDays(week, d))?.phase ?? []);
  return mostFrequent(days.flat()) ?? null;
}

/** Records that count, and those that leave a planned session out; what the plan made before is made anew. */
const recorded = ({ endurance, leftOut = [] }: Pick<Athlete, "endurance" | "leftOut">): EnduranceSession[] => [
  ...endurance.filter((e) => e.slot === undefined),
  ...leftOut,
];

/** The longest training sessions so far, by sport. */
class Longest {
  private readonly of = new Map<SessionSport, { day: number; size: number }[]>();

  constructor(private readonly unit: EndurancePlan["unit"]) {}

  tell(s: EnduranceSession): void {
    if (s.kind === "race" || s.cancelled) return;
    const list = this.of.get(s.sport) ?? [];
    list.push({ day: dayNumber(s.date), size: sizeOf(s, this.unit) });
    this.of.set(s.sport, list);
  }

  before(day: number, sport: SessionSport): number | null {
    const sizes = (this.of.get(sport) ?? []).filter((x) => x.day < day && x.day >= day - LOOK_BACK).map((x) => x.size);
    const most = Math.max(0, ...sizes);
    return most > 0 ? most : null;
  }
}

/**
 * Every planned week of the season.
 * @returns in order of time; a week without an amount or without a usual week stays unknown and is left out
 */
export function enduranceWeeks(athlete: ForOutline): PlannedWeek[] {
  const { endurancePlan: plan } = athlete;
  if (!plan || plan.usualWeeks.length === 0) return [];
  const amounts = weekAmounts(plan, athlete);
  const first = amounts[0]?.week;
  if (first === undefined) return [];
  const { phases } = planPhases(athlete);
  const rows = recorded(athlete);
  const rowsBy = byWeek(rows);
  const instead = new Map(rows.flatMap((r) => (r.insteadOf === undefined ? [] : [[r.insteadOf, r] as const])));
  const speedOf = speedsFrom(rows, first);
  const longest = new Longest(plan.unit);
  for (const r of rows) longest.tell(r);
  return amounts.flatMap((amount): PlannedWeek[] => {
    const usual = usualOf(plan, phaseOfWeek(phases, amount.week));
    if (!usual) return [];
    const made = plannedWeek({
      amount,
      usual,
      unit: plan.unit,
      rows: rowsBy.get(amount.week) ?? [],
      instead,
      longestBefore: (day, sport) => longest.before(day, sport),
      speedOf,
    });
    const { start, end } = athlete.season;
    const sessions = made.sessions.filter((s) => s.date >= start && s.date <= end);
    for (const s of sessions) longest.tell(s);
    return [{ ...made, sessions }];
  });
}

/**
 * The athlete with the sessions of the endurance plan among the endurance, marked with their slots; what was left out is gone.
 * Asked again it gives the same. @param weeks as enduranceWeeks gives them, where they are known
 */
export function withEndurancePlan<A extends ForOutline>(athlete: A, weeks?: readonly PlannedWeek[]): A {
  const known = athlete.endurance.some((e) => e.slot !== undefined || e.cancelled);
  if (!athlete.endurancePlan && !known) return athlete;
  const before = new Map(athlete.endurance.map((e) => [e.slot, e]));
  // A session that is the same stays the same object: what was looked up in one list is found in the other.
  const made = (weeks ?? enduranceWeeks(athlete))
    .flatMap((w) => w.sessions)
    .map((s) => {
      const was = before.get(s.slot);
      return was && JSON.stringify(was) === JSON.stringify(s) ? was : s;
    });
  const rows = recorded(athlete);
  const leftOut = rows.filter((e) => e.cancelled);
  const endurance = [...rows.filter((e) => !e.cancelled), ...made];
  return { ...athlete, endurance, ...(leftOut.length > 0 ? { leftOut } : {}) };
}

/** The athlete as a file holds them: without the sessions that the plan makes. */
export function withoutPlanned<A extends Pick<Athlete, "endurance" | "leftOut">>(athlete: A): A {
  if (athlete.leftOut === undefined && !athlete.endurance.some((e) => e.slot !== undefined)) return athlete;
  const { leftOut: _, ...rest } = { ...athlete, endurance: recorded(athlete) };
  return rest as A;
}

/**
 * What was planned for days that are past stays, whatever is changed of races, rule or usual week: its sessions become records, and its weeks
 * keep their amounts.
 * @param today days before it are past
 * @returns after as it is where nothing of the past differs
 */
export function withPastPlanned(before: ForOutline, after: Athlete, today: IsoDate): Athlete {
  const { endurancePlan: plan } = after;
  if (!before.endurancePlan || MADE_FROM.every((k) => before[k] === after[k])) return after;
  const past = (weeks: readonly PlannedWeek[]) => weeks.flatMap((w) => w.sessions.filter((s) => s.date < today));
  const [was, now] = [enduranceWeeks(before), enduranceWeeks(after)];
  if (JSON.stringify(past(was)) === JSON.stringify(past(now))) return after;
  const rows = past(was).map(
    ({ slot, ...s }): EnduranceSession => ({ ...s, ...(slot === undefined ? {} : { insteadOf: slot }) }),
  );
  const kept = { ...after, endurance: [...after.endurance, ...rows] };
  if (!plan) return kept;
  const monday = mondayOf(today);
  const typed = new Set(plan.weeks.map((w) => w.week));
  const weeks = was.filter((w) => w.week < monday && !typed.has(w.week));
  const amounts = weeks.map(({ week, amount }): [IsoDate, number] => [week, amount]);
  return { ...kept, endurancePlan: withAmounts(plan, new Map(amounts)) };
}
