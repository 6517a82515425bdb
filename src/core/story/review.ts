/** Planned against done: weeks, patterns against the sport's share, and the words made from the figures (rule review.hard). */

import {
  type Athlete,
  type Column,
  type Emphasis,
  LABEL_WORDS,
  type Label,
  lengthOf,
  type Phase,
  type Sport,
  setsOnce,
} from "../athlete";
import { addDays, dayLabel, type IsoDate } from "../dates";
import { currentMax } from "../dose";
import { plannedAndDone, sessionLoad } from "../endurance";
import { type Library, type Pattern, sideGaps } from "../exercise";
import { type Ticked, tickedOf } from "../homework";
import { SPORT_SHARE } from "../ledger";
import type { PlanSession } from "../plan";
import { historyOf } from "../progress";
import { isPoor, saidText } from "../readiness";
import { listWords, many, numbers, say } from "../rulebook";
import { roundTo } from "../units";
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
  const asked = (athlete.checkIns ?? [])
    .filter((c) => c.date >= from && c.date <= to)
    .flatMap((c) => (c.pain ?? []).map((p) => p.level));
  const all = [...told, ...asked];
  return all.length > 0 ? Math.max(...all) : null;
}

function checkInsIn(athlete: Athlete, from: IsoDate, to: IsoDate): ReviewWeek["checkIns"] {
  const said = (athlete.checkIns ?? []).filter((c) => c.date >= from && c.date <= to);
  return { said: said.length, poor: said.filter((c) => isPoor(c, athlete.settings?.ruleValues)).length };
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
      checkIns: checkInsIn(athlete, p.monday, to),
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

/** What lies ahead, for the last sentence. */
export interface Ahead {
  phase: Phase;
  until: IsoDate;
  race: { name: string; days: number } | null;
  stepBack: IsoDate | null;
}

const hours = (minutes: number): string => `${roundTo(minutes / 60, 1)} h`;
/** Points of percent from which a pattern's share is said (rule review.hard). */
const SHARE_GAP = numbers("review.hard").gap;

/** What was told: pain, check-ins, homework. @param end last day */
function toldWords(athlete: Athlete, library: Library, weeks: readonly ReviewWeek[], end: IsoDate): string[] {
  const out: string[] = [];
  const from = weeks[0]?.monday ?? end;
  const pains = athlete.strengthLog
    .filter((l) => l.date >= from && l.date <= end)
    .flatMap((l) =>
      l.items
        .filter((i) => (i.pain ?? 0) >= 3)
        .map((i) => `${library.name(i.exercise).toLowerCase()} ${i.pain} of 10 on ${dayLabel(l.date)}`),
    );
  out.push(pains.length > 0 ? `Pain told: ${listWords(pains)}.` : "No pain of 3 or more was told.");
  const said = (athlete.checkIns ?? []).filter((c) => c.date >= from && c.date <= end);
  const poor = said.filter((c) => isPoor(c, athlete.settings?.ruleValues));
  if (said.length > 0)
    out.push(
      `Checked in before ${many(said.length, "session")}, ${poor.length === 0 ? "all ordinary" : `${poor.length} not ordinary: ${listWords(poor.map((c) => `${dayLabel(c.date)} ${saidText(c)}`))}`}.`,
    );
  const homework = weeks.reduce((a, w) => ({ asked: a.asked + w.homework.asked, done: a.done + w.homework.done }), {
    asked: 0,
    done: 0,
  });
  if (homework.asked > 0) out.push(say("homework.day", "asked", homework));
  return out;
}

/**
 * The block in words, made from the figures alone; for the coach to change and send.
 * @returns one paragraph a line
 */
export function reviewWords(
  athlete: Athlete,
  library: Library,
  weeks: readonly ReviewWeek[],
  ahead: Ahead | null,
  until: IsoDate,
): string[] {
  const [first, last] = [weeks[0], weeks.at(-1)];
  if (!first || !last) return [];
  const end = addDays(last.monday, 6) < until ? addDays(last.monday, 6) : until;
  const [planned, done] = [sumOf(weeks, "planned"), sumOf(weeks, "done")];
  const out: string[] = [];
  const n = weeks.length;
  out.push(
    `${n} week${n === 1 ? "" : "s"}, ${dayLabel(first.monday)} to ${dayLabel(end)}: ${done.sessions} of ${planned.sessions} planned session${planned.sessions === 1 ? "" : "s"} done, ${done.hardSets} of ${planned.hardSets} hard sets.`,
  );
  const missed = weeks.flatMap((w) => w.missed.map((l) => `${LABEL_WORDS[l]} in the week of ${dayLabel(w.monday)}`));
  if (missed.length > 0) out.push(`Missed: ${listWords(missed)}.`);
  const endurance = weeks.reduce(
    (a, w) => ({
      minutes: a.minutes + w.endurance.minutes,
      planned: a.planned + w.endurance.plannedMinutes,
      km: a.km + w.endurance.distanceKm,
    }),
    { minutes: 0, planned: 0, km: 0 },
  );
  out.push(
    `Strength stress ${done.stress} AU of ${planned.stress} planned. Beside it ${hours(endurance.minutes)} of endurance${endurance.planned > 0 ? ` (${hours(endurance.planned)} planned)` : ""}${endurance.km > 0 ? ` and ${Math.round(endurance.km)} km` : ""}.`,
  );
  for (const l of liftChanges(athlete, library, first.monday, end)) {
    const unsure = `give or take ${Math.round(l.unsurePct)}%`;
    if (l.fromKg === null)
      out.push(`${l.name}: estimated 1RM ${roundTo(l.toKg, 1)} kg (${unsure}), the first estimate.`);
    else {
      const pct = (l.toKg / l.fromKg - 1) * 100;
      const word = Math.abs(pct) <= l.unsurePct ? "too small a change to be sure" : pct > 0 ? "up" : "down";
      out.push(
        `${l.name}: estimated 1RM ${roundTo(l.fromKg, 1)} to ${roundTo(l.toKg, 1)} kg (${pct >= 0 ? "+" : ""}${roundTo(pct, 1)}%, ${unsure}): ${word}.`,
      );
    }
  }
  const gaps = sharesOf(done, athlete.athlete.sport)
    .filter((s) => Math.abs(s.pct - s.sportPct) >= SHARE_GAP)
    .map((s) => `${GROUP_WORDS[s.group]} ${Math.round(s.pct)}% against ${Math.round(s.sportPct)}%`);
  if (done.hardSets > 0)
    out.push(
      gaps.length > 0
        ? `Hard sets by pattern against the sport's share: ${listWords(gaps)}; the others are near it.`
        : "Hard sets by pattern are near the sport's share.",
    );
  out.push(...toldWords(athlete, library, weeks, end));
  const sides = [...sideGaps(athlete.strengthLog.filter((l) => l.date <= end))]
    .filter(([, g]) => g.action !== "even")
    .map(([id, g]) => `${library.name(id).toLowerCase()} ${g.weaker} ${Math.round(g.pct)}% less`);
  if (sides.length > 0) out.push(`Sides that differ: ${listWords(sides)}.`);
  if (ahead) {
    const race = ahead.race ? `; ${ahead.race.name} in ${ahead.race.days} days` : "";
    const back = ahead.stepBack ? `; step-back week from ${dayLabel(ahead.stepBack)}` : "";
    out.push(`Ahead: ${ahead.phase} until ${dayLabel(ahead.until)}${race}${back}.`);
  }
  return out;
}
