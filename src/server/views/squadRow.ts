/** One athlete in the survey table. */
import { columnOf, flagOf, phasePlace } from "../../api/make/season";
import type { SquadRow } from "../../api/views";
import { addDays, type IsoDate, mondayOf } from "../../core/dates";
import { testsDue } from "../../core/screening";
import { inOrder } from "../../core/season";
import type { Planner } from "../planner";
import type { Stored } from "../store/athletes";
import { attentionOf } from "./attention";

/** Weeks before and from this one in the short section. */
export const SHORT = { before: 4, ahead: 8 };

/** @returns null without the athlete */
export function squadRow(stored: Stored | null, planner: Planner): SquadRow | null {
  if (!stored) return null;
  const today: IsoDate = planner.today();
  const p = planner.near(stored, SHORT.ahead);
  const monday = mondayOf(today);
  const { athlete } = stored;
  const byStart = new Map(p.plan.weeks.map((w) => [w.season.start, w]));
  const [first, last] = [addDays(monday, -7 * SHORT.before), addDays(monday, 7 * (SHORT.ahead - 1))];
  const season = p.plan.season.filter((w) => w.start >= first && w.start <= last);
  const now = p.plan.season.find((w) => w.start === monday);
  const next = inOrder(athlete.races).find((r) => r.date >= today);
  const logged = athlete.strengthLog.find((l) => l.date === today);
  const planned = byStart.get(monday)?.sessions.find((s) => s.date === today);
  const place = now ? phasePlace(p.plan.phases, now) : { phaseWeek: 0, phaseWeeks: 0 };
  return {
    id: stored.id,
    name: athlete.athlete.name,
    sport: athlete.athlete.sport,
    massUnit: athlete.athlete.massUnit ?? "kg",
    distanceUnit: athlete.athlete.distanceUnit ?? "km",
    phase: now?.phase ?? null,
    emphasis: now?.emphasis ?? null,
    ...place,
    nextRace: next ? flagOf(next) : null,
    weeks: season.map((w) => columnOf(p, w, byStart.get(w.start), athlete)),
    monday,
    today: logged
      ? { label: logged.label, start: 0, minutes: logged.minutes ?? 0, place: "", done: true }
      : planned
        ? { label: planned.label, start: planned.start, minutes: planned.minutes, place: planned.place, done: false }
        : null,
    attention: attentionOf(p, byStart.get(monday), today),
    testsDue: testsDue(athlete, today).map(({ name, date }) => ({ name, date })),
  };
}
