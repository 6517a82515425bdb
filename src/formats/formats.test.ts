import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { athleteWith, raceOn, START } from "../../tests/support/athlete";
import { clubOn, memberOn, memberSeason } from "../../tests/support/demo";
import type { Athlete } from "../core/athlete/types";
import { addDays } from "../core/dates";
import { plan } from "../core/plan";
import { ruleOf } from "../core/rulebook";
import { checkAthlete, readAthleteFile, writeAthleteFile } from "./athlete-file";
import { pathText } from "./fault";
import { planFileSchema, planToFile } from "./plan-file";

const FOLDER = join(import.meta.dirname, "../../tests/support");
const files = readdirSync(FOLDER).filter((f) => f.endsWith(".json"));
const text = (a: unknown) => JSON.stringify(a);
const faultsOf = (input: string) => {
  const read = readAthleteFile(input);
  return read.ok ? [] : read.faults;
};
/** Changes a deep copy of a good athlete by path. */
function broken(change: (a: Record<string, unknown> & Athlete) => void): string {
  const copy = structuredClone(athleteWith({ races: [raceOn(addDays(START, 90), "A", 75)] })) as Record<
    string,
    unknown
  > &
    Athlete;
  change(copy);
  return text(copy);
}

/** Every field that the format knows, used once. */
const everything: Athlete = {
  ...athleteWith(),
  athlete: {
    name: "Every Field",
    sport: "row",
    birthYear: 1991,
    sex: "female",
    bodyMassKg: 61.5,
    strengthTrainingMonths: 8,
    massUnit: "lb",
    distanceUnit: "mi",
    timeZone: "Europe/Lisbon",
    restingHeartRate: 48,
    maxHeartRate: 188,
  },
  settings: {
    approach: "layered",
    approachByPhase: { build: "heavy-economy" },
    placement: "spread",
    maxMinutesPerDay: 150,
    squatDepth: "thigh-level",
    splitSquatStyle: "lean",
    singleLegLoad: "same",
    strictPain: true,
    quietExercises: false,
    oneRepMax: "epley",
    ruleWeights: { S5: 4 },
    shortTime: "essential-five-swim",
    jumps: "on",
  },
  health: {
    clearanceNeeded: true,
    clearance: { date: "2026-01-04", by: "a physician", limits: "none", rules: ["moderate-effort", "no-supine"] },
    areas: [{ area: "bone-stress", side: "both", status: "past", since: "2020-01-01", setOffBy: "double days" }],
  },
  places: athleteWith().places.map((place) =>
    place.id === "home"
      ? {
          ...place,
          other: ["step", "wall", "chair", "towel", "door-anchor", "low-wall"],
          stairsCm: 17.5,
          rucksack: { emptyKg: 1.1, maxKg: 14.3, stepKg: 1.1 },
          bottlesKg: [1.5, 1.5, 0.75],
        }
      : place,
  ),
  away: [{ start: "2026-04-02", end: "2026-04-06", kind: "height", place: "home" }],
  locked: [{ date: "2026-03-03", start: "17:30", place: "gym", label: "A" }],
  screening: [
    { test: "knee-to-wall", date: "2026-01-06", left: 8.5, right: 10.25 },
    { test: "wall-squat", date: "2026-01-06", value: 1 },
  ],
  seen: [
    { what: "rounded-catch", date: "2026-01-06" },
    { what: "hip-drop", date: "2026-01-06", side: "left" },
  ],
  races: [
    {
      id: "r1",
      date: "2026-05-17",
      start: "08:00",
      days: 2,
      rounds: 3,
      name: "Regatta",
      sport: "row",
      distanceKm: 1.609344,
      ascentM: 0,
      expectedMinutes: 7.5,
      priority: "A",
    },
  ],
  phases: [{ phase: "build", start: "2026-03-16", end: "2026-04-26" }],
  endurance: [
    {
      date: "2026-03-03",
      start: "06:30",
      sport: "swim",
      kind: "technique",
      minutes: 62,
      distanceKm: 11.2,
      ascentM: 60,
      descentM: 61,
      packKg: 0.45359237,
      rpe: 8,
      key: true,
      done: true,
      averageHeartRate: 162,
    },
  ],
  strengthLog: [
    {
      date: "2026-02-26",
      start: "18:05",
      minutes: 51,
      rpe: 6,
      label: "D",
      items: [
        {
          exercise: "front-squat",
          prescribed: {
            sets: 3,
            reps: 5,
            repsLow: 5,
            most: 8,
            seconds: 0,
            rir: 2,
            loadKg: 60.327,
            tempo: "4-2-1",
            half: true,
          },
          sets: [{ reps: 5, seconds: 1, loadKg: 60.327, rir: 2, side: "both", clean: 5 }],
          pain: 0,
          nextDayPain: 1,
          felt: "low-back",
        },
      ],
    },
  ],
  rungs: [{ ladder: "split-squat", exercise: "split-squat-rear-foot-low" }],
};

