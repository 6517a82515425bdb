/** The chain of weeks: each is planned from what the weeks before it, lifted or planned, leave behind. */

import { columnOf } from "../approach";
import {
  type Athlete,
  type EnduranceSession,
  isOn,
  type Label,
  type LockedSession,
  lengthOf,
  type StrengthLog,
  safetyGate,
} from "../athlete";
import { addDays, dayNumber, type IsoDate, laterOf, MINUTES_A_DAY } from "../dates";
import { percentFor, perWeek } from "../dose";
import type { ByLabel, Library } from "../exercise";
import { type JumpState, jumpsAfter, jumpsLogged, NO_JUMPS } from "../jumps";
import type { LedgerState } from "../ledger";
import { type LegLoadEvent, loggedLegEvent, MEAN_DAYS } from "../legs";
import { flatMap } from "../lists";
import { once } from "../once";
import { type PlannedLift, unmovedLifts } from "../progress";
import { numbers } from "../rulebook";
import { holdInVisits, inWeek, type SeasonWeek } from "../season";
import { loggedLegs, primarySets } from "../session";
import type { ExistingSession } from "../week";
import type { ChoiceBasis } from "./contexts";
import type { LastBuild } from "./dayKinds";
import { blockOn, holdRange } from "./dayWork";
import type { Swap } from "./planSession";
import { type PlanWeek, plannedLegEvent, planWeek } from "./planWeek";
import { ledgerAfter, ledgerBefore, liftedSets } from "./weekLedger";
import { asCounted } from "./weekProblem";

/** Days for which a session can still stand beside one of a week: no rule of hours reaches further. */
const STANDS = { logged: 10, planned: 3 };

export interface ChainInput {
  athlete: Athlete;
  /** Endurance that stands in where none is planned. */
  assumed: readonly EnduranceSession[];
  library: Library;
  season: readonly SeasonWeek[];
  /** Index of the first week. */
  first: number;
  from: IsoDate;
  options: { held?: readonly LockedSession[]; swaps?: readonly Swap[] };
}

export class WeekChain {
  private readonly beside: Athlete;
  private readonly log: readonly StrengthLog[];
  private readonly loads = new Map<string, PlannedLift>();
  private readonly blocks: ReturnType<typeof blockUse>;
  private existing: ExistingSession[];
  private legEvents: LegLoadEvent[];
  /** The last full build week; what came before the first is planned only where a week asks for it. */
  private lastBuild: () => LastBuild | null;
  private before: PlanWeek | undefined;
  private ledger: LedgerState;
  private jumps: JumpState;
  /** Logs of weeks in which something could go up. */
  private readonly free: readonly StrengthLog[];

  constructor(private readonly input: ChainInput) {
    const { athlete, assumed, library, season, first, from } = input;
    this.beside = assumed.length > 0 ? { ...athlete, endurance: [...athlete.endurance, ...assumed] } : athlete;
    this.log = athlete.strengthLog.filter((s) => s.date < from);
    this.blocks = blockUse(athlete, this.log, season);
    const ago = (s: StrengthLog) => dayNumber(from) - dayNumber(s.date);
    this.existing = this.log.filter((s) => ago(s) <= STANDS.logged).map((s) => existingOfLog(s, library));
    this.legEvents = this.log.filter((s) => ago(s) <= MEAN_DAYS).map((s) => loggedLegEvent(s, library.byId));
    this.lastBuild = once(() => buildBefore(athlete, season, first, this.log, library));
    this.jumps = jumpsLogged(this.log, library, from);
    this.free = this.log.filter((s) => season.some((w) => inWeek(w, s.date) && mayRise(w)));
    this.ledger = ledgerBefore(athlete, season, first, this.log, library);
  }

  /** Plans the next week. @param week follows the one before */
  next(asked: SeasonWeek): PlanWeek {
    const { athlete, library, from, options } = this.input;
    const week = withVisitsThatFit(athlete, asked, this.lastBuild);
    const end = addDays(week.start, 6);
    const done = athlete.strengthLog.filter((s) => s.date >= week.start && s.date < from && s.date <= end);
    const planned = planWeek({
      athlete: this.beside,
      library,
      swaps: options.swaps ?? [],
      basis: this.blocks.at(week.start),
      week,
      from: laterOf(week.start, from),
      asOf: from,
      log: this.log,
      existing: this.existing,
      legEvents: this.legEvents,
      lastDays: lastDaysOf(week.start, this.log, this.before),
      done: new Set(done.map((s) => s.label)),
      held: options.held ?? [],
      lastBuild: this.lastBuild,
      planned: new Map(this.loads),
      ledger: this.ledger,
      jumps: this.jumps,
      unmoved: unmovedLifts(this.free, laterOf(week.start, from)),
    });
    this.keep(planned, done);
    return planned;
  }

