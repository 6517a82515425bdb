/** Splits of a race from its recording: the time of each kilometre (or of longer stretches), and of both halves. */
import type { Read } from "../athlete-file";
import { fitPoints, isFit } from "./binary";
import { decodeText } from "./decode";
import { pointsIn } from "./points";
import { gpxPoints, type RecordedPoint, tcxPoints } from "./recordings";
import { readTable } from "./table";
import { FASTEST, groundMetres } from "./track";

export interface Splits {
  /** From the first point to the last. */
  minutes: number;
  distanceKm: number;
  /** Length of each stretch but the last, km. */
  stepKm: number;
  /** Minutes of each stretch; the last may be shorter. */
  splits: number[];
  /** Minutes of the first and the second half by distance. */
  halves: [number, number];
}

const refuse = <T>(expected: string): Read<T> => ({ ok: false, faults: [{ path: "(file)", expected }] });

/** Most stretches that are read one by one: a longer race is told in longer ones [house]. */
const MOST = 50;
const STEPS = [1, 5, 10, 25, 50, 100];

/** Seconds and metres since the start, point by point. */
function along(points: readonly RecordedPoint[]): { s: number; m: number }[] {
  const timed = points.filter((p) => Number.isFinite(p.time));
  const first = timed[0];
  let metres = 0;
  let before: RecordedPoint | undefined;
  return timed.map((p) => {
    if (before) {
      const seconds = (p.time - before.time) / 1000;
      const measured = p.distanceM !== undefined && before.distanceM !== undefined;
      const step = measured
        ? Math.max(0, (p.distanceM ?? 0) - (before.distanceM ?? 0))
        : groundMetres(placeOf(before), placeOf(p));
      if (measured || !(step / seconds > FASTEST)) metres += step;
    }
    before = p;
    return { s: (p.time - (first?.time ?? 0)) / 1000, m: metres };
  });
}

const placeOf = (p: RecordedPoint) => ({
  time: p.time,
  ...(p.lat === undefined || p.lon === undefined ? {} : { lat: p.lat, lon: p.lon }),
});

/** Seconds at a distance, between the two points around it. */
function secondsAt(track: readonly { s: number; m: number }[], metres: number): number {
  const i = track.findIndex((p) => p.m >= metres);
  const [a, b] = [track[i - 1], track[i]];
  if (!b) return track.at(-1)?.s ?? 0;
  if (!a || b.m === a.m) return b.s;
  return a.s + ((metres - a.m) / (b.m - a.m)) * (b.s - a.s);
}

/** @returns null where the points go nowhere, or have no times */
export function splitsOf(points: readonly RecordedPoint[]): Splits | null {
  const track = along(points);
  const last = track.at(-1);
  if (!last || last.s <= 0 || last.m < 100) return null;
  const km = last.m / 1000;
  const stepKm = STEPS.find((s) => km / s <= MOST) ?? STEPS.at(-1) ?? 1;
  const marks = Array.from({ length: Math.ceil(km / stepKm - 1e-9) }, (_, i) => Math.min(km, (i + 1) * stepKm) * 1000);
  const at = marks.map((m) => secondsAt(track, m));
  const half = secondsAt(track, last.m / 2);
  return {
    minutes: last.s / 60,
    distanceKm: km,
    stepKm,
    splits: at.map((s, i) => (s - (at[i - 1] ?? 0)) / 60),
    halves: [half / 60, (last.s - half) / 60],
  };
}

async function pointsOf(name: string, bytes: Uint8Array): Promise<Read<RecordedPoint[]>> {
  if (isFit(bytes)) return fitPoints(bytes);
  const text = decodeText(bytes, false);
  if (!text.ok) return text;
  if (/<(\w+:)?gpx[\s>]/i.test(text.value.slice(0, 2000))) return gpxPoints(text.value);
  if (/TrainingCenterDatabase/.test(text.value.slice(0, 2000))) return tcxPoints(text.value);
  const table = readTable(text.value);
  const points = table.ok ? pointsIn(table.value) : null;
  return points
    ? { ok: true, value: points }
    : refuse(`A recording (FIT, GPX, TCX, or a table of track points) expected: ${name} is none.`);
}

/** Never throws. @param name of the file, for its refusal */
export async function readSplits(name: string, bytes: Uint8Array): Promise<Read<Splits>> {
  try {
    const points = await pointsOf(name, bytes);
    if (!points.ok) return points;
    const splits = splitsOf(points.value);
    return splits ? { ok: true, value: splits } : refuse("Points with times that go on for 100 m or more expected.");
  } catch (error) {
    return refuse(
      `A recording that can be read expected: ${error instanceof Error ? error.message : "unknown fault"}.`,
    );
  }
}
