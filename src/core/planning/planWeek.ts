/** One week of the plan: what each session would be in each window, the exact fit, and what the week and its days take. */

import { type DatedWindow, LABEL_WORDS, type Label, windowsOfWeek } from "../athlete";
import { addDays, dayLabel, dayNumber, daysBetween, type IsoDate, MINUTES_A_DAY, timeOf } from "../dates";
import type { JumpWeek } from "../jumps";
import { type LedgerPattern, setsByPattern } from "../ledger";
import type { LegLoadEvent } from "../legs";
import { flatMap } from "../lists";
import { numbers, type Why, why } from "../rulebook";
import { inWeek, nearestBefore, type SeasonWeek, type WantedSession } from "../season";
import { type BuiltSession, loggedLegs, ROUTINE_MINUTES } from "../session";
import {
  blockedHere,
  type CostRule,
  charges,
  costsOf,
  type Demand,
  type FitResult,
  fitWeek,
  type Option,
  type WeekContext,
} from "../week";
import type { SessionBuilder } from "./planSession";
import { settled } from "./settle";
import { packWarnings, setOffWarnings } from "./warnings";
import type { WeekLedger } from "./weekLedger";
import { asCounted, legsOf, MOST, type WeekInput, WeekProblem } from "./weekProblem";

export interface PlanSession extends BuiltSession {
  date: IsoDate;
  /** Minutes after midnight. */
  start: number;
  place: string;
  locked: boolean;
}

export interface PlanWeek {
  season: SeasonWeek;
  sessions: PlanSession[];
  fit: FitResult;
  /** AU; what the deepest session may weigh this week, with the sentence. */
  loadLimit: number;
  loadLimitWhy: Why;
  /** Load limit of each day of the week, Monday first, AU. */
  dayLimits: number[];
  /** Which sessions are asked for jumps, and why there are some or none. */
  jumps: JumpWeek;
  /** What it owes each pattern, and what it leaves for the next. */
  ledger: WeekLedger & { planned: Readonly<Record<LedgerPattern, number>> };
  /** What it was made of: with it the week can be made again, changed. */
  input: WeekInput;
  why: Why[];
}

const FILL = numbers("ledger.fill");
const LIMIT_RULES: readonly CostRule[] = ["S2", "S12", "S13"];

/** The week placed exactly, with what its days take and why. */
export function planWeek(input: WeekInput): PlanWeek {
  const { athlete, week } = input;
  const problem = new WeekProblem(input);
  const { windows, locks, held, asked, wanted, skipped, context, built, builder, factor } = problem;
  const demands = wanted.map((want): Demand => {
    const lock = locks.find((l) => l.label === want.label);
    if (lock) {
      return {
        label: want.label,
        options: problem.fixed(lock, true),
        none: `Locked on ${dayLabel(lock.date)} ${lock.start} at ${lock.place}, but no free time slot there is long enough. Unlock it, or add the slot.`,
      };
    }
    const keep = held.find((l) => l.label === want.label);
    const kept = keep ? problem.fixed(keep, false).filter((o) => !blockedHere(o, context)) : [];
    return {
      label: want.label,
      options: kept.length > 0 ? kept : problem.free(want),
      none: noSlot(input, want, problem),
    };
  });
  const { fit, more } = fitSettled(fitWeek(demands, context, input.walk), problem);
  const sessions = [
    ...flatMap(fit.placed, (o): PlanSession[] => {
      const s = built.get(o);
      return s
        ? [{ ...withJumpWhy(s, o, problem), date: o.date, start: o.start, place: o.place, locked: o.locked }]
        : [];
    }),
    ...routines(input, builder, skipped),
  ].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.start - b.start));
  // A week that is all done is measured by what its first session would have been.
  if (builder.deepest() === 0)
    for (const w of windowsOfWeek(athlete, week.start)) {
      const day = week.days.find((d) => d.date === w.date && d.counts);
      if (day) builder.build("A", day, w, factor.factor);
    }
  const loadLimit = Math.round(builder.deepest() * factor.factor);
  return {
    season: week,
    sessions,
    fit,
    loadLimit,
    loadLimitWhy:
      builder.deepest() === 0
        ? why("week.most", "none")
        : why("week.most", "most", {
            most: loadLimit,
            full: Math.round(builder.deepest()),
            because: factor.text,
          }),
    jumps: builder.jumps,
    ledger: { ...builder.ledger, ...more, planned: setsByPattern(flatMap(sessions, (s) => s.items).map(asCounted)) },
    input,
    dayLimits: dayLimits(week, windows, [...flatMap(demands, (d) => d.options), ...fit.placed], context),
    why: [
      ...week.why,
      ...weekWhy(
        week,
        wanted.length,
        input.done.size,
        athlete.endurance.filter((e) => e.standsIn && inWeek(week, e.date)).length,
      ),
      ...setOffWarnings(athlete, week),
      ...packWarnings(athlete, week),
      ...(demands.length === 0 ? [] : builder.jumps.why),
      ...(more ? [why("ledger.fill", "more", { minutes: FILL.moreMinutes, times: FILL.more })] : []),
      ...skipped.map((c) => why("week.skip", "skipped", { session: LABEL_WORDS[c.label], reason: c.reason })),
      ...roomWhy(week, asked.length, wanted.length),
      ...closeToRace(input),
      demands.length === 0
        ? why("fit.place", input.done.size > 0 ? "done" : "nothing")
        : fit.weighed === 1
          ? why("fit.place", "only")
          : why("fit.place", "best", fit.weighed),
    ],
  };
}

