/** What the coach learns of an athlete: intake, screening, and the choices that follow from both. */

import { choicesView } from "../../api/make/choices";
import { plannedOn } from "../../api/make/session";
import { intakeBody, nextSeasonBody, type ScreenBody, screenBody, swapBody } from "../../api/requests";
import { sees } from "../../api/roles";
import type { IntakeView, PlacesView } from "../../api/views";
import type { Athlete, Settings } from "../../core/athlete";
import { dayLabel, isDate } from "../../core/dates";
import { usualFromRecords } from "../../core/mileage";
import { nextSeason } from "../../core/season";
import { faulty, HttpProblem, notFound } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import { fitView, sheetsView } from "../views/library";
import { screeningView, screenPreview, withScreen } from "../views/screening";
import { athleteTools, dateParam, labelParam, pastTools } from "./tools";

/** The settings that decide the dose, as a text to compare. */
const dosedBy = (s: Settings = {}): string =>
  JSON.stringify([s.approach ?? "layered", s.approachByPhase ?? {}, s.rulesOff ?? [], s.weightLoss ?? null]);

/** What was entered, and whose places can be copied. */
function entryRoutes(r: RouteList, ctx: ServerContext): void {
  const { store, planner } = ctx;
  const { stored, change } = athleteTools(ctx);
  const { pastOf, keepPast } = pastTools(ctx);

  r.read("/:id/intake", async ({ params }) => {
    const { id, athlete: a } = await stored(params.id);
    const view: IntakeView = {
      id,
      today: planner.today(),
      facts: a.athlete,
      settings: a.settings ?? {},
      season: a.season,
      health: a.health,
      places: a.places,
      availability: a.availability,
      rungs: a.rungs ?? [],
      races: a.races,
      endurancePlan: a.endurancePlan ?? null,
      usualFound: usualFromRecords(a.endurance, a.athlete.sport, planner.today()),
      placesInUse: [
        ...new Set(
          [...a.availability, ...a.away, ...(a.locked ?? [])].flatMap((x) => (x.place === undefined ? [] : [x.place])),
        ),
      ],
    };
    return json(view);
  });

  r.planned(
    "PUT",
    "/:id/intake",
    { body: { schema: intakeBody, what: "The intake" } },
    async ({ params, body }) => {
      if (!body.settings) return [];
      // Weeks that are over stay as they were planned; an intake still under way has none yet.
      const { athlete: before } = await stored(params.id);
      return dosedBy(body.settings) !== dosedBy(before.settings) && before.availability.length > 0
        ? pastOf([{ id: params.id }])
        : [];
    },
    async ({ params, body }, past) => {
      await keepPast(past);
      await change(
        params.id,
        "The intake",
        (a): Athlete => ({
          ...a,
          ...(body.facts ? { athlete: body.facts } : {}),
          ...(body.settings ? { settings: body.settings } : {}),
          ...(body.season ? { season: body.season } : {}),
          ...(body.health ? { health: body.health } : {}),
          ...(body.places ? { places: body.places } : {}),
          ...(body.availability ? { availability: body.availability } : {}),
          ...(body.rungs ? { rungs: body.rungs } : {}),
        }),
      );
      return done();
    },
  );

  r.read("/:id/places", async ({ params, who }) => {
    const view: PlacesView = { places: [] };
    for (const { id, name } of await store.athletes.list()) {
      if (id === params.id || !sees(who, id)) continue;
      const other = await store.athletes.get(id);
      for (const place of other?.athlete.places ?? []) view.places.push({ athlete: id, name, place });
    }
    return json(view);
  });
}