  /** What the week leaves behind for the next. */
  private keep(planned: PlanWeek, done: readonly StrengthLog[]): void {
    const week = planned.season;
    const { athlete, library } = this.input;
    const items = flatMap(planned.sessions, (s) => s.items).map(asCounted);
    this.ledger = ledgerAfter(athlete, week, this.ledger, planned.ledger, [...items, ...liftedSets(done, library)]);
    this.jumps = jumpsAfter(this.jumps, planned.jumps, week.start, planned.sessions);
    keepLoads(planned, this.loads);
    for (const s of planned.sessions)
      this.blocks.add(
        week.start,
        s.label,
        s.items.map((i) => i.exercise.id),
      );
    const built = isFullBuild(week) ? buildOf(planned) : null;
    if (built) this.lastBuild = () => built;
    const until = (dayNumber(week.start) + 7 - MEAN_DAYS) * MINUTES_A_DAY;
    this.legEvents = [...this.legEvents.filter((b) => b.end > until), ...planned.sessions.map(plannedLegEvent)];
    this.existing = [
      ...this.existing.filter((s) => dayNumber(week.start) - s.day <= STANDS.planned),
      ...planned.sessions.map(({ date, start, minutes, lowerLoaded, heavy, stress }) => ({
        day: dayNumber(date),
        start,
        minutes,
        lowerLoaded,
        heavy,
        stress,
      })),
    ];
    this.before = planned;
  }
}

/** Nothing caps the week: loads may go up. */
const mayRise = (w: SeasonWeek): boolean =>
  (w.phase === "base" || w.phase === "build") && !w.stepBack && w.mileage.factor >= 1 && w.emphasis !== "restore";

/** Weekday of each session of the week before, as lifted or as planned. */
function lastDaysOf(monday: IsoDate, log: readonly StrengthLog[], before: PlanWeek | undefined): Map<Label, number> {
  const since = addDays(monday, -7);
  const stood = [
    ...log.filter((s) => s.date >= since && s.date < monday),
    ...(before?.season.start === since ? before.sessions : []),
  ];
  return new Map(stood.map((s) => [s.label, dayNumber(s.date) - dayNumber(since) + 1]));
}

/** Weeks after which assistance exercises change where no block ends (rule choice.block). */
export const BLOCK_WEEKS = numbers("choice.block").weeks;

/** First days of the stretches of a season that keep their assistance: its blocks with their step-backs, and four weeks at a time outside of them. */
function stretches(season: readonly SeasonWeek[]): IsoDate[] {
  const starts: IsoDate[] = [];
  let length = 0;
  let loading = false;
  for (const { start, block, stepBack } of season) {
    const begins = block ? block.week === 1 : !stepBack && (loading || length >= BLOCK_WEEKS);
    if (begins || starts.length === 0) {
      starts.push(start);
      length = 0;
    }
    length += 1;
    loading = block !== null || stepBack;
  }
  return starts;
}

/**
 * Keeps which exercises each stretch of the season used; what is logged counts as what is planned.
 * @param season its weeks; without them, and before its start, four weeks at a time are counted from the season's start
 */
export function blockUse(athlete: Athlete, log: readonly StrengthLog[], season: readonly SeasonWeek[] = []) {
  const used = new Map<number, Set<string>>();
  const labelled = new Map<number, ByLabel>();
  const known = new Set<string>();
  const starts = stretches(season);
  const block = (date: IsoDate): number => {
    const at = starts.findLastIndex((start) => start <= date);
    return at >= 0
      ? at
      : Math.floor((dayNumber(date) - dayNumber(starts[0] ?? athlete.season.start)) / (BLOCK_WEEKS * 7));
  };
  const add = (date: IsoDate, label: Label, ids: readonly string[]): void => {
    const at = block(date);
    const of = used.get(at) ?? new Set<string>();
    for (const id of ids) {
      of.add(id);
      known.add(id);
    }
    used.set(at, of);
    const by = labelled.get(at);
    labelled.set(at, new Map([...(by ?? []), [label, new Set([...(by?.get(label) ?? []), ...ids])]]));
  };
  for (const s of log)
    add(
      s.date,
      s.label,
      s.items.map((i) => i.exercise),
    );
  const basisAt = (date: IsoDate): ChoiceBasis => ({
    known: known.size > 0 ? new Set(known) : null,
    now: labelled.get(block(date)) ?? new Map(),
    before: new Set(used.get(block(date) - 1)),
    earlier: new Set(used.get(block(date) - 2)),
  });
  return { at: basisAt, add };
}

/** Working sets of the four primary patterns in a planned week. */
export const weekPrimarySets = (w: PlanWeek): number => w.sessions.reduce((a, s) => a + primarySets(s.items), 0);

