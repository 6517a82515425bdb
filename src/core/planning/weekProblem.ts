/** One week as a problem: what is asked for, and what each session would be in each free time slot. */

import {
  type DatedWindow,
  isRoutine,
  type Label,
  type LockedSession,
  type WeekChange,
  windowsOfWeek,
} from "../athlete";
import { addDays, dayNumber, type IsoDate, MINUTES_A_DAY, minutesOf } from "../dates";
import { isKey, sessionLoad } from "../endurance";
import type { Counted } from "../ledger";
import { enduranceLegEvent, type LegLoadEvent, type LegPart, MEAN_DAYS, meanDailyLoad, strengthParts } from "../legs";
import { flatMap } from "../lists";
import { onceFor } from "../once";
import { numbers, ruleIdOf, say } from "../rulebook";
import { inWeek, type SeasonDay, type SeasonWeek, type WantedSession } from "../season";
import { type BuiltSession, holdsAsked } from "../session";
import { type ExistingSession, jumpsTooSoon, type Option, type WeekContext, weekNumbers } from "../week";
import { type BuilderInput, type PlacedAsk, SessionBuilder } from "./planSession";

export interface WeekInput extends BuilderInput {
  existing: readonly ExistingSession[];
  /** What strength sessions of the four weeks before put on the legs. */
  legEvents: readonly LegLoadEvent[];
  /** Weekday on which each session stood last week, Monday 1. */
  lastDays: ReadonlyMap<Label, number>;
  /** Placements the coach has taken over without locking them. */
  held: readonly LockedSession[];
  /** Up to so many placements each is walked, so that their costs can be shown; otherwise most are ruled out unseen. */
  walk?: number;
}

/** What a week takes of the full dose (rule week.most). */
export const MOST = numbers("week.most");
/** Hours at which a session may begin lie so many minutes apart, from the free slot's start. */
export const GRID = numbers("M1").grid;

/** A week's problem: its free time slots, what each session would be in each of them, and what is asked for. */
export class WeekProblem {
  readonly windows: readonly DatedWindow[];
  /** Those on days that count. */
  readonly standable: readonly DatedWindow[];
  readonly locks: readonly LockedSession[];
  readonly held: readonly LockedSession[];
  readonly skipped: readonly Extract<WeekChange, { kind: "skip" }>[];
  /** What the week wants and is neither done nor skipped. */
  readonly asked: readonly WantedSession[];
  /** What is placed of it: no more than there are days, and what is locked. */
  readonly wanted: readonly WantedSession[];
  readonly context: WeekContext;
  readonly builder: SessionBuilder;
  /** What the week takes of the full dose. */
  readonly factor: { factor: number; text: string };
  /** What each option would be. */
  readonly built = new Map<Option, BuiltSession>();
  /** Sessions without the jumps they were asked for, by why. */
  private readonly without = new Map<BuiltSession, Map<string, BuiltSession>>();
  /** Where each option was built for. */
  readonly asks = new Map<Option, PlacedAsk>();

  constructor(readonly input: WeekInput) {
    const { athlete, week } = input;
    this.windows = windowsOfWeek(athlete, week.start).filter((w) => w.date >= input.from);
    this.standable = this.windows.filter((w) => week.days.some((d) => d.date === w.date && d.counts));
    this.builder = new SessionBuilder(input);
    this.factor = limitFactor(week);
    this.skipped = this.changes.flatMap((c) => (c.kind === "skip" && c.week === week.start ? [c] : []));
    this.locks = this.mine(athlete.locked ?? []);
    this.held = this.mine(input.held).filter((l) => !this.locks.some((k) => k.label === l.label));
    this.asked = week.wanted.filter((w) => !input.done.has(w.label) && !this.isSkipped(w.label));
    const room = Math.max(2, new Set(this.standable.map((w) => w.date)).size);
    this.wanted = withLocks(
      this.asked.filter((w, i) => w.taper || i < room),
      this.locks,
    );
    this.context = weekContext(input, this.wanted.length + input.done.size);
  }

  private get changes(): readonly WeekChange[] {
    return this.input.athlete.changes ?? [];
  }

  private isSkipped(label: Label): boolean {
    return this.skipped.some((c) => c.label === label);
  }

  private missed(label: Label, date: IsoDate): boolean {
    const { week } = this.input;
    return this.changes.some((c) => c.kind === "missed" && c.label === label && inWeek(week, c.date) && date <= c.date);
  }

