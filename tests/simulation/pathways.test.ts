/** Simulated athletes on the way back of every area: a good course, a flare-up, and one who lies about pain. */
import { describe, expect, it } from "vitest";
import type { Area, Athlete, PathwayStage, PathwayStep, Place, Screening, StrengthLog } from "../../src/core/athlete";
import { AREAS, safetyGate } from "../../src/core/athlete";
import { addDays, daysBetween, type IsoDate } from "../../src/core/dates";
import { closedBecause, loadingToday } from "../../src/core/exercise/choose";
import { AREA_PLANS, proposalFor, stagesOn } from "../../src/core/pathway";
import { plan } from "../../src/core/plan";
import { athleteWith, gym } from "../support/athlete";
import { choiceFor, exercise } from "../support/choice";
import { ASKED_ON, EXPECTED, GOOD_COURSE } from "./pathways.expected";

const START = "2026-03-02";
const WITH_SAFETY_BAR: Place = {
  ...gym,
  bars: [...gym.bars, { id: "safety", kind: "safety", massKg: 25 }],
};
const STAGES = ["settle", "move", "load", "spring"] as const;
const SIDES: Partial<Record<Area, Screening["test"]>> = {
  achilles: "calf-raise",
  calf: "calf-raise",
  shin: "calf-raise",
  foot: "calf-raise",
  "knee-front": "single-leg-squat",
  "knee-outside": "single-leg-squat",
  hip: "single-leg-squat",
  hamstring: "single-leg-bridge",
  "hip-flexor": "march-hold",
};

const withTrouble = (area: Area, steps: PathwayStep[] = [], more: Partial<Athlete> = {}): Athlete =>
  athleteWith({
    season: { start: "2026-01-05", end: "2026-08-30" },
    health: {
      clearanceNeeded: false,
      ...(area === "bone-stress" ? { clearance: { date: START, by: "Dr Quill", limits: "no impact" } } : {}),
      areas: [{ area, side: "left", status: "current", since: START }],
      pathways: [{ area, side: "left", since: START, steps }],
    },
    screening: [],
    seen: [],
    ...more,
  });

/** Something of the area's own work, done with all its sets. */
function session(area: Area, stage: PathwayStage, date: IsoDate, pain: number): StrengthLog {
  const of = AREA_PLANS[area].stages[stage === "back" ? "spring" : stage];
  const listed = STAGES.flatMap((s) => [
    ...AREA_PLANS[area].stages[s].opens,
    ...(AREA_PLANS[area].stages[s].loaded ?? []),
  ]);
  const id = of.work[0]?.exercises[0] ?? listed[0] ?? "";
  const sets = Array.from({ length: 3 }, () => ({ reps: 10, side: "both" as const }));
  const hops = Array.from({ length: 5 }, () => ({ seconds: 20, side: "both" as const }));
  return {
    date,
    label: "A",
    items: [
      { exercise: id, prescribed: { sets: 3, reps: 10 }, sets, pain, nextDayPain: pain },
      ...(stage === "spring" ? [{ exercise: "ankle-hops", sets: hops, pain, nextDayPain: pain }] : []),
    ],
  };
}

interface Course {
  /** Stage of each day, from day 0. */
  stages: PathwayStage[];
  /** Days on which the coach was told of something. */
  told: { day: number; ready: boolean; overdue: boolean }[];
}

/** Lives day by day: lifts every other day, tells `pain(day)`, and the coach confirms what is ready where `confirms` says so. */
function live(area: Area, days: number, pain: (day: number) => number, confirms: (day: number) => boolean): Course {
  let athlete = withTrouble(area);
  const course: Course = { stages: [], told: [] };
  for (let day = 0; day < days; day++) {
    const on = addDays(START, day);
    const now = stagesOn(athlete, on)[0];
    const proposal = now ? proposalFor(athlete, now, on) : null;
    if (proposal?.says) course.told.push({ day, ready: proposal.ready, overdue: proposal.overdue });
    let stage: PathwayStage = now?.stage ?? "back";
    if (now && proposal?.ready && confirms(day)) {
      stage = proposal.next;
      const step: PathwayStep = { stage, date: on, by: "Coach", clinician: "Dr Quill" };
      const [pathway] = athlete.health.pathways ?? [];
      athlete = {
        ...athlete,
        health: { ...athlete.health, pathways: pathway ? [{ ...pathway, steps: [...pathway.steps, step] }] : [] },
      };
    }
    course.stages.push(stage);
    const test = SIDES[area];
    athlete = {
      ...athlete,
      strengthLog: day % 2 === 0 ? [...athlete.strengthLog, session(area, stage, on, pain(day))] : athlete.strengthLog,
      screening: test && stage === "load" ? [{ test, date: on, left: 25, right: 25 }] : athlete.screening,
    };
  }
  return course;
}

