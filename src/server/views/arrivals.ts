/** What a coach is told of what an athlete does on a phone. */
import type { About } from "../../api/phoneViews";
import { AREA_WORDS, type CheckIn, type Label, type StrengthLog } from "../../core/athlete";
import type { IsoDate } from "../../core/dates";
import type { Library } from "../../core/exercise";
import { readinessOf } from "../../core/readiness";
import { numbers, type RuleValues } from "../../core/rulebook";
import type { Arrival } from "../store/phone";

const counted = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** A log as far as it goes, and each pain in it that keeps anything from going up. */
export function logArrivals(log: StrengthLog, library: Library, own?: RuleValues): Arrival[] {
  const about: About = { date: log.date, label: log.label };
  const sets = log.items.reduce((n, i) => n + i.sets.length, 0);
  if (sets === 0 && log.rpe === undefined) return [];
  const effort = log.rpe === undefined ? "still going" : `RPE ${log.rpe}, ${log.minutes ?? "?"} min`;
  const { stop, noIncrease } = numbers("progress.pain", own);
  return [
    {
      thing: `log/${log.date}/${log.label}`,
      kind: "log",
      about,
      text: `${counted(sets, "set", "sets")} of ${counted(log.items.length, "exercise", "exercises")}, ${effort}`,
      urgent: false,
    },
    ...log.items
      .filter((i) => (i.pain ?? 0) >= noIncrease)
      .map(
        (i): Arrival => ({
          thing: `pain/${log.date}/${log.label}/${i.exercise}`,
          kind: "pain",
          about: { ...about, exercise: i.exercise },
          text: `Pain ${i.pain} of 10 in the ${library.name(i.exercise).toLowerCase()}`,
          urgent: (i.pain ?? 0) > stop,
        }),
      ),
  ];
}

/** Answers before a session of which a rule spoke. */
export function checkInArrivals(said: CheckIn, label: Label, own?: RuleValues): Arrival[] {
  const verdict = readinessOf(said, own);
  if (verdict.why.length === 0) return [];
  return [
    {
      thing: `check-in/${said.date}`,
      kind: "check-in",
      about: { date: said.date, label },
      text: verdict.why.map((w) => w.text).join(" "),
      urgent: verdict.session === "none" || verdict.out.length > 0,
    },
  ];
}

/** How it was the morning after. */
export function nextDayArrivals(
  date: IsoDate,
  exercise: string,
  pain: number,
  library: Library,
  own?: RuleValues,
): Arrival[] {
  const { stop, noIncrease } = numbers("progress.pain", own);
  if (pain < noIncrease) return [];
  return [
    {
      thing: `next-day/${date}/${exercise}`,
      kind: "pain",
      about: null,
      text: `Pain ${pain} of 10 the morning after the ${library.name(exercise).toLowerCase()}`,
      urgent: pain > stop,
    },
  ];
}

export const troubleText = (area: keyof typeof AREA_WORDS, side: string, level: number, text: string): string =>
  `${AREA_WORDS[area]}${side === "both" ? "" : `, ${side}`}: ${level} of 10${text ? `. ${text}` : ""}`;
