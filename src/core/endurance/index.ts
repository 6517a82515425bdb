/** Endurance: training load, weekly figures, hills, what is planned and done, what mileage takes from strength. What others may use of this room. */
export { assumedEndurance, type Known, knownOf, UsualWeek } from "./assumed";
export {
  backgrounds,
  byWeek,
  changeAgainstOrdinary,
  type MileageChange,
  medianOf,
  mostFrequent,
  type WeekFigures,
  weeklyFigures,
} from "./figures";
export { flatEquivalent } from "./hills";
export {
  type Fate,
  fatesOf,
  type Incoming,
  type KnownSession,
  merged,
  plannedAndDone,
  withoutMissed,
} from "./incoming";
export { ASSUMED_RPE, ASSUMED_START, isKey, isLegHeavy, legLoad, sessionLoad, startOf } from "./load";
export { type MileageRule, mileageRule, NO_MILEAGE_RULE } from "./mileage";
export { scaled } from "./scale";
export { spikeNear, spikesOf } from "./spikes";
export { weighs } from "./weigh";
