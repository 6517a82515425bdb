/** What of an exercise a stage allows. */
import { type Area, PATHWAY_STAGES, type PathwayStage, WORKING_STAGES } from "../athlete";
import { TO_THE_KNEE } from "../screening";
import { AREA_PLANS } from "./table";

/** What is asked of an exercise here; the room of exercises knows more of it. */
interface Touched {
  id: string;
  pattern: string;
  notWith: readonly Area[];
  careWith: readonly Area[];
}

const rank = (s: PathwayStage): number => PATHWAY_STAGES.indexOf(s);
export const isBefore = (a: PathwayStage, b: PathwayStage): boolean => rank(a) < rank(b);
export const nextStage = (s: PathwayStage): PathwayStage | null => PATHWAY_STAGES[rank(s) + 1] ?? null;
export const stageBefore = (s: PathwayStage): PathwayStage => PATHWAY_STAGES[Math.max(0, rank(s) - 1)] ?? "settle";

interface Opening {
  /** First stage in which it may be done at all. */
  bare: PathwayStage;
  /** First stage in which it may be loaded. */
  loaded: PathwayStage;
}

const later = (a: PathwayStage, b: PathwayStage): PathwayStage => (isBefore(a, b) ? b : a);

/** By area, then by exercise: what the table says. */
const LISTED: Readonly<Record<Area, ReadonlyMap<string, Opening>>> = Object.fromEntries(
  Object.entries(AREA_PLANS).map(([area, { stages }]) => {
    const of = new Map<string, Opening>();
    for (const stage of WORKING_STAGES) {
      for (const id of stages[stage].opens)
        of.set(id, { bare: of.get(id)?.bare ?? stage, loaded: later(stage, "load") });
      for (const id of stages[stage].loaded ?? []) of.set(id, { bare: of.get(id)?.bare ?? stage, loaded: stage });
    }
    return [area, of];
  }),
) as unknown as Record<Area, Map<string, Opening>>;

/** Exercises whose pain speaks of an area. */
export const isOfArea = (area: Area, exercise: string): boolean => LISTED[area].has(exercise);

const ANY: Opening = { bare: "settle", loaded: "settle" };

/** Trouble in which squats stay in the pain-free range, and no knee travels forward. */
export const SHORT_SQUATS: readonly Area[] = ["knee-front", "hip"];

/**
 * When an exercise opens on an area's way back: as the table lists it; a jump with hops; what trouble leaves out, at the end; what it takes care
 * with, and squats in a pain-free range, without load until loads come; whatever it does not touch, at once.
 */
export function openingOf(e: Touched, area: Area): Opening {
  const listed = LISTED[area].get(e.id);
  if (listed) return listed;
  if (e.notWith.includes(area)) {
    const at = e.pattern === "jump" ? "spring" : "back";
    return { bare: at, loaded: at };
  }
  // Whatever else hinges past the knee, the coach's own exercises among it.
  if (area === "low-back" && e.pattern === "hinge" && !TO_THE_KNEE.has(e.id)) return { bare: "back", loaded: "back" };
  const shortened = e.pattern === "squat" && SHORT_SQUATS.includes(area);
  return shortened || e.careWith.includes(area) ? { bare: "settle", loaded: "load" } : ANY;
}
