/** What takes from a day of the season, rule by rule: what each does, that it names itself, and that it can be switched off. */
import { describe, expect, it } from "vitest";
import { athleteWith, lifted, logOf, raceOn, START, weeksOf } from "../../../tests/support/athlete";
import type { Athlete, StrengthLog } from "../athlete";
import { addDays } from "../dates";
import { plan } from "../plan";
import { RULES, SWITCHES } from "../rulebook";
import { seasonDays } from "./days";
import { layoffOf } from "./layoff";
import { planPhases } from "./phases";
import { nearestBefore } from "./races";

const flat = weeksOf(new Array(30).fill(1));
const without = (a: Athlete, ...rulesOff: string[]): Athlete => ({ ...a, settings: { ...a.settings, rulesOff } });
const daysOf = (a: Athlete, asOf?: string) => seasonDays(a, planPhases(a).phases, a.season.start, a.season.end, asOf);
const on = (a: Athlete, date: string, asOf?: string) => daysOf(a, asOf).find((d) => d.date === date)!;
const squatOn = (date: string): StrengthLog => logOf(date, [lifted("back-squat", 80, [5, 5, 5], 2)]);
const weekAt = (a: Athlete, monday: string) => plan(a, { from: monday, weeks: 1 }).weeks[0]!;

it("every switch is a known rule, and none of them must hold", () => {
  for (const s of SWITCHES) {
    expect(RULES).toHaveProperty([s.id]);
    expect(s.id).not.toMatch(/^(M\d|S\d|progress\.pain|gate\.(clearance|minor|masters))/);
  }
  expect(new Set(SWITCHES.map((s) => s.id)).size).toBe(SWITCHES.length);
});

describe("after weeks without lifting", () => {
  const back = addDays(START, 58);
  const log = (weeks: number) => [squatOn(addDays(back, -7 * weeks - 1))];
  const athlete = (weeks: number) => athleteWith({ endurance: flat, strengthLog: log(weeks) });
  it.each([
    [4, null],
    [5, 4],
    [9, 4],
  ])("%d weeks: %s weeks of prepare", (weeks, prepare) => {
    const days = daysOf(athlete(weeks), back);
    const at = (n: number) => days.find((d) => d.date === addDays(back, n))!;
    if (prepare === null) expect(at(0).emphasis).not.toBe("prepare");
    else {
      expect(at(0)).toMatchObject({ emphasis: "prepare", stage: "base-early" });
      expect(at(prepare * 7 - 1).emphasis).toBe("prepare");
      expect(at(prepare * 7).emphasis).not.toBe("prepare");
      expect(at(0).why.map((w) => w.rule)).toContain("layoff.prepare");
    }
    expect(on(without(athlete(weeks), "layoff.prepare"), back, back).emphasis).not.toBe("prepare");
  });
  it("three months and more: two weeks of bodyweight before load", () => {
    const late = addDays(START, 110);
    const a = athleteWith({ endurance: flat, strengthLog: [squatOn(addDays(late, -7 * 14))] });
    expect(on(a, late, late)).toMatchObject({ loading: "bodyweight" });
    expect(on(a, addDays(late, 14), late).loading).toBe("full");
    expect(on(without(a, "gate.returning"), late, late).loading).toBe("full");
  });
  it("weeks of recovery after a race are no layoff", () => {
    const log = [squatOn(START), squatOn(addDays(START, 50))];
    expect(layoffOf({ strengthLog: log }, addDays(START, 51), () => false)?.weeks).toBe(7);
    expect(layoffOf({ strengthLog: log }, addDays(START, 51), () => true)).toBeNull();
  });
});

describe("journeys, heat and height", () => {
  const day = addDays(START, 60);
  const trip = (more: Partial<Athlete["away"][number]>): Athlete =>
    athleteWith({
      endurance: flat,
      away: [{ start: day, end: addDays(day, 6), kind: "travel", place: "gym", ...more }],
    });
  it("no heavy legs on a travel day of over 4 h", () => {
    expect(on(trip({ hours: 5 }), day).heavyOk).toBe(false);
    expect(on(trip({ hours: 5 }), addDays(day, 2)).heavyOk).toBe(true);
    expect(on(trip({ hours: 4 }), day).heavyOk).toBe(true);
    expect(on(without(trip({ hours: 5 }), "travel.legs"), day).heavyOk).toBe(true);
  });
  it("nor 48 h after three time zones", () => {
    for (const n of [0, 1, 2]) expect(on(trip({ zones: 3 }), addDays(day, n)).heavyOk).toBe(false);
    expect(on(trip({ zones: 3 }), addDays(day, 3)).heavyOk).toBe(true);
    expect(on(trip({ zones: 2 }), addDays(day, 1)).heavyOk).toBe(true);
  });
  it("the first hot or high week has a third fewer sets, the second not", () => {
    const monday = addDays(START, 56);
    for (const kind of ["heat", "height"] as const) {
      const a = athleteWith({ endurance: flat, away: [{ start: monday, end: addDays(monday, 20), kind }] });
      const [first, second] = plan(a, { from: monday, weeks: 2 }).weeks.map((w) => w.season);
      if (!first?.stepBack) expect(first?.setFactor).toBeCloseTo(2 / 3, 9);
      expect(first?.why.map((w) => w.rule)).toContain("heat.sets");
      expect(second?.why.map((w) => w.rule)).not.toContain("heat.sets");
    }
  });
});

