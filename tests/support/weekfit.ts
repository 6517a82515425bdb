/** Weeks for the fit: sessions, windows, endurance, and what the athlete and the week before bring along. */
import fc from "fast-check";
import type { EnduranceSession, Label } from "../../src/core/athlete/types";
import { addDays, dayNumber } from "../../src/core/dates";
import { isKey } from "../../src/core/endurance/load";
import { enduranceLegEvent } from "../../src/core/legs/events";
import { fitWeek } from "../../src/core/week/fit";
import { weekNumbers } from "../../src/core/week/numbers";
import type { Demand, ExistingSession, Option, WeekContext } from "../../src/core/week/types";

export const MONDAY = "2026-03-02";
export const LEFT_OUT = 100_000;
export const LEFT_OUT_PRICE: Record<Label, number> = {
  A: 10,
  B: 9,
  C: 8,
  D: 7,
  E: 6,
  F: 5,
  G: 4,
  H: 3,
  I: 2,
  J: 1,
  K: 0,
};

/** What a session is at one place of the week. */
const kind = fc.record({
  heavy: fc.boolean(),
  loaded: fc.boolean(),
  lost: fc.constantFrom(0, 0, 0.3),
  legs: fc.constantFrom(60, 180, 320, 420),
  halfLife: fc.constantFrom(24, 36),
  stress: fc.constantFrom(100, 200, 300),
  jumps: fc.constantFrom(false, false, false, true),
  mobility: fc.constantFrom(false, false, false, false, false, false, true),
  there: fc.integer({ min: 0, max: 9 }),
});
type Kind = typeof kind extends fc.Arbitrary<infer T> ? T : never;

function optionOf(label: Label, at: { offset: number; start: number; minutes: number }, k: Kind): Option {
  return {
    label,
    date: addDays(MONDAY, at.offset),
    day: dayNumber(MONDAY) + at.offset,
    start: at.start,
    minutes: at.minutes,
    place: "gym",
    lowerLoaded: !k.mobility && (k.loaded || k.heavy),
    heavy: !k.mobility && k.heavy,
    mobility: k.mobility,
    stress: k.stress,
    legs: k.mobility ? [] : [{ load: k.legs, halfLife: k.halfLife }],
    jumps: !k.mobility && k.jumps,
    mayJump: false,
    lostShare: k.lost,
    lostWords: "",
    belowMinimumHold: false,
    softRaces: [],
    locked: false,
  };
}

export const distinct = (label: Label) =>
  fc
    .uniqueArray(
      fc.record({
        offset: fc.integer({ min: 0, max: 6 }),
        start: fc.constantFrom(390, 720, 1050, 1140),
        minutes: fc.integer({ min: 20, max: 75 }),
        kind,
      }),
      { selector: (o) => `${o.offset}/${o.start}`, minLength: 1, maxLength: 7 },
    )
    .map((list) => list.map((o) => optionOf(label, o, o.kind)));

export const endurance: fc.Arbitrary<EnduranceSession[]> = fc.array(
  fc.record({
    date: fc.integer({ min: -2, max: 8 }).map((d) => addDays(MONDAY, d)),
    start: fc.constantFrom("06:00", "12:30", "18:00"),
    sport: fc.constantFrom("run" as const, "ride" as const, "swim" as const),
    kind: fc.constantFrom("easy" as const, "intervals" as const, "long" as const),
    minutes: fc.integer({ min: 30, max: 150 }),
  }),
  { maxLength: 9 },
);

/** The context of a week with nothing but endurance in it. */
export function contextOf(
  sessions: EnduranceSession[],
  placement: "stack" | "spread",
  more: Partial<WeekContext> = {},
): WeekContext {
  const monday = dayNumber(MONDAY);
  const keyDays = new Set(sessions.filter(isKey).map((e) => dayNumber(e.date)));
  return {
    monday,
    endurance: sessions,
    existing: [],
    placement,
    weights: {},
    numbers: weekNumbers(),
    keyDays,
    hasKey: sessions.some((e) => isKey(e) && dayNumber(e.date) >= monday && dayNumber(e.date) < monday + 7),
    preferredDays: new Set(),
    lastDays: new Map(),
    dailyMinutes: null,
    perWeek: 2,
    legs: { legEvents: sessions.map(enduranceLegEvent), meanDaily: 150 },
    ...more,
  };
}

