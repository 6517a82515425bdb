/** From athlete to week: each session on each day, the week as a problem, the chain of weeks, what would make room. What others may use of this room. */
export { type Board, type BoardPlace, weighPlaces, withEnduranceMoved } from "./board";
export { WeekChain } from "./chain";
export { choicesFor } from "./choices";
export { choiceContexts } from "./contexts";
export { increaseCap } from "./dayWork";
export {
  fitGroup,
  type GroupMember,
  type GroupPlace,
  groupMember,
  groupOn,
  type Station,
  stationsOf,
} from "./groupSession";
export { gymAthlete } from "./gymDay";
export { heavyRoom, type SlotRoom } from "./heavyRoom";
export { weekHomework } from "./homework";
export { seasonJumps } from "./jumps";
export { nearestChanges, withFix } from "./nearest";
export type { Swap } from "./planSession";
export { type PlanSession, type PlanWeek, plannedLegEvent, planWeek } from "./planWeek";
