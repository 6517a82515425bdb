import { describe, expect, it } from "vitest";
import { athleteWith, raceOn, START, weeksOf } from "../../../tests/support/athlete";
import type { EnduranceSession } from "../athlete/types";
import { addDays, mondayOf } from "../dates";
import { plan } from "../plan";
import { spikesOf } from "./spikes";

// Rules mileage.assumed and mileage.expected: unknown is not zero (our numbers).
describe("weeks of which nothing, or only part, is planned", () => {
  // Eight weeks are planned; today is the first day of the sixth.
  const from = addDays(START, 35);
  const endurance = weeksOf([1, 1, 1, 1, 1, 1, 1, 1, 1]);
  const ends = mondayOf(endurance.at(-1)!.date);
  const weekAt = (more: EnduranceSession[], monday: string) => {
    const p = plan(athleteWith({ endurance: [...endurance, ...more] }), { from, weeks: "season" });
    return { ...p.weeks.find((w) => w.season.start === monday)!, assumed: p.assumed };
  };
  const run = (date: string, km = 9): EnduranceSession => ({
    date,
    start: "07:00",
    sport: "run",
    kind: "easy",
    minutes: 50,
    distanceKm: km,
  });
  const empty = addDays(ends, 7);

  it("count as unknown where the plan ends: no step-back, no room, no -100%, and the usual week stands in", () => {
    const w = weekAt([], empty);
    expect(w.season).toMatchObject({ known: "none", enduranceStepBack: false, ordinary: false });
    expect(w.season.change).toEqual({ distancePct: null, legLoadPct: null, against: [] });
    expect(w.season.mileage.roomForProgress).toBe(false);
    const here = w.assumed.filter((e) => mondayOf(e.date) === empty);
    expect(here.map((e) => [e.kind, e.minutes])).toEqual([
      ["easy", 50],
      ["intervals", 60],
      ["tempo", 60],
      ["long", 120],
    ]);
    expect(here.every((e) => e.standsIn && e.done === undefined)).toBe(true);
    expect(w.why.find((x) => x.rule === "mileage.assumed")?.text).toContain(
      "4 sessions of the last ordinary week stand in",
    );
    // Strength is kept from what stands in as from what is planned.
    const planned = weekAt([], ends);
    expect(w.sessions.map((s) => s.start)).toEqual(planned.sessions.map((s) => s.start));
  });

  it("do not step back for one run entered in an empty week, and keep their sets", () => {
    const one = weekAt([run(empty)], empty);
    expect(one.season).toMatchObject({ known: "part", enduranceStepBack: false, setFactor: 1 });
    expect(one.season.change.distancePct).toBeCloseTo(0, 6);
    expect(one.assumed.filter((e) => mondayOf(e.date) === empty)).toHaveLength(3);
    // The same day, half as far again: like is compared with like.
    expect(weekAt([run(empty, 13.5)], empty).season.mileage.holdOnly).toBe(true);
    // Two of four usual days are a plan, and a low one.
    const two = weekAt([run(empty), run(addDays(empty, 1))], empty).season;
    expect(two).toMatchObject({ known: "all", enduranceStepBack: true });
  });

  it("stand in around no race, and for nobody whose usual week is not known", () => {
    const race = raceOn(addDays(START, 20 * 7 + 6), "A", 75);
    const p = plan(athleteWith({ endurance, races: [race] }), { from, weeks: "season" });
    const racing = p.season.filter((w) => w.phase === "race" || w.phase === "recovery").map((w) => w.start);
    expect(racing.length).toBeGreaterThan(0);
    expect(p.assumed.length).toBeGreaterThan(0);
    expect(p.assumed.filter((e) => racing.includes(mondayOf(e.date)))).toEqual([]);
    expect(plan(athleteWith({ endurance: [run(START)] }), { from, weeks: "season" }).assumed).toEqual([]);
    const bare = plan(athleteWith(), { from, weeks: 1 }).weeks[0]!;
    expect(bare.why.find((x) => x.rule === "mileage.assumed")?.text).toContain("as if those days were free");
  });
});

describe("single sessions far above the month's longest", () => {
  const day = addDays(START, 40);
  const month = [1, 8, 15, 22].map(
    (ago): EnduranceSession => ({
      date: addDays(day, -ago),
      sport: "run",
      kind: ago === 8 ? "long" : "easy",
      minutes: 60,
      distanceKm: 20,
    }),
  );
  const long = (km: number, more: Partial<EnduranceSession> = {}): EnduranceSession => ({
    date: day,
    sport: "run",
    kind: "long",
    minutes: 60,
    distanceKm: km,
    ...more,
  });
  const pct = (...sessions: EnduranceSession[]) => spikesOf([...month, ...sessions]).map((s) => Math.round(s.pct));

  it("are found above 10%, by distance, else by minutes; races neither count nor are judged", () => {
    expect(pct(long(22))).toEqual([]);
    expect(pct(long(22.2))).toEqual([11]);
    const { distanceKm: _, ...timed } = long(0, { minutes: 90 });
    expect(pct(timed)).toEqual([50]);
    expect(pct(long(42, { kind: "race" }))).toEqual([]);
    expect(pct(long(30, { sport: "ride" }))).toEqual([]);
  });
  it("look back 30 days, and say nothing where hardly anything is known", () => {
    const old = (ago: number) => pct({ ...long(30), date: addDays(day, -ago), kind: "easy" }, long(25));
    expect(old(30)).toEqual([]);
    expect(old(31)).toEqual([25]);
    expect(spikesOf([...month.slice(1), long(40)])).toEqual([]);
  });
  it("keep heavy legs two days away above 30%, and only say it below", () => {
    const daysWith = (km: number) =>
      plan(athleteWith({ endurance: [...month, long(km)] }), { from: START, weeks: "season" })
        .season.flatMap((w) => w.days)
        .filter((d) => d.why.some((w) => w.rule === "session.spike"));
    expect(daysWith(26).map((d) => d.date)).toEqual([]);
    const kept = daysWith(26.1);
    expect(kept.map((d) => d.date)).toEqual([-2, -1, 0, 1, 2].map((n) => addDays(day, n)));
    expect(kept.every((d) => !d.heavyOk)).toBe(true);
    const said = plan(athleteWith({ endurance: [...month, long(23)] }), { from: START, weeks: "season" }).season;
    expect(
      said
        .flatMap((w) => w.why)
        .filter((w) => w.rule === "session.longer")
        .map((w) => w.text),
    ).toEqual([expect.stringContaining("15% longer than the longest of the 30 days before.")]);
  });
});
