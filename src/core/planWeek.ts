/** One week of the plan: what each session would be in each window, the exact fit, and the depth limits. */
import { isRoutine, type Label, type LockedSession } from "./athlete/types";
import { type DatedWindow, windowsOfWeek } from "./athlete/windows";
import { addDays, dayLabel, dayNumber, daysBetween, type IsoDate, MINUTES_A_DAY, minutesOf, timeOf } from "./dates";
import { LABEL_WORDS } from "./dose/dose";
import { isKey, sessionLoad } from "./endurance/load";
import { enduranceBout, strengthParts } from "./legs/bouts";
import { type LegBout, type LegPart, MEAN_DAYS, meanDailyLoad } from "./legs/freshness";
import { type BuilderInput, sessionBuilder } from "./planSession";
import { numbers, ruleIdOf, say, type Why, why } from "./rulebook";
import { nearestBefore } from "./season/races";
import { inWeek, type SeasonWeek, type WantedSession } from "./season/weeks";
import { loggedLegs } from "./session/heavy";
import { ROUTINE_MINUTES } from "./session/slots";
import type { BuiltSession } from "./session/types";
import { packWarnings, setOffWarnings } from "./warnings";
import { costsOf, fitWeek } from "./week/fit";
import { blockedHere, type CostRule, weekNumbers } from "./week/rules";
import type { Demand, FitResult, Option, Standing, WeekContext } from "./week/types";

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
  depthLimit: number;
  depthWhy: Why;
  /** Depth limit of each day of the week, Monday first, AU. */
  dayLimits: number[];
  /** What it was made of: with it the week can be made again, changed. */
  input: WeekInput;
  why: Why[];
}

export interface WeekInput extends BuilderInput {
  standing: readonly Standing[];
  /** What strength sessions of the four weeks before put on the legs. */
  bouts: readonly LegBout[];
  /** Weekday on which each session stood last week, Monday 1. */
  lastDays: ReadonlyMap<Label, number>;
  /** Labels lifted this week already. */
  done: ReadonlySet<Label>;
  /** Placements the coach has taken over without locking them. */
  held: readonly LockedSession[];
  /** Up to so many placements each is walked, so that their costs can be shown; otherwise most are ruled out unseen. */
  walk?: number;
}

/** What a week takes of the full dose (rule week.most). */
const MOST = numbers("week.most");
const DEPTH_RULES: readonly CostRule[] = ["S2", "S12", "S13"];
/** Hours at which a session may begin lie so many minutes apart, from the free slot's start. */
export const GRID = numbers("M1").grid;

/** A week's problem: its windows, what each session would be in each of them, and what is asked for. */
export function weekProblem(input: WeekInput) {
  const { athlete, week } = input;
  const windows = windowsOfWeek(athlete, week.start).filter((w) => w.date >= input.from);
  const builder = sessionBuilder(input);
  const factor = depthFactor(week);
  const changes = athlete.changes ?? [];
  const missed = (label: Label, date: IsoDate): boolean =>
    changes.some((c) => c.kind === "missed" && c.label === label && inWeek(week, c.date) && date <= c.date);
  const skipped = changes.flatMap((c) => (c.kind === "skip" && c.week === week.start ? [c] : []));
  const isSkipped = (label: Label): boolean => skipped.some((c) => c.label === label);
  const mine = (list: readonly LockedSession[]): LockedSession[] =>
    list.filter(
      (l) =>
        !isRoutine(l.label) &&
        inWeek(week, l.date) &&
        l.date >= input.from &&
        !missed(l.label, l.date) &&
        !isSkipped(l.label),
    );
  const locks = mine(athlete.locked ?? []);
  const held = mine(input.held).filter((l) => !locks.some((k) => k.label === l.label));
  const asked = week.wanted.filter((w) => !input.done.has(w.label) && !isSkipped(w.label));
  const standable = windows.filter((w) => week.days.some((d) => d.date === w.date && d.counts));
  const room = Math.max(2, new Set(standable.map((w) => w.date)).size);
  const wanted = withLocks(
    asked.filter((w, i) => w.taper || i < room),
    locks,
  );
  const context = weekContext(input, wanted.length + input.done.size);
  const built = new Map<Option, BuiltSession>();

  const optionsIn = (
    label: Label,
    w: DatedWindow,
    starts: (b: BuiltSession) => number[],
    locked: boolean,
  ): Option[] => {
    const day = week.days.find((d) => d.date === w.date);
    if (!day || missed(label, w.date)) return [];
    const short = changes.find((c) => c.kind === "shorten" && c.label === label && c.week === week.start);
    // The week's own limit holds wherever the session stands; a session by hand has the coach's word instead.
    const byHand = athlete.edits?.some((e) => e.week === week.start && e.label === label) ?? false;
    const most = (byHand ? undefined : wanted.find((x) => x.label === label)?.minutes) ?? w.minutes;
    const minutes = Math.min(w.minutes, most, short?.kind === "shorten" ? short.minutes : w.minutes);
    const session = builder.build(label, day, { ...w, minutes }, factor.factor);
    if (!session) return [];
    return starts(session).map((start) => {
      const option: Option = {
        label,
        date: w.date,
        day: dayNumber(w.date),
        start,
        minutes: session.minutes,
        place: w.place,
        lowerLoaded: session.lowerLoaded,
        heavy: session.heavy,
        mobility: session.loading === "mobility",
        stress: session.stress,
        legs: legsOf(session),
        jumps: session.items.some((i) => i.exercise.pattern === "jump"),
        lostShare: session.lostShare,
        thin: session.thin,
        unloaded: session.unloaded && label !== "C",
        softRaces: day.softRaces,
        locked,
      };
      built.set(option, session);
      return option;
    });
  };
  const windowsFor = (want: WantedSession): DatedWindow[] =>
    windows.filter((w) => (want.days === null ? standable.includes(w) : want.days.includes(w.date)));
  const free = (want: WantedSession): Option[] =>
    windowsFor(want).flatMap((w) =>
      optionsIn(
        want.label,
        w,
        (s) => {
          const starts: number[] = [];
          for (let at = w.start; at + s.minutes <= w.start + w.minutes; at += GRID) starts.push(at);
          return starts;
        },
        false,
      ),
    );
  const fixed = (l: LockedSession, locked: boolean): Option[] => {
    const start = minutesOf(l.start);
    const w = windows.find(
      (x) => x.date === l.date && x.place === l.place && start >= x.start && start < x.start + x.minutes,
    );
    if (!w) return [];
    const left = w.start + w.minutes - start;
    // What was chosen for the whole window stays where it ends in time; only a later start makes it shorter.
    const whole = optionsIn(l.label, w, (s) => (s.minutes <= left ? [start] : []), locked);
    return whole.length > 0 ? whole : optionsIn(l.label, { ...w, start, minutes: left }, () => [start], locked);
  };
  return { windows, standable, locks, held, asked, wanted, skipped, context, built, builder, factor, free, fixed };
}

