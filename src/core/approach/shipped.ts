/**
 * The six approaches as they ship (rule approach.dose). Sets, repetitions, reserve and sessions a week of the leading lifts are the trade's
 * table; rests follow its section 7; what it leaves open (single-leg work, assistance, holds) is ours [house].
 */

import type { Approach, ApproachId, DoseCell, DoseRow, Emphasis, Range } from "../athlete";
import { LAYERED_LINES } from "./shippedLines";

interface Work {
  sets: Range;
  reps: Range;
  rir: Range;
  rest: number;
  seconds?: Range;
  tempo?: string;
}

const cell = ({ sets, reps, rir, rest, seconds = [20, 30], tempo }: Work): DoseCell => ({
  sets,
  reps,
  rir,
  percent: null,
  seconds,
  restSeconds: rest,
  tempo: tempo ?? null,
});

interface RowOptions {
  /** Single-leg and hip work; like the main lifts where nothing is said. */
  single?: Work;
  assist?: Work;
  /** Seconds of holds. */
  holds?: Range;
  slides?: boolean;
  samePercent?: boolean;
  /** Hip work where it differs from the single-leg work. */
  hip?: Work;
}

const ASSIST: Work = { sets: [2, 3], reps: [10, 12], rir: [3, 3], rest: 45 };

function row(emphasis: Emphasis, perWeek: Range, main: Work, says: string, o: RowOptions = {}): DoseRow {
  const single = cell(o.single ?? main);
  const assist = cell({ ...(o.assist ?? ASSIST), ...(o.holds ? { seconds: o.holds } : {}) });
  return {
    emphasis,
    perWeek,
    slides: o.slides ?? false,
    samePercent: o.samePercent ?? false,
    says,
    cells: {
      squat: cell(main),
      hinge: cell(main),
      "split-squat": single,
      hip: o.hip ? cell(o.hip) : { ...single, ...(o.holds ? { seconds: o.holds } : {}) },
      assist,
      calf: assist,
      trunk: assist,
      upper: assist,
    },
  };
}

const LIGHT_ASSIST: Work = { sets: [2, 2], reps: [8, 10], rir: [2, 2], rest: 45, seconds: [20, 30] };

/** Restore is the same in all schools: bodyweight progressions 2 x 5-8, then light loads (rule restore.visits). */
const RESTORE = row(
  "restore",
  [4, 6],
  { sets: [2, 2], reps: [5, 8], rir: [4, 5], rest: 60 },
  "Restore: short visits, no load, then bodyweight, then light loads",
  { assist: { sets: [2, 2], reps: [5, 8], rir: [4, 5], rest: 45 }, holds: [15, 20] },
);

