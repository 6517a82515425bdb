/** Sessions by hand: tried, kept, given back, copied to others. */

import { plannedView } from "../../api/make/session";
import { copyEditBody, type EditBody, editBody } from "../../api/requests";
import { may } from "../../api/roles";
import type { CopyResult, EditPreview } from "../../api/views";
import type { Athlete, Label, SessionEdit } from "../../core/athlete";
import { LABEL_WORDS } from "../../core/athlete";
import { dayLabel, type IsoDate, mondayOf, timeOf } from "../../core/dates";
import { type PlanWeek, planWeek } from "../../core/planning";
import { competes, groupOf, groupsOf } from "../../core/session";
import { asLocked } from "../../core/week";
import { faulty, HttpProblem, notFound } from "../errors";
import { type Call, done, json, type Route, RouteList } from "../http/route";
import type { Planned } from "../planner";
import type { ServerContext } from "../serverContext";
import { athleteTools, dateParam, labelParam } from "./tools";

const withEdit = (a: Athlete, edit: SessionEdit | null, week: IsoDate, label: Label): Athlete => {
  const others = (a.edits ?? []).filter((e) => e.week !== week || e.label !== label);
  const { edits: _, ...rest } = a;
  const edits = edit ? [...others, edit] : others;
  return edits.length > 0 ? { ...rest, edits } : rest;
};

/** The planned session of a day, with its week. @throws where none stands there, or where it is past */
function plannedOn(p: Planned, date: IsoDate, label: Label) {
  const week = p.plan.weeks.find((w) => w.season.start === mondayOf(date));
  const session = week?.sessions.find((s) => s.date === date && s.label === label);
  if (!week || !session) throw notFound("planned session on that day");
  return { week, session };
}

/** The session as the edit would make it, where it stands now. */
function tryEdit(p: Planned, today: IsoDate, date: IsoDate, edit: SessionEdit): EditPreview {
  const { label } = edit;
  const { week, session } = plannedOn(p, date, label);
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
      fault: `Not possible on ${dayLabel(date)} at ${timeOf(session.start)}: it is longer than its free time slot, the place lacks the equipment, or a rule that must hold forbids it.${why ? ` ${why}` : ""}`,
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
  if (made.stress > week.loadLimit && week.loadLimit > 0)
    warnings.push(`${made.stress - week.loadLimit} AU over the most this week takes, ${week.loadLimit} AU.`);
  const day = week.season.days.find((d) => d.date === date);
  if (day && !day.heavyOk && made.heavy)
    warnings.push(`Heavy work on a day that takes none: ${day.why.at(-1)?.text ?? ""}`);
  if (week.season.setFactor < 1)
    warnings.push("The week cuts its sets; a session by hand keeps its own. Cut it here if it is to be cut.");
  return { session: { ...view, edit, loadLimit: week.loadLimit }, warnings, fault: null };
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
  const { session, week } = plannedOn(own, date, label);
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

interface Copied {
  result: CopyResult;
  /** The day of the session that it becomes; null where there is none. */
  date: IsoDate | null;
}

/** What becomes of a session by hand that another athlete is to have in the same week. */
function copyTo(p: Planned, today: IsoDate, edit: SessionEdit): Copied {
  const { id, athlete } = p.stored;
  const { name } = athlete.athlete;
  const { label } = edit;
  const theirs = p.plan.weeks.find((w) => w.season.start === edit.week)?.sessions.find((s) => s.label === label);
  if (!theirs)
    return { result: { id, name, copied: false, notes: [`has no ${LABEL_WORDS[label]} in that week`] }, date: null };
  const { fault, warnings } = tryEdit(p, today, theirs.date, edit);
  return {
    result: { id, name, copied: fault === null, notes: fault === null ? warnings : [fault] },
    date: theirs.date,
  };
}

/** Sessions by hand: tried, kept, given back. */
function ownEdits(r: RouteList, ctx: ServerContext): void {
  const { planner } = ctx;
  const { season, change } = athleteTools(ctx);
  const spec = { body: { schema: editBody, what: "The session" } };

  r.try("/:id/sessions/:date/:label/preview", spec, async (call) => {
    const edit = editOf(call);
    const p = await season(call.params.id, edit.week);
    unknownExercises(p, edit);
    return json(tryEdit(p, planner.today(), dateParam(call.params.date), edit));
  });

  r.planned(
    "PUT",
    "/:id/sessions/:date/:label/edit",
    spec,
    async (call) => {
      const edit = editOf(call);
      const p = await season(call.params.id, edit.week);
      unknownExercises(p, edit);
      const tried = tryEdit(p, planner.today(), dateParam(call.params.date), edit);
      if (tried.fault !== null) throw new HttpProblem(409, "It does not fit", tried.fault);
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
}

/** A session by hand for others. */
function copies(r: RouteList, ctx: ServerContext): void {
  const { planner } = ctx;
  const { season, change } = athleteTools(ctx);

  /** The same session for others in the same week. */
  r.planned(
    "POST",
    "/:id/sessions/:date/:label/copy",
    { body: { schema: copyEditBody, what: "The copy" } },
    async ({ params, body, who }) => {
      const [date, label] = [dateParam(params.date), labelParam(params.label)];
      if (body.to.some((id) => !may(who, "plan.change", id))) throw notFound("athlete");
      const edit = editFor(await season(params.id, date), date, label);
      const found: Copied[] = [];
      for (const id of body.to) found.push(copyTo(await season(id, date), planner.today(), edit));
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

/** Sessions by hand: tried, kept, given back, copied to others. */
export function editRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  ownEdits(r, ctx);
  copies(r, ctx);
  return r.all;
}
