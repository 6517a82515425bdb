/** What a coach does to the weekly amounts: typed, in percent, copied, shifted, pasted. Each gives the plan as it is then. */
import type { AmountRule, EndurancePlan, EnduranceSession, UsualSession } from "../../core/athlete";
import { addDays, weekday } from "../../core/dates";
import { withAmounts, withSession, withShare } from "../../core/mileage";
import { kmToMi, miToKm, roundTo } from "../../core/units";
import type { Units } from "../format";

/** Amounts by Monday, km or minutes. */
export type Amounts = ReadonlyMap<string, number>;

export interface Shown {
  start: string;
  amount: { amount: number } | null;
}

/** The amounts that a season shows; what was typed since goes before them. */
export function shownAmounts(weeks: readonly Shown[], plan: EndurancePlan | null): Amounts {
  const out = new Map(weeks.flatMap((w) => (w.amount ? [[w.start, w.amount.amount] as const] : [])));
  for (const w of plan?.weeks ?? []) out.set(w.week, w.amount);
  return out;
}

/** Amounts that a share of those of before would be. @returns nothing for weeks without one */
export const timesAmounts = (now: Amounts, weeks: readonly string[], share: number): Map<string, number> =>
  new Map(weeks.flatMap((w) => (now.has(w) ? [[w, roundTo((now.get(w) ?? 0) * share, 1)] as const] : [])));

/** A span of weeks again from a later Monday on, as long as it is. */
export const copiedAmounts = (now: Amounts, from: string, weeks: number, to: string): Map<string, number> =>
  new Map(
    Array.from({ length: weeks }, (_, i) => i).flatMap((i) => {
      const amount = now.get(addDays(from, 7 * i));
      return amount === undefined ? [] : [[addDays(to, 7 * i), amount] as const];
    }),
  );

/** Everything from a Monday on later (or, by a negative number, earlier) by so many weeks; what opens in between repeats the week before. */
export function shifted(plan: EndurancePlan, now: Amounts, from: string, by: number, last: string): EndurancePlan {
  const next = new Map<string, number>();
  for (let week = from; week <= last; week = addDays(week, 7)) {
    const source = addDays(week, -7 * by);
    const amount = source < from && by > 0 ? now.get(addDays(from, -7)) : now.get(source);
    if (amount !== undefined) next.set(week, amount);
  }
  return withAmounts(plan, next);
}

/** Numbers as they come from a column or a row of a spreadsheet; null where something is none. */
export function pastedNumbers(text: string): number[] | null {
  const cells = text.trim().split(/[\t\n\r;]+/);
  const numbers = cells.map((c) => Number(c.trim().replace(",", ".")));
  return numbers.every((n) => Number.isFinite(n) && n >= 0) && text.trim() !== "" ? numbers : null;
}

/** An amount as it is typed: the athlete's unit of distance, or hours. */
export const amountNumber = (amount: number, unit: EndurancePlan["unit"], u: Units): number =>
  unit === "minutes" ? roundTo(amount / 60, 2) : roundTo(u.distanceUnit === "mi" ? kmToMi(amount) : amount, 1);

/** The other way. */
export const amountFrom = (typed: number, unit: EndurancePlan["unit"], u: Units): number =>
  unit === "minutes" ? Math.round(typed * 60) : u.distanceUnit === "mi" ? miToKm(typed) : typed;

export const amountUnit = (unit: EndurancePlan["unit"], u: Units): string =>
  unit === "minutes" ? "h" : u.distanceUnit;

/** The plan with a rule: typed amounts from its first week on give way to it. */
export const withRule = (plan: EndurancePlan, rule: AmountRule): EndurancePlan => ({
  ...plan,
  rule,
  weeks: plan.weeks.filter((w) => w.week < rule.from),
});

/**
 * A session of the usual week as it was changed in one week: day, hour, sport, kind and effort; its part of the week grows with its size.
 * @param slot of the session: its week's Monday and its id
 */
export function usuallyAs(
  plan: EndurancePlan,
  slot: string,
  was: EnduranceSession,
  now: EnduranceSession,
): EndurancePlan {
  const id = slot.slice(slot.indexOf("/") + 1);
  const size = (s: EnduranceSession) => (plan.unit === "km" ? (s.distanceKm ?? 0) : s.minutes);
  const times = size(was) > 0 && size(now) > 0 ? size(now) / size(was) : 1;
  const usualWeeks = plan.usualWeeks.map((u) => {
    const s = u.sessions.find((x) => x.id === id);
    if (!s) return u;
    const { start: _, rpe: __, key: ___, ...rest } = s;
    const next: UsualSession = {
      ...rest,
      day: weekday(now.date),
      sport: now.sport,
      kind: now.kind,
      ...(now.start === undefined ? {} : { start: now.start }),
      ...(now.rpe === undefined ? {} : { rpe: now.rpe }),
      ...(now.key === undefined ? {} : { key: now.key }),
      ...(s.minutes === undefined ? {} : { minutes: now.minutes }),
    };
    const changed = withSession(u.sessions, next);
    return {
      ...u,
      sessions: s.share === undefined || s.minutes !== undefined ? changed : withShare(changed, id, s.share * times),
    };
  });
  return { ...plan, usualWeeks };
}
