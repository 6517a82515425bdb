import { describe, expect, it } from "vitest";
import { athleteWith, weeksOf } from "../../../tests/support/athlete";
import { choiceFor } from "../../../tests/support/choice";
import { type PlanSession, plan } from "../plan";
import { shorterRoutine, stageSlots, visitSlots } from "./routines";
import type { RoutineStage } from "./slots";

const ids = (slots: ReturnType<typeof stageSlots>) => slots.map((s) => s.only?.[0] ?? "");
const free = choiceFor(athleteWith());

describe("routines after runs", () => {
  it.each([1, 2, 3] as const)(
    "stage %i has twelve exercises or more: holds of the trunk, the hip, moving range",
    (stage: RoutineStage) => {
      const slots = stageSlots(stage, free);
      expect(slots.length).toBeGreaterThanOrEqual(12);
      expect(new Set(ids(slots)).size).toBe(slots.length);
      for (const pattern of ["trunk", "hip", "mobility"])
        expect(slots.filter((s) => s.pattern === pattern).length).toBeGreaterThanOrEqual(3);
    },
  );

  it("a back in trouble takes no walk on hands and feet, and still has its twelve", () => {
    const back = choiceFor(athleteWith(), { areas: ["low-back"] });
    expect(ids(stageSlots(3, free))).toContain("hand-foot-walk");
    expect(ids(stageSlots(3, back))).not.toContain("hand-foot-walk");
    expect(stageSlots(3, back).length).toBeGreaterThanOrEqual(12);
  });

  it("what the minutes do not hold goes from the end: the second round first", () => {
    const item = (id: string, sets: number) => ({ exercise: { id }, sets }) as never;
    const less = shorterRoutine([item("a", 2), item("b", 2), item("c", 1)]) ?? [];
    expect(less.map((i) => i.sets)).toEqual([2, 1, 1]);
    expect(shorterRoutine([item("a", 1), item("b", 1)])?.length).toBe(1);
    expect(shorterRoutine([item("a", 1)])).toBeNull();
  });

  const season = plan(
    athleteWith({ endurance: weeksOf(new Array(30).fill(1)), settings: { approach: "paired-routines" } }),
    { weeks: "season" },
  );
  const routines = season.weeks.flatMap((w) =>
    w.sessions.map((s) => [w.season.days.find((d) => d.date === s.date)?.stage, s] as const),
  );
  const plankSeconds = (s: PlanSession) =>
    s.items.reduce(
      (a, i) => a + (i.exercise.id.includes("plank") ? i.sets * (i.seconds ?? 0) * (i.eachSide ? 2 : 1) : 0),
      0,
    );

  it("fill 15 minutes after easy and 25 after hard runs", () => {
    const full = routines.map(([, s]) => s).filter((s) => s.loading === "full");
    expect(full.length).toBeGreaterThan(50);
    for (const s of full) {
      const most = s.minutes > 15 ? 25 : 15;
      expect(s.minutes).toBeLessThanOrEqual(most);
      expect(s.minutes).toBeGreaterThanOrEqual(most - 2);
    }
    expect(new Set(full.map((s) => (s.minutes > 15 ? 25 : 15)))).toEqual(new Set([15, 25]));
  });

  it("hold planks for 60 to 90 seconds in the first stage", () => {
    const first = routines
      .filter(([stage, s]) => stage === "base-early" && s.loading === "full")
      .map(([, s]) => plankSeconds(s));
    expect(first.length).toBeGreaterThan(5);
    for (const seconds of first) {
      expect(seconds).toBeGreaterThanOrEqual(60);
      expect(seconds).toBeLessThanOrEqual(90);
    }
  });
});

describe("a visit that restores", () => {
  it("rolls, flows, walks on the heels and bridges, with no load and nothing else", () => {
    for (const label of ["A", "B", "C"] as const) {
      const visit = ids(visitSlots(label, choiceFor(athleteWith(), { unloaded: true })));
      for (const id of ["foot-rolling", "foam-rolling", "heel-walk", "bridge", "mobility-flow"])
        expect(visit, label).toContain(id);
      expect(new Set(visit).size, label).toBe(visit.length);
      expect(visit.length).toBeGreaterThanOrEqual(10);
    }
  });
  it("is another every second time", () => {
    const c = choiceFor(athleteWith(), { unloaded: true });
    const [a, b, third] = (["A", "B", "C"] as const).map((label) => ids(visitSlots(label, c)));
    expect(third).toEqual(a);
    expect(b).toContain("short-foot");
    expect(a).not.toContain("short-foot");
    // The flow is not what goes first where minutes are few.
    expect([a?.indexOf("mobility-flow"), b?.indexOf("mobility-flow")]).toEqual([13, 1]);
  });
});
