import { describe, expect, it } from "vitest";
import { athleteWith, gym, lifted, logOf, raceOn, START, weeksOf } from "../../../tests/support/athlete";
import type { Athlete } from "../athlete/types";
import { addDays } from "../dates";
import { plan } from "../plan";

const BUILD = addDays(START, 9 * 7);
const base = (change: Partial<Athlete> = {}) => athleteWith({ endurance: weeksOf(new Array(30).fill(1)), ...change });
const one = (a: Athlete, from = BUILD, held: Parameters<typeof plan>[1] = {}) =>
  plan(a, { from, weeks: 1, ...held }).weeks[0]!;
const at = (w: ReturnType<typeof one>, label: string) => w.sessions.find((s) => s.label === label);

describe("a session without a place", () => {
  it("says that the windows left lie on days it must not stand on, not that there are none", () => {
    // Around a C race on Wednesday: Tuesday takes nothing loaded, Wednesday nothing at all.
    const race = raceOn(addDays(BUILD, 2), "C", 30);
    const window = { day: 3, start: "18:00", minutes: 75, place: "gym" };
    const w = one(base({ races: [race], availability: [window] }));
    expect(w.fit.unplaced[0]!.why).toContain("days that must stay free of it");
    expect(one(base({ availability: [] })).fit.unplaced[0]!.why).toContain("No free time is entered yet");
  });

  it("says what closes the free time that is marked", () => {
    const why = (w: ReturnType<typeof one>) => w.fit.unplaced[0]!.why;
    const away = { start: BUILD, end: addDays(BUILD, 6), kind: "holiday" as const };
    expect(why(one(base({ away: [away] })))).toContain("The absence (holiday, Mon");
    const closed = { kind: "closed" as const, place: "gym", start: BUILD, end: addDays(BUILD, 6) };
    expect(why(one(base({ changes: [closed] })))).toContain("a place that is closed");
    // Friday of a week whose slots were on Tuesday and Thursday.
    expect(why(one(base(), addDays(BUILD, 4)))).toBe(
      "This week's free time slots are past: the last was on Thu 12 Mar.",
    );
  });
});

describe("the week that is running", () => {
  const tuesday = addDays(BUILD, 1);
  const squat = (date: string, reps: number[], rir: number, label: "A" | "B" = "A") =>
    logOf(date, [lifted("back-squat", 80, reps, rir)], label);
  it("has nothing left to place once its sessions are done, and is measured all the same", () => {
    const done = [squat(tuesday, [5, 5], 2), squat(addDays(BUILD, 3), [8, 8], 3, "B")];
    const w = one(base({ strengthLog: done }), addDays(BUILD, 5));
    expect(w.sessions).toEqual([]);
    expect(w.fit.unplaced).toEqual([]);
    expect(w.loadLimit).toBeGreaterThan(100);
    const texts = [...w.why, w.loadLimitWhy].map((x) => x.text);
    expect(texts).toContain("Nothing is left to place: this week's sessions are done.");
    expect(texts.join(" ")).not.toMatch(/ 0 AU|of 0 |of 1 /);
  });

  // Rules race.close, race.b, race.class: last heavy session 4 days before a B race, by class before an A race; nothing loaded the day before a C race.
  it.each([
    ["B", 3, 2, true],
    ["B", 4, 2, false],
    ["B", 3, 5, false],
    ["B", 1, 5, true],
    ["A", 6, 2, true],
    ["A", 7, 2, false],
    ["A", 3, 5, true],
    ["A", 4, 5, false],
    ["C", 1, 5, true],
    ["C", 2, 5, false],
  ] as const)(
    "remarks on what was lifted before a %s race, %i days out with %i in reserve: %s",
    (priority, out, rir, said) => {
      // Half an hour to two hours: middle, last heavy 7 days out and last light 4.
      const race = raceOn(addDays(tuesday, out), priority, 75);
      const w = one(base({ races: [race], strengthLog: [squat(tuesday, [5, 5], rir)] }), addDays(BUILD, 2));
      expect(w.why.some((x) => x.rule === "race.close")).toBe(said && race.date >= addDays(BUILD, 2));
    },
  );
});

