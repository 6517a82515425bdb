/** What a day's row of the approach prescribes to one athlete: ranges become numbers. */
import { approachFor, type Direction, directionOf, type LineOver, rowFor, sessionsAWeek } from "../approach";
import {
  type Approach,
  type Athlete,
  buildsUp,
  COLUMNS,
  type Column,
  type DoseCell,
  type DoseRow,
  type Emphasis,
  type Gate,
  type LinePoint,
  type Phase,
  type Range,
  type Stage,
} from "../athlete";
import { onceFor } from "../once";
import { numbers, type Why, why } from "../rulebook";
import { holdAt, type LineFor, limited, lineFor, steppedBack, wholeReps } from "./line";
import { percentFor, repsAt } from "./oneRepMax";

/** One kind of work: sets, reps [low, high], RIR, rest. */
export interface Dose {
  sets: number;
  repsLow: number;
  reps: number;
  /** Top of the repetitions, at which work without load takes its next step. */
  repsMost: number;
  rir: number;
  /** Percent of 1RM where the approach speaks in percent, or holds the percent of the build; null goes by reps and RIR. */
  percent: number | null;
  /** Seconds of a hold. */
  seconds: number;
  secondsMost: number;
  restSeconds: number;
  tempo: string | null;
}

/** What a day's doses are: those of a block's loading weeks, of its step-back, of a hold, or a row as it stands. */
export type DoseKind = "line" | "step-back" | "hold" | "row";

/** The doses of a kind of work: one for each loading week of the block, a single one outside of blocks. */
export interface ColumnDose {
  kind: DoseKind;
  /** Work that load leads. */
  loaded: readonly Dose[];
  /** Ladders, bodyweight, control: from few repetitions to many. */
  unloaded: readonly Dose[];
}

export interface SessionDose {
  approach: string;
  emphasis: Emphasis;
  cells: Readonly<Record<Column, ColumnDose>>;
  /** Planned effort of the session (rule session.rpe). */
  rpe: number;
  says: string;
  why: Why[];
}

/** A loading week of a block as the doses need it. */
export interface BlockPlace extends LineOver {
  /** Which loading week it is, from 1. */
  week: number;
}

/** Who the numbers are for. */
export interface DoseFor extends LineFor {
  /** The mileage leaves room for progress this week. */
  room?: boolean;
}

/** A day as its doses need it. */
export interface DoseDay {
  phase: Phase;
  stage: Stage;
  emphasis: Emphasis;
  /** What a hold day holds: the row of the build before it. */
  holds: Stage;
  /** The last percent of that build's leading lifts, where it is known. */
  held?: Readonly<Partial<Record<Column, number>>> | undefined;
  /** The block it stands in; null outside of blocks. */
  block?: BlockPlace | null;
  /** The block that ended right before its week. */
  closes?: BlockPlace | null;
  /** Its week steps back. */
  stepBack?: boolean;
}

/** Which end of a range: trained lifters with room take the high one, everybody else the low one [trade]. */
const setsOf = (sets: Range, f: DoseFor): number => (f.gate.training === "trained" && f.room ? sets[1] : sets[0]);

/** Trained lifters work to the low end of the reserve, others keep the high one; never under what age or clearance asks for. */
const rirOf = (rir: Range, f: DoseFor): number =>
  Math.max(f.gate.training === "trained" ? rir[0] : rir[1], f.gate.minRir);

/** A cell for one athlete, as its ranges stand. */
export function doseOf(cell: DoseCell, f: DoseFor): Dose {
  const { percent } = cell;
  const [repsLow, high] = cell.reps;
  // With a percent the reserve follows from it, never below what the athlete's age or clearance asks for.
  const left = percent === null ? null : Math.max(0, Math.floor((repsAt(percent, f.formula) ?? high) - high + 1e-6));
  const asked = left === null ? rirOf(cell.rir ?? [2, 2], f) : Math.max(left, f.gate.minRir);
  const { reps, rir } =
    f.gate.minor || f.gate.moderate ? limited({ reps: high, rir: asked }, f) : { reps: high, rir: asked };
  return doseFrom(cell, {
    sets: setsOf(cell.sets, f),
    repsLow: Math.min(reps, Math.max(repsLow, f.gate.minor ? reps : 0)),
    reps,
    repsMost: reps,
    rir,
    // An age that asks for more in reserve than the percent leaves goes by the reserve.
    percent: left !== null && (rir > left || reps !== high) ? null : percent,
    seconds: cell.seconds[0],
  });
}

type Told = Omit<Dose, "secondsMost" | "restSeconds" | "tempo">;

