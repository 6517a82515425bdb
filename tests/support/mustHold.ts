/** What every planned season keeps, told apart from the planner's own code: phases, sessions, their spacing, race weeks. */
import { expect } from "vitest";
import { type Athlete, isRoutine } from "../../src/core/athlete/types";
import { windowsOfWeek } from "../../src/core/athlete/windows";
import { addDays, dayNumber, daysBetween, mondayOf } from "../../src/core/dates";
import { makeableLoads } from "../../src/core/dose/loads";
import { isLegHeavy, startOf } from "../../src/core/endurance/load";
import type { Plan, PlanWeek } from "../../src/core/plan";
import { isFullBuild, weekPrimarySets } from "../../src/core/planning/chain";
import { classRule, lastRaceDay, raceClass, raceDay, raceMinutes } from "../../src/core/season/races";

/** Phases cover the season, each day once. */
export function checkPhases(a: Athlete, p: Plan): void {
  expect(p.phases[0]?.start).toBe(a.season.start);
  expect(p.phases.at(-1)?.end).toBe(a.season.end);
  p.phases.forEach((phase, i) => {
    expect(daysBetween(phase.start, phase.end)).toBeGreaterThanOrEqual(0);
    const next = p.phases[i + 1];
    if (next) expect(next.start).toBe(addDays(phase.end, 1));
    expect(phase.why.length).toBeGreaterThan(0);
  });
}

/** Days after a B race without loaded legs: half of the unloaded and, past two hours, half of the bodyweight days of an A race, each rounded up. */
const B_BLOCKED = { short: 1, middle: 2, long: 6, "very long": 10, ultra: 11, "day and night": 14 };

/** The blocked days of rule M2, written down anew from the tables of race.class. */
function blockedForLoad(a: Athlete, date: string): boolean {
  const day = dayNumber(date);
  return a.races.some((r) => {
    const out = raceDay(r) - day;
    const after = day - lastRaceDay(r);
    if (out <= 0 && after <= 0) return true;
    if (r.priority === "A") {
      const rule = classRule(r);
      return (out > 0 && out < rule.lastLight) || (after > 0 && after <= rule.bodyweightUntil);
    }
    if (r.priority === "B") return out === 1 || (after > 0 && after <= B_BLOCKED[raceClass(r)]);
    return out === 1 || (after > 0 && after <= (raceMinutes(r).minutes > 180 ? 3 : 0));
  });
}

export function checkSessions(a: Athlete, week: PlanWeek): void {
  for (const s of week.sessions) {
    const inside = windowsOfWeek(a, mondayOf(s.date)).some(
      (w) =>
        w.date === s.date && w.place === s.place && s.start >= w.start && s.start + s.minutes <= w.start + w.minutes,
    );
    // A routine follows its run and needs no window.
    if (!isRoutine(s.label)) expect(inside, `${s.label} ${s.date} inside a window with room`).toBe(true);
    else expect(s.lowerLoaded).toBe(false);
    if (s.lowerLoaded) expect(blockedForLoad(a, s.date), `${s.date} is blocked`).toBe(false);
    const place = a.places.find((p) => p.id === s.place);
    for (const i of s.items) {
      if (i.loadKg === null) continue;
      const loads = place ? makeableLoads(i.exercise, i.loading, place) : [];
      expect(loads, `${i.exercise.id} ${i.loadKg} at ${s.place}`).toContainEqual(i.loadKg);
      if (i.barKg !== null) expect(i.barKg + 2 * i.perSideKg.reduce((x, y) => x + y, 0)).toBeCloseTo(i.loadKg, 9);
    }
    for (const w of s.warmUp) {
      const work = s.items.find((i) => i.exercise.id === w.exercise);
      expect(w.loadKg).toBeLessThan(work?.loadKg ?? 0);
    }
    for (const e of a.endurance.filter((x) => Math.abs(daysBetween(x.date, s.date)) <= 1)) {
      const begin = dayNumber(e.date) * 1440 + startOf(e);
      const from = dayNumber(s.date) * 1440 + s.start;
      const apart = begin >= from + s.minutes ? begin - from - s.minutes : from - begin - e.minutes;
      expect(apart, `${s.date} overlaps ${e.kind}`).toBeGreaterThanOrEqual(0);
      if (s.lowerLoaded && isLegHeavy(e)) expect(apart).toBeGreaterThanOrEqual(180);
    }
  }
}