describe("locks (M6)", () => {
  const thursday = addDays(BUILD, 3);
  it("keep a session where it is locked, and the rest moves around it", () => {
    const free = one(base());
    expect(at(free, "A")!.date).toBe(addDays(BUILD, 1));
    const locked = one(base({ locked: [{ date: thursday, start: "18:00", place: "gym", label: "A" }] }));
    expect(at(locked, "A")).toMatchObject({ date: thursday, start: 1080, locked: true });
    expect(at(locked, "B")!.date).toBe(addDays(BUILD, 1));
  });

  it("are reported, not obeyed, where they would break a must-hold rule", () => {
    const noWindow = one(base({ locked: [{ date: addDays(BUILD, 2), start: "18:00", place: "gym", label: "A" }] }));
    expect(at(noWindow, "A")).toBeUndefined();
    expect(noWindow.fit.unplaced).toContainEqual({
      label: "A",
      why: expect.stringMatching(/Locked on Wed.*no free time slot there is long enough/),
    });
    const overlap = { date: thursday, start: "18:30", sport: "run" as const, kind: "easy" as const, minutes: 40 };
    const blocked = one(
      base({
        endurance: [...weeksOf(new Array(30).fill(1)), overlap],
        locked: [{ date: thursday, start: "18:00", place: "gym", label: "A" }],
      }),
    );
    expect(blocked.fit.unplaced.find((u) => u.label === "A")!.why).toContain("M4");
  });

  it("take the dose of their day: nothing but mobility on a race day", () => {
    const race = raceOn(thursday, "C", 30);
    const w = one(base({ races: [race], locked: [{ date: thursday, start: "18:00", place: "gym", label: "A" }] }));
    expect(at(w, "A")).toMatchObject({ loading: "mobility", lowerLoaded: false, heavy: false });
  });

  it("add a session that the week did not ask for", () => {
    const w = one(base({ locked: [{ date: thursday, start: "18:00", place: "gym", label: "C" }] }));
    expect(w.sessions.map((s) => s.label).sort()).toContain("C");
  });
});

describe("held placements", () => {
  const taken = [
    { date: addDays(BUILD, 3), start: "18:00", place: "gym", label: "A" as const },
    { date: addDays(BUILD, 1), start: "17:30", place: "gym", label: "B" as const },
  ];
  it("stay as they were taken over", () => {
    const w = one(base(), BUILD, { held: taken });
    expect(w.sessions.map((s) => [s.label, s.date, s.locked])).toEqual([
      ["B", taken[1]!.date, false],
      ["A", taken[0]!.date, false],
    ]);
  });
  it("give way where a must-hold rule now forbids them", () => {
    const run = { date: taken[0]!.date, start: "18:30", sport: "run" as const, kind: "easy" as const, minutes: 40 };
    const w = one(base({ endurance: [...weeksOf(new Array(30).fill(1)), run] }), BUILD, { held: taken });
    expect(at(w, "A")?.date).not.toBe(taken[0]!.date);
  });
});

describe("history and plan", () => {
  it("places nothing before `from`, and counts what was lifted this week", () => {
    const wednesday = addDays(BUILD, 2);
    const log = [logOf(addDays(BUILD, 1), [lifted("back-squat", 80, [5, 5, 5], 2)], "A")];
    const w = one(base({ strengthLog: log }), wednesday);
    expect(w.sessions.map((s) => s.label)).toEqual(["B"]);
    expect(w.sessions.every((s) => s.date >= wednesday)).toBe(true);
  });
  it("keeps 24 hours from what was lifted the evening before", () => {
    const monday = { day: 1, start: "17:00", minutes: 75, place: "gym" };
    const log = [logOf(addDays(BUILD, -1), [lifted("back-squat", 80, [5, 5, 5], 2)], "B")].map((l) => ({
      ...l,
      start: "18:00",
    }));
    const w = one(base({ strengthLog: log, availability: [monday], endurance: [] }));
    for (const s of w.sessions) expect(s.lowerLoaded && s.start < 18 * 60).toBe(false);
  });
  it("starts its chain before the race phase, so that a race week knows what to cut from", () => {
    const race = raceOn(addDays(START, 20 * 7 + 6), "A", 200);
    const a = base({ races: [race] });
    const whole = plan(a, { weeks: "season" });
    const week = whole.weeks.find((w) => w.season.start === addDays(START, 19 * 7))!;
    expect(week.season.emphasis).toBe("hold");
    const alone = one(a, week.season.start);
    const leads = (w: typeof week) =>
      w.sessions.flatMap((s) => s.items.filter((i) => i.main).map((i) => `${i.exercise.pattern} ${i.sets}`)).sort();
    expect(leads(alone).length).toBe(2);
    expect(leads(alone)).toEqual(leads(week));
  });
});

