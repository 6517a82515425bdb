/** Athletes for property tests: any sport, races of every kind, windows and places from bare to full. */
import fc from "fast-check";
import {
  AREAS,
  type Athlete,
  CLEARANCE_RULES,
  type EnduranceSession,
  type Place,
  type Race,
  SCREEN_TESTS,
  SEEN,
  type Window,
} from "../../src/core/athlete/types";
import { addDays } from "../../src/core/dates";
import { home } from "./athlete";

export const SEASON_START = "2026-01-05";

const place: fc.Arbitrary<Place> = fc.record({
  id: fc.constant("gym"),
  bars: fc.constantFrom(
    [{ id: "bar", kind: "straight" as const, massKg: 20 }],
    [
      { id: "bar", kind: "straight" as const, massKg: 15 },
      { id: "hex", kind: "trap" as const, massKg: 25 },
    ],
    [],
  ),
  plates: fc.uniqueArray(
    fc.record({ massKg: fc.constantFrom(20, 15, 10, 5, 2.5, 1.25, 11.34), pairs: fc.integer({ min: 0, max: 3 }) }),
    {
      selector: (p) => p.massKg,
      maxLength: 5,
    },
  ),
  dumbbellsKg: fc.uniqueArray(
    fc.record({ massKg: fc.constantFrom(4, 6, 8, 10, 12, 16, 20), count: fc.integer({ min: 1, max: 2 }) }),
    {
      selector: (p) => p.massKg,
      maxLength: 5,
    },
  ),
  kettlebellsKg: fc.constantFrom([], [{ massKg: 16, count: 1 }]),
  bands: fc.constantFrom([], ["light"]),
  boxesCm: fc.constantFrom([], [20, 40]),
  machines: fc.constantFrom([], [{ kind: "leg-press", fromKg: 20, toKg: 160, stepKg: 5 }]),
  other: fc.constantFrom(["bench", "rack", "step"], ["step"], ["bench"]),
});

const windows: fc.Arbitrary<Window[]> = fc
  .uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 5 })
  .chain((days) =>
    fc.tuple(
      ...days.map((day) =>
        fc.record({
          day: fc.constant(day),
          start: fc.constantFrom("06:30", "12:00", "17:30", "19:00"),
          minutes: fc.constantFrom(25, 35, 45, 60, 75, 90),
          place: fc.constantFrom("gym", "gym", "gym", "home"),
        }),
      ),
    ),
  );

const race = (i: number, weeks: number): fc.Arbitrary<Race> =>
  fc.record({
    id: fc.constant(`r${i}`),
    date: fc.integer({ min: 20, max: weeks * 7 - 5 }).map((d) => addDays(SEASON_START, d)),
    name: fc.constant(`Race ${i}`),
    sport: fc.constantFrom("run" as const, "ride" as const, "row" as const),
    days: fc.constantFrom(1, 1, 1, 3),
    expectedMinutes: fc.constantFrom(20, 75, 200, 420),
    priority: fc.constantFrom("A" as const, "A" as const, "B" as const, "C" as const),
  });

const KINDS = [
  [2, "07:00", "intervals", 60, 11],
  [3, "18:00", "easy", 45, 8],
  [4, "07:00", "tempo", 60, 11],
  [6, "08:00", "long", 130, 22],
  [7, "09:00", "easy", 40, 7],
] as const;

/** A training year whose volume wanders, with jumps and step-backs. */
const endurance = (
  sport: "run" | "ride" | "row" | "hike" | "triathlon",
  factors: readonly number[],
): EnduranceSession[] =>
  factors.flatMap((f, week) =>
    KINDS.map(
      ([day, start, kind, minutes, km]): EnduranceSession => ({
        date: addDays(SEASON_START, (week - 4) * 7 + day - 1),
        start,
        sport: sport === "triathlon" ? "run" : sport,
        kind,
        minutes: Math.round(minutes * f),
        distanceKm: Math.round(km * f * 10) / 10,
      }),
    ),
  );

