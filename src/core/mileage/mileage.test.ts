import { describe, expect, it } from "vitest";
import { athleteWith } from "../../../tests/support/athlete";
import type { Athlete, EndurancePlan, EnduranceSession, Race, UsualSession } from "../athlete/types";
import { addDays } from "../dates";
import { raceClass } from "../season";
import { roundTo } from "../units";
import { planFaults } from "./check";
import { enduranceWeeks, withEndurancePlan, withoutPlanned, withPastPlanned } from "./outline";
import { usualFromRecords } from "./records";
import { starterWeek } from "./starters";
import { amountText } from "./unit";
import { freeId, withoutSession, withSession, withShare } from "./usual";
import { enduranceWarnings } from "./warnings";

const START = "2026-01-05";
const RULE = {
  from: START,
  start: 55,
  top: 75,
  risePct: 5,
  stepBackEvery: 4,
  stepBackTo: 0.75,
  taper: true,
  restart: true,
};
const marathon = (date: string): Race => ({
  id: "m",
  date,
  name: "City marathon",
  sport: "run",
  distanceKm: 42.2,
  expectedMinutes: 210,
  priority: "A",
});
const planned = (more: Partial<EndurancePlan> = {}): EndurancePlan => ({
  unit: "km",
  usualWeeks: [{ phase: null, sessions: starterWeek("run", 6) }],
  weeks: [],
  rule: RULE,
  ...more,
});
const runner = (more: Partial<Athlete> = {}): Athlete =>
  athleteWith({ season: { start: START, end: "2026-06-28" }, endurancePlan: planned(), endurance: [], ...more });
const run = (date: string, more: Partial<EnduranceSession> = {}): EnduranceSession => ({
  date,
  sport: "run",
  kind: "easy",
  minutes: 60,
  distanceKm: 10,
  ...more,
});
const typed = (amounts: readonly number[], more: Partial<EndurancePlan> = {}): EndurancePlan => {
  const { rule: _, ...rest } = planned(more);
  return { ...rest, weeks: amounts.map((amount, i) => ({ week: addDays(START, 7 * i), amount })) };
};
const weekOf = (a: Athlete, n = 0) => {
  const week = enduranceWeeks(a)[n];
  if (!week) throw new Error("no such week");
  return week;
};
const sizes = (a: Athlete, n = 0) => weekOf(a, n).sessions.map((s) => [s.kind, s.distanceKm]);

describe("weekly amounts", () => {
  // Worked out by hand: 5% a loading week, every fourth 75% of the one before, then 65% and 40% of 75 km day by day before the race.
  const BY_HAND = [55, 57.75, 60.64, 45.48, 63.67, 66.85, 70.2, 52.65, 73.71, 75, 75, 67.65, 43.5, 21.6];

  it("rise from 55 to 75 km in ten weeks, every fourth easier, and taper for a marathon: within 2% of a table made by hand", () => {
    const weeks = enduranceWeeks(runner({ races: [marathon("2026-04-12")] }));
    BY_HAND.forEach((km, i) => {
      expect(Math.abs((weeks[i]?.amount ?? 0) / km - 1), `week ${i + 1}`).toBeLessThan(0.02);
    });
  });

  it("come back after it by the table of its class: 30, 60, 80 and 100% of the usual", () => {
    const weeks = enduranceWeeks(runner({ races: [marathon("2026-04-12")] }));
    expect(weeks.slice(14, 18).map((w) => w.amount)).toEqual([22.5, 45, 60, 75]);
  });

  it("are what was typed where something was, and the others stay as they were", () => {
    const before = enduranceWeeks(runner());
    const after = enduranceWeeks(runner({ endurancePlan: planned({ weeks: [{ week: "2026-01-19", amount: 48 }] }) }));
    expect(after[2]?.amount).toBe(48);
    expect(after.filter((w, i) => w.amount !== before[i]?.amount).map((w) => w.week)).toEqual(["2026-01-19"]);
  });

  it("stay unknown where nothing says them", () => {
    expect(enduranceWeeks(runner({ endurancePlan: typed([40, 42]) })).map((w) => w.week)).toEqual([
      START,
      "2026-01-12",
    ]);
    expect(enduranceWeeks(runner({ endurancePlan: planned({ usualWeeks: [] }) }))).toEqual([]);
  });

  it("take their taper along when a race moves by two weeks", () => {
    const [before, after] = ["2026-04-12", "2026-04-26"].map((d) =>
      enduranceWeeks(runner({ races: [marathon(d)] })).map((w) => w.kind === "race"),
    );
    expect(before?.indexOf(true)).toBe(11);
    expect(after?.indexOf(true)).toBe(13);
  });
});

