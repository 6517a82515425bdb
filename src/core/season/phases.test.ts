import { describe, expect, it } from "vitest";
import { athleteWith, raceOn, START } from "../../../tests/support/athlete";
import { addDays, daysBetween } from "../dates";
import { seasonDays } from "./days";
import { phaseOn } from "./phase";
import { planPhases } from "./phases";
import { CLASS_RULES, raceClass, raceMinutes, stageOn, stagesAfter } from "./races";

const lengths = (a: ReturnType<typeof athleteWith>) =>
  planPhases(a).phases.map((p) => [p.phase, daysBetween(p.start, p.end) + 1] as const);

describe("race classes", () => {
  // Rule race.class: short under 30 min, middle to 2 h, long to 5 h, very long to 10 h, ultra to 20 h (common practice, no source).
  it.each([
    [29, "short"],
    [30, "middle"],
    [120, "middle"],
    [121, "long"],
    [300, "long"],
    [301, "very long"],
    [600, "very long"],
    [601, "ultra"],
    [1200, "ultra"],
    [1201, "day and night"],
  ] as const)("%d minutes is %s", (minutes, name) => {
    expect(raceClass(raceOn("2026-05-17", "A", minutes))).toBe(name);
  });

  it.each([
    // The mean day counts, from three days on one class up; over 8 h a day several days are day and night.
    [2, 960, "very long"],
    [2, 961, "day and night"],
    [2, 240, "middle"],
    [3, 360, "long"],
    [3, 720, "very long"],
    [5, 2400, "ultra"],
    [5, 2401, "day and night"],
  ] as const)("of %d days and %d minutes is %s", (days, minutes, name) => {
    expect(raceClass(raceOn("2026-05-17", "A", minutes, { days }))).toBe(name);
  });

  it.each([
    // Last day without load, with bodyweight, with light loads: counted by hand from the handbook's classes and halves.
    ["A", 75, 4, 7, 10],
    ["A", 700, 12, 22, 35],
    ["A", 1500, 14, 28, 45],
    ["B", 25, 1, 1, 1],
    ["B", 75, 2, 2, 2],
    ["B", 120, 2, 2, 2],
    ["B", 121, 3, 6, 9],
    ["B", 200, 3, 6, 9],
    ["B", 420, 5, 10, 15],
    ["B", 700, 6, 11, 18],
    ["B", 1500, 7, 14, 23],
    ["C", 180, 0, 0, 0],
    ["C", 181, 0, 3, 3],
  ] as const)(
    "of priority %s and %d minutes is restored from by stages",
    (priority, minutes, unloaded, bodyweight, light) => {
      expect(stagesAfter(raceOn("2026-05-17", priority, minutes))).toEqual({ unloaded, bodyweight, light });
    },
  );

  it("is on one stage each day, and says which opens next and when", () => {
    const b = raceOn("2026-05-17", "B", 420);
    const of = 15;
    expect([1, 5, 6, 10, 11, 15, 16].map((after) => stageOn(b, after))).toEqual([
      { stage: "unloaded", of, opens: { stage: "bodyweight", on: 6 } },
      { stage: "unloaded", of, opens: { stage: "bodyweight", on: 6 } },
      { stage: "bodyweight", of, opens: { stage: "light", on: 11 } },
      { stage: "bodyweight", of, opens: { stage: "light", on: 11 } },
      { stage: "light", of, opens: { stage: null, on: 16 } },
      { stage: "light", of, opens: { stage: null, on: 16 } },
      null,
    ]);
    // One easy day, then ordinary work.
    expect(stageOn({ ...b, expectedMinutes: 25 }, 1)).toEqual({
      stage: "unloaded",
      of: 1,
      opens: { stage: null, on: 2 },
    });
    expect(stageOn(b, 0)).toBeNull();
  });

  it("of priority B and seven hours lets no loaded squat stand before its eleventh day", () => {
    const race = raceOn(addDays(START, 60), "B", 420);
    const a = athleteWith({ races: [race] });
    const on = (after: number) => {
      const date = addDays(race.date, after);
      return seasonDays(a, planPhases(a).phases, date, date)[0]!;
    };
    expect([5, 6, 10, 11, 15].map((d) => on(d).loading)).toEqual([
      "mobility",
      "bodyweight",
      "bodyweight",
      "restore",
      "restore",
    ]);
    expect([15, 16].map((d) => on(d).emphasis === "restore")).toEqual([true, false]);
    expect(on(16).loading).toBe("full");
  });

  it("estimates a missing duration from distance, ascent and sport, and says so", () => {
    const r = { ...raceOn("2026-05-17", "A", 1), distanceKm: 21, ascentM: 900 };
    const { expectedMinutes: _, ...open } = r;
    expect(raceMinutes(open)).toEqual({ minutes: 180, assumed: true });
    expect(raceMinutes(r)).toEqual({ minutes: 1, assumed: false });
  });
});

