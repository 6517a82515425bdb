/** The week board: what is changed of a week by hand, and undo and redo of everything that was changed. */
import { Router } from "express";
import { moveBody, weekChangesBody, weightsBody } from "../../api/requests";
import type { EditsView, RoomView, RuleWeightsView } from "../../api/views";
import type { Athlete } from "../../core/athlete/types";
import { addDays, dayLabel, mondayOf, weekday } from "../../core/dates";
import { nearestChanges } from "../../core/nearest";
import { asLocked } from "../../core/week/placed";
import { DEFAULT_WEIGHTS } from "../../core/week/rules";
import { faulty, notFound, ProblemError, parse } from "../errors";
import { EditConflict } from "../store/journal";
import type { Store } from "../store/store";
import type { AthleteTools } from "./tools";

const sameAs = (a: unknown) => (b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** Known rules only; a weight that is as it ships need not be kept. */
function checkedWeights(weights: Record<string, number>): Record<string, number> {
  const unknown = Object.keys(weights).filter((rule) => !(rule in DEFAULT_WEIGHTS));
  if (unknown.length > 0)
    throw faulty(
      unknown.map((rule) => ({
        path: `weights.${rule}`,
        expected: `one of ${Object.keys(DEFAULT_WEIGHTS).join(", ")} expected`,
      })),
      "The weights",
    );
  return weights;
}

export function boardRoutes(store: Store, tools: AthleteTools): Router {
  const router = Router();
  const { stored, season, change, dateParam, labelParam } = tools;

  router.get("/:id/edits", async (req, res) => {
    if ((await store.revision(req.params.id)) === null) throw notFound("athlete");
    const view: EditsView = await store.edits(req.params.id);
    res.json(view);
  });

  for (const way of ["undo", "redo"] as const)
    router.post(`/:id/${way}`, async (req, res) => {
      if ((await store.revision(req.params.id)) === null) throw notFound("athlete");
      try {
        const what = await store.step(req.params.id, way);
        if (what === null) throw new ProblemError(409, `Nothing to ${way}`, `There is no change left to ${way}.`);
        res.json({ what });
      } catch (error) {
        if (!(error instanceof EditConflict)) throw error;
        throw new ProblemError(
          409,
          `Cannot ${way}`,
          `What was changed has become something else since, by an import or the training log. Nothing was changed.`,
        );
      }
    });

  router.post("/:id/week-changes", async (req, res) => {
    const body = parse(weekChangesBody, req.body, "The change");
    const apply = (a: Athlete): Athlete => {
      const changes = (a.changes ?? []).filter((c) => !body.drop.changes.some(sameAs(c)));
      const away = a.away.filter((x) => !body.drop.away.some(sameAs(x)));
      const next = [
        ...changes.filter(
          (c) =>
            !body.add.changes.some(
              (n) => n.kind === c.kind && "week" in n && "week" in c && n.week === c.week && n.label === c.label,
            ),
        ),
        ...body.add.changes,
      ];
      const { changes: _, ...rest } = a;
      return { ...rest, away: [...away, ...body.add.away], ...(next.length > 0 ? { changes: next } : {}) };
    };
    await change(req.params.id, "The change", apply, body.what, body.free ? mondayOf(body.free) : null);
    res.status(204).end();
  });

  /** An endurance session on another day or at another hour; the week is fitted again around what is locked. */
  router.put("/:id/endurance/:row/place", async (req, res) => {
    const to = parse(moveBody, req.body, "The move");
    const s = await stored(req.params.id);
    const at = s.enduranceIds.indexOf(req.params.row);
    const session = s.athlete.endurance[at];
    if (!session) throw notFound("endurance session");
    await store.moveEndurance(
      s.id,
      req.params.row,
      { ...session, ...to },
      [mondayOf(session.date), mondayOf(to.date)],
      `${session.kind === "other" ? session.sport : session.kind} moved to ${dayLabel(to.date)} ${to.start}`,
    );
    res.status(204).end();
  });

  /** The placement of the week before, on the same weekdays. */
  router.post("/:id/weeks/:monday/copy", async (req, res) => {
    const monday = mondayOf(dateParam(req.params.monday));
    const { plan, from, stored: facts } = await season(req.params.id);
    const before = addDays(monday, -7);
    const planned = plan.weeks.find((w) => w.season.start === before)?.sessions ?? [];
    const places = new Set(facts.athlete.places.map((p) => p.id));
    const lifted = facts.athlete.strengthLog
      .filter((l) => l.date >= before && l.date < monday && l.date < from)
      .map((l) => {
        const window = facts.athlete.availability.find((w) => w.day === weekday(l.date));
        return window ? { label: l.label, date: l.date, start: l.start ?? window.start, place: window.place } : null;
      })
      .filter((l) => l !== null);
    const all = [...lifted, ...planned.map(asLocked)].filter((s) => places.has(s.place));
    if (all.length === 0)
      throw new ProblemError(409, "Nothing to copy", `No session stood in the week of ${dayLabel(before)}.`);
    const held = all.map((s) => ({ ...s, date: addDays(s.date, 7) }));
    if (!(await store.hold(req.params.id, monday, held, "Last week copied"))) throw notFound("athlete");
    res.status(204).end();
  });

  /** The nearest changes that make room for a session that found no place. */
  router.get("/:id/weeks/:monday/room/:label", async (req, res) => {
    const monday = mondayOf(dateParam(req.params.monday));
    const label = labelParam(req.params.label);
    const { plan, stored: facts } = await season(req.params.id);
    const week = plan.weeks.find((w) => w.season.start === monday);
    if (!week) throw notFound("week in this season that is still ahead");
    const view = nearestChanges(week.input, label).flatMap(({ text, cost, placed, fix }): RoomView[] => {
      if (fix.kind === "change") return [{ text, cost, placed, fix }];
      const row = facts.enduranceIds[facts.athlete.endurance.indexOf(fix.session)];
      return row ? [{ text, cost, placed, fix: { kind: "endurance", row, date: fix.date, start: fix.start } }] : [];
    });
    res.json(view);
  });

  router.get("/:id/weights", async (req, res) => {
    const { athlete, weights } = await stored(req.params.id);
    const view: RuleWeightsView = {
      shipped: DEFAULT_WEIGHTS,
      club: weights,
      athlete: athlete.settings?.ruleWeights ?? {},
      preferredDays: athlete.settings?.preferredDays ?? [],
      maxMinutesPerDay: athlete.settings?.maxMinutesPerDay ?? null,
    };
    res.json(view);
  });

  router.put("/:id/weights", async (req, res) => {
    const body = parse(weightsBody, req.body, "The weights");
    const ruleWeights = checkedWeights(body.weights);
    await change(
      req.params.id,
      "The weights",
      (a) => {
        const { ruleWeights: _, preferredDays, maxMinutesPerDay, ...rest } = a.settings ?? {};
        const days = body.preferredDays ?? preferredDays ?? [];
        const most = body.maxMinutesPerDay === undefined ? (maxMinutesPerDay ?? null) : body.maxMinutesPerDay;
        return {
          ...a,
          settings: {
            ...rest,
            ...(Object.keys(ruleWeights).length > 0 ? { ruleWeights } : {}),
            ...(days.length > 0 ? { preferredDays: days } : {}),
            ...(most !== null ? { maxMinutesPerDay: most } : {}),
          },
        };
      },
      "Weights of the rules",
    );
    res.status(204).end();
  });

  /** For every athlete without weights of their own. */
  router.put("/:id/weights/club", async (req, res) => {
    const { weights } = parse(weightsBody, req.body, "The weights");
    await store.setClub("weights", checkedWeights(weights));
    res.status(204).end();
  });

  return router;
}
