/** Single sessions far above the longest of the month before (Frandsen et al. 2025, Br J Sports Med 59:1203-1210). */

import type { EnduranceSession } from "../athlete";
import { dayNumber } from "../dates";
import { onceFor } from "../once";
import { numbers } from "../rulebook";
import { TOLERANCE } from "../units";

export interface Spike {
  session: EnduranceSession;
  /** Percent over the longest of the 30 days before. */
  pct: number;
  /** Long enough to keep heavy legs away. */
  blocks: boolean;
}

/**
 * Sessions longer than the longest of the same sport in the 30 days before: by distance where all of them have one, else by minutes. Races
 * neither count nor are judged: nobody trains as long as they race.
 */
export const spikesOf = onceFor((sessions: readonly EnduranceSession[]): readonly Spike[] => {
  const longer = numbers("session.longer");
  const blocksFrom = numbers("session.spike").pct;
  const bySport = new Map<string, EnduranceSession[]>();
  for (const s of sessions) {
    if (s.kind === "race" || s.sport === "swim") continue;
    const list = bySport.get(s.sport);
    if (list) list.push(s);
    else bySport.set(s.sport, [s]);
  }
  return [...bySport.values()].flatMap((list) => {
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
});

/** By day number, the session far above the month's longest that keeps heavy legs away from that day: by days, the careful reading of 48 h. */
export const spikeNear = onceFor((sessions: readonly EnduranceSession[]): ReadonlyMap<number, Spike> => {
  const { days } = numbers("session.spike");
  const near = new Map<number, Spike>();
  for (const spike of spikesOf(sessions)) {
    if (!spike.blocks) continue;
    const day = dayNumber(spike.session.date);
    for (let n = day - days; n <= day + days; n++) if (!near.has(n)) near.set(n, spike);
  }
  return near;
});
