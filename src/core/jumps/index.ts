/** Jumps and power: who may, how much, and which session holds them. What others may use of this room. */
export { contactSets, holdsLandings, type JumpState, jumpsLogged, landings, NO_JUMPS } from "./amount";
export { type JumpKind, type JumpRight, jumpRight } from "./gate";
export { type JumpAsk, type JumpInput, type JumpWeek, jumpsAfter, jumpsOn, jumpWeek, SWING } from "./week";
