/** Homework: the daily list from ways back, findings, activation and the flow, never a strength session. What others may use of this room. */
export {
  ACTIVATION_ITEM,
  FLOW_ITEM,
  type HomeworkDay,
  type HomeworkFacts,
  type HomeworkItem,
  homeworkOn,
} from "./homework";
export { isTicked, sumTicked, type Ticked, tickedOf } from "./ticks";
export { homeworkLines } from "./words";
