/** The one way through: athlete -> plan. Pure; the same athlete and options always give the same plan. */

import { unknownApproaches } from "./approach/pick";
import type { Approach } from "./athlete/approach";
import { safetyGate } from "./athlete/gate";
import { lengthOf } from "./athlete/logged";
import type { Athlete, EnduranceSession, Label, LockedSession, StrengthLog } from "./athlete/types";
import { addDays, dayLabel, dayNumber, type IsoDate, laterOf, MINUTES_A_DAY } from "./dates";
import { perWeek } from "./dose/dose";
import { assumedEndurance } from "./endurance/assumed";
import { withoutMissed } from "./endurance/incoming";
import { blockKey } from "./exercise/choose";
import { type Library, SHIPPED_LIBRARY } from "./exercise/library";
import { loggedBout } from "./legs/bouts";
import { type LegBout, MEAN_DAYS } from "./legs/freshness";
import type { Basis, LastBuild, Swap } from "./planSession";
import { type PlanWeek, plannedBout, planWeek } from "./planWeek";
import type { PlannedLoad } from "./progress/next";
import { numbers, type RuleValues } from "./rulebook";
import { planPhases, type SeasonPhase, type SeasonWarning } from "./season/phases";
import { type SeasonWeek, seasonWeeks } from "./season/weeks";
import { loggedLegs } from "./session/heavy";
import { heartSets } from "./session/trim";
import type { Standing } from "./week/types";

export type { Swap } from "./planSession";
export type { PlanSession, PlanWeek } from "./planWeek";

export interface PlanOptions {
  /** First day of the plan; what is logged before it is history. Default: the season's start. */
  from?: IsoDate;
  /** Weeks to plan, or every week to the season's end. Default 1. */
  weeks?: number | "season";
  /** Placements taken over without a lock; they stay while every must-hold rule allows it. */
  held?: readonly LockedSession[];
  /** Points of the rules for every athlete of the coach; the athlete's own settings go before them. */
  weights?: Readonly<Record<string, number>>;
  /** The coach's copies of approaches; those that came with the athlete are known too. */
  approaches?: readonly Approach[];
  /** The coach's own numbers of rules for every athlete; the athlete's own go before them, rule by rule. */
  values?: RuleValues;
  /** Rules of the phases that the coach has switched off for every athlete. */
  rulesOff?: readonly string[];
  /** Exercises to choose from. Default: the library as it ships. */
  library?: Library;
  /** Exercises the coach took instead of the first choice; one that is closed by then is passed over. */
  swaps?: readonly Swap[];
}

export interface Plan {
  from: IsoDate;
  phases: SeasonPhase[];
  /** Every week of the season, planned or not. */
  season: SeasonWeek[];
  weeks: PlanWeek[];
  /** Endurance that stands in where none is planned. */
  assumed: EnduranceSession[];
  warnings: SeasonWarning[];
}

/**
 * @param whole a checked athlete (see formats/athlete-file); a planned endurance session that was missed does not count
 * @throws never for a checked athlete; a `from` outside the season gives no weeks
 */
