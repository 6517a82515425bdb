/**
 * One gym on one day: the hours of several athletes chosen together, so that there are racks enough, not too many at once, and the
 * coach can stand by the heavy sets. Exact: hours are tried in the order of their cost, and what cannot be better is left out.
 */
import { MINUTES_A_DAY } from "../dates";
import { numbers } from "../rulebook";

/** Minutes between two looks at the gym, points of heavy sets together, points of having no hour (rule gym.fit). */
export const { quarter: QUARTER, together: TOGETHER, noHour: NO_HOUR } = numbers("gym.fit");
const QUARTERS = MINUTES_A_DAY / QUARTER;
/** Less than any point: nobody moves where moving spares nothing. */
const MOVE = 1 / 1024;
/** Steps of the search before it gives the best it has. */
const MOST_STEPS = 400_000;

export interface GymHour {
  /** Minutes after midnight; null stands for another day or place. */
  start: number | null;
  minutes: number;
  /** Points that the athlete's own week costs more than with the best hour. */
  cost: number;
}

export interface GymAthlete {
  id: string;
  /** Minutes from the session's start in which a rack is used, and whether the sets there are heavy; null where none is. */
  rack: { from: number; to: number; heavy: boolean } | null;
  hours: readonly GymHour[];
  /** The planned hour, minutes after midnight: among equals it stays. */
  now?: number;
}

export interface GymLimits {
  racks: number;
  athletes: number;
}

export interface GymFit {
  /** For each athlete the place in `hours`; null where none is left. */
  chosen: (number | null)[];
  /** Points of the weeks, and of heavy sets that fall together. */
  cost: number;
  weeks: number;
  together: number;
  /** The search looked at everything that could be better. */
  proven: boolean;
  /** Steps it took. */
  steps: number;
}

/** Quarters of an hour that a span touches. */
const span = (from: number, to: number): [number, number] => [
  Math.max(0, Math.floor(from / QUARTER)),
  Math.min(QUARTERS, Math.ceil(to / QUARTER)),
];

class Floor {
  readonly there = new Int16Array(QUARTERS);
  readonly racks = new Int16Array(QUARTERS);
  readonly heavy = new Int16Array(QUARTERS);

  /** @returns points of heavy sets together that the athlete adds; -1 where there is no room */
  added(a: GymAthlete, h: GymHour, limits: GymLimits): number {
    if (h.start === null) return 0;
    const [from, to] = span(h.start, h.start + h.minutes);
    for (let q = from; q < to; q++) if ((this.there[q] ?? 0) >= limits.athletes) return -1;
    if (!a.rack) return 0;
    const [rackFrom, rackTo] = span(h.start + a.rack.from, h.start + a.rack.to);
    let together = 0;
    for (let q = rackFrom; q < rackTo; q++) {
      if ((this.racks[q] ?? 0) >= limits.racks) return -1;
      if (a.rack.heavy) together += this.heavy[q] ?? 0;
    }
    return together * TOGETHER;
  }

  put(a: GymAthlete, h: GymHour, by: 1 | -1): void {
    if (h.start === null) return;
    const [from, to] = span(h.start, h.start + h.minutes);
    for (let q = from; q < to; q++) this.there[q] = (this.there[q] ?? 0) + by;
    if (!a.rack) return;
    const [rackFrom, rackTo] = span(h.start + a.rack.from, h.start + a.rack.to);
    for (let q = rackFrom; q < rackTo; q++) {
      this.racks[q] = (this.racks[q] ?? 0) + by;
      if (a.rack.heavy) this.heavy[q] = (this.heavy[q] ?? 0) + by;
    }
  }
}

