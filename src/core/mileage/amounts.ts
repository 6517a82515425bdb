/** The amount of each week: typed, or drawn by rule (rules amount.rise, amount.taper, amount.restart). */
import type { AmountRule, Athlete, EndurancePlan } from "../athlete";
import { addDays, dayNumber, type IsoDate, mondayOf } from "../dates";
import { numbers } from "../rulebook";
import { roundTo } from "../units";
import { type RaceDayShare, raceShare } from "./races";

/** What a week's amount comes from. */
export type AmountKind = "typed" | "first" | "loading" | "step-back" | "race";

export interface WeekAmount {
  /** Its Monday. */
  week: IsoDate;
  kind: AmountKind;
  /** Amount of the week if its days were all ordinary, km or minutes. */
  base: number;
  /** The last loading week's amount by rule, which key sessions are measured by; the typed amount where there is no rule. */
  usual: number;
  /** Percent above the last loading week; 0 in other weeks. */
  risePct: number;
  /** What races leave of each day, Monday first. */
  days: RaceDayShare[];
}

/** The loading weeks of a rule, one after the other. */
class Rising {
  /** Amount of the last loading week; null before the first. */
  private last: number | null = null;
  private since = 0;

  constructor(private readonly rule: AmountRule) {}

  /** @param racing the week tapers or comes back: nothing rises, and what follows begins a new run */
  next(racing: boolean): Pick<WeekAmount, "kind" | "base" | "usual" | "risePct"> {
    const { start, top, risePct, stepBackEvery, stepBackTo } = this.rule;
    const last = this.last ?? start;
    if (racing) {
      this.since = 0;
      this.last = last;
      return { kind: "race", base: last, usual: last, risePct: 0 };
    }
    if (this.last !== null && stepBackEvery > 0 && this.since >= stepBackEvery - 1) {
      this.since = 0;
      return { kind: "step-back", base: last * stepBackTo, usual: last, risePct: 0 };
    }
    const first = this.last === null;
    const base = first ? start : Math.min(top, last * (1 + risePct / 100));
    this.last = base;
    this.since += 1;
    return { kind: first ? "first" : "loading", base, usual: base, risePct: Math.round((base / last - 1) * 1000) / 10 };
  }
}

const RISE = numbers("amount.rise");

/** A rule from the week of a day on that rises and steps back as the rulebook has it where nothing else is said (rule amount.rise). */
export const ruleFrom = (day: IsoDate, start: number, top: number): AmountRule => ({
  from: mondayOf(day),
  start,
  top,
  risePct: RISE.risePct,
  stepBackEvery: RISE.every,
  stepBackTo: RISE.backTo,
  taper: true,
  restart: true,
});

/** What of a plan decides about its weeks. */
export type ForAmounts = Pick<Athlete, "races" | "season">;

/**
 * Every week of the season that has an amount, in order of time.
 * @param plan typed amounts go before the rule, and do not change what it gives to other weeks
 */
export function weekAmounts(plan: Pick<EndurancePlan, "weeks" | "rule">, { races, season }: ForAmounts): WeekAmount[] {
  const typed = new Map(plan.weeks.map((w) => [w.week, w.amount]));
  const { rule } = plan;
  const rising = rule ? new Rising(rule) : null;
  const out: WeekAmount[] = [];
  const first = rule && rule.from < season.start ? rule.from : season.start;
  const ways = rule ?? { taper: false, restart: false };
  for (let week = mondayOf(first); week <= season.end; week = addDays(week, 7)) {
    const monday = dayNumber(week);
    const days = Array.from({ length: 7 }, (_, d) => raceShare(monday + d, races, ways));
    const ruled =
      rising && rule && week >= rule.from
        ? rising.next(days.some((d) => d.kind === "taper" || d.kind === "back"))
        : null;
    const amount = typed.get(week);
    if (amount !== undefined)
      out.push({ week, kind: "typed", base: amount, usual: ruled?.usual ?? amount, risePct: 0, days });
    else if (ruled) out.push({ week, ...ruled, days });
  }
  return out;
}

/** The plan with other amounts for some weeks. */
export function withAmounts(plan: EndurancePlan, amounts: ReadonlyMap<IsoDate, number>): EndurancePlan {
  const weeks = [
    ...plan.weeks.filter((w) => !amounts.has(w.week)),
    ...[...amounts].map(([week, amount]) => ({ week, amount: roundTo(amount, 1) })),
  ].sort((a, b) => (a.week < b.week ? -1 : 1));
  return { ...plan, weeks };
}
