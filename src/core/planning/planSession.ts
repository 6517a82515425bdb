/** What each session of a week would be on a day, in a window: the dose of that day, with its loads and its cuts. */

import { approachFor } from "../approach";
import {
  type DatedWindow,
  isOn,
  type Label,
  type Place,
  placeById,
  type SessionEdit,
  type Stage,
  safetyGate,
  windowsOfWeek,
} from "../athlete";
import type { IsoDate } from "../dates";
import type { Exercise, LoadKind } from "../exercise";
import { type JumpAsk, type JumpInput, type JumpState, type JumpWeek, jumpsOn, jumpWeek } from "../jumps";
import type { LedgerState, Unit } from "../ledger";
import { onceFor } from "../once";
import { historyOf, nextLoad, type PlannedLift, placeOnLine, slowerStep, tooLight } from "../progress";
import { numbers, type Why } from "../rulebook";
import { inWeek, type SeasonDay } from "../season";
import {
  type BuiltSession,
  buildSession,
  draftSession,
  type Filled,
  type SessionDraft,
  type SessionRequest,
  withShareOfSets,
} from "../session";
import { type DayInput, DayKinds } from "./dayKinds";
import { blockOn, holdRange, increaseCap, ladderState } from "./dayWork";
import { ledgerOf, type WeekLedger } from "./weekLedger";

/** An exercise the coach took instead of the planner's first choice. */
export interface Swap {
  date: IsoDate;
  label: Label;
  from: string;
  to: string;
}

export interface BuilderInput extends DayInput {
  swaps: readonly Swap[];
  /** First day of the whole plan; what was lifted before it is known. */
  asOf: IsoDate;
  /** Loads of the weeks planned before. */
  planned: ReadonlyMap<string, PlannedLift>;
  /** What the weeks before left to each pattern. */
  ledger: LedgerState;
  /** What the weeks before left to jumps. */
  jumps: JumpState;
  /** Labels lifted this week already. */
  done: ReadonlySet<Label>;
}

/** What is asked of a session: its label on a day at a place, in so many minutes. */
interface Asked {
  label: Label;
  day: SeasonDay;
  place: Place;
  /** Minutes of the free time slot. */
  minutes: number;
  /** Share of the full dose that the week takes. */
  share: number;
  routine: "short" | "long" | null;
  /** It takes the jumps that its week asks of it. */
  jumps: boolean;
  /** What the ledger gives it, where that was settled over all sessions of the week. */
  units?: readonly Unit[];
  /** Its slots as they were filled before, for other minutes and cuts. */
  filled: NonNullable<SessionRequest["filled"]>;
}

/** A session at its place in the week. */
export interface PlacedAsk {
  label: Label;
  day: SeasonDay;
  window: DatedWindow;
  share: number;
  jumps: boolean;
  /** Why it holds none of the jumps that were asked for. */
  noJumps?: string;
}

/** A placed session with what the whole week's account gives it. */
const askOf = (
  { label, day, window, share, jumps }: PlacedAsk,
  place: Place,
  units: readonly Unit[],
  filled: Asked["filled"],
): Asked => ({ label, day, place, minutes: window.minutes, share, routine: null, jumps, units, filled });

const textOf = onceFor((ask: JumpAsk): string => JSON.stringify(ask));

/** Builds and remembers what each label is on a day in a free time slot. */
export class SessionBuilder {
  private readonly known = new Map<string, BuiltSession | null>();
  /** Filled slots, by what is asked of them. */
  private readonly filled = new Map<string, NonNullable<SessionRequest["filled"]>>();
  private readonly days: DayKinds;
  /** Sessions that share a hold's sets: those that have a day to stand on. */
  private readonly shared: number;
  private most = 0;
  /** What the week owes each pattern, and who gives it. */
  readonly ledger: WeekLedger;
  /** Which sessions are asked for jumps. */
  readonly jumps: JumpWeek;
  private readonly jumpInput: JumpInput;
  private readonly asked = new Map<string, JumpAsk | null>();
  /** By place, exercise and loading. */
  private readonly light = new Map<string, Why | null>();

  constructor(private readonly input: BuilderInput) {
    const { athlete, week, library } = input;
    this.days = new DayKinds(input);
    const slots = windowsOfWeek(athlete, week.start).filter((w) =>
      week.days.some((d) => d.date === w.date && d.counts),
    );
    const open = new Set(slots.map((w) => w.date));
    this.shared = Math.max(1, Math.min(open.size, week.wanted.filter((w) => !w.taper).length));
    const labels = week.wanted.map((w) => w.label);
    this.jumpInput = { athlete, library, week, state: input.jumps, asOf: input.asOf, labels };
    this.jumps = jumpWeek(this.jumpInput);
    this.ledger = ledgerOf({
      athlete,
      library,
      week,
      slots,
      state: input.ledger,
      log: athlete.strengthLog.filter((s) => inWeek(week, s.date) && input.done.has(s.label) && s.date <= input.asOf),
      labels: labels.filter((l) => !input.done.has(l)),
      doseOn: (day) => this.days.doseOn(day, safetyGate(athlete, day.date)),
    });
  }

