/** The season as the section and its inspector show it. */

import type { Athlete, EnduranceSession, Race, SessionSport } from "../../core/athlete";
import { addDays, daysBetween, type IsoDate, isoWeek, weekday, weeksIn } from "../../core/dates";
import { backgrounds, byWeek, plannedAndDone, sessionLoad, withoutMissed } from "../../core/endurance";
import { PRIMARY_PATTERNS } from "../../core/exercise";
import type { PlannedWeek } from "../../core/mileage";
import type { PlanSession, PlanWeek } from "../../core/plan";
import { inOrder, inWeek, phaseOn, raceMinutes, type SeasonPhase, type SeasonWeek } from "../../core/season";
import { roundTo } from "../../core/units";
import type { DoseLine, RaceFlag, SeasonView, SeasonWeekView, WeekAmountView, WeekColumn } from "../views";
import { lineOf } from "./line";
import type { Planned } from "./planned";
import { sessionOfLog, sessionOfPlan } from "./weekSessions";

export const flagOf = (r: Race): RaceFlag => {
  const { minutes, assumed } = raceMinutes(r);
  return { id: r.id, name: r.name, date: r.date, days: r.days ?? 1, priority: r.priority, minutes, assumed };
};

export const amountView = ({ kind, amount, planned, why }: PlannedWeek): WeekAmountView => ({
  kind,
  amount: roundTo(amount, 1),
  planned: roundTo(planned, 1),
  why,
});

/** Week n of m of the phase that holds most of a week. */
export function phasePlace(
  phases: readonly SeasonPhase[],
  week: SeasonWeek,
): { phaseWeek: number; phaseWeeks: number } {
  const day = week.days.find((d) => d.phase === week.phase)?.date ?? week.start;
  const phase = phaseOn(phases, day);
  if (!phase) return { phaseWeek: 1, phaseWeeks: 1 };
  const weeks = weeksIn(phase.start, phase.end);
  return {
    phaseWeek: Math.min(weeks, Math.max(1, Math.round(daysBetween(phase.start, addDays(week.start, 3)) / 7 + 0.5))),
    phaseWeeks: weeks,
  };
}

const pct = (v: number | null): number | null => (v === null ? null : roundTo(v, 4));

export function columnOf(p: Planned, week: SeasonWeek, planned: PlanWeek | undefined, athlete: Athlete): WeekColumn {
  const end = addDays(week.start, 6);
  const logs = athlete.strengthLog.filter((l) => l.date >= week.start && l.date <= end && l.date < p.from);
  return {
    start: week.start,
    isoWeek: isoWeek(week.start).week,
    phase: week.phase,
    emphasis: week.emphasis,
    stepBack: week.stepBack,
    block: week.block,
    done: end < p.from,
    minutes: week.figures.minutes,
    distanceKm: roundTo(week.figures.distanceKm, 3),
    ascentM: week.figures.ascentM,
    load: week.figures.load,
    distancePct: pct(week.change.distancePct),
    loadPct: pct(week.change.legLoadPct),
    loadLimit: planned?.loadLimit ?? p.pastLimits().get(week.start) ?? 0,
    sessions: [...logs.map((l) => sessionOfLog(l, p.library)), ...(planned?.sessions ?? []).map(sessionOfPlan)].sort(
      (a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.start - b.start),
    ),
  };
}

/** One line a primary pattern: the week's leading work of it. */
export function doseLines(sessions: readonly PlanSession[]): DoseLine[] {
  return PRIMARY_PATTERNS.flatMap((pattern): DoseLine[] => {
    const all = sessions.flatMap((s) =>
      s.items.filter((i) => i.exercise.pattern === pattern).map((i) => ({ i, label: s.label })),
    );
    const lead = all.sort((a, b) => b.i.sets - a.i.sets)[0];
    if (!lead) return [];
    const { i, label } = lead;
    return [
      {
        pattern,
        exercise: i.exercise.name,
        sets: i.sets,
        reps: i.reps,
        seconds: i.seconds,
        eachSide: i.eachSide,
        loadKg: i.loadKg,
        loading: i.loading,
        percent1rm: i.percent1rm,
        rir: i.rir,
        label,
      },
    ];
  });
}

