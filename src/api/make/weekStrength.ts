/** The strength work of a week added up from its anchors, lifted and planned alike. */
import type { AnchorView } from "../views";

export interface WeekStrength {
  sessions: number;
  heavy: number;
  /** Hard sets of all patterns. */
  sets: number;
  /** AU */
  stress: number;
}

export const weekStrength = (anchors: readonly AnchorView[]): WeekStrength => ({
  sessions: anchors.length,
  heavy: anchors.filter((a) => a.heavy).length,
  sets: anchors.reduce((a, s) => a + s.bands.reduce((b, x) => b + x.sets, 0), 0),
  stress: anchors.reduce((a, s) => a + s.stress, 0),
});
