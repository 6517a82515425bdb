/**
 * A session on the floor, event by event: somebody who walks, loads plates, lifts, waits for the rest to be over, and changes over.
 * It shares no code with the planner's estimate; plates and walking are counted one by one instead of as flat minutes.
 */
import type { PlanSession } from "../../src/core/plan";
import type { Item } from "../../src/core/session/types";
import type { Random } from "../../src/demo/random";

/** Seconds: one plate put on or taken off, walking to the next station, setting up, writing a set down. */
const PLATE = 7;
const SETUP = [55, 85] as const;
/** On a mat, from one thing to the next: nothing is fetched or loaded. */
const ON_THE_MAT = [8, 16] as const;
const WRITE = 2;
/** Minutes of opening: general warm-up and getting ready. */
const OPENING = [4.6, 5.6] as const;

interface Station {
  item: Item;
  /** The clock at which the muscle is rested. */
  ready: number;
  left: number;
}

/** @returns seconds from coming in to having done the last set and rested */
export function onTheFloor(s: PlanSession, r: Random, follows = false): number {
  let clock = follows ? 0 : r.between(...OPENING) * 60;
  const groups = new Map<string, Item[]>();
  for (const i of s.items) {
    const key = i.pair.replace(/[A-Z]$/, "");
    groups.set(key, [...(groups.get(key) ?? []), i]);
  }
  for (const items of groups.values()) {
    const [least, most] = follows || s.loading === "mobility" ? ON_THE_MAT : SETUP;
    clock += items.reduce((a) => a + r.between(least, most), 0);
    let loaded: number[] = [];
    for (const w of s.warmUp.filter((x) => items.some((i) => i.exercise.id === x.exercise))) {
      clock += plates(loaded, w.perSideKg);
      loaded = [...w.perSideKg];
      // A warm-up set, then as long as it takes to be ready for the next.
      clock += w.reps * 3 + r.between(45, 65);
    }
    // The sets that find a load: three before a lead, one before the others; what comes after them is work already.
    for (const i of items)
      for (const x of i.ramp.slice(0, i.slot.kind === "assist" ? 1 : 3)) clock += x.reps * 3 + r.between(45, 65);
    const stations = items.map((item): Station => ({ item, ready: clock, left: item.sets }));
    const first = stations.find((x) => x.item.perSideKg.length > 0);
    if (first) clock += plates(loaded, first.item.perSideKg);
    while (stations.some((x) => x.left > 0)) {
      // In turn, as the card says; who has no set left is passed over.
      for (const x of stations) {
        if (x.left === 0) continue;
        clock = Math.max(clock, x.ready);
        const sides = x.item.eachSide ? 2 : 1;
        for (let side = 0; side < sides; side++) {
          if (x.item.seconds !== null) clock += x.item.seconds;
          else for (let rep = 0; rep < (x.item.reps ?? 0); rep++) clock += secondsOf(x.item) * r.between(0.94, 1.06);
        }
        clock += WRITE;
        x.ready = clock + x.item.restSeconds;
        x.left -= 1;
      }
    }
    for (const x of stations)
      if (x.item.extraSide) {
        clock = Math.max(clock, x.ready);
        clock += x.item.seconds ?? (x.item.reps ?? 0) * secondsOf(x.item);
        x.ready = clock + x.item.restSeconds;
      }
    clock = Math.max(clock, ...stations.map((x) => x.ready));
  }
  return clock;
}

/** Seconds of a repetition: what is done slower than usual takes its written tempo, one and a half in one half as long again. */
function secondsOf({ exercise, slow, tempo }: Item): number {
  if (!slow) return exercise.secondsPerRep;
  const written = tempo.split("-").reduce((a, part) => a + Number(part), 0);
  return written * (slow.half ? 1.5 : 1);
}

/** Seconds to change one side's plates into another's, both sides. */
function plates(from: readonly number[], to: readonly number[]): number {
  const kept = from.findIndex((p, i) => p !== to[i]);
  const same = kept < 0 ? Math.min(from.length, to.length) : kept;
  return 2 * PLATE * (from.length - same + (to.length - same));
}
