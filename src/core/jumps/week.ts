/** The jumps of one week: which session asks for what, and why there are none (rules jumps.phase, jumps.amount, jumps.swings). */
import type { Athlete, Label } from "../athlete";
import { dayNumber, daysBetween, type IsoDate, MINUTES_A_DAY } from "../dates";
import { type Exercise, type Library, loadingAt } from "../exercise";
import { numbers, type Why, why } from "../rulebook";
import type { SeasonDay, SeasonWeek } from "../season";
import {
  CONTACTS,
  HOP_SECONDS,
  holdsLandings,
  hopSets,
  type JumpState,
  jumpsOpen,
  landings,
  type Reached,
  stepFor,
} from "./amount";
import { type JumpKind, type JumpRight, jumpRight } from "./gate";

/** What a session is asked for before its lifts. */
export type JumpAsk =
  | { kind: "hops"; sets: number; seconds: number; why: readonly Why[] }
  | {
      kind: "jumps";
      contacts: number;
      /** Nothing else may be taken; null is whatever is open. */
      only: readonly string[] | null;
      /** What stands in where no jump is open, or the session is short. */
      hops: { sets: number; seconds: number };
      why: readonly Why[];
    }
  | { kind: "swings"; sets: number; why: readonly Why[] };

export interface JumpWeek {
  right: JumpRight;
  /** By session, whole. */
  asks: ReadonlyMap<Label, JumpAsk>;
  /** The week as such takes one short set of them. */
  short: boolean;
  /** Step on each ladder, from 0. */
  steps: { hops: number; jumps: number };
  /** Why there are jumps or none. */
  why: Why[];
}

export interface JumpInput {
  athlete: Athlete;
  library: Library;
  week: SeasonWeek;
  state: JumpState;
  /** What was lifted before it is known. */
  asOf: IsoDate;
  /** The week's sessions in order, lifted ones too. */
  labels: readonly Label[];
}

export const SWING = "kettlebell-swing";
const STEP_OFF = "step-off-stick";
const AMOUNT = numbers("jumps.amount");

/** What a day takes of it: all, one short set, or nothing with the reason. */
type Takes = "all" | "short" | Why;

export function takes(day: SeasonDay, athlete: Athlete): Takes {
  const { lateBase, beforeA } = numbers("jumps.phase", athlete.settings?.ruleValues);
  const near = athlete.races.find((r) => {
    const out = daysBetween(day.date, r.date);
    return r.priority === "A" && out >= 0 && out <= beforeA;
  });
  if (near) return why("jumps.phase", "race", { days: beforeA, race: near.name });
  if (day.loading !== "full" && day.loading !== "light")
    return why("jumps.phase", day.phase === "recovery" ? "recovery" : "unloaded");
  if (day.phase === "recovery" || day.phase === "race" || day.loading === "light") return "short";
  return day.phase === "base" && day.through < lateBase ? why("jumps.phase", "base") : "all";
}

/** Why nothing may go up this week; null where it may. */
function heldBy({ stepBack, mileage }: SeasonWeek, taken: Takes): string | null {
  if (taken === "short") return "what was built is kept";
  if (stepBack) return "a step-back week";
  return mileage.factor < 1 ? "the endurance goes up this week" : null;
}

/** The first day of its own phase on which sessions stand. */
function firstDay({ days, phase }: SeasonWeek): SeasonDay | undefined {
  const own = days.filter((d) => d.phase === phase);
  return own.find((d) => d.counts) ?? own[0] ?? days[0];
}

export function jumpWeek(input: JumpInput): JumpWeek {
  const { athlete, week } = input;
  const day = firstDay(week);
  const right = jumpRight(athlete, day?.date ?? week.start, input);
  const none = (because: Why): JumpWeek => ({
    right,
    asks: new Map(),
    short: false,
    steps: { hops: 0, jumps: 0 },
    why: [because],
  });
  if (!day || right.kind === null) return none(right.why);
  const taken = takes(day, athlete);
  if (typeof taken === "object") return { ...none(taken), steps: keptSteps(input.state) };
  return right.kind === "swings" ? swingWeek(input, right, day) : landingWeek(input, right, right.kind, taken);
}

const oneSet = <T extends { sets: number }>(work: T): T => ({ ...work, sets: numbers("jumps.phase").raceSets });

const keptSteps = ({ hops, jumps }: JumpState) => ({ hops: hops?.step ?? 0, jumps: jumps?.step ?? 0 });

function swingWeek({ athlete, library, labels }: JumpInput, right: JumpRight, day: SeasonDay): JumpWeek {
  const swing = library.byId(SWING);
  const has = swing !== undefined && athlete.places.some((p) => loadingAt(swing, p) !== null);
  const label = labels.includes("B") ? "B" : labels[0];
  const { sets } = numbers("jumps.swings");
  const asks = new Map<Label, JumpAsk>();
  const inBuild = day.phase === "build" && day.loading === "full";
  if (inBuild && has && label) asks.set(label, { kind: "swings", sets, why: [why("jumps.swings", "here", sets)] });
  const because = inBuild ? why("jumps.swings", has ? "here" : "none", sets) : why("jumps.swings", "base");
  return { right, asks, short: false, steps: { hops: 0, jumps: 0 }, why: [right.why, because] };
}

