/** What a week's leading lifts are on the line of their block: planned, or as they were lifted. */
import type { Athlete, StrengthLog } from "../../core/athlete";
import { percentFor } from "../../core/dose";
import type { Library, Pattern } from "../../core/exercise";
import type { PlanWeek } from "../../core/plan";
import type { SeasonWeek } from "../../core/season";
import type { LineView } from "../views";
import { setsOf } from "./weekSessions";

/** A lead in figures, wherever it comes from. */
interface Lead {
  pattern: Pattern;
  sets: number;
  reps: number | null;
  seconds: number | null;
  /** Repetitions to failure of its load; null without one. */
  toFailure: number | null;
}

const MAIN: readonly Pattern[] = ["squat", "hinge"];
const setsByWork = (l: Lead | undefined): string | null =>
  l ? `${l.sets}×${l.reps ?? (l.seconds === null ? "" : `${l.seconds} s`)}` : null;

function plannedLeads(w: PlanWeek): Lead[] {
  return w.sessions.flatMap((s) =>
    s.items
      .filter((i) => i.slot.kind !== "assist")
      .map(
        (i): Lead => ({
          pattern: i.exercise.pattern,
          sets: i.sets,
          reps: i.reps,
          seconds: i.seconds,
          toFailure: i.reps === null || i.aim === null ? null : i.reps + i.rirAsked,
        }),
      ),
  );
}

function liftedLeads(logs: readonly StrengthLog[], library: Library): Lead[] {
  return logs.flatMap((l) =>
    l.items.flatMap((i): Lead[] => {
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
        },
      ];
    }),
  );
}

/** Seconds of hops or contacts of jumps in the session that holds most. */
function jumpsOf(sessions: readonly { items: readonly Lead[] }[]): string | null {
  const sums = sessions.map(({ items }) => {
    const jumps = items.filter((i) => i.pattern === "jump");
    return {
      seconds: jumps.reduce((a, i) => a + i.sets * (i.seconds ?? 0), 0),
      contacts: jumps.reduce((a, i) => a + i.sets * (i.reps ?? 0), 0),
    };
  });
  const contacts = Math.max(0, ...sums.map((s) => s.contacts));
  const seconds = Math.max(0, ...sums.map((s) => s.seconds));
  return contacts > 0 ? `${contacts} c` : seconds > 0 ? `${seconds} s` : null;
}

/** @param logs of the week, lifted before the plan's first day */
export function lineOf(
  week: SeasonWeek,
  planned: PlanWeek | undefined,
  logs: readonly StrengthLog[],
  { athlete, library }: { athlete: Athlete; library: Library },
): LineView {
  const lifted = liftedLeads(logs, library);
  const leads = [...lifted, ...(planned ? plannedLeads(planned) : [])];
  const main =
    leads.find((l) => MAIN.includes(l.pattern) && l.toFailure !== null) ?? leads.find((l) => MAIN.includes(l.pattern));
  const single = leads.find((l) => l.pattern === "split-squat");
  const percent = main?.toFailure == null ? null : percentFor(main.toFailure, athlete.settings?.oneRepMax);
  const sessions = [
    ...logs.map((l) => ({ items: liftedLeads([l], library) })),
    ...(planned?.sessions ?? []).map((s) => ({
      items: s.items.map(
        (i): Lead => ({ pattern: i.exercise.pattern, sets: i.sets, reps: i.reps, seconds: i.seconds, toFailure: null }),
      ),
    })),
  ];
  return {
    percent: percent === null ? null : Math.round(percent),
    main: setsByWork(main),
    single: setsByWork(single),
    jumps: jumpsOf(sessions),
    held: week.block?.held.includes(week.start) ?? false,
    done: lifted.length > 0,
  };
}
