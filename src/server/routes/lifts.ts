/** Lifts with the coach's word on them, and reviews. */
import { randomUUID } from "node:crypto";
import { nextDayBody, overruleBody, reviewBody } from "../../api/requests";
import { faulty, notFound } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import { nextDayArrivals } from "../views/arrivals";
import { liftRows, liftView } from "../views/lift";
import { reviewView } from "../views/review";
import { athleteTools, dateParam } from "./tools";

/** Lifts with the coach's word on them, and reviews. */
export function liftRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  const { store, planner } = ctx;
  const { stored, season, change } = athleteTools(ctx);

  r.read("/:id/lifts", async ({ params }) => {
    return json(liftRows(await season(params.id), planner.today()));
  });

  r.read("/:id/lifts/:exercise", async ({ params }) => {
    const view = liftView(await season(params.id), planner.today(), params.exercise);
    if (!view) throw notFound("exercise");
    return json(view);
  });

  /** How it was the morning after: told later than the session itself. */
  r.change(
    "PUT",
    "/:id/next-day",
    { body: { schema: nextDayBody, what: "The answer" } },
    async ({ params, body, who }) => {
      if (!(await store.logs.nextDay(params.id, body.date, body.exercise, body.pain)))
        throw notFound("log of that exercise on that day");
      if (who.role === "athlete")
        await store.phone.arrived(
          params.id,
          nextDayArrivals(body.date, body.exercise, body.pain, store.exercises.library),
        );
      return done();
    },
  );

  r.change(
    "PUT",
    "/:id/overrules",
    { body: { schema: overruleBody, what: "The decision" } },
    async ({ params, body }) => {
      const o = body;
      const { athlete } = await stored(params.id);
      if (!athlete.strengthLog.some((l) => l.date === o.date && l.items.some((i) => i.exercise === o.exercise)))
        throw faulty([{ path: "date", expected: "a day on which the exercise was logged expected" }], "The decision");
      await change(
        params.id,
        "The decision",
        (a) => ({
          ...a,
          overrules: [...(a.overrules ?? []).filter((x) => x.date !== o.date || x.exercise !== o.exercise), o],
        }),
        `Decision on ${o.exercise.replaceAll("-", " ")}`,
      );
      return done();
    },
  );

  r.change("DELETE", "/:id/overrules/:date/:exercise", {}, async ({ params }) => {
    const { date, exercise, id } = params;
    await change(
      id,
      "The decision",
      (a) => {
        const overrules = (a.overrules ?? []).filter((x) => x.date !== date || x.exercise !== exercise);
        const { overrules: _, ...rest } = a;
        return overrules.length > 0 ? { ...rest, overrules } : rest;
      },
      `Decision on ${exercise.replaceAll("-", " ")} taken back`,
    );
    return done();
  });

  reviewRoutes(r, ctx);
  return r.all;
}

function reviewRoutes(r: RouteList, ctx: ServerContext): void {
  const { store, planner } = ctx;
  const { season } = athleteTools(ctx);

  /** Weeks that are over are written down as they were planned when they are first looked at. */
  r.planned(
    "GET",
    "/:id/review",
    { expensive: true },
    async ({ params, query }) => {
      const today = planner.today();
      return reviewView(store, await season(params.id, today), today, dateParam(query.from), dateParam(query.to));
    },
    async ({ params }, { view, fresh }) => {
      await store.archive.keep(params.id, fresh);
      return json(view);
    },
  );

  r.change("PUT", "/:id/reviews", { body: { schema: reviewBody, what: "The review" } }, async ({ params, body }) => {
    if ((await store.athletes.revision(params.id)) === null) throw notFound("athlete");
    await store.archive.keepReview(params.id, { ...body, id: randomUUID() });
    return done();
  });
}
