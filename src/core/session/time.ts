/** Pairs and time of a session. */

import { WARM_UP_SECONDS, type WarmUpSet } from "../dose";
import { type Exercise, type LoadKind, type Pattern, PRIMARY_PATTERNS, tempoOf } from "../exercise";
import { flatMap } from "../lists";
import { numbers } from "../rulebook";
import { together } from "./said";
import type { Item, TimeParts } from "./types";

/** Seconds of opening, and of set-up at each exercise (rule time.parts). */
export const {
  opening: OPENING_SECONDS,
  change: CHANGE_SECONDS,
  floor: FLOOR_SECONDS,
  rampBeside: RAMP_BESIDE,
  rampLead: RAMP_LEAD,
} = numbers("time.parts");

type Worked = Pick<Item, "exercise" | "sets" | "reps" | "seconds" | "eachSide" | "restSeconds" | "slow" | "tempo">;

/** @returns seconds one set takes on one side */
const sideSeconds = (i: Worked): number =>
  i.seconds ?? (i.reps ?? 0) * (i.slow ? slowSeconds(i.exercise, i.tempo, i.slow.half) : i.exercise.secondsPerRep);

/** @returns seconds of a repetition that is slower than the exercise's own */
function slowSeconds(e: Exercise, tempo: string, half: boolean): number {
  const length = (text: string) => {
    const { down, pause, lift } = tempoOf(text);
    return down + pause + lift;
  };
  const whole = e.secondsPerRep + Math.max(0, length(tempo) - length(e.tempo));
  return half ? whole * numbers("grow.unloaded").half : whole;
}
/** @returns seconds one set takes, both sides */
export const setSeconds = (i: Worked): number => sideSeconds(i) * (i.eachSide ? 2 : 1);

const FIXED: readonly LoadKind[] = ["bar", "machine"];

/** Whether one exercise may be done while the other rests: no shared primary muscle, grip, trunk, or second station. */
export const compatible = (
  a: { exercise: Exercise; loading: LoadKind },
  b: { exercise: Exercise; loading: LoadKind },
): boolean => sharedMuscle(a, b) === undefined && sharedLimit(a, b) === undefined && !bothStand(a, b);

type Working = Pick<Item, "exercise" | "loading">;
const sharedMuscle = (a: Working, b: Working) => a.exercise.primary.find((m) => b.exercise.primary.includes(m));
const sharedLimit = (a: Working, b: Working) => a.exercise.limits.find((l) => b.exercise.limits.includes(l));
const bothStand = (a: Working, b: Working): boolean => FIXED.includes(a.loading) && FIXED.includes(b.loading);

interface Pairable {
  exercise: Exercise;
  loading: LoadKind;
  slot?: { alone?: boolean };
}

const PUSH_PULL: readonly Pattern[] = ["push", "pull"];

/** What decides about partners, by place in the list of all that may stand. */
interface Mates {
  alone: (i: number) => boolean;
  pattern: (i: number) => Pattern;
  fits: (a: number, b: number) => boolean;
}

/** Places in order, partners side by side: who works while the first rests is the first later one that does not compete with it; beside lower-body work and a push, a pull too, and the other way round. */
function groupsAt(places: readonly number[], { alone, pattern, fits }: Mates): number[][] {
  const taken = places.map(() => false);
  const groups: number[][] = [];
  /** The first after `from` that is left and passes; takes it. */
  const take = (from: number, passes: (place: number) => boolean): number | null => {
    for (let k = from + 1; k < places.length; k++)
      if (!taken[k] && passes(places[k] as number)) {
        taken[k] = true;
        return k;
      }
    return null;
  };
  places.forEach((first, at) => {
    if (taken[at]) return;
    const group = [first];
    groups.push(group);
    const second = alone(first) ? null : take(at, (other) => !alone(other) && fits(first, other));
    if (second === null) return;
    const partner = places[second] as number;
    group.push(partner);
    if (!PRIMARY_PATTERNS.includes(pattern(first)) || !PUSH_PULL.includes(pattern(partner))) return;
    const third = take(
      second,
      (other) =>
        PUSH_PULL.includes(pattern(other)) &&
        pattern(other) !== pattern(partner) &&
        fits(first, other) &&
        fits(partner, other),
    );
    if (third !== null) group.push(places[third] as number);
  });
  return groups;
}

