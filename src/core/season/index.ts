/** The season: races, phases, emphasis and stage of each day, what each week wants. What others may use of this room. */
export type { BlockWeek } from "./blocks";
export { type Boundary, backToComputed, boundaryIn, moveBoundary, withSpan } from "./boundaries";
export { type Clash, clashesOf } from "./clashes";
export type { DayLoading, SeasonDay } from "./day";
export { holdInVisits } from "./hold";
export { stagesOf, wayAfter } from "./limits";
export { type NextSeason, nextSeason, raceAgain } from "./next";
export { withPastKept } from "./past";
export { phaseOn, type SeasonPhase, type SeasonWarning } from "./phase";
export { planPhases } from "./phases";
export {
  descendsFar,
  inOrder,
  isBig,
  lastRaceDay,
  nearestBefore,
  type RaceClass,
  raceClass,
  raceDay,
  raceMinutes,
} from "./races";
export type { WantedSession } from "./wanted";
export { buildOf, inWeek, type SeasonWeek } from "./week";
export { seasonWeeks } from "./weeks";