describe("a planned week", () => {
  it("scales the usual week to its amount", () => {
    expect(sizes(runner())).toEqual([
      ["easy", 7],
      ["intervals", 9],
      ["easy", 9],
      ["tempo", 9.5],
      ["easy", 5.5],
      ["long", 15],
    ]);
  });

  it("leaves what stands, and fills up the rest", () => {
    const long = run("2026-01-11", { kind: "long", distanceKm: 20, done: true });
    const week = weekOf(runner({ endurance: [long] }));
    expect(week.sessions).toHaveLength(5);
    expect(week.planned).toBe(55);
    const out = withEndurancePlan(runner({ endurance: [long] }));
    expect(out.endurance[0]).toBe(long);
  });

  it("shrinks others to half at most where what stands is too much, and says the rest", () => {
    const week = weekOf(runner({ endurance: [run("2026-01-11", { kind: "long", distanceKm: 50, done: true })] }));
    expect(week.planned).toBeGreaterThan(55);
    expect(week.why.some((w) => w.text.includes("more than planned"))).toBe(true);
  });

  it("does not make up for a session that was left out", () => {
    const week = weekOf(
      runner({ endurance: [run("2026-01-08", { kind: "tempo", insteadOf: "2026-01-05/thu", cancelled: true })] }),
    );
    expect(week.sessions.map((s) => s.slot)).not.toContain("2026-01-05/thu");
    expect(week.planned).toBeCloseTo(55 * 0.83, 0);
    expect(week.why.some((w) => w.text.includes("left out"))).toBe(true);
  });

  it("puts an edited session in the place it names, on whatever day", () => {
    const week = weekOf(runner({ endurance: [run("2026-01-07", { kind: "intervals", insteadOf: "2026-01-05/tue" })] }));
    expect(week.sessions.map((s) => s.date)).not.toContain("2026-01-06");
    // In another week, too: what left for next Monday does not come back on Sunday.
    const moved = runner({ endurance: [run("2026-01-12", { kind: "long", insteadOf: "2026-01-05/sun" })] });
    expect(weekOf(moved).sessions.map((s) => s.slot)).not.toContain("2026-01-05/sun");
    expect(weekOf(moved, 1).sessions.map((s) => s.slot)).toContain("2026-01-12/mon");
    // Wednesday's own run stands beside it.
    expect(week.sessions.map((s) => s.slot)).toContain("2026-01-05/wed");
  });

  it("holds the long session to a tenth more than the longest of 30 days: 30 days ago counts, 31 do not, races never", () => {
    const long = (daysAgo: number, more: Partial<EnduranceSession> = {}) =>
      sizes(
        runner({ endurance: [run(addDays("2026-01-11", -daysAgo), { done: true, distanceKm: 10, ...more })] }),
      ).find(([kind]) => kind === "long")?.[1];
    expect(long(30)).toBe(11);
    expect(long(31)).toBe(15);
    expect(long(30, { kind: "race" })).toBe(15);
  });

  it("keeps key sessions at two thirds of their size, and drops easy ones under 20 minutes", () => {
    const a = runner({ races: [marathon("2026-04-12")] });
    const week = weekOf(a, 13);
    expect(week.sessions.map((s) => [s.kind, s.distanceKm])).toEqual([
      ["intervals", 8],
      ["tempo", 8.5],
      ["easy", 4],
    ]);
    expect(Math.min(...week.sessions.map((s) => s.minutes))).toBeGreaterThanOrEqual(20);
  });

  it("makes key sessions easy ones on the way back", () => {
    const week = weekOf(runner({ races: [marathon("2026-04-12")] }), 14);
    expect(week.sessions.filter((s) => s.key !== false && ["intervals", "tempo"].includes(s.kind))).toEqual([]);
  });

  it("keeps fixed minutes, and shares out what is left", () => {
    const sessions: UsualSession[] = [
      { id: "mon", day: 1, sport: "swim", kind: "technique", minutes: 45 },
      { id: "sat", day: 6, sport: "ride", kind: "long", share: 1 },
    ];
    const endurancePlan = typed([300], { unit: "minutes", usualWeeks: [{ phase: null, sessions }] });
    expect(weekOf(runner({ endurancePlan })).sessions.map((s) => s.minutes)).toEqual([45, 150]);
  });
});

