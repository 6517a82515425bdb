/** A week of the whole club: who trained, sets done of planned, pain, tests that are due, who lifts when. */
import type { Emphasis, Label, Phase, Sport } from "../core/athlete";
import type { IsoDate } from "../core/dates";
import { numbers } from "../core/rulebook";

export interface ClubDay {
  date: IsoDate;
  /** Strength sessions planned for the day, and logged on it. */
  planned: Label[];
  logged: Label[];
  /** Endurance, min. */
  plannedMinutes: number;
  minutes: number;
  /** A race stands on it. */
  race: string | null;
}

export interface ClubWeekRow {
  id: string;
  name: string;
  sport: Sport;
  phase: Phase | null;
  emphasis: Emphasis | null;
  days: ClubDay[];
  /** Up to today; of a week ahead all of it. */
  sessions: { planned: number; done: number };
  hardSets: { planned: number; done: number };
  minutes: { planned: number; done: number };
  /** Worst pain reported, 0 to 10; null where nobody reported any, or where it is not shown. */
  pain: number | null;
  /** Check-ins that were not ordinary. */
  poor: number;
  testsDue: number;
}

export interface ClubWeekView {
  today: IsoDate;
  monday: IsoDate;
  rows: ClubWeekRow[];
}

const list = (rows: readonly ClubWeekRow[]): string => rows.map((r) => r.name).join(", ");

/** From this pain on nothing goes up, and it is named. */
export const { noIncrease: PAIN } = numbers("progress.pain");

/** Strength sessions of a day: done ones stand as they are, open ones in brackets. */
export const dayText = ({ planned, logged }: ClubDay): string =>
  [...logged, ...planned.filter((l) => !logged.includes(l)).map((l) => `(${l})`)].join(" ");

/** The week in sentences. */
export function clubWeekWords({ rows, monday, today }: ClubWeekView): string[] {
  const sum = (of: (r: ClubWeekRow) => number) => rows.reduce((a, r) => a + of(r), 0);
  const ahead = monday > today;
  const trained = rows.filter((r) => r.sessions.done > 0 || r.minutes.done > 0);
  const [sessions, done] = [sum((r) => r.sessions.planned), sum((r) => r.sessions.done)];
  const [sets, setsDone] = [sum((r) => r.hardSets.planned), sum((r) => r.hardSets.done)];
  const short = rows.filter((r) => r.sessions.planned > r.sessions.done);
  const pain = rows.filter((r) => (r.pain ?? 0) >= PAIN);
  const due = rows.filter((r) => r.testsDue > 0);
  const races = rows.flatMap((r) => r.days.flatMap((d) => (d.race ? [`${r.name} (${d.race})`] : [])));
  if (ahead)
    return [
      `${sessions} strength sessions are planned, with ${sets} hard sets.`,
      ...(races.length > 0 ? [`Races: ${races.join(", ")}.`] : []),
    ];
  return [
    `${trained.length} of ${rows.length} trained; ${done} strength sessions done, ${sessions} planned so far; ${setsDone} hard sets done, ${sets} planned.`,
    ...(short.length > 0 ? [`Fewer sessions than planned: ${list(short)}.`] : []),
    ...(pain.length > 0 ? [`Pain of ${PAIN} of 10 or more was reported by ${list(pain)}.`] : []),
    ...(due.length > 0 ? [`Tests are due for ${list(due)}.`] : []),
    ...(races.length > 0 ? [`Races: ${races.join(", ")}.`] : []),
  ];
}
