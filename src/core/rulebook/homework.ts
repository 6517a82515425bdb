/** Homework: what is done at home between sessions. */
import { eg, HOUSE, num, rule, TRADE } from "./rule";

export const HOMEWORK = {
  "homework.day": rule({
    title: "Homework",
    kind: "dose",
    ...TRADE,
    parameters: {
      minutes: num(15, "minutes", TRADE, "of homework a day at most", { least: 5, most: 15, tighter: "lower" }),
      flowSeconds: num(600, "seconds", TRADE, "of the mobility flow"),
      flowFirst: num(2, "(weekday, Monday is 1)", HOUSE, "of the week's first flow"),
      flowEvery: num(2, "days", HOUSE, "from one flow to the next"),
      flows: num(3, "flows", TRADE, "a week: three or four times, and our own choice is three"),
      everyDays: num(2, "days", HOUSE, "between days with the slow bodyweight work of a way back"),
      rest: num(30, "seconds", HOUSE, "between sets"),
      setUp: num(20, "seconds", HOUSE, "of set-up at each exercise"),
      sets: num(3, "sets", TRADE, "of an exercise at most; holds of a way back keep theirs"),
    },
    says: {
      wayBack: (v: { area: string; stage: string }) => `the way back of the ${v.area}, ${v.stage}`,
      finding: (title: string) => `for: ${title.toLowerCase()}`,
      activation: (title: string) => `${title.toLowerCase()}, one round; see the sheet`,
      flow: () => "hips, hamstrings, ankles and back, on days without a finding's work",
      full: (v: { minutes: number }) => `no room: ${v.minutes} min a day at most`,
      asked: (v: { done: number; asked: number }) => `Homework: ${v.done} of ${v.asked} ticked.`,
    },
    examples: [
      eg({ seconds: [390, 480] }, [390, 480]),
      eg({ seconds: [390, 510] }, [390, 510]),
      eg({ seconds: [390, 511] }, [390]),
    ],
  }),
};