describe("the plan beside the records", () => {
  it("gives the same when it is asked again, and leaves a file without its sessions", () => {
    const once = withEndurancePlan(runner());
    const twice = withEndurancePlan(once);
    expect(twice.endurance).toEqual(once.endurance);
    expect(twice.endurance.every((e, i) => e === once.endurance[i])).toBe(true);
    expect(withoutPlanned(once).endurance).toEqual([]);
    // What was left out stays so, however often it is asked.
    const out = runner({ endurance: [run("2026-01-08", { insteadOf: "2026-01-05/thu", cancelled: true })] });
    const kept = withEndurancePlan(withEndurancePlan(out));
    expect(kept.endurance.map((e) => e.slot)).not.toContain("2026-01-05/thu");
    expect(withoutPlanned(kept)).toEqual(out);
    const plain = athleteWith();
    expect(withEndurancePlan(plain)).toBe(plain);
  });

  it("keeps the past as it was planned, whatever changes", () => {
    const before = runner({ races: [marathon("2026-04-12")] });
    const moved = { ...before, races: [marathon("2026-03-15")] };
    const today = "2026-03-03";
    const after = withPastPlanned(before, moved, today);
    const past = (a: Athlete) =>
      withEndurancePlan(a)
        .endurance.filter((e) => e.date < today)
        .map(({ slot, insteadOf, ...e }) => ({ ...e, of: slot ?? insteadOf }))
        .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
    expect(past(after)).toEqual(past(before));
    expect(
      enduranceWeeks(after)
        .slice(0, 8)
        .map((w) => roundTo(w.amount, 1)),
    ).toEqual(
      enduranceWeeks(before)
        .slice(0, 8)
        .map((w) => roundTo(w.amount, 1)),
    );
    // What lies ahead is planned for the new day.
    expect(enduranceWeeks(after)[9]?.amount).toBeLessThan(30);
    expect(withPastPlanned(before, before, today)).toBe(before);
    // A plan that is taken away leaves what was planned behind.
    const { endurancePlan: _, ...without } = before;
    expect(past(withPastPlanned(before, without as Athlete, today))).toEqual(past(before));
  });
});

describe("classes of races", () => {
  it.each([
    [29, 1, "short"],
    [30, 1, "middle"],
    [300, 1, "long"],
    [301, 1, "very long"],
    [600, 1, "very long"],
    [601, 1, "ultra"],
    [1200, 1, "ultra"],
    [1201, 1, "day and night"],
    [2 * 480, 2, "very long"],
    [2 * 481, 2, "day and night"],
    [3 * 240, 3, "very long"],
  ] as const)("%s min in %s days: %s", (expectedMinutes, days, of) => {
    expect(raceClass({ ...marathon(START), expectedMinutes, days })).toBe(of);
  });
});

