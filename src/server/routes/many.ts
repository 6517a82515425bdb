/** One change for many athletes: tried for each, made for all in one write, taken back in one. */

import { type ManyAnswer, type ManyChoices, type ManyEntry, manyBody, manyTryBody } from "../../api/many";
import { may, type Who } from "../../api/roles";
import { SHIPPED_APPROACHES } from "../../core/approach";
import { notFound } from "../errors";
import { json, type Route, RouteList } from "../http/route";
import { answering } from "../http/scope";
import { knownFor } from "../many/known";
import { madeFor, wordsOf } from "../many/make";
import { previewOf, reachOf } from "../many/preview";
import type { ServerContext } from "../serverContext";
import { TemplateEntity } from "../store/entities";
import { athleteTools, pastTools } from "./tools";

const mayChange = (who: Who, id: string): boolean => may(who, "plan.change", id);

export function manyRoutes(ctx: ServerContext): Route[] {
  const { store, planner } = ctx;
  const r = new RouteList("");
  const { season } = athleteTools(ctx);
  const { pastOf, keepPast } = pastTools(ctx);

  r.try(
    "/athletes/:id/many",
    { body: { schema: manyTryBody, what: "The change" } },
    async ({ params, body: { change }, who }) => {
      // A usual week is shown to nobody who may not see whom it is taken from.
      if (change.kind === "usual-week" && !mayChange(who, change.from)) throw notFound("athlete");
      const known = await knownFor(store, planner.today(), change);
      const p = await season(params.id, reachOf(change, planner.today()));
      return json(previewOf(p, change, known));
    },
  );

  r.read("/many/choices", async ({ who }) => {
    const all = (await store.athletes.outlines()).filter(({ id }) => mayChange(who, id));
    const templates = await store.db.reader.find(TemplateEntity, { order: { name: "ASC" } });
    const view: ManyChoices = {
      athletes: all.map(({ id, athlete: a }) => ({
        id,
        name: a.athlete.name,
        sport: a.athlete.sport,
        places: a.places.map((p) => p.id),
        usualWeek: (a.endurancePlan?.usualWeeks.length ?? 0) > 0,
      })),
      templates: templates.map(({ id, name }) => ({ id, name })),
      approaches: [...SHIPPED_APPROACHES, ...store.approaches.all].map(({ id, name }) => ({ id, name })),
    };
    return json(view);
  });

  r.peek("/many", async ({ who }) => {
    const all = await store.many.list();
    const view: ManyEntry[] = all
      .filter(({ ids }) => ids.every((id) => mayChange(who, id)))
      .map(({ ids: _, ...entry }) => entry);
    return json(view);
  });

  r.planned(
    "POST",
    "/many",
    { body: { schema: manyBody, what: "The change" }, limit: 200_000 },
    async ({ body: { change, athletes }, who }) => {
      if (change.kind === "usual-week" && !mayChange(who, change.from)) throw notFound("athlete");
      if (athletes.some(({ id }) => !mayChange(who, id))) throw notFound("athlete");
      // Weeks that are over stay as they were planned under the choice that goes.
      return { past: change.kind === "approach" ? await pastOf(athletes) : [] };
    },
    async ({ body: { change, athletes } }, { past }) => {
      await keepPast(past);
      const known = await knownFor(store, planner.today(), change);
      const told = (answer: ManyAnswer) => answering(json(answer, 201), null);
      return json(
        await store.many.change(wordsOf(change, known), athletes, (s) => madeFor(s, change, known), told),
        201,
      );
    },
  );

  r.change("POST", "/many/:batch/undo", {}, async ({ params, who }) => {
    const ids = await store.many.athletesOf(params.batch);
    if (ids.some((id) => !mayChange(who, id))) throw notFound("change");
    const answer = await store.many.undo(params.batch);
    if (!answer) throw notFound("change that could be taken back");
    return json(answer);
  });

  return r.all;
}
