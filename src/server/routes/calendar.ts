/** The club calendar: all athletes' races and phases, and the coach's own absences. */
import { randomUUID } from "node:crypto";
import { flagOf } from "../../api/make/season";
import { absenceBody } from "../../api/requests";
import { may, sees } from "../../api/roles";
import type { CalendarView } from "../../api/views";
import type { Athlete } from "../../core/athlete";
import type { IsoDate } from "../../core/dates";
import { testDates } from "../../core/screening";
import { inOrder, planPhases } from "../../core/season";
import { notFound } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import { answering } from "../http/scope";
import type { ServerContext } from "../serverContext";
import { CoachAbsenceEntity } from "../store/entities";

/** Tests by the day on which they are due. */
function duesOf(athlete: Athlete, today: IsoDate): { due: string; names: string[] }[] {
  const days = new Map<string, string[]>();
  for (const { due, name } of testDates(athlete, today)) days.set(due, [...(days.get(due) ?? []), name]);
  return [...days].map(([due, names]) => ({ due, names }));
}

export function calendarRoutes({ store, today }: ServerContext): Route[] {
  const r = new RouteList("/calendar");

  r.read("", async ({ who }) => {
    const view: CalendarView = {
      today: today(),
      athletes: (await store.athletes.outlines())
        .filter(({ id }) => sees(who, id))
        .map(({ id, athlete }) => ({
          id,
          name: athlete.athlete.name,
          sport: athlete.athlete.sport,
          phases: planPhases(athlete).phases.map(({ phase, start, end }) => ({ phase, start, end })),
          races: inOrder(athlete.races).map(flagOf),
          // Illness and screens are health.
          away: may(who, "health.read", id) ? athlete.away : athlete.away.filter((a) => a.kind !== "illness"),
          tests: may(who, "health.read", id) ? duesOf(athlete, today()) : [],
        })),
      absences: await store.db.reader.find(CoachAbsenceEntity, { order: { start: "ASC" } }),
    };
    return json(view);
  });

  r.change("POST", "/absences", { body: { schema: absenceBody, what: "The absence" } }, async ({ body }) => {
    const row = { id: randomUUID(), ...body };
    const answer = answering(json({ id: row.id }, 201), null);
    await store.db.write((m) => m.insert(CoachAbsenceEntity, row));
    return answer;
  });

  r.change("DELETE", "/absences/:absence", {}, async ({ params }) => {
    const gone = await store.db.write((m) => m.delete(CoachAbsenceEntity, { id: params.absence }));
    if (!gone.affected) throw notFound("absence");
    return done();
  });

  return r.all;
}
