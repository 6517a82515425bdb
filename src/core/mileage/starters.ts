/** Usual weeks to begin from, by sport and sessions a week: invented by us [house]. Key sessions never stand on days in a row. */
import type { SessionKind, SessionSport, Sport, UsualSession } from "../athlete";
import { freeId } from "./usual";

/** Sessions a week that there is a starter for, at least and at most. */
export const STARTER_SESSIONS = { least: 3, most: 7 } as const;
/** Each of them. */
export const STARTER_COUNTS = Array.from(
  { length: STARTER_SESSIONS.most - STARTER_SESSIONS.least + 1 },
  (_, i) => STARTER_SESSIONS.least + i,
);

/** Weekday, kind and hundredths of the week; a sport where it is not the athlete's own. */
type Row = readonly [day: number, kind: SessionKind, share: number, sport?: SessionSport];

const RUN: readonly (readonly Row[])[] = [
  [
    [2, "intervals", 30],
    [4, "easy", 27],
    [7, "long", 43],
  ],
  [
    [2, "intervals", 22],
    [3, "easy", 20],
    [5, "easy", 20],
    [7, "long", 38],
  ],
  [
    [2, "intervals", 18],
    [3, "easy", 17],
    [4, "tempo", 18],
    [6, "easy", 14],
    [7, "long", 33],
  ],
  [
    [1, "easy", 13],
    [2, "intervals", 16],
    [3, "easy", 16],
    [4, "tempo", 17],
    [6, "easy", 10],
    [7, "long", 28],
  ],
  [
    [1, "easy", 12],
    [2, "intervals", 15],
    [3, "easy", 14],
    [4, "tempo", 15],
    [5, "easy", 10],
    [6, "easy", 8],
    [7, "long", 26],
  ],
];
const RIDE: readonly (readonly Row[])[] = [
  [
    [2, "intervals", 25],
    [4, "steady", 30],
    [6, "long", 45],
  ],
  [
    [2, "intervals", 20],
    [4, "tempo", 20],
    [6, "long", 40],
    [7, "easy", 20],
  ],
  [
    [2, "intervals", 16],
    [3, "easy", 15],
    [4, "tempo", 17],
    [6, "long", 36],
    [7, "easy", 16],
  ],
  [
    [1, "easy", 10],
    [2, "intervals", 15],
    [3, "easy", 14],
    [4, "tempo", 15],
    [6, "long", 32],
    [7, "easy", 14],
  ],
  [
    [1, "easy", 9],
    [2, "intervals", 14],
    [3, "easy", 12],
    [4, "tempo", 14],
    [5, "easy", 10],
    [6, "long", 29],
    [7, "easy", 12],
  ],
];
const ROW: readonly (readonly Row[])[] = [
  [
    [2, "intervals", 30],
    [4, "steady", 30],
    [6, "long", 40],
  ],
  [
    [2, "intervals", 22],
    [4, "steady", 24],
    [6, "long", 34],
    [7, "technique", 20],
  ],
  [
    [2, "intervals", 18],
    [3, "technique", 16],
    [4, "steady", 20],
    [6, "long", 30],
    [7, "easy", 16],
  ],
  [
    [1, "technique", 14],
    [2, "intervals", 17],
    [3, "steady", 17],
    [4, "threshold", 15],
    [6, "long", 25],
    [7, "easy", 12],
  ],
  [
    [1, "technique", 12],
    [2, "intervals", 15],
    [3, "steady", 15],
    [4, "threshold", 13],
    [5, "easy", 11],
    [6, "long", 23],
    [7, "easy", 11],
  ],
];
const HIKE: readonly (readonly Row[])[] = [
  [
    [2, "easy", 20],
    [4, "steady", 25],
    [6, "long", 55],
  ],
  [
    [2, "easy", 15],
    [3, "easy", 15],
    [4, "steady", 20],
    [6, "long", 50],
  ],
  [
    [2, "easy", 13],
    [3, "easy", 12],
    [4, "steady", 18],
    [6, "long", 42],
    [7, "easy", 15],
  ],
  [
    [1, "easy", 10],
    [2, "easy", 11],
    [3, "easy", 11],
    [4, "steady", 17],
    [6, "long", 38],
    [7, "easy", 13],
  ],
  [
    [1, "easy", 9],
    [2, "easy", 10],
    [3, "easy", 10],
    [4, "steady", 16],
    [5, "easy", 9],
    [6, "long", 34],
    [7, "easy", 12],
  ],
];
const TRIATHLON: readonly (readonly Row[])[] = [
  [
    [2, "technique", 20, "swim"],
    [4, "tempo", 30, "run"],
    [6, "long", 50, "ride"],
  ],
  [
    [1, "technique", 15, "swim"],
    [2, "intervals", 20, "run"],
    [4, "tempo", 25, "ride"],
    [6, "long", 40, "ride"],
  ],
  [
    [1, "technique", 14, "swim"],
    [2, "intervals", 15, "run"],
    [4, "threshold", 18, "ride"],
    [6, "long", 33, "ride"],
    [7, "easy", 20, "run"],
  ],
  [
    [1, "technique", 12, "swim"],
    [2, "intervals", 14, "run"],
    [3, "easy", 14, "ride"],
    [4, "steady", 12, "swim"],
    [6, "long", 30, "ride"],
    [7, "easy", 18, "run"],
  ],
  [
    [1, "technique", 11, "swim"],
    [2, "intervals", 13, "run"],
    [3, "easy", 13, "ride"],
    [4, "tempo", 12, "run"],
    [5, "steady", 11, "swim"],
    [6, "long", 26, "ride"],
    [7, "easy", 14, "run"],
  ],
];
const BY_SPORT: Readonly<Record<Sport, readonly (readonly Row[])[]>> = {
  run: RUN,
  ride: RIDE,
  row: ROW,
  hike: HIKE,
  triathlon: TRIATHLON,
};

const SATURDAY = 6;
/** Hours that a starter begins at on working days and at weekends, and metres up an hour of a hike. */
const USUAL = { workday: "06:30", weekend: "08:30", ascentM: 250 } as const;

/**
 * @param sessions a week; taken to the nearest there is a starter for
 * @returns a usual week whose shares make one
 */
export function starterWeek(sport: Sport, sessions: number): UsualSession[] {
  const { least, most } = STARTER_SESSIONS;
  const rows = BY_SPORT[sport][Math.max(least, Math.min(most, sessions)) - least] ?? [];
  return rows.map(
    ([day, kind, hundredths, other]): UsualSession => ({
      id: freeId([], day),
      day,
      start: day >= SATURDAY ? USUAL.weekend : USUAL.workday,
      sport: other ?? sport,
      kind,
      share: hundredths / 100,
      ...(sport === "hike" ? { ascentM: USUAL.ascentM } : {}),
    }),
  );
}
