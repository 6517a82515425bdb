/** What the rules that should hold charge: one session by itself, and two together. */
import { LABEL_WORDS, placeName } from "../athlete";
import { weekdayName } from "../dates";
import type { CostRule } from "./numbers";
import { type EnduranceFact, enduranceFacts, FULLY_OVER, hours, isDemanding, points, startMinute, what } from "./rules";
import type { Cost, ExistingSession, Option, WeekContext } from "./types";

/** Takes what a rule charges; the sentence is made only where it is read. */
type Charge = (rule: CostRule, severity: number, text: () => string) => void;

/** What one option costs by itself, against the endurance work and what stands already. */
export function ownCosts(o: Option, c: WeekContext): Cost[] {
  const costs: Cost[] = [];
  chargeOwn(o, c, (rule, severity, text) => {
    const p = points(c, rule, severity);
    if (p > 0) costs.push({ rule, points: p, text: text() });
  });
  for (const s of c.existing) costs.push(...pairCosts(o, s, c));
  return costs;
}

/** The same in points alone. */
export function ownPoints(o: Option, c: WeekContext): number {
  let sum = 0;
  chargeOwn(o, c, (rule, severity) => {
    sum += points(c, rule, severity);
  });
  for (const s of c.existing) sum += pairPoints(o, s, c);
  return sum;
}

/** Whether any of these rules charges an option against the endurance work. */
export function chargesOwn(o: Option, c: WeekContext, rules: readonly CostRule[]): boolean {
  let any = false;
  chargeOwn(o, c, (rule, severity) => {
    any ||= rules.includes(rule) && points(c, rule, severity) > 0;
  });
  return any;
}

function chargeOwn(o: Option, c: WeekContext, add: Charge): void {
  const name = LABEL_WORDS[o.label];
  if (o.lostShare > 0) add("work.lost", o.lostShare, () => `${name} at ${placeName(o.place)} finds ${o.lostWords}.`);
  if (o.belowMinimumHold)
    add("hold.minimum", 1, () => `${name} has no time for the hard sets that hold strength in a race-phase week.`);
  if (o.heavy && o.softRaces.length > 0) add("S13", 1, () => `${name} is heavy close to ${o.softRaces.join(" and ")}.`);
  if (o.mobility) return;
  for (const e of enduranceFacts(c)) chargeBeside(o, e, c, name, add);
  chargeDay(o, c, name, add);
  if (isDemanding(o) && c.hasKey) {
    const onKey = c.keyDays.has(o.day);
    if (c.placement === "stack" && !onKey)
      add("S5", 1, () => `${name} is on a day without a key session; hard days are to be hard, easy days easy.`);
    if (c.placement === "spread" && onKey)
      add("S5", 1, () => `${name} is on a key session's day; strength is to be spread over easy days.`);
  }
}

/** S2, S3, S4, S14: one endurance session. */
function chargeBeside(o: Option, e: EnduranceFact, c: WeekContext, name: string, add: Charge): void {
  const ahead = e.begin - startMinute(o);
  const before = e.long ? c.numbers.beforeLong : e.key ? c.numbers.beforeKey : 0;
  if (o.heavy && ahead > 0 && ahead < before * 60)
    add("S2", 1, () => `${name} is heavy ${hours(ahead)} before ${what(e)}; ${before} is the target.`);
  if (e.day !== o.day) return;
  const gap = Math.abs(ahead);
  if (!e.legHeavy && gap < c.numbers.fromOther * 60)
    add(
      "S14",
      1 - gap / (c.numbers.fromOther * 60),
      () =>
        `${name} starts ${hours(gap)} from ${what(e)}; ${c.numbers.fromOther} are wanted from any endurance session.`,
    );
  if (e.key && ahead > 0)
    add("S3", 1, () => `${name} comes before ${what(e)} on the same day; the key session goes first.`);
  if (gap < c.numbers.sameDay * 60)
    add(
      "S4",
      1 - gap / (c.numbers.sameDay * 60),
      () => `${name} starts ${hours(gap)} from ${what(e)}; ${c.numbers.sameDay} is the target.`,
    );
}

