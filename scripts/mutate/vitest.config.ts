/** A room's own tests, the worked examples of the rulebook, and published values where the room works any out. */
import { defineConfig } from "vitest/config";

const room = process.env.FIELD_ANCHOR_ROOM;

/** Published values, where the room works any out: a session has none, and the week's fit one solver. */
const published =
  room === "session" ? [] : room === "week" ? ["tests/reference/fit.test.ts"] : ["tests/reference/**/*.test.ts"];

export default defineConfig({
  test: {
    include: [`src/core/${room}/**/*.test.ts`, "tests/rulebook/**/*.test.ts", ...published],
    // Other solvers of calendars, and a thousand random seasons, take long: a changed line is to be noticed without them. The fit is
    // compared with its solver on a few weeks.
    exclude: [
      "tests/reference/calendar.test.ts",
      "**/*.property.test.ts",
      ...(room === "week" ? [] : ["tests/reference/fit.test.ts"]),
    ],
    env: { FIELD_ANCHOR_WEEKS: "25" },
    testTimeout: 120_000,
    environment: "node",
    // One mutant after the other in one thread: the rooms are loaded once a run, not once a file.
    isolate: false,
  },
});
