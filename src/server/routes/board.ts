/** The week board: what is changed of a week by hand, and undo and redo of everything that was changed. */
import { moveBody, stepBody, type WeightsBody, weekChangesBody, weightsBody } from "../../api/requests";
import type { EditsView, HistoryView, RoomView, RuleWeightsView } from "../../api/views";
import { type Athlete, type LockedSession, type Settings, withChanges } from "../../core/athlete";
import { addDays, dayLabel, type IsoDate, mondayOf, weekday } from "../../core/dates";
import { nearestChanges } from "../../core/planning";
import { asLocked, DEFAULT_WEIGHTS } from "../../core/week";
import { faulty, HttpProblem, notFound } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import { answering } from "../http/scope";
import type { Planned } from "../planner";
import type { ServerContext } from "../serverContext";
import { EditConflict } from "../store/journal";
import { athleteTools, dateParam, labelParam } from "./tools";

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

/** Undo and redo, and what was told about a week. */
function changeRoutes(r: RouteList, ctx: ServerContext): void {
  const { store } = ctx;
  const { stored, change } = athleteTools(ctx);

  r.read("/:id/edits", async ({ params }) => {
    if ((await store.athletes.revision(params.id)) === null) throw notFound("athlete");
    return json((await store.athletes.edits(params.id)) satisfies EditsView);
  });

  r.read("/:id/history", async ({ params }) => {
    const view: HistoryView | null = await store.athletes.history(params.id);
    if (!view) throw notFound("athlete");
    return json(view);
  });

  for (const way of ["undo", "redo"] as const)
    r.change("POST", `/:id/${way}`, { body: { schema: stepBody, what: "What to undo" } }, async ({ params, body }) => {
      if ((await store.athletes.revision(params.id)) === null) throw notFound("athlete");
      try {
        const answer = (done: string) => answering(json({ what: done }), params.id);
        const what = await store.athletes.step(params.id, way, answer, body.seq);
        if (what === null) throw new HttpProblem(409, `Nothing to ${way}`, `There is no change left to ${way}.`);
        return json({ what });
      } catch (error) {
        if (!(error instanceof EditConflict)) throw error;
        throw new HttpProblem(
          409,
          `Cannot ${way}`,
          "What was changed has become something else since, by a later change, an import or the training log. Nothing was changed.",
        );
      }
    });

  r.change(
    "POST",
    "/:id/week-changes",
    { body: { schema: weekChangesBody, what: "The change" } },
    async ({ params, body }) => {
      const apply = (a: Athlete): Athlete => {
        const changes = (a.changes ?? []).filter((c) => !body.drop.changes.some(sameAs(c)));
        const away = a.away.filter((x) => !body.drop.away.some(sameAs(x)));
        const next = withChanges(changes, body.add.changes);
        const { changes: _, ...rest } = a;
        return { ...rest, away: [...away, ...body.add.away], ...(next.length > 0 ? { changes: next } : {}) };
      };
      await change(params.id, "The change", apply, body.what, body.free ? mondayOf(body.free) : null);
      return done();
    },
  );

  /** An endurance session on another day or at another hour; the week is fitted again around what is locked. */
  r.change(
    "PUT",
    "/:id/endurance/:row/place",
    { body: { schema: moveBody, what: "The move" } },
    async ({ params, body: to }) => {
      const s = await stored(params.id);
      const at = s.enduranceIds.indexOf(params.row);
      const session = s.athlete.endurance[at];
      if (!session) throw notFound("endurance session");
      await store.athletes.moveEndurance(
        s.id,
        params.row,
        { ...session, ...to },
        [mondayOf(session.date), mondayOf(to.date)],
        `${session.kind === "other" ? session.sport : session.kind} moved to ${dayLabel(to.date)} ${to.start}`,
      );
      return done();
    },
  );
}

