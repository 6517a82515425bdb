/** Trouble areas with their way back: where each stands, what the plan does because of it, and what comes next. */

import {
  AREA_WORDS,
  type Athlete,
  confirmedStage,
  PATHWAY_STAGES,
  pathwayOf,
  safetyGate,
  type TroubleArea,
} from "../../core/athlete";
import { addDays, daysBetween, type IsoDate } from "../../core/dates";
import type { Library } from "../../core/exercise";
import {
  AREA_PLANS,
  type AreaStage,
  isBefore,
  isWatched,
  openingOf,
  painDays,
  proposalFor,
  STAGE_SAYS,
  stagesOn,
  workOf,
  workText,
} from "../../core/pathway";
import { numbers } from "../../core/rulebook";
import type { AthleteHealthView, HealthAreaView, WayBackView } from "../views";
import type { Facts } from "./planned";

/** Names that are shown of what a stage leaves out. */
const NAMES = 12;

export function healthView({ id, athlete }: Facts, library: Library, today: IsoDate): AthleteHealthView {
  const gate = safetyGate(athlete, today);
  const { leastDays } = numbers("pathway.stage");
  return {
    id,
    name: athlete.athlete.name,
    today,
    clearance: athlete.health.clearance ?? null,
    restricted: gate.restricted ? (gate.why[0]?.text ?? null) : null,
    areas: athlete.health.areas.map((t) => areaView(athlete, t, library, today)),
    stages: PATHWAY_STAGES.map((stage) => ({
      stage,
      says: STAGE_SAYS[stage],
      least: stage === "back" ? null : leastDays[stage],
    })),
  };
}

function areaView(athlete: Athlete, t: TroubleArea, library: Library, today: IsoDate): HealthAreaView {
  const now = stagesOn(athlete, today).find((s) => s.area === t.area && s.side === t.side);
  return {
    area: t.area,
    side: t.side,
    name: AREA_WORDS[t.area],
    status: t.status,
    since: t.since ?? null,
    way: now ? wayBack(athlete, now, library, today) : isWatched(athlete, t, today) ? back(athlete, t, today) : null,
    steps: pathwayOf(athlete, t)?.steps ?? [],
    pain: painDays(athlete, t, addDays(today, 1)).map(({ date, pain, nextDay }) => ({ date, pain, nextDay })),
  };
}

function wayBack(athlete: Athlete, now: AreaStage, library: Library, today: IsoDate): WayBackView {
  const p = proposalFor(athlete, now, today);
  const stage = now.stage === "back" ? "spring" : now.stage;
  const plan = AREA_PLANS[now.area];
  const next = p?.next ?? null;
  const touched = library.all
    .filter((e) => !library.hidden.has(e.id))
    .map((e) => ({ name: e.name, opening: openingOf(e, now.area) }));
  const closed = touched.filter((e) => isBefore(stage, e.opening.bare));
  const bare = touched.filter((e) => !isBefore(stage, e.opening.bare) && isBefore(stage, e.opening.loaded));
  return {
    stage,
    since: now.since,
    begun: now.begun,
    lowered: now.lowered?.text ?? null,
    watchedUntil: null,
    days: p?.days ?? 0,
    least: p?.least ?? 0,
    next,
    missing: p?.missing ?? [],
    ready: p?.ready ?? false,
    overdue: p?.overdue ?? false,
    says: plan.stages[stage].says,
    opens: next === null || next === "back" ? STAGE_SAYS.back : plan.stages[next].says,
    watch: plan.watch,
    clinician: plan.clinician ?? false,
    work: workOf(now.area, stage, Math.max(0, daysBetween(now.since, today))).map((w) => workText(w, library.byId)),
    closed: closed.slice(0, NAMES).map((e) => e.name),
    bare: bare.slice(0, NAMES).map((e) => e.name),
  };
}

/** Confirmed to be back: the ordinary plan, watched. */
function back(athlete: Athlete, t: TroubleArea, today: IsoDate): WayBackView {
  const p = pathwayOf(athlete, t);
  const since = p ? confirmedStage(p, today).since : today;
  const { watchedDays } = numbers("pathway.stage");
  return {
    stage: "back",
    since,
    begun: true,
    lowered: null,
    watchedUntil: addDays(since, watchedDays),
    days: daysBetween(since, today),
    least: watchedDays,
    next: null,
    missing: [],
    ready: false,
    overdue: false,
    says: "The ordinary plan.",
    opens: "",
    watch: AREA_PLANS[t.area].watch,
    clinician: AREA_PLANS[t.area].clinician ?? false,
    work: [],
    closed: [],
    bare: [],
  };
}
