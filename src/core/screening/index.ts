/** Screening: tests, pass marks, what is found and what it changes. What others may use of this room. */
export { cleanCap, type FindingStage, findingStage, looksDue, testDates, testsDue } from "./end";
export { type AddedWork, type Finding, findingsOf, SEEN_BY_SPORT, SEEN_WORDS } from "./findings";
export { asymmetry, latestScreening, passes, passMark, weakerSide } from "./marks";
export { hingeStopsAtKnee, TO_THE_KNEE } from "./rounding";
export { TEST_SHEETS, type TestSheet, testName } from "./tests";