/** A session that holds none of the jumps it was asked for says why. */
function withJumpWhy(s: BuiltSession, o: Option, { asks }: WeekProblem): BuiltSession {
  const because = asks.get(o)?.noJumps;
  return because === undefined ? s : { ...s, why: [...s.why, why("jumps.amount", "dropped", because)] };
}

/** The fit with its sessions filled over all of them, and what the week owes where it is more than usual; what the fit costs is what those cost. */
function fitSettled(fit: FitResult, problem: WeekProblem): { fit: FitResult; more: WeekLedger["more"] } {
  const { placed, more } = settled(problem, fit.placed);
  if (placed.every((o, i) => o === fit.placed[i])) return { fit, more };
  const costs = costsOf(placed, problem.context);
  return { fit: { ...fit, placed, costs, cost: costs.reduce((a, c) => a + c.points, 0) }, more };
}

/** Routines stand where their runs end: nothing about them is fitted, and no gap is asked of them. */
function routines(input: WeekInput, builder: SessionBuilder, skipped: readonly { label: Label }[]): PlanSession[] {
  const { athlete, week } = input;
  const place = athlete.places.find((p) => p.id.startsWith("home")) ?? athlete.places[0];
  if (!place) return [];
  return week.routines.flatMap((r): PlanSession[] => {
    const day = week.days.find((d) => d.date === r.date);
    const gone = skipped.some((c) => c.label === r.label) || input.done.has(r.label);
    if (!day || gone || r.date < input.from) return [];
    const start = Math.min(r.start, MINUTES_A_DAY - ROUTINE_MINUTES[r.version]);
    const window = { date: r.date, start, minutes: ROUTINE_MINUTES[r.version], place: place.id };
    const built = builder.build(r.label, day, window, 1, { routine: r.version });
    return built ? [{ ...built, date: r.date, start, place: place.id, locked: false }] : [];
  });
}

/** What a planned session puts on the legs, and when. */
export const plannedLegEvent = (s: PlanSession): LegLoadEvent => ({
  end: dayNumber(s.date) * MINUTES_A_DAY + s.start + s.minutes,
  parts: legsOf(s),
});

/** Why a session has no free time slot at all, and what would make room. */
function noSlot(
  { athlete, week, from }: WeekInput,
  want: WantedSession,
  { windows, standable }: { windows: readonly DatedWindow[]; standable: readonly DatedWindow[] },
): string {
  const open = want.days === null ? standable : windows;
  const there = open.filter((w) => want.days === null || want.days.includes(w.date));
  const when = want.days
    ? ` on ${want.days.map((d) => dayLabel(d)).join(", ")}, the days left for it before the race`
    : " this week";
  if (there.length > 0)
    return `No free time slot${when} is long enough, or the place lacks the equipment: the longest is ${Math.max(...there.map((w) => w.minutes))} min from ${timeOf(there[0]?.start ?? 0)}.`;
  if (windows.length > 0 && want.days === null)
    return "The free time slots that are left this week lie on days that must stay free of it. Add one on another day.";
  const all = windowsOfWeek(athlete, week.start);
  if (windows.length === 0 && all.length > 0)
    return `This week's free time slots are past: the last was on ${dayLabel(all.at(-1)?.date ?? from)}.`;
  const away = athlete.away.find((a) => a.start <= addDays(week.start, 6) && a.end >= week.start);
  if (windows.length === 0 && athlete.availability.length > 0 && away)
    return `The absence (${away.kind}, ${dayLabel(away.start)} to ${dayLabel(away.end)}) closes this week's free time slots. Add one for a single day, or name the place there.`;
  if (windows.length === 0 && athlete.availability.length > 0)
    return "This week's free time slots lie at a place that is closed or no longer listed. Name another place, or add a slot.";
  return athlete.availability.length === 0
    ? "No free time is entered yet. Mark when strength is possible, slots of 35 min or more."
    : `There is no free time slot${when}. Add one of 35 min or more.`;
}