/** A dose of a cell, with what it gives whatever the week. */
const doseFrom = (cell: DoseCell, { sets, repsLow, reps, repsMost, rir, percent, seconds }: Told): Dose => ({
  sets,
  repsLow,
  reps,
  repsMost,
  rir,
  percent,
  seconds,
  secondsMost: cell.seconds[1],
  restSeconds: cell.restSeconds,
  tempo: cell.tempo,
});

/** Which point a dose stands at, from 0: each in turn, the last that was reached, or the first once more. */
const pointOf = (kind: "line" | "step-back" | "row", nth: number, week: number, of: number): number =>
  kind === "line" ? nth : kind === "row" ? Math.min(week, of) - 1 : 0;

/** Holds and timed work grow along a line as they grow by the log, up to the top of their range. */
const secondsAt = (cell: DoseCell, point: number): number =>
  Math.min(cell.seconds[1], cell.seconds[0] + numbers("progress.ladder").seconds * point);

const LEADS: readonly Column[] = ["squat", "hinge"];
/** Repetitions of bodyweight work in a slot of few (rule session.slots). */
const { bodyweightLow, bodyweightHigh } = numbers("session.slots");

/** The cell of work without load: where the row asks for few repetitions, bodyweight work keeps its own. */
const unloadedCell = (cell: DoseCell): DoseCell => {
  const [low, high] = cell.reps;
  if (low >= bodyweightLow) return cell;
  const reps: Range = [bodyweightLow, Math.max(high, bodyweightHigh)];
  return high < bodyweightLow ? { ...cell, reps, percent: null, rir: cell.rir ?? [2, 2] } : { ...cell, reps };
};

/** The doses of one column on a day. */
class Doses {
  constructor(
    private readonly approach: Approach,
    private readonly day: DoseDay,
    private readonly f: DoseFor,
    /** The approach of the build that a hold keeps. */
    private readonly built: Approach,
  ) {}

  of(column: Column): ColumnDose {
    const { day, approach } = this;
    const cell = approach.rows[day.stage].cells[column];
    const builds = buildsUp(day.emphasis);
    if (builds && day.block) return this.line(column, cell, "line", day.block);
    if (builds && day.closes) return this.line(column, cell, day.stepBack ? "step-back" : "row", day.closes);
    const row = doseOf(cell, this.f);
    const unloaded = [doseOf(unloadedCell(cell), this.f)];
    return approach.rows[day.stage].samePercent && LEADS.includes(column)
      ? { kind: "hold", loaded: [this.hold(column, cell)], unloaded }
      : { kind: "row", loaded: [row], unloaded };
  }

  /** The doses of a block's line; of one that is over its step-back, or its last point once more. */
  private line(column: Column, cell: DoseCell, kind: "line" | "step-back" | "row", block: BlockPlace): ColumnDose {
    const { approach, day, f } = this;
    const dosesOf = (of: DoseCell, direction: Direction): Dose[] => {
      const points =
        of.percent !== null && direction === "load"
          ? this.byPercent(of, block)
          : lineFor(
              {
                approach: of === cell ? approach : withCell(approach, day.stage, column, of),
                stage: day.stage,
                column,
                direction,
                over: block,
              },
              f,
            );
      const shown = kind === "line" ? points : over(points, block.week, kind, direction);
      return shown.map(({ sets, reps, rir }, i) =>
        doseFrom(of, {
          sets: f.gate.training === "trained" && f.room ? Math.max(sets, of.sets[1]) : sets,
          repsLow: reps,
          reps,
          repsMost: Math.max(of.reps[1], reps),
          rir,
          percent: null,
          seconds: direction === "load" ? of.seconds[0] : secondsAt(of, pointOf(kind, i, block.week, points.length)),
        }),
      );
    };
    const led = directionOf(approach, column);
    return {
      kind,
      loaded: dosesOf(cell, led),
      unloaded: dosesOf(unloadedCell(cell), led === "assist" ? led : "control"),
    };
  }

  /** A cell that speaks in percent keeps it; its repetitions fall, and the reserve is what they leave. */
  private byPercent(cell: DoseCell, over: LineOver): LinePoint[] {
    const { approach, day, f } = this;
    const can = wholeReps(cell.percent ?? 0, f.formula);
    const plain = withCell(approach, day.stage, "squat", { ...cell, percent: null, rir: [0, 0] });
    return lineFor({ approach: plain, stage: day.stage, column: "squat", direction: "load", over }, f).map((p) => ({
      ...p,
      ...limited({ reps: p.reps, rir: Math.max(0, can - p.reps) }, f),
    }));
  }

