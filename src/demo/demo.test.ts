import { describe, expect, it } from "vitest";
import { addDays, daysBetween, mondayOf } from "../core/dates";
import { plan } from "../core/plan";
import { checkAthlete } from "../formats/athlete-file";
import { demoClub } from "./club";
import { random } from "./random";

const TODAY = "2026-03-04";
const club = demoClub(TODAY);
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
      expect(a.strengthLog.length).toBeGreaterThan(30);
      expect(a.strengthLog.every((l) => l.date < TODAY)).toBe(true);
    }
  });

  it("has the scenario: a race tomorrow, a long race just behind, a jump, a missed fortnight, a weaker side, trouble", () => {
    expect(named("Oskar").races.some((r) => r.date === addDays(TODAY, 1))).toBe(true);
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
    const later = demoClub("2026-08-12").find((a) => a.athlete.name.startsWith("Oskar"))!;
    expect(later.races.some((r) => r.date === "2026-08-13")).toBe(true);
  });

  it("logs only loads that its rooms can make", () => {
    for (const a of club)
      for (const l of a.strengthLog)
        for (const i of l.items) for (const s of i.sets) expect(s.loadKg ?? 1).toBeGreaterThan(0);
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
