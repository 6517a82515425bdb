import { describe, expect, it } from "vitest";
import { athleteWith, raceOn, START, weeksOf } from "../../../tests/support/athlete";
import { safetyGate } from "../athlete/gate";
import type { Athlete } from "../athlete/types";
import { addDays } from "../dates";
import { perWeek } from "../dose/dose";
import { plan } from "../plan";
import { seasonDays } from "./days";
import { planPhases } from "./phases";
import { seasonWeeks } from "./weeks";

const weeksFor = (a: Athlete) =>
  seasonWeeks(a, planPhases(a).phases, (d) => {
    const sessions = perWeek(a, d, safetyGate(a, d.date).training);
    return d.emphasis === "restore" && d.loading !== "mobility" ? 2 : sessions;
  });
const dayOf = (a: Athlete, date: string) => seasonDays(a, planPhases(a).phases, date, date)[0]!;

describe("days around an A race", () => {
  // Rules race.class and taper.light: last heavy 5, 7, 9, 11 days out, last light 3, 4, 4, 5 (common practice; days are our assumption).
  it.each([
    [25, 5, 3],
    [75, 7, 4],
    [200, 9, 4],
    [380, 11, 5],
  ])("%d min: heavy up to %d days out, light up to %d, then nothing loaded", (minutes, heavy, light) => {
    const race = raceOn(addDays(START, 120), "A", minutes);
    const a = athleteWith({ races: [race] });
    const out = (days: number) => dayOf(a, addDays(race.date, -days));
    expect(out(heavy)).toMatchObject({ loading: "full", heavyOk: true });
    expect(out(heavy - 1)).toMatchObject({ loading: "light", heavyOk: false, taperFor: race.id });
    expect(out(light)).toMatchObject({ loading: "light" });
    expect(out(light - 1)).toMatchObject({ loading: "mobility", counts: false });
    expect(out(0).loading).toBe("mobility");
  });

  // Rule restore.visits by class (common practice, no source).
  it.each([
    [25, 2, 4, 5],
    [75, 4, 7, 10],
    [200, 6, 12, 18],
    [380, 9, 18, 28],
  ])("%d min: unloaded to day %d, bodyweight to day %d, light to day %d", (minutes, unloaded, body, light) => {
    const race = raceOn(addDays(START, 90), "A", minutes);
    const a = athleteWith({ races: [race] });
    const after = (days: number) => dayOf(a, addDays(race.date, days));
    expect(after(1).loading).toBe("mobility");
    expect(after(unloaded).loading).toBe("mobility");
    expect(after(unloaded + 1).loading).toBe("bodyweight");
    expect(after(body).loading).toBe("bodyweight");
    expect(after(body + 1).loading).toBe("restore");
    expect(after(light).loading).toBe("restore");
    expect(after(light + 1)).toMatchObject({ loading: "full", emphasis: "prepare" });
  });
});

