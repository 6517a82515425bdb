/** The way back of a trouble area as the coach has confirmed it: what the log says to it is another room's. */
import type { IsoDate } from "../dates";
import type { Athlete, Pathway, PathwayStage, PathwayStep, TroubleArea } from "./types";

/** @returns the way back of this area and side; undefined where none was begun */
export const pathwayOf = (athlete: Pick<Athlete, "health">, { area, side }: Pick<TroubleArea, "area" | "side">) =>
  athlete.health.pathways?.find((p) => p.area === area && p.side === side);

/** Steps that hold on a day, the latest last: bone stress takes none that no clinician has agreed to. */
export function stepsUntil(p: Pathway, on: IsoDate): PathwayStep[] {
  return p.steps
    .filter((s) => s.date <= on && (p.area !== "bone-stress" || s.stage === "settle" || s.clinician !== undefined))
    .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
}

/** The stage that was confirmed last, and the day from which it holds. Without a step it is the first. */
export function confirmedStage(p: Pathway, on: IsoDate): { stage: PathwayStage; since: IsoDate } {
  const last = stepsUntil(p, on).at(-1);
  return last ? { stage: last.stage, since: last.date } : { stage: "settle", since: p.since };
}

/** The coach has confirmed that it is back to the ordinary plan. */
export function isBackFrom(athlete: Pick<Athlete, "health">, area: TroubleArea, on: IsoDate): boolean {
  const p = pathwayOf(athlete, area);
  return p !== undefined && p.since <= on && confirmedStage(p, on).stage === "back";
}
