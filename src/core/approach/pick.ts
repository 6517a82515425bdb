/** Which approach an athlete follows on a day, and what part of the season it is for that approach. */

import type { Approach, Athlete, DoseRow, Phase, Stage } from "../athlete";
import { SHIPPED_APPROACHES, shippedApproach } from "./shipped";

/** The approach of a phase: the phase's own, else the athlete's, else the layered one; one that is unknown falls back to it too. */
export function approachFor(athlete: Pick<Athlete, "settings" | "approaches">, phase: Phase): Approach {
  const id = athlete.settings?.approachByPhase?.[phase] ?? athlete.settings?.approach ?? "layered";
  return findApproach(id, athlete.approaches) ?? shippedApproach("layered");
}

/** A shipped approach or one of the coach's copies; null where there is none of that id. */
export const findApproach = (id: string, own: readonly Approach[] = []): Approach | null =>
  own.find((a) => a.id === id) ?? SHIPPED_APPROACHES.find((a) => a.id === id) ?? null;

/** Ids that an athlete asks for and that are neither shipped nor among the copies. */
export function unknownApproaches(athlete: Pick<Athlete, "settings" | "approaches">): string[] {
  const asked = [athlete.settings?.approach, ...Object.values(athlete.settings?.approachByPhase ?? {})];
  return [...new Set(asked.flatMap((id) => (id && !findApproach(id, athlete.approaches) ? [id] : [])))];
}

export const rowFor = (athlete: Pick<Athlete, "settings" | "approaches">, phase: Phase, stage: Stage): DoseRow =>
  approachFor(athlete, phase).rows[stage];

/** Sessions a week: trained lifters take the high end, others the low one; a row that slides falls through its phase. */
export function sessionsAWeek(row: DoseRow, trained: boolean, through: number): number {
  const [low, high] = row.perWeek;
  if (row.slides) return high - (high - low) * through;
  return trained && row.emphasis !== "restore" ? high : low;
}