describe("days around B and C races, and other limits", () => {
  const day = addDays(START, 60);
  it("tapers a little for a B race", () => {
    const a = athleteWith({ races: [raceOn(day, "B", 75)] });
    expect(dayOf(a, addDays(day, -4)).heavyOk).toBe(true);
    expect(dayOf(a, addDays(day, -3)).heavyOk).toBe(false);
    expect(dayOf(a, addDays(day, -1)).loading).toBe("mobility");
    expect(dayOf(a, addDays(day, 2)).loading).toBe("mobility");
    expect(dayOf(a, addDays(day, 3)).loading).toBe("full");
  });

  it("trains through a C race, but for the day before", () => {
    const a = athleteWith({ races: [raceOn(day, "C", 75)] });
    expect(dayOf(a, addDays(day, -1)).loading).toBe("mobility");
    expect(dayOf(a, addDays(day, -2))).toMatchObject({ loading: "full", softRaces: [`Race of ${day}`] });
    expect(dayOf(a, addDays(day, 1))).toMatchObject({ loading: "full", softRaces: [`Race of ${day}`] });
  });

  it("keeps an athlete without clearance to mobility until it is recorded", () => {
    const health = { clearanceNeeded: true, areas: [] };
    expect(dayOf(athleteWith({ health }), day)).toMatchObject({ loading: "mobility", emphasis: "restore" });
    const cleared = { ...health, clearance: { date: addDays(day, -1), by: "a physician", limits: "" } };
    expect(dayOf(athleteWith({ health: cleared }), day).loading).toBe("full");
    expect(dayOf(athleteWith({ health: cleared }), addDays(day, -2)).loading).toBe("mobility");
  });

  it("starts new lifters without load for three weeks", () => {
    const a = athleteWith({}, { strengthTrainingMonths: 0 });
    expect(dayOf(a, addDays(START, 20)).loading).toBe("bodyweight");
    expect(dayOf(a, addDays(START, 21)).loading).toBe("full");
  });

  it("comes back from illness with restore for as many days as were lost, the first half of them without load", () => {
    const ill = (days: number) =>
      athleteWith({ away: [{ start: addDays(day, -days), end: addDays(day, -1), kind: "illness" }] });
    const after = (days: number, n: number) => dayOf(ill(days), addDays(day, n - 1));
    // Five days lost: three without load, two light, then as before.
    expect(after(5, 1)).toMatchObject({ emphasis: "restore", loading: "bodyweight", heavyOk: false, minutesMost: 30 });
    expect(after(5, 3).loading).toBe("bodyweight");
    expect(after(5, 4)).toMatchObject({ emphasis: "restore", loading: "restore", minutesMost: 30 });
    expect(after(5, 5).emphasis).toBe("restore");
    expect(after(5, 6)).toMatchObject({ loading: "full", minutesMost: null });
    expect(after(5, 6).emphasis).not.toBe("restore");
    // Three weeks lost: fourteen days, not twenty-one.
    expect(after(21, 7).loading).toBe("bodyweight");
    expect(after(21, 8).loading).toBe("restore");
    expect(after(21, 14).emphasis).toBe("restore");
    expect(after(21, 15).emphasis).not.toBe("restore");
  });

  it("gives whoever comes back from illness short, light sessions and none of the season's longest", () => {
    const a = athleteWith({ away: [{ start: addDays(day, -8), end: addDays(day, -1), kind: "illness" }] });
    const sessions = plan(a, { from: day, weeks: 2 }).weeks.flatMap((w) => w.sessions);
    const back = sessions.filter((s) => s.date < addDays(day, 8));
    expect(back.length).toBeGreaterThan(0);
    for (const s of back) {
      expect(s.minutes).toBeLessThanOrEqual(30);
      expect(s.emphasis).toBe("restore");
      for (const i of s.items) {
        expect(i.sets, i.exercise.id).toBeLessThanOrEqual(2);
        if (i.seconds === null && i.exercise.pattern !== "mobility")
          expect(i.rir, i.exercise.id).toBeGreaterThanOrEqual(4);
      }
    }
  });
});

describe("two A races within 14 days", () => {
  const second = addDays(START, 104);
  const pair = (minutes: number, gap = 14) =>
    athleteWith({ races: [raceOn(addDays(second, -gap), "A", minutes), raceOn(second, "A", 25)] });

  it("leave one light session, 4 to 5 days before the second", () => {
    const a = pair(25);
    for (let out = 1; out < 14; out++) {
      const d = dayOf(a, addDays(second, -out));
      expect(d.loading === "light", `${out} days out`).toBe(out === 4 || out === 5);
      expect(d.heavyOk).toBe(false);
    }
    const wanted = weeksFor(a).flatMap((w) =>
      w.wanted.filter((x) => x.taper && x.days!.every((d) => d > addDays(second, -14))),
    );
    expect(wanted).toEqual([
      { label: expect.any(String), taper: true, days: [addDays(second, -5), addDays(second, -4)] },
    ]);
  });
  it("leave none after a first of over two hours", () => {
    const a = pair(200);
    for (let out = 1; out < 14; out++)
      expect(["mobility", "bodyweight"]).toContain(dayOf(a, addDays(second, -out)).loading);
  });
  it("are left alone further apart", () => {
    expect(dayOf(pair(25, 15), addDays(second, -8)).loading).toBe("full");
  });
});

