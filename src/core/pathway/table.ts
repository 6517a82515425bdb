/**
 * What each stage of an area's way back opens, the work it asks for, and what to watch [trade; the exercises chosen are house]. An exercise that
 * an area touches and that stands in no stage opens with its own rule (see opens.ts).
 */
import type { Area } from "../athlete";
import { HIP } from "./areas/hip";
import { KNEE } from "./areas/knee";
import { LOWER_LEG } from "./areas/lowerLeg";
import type { AreaPlan } from "./areas/plan";
import { TRUNK } from "./areas/trunk";

export type { AreaPlan, StagePlan } from "./areas/plan";

export const AREA_PLANS: Readonly<Record<Area, AreaPlan>> = { ...LOWER_LEG, ...KNEE, ...HIP, ...TRUNK };
