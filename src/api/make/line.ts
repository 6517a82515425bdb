/** What a week's leading lifts are on the line of their block: planned, or as they were lifted. */
import type { Athlete, StrengthLog } from "../../core/athlete";
import { percentFor } from "../../core/dose";
import type { Library, Pattern } from "../../core/exercise";
import type { PlanSession, PlanWeek } from "../../core/plan";
import type { SeasonWeek } from "../../core/season";
import type { LineView } from "../views";
import { setsOf } from "./weekSessions";

/** An exercise in figures, planned or lifted. */
interface Work {
  pattern: Pattern;
  sets: number;
  reps: number | null;
  seconds: number | null;
  /** Repetitions to failure of its load; null without one. */
  toFailure: number | null;
  leads: boolean;
}

const MAIN: readonly Pattern[] = ["squat", "hinge"];
const setsByWork = (w: Work | undefined): string | null =>
  w ? `${w.sets}×${w.reps ?? (w.seconds === null ? "" : `${w.seconds} s`)}` : null;

const plannedWork = ({ items }: PlanSession): Work[] =>
  items.map((i) => ({
    pattern: i.exercise.pattern,
    sets: i.sets,
    reps: i.reps,
    seconds: i.seconds,
    toFailure: i.reps === null || i.aim === null ? null : i.reps + i.rirAsked,
    leads: i.slot.kind !== "assist",
  }));

/** What a log holds; it does not say what led. */
const liftedWork = ({ items }: StrengthLog, library: Library): Work[] =>
  items.flatMap((i): Work[] => {
    const pattern = library.byId(i.exercise)?.pattern;
    if (!pattern || i.sets.length === 0) return [];
    const { reps, rir, seconds, loadKg } = i.prescribed ?? {};
    return [
      {
        pattern,
        sets: setsOf(i),
        reps: reps ?? i.sets[0]?.reps ?? null,
        seconds: seconds ?? null,
        toFailure: reps === undefined || rir === undefined || loadKg === undefined ? null : reps + rir,
        leads: true,
      },
    ];
  });

/** Seconds of hops or contacts of jumps in the session that holds most. */
function jumpsOf(sessions: readonly (readonly Work[])[]): string | null {
  const most = (amount: (w: Work) => number): number =>
    Math.max(0, ...sessions.map((s) => s.reduce((a, w) => a + (w.pattern === "jump" ? w.sets * amount(w) : 0), 0)));
  const contacts = most((w) => w.reps ?? 0);
  const seconds = most((w) => w.seconds ?? 0);
  return contacts > 0 ? `${contacts} c` : seconds > 0 ? `${seconds} s` : null;
}

/** @param logs of the week, lifted before the plan's first day */
export function lineOf(
  week: SeasonWeek,
  planned: PlanWeek | undefined,
  logs: readonly StrengthLog[],
  { athlete, library }: { athlete: Athlete; library: Library },
): LineView {
  const lifted = logs.map((l) => liftedWork(l, library));
  const sessions = [...lifted, ...(planned?.sessions ?? []).map(plannedWork)];
  const leads = sessions.flat().filter((w) => w.leads);
  const mains = leads.filter((w) => MAIN.includes(w.pattern));
  const main = mains.find((w) => w.toFailure !== null) ?? mains[0];
  const percent = main?.toFailure == null ? null : percentFor(main.toFailure, athlete.settings?.oneRepMax);
  return {
    percent: percent === null ? null : Math.round(percent),
    main: setsByWork(main),
    single: setsByWork(leads.find((w) => w.pattern === "split-squat")),
    jumps: jumpsOf(sessions),
    held: week.block?.held.includes(week.start) ?? false,
    done: lifted.some((work) => work.length > 0),
  };
}
