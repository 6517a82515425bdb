/** The endurance plan: a usual week and a number for each week become planned sessions. What others may use of this room. */
export { type AmountKind, ruleFrom, withAmounts } from "./amounts";
export { planFaults } from "./check";
export { enduranceWeeks, withEndurancePlan, withoutPlanned, withPastPlanned } from "./outline";
export { type UsualFound, usualFromRecords } from "./records";
export { speedsFrom } from "./speed";
export { STARTER_COUNTS, STARTER_SESSIONS, starterWeek } from "./starters";
export { amountText } from "./unit";
export { freeId, withoutSession, withSession, withShare } from "./usual";
export { type EnduranceWarning, enduranceWarnings } from "./warnings";
export { type PlannedWeek, plannedWeek } from "./week";
