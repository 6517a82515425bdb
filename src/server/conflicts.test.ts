import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith, logOf } from "../../tests/support/athlete";
import { SANDBAG_CARRY } from "../../tests/support/exercise";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import type { Problem } from "../api/problem";
import { TAGGED_TYPE, TAGS_HEADER, type Tagged } from "../api/things";
import { SHIPPED_APPROACHES } from "../core/approach/shipped";
import type { Athlete, StrengthLog } from "../core/athlete/types";

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.close());

const MONDAY = "2026-03-02";
const race = { date: "2026-05-10", name: "Dyke Run", sport: "run", priority: "C", expectedMinutes: 40 };
const run = { date: "2026-03-04", sport: "run", kind: "easy", minutes: 40 };

/** A view with its tags, as a screen reads it. */
async function look(path: string): Promise<Tagged> {
  const answer = await server.raw("GET", path, { [TAGS_HEADER]: "1" });
  expect(answer.status, path).toBe(200);
  expect(answer.headers["content-type"]).toContain(TAGGED_TYPE);
  return JSON.parse(answer.text) as Tagged;
}

async function change(method: string, path: string, body: unknown, seen: string | null) {
  const headers: Record<string, string> = {
    "Content-Type": "application/json",
    ...(seen ? { "If-Match": `"${seen}"` } : {}),
  };
  const answer = await server.raw(method, path, headers, body === undefined ? undefined : JSON.stringify(body));
  return {
    status: answer.status,
    tag: String(answer.headers.etag ?? "").replaceAll('"', ""),
    problem: answer.text.startsWith("{") ? (JSON.parse(answer.text) as Problem) : null,
  };
}

interface Case {
  what: string;
  /** Where a screen reads it. */
  view: string;
  thing: string;
  method: "PUT" | "DELETE";
  path: string;
  /** Two people's changes of it. */
  first: unknown;
  second: unknown;
}