/** @returns hours of least cost; among equals as few as can be move, then ties fall to the earlier hour of the athlete given first */
export function fitGym(athletes: readonly GymAthlete[], limits: GymLimits): GymFit {
  // The fewest hours first, so that a dead end shows early.
  const order = athletes
    .map((_, i) => i)
    .sort((a, b) => (athletes[a]?.hours.length ?? 0) - (athletes[b]?.hours.length ?? 0) || a - b);
  const cheapest = athletes.map((a) =>
    a.hours
      .map((h, i) => ({ h, i, cost: h.cost + (a.now === undefined || h.start === a.now ? 0 : MOVE) }))
      .sort((x, y) => x.cost - y.cost || x.i - y.i),
  );
  const rest = new Array<number>(order.length + 1).fill(0);
  for (let k = order.length - 1; k >= 0; k--)
    rest[k] = (rest[k + 1] ?? 0) + Math.min(NO_HOUR, cheapest[order[k] ?? 0]?.[0]?.cost ?? NO_HOUR);
  const floor = new Floor();
  const chosen: (number | null)[] = athletes.map(() => null);
  let best: { cost: number; chosen: (number | null)[] } | null = null;
  let steps = 0;
  const step = (k: number, cost: number): void => {
    if (steps++ > MOST_STEPS || (best && cost + (rest[k] ?? 0) >= best.cost)) return;
    const at = order[k];
    const a = at === undefined ? undefined : athletes[at];
    if (at === undefined || !a) {
      best = { cost, chosen: [...chosen] };
      return;
    }
    for (const { h, i, cost: own } of cheapest[at] ?? []) {
      const together = floor.added(a, h, limits);
      if (together < 0) continue;
      chosen[at] = i;
      floor.put(a, h, 1);
      step(k + 1, cost + own + together);
      floor.put(a, h, -1);
    }
    chosen[at] = null;
    step(k + 1, cost + NO_HOUR);
  };
  step(0, 0);
  const found: { cost: number; chosen: (number | null)[] } = best ?? { cost: 0, chosen };
  const answer = { ...found, cost: Math.floor(found.cost + MOVE / 2) };
  const weeks = answer.chosen.reduce<number>(
    (sum, i, at) => sum + (i === null ? NO_HOUR : (athletes[at]?.hours[i]?.cost ?? 0)),
    0,
  );
  return {
    chosen: answer.chosen,
    cost: answer.cost,
    weeks,
    together: answer.cost - weeks,
    proven: steps <= MOST_STEPS,
    steps,
  };
}

export interface Occupied {
  /** Minutes after midnight. */
  start: number;
  athletes: number;
  racks: number;
  heavy: number;
}

/** What is in the gym at each quarter of an hour that somebody is there. */
export function occupancy(
  athletes: readonly { rack: GymAthlete["rack"]; start: number; minutes: number }[],
): Occupied[] {
  const floor = new Floor();
  for (const a of athletes)
    floor.put({ id: "", rack: a.rack, hours: [] }, { start: a.start, minutes: a.minutes, cost: 0 }, 1);
  return Array.from({ length: QUARTERS }, (_, q) => ({
    start: q * QUARTER,
    athletes: floor.there[q] ?? 0,
    racks: floor.racks[q] ?? 0,
    heavy: floor.heavy[q] ?? 0,
  })).filter((o) => o.athletes > 0);
}

/** Points of heavy sets that fall together, all at their planned hours. */
export function togetherNow(athletes: readonly { rack: GymAthlete["rack"]; start: number; minutes: number }[]): number {
  const floor = new Floor();
  const unlimited = { racks: athletes.length, athletes: athletes.length };
  return athletes.reduce((sum, a) => {
    const [who, hour] = [
      { id: "", rack: a.rack, hours: [] },
      { start: a.start, minutes: a.minutes, cost: 0 },
    ];
    const added = floor.added(who, hour, unlimited);
    floor.put(who, hour, 1);
    return sum + Math.max(0, added);
  }, 0);
}

/** The rack that has been free longest for each, in the order in which racks are wanted; numbers from 1. Those beyond the last get none. */
export function assignRacks(
  athletes: readonly { rack: GymAthlete["rack"]; start: number }[],
  racks: number,
): (number | null)[] {
  const free = new Array<number>(racks).fill(0);
  const out: (number | null)[] = athletes.map(() => null);
  const from = (a: { rack: GymAthlete["rack"]; start: number }) => a.start + (a.rack?.from ?? 0);
  const inTurn = athletes.map((a, i) => ({ a, i })).sort((x, y) => from(x.a) - from(y.a) || x.i - y.i);
  for (const { a, i } of inTurn) {
    if (!a.rack) continue;
    const [begin, end] = span(a.start + a.rack.from, a.start + a.rack.to);
    const longest = Math.min(...free);
    const at = free.indexOf(longest);
    if (at < 0 || longest > begin) continue;
    free[at] = end;
    out[i] = at + 1;
  }
  return out;
}
