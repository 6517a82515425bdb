/** What the athletes' devices recorded, day by day: a simulated training log, the same for the same seed and first day. */
import type { EnduranceSession } from "../../core/athlete";
import { addDays, dayNumber, type IsoDate, timeOf } from "../../core/dates";
import { ASSUMED_START } from "../../core/endurance";
import { instantOf } from "../../formats/zone";
import { random } from "../random";

/** An activity as the log serves it; a later revision replaces an earlier one. */
export interface Activity {
  id: string;
  revision: number;
  /** Instant of the start, ISO 8601 in UTC. */
  startedAt: string;
  sport: string;
  title: string;
  seconds: number;
  metres: number | null;
  climbMetres: number | null;
  heartRate: number | null;
  effort: number | null;
}

/** An entry of the log: what was told on which day. */
export interface FeedEntry {
  day: IsoDate;
  activity: Activity;
}

export interface Account {
  account: string;
  zone: string;
  seed: number;
  /** What was planned; each becomes an activity, now and then none. */
  sessions: readonly EnduranceSession[];
}

/** How often devices do what devices do. */
export const HABITS = { skipped: 0.06, late: 0.15, edited: 0.1, extra: 0.04, told: 0.07 };

const SPORT_WORDS: Record<string, string> = {
  run: "Running",
  ride: "Cycling",
  swim: "Swimming",
  row: "Rowing",
  hike: "Hiking",
  triathlon: "Multisport",
  other: "Other",
};

/**
 * @param from first day that is simulated
 * @param to last day that anything is told on
 * @returns entries in the order they were told: late ones days after, edits after what they edit, some told twice
 */
export function logOf(a: Account, from: IsoDate, to: IsoDate): FeedEntry[] {
  const entries: (FeedEntry & { order: number })[] = [];
  let order = 0;
  const tell = (day: IsoDate, activity: Activity) => entries.push({ day, activity, order: order++ });
  a.sessions.forEach((s, i) => {
    if (s.date < from || s.date > to) return;
    // A stream for each session, so that another last day changes nothing of the days before.
    const r = random(a.seed * 65_537 + dayNumber(s.date) * 31 + i);
    if (r.chance(HABITS.skipped)) return;
    // What the club has as done already is told as it was; what it has as planned, as it turned out.
    const [factor, later] = s.done ? [1, 0] : [r.between(0.92, 1.08), r.whole(-9, 9)];
    const first = activityOf(a, s, i, factor, later, r.whole(-6, 6), r.chance(0.5));
    const told = addDays(s.date, r.chance(HABITS.late) ? r.whole(1, 3) : 0);
    const edited = r.chance(HABITS.edited) && s.done !== true;
    const after = r.whole(1, 5);
    const shorter = r.between(0.9, 0.99);
    const again = r.chance(HABITS.told);
    tell(told, first);
    if (again) tell(told, first);
    if (edited)
      tell(addDays(told, after), {
        ...first,
        revision: 2,
        seconds: Math.round(first.seconds * shorter),
        metres: first.metres === null ? null : Math.round(first.metres * shorter),
      });
    if (r.chance(HABITS.extra) && s.done !== true)
      tell(s.date, {
        ...first,
        id: `${first.id}x`,
        startedAt: new Date(Date.parse(first.startedAt) + 5 * 3_600_000).toISOString(),
        title: "Shake-out",
        seconds: 1200 + r.whole(0, 600),
        metres: first.metres === null ? null : 3000 + r.whole(0, 1500),
      });
  });
  return entries
    .filter((e) => e.day <= to)
    .sort((x, y) => (x.day < y.day ? -1 : x.day > y.day ? 1 : x.order - y.order))
    .map(({ day, activity }) => ({ day, activity }));
}

function activityOf(
  a: Account,
  s: EnduranceSession,
  i: number,
  factor: number,
  minutesLater: number,
  beats: number,
  rated: boolean,
): Activity {
  const start = instantOf(a.zone, s.date, s.start ?? timeOf(ASSUMED_START)) + minutesLater * 60_000;
  return {
    id: `${a.account}-${dayNumber(s.date)}-${i}`,
    revision: 1,
    startedAt: new Date(start).toISOString(),
    sport: SPORT_WORDS[s.sport] ?? "Other",
    title: s.kind === "easy" ? "Morning session" : `${s.kind[0]?.toUpperCase()}${s.kind.slice(1)}`,
    seconds: Math.round(s.minutes * 60 * factor),
    metres: s.distanceKm === undefined ? null : Math.round(s.distanceKm * 1000 * factor),
    climbMetres: s.ascentM === undefined ? null : Math.round(s.ascentM * factor),
    heartRate: 138 + beats,
    effort: rated ? (s.rpe ?? 4) : null,
  };
}
