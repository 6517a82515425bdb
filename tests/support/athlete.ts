/** A plain athlete for unit tests, changed where a test needs it. */
import type { Athlete, EnduranceSession, LoggedItem, Place, Race, StrengthLog } from "../../src/core/athlete/types";
import { addDays } from "../../src/core/dates";

export const START = "2026-01-05";

export const gym: Place = {
  id: "gym",
  bars: [
    { id: "bar", kind: "straight", massKg: 20 },
    { id: "hex", kind: "trap", massKg: 25 },
  ],
  plates: [
    { massKg: 20, pairs: 3 },
    { massKg: 10, pairs: 2 },
    { massKg: 5, pairs: 2 },
    { massKg: 2.5, pairs: 1 },
    { massKg: 1.25, pairs: 1 },
  ],
  dumbbellsKg: [6, 8, 10, 12, 14, 16].map((massKg) => ({ massKg, count: 2 })),
  kettlebellsKg: [{ massKg: 16, count: 1 }],
  bands: ["light"],
  boxesCm: [20, 40],
  machines: [{ kind: "leg-press", fromKg: 20, toKg: 200, stepKg: 5 }],
  other: ["bench", "rack", "step", "sliders"],
};

export const home: Place = {
  id: "home",
  bars: [],
  plates: [],
  dumbbellsKg: [],
  kettlebellsKg: [],
  bands: [],
  boxesCm: [],
  machines: [],
  other: ["step"],
};

export function athleteWith(change: Partial<Athlete> = {}, facts: Partial<Athlete["athlete"]> = {}): Athlete {
  return {
    format: "field-anchor/athlete",
    version: 1,
    athlete: {
      name: "Test Runner",
      sport: "run",
      birthYear: 1990,
      bodyMassKg: 65,
      strengthTrainingMonths: 18,
      ...facts,
    },
    season: { start: START, end: addDays(START, 27 * 7 - 1) },
    health: { clearanceNeeded: false, areas: [] },
    places: [gym, home],
    availability: [
      { day: 2, start: "17:30", minutes: 90, place: "gym" },
      { day: 4, start: "18:00", minutes: 75, place: "gym" },
    ],
    away: [],
    screening: [],
    seen: [],
    races: [],
    endurance: [],
    strengthLog: [],
    ...change,
  };
}

export const raceOn = (
  date: string,
  priority: Race["priority"],
  expectedMinutes: number,
  more: Partial<Race> = {},
): Race => ({
  id: `race-${date}`,
  date,
  name: `Race of ${date}`,
  sport: "run",
  priority,
  expectedMinutes,
  ...more,
});

/** The same week over and over, times a factor a week; week 0 is the one before the season's start. */
export const weeksOf = (factors: readonly number[], firstMonday = addDays(START, -7)): EnduranceSession[] =>
  factors.flatMap((f, week) =>
    (
      [
        [0, "07:00", "easy", 50, 9],
        [1, "07:00", "intervals", 60, 11],
        [3, "07:00", "tempo", 60, 11],
        [5, "08:00", "long", 120, 20],
      ] as const
    ).map(
      ([offset, start, kind, minutes, km]): EnduranceSession => ({
        date: addDays(firstMonday, week * 7 + offset),
        start,
        sport: "run",
        kind,
        minutes: Math.round(minutes * f),
        distanceKm: km * f,
      }),
    ),
  );

export const logOf = (date: string, items: LoggedItem[], label: StrengthLog["label"] = "A"): StrengthLog => ({
  date,
  label,
  items,
});

/** A logged item with equal sets, as prescribed unless told otherwise. */
export function lifted(
  exercise: string,
  loadKg: number,
  reps: number[],
  rir: number,
  prescribed: Partial<NonNullable<LoggedItem["prescribed"]>> = {},
): LoggedItem {
  return {
    exercise,
    prescribed: { sets: reps.length, reps: 5, repsLow: 4, rir: 2, loadKg, ...prescribed },
    sets: reps.map((r) => ({ reps: r, loadKg, rir, side: "both" })),
    pain: 0,
  };
}
