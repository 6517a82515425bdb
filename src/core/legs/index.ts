/** Leg freshness: what sessions put on the legs, and how it fades. What others may use of this room. */
export { enduranceLegEvent, loggedLegEvent, strengthParts } from "./events";
export {
  fatigueAt,
  freshness,
  freshnessCurve,
  HALF_LIFE,
  type LegLoadEvent,
  type LegPart,
  leftOf,
  MEAN_DAYS,
  meanDailyLoad,
  TIRED,
  tiredFrom,
} from "./freshness";
