/** Weighs a week while it is changed by hand, away from the main thread, with the server's own planner and its own way to a view. */
import { expose } from "comlink";
import { type Growing, grownTo, growSeason } from "../../api/make/planned";
import { weekView } from "../../api/make/week";
import type { PlanningView, WeekView } from "../../api/views";
import type { Label } from "../../core/athlete";
import { timeOf } from "../../core/dates";
import { libraryWith } from "../../core/exercise";
import { type Board, weighPlaces, withEnduranceMoved, withFix } from "../../core/planning";
import type { Placed } from "../../core/week";

let base: { facts: PlanningView; growing: Growing } | null = null;

const weekOf = (monday: string) => {
  if (!base) throw new Error("Nothing to weigh.");
  const planned = grownTo(base.growing, monday);
  const week = planned.plan.weeks.find((w) => w.season.start === monday);
  if (!week) throw new Error("That week is past.");
  return { facts: base.facts, planned, week };
};

const api = {
  load(facts: PlanningView): void {
    const library = libraryWith(facts.own, facts.hidden);
    base = { facts, growing: growSeason(facts, library, facts.today) };
  },
  /** What a session would cost at every place of the week, the others staying where they are. */
  weigh(monday: string, placed: Placed[], label: Label): Board {
    return weighPlaces(weekOf(monday).week.input, placed, label);
  },
  /** The week as it would be fitted with an endurance session elsewhere. @returns null where the session is gone */
  moveEndurance(monday: string, row: string, to: { date: string; start: number }): WeekView | null {
    const { facts, planned, week } = weekOf(monday);
    const at = facts.enduranceIds.indexOf(row);
    const session = facts.athlete.endurance[at];
    if (!session) return null;
    const moved = withEnduranceMoved(week.input, session, to);
    const athlete = withFix(facts.athlete, { kind: "endurance", session, date: to.date, start: timeOf(to.start) });
    const plan = { ...planned.plan, weeks: planned.plan.weeks.map((w) => (w === week ? moved : w)) };
    const stored = { ...facts, athlete, held: [], heldWeeks: [] };
    return weekView({ ...planned, stored, plan }, facts.today, monday);
  },
};

export type WeekWorker = typeof api;
expose(api);
