/** Figures of a recorded track: distance over the ground, climb with smoothing, moving clock, mean heart rate. */

export interface Point {
  /** ms since 1970; NaN where the point has no time. */
  time: number;
  /** Degrees; undefined indoors. */
  lat?: number;
  lon?: number;
  elevation?: number;
  /** Metres since the start, where the device measured them. */
  distanceM?: number;
  heartRate?: number;
}

export interface TrackFigures {
  start: number;
  minutes: number;
  distanceKm: number;
  ascentM: number | undefined;
  descentM: number | undefined;
  heartRate: number | undefined;
}

/** Mean radius of the earth, m (IUGG). */
const EARTH_M = 6_371_008.8;
/** Elevations are meaned over this stretch either way, m, and a turn counts from this height on, m [house]. */
export const SMOOTHING = { metres: 30, turn: 3 };
/** A step faster than this is a fault of the recording, not a movement, m/s [house]. */
export const FASTEST = 35;

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** Great-circle distance, m (haversine). */
export function groundMetres(a: Point, b: Point): number {
  if (a.lat === undefined || a.lon === undefined || b.lat === undefined || b.lon === undefined) return 0;
  const [p, q] = [rad(a.lat), rad(b.lat)];
  const h = Math.sin((q - p) / 2) ** 2 + Math.cos(p) * Math.cos(q) * Math.sin(rad(b.lon - a.lon) / 2) ** 2;
  return 2 * EARTH_M * Math.asin(Math.min(1, Math.sqrt(h)));
}

/**
 * Climb and descent of a profile: elevations are meaned over a stretch of ground, then a change of direction counts only once it
 * exceeds the turn height, so that the noise of a receiver does not add up to a mountain.
 * @param along metres since the start, not falling
 * @param elevations m, one a point
 */
export function climb(along: readonly number[], elevations: readonly number[]): { up: number; down: number } {
  const sums = [0];
  for (const e of elevations) sums.push((sums.at(-1) ?? 0) + e);
  let [lo, hi] = [0, 0];
  const smooth = elevations.map((_, i) => {
    const at = along[i] ?? 0;
    while (at - (along[lo] ?? at) > SMOOTHING.metres) lo++;
    while (hi + 1 < along.length && (along[hi + 1] ?? Number.POSITIVE_INFINITY) - at <= SMOOTHING.metres) hi++;
    const top = Math.max(hi, i);
    // The same reach either way, so that the ends of a track are not pulled inwards.
    const reach = Math.min(i - lo, top - i);
    return ((sums[i + reach + 1] ?? 0) - (sums[i - reach] ?? 0)) / (2 * reach + 1);
  });
  let [up, down] = [0, 0];
  let anchor = smooth[0] ?? 0;
  let extreme = anchor;
  for (const e of smooth) {
    const rising = extreme > anchor || (extreme === anchor && e > anchor);
    if (rising ? e >= extreme : e <= extreme) extreme = e;
    else if (Math.abs(e - extreme) >= SMOOTHING.turn) {
      if (extreme > anchor) up += extreme - anchor;
      else down += anchor - extreme;
      anchor = extreme;
      extreme = e;
    }
  }
  if (Math.abs(extreme - anchor) >= SMOOTHING.turn) {
    if (extreme > anchor) up += extreme - anchor;
    else down += anchor - extreme;
  }
  return { up, down };
}

/**
 * @param segments unbroken pieces of one track, in order; nothing is counted between them
 * @returns null where fewer than two points carry a time
 */
export function trackFigures(segments: readonly (readonly Point[])[]): TrackFigures | null {
  const timed = segments.flat().filter((p) => Number.isFinite(p.time));
  const first = timed[0];
  const last = timed.at(-1);
  if (!first || !last || timed.length < 2) return null;
  let metres = 0;
  const [along, elevations]: [number[], number[]] = [[], []];
  let [beats, seconds] = [0, 0];
  for (const points of segments) {
    let before: Point | undefined;
    for (const p of points) {
      if (before) {
        const s = (p.time - before.time) / 1000;
        const measured = p.distanceM !== undefined && before.distanceM !== undefined;
        const step = measured ? Math.max(0, (p.distanceM ?? 0) - (before.distanceM ?? 0)) : groundMetres(before, p);
        // A jump is left out; the next step goes on from where it landed.
        if (measured || !(step / s > FASTEST)) metres += step;
        if (p.heartRate !== undefined && s > 0 && s < 120) {
          beats += p.heartRate * s;
          seconds += s;
        }
      }
      if (p.elevation !== undefined) {
        along.push(metres);
        elevations.push(p.elevation);
      }
      before = p;
    }
  }
  const height = elevations.length >= 2 ? climb(along, elevations) : undefined;
  return {
    start: first.time,
    minutes: (last.time - first.time) / 60_000,
    distanceKm: metres / 1000,
    ascentM: height ? Math.round(height.up) : undefined,
    descentM: height ? Math.round(height.down) : undefined,
    heartRate: seconds > 0 ? Math.round(beats / seconds) : undefined,
  };
}
