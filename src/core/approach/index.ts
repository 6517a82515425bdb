/** Approaches: the shipped tables of doses, and which one holds on a day. What others may use of this room. */
export { columnOf } from "./columns";
export { type Direction, directionOf, type LineOver, lineThrough } from "./line";
export { approachFor, findApproach, rowFor, sessionsAWeek, unknownApproaches } from "./pick";
export { SHIPPED_APPROACHES } from "./shipped";
export {
  isOwnLine,
  isWritable,
  type LineOf,
  MOST_WEEKS,
  pointsShown,
  withoutLine,
  withPoint,
  withWeeks,
  writtenPoints,
} from "./written";
