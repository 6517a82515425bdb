import { describe, expect, it } from "vitest";
import { athleteWith, raceOn, START, weeksOf } from "../../../tests/support/athlete";
import { choiceFor } from "../../../tests/support/choice";
import { addDays } from "../dates";
import { type PlanSession, plan } from "../plan";
import { longestThatFits, shorterRoutine, stageSlots, visitSlots } from "./routines";
import type { RoutineStage } from "./slots";

const ids = (slots: ReturnType<typeof stageSlots>) => slots.map((s) => s.only?.[0] ?? "");
const free = choiceFor(athleteWith());
const FLAT = new Array(30).fill(1);

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

  it("the longest that fits is taken, the whole of it or the shortest where need be", () => {
    const items = ["a", "b", "c"].map((id) => ({ exercise: { id }, sets: 2 })) as never[];
    const left = (most: number) =>
      longestThatFits(items, (of) => of.reduce((n, i) => n + i.sets, 0) <= most).map(
        (i) => `${i.exercise.id}${i.sets}`,
      );
    expect([9, 6, 5, 4, 3, 2, 1, 0].map((most) => left(most).join(" "))).toEqual([
      "a2 b2 c2",
      "a2 b2 c2",
      "a2 b2 c1",
      "a2 b1 c1",
      "a1 b1 c1",
      "a1 b1",
      "a1",
      "a1",
    ]);
    expect(longestThatFits([], () => true)).toEqual([]);
  });

  it("are two rounds, planks of the first stage one; what is closed leaves its place to the next that is not there yet", () => {
    const sets = (stage: RoutineStage, id: string) => stageSlots(stage, free).find((s) => s.only?.[0] === id)?.sets;
    expect([sets(1, "front-plank"), sets(1, "side-plank-knees"), sets(1, "clam")]).toEqual([1, 1, 2]);
    expect(sets(2, "front-plank")).toBe(2);
    expect(stageSlots(1, free)[0]).toMatchObject({
      pattern: "trunk",
      kind: "assist",
      only: ["front-plank"],
      sets: 1,
    });
    const without = (...closed: string[]) =>
      ids(stageSlots(2, choiceFor(athleteWith(), { stopped: new Map(closed.map((id) => [id, "pain"])) })));
    expect(without("single-leg-bridge")).toContain("bridge");
    expect(without()).not.toContain("bridge");
    expect(without("single-leg-bridge", "bridge")).toHaveLength(without().length - 1);
    // A visit's bridge and clam stand in for each other, and neither comes twice.
    const visit = (...closed: string[]) =>
      ids(visitSlots("A", choiceFor(athleteWith(), { stopped: new Map(closed.map((id) => [id, "pain"])) })));
    expect(visit().filter((id) => id === "bridge" || id === "clam")).toEqual(["bridge", "clam"]);
    expect(visit("bridge").filter((id) => id === "bridge" || id === "clam")).toEqual(["clam"]);
    expect(visitSlots("A", free).every((s) => s.sets === 2)).toBe(true);
  });

  it("each says what list it belongs to, and whom it stands in for", () => {
    const says = (slots: ReturnType<typeof stageSlots>, id: string) =>
      slots.find((s) => s.only?.[0] === id)?.says?.map((w) => `${w.rule}: ${w.text}`);
    const routine = "approach.routine: Belongs to the routine, stage 2 of 3.";
    const visit = "restore.visits: Belongs to the visits that restore: rolling, easy movement, no load.";
    expect(says(stageSlots(2, free), "single-leg-bridge")).toEqual([routine]);
    expect(says(visitSlots("B", free), "foam-rolling")).toEqual([visit]);
    const hurt = choiceFor(athleteWith(), { stopped: new Map([["single-leg-bridge", "stopped: pain"]]) });
    expect(says(stageSlots(2, hurt), "bridge")).toEqual([
      routine,
      "choice.swap: Instead of single-leg bridge: stopped: pain.",
    ]);
    // What has its place already is no reason for what comes second.
    expect(says(visitSlots("A", free), "clam")).toEqual([visit]);
  });

  it("nothing of a list says that it was ranked, or that something of safety stood before it", () => {
    const recovering = plan(athleteWith({ races: [raceOn(addDays(START, 60), "A", 240)], endurance: weeksOf(FLAT) }), {
      weeks: "season",
    });
    const visits = recovering.weeks.flatMap((w) => w.sessions).filter((s) => s.loading === "mobility");
    expect(visits.length).toBeGreaterThan(1);
    const lists = [...visits, ...routines.map(([, s]) => s).filter((s) => s.loading === "full")];
    for (const s of lists) {
      expect(s.left).toEqual([]);
      for (const i of s.items) expect(i.why.map((w) => w.rule)).not.toContain("choice.rank");
      expect(s.items.every((i) => /^Belongs to the (routine|visits)/.test(i.why[0]?.text ?? ""))).toBe(true);
    }
  });

  const season = plan(athleteWith({ endurance: weeksOf(FLAT), settings: { approach: "paired-routines" } }), {
    weeks: "season",
  });
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
