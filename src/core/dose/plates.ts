/** What a bar and a limited number of plates can make, exactly (rule load.makeable). Greedy is wrong with odd sets. */

import type { Place } from "../athlete";
import { onceFor } from "../once";
import { toMicrograms } from "../units";

type Plates = Place["plates"];

export interface BarLoad {
  loadKg: number;
  /** Plates on each side in the order they go on, heaviest first. */
  perSideKg: number[];
}

const GRAMS = 1_000_000;

/**
 * Every mass one side can carry, with the fewest plates that make it.
 * Time O(sums x plates); sums are exact in micrograms.
 */
function sideSums(plates: Plates): Map<number, number[]> {
  let sums = new Map<number, number[]>([[0, []]]);
  const heavyFirst = [...plates].filter((p) => p.pairs > 0 && p.massKg > 0).sort((a, b) => b.massKg - a.massKg);
  for (const plate of heavyFirst) {
    const next = new Map(sums);
    for (const [sum, used] of sums) {
      for (let k = 1; k <= plate.pairs; k++) {
        const total = sum + k * toMicrograms(plate.massKg);
        const known = next.get(total);
        if (!known || known.length > used.length + k)
          next.set(total, [...used, ...new Array<number>(k).fill(plate.massKg)]);
      }
    }
    sums = next;
  }
  return sums;
}

/** Sums of one side in rising order. */
const sortedSums = onceFor((plates: Plates): [number, number[]][] => [...sideSums(plates)].sort((a, b) => a[0] - b[0]));

/**
 * @param barKg mass of the bar
 * @param targetKg wanted load, bar included
 * @returns the nearest load at or below the target; the bare bar where the target is lighter than it
 */
export function loadBar(barKg: number, plates: Plates, targetKg: number): BarLoad {
  const sums = sortedSums(plates);
  const room = toMicrograms(targetKg) - toMicrograms(barKg);
  let best = sums[0];
  for (const s of sums) {
    if (2 * s[0] > room) break;
    best = s;
  }
  const [side, perSideKg] = best ?? [0, []];
  return { loadKg: (toMicrograms(barKg) + 2 * side) / (1000 * GRAMS), perSideKg };
}

/** @returns every load the bar can carry, kg, rising */
export function barLoads(barKg: number, plates: Plates): number[] {
  return sortedSums(plates).map(([side]) => (toMicrograms(barKg) + 2 * side) / (1000 * GRAMS));
}