const matesOf = (items: readonly Pairable[], fits: Mates["fits"]): Mates => ({
  alone: (i) => items[i]?.slot?.alone ?? false,
  pattern: (i) => (items[i] as Pairable).exercise.pattern,
  fits,
});

/**
 * Items in groups in place order, each taking the first later item that does not compete with it; lower-body work, a push and a pull stand
 * as three (rule pair.rest).
 */
export function alternated<T extends Pairable>(items: readonly T[]): T[][] {
  const at = (i: number) => items[i] as T;
  const mates = matesOf(items, (a, b) => compatible(at(a), at(b)));
  return groupsAt([...items.keys()], mates).map((group) => group.map(at));
}

/** Groups in their order, with the one that readies the hamstrings before that of the hinge. */
export function primerFirst<T extends { slot: { primer?: boolean }; exercise: Exercise }>(
  groups: readonly T[][],
): T[][] {
  const out = [...groups];
  const primer = out.findIndex((g) => g.some((i) => i.slot.primer));
  const hinge = out.findIndex((g) => g.some((i) => i.exercise.pattern === "hinge"));
  if (hinge < 0 || primer <= hinge) return out;
  const [moved = []] = out.splice(primer, 1);
  out.splice(hinge, 0, moved);
  return out;
}

/** @param opening seconds of opening, none where the session follows a run @param change seconds of set-up at each exercise @returns seconds by kind; a rest is counted after every set, the part of it that a partner fills is marked */
export function timeOfGroups(
  groups: readonly (readonly Item[])[],
  warmUp: readonly WarmUpSet[],
  opening = OPENING_SECONDS,
  change = CHANGE_SECONDS,
): TimeParts {
  const t: TimeParts = {
    opening,
    warmUp: warmUp.length * WARM_UP_SECONDS,
    work: 0,
    filledRest: 0,
    emptyRest: 0,
    change: 0,
  };
  for (const group of groups) {
    for (const i of group) t.warmUp += rampSeconds(i);
    addGroup(t, group.map(turnOf), change);
  }
  return t;
}

/** @returns seconds of the sets that find a load: the last of a lead's are working sets already, beside the leads the first alone counts */
export const rampSeconds = (i: Pick<Item, "ramp" | "slot">): number =>
  Math.min(i.ramp.length, i.slot.kind === "assist" ? RAMP_BESIDE : RAMP_LEAD) * WARM_UP_SECONDS;

/** How long an item's sets take and are rested, in seconds. */
interface Turn {
  sets: number;
  /** One set, both sides. */
  set: number;
  rest: number;
  /** A set more for the weaker side; none without it. */
  extra: number;
}

type Alternated = Worked & Pick<Item, "extraSide">;

const turnOf = (i: Alternated): Turn => ({
  sets: i.sets,
  set: setSeconds(i),
  rest: i.restSeconds,
  extra: i.extraSide ? sideSeconds(i) : 0,
});

/** Adds the seconds of items that are alternated. */
function addGroup(t: TimeParts, group: readonly Turn[], change = CHANGE_SECONDS): void {
  t.change += change * group.length;
  const ready: number[] = [];
  for (let k = 0; k < group.length; k++) ready.push(0);
  let clock = 0;
  let rounds = 0;
  // Filled rest is told of the one that rests longest.
  let lead = 0;
  group.forEach((turn, k) => {
    rounds = Math.max(rounds, turn.sets);
    if (turn.rest > (group[lead]?.rest ?? 0)) lead = k;
  });
  const longest = group[lead]?.rest ?? 0;
  const work = (k: number, seconds: number): number => {
    const wait = Math.max(0, (ready[k] ?? 0) - clock);
    t.emptyRest += wait;
    t.work += seconds;
    clock += wait + seconds;
    ready[k] = clock + (group[k]?.rest ?? 0);
    return wait;
  };
  for (let round = 0; round < rounds; round++) {
    group.forEach(({ sets, set }, k) => {
      if (round >= sets) return;
      const wait = work(k, set);
      if (round > 0 && k === lead) t.filledRest += Math.max(0, longest - wait);
    });
  }
  // A set more for the weaker side, after the others and rested as they are.
  group.forEach(({ extra }, k) => {
    if (extra > 0) work(k, extra);
  });
  // The rest after the last sets: the next exercise begins rested.
  let last = 0;
  for (const at of ready) last = Math.max(last, at);
  t.emptyRest += Math.max(0, last - clock);
  t.filledRest += Math.max(0, longest - Math.max(0, (ready[lead] ?? 0) - clock));
}

