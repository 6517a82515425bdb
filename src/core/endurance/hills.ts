/** What hills cost on foot (rule hills.flat): gradient cost of running and walking, flat-equivalent distance. */
import type { EnduranceSession, SessionSport } from "../athlete";

/** Gradients for which the polynomials were measured, as a share (0.45 is 45%). */
export const STEEPEST = 0.45;

const within = (gradient: number): number => Math.max(-STEEPEST, Math.min(STEEPEST, gradient));

/**
 * Metabolic cost of running, J per kg and metre, by gradient (Minetti et al. 2002, J Appl Physiol 93:1039-1046).
 * @param gradient rise over run, negative downhill; beyond 0.45 it is taken at 0.45
 */
export function runningCost(gradient: number): number {
  const i = within(gradient);
  return 155.4 * i ** 5 - 30.4 * i ** 4 - 43.3 * i ** 3 + 46.3 * i ** 2 + 19.5 * i + 3.6;
}

/** Metabolic cost of walking, J per kg and metre, by gradient (Minetti et al. 2002). @param gradient as in runningCost */
export function walkingCost(gradient: number): number {
  const i = within(gradient);
  return 280.5 * i ** 5 - 58.7 * i ** 4 - 76.8 * i ** 3 + 51.9 * i ** 2 + 19.6 * i + 2.5;
}

const COST: Partial<Record<SessionSport, (gradient: number) => number>> = { run: runningCost, hike: walkingCost };

export interface FlatEquivalent {
  km: number;
  /** The descent was not recorded: half the distance is taken as climbing and half as descending. */
  assumed: boolean;
}

/**
 * Flat-equivalent distance = distance x C(i) / C(0). Climb and descent share the distance in proportion to their metres.
 * @returns null where the sport has no gradient cost, or distance or ascent is not known
 */
export function flatEquivalent(
  s: Pick<EnduranceSession, "sport" | "distanceKm" | "ascentM" | "descentM">,
): FlatEquivalent | null {
  const cost = COST[s.sport];
  if (!cost || !s.distanceKm || !s.ascentM) return null;
  const assumed = s.descentM === undefined;
  const down = s.descentM ?? s.ascentM;
  const metres = s.distanceKm * 1000;
  const upShare = s.ascentM / (s.ascentM + down);
  const part = (share: number, rise: number) =>
    share <= 0 ? 0 : s.distanceKm === undefined ? 0 : s.distanceKm * share * (cost(rise / (metres * share)) / cost(0));
  return { km: part(upShare, s.ascentM) + part(1 - upShare, -down), assumed };
}

/**
 * Hiking time without rests: 5 km/h, and 1 h more for every 600 m up [pub: Naismith 1892].
 * @returns hours
 */
export const naismithHours = (distanceKm: number, ascentM: number): number => distanceKm / 5 + ascentM / 600;

/**
 * Walking speed on a slope, km/h = 6 e^(-3.5 |s + 0.05|) [pub: Tobler 1993].
 * @param slope rise over run, negative downhill
 */
export const toblerSpeed = (slope: number): number => 6 * Math.exp(-3.5 * Math.abs(slope + 0.05));

export interface Carriage {
  bodyKg: number;
  packKg: number;
  /** Metres a second. */
  speed: number;
  /** Percent, level or uphill. */
  gradientPct: number;
  /** Terrain factor, 1 on a hard road. */
  terrain?: number;
}

/**
 * Metabolic power of walking with a pack, W = 1.5 W + 2.0 (W + L)(L / W)^2 + eta (W + L)(1.5 V^2 + 0.35 V G) [pub: Pandolf 1977].
 * @returns watts; null downhill, where the formula does not hold
 */
export function carriageWatts({ bodyKg, packKg, speed, gradientPct, terrain = 1 }: Carriage): number | null {
  if (gradientPct < 0 || bodyKg <= 0) return null;
  const both = bodyKg + packKg;
  return (
    1.5 * bodyKg + 2 * both * (packKg / bodyKg) ** 2 + terrain * both * (1.5 * speed ** 2 + 0.35 * speed * gradientPct)
  );
}
