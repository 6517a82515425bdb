/** Records that come in and what is done with them: imports, the training log, notes, a tried season taken over. */
import { applyScenario } from "../../api/make/scenario";
import { feedBody, type ImportBody, importBody, noteBody, scenarioBody } from "../../api/requests";
import type { PlanningView } from "../../api/views";
import { addDays } from "../../core/dates";
import { faulty, HttpProblem, notFound, parse } from "../errors";
import { FeedError } from "../feed/client";
import { readBody } from "../http/door";
import { type Answer, done, json, type Route, RouteList } from "../http/route";
import { answering } from "../http/scope";
import type { ServerContext } from "../serverContext";
import { answerText, comparedRows, type StagedImport, takeImport, undoImport } from "../store/imports";
import { athleteTools, dateParam } from "./tools";

const IMPORT_LIMIT = 40_000_000;

/** The rows of a body, read in a worker thread. @throws with the path of every fault */
function rowsIn(text: string, someExpected: boolean): ImportBody {
  const body = parse(importBody, readBody(text), "The import");
  if (someExpected && body.incoming.length + body.races.length === 0)
    throw faulty([{ path: "incoming", expected: "one row or more expected" }], "The import");
  return body;
}

function importRoutes(r: RouteList, ctx: ServerContext): void {
  const { store } = ctx;
  const { stored } = athleteTools(ctx);

  r.tryBulk("/:id/import/preview", IMPORT_LIMIT, async ({ params, body }) => {
    const compared = await comparedRows(store, params.id, rowsIn(body, false));
    if (!compared) throw notFound("athlete");
    return { status: 200, type: "application/json", body: answerText(compared, null) };
  });

  r.bulk(
    "POST",
    "/:id/import",
    { limit: IMPORT_LIMIT, expensive: true },
    async ({ params, body: text }) => {
      const body = rowsIn(text, true);
      const { season } = (await stored(params.id)).athlete;
      const outside = body.races.flatMap((race, i) =>
        race.date < season.start || addDays(race.date, (race.days ?? 1) - 1) > season.end
          ? [
              {
                path: `races[${i}].date`,
                expected: `a race inside the season (${season.start} to ${season.end}) expected, found "${race.date}"`,
              },
            ]
          : [],
      );
      if (outside.length > 0) throw faulty(outside, "The import");
      const compared = await comparedRows(store, params.id, body);
      if (!compared) throw notFound("athlete");
      return { compared, name: body.name };
    },
    async ({ params, body: text }, { compared, name }) => {
      // Where somebody else wrote meanwhile the rows are compared again.
      const again = () => ctx.run("compareText", { id: params.id, text });
      const answer = (batch: string | null, c: StagedImport): Answer => ({
        status: 201,
        type: "application/json",
        body: answerText(c, batch),
      });
      const taken = await takeImport(store, params.id, compared, name, {
        again,
        told: (batch, c) => answering(answer(batch, c), params.id),
      });
      if (!taken) throw notFound("athlete");
      return answer(taken.batch, taken.compared);
    },
  );

  r.change("DELETE", "/:id/import/:batch", {}, async ({ params }) => {
    if (!(await undoImport(store, params.id, params.batch))) throw notFound("import");
    return done();
  });
}

function feedRoutes(r: RouteList, ctx: ServerContext): void {
  const { stored } = athleteTools(ctx);

  r.peek("/:id/feed", async ({ params }) => {
    await stored(params.id);
    return json(await ctx.feed.view(params.id));
  });

  r.change("PUT", "/:id/feed", { body: { schema: feedBody, what: "The link" } }, async ({ params, body }) => {
    await stored(params.id);
    await ctx.feed.link(params.id, body.account);
    return done();
  });

  r.change("POST", "/:id/feed/pull", { expensive: true }, async ({ params }) => {
    await stored(params.id);
    try {
      return json(await ctx.feed.pull(params.id));
    } catch (error) {
      if (!(error instanceof FeedError)) throw error;
      throw new HttpProblem(502, "Training log", `${error.message} What had come before that is kept; try again.`);
    }
  });
}

function seasonRoutes(r: RouteList, ctx: ServerContext): void {
  const { store, planner } = ctx;
  const { stored, change } = athleteTools(ctx);

  r.change("PUT", "/:id/notes/:monday", { body: { schema: noteBody, what: "The note" } }, async ({ params, body }) => {
    if (!(await store.weeks.putNote(params.id, dateParam(params.monday), body.text))) throw notFound("athlete");
    return done();
  });

  r.read("/:id/planning", async ({ params }) => {
    const { revision: _, record: __, ...facts } = await stored(params.id);
    const view: PlanningView = {
      ...facts,
      today: planner.today(),
      ...(await store.exercises.facts()),
    };
    return json(view);
  });

  /** A tried season taken over, all of it or nothing. */
  r.bulk(
    "PUT",
    "/:id/scenario",
    { limit: IMPORT_LIMIT },
    async ({ body }) => parse(scenarioBody, readBody(body), "The season"),
    async ({ params }, scenario) => {
      await change(params.id, "The season", (a) => applyScenario(a, scenario));
      return done();
    },
  );
}

export function recordRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  for (const add of [importRoutes, feedRoutes, seasonRoutes]) add(r, ctx);
  return r.all;
}