/** What was lifted nearer to a race than the rules would have placed it: said in the week that is running, never undone. */
function closeToRace({ athlete, library, week, log, asOf }: WeekInput): Why[] {
  if (!inWeek(week, asOf)) return [];
  const ahead = athlete.races.filter((r) => r.date >= asOf);
  return log
    .filter((s) => daysBetween(s.date, asOf) <= numbers("race.close").days)
    .flatMap((s): Why[] => {
      const { heavy, lowerLoaded } = loggedLegs(s, library.byId);
      return ahead.flatMap((race): Why[] => {
        const out = daysBetween(s.date, race.date);
        const { lastHeavy, lastLoaded } = nearestBefore(race, athlete.settings?.ruleValues);
        const meant = heavy && out < lastHeavy ? lastHeavy : lowerLoaded && out < lastLoaded ? lastLoaded : null;
        if (meant === null) return [];
        return [
          why("race.close", "close", {
            session: LABEL_WORDS[s.label],
            on: dayLabel(s.date),
            what: heavy && out < lastHeavy ? "heavy" : "loaded",
            out,
            race: race.name,
            meant,
          }),
        ];
      });
    });
}

/**
 * For each day, the deepest of the week's sessions that could stand there with every must-hold rule and no cost from S2, S12, S13.
 * @param options the sessions wherever they could stand, and those that stand as they were filled
 */
function dayLimits(
  week: SeasonWeek,
  windows: readonly DatedWindow[],
  options: readonly Option[],
  context: WeekContext,
): number[] {
  return Array.from({ length: 7 }, (_, i) => {
    const date = addDays(week.start, i);
    const stresses = options
      .filter((o) => o.date === date && !blockedHere(o, context) && !charges(o, context, LIMIT_RULES))
      .map((o) => o.stress);
    const mobility = windows.some((w) => w.date === date) ? MOST.mobility : 0;
    return Math.round(Math.max(mobility, ...stresses));
  });
}

function weekWhy(week: SeasonWeek, wanted: number, done: number, assumed: number): Why[] {
  const dayWhy = new Map<string, Why>();
  for (const d of week.days)
    for (const w of d.why) {
      if (w.rule === "emphasis.approach" || w.rule === "emphasis.early") continue;
      // Days of one stage after a race say the same with another number: the first of them stands for the week.
      const key = w.text.replace(/^Day \d+ /, "");
      if (!dayWhy.has(key)) dayWhy.set(key, w);
    }
  const phases = new Map<string, number>();
  for (const d of week.days) phases.set(d.phase, (phases.get(d.phase) ?? 0) + 1);
  const mix = [...phases].map(([p, n]) => `${n} of ${p}`).join(", ");
  const count = wanted + done + week.routines.length;
  const head = week.days.find((d) => d.emphasis === week.emphasis)?.why[0];
  return [
    ...(head ? [head] : []),
    ...knownWhy(week, assumed),
    phases.size > 1
      ? why("phase.day", "mixed", { sessions: count, days: mix })
      : why("phase.day", "one", { sessions: count, emphasis: week.emphasis, phase: week.phase }),
    ...dayWhy.values(),
  ];
}

/** What is said where the week's endurance is not planned, or not all of it. */
function knownWhy({ known }: SeasonWeek, sessions: number): Why[] {
  if (known === "all") return [];
  return [
    sessions > 0 ? why("mileage.assumed", "standsIn", { known, sessions }) : why("mileage.assumed", "free", { known }),
  ];
}

const roomWhy = (week: SeasonWeek, asked: number, wanted: number): Why[] =>
  asked <= wanted
    ? []
    : [
        week.emphasis === "restore"
          ? why("restore.visits", "short", { asked, slots: wanted })
          : why("phase.day", "fewerDays", { asked, days: wanted }),
      ];
