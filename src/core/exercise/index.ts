/** Exercises: the library, ladders, gates, equipment, what is open to an athlete, sides. What others may use of this room. */
export {
  type Anywhere,
  type ByLabel,
  type Candidate,
  type ChoiceContext,
  type Closed,
  closedBecause,
  loadingToday,
  nothingFound,
} from "./choose";
export { SHIPPED } from "./entries/all";
export { bottlePairs, loadingAt, rucksackLoads, usedBy } from "./equipment";
export { type Essential, essentialFive, fiveFor } from "./five";
export { type Library, SHIPPED_LIBRARY } from "./library";
export { libraryWith, type OwnExercise, ownExercise } from "./own";
export { feltLowBackTwice, LADDER_SETS, type Progression, progressionsOf } from "./progression";
export { besides, inThisBlock, rankFor } from "./rank";
export { sideAction, sideGaps, sideSums } from "./sides";
export { growsSlower, slowerAt, slowerStepOf } from "./slower";
export { styleFor } from "./style";
export { tempoOf, tempoText } from "./tempo";
export {
  EXTERNAL,
  type Exercise,
  LOADINGS,
  type LoadKind,
  MUSCLES,
  PATTERNS,
  type Pattern,
  PRIMARY_PATTERNS,
} from "./types";
export { coverageGaps, validateLibrary } from "./validate";
