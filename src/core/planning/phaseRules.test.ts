/** What phases and sports make of a planned week, rule by rule: what each does, that it names itself, and that it can be switched off. */
import { describe, expect, it } from "vitest";
import { athleteWith, lifted, logOf, raceOn, START, weeksOf } from "../../../tests/support/athlete";
import type { Athlete, EnduranceSession, StrengthLog } from "../athlete";
import { addDays } from "../dates";
import { plan } from "../plan";
import { asLocked } from "../week/placed";
import { weighPlaces } from "./board";
import { descentWork } from "./descents";
import { packWarnings } from "./warnings";

const flat = weeksOf(new Array(30).fill(1));
const without = (a: Athlete, ...rulesOff: string[]): Athlete => ({ ...a, settings: { ...a.settings, rulesOff } });
const squatOn = (date: string): StrengthLog => logOf(date, [lifted("back-squat", 80, [5, 5, 5], 2)]);
const weekAt = (a: Athlete, monday: string) => plan(a, { from: monday, weeks: 1 }).weeks[0]!;

describe("weekly races", () => {
  const first = addDays(START, 61);
  const series = [0, 7, 14, 21].map((n) => raceOn(addDays(first, n), "C", 40));
  const a = athleteWith({
    endurance: flat,
    races: series,
    availability: [2, 3, 4].map((day) => ({ day, start: "18:00", minutes: 75, place: "gym" })),
  });
  it("one hold of about 25 min a week, 72 to 96 h before each race, never more than 10 days apart", () => {
    // The races are on Saturdays: Tuesday and Wednesday are 4 and 3 days before.
    const weeks = plan(a, { from: addDays(first, -5), weeks: 4 }).weeks;
    const sessions = weeks.flatMap((w) => w.sessions);
    expect(sessions).toHaveLength(4);
    for (const s of sessions) {
      expect(s).toMatchObject({ emphasis: "hold" });
      expect(s.minutes).toBeLessThanOrEqual(25);
      const out = series.map((r) => (Date.parse(r.date) - Date.parse(s.date)) / 86_400_000).filter((d) => d > 0);
      expect([3, 4]).toContain(Math.min(...out));
    }
    expect(weeks[0]?.season.days.flatMap((d) => d.why.map((w) => w.rule))).toContain("race.series");
  });
  it("stays at 25 min where the session is locked or held, and gives way to one made by hand", () => {
    const options = { from: addDays(first, -5), weeks: 1 };
    const free = plan(a, options).weeks[0]!;
    const stands = free.sessions.map(asLocked);
    expect(plan({ ...a, locked: stands }, options).weeks[0]?.sessions[0]?.minutes).toBe(free.sessions[0]?.minutes);
    expect(plan(a, { ...options, held: stands }).weeks[0]?.sessions[0]?.minutes).toBe(free.sessions[0]?.minutes);
    expect(weighPlaces(free.input, free.sessions, "A").cost).toBe(free.fit.cost);
    const items = [
      { exercise: "back-squat", group: 1, sets: 5, reps: 5 },
      { exercise: "deadlift", group: 2, sets: 4, reps: 5 },
    ];
    const edits = [{ week: free.season.start, label: "A" as const, items }];
    const own = plan({ ...a, edits }, options).weeks[0]?.sessions[0];
    expect(own?.byHand).toBe(true);
    expect(own?.minutes).toBeGreaterThan(25);
  });
});

