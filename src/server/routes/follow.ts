/** Which approach an athlete follows, and what another would change. */
import { clubOptions } from "../../api/make/planned";
import { compareBody, followBody, previewBody } from "../../api/requests";
import type { ChangesView, CompareView, FollowView } from "../../api/views";
import { findApproach } from "../../core/approach";
import type { Approach, Athlete, Settings } from "../../core/athlete";
import { plan } from "../../core/plan";
import { changedSessions, tallyByPhase } from "../../core/story";
import { faulty, notFound } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import type { Planned } from "../planner";
import type { ServerContext } from "../serverContext";
import { checkedApproach } from "./approaches";
import { athleteTools, pastTools } from "./tools";

/** Settings with another choice of approach and rules; what is as it ships is not kept. */
function following(
  settings: Settings | undefined,
  f: { approach?: string | undefined; approachByPhase?: object | undefined; rulesOff?: string[] | undefined },
): Settings {
  const { approach: _a, approachByPhase: _b, rulesOff: _c, ...rest } = settings ?? {};
  return {
    ...rest,
    ...(f.approach === undefined ? {} : { approach: f.approach }),
    ...(f.approachByPhase && Object.keys(f.approachByPhase).length > 0 ? { approachByPhase: f.approachByPhase } : {}),
    ...(f.rulesOff && f.rulesOff.length > 0 ? { rulesOff: f.rulesOff } : {}),
  };
}

/** What a change of an athlete's choices alters in the sessions ahead. */
function changesOf(p: Planned, athlete: Athlete, options: object): ChangesView {
  const after = plan(athlete, {
    from: p.from,
    weeks: "season",
    library: p.library,
    ...clubOptions(p.stored),
    ...options,
  });
  return {
    id: p.stored.id,
    name: athlete.athlete.name,
    sessions: p.plan.weeks.reduce((a, w) => a + w.sessions.length, 0),
    changes: changedSessions(p.plan, after),
  };
}

/** @throws where an approach is neither the coach's nor the athlete's */
function checkKnown(asked: readonly (string | undefined)[], known: readonly Approach[]): void {
  const faults = asked
    .filter((id) => id !== undefined && !findApproach(id, known))
    .map((id) => ({ path: "approach", expected: `a known approach expected, found "${id}"` }));
  if (faults.length > 0) throw faulty(faults, "The choice");
}

/** A whole season under one approach, as if it were planned from its first day. @throws where there is no such approach */
function comparedSide(p: Planned, id: string): CompareView["a"] {
  const { athlete, approaches } = p.stored;
  const approach = findApproach(id, approaches);
  if (!approach) throw notFound("approach");
  const { approachByPhase: _, ...rest } = athlete.settings ?? {};
  const { held: _h, swaps: _s, ...club } = clubOptions(p.stored);
  const { locked: _l, edits: _e, ...free } = athlete;
  const all = plan(
    {
      ...free,
      settings: { ...rest, approach: id },
      strengthLog: athlete.strengthLog.filter((l) => l.date < athlete.season.start),
    },
    { weeks: "season", library: p.library, ...club },
  );
  return { id, name: approach.name, phases: tallyByPhase(all) };
}

/** The choice itself. */
function choiceRoutes(r: RouteList, ctx: ServerContext): void {
  const { store } = ctx;
  const { stored, change } = athleteTools(ctx);
  const { pastOf, keepPast } = pastTools(ctx);
  r.read("/:id/follow", async ({ params }) => {
    const { athlete } = await stored(params.id);
    const view: FollowView = {
      approach: athlete.settings?.approach ?? "layered",
      approachByPhase: athlete.settings?.approachByPhase ?? {},
      rulesOff: athlete.settings?.rulesOff ?? [],
      clubRulesOff: [...store.club.rulesOff],
    };
    return json(view);
  });

  r.planned(
    "PUT",
    "/:id/follow",
    { body: { schema: followBody, what: "The choice" } },
    async ({ params, body }) => {
      const { athlete } = await stored(params.id);
      checkKnown(
        [body.approach, ...Object.values(body.approachByPhase ?? {})],
        [...store.approaches.all, ...(athlete.approaches ?? [])],
      );
      // Weeks that are over stay as they were planned under the choice that goes.
      return pastOf([{ id: params.id }]);
    },
    async ({ params, body }, past) => {
      await keepPast(past);
      await change(
        params.id,
        "The choice",
        (a) => ({ ...a, settings: following(a.settings, body) }),
        "Approach and rules",
      );
      return done();
    },
  );
}

/** What another choice would do; nothing is stored. */
function trialRoutes(r: RouteList, ctx: ServerContext): void {
  const { season } = athleteTools(ctx);

  /** Which of this athlete's future sessions a change would alter; nothing is stored. */
  r.try(
    "/:id/dose-preview",
    { body: { schema: previewBody, what: "The preview" }, expensive: true },
    async ({ params, body }) => {
      const p = await season(params.id);
      const { approach, follow, clubRulesOff } = body;
      if (approach) checkedApproach(approach);
      const approaches = approach
        ? [approach, ...p.stored.approaches.filter((a) => a.id !== approach.id)]
        : p.stored.approaches;
      const athlete = follow
        ? { ...p.stored.athlete, settings: following(p.stored.athlete.settings, follow) }
        : p.stored.athlete;
      return json(changesOf(p, athlete, { approaches, ...(clubRulesOff ? { rulesOff: clubRulesOff } : {}) }));
    },
  );

  /** Two approaches on the whole season of this athlete, as if it were planned from its first day. */
  r.try(
    "/:id/compare",
    { body: { schema: compareBody, what: "The comparison" }, expensive: true },
    async ({ params, body }) => {
      const p = await season(params.id);
      return json({ a: comparedSide(p, body.a), b: comparedSide(p, body.b) } satisfies CompareView);
    },
  );
}

export function followRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  choiceRoutes(r, ctx);
  trialRoutes(r, ctx);
  return r.all;
}
