/** Builds one strength session for a day, a place and the minutes there are. */

import { EXTERNAL, fiveFor, PRIMARY_PATTERNS } from "../exercise";
import { flatMap } from "../lists";
import { many, numbers, type Why, why } from "../rulebook";
import { type Arranged, arranged, onTheFloor, timed } from "./arrange";
import { cautionsFor } from "./cautions";
import { fillEdit } from "./edited";
import { fillSlots } from "./fill";
import { openWork } from "./findingWork";
import { isHeavy, isLoadedLower } from "./heavy";
import { withChanges } from "./item";
import { holdsAsked, jumpSlots, whyNoJumps } from "./jumps";
import { lastEased } from "./last";
import { lostBy } from "./lost";
import { longestThatFits, stageSlots, visitSlots } from "./routines";
import {
  copyOf,
  essentialSlots,
  SHORT_MINUTES,
  SHORTEST_MINUTES,
  type Slot,
  shortSlots,
  slotsFor,
  withFindings,
} from "./slots";
import { clockFor, rampSeconds } from "./time";
import { nextDrop, primarySets, raisePrimary, scaleSets, trimPrimary } from "./trim";
import type { BuiltSession, Dropped, Filled, Item, LeftOut, SessionRequest } from "./types";
import { type Draft, levelsOf, mostWorth, type Offer } from "./worth";

/** What a session holds before its minutes are counted. */
interface Asked {
  items: readonly Item[];
  dropped: Dropped[];
  left: readonly LeftOut[];
  /** Every slot that the day asks for; empty where it was made by hand. */
  all: readonly Slot[];
  /** The minutes take a short session. */
  short: boolean;
  again: Filled["again"];
  /** Sets in the leading patterns before the week's cuts. */
  asked: number;
  /** The week cuts its sets. */
  cut: boolean;
}

/** The slots filled, once for all minutes and cuts of a request. */
function slotsFilled(slots: readonly Slot[], short: boolean, r: SessionRequest): Filled {
  const kept = r.filled ?? {};
  const form = short ? "short" : "whole";
  const filled = kept[form] ?? fillSlots(slots, r, r.before?.[form]?.slots);
  kept[form] = filled;
  return filled;
}

/** Exercises by slot or by hand, with the week's sets; null where nothing is open. */
function askedFor(r: SessionRequest): Asked | null {
  const { edit } = r;
  const { all, short } = edit ? { all: [], short: false } : slotsOf(r);
  const filled = edit ? fillEdit(edit, r) : slotsFilled(all, short, r);
  if (!filled) return null;
  const dropped = [...filled.dropped, ...(all.some((x) => x.essential) || edit ? [] : waitingWork(r))];
  const whole = filled.items;
  // What was made by hand keeps its sets: the coach has seen the week.
  // Mobility and what restores is never cut.
  const cut = r.setFactor < 1 && r.loading !== "mobility" && r.emphasis !== "restore" && !edit;
  let items = cut ? scaleSets(whole, r.setFactor) : r.lean ? leanOf(whole) : whole;
  if (r.primaryRange && !edit) items = raisePrimary(trimPrimary(items, r.primaryRange.most), r.primaryRange.least);
  for (const { exercise } of whole)
    if (!items.some((i) => i.exercise === exercise))
      dropped.push({ exercise: exercise.id, why: "no set of it is left in a week of fewer sets" });
  return { items, dropped, left: filled.left, all, short, again: filled.again, asked: primarySets(whole), cut };
}

/** Leads of two sets, and no mobility, where a pattern would stay out a second week otherwise (rule ledger.fill). */
function leanOf(items: readonly Item[]): Item[] {
  const { leanSets } = numbers("ledger.fill");
  return flatMap(items, (i) => {
    if (i.exercise.pattern === "mobility") return [];
    return i.slot.kind === "assist" || i.sets <= leanSets
      ? [i]
      : [withChanges(i, { sets: leanSets, why: [...i.why, why("ledger.fill", "lean")] })];
  });
}

/** Slow strength stands in for maximal work, and no lead is loaded. */
const isSlowStrength = (items: readonly Item[]): boolean =>
  items.some((i) => i.slow?.strength) &&
  !items.some((i) => i.slot.kind !== "assist" && !i.slow?.strength && EXTERNAL.includes(i.loading));

