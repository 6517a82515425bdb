/** What an athlete follows, sessions by hand, lifts with the coach's word on them, and reviews. */

import { randomUUID } from "node:crypto";
import { Router } from "express";
import { clubOptions } from "../../api/make/planned";
import {
  compareBody,
  copyEditBody,
  editBody,
  followBody,
  nextDayBody,
  overruleBody,
  previewBody,
  reviewBody,
} from "../../api/requests";
import type { ChangesView, CompareView, CopyResult, EditPreview, FollowView } from "../../api/views";
import { findApproach } from "../../core/approach/pick";
import type { Athlete, Label, SessionEdit, Settings } from "../../core/athlete/types";
import { dayLabel, type IsoDate, mondayOf, timeOf } from "../../core/dates";
import { changedSessions } from "../../core/diff";
import { LABEL_WORDS } from "../../core/dose/dose";
import { plan } from "../../core/plan";
import { type PlanWeek, planWeek } from "../../core/planWeek";
import { groupOf } from "../../core/session/said";
import { competes, groupsOf } from "../../core/session/time";
import { tallyByPhase } from "../../core/tally";
import { asLocked } from "../../core/week/placed";
import { faulty, notFound, ProblemError, parse } from "../errors";
import type { Planned, Planner } from "../planner";
import type { Store } from "../store/store";
import { liftRows, liftView } from "../views/lift";
import { pastWeeks, reviewView } from "../views/review";
import { plannedView } from "../views/session";
import { checkedApproach } from "./approaches";
import type { AthleteTools } from "./tools";

/** Settings with another choice of approach and rules; what is as it ships is not kept. */
function following(
  settings: Settings | undefined,
  f: { approach?: string | undefined; approachByPhase?: object | undefined; rulesOff?: string[] | undefined },
): Settings {
  const { approach: _a, approachByPhase: _b, rulesOff: _c, ...rest } = settings ?? {};
  return {
    ...rest,
    ...(f.approach === undefined ? {} : { approach: f.approach }),
    ...(f.approachByPhase && Object.keys(f.approachByPhase).length > 0 ? { approachByPhase: f.approachByPhase } : {}),
    ...(f.rulesOff && f.rulesOff.length > 0 ? { rulesOff: f.rulesOff } : {}),
  };
}

const withEdit = (a: Athlete, edit: SessionEdit | null, week: IsoDate, label: Label): Athlete => {
  const others = (a.edits ?? []).filter((e) => e.week !== week || e.label !== label);
  const { edits: _, ...rest } = a;
  const edits = edit ? [...others, edit] : others;
  return edits.length > 0 ? { ...rest, edits } : rest;
};

/** The planned session of a day, with its week. @throws where none stands there, or where it is past */
function standing(p: Planned, date: IsoDate, label: Label) {
  const week = p.plan.weeks.find((w) => w.season.start === mondayOf(date));
  const session = week?.sessions.find((s) => s.date === date && s.label === label);
  if (!week || !session) throw notFound("planned session on that day");
  return { week, session };
}