/** S7, S8, S10: the day itself. */
function chargeDay(o: Option, c: WeekContext, name: string, add: Charge): void {
  const weekday = o.day - c.monday + 1;
  const on = weekdayName(weekday);
  if (c.preferredDays.size > 0 && !c.preferredDays.has(weekday))
    add(
      "S7",
      1,
      () => `${name} is on ${on}; preferred are ${[...c.preferredDays].sort().map(weekdayName).join(", ")}.`,
    );
  const last = c.lastDays.get(o.label);
  if (last !== undefined && last !== weekday)
    add("S8", 1, () => `${name} is on ${on}; last week it was on ${weekdayName(last)}.`);
  if (c.dailyMinutes === null) return;
  let day = o.minutes;
  for (const e of enduranceFacts(c)) if (e.day === o.day) day += e.session.minutes;
  if (day > c.dailyMinutes)
    add(
      "S10",
      (day - c.dailyMinutes) / FULLY_OVER,
      () => `${name} brings ${on} to ${Math.round(day)} min of training; ${c.dailyMinutes} is the limit.`,
    );
}

/** Either a session of this week, or one that stands already and has no label. */
type Either = ExistingSession & { label?: Option["label"]; mobility?: boolean };

/** What two sessions cost together, in points alone. */
export const pairPoints = (a: Either, b: Either, c: WeekContext): number =>
  spacingPoints(a, b, c) + heavyPoints(a, b, c);

/** What two sessions cost together. */
export function pairCosts(a: Either, b: Either, c: WeekContext): Cost[] {
  const out: Cost[] = [];
  const names = [a.label, b.label].map((l) => (l ? LABEL_WORDS[l] : "the session before"));
  const spacing = spacingPoints(a, b, c);
  if (spacing > 0) {
    const { gap, round, even } = daysApart(a, b, c);
    out.push({
      rule: "S9",
      points: spacing,
      text: `${names[0]} and ${names[1]} are ${gap} day${gap === 1 ? "" : "s"} apart${round ? " as the week comes round" : ""}; evenly spaced it would be ${even}.`,
    });
  }
  const heavy = heavyPoints(a, b, c);
  if (heavy > 0)
    out.push({
      rule: "S1",
      points: heavy,
      text: `${names[0]} and ${names[1]} are both heavy, ${hours(Math.abs(startMinute(a) - startMinute(b)))} apart; ${c.numbers.heavyTarget} is the target.`,
    });
  return out;
}

/** Days between two sessions, seen as the week comes round again, and what seven days shared out evenly would be. */
function daysApart(a: Either, b: Either, c: WeekContext): { gap: number; round: boolean; even: number } {
  const apart = Math.abs(a.day - b.day);
  const gap = Math.min(apart, 7 - apart);
  return { gap, round: gap < apart, even: Math.floor(7 / Math.max(2, c.perWeek)) };
}

/** S9, for two sessions of one week; what stands from the week before is held apart by S1 and M3. */
function spacingPoints(a: Either, b: Either, c: WeekContext): number {
  if (!a.label || !b.label || a.mobility || b.mobility) return 0;
  const { gap, even } = daysApart(a, b, c);
  return gap >= even ? 0 : points(c, "S9", (even - gap) / even);
}

/** S1. */
function heavyPoints(a: Either, b: Either, c: WeekContext): number {
  if (!a.heavy || !b.heavy) return 0;
  const short = c.numbers.heavyTarget * 60 - Math.abs(startMinute(a) - startMinute(b));
  return short <= 0
    ? 0
    : points(c, "S1", 0.5 + (0.5 * short) / ((c.numbers.heavyTarget - c.numbers.betweenLoaded) * 60));
}
