/** Approaches: the shipped tables of doses, and which one holds on a day. What others may use of this room. */
export { columnOf } from "./columns";
export { approachFor, findApproach, rowFor, sessionsAWeek, unknownApproaches } from "./pick";
export { SHIPPED_APPROACHES } from "./shipped";
