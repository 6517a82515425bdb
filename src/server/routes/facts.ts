/** What the coach writes down about an athlete's year: races, endurance, free time, phases. */
import { randomUUID } from "node:crypto";
import { enduranceBody, endurancePlanBody, phasesBody, raceBody, windowsBody } from "../../api/requests";
import type { Athlete } from "../../core/athlete";
import { notFound } from "../errors";
import { done, json, type RouteList } from "../http/route";
import { answering } from "../http/scope";
import type { ServerContext } from "../serverContext";
import { athleteTools } from "./tools";

export function factRoutes(r: RouteList, ctx: ServerContext): void {
  const { store } = ctx;
  const { stored, change } = athleteTools(ctx);
  const race = { body: { schema: raceBody, what: "The race" } };
  const endurance = { body: { schema: enduranceBody, what: "The session" } };

  r.change("POST", "/:id/races", race, async ({ params, body }) => {
    const id = `race-${randomUUID().slice(0, 8)}`;
    const answer = answering(json({ id }, 201), params.id);
    const words = `Race added: ${body.name}`;
    await change(params.id, "The race", (a) => ({ ...a, races: [...a.races, { id, ...body }] }), words);
    return answer;
  });

  r.change("PUT", "/:id/races/:race", race, async ({ params, body }) => {
    const apply = (a: Athlete): Athlete => {
      if (!a.races.some((x) => x.id === params.race)) throw notFound("race");
      return { ...a, races: a.races.map((x) => (x.id === params.race ? { id: x.id, ...body } : x)) };
    };
    await change(params.id, "The race", apply, `Race changed: ${body.name}`);
    return done();
  });

  r.change("DELETE", "/:id/races/:race", {}, async ({ params }) => {
    const race = (await stored(params.id)).athlete.races.find((x) => x.id === params.race);
    if (!race) throw notFound("race");
    const apply = (a: Athlete): Athlete => ({ ...a, races: a.races.filter((x) => x.id !== params.race) });
    await change(params.id, "The race", apply, `Race removed: ${race.name}`);
    return done();
  });

  r.change("POST", "/:id/endurance", endurance, async ({ params, body }) => {
    const id = randomUUID();
    const answer = answering(json({ id }, 201), params.id);
    if ((await store.athletes.putEndurance(params.id, body, null, id)) === null) throw notFound("athlete");
    return answer;
  });

  r.change("PUT", "/:id/endurance/:row", endurance, async ({ params, body }) => {
    if ((await store.athletes.putEndurance(params.id, body, params.row)) === null) throw notFound("endurance session");
    return done();
  });

  r.change("DELETE", "/:id/endurance/:row", {}, async ({ params }) => {
    if ((await store.athletes.putEndurance(params.id, null, params.row)) === null) throw notFound("endurance session");
    return done();
  });

  r.change("PUT", "/:id/windows", { body: { schema: windowsBody, what: "Free time" } }, async ({ params, body }) => {
    await change(params.id, "Free time", (a) => ({ ...a, availability: body.windows }));
    return done();
  });

  r.change(
    "PUT",
    "/:id/endurance-plan",
    { body: { schema: endurancePlanBody, what: "The endurance plan" } },
    async ({ params, body }) => {
      await change(params.id, "The endurance plan", (a) => {
        const { endurancePlan: _, ...rest } = a;
        return body.plan === null ? rest : { ...rest, endurancePlan: body.plan };
      });
      return done();
    },
  );

  r.change("PUT", "/:id/phases", { body: { schema: phasesBody, what: "The phases" } }, async ({ params, body }) => {
    await change(params.id, "The phases", (a) => ({ ...a, phases: body.phases }));
    return done();
  });
}
