/** Everything that could stand in a slot of a planned session, ranked, and why the rest may not. */
import { type Athlete, placeById } from "../athlete";
import {
  type Candidate,
  type ChoiceContext,
  type Closed,
  closedBecause,
  type Exercise,
  type Library,
} from "../exercise";
import { candidatesFor } from "../session";
import { choiceContexts } from "./contexts";
import type { PlanSession, PlanWeek } from "./planWeek";

export interface Choices {
  taken: Exercise;
  /** Best first, the taken one among them. */
  open: readonly Candidate[];
  closed: { exercise: Exercise; closed: Closed }[];
}

/** What the exercises of a planned week are chosen by, on each of its days. */
export function contextsOf(athlete: Athlete, library: Library, { input, season }: PlanWeek) {
  const log = athlete.strengthLog.filter((l) => l.date < input.from);
  return choiceContexts({
    athlete,
    library,
    basis: input.basis,
    week: season,
    log,
    from: input.from,
    unmoved: input.unmoved,
  });
}

/** @returns what the session's exercises were chosen by; null for a day or place that the week does not know */
export function contextOf(athlete: Athlete, library: Library, week: PlanWeek, s: PlanSession): ChoiceContext | null {
  const day = week.season.days.find((d) => d.date === s.date);
  const place = placeById(athlete, s.place);
  return day && place ? contextsOf(athlete, library, week)(day, place) : null;
}

/**
 * @param exercise id of an exercise of the session
 * @returns null where the session has no such exercise
 */
export function choicesFor(
  athlete: Athlete,
  library: Library,
  week: PlanWeek,
  s: PlanSession,
  exercise: string,
): Choices | null {
  const item = s.items.find((i) => i.exercise.id === exercise);
  const c = contextOf(athlete, library, week, s);
  if (!item || !c) return null;
  const others = s.items.filter((i) => i !== item).map((i) => i.exercise);
  const open = candidatesFor(item.slot, c, others, s.label);
  const closed = library.pattern(item.exercise.pattern).flatMap((e) => {
    const because = closedBecause(e, c);
    return because ? [{ exercise: e, closed: because }] : [];
  });
  return { taken: item.exercise, open, closed };
}
