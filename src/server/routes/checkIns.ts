/** What an athlete says before a session: kept, and taken into the plan only once it was shown what it changes. */

import { readinessView } from "../../api/make/readiness";
import { plannedOn } from "../../api/make/session";
import { withSaid } from "../../api/make/told";
import { checkInBody } from "../../api/requests";
import type { ReadinessView } from "../../api/views";
import { dayLabel } from "../../core/dates";
import { done, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import { checkInArrivals } from "../views/arrivals";
import { athleteTools, dateParam, labelParam, tellableParam } from "./tools";

export function checkInRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  const { planner, store } = ctx;
  const { season, stored, change } = athleteTools(ctx);
  const spec = { body: { schema: checkInBody, what: "The check-in" } };

  /** What the answers would change; nothing is stored. */
  r.try("/:id/check-ins/:date/:label/preview", spec, async ({ params, body }) => {
    const [date, label] = [dateParam(params.date), labelParam(params.label)];
    const { athlete, ...rest } = await stored(params.id);
    const view: ReadinessView = await readinessView(athlete, { date, ...body }, label, {
      now: () => season(params.id, date),
      changed: (taken) => planner.until({ ...rest, athlete: taken, record: taken }, date),
    });
    return json(view);
  });

  r.planned(
    "PUT",
    "/:id/check-ins/:date/:label",
    spec,
    async ({ params }) => {
      const date = tellableParam(params.date, planner.today(), "The check-in");
      const label = labelParam(params.label);
      return plannedOn(await season(params.id, date), date, label)?.session ?? null;
    },
    async ({ params, body, who }, session) => {
      const date = dateParam(params.date);
      await change(
        params.id,
        "The check-in",
        (a) => withSaid(a, { date, ...body }, session, planner.today()),
        `Check-in of ${dayLabel(date)}`,
      );
      if (who.role === "athlete")
        await store.phone.arrived(params.id, checkInArrivals({ date, ...body }, labelParam(params.label)));
      return done();
    },
  );
  return r.all;
}
