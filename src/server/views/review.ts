/** A block of weeks, planned against done. */
import { clubOptions } from "../../api/make/planned";
import type { ReviewView } from "../../api/views";
import { PHASES } from "../../core/athlete";
import { addDays, dayNumber, daysBetween, type IsoDate, laterOf, mondayOf } from "../../core/dates";
import { type PlanWeek, plan } from "../../core/plan";
import { weekHomework } from "../../core/planning";
import { phaseOn, raceDay } from "../../core/season";
import {
  type Ahead,
  liftChanges,
  plannedFacts,
  reviewWeeks,
  reviewWords,
  sharesOf,
  sumOf,
  type WeekPlan,
} from "../../core/story";
import type { Planned } from "../planner";
import type { Store } from "../store/store";

/**
 * Every week of the season up to this one as it was planned: weeks that are over are kept for good, this one as it stands.
 * @returns all of them, and those that are to be kept from now on
 */
export async function pastWeeks(
  store: Store,
  p: Planned,
  today: IsoDate,
): Promise<{ all: WeekPlan[]; fresh: WeekPlan[] }> {
  const known = await store.archive.weeks(p.stored.id);
  const monday = mondayOf(today);
  const fresh: WeekPlan[] = [];
  const all = p.plan.season.flatMap((week): WeekPlan[] => {
    if (week.start > monday) return [];
    const kept = known.get(week.start);
    if (kept) return [kept];
    const facts = weekAsPlanned(p, week);
    if (week.start < monday) fresh.push(facts);
    return [facts];
  });
  return { all, fresh };
}

/** A week that has begun as it was known on its Monday: what was lifted later did not stand in the log yet. */
export function weekAsPlanned(p: Planned, week: Planned["plan"]["season"][number]): WeekPlan {
  const { athlete } = p.stored;
  const from = laterOf(week.start, athlete.season.start);
  const planned = plan(
    { ...athlete, strengthLog: athlete.strengthLog.filter((l) => l.date < week.start) },
    { from, weeks: 1, library: p.library, ...clubOptions(p.stored) },
  ).weeks[0];
  return {
    monday: week.start,
    phase: week.phase,
    emphasis: week.emphasis,
    stepBack: week.stepBack,
    loadLimit: planned?.loadLimit ?? 0,
    sessions: (planned?.sessions ?? []).map(plannedFacts),
    homework: planned ? askedAtHome(planned) : [],
  };
}

/** What was asked for at home, by day. */
const askedAtHome = (week: PlanWeek): NonNullable<WeekPlan["homework"]> =>
  weekHomework(week).flatMap(({ date, items }) => (items.length > 0 ? [{ date, items: items.map((i) => i.id) }] : []));

function aheadOf(p: Planned, today: IsoDate): Ahead | null {
  const phase = phaseOn(p.plan.phases, today);
  if (!phase) return null;
  const race = p.stored.athlete.races
    .filter((r) => raceDay(r) >= dayNumber(today) && r.priority !== "C")
    .sort((a, b) => (a.date < b.date ? -1 : 1))[0];
  const back = p.plan.season.find((w) => w.start > today && w.stepBack);
  return {
    phase: phase.phase,
    until: phase.end,
    race: race ? { name: race.name, days: daysBetween(today, race.date) } : null,
    stepBack: back?.start ?? null,
  };
}

/** @param from and @param to any days of the first and the last week; weeks ahead are left out */
export async function reviewView(
  store: Store,
  p: Planned,
  today: IsoDate,
  from: IsoDate,
  to: IsoDate,
): Promise<{ view: ReviewView; fresh: WeekPlan[] }> {
  const { athlete } = p.stored;
  const [first, last] = [mondayOf(from), mondayOf(to)];
  const { all, fresh } = await pastWeeks(store, p, today);
  const plans = all.filter((w) => w.monday >= first && w.monday <= last);
  const weeks = reviewWeeks(athlete, p.library, plans, today);
  const end = addDays(last, 6) < today ? addDays(last, 6) : today;
  const done = sumOf(weeks, "done");
  const view: ReviewView = {
    id: p.stored.id,
    today,
    from: first,
    to: addDays(last, 6),
    weeks,
    phases: PHASES.flatMap((phase) => {
      const of = weeks.filter((w) => w.phase === phase);
      return of.length > 0 ? [{ phase, planned: sumOf(of, "planned"), done: sumOf(of, "done"), weeks: of.length }] : [];
    }),
    planned: sumOf(weeks, "planned"),
    done,
    shares: sharesOf(done, athlete.athlete.sport),
    lifts: liftChanges(athlete, p.library, first, end),
    words: reviewWords(athlete, p.library, weeks, aheadOf(p, today), today),
    saved: await store.archive.review(p.stored.id, first, addDays(last, 6)),
  };
  return { view, fresh };
}
