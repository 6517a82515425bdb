/** One week as the week section and the fit panel show it. */

import { type Athlete, type EnduranceSession, windowsOfWeek } from "../../core/athlete";
import { addDays, dayNumber, daysBetween, type IsoDate, isoWeek, MINUTES_A_DAY, timeOf } from "../../core/dates";
import { ASSUMED_RPE, ASSUMED_START, flatEquivalent, isKey, sessionLoad, startOf, weighs } from "../../core/endurance";
import { enduranceLegEvent, freshnessCurve, loggedLegEvent, MEAN_DAYS, meanDailyLoad, TIRED } from "../../core/legs";
import { plannedLegEvent, planWeek } from "../../core/planning";
import { phaseOn } from "../../core/season";
import { roundTo } from "../../core/units";
import { DEFAULT_WEIGHTS } from "../../core/week";
import type { EnduranceView, PlannedSessionView, WeekView } from "../views";
import { ledgerView } from "./ledger";
import type { Facts, Planned } from "./planned";
import { amountView, flagOf, phasePlace } from "./season";
import { sessionOfLog, sessionOfPlan } from "./weekSessions";

export function enduranceView(e: EnduranceSession, id: string, of: Athlete["athlete"]): EnduranceView {
  const assumed: string[] = [];
  if (e.rpe === undefined) assumed.push(`RPE ${ASSUMED_RPE[e.kind]} assumed for ${e.kind}`);
  if (e.start === undefined) assumed.push(`start ${timeOf(ASSUMED_START)} assumed`);
  if (e.key === undefined && isKey(e)) assumed.push(`key session because it is ${e.kind}`);
  const flat = flatEquivalent(e);
  if (flat?.assumed) assumed.push("as much down as up assumed for the hills");
  return {
    ...e,
    id,
    load: Math.round(sessionLoad(e)),
    isKey: isKey(e),
    startMinutes: startOf(e),
    assumed,
    weighs: weighs(e, of),
    flatKm: flat ? roundTo(flat.km, 3) : null,
  };
}

/** Endurance of a span with the row ids of the store. */
export const enduranceBetween = (stored: Facts, from: IsoDate, to: IsoDate): EnduranceView[] =>
  stored.athlete.endurance
    .flatMap((e, i) =>
      e.date >= from && e.date <= to
        ? [enduranceView(e, stored.enduranceIds[i] ?? String(i), stored.athlete.athlete)]
        : [],
    )
    .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.startMinutes - b.startMinutes));

/** Placements that a week's view counts the prices of, at most. */
const WALKED = 60_000;

