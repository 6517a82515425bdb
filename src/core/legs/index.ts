/** Leg freshness: what sessions put on the legs, and how it fades. What others may use of this room. */
export { enduranceBout, loggedBout, strengthParts } from "./bouts";
export {
  fatigueAt,
  freshness,
  freshnessCurve,
  HALF_LIFE,
  type LegBout,
  type LegPart,
  leftOf,
  MEAN_DAYS,
  meanDailyLoad,
  TIRED,
  tiredFrom,
} from "./freshness";
