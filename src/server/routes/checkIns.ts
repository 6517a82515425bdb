/** What an athlete says before a session: kept, and taken into the plan only once it was shown what it changes. */

import { plannedOn } from "../../api/make/session";
import { shorterView } from "../../api/make/shorter";
import { checkInBody } from "../../api/requests";
import type { ReadinessView } from "../../api/views";
import { type Athlete, type CheckIn, withLock } from "../../core/athlete";
import { dayLabel, type IsoDate } from "../../core/dates";
import { readinessOf } from "../../core/readiness";
import { asLocked, type Placed } from "../../core/week";
import { done, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import { athleteTools, dateParam, labelParam, tellableParam } from "./tools";

const withCheckIn = (a: Athlete, c: CheckIn): Athlete => ({
  ...a,
  checkIns: [...(a.checkIns ?? []).filter((x) => x.date !== c.date), c],
});

/** An athlete who is ill today is away, so that the way back begins with the last day of it. */
const withIllness = (a: Athlete, on: IsoDate): Athlete =>
  a.away.some((x) => x.kind === "illness" && x.start <= on && on <= x.end)
    ? a
    : { ...a, away: [...a.away, { start: on, end: on, kind: "illness" }] };

/** The day's session stays where it stands, whatever its answers make of it. */
const staying = (a: Athlete, session: Placed): Athlete => ({
  ...a,
  locked: withLock(a.locked ?? [], asLocked(session)),
});

export function checkInRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  const { planner } = ctx;
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
    const taken = staying(withCheckIn(athlete, { date, ...body, taken: true }), standing.session);
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
    async ({ params, body }, session) => {
      const date = dateParam(params.date);
      await change(
        params.id,
        "The check-in",
        (a) => {
          const verdict = readinessOf({ date, ...body }, a.settings?.ruleValues);
          const said = withCheckIn(a, { date, ...body });
          if (!body.taken || verdict.why.length === 0) return said;
          if (verdict.session === "none") return withIllness(said, date);
          return session && date === planner.today() ? staying(said, session) : said;
        },
        `Check-in of ${dayLabel(date)}`,
      );
      return done();
    },
  );
  return r.all;
}