describe("a block of deliberate weight loss", () => {
  const race = raceOn(addDays(START, 120), "A", 100);
  const block = { start: addDays(START, 70), end: addDays(START, 83) };
  const a = athleteWith({ endurance: flat, races: [race] });
  const losing = { ...a, settings: { ...a.settings, weightLoss: block } };
  it("takes develop for maximal, on its days alone", () => {
    for (const n of [69, 84])
      expect(on(losing, addDays(START, n))).toMatchObject({ emphasis: "maximal", stage: "build" });
    for (const n of [70, 83]) {
      expect(on(a, addDays(START, n)).emphasis).toBe("maximal");
      const day = on(losing, addDays(START, n));
      expect(day).toMatchObject({ emphasis: "develop", stage: "base-late" });
      expect(day.why.map((w) => w.rule)).toContain("weight.develop");
      expect(on(without(losing, "weight.develop"), addDays(START, n)).emphasis).toBe("maximal");
    }
  });
  it("leaves its sessions without heavy sets, and the build's come back after it", () => {
    const squats = (x: Athlete, monday: string) =>
      weekAt(x, monday).sessions.flatMap((s) => s.items.filter((i) => i.exercise.pattern === "squat"));
    const heavy = (x: Athlete, monday: string) => weekAt(x, monday).sessions.some((s) => s.heavy);
    expect(heavy(a, block.start)).toBe(true);
    expect(squats(losing, block.start).length).toBeGreaterThan(0);
    for (const i of squats(losing, block.start)) expect(i.reps).toBeGreaterThanOrEqual(6);
    expect(heavy(losing, block.start)).toBe(false);
    expect(heavy(losing, addDays(block.end, 1))).toBe(true);
  });
});

describe("switched off", () => {
  const race = raceOn(addDays(START, 120), "A", 200);
  const b = raceOn(addDays(START, 61), "B", 60);
  const a = athleteWith({
    endurance: weeksOf([...new Array(9).fill(1), 1.5, ...new Array(20).fill(1)]),
    races: [race, b],
  });
  it("the taper's light days are full ones, the days that must be free stay free", () => {
    const light = addDays(race.date, -6);
    expect(on(a, light).loading).toBe("light");
    expect(on(without(a, "taper.light"), light).loading).toBe("full");
    const blocked = addDays(race.date, -2);
    for (const x of [a, without(a, ...SWITCHES.map((s) => s.id))]) expect(on(x, blocked).loading).toBe("mobility");
  });
  it("step-backs, mileage and B races leave the sets alone", () => {
    const of = (x: Athlete) => plan(x, { weeks: "season" }).season;
    const jump = of(a).find((w) => w.mileage.factor < 1)!;
    expect(jump.mileage.holdOnly).toBe(true);
    const free = of(without(a, "mileage.spike", "mileage.increase", "stepback.every", "stepback.endurance", "race.b"));
    expect(free.every((w) => w.setFactor === 1 && !w.mileage.holdOnly)).toBe(true);
    expect(of(a).some((w) => w.why.some((r) => r.rule === "race.b"))).toBe(true);
  });
});

describe("weekly races", () => {
  const first = addDays(START, 61);
  const series = [0, 7, 14, 21].map((n) => raceOn(addDays(first, n), "C", 40));
  const a = athleteWith({ endurance: flat, races: series });
  it("two races are no series, A races belong to none, and it can be switched off", () => {
    const rules = (x: Athlete) => on(x, addDays(first, -3)).why.map((w) => w.rule);
    expect(rules(a)).toContain("race.series");
    expect(rules({ ...a, races: series.slice(0, 2) })).not.toContain("race.series");
    expect(rules({ ...a, races: series.map((r) => ({ ...r, priority: "A" as const })) })).not.toContain("race.series");
    expect(rules(without(a, "race.series"))).not.toContain("race.series");
  });
});