const SHIPPED: Record<ApproachId, Omit<Approach, "id" | "basis" | "version">> = {
  layered: {
    name: "Layered",
    build: "lifts",
    rows: {
      "base-early": row(
        "prepare",
        [2, 3],
        { sets: [2, 3], reps: [10, 15], rir: [3, 4], rest: 75 },
        "Prepare: 2 to 3 sets of 10 to 15, bodyweight to light, 3 to 4 in reserve",
        { single: { sets: [2, 3], reps: [10, 15], rir: [3, 4], rest: 60 } },
      ),
      "base-late": row(
        "develop",
        [2, 2],
        { sets: [3, 3], reps: [6, 10], rir: [2, 3], rest: 120 },
        "Develop: 3 sets of 6 to 10, 2 to 3 in reserve",
        { single: { sets: [3, 3], reps: [8, 10], rir: [2, 3], rest: 90 } },
      ),
      build: row(
        "maximal",
        [2, 2],
        { sets: [3, 4], reps: [3, 6], rir: [1, 2], rest: 180 },
        "Maximal: 3 to 4 sets of 3 to 6, 1 to 2 in reserve, full rest",
        { single: { sets: [3, 4], reps: [5, 8], rir: [2, 3], rest: 120 }, assist: LIGHT_ASSIST },
      ),
      race: row(
        "hold",
        [1, 1],
        { sets: [3, 3], reps: [3, 5], rir: [2, 3], rest: 180 },
        "Hold: once a week, 3 sets of 3 to 5 at the build's last percent",
        {
          single: { sets: [3, 3], reps: [5, 6], rir: [2, 2], rest: 120 },
          assist: LIGHT_ASSIST,
          samePercent: true,
        },
      ),
      recovery: RESTORE,
    },
  },
  "heavy-economy": {
    name: "Heavy economy",
    build: "lifts",
    rows: {
      "base-early": row(
        "prepare",
        [2, 2],
        { sets: [3, 3], reps: [8, 8], rir: [3, 3], rest: 90 },
        "Prepare: 3 sets of 8, 3 in reserve",
      ),
      "base-late": row(
        "maximal",
        [2, 2],
        { sets: [3, 4], reps: [4, 6], rir: [2, 2], rest: 180 },
        "Maximal: 3 to 4 sets of 4 to 6, 2 in reserve, 3 minutes' rest",
        { single: { sets: [3, 3], reps: [5, 6], rir: [2, 2], rest: 120 }, assist: LIGHT_ASSIST },
      ),
      build: row(
        "maximal",
        [1, 2],
        { sets: [3, 4], reps: [4, 6], rir: [2, 2], rest: 180 },
        "Maximal: twice a week, sliding to once, 3 to 4 sets of 4 to 6, 2 in reserve",
        { single: { sets: [3, 3], reps: [5, 6], rir: [2, 2], rest: 120 }, assist: LIGHT_ASSIST, slides: true },
      ),
      race: row(
        "hold",
        [1, 1],
        { sets: [3, 3], reps: [4, 5], rir: [2, 3], rest: 180 },
        "Hold: once a week, 3 sets of 4 to 5, good for about six weeks",
        {
          single: { sets: [3, 3], reps: [5, 6], rir: [2, 2], rest: 120 },
          assist: LIGHT_ASSIST,
          samePercent: true,
        },
      ),
      recovery: RESTORE,
    },
  },
  steady: {
    name: "Steady sixes to eights",
    build: "lifts",
    rows: {
      "base-early": row(
        "develop",
        [2, 2],
        { sets: [3, 3], reps: [6, 8], rir: [3, 3], rest: 120 },
        "Develop: 3 sets of 6 to 8, 3 in reserve",
        { single: { sets: [3, 3], reps: [6, 8], rir: [3, 3], rest: 90 } },
      ),
      "base-late": row(
        "develop",
        [2, 2],
        { sets: [3, 4], reps: [6, 8], rir: [2, 3], rest: 120 },
        "Develop: 3 to 4 sets of 6 to 8, 2 to 3 in reserve",
        { single: { sets: [3, 4], reps: [6, 8], rir: [2, 3], rest: 90 } },
      ),
      build: row(
        "develop",
        [2, 2],
        { sets: [3, 3], reps: [6, 8], rir: [2, 3], rest: 120 },
        "Develop: 3 sets of 6 to 8, twice a week through the build",
        { single: { sets: [3, 3], reps: [6, 8], rir: [2, 3], rest: 90 } },
      ),
      race: row(
        "hold",
        [1, 1],
        { sets: [3, 3], reps: [6, 6], rir: [2, 3], rest: 120 },
        "Hold: once a week, 3 sets of 6",
        { samePercent: true },
      ),
      recovery: RESTORE,
    },
  },
  control: {
    name: "Control and durability",
    build: "ladders",
    rows: {
      "base-early": row(
        "prepare",
        [3, 3],
        { sets: [3, 3], reps: [12, 15], rir: [3, 3], rest: 45 },
        "Prepare: three times a week, 3 sets of 12 to 15, harder versions before load",
        { assist: { sets: [2, 3], reps: [12, 15], rir: [3, 3], rest: 30 } },
      ),
      "base-late": row(
        "prepare",
        [3, 3],
        { sets: [3, 3], reps: [15, 15], rir: [3, 3], rest: 45 },
        "Three times a week, 3 sets of 15, harder versions before load",
        { assist: { sets: [2, 3], reps: [12, 15], rir: [3, 3], rest: 30 } },
      ),
      build: row(
        "develop",
        [2, 3],
        { sets: [3, 3], reps: [12, 15], rir: [3, 3], rest: 45 },
        "Two to three times a week, 3 sets of 12 to 15",
        { assist: { sets: [2, 3], reps: [12, 15], rir: [3, 3], rest: 30 } },
      ),
      race: row(
        "hold",
        [2, 2],
        { sets: [2, 2], reps: [10, 12], rir: [3, 3], rest: 45 },
        "Hold: twice a week, 2 sets of 10 to 12",
        { assist: { sets: [1, 2], reps: [10, 12], rir: [3, 3], rest: 30 } },
      ),
      recovery: RESTORE,
    },
  },
  "full-range": {
    name: "Full range",
    build: "full-range",
    rows: {
      "base-early": row(
        "prepare",
        [2, 2],
        { sets: [3, 3], reps: [8, 12], rir: [3, 3], rest: 90 },
        "Two leg days: deep split squat 3 to 4 sets of 8 to 12 a side on one, quad stretch on both, hip flexors on both",
        { single: { sets: [3, 4], reps: [8, 12], rir: [3, 3], rest: 75 }, holds: [15, 30] },
      ),
      "base-late": row(
        "develop",
        [2, 2],
        { sets: [3, 3], reps: [8, 12], rir: [2, 3], rest: 90 },
        "Two leg days, the same work, a step harder",
        { single: { sets: [3, 4], reps: [8, 12], rir: [2, 3], rest: 75 }, holds: [15, 30] },
      ),
      build: row(
        "develop",
        [2, 2],
        { sets: [3, 3], reps: [8, 12], rir: [2, 3], rest: 90 },
        "Two leg days, the same work loaded",
        { single: { sets: [3, 4], reps: [8, 12], rir: [2, 3], rest: 75 }, holds: [15, 30] },
      ),
      race: row("hold", [1, 1], { sets: [3, 3], reps: [8, 12], rir: [3, 3], rest: 90 }, "Hold: one leg day a week", {
        single: { sets: [3, 3], reps: [8, 12], rir: [3, 3], rest: 75 },
        holds: [15, 30],
      }),
      recovery: { ...RESTORE, says: "Restore: assisted versions only" },
    },
  },
  "paired-routines": {
    name: "Paired routines",
    build: "routines",
    rows: {
      "base-early": routine("prepare", 1, [20, 30]),
      "base-late": routine("prepare", 2, [30, 40]),
      build: routine("develop", 3, [40, 45]),
      race: {
        ...routine("hold", 3, [30, 40]),
        says: "Hold: the routine after every run, shortened",
      },
      recovery: { ...RESTORE, says: "Restore: the short routine only" },
    },
  },
};

function routine(emphasis: Emphasis, stage: number, seconds: Range): DoseRow {
  const work: Work = { sets: [1, 2], reps: [8, 12], rir: [3, 4], rest: 20, seconds, tempo: "3-0-1" };
  return row(
    emphasis,
    [3, 7],
    work,
    `Routine after every run, stage ${stage}: 15 min after easy runs, 25 min after hard ones; holds of ${seconds[0]} to ${seconds[1]} s`,
    { assist: work },
  );
}

export const SHIPPED_APPROACHES: readonly Approach[] = (Object.keys(SHIPPED) as ApproachId[]).map((id) => ({
  id,
  basis: id,
  version: 1,
  ...SHIPPED[id],
  ...(id === "layered" ? { lines: LAYERED_LINES } : {}),
}));

const BY_ID = new Map(SHIPPED_APPROACHES.map((a) => [a.id, a]));
export const shippedApproach = (id: ApproachId): Approach => BY_ID.get(id) as Approach;
