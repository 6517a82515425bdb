/** Groups of athletes. Whoever sees a part of a group sees and changes that part. */
import { randomUUID } from "node:crypto";
import { type GroupView, groupBody } from "../../api/many";
import { sees, type Who } from "../../api/roles";
import { faulty, notFound } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import { answering } from "../http/scope";
import type { ServerContext } from "../serverContext";

const seenBy = (who: Who, group: GroupView): GroupView => ({
  ...group,
  members: group.members.filter((id) => sees(who, id)),
});

export function groupRoutes({ store }: ServerContext): Route[] {
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

  return r.all;
}
