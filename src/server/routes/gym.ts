/** The gym on one day: who lifts when, on which rack, and the hours fitted together. */
import { gymBody, gymTakeBody } from "../../api/requests";
import { mondayOf, timeOf } from "../../core/dates";
import type { GymLimits } from "../../core/gym";
import { asLocked } from "../../core/week";
import { done, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import { gymOn, gymView } from "../views/gym";
import { gymCards, pdfFile } from "./paper";
import { dateParam } from "./tools";

export function gymRoutes({ store, planner }: ServerContext): Route[] {
  const r = new RouteList("/gym");

  r.read("/:date", async ({ params, query, who }) => {
    const found = await gymOn(store, planner, dateParam(params.date), query.place || null, who);
    return json(gymView(found, planner.today()));
  });

  /** Cards of everybody who lifts on the day, or of a group, four to a page or one. */
  r.read(
    "/:date/cards.pdf",
    async ({ params, query, who }) => {
      const date = dateParam(params.date);
      const group = query.group ? await store.groups.get(query.group) : null;
      const of = group && new Set(group.members);
      const shown = { who, of };
      return pdfFile(await gymCards({ store, planner }, date, query.per === "1" ? 1 : 4, shown), `cards-${date}.pdf`);
    },
    { expensive: true },
  );

  r.change("PUT", "/places/:place", { body: { schema: gymBody, what: "The gym" } }, async ({ params, body }) => {
    await store.club.set<Record<string, GymLimits>>("gyms", (all) => ({ ...all, [params.place]: body }));
    return done();
  });

  /** Takes the hours over: each athlete whose hour changes gets it as a change of their own, which can be undone. */
  r.planned(
    "POST",
    "/:date/take",
    { body: { schema: gymTakeBody, what: "The gym" }, expensive: true },
    async ({ params, body, who }) => {
      const date = dateParam(params.date);
      const found = await gymOn(store, planner, date, body.place, who);
      return gymView(found, planner.today()).rows.flatMap((row) => {
        const own = found.rows.find((x) => x.id === row.id);
        const { next } = row;
        if (!own || !next || (next.date === date && next.start === row.now.start)) return [];
        const held = own.week.sessions.map((s) => asLocked(s.label === row.label ? { label: s.label, ...next } : s));
        return [{ id: own.id, held, words: `${row.label} moved in the gym to ${timeOf(next.start)}` }];
      });
    },
    async ({ params }, changes) => {
      const monday = mondayOf(dateParam(params.date));
      for (const c of changes) await store.weeks.hold(c.id, monday, c.held, c.words);
      return json({ changed: changes.map((c) => c.id) });
    },
  );

  return r.all;
}