  /** AU of the heaviest session built so far at the full dose. */
  deepest(): number {
    return this.most;
  }

  /** The week's session as the coach made it. */
  editOf(label: Label): SessionEdit | undefined {
    const { athlete, week } = this.input;
    return athlete.edits?.find((e) => e.week === week.start && e.label === label);
  }

  /** Jumps or swings that a session is asked for on a day; null where it is asked for none. */
  jumpsOn(label: Label, day: SeasonDay): JumpAsk | null {
    if (!this.jumps.asks.has(label)) return null;
    const key = `${label}/${day.date}`;
    const known = this.asked.get(key);
    if (known !== undefined) return known;
    const ask = this.editOf(label) ? null : jumpsOn(this.jumps, label, day, this.jumpInput);
    this.asked.set(key, ask);
    return ask;
  }

  /**
   * @param jumps it takes the jumps that it is asked for
   * @returns null where not even the least form fits, or the place is unknown
   */
  build(
    label: Label,
    day: SeasonDay,
    w: DatedWindow,
    share: number,
    { routine = null, jumps = true }: Partial<Pick<Asked, "routine" | "jumps">> = {},
  ): BuiltSession | null {
    const place = placeById(this.input.athlete, w.place);
    if (!place) return null;
    const alike = this.alikeKey({ label, day, place, routine, jumps });
    const key = `${alike}/${minutesOn(day, w.minutes)}/${share}`;
    const before = this.known.get(key);
    if (before !== undefined) return before;
    const filled = this.filled.get(alike) ?? {};
    this.filled.set(alike, filled);
    const made = this.make({ label, day, place, minutes: w.minutes, share, routine, jumps, filled });
    this.known.set(key, made);
    return made;
  }

  /** The same for sessions that are filled alike, whatever minutes they have. */
  private alikeKey({
    label,
    day,
    place,
    routine,
    jumps,
  }: Pick<Asked, "label" | "day" | "place" | "routine" | "jumps">): string {
    const swapped = this.input.swaps.some((s) => s.date === day.date && s.label === label) ? day.date : "";
    const ask = jumps ? this.jumpsOn(label, day) : null;
    return `${label}/${this.days.kindOf(day, place)}/${ask ? textOf(ask) : ""}/${routine}/${swapped}`;
  }

  /** A session that is placed, with what it could hold of these; null where it is not filled from the ledger. */
  draft(asked: PlacedAsk, units: readonly Unit[], lean: boolean): SessionDraft | null {
    const place = placeById(this.input.athlete, asked.window.place);
    if (!place) return null;
    const request = this.requestFor(askOf(asked, place, units, {}));
    const { label, day, jumps } = asked;
    // Its leads stand as they were first filled.
    const before = this.filled.get(this.alikeKey({ label, day, place, routine: null, jumps }));
    return draftSession({ ...request, lean, setFactor: this.input.week.setFactor, before });
  }

  /** A placed session built anew with what the whole week's account gives it. */
  rebuild(asked: PlacedAsk, units: readonly Unit[], filled: Filled): BuiltSession | null {
    const place = placeById(this.input.athlete, asked.window.place);
    const settled = { whole: filled, short: filled };
    return place ? this.make(askOf(asked, place, units, settled)) : null;
  }

  /** As its day and its week ask for it, less what today's answers take. */
  private make(asked: Asked): BuiltSession | null {
    const made = this.makeWhole(asked);
    const { setShare, why } = asked.day;
    const because = why.find((w) => w.rule === "readiness.day");
    return made && setShare < 1 && because ? withShareOfSets(made, this.requestFor(asked), setShare, because) : made;
  }

  private makeWhole(asked: Asked): BuiltSession | null {
    const { athlete, week } = this.input;
    const { day, share } = asked;
    const request = this.requestFor(asked);
    const whole = buildSession(request);
    // A session by hand says nothing about the planned dose, which is what a week's load limit is measured by.
    const measure = request.edit ? buildSession({ ...request, edit: undefined }) : whole;
    if (measure) this.most = Math.max(this.most, measure.stress);
    const taper = day.taperFor !== null && day.loading === "light";
    const setFactor = taper ? numbers("taper.light", athlete.settings?.ruleValues).share : week.setFactor;
    const primaryRange = taper ? null : this.holdOf(asked);
    if (setFactor >= 1 && primaryRange === null && share >= 1) return whole;
    const stressCap = share < 1 && whole ? whole.stress * share : null;
    return buildSession({ ...request, setFactor, primaryRange: setFactor < 1 ? null : primaryRange, stressCap });
  }

