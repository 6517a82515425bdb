/** Progress: what a logged set says about the next one, pain, ladders. What others may use of this room. */
export { decide } from "./decide";
export type { Decision, LadderState } from "./decision";
export { historyOf } from "./history";
export { alike, decisionBasis, nextLoad, overruleAfter, type PlannedLift } from "./next";
export { risingPain, stoppedByPain } from "./pain";
export { placeOnLine } from "./place";
