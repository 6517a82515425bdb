/** The invented athletes of Saltmarsh Endurance: who they are, where they lift, what their week looks like. Days count from "today". */
import {
  type Athlete,
  type Place,
  placeFrom,
  type SessionKind,
  type SessionSport,
  type Settings,
  type Window,
} from "../core/athlete";

/** One endurance session of the usual week: kilometres and climb at full volume. */
export interface Usual {
  day: number;
  start: string;
  sport: SessionSport;
  kind: SessionKind;
  minutes: number;
  km?: number;
  ascentM?: number;
  rpe?: number;
  packKg?: number;
}

export interface Profile {
  seed: number;
  facts: Athlete["athlete"];
  settings: Settings;
  health: Athlete["health"];
  places: Place[];
  availability: Window[];
  usual: Usual[];
  /** Races by days from today. */
  races: (Omit<Athlete["races"][number], "date"> & { inDays: number })[];
  away: (Omit<Athlete["away"][number], "start" | "end"> & { from: number; to: number })[];
  /** Days by which the screens lie further back than those of the others. */
  screenedLate?: number;
  screening: Omit<Athlete["screening"][number], "date">[];
  seen: Omit<Athlete["seen"][number], "date">[];
  /** True e1RM at the start of the logs as a multiple of body mass, by exercise. */
  strength: Record<string, number>;
  /** Extra share of distance in the current week. */
  jump?: number;
  /** How much weaker the left side is in reps, 0 to 1. */
  leftDeficit?: number;
  /** Weeks before today at which the season and the lifting began; the club's half year where it is not said. */
  begins?: number;
  /** Days before today without any lifting. */
  missedDays?: number;
  /** Kilometres a week that the endurance plan draws from this week on, and what it rises to; without it each session ahead is a record. */
  weekly?: { start: number; top: number };
}

const clubGym: Place = {
  id: "club-gym",
  bars: [
    { id: "bar", kind: "straight", massKg: 20 },
    { id: "hex", kind: "trap", massKg: 25 },
  ],
  plates: [
    { massKg: 20, pairs: 3 },
    { massKg: 15, pairs: 1 },
    { massKg: 10, pairs: 2 },
    { massKg: 5, pairs: 2 },
    { massKg: 2.5, pairs: 1 },
    { massKg: 1.25, pairs: 1 },
  ],
  dumbbellsKg: [6, 8, 10, 12, 14, 16, 18, 20, 22, 24].map((massKg) => ({ massKg, count: 2 })),
  kettlebellsKg: [12, 16, 20, 24].map((massKg) => ({ massKg, count: 1 })),
  bands: ["light", "medium"],
  boxesCm: [20, 40],
  machines: [
    { kind: "leg-press", fromKg: 20, toKg: 200, stepKg: 5 },
    { kind: "cable", fromKg: 5, toKg: 60, stepKg: 2.5 },
  ],
  other: ["bench", "rack", "sliders", "ball", "step", "dowel"],
};

const boathouse: Place = {
  ...clubGym,
  id: "boathouse",
  bars: [{ id: "bar", kind: "straight", massKg: 20 }],
  machines: [],
  kettlebellsKg: [{ massKg: 24, count: 1 }],
};

const homeFew: Place = {
  id: "home",
  bars: [],
  plates: [],
  dumbbellsKg: [
    { massKg: 6, count: 2 },
    { massKg: 10, count: 2 },
  ],
  kettlebellsKg: [{ massKg: 16, count: 1 }],
  bands: ["light", "medium"],
  boxesCm: [25],
  machines: [],
  other: ["step", "dowel", "bench"],
};

const homeBare: Place = {
  id: "home",
  bars: [],
  plates: [],
  dumbbellsKg: [],
  kettlebellsKg: [],
  bands: ["light"],
  boxesCm: [],
  machines: [],
  other: ["step"],
};

/** A hiker's: what she has is what she walks with. */
const homePack: Place = {
  ...homeBare,
  other: ["step", "chair", "wall", "towel", "door-anchor"],
  stairsCm: 18,
  rucksack: { emptyKg: 1.2, maxKg: 12, stepKg: 1.2 },
  bottlesKg: [1.5, 1.5],
};

const good: Profile["screening"] = [
  { test: "dowel-hinge", value: 68 },
  { test: "wall-squat", value: 1 },
  { test: "single-leg-squat", left: 10, right: 10 },
  { test: "calf-raise", left: 27, right: 28 },
  { test: "side-hold", left: 62, right: 66 },
  { test: "single-leg-bridge", left: 24, right: 26 },
];

