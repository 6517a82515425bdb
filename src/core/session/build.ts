/** Builds one strength session for a day, a place and the minutes there are. */
import { AREA_WORDS } from "../athlete";
import { type WarmUpSet, warmUpSets } from "../dose";
import { fiveFor, PRIMARY_PATTERNS } from "../exercise";
import { numbers, say, type Why, why } from "../rulebook";
import { fillEdit } from "./edited";
import { candidatesFor, fillSlots } from "./fill";
import { isHeavy, isLoadedLower } from "./heavy";
import {
  essentialSlots,
  HALF_SESSION_MINUTES,
  halfSession,
  SHORTEST_MINUTES,
  type Slot,
  slotsFor,
  withFindings,
} from "./slots";
import { OPENING_SECONDS, pairUp, primerFirst, timeOfSession, totalSeconds } from "./time";
import { nextDrop, primarySets, raisePrimary, scaleSets, trimPrimary } from "./trim";
import type { BuiltSession, Dropped, Filled, Item, LeftOut, SessionRequest } from "./types";

/** What a session holds before its minutes are counted. */
interface Asked {
  items: readonly Item[];
  dropped: Dropped[];
  left: readonly LeftOut[];
  /** Every slot that the day asks for; empty where it was made by hand. */
  all: readonly Slot[];
  /** The minutes take half a session. */
  half: boolean;
  /** Sets in the leading patterns before the week's cuts. */
  asked: number;
  /** The week cuts its sets. */
  cut: boolean;
}

/** The slots filled, once for all minutes and cuts of a request. */
function slotsFilled(slots: readonly Slot[], half: boolean, r: SessionRequest): Filled {
  const kept = r.filled ?? {};
  const filled = (half ? kept.half : kept.whole) ?? fillSlots(slots, r);
  kept[half ? "half" : "whole"] = filled;
  return filled;
}

/** Exercises by slot or by hand, with the week's sets; null where nothing is open. */
function askedFor(r: SessionRequest): Asked | null {
  const { edit } = r;
  const all = edit ? [] : slotsOf(r);
  const half = r.minutes <= HALF_SESSION_MINUTES && r.loading !== "mobility" && !edit && !r.routine;
  const slots = half ? halfSession(all) : all;
  const filled = edit ? fillEdit(edit, r) : slotsFilled(slots, half, r);
  if (!filled) return null;
  const dropped = [...filled.dropped];
  const whole = filled.items;
  if (half) for (const s of all) if (!slots.includes(s)) dropped.push(...droppedSlot(s, r, whole));
  // What was made by hand keeps its sets: the coach has seen the week.
  // Mobility and what restores is never cut.
  const cut = r.setFactor < 1 && r.loading !== "mobility" && r.emphasis !== "restore" && !edit;
  let items = cut ? scaleSets(whole, r.setFactor) : whole;
  if (r.primaryRange && !edit) items = raisePrimary(trimPrimary(items, r.primaryRange.most), r.primaryRange.least);
  for (const { exercise } of whole)
    if (!items.some((i) => i.exercise === exercise))
      dropped.push({ exercise: exercise.id, why: "no set of it is left in a week of fewer sets" });
  return { items, dropped, left: filled.left, all, half, asked: primarySets(whole), cut };
}

/** Session RPE (rule session.rpe). */
function effortOf(r: SessionRequest, cut: boolean): number {
  const effort = numbers("session.rpe");
  if (r.loading !== "full" && r.loading !== "light") return Math.min(r.dose.rpe, effort.unloaded);
  if (!cut) return r.dose.rpe;
  return r.dose.rpe - (r.setFactor <= effort.halved ? 2 : 1);
}

/** Items in pairs with their warm-up and the time they take. */
function arranged(items: readonly Item[], r: SessionRequest) {
  const paired = r.edit ? [...items] : primerFirst(pairUp(items));
  const warmUp = paired.filter((i) => i.main).flatMap((i) => warmUpFor(i, r));
  const time = timeOfSession(paired, warmUp, r.routine ? 0 : OPENING_SECONDS);
  return { paired, warmUp, time, minutes: Math.ceil(totalSeconds(time) / 60) };
}
type Arranged = ReturnType<typeof arranged>;

/** Other work goes until the session weighs no more than the week lets it; what goes is named. */
function underLoad(items: Item[], r: SessionRequest, rpe: number, dropped: Dropped[]): Item[] {
  if (r.stressCap === null || r.edit) return items;
  let left = items;
  while (arranged(left, r).minutes * rpe > r.stressCap) {
    const extra = left.filter((i) => !PRIMARY_PATTERNS.includes(i.exercise.pattern)).at(-1);
    if (!extra) break;
    left = left.filter((i) => i !== extra);
    dropped.push({ exercise: extra.exercise.id, why: "it would go over what this week takes" });
  }
  return left;
}