  /** Its share of the last full build week's sets, where the day holds (rule taper.week). */
  private holdOf({ day, routine, label }: Asked): ReturnType<typeof holdRange> | null {
    const { athlete, lastBuild } = this.input;
    if (day.emphasis !== "hold" || routine || !isOn(athlete, "taper.week")) return null;
    const last = lastBuild();
    if (!last) return null;
    if (!this.ledger.oneLead) return holdRange(last.sets / this.shared);
    // Visits of one lead each share whole sets: the first takes the odd one.
    const { least, most } = holdRange(last.sets);
    const visit = this.input.week.wanted.filter((w) => !w.taper).findIndex((w) => w.label === label);
    const share = (sets: number) => Math.floor((sets + this.shared - 1 - visit) / this.shared);
    return { least: share(least), most: share(most) };
  }

  /** Step of slower work that an exercise stands at. @param block first day of the block; null outside of blocks */
  private slowerOf(id: string, block: IsoDate | null): number {
    const { library, log, planned, asOf } = this.input;
    const exercise = library.byId(id);
    return block === null || !exercise ? 0 : slowerStep(exercise, block, historyOf(log, id, asOf), planned.get(id));
  }

  /** The same all week: the log of the week itself is not asked. */
  private tooLightAt(place: Place, exercise: Exercise, loading: LoadKind): Why | null {
    const key = `${place.id}/${exercise.id}/${loading}`;
    const before = this.light.get(key);
    if (before !== undefined) return before;
    const { athlete, log, asOf } = this.input;
    const { bodyMassKg } = athlete.athlete;
    const made = tooLight({ exercise, loading, place, bodyMassKg, history: historyOf(log, exercise.id, asOf) });
    this.light.set(key, made);
    return made;
  }

  /** What is asked for, with nothing that takes sets away. */
  private requestFor({ label, day, place, minutes, routine, jumps, units, filled }: Asked): SessionRequest {
    const { athlete, week, log, planned, asOf, swaps } = this.input;
    const choice = this.days.choiceOn(day, place);
    const { gate, areas } = choice;
    const edit = this.editOf(label);
    const { phase, emphasis, loading, heavyOk, blockStart } = day;
    const { block, closes } = blockOn(day, week);
    const dose = this.days.doseOn(day, gate);
    const stands = block ?? closes;
    const basis = {
      athlete,
      log,
      on: day.date,
      asOf,
      blockStart: stands?.from ?? blockStart,
      cap: increaseCap(athlete, day, week),
      slower: gate.slower,
      planned,
      areas,
      ladder: (e: Exercise) => ladderState(e, choice),
    };
    const taken = swaps.filter((s) => s.date === day.date && s.label === label);
    return {
      label,
      emphasis,
      loading,
      heavyOk,
      dose,
      build: approachFor(athlete, phase).build,
      routine,
      routineStage: routine ? STAGE_OF[day.stage] : undefined,
      jumps: jumps ? this.jumpsOn(label, day) : null,
      edit,
      place,
      minutes: minutesOn(day, minutes),
      choice,
      swaps: new Map(taken.map((s) => [s.from, s.to])),
      loadFor: (q) => nextLoad(q, basis),
      slowerFor: (exercise) => this.slowerOf(exercise, stands?.from ?? null),
      tooLightFor: (exercise, load) => this.tooLightAt(place, exercise, load),
      placeFor: (exercise) =>
        block
          ? placeOnLine({
              block: { start: block.start, from: block.from, weeks: block.of, held: block.held },
              monday: week.start,
              history: historyOf(log, exercise, asOf),
              asOf,
              planned: planned.get(exercise),
              own: athlete.settings?.ruleValues,
            })
          : { point: 0, why: [] },
      filled,
      units: units ?? this.ledger.deal.get(label) ?? [],
      leads: this.ledger.leads.get(label) ?? [],
      shortLead: this.ledger.shortLead.get(label) ?? null,
      oneLead: emphasis === "hold" && loading === "full" ? this.ledger.oneLead : null,
      weekLeads: this.ledger.weekLeads,
      weekUnits: this.ledger.weekUnits,
      lean: false,
      setFactor: 1,
      primaryRange: null,
      stressCap: null,
    };
  }
}

/** Minutes of a free time slot that a day lets its session take. */
const minutesOn = ({ loading, minutesMost }: SeasonDay, minutes: number): number =>
  Math.min(
    minutes,
    minutesMost ?? minutes,
    loading === "mobility" ? numbers("session.slots").mobilityMinutes : minutes,
  );

/** What a routine is made of, by the row of the approach. */
const STAGE_OF: Readonly<Record<Stage, 1 | 2 | 3>> = {
  "base-early": 1,
  "base-late": 2,
  build: 3,
  race: 3,
  recovery: 1,
};
