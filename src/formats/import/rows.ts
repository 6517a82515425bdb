/** What a foreign file turns into before anything is stored: rows, each a session, a race, or a fault with its place. */
import type { Race } from "../../core/athlete";
import type { Incoming } from "../../core/endurance";
import { faultsOf } from "../fault";
import { enduranceSchema, raceSchema } from "../schema/endurance";

export type NewRace = Omit<Race, "id">;

export interface ImportRow {
  /** "line 12", "track 1", "event 3". */
  where: string;
  /** A few words by which the coach knows it again. */
  label: string;
  /** What was assumed or left out. */
  notes: string[];
  incoming?: Incoming;
  race?: NewRace;
  /** Why it cannot be taken, with the field and what was expected. */
  fault?: string;
}

const newRaceSchema = raceSchema.omit({ id: true });

/** The row with a fault in place of a session or a race that no record may hold. */
export function checkedRow(row: ImportRow): ImportRow {
  const { incoming, race, ...rest } = row;
  const what = incoming?.session ?? race;
  if (!what) return row;
  const parsed = incoming ? enduranceSchema.safeParse(what) : newRaceSchema.safeParse(what);
  if (parsed.success) return row;
  const first = faultsOf(parsed.error, what)[0];
  return { ...rest, fault: first ? `${first.path}: ${first.expected}` : "A record that can be kept expected." };
}