/** What a build week held; null where nothing of it was placed. */
function buildOf(w: PlanWeek): LastBuild | null {
  const { athlete } = w.input;
  const sets = weekPrimarySets(w);
  const lead = w.sessions.find((s) => s.label === "A") ?? w.sessions[0];
  if (sets === 0 || !lead) return null;
  const leads = w.sessions.flatMap((s) => s.items.filter((i) => i.main && i.reps !== null));
  const percents = leads.flatMap((i) => {
    const percent = percentFor((i.reps ?? 0) + i.rirAsked, athlete.settings?.oneRepMax);
    return percent === null ? [] : [[columnOf(i.exercise.pattern, true), percent] as const];
  });
  const stage = w.season.days.find((d) => d.date === lead.date)?.stage ?? "build";
  return { sets, stage, percent: Object.fromEntries(percents) };
}

/** A hold that keeps too few sets for a lead each in its visits stays what its row asks for (rule hold.visits). */
function withVisitsThatFit(athlete: Athlete, week: SeasonWeek, lastBuild: () => LastBuild | null): SeasonWeek {
  const day = week.days.find((d) => holdInVisits(athlete, d));
  const full = week.wanted.filter((w) => !w.taper);
  if (!day || full.length < 2 || !isOn(athlete, "taper.week")) return week;
  const last = lastBuild();
  if (!last || holdRange(last.sets).most >= full.length * numbers("hold.visits").sets) return week;
  const own = Math.max(1, Math.round(perWeek(athlete, day, safetyGate(athlete, day.date).training)));
  const kept = new Set(full.slice(0, own));
  return { ...week, wanted: week.wanted.filter((w) => w.taper || kept.has(w)) };
}

/** Seven days of build, nothing that cuts the dose. */
export const isFullBuild = (w: SeasonWeek): boolean =>
  w.days.length === 7 &&
  w.days.every((d) => d.phase === "build" && d.loading === "full") &&
  w.setFactor >= 1 &&
  !w.mileage.holdOnly;

/** A plan that begins in the race phase still needs the last full build week to cut from: it is planned and set aside. */
function buildBefore(
  athlete: Athlete,
  season: readonly SeasonWeek[],
  first: number,
  log: readonly StrengthLog[],
  library: Library,
): LastBuild | null {
  const start = season[first];
  if (!start || !season.slice(first).some((w) => w.phase === "race")) return null;
  for (let i = first - 1; i >= 0; i--) {
    const week = season[i];
    if (!week || !isFullBuild(week)) continue;
    const before = log.filter((s) => s.date < week.start);
    const planned = planWeek({
      athlete,
      library,
      swaps: [],
      basis: blockUse(athlete, before, season).at(week.start),
      week,
      from: week.start,
      asOf: week.start,
      log: before,
      existing: [],
      legEvents: [],
      lastDays: new Map(),
      done: new Set(),
      held: [],
      lastBuild: () => null,
      planned: new Map(),
      ledger: ledgerBefore(athlete, season, i, before, library),
      jumps: NO_JUMPS,
    });
    return buildOf(planned);
  }
  return null;
}

/**
 * Remembers the loads of full sessions, and where each lift stands on its line; light sessions say nothing about the next, and what a week
 * steps back from is held after it, not what it stepped back to.
 */
function keepLoads(week: PlanWeek, lifts: Map<string, PlannedLift>): void {
  for (const s of week.sessions)
    for (const i of s.items) {
      if (s.loading !== "full") continue;
      const before = lifts.get(i.exercise.id);
      const day = week.season.days.find((d) => d.date === s.date);
      const stands = day && blockOn(day, week.season);
      const start = (stands?.block ?? stands?.closes)?.from ?? day?.blockStart ?? week.season.start;
      const top = before?.block === start ? (before.load?.topKg ?? 0) : 0;
      const load =
        i.loadKg === null || i.reps === null || i.aim === null
          ? null
          : { loadKg: i.loadKg, topKg: Math.max(top, i.aim.kg), reps: i.reps, rir: i.rirAsked, aim: i.aim };
      lifts.set(i.exercise.id, {
        block: start,
        point: i.line?.point ?? before?.point ?? 0,
        of: i.line?.of ?? before?.of ?? 1,
        slower: i.slow?.step ?? before?.slower ?? 0,
        load: week.season.stepBack ? (before?.load ?? load) : (load ?? before?.load ?? null),
      });
    }
}

/** What a logged session still weighs on the week after: loaded lower-body work counts as heavy at 6 reps or fewer. */
function existingOfLog(s: StrengthLog, library: Library): ExistingSession {
  return { day: dayNumber(s.date), ...lengthOf(s), ...loggedLegs(s, library.byId) };
}