/** The placement of the week before on the same weekdays. @throws where there is none */
function copiedWeek(p: Planned, monday: IsoDate): LockedSession[] {
  const { plan, from, stored: facts } = p;
  const before = addDays(monday, -7);
  const planned = plan.weeks.find((w) => w.season.start === before)?.sessions ?? [];
  const places = new Set(facts.athlete.places.map((x) => x.id));
  const lifted = facts.athlete.strengthLog
    .filter((l) => l.date >= before && l.date < monday && l.date < from)
    .map((l) => {
      const window = facts.athlete.availability.find((w) => w.day === weekday(l.date));
      return window ? { label: l.label, date: l.date, start: l.start ?? window.start, place: window.place } : null;
    })
    .filter((l) => l !== null);
  const all = [...lifted, ...planned.map(asLocked)].filter((s) => places.has(s.place));
  if (all.length === 0)
    throw new HttpProblem(409, "Nothing to copy", `No session stood in the week of ${dayLabel(before)}.`);
  return all.map((s) => ({ ...s, date: addDays(s.date, 7) }));
}

/** Placements worked out, and what they cost. */
function placementRoutes(r: RouteList, ctx: ServerContext): void {
  const { store } = ctx;
  const { stored, season, change } = athleteTools(ctx);

  r.planned(
    "POST",
    "/:id/weeks/:monday/copy",
    {},
    async ({ params }) => {
      const monday = mondayOf(dateParam(params.monday));
      return copiedWeek(await season(params.id, monday), monday);
    },
    async ({ params }, held) => {
      if (!(await store.weeks.hold(params.id, mondayOf(params.monday), held, "Last week copied")))
        throw notFound("athlete");
      return done();
    },
  );

  /** The nearest changes that make room for a session that found no place. */
  r.read(
    "/:id/weeks/:monday/room/:label",
    async ({ params }) => {
      const monday = mondayOf(dateParam(params.monday));
      const label = labelParam(params.label);
      const { plan, stored: facts } = await season(params.id, monday);
      const week = plan.weeks.find((w) => w.season.start === monday);
      if (!week) throw notFound("week in this season that is still ahead");
      const view = nearestChanges(week.input, label).flatMap(({ text, cost, placed, fix }): RoomView[] => {
        if (fix.kind === "change") return [{ text, cost, placed, fix }];
        const row = facts.enduranceIds[facts.athlete.endurance.indexOf(fix.session)];
        return row ? [{ text, cost, placed, fix: { kind: "endurance", row, date: fix.date, start: fix.start } }] : [];
      });
      return json(view);
    },
    { expensive: true },
  );

  r.read("/:id/weights", async ({ params }) => {
    const { athlete, weights } = await stored(params.id);
    const view: RuleWeightsView = {
      shipped: DEFAULT_WEIGHTS,
      club: weights,
      athlete: athlete.settings?.ruleWeights ?? {},
      preferredDays: athlete.settings?.preferredDays ?? [],
      maxMinutesPerDay: athlete.settings?.maxMinutesPerDay ?? null,
    };
    return json(view);
  });

  const weightsSpec = { body: { schema: weightsBody, what: "The weights" } };
  r.change("PUT", "/:id/weights", weightsSpec, async ({ params, body }) => {
    const ruleWeights = checkedWeights(body.weights);
    await change(
      params.id,
      "The weights",
      (a) => ({ ...a, settings: withWeights(a.settings, ruleWeights, body) }),
      "Weights of the rules",
    );
    return done();
  });

  /** For every athlete without weights of their own. */
  r.change("PUT", "/:id/weights/club", weightsSpec, async ({ params, body }) => {
    if ((await store.athletes.revision(params.id)) === null) throw notFound("athlete");
    const weights = checkedWeights(body.weights);
    await store.club.set("weights", () => weights);
    return done();
  });
}

function withWeights(before: Settings | undefined, ruleWeights: Record<string, number>, body: WeightsBody): Settings {
  const { ruleWeights: _, preferredDays, maxMinutesPerDay, ...rest } = before ?? {};
  const days = body.preferredDays ?? preferredDays ?? [];
  const most = body.maxMinutesPerDay === undefined ? (maxMinutesPerDay ?? null) : body.maxMinutesPerDay;
  return {
    ...rest,
    ...(Object.keys(ruleWeights).length > 0 ? { ruleWeights } : {}),
    ...(days.length > 0 ? { preferredDays: days } : {}),
    ...(most !== null ? { maxMinutesPerDay: most } : {}),
  };
}

export function boardRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  changeRoutes(r, ctx);
  placementRoutes(r, ctx);
  return r.all;
}