function daysOf(sessions: readonly EnduranceSession[]): SeasonWeekView["days"] {
  const days = Array.from({ length: 7 }, () => ({ minutes: 0, distanceKm: 0, load: 0, done: false }));
  for (const s of sessions) {
    const day = days[weekday(s.date) - 1];
    if (!day) continue;
    day.minutes += s.minutes;
    day.distanceKm += s.distanceKm ?? 0;
    day.load += sessionLoad(s);
    day.done ||= s.done === true;
  }
  return days;
}

/** The week by sport, most load first. */
function sportsOf(sessions: readonly EnduranceSession[]): SeasonWeekView["sports"] {
  const sums = new Map<SessionSport, SeasonWeekView["sports"][number]>();
  for (const s of sessions) {
    const sum = sums.get(s.sport) ?? { sport: s.sport, minutes: 0, distanceKm: 0, load: 0 };
    sum.minutes += s.minutes;
    sum.distanceKm += s.distanceKm ?? 0;
    sum.load += sessionLoad(s);
    sums.set(s.sport, sum);
  }
  return [...sums.values()].sort((a, b) => b.load - a.load);
}

export function seasonView(p: Planned, today: IsoDate): SeasonView {
  const { athlete, id } = p.stored;
  const byStart = new Map(p.plan.weeks.map((w) => [w.season.start, w]));
  const counted = withoutMissed(athlete.endurance, p.from);
  const [byMonday, countedBy] = [byWeek(athlete.endurance), byWeek(counted)];
  const behind = backgrounds(
    counted,
    p.plan.season.map((w) => w.figures),
  );
  const amounts = new Map(p.plan.endurance.map((w): [string, WeekAmountView] => [w.week, amountView(w)]));
  const weeks = p.plan.season.map((week, i): SeasonWeekView => {
    const before = behind[i];
    const sums = plannedAndDone(byMonday.get(week.start) ?? []);
    const planned = byStart.get(week.start);
    return {
      ...columnOf(p, week, planned, athlete),
      ...phasePlace(p.plan.phases, week),
      monotony: week.figures.monotony === null ? null : roundTo(week.figures.monotony, 2),
      strain: week.figures.strain === null ? null : Math.round(week.figures.strain),
      shortMean: Math.round(before?.shortMean ?? 0),
      longMean: Math.round(before?.longMean ?? 0),
      longestMinutes: week.figures.longestMinutes,
      longestBefore: before?.longestBefore ?? null,
      dose: doseLines(planned?.sessions ?? []),
      line: lineOf(
        week,
        planned,
        athlete.strengthLog.filter((l) => inWeek(week, l.date) && l.date < p.from),
        { athlete, library: p.library },
      ),
      why: planned ? [...planned.why, planned.loadLimitWhy] : week.why,
      unplaced: planned?.fit.unplaced ?? [],
      planned: { minutes: sums.plannedMinutes, distanceKm: roundTo(sums.plannedKm, 3), sessions: sums.plannedSessions },
      days: daysOf(countedBy.get(week.start) ?? []),
      sports: sportsOf(countedBy.get(week.start) ?? []),
      away: [
        ...new Set(
          athlete.away.filter((a) => a.start <= addDays(week.start, 6) && a.end >= week.start).map((a) => a.kind),
        ),
      ],
      note: p.stored.notes[week.start] ?? "",
      known: week.known,
      amount: amounts.get(week.start) ?? null,
    };
  });
  return {
    id,
    today,
    season: athlete.season,
    phases: p.plan.phases.map(({ phase, start, end, fixed, why }) => ({ phase, start, end, fixed, why })),
    races: inOrder(athlete.races).map(flagOf),
    weeks,
    warnings: p.plan.warnings,
    endurance: { plan: athlete.endurancePlan ?? null, warnings: p.plan.enduranceWarnings },
    jumps: p.plan.jumps,
  };
}
