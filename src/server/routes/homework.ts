/** Homework: the week's list, and what is ticked of it. */

import { homeworkView } from "../../api/make/homework";
import { withTick } from "../../api/make/told";
import { homeworkBody } from "../../api/requests";
import { dayLabel } from "../../core/dates";
import { ACTIVATION_ITEM } from "../../core/homework";
import { faulty } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import { athleteTools, tellableParam } from "./tools";

export function homeworkRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  const { planner, store } = ctx;
  const { season, change } = athleteTools(ctx);

  r.read("/:id/homework", async ({ params }) =>
    json(homeworkView(await season(params.id, planner.today()), planner.today())),
  );

  const spec = { body: { schema: homeworkBody, what: "The tick" } };
  r.change("PUT", "/:id/homework/:date/:item", spec, async ({ params, body }) => {
    const date = tellableParam(params.date, planner.today(), "The tick");
    const { item } = params;
    if (item !== ACTIVATION_ITEM && !store.exercises.library.byId(item))
      throw faulty(
        [{ path: "item", expected: `the id of an exercise, or "${ACTIVATION_ITEM}", expected, found "${item}"` }],
        "The tick",
      );
    await change(params.id, "The homework", (a) => withTick(a, date, item, body.done), `Homework of ${dayLabel(date)}`);
    return done();
  });
  return r.all;
}