describe.each(AREAS)("the way back of the area %s", (area) => {
  it("goes through all five stages by their least days, where all is quiet and the coach confirms", () => {
    const { stages } = live(
      area,
      80,
      () => 0,
      () => true,
    );
    for (const { day, stage } of GOOD_COURSE) expect([day, stages[day]]).toEqual([day, stage]);
  });

  it("stays where the coach confirms nothing, however quiet it is, and asks from the least days and 14", () => {
    const { stages, told } = live(
      area,
      30,
      () => 0,
      () => false,
    );
    expect(new Set(stages)).toEqual(new Set(["settle"]));
    expect(told.filter((t) => t.overdue)[0]?.day).toBe(ASKED_ON.settle);
  });

  it("is not proposed while sessions hurt, and goes back by one where the pain rises over three", () => {
    // Quiet through settle; in the second week of the next stage it hurts 1, 2 and 3.
    const rising = new Map([
      [10, 1],
      [12, 2],
      [14, 3],
    ]);
    const pain = (day: number) => rising.get(day) ?? (day > 14 ? 3 : 0);
    const { stages, told } = live(area, 24, pain, () => true);
    expect(stages[8]).toBe("move");
    expect(stages[15]).toBe("settle");
    expect(stages.slice(15).every((s) => s === "settle")).toBe(true);
    expect(told.some((t) => t.ready && t.day > 10)).toBe(false);
  });

  it("opens and closes what the table says, stage by stage", () => {
    for (const stage of STAGES) {
      const athlete = withTrouble(
        area,
        stage === "settle" ? [] : [{ stage, date: START, by: "Coach", clinician: "Dr Quill" }],
      );
      const c = choiceFor(athlete, { on: addDays(START, 1), place: WITH_SAFETY_BAR });
      const { open, closed } = EXPECTED[area][stage];
      expect(open.length).toBeGreaterThan(0);
      for (const text of open) {
        const [id = "", how] = text.split(" ");
        const kind = closedBecause(exercise(id), c)?.kind;
        expect([stage, id, kind === "trouble" || kind === "clearance"]).toEqual([stage, id, false]);
        const loading = loadingToday(exercise(id), c);
        const bare = loading === null || loading === "bodyweight" || loading === "band";
        expect([stage, id, bare ? "b" : "L"]).toEqual([stage, id, how]);
      }
      for (const id of closed)
        expect([stage, id, closedBecause(exercise(id), c)?.kind]).toEqual([stage, id, "trouble"]);
    }
  });
});

describe("what the plan asks for on the way back of an Achilles", () => {
  const sessionsAt = (stage: PathwayStage, after = 0) => {
    const from = addDays(START, after);
    const athlete = withTrouble("achilles", stage === "settle" ? [] : [{ stage, date: START, by: "Coach" }]);
    return plan({ ...athlete, strengthLog: [] }, { from, weeks: 1 })
      .weeks.flatMap((w) => w.sessions)
      .filter((s) => daysBetween(from, s.date) >= 0 && s.items.some((i) => i.slot.added?.rule === "pathway.stage"));
  };
  const doseOf = (id: string, sessions: ReturnType<typeof sessionsAt>) =>
    sessions.flatMap((s) =>
      s.items.flatMap((i) =>
        i.exercise.id === id ? [`${id} ${i.sets} x ${i.seconds === null ? i.reps : `${i.seconds} s`}`] : [],
      ),
    );
  it.each(["settle", "move", "load"] as const)("in the stage %s", (stage) => {
    const asked = EXPECTED.achilles[stage].work ?? "";
    const found = doseOf(asked.split(" ")[0] ?? "", sessionsAt(stage));
    expect(found.length).toBeGreaterThan(0);
    for (const text of found) expect(text).toBe(asked);
  });
  it("stands in every week of ten, whatever the block changes beside it", () => {
    const athlete = withTrouble("achilles", [{ stage: "load", date: START, by: "Coach" }]);
    const { weeks } = plan(athlete, { from: START, weeks: 10 });
    const without = weeks.filter((w) => !w.sessions.some((s) => s.items.some((i) => i.exercise.id === "calf-raise")));
    expect(weeks.length).toBe(10);
    expect(without.filter((w) => w.sessions.length > 0).map((w) => w.season.start)).toEqual([]);
  });
});

describe("bone stress", () => {
  it("goes nowhere on the word of a coach alone", () => {
    const steps: PathwayStep[] = [{ stage: "load", date: START, by: "Coach" }];
    expect(stagesOn(withTrouble("bone-stress", steps), addDays(START, 9))[0]?.stage).toBe("settle");
    const agreed: PathwayStep[] = [{ stage: "load", date: START, by: "Coach", clinician: "Dr Quill" }];
    expect(stagesOn(withTrouble("bone-stress", agreed), addDays(START, 9))[0]?.stage).toBe("load");
  });
  it("goes back to settle with any pain at all", () => {
    const steps: PathwayStep[] = [{ stage: "load", date: START, by: "Coach", clinician: "Dr Quill" }];
    const log = (pain: number) => [session("bone-stress", "load", addDays(START, 2), pain)];
    const on = addDays(START, 3);
    expect(stagesOn(withTrouble("bone-stress", steps, { strengthLog: log(0) }), on)[0]?.stage).toBe("load");
    expect(stagesOn(withTrouble("bone-stress", steps, { strengthLog: log(1) }), on)[0]?.stage).toBe("settle");
  });
  it("stays shut without a clearance, whatever its stage", () => {
    const steps: PathwayStep[] = [{ stage: "load", date: START, by: "Coach", clinician: "Dr Quill" }];
    const { clearance: _, ...health } = withTrouble("bone-stress", steps).health;
    expect(safetyGate({ ...withTrouble("bone-stress"), health }, addDays(START, 1)).restricted).toBe(true);
  });
});
