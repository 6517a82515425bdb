/** A usual week read from what was done lately (rule amount.usual). */
import type { EndurancePlan, EnduranceSession, Sport, UsualSession } from "../athlete";
import { addDays, type IsoDate, minutesOf, mondayOf, timeOf, weekday } from "../dates";
import { byWeek, medianOf, mostFrequent } from "../endurance";
import { numbers } from "../rulebook";
import { freeId } from "./usual";
import { sizeOf } from "./week";

const { weeks: WEEKS, least: LEAST } = numbers("amount.usual");

export interface UsualFound {
  unit: EndurancePlan["unit"];
  sessions: UsualSession[];
  /** Mean weekly amount of the weeks that were read. */
  amount: number;
  /** Mondays of those weeks. */
  weeks: IsoDate[];
}

/** Shares in hundredths whose sum is one: the largest remainders go up. */
function sharesOf(sizes: readonly number[]): number[] {
  const total = sizes.reduce((a, b) => a + b, 0);
  const exact = sizes.map((s) => (s / total) * 100);
  const out = exact.map(Math.floor);
  const order = exact.map((e, i) => ({ i, rest: e - Math.floor(e) })).sort((a, b) => b.rest - a.rest || a.i - b.i);
  let open = 100 - out.reduce((a, b) => a + b, 0);
  for (const { i } of order) {
    if (open <= 0) break;
    out[i] = (out[i] ?? 0) + 1;
    open--;
  }
  return out.map((n) => n / 100);
}

/**
 * The week that an athlete has lately trained by: sessions that stood on one weekday in half of the last whole weeks.
 * @param today weeks before this day's week are whole
 * @returns null where fewer than two weeks are recorded, or nothing comes again
 */
export function usualFromRecords(
  endurance: readonly EnduranceSession[],
  sport: Sport,
  today: IsoDate,
): UsualFound | null {
  const done = endurance.filter((e) => e.done === true && e.kind !== "race" && e.slot === undefined);
  const weeks = byWeek(done);
  const last = addDays(mondayOf(today), -7);
  const mondays = [...weeks.keys()]
    .filter((m) => m <= last)
    .sort()
    .slice(-WEEKS);
  if (mondays.length < LEAST) return null;
  const rows = mondays.flatMap((m) => weeks.get(m) ?? []);
  const unit =
    sport !== "triathlon" && rows.every((r) => r.sport !== sport || r.distanceKm !== undefined) ? "km" : "minutes";
  const places = new Map<string, EnduranceSession[]>();
  for (const monday of mondays) {
    const nth = new Map<string, number>();
    for (const r of [...(weeks.get(monday) ?? [])].sort((a, b) => ((a.start ?? "") < (b.start ?? "") ? -1 : 1))) {
      const day = `${weekday(r.date)}/${r.sport}`;
      const n = nth.get(day) ?? 0;
      nth.set(day, n + 1);
      places.set(`${day}/${n}`, [...(places.get(`${day}/${n}`) ?? []), r]);
    }
  }
  const least = Math.max(LEAST, Math.ceil(mondays.length / 2));
  const usual = [...places.values()]
    .filter((list) => list.length >= least)
    .sort(
      (a, b) =>
        weekday(a[0]?.date ?? "") - weekday(b[0]?.date ?? "") || ((a[0]?.start ?? "") < (b[0]?.start ?? "") ? -1 : 1),
    );
  const shared = usual.filter((list) => unit === "minutes" || list[0]?.sport === sport);
  if (shared.length === 0) return null;
  const mean = (list: readonly EnduranceSession[], size: (s: EnduranceSession) => number) =>
    list.reduce((a, s) => a + size(s), 0) / list.length;
  const shares = sharesOf(shared.map((list) => mean(list, (s) => sizeOf(s, unit))));
  const sessions: UsualSession[] = [];
  for (const list of usual) {
    const first = list[0] as EnduranceSession;
    const day = weekday(first.date);
    const starts = list.flatMap((s) => (s.start === undefined ? [] : [minutesOf(s.start)]));
    const at = shared.indexOf(list);
    sessions.push({
      id: freeId(sessions, day),
      day,
      ...(starts.length > 0 ? { start: timeOf(Math.round(medianOf(starts) / 5) * 5) } : {}),
      sport: first.sport,
      kind: mostFrequent(list.map((s) => s.kind)) ?? "easy",
      ...(at >= 0
        ? { share: shares[at] ?? 0 }
        : { minutes: Math.max(5, Math.round(mean(list, (s) => s.minutes) / 5) * 5) }),
    });
  }
  const amount = mondays.reduce(
    (a, m) =>
      a + (weeks.get(m) ?? []).reduce((b, r) => b + (unit === "minutes" || r.sport === sport ? sizeOf(r, unit) : 0), 0),
    0,
  );
  return { unit, sessions, amount: amount / mondays.length, weeks: mondays };
}
