/**
 * Forty weeks of four lifters who follow their plan with noise. What is asserted are the rules of loads, season and progress (common
 * practice, no source, where the rulebook says so), on what was prescribed and lifted, session by session.
 */
import { describe, expect, it } from "vitest";
import type { Athlete } from "../../src/core/athlete/types";
import { addDays, daysBetween } from "../../src/core/dates";
import { makeableLoads } from "../../src/core/dose/loads";
import { estimate, percentFor } from "../../src/core/dose/oneRepMax";
import { historyOf } from "../../src/core/progress/history";
import { risingPain } from "../../src/core/progress/pain";
import { RULES } from "../../src/core/rulebook";
import { athleteWith, gym, raceOn, START, weeksOf } from "../support/athlete";
import { type Habits, KEEN, liveSeason, type Season, seriesOf } from "../support/lifter";

const WEEKS = 40;
/** Every fourth week a step-back, a little more from week to week. */
const FACTORS = Array.from({ length: WEEKS + 4 }, (_, i) => (i % 4 === 3 ? 0.72 : 1) * (1 + 0.004 * i));
const RACE = addDays(START, 180);
const runner = (more: Partial<Athlete> = {}): Athlete =>
  athleteWith({
    season: { start: START, end: addDays(START, WEEKS * 7 - 1) },
    races: [raceOn(RACE, "A", 100)],
    endurance: weeksOf(FACTORS),
    ...more,
  });

const CAUTIOUS: Habits = {
  ...KEEN,
  seed: 23,
  extra: (r) => (r.chance(0.5) ? -1 : 0),
  told: (rir) => rir + 1,
};
/** Gone for one, two, three and six weeks; of the others he misses one in seven by chance, and is there in the race phase. */
const OFF = [6, 10, 11, 15, 16, 17, 30, 31, 32, 33, 34, 35];
const ABSENT: Habits = { ...KEEN, seed: 40, misses: 0.15, off: OFF };
const HURTS = "front-squat";
const IN_PAIN: Habits = {
  ...KEEN,
  seed: 41,
  pain: (exercise, times) => (exercise === HURTS ? Math.min(7, times + 1) : 0),
};

const seasons: Record<string, Season> = {
  keen: liveSeason(runner(), WEEKS, KEEN),
  cautious: liveSeason(runner(), WEEKS, CAUTIOUS),
  absent: liveSeason(runner(), WEEKS, ABSENT),
  pain: liveSeason(runner(), WEEKS, IN_PAIN),
};
const exercisesOf = (s: Season): string[] => [
  ...new Set(s.sessions.flatMap((x) => x.session.items.map((i) => i.exercise.id))),
];
const all = Object.entries(seasons);

