/** The whole library is of use: generated seasons use most of it, and for each exercise that they never use there is an athlete who gets it. */
import { describe, expect, it } from "vitest";
import { placeFrom } from "../../src/core/athlete/presets";
import type { Athlete } from "../../src/core/athlete/types";
import { addDays } from "../../src/core/dates";
import { SHIPPED_LIBRARY } from "../../src/core/exercise/library";
import { type Plan, plan } from "../../src/core/plan";
import { athleteWith, gym, logOf, START } from "../support/athlete";
import { lifters, people, seasons } from "./corpus";
import { jumping } from "./jumps";

const usedIn = (p: Plan): string[] =>
  p.weeks.flatMap((w) => w.sessions.flatMap((s) => s.items.map((i) => i.exercise.id)));

const at = (place: Athlete["places"][number], change: Partial<Athlete> = {}): Athlete =>
  athleteWith({
    places: [place],
    availability: [1, 3, 5].map((day) => ({ day, start: "18:00", minutes: 75, place: place.id })),
    ...change,
  });
const mobile: Athlete["screening"] = [
  ...(["calf-raise", "single-leg-squat", "side-hold", "march-hold", "knee-to-wall", "step-down"] as const).map(
    (test) => ({
      test,
      date: START,
      left: 70,
      right: 70,
    }),
  ),
  ...(["dowel-hinge", "wall-squat", "wall-squat-overhead", "front-plank"] as const).map((test) => ({
    test,
    date: START,
    value: 130,
  })),
];
const onStep = (ladder: string, exercise: string): Partial<Athlete> => ({
  screening: mobile,
  rungs: [{ ladder, exercise }],
});
const hops = (ago: number) =>
  logOf(addDays(START, -ago), [{ exercise: "ankle-hops", sets: [{ seconds: 60, side: "both" }] }]);
const jump = (id: string, ago: number) =>
  logOf(addDays(START, -ago), [
    {
      exercise: id,
      prescribed: { sets: 4, reps: 5, rir: 5 },
      sets: [1, 2, 3, 4].map(() => ({ reps: 5, side: "both" as const })),
    },
  ]);
/** In late base from the first week: jumps stand at once. */
const building: Partial<Athlete> = {
  screening: mobile,
  phases: [{ phase: "build", start: START, end: addDays(START, 55) }],
  strengthLog: [hops(3), jump("step-off-stick", 5), jump("squat-jump", 8), jump("squat-jump", 12)],
};

/** What no generated season uses, with an athlete who gets it. */
const REACHED: Readonly<Record<string, Athlete>> = {
  "wall-facing-squat": at(placeFrom("bare-home", "home"), onStep("squat", "wall-facing-squat")),
  "overhead-wall-squat": at(placeFrom("bare-home", "home"), onStep("squat", "overhead-wall-squat")),
  "safety-bar-squat": at(
    { ...gym, bars: [...gym.bars, { id: "safety", kind: "safety", massKg: 25 }] },
    { health: { clearanceNeeded: false, areas: [{ area: "shoulder", side: "left", status: "current" }] } },
  ),
  "overhead-squat": at(gym, { ...onStep("squat", "overhead-squat"), settings: { approach: "control" } }),
  "good-morning": at(gym, { ...onStep("hinge", "good-morning"), settings: { approach: "control" } }),
  "split-squat-both-feet-raised": at(gym, {
    ...onStep("split-squat", "split-squat-both-feet-raised"),
    settings: { approach: "full-range" },
  }),
  "slider-lunge": at(gym, onStep("lunge", "slider-lunge")),
  "pull-up": at(
    { ...placeFrom("bare-home", "home"), other: ["step", "wall", "chair", "pull-up-bar"] },
    { athlete: { ...athleteWith().athlete, strengthTrainingMonths: 24 } },
  ),
  "band-pulldown": at(
    { ...placeFrom("bare-home", "home"), bands: ["light", "medium"], other: ["step", "door-anchor"] },
    { athlete: { ...athleteWith().athlete, sport: "row" } },
  ),
  "adductor-plank-bent-knee": at(gym, onStep("adductor", "adductor-plank-bent-knee")),
  "adductor-side-plank": at(gym, onStep("adductor", "adductor-side-plank")),
  "cable-row": at(placeFrom("club-gym", "gym")),
  "half-kneeling-lift": at(gym, {
    athlete: { ...athleteWith().athlete, sport: "row" },
    settings: { approach: "control" },
  }),
  "towel-row": at(placeFrom("bare-home", "home")),
  "squat-jump": at(gym, building),
  "burpee-jump": at(gym, building),
  bounds: at({ ...gym, id: "park outdoors" }, { ...building, ...onStep("jump", "bounds") }),
};

describe("the whole library", () => {
  it("is used: at least 85% by generated seasons, the rest by somebody", () => {
    const used = new Set([...seasons(), ...lifters(), ...jumping(), ...people()].flatMap(({ plan: p }) => usedIn(p)));
    const rest = SHIPPED_LIBRARY.all.map((e) => e.id).filter((id) => !used.has(id));
    expect(used.size / SHIPPED_LIBRARY.all.length).toBeGreaterThanOrEqual(0.85);
    // A new exercise that nobody gets is named here until an athlete stands above who does.
    expect(rest.filter((id) => !(id in REACHED))).toEqual([]);
  });

  it.each(Object.keys(REACHED))("%s stands in a plan", (id) => {
    const athlete = REACHED[id] as Athlete;
    expect(usedIn(plan(athlete, { weeks: "season" }))).toContain(id);
  });
});