describe("two people on one thing", () => {
  async function cases(): Promise<Case[]> {
    const id = await server.store.athletes.add(athleteWith());
    const at = `/athletes/${id}`;
    const raceId = (await server.call<{ id: string }>("POST", `${at}/races`, race)).body.id;
    const row = (await server.call<{ id: string }>("POST", `${at}/endurance`, run)).body.id;
    const copy = (await server.call<{ id: string }>("POST", "/approaches", { basis: "layered", name: "Mine" })).body.id;
    const approach = { ...SHIPPED_APPROACHES.find((a) => a.id === "layered"), id: copy, name: "Mine" };
    await server.store.logs.put(
      id,
      MONDAY,
      "A",
      logOf(MONDAY, [{ exercise: "back-squat", sets: [{ reps: 5, loadKg: 60, side: "both" }] }]),
    );
    const { athlete } = (await server.store.athletes.get(id)) as { athlete: Athlete };
    const put = (what: string, view: string, inside: string, path: string, first: unknown, second: unknown): Case => ({
      what,
      view: `${at}${view}`,
      thing: `athletes/${id}/${inside}`,
      method: "PUT",
      path: `${at}${path}`,
      first,
      second,
    });
    const session = { date: "2026-03-10", start: "18:00", place: "gym", label: "A" };
    return [
      put("a race", "/season", `races/${raceId}`, `/races/${raceId}`, { ...race, name: "A" }, { ...race, name: "B" }),
      put(
        "an endurance session",
        `/weeks/${MONDAY}`,
        `endurance/${row}`,
        `/endurance/${row}`,
        { ...run, minutes: 50 },
        { ...run, minutes: 60 },
      ),
      put(
        "a note that nobody wrote yet",
        "/season",
        `notes/${MONDAY}`,
        `/notes/${MONDAY}`,
        { text: "camp" },
        { text: "cold" },
      ),
      put(
        "the free time slots",
        "",
        "windows",
        "/windows",
        { windows: athlete.availability.slice(0, 1) },
        { windows: [] },
      ),
      put(
        "one step of the intake",
        "/intake",
        "intake/facts",
        "/intake",
        { facts: { ...athlete.athlete, bodyMassKg: 66 } },
        { facts: { ...athlete.athlete, bodyMassKg: 67 } },
      ),
      put(
        "two steps of the intake at once",
        "/intake",
        "intake/rungs+season",
        "/intake",
        { rungs: [], season: { ...athlete.season, end: "2026-07-01" } },
        { rungs: [], season: athlete.season },
      ),
      put(
        "the phases",
        "/season",
        "phases",
        "/phases",
        { phases: [{ phase: "base", start: "2026-03-02", end: "2026-03-29" }] },
        { phases: [] },
      ),
      put("a lock", `/weeks/2026-03-09`, "locks/2026-03-09/A", "/locks", session, { ...session, start: "18:15" }),
      put(
        "a placement",
        `/weeks/2026-03-09`,
        "held/2026-03-09",
        "/weeks/2026-03-09/held",
        { sessions: [session] },
        { sessions: [] },
      ),
      put("the points of the rules", "/weights", "weights", "/weights", { weights: { S1: 5 } }, { weights: { S1: 6 } }),
      put("what is followed", "/follow", "follow", "/follow", { approach: "control" }, { approach: "layered" }),
      put(
        "a decision on a lift",
        "/lifts/back-squat",
        `overrules/${MONDAY}/back-squat`,
        "/overrules",
        { exercise: "back-squat", date: MONDAY, kind: "same" },
        { exercise: "back-squat", date: MONDAY, kind: "up-load", loadKg: 65 },
      ),
      put(
        "the text of a review",
        `/review?from=${MONDAY}&to=${MONDAY}`,
        "reviews/2026-03-02/2026-03-08",
        "/reviews",
        { start: "2026-03-02", end: "2026-03-08", text: "a", sent: false },
        { start: "2026-03-02", end: "2026-03-08", text: "b", sent: false },
      ),
      put(
        "a swap",
        "/season",
        "swaps/2026-03-10/A/bridge",
        "/swaps/2026-03-10/A",
        { from: "bridge", to: "clam" },
        { from: "bridge", to: null },
      ),
      put("the training log's account", "/feed", "feed", "/feed", { account: "one" }, { account: "two" }),
      put(
        "a tried season",
        "/planning",
        "scenario/races",
        "/scenario",
        { races: [] },
        { races: [{ id: "r", ...race }] },
      ),
      {
        what: "an approach",
        view: "/approaches",
        thing: `approaches/${copy}`,
        method: "PUT",
        path: `/approaches/${copy}`,
        first: { approach: { ...approach, name: "Mine too" } },
        second: { approach: { ...approach, name: "Mine again" } },
      },
      {
        what: "the rules of everybody",
        view: "/approaches",
        thing: "approaches/rules",
        method: "PUT",
        path: "/approaches/rules",
        first: { rulesOff: ["mileage.spike"] },
        second: { rulesOff: [] },
      },
      put(
        "an athlete's own numbers of rules",
        "/rules",
        "rules",
        "/rules",
        { values: { M3: { hours: 30 } } },
        { values: { M3: { hours: 36 } } },
      ),
      {
        what: "everybody's own numbers of rules",
        view: "/rules",
        thing: "rules/values",
        method: "PUT",
        path: "/rules/values",
        first: { values: { M3: { hours: 30 } } },
        second: { values: { M3: { hours: 36 } } },
      },
      {
        what: "the points for everybody",
        view: `${at}/weights`,
        thing: "club/weights",
        method: "PUT",
        path: `${at}/weights/club`,
        first: { weights: { S1: 4 } },
        second: { weights: { S1: 3 } },
      },
      {
        what: "a gym",
        view: `/gym/${TODAY}`,
        thing: "gyms/gym",
        method: "PUT",
        path: "/gym/places/gym",
        first: { racks: 1, athletes: 2 },
        second: { racks: 3, athletes: 4 },
      },
      {
        what: "hiding an exercise",
        view: "/exercises",
        thing: "exercises/clam/hidden",
        method: "PUT",
        path: "/exercises/clam/hidden",
        first: { hidden: true },
        second: { hidden: false },
      },
    ];
  }

  it("the second sees the first's change before anything is overwritten, whatever the thing", async () => {
    for (const c of await cases()) {
      const { tags, whole, none } = await look(c.view);
      expect(c.thing === "club/weights" || c.thing.startsWith(whole), c.what).toBe(true);
      const parts = c.thing.includes("+")
        ? ["rungs", "season"].map((p) => c.thing.replace("rungs+season", p))
        : [c.thing];
      const seen = parts.map((p) => tags[p] ?? none).join(".");
      const first = await change(c.method, c.path, c.first, seen);
      expect(first.status, `${c.what}: ${JSON.stringify(first.problem)}`).toBeLessThan(300);
      expect(first.tag, c.what).not.toBe(seen);
      const second = await change(c.method, c.path, c.second, seen);
      expect(second.status, c.what).toBe(412);
      expect(second.problem?.conflict?.yours, c.what).toEqual(c.second);
      expect(second.problem?.conflict?.theirs, c.what).toMatchObject(theirs(c));
      expect(second.problem?.conflict?.tag, c.what).toBe(first.tag);
      // Having seen it, the second may overwrite it; and a screen may go on from its own change.
      const again = await change(c.method, c.path, c.second, second.problem?.conflict?.tag ?? "");
      expect(again.status, c.what).toBeLessThan(300);
      expect((await change(c.method, c.path, c.first, again.tag)).status, c.what).toBeLessThan(300);
    }
  });

  /** What stands there, as far as the change itself says it: the server may add to it. */
  const theirs = (c: Case): object => {
    const { approach, what: _, ...first } = c.first as { approach?: { name: string } | string; what?: string };
    return typeof approach === "object" ? { approach: { name: approach.name } } : (first as object);
  };

  it("removing what was changed meanwhile asks too", async () => {
    const id = await server.store.athletes.add(athleteWith());
    const raceId = (await server.call<{ id: string }>("POST", `/athletes/${id}/races`, race)).body.id;
    const path = `/athletes/${id}/races/${raceId}`;
    const { tags } = await look(`/athletes/${id}/season`);
    const seen = tags[`athletes/${id}/races/${raceId}`] ?? "";
    await server.call("PUT", path, { ...race, priority: "A" });
    const refused = await change("DELETE", path, undefined, seen);
    expect(refused.status).toBe(412);
    expect(refused.problem?.conflict).toMatchObject({ yours: null, theirs: { priority: "A" } });
    expect((await change("DELETE", path, undefined, refused.problem?.conflict?.tag ?? "")).status).toBe(204);
  });

  it("a refused change changes nothing, and another thing of the same athlete is in nobody's way", async () => {
    const id = await server.store.athletes.add(athleteWith());
    const { tags, none } = await look(`/athletes/${id}/season`);
    await server.call("PUT", `/athletes/${id}/notes/${MONDAY}`, { text: "theirs" });
    const revision = await server.store.athletes.revision(id);
    expect((await change("PUT", `/athletes/${id}/notes/${MONDAY}`, { text: "mine" }, none)).status).toBe(412);
    expect(await server.store.athletes.revision(id)).toBe(revision);
    expect((await server.store.athletes.get(id))?.notes).toEqual({ [MONDAY]: "theirs" });
    const windows = { windows: [] };
    expect((await change("PUT", `/athletes/${id}/windows`, windows, tags[`athletes/${id}/windows`] ?? "")).status).toBe(
      204,
    );
  });

  it("a script that says nothing of what it saw is served as ever", async () => {
    const id = await server.store.athletes.add(athleteWith());
    for (const text of ["one", "two", "three"])
      expect((await server.call("PUT", `/athletes/${id}/notes/${MONDAY}`, { text })).status).toBe(204);
    const plain = await server.raw("GET", `/athletes/${id}/season`);
    expect(plain.headers["content-type"]).toContain("application/json");
    expect(JSON.parse(plain.text)).toHaveProperty("weeks");
  });
});

