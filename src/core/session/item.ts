/** Copies of an item with some of it changed. */
import type { Item } from "./types";

/** What changes of an item once it is made. */
export type ItemChange = Partial<Pick<Item, "pair" | "sets" | "extraSide" | "why">>;

/**
 * The same item, changed. A season copies thousands: with their fields named one by one, in the order in which `itemFor` first makes them, all are
 * laid out alike, and are read several times faster than spread copies, each of which has a layout of the place that spreads it.
 */
export const withChanges = (i: Item, to: ItemChange): Item => ({
  pair: to.pair ?? i.pair,
  exercise: i.exercise,
  loading: i.loading,
  main: i.main,
  added: i.added,
  slot: i.slot,
  style: i.style,
  firstSide: i.firstSide,
  extraSide: to.extraSide === undefined ? i.extraSide : to.extraSide,
  sets: to.sets ?? i.sets,
  repsLow: i.repsLow,
  reps: i.reps,
  repsMost: i.repsMost,
  seconds: i.seconds,
  eachSide: i.eachSide,
  loadKg: i.loadKg,
  perSideKg: i.perSideKg,
  barKg: i.barKg,
  household: i.household,
  percent1rm: i.percent1rm,
  rir: i.rir,
  rirAsked: i.rirAsked,
  aim: i.aim,
  line: i.line,
  restSeconds: i.restSeconds,
  tempo: i.tempo,
  slow: i.slow,
  ramp: i.ramp,
  decision: i.decision,
  note: i.note,
  why: to.why ?? i.why,
});
