/**
 * Random schedules of two phones of one athlete and a coach, over the real interface and the phone's own store: no network, requests lost on the
 * way, answers lost on the way back, phones killed between any two steps, everything sent twice. Every set that was said to be kept is there
 * exactly once, every message too, and in the end both phones hold what the server holds.
 */
import "fake-indexeddb/auto";
import { readFileSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { ImportedView, InvitationView } from "../../src/api/views";
import type { StrengthLog } from "../../src/core/athlete";
import { random } from "../../src/demo/random";
import { logWith } from "../../src/phone/commands";
import { PhoneDb } from "../../src/phone/db";
import { type Ask, drain } from "../../src/phone/line";
import { guessLimits } from "../../src/server/http/mount";
import { TODAY, testServer } from "../support/server";

/** 300 in the campaign: FIELD_ANCHOR_SCHEDULES=300. */
const SCHEDULES = Number(process.env.FIELD_ANCHOR_SCHEDULES ?? 20);
const STEPS = 40;
const PASSWORD = "a long enough one";
const EXERCISES = ["front-squat", "trap-bar-deadlift", "step-up"];

let server: Awaited<ReturnType<typeof testServer>>;
let coachCookie = "";
beforeAll(async () => {
  server = await testServer(undefined, {
    access: { mode: "asked", loopback: true, secure: false },
    guesses: guessLimits({ address: 10_000, name: 10_000 }),
  });
  await server.store.accounts.addOwner("olga", "Olga", PASSWORD);
  const signed = await send("", "POST", "/session", { name: "olga", password: PASSWORD });
  coachCookie = cookieIn(signed.headers["set-cookie"]);
});
afterAll(() => server.close());

const cookieIn = (set: string[] | undefined): string => set?.[0]?.split(";")[0] ?? "";
const send = (cookie: string, method: string, path: string, body?: unknown) =>
  server.raw(
    method,
    path,
    { Cookie: cookie, ...(body === undefined ? {} : { "Content-Type": "application/json" }) },
    body === undefined ? undefined : JSON.stringify(body),
  );
const answerOf = <T>(a: { text: string }): T => JSON.parse(a.text) as T;

class Lost extends Error {}

/** A phone of the athlete: its store outlives it, nothing else does. */
class Phone {
  db: PhoneDb;
  online = true;
  constructor(
    readonly name: string,
    readonly cookie: string,
    readonly athlete: string,
  ) {
    this.db = new PhoneDb(name);
  }

  /** Everything but the store is gone. */
  kill(): void {
    this.db = new PhoneDb(this.name);
  }

  private readonly ask: Ask = async (path, init = {}) => {
    if (!this.online) throw new Lost("no network");
    const answer = await server.raw(
      init.method ?? "GET",
      `/phone${path}`,
      { ...((init.headers as Record<string, string>) ?? {}), Cookie: this.cookie },
      init.body as string | undefined,
    );
    return new Response(answer.status === 204 ? null : answer.text, { status: answer.status });
  };

  /** @param loses whether the nth request, or its answer, is lost on the way */
  async sync(loses: (n: number) => "request" | "answer" | null = () => null): Promise<string> {
    let n = 0;
    const ask: Ask = async (path, init) => {
      const lost = loses(n++);
      if (lost === "request") throw new Lost();
      const answer = await this.ask(path, init);
      if (lost === "answer") throw new Lost();
      return answer;
    };
    try {
      return await drain(this.db, this.athlete, ask);
    } catch (error) {
      if (!(error instanceof Lost)) throw error;
      return "lost";
    }
  }

  async log(): Promise<StrengthLog | null> {
    const kept = await this.db.keptHere();
    return kept && logWith(kept.facts, await this.db.queueHere(), TODAY, "A");
  }

  /** As the floor does it: from the log as it stands here. @returns once it is kept */
  async change(next: (log: StrengthLog) => StrengthLog): Promise<void> {
    const base = await this.log();
    const log = next(base ?? { date: TODAY, label: "A", items: [] });
    const path = `/athletes/${this.athlete}/logs/${TODAY}/A/merge`;
    await this.db.enqueue({ id: newId(), method: "POST", path, body: { base, log } });
  }
}

let ids = 0;
const newId = (): string => (++ids).toString(16).padStart(32, "0");

const withSet = (log: StrengthLog, exercise: string, at: string): StrengthLog => {
  const set = { reps: 5, loadKg: 40, rir: 2, side: "both" as const, at };
  const known = log.items.some((i) => i.exercise === exercise);
  return {
    ...log,
    items: known
      ? log.items.map((i) => (i.exercise === exercise ? { ...i, sets: [...i.sets, set] } : i))
      : [...log.items, { exercise, sets: [set] }],
  };
};
const setsIn = (log: StrengthLog | null | undefined): string[] =>
  (log?.items ?? []).flatMap((i) => i.sets.map((s) => s.at ?? "")).sort();

describe("two phones and a coach", () => {
  it.each(Array.from({ length: SCHEDULES }, (_, i) => i + 1))(
    "schedule %i loses nothing and doubles nothing",
    async (seed) => {
      const r = random(seed);
      const added = await send(
        coachCookie,
        "POST",
        "/athletes",
        JSON.parse(readFileSync("tests/support/run.json", "utf8")),
      );
      const { id: athlete } = answerOf<ImportedView>(added);
      const join = async (name: string): Promise<Phone> => {
        const invited = await send(coachCookie, "POST", `/athletes/${athlete}/phone/invitations`);
        const { code } = answerOf<InvitationView>(invited);
        const joined = await send("", "POST", "/phone/session/phone", { code, device: name });
        const phone = new Phone(`${name}-${seed}`, cookieIn(joined.headers["set-cookie"]), athlete);
        await phone.db.begin(athlete);
        expect(await phone.sync()).toBe("done");
        return phone;
      };
      const phones = [await join("one"), await join("two")];
      const there = new Set<string>();
      const messages = new Set<string>();
      const stamp = (n: number): string => new Date(Date.parse("2026-03-03T17:00:00.000Z") + n * 1000).toISOString();
      let clock = 0;
      const stored = async (): Promise<StrengthLog | undefined> =>
        (await server.store.athletes.get(athlete))?.athlete.strengthLog.find(
          (l) => l.date === TODAY && l.label === "A",
        );

      for (let step = 0; step < STEPS; step++) {
        const phone = phones[r.whole(0, 1)] as Phone;
        const at = stamp(++clock);
        const act = r.whole(0, 9);
        if (act <= 3) {
          await phone.change((log) => withSet(log, EXERCISES[r.whole(0, 2)] ?? "step-up", at));
          there.add(at);
        } else if (act === 4) {
          // A set that this phone has is taken back.
          const mine = setsIn(await phone.log());
          const gone = mine[r.whole(0, Math.max(0, mine.length - 1))];
          if (gone) {
            await phone.change((log) => ({
              ...log,
              items: log.items.map((i) => ({ ...i, sets: i.sets.filter((s) => s.at !== gone) })),
            }));
            there.delete(gone);
          }
        } else if (act === 5) {
          const id = newId();
          await phone.db.enqueue({
            id,
            method: "POST",
            path: `/athletes/${athlete}/messages`,
            body: { id, text: `Message ${id}`, about: null },
          });
          messages.add(id);
        } else if (act === 6) phone.online = !phone.online;
        else if (act === 7) phone.kill();
        else if (act === 8) {
          // The coach logs one, too, at the rack.
          const base = (await stored()) ?? null;
          const log = withSet(
            base ?? { date: TODAY, label: "A", items: [] },
            EXERCISES[r.whole(0, 2)] ?? "step-up",
            at,
          );
          const answer = await send(coachCookie, "POST", `/athletes/${athlete}/logs/${TODAY}/A/merge`, { base, log });
          expect(answer.status).toBe(200);
          there.add(at);
        } else {
          const [lostAt, way] = [r.whole(0, 3), r.whole(0, 2)];
          await phone.sync((n) => (n !== lostAt || way === 0 ? null : way === 1 ? "request" : "answer"));
        }
      }
      for (const phone of [...phones, ...phones]) {
        phone.online = true;
        expect(await phone.sync()).toBe("done");
      }
      const end = setsIn(await stored());
      expect(end).toEqual([...there].sort());
      const written = await server.store.phone.messages(athlete);
      expect(written.map((m) => m.id).sort()).toEqual([...messages].sort());
      for (const phone of phones) {
        expect(await phone.db.refusedHere()).toEqual([]);
        expect(await phone.db.queueHere()).toEqual([]);
        expect(setsIn(await phone.log())).toEqual(end);
      }
    },
  );
});