describe("load limits", () => {
  it("fall to 0.55 in a step-back week, and the planned sessions stay inside", () => {
    const p = plan(base(), { from: START, weeks: 12 });
    const back = p.weeks.filter((w) => w.season.stepBack);
    expect(back.length).toBeGreaterThan(1);
    for (const w of back) {
      const full = Number(/the full dose weighs (\d+) AU/.exec(w.loadLimitWhy.text)?.[1]);
      expect(full).toBeGreaterThan(100);
      expect(w.loadLimit).toBe(Math.round(full * 0.55));
      for (const s of w.sessions) expect(s.stress).toBeLessThanOrEqual(w.loadLimit);
      expect(w.loadLimitWhy.text).toContain("0.55 in a step-back week");
    }
  });
  it("fall to two thirds with a jump in mileage", () => {
    const factors = [...new Array(7).fill(1), 1.2];
    const w = one(athleteWith({ endurance: weeksOf(factors) }), addDays(START, 6 * 7));
    expect(w.loadLimitWhy.text).toContain("two thirds with a mileage increase");
  });
  it("are 0 on days where nothing may stand, and shallow before a key session", () => {
    const w = one(base());
    expect(w.dayLimits.map((l) => l > 0)).toEqual([false, true, false, true, false, false, false]);
    const before = base({
      availability: [
        { day: 3, start: "18:00", minutes: 75, place: "gym" },
        { day: 7, start: "12:00", minutes: 75, place: "gym" },
      ],
    });
    // A rower's A is the deeper of the two, with its row.
    before.athlete = { ...before.athlete, sport: "row" };
    // Wednesday evening lies within 24 h of Thursday's tempo run: the heavy A is no measure there, on Sunday it is.
    const limits = one(before).dayLimits;
    expect(limits[2]!).toBeLessThan(limits[6]!);
  });
});

describe("warnings", () => {
  it("name an approach that is not known here, and none that is", () => {
    const of = (approach: string) =>
      plan(base({ settings: { approach } }), { from: BUILD }).warnings.map((w) => w.text);
    expect(of("own-elsewhere")).toContainEqual(expect.stringContaining('"own-elsewhere"'));
    expect(of("control")).not.toContainEqual(expect.stringContaining("approach"));
  });
  it("name what found no place, with the nearest fix", () => {
    const w = plan(base({ availability: [] }), { from: BUILD }).warnings.filter((x) => x.code === "not-placed");
    expect(w).toHaveLength(2);
    expect(w[0]!.text).toContain("slots of 35 min or more");
  });
  it("leave out the third session where there are days for two, and say so", () => {
    const w = one(base(), START);
    expect(w.season.emphasis).toBe("prepare");
    expect(w.sessions).toHaveLength(2);
    expect(w.fit.unplaced).toEqual([]);
    expect(w.why.map((x) => x.text).join()).toContain("3 sessions would fit the phase; there are days for 2");
  });
  it("give no weeks outside the season", () => {
    expect(plan(base(), { from: "2031-01-01" }).weeks).toEqual([]);
    expect(plan(base({ places: [gym] }), { from: BUILD, weeks: 0 }).weeks).toEqual([]);
  });
});
