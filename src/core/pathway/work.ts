/** The work that a stage asks for in every session, shaped as a finding: it is not rotated away. */
import { AREA_WORDS, type PathwayStage } from "../athlete";
import { daysBetween, type IsoDate } from "../dates";
import { numbers } from "../rulebook";
import type { AddedWork, Finding } from "../screening";
import type { AreaStage } from "./stage";
import { AREA_PLANS } from "./table";

/** @returns what a stage asks for on a day of it, from 0 */
export function workOf(area: AreaStage["area"], stage: PathwayStage, day: number): readonly AddedWork[] {
  if (stage === "back") return [];
  const { work, later } = AREA_PLANS[area].stages[stage];
  return later && day >= numbers("pathway.stage").leastDays[stage] / 2 ? later : work;
}

export function pathwayWork(stages: readonly AreaStage[], on: IsoDate): Finding[] {
  return stages.flatMap(({ area, stage, since }): Finding[] => {
    if (stage === "back") return [];
    const adds = workOf(area, stage, Math.max(0, daysBetween(since, on)));
    if (adds.length === 0) return [];
    return [
      {
        id: `pathway-${area}-${adds.map((a) => `${a.exercises[0]}${a.sets}x${a.reps ?? ""}`).join("+")}`,
        kind: "seen",
        title: `Way back of the ${AREA_WORDS[area]}, ${stage}`,
        says: AREA_PLANS[area].stages[stage].says,
        rule: "pathway.stage",
        adds,
        prefers: [],
        more: null,
      },
    ];
  });
}

/**
 * A stage's work in words: "Long calf hold, both legs, 5 x 45 s".
 * @param named the exercise of an id, as far as words need it
 */
export function workText(
  w: AddedWork,
  named: (id: string) => { name: string; ownSeconds: number | null } | undefined,
): string {
  const e = w.exercises.map(named).find((x) => x !== undefined);
  const amount = w.reps ?? (e?.ownSeconds ? `${e.ownSeconds} s` : null);
  return `${e?.name ?? ""}, ${w.sets ?? 1} ${amount === null ? "sets" : `x ${amount}`}`;
}