describe("phases from races", () => {
  // Rule race.class (common practice, no source).
  it.each([
    [25, 7, 5],
    [75, 10, 10],
    [200, 14, 18],
    [380, 18, 28],
    [700, 18, 35],
    [1500, 21, 45],
  ])("a race of %d min takes %d days before and %d after", (minutes, before, after) => {
    const race = raceOn(addDays(START, 120), "A", minutes);
    const { phases } = planPhases(athleteWith({ races: [race] }));
    const at = phases.findIndex((p) => p.phase === "race");
    expect(daysBetween(phases[at]!.start, race.date)).toBe(before);
    expect(phases[at]!.end).toBe(race.date);
    expect(phases[at + 1]!.phase).toBe("recovery");
    expect(daysBetween(phases[at + 1]!.start, phases[at + 1]!.end) + 1).toBe(after);
    expect(phases[at - 1]!.phase).toBe("build");
    expect(daysBetween(phases[at - 1]!.start, phases[at - 1]!.end) + 1).toBe(56);
    expect(phases[0]!.phase).toBe("base");
  });

  it("counts recovery from the last day of a race of several days", () => {
    const race = raceOn(addDays(START, 120), "A", 400, { days: 4 });
    const { phases } = planPhases(athleteWith({ races: [race] }));
    expect(phases.find((p) => p.phase === "recovery")!.start).toBe(addDays(race.date, 4));
  });

  it("lets base give way first, then build, and says what it costs", () => {
    const { phases, warnings } = planPhases(athleteWith({ races: [raceOn(addDays(START, 34), "A", 75)] }));
    expect(phases[0]!.phase).toBe("build");
    expect(daysBetween(phases[0]!.start, phases[0]!.end) + 1).toBe(24);
    expect(warnings.map((w) => w.code)).toEqual(expect.arrayContaining(["no-room-for-base", "short-build"]));
  });

  // 40, 48, 60, 74 days by class: recovery + 4 weeks of build + race phase.
  it.each([
    [25, 40],
    [75, 48],
    [200, 60],
    [380, 74],
  ])("two A races of %d min form one racing period when fewer than %d days lie between", (minutes, needed) => {
    const first = raceOn(addDays(START, 70), "A", minutes);
    const near = raceOn(addDays(first.date, needed), "A", minutes);
    const far = raceOn(addDays(first.date, needed + 1), "A", minutes);
    const codes = (r: typeof near) => planPhases(athleteWith({ races: [first, r] })).warnings.map((w) => w.code);
    expect(codes(near)).toContain("one-racing-period");
    expect(codes(far)).not.toContain("one-racing-period");
  });

  it("keeps the coach's own boundaries and lets the rest give way", () => {
    const own = { phase: "base" as const, start: addDays(START, 60), end: addDays(START, 80) };
    const a = athleteWith({ races: [raceOn(addDays(START, 120), "A", 75)], phases: [own] });
    const { phases } = planPhases(a);
    expect(phases.find((p) => p.fixed)).toMatchObject(own);
    expect(phaseOn(phases, addDays(own.end, 1))!.phase).toBe("build");
  });

  it("warns where a race falls in a phase that the coach has set to something else", () => {
    const race = raceOn(addDays(START, 70), "A", 75);
    const a = athleteWith({
      races: [race],
      phases: [{ phase: "base", start: addDays(START, 65), end: addDays(START, 75) }],
    });
    expect(planPhases(a).warnings).toContainEqual(
      expect.objectContaining({ code: "race-outside-race-phase", date: race.date }),
    );
  });

  it("rolls base and build where there is no A race", () => {
    expect(lengths(athleteWith())).toEqual([
      ["base", 56],
      ["build", 42],
      ["base", 56],
      ["build", 35],
    ]);
  });

  it("notes a hold of over six weeks, and the runners' rule beside our recovery", () => {
    const long = athleteWith({ phases: [{ phase: "race", start: addDays(START, 20), end: addDays(START, 70) }] });
    expect(planPhases(long).warnings.map((w) => w.code)).toContain("long-hold");
    const marathon = { ...raceOn(addDays(START, 90), "A", 210), distanceKm: 42.195 };
    const { phases } = planPhases(athleteWith({ races: [marathon] }));
    expect(phases.find((p) => p.phase === "recovery")!.why[0]).toContain("one easy day a mile raced would say 26");
  });

  it("leaves B and C races out of the phases", () => {
    const bc = [raceOn(addDays(START, 40), "B", 75), raceOn(addDays(START, 90), "C", 75)];
    expect(lengths(athleteWith({ races: bc }))).toEqual(lengths(athleteWith()));
  });

  it("never lets recovery run past the next race", () => {
    const a = raceOn(addDays(START, 60), "A", 400);
    const b = raceOn(addDays(START, 70), "A", 75);
    const { phases, warnings } = planPhases(athleteWith({ races: [a, b] }));
    expect(phaseOn(phases, b.date)!.phase).toBe("race");
    expect(warnings.map((w) => w.code)).toContain("recovery-cut");
    expect(CLASS_RULES["very long"].recoveryDays).toBe(28);
  });

  it("gives a base of a week its own place, and joins a shorter one to the build up to ten weeks", () => {
    // Race phase of 10 days: what is left before it is base and 56 days of build, or up to 70 of build alone.
    const before = (days: number) =>
      lengths(athleteWith({ races: [raceOn(addDays(START, days + 10), "A", 75)] }))
        .slice(0, 2)
        .filter(([p]) => p === "base" || p === "build");
    expect(before(63)).toEqual([
      ["base", 7],
      ["build", 56],
    ]);
    expect(before(62)).toEqual([["build", 62]]);
    expect(before(56)).toEqual([["build", 56]]);
    expect(before(1)).toEqual([["build", 1]]);
    expect(before(0)).toEqual([]);
  });

  it("says a base is short only where an A race lies before it", () => {
    const codes = (...days: number[]) =>
      planPhases(athleteWith({ races: days.map((d) => raceOn(addDays(START, d), "A", 25)) })).warnings.map(
        (w) => w.code,
      );
    // A first race after 20 days of base, 56 of build and 7 of race phase.
    expect(codes(20 + 56 + 7)).not.toContain("short-base");
    // After a race: 5 days of recovery, then 27 or 28 days of base before the same.
    expect(codes(20, 20 + 5 + 27 + 56 + 7 + 1)).toContain("short-base");
    expect(codes(20, 20 + 5 + 28 + 56 + 7 + 1)).not.toContain("short-base");
    expect(codes(27 + 7)).toContain("short-build");
    expect(codes(28 + 7)).not.toContain("short-build");
    expect(codes(28 + 7)).toContain("no-room-for-base");
  });

  it("makes one phase of two races on two days, and of a racing period with what leads to it", () => {
    const [first, second] = [raceOn(addDays(START, 90), "A", 25), raceOn(addDays(START, 91), "A", 25)];
    const { phases } = planPhases(athleteWith({ races: [first, second] }));
    const race = phases.filter((p) => p.phase === "race");
    expect(race).toHaveLength(1);
    expect(race[0]).toMatchObject({ start: addDays(first.date, -7), end: second.date, race: second.id });
    expect(race[0]!.why.length).toBe(2);
    const far = raceOn(addDays(START, 90 + 30), "A", 25);
    const period = planPhases(athleteWith({ races: [first, far] })).phases.filter((p) => p.phase === "race");
    expect(period.map((p) => [p.start, p.end])).toEqual([
      [addDays(first.date, -7), first.date],
      [addDays(first.date, 6), far.date],
    ]);
  });

  it("says what the season's ends and the coach's own phases cut from taper and recovery", () => {
    const codes = (race: ReturnType<typeof raceOn>, phases: Parameters<typeof athleteWith>[0] = {}) =>
      planPhases(athleteWith({ races: [race], ...phases })).warnings.map((w) => [
        w.code,
        w.text.match(/\d+ of \d+/)?.[0],
      ]);
    expect(codes(raceOn(addDays(START, 9), "A", 75))).toContainEqual(["taper-cut", "9 of 10"]);
    expect(codes(raceOn(addDays(START, 10), "A", 75)).map(([c]) => c)).not.toContain("taper-cut");
    const end = addDays(START, 27 * 7 - 1);
    expect(codes(raceOn(addDays(end, -9), "A", 75))).toContainEqual(["recovery-short", "9 of 10"]);
    expect(codes(raceOn(addDays(end, -10), "A", 75)).map(([c]) => c)).not.toContain("recovery-short");
    const race = raceOn(addDays(START, 90), "A", 75);
    const own = (from: number, to: number) => ({
      phases: [{ phase: "base" as const, start: addDays(race.date, from), end: addDays(race.date, to) }],
    });
    expect(codes(race, own(-20, -6))).toContainEqual(["taper-cut", "5 of 10"]);
    expect(codes(race, own(4, 30))).toContainEqual(["recovery-short", "3 of 10"]);
    expect(codes(race, own(11, 30)).map(([c]) => c)).not.toContain("recovery-short");
  });

  it("puts a race phase no earlier than the end of what lies before it, and nothing outside the season", () => {
    const { phases } = planPhases(athleteWith({ races: [raceOn(addDays(START, 3), "A", 75)] }));
    expect(phases[0]).toMatchObject({ phase: "race", start: START, end: addDays(START, 3) });
    expect(phases.at(-1)!.end).toBe(addDays(START, 27 * 7 - 1));
  });

  it("tells the runners' rule to runners with a distance alone", () => {
    const why = (race: ReturnType<typeof raceOn>) =>
      planPhases(athleteWith({ races: [race] })).phases.find((p) => p.phase === "recovery")!.why[0];
    const race = raceOn(addDays(START, 90), "A", 45);
    expect(why({ ...race, distanceKm: 10 })).toContain("one easy day a mile raced would say 6.");
    expect(why({ ...race, distanceKm: 10, sport: "ride" })).not.toContain("mile");
    expect(why(race)).not.toContain("mile");
  });
});

