/** What leaves the season view: what-if, import, paper, files and the calendar feed. */

import type { Action } from "../ui/Toolbar";
import { tell, tellAndKeep } from "../ui/tell";

function copyFeed(id: string): void {
  const address = `${location.origin}/api/athletes/${id}/strength.ics`;
  void navigator.clipboard.writeText(address).then(
    () => tell("Address of the calendar feed copied."),
    () => tellAndKeep(address),
  );
}

/** @param onAllComputed gives every phase back to the planner; null where none is fixed */
export const seasonActions = (id: string, onAllComputed: (() => void) | null): Action[] => [
  { label: "What if…", to: `/a/${id}/what-if`, rare: true },
  { label: "Import records", to: `/a/${id}/import`, rare: true },
  {
    label: "All phases back to computed",
    rare: true,
    disabled: onAllComputed === null,
    run: () => onAllComputed?.(),
  },
  { label: "Season sheet, to print", to: `/a/${id}/season-sheet`, rare: true, apart: true },
  { label: "Season as CSV", download: `/api/athletes/${id}/season.csv`, rare: true },
  { label: "Strength sessions as iCalendar", download: `/api/athletes/${id}/strength.ics`, rare: true },
  { label: "Copy the calendar feed's address", rare: true, run: () => copyFeed(id) },
];
