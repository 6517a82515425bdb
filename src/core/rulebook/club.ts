/** Several athletes at once: the gym on one day, races on one weekend, reviews. */
import { eg, HOUSE, num, rule, TRADE } from "./rule";

export const CLUB = {
  "gym.fit": rule({
    title: "Hours of a gym shared out",
    kind: "figure",
    ...HOUSE,
    parameters: {
      together: num(
        2,
        "points",
        HOUSE,
        "for each quarter of an hour and pair of athletes whose heavy sets fall together",
      ),
      quarter: num(15, "minutes", HOUSE, "between two looks at the gym"),
      noHour: num(1000, "points", HOUSE, "of having no hour at all"),
      racks: num(2, "racks", HOUSE, "where nothing was said about a gym"),
      athletes: num(6, "athletes", HOUSE, "at once where nothing was said"),
    },
    says: {
      points: (v: { weeks: number; together: number; proven: boolean }) =>
        `The weeks lie ${v.weeks} points above their best; heavy sets that fall together add ${v.together}. ${v.proven ? "No better arrangement exists" : "The search was cut short; a better arrangement may exist"}.`,
    },
    examples: [eg({ heavyTogetherMinutes: 0 }, 0), eg({ heavyTogetherMinutes: 45 }, 6)],
  }),
  "club.racing": rule({
    title: "Many race on one weekend",
    kind: "caution",
    ...HOUSE,
    parameters: { athletes: num(3, "athletes", HOUSE, "from which the coach must choose where to be") },
    examples: [eg({ athletes: 2 }, false), eg({ athletes: 3 }, true)],
  }),
  "review.hard": rule({
    title: "What a review counts",
    kind: "figure",
    ...TRADE,
    parameters: {
      hardReserve: num(4, "repetitions", TRADE, "in reserve up to which a set is hard"),
      gap: num(8, "points of percent", HOUSE, "between a pattern's share and its sport's from which it is said"),
      half: num(0.5, "of its sport's share", HOUSE, "under which a pattern is said, however few points that are"),
    },
    examples: [eg({ rir: 4 }, true), eg({ rir: 5 }, false)],
  }),
};