/** Session RPE (rule session.rpe). */
function effortOf(r: SessionRequest, cut: boolean): number {
  const effort = numbers("session.rpe");
  if (r.loading !== "full" && r.loading !== "light") return Math.min(r.dose.rpe, effort.unloaded);
  if (!cut) return r.dose.rpe;
  return r.dose.rpe - (r.setFactor <= effort.halved ? 2 : 1);
}

/** What the ledger gives goes by its worth, then other work, until the session weighs no more than the week lets it; what goes is named. */
function underLoad(asked: Asked, r: SessionRequest, rpe: number, dropped: Dropped[]): Item[] {
  const items = [...asked.items];
  if (r.stressCap === null || r.edit) return items;
  const most = Math.min(r.minutes, Math.floor(r.stressCap / rpe));
  if (arranged(items, r).minutes <= most) return items;
  const because = most < r.minutes ? TOO_MUCH : NO_TIME;
  const chosen = byWorth(items, { ...r, minutes: most }, asked, dropped, because);
  if (chosen) return chosen;
  let left = items;
  while (arranged(left, r).minutes * rpe > r.stressCap) {
    const extra = left.filter((i) => !PRIMARY_PATTERNS.includes(i.exercise.pattern)).at(-1);
    if (!extra) break;
    left = left.filter((i) => i !== extra);
    dropped.push({ exercise: extra.exercise.id, why: TOO_MUCH });
  }
  return left;
}

/** Sets of an exercise at least, beside the leads (rule ledger.fill). */
const leastSets = (r: SessionRequest, short: boolean): number =>
  short || r.setFactor < 1 || r.emphasis === "hold" || r.loading === "light" ? 1 : numbers("ledger.fill").least;

/** The sets of what the ledger gives, still open. */
function draftFrom(items: readonly Item[], r: SessionRequest, short: boolean): Draft & { withSets: WithSets } {
  const given = items.filter((i) => i.slot.unit);
  const at = items.map((i) => given.indexOf(i));
  const now = items.map((i) => i.sets);
  const setsFor = (sets: readonly number[]): readonly number[] => {
    for (let i = 0; i < at.length; i++) {
      const k = at[i] as number;
      if (k >= 0) now[i] = sets[k] ?? 0;
    }
    return now;
  };
  const alone = arranged(
    items.filter((_, k) => at[k] === -1),
    r,
  ).time;
  const fixed = alone.opening + alone.warmUp;
  const ramps = given.map(rampSeconds);
  const clock = clockFor(items);
  return {
    offers: given.map((item): Offer => ({ item, levels: levelsOf(item, leastSets(r, short)) })),
    limit: r.minutes * 60,
    secondsOf: (sets) => {
      let seconds = fixed + clock(setsFor(sets));
      for (let k = 0; k < sets.length; k++) if ((sets[k] ?? 0) > 0) seconds += ramps[k] ?? 0;
      return seconds;
    },
    withSets: (sets) => {
      const chosen = setsFor(sets);
      return flatMap(items, (i, k) => {
        const n = chosen[k] ?? 0;
        return n === 0 ? [] : n === i.sets ? [i] : [withChanges(i, { sets: n })];
      });
    },
  };
}
type WithSets = (sets: readonly number[]) => Item[];

/** What a session could hold beside its leads, for the ledger of a whole week; null where it is not filled from the ledger. */
export function draftSession(r: SessionRequest): SessionDraft | null {
  const asked = askedFor(r);
  if (!asked || asked.cut || r.edit || r.routine) return null;
  const { withSets, ...draft } = draftFrom(asked.items, r, asked.short);
  if (draft.offers.length === 0) return null;
  const { dropped, left, again, items } = asked;
  return { ...draft, filled: (sets) => ({ dropped, left, again, items: retold(withSets(sets), items, again) }) };
}

export interface SessionDraft extends Draft {
  /** Its exercises with these sets of the offers. */
  filled: (sets: readonly number[]) => Filled;
}

