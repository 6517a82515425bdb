/** What a week owes each pattern, what is planned and lifted of it, each with its reasons. */
import { LEDGER_PATTERNS, type LedgerLine, type LedgerPattern } from "../../core/ledger";
import type { PlanWeek } from "../../core/plan";
import { why } from "../../core/rulebook";
import { roundTo } from "../../core/units";
import type { LedgerRowView } from "../views";

const NAMES: Readonly<Record<LedgerPattern, string>> = {
  squat: "Squat",
  hinge: "Hinge",
  "split-squat": "Split squat",
  hip: "Hip",
  calf: "Calf",
  trunk: "Trunk",
  push: "Push",
  pull: "Pull",
};

/** Exercises of a pattern with their sets: "A front squat 3, B leg press 2". */
const listOf = (
  sessions: readonly { label: string; items: PlanWeek["sessions"][number]["items"] }[],
  p: LedgerPattern,
) =>
  sessions
    .flatMap((s) =>
      s.items
        .filter((i) => i.exercise.pattern === p && !i.slot.primer)
        .map((i) => `${s.label} ${i.exercise.name.toLowerCase()} ${i.sets}`),
    )
    .join(", ");

function rowOf(l: LedgerLine, { sessions, ledger, why: reasons }: PlanWeek): LedgerRowView {
  const { pattern, share, factor, weekly, carry, owed } = l;
  const done = ledger.done[pattern];
  return {
    pattern,
    name: NAMES[pattern],
    owed: roundTo(owed, 1),
    planned: ledger.planned[pattern],
    done,
    why: [
      why("ledger.owed", "line", { share, factor, weekly, carry, owed }),
      ...reasons.filter((w) => w.rule === "ledger.fill"),
      ...(l.dry ? [why("ledger.owed", "dry", pattern)] : []),
      ...l.due.map((kind) => why("ledger.owed", "due", { kind, weeks: l.since[kind] ?? 0 })),
      why("ledger.fill", "planned", listOf(sessions, pattern)),
    ],
  };
}

/** @returns the patterns that the week owes anything, in their order; none in weeks that restore */
export const ledgerView = (week: PlanWeek | undefined): LedgerRowView[] =>
  LEDGER_PATTERNS.flatMap((p) => {
    const line = week?.ledger.lines.find((l) => l.pattern === p);
    return week && line && line.weekly > 0 ? [rowOf(line, week)] : [];
  });
