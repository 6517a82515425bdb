/** What an athlete says on the day. */
import { eg, HOUSE, num, rule, TRADE } from "./rule";

export const READINESS = {
  "readiness.day": rule({
    title: "Readiness on the day",
    kind: "dose",
    ...TRADE,
    parameters: {
      sleep: num(5, "hours", HOUSE, "of sleep under which a third of the sets goes", { least: 3, most: 7 }),
      soreness: num(7, "of 10", HOUSE, "of soreness of the legs from which a third of the sets goes", {
        least: 5,
        most: 9,
      }),
      feeling: num(1, "of 5", HOUSE, "at which the session is light"),
      share: num(2 / 3, "of the sets", HOUSE, "that stay"),
      easierFrom: num(3, "of 10", TRADE, "of pain from which what it touches takes its easier step"),
      outOver: num(5, "of 10", TRADE, "of pain above which none of what it touches stands"),
      poorOf: num(3, "days", HOUSE, "on which one of these rules spoke, for the coach to be told"),
      days: num(7, "days", HOUSE, "among which they count"),
    },
    says: {
      short: (sleep: number) => `Under ${sleep} h of sleep: a third fewer sets today.`,
      sore: (soreness: number) => `Legs sore at ${soreness} of 10 or more: a third fewer sets today.`,
      both: (v: { sleep: number; soreness: number }) =>
        `Under ${v.sleep} h of sleep and legs sore at ${v.soreness} of 10 or more: a light session, 4 in reserve.`,
      low: () => "Feeling 1 of 5: a light session, 4 in reserve.",
      easier: (v: { area: string; level: number }) =>
        `Pain ${v.level} of 10 at the ${v.area}: the easier step of what it touches, without load.`,
      out: (v: { area: string; level: number }) =>
        `Pain ${v.level} of 10 at the ${v.area}: nothing that touches it today. If it stays beyond 24 h or comes back, see a physiotherapist.`,
      ill: () => "Fever, or symptoms below the neck: no session. Not until well, then back through restoring.",
      touched: (area: string) => `pain at the ${area} today: nothing that touches it`,
      attention: (v: { poor: number; days: number; last: string }) =>
        `${v.poor} poor days of the last ${v.days}. The last: ${v.last}`,
    },
    examples: [
      eg({ sleepH: 5 }, "as-planned"),
      eg({ sleepH: 4.9 }, "fewer"),
      eg({ soreness: 6 }, "as-planned"),
      eg({ soreness: 7 }, "fewer"),
      eg({ sleepH: 4.5, soreness: 7 }, "light"),
      eg({ feeling: 2 }, "as-planned"),
      eg({ feeling: 1 }, "light"),
      eg({ ill: true }, "none"),
      eg({}, "as-planned"),
    ],
  }),
};
