/** Sessions kept as templates, for other days and athletes. */
import { randomUUID } from "node:crypto";
import express, { Router } from "express";
import { templateBody } from "../../api/requests";
import type { TemplateView } from "../../api/views";
import { notFound, parse } from "../errors";
import { TemplateEntity } from "../store/entities";
import type { Store } from "../store/store";

export function templateRoutes(store: Store): Router {
  const router = Router();
  router.use(express.json({ limit: "200kb" }));
  router.get("/", async (_req, res) => {
    const rows = await store.reader.find(TemplateEntity, { order: { name: "ASC" } });
    const view: TemplateView[] = rows.map((r) => ({ id: r.id, name: r.name, items: JSON.parse(r.data) }));
    res.json(view);
  });
  router.post("/", async (req, res) => {
    const { name, items } = parse(templateBody, req.body, "The template");
    // A load belongs to one athlete and is not kept.
    const data = JSON.stringify(items.map(({ loadKg: _, ...i }) => i));
    const id = randomUUID();
    await store.write((m) => m.insert(TemplateEntity, { id, name, data }));
    res.status(201).json({ id });
  });
  router.delete("/:template", async (req, res) => {
    const gone = await store.write((m) => m.delete(TemplateEntity, { id: req.params.template }));
    if (!gone.affected) throw notFound("template");
    res.status(204).end();
  });
  return router;
}
