/** The rules of the week (handbook 12): their figures, and those that must hold. Hours between sessions are from start to start unless said otherwise. */
import type { EnduranceSession } from "../athlete/types";
import { dayLabel, dayNumber, timeOf } from "../dates";
import { isKey, isLegHeavy, startOf } from "../endurance/load";
import { fatigueAt, freshness, TIRED, tiredFrom } from "../legs/freshness";
import type { Option, Standing, WeekContext } from "./types";

/** Points at full severity [trade]; the athlete's settings may change each. */
export const DEFAULT_WEIGHTS: Readonly<Record<string, number>> = {
  S1: 12,
  S2: 10,
  S3: 6,
  S4: 6,
  S5: 8,
  S6: 6,
  S7: 5,
  S8: 3,
  S9: 4,
  S10: 8,
  S11: 5,
  S12: 8,
  S13: 6,
  S14: 4,
  whole: 12,
  thin: 40,
};

/** Hours, all [trade]. */
export const HOURS = {
  betweenLoaded: 24,
  legHeavyGap: 3,
  heavyTarget: 48,
  beforeKey: 24,
  beforeLong: 36,
  sameDay: 6,
  fromOther: 3,
  jumpsAfterHard: 24,
};
/** Minutes over a day's limit at which it weighs in full [house]. */
export const FULLY_OVER = 30;
/** Planned stress from which loaded lower-body work makes a day demanding, AU [house]; light and restoring sessions lie below. */
export const DEMANDING_STRESS = 150;
export const isDemanding = (s: Pick<Standing, "lowerLoaded" | "stress">): boolean =>
  s.lowerLoaded && s.stress >= DEMANDING_STRESS;
/** Demanding days in a row that are well. */
export const MOST_IN_A_ROW = 2;

const DAY = 1440;
export const at = (o: { day: number; start: number }): number => o.day * DAY + o.start;
export const hours = (minutes: number): string => {
  const h = Math.round((minutes / 60) * 10) / 10;
  return `${h} hour${h === 1 ? "" : "s"}`;
};

/** An endurance session as the rules see it. */
export interface EnduranceFact {
  session: EnduranceSession;
  day: number;
  /** Minutes, as those of `at`. */
  begin: number;
  end: number;
  key: boolean;
  long: boolean;
  legHeavy: boolean;
}

const factsKnown = new WeakMap<WeekContext["endurance"], readonly EnduranceFact[]>();

/** Made once for as long as the list lives. */
export function enduranceFacts(c: Pick<WeekContext, "endurance">): readonly EnduranceFact[] {
  const known = factsKnown.get(c.endurance);
  if (known) return known;
  const made = c.endurance.map((e): EnduranceFact => {
    const day = dayNumber(e.date);
    const begin = day * DAY + startOf(e);
    return {
      session: e,
      day,
      begin,
      end: begin + e.minutes,
      key: isKey(e),
      long: e.kind === "long",
      legHeavy: isLegHeavy(e),
    };
  });
  factsKnown.set(c.endurance, made);
  return made;
}

/** Such as "intervals (Tue 07:00)". */
export const what = ({ session: e }: EnduranceFact): string =>
  `${e.kind === "other" ? e.sport : e.kind === "long" ? `long ${e.sport}` : e.kind} (${dayLabel(e.date).slice(0, 3)} ${timeOf(startOf(e))})`;

export interface Block {
  rule: string;
  text: string;
}

/** M4 for one option: no overlap, and 3 h between leg-heavy endurance and loaded lower-body work either way. */
export function blockedByEndurance(o: Option, c: WeekContext): Block | null {
  const [from, to] = [at(o), at(o) + o.minutes];
  for (const e of enduranceFacts(c)) {
    if (from < e.end && e.begin < to) return { rule: "M4", text: `it would overlap with ${what(e)}` };
    if (!o.lowerLoaded || !e.legHeavy) continue;
    const gap = e.begin >= to ? e.begin - to : from - e.end;
    if (gap < HOURS.legHeavyGap * 60)
      return { rule: "M4", text: `only ${hours(gap)} from ${what(e)}; ${HOURS.legHeavyGap} are needed` };
  }
  return null;
}

/** M7 against the endurance work and what stands: no jumps within 24 h after a hard or long session, or on tired legs. */
export function blockedByJumps(o: Option, c: WeekContext): Block | null {
  if (!o.jumps) return null;
  for (const e of enduranceFacts(c)) {
    const since = at(o) - e.end;
    if ((e.key || e.long) && since >= 0 && since < HOURS.jumpsAfterHard * 60)
      return {
        rule: "M7",
        text: `it holds jumps, only ${hours(since)} after ${what(e)}; ${HOURS.jumpsAfterHard} are needed`,
      };
  }
  const fatigue = fatigueAt(c.legs.bouts, at(o));
  return fatigue > tiredFrom(c.legs.meanDaily) ? tiredForJumps(fatigue, c) : null;
}

/** M7 beside the other sessions placed: whether jumps stand on legs that they have made tired. */
export function blockedByTiredLegs(all: readonly Option[], c: WeekContext): Block | null {
  for (const o of all) {
    if (!o.jumps) continue;
    const fatigue = fatigueAt([...c.legs.bouts, ...all.map(boutOf)], at(o));
    if (fatigue > tiredFrom(c.legs.meanDaily)) return tiredForJumps(fatigue, c);
  }
  return null;
}

const tiredForJumps = (fatigue: number, c: WeekContext): Block => ({
  rule: "M7",
  text: `it holds jumps, and the legs count as tired (${Math.floor(freshness(fatigue, c.legs.meanDaily))} of 100, ${TIRED} is the limit)`,
});

/** What a placed session puts on the legs. */
export const boutOf = (o: Option): { end: number; parts: Option["legs"] } => ({
  end: at(o) + o.minutes,
  parts: o.legs,
});

/** M3, and one strength session a day: whether two sessions must not both stand. */
export const keptApart = (a: Standing, b: Standing): boolean =>
  a.day === b.day || (a.lowerLoaded && b.lowerLoaded && Math.abs(at(a) - at(b)) < HOURS.betweenLoaded * 60);

/** The same with the reason. */
export function blockedByOther(a: Standing, b: Standing): Block | null {
  if (!keptApart(a, b)) return null;
  if (a.day === b.day) return { rule: "M3", text: "there is a strength session on that day already" };
  const gap = Math.abs(at(a) - at(b));
  return { rule: "M3", text: `only ${hours(gap)} from another loaded session; ${HOURS.betweenLoaded} are needed` };
}

/** What keeps an option out whatever else is placed: endurance (M4), jumps (M7), or a session that stands already (M3). */
export function blockedHere(o: Option, c: WeekContext): Block | null {
  const block = blockedByEndurance(o, c) ?? blockedByJumps(o, c);
  if (block) return block;
  for (const s of c.standing) {
    const other = blockedByOther(o, s);
    if (other) return other;
  }
  return null;
}

export const points = (c: WeekContext, rule: string, severity: number): number =>
  Math.round((c.weights[rule] ?? DEFAULT_WEIGHTS[rule] ?? 0) * Math.min(1, Math.max(0, severity)));
