/** The club as a whole: its health, its squad, its backups. */
import { readFileSync } from "node:fs";
import { relative } from "node:path";
import type { ClubWeekView } from "../../api/clubWeek";
import { restoreBody, seenBody } from "../../api/requests";
import { may, sees, type Who } from "../../api/roles";
import type { ArchivedView, ClubDataView, SquadRow, SquadView } from "../../api/views";
import { mondayOf } from "../../core/dates";
import { notFound } from "../errors";
import { done, file, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import { SEEN, type Seen } from "../views/squad";
import { dateParam } from "./tools";

/** A folder as a coach finds it: from the application's own folder on, where it lies inside. */
function shown(folder: string): string {
  const inside = relative(process.cwd(), folder);
  return inside.startsWith("..") ? folder : inside;
}

/** A row as somebody may read it: why an athlete needs a look, and what is tested, is health. */
const seenBy = (who: Who, row: SquadRow): SquadRow =>
  may(who, "health.read", row.id) ? row : { ...row, attention: [], testsDue: [] };

/** A week of the club, on the screen and on paper. */
function weekRoutes(r: RouteList, ctx: ServerContext): void {
  const weekOf = async (who: Who, date: string): Promise<ClubWeekView> => {
    const { json: body } = await ctx.clubWeek(mondayOf(dateParam(date)));
    const view = JSON.parse(body.toString("utf8")) as ClubWeekView;
    const rows = view.rows
      .filter((row) => sees(who, row.id))
      .map((row) => (may(who, "health.read", row.id) ? row : { ...row, pain: null, poor: 0, testsDue: 0 }));
    return { ...view, rows };
  };

  r.gathered("/club/week/:monday", async ({ params, who }) => {
    if (who.role !== "owner" && !(who.role === "coach" && who.athletes === "all"))
      return json(await weekOf(who, params.monday));
    const { key, json: body } = await ctx.clubWeek(mondayOf(dateParam(params.monday)));
    return { status: 200, type: "application/json", headers: { ETag: `"${key}"` }, body };
  });

  r.gathered("/club/week/:monday/pdf", async ({ params, who }) => {
    const view = await weekOf(who, params.monday);
    return file(await ctx.run("clubWeekPdf", { view }), "application/pdf", `week-${view.monday}.pdf`, true);
  });
}

/** Copies of the club, taken and put back. */
function dataRoutes(r: RouteList, ctx: ServerContext): void {
  r.peek("/club/data", () => {
    const backups = ctx.keeper.list();
    const view: ClubDataView = {
      backups,
      fault: ctx.keeper.fault,
      storage: ctx.store.db.fault,
      folder: shown(ctx.store.backups),
      restores: ctx.store.isFile,
    };
    return json(view);
  });

  r.change("POST", "/club/backups", { expensive: true }, async () =>
    json({ name: await ctx.keeper.take("asked") }, 201),
  );

  r.peek("/club/backups/:backup", ({ params }) =>
    file(readFileSync(ctx.keeper.path(params.backup)), "application/vnd.sqlite3", params.backup),
  );

  const spec = { body: { schema: restoreBody, what: "The backup" }, expensive: true };
  r.change("POST", "/club/restore/preview", spec, async ({ body }) =>
    json(await ctx.keeper.preview(ctx.keeper.path(body.backup))),
  );

  /** Everything of the backup takes the place of everything here; what is here is copied first. */
  r.change("POST", "/club/restore", spec, async ({ body }) =>
    json(await ctx.keeper.restore(ctx.keeper.path(body.backup))),
  );
}

export function clubRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("");

  r.peek("/health", async () => {
    const view = await ctx.health();
    return json(view, view.status === "ok" ? 200 : 503);
  });

  r.peek("/club", () => json({ name: ctx.clubName, today: ctx.today() }));

  r.gathered("/squad", async ({ who }) => {
    const { key, json: body } = await ctx.squad();
    const headers: Record<string, string> = key === null ? {} : { ETag: `"${key}"` };
    if (who.role === "owner" || (who.role === "coach" && who.athletes === "all"))
      return { status: 200, type: "application/json", headers, body };
    const view = JSON.parse(body.toString("utf8")) as SquadView;
    const rows = view.rows.filter((row) => sees(who, row.id)).map((row) => seenBy(who, row));
    const seen = (ids: readonly string[]) => ids.filter((id) => sees(who, id));
    return json({ ...view, rows, behind: seen(view.behind), failed: seen(view.failed) });
  });

  weekRoutes(r, ctx);

  /** A point about an athlete was seen, and comes back on a day; null brings it back now. */
  r.change(
    "PUT",
    "/athletes/:id/seen/:row",
    { body: { schema: seenBody, what: "What was seen" } },
    async ({ params, body: { until } }) => {
      const { id, row: key } = params;
      if ((await ctx.store.athletes.revision(id)) === null) throw notFound("athlete");
      const known = new Set((await ctx.store.athletes.list()).map((a) => a.id));
      await ctx.store.club.set<Seen>(SEEN, (before) => {
        const { [key]: _, ...rest } = before?.[id] ?? {};
        // What has passed, and whoever is gone, is let go of.
        const others = Object.entries(before ?? {}).filter(([other]) => other !== id && known.has(other));
        const kept = Object.entries(rest).filter(([, day]) => day > ctx.today());
        return {
          ...Object.fromEntries(others),
          [id]: { ...Object.fromEntries(kept), ...(until ? { [key]: until } : {}) },
        };
      });
      return done();
    },
  );

  r.peek("/archive", async ({ who }) => {
    const view: ArchivedView[] = (await ctx.store.athletes.archived()).filter((a) => may(who, "whole", a.id));
    return json(view);
  });

  dataRoutes(r, ctx);
  return r.all;
}
