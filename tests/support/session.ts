/** Sessions to be built, and what stands in them. */
import type { Athlete, Place } from "../../src/core/athlete/types";
import type { LedgerPattern, Unit } from "../../src/core/ledger";
import { alternated, groupsOf, labelGroups, timeOfGroups } from "../../src/core/session/time";
import type { Item, SessionRequest, TimeParts } from "../../src/core/session/types";
import { athleteWith, gym } from "./athlete";
import { choiceFor, exercise as ex } from "./choice";
import { layeredAt } from "./dose";

/** Two sets of a pattern that the week owes. */
export const unit = (pattern: LedgerPattern, more: Partial<Unit> = {}): Unit => ({
  pattern,
  sets: 2,
  kind: null,
  owed: 2,
  weekly: 3,
  rest: 2,
  dry: false,
  dueFor: null,
  ...more,
});

/** An item as it stands in a session. */
export const built = (id: string, sets: number, more: Partial<Item> = {}): Item => ({
  pair: "",
  exercise: ex(id),
  loading: ex(id).loading,
  main: false,
  added: null,
  slot: { pattern: ex(id).pattern, kind: "assist" },
  style: null,
  household: null,
  slow: null,
  firstSide: null,
  extraSide: null,
  sets,
  repsLow: 5,
  reps: 5,
  repsMost: null,
  seconds: null,
  eachSide: ex(id).unilateral,
  loadKg: null,
  perSideKg: [],
  barKg: null,
  percent1rm: null,
  rir: 2,
  rirAsked: 2,
  aim: null,
  line: null,
  restSeconds: 180,
  tempo: "2-0-1",
  ramp: [],
  decision: null,
  note: null,
  why: [],
  ...more,
});
/** A request for session A in a maximal week, whose loads are given. */
export const request = (
  more: Partial<SessionRequest> = {},
  athlete: Athlete = athleteWith(),
  place: Place = gym,
): SessionRequest => ({
  label: "A",
  emphasis: "maximal",
  loading: "full",
  heavyOk: true,
  dose: layeredAt("maximal"),
  place,
  minutes: 75,
  choice: choiceFor(athlete, { place }),
  build: "lifts",
  routine: null,
  setFactor: 1,
  primaryRange: null,
  stressCap: null,
  leads: [
    { pattern: "squat", sets: 3 },
    { pattern: "hinge", sets: 3 },
  ],
  weekLeads: 6,
  units: [unit("hip"), unit("calf"), unit("trunk")],
  placeFor: () => ({ point: 0, why: [] }),
  slowerFor: () => 0,
  tooLightFor: () => null,
  loadFor: (q) => ({
    loadKg: q.loading === "bar" ? 80 : 12,
    perSideKg: [20, 10],
    barKg: q.loading === "bar" ? 20 : null,
    percent1rm: q.loading === "bar" ? 83.3 : null,
    why: [{ rule: "load.percent", text: "test" }],
  }),
  ...more,
});

/** Items with the labels of their pairs, partners side by side. */
export const pairUp = <T extends Parameters<typeof alternated>[0][number] & { pair: string }>(
  items: readonly T[],
): T[] => labelGroups(alternated(items));

type Timing = Parameters<typeof timeOfGroups> extends [unknown, ...infer Rest] ? Rest : never;

/** Seconds of items that stand in their pairs. */
export const timeOfSession = (items: readonly Item[], ...timing: Timing): TimeParts =>
  timeOfGroups(groupsOf(items), ...timing);