  /** Placements of this week that still lie ahead. */
  private mine(list: readonly LockedSession[]): LockedSession[] {
    const { week, from } = this.input;
    return list.filter(
      (l) =>
        !isRoutine(l.label) &&
        inWeek(week, l.date) &&
        l.date >= from &&
        !this.missed(l.label, l.date) &&
        !this.isSkipped(l.label),
    );
  }

  /** Minutes that a session may take in a slot. The week's own limit holds wherever it stands; one by hand has the coach's word instead. */
  private minutesIn(label: Label, w: DatedWindow): number {
    const { week } = this.input;
    const most = this.builder.editOf(label) ? undefined : this.wanted.find((x) => x.label === label)?.minutes;
    const short = this.changes.find((c) => c.kind === "shorten" && c.label === label && c.week === week.start);
    return Math.min(w.minutes, most ?? w.minutes, short?.kind === "shorten" ? short.minutes : w.minutes);
  }

  private optionsIn(label: Label, w: DatedWindow, { starts, locked }: OptionsAsked): Option[] {
    const day = this.input.week.days.find((d) => d.date === w.date);
    if (!day || this.missed(label, w.date)) return [];
    const { date, start: opens, place } = w;
    const window = { date, start: opens, minutes: this.minutesIn(label, w), place };
    const { factor: share } = this.factor;
    const asked = this.builder.jumpsOn(label, day);
    const whole = asked ? this.builder.build(label, day, window, share) : null;
    // What the minutes took away is not held.
    const jumping = whole && holdsAsked(whole.items) ? whole : null;
    const found: Option[] = [];
    const no = new Map<number, string>();
    for (const start of jumping ? starts(jumping) : []) {
      const option = this.optionFor(jumping as BuiltSession, day, { window: w, start, locked });
      const tooSoon = option.mayJump ? jumpsTooSoon(option, this.context) : null;
      if (tooSoon !== null) no.set(start, tooSoon);
      else found.push(this.keepAsk(option, { label, day, window, share, jumps: true }));
    }
    if (jumping && no.size === 0) return found;
    const plain = this.builder.build(label, day, window, share, { jumps: false });
    const ask: PlacedAsk = { label, day, window, share, jumps: false };
    for (const start of plain ? starts(plain) : [])
      if (plain && !found.some((o) => o.start === start))
        found.push(
          this.plainOption(plain, ask, { window, start, locked }, asked ? (no.get(start) ?? "no time") : null),
        );
    return found.sort((a, b) => a.start - b.start);
  }

  private keepAsk(option: Option, ask: PlacedAsk): Option {
    this.asks.set(option, ask);
    return option;
  }

  /** A session without the jumps it was asked for: what it loses by that is charged. @param because null where none were asked for */
  private plainOption(session: BuiltSession, ask: PlacedAsk, at: Standing, because: string | null): Option {
    if (because === null) return this.keepAsk(this.optionFor(session, ask.day, at), ask);
    const { label, day, window, share, jumps } = ask;
    const lacking = { label, day, window, share, jumps, noJumps: because };
    return this.keepAsk(this.optionFor(this.lacking(session, because), day, at), lacking);
  }

  /** The same at every hour that it could begin. */
  private lacking(session: BuiltSession, because: string): BuiltSession {
    const known = this.without.get(session) ?? new Map<string, BuiltSession>();
    this.without.set(session, known);
    const made = known.get(because) ?? withoutJumps(session, because);
    known.set(because, made);
    return made;
  }

  /** The same option with its session filled anew. */
  refilled(option: Option, session: BuiltSession): Option {
    const ask = this.asks.get(option) as PlacedAsk;
    const { start, locked } = option;
    return this.plainOption(session, ask, { window: ask.window, start, locked }, ask.noJumps ?? null);
  }

  /** A placed option without its planned jumps. */
  plainOf(option: Option, because: string): Option {
    const ask = this.asks.get(option);
    const plain = ask && this.builder.build(ask.label, ask.day, ask.window, ask.share, { jumps: false });
    if (!ask || !plain) return option;
    const { start, locked } = option;
    return this.plainOption(plain, { ...ask, jumps: false }, { window: ask.window, start, locked }, because);
  }

