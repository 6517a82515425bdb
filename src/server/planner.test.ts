/** Load limits of the weeks behind: kept while what they are made of stays, and never those of other facts. */
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith, logOf, raceOn, START, weeksOf } from "../../tests/support/athlete";
import { type TestServer, TODAY, testServer } from "../../tests/support/server";
import type { Athlete } from "../core/athlete/types";
import { addDays } from "../core/dates";
import { SHIPPED_LIBRARY } from "../core/exercise/library";
import { PastLimits } from "./pastLimits";
import { Planner } from "./planner";

describe("limits that are kept", () => {
  const limits = (n: number) => new Map([["2026-02-23", n]]);
  it("are worked out once while basis and library stay, and anew for another of either", () => {
    const kept = new PastLimits(2);
    let made = 0;
    const of = (id: string, basis: unknown, library = SHIPPED_LIBRARY) =>
      kept.of(id, basis, library, () => limits(++made)).get("2026-02-23");
    expect([of("a", { weeks: 8 }), of("a", { weeks: 8 })]).toEqual([1, 1]);
    expect(of("a", { weeks: 9 })).toBe(2);
    expect(of("a", { weeks: 9 }, Object.create(SHIPPED_LIBRARY))).toBe(3);
    expect([of("b", { weeks: 9 }), of("b", { weeks: 9 })]).toEqual([4, 4]);
    kept.forget();
    expect(of("b", { weeks: 9 })).toBe(5);
  });
  it("are those of so many athletes: the least lately asked for goes", () => {
    const kept = new PastLimits(2);
    const made: string[] = [];
    for (const id of ["a", "b", "a", "c", "a", "b"])
      kept.of(id, 1, SHIPPED_LIBRARY, () => {
        made.push(id);
        return limits(1);
      });
    expect(made).toEqual(["a", "b", "c", "b"]);
  });
});

describe("the limits of a planner that has been asked before", () => {
  let server: TestServer;
  let id = "";
  beforeAll(async () => {
    server = await testServer();
    const endurance = weeksOf(new Array(12).fill(1));
    id = await server.store.athletes.add(
      athleteWith({ endurance, season: { start: START, end: addDays(START, 13 * 7 - 1) } }),
    );
  });
  afterAll(() => server.close());
  const limitsOf = async (planner: Planner) => [...(await planner.season(id, 1))!.pastLimits()];
  const fresh = () => limitsOf(new Planner(server.store, () => TODAY));

  it("are those of one that has not, whatever was changed in between", async () => {
    const asked = new Planner(server.store, () => TODAY);
    const first = await limitsOf(asked);
    expect(first).toHaveLength(8);
    expect(first.every(([, limit]) => limit > 0)).toBe(true);
    const change = (to: (a: Athlete) => Athlete) => server.store.athletes.change(id, to, () => undefined);
    const log = logOf("2026-02-24", []);
    // What leaves the weeks behind as they were, what does not, and what writes them down first.
    const changes: [string, boolean | null, () => Promise<unknown>][] = [
      ["a log", true, () => server.call("PUT", `/athletes/${id}/logs/${log.date}/A`, log)],
      ["a lock", true, () => change((a) => ({ ...a, locked: [] }))],
      ["a race", false, () => change((a) => ({ ...a, races: [raceOn("2026-02-15", "A", 200)] }))],
      ["free time", false, () => change((a) => ({ ...a, availability: a.availability.slice(1) }))],
      [
        "a club's rule",
        null,
        () => server.call("PUT", "/rules/values", { values: { "stepback.every": { share: 0.8 } } }),
      ],
    ];
    let before = first;
    for (const [name, same, change] of changes) {
      await change();
      const now = await limitsOf(asked);
      expect(now, name).toEqual(await fresh());
      if (same !== null) expect([name, JSON.stringify(now) === JSON.stringify(before)]).toEqual([name, same]);
      before = now;
    }
  });
});
