/** What sessions put on the legs: endurance by sport, strength by what its sets are [house]. */
import { type EnduranceSession, lengthOf, type StrengthLog } from "../athlete";
import { dayNumber, MINUTES_A_DAY } from "../dates";
import { legLoad, startOf } from "../endurance";
import { EXTERNAL, type Exercise, type LoadKind } from "../exercise";
import { numbers } from "../rulebook";
import { HALF_LIFE, type LegLoadEvent, type LegPart } from "./freshness";

/** Share of a strength session's load that falls on the legs, by what a set is (rule legs.freshness). */
export const STRENGTH_SHARE = numbers("legs.freshness");

const LEGS: readonly string[] = ["squat", "hinge", "split-squat", "hip", "calf", "jump"];
const NOT_LEGS: readonly string[] = ["push", "pull"];

/** One kind of set of a session. */
export interface LegSet {
  exercise: Pick<Exercise, "pattern" | "slow">;
  loading: LoadKind;
  reps: number | null;
  sets: number;
  /** Done for the first time. */
  unfamiliar: boolean;
}

function shareOf(s: LegSet): number {
  if (NOT_LEGS.includes(s.exercise.pattern)) return 0;
  if (!LEGS.includes(s.exercise.pattern)) return STRENGTH_SHARE.trunk;
  return EXTERNAL.includes(s.loading) ? STRENGTH_SHARE.loaded : STRENGTH_SHARE.bodyweight;
}

function halfLifeOf(s: LegSet): number {
  if (s.exercise.pattern === "jump") return HALF_LIFE.jumps;
  return (s.reps ?? 0) >= STRENGTH_SHARE.highReps || s.exercise.slow || s.unfamiliar
    ? HALF_LIFE.fatiguing
    : HALF_LIFE.heavy;
}

/**
 * A session's stress spread over its sets, each with its share on the legs and its half-life.
 * @param stress RPE x minutes, AU
 * @returns one part for each half-life, the shortest first
 */
export function strengthParts(sets: readonly LegSet[], stress: number): LegPart[] {
  const all = sets.reduce((a, s) => a + s.sets, 0);
  const loads = new Map<number, number>();
  for (const s of sets) {
    const load = (stress * s.sets * shareOf(s)) / all;
    if (load > 0) loads.set(halfLifeOf(s), (loads.get(halfLifeOf(s)) ?? 0) + load);
  }
  return [...loads].sort((a, b) => a[0] - b[0]).map(([halfLife, load]) => ({ load, halfLife }));
}

export const enduranceLegEvent = (e: EnduranceSession): LegLoadEvent => ({
  end: dayNumber(e.date) * MINUTES_A_DAY + startOf(e) + e.minutes,
  parts: [{ load: legLoad(e), halfLife: HALF_LIFE.endurance }],
});

/** @param find the exercise of an id; one that is gone counts as loaded when its sets have a load */
export function loggedLegEvent(log: StrengthLog, find: (id: string) => Exercise | undefined): LegLoadEvent {
  const { start, minutes, stress } = lengthOf(log);
  const sets = log.items.map((i): LegSet => {
    const exercise = find(i.exercise) ?? { pattern: "squat", slow: false };
    const loaded = i.sets.some((s) => (s.loadKg ?? 0) > 0);
    return {
      exercise,
      loading: loaded ? "single" : "bodyweight",
      reps: Math.max(0, ...i.sets.map((s) => s.reps ?? 0)),
      sets: i.sets.length,
      unfamiliar: false,
    };
  });
  return {
    end: dayNumber(log.date) * MINUTES_A_DAY + start + minutes,
    parts: strengthParts(sets, stress),
  };
}