/** The session as the edit would make it, where it stands now. */
function tryEdit(p: Planned, today: IsoDate, date: IsoDate, edit: SessionEdit): EditPreview {
  const { label } = edit;
  const { week, session } = standing(p, date, label);
  const { athlete } = week.input;
  const tried: PlanWeek = planWeek({
    ...week.input,
    athlete: {
      ...withEdit(athlete, edit, week.season.start, label),
      locked: [
        ...(athlete.locked ?? []).filter((l) => l.label !== label || mondayOf(l.date) !== week.season.start),
        asLocked(session),
      ],
    },
  });
  const made = tried.sessions.find((s) => s.label === label);
  if (!made) {
    const why = tried.fit.unplaced.find((u) => u.label === label)?.why;
    return {
      session: null,
      warnings: [],
      fault: `It cannot stand on ${dayLabel(date)} at ${timeOf(session.start)}: it is longer than its window, the place lacks the equipment, or a rule that must hold forbids it.${why ? ` ${why}` : ""}`,
    };
  }
  const view = plannedView(p, today, tried, { ...made, locked: session.locked }, null);
  const warnings: string[] = [];
  for (const group of groupsOf(made.items))
    group.forEach((a, i) => {
      for (const b of group.slice(i + 1)) {
        const because = competes(a, b);
        if (because) warnings.push(`${a.exercise.name} and ${b.exercise.name.toLowerCase()} compete: ${because}.`);
      }
    });
  for (const d of made.dropped) warnings.push(`${p.library.name(d.exercise)} is left out: ${d.why}.`);
  if (made.stress > week.depthLimit && week.depthLimit > 0)
    warnings.push(`${made.stress - week.depthLimit} AU over the week's depth limit of ${week.depthLimit}.`);
  const day = week.season.days.find((d) => d.date === date);
  if (day && !day.heavyOk && made.heavy)
    warnings.push(`Heavy work on a day that takes none: ${day.why.at(-1)?.text ?? ""}`);
  if (week.season.setFactor < 1)
    warnings.push("The week cuts its sets; a session by hand keeps its own. Cut it here if it is to be cut.");
  return { session: { ...view, edit, depthLimit: week.depthLimit }, warnings, fault: null };
}

