/** The season week by week: endurance figures, step-back weeks, mileage rules, and the sessions each week asks for. */
import { type Athlete, type EnduranceSession, hasAbsence, isOn, type Phase, safetyGate } from "../athlete";
import { addDays, dayNumber, type IsoDate, mondayOf } from "../dates";
import {
  byWeek,
  changeAgainstOrdinary,
  type Known,
  knownOf,
  type MileageChange,
  mileageRule,
  mostFrequent,
  NO_MILEAGE_RULE,
  UsualWeek,
  type WeekFigures,
  weeklyFigures,
} from "../endurance";
import { numbers, type RuleValues, type Why, why } from "../rulebook";
import { type BlockWeek, loadingWeeks } from "./blocks";
import { cutsOf, spikeWhy } from "./cuts";
import type { SeasonDay } from "./day";
import { seasonDays } from "./days";
import type { SeasonPhase } from "./phase";
import { followsRuns, type PerWeek, wantedRoutines, wantedSessions } from "./wanted";
import { buildOf, buildsIn, type SeasonWeek } from "./week";

/**
 * Every week that touches the season.
 * @param perWeek sessions of a full week at a day's emphasis
 * @param asOf the day up to which the log is known
 */
export function seasonWeeks(
  athlete: Athlete,
  phases: readonly SeasonPhase[],
  perWeek: PerWeek,
  asOf?: IsoDate,
): SeasonWeek[] {
  return new WeekPlanner(athlete, phases, perWeek, asOf).weeks();
}

/** Weeks in a row that build up the same. */
interface Run {
  builds: string;
  /** Loading weeks of the block that stands and of those after it. */
  blocks: readonly number[];
  /** Loading weeks of this block so far. */
  done: number;
}

/** The blocks of one phase and emphasis so far. */
interface Counted {
  builds: string;
  /** The one that stands. */
  nth: number;
  /** Loading weeks of those before it. */
  before: number;
  /** Its last loading week; null before its first. */
  last: BlockWeek | null;
}

/** Goes through the weeks from some before the season on: each is judged by those before it. */
class WeekPlanner {
  private readonly own: RuleValues | undefined;
  private readonly first: IsoDate;
  private readonly lookBack = numbers("mileage.expected").lookBack;
  private readonly figures: WeekFigures[];
  private readonly days: SeasonDay[];
  private readonly sessions: ReadonlyMap<IsoDate, readonly EnduranceSession[]>;
  /** What each week builds up, as phase and emphasis; null where it holds, restores, races or lies outside the season. */
  private readonly builds: readonly (string | null)[];
  /** Last light day before each A race. */
  private readonly lastTaper = new Map<string, IsoDate>();
  private readonly ordinary: boolean[] = [];
  private readonly usual: UsualWeek;
  /** Weeks that built up since the last step-back. */
  private since = 0;
  private run: Run | null = null;
  private counted: Counted | null = null;

  constructor(
    private readonly athlete: Athlete,
    phases: readonly SeasonPhase[],
    private readonly perWeek: PerWeek,
    private readonly asOf: IsoDate | undefined,
  ) {
    const { start, end } = athlete.season;
    this.own = athlete.settings?.ruleValues;
    this.first = mondayOf(start);
    this.figures = weeklyFigures(athlete, addDays(this.first, -7 * this.lookBack), mondayOf(end));
    this.days = seasonDays(athlete, phases, start, end, asOf);
    this.sessions = byWeek(athlete.endurance);
    this.usual = new UsualWeek(athlete);
    this.builds = this.figures.map((_, i) => buildsIn(this.daysAt(i)));
    for (const d of this.days) if (d.taperFor !== null && d.loading === "light") this.lastTaper.set(d.taperFor, d.date);
  }

  weeks(): SeasonWeek[] {
    return this.figures.flatMap((figure, i) => this.weekAt(i, figure) ?? []);
  }

