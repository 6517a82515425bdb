/** Records that come in and what is done with them: imports, the training log, notes, a tried season taken over. */
import type express from "express";
import { Router } from "express";
import { applyScenario } from "../../api/make/scenario";
import { feedBody, importBody, noteBody, scenarioBody } from "../../api/requests";
import type { ImportAnswer, PlanningView } from "../../api/views";
import { addDays } from "../../core/dates";
import { faulty, notFound, ProblemError, parse } from "../errors";
import { FeedError } from "../feed/client";
import type { Feed } from "../feed/feed";
import type { Planner } from "../planner";
import { previewImport, takeImport, undoImport } from "../store/imports";
import type { Store } from "../store/store";
import type { AthleteTools } from "./tools";

export function recordRoutes(store: Store, planner: Planner, feed: Feed, tools: AthleteTools): Router {
  const router = Router();
  const { stored, change, dateParam } = tools;

  const rowsOf = (req: express.Request, expected: boolean) => {
    const body = parse(importBody, req.body, "The import");
    if (expected && body.incoming.length + body.races.length === 0)
      throw faulty([{ path: "incoming", expected: "one row or more expected" }], "The import");
    return body;
  };

  router.post("/:id/import/preview", async (req, res) => {
    const answer: ImportAnswer | null = await previewImport(store, req.params.id, rowsOf(req, false));
    if (!answer) throw notFound("athlete");
    res.json(answer);
  });

  router.post("/:id/import", async (req, res) => {
    const body = rowsOf(req, true);
    const { season } = (await stored(req.params.id)).athlete;
    const outside = body.races.flatMap((r, i) =>
      r.date < season.start || addDays(r.date, (r.days ?? 1) - 1) > season.end
        ? [
            {
              path: `races[${i}].date`,
              expected: `a race inside the season (${season.start} to ${season.end}) expected, found "${r.date}"`,
            },
          ]
        : [],
    );
    if (outside.length > 0) throw faulty(outside, "The import");
    const answer: ImportAnswer | null = await takeImport(store, req.params.id, body, body.name);
    if (!answer) throw notFound("athlete");
    res.status(201).json(answer);
  });

  router.delete("/:id/import/:batch", async (req, res) => {
    if (!(await undoImport(store, req.params.id, req.params.batch))) throw notFound("import");
    res.status(204).end();
  });

  router.get("/:id/feed", async (req, res) => {
    await stored(req.params.id);
    res.json(await feed.view(req.params.id));
  });

  router.put("/:id/feed", async (req, res) => {
    const { account } = parse(feedBody, req.body, "The link");
    await stored(req.params.id);
    await feed.link(req.params.id, account);
    res.status(204).end();
  });

  router.post("/:id/feed/pull", async (req, res) => {
    await stored(req.params.id);
    try {
      res.json(await feed.pull(req.params.id));
    } catch (error) {
      if (!(error instanceof FeedError)) throw error;
      throw new ProblemError(502, "Training log", `${error.message} What had come before that is kept; try again.`);
    }
  });

  router.put("/:id/notes/:monday", async (req, res) => {
    const { text } = parse(noteBody, req.body, "The note");
    if (!(await store.putNote(req.params.id, dateParam(req.params.monday), text))) throw notFound("athlete");
    res.status(204).end();
  });

  router.get("/:id/planning", async (req, res) => {
    const { revision: _, ...facts } = await stored(req.params.id);
    const view: PlanningView = {
      ...facts,
      today: planner.today(),
      ...(await store.shelf.facts()),
    };
    res.json(view);
  });

  /** A tried season taken over, all of it or nothing. */
  router.put("/:id/scenario", async (req, res) => {
    const scenario = parse(scenarioBody, req.body, "The season");
    await change(req.params.id, "The season", (a) => applyScenario(a, scenario));
    res.status(204).end();
  });

  return router;
}