/** @returns null for a week outside the season */
export function weekView(p: Planned, today: IsoDate, monday: IsoDate): WeekView | null {
  const { stored, plan } = p;
  const season = plan.season.find((w) => w.start === monday);
  if (!season) return null;
  const week = plan.weeks.find((w) => w.season.start === monday);
  const end = addDays(monday, 6);
  const logs = stored.athlete.strengthLog.filter(
    (l) => l.date >= addDays(monday, -1) && l.date <= end && l.date < p.from,
  );
  const limits = week?.dayLimits ?? [];
  const sessions: PlannedSessionView[] = [
    ...logs.map((l): PlannedSessionView => ({ ...sessionOfLog(l, p.library), place: "", warning: null })),
    ...(week?.sessions ?? []).map((s): PlannedSessionView => {
      const over = Math.max(s.stress - (limits[daysBetween(monday, s.date)] ?? 0), s.stress - (week?.loadLimit ?? 0));
      return {
        ...sessionOfPlan(s),
        place: s.place,
        warning: over > 0 ? `${Math.round(over)} AU over the limit` : null,
      };
    }),
  ];
  const heldWeek = stored.heldWeeks.includes(monday);
  // The planner's own choice, with the price of every placement.
  const best = week ? planWeek({ ...week.input, held: [], walk: WALKED }) : undefined;
  const charged = new Set((week?.fit.costs ?? []).map((c) => c.rule));
  return {
    id: stored.id,
    today,
    monday,
    isoWeek: isoWeek(monday).week,
    phase: season.phase,
    emphasis: season.emphasis,
    ...phasePlace(plan.phases, season),
    stepBack: season.stepBack,
    block: season.block,
    endurance: enduranceBetween(stored, addDays(monday, -1), end),
    known: season.known,
    standsIn: plan.assumed
      .filter((e) => e.date >= monday && e.date <= end)
      .map((e) => ({ date: e.date, start: startOf(e), sport: e.sport, kind: e.kind, minutes: e.minutes })),
    sessions,
    dayLimits: limits,
    loadLimit: week?.loadLimit ?? p.pastLimits().get(monday) ?? 0,
    dayPhases: Array.from({ length: 7 }, (_, i) => phaseOn(plan.phases, addDays(monday, i))?.phase ?? season.phase),
    windows: windowsOfWeek(stored.athlete, monday),
    fit: {
      cost: week?.fit.cost ?? 0,
      weighed: best?.fit.weighed ?? 0,
      costs: week?.fit.costs ?? [],
      alternatives: best?.fit.alternatives ?? [],
      histogram: best?.fit.histogram ?? [],
      unplaced: week?.fit.unplaced ?? [],
      freeRules: Object.keys(DEFAULT_WEIGHTS).length - charged.size,
    },
    ledger: ledgerView(week),
    held: heldWeek ? stored.held.filter((h) => h.date >= monday && h.date <= end) : null,
    stale: heldWeek && best !== undefined && week !== undefined && best.fit.cost < week.fit.cost,
    races: stored.athlete.races.filter((r) => r.date >= monday && r.date <= end).map(flagOf),
    freshness: freshnessOf(p, monday),
    changes: (stored.athlete.changes ?? []).filter((c) =>
      "week" in c
        ? c.week === monday
        : "date" in c
          ? c.date >= monday && c.date <= end
          : c.start <= end && c.end >= monday,
    ),
    away: stored.athlete.away.filter((a) => a.start <= end && a.end >= monday),
    places: stored.athlete.places.map((x) => x.id),
    why: week ? [...week.why, week.loadLimitWhy] : season.why,
    editable: end >= p.from,
    mileage: mileageOf(p, monday),
  };
}

/** What the endurance plan says of a week. */
function mileageOf({ stored, plan }: Planned, monday: IsoDate): WeekView["mileage"] {
  const end = addDays(monday, 6);
  const week = plan.endurance.find((w) => w.week === monday);
  const before = plan.endurance.findLast((w) => w.week < monday && w.kind !== "race" && w.kind !== "step-back");
  return {
    plan: stored.athlete.endurancePlan ?? null,
    amount: week ? amountView(week) : null,
    before: before ? roundTo(before.amount, 1) : null,
    warnings: plan.enduranceWarnings.filter((w) => w.date >= monday && w.date <= end),
  };
}

/** Minutes between two points of the week's freshness. */
const CURVE_STEP = 120;

/** Leg freshness over one week, of what is lifted, planned and placed. */
function freshnessOf(p: Planned, monday: IsoDate): WeekView["freshness"] {
  const { athlete } = p.stored;
  const first = dayNumber(monday);
  const [from, to] = [addDays(monday, -MEAN_DAYS), addDays(monday, 6)];
  const legEvents = [
    ...[...athlete.endurance, ...p.plan.assumed].filter((e) => e.date >= from && e.date <= to).map(enduranceLegEvent),
    ...athlete.strengthLog
      .filter((l) => l.date >= from && l.date <= to && l.date < p.from)
      .map((l) => loggedLegEvent(l, p.library.byId)),
    ...p.plan.weeks
      .flatMap((w) => w.sessions)
      .filter((s) => s.date >= from && s.date <= to)
      .map(plannedLegEvent),
  ];
  const meanDaily = meanDailyLoad(legEvents, first * MINUTES_A_DAY);
  const curve = freshnessCurve(legEvents, meanDaily, {
    from: first * MINUTES_A_DAY,
    to: (first + 7) * MINUTES_A_DAY,
    step: CURVE_STEP,
  });
  return {
    curve: curve.map(([m, v]) => [m - first * MINUTES_A_DAY, Math.round(v)]),
    meanDaily: Math.round(meanDaily),
    tired: TIRED,
  };
}
