/** A small seeded generator, so that the demo is the same for the same seed and day. */
export interface Random {
  /** 0 up to 1. */
  next(): number;
  between(low: number, high: number): number;
  whole(low: number, high: number): number;
  chance(p: number): boolean;
  pick<T>(list: readonly [T, ...T[]]): T;
}

/** @param seed any whole number */
export function random(seed: number): Random {
  let a = seed >>> 0;
  const next = (): number => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    between: (low, high) => low + (high - low) * next(),
    whole: (low, high) => Math.floor(low + (high - low + 1) * next()),
    chance: (p) => next() < p,
    pick: (list) => list[Math.floor(next() * list.length)] ?? list[0],
  };
}
