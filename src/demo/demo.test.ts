import { describe, expect, it } from "vitest";
import { clubOn, memberSeason, CLUB_DAY as TODAY } from "../../tests/support/demo";
import { addDays, daysBetween, mondayOf } from "../core/dates";
import { plan } from "../core/plan";
import { checkAthlete } from "../formats/athlete-file";
import { demoAthlete, demoClub } from "./club";
import { PROFILES } from "./profiles";
import { random } from "./random";

const club = clubOn();
const named = (name: string) => club.find((a) => a.athlete.name.startsWith(name))!;

describe("the demo club", () => {
  it("has one athlete a sport and more, each a sound athlete file", () => {
    expect(new Set(club.map((a) => a.athlete.sport))).toEqual(new Set(["run", "triathlon", "ride", "row", "hike"]));
    expect(club.length).toBeGreaterThanOrEqual(6);
    for (const a of club) expect(checkAthlete(a).ok).toBe(true);
  });

  it("has a year of endurance and half a year of logs, all dated around today", () => {
    for (const a of club) {
      const done = a.endurance
        .filter((e) => e.done)
        .map((e) => e.date)
        .sort();
      expect(daysBetween(done[0]!, TODAY)).toBeGreaterThan(355);
      expect(a.endurance.every((e) => (e.done === true) === e.date < TODAY)).toBe(true);
      // One athlete has only begun.
      const begun = daysBetween(a.season.start, TODAY) < 30;
      expect(a.strengthLog.length).toBeGreaterThan(begun ? 2 : 30);
      expect(a.strengthLog.every((l) => l.date < TODAY)).toBe(true);
    }
  });

  it("has the scenario: a race tomorrow, a long race just behind, a jump, a missed fortnight, a weaker side, trouble", () => {
    expect(named("Oskar").races.some((r) => r.date === addDays(TODAY, 1))).toBe(true);
    expect(named("Sunniva").endurancePlan?.usualWeeks[0]?.sessions).toHaveLength(5);
    expect(named("Sunniva").endurance.every((e) => e.done)).toBe(true);
    expect(named("Sunniva").races.some((r) => r.priority === "A" && r.date === addDays(TODAY, -8))).toBe(true);
    const week = plan(named("Maren"), { from: TODAY }).season.find((w) => w.start === mondayOf(TODAY))!;
    expect(week.change.distancePct).toBeGreaterThan(10);
    const last = named("Teodor").strengthLog.at(-1)!;
    expect(daysBetween(last.date, TODAY)).toBeGreaterThan(14);
    expect(
      named("Ilse").screening.some((s) => s.left !== undefined && s.right !== undefined && s.left < s.right * 0.85),
    ).toBe(true);
    expect(club.flatMap((a) => a.health.areas).map((a) => a.status)).toEqual(
      expect.arrayContaining(["current", "recent", "past"]),
    );
  });

  it("is the same for the same day, and moves with it", () => {
    expect(demoClub(TODAY)).toEqual(club);
    const oskar = PROFILES.find((p) => p.facts.name.startsWith("Oskar"))!;
    const later = demoAthlete(oskar, "2026-08-12");
    expect(later.races.some((r) => r.date === "2026-08-13")).toBe(true);
  });

  it("logs only loads that its rooms can make", () => {
    for (const a of club)
      for (const l of a.strengthLog)
        for (const i of l.items) for (const s of i.sets) expect(s.loadKg ?? 1).toBeGreaterThan(0);
  });
});

describe("the club's seasons", () => {
  const seasons = club.map((a, n) => ({ a, p: memberSeason(n) }));
  const itemsOf = ({ p }: (typeof seasons)[number]) =>
    p.weeks.flatMap((w) => w.sessions.flatMap((s) => s.items.map((i) => ({ s, i }))));

  it("use at least 60 of the library's exercises between them, each for a reason", () => {
    const used = new Set(seasons.flatMap((x) => itemsOf(x).map(({ i }) => i.exercise.id)));
    expect(used.size).toBeGreaterThanOrEqual(60);
    for (const { i } of seasons.flatMap(itemsOf)) expect(i.why.length, i.exercise.id).toBeGreaterThan(0);
  });

  it("show every kind of gate: trouble, a clearance with limits, masters, findings, ladders", () => {
    const rules = new Set(
      seasons.flatMap((x) => itemsOf(x).flatMap(({ s, i }) => [...s.why, ...i.why].map((w) => w.rule))),
    );
    for (const rule of [
      "gate.masters",
      "gate.limits",
      "finding.seen",
      "side.first",
      "choice.trouble",
      "choice.swap",
      "first.time",
    ] as const)
      expect(rules.has(rule), rule).toBe(true);
  });

  it("keep the limits of the one who is cleared with limits, and of the one past 65", () => {
    const tamsin = seasons.find(({ a }) => a.athlete.name.startsWith("Tamsin"))!;
    const items = itemsOf(tamsin).filter(({ s }) => s.loading !== "mobility");
    expect(items.length).toBeGreaterThan(50);
    for (const { i } of items) expect(i.rir, i.exercise.id).toBeGreaterThanOrEqual(4);
    for (const { i } of items) expect(i.exercise.notWith).not.toContain("groin");
  });

  it("never give the moving Achilles a hop, a jump or a loaded raise", () => {
    const pell = seasons.find(({ a }) => a.athlete.name.startsWith("Pell"))!;
    for (const { i } of itemsOf(pell)) {
      expect(i.exercise.pattern, i.exercise.id).not.toBe("jump");
      if (["calf-raise", "soleus-raise"].includes(i.exercise.id)) expect(i.loading).toBe("bodyweight");
    }
    expect(itemsOf(pell).some(({ i }) => i.exercise.id === "calf-raise")).toBe(true);
  });

  it("were screened three times, the weaker side catching up", () => {
    for (const a of club)
      for (const test of new Set(a.screening.map((s) => s.test))) {
        const results = a.screening.filter((s) => s.test === test).sort((x, y) => (x.date < y.date ? -1 : 1));
        expect(results).toHaveLength(3);
        const weak = results.map((s) => s.value ?? Math.min(s.left ?? 0, s.right ?? 0));
        expect(weak[2]!, `${a.athlete.name} ${test}`).toBeGreaterThanOrEqual(weak[0]!);
      }
  });
});

describe("the seeded generator", () => {
  it("repeats itself and stays in its range", () => {
    const [a, b] = [random(7), random(7)];
    for (let i = 0; i < 200; i++) {
      const v = a.whole(2, 5);
      expect(v).toBe(b.whole(2, 5));
      expect(v).toBeGreaterThanOrEqual(2);
      expect(v).toBeLessThanOrEqual(5);
    }
    expect(random(7).next()).not.toBe(random(8).next());
  });
});