export function plan(whole: Athlete, options: PlanOptions = {}): Plan {
  const from = options.from ?? whole.season.start;
  const athlete = withClub(whole, from, options);
  const { phases, warnings } = planPhases(athlete);
  const season = seasonWeeks(
    athlete,
    phases,
    (day) => {
      const sessions = perWeek(athlete, day, safetyGate(athlete, day.date).training);
      if (day.emphasis !== "restore") return sessions;
      return day.loading === "mobility" ? sessions : 2;
    },
    from,
  );
  const assumed = assumedEndurance(athlete, season, from);
  const beside = assumed.length > 0 ? { ...athlete, endurance: [...athlete.endurance, ...assumed] } : athlete;
  const log = athlete.strengthLog.filter((s) => s.date < from);
  const first = season.findIndex((w) => addDays(w.start, 6) >= from);
  const count = options.weeks === "season" ? season.length : (options.weeks ?? 1);
  const weeks: PlanWeek[] = [];
  const library = options.library ?? SHIPPED_LIBRARY;
  let standing: Standing[] = log
    .filter((s) => dayNumber(from) - dayNumber(s.date) <= 10)
    .map((s) => standingOfLog(s, library));
  const loads = new Map<string, PlannedLoad>();
  const swaps = options.swaps ?? [];
  const blocks = blockUse(athlete, log);
  let bouts: LegBout[] = log
    .filter((s) => dayNumber(from) - dayNumber(s.date) <= MEAN_DAYS)
    .map((s) => loggedBout(s, library.byId));
  let lastBuild = first >= 0 ? buildBefore(athlete, season, first, log, library) : null;

  for (const week of first < 0 ? [] : season.slice(first, first + count)) {
    const begin = laterOf(week.start, from);
    const done = new Set(
      athlete.strengthLog
        .filter((s) => s.date >= week.start && s.date < from && s.date <= addDays(week.start, 6))
        .map((s) => s.label),
    );
    const planned = planWeek({
      athlete: beside,
      library,
      swaps,
      basis: blocks.at(week.start),
      week,
      from: begin,
      asOf: from,
      log,
      standing,
      bouts,
      lastDays: lastDaysOf(week.start, log, weeks.at(-1)),
      done,
      held: options.held ?? [],
      lastBuild,
      planned: new Map(loads),
    });
    weeks.push(planned);
    keepLoads(planned, loads);
    for (const s of planned.sessions)
      blocks.add(
        week.start,
        s.label,
        s.items.map((i) => i.exercise.id),
      );
    if (isFullBuild(week)) lastBuild = buildOf(planned) ?? lastBuild;
    const until = dayNumber(week.start) + 7;
    bouts = [...bouts.filter((b) => b.end > (until - MEAN_DAYS) * MINUTES_A_DAY), ...planned.sessions.map(plannedBout)];
    standing = [
      ...standing.filter((s) => dayNumber(week.start) - s.day <= 3),
      ...planned.sessions.map((s) => ({
        day: dayNumber(s.date),
        start: s.start,
        minutes: s.minutes,
        lowerLoaded: s.lowerLoaded,
        heavy: s.heavy,
        stress: s.stress,
      })),
    ];
  }
  const unplaced = weeks.flatMap((w) =>
    w.fit.unplaced.map(
      (u): SeasonWarning => ({
        code: "not-placed",
        text: `Session ${u.label} of the week of ${w.season.start}: ${u.why}`,
        date: w.season.start,
      }),
    ),
  );
  return {
    from,
    phases,
    season,
    weeks,
    assumed,
    warnings: [...warnings, ...approachWarning(athlete), ...unknownLifts(athlete, library), ...unplaced],
  };
}

/** The athlete with what the coach has set for all of them; a planned endurance session that was missed does not count. */
function withClub(whole: Athlete, from: IsoDate, options: PlanOptions): Athlete {
  const { weights, rulesOff, approaches, values } = options;
  const settings = {
    ...whole.settings,
    ...(weights ? { ruleWeights: { ...weights, ...whole.settings?.ruleWeights } } : {}),
    ...(values ? { ruleValues: { ...values, ...whole.settings?.ruleValues } } : {}),
    ...(rulesOff?.length ? { rulesOff: [...rulesOff, ...(whole.settings?.rulesOff ?? [])] } : {}),
  };
  const own = [...(approaches ?? []), ...(whole.approaches ?? [])];
  return {
    ...whole,
    endurance: withoutMissed(whole.endurance, from),
    ...(weights || values || rulesOff?.length ? { settings } : {}),
    ...(own.length > 0 ? { approaches: own } : {}),
  };
}

/** Weekday of each session of the week before, as lifted or as planned. */
function lastDaysOf(monday: IsoDate, log: readonly StrengthLog[], before: PlanWeek | undefined): Map<Label, number> {
  const since = addDays(monday, -7);
  const stood = [
    ...log.filter((s) => s.date >= since && s.date < monday),
    ...(before?.season.start === since ? before.sessions : []),
  ];
  return new Map(stood.map((s) => [s.label, dayNumber(s.date) - dayNumber(since) + 1]));
}

