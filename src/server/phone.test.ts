/** Phones over the interface: joining by invitation, what a phone is told and may do, what came in, published weeks, who looked. */
import { readFileSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { TODAY, testServer } from "../../tests/support/server";
import { changedSince } from "../api/make/published";
import type {
  AccessLogView,
  CameInView,
  DeviceView,
  ImportedView,
  InvitationView,
  PhoneFacts,
  PhoneView,
  SessionStateView,
  SessionsView,
  SessionView,
} from "../api/views";
import type { StrengthLog } from "../core/athlete";
import { addDays, mondayOf } from "../core/dates";
import { guessLimits } from "./http/mount";

const PASSWORD = "a long enough one";

async function club() {
  const server = await testServer(undefined, {
    access: { mode: "asked", loopback: true, secure: false },
    guesses: guessLimits({ address: 1000, name: 1000 }),
  });
  await server.store.accounts.addOwner("Olga", "Olga Owner", PASSWORD);
  const jar = { phone: "", coach: "" };
  const raw = async (as: string, method: string, path: string, body?: unknown, more: Record<string, string> = {}) => {
    const answer = await server.raw(
      method,
      path,
      { Cookie: as, ...(body === undefined ? {} : { "Content-Type": "application/json" }), ...more },
      body === undefined ? undefined : JSON.stringify(body),
    );
    return { ...answer, body: (answer.text ? JSON.parse(answer.text) : null) as unknown };
  };
  const cookieOf = (set: string[] | undefined): string => set?.[0]?.split(";")[0] ?? "";
  jar.coach = cookieOf((await raw("", "POST", "/session", { name: "olga", password: PASSWORD })).headers["set-cookie"]);
  const add = async (name: string): Promise<string> => {
    const text = readFileSync("tests/support/run.json", "utf8");
    const file = JSON.parse(text) as { athlete: { name: string } };
    file.athlete.name = name;
    return ((await raw(jar.coach, "POST", "/athletes", file)).body as ImportedView).id;
  };
  const coach = <T>(method: string, path: string, body?: unknown) =>
    raw(jar.coach, method, path, body) as Promise<{ status: number; body: T }>;
  const join = async (id: string, device: string): Promise<string> => {
    const { body } = await coach<InvitationView>("POST", `/athletes/${id}/phone/invitations`);
    const answer = await raw("", "POST", "/phone/session/phone", { code: body.code, device });
    expect(answer.status).toBe(204);
    return cookieOf(answer.headers["set-cookie"]);
  };
  return { server, raw, add, coach, join, cookie: jar.coach };
}

let c: Awaited<ReturnType<typeof club>>;
let own = "";
let other = "";
let phone = "";
const asPhone = <T>(method: string, path: string, body?: unknown, more?: Record<string, string>) =>
  c.raw(phone, method, `/phone${path}`, body, more) as Promise<{
    status: number;
    body: T;
    headers: Record<string, string>;
  }>;
const cameIn = async (): Promise<CameInView> => (await c.coach<CameInView>("GET", "/came-in")).body;
/** Another day's session of this week, with where it might go. */
const facts = async (): Promise<PhoneFacts> => (await asPhone<PhoneFacts>("GET", `/athletes/${own}/phone`)).body;

beforeAll(async () => {
  c = await club();
  own = await c.add("Own Runner");
  other = await c.add("Other Runner");
  phone = await c.join(own, "Own phone");
});
afterAll(() => c.server.close());

describe("an invitation", () => {
  it("lets one phone in, once, and signs nobody out of the browser beside it", async () => {
    const { body } = await c.coach<InvitationView>("POST", `/athletes/${own}/phone/invitations`);
    // Seven days, as it is said where it is made.
    const days = (Date.parse(body.until) - Date.now()) / 86_400_000;
    expect(days).toBeGreaterThan(6.99);
    expect(days).toBeLessThanOrEqual(7);
    const first = await c.raw("", "POST", "/phone/session/phone", { code: body.code, device: "Second" });
    expect(first.status).toBe(204);
    const set = first.headers["set-cookie"]?.[0] ?? "";
    expect(set).toContain("Path=/api/phone");
    expect(set).toContain("HttpOnly");
    expect(set).toContain("SameSite=Strict");
    expect((await c.raw("", "POST", "/phone/session/phone", { code: body.code, device: "Third" })).status).toBe(401);
  });

  it("is void once there is a newer one, and no other code lets a phone in", async () => {
    const before = (await c.coach<InvitationView>("POST", `/athletes/${own}/phone/invitations`)).body.code;
    const after = (await c.coach<InvitationView>("POST", `/athletes/${own}/phone/invitations`)).body.code;
    const answer = (code: string) => c.raw("", "POST", "/phone/session/phone", { code, device: "x" });
    expect((await answer(before)).status).toBe(401);
    const coach = await c.server.store.accounts.invite("carl", "Carl", "coach", "all");
    expect((await answer(coach?.code ?? "")).status).toBe(401);
    // Nor does a phone's code set a password.
    const row = (await c.server.store.accounts.list()).find((a) => a.role === "athlete");
    const recovered = await c.raw("", "POST", "/session/recover", { name: row?.name, code: after, password: PASSWORD });
    expect(recovered.status).toBe(401);
    expect((await answer(after)).status).toBe(204);
  });

  it("is asked of the phone alone: a browser's session is none of a phone's, and the other way round", async () => {
    const state = (await asPhone<SessionStateView>("GET", "/session")).body;
    expect(state.account?.role).toBe("athlete");
    expect(state.athletes).toEqual([own]);
    expect((await c.raw(phone, "GET", `/athletes/${own}/phone`)).status).toBe(401);
    expect((await c.raw("", "GET", `/phone/athletes/${own}/phone`)).status).toBe(401);
  });

  it("ends at once when the phone is signed out", async () => {
    const second = await c.join(own, "Lost one");
    const asSecond = () => c.raw(second, "GET", `/phone/athletes/${own}/phone`);
    expect((await asSecond()).status).toBe(200);
    const view = (await c.coach<PhoneView>("GET", `/athletes/${own}/phone/coach`)).body;
    const lost = view.phones.find((d) => d.device === "Lost one");
    expect((await c.coach("DELETE", `/athletes/${own}/phone/devices/${lost?.id}`)).status).toBe(204);
    expect((await asSecond()).status).toBe(401);
  });

  it("shows the phone which one it is, and lets it be named", async () => {
    const mine = (await asPhone<DeviceView[]>("GET", `/athletes/${own}/phone/devices`)).body.filter((d) => d.now);
    expect(mine.map((d) => d.device)).toEqual(["Own phone"]);
    const named = await asPhone("PUT", `/athletes/${own}/phone/devices/${mine[0]?.id}`, { device: "In the kitchen" });
    expect(named.status).toBe(204);
    const phones = (await c.coach<PhoneView>("GET", `/athletes/${own}/phone/coach`)).body.phones;
    expect(phones.some((d) => d.device === "In the kitchen")).toBe(true);
  });
});

describe("where nobody is asked who they are", () => {
  it("a phone still is: it is somebody's, or turned away", async () => {
    const open = await testServer();
    const made = await open.call<ImportedView>(
      "POST",
      "/athletes",
      JSON.parse(readFileSync("tests/support/run.json", "utf8")),
    );
    expect((await open.call("GET", `/phone/athletes/${made.body.id}/phone`)).status).toBe(401);
    await open.close();
  });
});

describe("what a phone holds", () => {
  it("is what its own plan is made from, without the coach's notes, and nobody else's", async () => {
    await c.coach("PUT", `/athletes/${own}/notes/${mondayOf(TODAY)}`, { text: "between us coaches" });
    const view = await facts();
    expect(view.planning.athlete.athlete.name).toBe("Own Runner");
    expect(JSON.stringify(view)).not.toContain("between us coaches");
    expect((await asPhone("GET", `/athletes/${other}/phone`)).status).toBe(404);
    for (const [method, path, body] of [
      ["POST", `/athletes/${other}/phone/skips`, { date: TODAY, label: "A", why: "x" }],
      ["POST", `/athletes/${other}/messages`, { id: "0".repeat(32), text: "x", about: null }],
      ["DELETE", `/athletes/${other}/phone/devices/x`, undefined],
    ] as const)
      expect([path, (await asPhone(method, path, body)).status]).toEqual([path, 404]);
    // What is a coach's is refused.
    expect((await asPhone("PUT", `/athletes/${own}/published/${TODAY}`, { note: "" })).status).toBe(403);
    expect((await asPhone("POST", `/athletes/${own}/phone/invitations`, {})).status).toBe(403);
    expect((await asPhone("GET", "/came-in")).status).toBe(403);
  });
});

describe("a published week", () => {
  it("holds its sessions as they were given, with the note, and says what has changed since", async () => {
    const monday = mondayOf(TODAY);
    expect((await c.coach("PUT", `/athletes/${own}/published/${monday}`, { note: "Easy does it." })).status).toBe(204);
    const [week] = (await facts()).published;
    expect([week?.monday, week?.note]).toEqual([monday, "Easy does it."]);
    expect(week?.sessions.length).toBeGreaterThan(0);
    const view = () => c.coach<PhoneView>("GET", `/athletes/${own}/phone/coach`);
    expect((await view()).body.weeks[0]?.changed).toEqual([]);
    const s = week?.sessions.at(-1);
    if (!s) throw new Error("no session");
    await c.coach("POST", `/athletes/${own}/week-changes`, {
      add: { changes: [{ kind: "shorten", week: monday, label: s.label, minutes: 20 }], away: [] },
      drop: { changes: [], away: [] },
      what: "Shorter",
    });
    const changed = (await view()).body.weeks[0]?.changed ?? [];
    expect(changed.length).toBeGreaterThan(0);
    expect(changed.some((x) => x.startsWith(`${s.label}: `))).toBe(true);
    await c.coach("POST", `/athletes/${own}/undo`, {});
    expect((await c.coach("DELETE", `/athletes/${own}/published/${monday}`)).status).toBe(204);
    expect((await facts()).published).toEqual([]);
  });

  it("cannot be one that lies outside of the season", async () => {
    expect((await c.coach("PUT", `/athletes/${own}/published/2020-01-06`, { note: "" })).status).toBe(422);
  });

  it("says each difference in words, and none where there is none", () => {
    const item = { exercise: "front-squat", name: "Front squat", sets: 4, work: "5", loadKg: 60 };
    const row = { exercise: "row", name: "Row", sets: 3, work: "8", loadKg: null };
    const then = {
      label: "A",
      date: "2026-03-05",
      start: 1080,
      place: "club-gym",
      minutes: 50,
      items: [item, row],
    } as const;
    const athlete = { athlete: {}, places: [] } as unknown as Parameters<typeof changedSince>[2];
    expect(changedSince({ ...then, items: [item, row] }, { ...then, items: [item, row] }, athlete)).toEqual([]);
    const now = { ...then, date: "2026-03-06", items: [{ ...item, loadKg: 57.5 }] };
    expect(changedSince({ ...then, items: [item, row] }, now, athlete)).toEqual([
      "moved from Thu 5 Mar 18:00",
      "without Row",
      "Front squat 4 × 5 at 57.5 kg instead of 4 × 5 at 60 kg",
    ]);
    expect(changedSince({ ...then, items: [item, row] }, null, athlete)).toEqual(["taken out of the week"]);
  });
});

describe("what an athlete does on the phone", () => {
  const sessions = async (): Promise<SessionsView["sessions"]> =>
    (await c.coach<SessionsView>("GET", `/athletes/${own}/sessions`)).body.sessions;

  it("moves a session among the free time slots of its week, and not where it may not stand", async () => {
    const s = (await sessions()).find((x) => x.date > TODAY && mondayOf(x.date) === mondayOf(TODAY));
    if (!s) throw new Error("no session left this week");
    const view = (await c.coach<SessionView>("GET", `/athletes/${own}/sessions/${s.date}/${s.label}`)).body;
    const bad = { date: s.date, label: s.label, to: { date: addDays(s.date, 14), start: "18:00", place: view.place } };
    expect((await asPhone("POST", `/athletes/${own}/phone/moves`, bad)).status).toBe(422);
    const start = `${String(Math.floor((view.start + 15) / 60)).padStart(2, "0")}:${String((view.start + 15) % 60).padStart(2, "0")}`;
    const good = { date: s.date, label: s.label, to: { date: s.date, start, place: view.place } };
    const answer = await asPhone("POST", `/athletes/${own}/phone/moves`, good);
    expect([answer.status, answer.body]).toEqual([204, null]);
    const moved = (await c.coach<SessionView>("GET", `/athletes/${own}/sessions/${s.date}/${s.label}`)).body;
    expect(moved.start).toBe(view.start + 15);
    expect((await cameIn()).arrivals.map((a) => a.kind)).toContain("moved");
    // What is not there any more is said, and nothing happens.
    expect((await asPhone("POST", `/athletes/${own}/phone/moves`, { ...good, label: "D" })).status).toBe(409);
  });

  it("leaves a session out, with the reason before the coach", async () => {
    const s = (await sessions()).find((x) => x.date > addDays(TODAY, 6));
    if (!s) throw new Error("no session");
    const skip = { date: s.date, label: s.label, why: "No child care" };
    expect((await asPhone("POST", `/athletes/${own}/phone/skips`, skip)).status).toBe(204);
    expect((await sessions()).some((x) => x.date === s.date && x.label === s.label)).toBe(false);
    expect((await cameIn()).arrivals.find((a) => a.kind === "left-out")?.text).toContain("No child care");
    expect((await asPhone("POST", `/athletes/${own}/phone/skips`, skip)).status).toBe(409);
  });

  it("writes once, however often it is sent; a coach who answers has seen it", async () => {
    const key = { "Idempotency-Key": "message-key-0001" };
    const body = { id: "a".repeat(32), text: "Knee is fine.", about: { date: TODAY, label: "A" } };
    for (let n = 0; n < 3; n++)
      expect((await asPhone("POST", `/athletes/${own}/messages`, body, n < 2 ? key : {})).status).toBe(204);
    expect((await facts()).messages.map((m) => [m.by, m.text])).toEqual([["athlete", "Knee is fine."]]);
    expect((await cameIn()).arrivals.filter((a) => a.kind === "message")).toHaveLength(1);
    const answer = { id: "b".repeat(32), text: "Good.", about: null };
    expect((await c.coach("POST", `/athletes/${own}/messages`, answer)).status).toBe(204);
    expect((await facts()).messages.map((m) => [m.by, m.who])).toEqual([
      ["athlete", "Own Runner"],
      ["coach", "Olga Owner"],
    ]);
    expect((await cameIn()).arrivals.filter((a) => a.kind === "message")).toHaveLength(0);
  });

  it("reports trouble: urgent, in words, and nothing of the plan changes by itself", async () => {
    const before = (await c.server.store.athletes.get(own))?.athlete.athlete;
    const body = { id: "c".repeat(32), area: "achilles", side: "left", level: 4, text: "Since the hill run" };
    expect((await asPhone("POST", `/athletes/${own}/phone/troubles`, body)).status).toBe(204);
    const [first] = (await cameIn()).arrivals;
    expect([first?.kind, first?.urgent, first?.text]).toEqual([
      "trouble",
      true,
      "Achilles tendon, left: 4 of 10. Since the hill run",
    ]);
    expect((await c.server.store.athletes.get(own))?.athlete.athlete).toEqual(before);
  });

  it("logs: one line a session, open again with what is new; pain from 3 is told, over 5 it is urgent", async () => {
    const item = (pain: number): StrengthLog => ({
      date: TODAY,
      label: "A",
      items: [
        {
          exercise: "front-squat",
          pain,
          sets: [{ reps: 5, loadKg: 40, rir: 3, side: "both", at: `${TODAY}T17:00:00.000Z` }],
        },
      ],
    });
    const merge = (base: StrengthLog | null, log: StrengthLog) =>
      asPhone("POST", `/athletes/${own}/logs/${TODAY}/A/merge`, { base, log });
    expect((await merge(null, item(2))).status).toBe(200);
    const kinds = async () =>
      (await cameIn()).arrivals.filter((a) => a.kind === "log" || a.kind === "pain").map((a) => [a.kind, a.urgent]);
    expect(await kinds()).toEqual([["log", false]]);
    await merge(item(2), item(3));
    expect(await kinds()).toEqual([
      ["pain", false],
      ["log", false],
    ]);
    await merge(item(3), item(5));
    expect((await kinds()).find(([k]) => k === "pain")).toEqual(["pain", false]);
    await merge(item(5), item(6));
    expect((await kinds()).find(([k]) => k === "pain")).toEqual(["pain", true]);
    // Answered, it goes; with something new it is there again.
    const log = (await cameIn()).arrivals.find((a) => a.kind === "log");
    const settle = (done: boolean, until: string | null) =>
      c.coach("PUT", `/came-in/${own}/settled`, { thing: log?.thing, done, until });
    expect((await settle(true, null)).status).toBe(204);
    expect((await kinds()).some(([k]) => k === "log")).toBe(false);
    await merge(item(6), { ...item(6), rpe: 7, minutes: 40 });
    expect((await cameIn()).arrivals.find((a) => a.kind === "log")?.text).toBe("1 set of 1 exercise, RPE 7, 40 min");
    // Put off, it stands under what is later, until its day.
    await settle(false, addDays(TODAY, 1));
    expect((await kinds()).some(([k]) => k === "log")).toBe(false);
    expect((await cameIn()).later.map((a) => a.until)).toEqual([addDays(TODAY, 1)]);
    await settle(false, TODAY);
    expect((await kinds()).some(([k]) => k === "log")).toBe(true);
  });

  it("takes in an exercise's place only what is open", async () => {
    const s = (await sessions()).find((x) => x.date > TODAY);
    if (!s) throw new Error("no session");
    const view = (await c.coach<SessionView>("GET", `/athletes/${own}/sessions/${s.date}/${s.label}`)).body;
    const from = view.items[0]?.exercise ?? "";
    const path = `/athletes/${own}/swaps/${s.date}/${s.label}`;
    const choices = (
      await asPhone<{ open: { exercise: string; taken: boolean }[]; closed: { exercise: string }[] }>(
        "GET",
        `/athletes/${own}/sessions/${s.date}/${s.label}/choices/${from}`,
      )
    ).body;
    const closed = choices.closed[0]?.exercise;
    const open = choices.open.find((o) => !o.taken)?.exercise;
    expect((await asPhone("PUT", path, { from, to: closed })).status).toBe(422);
    expect((await asPhone("PUT", path, { from, to: open })).status).toBe(204);
    expect((await cameIn()).arrivals.some((a) => a.kind === "swap")).toBe(true);
  });
});

describe("who looked", () => {
  it("is written down by account, day and what it was; the athlete reads it, and it goes with them", async () => {
    const third = await c.add("Third Runner");
    await c.coach("GET", `/athletes/${third}/health`);
    await c.coach("GET", `/athletes/${third}/health`);
    const mine = await c.join(third, "Third phone");
    const answer = await c.raw(mine, "GET", `/phone/athletes/${third}/access`);
    const seen = answer.body as AccessLogView;
    expect(seen.filter((l) => l.what.includes("health")).map((l) => [l.who, l.day, l.changed])).toEqual([
      ["Olga Owner", TODAY, false],
    ]);
    expect((await c.coach("DELETE", `/athletes/${third}`)).status).toBe(200);
    expect(await c.server.store.phone.lookers(third)).toEqual([]);
    // The phone is told at its next contact, so that nothing stays there either; nobody else is.
    expect((await c.raw(mine, "GET", `/phone/athletes/${third}/phone`)).status).toBe(410);
    expect((await c.raw("", "GET", `/athletes/${third}/phone`)).status).toBe(401);
  });

  it("names each athlete of a change, a report and a table that are for many", async () => {
    const ids = [await c.add("Fourth Runner"), await c.add("Fifth Runner")];
    const { body: group } = await c.coach<{ id: string }>("POST", "/groups", { name: "Two", members: ids, hour: null });
    const athletes = ids.map((id) => ({ id, revision: 1 }));
    const change = { kind: "note", week: "2026-06-01", text: "For both." };
    expect((await c.coach("POST", "/many", { change, athletes })).status).toBe(201);
    const seen = async () =>
      Promise.all(
        ids.map(async (id) => (await c.server.store.phone.lookers(id)).map((l) => [l.what, l.changed, l.who])),
      );
    const changed = ["plan.change", true, "Olga Owner"];
    expect(await seen()).toEqual([[changed], [changed]]);
    const look = (path: string) => c.server.raw("GET", path, { Cookie: c.cookie });
    await look(`/groups/${group.id}/reports.pdf?from=2026-02-02&to=2026-03-01`);
    await look("/tables/tests.csv");
    for (const lines of await seen())
      expect(lines).toEqual(
        expect.arrayContaining([changed, ["health.read", false, "Olga Owner"], ["whole", false, "Olga Owner"]]),
      );
  });

  it("comes with everything that is kept about a person", async () => {
    const all = await c.coach<Record<string, unknown>>("GET", `/athletes/${own}/everything`);
    expect(all.status).toBe(200);
    expect((all.body.messages as unknown[]).length).toBeGreaterThan(1);
    expect((all.body.phones as unknown[]).length).toBeGreaterThan(0);
    expect(JSON.stringify(all.body)).toContain("Since the hill run");
  });
});
