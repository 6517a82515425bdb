/** What sessions put on the legs, and how it fades: it ranks placements and promises nothing. */
import { eg, HOUSE, num, rule, table } from "./rule";

export const LEGS = {
  "legs.freshness": rule({
    title: "Leg freshness",
    kind: "figure",
    ...HOUSE,
    parameters: {
      halfLife: table(
        { endurance: 20, heavy: 24, fatiguing: 36, jumps: 30 },
        "hours",
        HOUSE,
        "after which half of it is gone",
      ),
      tired: num(55, "of 100", HOUSE, "under which the legs count as tired", { least: 40, most: 75 }),
      steepness: num(0.5, "", HOUSE, "of the sum against the mean"),
      leastDaily: num(20, "AU a day", HOUSE, "that the sum is set against at the least"),
      meanDays: num(28, "days", HOUSE, "of the mean"),
      forgotten: num(15, "half-lives", HOUSE, "after which a session is no longer felt"),
      loaded: num(1, "of the load", HOUSE, "of loaded lower-body work that falls on the legs"),
      bodyweight: num(0.4, "of the load", HOUSE, "of lower-body work without load"),
      trunk: num(0.1, "of the load", HOUSE, "of trunk work"),
      highReps: num(10, "repetitions", HOUSE, "from which loaded work is as fatiguing as slow or new work"),
    },
    says: {
      formula: (v: { mean: number }) =>
        `100 × e^(−0.5 × fatigue / mean daily leg load), the mean ${v.mean} AU over 28 days (20 at the least).`,
      halfLives: (v: { endurance: number; heavy: number; fatiguing: number; jumps: number }) =>
        `Half-lives: endurance ${v.endurance} h, heavy lifting ${v.heavy} h, many repetitions, slow lowering or new work ${v.fatiguing} h, jumps ${v.jumps} h.`,
      shares: () => "Loaded leg work counts in full, bodyweight 0.4, trunk 0.1; endurance by sport.",
      promise: () => "It ranks placements and promises nothing about how the legs will feel.",
    },
    examples: [
      eg({ load: 100, hours: 0, kind: "endurance" }, 100),
      eg({ load: 100, hours: 20, kind: "endurance" }, 50),
      eg({ load: 100, hours: 24, kind: "heavy" }, 50),
      eg({ load: 100, hours: 36, kind: "fatiguing" }, 50),
    ],
  }),
};
