/** What an athlete follows, sessions by hand, lifts with the coach's word on them, and reviews. */

import { randomUUID } from "node:crypto";
import { clubOptions } from "../../api/make/planned";
import {
  compareBody,
  copyEditBody,
  type EditBody,
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
import { faulty, notFound, ProblemError } from "../errors";
import { type Call, done, json, type Route, RouteList } from "../http/route";
import type { Planned } from "../planner";
import type { ServerContext } from "../serverContext";
import { liftRows, liftView } from "../views/lift";
import { pastWeeks, reviewView } from "../views/review";
import { plannedView } from "../views/session";
import { checkedApproach } from "./approaches";
import { athleteTools, dateParam, labelParam } from "./tools";

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

/** Which approach is followed, and what another would change. */
function followRoutes(r: RouteList, ctx: ServerContext): void {
  const { store, planner } = ctx;
  const { stored, season, change } = athleteTools(ctx);
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

  r.read("/:id/follow", async ({ params }) => {
    const { athlete } = await stored(params.id);
    const view: FollowView = {
      approach: athlete.settings?.approach ?? "layered",
      approachByPhase: athlete.settings?.approachByPhase ?? {},
      rulesOff: athlete.settings?.rulesOff ?? [],
      clubRulesOff: [...store.club.rulesOff],
    };
    return json(view);
  });

  r.planned(
    "PUT",
    "/:id/follow",
    { body: { schema: followBody, what: "The choice" } },
    async ({ params, body }) => {
      const asked = [body.approach, ...Object.values(body.approachByPhase ?? {})].filter((x) => x !== undefined);
      const { athlete } = await stored(params.id);
      const unknown = asked.filter((id) => !findApproach(id, [...store.approaches.all, ...(athlete.approaches ?? [])]));
      if (unknown.length > 0)
        throw faulty(
          unknown.map((id) => ({ path: "approach", expected: `a known approach expected, found "${id}"` })),
          "The choice",
        );
      // Weeks that are over stay as they were planned under the choice that goes.
      return (await pastWeeks(store, await season(params.id), planner.today())).fresh;
    },
    async ({ params, body }, past) => {
      await store.archive.keep(params.id, past);
      await change(
        params.id,
        "The choice",
        (a) => ({ ...a, settings: following(a.settings, body) }),
        "Approach and rules",
      );
      return done();
    },
  );

  /** Which of this athlete's future sessions a change would alter; nothing is stored. */
  r.try(
    "/:id/dose-preview",
    { body: { schema: previewBody, what: "The preview" }, expensive: true },
    async ({ params, body }) => {
      const p = await season(params.id);
      const { approach, follow, clubRulesOff } = body;
      if (approach) checkedApproach(approach);
      const approaches = approach
        ? [approach, ...p.stored.approaches.filter((a) => a.id !== approach.id)]
        : p.stored.approaches;
      const athlete = follow
        ? { ...p.stored.athlete, settings: following(p.stored.athlete.settings, follow) }
        : p.stored.athlete;
      return json(changesOf(p, athlete, { approaches, ...(clubRulesOff ? { rulesOff: clubRulesOff } : {}) }));
    },
  );

  /** Two approaches on the whole season of this athlete, as if it were planned from its first day. */
  r.try(
    "/:id/compare",
    { body: { schema: compareBody, what: "The comparison" }, expensive: true },
    async ({ params, body }) => {
      const p = await season(params.id);
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
      return json(view);
    },
  );
}

type EditCall = Call<EditBody>;

/** The session by hand that a request describes. */
const editOf = ({ params, body: { items, note } }: EditCall): SessionEdit => ({
  week: mondayOf(dateParam(params.date)),
  label: labelParam(params.label),
  items,
  ...(note ? { note } : {}),
});

function unknownExercises(p: Planned, edit: SessionEdit): void {
  const faults = edit.items.flatMap((i, n) =>
    p.library.byId(i.exercise)
      ? []
      : [{ path: `items[${n}].exercise`, expected: `an exercise of the library expected, found "${i.exercise}"` }],
  );
  if (faults.length > 0) throw faulty(faults, "The session");
}

/** The session of one athlete as others would do it: loads are worked out for them. */
function editFor(own: Planned, date: IsoDate, label: Label): SessionEdit {
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
  return {
    week: week.season.start,
    label,
    items: items.map(({ loadKg: _, ...i }) => i),
    ...(kept?.note ? { note: kept.note } : {}),
  };
}

/** Sessions by hand: tried, kept, given back, copied to others. */
function editRoutes(r: RouteList, ctx: ServerContext): void {
  const { planner } = ctx;
  const { season, change } = athleteTools(ctx);
  const spec = { body: { schema: editBody, what: "The session" } };

  r.try("/:id/sessions/:date/:label/preview", spec, async (call) => {
    const edit = editOf(call);
    const p = await season(call.params.id);
    unknownExercises(p, edit);
    return json(tryEdit(p, planner.today(), dateParam(call.params.date), edit));
  });

  r.planned(
    "PUT",
    "/:id/sessions/:date/:label/edit",
    spec,
    async (call) => {
      const edit = editOf(call);
      const p = await season(call.params.id);
      unknownExercises(p, edit);
      const tried = tryEdit(p, planner.today(), dateParam(call.params.date), edit);
      if (tried.fault !== null) throw new ProblemError(409, "It does not fit", tried.fault);
      return edit;
    },
    async ({ params }, edit) => {
      await change(
        params.id,
        "The session",
        (a) => withEdit(a, edit, edit.week, edit.label),
        `${LABEL_WORDS[edit.label]} of ${dayLabel(dateParam(params.date))} made by hand`,
      );
      return done();
    },
  );

  r.change("DELETE", "/:id/sessions/:date/:label/edit", {}, async ({ params }) => {
    const [date, label] = [dateParam(params.date), labelParam(params.label)];
    await change(
      params.id,
      "The session",
      (a) => withEdit(a, null, mondayOf(date), label),
      `${LABEL_WORDS[label]} of ${dayLabel(date)} back to the planner`,
    );
    return done();
  });

  /** The same session for others in the same week. */
  r.planned(
    "POST",
    "/:id/sessions/:date/:label/copy",
    { body: { schema: copyEditBody, what: "The copy" } },
    async ({ params, body }) => {
      const [date, label] = [dateParam(params.date), labelParam(params.label)];
      const edit = editFor(await season(params.id), date, label);
      const found: { result: CopyResult; date: IsoDate | null }[] = [];
      for (const id of body.to) {
        const p = await season(id);
        const theirs = p.plan.weeks.find((w) => w.season.start === edit.week)?.sessions.find((s) => s.label === label);
        const { name } = p.stored.athlete.athlete;
        if (!theirs) {
          const notes = [`has no ${LABEL_WORDS[label]} in that week`];
          found.push({ result: { id, name, copied: false, notes }, date: null });
          continue;
        }
        const { fault, warnings } = tryEdit(p, planner.today(), theirs.date, edit);
        const result = { id, name, copied: fault === null, notes: fault === null ? warnings : [fault] };
        found.push({ result, date: theirs.date });
      }
      return { edit, found };
    },
    async (_call, { edit, found }) => {
      for (const { result, date } of found)
        if (result.copied && date)
          await change(
            result.id,
            "The session",
            (a) => withEdit(a, edit, edit.week, edit.label),
            `${LABEL_WORDS[edit.label]} of ${dayLabel(date)} copied from another athlete`,
          );
      return json(found.map((f) => f.result));
    },
  );
}

/** Lifts with the coach's word on them, and reviews. */
function liftRoutes(r: RouteList, ctx: ServerContext): void {
  const { store, planner } = ctx;
  const { stored, season, change } = athleteTools(ctx);

  r.read("/:id/lifts", async ({ params }) => {
    return json(liftRows(await season(params.id), planner.today()));
  });

  r.read("/:id/lifts/:exercise", async ({ params }) => {
    const view = liftView(await season(params.id), planner.today(), params.exercise);
    if (!view) throw notFound("exercise");
    return json(view);
  });

  /** How it was the morning after: told later than the session itself. */
  r.change("PUT", "/:id/next-day", { body: { schema: nextDayBody, what: "The answer" } }, async ({ params, body }) => {
    if (!(await store.logs.nextDay(params.id, body.date, body.exercise, body.pain)))
      throw notFound("log of that exercise on that day");
    return done();
  });

  r.change(
    "PUT",
    "/:id/overrules",
    { body: { schema: overruleBody, what: "The decision" } },
    async ({ params, body }) => {
      const o = body;
      const { athlete } = await stored(params.id);
      if (!athlete.strengthLog.some((l) => l.date === o.date && l.items.some((i) => i.exercise === o.exercise)))
        throw faulty([{ path: "date", expected: "a day on which the exercise was logged expected" }], "The decision");
      await change(
        params.id,
        "The decision",
        (a) => ({
          ...a,
          overrules: [...(a.overrules ?? []).filter((x) => x.date !== o.date || x.exercise !== o.exercise), o],
        }),
        `Decision on ${o.exercise.replaceAll("-", " ")}`,
      );
      return done();
    },
  );

  r.change("DELETE", "/:id/overrules/:date/:exercise", {}, async ({ params }) => {
    const { date, exercise, id } = params;
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
    return done();
  });

  /** Weeks that are over are written down as they were planned when they are first looked at. */
  r.planned(
    "GET",
    "/:id/review",
    { expensive: true },
    async ({ params, query }) =>
      reviewView(store, await season(params.id), planner.today(), dateParam(query.from), dateParam(query.to)),
    async ({ params }, { view, fresh }) => {
      await store.archive.keep(params.id, fresh);
      return json(view);
    },
  );

  r.change("PUT", "/:id/reviews", { body: { schema: reviewBody, what: "The review" } }, async ({ params, body }) => {
    if ((await store.athletes.revision(params.id)) === null) throw notFound("athlete");
    await store.archive.keepReview(params.id, { ...body, id: randomUUID() });
    return done();
  });
}

export function doseRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  for (const add of [followRoutes, editRoutes, liftRoutes]) add(r, ctx);
  return r.all;
}