/** Exercises whose sets have changed, with their reasons said anew. */
const retold = (now: readonly Item[], before: readonly Item[], again: Filled["again"]): Item[] =>
  now.map((i) => {
    const was = before.find((x) => x.exercise === i.exercise);
    return was && was.sets !== i.sets ? withChanges(again?.get(i.exercise)?.(i.sets) ?? i, { sets: i.sets }) : i;
  });

const NO_TIME = "no time for it; the week's account carries it on";
const TOO_MUCH = "it would go over what this week takes";

/** What the ledger gives goes by its worth where the minutes do not hold all of it; null where the rest alone takes too long. */
function byWorth(
  items: readonly Item[],
  r: SessionRequest,
  { short, again }: Asked,
  dropped: Dropped[],
  because = NO_TIME,
): Item[] | null {
  const { withSets, ...draft } = draftFrom(items, r, short);
  const chosen = draft.offers.length === 0 ? null : mostWorth(draft);
  if (!chosen) return null;
  draft.offers.forEach(({ item: i }, k) => {
    const n = chosen[k] ?? 0;
    if (n === 0) dropped.push({ exercise: i.exercise.id, why: because });
    else if (n < i.sets) dropped.push({ exercise: i.exercise.id, why: `${many(i.sets - n, "fewer set")}: ${because}` });
  });
  return retold(withSets(chosen), items, again);
}

/**
 * What the ledger gives goes by its worth where the minutes do not hold all of it. Where they do not even hold the rest, that goes in the
 * order of rule time.drop, and what the ledger gives takes what is left; null where they never suffice.
 */
function inTime(items: Item[], r: SessionRequest, asked: Asked, dropped: Dropped[]): Arranged | null {
  let left = items;
  let now = arranged(left, r);
  const tooLong = () => now.minutes > r.minutes;
  if (tooLong() && onTheFloor(r)) {
    left = [...longestThatFits(left, (of) => arranged(of, r).minutes <= r.minutes)];
    now = arranged(left, r);
  }
  if (!tooLong() || r.edit) return tooLong() ? null : now;
  const chosen = byWorth(left, r, asked, dropped);
  if (chosen) return arranged(chosen, r);
  const units = left.filter((i) => i.slot.unit);
  const cut: Dropped[] = [];
  let rest = left;
  for (; tooLong(); now = arranged(rest, r)) {
    const step = nextDrop(rest);
    if (!step || step.items.length === 0) return null;
    rest = step.items;
    cut.push(step.dropped);
  }
  const given = new Set(units.map((i) => i.exercise.id));
  dropped.push(...cut.filter((d) => !given.has(d.exercise)));
  if (units.length === 0) return now;
  const stays = new Map(rest.map((i) => [i.exercise, i]));
  const beside = left.flatMap((i) => (i.slot.unit ? [i] : (stays.get(i.exercise) ?? [])));
  return arranged(byWorth(beside, r, asked, dropped) ?? rest, r);
}

/** The same with the last of it eased, where that takes no more than there is. */
function eased(made: Arranged, { again }: Asked, r: SessionRequest): Arranged {
  const items = lastEased(made.paired, again, r);
  const now = items ? timed(items, r) : made;
  return now.minutes <= r.minutes ? now : made;
}

/** @param cuts what went for want of minutes */
function reasonsFor(r: SessionRequest, filled: Asked, left: number, cuts: number): Why[] {
  const { all, short, asked, cut, items } = filled;
  const reasons: Why[] = [...r.dose.why];
  if (r.edit) reasons.push(why("edit.hand", "session"));
  if (r.routine) reasons.push(why("approach.routine", "follows", r.routine));
  if (r.loading !== "mobility") reasons.push(...r.choice.gate.why);
  if (all.some((x) => x.essential)) reasons.push(why("choice.five", "short"));
  const lead = items.find((i) => i.slot.kind !== "assist");
  if (short && r.oneLead) reasons.push(r.oneLead);
  if (short && lead && r.minutes <= SHORT_MINUTES)
    reasons.push(why("ledger.fill", "short", { minutes: r.minutes, lead: lead.exercise.name.toLowerCase() }));
  else if (cuts > 0) reasons.push(why("time.drop", "cuts", { cuts, minutes: r.minutes }));
  if (r.jumps && !holdsAsked(items)) reasons.push(why("jumps.amount", "dropped", whyNoJumps(r.jumps, r.choice)));
  if (isSlowStrength(items)) reasons.push(why("slow.strength", "session"));
  if (asked > left && cut) reasons.push(why("phase.day", "sets", { asked, left }));
  return reasons;
}