export function doseRoutes(store: Store, planner: Planner, tools: AthleteTools): Router {
  const router = Router();
  const { stored, season, change, dateParam, labelParam } = tools;
  const changesOf = (p: Planned, athlete: Athlete, options: object): ChangesView => {
    const after = plan(athlete, {
      from: p.from,
      weeks: "season",
      library: p.library,
      ...clubOptions(p.stored),
      ...options,
    });
    return {
      id: p.stored.id,
      name: athlete.athlete.name,
      sessions: p.plan.weeks.reduce((a, w) => a + w.sessions.length, 0),
      changes: changedSessions(p.plan, after),
    };
  };

  router.get("/:id/follow", async (req, res) => {
    const { athlete } = await stored(req.params.id);
    const view: FollowView = {
      approach: athlete.settings?.approach ?? "layered",
      approachByPhase: athlete.settings?.approachByPhase ?? {},
      rulesOff: athlete.settings?.rulesOff ?? [],
      clubRulesOff: [...store.switchedOff],
    };
    res.json(view);
  });

  router.put("/:id/follow", async (req, res) => {
    const body = parse(followBody, req.body, "The choice");
    const asked = [body.approach, ...Object.values(body.approachByPhase ?? {})].filter((x) => x !== undefined);
    const { athlete } = await stored(req.params.id);
    const unknown = asked.filter((id) => !findApproach(id, [...store.schools.all, ...(athlete.approaches ?? [])]));
    if (unknown.length > 0)
      throw faulty(
        unknown.map((id) => ({ path: "approach", expected: `a known approach expected, found "${id}"` })),
        "The choice",
      );
    // Weeks that are over stay as they were planned under the choice that goes.
    await pastWeeks(store, await season(req.params.id), planner.today());
    await change(
      req.params.id,
      "The choice",
      (a) => ({ ...a, settings: following(a.settings, body) }),
      "Approach and rules",
    );
    res.status(204).end();
  });

  /** Which of this athlete's future sessions a change would alter; nothing is stored. */
  router.post("/:id/dose-preview", async (req, res) => {
    const body = parse(previewBody, req.body, "The preview");
    const p = await season(req.params.id);
    const { approach, follow, clubRulesOff } = body;
    if (approach) checkedApproach(approach);
    const approaches = approach
      ? [approach, ...p.stored.approaches.filter((a) => a.id !== approach.id)]
      : p.stored.approaches;
    const athlete = follow
      ? { ...p.stored.athlete, settings: following(p.stored.athlete.settings, follow) }
      : p.stored.athlete;
    res.json(changesOf(p, athlete, { approaches, ...(clubRulesOff ? { rulesOff: clubRulesOff } : {}) }));
  });

  /** Two approaches on the whole season of this athlete, as if it were planned from its first day. */
  router.post("/:id/compare", async (req, res) => {
    const body = parse(compareBody, req.body, "The comparison");
    const p = await season(req.params.id);
    const { athlete } = p.stored;
    const side = (id: string): CompareView["a"] => {
      const approach = findApproach(id, p.stored.approaches);
      if (!approach) throw notFound("approach");
      const { approachByPhase: _, ...rest } = athlete.settings ?? {};
      const { held: _h, swaps: _s, ...club } = clubOptions(p.stored);
      const { locked: _l, edits: _e, ...free } = athlete;
      const all = plan(
        {
          ...free,
          settings: { ...rest, approach: id },
          strengthLog: athlete.strengthLog.filter((l) => l.date < athlete.season.start),
        },
        { weeks: "season", library: p.library, ...club },
      );
      return { id, name: approach.name, phases: tallyByPhase(all) };
    };
    const view: CompareView = { a: side(body.a), b: side(body.b) };
    res.json(view);
  });

  const editOf = (req: { params: { date?: string; label?: string }; body: unknown }): SessionEdit => {
    const date = dateParam(req.params.date);
    const { items, note } = parse(editBody, req.body, "The session");
    return { week: mondayOf(date), label: labelParam(req.params.label), items, ...(note ? { note } : {}) };
  };
  const unknownExercises = (p: Planned, edit: SessionEdit): void => {
    const faults = edit.items.flatMap((i, n) =>
      p.library.byId(i.exercise)
        ? []
        : [{ path: `items[${n}].exercise`, expected: `an exercise of the library expected, found "${i.exercise}"` }],
    );
    if (faults.length > 0) throw faulty(faults, "The session");
  };

  router.post("/:id/sessions/:date/:label/preview", async (req, res) => {
    const edit = editOf(req);
    const p = await season(req.params.id);
    unknownExercises(p, edit);
    res.json(tryEdit(p, planner.today(), dateParam(req.params.date), edit));
  });

  router.put("/:id/sessions/:date/:label/edit", async (req, res) => {
    const edit = editOf(req);
    const date = dateParam(req.params.date);
    const p = await season(req.params.id);
    unknownExercises(p, edit);
    const tried = tryEdit(p, planner.today(), date, edit);
    if (tried.fault !== null) throw new ProblemError(409, "It does not fit", tried.fault);
    await change(
      req.params.id,
      "The session",
      (a) => withEdit(a, edit, edit.week, edit.label),
      `${LABEL_WORDS[edit.label]} of ${dayLabel(date)} made by hand`,
    );
    res.status(204).end();
  });

  router.delete("/:id/sessions/:date/:label/edit", async (req, res) => {
    const [date, label] = [dateParam(req.params.date), labelParam(req.params.label)];
    await change(
      req.params.id,
      "The session",
      (a) => withEdit(a, null, mondayOf(date), label),
      `${LABEL_WORDS[label]} of ${dayLabel(date)} back to the planner`,
    );
    res.status(204).end();
  });

  /** The same session for others in the same week; their loads are worked out for them. */
  router.post("/:id/sessions/:date/:label/copy", async (req, res) => {
    const { to } = parse(copyEditBody, req.body, "The copy");
    const [date, label] = [dateParam(req.params.date), labelParam(req.params.label)];
    const own = await season(req.params.id);
    const { session, week } = standing(own, date, label);
    const kept = own.stored.athlete.edits?.find((e) => e.week === week.season.start && e.label === label);
    const items: SessionEdit["items"] =
      kept?.items ??
      session.items.map((i) => ({
        exercise: i.exercise.id,
        group: groupOf(i),
        sets: i.sets,
        ...(i.repsLow === null ? {} : { repsLow: i.repsLow }),
        ...(i.reps === null ? {} : { reps: i.reps }),
        ...(i.seconds === null ? {} : { seconds: i.seconds }),
        rir: i.rir,
      }));
    const edit: SessionEdit = {
      week: week.season.start,
      label,
      items: items.map(({ loadKg: _, ...i }) => i),
      ...(kept?.note ? { note: kept.note } : {}),
    };
    const results: CopyResult[] = [];
    for (const id of to) {
      const p = await season(id);
      const theirs = p.plan.weeks.find((w) => w.season.start === edit.week)?.sessions.find((s) => s.label === label);
      const name = p.stored.athlete.athlete.name;
      if (!theirs) {
        results.push({ id, name, copied: false, notes: [`has no ${LABEL_WORDS[label]} in that week`] });
        continue;
      }
      const tried = tryEdit(p, planner.today(), theirs.date, edit);
      if (tried.fault === null)
        await change(
          id,
          "The session",
          (a) => withEdit(a, edit, edit.week, label),
          `${LABEL_WORDS[label]} of ${dayLabel(theirs.date)} copied from ${own.stored.athlete.athlete.name}`,
        );
      results.push({
        id,
        name,
        copied: tried.fault === null,
        notes: tried.fault === null ? tried.warnings : [tried.fault],
      });
    }
    res.json(results);
  });

  router.get("/:id/lifts", async (req, res) => {
    res.json(liftRows(await season(req.params.id), planner.today()));
  });

  router.get("/:id/lifts/:exercise", async (req, res) => {
    const view = liftView(await season(req.params.id), planner.today(), req.params.exercise);
    if (!view) throw notFound("exercise");
    res.json(view);
  });

  /** How it was the morning after: told later than the session itself. */
  router.put("/:id/next-day", async (req, res) => {
    const body = parse(nextDayBody, req.body, "The answer");
    const { athlete } = await stored(req.params.id);
    const log = athlete.strengthLog.find(
      (l) => l.date === body.date && l.items.some((i) => i.exercise === body.exercise),
    );
    if (!log) throw notFound("log of that exercise on that day");
    const items = log.items.map((i) => (i.exercise === body.exercise ? { ...i, nextDayPain: body.pain } : i));
    await store.putLog(req.params.id, log.date, log.label, { ...log, items });
    res.status(204).end();
  });

  router.put("/:id/overrules", async (req, res) => {
    const o = parse(overruleBody, req.body, "The decision");
    const { athlete } = await stored(req.params.id);
    if (!athlete.strengthLog.some((l) => l.date === o.date && l.items.some((i) => i.exercise === o.exercise)))
      throw faulty([{ path: "date", expected: "a day on which the exercise was logged expected" }], "The decision");
    await change(
      req.params.id,
      "The decision",
      (a) => ({
        ...a,
        overrules: [...(a.overrules ?? []).filter((x) => x.date !== o.date || x.exercise !== o.exercise), o],
      }),
      `Decision on ${o.exercise.replaceAll("-", " ")}`,
    );
    res.status(204).end();
  });

  router.delete("/:id/overrules/:date/:exercise", async (req, res) => {
    const { date, exercise, id } = req.params;
    await change(
      id,
      "The decision",
      (a) => {
        const overrules = (a.overrules ?? []).filter((x) => x.date !== date || x.exercise !== exercise);
        const { overrules: _, ...rest } = a;
        return overrules.length > 0 ? { ...rest, overrules } : rest;
      },
      `Decision on ${exercise.replaceAll("-", " ")} taken back`,
    );
    res.status(204).end();
  });

  router.get("/:id/review", async (req, res) => {
    const from = dateParam(typeof req.query.from === "string" ? req.query.from : undefined);
    const to = dateParam(typeof req.query.to === "string" ? req.query.to : undefined);
    res.json(await reviewView(store, await season(req.params.id), planner.today(), from, to));
  });

  router.put("/:id/reviews", async (req, res) => {
    const body = parse(reviewBody, req.body, "The review");
    if ((await store.revision(req.params.id)) === null) throw notFound("athlete");
    await store.past.keepReview(req.params.id, { ...body, id: randomUUID() });
    res.status(204).end();
  });

  return router;
}