export function checkSpacing(p: Plan): void {
  const loaded = p.weeks
    .flatMap((w) => w.sessions.filter((s) => s.lowerLoaded))
    .map((s) => dayNumber(s.date) * 1440 + s.start);
  loaded.forEach((at, i) => {
    const before = loaded[i - 1];
    if (before !== undefined) expect(at - before).toBeGreaterThanOrEqual(24 * 60);
  });
}

/**
 * A full race-phase week: seven days of race phase with the weekly hold session in it. A week whose only session is the light one
 * of a taper (half the sets again), a B race's week, an absence or a jump in mileage follow rules of their own.
 */
const isFullRaceWeek = (a: Athlete, w: PlanWeek): boolean =>
  w.season.days.length === 7 &&
  w.season.days.every((d) => d.phase === "race") &&
  w.sessions.some((s) => s.loading === "full") &&
  // Within 4 days of a B race nothing heavy stands, at no percent.
  w.sessions.every((s) => w.season.days.find((d) => d.date === s.date)?.heavyOk) &&
  w.season.setFactor >= 1 &&
  // Routines behind the runs are as many as the runs; what found no place is said, and cannot be made up.
  w.season.routines.length === 0 &&
  w.fit.unplaced.length === 0 &&
  // Where no window has the time, the fit says so and charges it.
  !w.fit.costs.some((c) => c.rule === "hold.minimum") &&
  !a.away.some((x) => x.start <= addDays(w.season.start, 6) && x.end >= w.season.start);

/** @returns how many full race-phase weeks were compared, and how many leading lifts in them by their percent */
export function checkRaceWeeks(a: Athlete, p: Plan): { compared: number; held: number } {
  let [compared, held] = [0, 0];
  let build: PlanWeek | null = null;
  for (const w of p.weeks) {
    if (isFullBuild(w.season) && w.sessions.length > 0) build = w;
    if (!build || !isFullRaceWeek(a, w)) continue;
    const [before, now] = [weekPrimarySets(build), weekPrimarySets(w)];
    // Of three sets no whole number is 41 to 60% fewer; of two the lead keeps both.
    if (before < 4 || Math.ceil(before * 0.4) > Math.floor(before * 0.59)) continue;
    const cut = 1 - now / before;
    expect(cut, `${w.season.start}: ${now} of ${before} sets`).toBeGreaterThanOrEqual(0.405);
    expect(cut, `${w.season.start}: ${now} of ${before} sets`).toBeLessThanOrEqual(0.605);
    for (const s of w.sessions)
      for (const i of s.items) {
        const same = build.sessions
          .flatMap((b) => b.items)
          .find((b) => b.main && i.main && b.exercise.id === i.exercise.id && i.percent1rm !== null);
        if (!same || same.percent1rm === null || i.percent1rm === null) continue;
        // The build's last percent, 89 at most (rule hold.line), less what the room's steps take; two or more in reserve. What a week of
        // the build that is cut by its end did last is kept too: nothing rises in the race phase.
        const last = p.weeks
          .slice(0, p.weeks.indexOf(w))
          .filter((x) => !x.season.stepBack)
          .flatMap((x) => x.sessions.filter((y) => x.season.days.some((d) => d.date === y.date && d.phase === "build")))
          .flatMap((y) => y.items)
          .findLast((b) => b.exercise === i.exercise);
        const lastPercent = last?.percent1rm ?? same.percent1rm;
        const most = Math.min(89, same.percent1rm, lastPercent);
        held++;
        expect(i.percent1rm, `${a.athlete.name} ${w.season.start} ${i.exercise.id}`).toBeLessThanOrEqual(
          Math.min(89, Math.max(same.percent1rm, lastPercent)) + 0.1,
        );
        expect(i.percent1rm).toBeGreaterThan(0.93 * most);
        expect(i.rir).toBeGreaterThanOrEqual(2);
      }
    compared++;
  }
  return { compared, held };
}
