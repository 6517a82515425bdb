/** Accounts over the interface: who may do what, route by route from the table; signing in and out; what nobody is told. */
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith, START } from "../../tests/support/athlete";
import { TODAY, testServer } from "../../tests/support/server";
import { NEED_OF, NEEDS } from "../api/needs";
import { MAY, type Reach, ROLES, type Role } from "../api/roles";
import type { AccountView, CalendarView, DeviceView, GymView, SessionStateView, SquadView } from "../api/views";
import { addDays } from "../core/dates";
import type { Access } from "./accounts/door";
import { newCode, sha256 } from "./accounts/secrets";
import { guessLimits } from "./http/mount";
import { nameOf } from "./http/route";

const ASKED: Access = { mode: "asked", loopback: true, secure: false };
const PASSWORD = "a long enough one";
/** Short: every route is asked for by every role. */
const SEASON = { season: { start: START, end: addDays(TODAY, 33) } };
const many = guessLimits({ address: 1000, name: 1000 });

/** Two athletes and an account of each role: the coach has the first, the athlete is the first. */
async function club(access: Access = ASKED, guesses = many) {
  const server = await testServer(undefined, { access, guesses });
  const { accounts, athletes } = server.store;
  const own = await athletes.add(athleteWith(SEASON, { name: "Own Runner" }));
  const other = await athletes.add(
    athleteWith({ ...SEASON, health: { clearanceNeeded: true, areas: [] } }, { name: "Other Runner" }),
  );
  await accounts.addOwner("Olga", "Olga Owner", PASSWORD);
  const reach: Record<Exclude<Role, "owner">, "all" | string[]> = { coach: [own], assistant: "all", athlete: [own] };
  for (const [role, of] of Object.entries(reach) as [Exclude<Role, "owner">, "all" | string[]][]) {
    const made = await accounts.invite(role, role, role, of);
    await accounts.byCode(role, made?.code ?? "", PASSWORD);
  }
  const headers = (cookie: string | null, body?: unknown): Record<string, string> => ({
    ...(cookie ? { Cookie: cookie } : {}),
    ...(body === undefined ? {} : { "Content-Type": "application/json" }),
  });
  const ask = (cookie: string | null, method: string, path: string, body?: unknown) =>
    server.raw(method, path, headers(cookie, body), body === undefined ? undefined : JSON.stringify(body));
  const signIn = async (name: string, password = PASSWORD): Promise<string> => {
    const answer = await ask(null, "POST", "/session", { name, password });
    expect([name, answer.status]).toEqual([name, 204]);
    return cookieIn(answer.headers["set-cookie"]);
  };
  return { server, own, other, ask, signIn };
}
const cookieIn = (set: string[] | undefined): string => set?.[0]?.split(";")[0] ?? "";
const bodyOf = <T>(answer: { text: string }): T => JSON.parse(answer.text) as T;

let c: Awaited<ReturnType<typeof club>>;
const cookies: Partial<Record<Role, string>> = {};
beforeAll(async () => {
  c = await club();
  for (const role of ROLES) cookies[role] = await c.signIn(role === "owner" ? "olga" : role);
});
afterAll(() => c.server.close());

const fill = (path: string, id: string): string =>
  path
    .replace(":id", id)
    .replace(/:(date|until|monday)/g, TODAY)
    .replace(":label", "A")
    .replace(":minutes", "30")
    .replace(/:(exercise|place)/g, "front-squat")
    .replace(/:[a-z]+/g, "nothing-such");