const existing: fc.Arbitrary<ExistingSession[]> = fc.array(
  fc.record({
    day: fc.integer({ min: -2, max: 0 }).map((d) => dayNumber(MONDAY) + d),
    start: fc.constantFrom(390, 1080),
    minutes: fc.constant(60),
    lowerLoaded: fc.constant(true),
    heavy: fc.boolean(),
    stress: fc.constantFrom(120, 240),
  }),
  { maxLength: 2 },
);

/** Whatever a week may bring along: what stands, preferences, last week, limits, other weights. */
export const anyContext: fc.Arbitrary<WeekContext> = fc
  .record({
    endurance,
    placement: fc.constantFrom("stack" as const, "spread" as const),
    existing,
    preferred: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { maxLength: 3 }),
    last: fc.uniqueArray(fc.tuple(fc.constantFrom("A" as const, "B" as const), fc.integer({ min: 1, max: 7 })), {
      selector: ([l]) => l,
      maxLength: 2,
    }),
    dailyMinutes: fc.constantFrom(null, 90, 150),
    perWeek: fc.integer({ min: 1, max: 4 }),
    meanDaily: fc.integer({ min: 0, max: 260 }),
    weights: fc.constantFrom<Record<string, number>>({}, { S12: 20, S11: 9 }, { S9: 0, S6: 15 }),
  })
  .map(({ endurance: e, placement, preferred, last, meanDaily, existing: stands, ...rest }): WeekContext => {
    const plain = contextOf(e, placement);
    const before = stands.map((s) => ({
      end: s.day * 1440 + s.start + s.minutes,
      parts: [{ load: s.heavy ? 300 : 150, halfLife: 24 }],
    }));
    return {
      ...plain,
      ...rest,
      existing: stands,
      preferredDays: new Set(preferred),
      lastDays: new Map(last),
      legs: { legEvents: [...plain.legs.legEvents, ...before], meanDaily },
    };
  });

export const sum = (costs: readonly { points: number }[]) => costs.reduce((a, c) => a + c.points, 0);

/** What it weighs to leave these out. */
export const leftOutOf = (sessions: readonly { label: Label }[]): number =>
  sessions.reduce((a, s) => a + LEFT_OUT * LEFT_OUT_PRICE[s.label], 0);

/** Points, and what is left out, in one figure. */
export const totalOf = (demands: readonly Demand[], c: WeekContext): number => {
  const fit = fitWeek(demands, c);
  return fit.cost + leftOutOf(fit.unplaced);
};

/**
 * Windows of a whole week, shared by its one to four sessions; what a session would be in each differs.
 * @param most windows
 * @param starts hours in each window, a quarter apart
 * @param sessions exactly so many; otherwise one to four
 */
export const weekOf = (most: number, starts = 1, sessions?: number): fc.Arbitrary<Demand[]> =>
  fc
    .tuple(
      fc.integer({ min: sessions ?? 1, max: sessions ?? 4 }),
      fc.uniqueArray(
        fc.record({ offset: fc.integer({ min: 0, max: 6 }), start: fc.constantFrom(390, 720, 1050, 1140) }),
        {
          selector: (w) => `${w.offset}/${w.start}`,
          minLength: Math.min(4, most),
          maxLength: most,
        },
      ),
      fc.array(kind, { minLength: 80, maxLength: 80 }),
    )
    .map(([n, windows, kinds]) =>
      (["A", "B", "C", "D"] as const).slice(0, n).map(
        (label, i): Demand => ({
          label,
          none: "",
          options: windows.flatMap((w, k): Option[] => {
            const is = kinds[(i * 20 + k) % kinds.length]!;
            if (is.there === 0) return [];
            return Array.from({ length: starts }, (_, quarter) =>
              optionOf(label, { offset: w.offset, start: w.start + 15 * quarter, minutes: 55 }, is),
            );
          }),
        }),
      ),
    );
