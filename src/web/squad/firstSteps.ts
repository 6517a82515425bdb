/** What a new club works off, from the first athlete to the first placed week. Pure. */
import type { AthleteView } from "../../api/views";

export interface FirstStep {
  name: string;
  says: string;
  done: boolean;
  to: string;
}

/** @param first the only athlete so far; null where there is none */
export function firstSteps(first: AthleteView | null): FirstStep[] {
  const intake = (step: string) => (first ? `/a/${first.id}/intake/${step}` : "/new");
  return [
    { name: "An athlete", says: "Name, sport, training so far, clearance.", done: first !== null, to: "/new" },
    {
      name: "Places",
      says: "Where strength is trained, and what there is to lift.",
      done: (first?.places.length ?? 0) > 0,
      to: intake("places"),
    },
    {
      name: "Free time",
      says: "When strength is possible, marked on a week.",
      done: (first?.windows.length ?? 0) > 0,
      to: intake("week"),
    },
    {
      name: "Endurance",
      says: "The usual week and how much of it, or a file of last month's training.",
      done: (first?.endurance.length ?? 0) > 0,
      to: intake("endurance"),
    },
    {
      name: "Races",
      says: "What the season leads to; phases follow from it.",
      done: (first?.races.length ?? 0) > 0,
      to: intake("races"),
    },
    {
      name: "The first placed week",
      says: "Sessions where they disturb the endurance training least.",
      done: (first?.sessions.length ?? 0) > 0,
      to: first ? `/a/${first.id}/week` : "/new",
    },
  ];
}
