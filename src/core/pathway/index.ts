/** The way back of a trouble area: its stages, what each opens and asks for, and when the next can be proposed. What others may use of this room. */
export { isBefore, isOfArea, nextStage, openingOf, SHORT_SQUATS } from "./opens";
export { type Proposal, proposalFor } from "./proposal";
export { type AreaStage, isWatched, limitsOn, type PainDay, painDays, stagesOn } from "./stage";
export { AREA_PLANS, type AreaPlan, type StagePlan } from "./table";
export { STAGE_SAYS } from "./words";
export { pathwayWork, workOf, workText } from "./work";
