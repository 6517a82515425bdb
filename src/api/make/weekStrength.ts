/** The strength work of a week added up from its sessions, lifted and planned alike. */
import type { WeekSession } from "../views";

export interface WeekStrength {
  sessions: number;
  heavy: number;
  /** Hard sets of all patterns. */
  sets: number;
  /** AU */
  stress: number;
}

export const weekStrength = (sessions: readonly WeekSession[]): WeekStrength => ({
  sessions: sessions.length,
  heavy: sessions.filter((a) => a.heavy).length,
  sets: sessions.reduce((a, s) => a + s.bands.reduce((b, x) => b + x.sets, 0), 0),
  stress: sessions.reduce((a, s) => a + s.stress, 0),
});