describe("the mini-block in a long hold", () => {
  const hold = (days: number, races: ReturnType<typeof raceOn>[]) =>
    planPhases(
      athleteWith({
        races,
        phases: [{ phase: "race", start: addDays(START, 10), end: addDays(START, 10 + days - 1) }],
      }),
    ).warnings.find((w) => w.code === "long-hold");

  it("is proposed above six weeks, in the middle", () => {
    expect(hold(42, [])).toBeUndefined();
    // Days 10 to 59: 14 days beside the middle, day 34.5, begin on day 28 as the nearest; never in the first fortnight.
    expect(hold(50, [])!.proposal).toEqual({ phase: "build", start: addDays(START, 28), end: addDays(START, 41) });
  });

  it("keeps clear of a B race by four days before and two after", () => {
    const at = (day: number) => hold(50, [raceOn(addDays(START, day), "B", 60)])!.proposal?.start;
    // The block that would stand on days 28 to 41 gives way to a race from day 26 (two easy days) to day 45 (four days before).
    expect(at(25)).toBe(addDays(START, 28));
    expect(at(26)).toBe(addDays(START, 29));
    expect(at(46)).toBe(addDays(START, 28));
    expect(at(45)).toBe(addDays(START, 27));
  });

  it("keeps clear of an A race by its taper and its recovery, and takes no heed of a C race", () => {
    const at = (priority: "A" | "C", day: number) =>
      hold(60, [raceOn(addDays(START, day), priority, 25)])!.proposal?.start;
    // Days 10 to 69: the middle begins on day 33. An A race of under 30 min takes 7 days before and 5 after.
    expect(at("C", 40)).toBe(addDays(START, 33));
    expect(at("A", 28)).toBe(addDays(START, 34));
    expect(at("A", 53)).toBe(addDays(START, 32));
  });
});