describe("athlete files in and out", () => {
  it.each(files)("%s comes out as it went in", (file) => {
    const input = readFileSync(join(FOLDER, file), "utf8");
    const read = readAthleteFile(input);
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect(writeAthleteFile(read.value)).toBe(input);
  });
  it("keeps every field, also those that nothing uses yet, and rounds nothing", () => {
    const read = readAthleteFile(writeAthleteFile(everything));
    expect(read).toEqual({ ok: true, value: everything });
  });
  it("accepts every athlete of the demo club", () => {
    for (const a of [...clubOn(), memberOn(0, "2026-12-29"), memberOn(1, "2026-12-29")])
      expect(checkAthlete(a)).toMatchObject({ ok: true });
  });
});

describe("lists that a file leaves out", () => {
  it("read as empty, and the rest of the file stays as it is", () => {
    const {
      away: _,
      seen: __,
      strengthLog: ___,
      screening: ____,
      races: _____,
      endurance: ______,
      ...a
    } = athleteWith();
    const { plates: _p, ...place } = a.places[0]!;
    const { areas: _a, ...health } = a.health;
    const read = checkAthlete({ ...a, places: [place], health });
    expect(read).toEqual({
      ok: true,
      value: {
        ...a,
        places: [{ ...place, plates: [] }],
        health: { ...health, areas: [] },
        ...{ away: [], seen: [], strengthLog: [], screening: [], races: [], endurance: [] },
      },
    });
    expect(read.ok && plan(read.value, { weeks: 1 }).weeks).toHaveLength(1);
    // Nothing left out: the very value, so that writing it again gives the same file.
    const whole = athleteWith();
    expect(checkAthlete(whole)).toEqual({ ok: true, value: whole });
    expect(checkAthlete({ ...whole, away: 3 })).toMatchObject({ ok: false, faults: [{ path: "away" }] });
  });
});

describe("bad input names its path and what was expected", () => {
  const races = (a: Athlete) => a.races as unknown as Record<string, unknown>[];
  it.each([
    [
      "a wrong type",
      (a) => Object.assign(a.athlete, { bodyMassKg: "61" }),
      "athlete.bodyMassKg",
      'a number expected, found "61"',
    ],
    ["a missing field", (a) => Reflect.deleteProperty(a.athlete, "sport"), "athlete.sport", "missing"],
    [
      "an unknown field",
      (a) => Object.assign(races(a)[0]!, { colour: "red" }),
      "races[0].colour",
      "no such field here",
    ],
    ["an unknown top-level field", (a) => Object.assign(a, { coach: "x" }), "coach", "no such field here"],
    [
      "a word that is not one of the list",
      (a) => Object.assign(a.athlete, { sport: "golf" }),
      "athlete.sport",
      'one of "run"',
    ],
    [
      "a race outside the season",
      (a) => Object.assign(races(a)[0]!, { date: "2027-05-17" }),
      "races[0].date",
      "inside the season (2026-01-05 to",
    ],
    [
      "a race that ends outside it",
      (a) => Object.assign(races(a)[0]!, { date: a.season.end, days: 3 }),
      "races[0].days",
      "ends inside the season",
    ],
    [
      "an end before a start",
      (a) => Object.assign(a.season, { end: "2025-12-01" }),
      "season.end",
      "on or after the season's start",
    ],
    [
      "an absence that ends before it starts",
      (a) => a.away.push({ start: "2026-03-05", end: "2026-03-01", kind: "travel" }),
      "away[0].end",
      "on or after its start",
    ],
    [
      "two windows that overlap",
      (a) => a.availability.push({ day: 2, start: "18:59", minutes: 30, place: "gym" }),
      "availability[2].start",
      "no overlap with availability[0]",
    ],
    [
      "a negative load",
      (a) =>
        a.strengthLog.push({
          date: START,
          label: "A",
          items: [{ exercise: "deadlift", sets: [{ reps: 5, loadKg: -60, side: "both" }] }],
        }),
      "strengthLog[0].items[0].sets[0].loadKg",
      "at least 0 expected, found -60",
    ],
    [
      "a date that does not exist",
      (a) => Object.assign(races(a)[0]!, { date: "2026-02-30" }),
      "races[0].date",
      "a real date",
    ],
    [
      "a time that does not exist",
      (a) => Object.assign(a.availability[0]!, { start: "24:10" }),
      "availability[0].start",
      "a time of day",
    ],
    [
      "a window past midnight",
      (a) => Object.assign(a.availability[0]!, { start: "23:30" }),
      "availability[0].minutes",
      "ends by midnight",
    ],
    [
      "a place that is not listed",
      (a) => Object.assign(a.availability[0]!, { place: "pool" }),
      "availability[0].place",
      'the id of a place expected ("gym", "home")',
    ],
    ["the same id twice", (a) => a.races.push({ ...a.races[0]! }), "races[1].id", "stands twice"],
    [
      "phases that overlap",
      (a) =>
        Object.assign(a, {
          phases: [
            { phase: "base", start: START, end: addDays(START, 20) },
            { phase: "build", start: addDays(START, 20), end: addDays(START, 40) },
          ],
        }),
      "phases[1].start",
      "no overlap with phases[0]",
    ],
    [
      "a screening without a value",
      (a) => a.screening.push({ test: "calf-raise", date: START }),
      "screening[0]",
      '"value", or "left" and "right"',
    ],
    [
      "a rucksack without a mass",
      (a) => Object.assign(a.places[0]!, { rucksack: { maxKg: 12, stepKg: 1 } }),
      "places[0].rucksack.emptyKg",
      "missing",
    ],
    [
      "a rucksack that weighs more empty than full",
      (a) => Object.assign(a.places[0]!, { rucksack: { emptyKg: 3, maxKg: 2, stepKg: 1 } }),
      "places[0].rucksack.maxKg",
      "at least emptyKg",
    ],
    [
      "a bottle without a mass",
      (a) => Object.assign(a.places[0]!, { bottlesKg: [1.5, 0] }),
      "places[0].bottlesKg[1]",
      "more than 0",
    ],
    ["stairs that nobody climbs", (a) => Object.assign(a.places[0]!, { stairsCm: 180 }), "places[0].stairsCm", "60"],
    [
      "jumps that are neither on nor off",
      (a) => Object.assign(a, { settings: { jumps: "yes" } }),
      "settings.jumps",
      'one of "by-gate"',
    ],
    [
      "a tempo in words",
      (a) =>
        a.strengthLog.push({
          date: START,
          label: "A",
          items: [
            { exercise: "split-squat", prescribed: { sets: 3, tempo: "slow" }, sets: [{ reps: 5, side: "both" }] },
          ],
        }),
      "strengthLog[0].items[0].prescribed.tempo",
      "such as 3-0-1",
    ],
    ["another format", (a) => Object.assign(a, { format: "something" }), "format", '"field-anchor/athlete" expected'],
  ] as [string, (a: Athlete) => unknown, string, string][])("%s", (_name, change, path, expected) => {
    const faults = faultsOf(broken(change));
    expect(faults.map((f) => f.path)).toContain(path);
    expect(faults.find((f) => f.path === path)?.expected).toContain(expected);
  });

  it("truncated JSON says where it stops", () => {
    const whole = text(everything);
    const [fault] = faultsOf(whole.slice(0, whole.length - 40));
    expect(fault?.path).toBe("(file)");
    expect(fault?.expected).toMatch(/JSON expected.*line 1, column \d+.*cut off/s);
  });
  it("400 kB of nonsense is answered at once and briefly", () => {
    const [fault, ...more] = faultsOf("x9{[,".repeat(80_000));
    expect(more).toEqual([]);
    expect(fault?.expected).toContain("line 1, column 1");
  });
  it("an empty file says so", () => {
    expect(faultsOf("  ")[0]?.expected).toContain("empty");
  });
  it("tells every fault, not only the first", () => {
    const faults = faultsOf(broken((a) => Object.assign(a.athlete, { sport: "golf", birthYear: "old", shoe: 42 })));
    expect(faults.map((f) => f.path).sort()).toEqual(["athlete.birthYear", "athlete.shoe", "athlete.sport"]);
  });
  it("writes paths as people read them", () => {
    expect(pathText(["races", 1, "date"])).toBe("races[1].date");
    expect(pathText([])).toBe("(file)");
  });
});

