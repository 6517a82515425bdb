/** Loads: e1RM, percent, plates, ramps, warm-up sets, the dose of a day. What others may use of this room. */
export { approachFaults, type CellFault } from "./check";
export { bestOf, type CurrentMax, currentMax, decayShare } from "./current";
export {
  type ColumnDose,
  type Dose,
  type DoseKind,
  perWeek,
  type SessionDose,
  sessionDose,
} from "./dose";
export { onOneLeg, wholeReps } from "./line";
export { type Household, householdOf, makeableLoads, makeLoad } from "./loads";
export { estimate, NSCA_PERCENT, percentFor } from "./oneRepMax";
export { nextRamp, type RampSet, rampSets } from "./ramp";
export { stepUp } from "./steps";
export { WARM_UP_SECONDS, type WarmUpSet, warmUpSets } from "./warmup";
