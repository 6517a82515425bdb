/** What one athlete brings to the gym on a day: the hours there are, what each costs, and when the rack is used. */

import type { IsoDate } from "../dates";
import type { GymAthlete, GymHour } from "../gym";
import { setSeconds } from "../session";
import { weighPlaces } from "./board";
import type { PlanSession, PlanWeek } from "./planWeek";

/** Minutes from a session's start until the bar is put away: opening and warm-up, then the sets up to the last with a bar. */
export function rackOf(s: PlanSession): GymAthlete["rack"] {
  const last = s.items.findLastIndex((i) => i.loading === "bar");
  if (last < 0) return null;
  const seconds = s.items.map((i) => i.sets * (setSeconds(i) + i.restSeconds));
  const all = seconds.reduce((a, b) => a + b, 0);
  const until = seconds.slice(0, last + 1).reduce((a, b) => a + b, 0);
  const from = Math.floor(s.time.opening / 60);
  const worked = s.minutes - from;
  return { from, to: Math.ceil(from + (worked * until) / Math.max(1, all)), heavy: s.heavy };
}

/** @returns the session's hours at the place on that day, and the best of any other day; null where nothing is planned there */
export function gymAthlete(
  id: string,
  week: PlanWeek,
  date: IsoDate,
  place: string,
): { session: PlanSession; athlete: GymAthlete; other: (GymHour & { date: IsoDate; place: string }) | null } | null {
  const session = week.sessions.find((s) => s.date === date && s.place === place);
  if (!session) return null;
  const board = weighPlaces(week.input, week.sessions, session.label);
  const open = board.places.filter((p) => !p.blocked);
  const least = Math.min(board.cost, ...open.map((p) => p.cost));
  const here = open.filter((p) => p.date === date && p.place === place);
  const away = open.filter((p) => p.date !== date || p.place !== place).sort((a, b) => a.cost - b.cost);
  const hours: GymHour[] = session.locked
    ? [{ start: session.start, minutes: session.minutes, cost: board.cost - least }]
    : here.map((p) => ({ start: p.start, minutes: p.minutes, cost: p.cost - least }));
  const elsewhere = session.locked ? undefined : away[0];
  const other = elsewhere
    ? {
        start: elsewhere.start,
        minutes: elsewhere.minutes,
        cost: elsewhere.cost - least,
        date: elsewhere.date,
        place: elsewhere.place,
      }
    : null;
  return {
    session,
    athlete: {
      id,
      rack: rackOf(session),
      now: session.start,
      hours: other ? [...hours, { start: null, minutes: other.minutes, cost: other.cost }] : hours,
    },
    other,
  };
}
