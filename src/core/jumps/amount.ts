/** How much jumping a week holds: a step up each week that it was done without pain (rule jumps.amount). */
import { type LoggedItem, lengthOf, type StrengthLog } from "../athlete";
import { dayNumber, daysBetween, type IsoDate, MINUTES_A_DAY, mondayOf } from "../dates";
import type { Exercise, Library } from "../exercise";
import { numbers, type Why, why } from "../rulebook";

/** How far one kind of it has come. */
export interface Reached {
  /** Step on its ladder, from 0. */
  step: number;
  /** Monday of the last week that held it. */
  week: IsoDate;
  /** It hurt, then or the morning after. */
  hurt: boolean;
}

/** What the weeks before leave to the jumps of the next. */
export interface JumpState {
  hops: Reached | null;
  jumps: Reached | null;
  /** The last session that held any: minute from day 0, and whether it held more than hops. */
  last: { minute: number; lands: boolean } | null;
}

export const NO_JUMPS: JumpState = { hops: null, jumps: null, last: null };

const AMOUNT = numbers("jumps.amount");
/** Seconds of hops a session by step, and contacts of jumps. */
export const HOP_SECONDS: readonly number[] = Object.values(AMOUNT.hops);
export const CONTACTS: readonly number[] = Object.values(AMOUNT.contacts);
/** Landings of a repetition; on one leg each counts two. */
export const landings = (exercise: string): number => (exercise === "bounds" ? 2 : 1);

/** Sets and seconds of hops at a step: ten seconds a set until there are five, then longer ones. */
export function hopSets(step: number): { sets: number; seconds: number } {
  const total = HOP_SECONDS[Math.min(step, HOP_SECONDS.length - 1)] ?? 0;
  const { setLeast, setMost, setsMost } = AMOUNT;
  const short = total / setLeast;
  return short <= setsMost ? { sets: short, seconds: setLeast } : { sets: total / setMost, seconds: setMost };
}

/** Contacts as sets of equal repetitions, as many a set as that allows. */
export function contactSets(contacts: number): { sets: number; reps: number } {
  const within = Math.min(contacts, AMOUNT.contactsMost);
  let reps = AMOUNT.reps;
  while (reps > 1 && within % reps !== 0) reps -= 1;
  return { sets: within / reps, reps };
}

/** Step of the most that is no more than an amount; -1 where it is under the first. */
const stepOf = (ladder: readonly number[], amount: number): number => ladder.findLastIndex((n) => n <= amount);

const hurtBy = (i: LoggedItem): boolean => (i.pain ?? 0) > 0 || (i.nextDayPain ?? 0) > 0;

/** How far the log says the jumps have come: the best session of the last six weeks, and how the last one went. */
export function jumpsLogged(log: readonly StrengthLog[], library: Library, from: IsoDate): JumpState {
  const read = (ladder: readonly number[], timed: boolean): Reached | null => {
    let best = -1;
    let last: { date: IsoDate; hurt: boolean } | null = null;
    for (const { date, items } of log) {
      if (date >= from || daysBetween(date, from) > AMOUNT.readBack) continue;
      const jumps = items.filter((i) => {
        const e = library.byId(i.exercise);
        return e?.pattern === "jump" && (e.unit === "seconds") === timed && i.sets.length > 0;
      });
      if (jumps.length === 0) continue;
      const amount = jumps.reduce(
        (a, i) => a + i.sets.reduce((n, s) => n + (timed ? (s.seconds ?? 0) : (s.reps ?? 0) * landings(i.exercise)), 0),
        0,
      );
      best = Math.max(best, stepOf(ladder, amount));
      const hurt = jumps.some(hurtBy);
      if (!last || date >= last.date) last = { date, hurt };
    }
    return last ? { step: Math.max(0, best), week: mondayOf(last.date), hurt: last.hurt } : null;
  };
  return { hops: read(HOP_SECONDS, true), jumps: read(CONTACTS, false), last: lastOf(log, library, from) };
}

function lastOf(log: readonly StrengthLog[], library: Library, from: IsoDate): JumpState["last"] {
  let last: JumpState["last"] = null;
  for (const s of log) {
    const jumps = s.items.flatMap((i) => library.byId(i.exercise) ?? []).filter((e) => e.pattern === "jump");
    const minute = dayNumber(s.date) * MINUTES_A_DAY + lengthOf(s).start;
    if (s.date < from && jumps.length > 0 && minute > (last?.minute ?? 0))
      last = { minute, lands: holdsLandings(jumps.map((exercise) => ({ exercise }))) };
  }
  return last;
}

/** Whether any of it is more than hops. */
export const holdsLandings = (items: readonly { exercise: Pick<Exercise, "pattern" | "unit"> }[]): boolean =>
  items.some((i) => i.exercise.pattern === "jump" && i.exercise.unit === "reps");

export interface Step {
  step: number;
  why: Why | null;
}

/**
 * The step a week stands at.
 * @param held why nothing may go up this week; null where it may
 */
export function stepFor(reached: Reached | null, steps: number, monday: IsoDate, held: string | null): Step {
  if (!reached) return { step: 0, why: null };
  const weeks = Math.round(daysBetween(reached.week, monday) / 7);
  if (weeks <= 0) return { step: reached.step, why: null };
  if (reached.hurt) return { step: Math.max(0, reached.step - 1), why: why("jumps.amount", "sore") };
  const without = weeks - 1;
  if (without > AMOUNT.kept)
    return { step: Math.max(0, reached.step - (without - AMOUNT.kept)), why: why("jumps.amount", "back", without) };
  if (held !== null) return { step: reached.step, why: why("jumps.amount", "same", held) };
  return { step: Math.min(steps - 1, reached.step + 1), why: null };
}

/** Hops have come far enough, without pain, in a week before this one. */
export const jumpsOpen = ({ hops }: JumpState, monday: IsoDate): boolean =>
  hops !== null && !hops.hurt && hops.week < monday && (HOP_SECONDS[hops.step] ?? 0) >= AMOUNT.opens;