describe("warnings", () => {
  const warned = (a: Athlete, today = START) => enduranceWarnings(withEndurancePlan(a), enduranceWeeks(a), today);
  const codes = (a: Athlete, today?: string) => warned(a, today).map((w) => w.code);

  it("are none where tapers and ways back are planned", () => {
    expect(codes(runner({ races: [marathon("2026-04-12")] }))).toEqual([]);
  });

  it("name a race without a taper and a full week after it; each fix settles it", () => {
    const a = runner({
      races: [marathon("2026-04-12")],
      endurancePlan: planned({ rule: { ...RULE, taper: false, restart: false } }),
    });
    expect(codes(a)).toEqual(["no-taper", "full-after"]);
    for (const code of ["no-taper", "full-after"] as const) {
      const fix = warned(a).find((w) => w.code === code)?.fix;
      expect(fix).toBeTruthy();
      if (fix) expect(codes({ ...a, endurancePlan: fix.plan })).not.toContain(code);
    }
  });

  it("name a rise above the rule, and its fix settles it: 10% is none, more is", () => {
    expect(codes(runner({ endurancePlan: typed([50, 55]) }))).toEqual([]);
    const steep = runner({ endurancePlan: typed([50, 56]) });
    expect(codes(steep)).toEqual(["rise"]);
    const fix = warned(steep)[0]?.fix;
    expect(fix?.plan.weeks[1]?.amount).toBe(52.5);
  });

  it("name key sessions on days in a row, Sunday and Monday too, and move one of them", () => {
    const days = (one: number, other: number): Athlete => {
      const sessions: UsualSession[] = [
        { id: "a", day: one, sport: "run", kind: "intervals", share: 0.4 },
        { id: "b", day: other, sport: "run", kind: "tempo", share: 0.6 },
      ];
      return runner({ endurancePlan: typed([40], { usualWeeks: [{ phase: null, sessions }] }) });
    };
    expect(codes(days(2, 4))).toEqual([]);
    for (const [one, other] of [
      [2, 3],
      [7, 1],
    ] as const) {
      const a = days(one, other);
      expect(codes(a)).toEqual(["keys"]);
      const fix = warned(a)[0]?.fix;
      if (fix) expect(codes({ ...a, endurancePlan: fix.plan })).toEqual([]);
      else expect(fix).toBeTruthy();
    }
  });

  it("name three weeks that all miss the plan to the same side", () => {
    const done = (km: number) =>
      Array.from({ length: 3 }, (_, w) => run(addDays(START, 7 * w + 1), { distanceKm: km, done: true }));
    const today = addDays(START, 21);
    const a = (km: number) => runner({ endurancePlan: typed([40, 40, 40, 40]), endurance: done(km) });
    expect(codes(a(31), today)).toEqual(["far"]);
    expect(codes(a(33), today)).toEqual([]);
    expect(codes(a(49), today)).toEqual(["far"]);
    expect(codes(runner({ endurancePlan: typed([40, 40, 40, 40]) }), today)).toEqual([]);
  });
});

describe("faults of a plan", () => {
  const at = (plan: EndurancePlan) => planFaults(plan).map((f) => f.path);
  const share = (s: number): EndurancePlan =>
    typed([], { usualWeeks: [{ phase: null, sessions: [{ id: "a", day: 1, sport: "run", kind: "easy", share: s }] }] });
  it("are shares that do not make one, within a thousandth", () => {
    expect(at(share(0.999))).toEqual([]);
    expect(at(share(0.998))).toEqual(["usualWeeks[0].sessions"]);
  });
  it("are weeks that are no Monday or come twice, and figures outside the rule's bounds", () => {
    expect(at({ ...typed([40]), weeks: [{ week: "2026-01-06", amount: 4 }] })).toEqual(["weeks[0].week"]);
    expect(
      at({
        ...typed([40, 41]),
        weeks: [
          { week: START, amount: 4 },
          { week: START, amount: 5 },
        ],
      }),
    ).toEqual(["weeks[1].week"]);
    const rule = (more: object) => at(planned({ rule: { ...RULE, ...more } }));
    expect(rule({})).toEqual([]);
    expect(rule({ risePct: 10 })).toEqual([]);
    expect(rule({ risePct: 10.1 })).toEqual(["rule.risePct"]);
    expect(rule({ stepBackTo: 0.69 })).toEqual(["rule.stepBackTo"]);
    expect(rule({ stepBackTo: 0.81 })).toEqual(["rule.stepBackTo"]);
    expect(rule({ stepBackEvery: 5 })).toEqual(["rule.stepBackEvery"]);
    expect(rule({ top: 54 })).toEqual(["rule.top"]);
    expect(rule({ from: "2026-01-06" })).toEqual(["rule.from"]);
  });
});