describe.each(all)("a season of the %s lifter", (_name, season) => {
  it("is a season: loads, ladders, holds, decisions", () => {
    expect(season.sessions.length).toBeGreaterThan(30);
    const decided = season.sessions.flatMap((s) => s.session.items).filter((i) => i.decision).length;
    // Who is away for twelve of the weeks comes back to other exercises than he left: less of it is decided by the log.
    expect(decided / season.sessions.length).toBeGreaterThan(_name === "absent" ? 1.25 : 1.5);
  });

  it("never raises a load more than 10% at once, nor 5% for each week at it at equal effort, inside a block", () => {
    for (const id of exercisesOf(season)) {
      const series = seriesOf(season, id).filter((x) => x.session.loading === "full" && x.item.loadKg !== null);
      series.forEach((x, i) => {
        const before = series[i - 1];
        const [from, to] = [before?.item.loadKg, x.item.loadKg];
        if (!before || !from || !to || to <= from || x.item.decision === null) return;
        // After a lighter week it comes back to what it was.
        const lately = series.slice(0, i).filter((z) => daysBetween(z.date, x.date) <= 28);
        if (to <= Math.max(...lately.map((z) => z.item.loadKg ?? 0))) return;
        const atLoad = series.slice(0, i).filter((_, k, list) => list.slice(k).every((z) => z.item.loadKg === from));
        const weeks = Math.max(1, Math.floor(daysBetween(atLoad[0]?.date ?? before.date, x.date) / 7));
        const loads = makeableLoads(x.item.exercise, x.item.loading, gym);
        // Fewer repetitions or less in reserve, as asked for or as they were left, ask for more load at the same effort.
        const effort = (i: typeof x.item, rir: number) => percentFor(Math.min(i.reps ?? 5, 15) + rir) ?? 60;
        const asked = effort(x.item, x.item.rirAsked) / effort(before.item, before.item.rirAsked);
        const left = effort(x.item, x.item.rir) / effort(before.item, before.item.rir);
        const equal = from * Math.min(1 + 0.05 * weeks, Math.max(asked, left));
        const smallest = loads.find((l) => l > Math.max(from, equal) + 1e-9) === to;
        const extra = (before.item.reps ?? 0) >= (x.item.reps ?? 0) + 4;
        const allowed = (to <= 1.1 * from + 1e-6 && (to / equal - 1) * 100 <= 5 * weeks + 1e-6) || (smallest && extra);
        expect({ id, week: x.week, from, to, allowed }).toEqual({ id, week: x.week, from, to, allowed: true });
      });
    }
  });

  it("starts a block at e1RM x percent at most, and stays within 7.5% of it inside", () => {
    let checked = 0;
    for (const { session, week } of season.sessions)
      for (const i of session.items) {
        if (i.percent1rm === null || session.loading !== "full" || i.reps === null || session.emphasis === "hold")
          continue;
        // Reps that were added first leave the load as it is; the range's own top says the percent.
        const percent = percentFor(Math.min(i.reps, 15) + i.rir);
        if (percent === null || i.decision?.kind === "up-reps") continue;
        checked += 1;
        // A twentieth of a repetition is let pass: 0.15% and less.
        const most = percent * (i.decision === null ? 1 : 1.075) + 0.2;
        expect({ week, id: i.exercise.id, over: i.percent1rm > most }).toEqual({
          week,
          id: i.exercise.id,
          over: false,
        });
      }
    expect(checked).toBeGreaterThan(30);
  });

  it("names the rule of every decision", () => {
    for (const { session } of season.sessions)
      for (const i of session.items.filter((x) => x.decision)) {
        const rules = i.why.map((w) => w.rule).filter((r) => r.startsWith("progress.") || r === "gate.masters");
        expect(rules.length).toBeGreaterThan(0);
        for (const w of i.why) expect(RULES).toHaveProperty([w.rule]);
      }
  });

  it("adds nothing in the race phase and keeps the percent of the build", () => {
    let checked = 0;
    for (const { session, plan, log } of season.sessions) {
      const week = plan.weeks[0]?.season;
      const day = week?.days.find((d) => d.date === session.date);
      if (day?.phase !== "race") continue;
      for (const i of session.items) {
        expect(["up-load", "up-reps", "up-sets", "up-seconds", "next-rung"]).not.toContain(i.decision?.kind);
        const earlier = historyOf(season.athlete.strengthLog, i.exercise.id, log.date).flatMap((h) =>
          h.item.sets.flatMap((s) => s.loadKg ?? []),
        );
        if (i.loadKg === null || earlier.length === 0) continue;
        expect(i.loadKg).toBeLessThanOrEqual(Math.max(...earlier) + 1e-9);
        checked += 1;
      }
    }
    expect(checked).toBeGreaterThan(0);
  });

  it("restores after the race without load, then light, and comes back to what was lifted before", () => {
    const after = season.sessions.filter((s) => s.session.date > RACE);
    for (const { session } of after.filter(
      (s) => s.session.loading === "bodyweight" || s.session.loading === "mobility",
    ))
      for (const i of session.items) expect(i.loadKg).toBeNull();
    for (const { session } of after.filter((s) => s.session.loading === "restore"))
      for (const i of session.items) expect(i.percent1rm ?? 0).toBeLessThanOrEqual(60);
    const lift = "trap-bar-deadlift";
    // The base after it asks for more repetitions: what is compared is what the sets say of the 1RM.
    const max = (from: string, to: string) =>
      Math.max(
        0,
        ...seriesOf(season, lift)
          .filter((x) => x.date > from && x.date <= to)
          .flatMap((x) => x.logged.sets.map((s) => estimate(s.loadKg ?? 0, s.reps ?? 0, s.rir ?? 0) ?? 0)),
      );
    if (_name === "absent") return; // Gone for six weeks of what follows.
    expect(max(RACE, addDays(START, WEEKS * 7))).toBeGreaterThanOrEqual(0.95 * max(START, RACE));
  });
});

