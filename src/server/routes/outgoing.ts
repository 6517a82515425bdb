/** What goes out: strength sessions as a calendar, the season as CSV. */

import { seasonView } from "../../api/make/season";
import { sessionOfLog } from "../../api/make/weekSessions";
import { weekStrength } from "../../api/make/weekStrength";
import { LABEL_WORDS } from "../../core/athlete";
import { addDays, mondayOf, timeOf } from "../../core/dates";
import { carriedKg, emphasisText, isInTwo } from "../../core/session";
import { massIn } from "../../core/units";
import { writeSeasonCsv } from "../../formats/season-csv";
import { type CalendarSession, writeStrengthCalendar } from "../../formats/strength-calendar";
import { notFound } from "../errors";
import { type Answer, done, file, json, type Route, RouteList } from "../http/route";
import type { Planned } from "../planner";
import type { ServerContext } from "../serverContext";
import { athleteTools, fileName } from "./tools";

/** Weeks of sessions in the feed, back and ahead: a calendar program asks again and again. */
const FEED_WEEKS = { back: 4, ahead: 26 };

function sessionsOf(p: Planned, today: string): CalendarSession[] {
  const { athlete } = p.stored;
  const unit = athlete.athlete.massUnit ?? "kg";
  const mass = (kg: number) => `${massIn(kg, unit)} ${unit}`;
  const oldest = addDays(today, -7 * FEED_WEEKS.back);
  const newest = addDays(today, 7 * FEED_WEEKS.ahead);
  const logged = athlete.strengthLog
    .filter((l) => l.date >= oldest && l.date < p.from)
    .map((l): CalendarSession => {
      const a = sessionOfLog(l, p.library);
      return {
        date: l.date,
        start: timeOf(a.start),
        minutes: a.minutes,
        label: l.label,
        title: `Strength: ${LABEL_WORDS[l.label]}, done`,
        place: "",
        lines: l.items.map((i) => p.library.byId(i.exercise)?.name ?? i.exercise),
      };
    });
  const planned = p.plan.weeks
    .flatMap((w) => w.sessions)
    .filter((s) => s.date <= newest)
    .map(
      (s): CalendarSession => ({
        date: s.date,
        start: timeOf(s.start),
        minutes: s.minutes,
        label: s.label,
        title: `Strength: ${LABEL_WORDS[s.label]}, ${emphasisText(s)}`,
        place: s.place,
        lines: s.items.map(
          (i) =>
            `${i.pair} ${i.exercise.name}: ${i.sets} x ${i.seconds !== null ? `${i.seconds} s` : i.reps}${i.eachSide ? " each side" : ""}${i.loadKg === null ? "" : `, ${isInTwo(i) ? "2 x " : ""}${mass(carriedKg(i))}`}`,
        ),
      }),
    );
  return [...logged, ...planned];
}

/** The sessions as a calendar program takes them, asked for by whoever is signed in, or by a secret address that stands for one athlete. */
function calendarRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("");
  const { planner, store } = ctx;
  const tools = athleteTools(ctx);

  const calendar = async (id: string): Promise<Answer> => {
    const p = await tools.season(id);
    const today = planner.today();
    const text = writeStrengthCalendar(
      {
        athleteId: p.stored.id,
        name: p.stored.athlete.athlete.name,
        zone: p.stored.athlete.athlete.timeZone ?? "UTC",
        sessions: sessionsOf(p, today),
        // The day, not the moment: the same facts give the same bytes all day.
        stamp: `${today}T00:00:00Z`,
        revision: p.stored.revision,
      },
      mondayOf,
    );
    return file(text, "text/calendar; charset=utf-8", fileName(p.stored.athlete, "-strength.ics"), true);
  };

  r.read("/athletes/:id/strength.ics", ({ params }) => calendar(params.id));

  /** A calendar program signs in nowhere: its address is the secret. */
  r.read("/calendars/:row/strength.ics", async ({ params }) => {
    const athlete = await store.accounts.athleteOfCalendar(params.row);
    if (athlete === null) throw notFound("calendar");
    return calendar(athlete);
  });

  /** A new address; the one before is void. */
  r.change("POST", "/athletes/:id/calendar-address", {}, async ({ params }) => {
    if ((await store.athletes.revision(params.id)) === null) throw notFound("athlete");
    return json({ secret: await store.accounts.newCalendar(params.id) }, 201);
  });

  r.change("DELETE", "/athletes/:id/calendar-address", {}, async ({ params }) => {
    await store.accounts.closeCalendar(params.id);
    return done();
  });
  return r.all;
}

export function outgoingRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  const { planner } = ctx;
  const tools = athleteTools(ctx);

  r.read("/:id/season.csv", async ({ params }) => {
    const p = await tools.season(params.id);
    const view = seasonView(p, planner.today());
    const text = writeSeasonCsv(
      view.weeks.map((w) => {
        const { sessions, heavy, sets, stress } = weekStrength(w.sessions);
        return {
          ...w,
          plannedMinutes: w.planned.minutes,
          plannedKm: w.planned.distanceKm,
          sessions,
          heavySessions: heavy,
          hardSets: sets,
          stress,
          races: view.races
            .filter((r) => r.date >= w.start && r.date <= addDays(w.start, 6))
            .map((r) => `${r.priority} ${r.name}`)
            .join("; "),
        };
      }),
    );
    return file(text, "text/csv; charset=utf-8", fileName(p.stored.athlete, "-season.csv"));
  });

  return [...r.all, ...calendarRoutes(ctx)];
}