describe("the 48 h after a journey", () => {
  const day = addDays(START, 60);
  const trip = athleteWith({ away: [{ start: day, end: addDays(day, 6), kind: "travel", place: "gym", zones: 3 }] });
  it("are counted from the return as well as from the arrival", () => {
    const rests = (n: number) => !on(trip, addDays(day, n)).heavyOk;
    expect([-1, 0, 1, 2, 3, 5, 6, 7, 8, 9].map(rests)).toEqual([
      false,
      true,
      true,
      true,
      false,
      false,
      true,
      true,
      true,
      false,
    ]);
  });
  it("are said as such, and the days on the way by their hours", () => {
    const text = (n: number) => on(trip, addDays(day, n)).why.find((w) => w.rule === "travel.legs")?.text;
    expect(text(8)).toContain("3 time zones");
    expect(text(8)).not.toBe(text(6));
    expect(text(9)).toBeUndefined();
  });
  it("are asked of journeys alone, and of no short one", () => {
    const away = (more: object) =>
      on(athleteWith({ away: [{ start: day, end: addDays(day, 6), kind: "travel", place: "gym", ...more }] }), day);
    expect(away({ kind: "holiday", hours: 9 }).heavyOk).toBe(true);
    expect(away({ hours: 4.5 }).heavyOk).toBe(false);
    expect(away({}).heavyOk).toBe(true);
    expect(away({}).why.map((w) => w.rule)).not.toContain("travel.legs");
  });
});

describe("back from illness", () => {
  const day = addDays(START, 60);
  const ill = (start: number, end: number) => ({
    start: addDays(day, start),
    end: addDays(day, end),
    kind: "illness" as const,
  });
  const at = (away: Athlete["away"], n: number) => on(athleteWith({ away }), addDays(day, n));
  it("counts from each illness, not from the first alone", () => {
    const twice = [ill(-30, -26), ill(-5, -1)];
    expect(at(twice, -25)).toMatchObject({ emphasis: "restore", loading: "bodyweight" });
    expect(at(twice, -20).emphasis).not.toBe("restore");
    expect(at(twice, 0)).toMatchObject({ emphasis: "restore", loading: "bodyweight" });
    expect(at(twice, 4)).toMatchObject({ emphasis: "restore", loading: "restore" });
    expect(at(twice, 5).emphasis).not.toBe("restore");
  });
  it("asks nothing of a day that is itself away, and goes on after it", () => {
    const journey = { start: addDays(day, 1), end: addDays(day, 2), kind: "travel" as const, place: "gym" };
    const away = [ill(-5, -1), journey];
    const asks = (n: number) => at(away, n).why.some((w) => w.rule === "illness.back");
    expect([0, 1, 2, 3, 4, 5].map(asks)).toEqual([true, false, false, true, true, false]);
  });
  it("says why also where the day held no more than that before", () => {
    const race = raceOn(addDays(day, -12), "A", 75);
    const recovering = on(athleteWith({ races: [race], away: [ill(-5, -1)] }), addDays(day, 1));
    expect(recovering.why.map((w) => w.rule)).toContain("illness.back");
    expect(on(athleteWith({ races: [race] }), addDays(day, 1)).emphasis).not.toBe("restore");
  });
});

describe("new lifters", () => {
  const novice = (strengthLog: StrengthLog[]) => athleteWith({ strengthLog }, { strengthTrainingMonths: 0 });
  it("start without load, unless something was lifted before", () => {
    expect(on(novice([]), addDays(START, 10)).loading).toBe("bodyweight");
    expect(on(novice([squatOn(addDays(START, -3))]), addDays(START, 10)).loading).toBe("full");
    expect(on(without(novice([]), "gate.new"), addDays(START, 10)).loading).toBe("full");
  });
  it("develop where others are maximal, and hold what they had", () => {
    const race = raceOn(addDays(START, 75), "A", 75);
    const build = addDays(race.date, -20);
    expect(on(athleteWith({ races: [race] }), build)).toMatchObject({ emphasis: "maximal", stage: "build" });
    const a = athleteWith({ races: [race] }, { strengthTrainingMonths: 0 });
    expect(on(a, build)).toMatchObject({ emphasis: "develop", stage: "base-late" });
    expect(on(a, build).why.map((w) => w.rule)).toContain("gate.new");
    expect(on(a, addDays(race.date, -9)).holds).toBe("base-late");
    expect(on(athleteWith({ races: [race] }), addDays(race.date, -9)).holds).toBe("build");
  });
  it("hold late base in a race phase that begins the season", () => {
    const race = raceOn(addDays(START, 5), "A", 75);
    expect(on(athleteWith({ races: [race] }, { strengthTrainingMonths: 0 }), START).holds).toBe("base-late");
    expect(on(athleteWith({ races: [race] }), START).holds).toBe("build");
  });
});