describe("misses", () => {
  const { absent } = seasons as { absent: Season };
  const itemsOf = ({ session, log }: Season["sessions"][number]) =>
    session.items.flatMap((item) => {
      const last = historyOf(absent.athlete.strengthLog, item.exercise.id, log.date)[0];
      return last ? [{ item, last, gap: Math.floor((daysBetween(last.date, log.date) - 1) / 7) }] : [];
    });
  const back = (weeks: number, firstWeek: number) => {
    const first = absent.sessions.find((s) => s.week >= firstWeek + weeks);
    return first ? itemsOf(first) : [];
  };
  it("of one week repeat: nothing rises", () => {
    // The first session after a week without any: what rested while others were trained is another thing.
    const returns = absent.sessions.filter((s, i) => {
      const before = absent.sessions[i - 1];
      return (
        before && Math.floor((daysBetween(before.log.date, s.log.date) - 1) / 7) === 1 && s.session.loading === "full"
      );
    });
    const items = returns.flatMap(itemsOf).filter((x) => x.gap === 1);
    expect(items.length).toBeGreaterThan(0);
    for (const { item } of items) {
      expect(["up-load", "up-reps", "up-sets", "up-seconds"]).not.toContain(item.decision?.kind);
      expect(item.why.map((w) => w.rule)).toContain("missed.weeks");
    }
  });
  it("of two keep the load and take a set off", () => {
    for (const { item, last } of back(2, 10).filter((x) => x.gap === 2)) {
      const load = last.item.sets[0]?.loadKg ?? null;
      if (load !== null && item.loadKg !== null) expect(item.loadKg).toBeLessThanOrEqual(load + 1e-9);
      expect(item.why.some((w) => w.text.includes("one set fewer"))).toBe(true);
    }
  });
  it("of three or four take 10% off", () => {
    const items = back(3, 15).filter((x) => x.gap === 3 && x.item.decision !== null && x.item.loadKg !== null);
    for (const { item, last } of items)
      expect(item.loadKg ?? 0).toBeLessThanOrEqual(0.9 * (last.item.sets[0]?.loadKg ?? 0) + 1e-9);
  });
  it("of six go back to prepare for four weeks", () => {
    const first = absent.sessions.find((s) => s.week >= 36);
    expect(first?.session.emphasis).toBe("prepare");
    const rules = first?.plan.weeks[0]?.season.days.flatMap((d) => d.why.map((w) => w.rule)) ?? [];
    expect(rules).toContain("layoff.prepare");
    for (const s of absent.sessions.filter((x) => x.week >= 36 && x.week < 36 + 4))
      expect(s.session.emphasis).toBe("prepare");
  });
});

describe("pain", () => {
  const { pain } = seasons as { pain: Season };
  const series = seriesOf(pain, HURTS);
  it("is flagged by the third session, and nothing rises meanwhile", () => {
    expect(series.length).toBeGreaterThanOrEqual(4);
    const third = series[2]!;
    expect(risingPain(historyOf(pain.athlete.strengthLog, HURTS, addDays(third.date, 1)))).toEqual([1, 2, 3]);
    const fourth = series[3]!;
    expect(fourth.item.why.map((w) => w.rule)).toContain("progress.rising");
    expect(fourth.item.loadKg ?? 0).toBeLessThanOrEqual(third.item.loadKg ?? third.logged.sets[0]?.loadKg ?? 0);
  });
  it("above 5 stops the exercise, and another of its pattern takes its place", () => {
    const over = series.find((x) => (x.logged.pain ?? 0) > 5)!;
    const next = pain.sessions.filter(
      (s) => s.session.date > over.date && daysBetween(over.date, s.session.date) <= 14,
    );
    expect(next.length).toBeGreaterThan(0);
    for (const { session } of next) expect(session.items.map((i) => i.exercise.id)).not.toContain(HURTS);
    expect(next.some(({ session }) => session.items.some((i) => i.exercise.pattern === "squat"))).toBe(true);
  });
});

describe("a lifter who does what is asked", () => {
  it("is given no leading lift with the same sets, repetitions, reserve and load in four ordinary weeks running", () => {
    const doses = new Map<string, string[]>();
    let looked = 0;
    for (const { session, plan } of seasons.keen?.sessions ?? []) {
      const week = plan.weeks[0]?.season;
      if (!week || week.setFactor < 1 || week.block === null || session.loading !== "full") continue;
      for (const i of session.items.filter((x) => x.main && x.line !== null)) {
        const dose = [i.sets, i.reps, i.rir, i.loadKg].join();
        const before = doses.get(i.exercise.id) ?? [];
        const four = [...before, dose].slice(-4);
        doses.set(i.exercise.id, four);
        if (four.length < 4) continue;
        looked++;
        expect(new Set(four).size, `${session.date} ${i.exercise.id}: ${dose}`).toBeGreaterThan(1);
      }
    }
    expect(looked).toBeGreaterThan(10);
  });
});
