/** Sessions kept as templates, for other days and athletes. */
import { randomUUID } from "node:crypto";
import { templateBody } from "../../api/requests";
import type { TemplateView } from "../../api/views";
import { notFound } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import { answering } from "../http/scope";
import type { ServerContext } from "../serverContext";
import { TemplateEntity } from "../store/entities";

export function templateRoutes({ store }: ServerContext): Route[] {
  const r = new RouteList("/templates");
  r.read("", async () => {
    const rows = await store.db.reader.find(TemplateEntity, { order: { name: "ASC" } });
    const view: TemplateView[] = rows.map((r) => ({ id: r.id, name: r.name, items: JSON.parse(r.data) }));
    return json(view);
  });
  r.change("POST", "", { body: { schema: templateBody, what: "The template" }, limit: 200_000 }, async ({ body }) => {
    const { name, items } = body;
    // A load belongs to one athlete and is not kept.
    const data = JSON.stringify(items.map(({ loadKg: _, ...i }) => i));
    const id = randomUUID();
    const answer = answering(json({ id }, 201), null);
    await store.db.write((m) => m.insert(TemplateEntity, { id, name, data }));
    return answer;
  });
  r.change("DELETE", "/:template", {}, async ({ params }) => {
    const gone = await store.db.write((m) => m.delete(TemplateEntity, { id: params.template }));
    if (!gone.affected) throw notFound("template");
    return done();
  });
  return r.all;
}
