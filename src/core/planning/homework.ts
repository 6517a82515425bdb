/** A planned week's homework, day by day. */
import { awayOn } from "../athlete";
import { dayNumber, type IsoDate } from "../dates";
import { type HomeworkDay, homeworkOn } from "../homework";
import { lastRaceDay, raceDay } from "../season";
import { contextsOf } from "./choices";
import type { PlanWeek } from "./planWeek";

/** @returns its days in order; none for an athlete without a place, since nothing is planned for them yet */
export function weekHomework(week: PlanWeek): HomeworkDay[] {
  const { athlete, library } = week.input;
  const place = athlete.places[0];
  if (!place) return [];
  const contextOn = contextsOf(athlete, library, week);
  const worked = (date: IsoDate): ReadonlySet<string> =>
    new Set([
      ...week.sessions.filter((s) => s.date === date).flatMap((s) => s.items.map((i) => i.exercise.id)),
      ...athlete.strengthLog.filter((l) => l.date === date).flatMap((l) => l.items.map((i) => i.exercise)),
    ]);
  /** A race stands on the day, or an A race on the next. */
  const races = (n: number): boolean =>
    athlete.races.some((r) => n >= raceDay(r) - (r.priority === "A" ? 1 : 0) && n <= lastRaceDay(r));
  const own = athlete.athlete.sport === "triathlon" ? "run" : athlete.athlete.sport;
  let yesterday: ReadonlySet<string> = new Set();
  return week.season.days.map((day) => {
    const { date, loading } = day;
    const today = worked(date);
    const made = homeworkOn(
      { ...contextOn(day, place), on: date },
      {
        loading,
        today,
        yesterday,
        before: athlete.endurance.some((e) => e.date === date && e.sport === own && !e.standsIn),
        off: races(dayNumber(date)) || awayOn(athlete, date)?.kind === "illness",
      },
    );
    yesterday = today;
    return made;
  });
}
