/** Groups of athletes. Whoever sees a part of a group sees and changes that part. */
import { randomUUID } from "node:crypto";
import { type GroupFloorView, type GroupView, groupBody, groupTakeBody, type ManyAnswer } from "../../api/many";
import { may, sees, type Who } from "../../api/roles";
import { isRoutine, withLock } from "../../core/athlete";
import { dayLabel, timeOf } from "../../core/dates";
import { faulty, notFound } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import { answering } from "../http/scope";
import type { ServerContext } from "../serverContext";
import type { Made } from "../store/many";
import type { Stored } from "../store/store";
import { groupHour, groupSessionView } from "../views/group";
import { dateParam } from "./tools";

const seenBy = (who: Who, group: GroupView): GroupView => ({
  ...group,
  members: group.members.filter((id) => sees(who, id)),
});

/** The group's hour on a day: seen, taken over for all in one change, and who is there. */
function hourRoutes(r: RouteList, ctx: ServerContext): void {
  const { store, planner } = ctx;
  const groupOf = async (who: Who, id: string): Promise<GroupView> => {
    const group = await store.groups.get(id);
    if (!group) throw notFound("group");
    return seenBy(who, group);
  };
  const hourOf = async (group: GroupView, date: string, without?: ReadonlySet<string>) => {
    const hour = await groupHour(planner, group, date, without);
    if (!hour) throw notFound("hour of this group");
    return hour;
  };

  r.read(
    "/:group/sessions/:date",
    async ({ params, who }) => {
      const group = await groupOf(who, params.group);
      return json(groupSessionView(group, planner.today(), await hourOf(group, dateParam(params.date))));
    },
    { expensive: true },
  );

  r.planned(
    "POST",
    "/:group/sessions/:date/take",
    { body: { schema: groupTakeBody, what: "The group's hour" }, expensive: true },
    async ({ params, body, who }) => {
      if (body.athletes.some(({ id }) => !may(who, "plan.change", id))) throw notFound("athlete");
      const group = await groupOf(who, params.group);
      const date = dateParam(params.date);
      const wanted = new Set(body.athletes.map((a) => a.id));
      const { on, places } = await hourOf(group, date, new Set(group.members.filter((id) => !wanted.has(id))));
      const taken = places.map((p) => ({
        id: p.member.id,
        why: p.why,
        opened: p.member.opened,
        lock:
          p.option && p.start !== null
            ? { date, start: timeOf(p.start), place: on.place, label: p.option.label }
            : null,
      }));
      return { name: group.name, taken };
    },
    async ({ params, body: { athletes } }, { name, taken }) => {
      const told = (answer: ManyAnswer) => answering(json(answer, 201), null);
      const make = (s: Stored): Made | { fault: string } => {
        const place = taken.find((t) => t.id === s.id);
        if (!place?.lock) return { fault: place?.why ?? "is not in the group any more" };
        const a = s.athlete;
        const { opened, lock } = place;
        const next = {
          ...a,
          ...(opened ? { changes: [...(a.changes ?? []), opened] } : {}),
          locked: withLock(a.locked ?? [], lock),
        };
        return { next, rows: [], note: null, free: [] };
      };
      const words = `${name} on ${dayLabel(dateParam(params.date))}`;
      return json(await store.many.change(words, athletes, make, told), 201);
    },
  );
}

/** Who of a group is there. */
function floorRoute(r: RouteList, { store, planner }: ServerContext): void {
  /** Who lifts: the session of that day of each member, planned or logged. */
  r.read("/:group/floor/:date", async ({ params, who }) => {
    const found = await store.groups.get(params.group);
    if (!found) throw notFound("group");
    const group = seenBy(who, found);
    const date = dateParam(params.date);
    const members: GroupFloorView["members"] = [];
    for (const id of group.members) {
      const stored = await store.athletes.get(id);
      if (!stored) continue;
      const { athlete: a } = stored;
      const logged = a.strengthLog.find((l) => l.date === date && !isRoutine(l.label))?.label;
      const missed = (a.changes ?? []).find((c) => c.kind === "missed" && c.date === date);
      const week = logged || missed ? null : planner.until(stored, date)?.plan.weeks.at(-1);
      const planned = week?.sessions.find((s) => s.date === date && !isRoutine(s.label))?.label;
      const { name, massUnit = "kg" } = a.athlete;
      const label = logged ?? (missed?.kind === "missed" ? missed.label : planned) ?? null;
      members.push({ id, name, massUnit, label, absent: missed !== undefined && !logged });
    }
    return json({ group, today: planner.today(), date, members } satisfies GroupFloorView);
  });
}

export function groupRoutes(ctx: ServerContext): Route[] {
  const { store } = ctx;
  const r = new RouteList("/groups");

  const checked = async (who: Who, members: readonly string[]): Promise<void> => {
    const known = new Set((await store.athletes.list()).map((a) => a.id));
    const faults = members.flatMap((id, i) =>
      known.has(id) && sees(who, id) ? [] : [{ path: `members[${i}]`, expected: "an athlete of the club expected" }],
    );
    if (faults.length > 0) throw faulty(faults, "The group");
  };

  r.peek("", async ({ who }) => json((await store.groups.all()).map((g) => seenBy(who, g))));

  const spec = { body: { schema: groupBody, what: "The group" } };
  r.change("POST", "", spec, async ({ body, who }) => {
    await checked(who, body.members);
    const id = randomUUID();
    const answer = answering(json({ id }, 201), null);
    await store.groups.add(body, id);
    return answer;
  });

  r.change("PUT", "/:group", spec, async ({ params, body, who }) => {
    await checked(who, body.members);
    const changed = await store.groups.change(params.group, (before) => ({
      ...body,
      // Members whom this coach does not see stay.
      members: [...body.members, ...before.members.filter((id) => !sees(who, id))],
    }));
    if (!changed) throw notFound("group");
    return done();
  });

  r.change("DELETE", "/:group", {}, async ({ params }) => {
    if (!(await store.groups.remove(params.group))) throw notFound("group");
    return done();
  });

  hourRoutes(r, ctx);
  floorRoute(r, ctx);
  return r.all;
}
