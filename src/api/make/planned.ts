/** An athlete's facts with the season planned from them: made by the server for what is stored, by the web's worker for what is tried. */
import type { Approach, Athlete, LockedSession } from "../../core/athlete";
import { addDays, daysBetween, type IsoDate, laterOf, mondayOf } from "../../core/dates";
import type { Library } from "../../core/exercise";
import { withEndurancePlan } from "../../core/mileage";
import { once } from "../../core/once";
import { type GrowingPlan, growPlan, type Plan, plan, type Swap } from "../../core/plan";
import type { RuleValues } from "../../core/rulebook";

export interface Facts {
  id: string;
  athlete: Athlete;
  held: LockedSession[];
  swaps: Swap[];
  /** Mondays of the weeks whose placement the coach has taken over. */
  heldWeeks: readonly IsoDate[];
  /** Row ids beside the endurance list, in the same order. */
  enduranceIds: readonly string[];
  /** Points of the rules as the coach has set them for all athletes; an athlete's own go before them. */
  weights: Readonly<Record<string, number>>;
  /** The coach's copies of approaches, and the rules of the phases switched off for all athletes. */
  approaches: readonly Approach[];
  rulesOff: readonly string[];
  /** Numbers of the rules as the coach has set them for all athletes. */
  values: RuleValues;
  /** The coach's words about a week, by its Monday. */
  notes: Readonly<Record<IsoDate, string>>;
}

/** The most that weeks take, in AU, by their Mondays. */
export type Limits = ReadonlyMap<IsoDate, number>;

export interface Planned<F extends Facts = Facts> {
  stored: F;
  /** First day that is plan: today, or tomorrow once today is logged. */
  from: IsoDate;
  plan: Plan;
  /** Load limits of the weeks before `from`, by Monday; worked out when they are first asked for. */
  pastLimits: () => Limits;
  /** What the plan chose its exercises from. */
  library: Library;
}

/** Id of a session that the endurance plan makes: no row of the store bears it. @param slot its week's Monday and its id */
export const plannedId = (slot: string): string => `plan:${slot.replace("/", ":")}`;

/** @returns the slot of such an id; null where it is a row's */
export const slotOfId = (id: string): string | null => (id.startsWith("plan:") ? id.slice(5).replace(":", "/") : null);

/** The facts with the sessions of the endurance plan beside what is stored. Asked again it gives the same. */
export function withPlannedEndurance<F extends Pick<Facts, "athlete" | "enduranceIds">>(facts: F): F {
  const athlete = withEndurancePlan(facts.athlete);
  if (athlete === facts.athlete) return facts;
  const ids = new Map(facts.athlete.endurance.map((e, i) => [e, facts.enduranceIds[i] ?? String(i)]));
  const enduranceIds = athlete.endurance.map((e, i) =>
    e.slot === undefined ? (ids.get(e) ?? String(i)) : plannedId(e.slot),
  );
  return { ...facts, athlete, enduranceIds };
}

/** Today, or tomorrow once something is logged today; inside the season. */
export function firstDay({ athlete }: Facts, today: IsoDate): IsoDate {
  const from = athlete.strengthLog.some((l) => l.date === today) ? addDays(today, 1) : today;
  return laterOf(from, athlete.season.start);
}

/** What of the facts a plan is made with, beside the athlete. */
export const clubOptions = ({ held, swaps, weights, approaches, rulesOff, values }: Facts) => ({
  held,
  swaps,
  weights,
  approaches,
  rulesOff,
  values,
});

/** Whole weeks from the week of one date to the week of another. */
export const weeksBetween = (from: IsoDate, to: IsoDate): number => daysBetween(mondayOf(from), mondayOf(to)) / 7;

/** The facts with a plan that grows as far as somebody asks. */
export interface Growing<F extends Facts = Facts> extends Omit<Planned<F>, "plan"> {
  plan: GrowingPlan;
}

export function growSeason<F extends Facts>(facts: F, library: Library, today: IsoDate): Growing<F> {
  const stored = withPlannedEndurance(facts);
  const from = firstDay(stored, today);
  const plan = growPlan(stored.athlete, { from, library, ...clubOptions(stored) });
  return { stored, from, plan, pastLimits: once(() => limitsBefore(pastBasis(stored, from), library)), library };
}

/** How far a plan is asked for: to the week of a day, but its first week in any case, or so many weeks; without either to the season's end. */
export type Until = IsoDate | number | undefined;

/** The growing season as far as it is asked for. */
export function grownTo<F extends Facts>({ plan, ...g }: Growing<F>, until?: Until): Planned<F> {
  const weeks = typeof until === "string" ? Math.max(1, weeksBetween(g.from, until) + 1) : (until ?? "season");
  return { ...g, plan: plan.weeks(weeks) };
}

/** The whole season. */
export const planSeason = <F extends Facts>(facts: F, library: Library, today: IsoDate): Planned<F> =>
  grownTo(growSeason(facts, library, today));

/**
 * What the load limits of the weeks before a day are worked out from, beside the library: they are those of the plan as it would have been
 * without anything lifted or moved, so that a logged set or a session in another place leaves them as they were. Plain data: facts that
 * give the same text give the same limits.
 */
export function pastBasis(facts: Facts, from: IsoDate) {
  const { held: _, swaps: __, ...club } = clubOptions(facts);
  const athlete: Athlete = { ...facts.athlete, strengthLog: [], locked: [] };
  return { athlete, weeks: weeksBetween(athlete.season.start, from), club };
}

export const limitsBefore = ({ athlete, weeks, club }: ReturnType<typeof pastBasis>, library: Library): Limits =>
  new Map(plan(athlete, { weeks, library, ...club }).weeks.map((w) => [w.season.start, w.loadLimit]));
