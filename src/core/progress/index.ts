/** Progress: what a logged set says about the next one, pain, ladders. What others may use of this room. */
export { agesOn } from "./ages";
export { alike, decisionBasis, overruleAfter, type PlannedLift } from "./basis";
export { decide } from "./decide";
export type { Decision, LadderState } from "./decision";
export { historyOf } from "./history";
export { nextLoad } from "./next";
export { risingPain, stoppedByPain } from "./pain";
export { placeOnLine } from "./place";
export { tooLight } from "./room";
export { slowerStep } from "./slower";
export { unmovedLifts } from "./unmoved";