  /** The season's days of one week: the days run without a gap from the season's start. */
  private daysAt(i: number): SeasonDay[] {
    const at = dayNumber(this.first) + 7 * (i - this.lookBack) - dayNumber(this.athlete.season.start);
    return this.days.slice(Math.max(0, at), Math.max(0, at + 7));
  }

  private buildsAt(i: number): string | null {
    return this.builds[i] ?? null;
  }

  private knownAt(i: number): Known {
    const start = this.figures[i]?.start ?? this.first;
    return knownOf(start, this.sessions.get(start) ?? [], this.usual.days(), this.asOf);
  }

  /** A week that is known in part is compared by its planned days alone. */
  private changeAt(i: number, known: Known): MileageChange {
    return changeAgainstOrdinary(this.figures, i, (k) => this.ordinary[k] ?? true, known === "part");
  }

  /** Whether the endurance itself steps back. */
  private stepsBack(i: number, phase: Phase | undefined, known: Known, change: MileageChange): boolean {
    const load = this.figures[i]?.load ?? 0;
    if (load <= 0 || known !== "all" || isRacing(phase)) return false;
    const { share } = numbers("stepback.endurance", this.own);
    const under = (pct: number | null) => (pct ?? 0) / 100 + 1 < share;
    return (
      change.against.length === numbers("mileage.expected").weeks &&
      load < share * (this.figures[i - 1]?.load ?? 0) &&
      (under(change.legLoadPct) || under(change.distancePct))
    );
  }

  /** Whether the endurance steps back in a week that is still to come, as far as that can be seen. */
  private willStepBack(i: number): boolean {
    const known = this.knownAt(i);
    return this.stepsBack(i, mostFrequent(this.daysAt(i).map((d) => d.phase)), known, this.changeAt(i, known));
  }

  /**
   * A step-back due now waits for the race phase if that begins next week, and once for one in the endurance next week: what is foreseen of the
   * endurance need not come.
   */
  private waits(i: number, waited: boolean): boolean {
    return this.daysAt(i + 1).some((d) => d.phase === "race") || (!waited && this.willStepBack(i + 1));
  }

  /** The blocks that the weeks from here on fall into, as long as they build up the same. @param carried loading weeks right before */
  private runFrom(i: number, builds: string, carried: number): Run {
    let weeks = 1;
    while (this.buildsAt(i + weeks) === builds && !this.endsBlock(i + weeks)) weeks++;
    const every = safetyGate(this.athlete, this.figures[i]?.start ?? this.first).stepBackEvery;
    const mayGrow = every === numbers("stepback.every").weeks;
    const next = mostFrequent(this.daysAt(i + weeks).map((d) => d.phase));
    const closed = next === "race" || this.endsBlock(i + weeks);
    const blocks = isOn(this.athlete, "stepback.every")
      ? loadingWeeks({ weeks, usual: every - 1, mayGrow, closed, carried })
      : [weeks];
    return { builds, blocks, done: 0 };
  }

  /** Whether the endurance steps back in a week that is still to come, and the block with it. */
  private endsBlock(i: number): boolean {
    return this.buildsAt(i) !== null && isOn(this.athlete, "stepback.endurance") && this.willStepBack(i);
  }

  /** A week's place in its block, or why it steps back. @param held nothing may go up in it */
  private blockAt(
    i: number,
    back: boolean,
    held: boolean,
  ): Pick<SeasonWeek, "block" | "closes"> & { because: Why | null } {
    const builds = this.buildsAt(i);
    if (builds === null) {
      const closes = this.counted?.last ?? null;
      [this.run, this.since, this.counted] = [null, 0, null];
      return { block: null, closes, because: null };
    }
    this.since += 1;
    // An end that was foreseen need not come: where the weeks go on, they fall into blocks anew.
    if (this.run?.builds !== builds || this.run.blocks.length === 0) this.run = this.runFrom(i, builds, this.since - 1);
    const { run } = this;
    const of = run.blocks[0] ?? run.done + 1;
    if (back && this.since > 1 && isOn(this.athlete, "stepback.endurance")) {
      // What is left of these weeks begins anew after it.
      this.run = null;
      return { block: null, closes: this.close(), because: why("stepback.endurance", "with") };
    }
    if (run.done >= of && !this.waits(i, run.done > of) && isOn(this.athlete, "stepback.every")) {
      const loading = this.since - 1;
      this.run = { ...run, blocks: run.blocks.slice(1), done: 0 };
      return { block: null, closes: this.close(), because: why("stepback.every", "every", { loading }) };
    }
    run.done += 1;
    const closes = this.counted?.builds === builds ? null : (this.counted?.last ?? null);
    return { block: this.load(builds, i, Math.max(of, run.done), held), closes, because: null };
  }