/** Trouble, clearance, screening and settings of every kind, over an athlete whose calendar is generated. */
const condition = fc.record({
  areas: fc.uniqueArray(
    fc.record({
      area: fc.constantFrom(...AREAS),
      side: fc.constantFrom("left" as const, "right" as const, "both" as const),
      status: fc.constantFrom("current" as const, "recent" as const, "past" as const),
      since: fc.constantFrom("2025-01-01", "2025-12-20", "2026-01-01"),
    }),
    { selector: (a) => a.area, maxLength: 3 },
  ),
  needed: fc.boolean(),
  cleared: fc.constantFrom(null, "2025-12-01", "2026-02-10"),
  rules: fc.subarray([...CLEARANCE_RULES]),
  results: fc.subarray([...SCREEN_TESTS]).chain((tests) =>
    fc.tuple(
      ...tests.map((test) =>
        fc.record({
          test: fc.constant(test),
          date: fc.constantFrom("2025-12-15", "2026-01-20"),
          left: fc.integer({ min: 0, max: 70 }),
          right: fc.integer({ min: 0, max: 70 }),
        }),
      ),
    ),
  ),
  seen: fc.subarray([...SEEN]),
  birthYear: fc.constantFrom(1938, 1955, 1960, 1972, 1990, 2008, 2010),
  quiet: fc.boolean(),
  shortTime: fc.constantFrom(
    undefined,
    undefined,
    undefined,
    "essential-five" as const,
    "essential-five-swim" as const,
  ),
  logged: fc.boolean(),
});

/** Athletes as the intake and the screen may find them, for what may and may not be chosen. */
export const screenedAthletes = (): fc.Arbitrary<Athlete> =>
  fc.tuple(athletes, condition).map(
    ([a, c]): Athlete => ({
      ...a,
      athlete: { ...a.athlete, birthYear: c.birthYear },
      settings: { ...a.settings, quietExercises: c.quiet, ...(c.shortTime ? { shortTime: c.shortTime } : {}) },
      health: {
        clearanceNeeded: c.needed,
        ...(c.cleared ? { clearance: { date: c.cleared, by: "Dr. Example", limits: "", rules: c.rules } } : {}),
        areas: c.areas,
      },
      screening: c.results,
      seen: c.seen.map((what) => ({ what, date: "2026-01-01", side: "left" as const })),
      strengthLog: c.logged ? a.strengthLog : [],
    }),
  );

export const athletes: fc.Arbitrary<Athlete> = fc
  .record({
    sport: fc.constantFrom("run" as const, "triathlon" as const, "ride" as const, "row" as const, "hike" as const),
    birthYear: fc.constantFrom(1958, 1972, 1990, 2009),
    months: fc.constantFrom(0, 6, 24),
    mass: fc.integer({ min: 48, max: 95 }),
    weeks: fc.integer({ min: 10, max: 34 }),
    place,
    windows,
    placement: fc.constantFrom("stack" as const, "spread" as const),
    clearance: fc.constantFrom(false, false, false, true),
    area: fc.constantFrom(
      null,
      null,
      "knee-front" as const,
      "low-back" as const,
      "achilles" as const,
      "shoulder" as const,
    ),
    races: fc.integer({ min: 0, max: 4 }),
    factors: fc.array(fc.constantFrom(0.6, 0.9, 1, 1, 1.05, 1.15, 1.4), { minLength: 40, maxLength: 40 }),
    away: fc.constantFrom(null, "travel" as const, "illness" as const),
    load: fc.integer({ min: 30, max: 110 }),
  })
  .chain((g) =>
    fc.tuple(...Array.from({ length: g.races }, (_, i) => race(i, g.weeks))).map(
      (races): Athlete => ({
        format: "field-anchor/athlete",
        version: 1,
        athlete: {
          name: "Gen Erated",
          sport: g.sport,
          birthYear: g.birthYear,
          bodyMassKg: g.mass,
          strengthTrainingMonths: g.months,
        },
        settings: { placement: g.placement },
        season: { start: SEASON_START, end: addDays(SEASON_START, g.weeks * 7 - 1) },
        health: {
          clearanceNeeded: g.clearance,
          areas: g.area === null ? [] : [{ area: g.area, side: "left", status: "current" }],
        },
        places: [g.place, home],
        availability: g.windows,
        away:
          g.away === null
            ? []
            : [{ start: addDays(SEASON_START, 24), end: addDays(SEASON_START, 29), kind: g.away, place: "home" }],
        screening: [{ test: "dowel-hinge", date: SEASON_START, value: 70 }],
        seen: [],
        races: races.filter((r) => addDays(r.date, (r.days ?? 1) - 1) <= addDays(SEASON_START, g.weeks * 7 - 1)),
        endurance: endurance(g.sport, g.factors),
        strengthLog: ["front-squat", "back-squat", "trap-bar-deadlift", "romanian-deadlift", "split-squat"].map(
          (exercise, i) => ({
            date: addDays(SEASON_START, -12 + i),
            label: "A",
            items: [{ exercise, sets: [{ reps: 5, loadKg: i < 4 ? g.load : 10, rir: 2, side: "both" }] }],
          }),
        ),
      }),
    ),
  );
