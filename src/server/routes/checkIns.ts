/** What an athlete says before a session: kept, and taken into the plan only once it was shown what it changes. */

import { plannedOn } from "../../api/make/session";
import { shorterView } from "../../api/make/shorter";
import { tried, withSaid } from "../../api/make/told";
import { checkInBody } from "../../api/requests";
import type { ReadinessView } from "../../api/views";
import { dayLabel } from "../../core/dates";
import { readinessOf } from "../../core/readiness";
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
    const verdict = readinessOf({ date, ...body }, athlete.settings?.ruleValues);
    const view: ReadinessView = {
      session: verdict.session,
      says: verdict.why.map((w) => w.text),
      change: null,
    };
    if (verdict.why.length === 0 || verdict.session === "none") return json(view);
    const now = await season(params.id, date);
    const standing = plannedOn(now, date, label);
    if (!standing) return json(view);
    const taken = tried(athlete, { date, ...body }, standing.session);
    const then = planner.until({ ...rest, athlete: taken, record: taken }, date);
    return json({ ...view, change: then ? shorterView(now, then, date, label) : null });
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
