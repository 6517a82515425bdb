import { readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { athleteWith } from "../../../tests/support/athlete";
import type { Athlete } from "../athlete/types";
import { EXTERNAL } from "../exercise/types";
import { plan } from "../plan";
import { findingsOf } from "./findings";
import { hingeStopsAtKnee, TO_THE_KNEE } from "./rounding";

const SEEN = "2026-03-02";
/** @param tests day and degrees of dowel hinges; 60 passes */
const rounding = (...tests: [string, number][]): Athlete =>
  athleteWith({
    seen: [{ what: "rounded-catch", date: SEEN }],
    screening: tests.map(([date, value]) => ({ test: "dowel-hinge" as const, date, value })),
  });

describe("a back that rounds at the catch or in the hinge (rule finding.seen, common practice)", () => {
  it.each([
    ["was never tested", rounding(), "2026-09-01", "until the dowel hinge passes"],
    ["failed before", rounding(["2026-02-01", 50]), "2026-09-01", "until the dowel hinge passes"],
    ["failed since", rounding(["2026-04-01", 59]), "2026-09-01", "until the dowel hinge passes"],
    ["passed since", rounding(["2026-03-03", 60]), "2026-03-03", null],
    ["passed before, and two weeks are not over", rounding(["2026-02-01", 60]), "2026-03-15", "until 2026-03-16"],
    ["passed before, and two weeks are over", rounding(["2026-02-01", 60]), "2026-03-16", null],
    ["passed that day, seen at the catch alone", rounding([SEEN, 70]), "2026-03-15", "until 2026-03-16"],
    ["is not seen yet", rounding(), "2026-03-01", null],
  ])("whose dowel hinge %s", (_what, athlete, on, until) => {
    expect(hingeStopsAtKnee(athlete, on)).toBe(until);
    const says = findingsOf(athlete, on).find((f) => f.id === "rounded-catch")?.says;
    if (until) expect(says).toContain(`Hinges stop at the knee ${until}`);
    else expect(says ?? "").not.toContain("stop at the knee");
  });

  it("has no hinge past the knee in a whole season of rowing, and what is left keeps its reserve", () => {
    const file = JSON.parse(
      readFileSync(join(import.meta.dirname, "../../../tests/support/row.json"), "utf8"),
    ) as Athlete;
    const athlete: Athlete = {
      ...file,
      seen: [{ what: "rounded-catch", date: file.season.start }],
      screening: file.screening.filter((s) => s.test !== "dowel-hinge"),
    };
    const items = plan(athlete, { weeks: "season" }).weeks.flatMap((w) => w.sessions.flatMap((s) => s.items));
    const hinges = items.filter((i) => i.exercise.pattern === "hinge");
    expect(hinges.length).toBeGreaterThan(30);
    expect([...new Set(hinges.map((i) => i.exercise.id))].filter((id) => !TO_THE_KNEE.has(id))).toEqual([]);
    const loaded = hinges.filter((i) => EXTERNAL.includes(i.loading));
    expect(loaded.length).toBeGreaterThan(10);
    expect(loaded.filter((i) => i.rir < 3)).toEqual([]);
  });

  it("is what the rower's file says: its season has no deadlift from the floor while it holds", () => {
    const athlete = JSON.parse(
      readFileSync(join(import.meta.dirname, "../../../tests/support/row.json"), "utf8"),
    ) as Athlete;
    expect(athlete.seen.some((s) => s.what === "rounded-catch")).toBe(true);
    let closed = 0;
    for (const week of plan(athlete, { weeks: "season" }).weeks)
      for (const s of week.sessions)
        if (hingeStopsAtKnee(athlete, s.date) !== null) {
          closed++;
          expect(s.items.filter((i) => i.exercise.pattern === "hinge" && !TO_THE_KNEE.has(i.exercise.id))).toEqual([]);
        }
    expect(closed).toBeGreaterThan(0);
  });
});
