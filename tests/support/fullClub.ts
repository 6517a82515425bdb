/** A club with something of everything, and all that its views and files say. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { expect } from "vitest";
import { linkFeed } from "../../src/server/feed/feed";
import { CoachAbsenceEntity } from "../../src/server/store/entities";
import { SANDBAG_CARRY } from "./exercise";
import { type TestServer, TODAY } from "./server";

/** The Monday of the tests' week. */
export const MONDAY = "2026-03-02";

/** A club in which every table has something to lose. */
export async function fullClub({ store, call, raw }: TestServer): Promise<string[]> {
  const ids: string[] = [];
  for (const file of ["run", "row"])
    ids.push(
      (await call<{ id: string }>("POST", "/athletes", readFileSync(join(import.meta.dirname, `${file}.json`), "utf8")))
        .body.id,
    );
  const [id = ""] = ids;
  await call("POST", `/athletes/${id}/weeks/${MONDAY}/fit`);
  await call("PUT", `/athletes/${id}/notes/${MONDAY}`, { text: "camp\nthen rest" });
  await store.weeks.swap(id, "2026-03-10", "A", "bridge", "clam");
  const rows = {
    name: "a.csv",
    incoming: [
      { session: { date: "2026-02-01", sport: "run", kind: "easy", minutes: 33, done: true }, kindGuessed: false },
    ],
    races: [],
  };
  expect((await call("POST", `/athletes/${id}/import`, rows)).status).toBe(201);
  await call("GET", `/athletes/${id}/review?from=2026-02-02&to=2026-02-15`);
  await call("PUT", `/athletes/${id}/reviews`, {
    start: "2026-02-02",
    end: "2026-02-15",
    text: "A good block.",
    sent: true,
  });
  expect((await call("PUT", `/athletes/${id}/published/${MONDAY}`, { note: "Easy does it." })).status).toBe(204);
  const said = { id: "a".repeat(32), area: "calf", side: "left", level: 3, text: "Stiff in the morning" };
  expect((await call("POST", `/athletes/${id}/phone/troubles`, said)).status).toBe(204);
  await call("POST", "/approaches", { basis: "layered", name: "Mine" });
  await call("POST", "/templates", { name: "T", items: [{ exercise: "bridge", group: 1, sets: 2, reps: 10 }] });
  await call("POST", "/exercises", SANDBAG_CARRY);
  await call("POST", "/groups", { name: "Tuesday", members: ids.slice(0, 2), hour: null });
  const revision = await store.athletes.revision(id);
  const note = { kind: "note", week: "2026-06-01", text: "For all of them." };
  expect((await call("POST", "/many", { change: note, athletes: [{ id, revision }] })).status).toBe(201);
  await call("PUT", "/exercises/clam/hidden", { hidden: true });
  await call("PUT", "/gym/places/strength-hall", { racks: 1, athletes: 4 });
  await linkFeed(store, id, "an-account");
  await store.db.write((m) => m.insert(CoachAbsenceEntity, { id: "c", start: TODAY, end: TODAY, what: "Course" }));
  await raw(
    "POST",
    `/athletes/${id}/races`,
    { "Content-Type": "application/json", "Idempotency-Key": "a-kept-answer" },
    JSON.stringify({ date: "2026-06-20", name: "Dyke Run", sport: "run", priority: "C", expectedMinutes: 40 }),
  );
  return ids;
}

/** Every view and file of a club, as bytes. */
export async function everything(s: TestServer, ids: readonly string[]): Promise<Record<string, string>> {
  const paths = [
    ...ids.flatMap((id) =>
      [
        "",
        "/file",
        "/season",
        `/weeks/${MONDAY}`,
        "/intake",
        "/planning",
        "/edits",
        "/feed",
        "/screening",
        "/weights",
        "/follow",
        "/lifts",
        "/review?from=2026-02-02&to=2026-02-15",
      ].map((p) => `/athletes/${id}${p}`),
    ),
    ...[
      "/squad",
      "/calendar",
      "/approaches",
      "/exercises",
      "/templates",
      "/groups",
      "/many",
      `/gym/${TODAY}?place=strength-hall`,
    ],
  ];
  const out: Record<string, string> = {};
  for (const p of paths) out[p] = (await s.raw("GET", p)).text;
  return out;
}
