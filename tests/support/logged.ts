/** Logged work as a decision sees it, and the decision asked for. */
import type { LoggedItem } from "../../src/core/athlete/types";
import { percentFor } from "../../src/core/dose/oneRepMax";
import type { PlannedLift } from "../../src/core/progress/basis";
import { decide } from "../../src/core/progress/decide";
import type { DecisionInput, LadderState } from "../../src/core/progress/decision";
import type { History } from "../../src/core/progress/history";
import type { LoadQuestion } from "../../src/core/session/types";
import { gym, lifted } from "./athlete";
import { exercise } from "./choice";

export const loads = Array.from({ length: 60 }, (_, i) => 20 + i * 2.5);
export const ask = (history: [History, ...History[]], more: Partial<DecisionInput> = {}) =>
  decide({ history, on: "2026-03-10", repsLow: 4, reps: 6, rir: 2, cap: null, strictPain: false, loads, ...more });
export const at = (date: string, item: LoggedItem): History => ({ date, item });
export const bar = (reps: number[], rir: number, kg = 80, more: Partial<LoggedItem> = {}): LoggedItem => ({
  ...lifted("back-squat", kg, reps, rir, { reps: 6, repsLow: 4, rir: 2 }),
  ...more,
});
export const bare = (reps: number[], rir = 3, asked = { sets: 3, reps: 12, repsLow: 8, rir: 3 }): LoggedItem => ({
  exercise: "reverse-lunge",
  prescribed: asked,
  sets: reps.map((r) => ({ reps: r, rir, side: "both" as const })),
  pain: 0,
});
export const hold = (seconds: number[], asked: number, sets = 3): LoggedItem => ({
  exercise: "side-plank",
  prescribed: { sets, seconds: asked },
  sets: seconds.map((s) => ({ seconds: s, side: "both" as const })),
  pain: 0,
});
export const stands: LadderState = {
  harder: "Reverse lunge to high knee",
  easier: "Split squat",
  lightestKg: 6,
  tempo: "2-0-1",
};
export const ladder = () => stands;
export const unloaded = { repsLow: 8, reps: 12, rir: 3, sets: 2, ladder, loads: [] };

/** What is asked of a back squat in the gym: three sets of four to six with two in reserve. */
export const squatQuestion: LoadQuestion = {
  exercise: exercise("back-squat"),
  loading: "bar",
  place: gym,
  sets: 3,
  repsLow: 4,
  reps: 6,
  seconds: null,
  rir: 2,
  percent: null,
  capPercent: null,
};

/** What the weeks planned before leave of a lift: of another block unless it says otherwise. */
export const plannedAs = (
  loadKg: number,
  reps: number,
  rir: number,
  more: { block?: string; point?: number; topKg?: number; aimKg?: number } = {},
): PlannedLift => ({
  block: more.block ?? "2026-01-05",
  point: more.point ?? 0,
  of: 4,
  slower: 0,
  load: {
    loadKg,
    topKg: more.topKg ?? loadKg,
    reps,
    rir,
    aim: { kg: more.aimKg ?? loadKg, percent: percentFor(reps + rir), capped: false },
  },
});
