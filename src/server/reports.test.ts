/** Reports on paper, and results over the years. */
import { readFileSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { pdfText } from "../../tests/support/pdf";
import { type TestServer, testServer } from "../../tests/support/server";
import type { ResultsView } from "../api/results";
import type { Athlete } from "../core/athlete";

let server: TestServer;
let id = "";
beforeAll(async () => {
  server = await testServer();
  const runner = JSON.parse(readFileSync("tests/support/run.json", "utf8")) as Athlete;
  const race = (year: number, minutes: number, more: object = {}) =>
    ({
      id: `mill-${year}`,
      date: `${year}-02-22`,
      name: `Mill Lane ${year}`,
      sport: "run",
      priority: "B",
      expectedMinutes: 80,
      result: { minutes, ...more },
    }) as const;
  id = await server.store.athletes.add({
    ...runner,
    athlete: { ...runner.athlete, name: "Una Reed" },
    races: [
      race(2026, 76, { place: 3, felt: 4 }),
      { id: "open", date: "2026-02-01", name: "Frost Five", sport: "run", priority: "C" },
    ],
    pastRaces: [race(2025, 84)],
    screening: [
      { test: "calf-raise", date: "2026-01-10", left: 20, right: 25 },
      { test: "calf-raise", date: "2026-02-20", left: 24, right: 25 },
    ],
  });
  await server.store.athletes.add(JSON.parse(readFileSync("tests/support/row.json", "utf8")) as Athlete);
});
afterAll(() => server.close());
const text = async (path: string) => {
  const answer = await fetch(`${server.base}${path}`);
  expect(answer.headers.get("content-type")).toContain("application/pdf");
  return pdfText(new Uint8Array(await answer.arrayBuffer()));
};

describe("a report on paper", () => {
  it("holds words, weeks, tests by side, races with results, and pain", async () => {
    const page = (await text(`/athletes/${id}/report.pdf?from=2026-01-05&to=2026-03-01`)).join(" ");
    for (const words of [
      "Una Reed",
      "Hard sets a week",
      "left 20, right 25",
      "left 24, right 25",
      "Mill Lane 2026",
      "1:16 h",
      "expected 1:20 h",
      "place 3",
      "Pain reported",
    ])
      expect(page).toContain(words);
    // The race of the year before lies before the span.
    expect(page).not.toContain("Mill Lane 2025");
  });

  it("is made for everybody in a group, each from a page of their own", async () => {
    const ids = (await server.store.athletes.list()).map((a) => a.id);
    const { body } = await server.call<{ id: string }>("POST", "/groups", { name: "Two", members: ids, hour: null });
    const pages = await text(`/groups/${body.id}/reports.pdf?from=2026-02-02&to=2026-03-01`);
    expect(pages.filter((p) => p.includes("Una Reed")).length).toBeGreaterThan(0);
    expect(pages.some((p) => p.includes("Petra Holm") && !p.includes("Una Reed"))).toBe(true);
    expect((await server.call("GET", "/groups/nobody/reports.pdf?from=2026-02-02&to=2026-03-01")).status).toBe(404);
  });
});

it("results stand beside what was expected and the same race before, whatever the year in its name", async () => {
  const { rows } = (await server.call<ResultsView>("GET", "/results")).body;
  const own = rows.filter((r) => r.athlete === id);
  expect(own.map((r) => [r.race, r.minutes, r.before])).toEqual([
    ["Mill Lane 2026", 76, { date: "2025-02-22", minutes: 84 }],
    ["Frost Five", null, null],
    ["Mill Lane 2025", 84, null],
  ]);
  expect(own[0]).toMatchObject({ expectedMinutes: 80, place: 3, felt: 4, name: "Una Reed" });
  // A race to come has no result yet and is not among them.
  expect(rows.every((r) => r.date <= "2026-03-03")).toBe(true);
});