/** What an athlete may do. */
function choiceRoutes(r: RouteList, ctx: ServerContext): void {
  const { store, planner } = ctx;
  const { season } = athleteTools(ctx);

  r.read("/:id/exercises", async ({ params, query }) => {
    const place = typeof query.place === "string" && query.place !== "" ? query.place : undefined;
    const view = fitView(await season(params.id, planner.today()), planner.today(), place);
    if (!view) throw notFound("place of this athlete");
    return json(view);
  });

  r.read("/:id/sheets", async ({ params }) => {
    const view = sheetsView(await season(params.id, planner.today()), planner.today());
    if (!view) throw notFound("place of this athlete");
    return json(view);
  });

  r.read("/:id/sessions/:date/:label/choices/:exercise", async ({ params }) => {
    const [date, label] = [dateParam(params.date), labelParam(params.label)];
    const p = await season(params.id, date);
    const planned = date < planner.today() ? null : plannedOn(p, date, label);
    if (!planned) throw notFound("planned session on that day");
    if (!p.library.byId(params.exercise)) throw notFound("exercise");
    return json(choicesView(p, planned.week, planned.session, params.exercise));
  });

  r.planned(
    "PUT",
    "/:id/swaps/:date/:label",
    { body: { schema: swapBody, what: "The swap" } },
    // An athlete takes nothing that is closed to them; a coach may know better, and the planner then leaves it out.
    async ({ params, body, who }) => {
      const [date, label] = [dateParam(params.date), labelParam(params.label)];
      if (who.role !== "athlete" || body.to === null || date < planner.today()) return;
      const p = await season(params.id, date);
      const planned = plannedOn(p, date, label);
      if (!planned)
        throw new HttpProblem(
          409,
          "Not there any more",
          "Nothing was swapped: this session does not stand on that day any more.",
        );
      const at = p.stored.swaps.find((x) => x.date === date && x.label === label && x.from === body.from)?.to;
      const { open } = choicesView(p, planned.week, planned.session, at ?? body.from);
      if (!open.some((c) => c.exercise === body.to))
        throw faulty([{ path: "to", expected: "an exercise that is open for this session expected" }], "The swap");
    },
    async ({ params, body, who }) => {
      const [date, label] = [dateParam(params.date), labelParam(params.label)];
      const { from, to } = body;
      for (const [path, id] of [
        ["from", from],
        ["to", to],
      ] as const)
        if (id !== null && !store.exercises.library.byId(id))
          throw faulty([{ path, expected: `the id of an exercise expected, found "${id}"` }], "The swap");
      if (!(await store.weeks.swap(params.id, date, label, from, to))) throw notFound("athlete");
      const { library } = store.exercises;
      if (who.role === "athlete" && to !== null)
        await store.phone.arrived(params.id, [
          {
            thing: `swap/${date}/${label}/${from}`,
            kind: "swap",
            about: { date, label, exercise: to },
            text: `${library.name(to)} instead of ${library.name(from).toLowerCase()}`,
            urgent: false,
          },
        ]);
      return done();
    },
  );
}

/** The movement screen. */
function screenRoutes(r: RouteList, ctx: ServerContext): void {
  const { store, planner } = ctx;
  const { stored, change } = athleteTools(ctx);

  r.read("/:id/screening", async ({ params }) => {
    const { id, athlete } = await stored(params.id);
    return json(screeningView(id, athlete, planner.today()));
  });

  const screenSpec = { body: { schema: screenBody, what: "The screen" } };
  const checkedScreen = (screen: ScreenBody): ScreenBody => {
    if (screen.date > planner.today())
      throw faulty(
        [{ path: "date", expected: `a day up to today (${planner.today()}) expected, found "${screen.date}"` }],
        "The screen",
      );
    return screen;
  };

  r.try("/:id/screening/preview", screenSpec, async ({ params, body }) => {
    const { athlete } = await stored(params.id);
    return json(screenPreview(athlete, checkedScreen(body), store.exercises.library));
  });

  r.change("PUT", "/:id/screening", screenSpec, async ({ params, body }) => {
    const screen = checkedScreen(body);
    await change(params.id, "The screen", (a) => withScreen(a, screen));
    return done();
  });

  r.change("DELETE", "/:id/screening/:date", {}, async ({ params }) => {
    const { date } = params;
    if (!isDate(date)) throw faulty([{ path: "date", expected: "a real date expected" }], "The request");
    await change(params.id, "The screen", (a) => {
      if (!a.screening.some((s) => s.date === date)) throw notFound("screen of that day");
      return { ...a, screening: a.screening.filter((s) => s.date !== date) };
    });
    return done();
  });
}

/** The season after this one. */
function nextSeasonRoute(r: RouteList, ctx: ServerContext): void {
  const { change } = athleteTools(ctx);
  r.change(
    "POST",
    "/:id/next-season",
    { body: { schema: nextSeasonBody, what: "The next season" } },
    async ({ params, body }) => {
      await change(
        params.id,
        "The next season",
        (a) => nextSeason(a, body),
        `Next season from ${dayLabel(body.start)}`,
      );
      return done();
    },
  );
}

export function intakeRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  entryRoutes(r, ctx);
  choiceRoutes(r, ctx);
  screenRoutes(r, ctx);
  nextSeasonRoute(r, ctx);
  return r.all;
}