  /** One more loading week. */
  private load(builds: string, i: number, of: number, held: boolean): BlockWeek {
    const start = this.figures[i]?.start ?? this.first;
    if (this.counted?.builds !== builds) this.counted = { builds, nth: 1, before: 0, last: null };
    const { nth, before, last } = this.counted;
    const days = this.daysAt(i);
    const first = days.find((d) => buildOf(d) === builds);
    const { phase, stage, emphasis } = days.reduce((before, d) => (buildOf(d) === builds ? d : before));
    const block: BlockWeek = {
      builds,
      row: { phase, stage, emphasis },
      from: last?.from ?? first?.date ?? start,
      week: (last?.week ?? 0) + 1,
      of,
      start: last?.start ?? start,
      nth,
      before,
      held: [...(last?.held ?? []), ...(held ? [start] : [])],
    };
    this.counted.last = block;
    return block;
  }

  /** A step-back ends the block that stands. @returns its last loading week */
  private close(): BlockWeek | null {
    const { counted } = this;
    const last = counted?.last ?? null;
    if (counted && last)
      this.counted = { ...counted, nth: counted.nth + 1, before: counted.before + last.week, last: null };
    return last;
  }

  private weekAt(i: number, figure: WeekFigures): SeasonWeek | null {
    const { athlete, own } = this;
    const { start } = figure;
    const days = this.daysAt(i);
    const phase = mostFrequent(days.map((d) => d.phase));
    const known = this.knownAt(i);
    const change = this.changeAt(i, known);
    const back = this.stepsBack(i, phase, known, change);
    const ordinary = !back && !isRacing(phase) && known === "all" && !hasAbsence(athlete, start) && figure.load > 0;
    this.ordinary[i] = ordinary;
    if (ordinary) this.usual.tell(start, this.sessions.get(start) ?? []);
    if (!phase) return null;
    // Taper and restart raise no warning of growth.
    const mileage = isRacing(phase) ? NO_MILEAGE_RULE : mileageRule(change, ordinary, (r) => isOn(athlete, r), own);
    const cuts = cutsOf(athlete, start);
    const { block, closes, because } = this.blockAt(i, back, mileage.factor < 1 || cuts.share < 1);
    if (because) this.since = 0;
    return {
      start,
      phase,
      emphasis: mostFrequent(days.map((d) => d.emphasis)) ?? "prepare",
      days,
      known,
      block,
      closes,
      stepBack: because !== null,
      enduranceStepBack: back,
      ordinary,
      figures: figure,
      change,
      mileage,
      setFactor: Math.min(
        because ? numbers("stepback.every", own).share : 1,
        cuts.share,
        mileage.holdOnly ? 1 : mileage.factor,
      ),
      wanted: wantedSessions({
        lastTaper: this.lastTaper,
        days: days.filter((d) => !followsRuns(athlete, d)),
        perWeek: this.perWeek,
        holdOnly: mileage.holdOnly,
        own,
      }),
      routines: wantedRoutines(athlete, days),
      why: [
        ...(because ? [because] : []),
        ...(block ? [why("block.weeks", "week", block)] : []),
        ...mileage.why,
        ...spikeWhy(athlete, start),
        ...cuts.why,
      ],
    };
  }
}

const isRacing = (phase: Phase | undefined): boolean => phase === "race" || phase === "recovery";
