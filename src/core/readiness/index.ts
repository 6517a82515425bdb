/** Readiness on the day: what the answers before a session change, once the athlete or the coach has taken it. What others may use of this room. */

export { isPoor, poorDays, type Readiness, readinessOf, saidBetween, takenOn } from "./readiness";
export { saidText } from "./words";