describe("a hold in two visits", () => {
  const race = raceOn(addDays(START, 139), "A", 200);
  const who = (age: number, minutes: number): Athlete => {
    const a = athleteWith({
      endurance: weeksOf(new Array(22).fill(1)),
      races: [race],
      availability: [2, 4].map((day) => ({ day, start: "18:00", minutes, place: "gym" })),
    });
    return {
      ...a,
      athlete: { ...a.athlete, birthYear: Number(race.date.slice(0, 4)) - age, strengthTrainingMonths: 36 },
    };
  };
  /** The leading patterns of each session of the weeks that hold before the last of the taper, and what their reasons say of visits. */
  const holds = (a: Athlete) => {
    const weeks = plan(a, { from: START, weeks: "season" }).weeks.filter(
      ({ season: { days } }) =>
        days.every((d) => d.phase === "race") && days.filter((d) => d.loading === "full").length > 4,
    );
    expect(weeks.length).toBeGreaterThan(0);
    return weeks.map((w) => ({
      leads: w.sessions.map((s) =>
        [...new Set(s.items.filter((i) => i.slot.kind === "main").map((i) => i.exercise.pattern))].sort().join(" and "),
      ),
      said: w.sessions.flatMap((s) => s.why.filter((x) => x.rule === "hold.visits").map((x) => x.text)),
    }));
  };
  it("comes from 50 on, a squat on one day and a hinge on the other; before that one session holds both", () => {
    for (const { leads, said } of holds(who(50, 60))) {
      expect(leads.sort()).toEqual(["hinge", "squat"]);
      expect(new Set(said)).toEqual(
        new Set(["From 50 on a hold is 2 visits of one lead each, in the place of one with both."]),
      );
    }
    for (const { leads, said } of holds(who(49, 60))) expect([leads, said]).toEqual([["hinge and squat"], []]);
  });
  it("comes where every free time slot is under 40 min, and goes when switched off", () => {
    for (const { leads } of holds(who(30, 39))) expect(leads.sort()).toEqual(["hinge", "squat"]);
    for (const { leads } of holds(who(30, 40))) expect(leads).toHaveLength(1);
    for (const { leads, said } of holds(without(who(50, 60), "hold.visits")))
      expect([leads, said]).toEqual([["hinge and squat"], []]);
  });
});

describe("ready for descents", () => {
  const race = raceOn(addDays(START, 100), "A", 300, { ascentM: 2400, distanceKm: 50 });
  const at = (days: number, r = race) => descentWork({ races: [r] }, addDays(r.date, -days));
  it("from 2 x 6 to 3 x 10 over the weeks before, the last one 8 days out at the latest", () => {
    const dose = (days: number) => at(days)?.adds.map((x) => `${x.sets} x ${x.reps}`)[0];
    expect([42, 35, 28, 21, 8].map(dose)).toEqual(["2 x 6", "2 x 8", "3 x 8", "3 x 10", "3 x 10"]);
    expect(at(7)).toBeNull();
    expect(at(43)).toBeNull();
    expect(at(20, { ...race, ascentM: 100 })).toBeNull();
    expect(at(20, { ...race, sport: "ride" })).toBeNull();
  });
  it("stands on the sessions with its reason, and goes when switched off", () => {
    const a = athleteWith({ endurance: flat, races: [race] });
    const monday = addDays(START, 63);
    const rules = (x: Athlete) =>
      weekAt(x, monday).sessions.flatMap((s) => s.items.flatMap((i) => i.why.map((w) => w.rule)));
    expect(rules(a)).toContain("descent.prep");
    expect(rules(without(a, "descent.prep"))).not.toContain("descent.prep");
  });
});

describe("sport notes", () => {
  it("a rower's hinge is light the day before long rowing", () => {
    const rows = flat.map(
      (e): EnduranceSession => ({ ...e, sport: "row", kind: e.kind === "tempo" ? "long" : e.kind }),
    );
    const a = athleteWith(
      { endurance: rows, availability: [{ day: 3, start: "17:30", minutes: 90, place: "gym" }] },
      { sport: "row" },
    );
    const hinge = (x: Athlete) =>
      weekAt(x, addDays(START, 56)).sessions.flatMap((s) =>
        s.items.filter((i) => i.exercise.pattern === "hinge" && i.loading === "bar"),
      );
    expect(hinge(a).length).toBeGreaterThan(0);
    for (const i of hinge(a)) expect(i.rir).toBeGreaterThanOrEqual(4);
    expect(hinge(a)[0]!.why.map((w) => w.rule)).toContain("sport.row-hinge");
    expect(hinge(without(a, "sport.row-hinge"))[0]!.rir).toBeLessThan(4);
  });
  it("a hiker's pack begins light, rises by 2 kg or the ascent by 10%, never both, and is full two weeks out", () => {
    const hike = (week: number, packKg: number, ascentM: number): EnduranceSession => ({
      date: addDays(START, 7 * week + 5),
      sport: "hike",
      kind: "long",
      minutes: 240,
      packKg,
      ascentM,
    });
    const told = (list: EnduranceSession[], more: Partial<Athlete> = {}, week = 1) => {
      const a = athleteWith({ endurance: list, ...more }, { sport: "hike", bodyMassKg: 80 });
      return packWarnings(a, plan(a, { weeks: 8 }).season[week]!).map((w) => w.text);
    };
    expect(told([hike(0, 8, 800), hike(1, 11, 800)])[0]).toContain("3 kg");
    expect(told([hike(0, 8, 800), hike(1, 9, 1000)])[0]).toContain("one at a time");
    expect(told([hike(0, 8, 800), hike(1, 10, 850)])).toEqual([]);
    expect(told([hike(0, 8, 800), hike(1, 8, 1200)])).toEqual([]);
    // A week without a pack between does not make the next one the first.
    expect(told([hike(0, 8, 800), hike(2, 11, 800)], {}, 2)[0]).toContain("3 kg");
    // The first: 5 to 10% of 80 kg.
    expect(told([hike(1, 9, 800)])[0]).toContain("4 kg to 8 kg");
    expect(told([hike(1, 8, 800)])).toEqual([]);
    // The full pack two to three weeks before a hike of days.
    const trek = { races: [raceOn(addDays(START, 54), "A", 600, { sport: "hike", days: 4 })] };
    const full = (week: number) =>
      told([...[0, 1, 2, 3, 4].map((w) => hike(w, 8, 800)), hike(week, 10, 800)], trek, week);
    expect(full(5)).toEqual([]);
    expect(full(6)[0]).toContain("7 days before");
    expect(told([hike(4, 10, 800), hike(6, 9, 800)], trek, 6)).toEqual([]);
  });
});

