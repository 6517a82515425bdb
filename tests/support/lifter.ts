/** A lifter who follows the plan for a season with noise: true strength that grows with work, and habits that differ by kind. */
import type { Athlete, LoggedItem, LoggedSet, StrengthLog } from "../../src/core/athlete/types";
import { addDays, type IsoDate, timeOf } from "../../src/core/dates";
import { makeableLoads } from "../../src/core/dose/loads";
import { repsAt } from "../../src/core/dose/oneRepMax";
import { nextRamp } from "../../src/core/dose/ramp";
import { type Plan, type PlanSession, plan } from "../../src/core/plan";
import { prescribedOf } from "../../src/core/session/prescribed";
import type { Item } from "../../src/core/session/types";
import { type Random, random } from "../../src/demo/random";

export interface Habits {
  seed: number;
  /** Chance that a session is missed. */
  misses: number;
  /** Weeks of the season, from 0, in which nothing is lifted. */
  off: readonly number[];
  /** Repetitions added to or kept back from what would be done. */
  extra: (r: Random) => number;
  /** Reserve told, against the true one. */
  told: (rir: number) => number;
  /** Pain after an exercise, by how often it was done before. */
  pain: (exercise: string, times: number) => number;
}

export const KEEN: Habits = {
  seed: 11,
  misses: 0.02,
  off: [],
  extra: (r) => (r.chance(0.25) ? 1 : 0),
  told: (rir) => rir,
  pain: () => 0,
};

/** True 1RM against body mass at the start, and what one session adds to it, up to a ceiling. */
const SHARE: Record<string, number> = { squat: 1.15, hinge: 1.45, "split-squat": 0.3, hip: 0.35 };
const GAIN = { perSession: 0.004, most: 1.3 };

export interface LiftedSession {
  session: PlanSession;
  log: StrengthLog;
  week: number;
  plan: Plan;
}

export interface Season {
  athlete: Athlete;
  sessions: LiftedSession[];
}

/**
 * Follows the plan week by week: each session is planned with what is known that morning, lifted, logged.
 * @param weeks how many
 */
export function liveSeason(start: Athlete, weeks: number, habits: Habits): Season {
  const r = random(habits.seed);
  let athlete: Athlete = { ...start, strengthLog: [] };
  const sessions: LiftedSession[] = [];
  const done = new Map<string, number>();
  for (let week = 0; week < weeks; week++) {
    const monday = addDays(start.season.start, week * 7);
    for (let day = 0; day < 7; day++) {
      const today = addDays(monday, day);
      if (habits.off.includes(week)) continue;
      const planned = plan(athlete, { from: today, weeks: 1 });
      const session = planned.weeks[0]?.sessions.find((s) => s.date === today);
      if (!session || r.chance(habits.misses)) continue;
      const log = lift(session, athlete, habits, r, done);
      athlete = { ...athlete, strengthLog: [...athlete.strengthLog, log] };
      sessions.push({ session, log, week, plan: planned });
    }
  }
  return { athlete, sessions };
}

function lift(s: PlanSession, athlete: Athlete, h: Habits, r: Random, done: Map<string, number>): StrengthLog {
  const strength = Math.min(GAIN.most, 1 + GAIN.perSession * athlete.strengthLog.length);
  return {
    date: s.date,
    start: timeOf(s.start),
    minutes: s.minutes + r.whole(-3, 5),
    rpe: s.rpe,
    label: s.label,
    items: s.items.map((i) => {
      const times = done.get(i.exercise.id) ?? 0;
      done.set(i.exercise.id, times + 1);
      const share = i.exercise.id.includes("leg-press") ? 2.2 : (SHARE[i.exercise.pattern] ?? 0.2);
      return itemOf(i, athlete, share * athlete.athlete.bodyMassKg * strength, h, r, times, s);
    }),
  };
}

function itemOf(i: Item, a: Athlete, trueMax: number, h: Habits, r: Random, times: number, s: PlanSession): LoggedItem {
  const place = a.places.find((p) => p.id === s.place);
  const loads = place ? makeableLoads(i.exercise, i.loading, place) : [];
  const can = (loadKg: number): number => repsAt((loadKg / (trueMax * (1 + r.between(-0.02, 0.02)))) * 100) ?? 0;
  let load = i.loadKg;
  for (const step of i.ramp) {
    if (load === null) load = step.loadKg;
    const rir = Math.max(0, Math.min(6, Math.floor(can(load)) - 5));
    const next = nextRamp({ loadKg: load, reps: 5, rir }, { reps: i.reps ?? 5, rir: i.rir }, loads);
    load = next.loadKg;
    if (next.found) break;
  }
  const sides = i.eachSide ? (["left", "right"] as const) : (["both"] as const);
  const sets: LoggedSet[] = [];
  for (let n = 0; n < i.sets; n++)
    for (const side of sides) {
      if (i.seconds !== null) {
        sets.push({ seconds: i.seconds, side });
        continue;
      }
      const top = i.reps ?? 8;
      if (load === null) {
        sets.push({ reps: top, rir: Math.max(0, h.told(i.rir + (r.chance(0.2) ? -1 : 0))), side });
        continue;
      }
      const most = Math.floor(can(load));
      // What is asked for, as long as it leaves one less than the reserve at least, and never more than can be done at all.
      const wanted = Math.min(top + h.extra(r), Math.max(1, most - Math.max(0, i.rir - 1)));
      const reps = Math.max(1, Math.min(wanted, Math.max(1, most)));
      sets.push({ reps, loadKg: load, rir: Math.max(0, Math.min(5, h.told(most - reps))), side });
    }
  return {
    exercise: i.exercise.id,
    prescribed: prescribedOf(i),
    sets,
    pain: h.pain(i.exercise.id, times),
  };
}

/** Loads of one exercise over the season, as prescribed and lifted. */
export const seriesOf = (
  season: Season,
  exercise: string,
): { date: IsoDate; week: number; item: Item; logged: LoggedItem; session: PlanSession }[] =>
  season.sessions.flatMap(({ session, log, week }) =>
    session.items.flatMap((item, n) =>
      item.exercise.id === exercise
        ? [{ date: session.date, week, item, logged: log.items[n] as LoggedItem, session }]
        : [],
    ),
  );
