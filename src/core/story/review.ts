/** Planned against done: weeks, patterns against the sport's share (rule review.hard). */

import {
  type Athlete,
  type Column,
  type Emphasis,
  type Label,
  lengthOf,
  type Phase,
  type Sport,
  setsOnce,
} from "../athlete";
import { addDays, type IsoDate } from "../dates";
import { currentMax } from "../dose";
import { plannedAndDone, sessionLoad } from "../endurance";
import type { Library, Pattern } from "../exercise";
import { type Ticked, tickedOf } from "../homework";
import { SPORT_SHARE } from "../ledger";
import type { PlanSession } from "../plan";
import { historyOf } from "../progress";
import { saidBetween } from "../readiness";
import { numbers } from "../rulebook";
import { HARD_RIR, tallyOf } from "./tally";

export type PatternGroup = Exclude<Column, "assist">;
export const GROUPS: readonly PatternGroup[] = ["squat", "hinge", "split-squat", "hip", "calf", "trunk", "upper"];
export const GROUP_WORDS: Record<PatternGroup, string> = {
  squat: "squat",
  hinge: "hinge",
  "split-squat": "split squat",
  hip: "hip",
  calf: "calf and foot",
  trunk: "trunk",
  upper: "push and pull",
};

/** The column of the sport's table that a pattern counts in; jumps and mobility are in none. */
export function groupOf(pattern: Pattern): PatternGroup | null {
  if (pattern === "push" || pattern === "pull") return "upper";
  return GROUPS.find((g) => g === pattern) ?? null;
}

/** One past week as it was planned; kept once and never worked out again. */
export interface WeekPlan {
  monday: IsoDate;
  phase: Phase;
  emphasis: Emphasis;
  stepBack: boolean;
  loadLimit: number;
  sessions: {
    label: Label;
    date: IsoDate;
    minutes: number;
    stress: number;
    hardSets: number;
    groups: Partial<Record<PatternGroup, number>>;
  }[];
  /** What was asked for at home, by day; weeks that were kept before homework was planned have none. */
  homework?: { date: IsoDate; items: string[] }[];
}

const groupsOf = (sets: readonly { pattern: Pattern; sets: number }[]): Partial<Record<PatternGroup, number>> => {
  const out: Partial<Record<PatternGroup, number>> = {};
  for (const s of sets) {
    const g = groupOf(s.pattern);
    if (g) out[g] = (out[g] ?? 0) + s.sets;
  }
  return out;
};

/** A planned session as a review counts it. */
export const plannedFacts = (s: PlanSession): WeekPlan["sessions"][number] => ({
  label: s.label,
  date: s.date,
  minutes: s.minutes,
  stress: s.stress,
  hardSets: tallyOf([s]).hardSets,
  groups: groupsOf(
    s.items.filter((i) => i.rir <= HARD_RIR).map((i) => ({ pattern: i.exercise.pattern, sets: i.sets })),
  ),
});

export interface Sums {
  sessions: number;
  hardSets: number;
  minutes: number;
  stress: number;
  groups: Partial<Record<PatternGroup, number>>;
}

export interface ReviewWeek {
  monday: IsoDate;
  phase: Phase;
  emphasis: Emphasis;
  stepBack: boolean;
  planned: Sums;
  done: Sums;
  /** Labels planned and not lifted. */
  missed: Label[];
  endurance: { plannedMinutes: number; minutes: number; distanceKm: number; load: number };
  homework: Ticked;
  /** Worst pain told of an exercise, 0 to 10; null where nobody told any. */
  pain: number | null;
  /** Check-ins, and those that were not ordinary. */
  checkIns: { said: number; poor: number };
}

const emptySums = (): Sums => ({ sessions: 0, hardSets: 0, minutes: 0, stress: 0, groups: {} });

function add(to: Sums, s: Omit<Sums, "sessions">, sessions = 1): void {
  to.sessions += sessions;
  to.hardSets += s.hardSets;
  to.minutes += s.minutes;
  to.stress += s.stress;
  for (const g of GROUPS) if (s.groups[g]) to.groups[g] = (to.groups[g] ?? 0) + (s.groups[g] ?? 0);
}

function doneIn(athlete: Athlete, library: Library, from: IsoDate, to: IsoDate): Sums {
  const sums = emptySums();
  for (const l of athlete.strengthLog) {
    if (l.date < from || l.date > to) continue;
    const sets = l.items.flatMap((i) => {
      const e = library.byId(i.exercise);
      if (!e || e.pattern === "mobility") return [];
      // The reserve is as logged, else as asked.
      const hard = setsOnce(i).filter((s) => (s.rir ?? i.prescribed?.rir ?? 0) <= HARD_RIR).length;
      return [{ pattern: e.pattern, sets: hard }];
    });
    const { minutes, stress } = lengthOf(l);
    add(sums, {
      hardSets: sets.reduce((a, s) => a + s.sets, 0),
      minutes,
      stress,
      groups: groupsOf(sets),
    });
  }
  return sums;
}

