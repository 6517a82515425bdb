/** Changes to a usual week: its shares go on making one. */
import type { UsualSession } from "../athlete";
import { weekdayName } from "../dates";
import { roundTo } from "../units";

/** Shares are kept to a thousandth. */
const DIGITS = 3;

/** Shares scaled to make one, the largest taking what rounding leaves. */
export function wholeShares(sessions: readonly UsualSession[]): UsualSession[] {
  const sum = sessions.reduce((a, s) => a + (s.share ?? 0), 0);
  if (sum <= 0) return [...sessions];
  const out = sessions.map((s) => (s.share === undefined ? s : { ...s, share: roundTo(s.share / sum, DIGITS) }));
  const left = 1 - out.reduce((a, s) => a + (s.share ?? 0), 0);
  const largest = out.reduce((m, s, i) => ((s.share ?? 0) > (out[m]?.share ?? 0) ? i : m), 0);
  return out.map((s, i) =>
    i === largest && s.share !== undefined ? { ...s, share: roundTo(s.share + left, DIGITS) } : s,
  );
}

/** One session takes another share of the week; the others give or take in proportion. */
export function withShare(sessions: readonly UsualSession[], id: string, share: number): UsualSession[] {
  const others = sessions.reduce((a, s) => a + (s.id === id ? 0 : (s.share ?? 0)), 0);
  const most = others > 0 ? 0.9 : 1;
  const own = others > 0 ? Math.max(0.01, Math.min(most, share)) : 1;
  return wholeShares(
    sessions.map((s) =>
      s.id === id ? { ...s, share: own } : s.share === undefined ? s : { ...s, share: (s.share / others) * (1 - own) },
    ),
  );
}

/** One session more or in another's place. The first to be a share takes all of it. */
export function withSession(sessions: readonly UsualSession[], session: UsualSession): UsualSession[] {
  const known = sessions.some((s) => s.id === session.id);
  const next = known ? sessions.map((s) => (s.id === session.id ? session : s)) : [...sessions, session];
  return wholeShares(next);
}

export const withoutSession = (sessions: readonly UsualSession[], id: string): UsualSession[] =>
  wholeShares(sessions.filter((s) => s.id !== id));

/** An id that no session of the week bears: of the day, with a number where there are several. */
export function freeId(sessions: readonly Pick<UsualSession, "id">[], day: number): string {
  const name = weekdayName(day).toLowerCase();
  const taken = new Set(sessions.map((s) => s.id));
  for (let n = 1; ; n++) {
    const id = n === 1 ? name : `${name}-${n}`;
    if (!taken.has(id)) return id;
  }
}