/**
 * @returns the session, or null where not even its least form fits the minutes
 */
export function buildSession(r: SessionRequest): BuiltSession | null {
  if (r.minutes < SHORTEST_MINUTES && r.loading !== "mobility" && !r.routine) return null;
  const filled = askedFor(r);
  if (!filled) return null;
  const { dropped } = filled;
  const rpe = effortOf(r, filled.cut);
  const items = underLoad(filled, r, rpe, dropped);
  const before = dropped.length;
  const made = inTime(items, r, filled, dropped);
  if (!made) return null;
  const { paired, minutes, time, warmUp } = eased(made, filled, r);
  const lower = paired.filter(isLoadedLower);
  const primaries = primarySets(paired);
  const lost = lostBy(paired, r);
  return {
    label: r.label,
    emphasis: r.emphasis,
    loading: r.loading,
    items: paired,
    warmUp,
    dropped,
    left: filled.left.filter((l) => paired.some((i) => i.exercise.name === l.instead)),
    cautions: cautionsFor(paired, r),
    minutes,
    time,
    lowerLoaded: lower.length > 0,
    heavy: lower.some(isHeavy),
    slow: isSlowStrength(paired),
    newlySlow: paired.some((i) => i.slow?.isNew === true),
    stress: minutes * rpe,
    rpe,
    lostShare: lost.share,
    lostWords: lost.words,
    byHand: r.edit !== undefined,
    belowMinimumHold: r.primaryRange !== null && !r.edit && primaries < r.primaryRange.least,
    why: reasonsFor(r, filled, primaries, dropped.length - before),
  };
}

/** Days on which findings add work: those that build. */
const addsWork = (r: SessionRequest): boolean =>
  !r.routine && r.loading !== "mobility" && r.emphasis !== "restore" && r.loading !== "restore";

/** Findings' work that safety keeps out today. */
const waitingWork = (r: SessionRequest): readonly Dropped[] => (addsWork(r) ? openWork(r.choice).dropped : []);

/**
 * The same session with a share of its sets, exercise by exercise, never the last one: nothing else comes in their place.
 * @param because why, on each exercise that gives a set
 */
export function withShareOfSets(s: BuiltSession, r: SessionRequest, share: number, because: Why): BuiltSession {
  const fewer = s.items.map((i) => {
    const sets = Math.max(1, Math.round(i.sets * share));
    return sets < i.sets ? withChanges(i, { sets, extraSide: null, why: [...i.why, because] }) : i;
  });
  const { paired, warmUp, time, minutes } = timed(fewer, r);
  return { ...s, items: paired, warmUp, time, minutes, stress: minutes * s.rpe, why: [because, ...s.why] };
}

/** The slots of the day, with the essential five where time is short and with what the screening adds. */
function slotsOf(r: SessionRequest): { all: Slot[]; short: boolean } {
  const strength = (r.loading === "full" || r.loading === "light") && !r.routine;
  const five = strength ? fiveFor(r.choice.athlete) : null;
  if (five) return { all: essentialSlots(five), short: false };
  if (r.routine) return { all: stageSlots(r.routineStage ?? 1, r.choice), short: false };
  if (r.loading === "mobility") return { all: visitSlots(r.label, r.choice), short: false };
  const whole = slotsFor(r.label, r.loading, r.build, r.units);
  const short = strength && (r.minutes <= SHORT_MINUTES || Boolean(r.oneLead));
  const slots = short ? shortSlots(whole, r.shortLead ?? null, r.build) : whole;
  const jumps = strength && r.jumps ? jumpSlots(r.jumps, short, r) : [];
  const all = addsWork(r) ? withFindings(slots, openWork(r.choice).findings, r.label) : slots.map(copyOf);
  return { all: jumps.length > 0 ? [...jumps.map(copyOf), ...all] : all, short };
}