function landingWeek(input: JumpInput, right: JumpRight, kind: JumpKind, taken: Takes): JumpWeek {
  const { week, state, labels } = input;
  const held = heldBy(week, taken);
  const hops = stepFor(state.hops, HOP_SECONDS.length, week.start, held);
  const jumps = stepFor(state.jumps, CONTACTS.length, week.start, held);
  const asHops = (why_: readonly (Why | null)[]): JumpAsk => {
    return { kind: "hops", ...hopSets(hops.step), why: why_.flatMap((w) => w ?? []) };
  };
  const hopWhy = why("jumps.amount", "hops", { seconds: HOP_SECONDS[hops.step] ?? 0, week: hops.step + 1 });
  const jumpWhy = why("jumps.amount", "jumps", { contacts: CONTACTS[jumps.step] ?? 0, week: jumps.step + 1 });
  const asJumps = (): JumpAsk => ({
    kind: "jumps",
    contacts: CONTACTS[jumps.step] ?? 0,
    only: kind === "step-off" ? [STEP_OFF] : null,
    hops: hopSets(hops.step),
    why: [jumpWhy, ...(jumps.why ? [jumps.why] : [])],
  });
  const lands =
    kind === "step-off" ||
    (kind === "jumps" && (state.jumps !== null || (held === null && jumpsOpen(state, week.start))));
  const begins = !state.hops && !state.jumps && held !== null;
  const asks = new Map<Label, JumpAsk>();
  if (!begins)
    labels.slice(0, AMOUNT.hopDays).forEach((label, i) => {
      if (lands && i < AMOUNT.jumpDays) asks.set(label, asJumps());
      else if (kind !== "step-off") asks.set(label, asHops([hopWhy, hops.why]));
    });
  const amount = lands ? [jumpWhy, jumps.why] : [hopWhy, hops.why];
  const short = taken === "short" ? [why("jumps.phase", "short")] : amount.flatMap((w) => w ?? []);
  const now = begins ? [why("jumps.amount", "later", held)] : short;
  const steps = { hops: hops.step, jumps: jumps.step };
  return { right, asks, short: taken === "short", steps, why: [right.why, ...now] };
}

/** What a session on a day is asked for; null where the day takes none. */
export function jumpsOn(of: JumpWeek, label: Label, day: SeasonDay, input: JumpInput): JumpAsk | null {
  const ask = of.asks.get(label);
  if (!ask) return null;
  const { kind } = jumpRight(input.athlete, day.date, input);
  const taken = takes(day, input.athlete);
  if (kind !== of.right.kind || typeof taken === "object") return null;
  if (ask.kind === "swings") return day.phase === "build" && day.loading === "full" ? ask : null;
  if (taken === "all" && !of.short) return ask;
  return ask.kind === "hops" ? oneSet(ask) : { ...ask, contacts: AMOUNT.reps, hops: oneSet(ask.hops) };
}

/** A jump as it stands in a session. */
interface Placed {
  exercise: Exercise;
  sets: number;
  reps: number | null;
  seconds: number | null;
}

/** What a session holds of it: seconds of hops, or contacts. */
const amountOf = (items: readonly Placed[]): number =>
  items.reduce((a, i) => a + i.sets * (i.seconds ?? (i.reps ?? 0) * landings(i.exercise.id)), 0);

/** A step up is reached by doing it: where a session had no room for all of it, the one before stands. */
function reachedBy(items: readonly Placed[], asked: number, ladder: readonly number[], before: Reached | null): number {
  if (before === null || asked <= before.step) return asked;
  return amountOf(items) >= (ladder[asked] ?? 0) ? asked : before.step;
}

/** What a week leaves to the next. @param sessions as they were placed, in order of time */
export function jumpsAfter(
  state: JumpState,
  of: JumpWeek,
  monday: IsoDate,
  sessions: readonly { date: IsoDate; start: number; items: readonly Placed[] }[],
): JumpState {
  let { hops, jumps, last } = state;
  for (const { date, start, items } of sessions) {
    const landed = items.filter((i) => i.exercise.pattern === "jump");
    if (landed.length === 0) continue;
    const lands = holdsLandings(landed);
    // Of a week's sessions the one that held most of it counts.
    if (lands) jumps = { step: reachedBy(landed, of.steps.jumps, CONTACTS, jumps), week: monday, hurt: false };
    else hops = { step: reachedBy(landed, of.steps.hops, HOP_SECONDS, hops), week: monday, hurt: false };
    last = { minute: dayNumber(date) * MINUTES_A_DAY + start, lands };
  }
  return { hops, jumps, last };
}