describe("one session logged on two devices", () => {
  const set = (second: number, reps: number) => ({
    reps,
    side: "both" as const,
    at: `2026-03-03T18:00:0${second}.000Z`,
  });
  const logged = (exercise: string, ...sets: ReturnType<typeof set>[]): StrengthLog =>
    logOf(TODAY, [{ exercise, sets }]);

  it("keeps the sets of both, whichever comes first, and is never refused for it", async () => {
    const id = await server.store.athletes.add(athleteWith());
    const path = `/athletes/${id}/logs/${TODAY}/A/merge`;
    const phone = await server.call<StrengthLog>("POST", path, { base: null, log: logged("back-squat", set(1, 5)) });
    const tablet = await server.call<StrengthLog>("POST", path, { base: null, log: logged("back-squat", set(2, 5)) });
    const later = await server.call<StrengthLog>("POST", path, { base: phone.body, log: logged("hinge", set(3, 8)) });
    expect([phone.status, tablet.status, later.status]).toEqual([200, 200, 200]);
    const [log] = (await server.store.athletes.get(id))?.athlete.strengthLog ?? [];
    // The phone took its squat away between its two words: that, and only that, is gone.
    expect(log?.items.map((i) => [i.exercise, i.sets.map((s) => s.at)])).toEqual([
      ["back-squat", [set(2, 5).at]],
      ["hinge", [set(3, 8).at]],
    ]);
  });

  it("takes next day's pain in beside a log that goes on", async () => {
    const id = await server.store.athletes.add(athleteWith());
    const base = logged("back-squat", set(1, 5));
    await server.call("PUT", `/athletes/${id}/logs/${TODAY}/A`, base);
    const [pain, more] = await Promise.all([
      server.call("PUT", `/athletes/${id}/next-day`, { date: TODAY, exercise: "back-squat", pain: 3 }),
      server.call("POST", `/athletes/${id}/logs/${TODAY}/A/merge`, {
        base,
        log: logged("back-squat", set(1, 5), set(2, 5)),
      }),
    ]);
    expect([pain.status, more.status]).toEqual([204, 200]);
    const [log] = (await server.store.athletes.get(id))?.athlete.strengthLog ?? [];
    expect(log?.items[0]).toMatchObject({ nextDayPain: 3 });
    expect(log?.items[0]?.sets).toHaveLength(2);
  });
});

