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
  it("leave the visits of the first one's recovery counting, and no day after it but the light session's own", () => {
    // Five days of recovery after a first of 25 min: days 13 to 9 before the second.
    const counts = (out: number) => dayOf(pair(25), addDays(second, -out)).counts;
    expect([13, 9].map(counts)).toEqual([true, true]);
    expect([8, 6, 5, 4, 3, 1].map(counts)).toEqual([false, false, false, false, false, false]);
    const taperFor = (out: number) => dayOf(pair(25), addDays(second, -out)).taperFor;
    expect([6, 5, 4, 3].map(taperFor)).toEqual([null, `race-${second}`, `race-${second}`, null]);
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
  it("fall into blocks that end in a step-back: three loading weeks, two from fifty, five where the phase fits no other", () => {
    const steady = { endurance: weeksOf(new Array(30).fill(1)) };
    const blocks = (a: Athlete) =>
      weeksFor(a)
        .slice(0, 14)
        .map((w) => (w.block ? `${w.block.week}/${w.block.of}` : w.stepBack ? "back" : "-"))
        .join(" ");
    // Four weeks of prepare, four of develop, then six of build before the next base.
    expect(blocks(athleteWith(steady))).toBe("1/3 2/3 3/3 back 1/3 2/3 3/3 back 1/5 2/5 3/5 4/5 5/5 back");
    // From 50: 2 + 1 throughout, whatever the emphasis: what a phase's end cuts short counts to the block that follows.
    expect(blocks(athleteWith(steady, { birthYear: 1970 }))).toBe(
      "1/2 2/2 back 1/1 1/1 back 1/2 2/2 back 1/2 2/2 back 1/2 2/2",
    );
  });

  it("of eight weeks of build are 4 + 1 + 3, and the taper is the last block's step-back", () => {
    // Race phase of ten days from a Monday: 20 weeks and 3 days before the race's Thursday.
    const race = raceOn(addDays(START, 20 * 7 + 3), "A", 75);
    const weeks = weeksFor(athleteWith({ races: [race], endurance: weeksOf(new Array(30).fill(1)) }));
    const build = weeks.filter((w) => w.phase === "build");
    expect(build).toHaveLength(8);
    expect(build.map((w) => w.block?.week ?? "back")).toEqual([1, 2, 3, 4, "back", 1, 2, 3]);
    expect(build[0]!.why.find((w) => w.rule === "block.weeks")!.text).toBe("Week 1 of 4 of this block.");
    expect(weeks.filter((w) => w.phase === "race").every((w) => w.block === null && !w.stepBack)).toBe(true);
  });

  it("say which block of their work they stand in, where it began, and what it closes", () => {
    const race = raceOn(addDays(START, 20 * 7 + 3), "A", 75);
    const weeks = weeksFor(athleteWith({ races: [race], endurance: weeksOf(new Array(30).fill(1)) }));
    const at = weeks.findIndex((w) => w.phase === "build");
    const build = weeks.slice(at, at + 8);
    // 4 + 1 + 3: the second block has four loading weeks of the same work before it.
    expect(build.map((w) => [w.block?.nth, w.block?.before])).toEqual([
      ...new Array(4).fill([1, 0]),
      [undefined, undefined],
      ...new Array(3).fill([2, 4]),
    ]);
    for (const [i, from] of [
      [3, 0],
      [7, 5],
    ] as const)
      expect(build[i]!.block).toMatchObject({ builds: "build/maximal", start: build[from]!.start });
    expect(build[4]!.closes).toEqual(build[3]!.block);
    // Inside a block nothing has ended; the race phase comes right after the last loading week.
    expect(build.slice(1, 4).every((w) => w.closes === null)).toBe(true);
    expect(weeks[at + 8]!.closes).toEqual(build[7]!.block);
    expect(weeks[at + 9]!.closes).toBeNull();
  });
  it("begin the block of a phase that starts in mid-week on its first day, and close the one before it", () => {
    // Late base begins after 28 days, a Monday; with the season two days later it is a Wednesday.
    const weeks = weeksFor(
      athleteWith({
        season: { start: addDays(START, 2), end: addDays(START, 200) },
        endurance: weeksOf(new Array(30).fill(1)),
        settings: { rulesOff: ["stepback.every"] },
      }),
    );
    const first = weeks.find((w) => w.block?.builds === "base/develop")!;
    expect(first.start).toBe(addDays(START, 28));
    expect(first.block).toMatchObject({
      week: 1,
      nth: 1,
      before: 0,
      start: addDays(START, 28),
      from: addDays(START, 30),
    });
    expect(first.closes).toMatchObject({ builds: "base/prepare", week: 4, from: addDays(START, 2) });
    expect(weeks[weeks.indexOf(first) + 1]!.block).toMatchObject({ week: 2, from: addDays(START, 30) });
  });
  it("keep the weeks of a block in which nothing may go up: with a jump in mileage, heat or a B race", () => {
    const flat = weeksOf(new Array(30).fill(1));
    const held = (a: Athlete) => weeksFor(a).map((w) => w.block?.held ?? []);
    expect(held(athleteWith({ endurance: flat })).every((h) => h.length === 0)).toBe(true);
    // A tenth more is none, more than that is one (rule mileage.increase).
    const jump = (more: number) =>
      held(athleteWith({ endurance: weeksOf([1, 1, 1, 1, 1, 1 + more, ...new Array(24).fill(1)]) }));
    expect(jump(0.09).flat()).toEqual([]);
    // The sixth week of the figures is the season's fifth. It is remembered to the block's end.
    expect(jump(0.2).slice(3, 7)).toEqual([[], [addDays(START, 28)], [addDays(START, 28)], [addDays(START, 28)]]);
    const heat = { kind: "heat" as const, start: addDays(START, 35), end: addDays(START, 41) };
    expect(held(athleteWith({ endurance: flat, away: [heat] }))[5]).toEqual([addDays(START, 35)]);
    const b = raceOn(addDays(START, 37), "B", 60);
    expect(held(athleteWith({ endurance: flat, races: [b] }))[5]).toEqual([addDays(START, 35)]);
  });

  it("steps back with the endurance, and not again at once", () => {
    const factors = [1, 1, 1, 1, 1, 0.6, 1, 1, 1, 1, 1, 1, 1];
    const weeks = weeksFor(athleteWith({ endurance: weeksOf([1, 1, 1, ...factors.slice(1)], addDays(START, -21)) }));
    const low = weeks.find((w) => w.enduranceStepBack)!;
    expect(low.stepBack).toBe(true);
    expect(low.why.map((w) => w.rule)).toContain("stepback.endurance");
    // Three weeks of develop are left after it: a block of 2 + 1.
    const at = weeks.indexOf(low);
    expect(weeks.slice(at + 1, at + 4).map((w) => w.stepBack)).toEqual([false, false, true]);
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

describe("what counts as a step back of the endurance", () => {
  // Rule stepback.endurance: under 82% of the week before and of what was expected, in load and in leg load or distance.
  const marked = (factors: number[], more: Partial<Athlete> = {}) =>
    weeksFor(athleteWith({ endurance: weeksOf(factors, addDays(START, -7 * 4)), ...more }))
      .map((w, i) => (w.enduranceStepBack ? i : -1))
      .filter((i) => i >= 0);
  const steady = new Array(20).fill(1);
  it("needs three ordinary weeks before it", () => {
    expect(marked([1, 1, 1, 1, 0.7, ...steady])).toEqual([0]);
    const one = athleteWith({ endurance: weeksOf([1, 0.6, ...steady], START) });
    expect(weeksFor(one)[1]!.enduranceStepBack).toBe(false);
    const three = athleteWith({ endurance: weeksOf([1, 1, 1, 0.6, ...steady], START) });
    expect(weeksFor(three)[3]!.enduranceStepBack).toBe(true);
  });
  it("is below 82%, and of the week before as well as of what was expected", () => {
    expect(marked([1, 1, 1, 1, 0.81, ...steady])).toEqual([0]);
    expect(marked([1, 1, 1, 1, 0.83, ...steady])).toEqual([]);
    // The second low week is no further step back from the first.
    expect(marked([1, 1, 1, 1, 0.7, 0.7, ...steady])).toEqual([0]);
  });
  it("is none in a race phase, and none of a week that is known in part", () => {
    const race = raceOn(addDays(START, 2), "A", 75);
    expect(marked([1, 1, 1, 1, 0.6, ...steady], { races: [race] })).toEqual([]);
    const part = weeksOf([1, 1, 1, 1, 1, ...steady], addDays(START, -7 * 4)).filter(
      (e) => e.date < addDays(START, 7) || e.date >= addDays(START, 14) || e.kind === "easy",
    );
    const week = weeksFor(athleteWith({ endurance: part }))[1]!;
    expect(week).toMatchObject({ known: "part", enduranceStepBack: false, ordinary: false, setFactor: 1 });
  });
  it("is not followed by one of the calendar, and one of the calendar waits for it", () => {
    // Three loading weeks, then the fourth is due; the endurance steps back in the fifth: the fourth loads, too.
    const weeks = weeksFor(
      athleteWith({ endurance: weeksOf([1, 1, 1, 1, 1, 1, 1, 1, 0.6, ...steady], addDays(START, -28)) }),
    );
    expect(weeks.slice(0, 9).map((w) => w.stepBack)).toEqual([
      false,
      false,
      false,
      false,
      true,
      false,
      false,
      true,
      false,
    ]);
    expect(weeks.slice(0, 4).map((w) => w.block)).toMatchObject([1, 2, 3, 4].map((week) => ({ week, of: 4 })));
  });
  it("keeps 55% of the sets, unless it is switched off", () => {
    const low = [1, 1, 1, 1, 1, 0.6, ...steady];
    const week = (more: Partial<Athlete> = {}) =>
      weeksFor(athleteWith({ endurance: weeksOf(low, addDays(START, -28)), ...more }))[1]!;
    expect(week()).toMatchObject({ stepBack: true, setFactor: 0.55 });
    expect(week({ settings: { rulesOff: ["stepback.endurance"] } })).toMatchObject({ stepBack: false, setFactor: 1 });
    expect(week({ settings: { ruleValues: { "stepback.every": { share: 0.7 } } } }).setFactor).toBe(0.7);
  });
});

describe("what else cuts a week's sets", () => {
  const monday = addDays(START, 35);
  const week = (a: Partial<Athlete>) => weeksFor(athleteWith(a))[5]!;
  const away = (start: number, end: number, kind: "heat" | "height" | "travel") =>
    week({ away: [{ start: addDays(monday, start), end: addDays(monday, end), kind, place: "gym" }] });
  it("is the first week of heat or height, whole or in part", () => {
    const cut = (...of: Parameters<typeof away>) => away(...of).setFactor < 1;
    expect(cut(6, 30, "heat")).toBe(true);
    expect(cut(7, 30, "heat")).toBe(false);
    expect(cut(-6, 30, "height")).toBe(true);
    expect(cut(-7, 30, "height")).toBe(false);
    expect(cut(-3, 0, "heat")).toBe(true);
    expect(cut(-3, -1, "heat")).toBe(false);
    expect(cut(0, 20, "travel")).toBe(false);
    expect(away(0, 20, "heat").why.find((w) => w.rule === "heat.sets")!.text).toContain("heat");
    expect(away(0, 20, "height").why.find((w) => w.rule === "heat.sets")!.text).toContain("height");
  });
  it("is a B race from Monday to Sunday, and the strictest cut counts", () => {
    const race = (n: number, priority: "A" | "B" | "C" = "B") =>
      week({ races: [raceOn(addDays(monday, n), priority, 60)] }).setFactor;
    expect([-1, 0, 6, 7].map((n) => race(n))).toEqual([1, 0.5, 0.5, 1]);
    expect(race(3, "C")).toBe(1);
    const both = week({
      races: [raceOn(addDays(monday, 3), "B", 60)],
      away: [{ start: monday, end: addDays(monday, 20), kind: "heat" }],
    });
    expect(both.setFactor).toBe(0.5);
    expect(both.why.map((w) => w.rule)).toEqual(expect.arrayContaining(["heat.sets", "race.b"]));
  });
  it("names sessions of the week that are far longer than any of the month before", () => {
    const long = (date: string, minutes: number) =>
      ({ date, start: "08:00", sport: "run", kind: "long", minutes, distanceKm: minutes / 6 }) as const;
    const endurance = [
      ...weeksOf(new Array(6).fill(1)).filter((e) => e.kind !== "long"),
      long(addDays(monday, 6), 200),
    ];
    const rules = (n: number) => weeksFor(athleteWith({ endurance }))[n]!.why.map((w) => w.rule);
    expect(rules(5)).toContain("session.longer");
    expect(rules(4)).not.toContain("session.longer");
  });
});

describe("how many sessions a week asks for", () => {
  it("none where no day may hold one, and the season's first and last weeks as far as they are in it", () => {
    const season = { start: addDays(START, 3), end: addDays(START, 17) };
    const weeks = weeksFor(athleteWith({ season }));
    expect(weeks.map((w) => w.start)).toEqual([START, addDays(START, 7), addDays(START, 14)]);
    expect(weeks.map((w) => w.days.length)).toEqual([4, 7, 4]);
    expect(weeks[0]!.days[0]!.date).toBe(season.start);
    expect(weeks[2]!.days.at(-1)!.date).toBe(season.end);
    const gap = raceOn(addDays(START, 5 * 7 + 2), "A", 75);
    const two = raceOn(addDays(START, 5 * 7 + 9), "A", 75);
    // Two races in ten days: between them no day counts but the one light session's own.
    const between = weeksFor(athleteWith({ races: [gap, two] })).find((w) => w.start === addDays(START, 35))!;
    expect(between.wanted.filter((w) => !w.taper)).toEqual([]);
  });
  it("one hold three or four days before each race of a series", () => {
    const first = addDays(START, 61);
    const races = [0, 7, 14].map((n) => raceOn(addDays(first, n), "C", 40));
    const week = (n: number) => weeksFor(athleteWith({ races })).find((w) => w.start === addDays(START, n))!;
    expect(week(63).wanted).toEqual([
      { label: "A", days: [addDays(first, 3), addDays(first, 4)], taper: false, minutes: 25 },
    ]);
    // The week after the last race is its own again.
    expect(week(77).wanted.every((w) => w.minutes === undefined)).toBe(true);
  });
});

describe("routines behind the runs", () => {
  const runs = weeksOf(new Array(30).fill(1));
  const routines = (more: Partial<Athlete>, n = 5) =>
    weeksFor(athleteWith({ endurance: runs, settings: { approach: "paired-routines" }, ...more }))[n]!;
  const monday = addDays(START, 35);
  it("stand where each day's last run ends, long behind key sessions, short behind the others", () => {
    // Runs of weeksOf: Monday 50 min easy and Tuesday intervals, Thursday tempo of 60 min from 7:00, Saturday 120 min from 8:00.
    expect(routines({}).routines).toEqual([
      { label: "E", date: monday, start: 7 * 60 + 50, version: "short" },
      { label: "F", date: addDays(monday, 1), start: 8 * 60, version: "long" },
      { label: "H", date: addDays(monday, 3), start: 8 * 60, version: "long" },
      { label: "J", date: addDays(monday, 5), start: 10 * 60, version: "long" },
    ]);
    expect(routines({}).wanted).toEqual([]);
  });
  it("follow the last of two runs of a day, never a race", () => {
    const second = { date: monday, start: "18:00", sport: "run", kind: "easy", minutes: 30 } as const;
    const early = { ...second, start: "05:00" } as const;
    const at = (endurance: Athlete["endurance"]) => routines({ endurance }).routines.find((r) => r.date === monday);
    expect(at([...runs, second])!.start).toBe(18 * 60 + 30);
    expect(at([early, ...runs])!.start).toBe(7 * 60 + 50);
    expect(at([...runs, early])!.start).toBe(7 * 60 + 50);
    const raced = runs.map((e) => (e.date === monday ? { ...e, kind: "race" as const } : e));
    expect(at(raced)).toBeUndefined();
  });
  it("are none on days that a race keeps free, short in a race phase, and none without clearance", () => {
    const race = raceOn(addDays(monday, 6), "A", 75);
    const kept = routines({ races: [race] });
    // The light session's days end four before the race: Wednesday to Saturday keep free of work.
    expect(kept.routines.map((r) => [r.date, r.version])).toEqual([
      [monday, "short"],
      [addDays(monday, 1), "short"],
    ]);
    expect(routines({ health: { clearanceNeeded: true, areas: [] } }).routines).toEqual([]);
  });
});