export function planWeek(input: WeekInput): PlanWeek {
  const { athlete, week } = input;
  const { windows, standable, locks, held, asked, wanted, skipped, context, built, builder, factor, free, fixed } =
    weekProblem(input);
  const demands = wanted.map((want): Demand => {
    const lock = locks.find((l) => l.label === want.label);
    if (lock) {
      return {
        label: want.label,
        options: fixed(lock, true),
        none: `Locked on ${dayLabel(lock.date)} ${lock.start} at ${lock.place}, but that is not inside a window with enough time there (M1). Unlock it, or add the window.`,
      };
    }
    const keep = held.find((l) => l.label === want.label);
    const kept = keep ? fixed(keep, false).filter((o) => !blockedHere(o, context)) : [];
    return {
      label: want.label,
      options: kept.length > 0 ? kept : free(want),
      none: noSlot(input, want, { windows, standable }),
    };
  });
  const fit = fitWeek(demands, context, input.walk);
  const sessions = [
    ...fit.placed.flatMap((o): PlanSession[] => {
      const s = built.get(o);
      return s ? [{ ...s, date: o.date, start: o.start, place: o.place, locked: o.locked }] : [];
    }),
    ...routines(input, builder, skipped),
  ].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.start - b.start));
  // A week that is all done is measured by what its first session would have been.
  if (builder.deepest() === 0)
    for (const w of windowsOfWeek(athlete, week.start)) {
      const day = week.days.find((d) => d.date === w.date && d.counts);
      if (day) builder.build("A", day, w, factor.factor);
    }
  const depthLimit = Math.round(builder.deepest() * factor.factor);
  return {
    season: week,
    sessions,
    fit,
    depthLimit,
    depthWhy:
      builder.deepest() === 0
        ? why("week.most", "none")
        : why("week.most", "most", {
            most: depthLimit,
            full: Math.round(builder.deepest()),
            because: factor.text,
          }),
    input,
    dayLimits: dayLimits(week, windows, demands, context),
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

/** Routines stand where their runs end: nothing about them is fitted, and no gap is asked of them. */
function routines(
  input: WeekInput,
  builder: ReturnType<typeof sessionBuilder>,
  skipped: readonly { label: Label }[],
): PlanSession[] {
  const { athlete, week } = input;
  const place = athlete.places.find((p) => p.id.startsWith("home")) ?? athlete.places[0];
  if (!place) return [];
  return week.routines.flatMap((r): PlanSession[] => {
    const day = week.days.find((d) => d.date === r.date);
    const gone = skipped.some((c) => c.label === r.label) || input.done.has(r.label);
    if (!day || gone || r.date < input.from) return [];
    const start = Math.min(r.start, 24 * 60 - ROUTINE_MINUTES[r.version]);
    const window = { date: r.date, start, minutes: ROUTINE_MINUTES[r.version], place: place.id };
    const built = builder.build(r.label, day, window, 1, r.version);
    return built ? [{ ...built, date: r.date, start, place: place.id, locked: false }] : [];
  });
}

function depthFactor(week: SeasonWeek): { factor: number; text: string } {
  const { mileage } = week;
  const list: [number, string][] = [[1, ""]];
  if (mileage.holdOnly) list.push([MOST.spike, say("week.most", "spike")]);
  else if (mileage.factor < 1) list.push([MOST.increase, say("week.most", "increase")]);
  if (week.stepBack) list.push([MOST.stepBack, say("week.most", "stepBack")]);
  const [factor, text] = list.reduce((a, b) => (b[0] < a[0] ? b : a));
  return { factor, text };
}

/** Points by the rules' names of today. */
const weightsOf = (own: Readonly<Record<string, number>> = {}): WeekContext["weights"] =>
  Object.fromEntries(Object.entries(own).map(([id, points]) => [ruleIdOf(id) ?? id, points]));

function withLocks(wanted: readonly WantedSession[], locks: readonly LockedSession[]): WantedSession[] {
  const extra = locks.filter((l) => !wanted.some((w) => w.label === l.label));
  return [...wanted, ...extra.map((l): WantedSession => ({ label: l.label, days: null, taper: false }))].sort((a, b) =>
    a.label < b.label ? -1 : 1,
  );
}

/** A built session as the legs feel it. */
const legsOf = (s: Pick<BuiltSession, "items" | "stress">): LegPart[] =>
  strengthParts(
    s.items.map((i) => ({
      exercise: i.exercise,
      loading: i.loading,
      reps: i.reps,
      sets: i.sets,
      unfamiliar: i.why.some((w) => w.rule === "first.time"),
    })),
    s.stress,
  );

/** What a planned session puts on the legs, and when. */
export const plannedBout = (s: PlanSession): LegBout => ({
  end: dayNumber(s.date) * MINUTES_A_DAY + s.start + s.minutes,
  parts: legsOf(s),
});

function weekContext(input: WeekInput, perWeek: number): WeekContext {
  const { athlete, week } = input;
  const [from, to] = [addDays(week.start, -2), addDays(week.start, 8)];
  const endurance = athlete.endurance.filter((e) => e.date >= from && e.date <= to);
  const keyDays = new Set(endurance.filter(isKey).map((e) => dayNumber(e.date)));
  const since = addDays(week.start, -MEAN_DAYS);
  const bouts = [
    ...input.bouts,
    ...athlete.endurance.filter((e) => e.date >= since && e.date <= to).map(enduranceBout),
  ];
  const monday = dayNumber(week.start);
  return {
    monday,
    endurance,
    standing: input.standing,
    placement: athlete.settings?.placement ?? "stack",
    weights: weightsOf(athlete.settings?.ruleWeights),
    numbers: weekNumbers(athlete.settings?.ruleValues),
    keyDays,
    hasKey: endurance.some((e) => inWeek(week, e.date) && isKey(e) && sessionLoad(e) > 0),
    preferredDays: new Set(athlete.settings?.preferredDays ?? []),
    lastDays: input.lastDays,
    dailyMinutes: athlete.settings?.maxMinutesPerDay ?? null,
    perWeek,
    legs: { bouts, meanDaily: meanDailyLoad(bouts, monday * MINUTES_A_DAY) },
  };
}

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
    return "The free time slots that are left this week lie on days that must stay free of it (M2). Add one on another day.";
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

/** For each day, the deepest of the week's sessions that could stand there with every must-hold rule and no cost from S2, S12, S13. */
function dayLimits(
  week: SeasonWeek,
  windows: readonly DatedWindow[],
  demands: readonly Demand[],
  context: WeekContext,
): number[] {
  return Array.from({ length: 7 }, (_, i) => {
    const date = addDays(week.start, i);
    const stresses = demands
      .flatMap((d) => d.options)
      .filter(
        (o) =>
          o.date === date &&
          !blockedHere(o, context) &&
          !costsOf([o], context).some((c) => DEPTH_RULES.includes(c.rule)),
      )
      .map((o) => o.stress);
    const mobility = windows.some((w) => w.date === date) ? MOST.mobility : 0;
    return Math.round(Math.max(mobility, ...stresses));
  });
}

function weekWhy(week: SeasonWeek, wanted: number, done: number, assumed: number): Why[] {
  const dayWhy = new Map<string, Why>();
  for (const d of week.days)
    for (const w of d.why) if (w.rule !== "emphasis.approach" && w.rule !== "emphasis.early") dayWhy.set(w.text, w);
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