describe("a request sent again with its key", () => {
  const KEY = { "Content-Type": "application/json" };
  const post = (path: string, body: unknown, key: string) =>
    server.raw("POST", path, { ...KEY, "Idempotency-Key": key }, JSON.stringify(body));

  it("creates once and gives the same answer, whatever is created", async () => {
    const id = await server.store.athletes.add(athleteWith());
    const rows = { name: "a.csv", incoming: [{ session: { ...run, done: true }, kindGuessed: false }], races: [] };
    const creating: [string, unknown][] = [
      ["/athletes", athleteWith({}, { name: "Twice Sent" })],
      [`/athletes/${id}/races`, race],
      [`/athletes/${id}/endurance`, run],
      [`/athletes/${id}/import`, rows],
      [`/athletes/${id}/logs/${TODAY}/A/merge`, { base: null, log: logOf(TODAY, []) }],
      ["/approaches", { basis: "layered", name: "Twice" }],
      ["/exercises", SANDBAG_CARRY],
      ["/templates", { name: "T", items: [{ exercise: "bridge", group: 1, sets: 2, reps: 10 }] }],
      ["/calendar/absences", { start: TODAY, end: TODAY, what: "away" }],
    ];
    for (const [n, [path, body]] of creating.entries()) {
      const key = `key-number-${n}`;
      const first = await post(path, body, key);
      const version = server.store.version;
      const second = await post(path, body, key);
      expect([200, 201], `${path} ${first.text.slice(0, 200)}`).toContain(first.status);
      expect([second.status, second.text], path).toEqual([first.status, first.text]);
      expect(second.headers["idempotency-replayed"]).toBe("true");
      expect(server.store.version, path).toBe(version);
    }
    expect((await server.store.athletes.get(id))?.athlete.races).toHaveLength(1);
  });

  it("at the same moment creates once", async () => {
    const id = await server.store.athletes.add(athleteWith());
    const answers = await Promise.all(
      Array.from({ length: 6 }, () => post(`/athletes/${id}/races`, race, "all-at-once")),
    );
    expect(new Set(answers.map((a) => a.text)).size).toBe(1);
    expect((await server.store.athletes.get(id))?.athlete.races).toHaveLength(1);
  });

  it("undoes once", async () => {
    const id = await server.store.athletes.add(athleteWith());
    for (const text of ["one", "two"]) await server.call("PUT", `/athletes/${id}/notes/${MONDAY}`, { text });
    await post(`/athletes/${id}/undo`, {}, "undo-once-only");
    const again = await post(`/athletes/${id}/undo`, {}, "undo-once-only");
    expect(JSON.parse(again.text)).toEqual({ what: "Note of the week" });
    expect((await server.store.athletes.get(id))?.notes).toEqual({ [MONDAY]: "one" });
  });

  it("of another request is refused, and a refused request leaves its key free", async () => {
    const id = await server.store.athletes.add(athleteWith());
    expect((await post(`/athletes/${id}/races`, { ...race, priority: "Z" }, "a-free-key")).status).toBe(422);
    expect((await post(`/athletes/${id}/races`, race, "a-free-key")).status).toBe(201);
    expect((await post(`/athletes/${id}/races`, { ...race, name: "Other" }, "a-free-key")).status).toBe(422);
    expect((await post(`/athletes/${id}/races`, race, "short")).status).toBe(400);
  });

  it("is forgotten with the athlete it created something for", async () => {
    const id = await server.store.athletes.add(athleteWith());
    await post(`/athletes/${id}/races`, race, "goes-with-its-athlete");
    await server.call("DELETE", `/athletes/${id}`);
    const rows = await server.store.db.reader.query("SELECT * FROM idempotency WHERE key = 'goes-with-its-athlete'");
    expect(rows).toEqual([]);
  });
});
