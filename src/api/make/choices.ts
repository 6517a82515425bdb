/** What could stand in a slot of a session. */
import type { Candidate } from "../../core/exercise";
import type { PlanSession, PlanWeek } from "../../core/plan";
import { choicesFor } from "../../core/planning";
import type { ChoicesView, ChoiceView } from "../views";
import type { Planned } from "./planned";

const choiceView = (c: Candidate, taken: string): ChoiceView => ({
  exercise: c.exercise.id,
  name: c.exercise.name,
  loading: c.loading,
  taken: c.exercise.id === taken,
  because: [...c.parts].sort((a, b) => Math.abs(b.points) - Math.abs(a.points)).map((x) => x.why().text),
});

/** Nothing to choose where the exercise has just given way to another. */
export function choicesView(p: Planned, week: PlanWeek, s: PlanSession, exercise: string): ChoicesView {
  const found = choicesFor(p.stored.athlete, p.library, week, s, exercise);
  if (!found) return { swappedFrom: null, open: [], closed: [] };
  const swap = p.stored.swaps.find((x) => x.date === s.date && x.label === s.label && x.to === exercise);
  return {
    swappedFrom: swap?.from ?? null,
    open: found.open.map((c) => choiceView(c, exercise)),
    closed: found.closed.map((c) => ({
      exercise: c.exercise.id,
      name: c.exercise.name,
      kind: c.closed.kind,
      text: c.closed.text,
    })),
  };
}
