/** What is told of a plan: the story of a lift, a block's review, what two plans differ in, sums by phase. What others may use of this room. */
export { type ChangedSession, changedSessions } from "./diff";
export { type LiftEntry, type LiftStory, liftStory, plannedDecision } from "./lift";
export {
  GROUP_WORDS,
  type LiftChange,
  liftChanges,
  plannedFacts,
  type ReviewWeek,
  reviewWeeks,
  type Share,
  type Sums,
  sharesOf,
  sumOf,
  type WeekPlan,
} from "./review";
export { type Ahead, reviewWords } from "./reviewWords";
export { type PhaseTally, type Tally, tallyByPhase } from "./tally";