describe("a usual week read from records", () => {
  const week = (monday: string, of: readonly (readonly [number, EnduranceSession["kind"], number])[]) =>
    of.map(([day, kind, distanceKm]) =>
      run(addDays(monday, day - 1), { kind, distanceKm, done: true, start: "06:30" }),
    );
  const MONDAYS = ["2026-01-05", "2026-01-12", "2026-01-19", "2026-01-26"];

  // Shares of three weeks worked out by hand: days, kinds, and hundredths of the mean week.
  const TABLES = [
    {
      of: [
        [2, "intervals", 10],
        [4, "easy", 8],
        [7, "long", 22],
      ],
      shares: [0.25, 0.2, 0.55],
    },
    {
      of: [
        [1, "easy", 6],
        [2, "tempo", 9],
        [4, "easy", 9],
        [6, "easy", 6],
        [7, "long", 20],
      ],
      shares: [0.12, 0.18, 0.18, 0.12, 0.4],
    },
    {
      of: [
        [3, "steady", 12],
        [5, "easy", 8],
        [6, "long", 20],
      ],
      shares: [0.3, 0.2, 0.5],
    },
  ] as const;

  it.each(TABLES)("has the same days and kinds, and shares within 0.03 of a table made by hand", ({ of, shares }) => {
    // The weeks differ by a tenth up and down.
    const rows = MONDAYS.flatMap((m, i) =>
      week(
        m,
        of.map(([d, k, km]) => [d, k, km * (i % 2 === 0 ? 0.9 : 1.1)] as const),
      ),
    );
    const found = usualFromRecords(rows, "run", "2026-02-03");
    expect(found?.sessions.map((s) => [s.day, s.kind])).toEqual(of.map(([d, k]) => [d, k]));
    found?.sessions.forEach((s, i) => {
      expect(Math.abs((s.share ?? 0) - (shares[i] ?? 0))).toBeLessThanOrEqual(0.03);
    });
    expect(
      planFaults({ unit: "km", usualWeeks: [{ phase: null, sessions: found?.sessions ?? [] }], weeks: [] }),
    ).toEqual([]);
    expect(found?.amount).toBeCloseTo(
      of.reduce((a, [, , km]) => a + km, 0),
      5,
    );
  });

  it("is none of one week alone, and leaves what came once out", () => {
    expect(usualFromRecords(week("2026-01-26", TABLES[0].of), "run", "2026-02-03")).toBeNull();
    const once = [...MONDAYS.flatMap((m) => week(m, TABLES[0].of)), run("2026-01-10", { done: true })];
    expect(usualFromRecords(once, "run", "2026-02-03")?.sessions).toHaveLength(3);
  });
});

describe("a usual week by hand", () => {
  const week: UsualSession[] = [
    { id: "tue", day: 2, sport: "run", kind: "easy", share: 0.4 },
    { id: "thu", day: 4, sport: "run", kind: "easy", share: 0.2 },
    { id: "sun", day: 7, sport: "run", kind: "long", share: 0.4 },
    { id: "wed", day: 3, sport: "swim", kind: "easy", minutes: 30 },
  ];
  const shares = (list: readonly UsualSession[]) => list.map((s) => s.share);
  const sum = (list: readonly UsualSession[]) => list.reduce((a, s) => a + (s.share ?? 0), 0);
  it("goes on making one, whatever is stretched, added or taken out", () => {
    expect(shares(withShare(week, "sun", 0.5))).toEqual([0.333, 0.167, 0.5, undefined]);
    expect(shares(withoutSession(week, "sun"))).toEqual([0.667, 0.333, undefined]);
    const more = withSession(week, { id: "fri", day: 5, sport: "run", kind: "easy", share: 0.25 });
    expect(shares(more)).toEqual([0.32, 0.16, 0.32, undefined, 0.2]);
    for (const list of [withShare(week, "tue", 0.123), withShare(week, "tue", 5), more])
      expect(sum(list)).toBeCloseTo(1, 9);
    expect(shares(withShare(week.slice(0, 1), "tue", 0.3))).toEqual([1]);
  });
  it("names sessions by their day", () => {
    expect(freeId(week, 5)).toBe("fri");
    expect(freeId(week, 2)).toBe("tue-2");
  });
});

describe("amounts in words", () => {
  it.each([
    [57.75, "km", "57.8 km"],
    [45, "minutes", "45 min"],
    [120, "minutes", "2 h"],
    [135, "minutes", "2 h 15 min"],
  ] as const)("%s %s: %s", (amount, unit, text) => expect(amountText(amount, unit)).toBe(text));
});
