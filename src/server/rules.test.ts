import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { athleteWith } from "../../tests/support/athlete";
import { type TestServer, testServer } from "../../tests/support/server";
import type { Problem } from "../api/problem";
import type { AthleteRulesView, RulesView, SeasonView } from "../api/views";
import { RULES } from "../core/rulebook";

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.close());

/** What each week does, and why. */
const setsOf = (v: SeasonView): string[] => v.weeks.map((w) => JSON.stringify([w.dose, w.why]));

describe("the coach's own numbers of rules", () => {
  it("are taken within their bounds; a must-hold is only tightened, and the answer says where and what", async () => {
    const put = (values: unknown) => server.call<Problem>("PUT", "/rules/values", { values });
    // M3: 24 h is the least that holds, 72 h the most that may be asked for.
    for (const hours of [24, 72]) expect((await put({ M3: { hours } })).status).toBeLessThan(300);
    for (const hours of [23, 73]) {
      const refused = await put({ M3: { hours } });
      expect(refused.status).toBe(422);
      expect(JSON.stringify(refused.body)).toContain("values.M3.hours");
    }
    expect((await put({ "M3.typo": { hours: 30 } })).status).toBe(422);
    expect((await put({ M3: { days: 2 } })).status).toBe(422);
    expect((await server.call<RulesView>("GET", "/rules")).body.values).toEqual({ M3: { hours: 72 } });
    await put({});
  });

  it("change what is planned, the athlete's before the club's, and given back they leave no trace", async () => {
    const id = await server.store.athletes.add(athleteWith());
    const season = async () => setsOf((await server.call<SeasonView>("GET", `/athletes/${id}/season`)).body);
    const before = await season();
    const share = (n: number) => ({ values: { "stepback.every": { share: n } } });
    expect(RULES["stepback.every"].parameters.share?.value).toBe(0.55);
    await server.call("PUT", "/rules/values", share(0.8));
    const club = await season();
    expect(club).not.toEqual(before);
    await server.call("PUT", `/athletes/${id}/rules`, share(0.55));
    expect(await season()).toEqual(before);
    await server.call("PUT", `/athletes/${id}/rules`, { values: {} });
    expect(await season()).toEqual(club);
    await server.call("PUT", "/rules/values", { values: {} });
    expect(await season()).toEqual(before);
  });

  it("are listed beside what the rules said in the athlete's plan", async () => {
    const id = await server.store.athletes.add(athleteWith());
    const { body } = await server.call<AthleteRulesView>("GET", `/athletes/${id}/rules`);
    const spoken = Object.entries(body.spoken);
    expect(spoken.length).toBeGreaterThan(10);
    for (const [rule, said] of spoken) {
      expect(Object.keys(RULES)).toContain(rule);
      expect(said?.times).toBeGreaterThan(0);
      expect(said?.first[0]?.text).toBeTruthy();
    }
  });
});
