/** Placing a week: must-hold rules, costs, exact search, alternatives. What others may use of this room. */
export { charges, costsOf, fitWeek } from "./fit";
export { type CostRule, DEFAULT_WEIGHTS, weekNumbers } from "./numbers";
export { asLocked } from "./placed";
export {
  type Block,
  blockedByOther,
  blockedByTiredLegs,
  blockedHere,
  enduranceFacts,
  jumpsTooSoon,
  tiredForJumps,
} from "./rules";
export type {
  Alternative,
  Cost,
  Demand,
  ExistingSession,
  FitResult,
  Option,
  Placed,
  Unplaced,
  WeekContext,
} from "./types";
