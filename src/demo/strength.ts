/** Half a year of strength logs: the planner prescribes week by week, an invented lifter lifts it. */
import type { Athlete, LoggedItem, LoggedSet, StrengthLog } from "../core/athlete";
import { addDays, type IsoDate, laterOf, mondayOf, timeOf } from "../core/dates";
import { makeableLoads, percentFor } from "../core/dose";
import { type PlanSession, plan } from "../core/plan";
import { type Item, prescribedOf } from "../core/session";
import type { Profile } from "./profiles";
import type { Random } from "./random";

/** e1RM of a lift the profile does not name, as a multiple of body mass. */
const OTHER = { bar: 1, machine: 1.6, pair: 0.24, single: 0.3, kettlebell: 0.45 } as const;
/** Repetitions in reserve up to which somebody tells them apart, where no more were asked for. */
const SAID = 4;
/** Gain a week of the invented lifter. */
const GAIN = 1.006;

export function strengthHalfYear(
  athlete: Athlete,
  p: Profile,
  today: IsoDate,
  weeks: number,
  random: Random,
): StrengthLog[] {
  const log: StrengthLog[] = [];
  let monday = addDays(mondayOf(today), -7 * weeks);
  const lastDay = addDays(today, -(p.missedDays ?? 0) - 1);
  for (let week = 0; week <= weeks; week++, monday = addDays(monday, 7)) {
    if (monday > lastDay) break;
    const from = laterOf(monday, athlete.season.start);
    const planned = plan({ ...athlete, strengthLog: log }, { from, weeks: 1 });
    for (const s of planned.weeks[0]?.sessions ?? []) {
      if (s.date > lastDay || s.date >= today || random.chance(0.04)) continue;
      log.push(lifted(s, athlete, p, week, random));
    }
  }
  return log;
}

function lifted(s: PlanSession, athlete: Athlete, p: Profile, week: number, random: Random): StrengthLog {
  return {
    date: s.date,
    start: timeOf(s.start + random.whole(0, 8)),
    minutes: Math.max(12, s.minutes + random.whole(-4, 6)),
    rpe: Math.max(2, Math.min(9, s.rpe + random.whole(-1, 1))),
    label: s.label,
    items: s.items.map((i) => itemLifted(i, athlete, p, week, random)),
  };
}

function itemLifted(i: Item, athlete: Athlete, p: Profile, week: number, random: Random): LoggedItem {
  const max = maxOf(i, athlete, p, week);
  const load = i.loadKg ?? foundLoad(i, athlete, max);
  const reserve = (loadKg: number | null, reps: number): number => {
    if (loadKg === null || max === null) return i.rir;
    let n = 1;
    while (n < 20 && ((percentFor(n + 1) ?? 0) / 100) * max >= loadKg) n++;
    return n - reps;
  };
  const sides = i.eachSide ? (["left", "right"] as const) : (["both"] as const);
  const sets: LoggedSet[] = [];
  for (let n = 0; n < i.sets; n++)
    for (const side of sides) {
      const wanted = i.reps ?? 0;
      const weak = side === "left" ? (p.leftDeficit ?? 0) : 0;
      const spare = reserve(load, wanted) - (n > 1 && random.chance(0.3) ? 1 : 0);
      const reps = Math.max(1, Math.round(Math.min(wanted, wanted + spare) * (1 - weak)));
      sets.push({
        ...(i.seconds === null ? { reps } : { seconds: i.seconds }),
        ...(load === null ? {} : { loadKg: load }),
        rir: Math.max(0, Math.min(Math.max(SAID, i.rir), spare)),
        side,
      });
    }
  const sore = random.chance(0.04);
  return {
    exercise: i.exercise.id,
    prescribed: prescribedOf(i),
    sets,
    pain: sore ? random.whole(1, 2) : 0,
  };
}

function maxOf(i: Item, athlete: Athlete, p: Profile, week: number): number | null {
  if (i.loading === "bodyweight" || i.loading === "band") return null;
  const share = p.strength[i.exercise.id] ?? OTHER[i.loading];
  return share * athlete.athlete.bodyMassKg * GAIN ** week;
}

/** The load that an athlete finds on the floor when none is prescribed. */
function foundLoad(i: Item, athlete: Athlete, max: number | null): number | null {
  if (max === null || i.reps === null) return null;
  const place = athlete.places.find((pl) => makeableLoads(i.exercise, i.loading, pl).length > 0);
  if (!place) return null;
  const target = ((percentFor(Math.min(20, i.reps + i.rir)) ?? 60) / 100) * max;
  const loads = makeableLoads(i.exercise, i.loading, place);
  return loads.filter((l) => l <= target).at(-1) ?? loads[0] ?? null;
}
