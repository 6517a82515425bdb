/** Plans of nobody's, made before a thread answers anybody: code that has run is compiled, and the first who ask do not wait for it. */
import type { Athlete, EnduranceSession, StrengthLog } from "../../core/athlete";
import { addDays, type IsoDate, mondayOf } from "../../core/dates";
import { plan } from "../../core/plan";

/** Runs of a week: day, minutes and kind. */
const RUNS = [
  [1, 45, "easy"],
  [3, 55, "intervals"],
  [6, 100, "long"],
] as const;

/** A runner with half a year behind and half a year ahead, at a gym. */
export function nobody(today: IsoDate): Athlete {
  const start = addDays(mondayOf(today), -70);
  const weeks = Array.from({ length: 26 }, (_, n) => addDays(start, 7 * n));
  const endurance = weeks.flatMap((monday) =>
    RUNS.map(
      ([day, minutes, kind]): EnduranceSession => ({
        date: addDays(monday, day),
        sport: "run",
        kind,
        minutes,
        distanceKm: minutes / 6,
        done: addDays(monday, day) < today,
      }),
    ),
  );
  const lifted = weeks.filter((w) => addDays(w, 6) < today);
  const strengthLog = lifted.map((monday, n): StrengthLog => {
    const sets = Array.from({ length: 3 }, () => ({ reps: 8, loadKg: 40 + 2.5 * n, rir: 3, side: "both" as const }));
    return {
      date: addDays(monday, 2),
      label: "A",
      items: ["back-squat", "trap-bar-deadlift"].map((exercise) => ({ exercise, sets })),
    };
  });
  return {
    format: "field-anchor/athlete",
    version: 1,
    athlete: { name: "Nobody", sport: "run", birthYear: 1990, bodyMassKg: 65, strengthTrainingMonths: 30 },
    season: { start, end: addDays(start, 26 * 7 - 1) },
    health: { clearanceNeeded: false, areas: [{ area: "knee-front", side: "left", status: "past" }] },
    places: [
      {
        id: "gym",
        bars: [
          { id: "bar", kind: "straight", massKg: 20 },
          { id: "trap", kind: "trap", massKg: 25 },
        ],
        plates: [20, 10, 5, 2.5, 1.25].map((massKg) => ({ massKg, pairs: 2 })),
        dumbbellsKg: [6, 8, 10, 12, 16, 20].map((massKg) => ({ massKg, count: 2 })),
        kettlebellsKg: [{ massKg: 16, count: 1 }],
        bands: ["light"],
        boxesCm: [20, 40],
        machines: [{ kind: "leg-press", fromKg: 20, toKg: 200, stepKg: 5 }],
        other: ["bench", "rack", "step"],
      },
    ],
    availability: [
      { day: 2, start: "17:30", minutes: 60, place: "gym" },
      { day: 4, start: "18:00", minutes: 45, place: "gym" },
    ],
    away: [],
    screening: [],
    seen: [],
    races: [
      {
        id: "race",
        date: addDays(start, 23 * 7 + 6),
        name: "A race",
        sport: "run",
        priority: "A",
        expectedMinutes: 100,
        distanceKm: 21.1,
      },
    ],
    endurance,
    strengthLog,
  };
}

/** @param ms how long: after it the first who ask are answered nearly as soon as all others */
export function practise(today: IsoDate, ms: number): void {
  const end = performance.now() + ms;
  for (let n = 0; performance.now() < end; n++) plan(nobody(today), { from: today, weeks: n % 2 === 0 ? 1 : 8 });
}
