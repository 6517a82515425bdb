/** Athletes: import, export, read, and the coach's decisions about them. */
import { randomUUID } from "node:crypto";
import express, { Router } from "express";
import { setsOf } from "../../api/make/anchors";
import { seasonView } from "../../api/make/season";
import { enduranceBetween, weekView } from "../../api/make/week";
import { enduranceBody, heldBody, lockBody, logBody, phasesBody, raceBody, windowsBody } from "../../api/requests";
import type { AthleteView } from "../../api/views";
import type { Approach } from "../../core/athlete/approach";
import type { Athlete } from "../../core/athlete/types";
import { addDays, dayLabel, dayNumber, mondayOf } from "../../core/dates";
import { planWeek } from "../../core/planWeek";
import { asLocked } from "../../core/week/placed";
import { readAthleteFile, writeAthleteFile } from "../../formats/athlete-file";
import { faulty, notFound, parse } from "../errors";
import type { Feed } from "../feed/feed";
import type { Planner } from "../planner";
import type { Store, Stored } from "../store/store";
import { sessionView } from "../views/session";
import { checkedApproach } from "./approaches";
import { boardRoutes } from "./board";
import { doseRoutes } from "./dose";
import { intakeRoutes } from "./intake";
import { outgoingRoutes } from "./outgoing";
import { paperRoutes } from "./paper";
import { recordRoutes } from "./records";
import { athleteTools, fileName } from "./tools";

/** Endurance shown in the records view, days back and ahead. */
const RECORD_DAYS = { back: 42, ahead: 42 };

/** The athlete with the coach's copies that the settings name, so that the file stands alone. */
function withApproaches({ athlete, approaches }: Stored): Athlete {
  const asked = [athlete.settings?.approach, ...Object.values(athlete.settings?.approachByPhase ?? {})];
  const used = approaches.filter((a) => asked.includes(a.id));
  const others = (athlete.approaches ?? []).filter((a) => !used.some((u) => u.id === a.id));
  return used.length + others.length > 0 ? { ...athlete, approaches: [...used, ...others] } : athlete;
}

/** Copies that come with an athlete and are not known here become the coach's own. */
async function takeApproaches(store: Store, approaches: readonly Approach[]): Promise<void> {
  for (const a of approaches)
    if (!store.schools.all.some((k) => k.id === a.id))
      await store.schools.save(checkedApproach(a), "Came with an athlete file");
}

