/** Single sessions far above the longest of the month before (Frandsen et al. 2025, Br J Sports Med 59:1203-1210). */

import type { EnduranceSession } from "../athlete";
import { dayNumber } from "../dates";
import { numbers } from "../rulebook";
import { TOLERANCE } from "../units";

export interface Spike {
  session: EnduranceSession;
  /** Percent over the longest of the 30 days before. */
  pct: number;
  /** Long enough to keep heavy legs away. */
  blocks: boolean;
}

const known = new WeakMap<readonly EnduranceSession[], readonly Spike[]>();

/**
 * Sessions longer than the longest of the same sport in the 30 days before: by distance where all of them have one, else by minutes. Races
 * neither count nor are judged: nobody trains as long as they race. Made once for as long as the list lives.
 */
export function spikesOf(sessions: readonly EnduranceSession[]): readonly Spike[] {
  const made = known.get(sessions);
  if (made) return made;
  const longer = numbers("session.longer");
  const blocksFrom = numbers("session.spike").pct;
  const bySport = new Map<string, EnduranceSession[]>();
  for (const s of sessions) {
    if (s.kind === "race" || s.sport === "swim") continue;
    const list = bySport.get(s.sport);
    if (list) list.push(s);
    else bySport.set(s.sport, [s]);
  }
  const spikes = [...bySport.values()].flatMap((list) => {
    list.sort((a, b) => dayNumber(a.date) - dayNumber(b.date));
    return list.flatMap((session, i): Spike[] => {
      const day = dayNumber(session.date);
      const before: EnduranceSession[] = [];
      for (let k = i - 1; k >= 0; k--) {
        const s = list[k];
        const ago = s ? day - dayNumber(s.date) : 0;
        if (!s || ago > longer.days) break;
        if (ago > 0) before.push(s);
      }
      if (before.length < longer.least) return [];
      const byDistance = [session, ...before].every((s) => s.distanceKm !== undefined);
      const length = (s: EnduranceSession) => (byDistance ? (s.distanceKm ?? 0) : s.minutes);
      const longest = Math.max(...before.map(length));
      const pct = longest > 0 ? (length(session) / longest - 1) * 100 : 0;
      return pct > longer.pct + TOLERANCE ? [{ session, pct, blocks: pct > blocksFrom + TOLERANCE }] : [];
    });
  });
  known.set(sessions, spikes);
  return spikes;
}