describe("weeks without lifting", () => {
  const never = () => false;
  it("are counted between the log's last two days where those are the longest, whatever else there is", () => {
    const days = [0, 40, 43];
    const strengthLog = days.map((n) => squatOn(addDays(START, n)));
    // 39 days between the first two: five whole weeks, over since the second.
    expect(layoffOf({ strengthLog }, addDays(START, 44), never)).toEqual({ back: addDays(START, 40), weeks: 5 });
  });
  it("are none below five, and only those before the day asked about", () => {
    const at = (n: number) => layoffOf({ strengthLog: [squatOn(START)] }, addDays(START, n), never);
    expect(at(35)).toBeNull();
    expect(at(36)).toEqual({ back: addDays(START, 36), weeks: 5 });
    expect(layoffOf({ strengthLog: [] }, addDays(START, 90), never)).toBeNull();
    const later = [squatOn(START), squatOn(addDays(START, 20))];
    expect(layoffOf({ strengthLog: later }, addDays(START, 15), never)).toBeNull();
  });
  it("ask nothing of days before the return, nor without a day that the log is known up to", () => {
    const back = addDays(START, 70);
    const a = athleteWith({ strengthLog: [squatOn(addDays(back, -50))] });
    expect(on(a, addDays(back, -1), back).why.map((w) => w.rule)).not.toContain("layoff.prepare");
    expect(on(a, back, back).why.map((w) => w.rule)).toContain("layoff.prepare");
    expect(on(a, back).why.map((w) => w.rule)).not.toContain("layoff.prepare");
  });
  it("take the load for two weeks after twelve of them, not after eleven", () => {
    const back = addDays(START, 120);
    const gone = (weeks: number, n: number) =>
      on(athleteWith({ strengthLog: [squatOn(addDays(back, -7 * weeks - 1))] }), addDays(back, n), back).loading;
    expect([gone(13, 0), gone(13, 13), gone(13, 14), gone(12, 0)]).toEqual([
      "bodyweight",
      "bodyweight",
      "full",
      "full",
    ]);
  });
});

describe("the last days before a race", () => {
  // Rule race.close: heavy by the race's own taper, loaded legs two days before a B or C race (common practice, no source).
  it.each([
    ["A", 75, 7, 4],
    ["B", 75, 4, 2],
    ["C", 75, 2, 2],
  ] as const)("%s of %d min: heavy up to %d, loaded up to %d", (priority, minutes, lastHeavy, lastLoaded) => {
    expect(nearestBefore(raceOn(START, priority, minutes))).toEqual({ lastHeavy, lastLoaded });
  });
  it("are limited around each day of a race of several", () => {
    const race = raceOn(addDays(START, 60), "B", 75, { days: 3 });
    const a = athleteWith({ races: [race] });
    const at = (n: number) => on(a, addDays(race.date, n));
    // 75 min on three days: 25 a day, and one class up from three days on is middle: two easy days.
    for (const n of [-1, 0, 1, 2, 3, 4]) expect(at(n), `${n}`).toMatchObject({ loading: "mobility", counts: false });
    expect(at(5)).toMatchObject({ loading: "full", heavyOk: true, counts: true });
    expect(at(-2)).toMatchObject({ loading: "full", heavyOk: false, counts: true });
  });
  it("leave a C race's neighbours alone but for one and two days before and one after", () => {
    const a = athleteWith({ races: [raceOn(addDays(START, 60), "C", 75)] });
    const soft = (n: number) => on(a, addDays(START, 60 + n)).softRaces.length;
    expect([-3, -2, -1, 0, 1, 2].map(soft)).toEqual([0, 1, 0, 0, 1, 0]);
    expect(on(a, addDays(START, 62))).toMatchObject({ loading: "full", heavyOk: true });
  });
});

describe("after weeks of recovery", () => {
  it("a base prepares for two weeks, the first base of a season for four", () => {
    const race = raceOn(addDays(START, 70), "A", 25);
    const a = athleteWith({ races: [race] });
    const base = addDays(race.date, 6);
    expect([0, 13, 14].map((n) => on(a, addDays(base, n)).stage)).toEqual(["base-early", "base-early", "base-late"]);
    const early = athleteWith();
    expect([0, 27, 28, 55].map((n) => on(early, addDays(START, n)).stage)).toEqual([
      "base-early",
      "base-early",
      "base-late",
      "base-late",
    ]);
    // A base of 56 days after a block of build counts as one after recovery.
    expect([98, 111, 112].map((n) => on(early, addDays(START, n)).stage)).toEqual([
      "base-early",
      "base-early",
      "base-late",
    ]);
  });
  it("says how far a phase is through, and since when its emphasis runs", () => {
    const early = athleteWith();
    expect([0, 11, 55].map((n) => on(early, addDays(START, n)).through)).toEqual([0, 11 / 55, 1]);
    expect(on(early, addDays(START, 20)).blockStart).toBe(START);
    expect(on(early, addDays(START, 30)).blockStart).toBe(addDays(START, 28));
  });
});