describe("a session by hand in the plan", () => {
  const monday = addDays(START, 56);
  const edit = (items: NonNullable<Athlete["edits"]>[number]["items"], label: "A" | "B" = "A") => [
    { week: monday, label, items },
  ];
  const base = athleteWith({ endurance: flat, strengthLog: [squatOn(addDays(monday, -7))] });
  const squat = { exercise: "back-squat", group: 1, sets: 5, reps: 3, rir: 2 };
  it("keeps its sets where the week cuts them, and stands anywhere in the week", () => {
    const a = {
      ...base,
      edits: edit([squat]),
      endurance: weeksOf([...new Array(9).fill(1), 1.2, ...new Array(5).fill(1)]),
    };
    const w = weekAt(a, monday);
    expect(w.season.setFactor).toBeLessThan(1);
    const s = w.sessions.find((x) => x.label === "A")!;
    expect(s).toMatchObject({ byHand: true });
    expect(s.items.map((i) => [i.exercise.id, i.sets, i.reps])).toEqual([["back-squat", 5, 3]]);
    expect(s.items[0]!.loadKg).toBeGreaterThan(0);
  });
  it("leaves out what trouble or pain closes, takes a step early, and finds no place where the equipment is not", () => {
    const hurt = {
      ...base,
      edits: edit([squat, { exercise: "ankle-hops", group: 2, sets: 2, seconds: 10 }]),
      health: {
        clearanceNeeded: false,
        areas: [{ area: "achilles" as const, side: "left" as const, status: "current" as const }],
      },
    };
    const s = weekAt(hurt, monday).sessions.find((x) => x.label === "A")!;
    expect(s.dropped.map((d) => d.exercise)).toEqual(["ankle-hops"]);
    const atHome = {
      ...base,
      edits: edit([squat]),
      availability: [{ day: 3, start: "18:00", minutes: 90, place: "home" }],
    };
    const w = weekAt(atHome, monday);
    expect(w.sessions.some((x) => x.byHand)).toBe(false);
    expect(w.fit.unplaced.map((u) => u.label)).toContain("A");
  });
  it("never runs past its window", () => {
    const long = Array.from({ length: 9 }, (_, i) => ({ ...squat, group: i + 1, sets: 6, restSeconds: 300 }));
    const w = weekAt({ ...base, edits: edit(long) }, monday);
    expect(w.sessions.some((x) => x.byHand)).toBe(false);
  });
  it("never puts load on a day that takes none", () => {
    const race = raceOn(addDays(monday, 2), "A", 100);
    const a = { ...base, races: [race], edits: edit([squat]) };
    for (const s of weekAt(a, monday).sessions.filter((x) => x.byHand)) expect(s.loading).not.toBe("mobility");
    expect(weekAt(a, monday).sessions.filter((s) => s.lowerLoaded && s.date > addDays(race.date, -4))).toEqual([]);
  });
});
