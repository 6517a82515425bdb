/** What the coach learns of an athlete: intake, screening, and the choices that follow from both. */
import { Router } from "express";
import { intakeBody, screenBody, swapBody } from "../../api/requests";
import type { IntakeView, PlacesView } from "../../api/views";
import type { Athlete, Settings } from "../../core/athlete/types";
import { isDate } from "../../core/dates";
import { faulty, notFound, parse } from "../errors";
import type { Planner } from "../planner";
import type { Store } from "../store/store";
import { choicesView, fitView, sheetsView } from "../views/library";
import { pastWeeks } from "../views/review";
import { screeningView, screenPreview, withScreen } from "../views/screening";
import type { AthleteTools } from "./tools";

/** The settings that decide the dose, as a text to compare. */
const dosedBy = (s: Settings = {}): string =>
  JSON.stringify([s.approach ?? "layered", s.approachByPhase ?? {}, s.rulesOff ?? [], s.weightLoss ?? null]);

export function intakeRoutes(store: Store, planner: Planner, tools: AthleteTools): Router {
  const router = Router();
  const { stored, season, change, dateParam, labelParam } = tools;

  router.get("/:id/intake", async (req, res) => {
    const { id, athlete: a } = await stored(req.params.id);
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
      placesInUse: [
        ...new Set(
          [...a.availability, ...a.away, ...(a.locked ?? [])].flatMap((x) => (x.place === undefined ? [] : [x.place])),
        ),
      ],
    };
    res.json(view);
  });

  router.put("/:id/intake", async (req, res) => {
    const body = parse(intakeBody, req.body, "The intake");
    if (body.settings) {
      // Weeks that are over stay as they were planned; an intake still under way has none yet.
      const { athlete: before } = await stored(req.params.id);
      if (dosedBy(body.settings) !== dosedBy(before.settings) && before.availability.length > 0)
        await pastWeeks(store, await season(req.params.id), planner.today());
    }
    await change(
      req.params.id,
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
    res.status(204).end();
  });

  router.get("/:id/places", async (req, res) => {
    const view: PlacesView = { places: [] };
    for (const { id, name } of await store.list()) {
      if (id === req.params.id) continue;
      const other = await store.get(id);
      for (const place of other?.athlete.places ?? []) view.places.push({ athlete: id, name, place });
    }
    res.json(view);
  });

  router.get("/:id/exercises", async (req, res) => {
    const place = typeof req.query.place === "string" && req.query.place !== "" ? req.query.place : undefined;
    const view = fitView(await season(req.params.id), planner.today(), place);
    if (!view) throw notFound("place of this athlete");
    res.json(view);
  });

  router.get("/:id/sheets", async (req, res) => {
    const view = sheetsView(await season(req.params.id), planner.today());
    if (!view) throw notFound("place of this athlete");
    res.json(view);
  });

  router.get("/:id/screening", async (req, res) => {
    const { id, athlete } = await stored(req.params.id);
    res.json(screeningView(id, athlete, planner.today()));
  });

  const screenOf = (body: unknown) => {
    const screen = parse(screenBody, body, "The screen");
    if (screen.date > planner.today())
      throw faulty(
        [{ path: "date", expected: `a day up to today (${planner.today()}) expected, found "${screen.date}"` }],
        "The screen",
      );
    return screen;
  };

  router.post("/:id/screening/preview", async (req, res) => {
    const { athlete } = await stored(req.params.id);
    res.json(screenPreview(athlete, screenOf(req.body), store.shelf.library));
  });

  router.put("/:id/screening", async (req, res) => {
    const screen = screenOf(req.body);
    await change(req.params.id, "The screen", (a) => withScreen(a, screen));
    res.status(204).end();
  });

  router.delete("/:id/screening/:date", async (req, res) => {
    const { date } = req.params;
    if (!isDate(date)) throw faulty([{ path: "date", expected: "a real date expected" }], "The request");
    await change(req.params.id, "The screen", (a) => {
      if (!a.screening.some((s) => s.date === date)) throw notFound("screen of that day");
      return { ...a, screening: a.screening.filter((s) => s.date !== date) };
    });
    res.status(204).end();
  });

  router.get("/:id/sessions/:date/:label/choices/:exercise", async (req, res) => {
    const p = await season(req.params.id);
    const [date, label] = [dateParam(req.params.date), labelParam(req.params.label)];
    const week = p.plan.weeks.find((w) => w.sessions.some((s) => s.date === date && s.label === label));
    const session = week?.sessions.find((s) => s.date === date && s.label === label);
    const view = week && session ? choicesView(p, week, session, req.params.exercise) : null;
    if (!view) throw notFound("exercise in a planned session on that day");
    res.json(view);
  });

  router.put("/:id/swaps/:date/:label", async (req, res) => {
    const [date, label] = [dateParam(req.params.date), labelParam(req.params.label)];
    const { from, to } = parse(swapBody, req.body, "The swap");
    for (const [path, id] of [
      ["from", from],
      ["to", to],
    ] as const)
      if (id !== null && !store.shelf.library.byId(id))
        throw faulty([{ path, expected: `the id of an exercise expected, found "${id}"` }], "The swap");
    if (!(await store.swap(req.params.id, date, label, from, to))) throw notFound("athlete");
    res.status(204).end();
  });

  return router;
}
