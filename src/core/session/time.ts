/** Pairs and time of a session (handbook 17). */
import type { WarmUpSet } from "../dose/warmup";
import { WARM_UP_SECONDS } from "../dose/warmup";
import type { Exercise, Loading } from "../exercise/types";
import type { Item, TimeParts } from "./types";

/** Minutes of opening, and seconds between exercises [trade]. */
export const OPENING_SECONDS = 300;
export const CHANGE_SECONDS = 75;

type Worked = Pick<Item, "exercise" | "sets" | "reps" | "seconds" | "eachSide" | "restSeconds">;

/** @returns seconds one set takes, both sides */
export const setSeconds = (i: Worked): number =>
  (i.seconds ?? (i.reps ?? 0) * i.exercise.secondsPerRep) * (i.eachSide ? 2 : 1);

const FIXED: readonly Loading[] = ["bar", "machine"];

/** Whether one exercise may be done while the other rests: no shared primary muscle, grip, trunk, or second station. */
export function compatible(
  a: { exercise: Exercise; loading: Loading },
  b: { exercise: Exercise; loading: Loading },
): boolean {
  const [x, y] = [a.exercise, b.exercise];
  if (x.primary.some((m) => y.primary.includes(m))) return false;
  if (x.limits.some((l) => y.limits.includes(l))) return false;
  return !(FIXED.includes(a.loading) && FIXED.includes(b.loading));
}

/**
 * Labels the items 1A, 1B, 2A ... in place order, each taking the first later item that does not compete with it.
 * @returns the items, partners side by side
 */
export function pairUp<T extends { exercise: Exercise; loading: Loading; pair: string }>(items: readonly T[]): T[] {
  const left = [...items];
  const out: T[] = [];
  for (let n = 1; left.length > 0; n++) {
    const first = left.shift();
    if (!first) break;
    const at = left.findIndex((other) => compatible(first, other));
    const partner = at >= 0 ? left.splice(at, 1)[0] : undefined;
    out.push({ ...first, pair: partner ? `${n}A` : `${n}` });
    if (partner) out.push({ ...partner, pair: `${n}B` });
  }
  return out;
}

/** @returns seconds by kind; a rest is counted after every set, the part of it that a partner fills is marked */
export function timeOfSession(items: readonly Item[], warmUp: readonly WarmUpSet[]): TimeParts {
  const t: TimeParts = {
    opening: OPENING_SECONDS,
    warmUp: warmUp.length * WARM_UP_SECONDS,
    work: 0,
    filledRest: 0,
    emptyRest: 0,
    change: 0,
  };
  for (let i = 0; i < items.length; i++) {
    const a = items[i];
    if (!a) continue;
    const next = items[i + 1];
    const b = a.pair.endsWith("A") && next?.pair.endsWith("B") ? next : null;
    t.change += CHANGE_SECONDS * (b ? 2 : 1);
    if (b) i++;
    const rounds = Math.max(a.sets, b?.sets ?? 0);
    for (let r = 0; r < rounds; r++) {
      const one = r < a.sets ? a : null;
      const two = b && r < b.sets ? b : null;
      const [wa, wb] = [one ? setSeconds(one) : 0, two ? setSeconds(two) : 0];
      const needA = one ? one.restSeconds - wb : 0;
      const needB = two ? two.restSeconds - wa : 0;
      const empty = Math.max(0, needA, needB);
      const asked = one && two ? Math.max(one.restSeconds, two.restSeconds) : 0;
      t.work += wa + wb;
      t.emptyRest += empty;
      t.filledRest += Math.max(0, Math.min(asked - empty, wa + wb));
    }
  }
  return t;
}

/** Length in seconds. A filled rest is a partner's work, so it is not counted twice. */
export const totalSeconds = (t: TimeParts): number => t.opening + t.warmUp + t.work + t.emptyRest + t.change;
