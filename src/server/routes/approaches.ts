/** Approaches of the club: the shipped ones, the coach's copies with every version, and the rules switched off for everybody. */
import { approachBody, clubRulesBody, copyApproachBody } from "../../api/requests";
import type { ApproachesView, ApproachVersionView, ApproachView } from "../../api/views";
import { findApproach, SHIPPED_APPROACHES } from "../../core/approach";
import type { Approach, Athlete, Phase } from "../../core/athlete";
import { approachFaults } from "../../core/dose";
import { ruleIdOf, SWITCHES } from "../../core/rulebook";
import { faulty, HttpProblem, notFound } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import { answering } from "../http/scope";
import type { ServerContext } from "../serverContext";
import type { Store } from "../store/store";
import { pastTools } from "./tools";

/** Phases in which an athlete follows an approach: null for all that have no exception, [] for none. */
export function followedIn({ settings }: Pick<Athlete, "settings">, id: string): Phase[] | null {
  if ((settings?.approach ?? "layered") === id) return null;
  return (Object.entries(settings?.approachByPhase ?? {}) as [Phase, string][]).flatMap(([p, a]) =>
    a === id ? [p] : [],
  );
}

const follows = (athlete: Pick<Athlete, "settings">, id: string): boolean => followedIn(athlete, id)?.length !== 0;

/** Throws where the approach asks for what cannot be done. */
export function checkedApproach(a: Approach): Approach {
  const faults = approachFaults(a);
  if (faults.length > 0) throw faulty(faults, "The approach");
  return a;
}

const slugOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 40) || "copy";

/** The shipped approaches, then the coach's own, each with who follows it. */
async function approachesView(store: Store): Promise<ApproachesView> {
  const athletes = await store.athletes.outlines();
  const view = (approach: Approach, own: boolean, savedAt: string | null): ApproachView => ({
    approach,
    own,
    users: athletes
      .filter(({ athlete }) => follows(athlete, approach.id))
      .map(({ id, athlete }) => ({ id, name: athlete.athlete.name, phases: followedIn(athlete, approach.id) })),
    savedAt,
  });
  const own = await Promise.all(
    store.approaches.all.map(async (a) => view(a, true, (await store.approaches.versions(a.id))[0]?.at ?? null)),
  );
  return {
    approaches: [...SHIPPED_APPROACHES.map((a) => view(a, false, null)), ...own],
    rulesOff: [...store.club.rulesOff],
  };
}

/** An id of a copy that no approach has yet. */
function freeId(name: string, all: readonly Approach[]): string {
  const slug = slugOf(name);
  let id = `own-${slug}`;
  for (let n = 2; all.some((a) => a.id === id); n++) id = `own-${slug}-${n}`;
  return id;
}

/** @throws where a rule cannot be switched off */
function checkSwitches(rulesOff: readonly string[]): void {
  const faults = rulesOff
    .filter((x) => !SWITCHES.some((s) => s.id === ruleIdOf(x)))
    .map((x) => ({ path: `rulesOff.${x}`, expected: "a rule that can be switched off expected" }));
  if (faults.length > 0) throw faulty(faults, "The rules");
}

/** What changes an approach or the rules: weeks that are over are written down first. */
function changeRoutes(r: RouteList, { store, planner }: ServerContext): void {
  const { pastOf, keepPast } = pastTools({ store, planner });

  r.planned(
    "PUT",
    "/rules",
    { body: { schema: clubRulesBody, what: "The rules" }, expensive: true },
    async ({ body }) => {
      checkSwitches(body.rulesOff);
      return pastOf(await store.athletes.list());
    },
    async ({ body }, past) => {
      await keepPast(past);
      await store.club.set("rulesOff", () => body.rulesOff);
      return done();
    },
  );

  r.planned(
    "PUT",
    "/:approach",
    { body: { schema: approachBody, what: "The approach" }, limit: 500_000, expensive: true },
    async ({ params, body: { approach } }) => {
      if (!store.approaches.all.some((a) => a.id === params.approach)) throw notFound("approach of your own");
      if (approach.id !== params.approach)
        throw faulty(
          [{ path: "approach.id", expected: `"${params.approach}", as in the address, expected` }],
          "The approach",
        );
      checkedApproach(approach);
      return pastOf((await store.athletes.outlines()).filter(({ athlete }) => follows(athlete, approach.id)));
    },
    async ({ body: { approach, note } }, past) => {
      await keepPast(past);
      const saved = await store.approaches.save(approach, note);
      return json({ version: saved.version });
    },
  );
}

export function approachRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/approaches");
  const { store } = ctx;

  r.read("", async () => json(await approachesView(store)));

  r.change("POST", "", { body: { schema: copyApproachBody, what: "The copy" } }, async ({ body: { basis, name } }) => {
    const from = findApproach(basis, store.approaches.all);
    if (!from) throw notFound("approach");
    const id = freeId(name, store.approaches.all);
    const answer = answering(json({ id }, 201), null);
    // A copy of a shipped one keeps its lines for as long as their cells stay as they are; they are not written down twice.
    const { lines, ...table } = from;
    const own = from.id === from.basis || !lines ? {} : { lines };
    await store.approaches.save({ ...table, ...own, id, name }, `Copied from ${from.name}`);
    return answer;
  });

  changeRoutes(r, ctx);

  r.read("/:approach/versions", async ({ params }) => {
    const view: ApproachVersionView[] = await store.approaches.versions(params.approach);
    if (view.length === 0) throw notFound("approach of your own");
    return json(view);
  });

  r.change("DELETE", "/:approach", {}, async ({ params }) => {
    const { approach } = params;
    const users = (await store.athletes.outlines()).filter(({ athlete }) => follows(athlete, approach));
    if (users.length > 0)
      throw new HttpProblem(
        409,
        "Still followed",
        `${users.map((u) => u.athlete.athlete.name).join(", ")} follow${users.length === 1 ? "s" : ""} it. Choose another approach for them first.`,
      );
    if ((await store.approaches.remove(approach)).length === 0) throw notFound("approach of your own");
    return done();
  });

  return r.all;
}
