/** Loads a place can make for an exercise: bars with plates, dumbbells, kettlebells, machine stacks. */
import type { Place } from "../athlete";
import { bottlePairs, type Exercise, type LoadKind, rucksackLoads, usedBy } from "../exercise";
import { massesBetween, TOLERANCE } from "../units";
import { barLoads, loadBar } from "./plates";

export interface MadeLoad {
  loadKg: number;
  /** Plates on each side in order; empty where there is no bar. */
  perSideKg: number[];
  barKg: number | null;
}

/** The bar an exercise takes here: the heaviest of its kind, so that plates suffice. */
export function barFor(exercise: Exercise, place: Place): number | null {
  const kinds = exercise.needs.flatMap((set) =>
    set.filter((n) => n.endsWith("-bar")).map((n) => n.replace("-bar", "")),
  );
  const masses = place.bars.filter((b) => kinds.includes(b.kind)).map((b) => b.massKg);
  return masses.length ? Math.max(...masses) : null;
}

export type Household = "rucksack" | "bottles";

/** What of a household makes a load; null where it is dumbbells, bells, a bar or a machine. */
export function householdOf(loading: LoadKind, at: Place, loadKg: number): Household | null {
  if (loading !== "pair" && loading !== "single") return null;
  const same = (kg: number) => Math.abs(kg - loadKg) < TOLERANCE;
  const least = loading === "pair" ? 2 : 1;
  if ([...at.dumbbellsKg, ...at.kettlebellsKg].some((d) => d.count >= least && same(d.massKg))) return null;
  if ((loading === "pair" ? bottlePairs(at) : (at.bottlesKg ?? [])).some(same)) return "bottles";
  return rucksackLoads(at).some((kg) => same(loading === "pair" ? kg / 2 : kg)) ? "rucksack" : null;
}

/** @returns every makeable load in kg, rising; empty where the loading has none (band, bodyweight) */
export function makeableLoads(exercise: Exercise, loading: LoadKind, at: Place): number[] {
  const place = usedBy(exercise, at);
  const rising = (list: number[]) => [...new Set(list)].sort((a, b) => a - b);
  switch (loading) {
    case "bar": {
      const bar = barFor(exercise, place);
      return bar === null ? [] : barLoads(bar, place.plates);
    }
    case "pair":
      return rising([
        ...place.dumbbellsKg.filter((d) => d.count > 1).map((d) => d.massKg),
        ...bottlePairs(place),
        // On the back, as if half of it were in each hand.
        ...rucksackLoads(place).map((kg) => kg / 2),
      ]);
    case "single": {
      const bells = exercise.needs.some((n) => n.includes("kettlebell")) ? place.kettlebellsKg : [];
      return rising([
        ...[...place.dumbbellsKg, ...bells].filter((d) => d.count > 0).map((d) => d.massKg),
        ...(place.bottlesKg ?? []),
        ...rucksackLoads(place),
      ]);
    }
    case "kettlebell":
      return rising(place.kettlebellsKg.filter((d) => d.count > 0).map((d) => d.massKg));
    case "machine": {
      const kinds = exercise.needs.flatMap((set) => set.filter((n) => n.startsWith("machine:")).map((n) => n.slice(8)));
      const machine = place.machines.find((m) => kinds.includes(m.kind));
      return machine ? massesBetween(machine.fromKg, machine.toKg, machine.stepKg) : [];
    }
    default:
      return [];
  }
}

/**
 * @param targetKg wanted load
 * @returns the nearest makeable load at or below the target, else the lightest there is; null where nothing can be made
 */
export function makeLoad(exercise: Exercise, loading: LoadKind, place: Place, targetKg: number): MadeLoad | null {
  if (loading === "bar") {
    const bar = barFor(exercise, place);
    return bar === null ? null : { ...loadBar(bar, place.plates, targetKg), barKg: bar };
  }
  const loads = makeableLoads(exercise, loading, place);
  const loadKg = loads.filter((l) => l <= targetKg + TOLERANCE).at(-1) ?? loads[0];
  return loadKg === undefined ? null : { loadKg, perSideKg: [], barKg: null };
}