  /** What the fit needs to know of a built session at an hour. */
  optionFor(session: BuiltSession, day: SeasonDay, { window, start, locked }: Standing): Option {
    const jumps = session.items.some((i) => i.exercise.pattern === "jump");
    const option: Option = {
      label: session.label,
      date: window.date,
      day: dayNumber(window.date),
      start,
      minutes: session.minutes,
      place: window.place,
      lowerLoaded: session.lowerLoaded,
      // New slow lowering is placed like heavy work.
      heavy: session.heavy || session.newlySlow,
      mobility: session.loading === "mobility",
      stress: session.stress,
      legs: legsOf(session),
      jumps: session.byHand && jumps,
      mayJump: !session.byHand && jumps,
      lostShare: session.lostShare,
      lostWords: session.lostWords,
      belowMinimumHold: session.belowMinimumHold,
      softRaces: day.softRaces,
      locked,
    };
    this.built.set(option, session);
    return option;
  }

  /** Everywhere a wanted session could stand. */
  free(want: WantedSession): Option[] {
    const slots = want.days === null ? this.standable : this.windows.filter((w) => want.days?.includes(w.date));
    return flatMap(slots, (w) => {
      const starts = (s: BuiltSession): number[] => {
        const all: number[] = [];
        for (let at = w.start; at + s.minutes <= w.start + w.minutes; at += GRID) all.push(at);
        return all;
      };
      return this.optionsIn(want.label, w, { starts, locked: false });
    });
  }

  /** Where a placement stands that is locked or taken over; none where its slot is gone. */
  fixed(l: LockedSession, locked: boolean): Option[] {
    const start = minutesOf(l.start);
    const w = this.windows.find(
      (x) => x.date === l.date && x.place === l.place && start >= x.start && start < x.start + x.minutes,
    );
    if (!w) return [];
    const left = w.start + w.minutes - start;
    // What was chosen for the whole slot stays where it ends in time; only a later start makes it shorter.
    const whole = this.optionsIn(l.label, w, { starts: (s) => (s.minutes <= left ? [start] : []), locked });
    if (whole.length > 0) return whole;
    return this.optionsIn(l.label, { ...w, start, minutes: left }, { starts: () => [start], locked });
  }
}

/** A session that holds none of the jumps that were asked for: what the week loses by that. */
function withoutJumps(s: BuiltSession, because: string): BuiltSession {
  const share = numbers("jumps.amount").missing / numbers("work.lost").points;
  const words = say("jumps.amount", "lost", because);
  return {
    ...s,
    lostShare: s.lostShare + share,
    lostWords: s.lostWords === "" ? words : `${s.lostWords} and ${words}`,
  };
}

/** Where a session stands. */
interface Standing {
  window: DatedWindow;
  start: number;
  locked: boolean;
}

interface OptionsAsked {
  /** Hours at which what was built could begin. */
  starts: (b: BuiltSession) => number[];
  locked: boolean;
}

function limitFactor(week: SeasonWeek): { factor: number; text: string } {
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

/** An item as the ledger counts it. */
export const asCounted = ({ exercise, sets, slot }: BuiltSession["items"][number]): Counted => ({
  exercise,
  sets,
  primer: slot.primer ?? false,
});

/** A built session as the legs feel it. */
export const legsOf = onceFor((s: Pick<BuiltSession, "items" | "stress">): LegPart[] =>
  strengthParts(
    s.items.map((i) => ({
      exercise: i.exercise,
      loading: i.loading,
      reps: i.reps,
      sets: i.sets,
      unfamiliar: i.why.some((w) => w.rule === "first.time"),
    })),
    s.stress,
  ),
);

function weekContext(input: WeekInput, perWeek: number): WeekContext {
  const { athlete, week } = input;
  const [from, to] = [addDays(week.start, -2), addDays(week.start, 8)];
  const endurance = athlete.endurance.filter((e) => e.date >= from && e.date <= to);
  const keyDays = new Set(endurance.filter(isKey).map((e) => dayNumber(e.date)));
  const since = addDays(week.start, -MEAN_DAYS);
  const legEvents = [
    ...input.legEvents,
    ...athlete.endurance.filter((e) => e.date >= since && e.date <= to).map(enduranceLegEvent),
  ];
  const monday = dayNumber(week.start);
  return {
    monday,
    endurance,
    existing: input.existing,
    placement: athlete.settings?.placement ?? "stack",
    weights: weightsOf(athlete.settings?.ruleWeights),
    numbers: weekNumbers(athlete.settings?.ruleValues),
    keyDays,
    hasKey: endurance.some((e) => inWeek(week, e.date) && isKey(e) && sessionLoad(e) > 0),
    preferredDays: new Set(athlete.settings?.preferredDays ?? []),
    lastDays: input.lastDays,
    dailyMinutes: athlete.settings?.maxMinutesPerDay ?? null,
    perWeek,
    legs: { legEvents, meanDaily: meanDailyLoad(legEvents, monday * MINUTES_A_DAY) },
  };
}
