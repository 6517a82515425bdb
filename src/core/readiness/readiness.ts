/** What an athlete says before a session, and what it changes today (rule readiness.day). No answer changes nothing, and no answer is a diagnosis. */
import { AREA_WORDS, type Athlete, type CheckIn } from "../athlete";
import { addDays, type IsoDate } from "../dates";
import { numbers, type RuleValues, type Why, why } from "../rulebook";

export interface Readiness {
  /** The session as a whole: as planned, with a third fewer sets, light, or none. */
  session: "as-planned" | "fewer" | "light" | "none";
  /** Pain that takes the easier step of what it touches, and pain that takes all of it out. */
  easier: NonNullable<CheckIn["pain"]>;
  out: NonNullable<CheckIn["pain"]>;
  why: Why[];
}

/** @returns what the answers ask for; ordinary ones, and none, ask for nothing */
export function readinessOf(c: CheckIn, own?: RuleValues): Readiness {
  const { sleep, soreness, feeling, easierFrom, outOver } = numbers("readiness.day", own);
  const reasons: Why[] = [];
  const short = c.sleepH !== undefined && c.sleepH < sleep;
  const sore = c.soreness !== undefined && c.soreness >= soreness;
  const low = c.feeling !== undefined && c.feeling <= feeling;
  let session: Readiness["session"] = "as-planned";
  if (c.ill) {
    session = "none";
    reasons.push(why("readiness.day", "ill"));
  } else if (low || (short && sore)) {
    session = "light";
    reasons.push(low ? why("readiness.day", "low") : why("readiness.day", "both", { sleep, soreness }));
  } else if (short || sore) {
    session = "fewer";
    reasons.push(short ? why("readiness.day", "short", sleep) : why("readiness.day", "sore", soreness));
  }
  const pains = c.pain ?? [];
  const out = pains.filter((p) => p.level > outOver);
  const easier = pains.filter((p) => p.level >= easierFrom && p.level <= outOver);
  for (const p of out) reasons.push(why("readiness.day", "out", { area: AREA_WORDS[p.area], level: p.level }));
  for (const p of easier) reasons.push(why("readiness.day", "easier", { area: AREA_WORDS[p.area], level: p.level }));
  return { session, easier, out, why: reasons };
}

/** Whether a rule spoke on the day. */
export const isPoor = (c: CheckIn, own?: RuleValues): boolean => readinessOf(c, own).why.length > 0;

const checkInOn = (athlete: Pick<Athlete, "checkIns">, on: IsoDate): CheckIn | undefined =>
  athlete.checkIns?.find((c) => c.date === on);

/** What the day's answers change in the plan: only what was shown and taken; null where nothing. */
export function takenOn(athlete: Pick<Athlete, "checkIns" | "settings">, on: IsoDate): Readiness | null {
  const c = checkInOn(athlete, on);
  if (!c?.taken) return null;
  const r = readinessOf(c, athlete.settings?.ruleValues);
  return r.why.length > 0 ? r : null;
}

/** What was said between two days, and what of it was not ordinary. */
export function saidBetween(
  { checkIns = [], settings }: Pick<Athlete, "checkIns" | "settings">,
  from: IsoDate,
  to: IsoDate,
): { said: CheckIn[]; poor: CheckIn[] } {
  const said = checkIns.filter((c) => c.date >= from && c.date <= to);
  return { said, poor: said.filter((c) => isPoor(c, settings?.ruleValues)) };
}

/** Poor days among the last seven up to a day; null where they are too few for the coach to be told. */
export function poorDays(athlete: Pick<Athlete, "checkIns" | "settings">, on: IsoDate): Why | null {
  const own = athlete.settings?.ruleValues;
  const { poorOf, days } = numbers("readiness.day", own);
  const { poor } = saidBetween(athlete, addDays(on, 1 - days), on);
  if (poor.length < poorOf) return null;
  const first = readinessOf(poor[poor.length - 1] as CheckIn, own).why[0]?.text ?? "";
  return why("readiness.day", "attention", { poor: poor.length, days, last: first });
}
