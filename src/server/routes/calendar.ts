/** The club calendar: all athletes' races and phases, and the coach's own absences. */
import { randomUUID } from "node:crypto";
import express, { Router } from "express";
import { flagOf } from "../../api/make/season";
import { absenceBody } from "../../api/requests";
import type { CalendarView } from "../../api/views";
import type { IsoDate } from "../../core/dates";
import { planPhases } from "../../core/season/phases";
import { inOrder } from "../../core/season/races";
import { notFound, parse } from "../errors";
import { CoachAbsenceEntity } from "../store/entities";
import type { Store } from "../store/store";

export function calendarRoutes(store: Store, today: () => IsoDate): Router {
  const router = Router();
  router.use(express.json({ limit: "100kb" }));

  router.get("/", async (_req, res) => {
    const view: CalendarView = {
      today: today(),
      athletes: (await store.outlines()).map(({ id, athlete }) => ({
        id,
        name: athlete.athlete.name,
        sport: athlete.athlete.sport,
        phases: planPhases(athlete).phases.map(({ phase, start, end }) => ({ phase, start, end })),
        races: inOrder(athlete.races).map(flagOf),
        away: athlete.away,
      })),
      absences: await store.reader.find(CoachAbsenceEntity, { order: { start: "ASC" } }),
    };
    res.json(view);
  });

  router.post("/absences", async (req, res) => {
    const row = { id: randomUUID(), ...parse(absenceBody, req.body, "The absence") };
    await store.write((m) => m.insert(CoachAbsenceEntity, row));
    res.status(201).json({ id: row.id });
  });

  router.delete("/absences/:id", async (req, res) => {
    const done = await store.write((m) => m.delete(CoachAbsenceEntity, { id: req.params.id }));
    if (!done.affected) throw notFound("absence");
    res.status(204).end();
  });

  return router;
}