describe("what phases say", () => {
  const of = (...races: ReturnType<typeof raceOn>[]) => planPhases(athleteWith({ races }));
  const named = (day: number, minutes: number, name: string) => ({
    ...raceOn(addDays(START, day), "A", minutes),
    name,
  });
  it("is why each is there, with its days and weeks", () => {
    const { phases } = of(named(120, 75, "Cup"));
    const why = Object.fromEntries(phases.slice(0, 4).map((p) => [p.phase, p.why]));
    expect(phases.map((p) => p.phase)).toEqual(["base", "build", "race", "recovery", "base", "build"]);
    expect(why.build).toEqual(["8 weeks of build before the race phase of Cup."]);
    expect(phases[0]!.why).toEqual(["What remains before the 8 weeks of build for Cup."]);
    expect(why.race).toEqual(["Cup is a middle race (30 min to 2 h): the race phase begins 10 days before it."]);
    expect(why.recovery).toEqual(["10 days of recovery after a middle race, counted from its last day."]);
    expect(phases[4]!.why[0]).toContain("8 weeks of base and 6 of build");
    expect(phases.map((p) => p.race)).toEqual([...Array(4).fill(`race-${addDays(START, 120)}`), null, null]);
    expect(phases.every((p) => !p.fixed)).toBe(true);
  });
  it("is that a length is assumed, and how many days of build are left where it is no eight weeks", () => {
    const { expectedMinutes: _, ...open } = named(40, 75, "Cup");
    const { phases } = planPhases(athleteWith({ races: [open] }));
    expect(phases.find((p) => p.phase === "race")!.why[0]).toContain("(30 min to 2 h, duration assumed)");
    expect(phases[0]!.why).toEqual(["30 days of build before the race phase of Cup."]);
  });
  it("is what is short, dated where it begins, with what it costs", () => {
    const { warnings } = of(named(24, 75, "Cup"));
    expect(warnings.map((w) => [w.code, w.date])).toEqual([
      ["no-room-for-base", START],
      ["short-build", START],
    ]);
    expect(warnings[0]!.text).toContain("No room for base before Cup");
    expect(warnings[1]!.text).toContain("Only 14 days of build before Cup");
  });
  it("is one taper for two near races, one racing period for two that are further apart", () => {
    const near = of(named(100, 25, "Cup"), named(114, 25, "Final"));
    const far = of(named(100, 25, "Cup"), named(115, 25, "Final"));
    const why = (p: typeof near) =>
      p.phases
        .filter((x) => x.phase === "race")
        .flatMap((x) => x.why)
        .join(" ");
    expect(why(near)).toContain("Final is within 14 days of Cup: one taper serves both.");
    expect(why(far)).toContain("Final comes 14 days after Cup; recovery, 4 weeks of build and the race phase ask 40.");
    for (const p of [near, far])
      expect(p.warnings).toContainEqual(
        expect.objectContaining({
          code: "one-racing-period",
          text: expect.stringContaining("Cup and Final form one racing period"),
        }),
      );
  });
  it("is that recovery is cut by the next race, by how many days and when", () => {
    const cut = of(named(100, 200, "Cup"), named(110, 25, "Final")).warnings.find((w) => w.code === "recovery-cut")!;
    expect(cut).toMatchObject({
      date: addDays(START, 110),
      text: "Only 9 of 18 recovery days fit between Cup and Final.",
    });
    // A recovery that is cut by a race is not said again as cut by the season.
    expect(of(named(100, 200, "Cup"), named(110, 25, "Final")).warnings.map((w) => w.code)).not.toContain(
      "recovery-short",
    );
  });
  it("is that the coach set a phase, and what of a race falls outside of its own", () => {
    const race = named(70, 75, "Cup");
    const phases: NonNullable<Parameters<typeof athleteWith>[0]>["phases"] = [
      { phase: "base", start: addDays(START, 65), end: addDays(START, 75) },
    ];
    const plan = planPhases(athleteWith({ races: [race], phases }));
    expect(phaseOn(plan.phases, race.date)).toMatchObject({
      phase: "base",
      fixed: true,
      race: null,
      why: ["Set by the coach."],
    });
    expect(plan.warnings.find((w) => w.code === "race-outside-race-phase")!.text).toContain(
      "Cup falls in a base phase set by the coach",
    );
    const inRace = planPhases(athleteWith({ races: [race], phases: [{ ...phases![0]!, phase: "race" }] }));
    expect(inRace.warnings.map((w) => w.code)).not.toContain("race-outside-race-phase");
    const computed = planPhases(athleteWith({ races: [race] }));
    expect(computed.warnings.map((w) => w.code)).not.toContain("race-outside-race-phase");
  });
  it("is said of a hold in weeks, with the block that would refresh it", () => {
    const long = (more: object = {}) =>
      planPhases(
        athleteWith({ phases: [{ phase: "race", start: addDays(START, 10), end: addDays(START, 59) }], ...more }),
      ).warnings.find((w) => w.code === "long-hold");
    expect(long()!.date).toBe(addDays(START, 10));
    expect(long()!.text).toContain("7 weeks");
    expect(long({ settings: { rulesOff: ["hold.long"] } })).toBeUndefined();
  });
  it("rolls base of eight and build of six weeks on to the season's last day", () => {
    const all = planPhases(athleteWith()).phases;
    expect(all.map((p) => [p.phase, p.race])).toEqual([
      ["base", null],
      ["build", null],
      ["base", null],
      ["build", null],
    ]);
    expect(all.at(-1)!.end).toBe(addDays(START, 27 * 7 - 1));
    expect(all[0]!.why).toEqual([
      "No A race ahead: rolling blocks of 8 weeks of base and 6 of build until one is entered.",
    ]);
    const own = { settings: { ruleValues: { "phase.build": { wanted: 42 } } } };
    const six = planPhases(athleteWith({ races: [named(120, 75, "Cup")], ...own })).phases.find(
      (p) => p.phase === "build",
    )!;
    expect(daysBetween(six.start, six.end) + 1).toBe(42);
  });
});
