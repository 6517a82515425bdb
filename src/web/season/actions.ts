/** What leaves the season view: what-if, import, paper, files and the calendar feed. */

import { ask } from "../data/api";
import type { Action } from "../ui/Toolbar";
import { tell, tellAndKeep, tellFault } from "../ui/tell";

/** A new secret address: a calendar program signs in nowhere. The one before is void. */
async function copyFeed(id: string): Promise<void> {
  try {
    const { secret } = await ask<{ secret: string }>(`/athletes/${id}/calendar-address`, {});
    const address = `${location.origin}/api/calendars/${secret}/strength.ics`;
    await navigator.clipboard.writeText(address).then(
      () => tell("A new secret address of the calendar feed is copied; the one before is void."),
      () => tellAndKeep(address),
    );
  } catch (error) {
    tellFault(error instanceof Error ? error.message : "No address was made.");
  }
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
  { label: "New address of the calendar feed", rare: true, run: () => void copyFeed(id) },
];
