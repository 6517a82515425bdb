/** The coach's own numbers of rules, for the club and for one athlete, and where the rules spoke in an athlete's plan. */
import { ruleValuesBody } from "../../api/requests";
import type { AthleteRulesView, RulesView } from "../../api/views";
import type { RuleValues } from "../../core/rulebook";
import { done, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import { spokenIn } from "../views/rules";
import { athleteTools, pastTools } from "./tools";

export function ruleRoutes(ctx: ServerContext): Route[] {
  const { store } = ctx;
  const { season, change } = athleteTools(ctx);
  const { pastOf, keepPast } = pastTools(ctx);
  const body = { schema: ruleValuesBody, what: "The numbers" };

  const club = new RouteList("/rules");
  club.read("", async () =>
    json({ values: store.club.values, rulesOff: [...store.club.rulesOff] } satisfies RulesView),
  );
  club.planned(
    "PUT",
    "/values",
    { body, expensive: true },
    async () => pastOf(await store.athletes.list()),
    async ({ body: { values } }, past) => {
      await keepPast(past);
      await store.club.set<RuleValues>("ruleValues", () => values);
      return done();
    },
  );

  const own = new RouteList("/athletes");
  own.read("/:id/rules", async ({ params }) => {
    const p = await season(params.id);
    const settings = p.stored.athlete.settings;
    return json({
      values: settings?.ruleValues ?? {},
      rulesOff: settings?.rulesOff ?? [],
      spoken: spokenIn(p),
    } satisfies AthleteRulesView);
  });
  own.planned(
    "PUT",
    "/:id/rules",
    { body, expensive: true },
    async ({ params }) => pastOf([{ id: params.id }]),
    async ({ params, body: { values } }, past) => {
      await keepPast(past);
      await change(params.id, "The numbers of rules", (a) => ({
        ...a,
        settings: { ...a.settings, ruleValues: values },
      }));
      return done();
    },
  );
  return [...club.all, ...own.all];
}
