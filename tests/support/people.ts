/**
 * Athletes made on purpose, not drawn: every sport in every kind of place with every length of free time, and in turn every training age, age and
 * approach. Their endurance wanders as generated athletes' does, with a B race and an A race at its end.
 */
import { APPROACHES, type Athlete, type EnduranceSession, type Place, type Sport } from "../../src/core/athlete/types";
import { addDays } from "../../src/core/dates";
import { gym, home, START } from "./athlete";

export const WEEKS = 26;
export const SPORTS: readonly Sport[] = ["run", "triathlon", "ride", "row", "hike"];
export const ROOMS = ["gym", "few", "bare", "mixed"] as const;
export type Room = (typeof ROOMS)[number];
export const MINUTES = [30, 45, 75] as const;
const TRAINING = [1, 8, 30] as const;
const AGES = [18, 31, 45, 57, 75] as const;

/** A corner with few weights: a pair of dumbbells each, one kettlebell, a band. */
const few: Place = {
  ...home,
  id: "few",
  dumbbellsKg: [6, 10, 16].map((massKg) => ({ massKg, count: 2 })),
  kettlebellsKg: [{ massKg: 16, count: 1 }],
  bands: ["light"],
  other: ["step", "bench"],
};
const bare: Place = { ...home, id: "home" };

export interface Person {
  athlete: Athlete;
  room: Room;
  minutes: number;
}

const DAYS: readonly (readonly [number, string, EnduranceSession["kind"], number])[] = [
  [1, "12:00", "easy", 45],
  [2, "07:00", "intervals", 60],
  [4, "07:00", "tempo", 60],
  [6, "08:00", "long", 120],
];
const KM_H: Readonly<Record<Sport, number>> = { run: 11, triathlon: 11, ride: 27, row: 12, hike: 4.5 };

/** A year of training: three weeks that rise by little and one that steps back. */
const trainingOf = (sport: Sport): EnduranceSession[] =>
  Array.from({ length: WEEKS + 6 }, (_, w) => w).flatMap((w) => {
    const f = (w % 4 === 3 ? 0.72 : 1) * (1 + 0.004 * w);
    return DAYS.map(([day, start, kind, minutes]): EnduranceSession => {
      const m = Math.round(minutes * f * (sport === "hike" && kind === "long" ? 2 : 1));
      return {
        date: addDays(START, (w - 4) * 7 + day - 1),
        start,
        sport: sport === "triathlon" ? (day === 4 ? "ride" : "run") : sport,
        kind: sport === "hike" && kind === "intervals" ? "easy" : kind,
        minutes: m,
        distanceKm: Math.round((m / 60) * KM_H[sport] * 10) / 10,
      };
    });
  });

/** @param n which of them: sport, place and minutes change first, then the rest in turn */
export function person(n: number): Person {
  const sport = SPORTS[n % 5] ?? "run";
  const room = ROOMS[Math.floor(n / 5) % 4] ?? "gym";
  const minutes = MINUTES[Math.floor(n / 20) % 3] ?? 45;
  const round = Math.floor(n / 60);
  const at = n + 7 * round;
  const age = AGES[(at + Math.floor(n / 5)) % 5] ?? 31;
  const places = room === "gym" ? [gym] : room === "few" ? [few] : room === "bare" ? [bare] : [gym, bare];
  const slots = [2, 4, 6].map((day, i) => ({
    day,
    start: "17:30",
    minutes,
    place: room === "mixed" ? (i === (n + round) % 3 ? "gym" : "home") : (places[0]?.id ?? "gym"),
  }));
  const end = addDays(START, WEEKS * 7 - 1);
  return {
    room,
    minutes,
    athlete: {
      format: "field-anchor/athlete",
      version: 1,
      athlete: {
        name: `Person ${n}`,
        sport,
        birthYear: Number(START.slice(0, 4)) - age,
        bodyMassKg: 55 + (n % 6) * 6,
        strengthTrainingMonths: TRAINING[(at + Math.floor(n / 20)) % 3] ?? 8,
      },
      settings: { approach: APPROACHES[at % APPROACHES.length] ?? "layered" },
      season: { start: START, end },
      health: { clearanceNeeded: false, areas: [] },
      places,
      availability: slots,
      away: [],
      screening: [
        { test: "dowel-hinge", date: START, value: 70 },
        { test: "calf-raise", date: START, left: 32, right: 32 },
        { test: "single-leg-squat", date: START, left: 11, right: 11 },
      ],
      seen: [],
      races: [
        { id: "b", date: addDays(START, 14 * 7 + 5), name: "Small race", sport, priority: "B", expectedMinutes: 60 },
        { id: "a", date: addDays(START, 23 * 7 + 5), name: "Goal", sport, priority: "A", expectedMinutes: 150 },
      ],
      endurance: trainingOf(sport).filter((e) => e.date <= end),
      strengthLog: [],
    },
  };
}