describe("plan files", () => {
  it("are valid for every sport, and the same input gives the same bytes", () => {
    for (const file of files) {
      const read = readAthleteFile(readFileSync(join(FOLDER, file), "utf8"));
      if (!read.ok) throw new Error(file);
      const once = planToFile(plan(read.value, { from: "2026-03-03", weeks: 4 }));
      expect(planFileSchema.safeParse(once).error?.issues).toBeUndefined();
      expect(JSON.stringify(planToFile(plan(structuredClone(read.value), { from: "2026-03-03", weeks: 4 })))).toBe(
        JSON.stringify(once),
      );
      expect(once.weeks).toHaveLength(4);
    }
  });

  it("carry a reason with a known rule behind every load and every week", () => {
    for (const n of clubOn().keys()) {
      for (const w of planToFile(memberSeason(n)).weeks) {
        expect(w.why.length).toBeGreaterThan(0);
        for (const r of w.why) expect(ruleOf(r.rule), r.rule).not.toBeNull();
        for (const c of w.placement.costs) expect(ruleOf(c.rule), c.rule).not.toBeNull();
        for (const i of w.sessions.flatMap((s) => s.items)) {
          for (const r of i.why) expect(ruleOf(r.rule), r.rule).not.toBeNull();
          if (i.loadKg !== null)
            expect(
              i.why.some((r) => /^(load|progress|block)/.test(r.rule)),
              i.exercise,
            ).toBe(true);
        }
      }
    }
  });

  it("take what is logged from `from` on as not yet lifted", () => {
    const read = readAthleteFile(readFileSync(join(FOLDER, "run.json"), "utf8"));
    if (!read.ok) throw new Error("run.json");
    const a = read.value;
    const future = { ...a, strengthLog: [...a.strengthLog, { date: "2026-03-10", label: "A" as const, items: [] }] };
    expect(planToFile(plan(future, { from: "2026-03-03" }))).toEqual(planToFile(plan(a, { from: "2026-03-03" })));
  });
});