describe("the table of roles", () => {
  it("names every route that there is, and no other", () => {
    expect(c.server.routes.map(nameOf).filter((r) => !NEED_OF.has(r))).toEqual([]);
    const there = new Set(c.server.routes.map(nameOf));
    expect([...NEED_OF.keys()].filter((r) => !there.has(r))).toEqual([]);
    expect(NEEDS.filter((n) => ![...NEED_OF.values()].includes(n))).toEqual([]);
  });

  it("gives health and settings to nobody who is only to log, and backups and accounts to owners alone", () => {
    // As the roles are described: assistant without health and settings, athlete self only.
    for (const need of ["health.read", "health.change", "tell", "whole", "club.change", "plan.change"] as const)
      expect([need, MAY[need].assistant]).toEqual([need, "none"]);
    for (const need of NEEDS)
      if (MAY[need].athlete === "all") expect(["anyone", "session", "club.see"]).toContain(need);
    for (const need of ["backups", "accounts"] as const)
      expect(ROLES.filter((r) => MAY[need][r] !== "none")).toEqual(["owner"]);
  });

  it("turns everybody away who is not signed in, whatever they ask for", async () => {
    for (const route of c.server.routes) {
      const need = NEED_OF.get(nameOf(route));
      const answer = await c.ask(null, route.method, fill(route.path, c.own), route.method === "GET" ? undefined : {});
      if (need === "anyone") expect([nameOf(route), answer.status === 403]).toEqual([nameOf(route), false]);
      else expect([nameOf(route), answer.status]).toEqual([nameOf(route), 401]);
    }
  });

  it.each(ROLES)(
    "holds for the role %s on every route: what it may not is refused, what it may is not",
    async (role) => {
      // What would end the account that asks, or the club, comes last or not at all.
      const routes = c.server.routes.filter(
        (r) => !/^(DELETE \/session|POST \/club\/restore|PUT \/session\/password)$/.test(nameOf(r)),
      );
      let [allowed, refused] = [0, 0];
      for (const route of routes) {
        const need = NEED_OF.get(nameOf(route));
        if (need === undefined || need === "anyone") continue;
        if (nameOf(route) === "DELETE /athletes/:id") continue;
        const about = route.path.startsWith("/athletes/:id");
        const reach: Reach = MAY[need][role];
        const may = reach === "all" || (reach === "own" && about);
        const answer = await c.ask(
          cookies[role] ?? "",
          route.method,
          fill(route.path, c.own),
          route.method === "GET" ? undefined : {},
        );
        const said = [nameOf(route), answer.status === 403];
        expect(said).toEqual([nameOf(route), !may]);
        expect([nameOf(route), answer.status === 401]).toEqual([nameOf(route), false]);
        if (may) allowed += 1;
        else refused += 1;
      }
      expect(allowed).toBeGreaterThan(10);
      if (role !== "owner") expect(refused).toBeGreaterThan(10);
    },
  );

  it.each(["coach", "athlete"] as const)("lets the role %s reach no other athlete by any address", async (role) => {
    let tried = 0;
    for (const route of c.server.routes.filter((r) => r.path.startsWith("/athletes/:id"))) {
      const need = NEED_OF.get(nameOf(route));
      if (need === undefined || MAY[need][role] === "all") continue;
      const answer = await c.ask(
        cookies[role] ?? "",
        route.method,
        fill(route.path, c.other),
        route.method === "GET" ? undefined : {},
      );
      expect([nameOf(route), [403, 404].includes(answer.status)]).toEqual([nameOf(route), true]);
      expect(answer.text).not.toContain("Other Runner");
      tried += 1;
    }
    expect(tried).toBeGreaterThan(50);
    // Whom there is and whom there is not sound alike.
    const [hidden, none] = [
      await c.ask(cookies[role] ?? "", "GET", `/athletes/${c.other}/season`),
      await c.ask(cookies[role] ?? "", "GET", "/athletes/nobody/season"),
    ];
    expect(hidden.text).toBe(none.text);
  });

  it("shows in the views of the club nobody but one's own", async () => {
    for (const role of ["coach", "athlete"] as const) {
      const squad = bodyOf<SquadView>(await c.ask(cookies[role] ?? "", "GET", "/squad"));
      expect(squad.rows.map((r) => r.id)).toEqual([c.own]);
      const calendar = bodyOf<CalendarView>(await c.ask(cookies[role] ?? "", "GET", "/calendar"));
      expect(calendar.athletes.map((a) => a.id)).toEqual([c.own]);
    }
    const gym = await c.ask(cookies.coach ?? "", "GET", `/gym/${TODAY}`);
    expect(bodyOf<GymView>(gym).rows.every((r) => r.id === c.own)).toBe(true);
    expect(gym.text).not.toContain("Other Runner");
  });

  it("shows an assistant everybody without a word of health", async () => {
    const squad = bodyOf<SquadView>(await c.ask(cookies.assistant ?? "", "GET", "/squad"));
    expect(squad.rows.map((r) => r.id).sort()).toEqual([c.own, c.other].sort());
    expect(squad.rows.every((r) => r.attention.length === 0 && r.testsDue.length === 0)).toBe(true);
    // Both are measured by what the owner sees.
    const whole = bodyOf<SquadView>(await c.ask(cookies.owner ?? "", "GET", "/squad"));
    expect(whole.rows.some((r) => r.attention.length > 0)).toBe(true);
  });

  it("copies a session to nobody who is not one's own", async () => {
    const path = `/athletes/${c.own}/sessions/${TODAY}/A/copy`;
    expect((await c.ask(cookies.coach ?? "", "POST", path, { to: [c.other] })).status).toBe(404);
  });

  it("gives a coach the athletes that the coach adds", async () => {
    const made = await c.ask(cookies.coach ?? "", "POST", "/athletes", athleteWith({}, { name: "Added" }));
    expect(made.status).toBe(201);
    const { id } = bodyOf<{ id: string }>(made);
    // What changed of the account holds at once.
    expect((await c.ask(cookies.coach ?? "", "GET", `/athletes/${id}/season`)).status).toBe(200);
    expect((await c.ask(cookies.athlete ?? "", "GET", `/athletes/${id}/season`)).status).toBe(404);
  });
});

