/** An athlete as the store gives it back, with nothing of the coach's beside it. */
import type { Athlete } from "../../src/core/athlete";
import type { Stored } from "../../src/server/store/store";

export const storedOf = (athlete: Athlete, id = "a"): Stored => ({
  id,
  revision: 1,
  athlete,
  record: athlete,
  held: [],
  swaps: [],
  notes: {},
  heldWeeks: [],
  enduranceIds: [],
  weights: {},
  approaches: [],
  rulesOff: [],
  values: {},
});