/** Weeks of a block after which assistance exercises change (rule choice.block). */
export const BLOCK_WEEKS = numbers("choice.block").weeks;

/** Keeps which exercises each block of four weeks used, counted from the season's start; what is logged counts as what is planned. */
export function blockUse(athlete: Athlete, log: readonly StrengthLog[]) {
  const used = new Map<number, Set<string>>();
  const labelled = new Map<number, Set<string>>();
  const known = new Set<string>();
  const block = (date: IsoDate): number =>
    Math.floor((dayNumber(date) - dayNumber(athlete.season.start)) / (BLOCK_WEEKS * 7));
  const add = (date: IsoDate, label: Label, ids: readonly string[]): void => {
    const at = block(date);
    const of = used.get(at) ?? new Set<string>();
    const by = labelled.get(at) ?? new Set<string>();
    for (const id of ids) {
      of.add(id);
      by.add(blockKey(label, id));
      known.add(id);
    }
    used.set(at, of);
    labelled.set(at, by);
  };
  for (const s of log)
    add(
      s.date,
      s.label,
      s.items.map((i) => i.exercise),
    );
  const at = (date: IsoDate): Basis => ({
    known: known.size > 0 ? new Set(known) : null,
    now: new Set(labelled.get(block(date))),
    before: new Set(used.get(block(date) - 1)),
    earlier: new Set(used.get(block(date) - 2)),
  });
  return { at, add };
}

/** Working sets of the four heart patterns in a planned week. */
export const weekHeartSets = (w: PlanWeek): number => w.sessions.reduce((a, s) => a + heartSets(s.items), 0);

/** What a build week held; null where nothing of it was placed. */
function buildOf(w: PlanWeek): LastBuild | null {
  const sets = weekHeartSets(w);
  const lead = w.sessions.find((s) => s.label === "A") ?? w.sessions[0];
  return sets > 0 && lead ? { sets, stage: w.season.days.find((d) => d.date === lead.date)?.stage ?? "build" } : null;
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
      basis: blockUse(athlete, before).at(week.start),
      week,
      from: week.start,
      asOf: week.start,
      log: before,
      standing: [],
      bouts: [],
      lastDays: new Map(),
      done: new Set(),
      held: [],
      lastBuild: null,
      planned: new Map(),
    });
    return buildOf(planned);
  }
  return null;
}

/** Remembers the loads of full sessions; light ones say nothing about the next. */
function keepLoads(week: PlanWeek, loads: Map<string, PlannedLoad>): void {
  for (const s of week.sessions)
    for (const i of s.items)
      if (s.loading === "full" && i.loadKg !== null && i.reps !== null)
        loads.set(i.exercise.id, { loadKg: i.loadKg, reps: i.reps, rir: i.rir });
}

/** What a logged session still weighs on the week after: loaded lower-body work counts as heavy at 6 reps or fewer. */
function standingOfLog(s: StrengthLog, library: Library): Standing {
  return { day: dayNumber(s.date), ...lengthOf(s), ...loggedLegs(s, library.byId) };
}

/** Exercises of the log that the library does not know: each is named, with the day it last stands on. */
function unknownLifts(athlete: Athlete, library: Library): SeasonWarning[] {
  const last = new Map<string, IsoDate>();
  for (const log of athlete.strengthLog)
    for (const { exercise } of log.items)
      if (!library.byId(exercise) && (last.get(exercise) ?? "") < log.date) last.set(exercise, log.date);
  return [...last].map(([id, date]) => ({
    code: "exercise-unknown",
    text: `The log of ${dayLabel(date)} names "${id}", which is not in the library: it counts as work of the legs, and no load is worked out from it.`,
    date,
  }));
}

function approachWarning(athlete: Athlete): SeasonWarning[] {
  return unknownApproaches(athlete).map((id) => ({
    code: "approach-unknown",
    text: `The approach "${id}" is not known here; doses follow the layered approach until another is chosen.`,
    date: athlete.season.start,
  }));
}
