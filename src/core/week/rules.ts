/** The rules of the week: their figures, and those that must hold. Hours between sessions are from start to start unless said otherwise. */

import type { EnduranceSession } from "../athlete";
import { dayLabel, dayNumber, MINUTES_A_DAY, timeOf } from "../dates";
import { isKey, isLegHeavy, startOf } from "../endurance";
import { fatigueAt, freshness, TIRED, tiredFrom } from "../legs";
import { onceFor } from "../once";
import { numbers, type RuleId } from "../rulebook";
import { type CostRule, DEFAULT_WEIGHTS } from "./numbers";
import type { ExistingSession, Option, WeekContext } from "./types";

/** Minutes over a day's limit at which it weighs in full. */
export const FULLY_OVER = numbers("S10").fullyOver;
/** Demanding days in a row that are well, and the training load from which loaded lower-body work makes a day demanding, AU. */
export const { most: MOST_IN_A_ROW, demanding: DEMANDING_STRESS } = numbers("S11");
export const isDemanding = (s: Pick<ExistingSession, "lowerLoaded" | "stress">): boolean =>
  s.lowerLoaded && s.stress >= DEMANDING_STRESS;

export const startMinute = (o: { day: number; start: number }): number => o.day * MINUTES_A_DAY + o.start;
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

const factsOf = onceFor((endurance: WeekContext["endurance"]): readonly EnduranceFact[] =>
  endurance.map((e): EnduranceFact => {
    const day = dayNumber(e.date);
    const begin = day * MINUTES_A_DAY + startOf(e);
    return {
      session: e,
      day,
      begin,
      end: begin + e.minutes,
      key: isKey(e),
      long: e.kind === "long",
      legHeavy: isLegHeavy(e),
    };
  }),
);

export const enduranceFacts = (c: Pick<WeekContext, "endurance">): readonly EnduranceFact[] => factsOf(c.endurance);

/** Such as "intervals (Tue 07:00)". */
export const what = ({ session: e }: EnduranceFact): string =>
  `${e.kind === "other" ? e.sport : e.kind === "long" ? `long ${e.sport}` : e.kind} (${dayLabel(e.date).slice(0, 3)} ${timeOf(startOf(e))})`;

export interface Block {
  rule: RuleId;
  text: string;
}

/** M4 for one option: no overlap, and 3 h between leg-heavy endurance and loaded lower-body work either way. */
export function blockedByEndurance(o: Option, c: WeekContext): Block | null {
  const [from, to] = [startMinute(o), startMinute(o) + o.minutes];
  for (const e of enduranceFacts(c)) {
    if (from < e.end && e.begin < to) return { rule: "M4", text: `it would overlap with ${what(e)}` };
    if (!o.lowerLoaded || !e.legHeavy) continue;
    const gap = e.begin >= to ? e.begin - to : from - e.end;
    if (gap < c.numbers.legHeavyGap * 60)
      return { rule: "M4", text: `only ${hours(gap)} from ${what(e)}; ${c.numbers.legHeavyGap} are needed` };
  }
  return null;
}

/** Why jumps may not stand at an option's hour: within 24 h after a hard or long session, or on tired legs; null where they may. */
export function jumpsTooSoon(o: Option, c: WeekContext): string | null {
  for (const e of enduranceFacts(c)) {
    const since = startMinute(o) - e.end;
    if ((e.key || e.long) && since >= 0 && since < c.numbers.jumpsAfterHard * 60)
      return `only ${hours(since)} after ${what(e)}; ${c.numbers.jumpsAfterHard} are needed`;
  }
  const fatigue = fatigueAt(c.legs.legEvents, startMinute(o));
  return fatigue > tiredFrom(c.legs.meanDaily) ? tired(fatigue, c) : null;
}

const withJumps = (because: string): Block => ({ rule: "M7", text: `it holds jumps: ${because}` });

/** M7 against the endurance work and what stands. */
export function blockedByJumps(o: Option, c: WeekContext): Block | null {
  const because = o.jumps ? jumpsTooSoon(o, c) : null;
  return because === null ? null : withJumps(because);
}

/** Why jumps may not stand beside the other sessions placed: those have made the legs tired. */
export function tiredForJumps(o: Option, all: readonly Option[], c: WeekContext): string | null {
  const fatigue = fatigueAt([...c.legs.legEvents, ...all.map(legEventOf)], startMinute(o));
  return fatigue > tiredFrom(c.legs.meanDaily) ? tired(fatigue, c) : null;
}

/** M7 beside the other sessions placed. */
export function blockedByTiredLegs(all: readonly Option[], c: WeekContext): Block | null {
  for (const o of all) {
    const because = o.jumps ? tiredForJumps(o, all, c) : null;
    if (because !== null) return withJumps(because);
  }
  return null;
}

const tired = (fatigue: number, c: WeekContext): string =>
  `the legs count as tired (${Math.floor(freshness(fatigue, c.legs.meanDaily))} of 100, ${TIRED} is the limit)`;

/** What a placed session puts on the legs. */
export const legEventOf = (o: Option): { end: number; parts: Option["legs"] } => ({
  end: startMinute(o) + o.minutes,
  parts: o.legs,
});

/** M3, and one strength session a day: whether two sessions must not both stand. */
export const keptApart = (a: ExistingSession, b: ExistingSession, c: Pick<WeekContext, "numbers">): boolean =>
  a.day === b.day ||
  (a.lowerLoaded && b.lowerLoaded && Math.abs(startMinute(a) - startMinute(b)) < c.numbers.betweenLoaded * 60);

/** The same with the reason. */
export function blockedByOther(a: ExistingSession, b: ExistingSession, c: Pick<WeekContext, "numbers">): Block | null {
  if (!keptApart(a, b, c)) return null;
  if (a.day === b.day) return { rule: "M3", text: "there is a strength session on that day already" };
  const gap = Math.abs(startMinute(a) - startMinute(b));
  return { rule: "M3", text: `only ${hours(gap)} from another loaded session; ${c.numbers.betweenLoaded} are needed` };
}

/** What keeps an option out whatever else is placed: endurance (M4), jumps (M7), or a session that stands already (M3). */
export function blockedHere(o: Option, c: WeekContext): Block | null {
  const block = blockedByEndurance(o, c) ?? blockedByJumps(o, c);
  if (block) return block;
  for (const s of c.existing) {
    const other = blockedByOther(o, s, c);
    if (other) return other;
  }
  return null;
}

/** What costs more than its points: lost work that stands beside the leads comes on top of theirs. */
const WITHOUT_LIMIT: readonly CostRule[] = ["work.lost"];

/** @param severity from 0, 1 for the rule's points */
export const points = (c: WeekContext, rule: CostRule, severity: number): number => {
  const most = WITHOUT_LIMIT.includes(rule) ? Number.POSITIVE_INFINITY : 1;
  return Math.round((c.weights[rule] ?? DEFAULT_WEIGHTS[rule]) * Math.min(most, Math.max(0, severity)));
};