export function athleteRoutes(store: Store, planner: Planner, feed: Feed, clubName: string): Router {
  const router = Router();
  const tools = athleteTools(store, planner);
  const { stored, season, change, dateParam, labelParam } = tools;

  router.post("/", express.text({ type: () => true, limit: "20mb" }), async (req, res) => {
    const read = readAthleteFile(typeof req.body === "string" ? req.body : "");
    if (!read.ok) throw faulty(read.faults, "The athlete file");
    await takeApproaches(store, read.value.approaches ?? []);
    res.status(201).json({ id: await store.add(read.value), name: read.value.athlete.name });
  });

  router.use(["/:id/import", "/:id/scenario"], express.json({ limit: "40mb" }));
  router.use(express.json({ limit: "2mb" }));
  router.use(intakeRoutes(store, planner, tools));
  router.use(recordRoutes(store, planner, feed, tools));
  router.use(outgoingRoutes(planner, tools));
  router.use(boardRoutes(store, tools));
  router.use(doseRoutes(store, planner, tools));
  router.use(paperRoutes(planner, tools, clubName));

  router.get("/:id", async (req, res) => {
    const p = await season(req.params.id);
    const { athlete } = p.stored;
    const today = planner.today();
    const view: AthleteView = {
      id: p.stored.id,
      revision: p.stored.revision,
      facts: athlete.athlete,
      season: athlete.season,
      places: athlete.places,
      windows: athlete.availability,
      races: athlete.races,
      endurance: enduranceBetween(p.stored, addDays(today, -RECORD_DAYS.back), addDays(today, RECORD_DAYS.ahead)),
      phases: athlete.phases ?? [],
      locked: athlete.locked ?? [],
      logged: athlete.strengthLog.slice(-24).map((l) => ({
        date: l.date,
        label: l.label,
        minutes: l.minutes ?? null,
        sets: l.items.reduce((a, i) => a + setsOf(i), 0),
      })),
      sessions: p.plan.weeks.slice(0, 3).flatMap((w) => w.sessions.map((s) => ({ date: s.date, label: s.label }))),
    };
    res.json(view);
  });

  router.get("/:id/file", async (req, res) => {
    const athlete = withApproaches(await stored(req.params.id));
    res
      .type("application/json")
      .setHeader("Content-Disposition", `attachment; filename="${fileName(athlete, ".json")}"`);
    res.send(writeAthleteFile(athlete));
  });

  router.delete("/:id", async (req, res) => {
    if (!(await store.remove(req.params.id))) throw notFound("athlete");
    res.status(204).end();
  });

  router.get("/:id/season", async (req, res) => {
    res.json(seasonView(await season(req.params.id), planner.today()));
  });

  router.get("/:id/weeks/:monday", async (req, res) => {
    const view = weekView(await season(req.params.id), planner.today(), mondayOf(dateParam(req.params.monday)));
    if (!view) throw notFound("week in this season");
    res.json(view);
  });

  /** Fits the week anew around what is locked, and holds the answer. */
  router.post("/:id/weeks/:monday/fit", async (req, res) => {
    const monday = mondayOf(dateParam(req.params.monday));
    const s = await season(req.params.id);
    const known = s.plan.weeks.find((w) => w.season.start === monday);
    if (!known) throw notFound("week in this season that is still ahead");
    const week = planWeek({ ...known.input, held: [] });
    await store.hold(s.stored.id, monday, week.sessions.map(asLocked), "Week fitted");
    const view = weekView(await season(s.stored.id), planner.today(), monday);
    if (!view) throw notFound("week in this season");
    res.json(view);
  });

  router.put("/:id/weeks/:monday/held", async (req, res) => {
    const { sessions, what } = parse(heldBody, req.body, "The placement");
    if (!(await store.hold(req.params.id, dateParam(req.params.monday), sessions, what))) throw notFound("athlete");
    res.status(204).end();
  });

  router.put("/:id/locks", async (req, res) => {
    const lock = parse(lockBody, req.body, "The lock");
    const monday = mondayOf(lock.date);
    await change(
      req.params.id,
      "The lock",
      (a) => ({
        ...a,
        locked: [...(a.locked ?? []).filter((l) => l.label !== lock.label || mondayOf(l.date) !== monday), lock].sort(
          (x, y) => (x.date < y.date ? -1 : x.date > y.date ? 1 : x.label < y.label ? -1 : 1),
        ),
      }),
      `${lock.label} locked on ${dayLabel(lock.date)}`,
    );
    res.status(204).end();
  });

  router.delete("/:id/locks/:date/:label", async (req, res) => {
    const [date, label] = [dateParam(req.params.date), labelParam(req.params.label)];
    await change(
      req.params.id,
      "The lock",
      (a) => ({
        ...a,
        locked: (a.locked ?? []).filter((l) => l.date !== date || l.label !== label),
      }),
      `${label} unlocked on ${dayLabel(date)}`,
    );
    res.status(204).end();
  });

  router.get("/:id/sessions/:date/:label", async (req, res) => {
    const view = sessionView(
      await season(req.params.id),
      planner.today(),
      dateParam(req.params.date),
      labelParam(req.params.label),
    );
    if (!view) throw notFound("session on that day");
    res.json(view);
  });

  router.put("/:id/logs/:date/:label", async (req, res) => {
    const [date, label] = [dateParam(req.params.date), labelParam(req.params.label)];
    const log = parse(logBody, req.body, "The log");
    if (log.date !== date || log.label !== label)
      throw faulty([{ path: "date", expected: `${date} and label ${label}, as in the address, expected` }], "The log");
    if (dayNumber(date) > dayNumber(planner.today()))
      throw faulty(
        [{ path: "date", expected: `a day up to today (${planner.today()}) expected, found "${date}"` }],
        "The log",
      );
    if (!(await store.putLog(req.params.id, date, label, log))) throw notFound("athlete");
    res.status(204).end();
  });

  router.delete("/:id/logs/:date/:label", async (req, res) => {
    if (!(await store.putLog(req.params.id, dateParam(req.params.date), labelParam(req.params.label), null)))
      throw notFound("log");
    res.status(204).end();
  });

  router.post("/:id/races", async (req, res) => {
    const body = parse(raceBody, req.body, "The race");
    const id = `race-${randomUUID().slice(0, 8)}`;
    await change(req.params.id, "The race", (a) => ({ ...a, races: [...a.races, { id, ...body }] }));
    res.status(201).json({ id });
  });

  router.put("/:id/races/:race", async (req, res) => {
    const body = parse(raceBody, req.body, "The race");
    const { race } = req.params;
    await change(req.params.id, "The race", (a) => {
      if (!a.races.some((r) => r.id === race)) throw notFound("race");
      return { ...a, races: a.races.map((r) => (r.id === race ? { id: r.id, ...body } : r)) };
    });
    res.status(204).end();
  });

  router.delete("/:id/races/:race", async (req, res) => {
    const { race } = req.params;
    await change(req.params.id, "The race", (a) => {
      if (!a.races.some((r) => r.id === race)) throw notFound("race");
      return { ...a, races: a.races.filter((r) => r.id !== race) };
    });
    res.status(204).end();
  });

  router.post("/:id/endurance", async (req, res) => {
    const row = await store.putEndurance(req.params.id, parse(enduranceBody, req.body, "The session"), null);
    if (row === null) throw notFound("athlete");
    res.status(201).json({ id: row });
  });

  router.put("/:id/endurance/:row", async (req, res) => {
    const row = await store.putEndurance(req.params.id, parse(enduranceBody, req.body, "The session"), req.params.row);
    if (row === null) throw notFound("endurance session");
    res.status(204).end();
  });

  router.delete("/:id/endurance/:row", async (req, res) => {
    if ((await store.putEndurance(req.params.id, null, req.params.row)) === null) throw notFound("endurance session");
    res.status(204).end();
  });

  router.put("/:id/windows", async (req, res) => {
    const { windows } = parse(windowsBody, req.body, "The windows");
    await change(req.params.id, "The windows", (a) => ({ ...a, availability: windows }));
    res.status(204).end();
  });

  router.put("/:id/phases", async (req, res) => {
    const { phases } = parse(phasesBody, req.body, "The phases");
    await change(req.params.id, "The phases", (a) => ({ ...a, phases }));
    res.status(204).end();
  });

  return router;
}
