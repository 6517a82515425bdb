/** Points of the squad that the coach has seen: out of the way until a day, by athlete, gone with the athlete. */
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith } from "../../tests/support/athlete";
import { type TestServer, testServer } from "../../tests/support/server";
import type { AttentionView, SquadView } from "../api/views";
import { SEEN } from "./views/squad";

let app: TestServer;
let [id, other] = ["", ""];
/** The test server's day is 2026-03-03, a Tuesday: a race tomorrow needs the coach today, one in a week this week. */
const race = (date: string) => ({
  id: `r${date}`,
  date,
  name: "Mill Ten",
  sport: "run" as const,
  priority: "C" as const,
});
const weak = { date: "2026-02-20", test: "calf-raise" as const, left: 10, right: 20 };
beforeAll(async () => {
  app = await testServer();
  id = await app.store.athletes.add(athleteWith({ races: [race("2026-03-04")], screening: [weak] }, { name: "Now" }));
  other = await app.store.athletes.add(athleteWith({ races: [race("2026-03-10")] }, { name: "Later" }));
});
afterAll(() => app.close());

const rows = async () => (await app.call<SquadView>("GET", "/squad")).body.rows;
const points = async (of: string): Promise<AttentionView[]> => (await rows()).find((r) => r.id === of)!.attention;
const put = (of: string, key: string, until: unknown) => app.call("PUT", `/athletes/${of}/seen/${key}`, { until });
const aboutRace = (list: AttentionView[]) => list.find((a) => a.text.includes("Mill Ten"))!;
const aboutSides = (list: AttentionView[]) => list.find((a) => a.text.includes("weaker"))!;

describe("what needs the coach", () => {
  it("comes in three grades: a race tomorrow today, one next week this week, last month's test soon", async () => {
    expect(aboutRace(await points(id)).urgency).toBe("today");
    expect(aboutRace(await points(other)).urgency).toBe("week");
    expect(aboutSides(await points(id)).urgency).toBe("soon");
    expect((await rows()).map((r) => r.name)).toEqual(["Now", "Later"]);
  });

  it("stands behind the others once it was seen, until its day, and can be brought back", async () => {
    const { key } = aboutRace(await points(id));
    expect((await put(id, key, "2026-03-04")).status).toBeLessThan(300);
    const after = await points(id);
    expect([after[0]!.seenUntil, after.at(-1)!.key, after.at(-1)!.seenUntil]).toEqual([null, key, "2026-03-04"]);
    expect(aboutRace(await points(other)).seenUntil).toBeNull();
    await put(id, key, null);
    expect(aboutRace(await points(id)).seenUntil).toBeNull();
  });

  it("is back on the day itself: only a later day puts it off", async () => {
    const { key } = aboutRace(await points(id));
    await put(id, key, "2026-03-03");
    expect(aboutRace(await points(id)).seenUntil).toBeNull();
  });

  it("is refused with a day that is none, and for nobody", async () => {
    const { key } = aboutRace(await points(id));
    expect((await put(id, key, "2026-02-30")).status).toBe(422);
    expect((await put("nobody", key, null)).status).toBe(404);
  });

  it("leaves nothing behind when the athlete is erased", async () => {
    await put(id, aboutSides(await points(id)).key, "2026-04-01");
    expect(JSON.stringify(await app.store.club.setting(SEEN))).toContain(id);
    await app.call("DELETE", `/athletes/${id}`);
    expect(JSON.stringify(await app.store.club.setting(SEEN))).not.toContain(id);
  });
});