describe("weeks", () => {
  it("steps back every fourth week, every third for new lifters and from fifty", () => {
    const steady = { endurance: weeksOf(new Array(30).fill(1)) };
    const marked = (a: Athlete) =>
      weeksFor(a)
        .slice(0, 12)
        .map((w) => (w.stepBack ? 1 : 0));
    expect(marked(athleteWith(steady))).toEqual([0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0, 1]);
    expect(marked(athleteWith(steady, { birthYear: 1970 }))).toEqual([0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1]);
  });

  it("steps back with the endurance, and not again at once", () => {
    const factors = [1, 1, 1, 1, 1, 0.6, 1, 1, 1, 1, 1, 1, 1];
    const weeks = weeksFor(athleteWith({ endurance: weeksOf([1, 1, 1, ...factors.slice(1)], addDays(START, -21)) }));
    const low = weeks.find((w) => w.enduranceStepBack)!;
    expect(low.stepBack).toBe(true);
    expect(low.why.map((w) => w.rule)).toContain("stepback.endurance");
    const at = weeks.indexOf(low);
    expect(weeks.slice(at + 1, at + 4).some((w) => w.stepBack)).toBe(false);
  });

  // Rules mileage.increase and mileage.spike (our assumption): over 10% a third off, over 30% hold dose only.
  it("cuts sets with a jump in distance", () => {
    const flat = new Array(7).fill(1);
    const jumped = weeksFor(athleteWith({ endurance: weeksOf([...flat, 1.2, 1]) }))[6]!;
    expect(jumped.setFactor).toBeCloseTo(2 / 3, 9);
    expect(jumped.change.distancePct).toBeCloseTo(20, 6);
    expect(jumped.why.map((w) => w.rule)).toContain("mileage.increase");
    const leapt = weeksFor(athleteWith({ endurance: weeksOf([...flat, 1.4, 1]) }))[6]!;
    expect(leapt.mileage.holdOnly).toBe(true);
    expect(leapt.wanted).toHaveLength(1);
  });

  it("leaves step-back weeks out of the comparison", () => {
    const weeks = weeksFor(athleteWith({ endurance: weeksOf([1, 1, 1, 1, 0.6, 1.05], addDays(START, -28)) }));
    expect(weeks[1]!.change.distancePct).toBeCloseTo(5, 6);
    expect(weeks[1]!.change.against).not.toContain(weeks[0]!.start);
  });

  it("halves the sets in a B race's week", () => {
    const a = athleteWith({ races: [raceOn(addDays(START, 5 * 7 + 6), "B", 75)] });
    expect(weeksFor(a)[5]!.setFactor).toBe(0.5);
  });

  it("asks for the rounded sum of each day's share, and one light session before an A race", () => {
    const race = raceOn(addDays(START, 20 * 7 + 6), "A", 75);
    const weeks = weeksFor(athleteWith({ races: [race] }));
    expect(weeks[20]!.wanted).toEqual([
      { label: "A", taper: true, days: [6, 5, 4].map((out) => addDays(race.date, -out)) },
    ]);
    // Ten days before the race: three days of build at 2 a week and four of race at 1 make 1.43.
    expect(weeks[19]!.days.map((d) => d.phase)).toEqual(["build", "build", "build", "race", "race", "race", "race"]);
    expect(weeks[19]!.wanted).toHaveLength(1);
    expect(weeks[18]!.wanted.map((w) => w.label)).toEqual(["A", "B"]);
  });

  it("does not put a step-back into the last week before the race phase", () => {
    for (let shift = 0; shift < 4; shift++) {
      const race = raceOn(addDays(START, (19 + shift) * 7 + 6), "A", 200);
      const weeks = weeksFor(athleteWith({ races: [race], endurance: weeksOf(new Array(30).fill(1)) }));
      const last = weeks.filter((w) => w.days.every((d) => d.phase === "build")).at(-1)!;
      expect(last.stepBack).toBe(false);
    }
  });
});
