/** The gym on one day as it is shown: who lifts when, on which rack, now and with the hours fitted together. */
import { sees, type Who } from "../../api/roles";
import type { GymRow, GymView } from "../../api/views";
import { type IsoDate, mondayOf } from "../../core/dates";
import { EXTERNAL } from "../../core/exercise";
import { assignRacks, fitGym, type GymLimits, occupancy, togetherNow } from "../../core/gym";
import { gymAthlete, type PlanWeek } from "../../core/planning";
import type { Planner } from "../planner";
import type { Store } from "../store/store";

/** Where nothing was said about a gym [house]. */
const UNSAID: GymLimits = { racks: 2, athletes: 6 };

/** An athlete who lifts there on the day, with the hours open to them. */
interface Lifter extends NonNullable<ReturnType<typeof gymAthlete>> {
  id: string;
  name: string;
  massUnit: "kg" | "lb";
  week: PlanWeek;
}

export interface GymDay {
  date: IsoDate;
  place: string;
  gyms: GymView["gyms"];
  limits: GymLimits;
  rows: Lifter[];
}

/** Everybody's week that holds the day; weeks that are not planned are left out. */
async function weeksOn(store: Store, planner: Planner, date: IsoDate, who: Who) {
  const found: Pick<Lifter, "id" | "name" | "massUnit" | "week">[] = [];
  for (const { id } of await store.athletes.list()) {
    if (!sees(who, id)) continue;
    const stored = await store.athletes.get(id);
    const week = stored && planner.until(stored, date)?.plan.weeks.find((w) => w.season.start === mondayOf(date));
    if (!week) continue;
    const { name, massUnit = "kg" } = stored.athlete.athlete;
    found.push({ id, name, massUnit, week });
  }
  return found;
}

/** @param wanted the place; null takes the one with most athletes on that day @param who whose athletes are shown */
export async function gymOn(
  store: Store,
  planner: Planner,
  date: IsoDate,
  wanted: string | null,
  who: Who,
): Promise<GymDay> {
  const found = await weeksOn(store, planner, date, who);
  const counts = new Map<string, number>();
  for (const s of found.flatMap((f) => f.week.sessions))
    if (s.date === date) counts.set(s.place, (counts.get(s.place) ?? 0) + 1);
  // A home is nobody else's gym.
  const gyms = [...counts]
    .filter(([p]) => !p.startsWith("home"))
    .map(([place, athletes]) => ({ place, athletes }))
    .sort((a, b) => b.athletes - a.athletes);
  const place = wanted ?? gyms[0]?.place ?? "";
  const all = ((await store.club.setting("gyms")) ?? {}) as Record<string, GymLimits>;
  const rows = found.flatMap((f) => {
    const at = gymAthlete(f.id, f.week, date, place);
    return at ? [{ ...f, ...at }] : [];
  });
  return { date, place, gyms, limits: all[place] ?? UNSAID, rows };
}

const liftsOf = ({ session }: Lifter): GymRow["lifts"] =>
  session.items
    .filter((i) => EXTERNAL.includes(i.loading))
    .map(({ exercise, sets, reps, seconds, loadKg, loading }) => ({
      name: exercise.name,
      sets,
      reps,
      seconds,
      loadKg,
      loading,
    }));

type Hour = Lifter["athlete"]["hours"][number];

/** Where the fit puts somebody: that day, another day (an hour without a start), or nowhere. */
function nextOf(r: Lifter, hour: Hour | null, day: GymDay, rack: number | null): GymRow["next"] {
  if (hour === null) return null;
  if (hour.start !== null) return { date: day.date, start: hour.start, place: day.place, rack };
  return {
    date: r.other?.date ?? day.date,
    start: r.other?.start ?? 0,
    place: r.other?.place ?? day.place,
    rack: null,
  };
}

export function gymView(day: GymDay, today: IsoDate): GymView {
  const { date, place, gyms, limits, rows } = day;
  const fit = fitGym(
    rows.map((r) => r.athlete),
    limits,
  );
  const hours = rows.map((r, i) => r.athlete.hours[fit.chosen[i] ?? -1] ?? null);
  const now = rows.map((r) => ({ rack: r.athlete.rack, start: r.session.start, minutes: r.session.minutes }));
  const next = rows.flatMap((r, i) => {
    const hour = hours[i];
    return hour && hour.start !== null ? [{ i, rack: r.athlete.rack, start: hour.start, minutes: hour.minutes }] : [];
  });
  const [racksNow, racksNext] = [assignRacks(now, limits.racks), assignRacks(next, limits.racks)];
  return {
    today,
    date,
    place,
    gyms,
    limits,
    rows: rows.map((r, i): GymRow => {
      const hour = hours[i] ?? null;
      const before = r.athlete.hours.find((h) => h.start === r.session.start)?.cost ?? 0;
      const { label, emphasis, minutes, locked, start } = r.session;
      return {
        id: r.id,
        name: r.name,
        label,
        emphasis,
        minutes,
        locked,
        rack: r.athlete.rack,
        lifts: liftsOf(r),
        massUnit: r.massUnit,
        now: { start, rack: racksNow[i] ?? null },
        next: nextOf(r, hour, day, racksNext[next.findIndex((n) => n.i === i)] ?? null),
        change: hour === null ? null : hour.cost - before,
      };
    }),
    before: occupancy(now),
    after: occupancy(next),
    fit: {
      cost: fit.cost,
      weeks: fit.weeks,
      together: fit.together,
      togetherNow: togetherNow(now),
      proven: fit.proven,
      steps: fit.steps,
    },
  };
}