/** More sets than any exercise takes, for keys. */
const SETS_KEY = 16;

/** Items that are alternated, by their places, with the seconds of every number of sets that was asked for. */
interface Alternating {
  of: readonly number[];
  known: Map<number, number>;
}

/**
 * How long a session of some of these items would take, in the groups that `alternated` makes of them: paired once for what stands, and worked out
 * once a pair and number of sets.
 * @returns seconds from the sets of each item, none where it is left out; without opening and warm-up
 */
export function clockFor(items: readonly (Alternated & { loading: LoadKind })[]): (sets: ArrayLike<number>) => number {
  // Partners are asked about with the earlier of them first.
  const matrix = items.map((a, i) => items.map((b, k) => k > i && compatible(a, b)));
  const mates = matesOf(items, (a, b) => matrix[a]?.[b] ?? false);
  const turns = items.map(turnOf);
  const shared = new Map<number, Alternating>();
  const groupsOn = (standing: readonly number[]): Alternating[] =>
    groupsAt(standing, mates).map((of) => {
      // At most three stand together.
      const key = of.reduce((a, i) => a * (items.length + 1) + i + 1, 0);
      const group = shared.get(key) ?? { of, known: new Map() };
      shared.set(key, group);
      return group;
    });
  const secondsOf = ({ of }: Alternating, sets: ArrayLike<number>): number => {
    const t: TimeParts = { opening: 0, warmUp: 0, work: 0, filledRest: 0, emptyRest: 0, change: 0 };
    addGroup(
      t,
      of.map((i) => {
        const { set, rest, extra } = turns[i] as Turn;
        return { sets: sets[i] ?? 0, set, rest, extra };
      }),
    );
    return totalSeconds(t);
  };
  /** Groups by what stands, a bit an item. */
  const paired = new Map<number, Alternating[]>();
  return (sets) => {
    let standing = 0;
    for (let i = 0, bit = 1; i < items.length; i++, bit *= 2) if ((sets[i] ?? 0) > 0) standing += bit;
    let groups = paired.get(standing);
    if (!groups) {
      const places: number[] = [];
      for (let i = 0; i < items.length; i++) if ((sets[i] ?? 0) > 0) places.push(i);
      groups = groupsOn(places);
      paired.set(standing, groups);
    }
    let total = 0;
    for (let g = 0; g < groups.length; g++) {
      const group = groups[g] as Alternating;
      let key = 0;
      for (let k = 0; k < group.of.length; k++) key = key * SETS_KEY + (sets[group.of[k] as number] ?? 0);
      let seconds = group.known.get(key);
      if (seconds === undefined) {
        seconds = secondsOf(group, sets);
        group.known.set(key, seconds);
      }
      total += seconds;
    }
    return total;
  };
}

/** Items that are alternated: those of one number, such as 1A, 1B, 1C. */
export function groupsOf<T extends { pair: string }>(items: readonly T[]): T[][] {
  const out: T[][] = [];
  for (const item of items) {
    const last = out.at(-1);
    if (last && together(last[0], item)) last.push(item);
    else out.push([item]);
  }
  return out;
}

/** Labels groups in order: 1, or 1A, 1B where two or three are alternated. */
export function labelGroups<T extends { pair: string }>(
  groups: readonly (readonly T[])[],
  labelled: (item: T, pair: string) => T = (item, pair) => ({ ...item, pair }),
): T[] {
  return flatMap(groups, (group, n) =>
    group.map((item, k) => labelled(item, group.length > 1 ? `${n + 1}${"ABC"[k] ?? ""}` : `${n + 1}`)),
  );
}

/** Why two exercises of a pair compete; null where they do not. */
export function competes(
  a: { exercise: Exercise; loading: LoadKind },
  b: { exercise: Exercise; loading: LoadKind },
): string | null {
  const muscle = sharedMuscle(a, b);
  if (muscle) return `both work the ${muscle}`;
  const limit = sharedLimit(a, b);
  if (limit) return `both tire the ${limit}`;
  return bothStand(a, b) ? "both stand at a station" : null;
}

/** Length in seconds. A filled rest is a partner's work, so it is not counted twice. */
export const totalSeconds = (t: TimeParts): number => t.opening + t.warmUp + t.work + t.emptyRest + t.change;
