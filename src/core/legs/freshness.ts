/**
 * Leg freshness : a simple fatigue sum. Each session adds its leg load, which decays with a half-life of its own; the
 * sum is set against the athlete's mean daily leg load. It ranks placements and promises nothing.
 */
import { MINUTES_A_DAY } from "../dates";
import { numbers } from "../rulebook";

/** See rule legs.freshness: half-lives in hours, the mark below which legs count as tired, the least daily mean in AU, days of the mean. */
export const {
  halfLife: HALF_LIFE,
  tired: TIRED,
  leastDaily: LEAST_DAILY,
  meanDays: MEAN_DAYS,
  steepness: STEEPNESS,
  forgotten: FORGOTTEN_HALF_LIVES,
} = numbers("legs.freshness");

/** What one session puts on the legs. */
export interface LegLoadEvent {
  /** Minutes after the epoch's midnight, local: when it ends. */
  end: number;
  parts: readonly LegPart[];
}
export interface LegPart {
  /** AU. */
  load: number;
  /** Hours. */
  halfLife: number;
}

/** @returns what is left of one session's leg load at a minute, AU; 0 before it has ended */
export function leftOf(legEvent: LegLoadEvent, minute: number): number {
  const hours = (minute - legEvent.end) / 60;
  if (hours < 0) return 0;
  let sum = 0;
  for (const p of legEvent.parts)
    if (hours <= p.halfLife * FORGOTTEN_HALF_LIVES) sum += p.load * 2 ** (-hours / p.halfLife);
  return sum;
}

/** @returns fatigue sum of all sessions at a minute, AU */
export const fatigueAt = (legEvents: readonly LegLoadEvent[], minute: number): number => {
  let sum = 0;
  for (const b of legEvents) sum += leftOf(b, minute);
  return sum;
};

/**
 * @param fatigue AU
 * @param meanDaily mean daily leg load of 28 days, AU
 * @returns 0 to 100
 */
export const freshness = (fatigue: number, meanDaily: number): number =>
  100 * Math.exp((-STEEPNESS * fatigue) / Math.max(LEAST_DAILY, meanDaily));

/** @returns fatigue sum at which the legs begin to count as tired, AU */
export const tiredFrom = (meanDaily: number): number =>
  (-Math.log(TIRED / 100) / STEEPNESS) * Math.max(LEAST_DAILY, meanDaily);

export const loadOf = (b: LegLoadEvent): number => b.parts.reduce((a, p) => a + p.load, 0);

/**
 * @param minute the 28 days end here
 * @returns mean daily leg load, AU
 */
export function meanDailyLoad(legEvents: readonly LegLoadEvent[], minute: number): number {
  const from = minute - MEAN_DAYS * MINUTES_A_DAY;
  let sum = 0;
  for (const b of legEvents) if (b.end > from && b.end <= minute) sum += loadOf(b);
  return sum / MEAN_DAYS;
}

/** Freshness over a span, a point every `step` minutes and both sides of the end of every session. */
export function freshnessCurve(
  legEvents: readonly LegLoadEvent[],
  meanDaily: number,
  span: { from: number; to: number; step: number },
): [minute: number, freshness: number][] {
  const at = new Set<number>();
  for (let m = span.from; m <= span.to; m += span.step) at.add(m);
  for (const b of legEvents)
    if (b.end > span.from && b.end <= span.to) {
      at.add(b.end - 1);
      at.add(b.end);
    }
  return [...at].sort((a, b) => a - b).map((m) => [m, freshness(fatigueAt(legEvents, m), meanDaily)]);
}