function enduranceIn(athlete: Athlete, from: IsoDate, to: IsoDate): ReviewWeek["endurance"] {
  const inside = athlete.endurance.filter((e) => e.date >= from && e.date <= to);
  const sums = plannedAndDone(inside);
  return {
    plannedMinutes: sums.plannedMinutes,
    minutes: sums.doneMinutes,
    distanceKm: sums.doneKm,
    load: inside.filter((e) => e.done).reduce((a, e) => a + sessionLoad(e), 0),
  };
}

function worstPain(athlete: Athlete, from: IsoDate, to: IsoDate): number | null {
  const told = athlete.strengthLog
    .filter((l) => l.date >= from && l.date <= to)
    .flatMap((l) => l.items.flatMap((i) => i.pain ?? []));
  const asked = saidBetween(athlete, from, to).said.flatMap((c) => (c.pain ?? []).map((p) => p.level));
  const all = [...told, ...asked];
  return all.length > 0 ? Math.max(...all) : null;
}

/** @param plans past weeks as they were planned, in order; those without one are left out */
export function reviewWeeks(
  athlete: Athlete,
  library: Library,
  plans: readonly WeekPlan[],
  until: IsoDate,
): ReviewWeek[] {
  return plans.map((p) => {
    const end = addDays(p.monday, 6);
    const to = end < until ? end : until;
    const { said, poor } = saidBetween(athlete, p.monday, to);
    const planned = emptySums();
    for (const s of p.sessions) if (s.date <= to) add(planned, s);
    const lifted = new Set(athlete.strengthLog.filter((l) => l.date >= p.monday && l.date <= end).map((l) => l.label));
    return {
      monday: p.monday,
      phase: p.phase,
      emphasis: p.emphasis,
      stepBack: p.stepBack,
      planned,
      done: doneIn(athlete, library, p.monday, to),
      missed: p.sessions.filter((s) => s.date <= to && !lifted.has(s.label)).map((s) => s.label),
      endurance: enduranceIn(athlete, p.monday, to),
      homework: tickedOf(
        athlete,
        (p.homework ?? []).filter((d) => d.date <= to),
      ),
      pain: worstPain(athlete, p.monday, to),
      checkIns: { said: said.length, poor: poor.length },
    };
  });
}

export function sumOf(weeks: readonly ReviewWeek[], what: "planned" | "done"): Sums {
  const sums = emptySums();
  for (const w of weeks) add(sums, w[what], w[what].sessions);
  return sums;
}

export interface Share {
  group: PatternGroup;
  sets: number;
  /** Percent of the hard sets done. */
  pct: number;
  /** Percent by the sport's table [house]. */
  sportPct: number;
}

/** Hard sets by pattern against the sport's share. */
export function sharesOf(done: Sums, sport: Sport): Share[] {
  const table = SPORT_SHARE[sport];
  const all = GROUPS.reduce((a, g) => a + (done.groups[g] ?? 0), 0);
  const points = GROUPS.reduce((a, g) => a + table[g], 0);
  return GROUPS.map((group) => ({
    group,
    sets: done.groups[group] ?? 0,
    pct: all > 0 ? ((done.groups[group] ?? 0) / all) * 100 : 0,
    sportPct: (table[group] / points) * 100,
  }));
}

const { gap: GAP, half: HALF } = numbers("review.hard");

/** Whether a pattern had so much more or less than its sport's share that it is said (rule review.hard). */
export const isFarFromShare = ({ pct, sportPct }: Pick<Share, "pct" | "sportPct">): boolean =>
  Math.abs(pct - sportPct) >= GAP || pct < sportPct * HALF;

export interface LiftChange {
  exercise: string;
  name: string;
  fromKg: number | null;
  toKg: number;
  unsurePct: number;
}

/** e1RM of the loaded main lifts at the begin and the end of a span. */
export function liftChanges(athlete: Athlete, library: Library, from: IsoDate, to: IsoDate): LiftChange[] {
  const formula = athlete.settings?.oneRepMax ?? "default";
  const ids = new Set(
    athlete.strengthLog.filter((l) => l.date >= from && l.date <= to).flatMap((l) => l.items.map((i) => i.exercise)),
  );
  return [...ids].flatMap((id): LiftChange[] => {
    const e = library.byId(id);
    if (!e?.main || (e.loading !== "bar" && e.loading !== "machine")) return [];
    const history = historyOf(athlete.strengthLog, id, addDays(to, 1));
    const end = currentMax(history, formula, addDays(to, 1));
    const start = currentMax(history, formula, from);
    return end
      ? [{ exercise: id, name: e.name, fromKg: start?.kg ?? null, toKg: end.kg, unsurePct: end.unsurePct }]
      : [];
  });
}