  private hold(column: Column, cell: DoseCell): Dose {
    const { day, f } = this;
    const known = day.held?.[column];
    const first = lineFor(
      { approach: this.built, stage: day.holds, column, direction: "load", over: { weeks: 1, nth: 1, before: 0 } },
      f,
    )[0];
    const build = known ?? (first && percentFor(first.reps + first.rir, f.formula)) ?? numbers("hold.line").percent;
    const { reps, rir, percent } = holdAt(build, cell.reps[1], f);
    const [seconds] = cell.seconds;
    return doseFrom(cell, { sets: setsOf(cell.sets, f), repsLow: reps, reps, repsMost: reps, rir, percent, seconds });
  }
}

/** What follows a block's last loading week. */
function over(
  points: readonly LinePoint[],
  week: number,
  kind: "step-back" | "row",
  direction: Direction,
): LinePoint[] {
  const first = points[0];
  const last = points[Math.min(week, points.length) - 1];
  if (!first || !last) return [];
  if (kind === "row") return [last];
  return [direction === "load" ? steppedBack(first, last) : { ...first, sets: last.sets }];
}

/** An approach with another cell in one place, and no line written down for it. */
const withCell = (a: Approach, stage: Stage, column: Column, cell: DoseCell): Approach => ({
  ...a,
  lines: {},
  rows: { ...a.rows, [stage]: { ...a.rows[stage], cells: { ...a.rows[stage].cells, [column]: cell } } },
});

/** Which part of the ranges a week takes, in words; null where what restores has none. */
function endsOf({ block, closes, stepBack, emphasis }: DoseDay, f: DoseFor): string | null {
  if (emphasis === "restore") return null;
  const builds = buildsUp(emphasis);
  if (builds && block) return `week ${block.week} of ${block.weeks} of this block`;
  if (builds && closes && stepBack) return "the step-back week of its block";
  return f.gate.training === "trained" && f.room
    ? "the upper end of the ranges: trained, and the mileage leaves room"
    : `the lower end of the ranges${f.gate.training === "new" ? " for a new lifter" : ""}`;
}

type Owner = Pick<Athlete, "settings" | "approaches">;

const cellsKept = onceFor((_: Owner) => new Map<string, SessionDose["cells"]>());

/** The doses of a day by kind of work. A block's loading weeks share theirs: each holds all of its points. */
function cellsOn(athlete: Owner, day: DoseDay, f: DoseFor): SessionDose["cells"] {
  const { minRir, training, minor, easier, moderate } = f.gate;
  const { week: _, ...over } = day.block ?? {};
  const key = JSON.stringify([
    { ...day, block: day.block ? over : null },
    minRir,
    training,
    minor,
    easier,
    moderate,
    f.room,
    f.formula,
  ]);
  const kept = cellsKept(athlete);
  const known = kept.get(key);
  if (known) return known;
  const who = {
    ...f,
    formula: f.formula ?? athlete.settings?.oneRepMax ?? "default",
    own: athlete.settings?.ruleValues,
  };
  const doses = new Doses(approachFor(athlete, day.phase), day, who, approachFor(athlete, "build"));
  const cells = Object.fromEntries(COLUMNS.map((c) => [c, doses.of(c)])) as Record<Column, ColumnDose>;
  kept.set(key, cells);
  return cells;
}

/** What a session of a day takes. */
export function sessionDose(athlete: Owner, day: DoseDay, f: DoseFor): SessionDose {
  const approach = approachFor(athlete, day.phase);
  const row = approach.rows[day.stage];
  const cells = cellsOn(athlete, day, f);
  const ends = endsOf(day, f);
  const version = approach.version > 1 ? `, version ${approach.version}` : "";
  return {
    approach: approach.id,
    emphasis: day.emphasis,
    cells,
    rpe: numbers("session.rpe").rpe[day.emphasis],
    says: row.says,
    why: [
      approach.id === "layered"
        ? why("emphasis.layered", "dose", { name: `${approach.name}${version}`, says: row.says, ends })
        : why("approach.dose", "dose", { name: `${approach.name}${version}`, says: row.says, ends }),
    ],
  };
}

/**
 * Sessions of a full week at a day's row. A race phase that goes back to prepare keeps its own number.
 * @returns a number that need not be whole, such as 1.6 in a row that slides
 */
export function perWeek(
  athlete: Pick<Athlete, "settings" | "approaches">,
  day: { phase: Phase; stage: Stage; through: number },
  training: Gate["training"],
): number {
  const of = (row: DoseRow) => sessionsAWeek(row, training === "trained", day.through);
  const own = of(rowFor(athlete, day.phase, day.stage));
  return day.phase === "race" && day.stage !== "race" ? Math.min(own, of(rowFor(athlete, "race", "race"))) : own;
}
