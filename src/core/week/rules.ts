/** Must-hold and should-hold rules of the week (handbook 12). Hours between sessions are from start to start unless said otherwise. */
import type { EnduranceSession } from "../athlete/types";
import { dayLabel, dayNumber, timeOf } from "../dates";
import { LABEL_WORDS } from "../dose/layered";
import { isKey, isLegHeavy, startOf } from "../endurance/load";
import type { Cost, Option, Standing, WeekContext } from "./types";

/** Points at full severity [trade]; the athlete's settings may change each. */
export const DEFAULT_WEIGHTS: Readonly<Record<string, number>> = {
  S1: 12,
  S2: 10,
  S3: 6,
  S4: 6,
  S5: 8,
  S13: 6,
  whole: 12,
  thin: 40,
};

/** Hours, all [trade]. */
export const HOURS = { betweenLoaded: 24, legHeavyGap: 3, heavyTarget: 48, beforeKey: 24, beforeLong: 36, sameDay: 6 };

const DAY = 1440;
export const at = (o: { day: number; start: number }): number => o.day * DAY + o.start;
const enduranceAt = (e: EnduranceSession): number => dayNumber(e.date) * DAY + startOf(e);
const hours = (minutes: number): string => {
  const h = Math.round((minutes / 60) * 10) / 10;
  return `${h} hour${h === 1 ? "" : "s"}`;
};
const what = (e: EnduranceSession): string =>
  `${e.kind === "other" ? e.sport : e.kind === "long" ? `long ${e.sport}` : e.kind} (${dayLabel(e.date).slice(0, 3)} ${timeOf(startOf(e))})`;

export interface Block {
  rule: string;
  text: string;
}

/** M4 for one option: no overlap, and 3 h between leg-heavy endurance and loaded lower-body work either way. */
export function blockedByEndurance(o: Option, c: WeekContext): Block | null {
  const [from, to] = [at(o), at(o) + o.minutes];
  for (const e of c.endurance) {
    const begin = enduranceAt(e);
    const end = begin + e.minutes;
    if (from < end && begin < to) return { rule: "M4", text: `it would overlap with ${what(e)}` };
    if (!o.lowerLoaded || !isLegHeavy(e)) continue;
    const gap = begin >= to ? begin - to : from - end;
    if (gap < HOURS.legHeavyGap * 60)
      return { rule: "M4", text: `only ${hours(gap)} from ${what(e)}; ${HOURS.legHeavyGap} are needed` };
  }
  return null;
}

/** M3, and one strength session a day. */
export function blockedByOther(a: Standing, b: Standing): Block | null {
  if (a.day === b.day) return { rule: "M3", text: "there is a strength session on that day already" };
  if (!a.lowerLoaded || !b.lowerLoaded) return null;
  const gap = Math.abs(at(a) - at(b));
  return gap < HOURS.betweenLoaded * 60
    ? { rule: "M3", text: `only ${hours(gap)} from another loaded session; ${HOURS.betweenLoaded} are needed` }
    : null;
}

/** What keeps an option out whatever else is placed: endurance (M4), or a session that stands already (M3). */
export function blockedHere(o: Option, c: WeekContext): Block | null {
  const block = blockedByEndurance(o, c);
  if (block) return block;
  for (const s of c.standing) {
    const other = blockedByOther(o, s);
    if (other) return other;
  }
  return null;
}

const points = (c: WeekContext, rule: string, severity: number): number =>
  Math.round((c.weights[rule] ?? DEFAULT_WEIGHTS[rule] ?? 0) * Math.min(1, Math.max(0, severity)));

/** What one option costs by itself, against the endurance work and what stands already. */
export function ownCosts(o: Option, c: WeekContext): Cost[] {
  const costs: Cost[] = [];
  const name = LABEL_WORDS[o.label];
  const add = (rule: string, severity: number, text: string) => {
    const p = points(c, rule, severity);
    if (p > 0) costs.push({ rule, points: p, text });
  };
  const begin = at(o);
  if (o.lostShare > 0)
    add(
      "whole",
      o.lostShare,
      `${name} loses ${Math.round(o.lostShare * 100)}% of its sets in a window of this length.`,
    );
  if (o.unloaded) add("whole", 0.6, `${name} has nothing to load with at ${o.place}.`);
  if (o.thin) add("thin", 1, `${name} has no time for the hard sets that hold strength in a race-phase week.`);
  if (o.heavy && o.softRaces.length > 0) add("S13", 1, `${name} is heavy close to ${o.softRaces.join(" and ")}.`);
  if (!o.mobility) {
    for (const e of c.endurance) {
      const ahead = enduranceAt(e) - begin;
      if (o.heavy && ahead > 0) {
        if (e.kind === "long" && ahead < HOURS.beforeLong * 60)
          add("S2", 1, `${name} is heavy ${hours(ahead)} before ${what(e)}; ${HOURS.beforeLong} is the target.`);
        else if (isKey(e) && ahead < HOURS.beforeKey * 60)
          add("S2", 1, `${name} is heavy ${hours(ahead)} before ${what(e)}; ${HOURS.beforeKey} is the target.`);
      }
      if (dayNumber(e.date) !== o.day) continue;
      const gap = Math.abs(ahead);
      if (isKey(e) && ahead > 0)
        add("S3", 1, `${name} comes before ${what(e)} on the same day; the key session goes first.`);
      if (gap < HOURS.sameDay * 60)
        add(
          "S4",
          1 - gap / (HOURS.sameDay * 60),
          `${name} starts ${hours(gap)} from ${what(e)}; ${HOURS.sameDay} is the target.`,
        );
    }
    if (o.lowerLoaded && c.hasKey) {
      const onKey = c.keyDays.has(o.day);
      if (c.placement === "stack" && !onKey)
        add("S5", 1, `${name} is on a day without a key session; hard days are to be hard, easy days easy.`);
      if (c.placement === "spread" && onKey)
        add("S5", 1, `${name} is on a key session's day; strength is to be spread over easy days.`);
    }
  }
  for (const s of c.standing) costs.push(...pairCosts(o, s, c));
  return costs;
}

/** What two sessions cost together. */
export function pairCosts(
  a: Standing & { label?: Option["label"] },
  b: Standing & { label?: Option["label"] },
  c: WeekContext,
): Cost[] {
  if (!a.heavy || !b.heavy) return [];
  const gap = Math.abs(at(a) - at(b));
  const short = HOURS.heavyTarget * 60 - gap;
  if (short <= 0) return [];
  const p = points(c, "S1", 0.5 + (0.5 * short) / ((HOURS.heavyTarget - HOURS.betweenLoaded) * 60));
  const names = [a.label, b.label].map((l) => (l ? LABEL_WORDS[l] : "the session before"));
  return p > 0
    ? [
        {
          rule: "S1",
          points: p,
          text: `${names[0]} and ${names[1]} are both heavy, ${hours(gap)} apart; ${HOURS.heavyTarget} is the target.`,
        },
      ]
    : [];
}
