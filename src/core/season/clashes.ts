/** Where a club's calendars get in each other's way: the coach away while athletes race, one weekend with many races, a race while away. */
import type { Away, Priority } from "../athlete";
import { addDays, type IsoDate, weekday } from "../dates";
import { numbers } from "../rulebook";

/** What of a race matters here. */
export interface RaceDays {
  date: IsoDate;
  days?: number;
  name: string;
  priority: Priority;
}

export interface Racing {
  id: string;
  name: string;
  races: readonly RaceDays[];
  away: readonly Away[];
}

export interface Absence {
  start: IsoDate;
  end: IsoDate;
  what: string;
}

export interface Clash {
  kind: "coach-away" | "many-races" | "athlete-away";
  /** First and last day it is about. */
  start: IsoDate;
  end: IsoDate;
  athletes: string[];
  text: string;
}

/** Athletes who race on one weekend from which the coach must choose where to be (rule club.racing). */
export const MANY_RACING = numbers("club.racing").athletes;

const lastDay = (r: RaceDays): IsoDate => addDays(r.date, (r.days ?? 1) - 1);
const meets = (a: { start: IsoDate; end: IsoDate }, r: RaceDays): boolean => r.date <= a.end && lastDay(r) >= a.start;

/** The Saturday of the weekend that a race touches; null for a race on other days alone. */
function weekendOf(r: RaceDays): IsoDate | null {
  for (let date = r.date; date <= lastDay(r); date = addDays(date, 1)) {
    if (weekday(date) === 6) return date;
    if (weekday(date) === 7) return addDays(date, -1);
  }
  return null;
}

/** "Ada (A), Ben (C)" */
const named = (list: readonly { athlete: Racing; race: RaceDays }[]): string =>
  list.map(({ athlete, race }) => `${athlete.name} (${race.priority})`).join(", ");

/**
 * @param from clashes that end before it are left out
 * @returns in order of time
 */
export function clashesOf(athletes: readonly Racing[], absences: readonly Absence[], from: IsoDate): Clash[] {
  const all = athletes.flatMap((athlete) => athlete.races.map((race) => ({ athlete, race })));
  const out: Clash[] = [];
  for (const a of absences) {
    const hit = all.filter(({ race }) => meets(a, race));
    const who = [...new Set(hit.map((h) => h.athlete.id))];
    if (who.length > 0)
      out.push({
        kind: "coach-away",
        start: a.start,
        end: a.end,
        athletes: who,
        text: `${a.what}: ${who.length} athlete${who.length === 1 ? " races" : "s race"} meanwhile, ${named(hit)}.`,
      });
  }
  const weekends = new Map<IsoDate, { athlete: Racing; race: RaceDays }[]>();
  for (const entry of all) {
    const saturday = weekendOf(entry.race);
    if (saturday) weekends.set(saturday, [...(weekends.get(saturday) ?? []), entry]);
  }
  for (const [saturday, hit] of weekends) {
    const who = [...new Set(hit.map((h) => h.athlete.id))];
    if (who.length >= MANY_RACING)
      out.push({
        kind: "many-races",
        start: saturday,
        end: addDays(saturday, 1),
        athletes: who,
        text: `${who.length} athletes race on one weekend: ${named(hit)}.`,
      });
  }
  for (const { athlete, race } of all)
    for (const a of athlete.away)
      if (a.kind !== "heat" && a.kind !== "height" && meets(a, race))
        out.push({
          kind: "athlete-away",
          start: race.date,
          end: lastDay(race),
          athletes: [athlete.id],
          text: `${athlete.name} is away (${a.kind}) on the day of ${race.name}.`,
        });
  return out
    .filter((c) => c.end >= from)
    .sort((a, b) => (a.start < b.start ? -1 : a.start > b.start ? 1 : a.kind < b.kind ? -1 : 1));
}