describe("signing in", () => {
  it("sets a cookie that no script reads and no other site sends, and over TLS none in the clear", async () => {
    const answer = await c.ask(null, "POST", "/session", { name: "OLGA ", password: PASSWORD });
    const [cookie = ""] = answer.headers["set-cookie"] ?? [];
    expect(cookie).toContain("HttpOnly");
    expect(cookie).toContain("SameSite=Strict");
    expect(cookie).not.toContain("Secure");
    const safe = await club({ ...ASKED, secure: true });
    const over = await safe.ask(null, "POST", "/session", { name: "olga", password: PASSWORD });
    expect(over.headers["set-cookie"]?.[0]).toContain("Secure");
    expect(over.headers["strict-transport-security"]).toBeDefined();
    await safe.server.close();
  });

  it("says the same of a wrong password, a name that is not there and an account that nobody joined", async () => {
    await c.server.store.accounts.invite("waiting", "Waiting", "coach", "all");
    const texts = new Set<string>();
    for (const [name, password] of [
      ["olga", "not the password"],
      ["nobody", PASSWORD],
      ["waiting", PASSWORD],
    ]) {
      const answer = await c.ask(null, "POST", "/session", { name, password });
      expect([name, answer.status]).toEqual([name, 401]);
      texts.add(answer.text);
    }
    expect(texts.size).toBe(1);
  });

  it("works as long for a name that is not there: its password is hashed all the same", async () => {
    const time = async (name: string) => {
      const began = performance.now();
      for (let i = 0; i < 6; i++) await c.ask(null, "POST", "/session", { name, password: "not the password" });
      return performance.now() - began;
    };
    await time("olga");
    const [known, unknown] = [await time("olga"), await time("nobody")];
    // A lookup alone takes a hundredth of the hash.
    expect(unknown).toBeGreaterThan(known / 4);
  });

  it("makes a new token every time, and voids the one that came along", async () => {
    const before = await c.signIn("olga");
    const again = await c.server.raw(
      "POST",
      "/session",
      { Cookie: before, "Content-Type": "application/json" },
      JSON.stringify({ name: "olga", password: PASSWORD }),
    );
    const after = cookieIn(again.headers["set-cookie"]);
    expect(after).not.toBe(before);
    expect((await c.ask(before, "GET", "/squad")).status).toBe(401);
    expect((await c.ask(after, "GET", "/squad")).status).toBe(200);
  });

  it("takes no token that somebody made up", async () => {
    const planted = "field-anchor-session=chosen-by-somebody-else";
    const answer = await c.ask(planted, "POST", "/session", { name: "olga", password: PASSWORD });
    expect(cookieIn(answer.headers["set-cookie"])).not.toBe(planted);
    expect((await c.ask(planted, "GET", "/squad")).status).toBe(401);
  });

  it("keeps of passwords, tokens and codes nothing but hashes", async () => {
    const cookie = await c.signIn("olga");
    const rows = await c.server.store.db.reader.query("SELECT * FROM account");
    const sessions = await c.server.store.db.reader.query("SELECT * FROM account_session");
    const text = JSON.stringify([rows, sessions]);
    expect(text).not.toContain(PASSWORD);
    expect(text).not.toContain(cookie.split("=")[1]);
    expect(rows[0].hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  });

  it("is given up after thirty wrong tries from one address, or ten with one name", async () => {
    const own = await club(ASKED, guessLimits({ address: 6, name: 3 }));
    const tries = async (name: string) => (await own.ask(null, "POST", "/session", { name, password: "wrong" })).status;
    expect([await tries("olga"), await tries("olga"), await tries("olga"), await tries("olga")]).toEqual([
      401, 401, 401, 429,
    ]);
    // The right one does not help while the name is shut; another name is not shut with it.
    expect((await own.ask(null, "POST", "/session", { name: "olga", password: PASSWORD })).status).toBe(429);
    expect(await tries("coach")).toBe(401);
    expect(await tries("athlete")).toBe(429);
    await own.server.close();
  });

  it("counts wrong codes of phones by address alone: they name nobody, and shut nobody else out", async () => {
    const own = await club(ASKED, guessLimits({ address: 6, name: 3 }));
    const tries = async () =>
      (await own.ask(null, "POST", "/session/phone", { code: "not-a-code-at-all", device: "x" })).status;
    const all: number[] = [];
    for (let n = 0; n < 7; n++) all.push(await tries());
    expect(all).toEqual([401, 401, 401, 401, 401, 401, 429]);
    await own.server.close();
  });

  it("refuses a short password and says what is expected", async () => {
    const { accounts } = c.server.store;
    const made = await accounts.invite("short", "Short", "coach", "all");
    const short = await c.ask(null, "POST", "/session/recover", {
      name: "short",
      code: made?.code,
      password: "eleven char",
    });
    expect([short.status, bodyOf<{ faults: unknown[] }>(short).faults]).toEqual([
      422,
      [{ path: "password", expected: "12 letters or more expected" }],
    ]);
    const long = await c.ask(null, "POST", "/session/recover", {
      name: "short",
      code: made?.code,
      password: "twelve chars",
    });
    expect(long.status).toBe(200);
  });
});

describe("codes", () => {
  it("stand for the password once, sign out every browser, and come with new ones", async () => {
    const { accounts } = c.server.store;
    const made = await accounts.invite("lost", "Lost", "coach", "all");
    const join = (code: string) => c.ask(null, "POST", "/session/recover", { name: "lost", code, password: PASSWORD });
    const first = await join((made?.code ?? "").toLowerCase().replaceAll("-", " "));
    const { codes } = bodyOf<{ codes: string[] }>(first);
    expect(new Set(codes).size).toBe(8);
    const cookie = cookieIn(first.headers["set-cookie"]);
    expect((await c.ask(cookie, "GET", "/squad")).status).toBe(200);
    expect((await join(made?.code ?? "")).status).toBe(401);
    expect((await join(codes[0] ?? "")).status).toBe(200);
    expect((await c.ask(cookie, "GET", "/squad")).status).toBe(401);
    // The codes before are void with the one that was used.
    expect((await join(codes[1] ?? "")).status).toBe(401);
  });

  it("of an invitation end after seven days, and with the next one", async () => {
    const { accounts, db } = c.server.store;
    const made = await accounts.invite("late", "Late", "coach", "all");
    const id = made?.id ?? "";
    const [{ codes }] = await db.reader.query("SELECT codes FROM account WHERE id = ?", [id]);
    const days = (Date.parse(JSON.parse(codes)[0].until) - Date.now()) / 86_400_000;
    expect(days).toBeGreaterThan(6.9);
    expect(days).toBeLessThanOrEqual(7);
    const ended = JSON.stringify([{ ...JSON.parse(codes)[0], until: new Date(Date.now() - 1000).toISOString() }]);
    await db.write((m) => m.query("UPDATE account SET codes = ? WHERE id = ?", [ended, id]));
    expect(await accounts.byCode("late", made?.code ?? "", PASSWORD)).toBeNull();
    const again = await accounts.newInvitation(id);
    expect(await accounts.byCode("late", made?.code ?? "", PASSWORD)).toBeNull();
    expect(await accounts.byCode("late", again ?? "", PASSWORD)).not.toBeNull();
  });

  it("are made of letters that are not taken for one another, each as likely as the next", () => {
    const counts = new Map<string, number>();
    for (let i = 0; i < 2000; i++)
      for (const l of newCode().replaceAll("-", "")) counts.set(l, (counts.get(l) ?? 0) + 1);
    expect([...counts.keys()].sort().join("")).toBe("23456789ABCDEFGHJKMNPQRSTUVWXYZ");
    // 32,000 letters of 31: 1,032 of each, give or take six deviations of 32.
    for (const n of counts.values()) expect(Math.abs(n - 32_000 / 31)).toBeLessThan(6 * 32);
  });
});

describe("browsers that are signed in", () => {
  it("are listed, and one that is signed out is out at once", async () => {
    const [here, there] = [await c.signIn("coach"), await c.signIn("coach")];
    const devices = bodyOf<DeviceView[]>(await c.ask(here, "GET", "/session/devices"));
    const now = devices.filter((d) => d.now);
    expect(now).toHaveLength(1);
    for (const d of devices.filter((x) => !x.now)) await c.ask(here, "DELETE", `/session/devices/${d.id}`);
    expect((await c.ask(there, "GET", "/squad")).status).toBe(401);
    expect((await c.ask(here, "GET", "/squad")).status).toBe(200);
    // Nobody signs out another's.
    const athletes = await c.signIn("athlete");
    expect((await c.ask(athletes, "DELETE", `/session/devices/${now[0]?.id}`)).status).toBe(404);
    cookies.coach = here;
    cookies.athlete = athletes;
  });

  it("end after a fortnight without use and after ninety days in any case", async () => {
    const { accounts, db } = c.server.store;
    const set = async (column: "seen_at" | "ends_at", at: number) => {
      const token = (await c.signIn("coach")).split("=")[1] ?? "";
      const session = sha256(token);
      await db.write((m) =>
        m.query(`UPDATE account_session SET ${column} = ? WHERE id = ?`, [new Date(at).toISOString(), session]),
      );
      return (await accounts.byToken(token)) !== null;
    };
    const day = 86_400_000;
    expect(await set("seen_at", Date.now() - 13.9 * day)).toBe(true);
    expect(await set("seen_at", Date.now() - 14.1 * day)).toBe(false);
    expect(await set("ends_at", Date.now() + 60_000)).toBe(true);
    expect(await set("ends_at", Date.now() - 60_000)).toBe(false);
  });

  it("are signed out where the account is changed, closed or removed; the last owner stays", async () => {
    const owner = await c.signIn("olga");
    const made = bodyOf<{ id: string; code: string }>(
      await c.ask(owner, "POST", "/accounts", { name: "temp", shown: "Temp", role: "coach", athletes: "all" }),
    );
    await c.server.store.accounts.byCode("temp", made.code, PASSWORD);
    const change = { role: "coach", athletes: "all", closed: false };
    const first = await c.signIn("temp");
    expect((await c.ask(owner, "PUT", `/accounts/${made.id}`, { ...change, role: "assistant" })).status).toBe(204);
    expect((await c.ask(first, "GET", "/squad")).status).toBe(401);
    await c.ask(owner, "PUT", `/accounts/${made.id}`, { ...change, closed: true });
    expect((await c.ask(null, "POST", "/session", { name: "temp", password: PASSWORD })).status).toBe(401);
    expect((await c.ask(owner, "DELETE", `/accounts/${made.id}`)).status).toBe(204);
    const list = bodyOf<AccountView[]>(await c.ask(owner, "GET", "/accounts"));
    const last = list.find((a) => a.role === "owner");
    expect((await c.ask(owner, "DELETE", `/accounts/${last?.id}`)).status).toBe(409);
    expect((await c.ask(owner, "PUT", `/accounts/${last?.id}`, change)).status).toBe(409);
    expect((await c.ask(owner, "GET", "/squad")).status).toBe(200);
  });
});

describe("a new club", () => {
  const first = { name: "anna", shown: "Anna", password: PASSWORD };
  it("lets the first visitor make the owner, once", async () => {
    const server = await testServer(undefined, { access: ASKED, guesses: many });
    const state = async () => (await server.call<SessionStateView>("GET", "/session")).body;
    expect(await state()).toMatchObject({ mode: "first", account: null, mayStayOpen: true, tryPassword: null });
    expect((await server.call("GET", "/squad")).status).toBe(401);
    expect((await server.call("POST", "/session/owner", first)).status).toBe(200);
    expect((await server.call("POST", "/session/owner", { ...first, name: "eve" })).status).toBe(409);
    expect((await server.call("POST", "/session/owner", { signIn: false })).status).toBe(409);
    expect(await state()).toMatchObject({ mode: "asked", mayStayOpen: false });
    await server.close();
  });
  it("may say that nobody is asked, which ends with the first account, and holds on this machine alone", async () => {
    const server = await testServer(undefined, { access: ASKED, guesses: many });
    expect((await server.call("POST", "/session/owner", { signIn: false })).status).toBe(204);
    expect((await server.call("GET", "/squad")).status).toBe(200);
    const beyond = await testServer(undefined, {
      store: server.store,
      access: { ...ASKED, loopback: false, secure: true },
    });
    expect((await beyond.call("GET", "/squad")).status).toBe(401);
    expect((await beyond.call("POST", "/session/owner", { signIn: false })).status).toBe(422);
    await beyond.close();
    expect((await server.call("POST", "/session/owner", first)).status).toBe(200);
    expect((await server.call("GET", "/squad")).status).toBe(401);
    await server.close();
  });
  it("is not begun from beyond a proxy", async () => {
    const server = await testServer(undefined, { access: ASKED, guesses: many });
    const body = JSON.stringify(first);
    const headers = { "Content-Type": "application/json", "X-Forwarded-For": "203.0.113.9" };
    expect((await server.raw("POST", "/session/owner", headers, body)).status).toBe(409);
    await server.close();
  });
});

describe("where nobody is asked", () => {
  it("everything is open as before, and whoever signs in all the same sees what they see", async () => {
    const open = await club({ mode: "open", loopback: true, secure: false });
    expect((await open.ask(null, "GET", "/accounts")).status).toBe(200);
    const coach = await open.signIn("coach");
    expect((await open.ask(coach, "GET", "/accounts")).status).toBe(403);
    await open.server.close();
  });
});

describe("an athlete who is erased", () => {
  it("takes the account along, and is nobody's any more", async () => {
    const own = await club();
    const owner = await own.signIn("olga");
    const athlete = await own.signIn("athlete");
    expect((await own.ask(owner, "DELETE", `/athletes/${own.own}`)).status).toBe(200);
    expect((await own.ask(athlete, "GET", "/squad")).status).toBe(401);
    const list = bodyOf<AccountView[]>(await own.ask(owner, "GET", "/accounts"));
    expect(list.map((a) => a.role).sort()).toEqual(["assistant", "coach", "owner"]);
    expect(list.find((a) => a.role === "coach")?.athletes).toEqual([]);
    await own.server.close();
  });
});

describe("a calendar address", () => {
  const address = async (): Promise<string> => {
    const made = await c.ask(cookies.coach ?? "", "POST", `/athletes/${c.own}/calendar-address`);
    expect(made.status).toBe(201);
    return `/calendars/${bodyOf<{ secret: string }>(made).secret}/strength.ics`;
  };

  it("gives one athlete's sessions to whoever has it, without a sign-in, until there is another or none", async () => {
    const first = await address();
    const answer = await c.ask(null, "GET", first);
    expect([answer.status, answer.text.startsWith("BEGIN:VCALENDAR")]).toEqual([200, true]);
    expect(answer.text).not.toContain("Other Runner");
    const second = await address();
    expect((await c.ask(null, "GET", first)).status).toBe(404);
    expect((await c.ask(null, "GET", second)).status).toBe(200);
    expect((await c.ask(cookies.coach ?? "", "DELETE", `/athletes/${c.own}/calendar-address`)).status).toBe(204);
    expect((await c.ask(null, "GET", second)).status).toBe(404);
    expect((await c.ask(null, "GET", `/athletes/${c.own}/strength.ics`)).status).toBe(401);
  });

  it("is made for one's own athletes alone", async () => {
    expect((await c.ask(cookies.coach ?? "", "POST", `/athletes/${c.other}/calendar-address`)).status).toBe(404);
    expect((await c.ask(cookies.assistant ?? "", "POST", `/athletes/${c.own}/calendar-address`)).status).toBe(403);
  });
});

describe("an athlete who signed in with a password", () => {
  it("goes on in the athlete's application; nobody else does", async () => {
    const here = await c.ask(cookies.athlete ?? "", "POST", "/session/here", { device: "Browser" });
    expect(here.status).toBe(204);
    const phone = cookieIn(here.headers["set-cookie"]);
    expect((await c.ask(phone, "GET", `/phone/athletes/${c.own}/phone`)).status).toBe(200);
    expect((await c.ask(phone, "GET", `/phone/athletes/${c.other}/phone`)).status).toBe(404);
    expect((await c.ask(cookies.owner ?? "", "POST", "/session/here", { device: "Browser" })).status).toBe(403);
  });

  it("is not let have a password that is tried first", async () => {
    const made = await c.server.store.accounts.invite("weak", "Weak", "coach", "all");
    const join = (password: string) =>
      c.ask(null, "POST", "/session/recover", { name: "weak", code: made?.code ?? "", password });
    const refused = await join("password1234");
    expect(refused.status).toBe(422);
    expect(refused.text).toContain("a password expected that nobody would try first");
    expect((await join(PASSWORD)).status).toBe(200);
  });
});

describe("passkeys", () => {
  const from = (origin: string, cookie: string | null, path: string, body: unknown = {}) =>
    c.server.raw(
      "POST",
      path,
      {
        ...(cookie ? { Cookie: cookie } : {}),
        "Content-Type": "application/json",
        Origin: origin,
        Host: origin.replace(/^https?:\/\//, ""),
      },
      JSON.stringify(body),
    );
  const NAMED = "http://localhost:4173";

  it("are offered on a name, and on a number not, with the reason", async () => {
    expect((await from(NAMED, null, "/session/passkey/options")).status).toBe(200);
    const number = await from("http://127.0.0.1:4173", null, "/session/passkey/options");
    expect([number.status, bodyOf<{ detail: string }>(number).detail]).toEqual([
      409,
      "Nothing was done. Passkeys need a name: this address is a number.",
    ]);
    // Without a browser nobody can say where.
    expect((await c.ask(null, "POST", "/session/passkey/options", {})).status).toBe(409);
  });

  it("tell nobody who has one: the same for every name, and no list of keys", async () => {
    const { options } = bodyOf<{ options: Record<string, unknown> }>(
      await from(NAMED, null, "/session/passkey/options"),
    );
    expect(options.allowCredentials ?? []).toEqual([]);
    expect(options.userVerification).toBe("required");
  });

  it("need the answer to an open challenge of one's own, once", async () => {
    const options = async (cookie: string) =>
      bodyOf<{ key: string }>(await from(NAMED, cookie, "/session/passkeys/options")).key;
    const add = (cookie: string, key: string) =>
      from(NAMED, cookie, "/session/passkeys", { key, name: "x", response: { id: "none" } });
    const owner = cookies.owner ?? "";
    expect((await add(owner, await options(owner))).status).toBe(422);
    expect((await add(owner, "no-such-challenge")).status).toBe(422);
    expect((await add(owner, await options(cookies.coach ?? ""))).status).toBe(422);
    const signIn = await from(NAMED, null, "/session/passkey", { key: "none", response: { id: "none" } });
    expect([signIn.status, signIn.headers["set-cookie"]]).toEqual([401, undefined]);
  });
});
