/** Approaches of the club: the shipped ones, the coach's copies with every version, and the rules switched off for everybody. */
import express, { Router } from "express";
import { approachBody, clubRulesBody, copyApproachBody } from "../../api/requests";
import type { ApproachesView, ApproachVersionView, ApproachView } from "../../api/views";
import { findApproach } from "../../core/approach/pick";
import { SHIPPED_APPROACHES } from "../../core/approach/shipped";
import type { Approach } from "../../core/athlete/approach";
import type { Athlete, Phase } from "../../core/athlete/types";
import { approachFaults } from "../../core/dose/check";
import { SWITCHES } from "../../core/rules";
import { faulty, notFound, ProblemError, parse } from "../errors";
import type { Planner } from "../planner";
import type { Store } from "../store/store";
import { pastWeeks } from "../views/review";

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

export function approachRoutes(store: Store, planner: Planner): Router {
  const router = Router();
  router.use(express.json({ limit: "500kb" }));

  /** Weeks that are over stay as they were planned before what changes now. */
  const keepPast = async (athletes: readonly { id: string }[]): Promise<void> => {
    for (const { id } of athletes) {
      const p = await planner.season(id);
      if (p) await pastWeeks(store, p, planner.today());
    }
  };

  router.get("/", async (_req, res) => {
    const athletes = await store.outlines();
    const view = (approach: Approach, own: boolean, savedAt: string | null): ApproachView => ({
      approach,
      own,
      users: athletes
        .filter(({ athlete }) => follows(athlete, approach.id))
        .map(({ id, athlete }) => ({ id, name: athlete.athlete.name, phases: followedIn(athlete, approach.id) })),
      savedAt,
    });
    const own = await Promise.all(
      store.schools.all.map(async (a) => view(a, true, (await store.schools.versions(a.id))[0]?.at ?? null)),
    );
    const body: ApproachesView = {
      approaches: [...SHIPPED_APPROACHES.map((a) => view(a, false, null)), ...own],
      rulesOff: [...store.switchedOff],
    };
    res.json(body);
  });

  router.post("/", async (req, res) => {
    const { basis, name } = parse(copyApproachBody, req.body, "The copy");
    const from = findApproach(basis, store.schools.all);
    if (!from) throw notFound("approach");
    const slug =
      name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, "-")
        .replace(/^-+|-+$/g, "")
        .slice(0, 40) || "copy";
    let id = `own-${slug}`;
    for (let n = 2; store.schools.all.some((a) => a.id === id); n++) id = `own-${slug}-${n}`;
    const saved = await store.schools.save({ ...from, id, name }, `Copied from ${from.name}`);
    res.status(201).json({ id: saved.id });
  });

  router.put("/rules", async (req, res) => {
    const { rulesOff } = parse(clubRulesBody, req.body, "The rules");
    const unknown = rulesOff.filter((r) => !SWITCHES.some((s) => s.id === r));
    if (unknown.length > 0)
      throw faulty(
        unknown.map((r) => ({ path: `rulesOff.${r}`, expected: "a rule that can be switched off expected" })),
        "The rules",
      );
    await keepPast(await store.list());
    await store.setClub("rulesOff", rulesOff);
    res.status(204).end();
  });

  router.put("/:approach", async (req, res) => {
    const { approach, note } = parse(approachBody, req.body, "The approach");
    if (!store.schools.all.some((a) => a.id === req.params.approach)) throw notFound("approach of your own");
    if (approach.id !== req.params.approach)
      throw faulty(
        [{ path: "approach.id", expected: `"${req.params.approach}", as in the address, expected` }],
        "The approach",
      );
    checkedApproach(approach);
    await keepPast((await store.outlines()).filter(({ athlete }) => follows(athlete, approach.id)));
    const saved = await store.schools.save(approach, note);
    res.json({ version: saved.version });
  });

  router.get("/:approach/versions", async (req, res) => {
    const view: ApproachVersionView[] = await store.schools.versions(req.params.approach);
    if (view.length === 0) throw notFound("approach of your own");
    res.json(view);
  });

  router.delete("/:approach", async (req, res) => {
    const { approach } = req.params;
    const users = (await store.outlines()).filter(({ athlete }) => follows(athlete, approach));
    if (users.length > 0)
      throw new ProblemError(
        409,
        "Still followed",
        `${users.map((u) => u.athlete.athlete.name).join(", ")} follow${users.length === 1 ? "s" : ""} it. Choose another approach for them first.`,
      );
    if ((await store.schools.remove(approach)).length === 0) throw notFound("approach of your own");
    res.status(204).end();
  });

  return router;
}