/** Work goes in the order of rule time.drop until the minutes suffice; null where they never do. */
function inTime(items: Item[], r: SessionRequest, dropped: Dropped[]): Arranged | null {
  let left = items;
  let now = arranged(left, r);
  while (now.minutes > r.minutes && !r.edit) {
    const step = nextDrop(left);
    if (!step || step.items.length === 0) break;
    left = step.items;
    dropped.push(step.dropped);
    now = arranged(left, r);
  }
  return now.minutes > r.minutes ? null : now;
}

/** @param cuts what went for want of minutes */
function reasonsFor(r: SessionRequest, filled: Asked, left: number, cuts: number): Why[] {
  const { all, half, asked, cut } = filled;
  const reasons: Why[] = [...r.dose.why];
  if (r.edit) reasons.push(why("edit.hand", "session"));
  if (r.routine) reasons.push(why("approach.routine", "follows", r.routine));
  if (r.loading !== "mobility") reasons.push(...r.choice.gate.why);
  if (all.some((x) => x.essential)) reasons.push(why("choice.five", "short"));
  if (half) reasons.push(why("time.drop", "half", r.minutes));
  else if (cuts > 0) reasons.push(why("time.drop", "cuts", { cuts, minutes: r.minutes }));
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
  const items = underLoad([...filled.items], r, rpe, dropped);
  const before = dropped.length;
  const made = inTime(items, r, dropped);
  if (!made) return null;
  const { paired, minutes, time, warmUp } = made;
  const lower = paired.filter(isLoadedLower);
  const count = (list: readonly Item[]): number => list.reduce((a, i) => a + i.sets, 0);
  const [wanted, primaries] = [count(items), primarySets(paired)];
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
    stress: minutes * rpe,
    rpe,
    lostShare: wanted > 0 ? Math.max(0, 1 - count(paired) / wanted) : 0,
    unloaded: r.loading === "full" && lower.length === 0,
    byHand: r.edit !== undefined,
    belowMinimumHold: r.primaryRange !== null && !r.edit && primaries < r.primaryRange.least,
    why: reasonsFor(r, filled, primaries, dropped.length - before),
  };
}

/** The slots of the day, with the essential five where time is short and with what the screening adds. */
function slotsOf(r: SessionRequest): Slot[] {
  const five = (r.loading === "full" || r.loading === "light") && !r.routine ? fiveFor(r.choice.athlete) : null;
  if (five) return essentialSlots(five);
  const slots = slotsFor(r.label, r.loading, r.choice.athlete.athlete.sport, r.build, r.routine);
  const builds = r.emphasis !== "restore" && r.loading !== "mobility" && r.loading !== "restore" && !r.routine;
  return builds ? withFindings(slots, r.choice.findings, r.label) : slots;
}

function droppedSlot(s: Slot, r: SessionRequest, items: readonly Item[]): Dropped[] {
  const best = candidatesFor(
    s,
    r.choice,
    items.map((i) => i.exercise),
    r.label,
  )[0];
  return best
    ? [
        {
          exercise: best.exercise.id,
          why: `a window of ${r.minutes} min takes one lift, one hip and one trunk exercise`,
        },
      ]
    : [];
}

function warmUpFor(i: Item, r: SessionRequest): WarmUpSet[] {
  return i.loadKg === null
    ? []
    : warmUpSets(i.exercise, i.loading, r.place, {
        workKg: i.loadKg,
        percent1rm: i.percent1rm,
        light: r.loading !== "full",
      });
}

/** Cautions stand where the decision is made. */
function cautionsFor(items: readonly Item[], r: SessionRequest): string[] {
  const has = (p: string) => items.some((i) => i.exercise.pattern === p);
  const bar = items.some((i) => i.loading === "bar");
  const out: string[] = [];
  out.push(...r.choice.gate.why.map((w) => w.text));
  const { clearance } = r.choice.athlete.health;
  if (clearance?.limits) out.push(`Cleared by ${clearance.by}: ${clearance.limits}`);
  if (bar) out.push("Brace first, neutral spine. Safety pins set, or somebody who knows the lift beside the bar.");
  if (items.some((i) => i.exercise.pattern === "hinge" && i.loading === "bar"))
    out.push("Push the floor away; no pulling with the arms, knees never locked.");
  if (items.some((i) => i.loading === "machine")) out.push("Not to failure on machines; knees stay soft.");
  if (items.some((i) => i.exercise.needs.some((n) => n.includes("step") || n.includes("box"))) && has("split-squat"))
    out.push("Steps and boxes rigid, on level ground; lower the box before the form goes.");
  if (r.choice.areas.length > 0)
    out.push(
      say(
        "choice.trouble",
        "noted",
        r.choice.areas.map((a) => AREA_WORDS[a]),
      ),
    );
  const shoes = r.choice.athlete.health.areas.some((a) => a.setOffBy?.includes("shoes"));
  if (shoes)
    out.push(
      "Shoes set trouble off before: a new stiff pair counts as a load increase, with calf raises and heel walks first.",
    );
  out.push("No lifting with fever. Range ends where control ends.");
  return out;
}
