/** What of the findings' work can be done today, by hand (rules finding.seen, pathway.stage): what safety closed waits, and is told. */
import { describe, expect, it } from "vitest";
import { athleteWith, gym, home } from "../../../tests/support/athlete";
import { choiceFor } from "../../../tests/support/choice";
import type { Finding } from "../screening";
import { openWork } from "./findingWork";

const finding = (rule: string, ...adds: string[][]) =>
  ({
    id: rule,
    rule,
    title: "A finding",
    adds: adds.map((exercises) => ({ pattern: "hip", exercises, sets: 2 })),
  }) as unknown as Finding;
const asked = (f: Finding, hurt: readonly string[] = [], place = gym) =>
  openWork(choiceFor(athleteWith(), { place, findings: [f], stopped: new Map(hurt.map((id) => [id, `${id} hurts`])) }));
const exercisesOf = ({ findings }: ReturnType<typeof openWork>) => findings.map((f) => f.adds.map((a) => a.exercises));

describe("work that the screening asks for", () => {
  const clams = finding("finding.seen", ["clam", "bridge"], ["toe-tap"]);

  it("stands as it is for as long as one of its exercises is open", () => {
    expect(asked(clams)).toEqual({ findings: [clams], dropped: [] });
    expect(asked(clams).findings[0]).toBe(clams);
    expect(asked(clams, ["clam"]).findings[0]).toBe(clams);
    expect(asked(clams, ["clam"]).dropped).toEqual([]);
  });
  it("waits where pain closed all of it, and says so; the rest of the finding stands", () => {
    const made = asked(clams, ["clam", "bridge"]);
    expect(exercisesOf(made)).toEqual([[["toe-tap"]]]);
    expect(made.findings[0]?.adds[0]).toBe(clams.adds[1]);
    expect(made.dropped).toEqual([{ exercise: "clam", why: "clam hurts" }]);
    expect(exercisesOf(asked(clams, ["clam", "bridge", "toe-tap"]))).toEqual([[]]);
  });
  it("takes other work of its pattern where only equipment is missing", () => {
    const bar = finding("finding.seen", ["deadlift", "back-squat"]);
    expect(asked(bar, [], home)).toEqual({ findings: [bar], dropped: [] });
    // One of them is closed by pain: that is told, though the other comes first.
    expect(asked(bar, ["back-squat"], home).dropped).toEqual([{ exercise: "back-squat", why: "back-squat hurts" }]);
  });
  it("knows nothing of exercises that are gone", () => {
    expect(asked(finding("finding.seen", ["no-such", "clam"]), ["clam"]).dropped.map((d) => d.exercise)).toEqual([
      "clam",
    ]);
    const gone = finding("finding.seen", ["no-such"]);
    expect(asked(gone)).toEqual({ findings: [gone], dropped: [] });
  });
});

describe("the work of a way back", () => {
  const stage = (...exercises: string[]) => finding("pathway.stage", exercises);

  it("is never another than its own: of its exercises those that are open", () => {
    expect(exercisesOf(asked(stage("clam", "bridge"), ["clam"]))).toEqual([[["bridge"]]]);
    expect(asked(stage("clam", "bridge"), ["clam"]).findings[0]?.adds[0]?.sets).toBe(2);
    expect(exercisesOf(asked(stage("clam", "bridge")))).toEqual([[["clam", "bridge"]]]);
  });
  it("waits where none is open, for whatever reason", () => {
    const made = asked(stage("deadlift", "back-squat"), [], home);
    expect(exercisesOf(made)).toEqual([[]]);
    expect(made.dropped).toEqual([{ exercise: "deadlift", why: "no equipment for it at home" }]);
    expect(asked(stage("deadlift", "clam"), ["clam"], home).dropped.map((d) => d.exercise)).toEqual(["clam"]);
  });
});
