/** The club as a whole: its health, its squad, its backups. */
import { readFileSync } from "node:fs";
import { relative } from "node:path";
import { restoreBody } from "../../api/requests";
import type { ClubDataView } from "../../api/views";
import { file, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";

/** A folder as a coach finds it: from the application's own folder on, where it lies inside. */
function shown(folder: string): string {
  const inside = relative(process.cwd(), folder);
  return inside.startsWith("..") ? folder : inside;
}

export function clubRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("");

  r.peek("/health", async () => {
    const view = await ctx.health();
    return json(view, view.status === "ok" ? 200 : 503);
  });

  r.peek("/club", () => json({ name: ctx.clubName, today: ctx.today(), ...(ctx.open ? { open: true } : {}) }));

  r.peek("/squad", async () => {
    const { key, json: body } = await ctx.squad();
    return { status: 200, type: "application/json", headers: { ETag: `"${key}"` }, body };
  });

  r.peek("/club/data", () => {
    const backups = ctx.keeper.list();
    const view: ClubDataView = {
      backups,
      fault: ctx.keeper.fault,
      storage: ctx.store.db.fault,
      folder: shown(ctx.store.backups),
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

  return r.all;
}
