/** The way back of trouble areas: read, and confirmed step by step by the coach. */

import { healthView } from "../../api/make/health";
import { type PathwayBody, pathwayBody } from "../../api/requests";
import { AREA_WORDS, type Athlete, type Pathway, pathwayOf } from "../../core/athlete";
import type { IsoDate } from "../../core/dates";
import { AREA_PLANS, isBefore, nextStage, proposalFor, stagesOn } from "../../core/pathway";
import { faulty, HttpProblem } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import { athleteTools } from "./tools";

/** @throws where the step may not be taken: the trouble is not there, it skips a stage, it comes before its days, or nobody licensed agreed */
function checkedStep(athlete: Athlete, body: PathwayBody, today: IsoDate): void {
  const trouble = athlete.health.areas.find((t) => t.area === body.area && t.side === body.side);
  if (!trouble || trouble.status === "past")
    throw faulty([{ path: "area", expected: "current or recent trouble of this athlete expected" }], "The step");
  const { clinician } = AREA_PLANS[body.area];
  if (clinician && body.stage !== "settle" && !body.clinician)
    throw faulty([{ path: "clinician", expected: "the name of the clinician who agreed expected" }], "The step");
  const now = stagesOn(athlete, today).find((s) => s.area === body.area && s.side === body.side);
  // Back, or lower, is always open.
  if (!now || !isBefore(now.stage, body.stage)) return;
  const next = nextStage(now.stage);
  if (body.stage !== next)
    throw faulty([{ path: "stage", expected: `the next stage, ${next}, or an earlier one expected` }], "The step");
  const p = proposalFor(athlete, now, today);
  if (!p) return;
  if (p.days < p.least)
    throw new HttpProblem(
      409,
      "Too early",
      `${AREA_WORDS[body.area]}: the stage ${now.stage} takes ${p.least} days at least, today is day ${p.days}. Nothing was stored.`,
    );
  if (!p.ready && !body.anyway)
    throw new HttpProblem(
      409,
      "Not shown yet",
      `The sign of the stage ${now.stage} still lacks: ${p.missing.join("; ")}. Nothing was stored.`,
    );
}

/** The athlete with the step; one of the same day takes the place of the one before. */
function withStep(athlete: Athlete, body: PathwayBody, today: IsoDate): Athlete {
  const { area, side, stage, by, clinician, limits } = body;
  const trouble = athlete.health.areas.find((t) => t.area === area && t.side === side);
  const known: Pathway = pathwayOf(athlete, body) ?? { area, side, since: trouble?.since ?? today, steps: [] };
  const step = { stage, date: today, by, ...(clinician ? { clinician } : {}), ...(limits ? { limits } : {}) };
  const pathway: Pathway = { ...known, steps: [...known.steps.filter((s) => s.date !== today), step] };
  const others = (athlete.health.pathways ?? []).filter((p) => p.area !== area || p.side !== side);
  return { ...athlete, health: { ...athlete.health, pathways: [...others, pathway] } };
}

export function healthRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  const { planner, store } = ctx;
  const { stored, change } = athleteTools(ctx);

  r.read("/:id/health", async ({ params }) =>
    json(healthView(await stored(params.id), store.exercises.library, planner.today())),
  );

  r.change("POST", "/:id/pathways", { body: { schema: pathwayBody, what: "The step" } }, async ({ params, body }) => {
    const today = planner.today();
    await change(
      params.id,
      "The step",
      (a) => {
        checkedStep(a, body, today);
        return withStep(a, body, today);
      },
      `Way back of the ${AREA_WORDS[body.area]}: ${body.stage}`,
    );
    return done();
  });
  return r.all;
}