const healthy = { clearanceNeeded: false, areas: [] };
const usual = (
  day: number,
  start: string,
  sport: SessionSport,
  kind: SessionKind,
  minutes: number,
  km?: number,
  more: Partial<Usual> = {},
): Usual => ({
  day,
  start,
  sport,
  kind,
  minutes,
  ...(km === undefined ? {} : { km }),
  ...more,
});

export const PROFILES: readonly Profile[] = [
  {
    seed: 11,
    facts: {
      name: "Maren Tolvaj",
      sport: "run",
      birthYear: 1991,
      sex: "female",
      bodyMassKg: 61.5,
      strengthTrainingMonths: 14,
      timeZone: "Europe/Lisbon",
      restingHeartRate: 48,
      maxHeartRate: 188,
    },
    settings: { approach: "layered", placement: "stack", maxMinutesPerDay: 180 },
    health: {
      clearanceNeeded: false,
      areas: [{ area: "knee-front", side: "left", status: "past", since: "2024-09-01", setOffBy: "new stiff shoes" }],
    },
    places: [clubGym, homeBare],
    availability: [
      { day: 2, start: "17:30", minutes: 90, place: "club-gym" },
      { day: 4, start: "18:00", minutes: 75, place: "club-gym" },
      { day: 5, start: "06:30", minutes: 45, place: "home" },
    ],
    usual: [
      usual(1, "18:30", "run", "easy", 48, 8, { ascentM: 90 }),
      usual(2, "07:00", "run", "intervals", 62, 11, { ascentM: 60 }),
      usual(3, "07:00", "run", "easy", 47, 8, { ascentM: 80 }),
      usual(4, "07:00", "run", "tempo", 64, 11, { ascentM: 380 }),
      usual(6, "08:00", "run", "long", 140, 22, { ascentM: 820, rpe: 5 }),
      usual(7, "09:00", "run", "easy", 40, 6, { ascentM: 50 }),
    ],
    races: [
      {
        id: "heath-marathon",
        inDays: -130,
        name: "Long Heath Trail",
        sport: "run",
        distanceKm: 30,
        ascentM: 900,
        expectedMinutes: 205,
        priority: "A",
      },
      {
        id: "estuary-10",
        inDays: -60,
        name: "Estuary Ten",
        sport: "run",
        distanceKm: 10,
        ascentM: 60,
        expectedMinutes: 46,
        priority: "C",
      },
      {
        id: "harrow-quay",
        inDays: 32,
        name: "Harrow Quay 10 mile",
        sport: "run",
        distanceKm: 16.1,
        expectedMinutes: 78,
        priority: "B",
      },
      {
        id: "gullfoot",
        inDays: 66,
        name: "Gullfoot Ridge 50K",
        sport: "run",
        start: "07:00",
        distanceKm: 50,
        ascentM: 2400,
        expectedMinutes: 380,
        priority: "A",
      },
      {
        id: "tern-hill",
        inDays: 124,
        name: "Tern Hill relay",
        sport: "run",
        distanceKm: 8,
        expectedMinutes: 38,
        priority: "C",
      },
    ],
    away: [],
    screening: good,
    seen: [{ what: "hip-drop", side: "left" }],
    strength: { "back-squat": 1.05, "front-squat": 0.92, "trap-bar-deadlift": 1.45, "romanian-deadlift": 1.15 },
    jump: 0.17,
  },
  {
    seed: 23,
    facts: {
      name: "Ilse Quarmby",
      sport: "triathlon",
      birthYear: 1987,
      sex: "female",
      bodyMassKg: 58,
      strengthTrainingMonths: 30,
      timeZone: "Europe/Lisbon",
    },
    settings: { approach: "layered", placement: "stack" },
    health: healthy,
    places: [clubGym, homeFew],
    availability: [
      { day: 1, start: "19:00", minutes: 60, place: "club-gym" },
      { day: 3, start: "12:00", minutes: 45, place: "club-gym" },
      { day: 5, start: "18:00", minutes: 60, place: "club-gym" },
    ],
    usual: [
      usual(1, "06:30", "swim", "technique", 50, 2.4),
      usual(2, "06:15", "ride", "intervals", 75, 36, { ascentM: 300 }),
      usual(2, "18:30", "run", "easy", 40, 7),
      usual(3, "06:30", "swim", "threshold", 55, 2.8),
      usual(4, "07:00", "run", "tempo", 55, 10, { ascentM: 80 }),
      usual(6, "07:30", "ride", "long", 180, 88, { ascentM: 900 }),
      usual(7, "09:00", "run", "long", 85, 15, { ascentM: 120 }),
    ],
    races: [
      {
        id: "autumn-tri",
        inDays: -110,
        name: "Marram Olympic Distance",
        sport: "triathlon",
        expectedMinutes: 160,
        priority: "A",
      },
      {
        id: "saltpan-sprint",
        inDays: -32,
        name: "Saltpan Sprint",
        sport: "triathlon",
        expectedMinutes: 78,
        priority: "B",
      },
      {
        id: "lagoon-middle",
        inDays: 83,
        name: "Lagoon Middle Distance",
        sport: "triathlon",
        start: "07:30",
        distanceKm: 113,
        ascentM: 900,
        expectedMinutes: 330,
        priority: "A",
      },
    ],
    away: [{ from: 40, to: 44, kind: "travel", place: "home" }],
    screening: [
      ...good.filter((s) => s.test !== "calf-raise" && s.test !== "single-leg-squat"),
      { test: "calf-raise", left: 19, right: 26 },
      { test: "single-leg-squat", left: 7, right: 10 },
    ],
    seen: [{ what: "knee-in", side: "left" }],
    strength: { "back-squat": 1.15, "trap-bar-deadlift": 1.6, "romanian-deadlift": 1.2 },
    leftDeficit: 0.16,
  },
  {
    seed: 37,
    facts: {
      name: "Teodor Vance",
      sport: "ride",
      birthYear: 1983,
      sex: "male",
      bodyMassKg: 76,
      strengthTrainingMonths: 40,
      timeZone: "Europe/Lisbon",
    },
    settings: { approach: "heavy-economy", placement: "stack" },
    health: {
      clearanceNeeded: false,
      areas: [{ area: "low-back", side: "both", status: "past", since: "2023-05-01" }],
    },
    places: [clubGym],
    availability: [
      { day: 2, start: "18:00", minutes: 75, place: "club-gym" },
      { day: 4, start: "18:00", minutes: 75, place: "club-gym" },
    ],
    usual: [
      usual(2, "06:00", "ride", "threshold", 80, 42, { ascentM: 500 }),
      usual(3, "17:30", "ride", "easy", 60, 28, { ascentM: 150 }),
      usual(4, "06:00", "ride", "intervals", 70, 34, { ascentM: 450 }),
      usual(6, "08:00", "ride", "long", 230, 118, { ascentM: 1500 }),
      usual(7, "09:00", "ride", "easy", 90, 42, { ascentM: 250 }),
    ],
    races: [
      {
        id: "col-classic",
        inDays: 40,
        name: "Three Causeways Classic",
        sport: "ride",
        distanceKm: 120,
        ascentM: 1800,
        expectedMinutes: 265,
        priority: "A",
      },
      {
        id: "hill-climb",
        inDays: 96,
        name: "Beacon hill climb",
        sport: "ride",
        distanceKm: 6,
        ascentM: 420,
        expectedMinutes: 21,
        priority: "C",
      },
    ],
    away: [],
    screening: good,
    seen: [{ what: "rocking-pelvis" }],
    strength: { "back-squat": 1.3, "trap-bar-deadlift": 1.75, deadlift: 1.6, "romanian-deadlift": 1.3 },
    missedDays: 15,
  },
  {
    seed: 41,
    facts: {
      name: "Oskar Lindqvay",
      sport: "row",
      birthYear: 1998,
      sex: "male",
      bodyMassKg: 84,
      strengthTrainingMonths: 26,
      timeZone: "Europe/Lisbon",
    },
    settings: { approach: "steady", placement: "stack" },
    health: healthy,
    places: [boathouse],
    availability: [
      { day: 1, start: "17:00", minutes: 75, place: "boathouse" },
      { day: 3, start: "17:00", minutes: 60, place: "boathouse" },
      { day: 5, start: "17:00", minutes: 75, place: "boathouse" },
    ],
    usual: [
      usual(1, "06:00", "row", "easy", 60, 12),
      usual(2, "06:00", "row", "intervals", 70, 13),
      usual(3, "06:00", "row", "easy", 60, 12),
      usual(4, "06:00", "row", "threshold", 65, 14),
      usual(6, "08:00", "row", "long", 95, 20),
      usual(7, "10:00", "run", "easy", 40, 7),
    ],
    races: [
      {
        id: "autumn-head",
        inDays: -120,
        name: "Autumn Sculls",
        sport: "row",
        distanceKm: 4,
        expectedMinutes: 16,
        priority: "A",
      },
      {
        id: "winter-head",
        inDays: 1,
        name: "Reedwater Head",
        sport: "row",
        distanceKm: 5,
        expectedMinutes: 19,
        priority: "B",
      },
      {
        id: "spring-regatta",
        inDays: 72,
        name: "Saltmarsh Spring Regatta",
        sport: "row",
        distanceKm: 2,
        expectedMinutes: 7,
        days: 2,
        rounds: 3,
        priority: "A",
      },
    ],
    away: [],
    screening: good,
    seen: [{ what: "rounded-catch" }],
    strength: { "front-squat": 1.1, "back-squat": 1.25, "romanian-deadlift": 1.25, deadlift: 1.6 },
  },
  {
    seed: 53,
    facts: {
      name: "Bryn Hallow",
      sport: "hike",
      birthYear: 1979,
      sex: "male",
      bodyMassKg: 79,
      strengthTrainingMonths: 8,
      timeZone: "Europe/Lisbon",
    },
    settings: { approach: "layered", placement: "spread" },
    health: {
      clearanceNeeded: false,
      areas: [{ area: "knee-front", side: "right", status: "recent", since: "2026-01-01", setOffBy: "long descents" }],
      // On the way back since New Year: moving without load, for a fortnight at least.
      pathways: [
        {
          area: "knee-front",
          side: "right",
          since: "2026-01-01",
          steps: [{ stage: "move", date: "2026-02-20", by: "Coach Wren" }],
        },
      ],
    },
    places: [homeFew],
    availability: [
      { day: 1, start: "19:00", minutes: 50, place: "home" },
      { day: 3, start: "19:00", minutes: 50, place: "home" },
      { day: 5, start: "19:00", minutes: 35, place: "home" },
    ],
    usual: [
      usual(2, "18:00", "hike", "steady", 75, 6, { ascentM: 220, packKg: 6 }),
      usual(4, "18:00", "hike", "easy", 60, 5, { ascentM: 120 }),
      usual(6, "08:00", "hike", "long", 270, 18, { ascentM: 950, packKg: 9 }),
      usual(7, "10:00", "ride", "easy", 60, 20),
    ],
    races: [
      {
        id: "coast-traverse",
        inDays: 54,
        name: "Selvage Coast traverse",
        sport: "hike",
        distanceKm: 84,
        ascentM: 4200,
        days: 4,
        expectedMinutes: 1600,
        priority: "A",
      },
    ],
    away: [],
    screening: [
      { test: "dowel-hinge", value: 62 },
      { test: "wall-squat", value: 1 },
      { test: "single-leg-squat", left: 8, right: 6 },
      { test: "step-down", left: 20, right: 15 },
      { test: "calf-raise", left: 22, right: 21 },
    ],
    seen: [],
    strength: { "goblet-squat": 0.5, "kettlebell-deadlift": 0.6 },
  },
  {
    seed: 67,
    facts: {
      name: "Sunniva Drake",
      sport: "run",
      birthYear: 1994,
      sex: "female",
      bodyMassKg: 55,
      strengthTrainingMonths: 20,
      massUnit: "kg",
      distanceUnit: "mi",
      timeZone: "Europe/Lisbon",
    },
    settings: { approach: "layered", placement: "stack" },
    health: healthy,
    places: [clubGym],
    availability: [
      { day: 1, start: "12:00", minutes: 40, place: "club-gym" },
      { day: 3, start: "18:00", minutes: 75, place: "club-gym" },
      { day: 5, start: "12:00", minutes: 40, place: "club-gym" },
      { day: 6, start: "15:00", minutes: 60, place: "club-gym" },
    ],
    usual: [
      usual(1, "07:00", "run", "easy", 45, 8),
      usual(2, "07:00", "run", "easy", 50, 9),
      usual(3, "07:00", "run", "threshold", 65, 12),
      usual(5, "07:00", "run", "easy", 45, 8),
      usual(7, "08:30", "run", "long", 125, 24),
    ],
    races: [
      {
        id: "harbour-marathon",
        inDays: -8,
        name: "Old Harbour Marathon",
        sport: "run",
        distanceKm: 42.195,
        expectedMinutes: 212,
        priority: "A",
      },
      {
        id: "dune-half",
        inDays: 110,
        name: "Dune Half",
        sport: "run",
        distanceKm: 21.1,
        expectedMinutes: 98,
        priority: "A",
      },
    ],
    away: [],
    screenedLate: 50,
    screening: good,
    seen: [],
    strength: { "back-squat": 1.1, "trap-bar-deadlift": 1.55, "romanian-deadlift": 1.1, "front-squat": 0.9 },
    weekly: { start: 60, top: 72 },
  },
  {
    seed: 71,
    facts: {
      name: "Pell Ashdown",
      sport: "run",
      birthYear: 1969,
      sex: "unspecified",
      bodyMassKg: 70,
      strengthTrainingMonths: 4,
      massUnit: "lb",
      distanceUnit: "mi",
      timeZone: "Europe/Lisbon",
    },
    settings: { approach: "layered", placement: "spread", strictPain: true },
    health: {
      clearanceNeeded: false,
      areas: [{ area: "achilles", side: "left", status: "current", since: "2026-01-15", setOffBy: "added speed" }],
      // Settled and moving: loads can be confirmed.
      pathways: [
        {
          area: "achilles",
          side: "left",
          since: "2026-01-15",
          steps: [
            {
              stage: "move",
              date: "2026-02-02",
              by: "Coach Wren",
              clinician: "Ada Finch, physiotherapist",
              limits: "No speed work until loads go well.",
            },
          ],
        },
      ],
    },
    places: [placeFrom("home-weights", "home", "lb")],
    availability: [
      { day: 2, start: "20:00", minutes: 35, place: "home" },
      { day: 5, start: "20:00", minutes: 45, place: "home" },
    ],
    usual: [
      usual(1, "07:30", "run", "easy", 35, 5),
      usual(3, "07:30", "run", "steady", 45, 7),
      usual(6, "09:00", "run", "long", 80, 12),
    ],
    races: [
      {
        id: "parish-10k",
        inDays: 47,
        name: "Lantern Row 10K",
        sport: "run",
        distanceKm: 10,
        expectedMinutes: 58,
        priority: "A",
      },
    ],
    away: [],
    screening: [
      { test: "dowel-hinge", value: 55 },
      { test: "wall-squat", value: 0 },
      { test: "single-leg-squat", left: 6, right: 7 },
      { test: "calf-raise", left: 14, right: 20 },
    ],
    seen: [],
    strength: { "goblet-squat": 0.35, "kettlebell-deadlift": 0.4 },
  },
  {
    seed: 83,
    facts: {
      name: "Tamsin Orrell",
      sport: "hike",
      birthYear: 1958,
      sex: "female",
      bodyMassKg: 64,
      strengthTrainingMonths: 0,
      timeZone: "Europe/Lisbon",
    },
    settings: { approach: "control", placement: "spread" },
    health: {
      clearanceNeeded: true,
      clearance: {
        date: "2025-12-01",
        by: "Dr. H. Quell, general practice",
        limits: "Moderate effort, breathing through every repetition.",
        rules: ["moderate-effort"],
      },
      areas: [{ area: "groin", side: "right", status: "current", since: "2026-01-20", setOffBy: "weekly distance" }],
    },
    places: [homePack],
    availability: [
      { day: 1, start: "10:00", minutes: 45, place: "home" },
      { day: 4, start: "10:00", minutes: 45, place: "home" },
      { day: 6, start: "16:00", minutes: 30, place: "home" },
    ],
    usual: [
      usual(2, "09:00", "hike", "easy", 75, 6, { ascentM: 120 }),
      usual(5, "09:00", "hike", "steady", 90, 7, { ascentM: 200 }),
      usual(7, "09:00", "hike", "long", 180, 14, { ascentM: 420 }),
    ],
    races: [
      {
        id: "gannet-walk",
        inDays: 96,
        name: "Gannet Cliff two-day walk",
        sport: "hike",
        days: 2,
        distanceKm: 38,
        ascentM: 1300,
        expectedMinutes: 700,
        priority: "A",
      },
    ],
    away: [],
    screening: [
      { test: "single-leg-squat", left: 4, right: 5 },
      { test: "step-down", left: 10, right: 15 },
      { test: "calf-raise", left: 16, right: 20 },
      { test: "side-hold", left: 18, right: 24 },
    ],
    seen: [{ what: "hip-drop", side: "right" }],
    strength: {},
    begins: 2,
  },
];
