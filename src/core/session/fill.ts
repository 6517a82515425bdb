/** Fills the slots of a session with exercises and their dose, each with the reasons. */
import { columnOf } from "../approach";
import { isOn } from "../athlete";
import { type Dose, householdOf } from "../dose";
import { type Candidate, type ChoiceContext, closedBecause, EXTERNAL, type Exercise, styleFor } from "../exercise";
import { numbers, type Why, why } from "../rulebook";
import { cleanCap, passes } from "../screening";
import { candidatesFor } from "./candidates";
import { consistent, doseAt, lineWhy } from "./dosed";
import { type Among, choiceWhy, isGiven, unitWhy } from "./fillWhy";
import { sideFirst } from "./firstSide";
import { jumpItem } from "./jumps";
import { leftOut } from "./leftOut";
import { copyOf, isSameSlot, type Slot } from "./slots";
import { lightHere, slowed } from "./slow";
import type { Dropped, Filled, FilledSlot, Item, LeftOut, LoadAnswer, LoadQuestion, SessionRequest } from "./types";

/** Reserve on days where nothing heavy may stand, and repetitions of light loads (rule load.light). */
const LIGHT = numbers("load.light");
const FIXED = numbers("session.slots");

/**
 * @param before slots of another filling on the same day at the same place: for as long as they are the same, so is what stands in them
 */
export function fillSlots(slots: readonly Slot[], r: SessionRequest, before: readonly FilledSlot[] = []): Filled {
  const items: Item[] = [];
  const again = new Map<Exercise, (sets: number, reserve?: number) => Item>();
  const dropped: Dropped[] = [];
  const left: LeftOut[] = [];
  const filled: FilledSlot[] = [];
  let alike = true;
  for (const slot of slots) {
    const was = before[filled.length];
    alike &&= was !== undefined && isSameSlot(was.slot, slot);
    const now = alike && was ? was : fillSlot(slot, items, r);
    filled.push(now);
    if (now.dropped) dropped.push(now.dropped);
    if (!now.item) continue;
    left.push(...now.left.filter((o) => !left.some((l) => l.exercise === o.exercise)));
    items.push(now.item);
    if (now.again) again.set(now.item.exercise, now.again);
  }
  return { items, dropped, left, again, slots: filled };
}

/** @param standing what stands in the slots before it */
function fillSlot(slot: Slot, standing: readonly Item[], r: SessionRequest): FilledSlot {
  const chosen = standing.map((i) => i.exercise);
  const ranked = candidatesFor(slot, r.choice, chosen, r.label);
  const first = ranked[0];
  const swap = first ? r.swaps?.get(first.exercise.id) : undefined;
  const swapped = swap === undefined ? undefined : ranked.find((x) => x.exercise.id === swap);
  const best = swapped ?? first;
  if (!best) {
    // What it is for stands in the session already.
    const stands = slot.only?.some((id) => chosen.some((e) => e.id === id)) ?? false;
    return { slot, item: null, again: null, left: [], dropped: stands ? null : nothingFor(slot, r.choice) };
  }
  const left = isGiven(slot, best.exercise) ? [] : leftOut(best.exercise, r.choice);
  const among = { left, swappedFrom: swapped && first ? first.exercise : null, of: ranked.length };
  const { jump } = slot;
  const again = (sets: number, reserve = slot.reserve): Item => {
    const other = copyOf(slot);
    other.sets = sets;
    other.reserve = reserve;
    return itemFor(best, other, r, among);
  };
  return {
    slot,
    item: jump ? jumpItem(best, slot, jump) : itemFor(best, slot, r, among),
    again: jump ? null : again,
    left,
    dropped: null,
  };
}

const nothingFor = (slot: Slot, c: ChoiceContext): Dropped => ({
  exercise: slot.pattern,
  why: `no ${slot.pattern} exercise is open here: ${whyNone(slot, c)}`,
});

/** The commonest reasons why a slot has nothing to offer. */
function whyNone(slot: Slot, c: ChoiceContext): string {
  const reasons = c.library
    .pattern(slot.pattern)
    .filter((e) => !slot.only || slot.only.includes(e.id))
    .flatMap((e) => closedBecause(e, c)?.text ?? []);
  return [...new Set(reasons)].slice(0, 2).join("; ") || "nothing left for this slot";
}

const NOTHING: readonly Why[] = [];

/** Figures that go before the dose's, where a session is made by hand. */
interface ByHand {
  sets?: number;
  reps?: readonly [number, number];
  seconds?: number;
  rir?: number;
}

/** What asks for less than the dose of an exercise: a light day, a hamstring in trouble, long rowing tomorrow, a back that rounds. */
function keptBack(exercise: Exercise, external: boolean, r: SessionRequest) {
  const hinge = exercise.pattern === "hinge";
  const lightHinge = hinge ? r.choice.lightHinge : null;
  const kneeHinge = hinge && external ? r.choice.kneeHinge : null;
  const gentle = r.loading === "light" || (r.loading === "full" && (!r.heavyOk || lightHinge !== null));
  // A hamstring in trouble: 15 or more light repetitions in the first weeks.
  const spared = external && exercise.primary.includes("hamstrings") && r.choice.sparedHamstring;
  const rounded = numbers("finding.seen", r.choice.athlete.settings?.ruleValues).reserve;
  /** Repetitions in reserve of a hinge that stops at the knee. */
  const toTheKnee = kneeHinge === null ? 0 : rounded;
  return {
    lightHinge,
    kneeHinge,
    gentle,
    spared,
    rounded,
    reserve: Math.max(gentle || spared ? LIGHT.reserve : 0, toTheKnee),
  };
}

function keptBackWhy(
  { spared, kneeHinge, lightHinge, rounded }: ReturnType<typeof keptBack>,
  external: boolean,
): readonly Why[] {
  if (!spared && kneeHinge === null && lightHinge === null) return NOTHING;
  return [
    ...(spared ? [why("choice.trouble", "hamstring")] : []),
    ...(kneeHinge === null ? [] : [why("finding.seen", "toTheKnee", { reserve: rounded, until: kneeHinge })]),
    ...(lightHinge && external
      ? [why("sport.row-hinge", "light", { because: lightHinge, reserve: LIGHT.reserve })]
      : []),
  ];
}

/** Work that the athlete has never done (rule first.time). */
const isFirstTime = (e: Exercise, { loading, choice }: SessionRequest): boolean =>
  loading === "full" && choice.known !== null && !choice.known.has(e.id) && isOn(choice.athlete, "first.time");

interface Asking {
  candidate: Candidate;
  slot: Slot;
  dose: Dose;
  kept: ReturnType<typeof keptBack>;
  hand: ByHand;
}

/** What the load is asked for: the dose, less what holds it back, or the coach's own figures. */
function questionOf({ candidate, slot, dose, kept, hand }: Asking, r: SessionRequest): LoadQuestion {
  const { exercise, loading } = candidate;
  const external = EXTERNAL.includes(loading);
  const timed = exercise.unit === "seconds";
  const { gentle, spared, kneeHinge } = kept;
  const fewest = numbers("choice.trouble").hamstringReps;
  const [low, high] = hand.reps ?? (spared ? [fewest, fewest] : repRange(exercise, slot, dose, external, r));
  const repsMost = high === dose.reps ? dose.repsMost : high;
  return {
    exercise,
    loading,
    place: r.place,
    sets: slot.sets ?? dose.sets,
    repsLow: low,
    reps: high,
    seconds: timed ? (hand.seconds ?? exercise.ownSeconds ?? holdSeconds(exercise.pattern, dose)) : null,
    repsMost: timed || external ? undefined : repsMost,
    secondsMost: exercise.ownSeconds === null ? dose.secondsMost : undefined,
    rir: hand.rir ?? Math.max(dose.rir, kept.reserve, slot.reserve ?? 0),
    percent: gentle || spared || kneeHinge !== null || hand.reps || hand.rir !== undefined ? null : dose.percent,
    capPercent: r.loading === "restore" ? numbers("load.light", r.choice.athlete.settings?.ruleValues).percent : null,
  };
}

/** No more repetitions than were clean in the test of the same movement. */
const cappedAt = (most: number | undefined, q: LoadQuestion): LoadQuestion =>
  most === undefined || q.reps <= most
    ? q
    : {
        ...q,
        reps: most,
        repsLow: Math.min(q.repsLow, most),
        repsMost: q.repsMost === undefined ? undefined : Math.min(q.repsMost, most),
      };

/** A lead that is held for seconds of its own grows along its line like other leads. */
const heldLonger = ({ ownSeconds }: Exercise, slot: Slot, point: number): ByHand =>
  ownSeconds === null || slot.kind === "assist" || point === 0
    ? {}
    : { seconds: ownSeconds + numbers("progress.ladder").seconds * point };

/** An exercise with its dose, load and reasons. */
export function itemFor(c: Candidate, slot: Slot, r: SessionRequest, among: Among, hand: ByHand = {}): Item {
  const { exercise, loading } = c;
  const external = EXTERNAL.includes(loading);
  const light = lightHere(c, slot, r);
  const at = doseAt(exercise, columnOf(slot.pattern, slot.kind !== "assist"), external && light === null, r);
  const slow = slowed(at, c, slot, r, light !== null);
  const dose = slow?.dose ?? at.dose;
  const kept = keptBack(exercise, external, r);
  const held = heldLonger(exercise, slot, at.line?.point ?? 0);
  const own: ByHand = slow?.work.strength ? { reps: [dose.repsLow, dose.reps], ...hand } : { ...held, ...hand };
  const cap = hand.reps === undefined ? cleanCap(r.choice.athlete, exercise.id, r.choice.on) : null;
  const q = cappedAt(cap?.reps, questionOf({ candidate: c, slot, dose, kept, hand: own }, r));
  const timed = q.seconds !== null;
  const answer = r.loadFor(q);
  const asked = timed ? null : Math.min(answer.reps ?? q.reps, cap?.reps ?? Number.POSITIVE_INFINITY);
  const fit = consistent(asked, q.rir, dose.repsMost, answer, r);
  const { reps, rir, percent1rm } = fit;
  const counted = countSets({ exercise, slot, q, answer, sore: slow?.work.isNew === true && at.line?.point === 0 }, r);
  const { sets } = counted;
  const amount = timed ? `${answer.seconds ?? q.seconds} s` : `${reps ?? ""}`;
  const side = exercise.unilateral ? sideFirst(exercise, r.choice) : null;
  const reasons: Why[] = choiceWhy(c, slot, r, among);
  const add = (more: readonly Why[]): void => {
    for (const w of more) reasons.push(w);
  };
  if (slot.unit) add(unitWhy(slot.unit, exercise));
  if (slot.says) add(slot.says);
  add(lineWhy(at, { sets, amount, percent: percent1rm, reserve: rir }, slot.kind === "main"));
  add(answer.why);
  add(fit.why);
  add(keptBackWhy(kept, external));
  if (cap && (reps ?? 0) >= cap.reps) reasons.push(cap.why);
  if (side) reasons.push(side.why);
  if (light) reasons.push(light);
  if (slow) add(slow.why);
  add(counted.why);
  return {
    pair: "",
    exercise,
    loading,
    main: slot.kind === "main",
    added: slot.added?.title ?? null,
    slot,
    style: styleFor(
      exercise,
      loading,
      r.choice.athlete.settings,
      r.choice.areas,
      passes(r.choice.athlete, "knee-to-wall", r.choice.on) === false,
    ),
    firstSide: side?.side ?? null,
    extraSide: side?.extra ? side.side : null,
    sets: counted.taken,
    repsLow: reps === null ? null : Math.min(q.repsLow, reps),
    reps,
    repsMost: q.repsMost ?? null,
    seconds: timed ? (answer.seconds ?? q.seconds) : null,
    eachSide: exercise.unilateral,
    loadKg: answer.loadKg,
    perSideKg: answer.perSideKg,
    barKg: answer.barKg,
    household: answer.loadKg === null ? null : householdOf(loading, r.place, answer.loadKg),
    percent1rm,
    rir,
    rirAsked: q.rir,
    aim: answer.aim ?? null,
    line: at.line,
    restSeconds: dose.restSeconds,
    tempo: slow?.tempo ?? answer.tempo ?? dose.tempo ?? exercise.tempo,
    slow: slow?.work ?? null,
    ramp: answer.ramp ?? [],
    decision: answer.decision ?? null,
    note: null,
    why: reasons,
  };
}

interface Counting {
  exercise: Exercise;
  slot: Slot;
  q: LoadQuestion;
  answer: LoadAnswer;
  /** New slow lowering: half the sets, since it makes sore. */
  sore: boolean;
}

/** Sets as they are asked for, and as many of them as are taken the first time. */
function countSets({ exercise, slot, q, answer, sore }: Counting, r: SessionRequest) {
  const asked = Math.max(1, (answer.sets ?? q.sets) - (answer.setsLess ?? 0));
  const sets = Math.min(slot.most ?? Number.POSITIVE_INFINITY, asked);
  if (sets > 1 && exercise.pattern !== "mobility" && isFirstTime(exercise, r)) {
    const taken = Math.ceil(sets * numbers("first.time").share);
    return { sets, taken, why: [why("first.time", "half", { sets: taken, of: sets })] };
  }
  if (sets > 1 && sore) {
    const taken = Math.ceil(sets * numbers("grow.unloaded").share);
    return { sets, taken, why: [why("grow.unloaded", "first", { sets: taken, of: sets })] };
  }
  return { sets, taken: sets, why: [] };
}

/** Own repetitions go before the slot's; bodyweight work in a strength slot of few reps goes by the control dose instead. */
function repRange(e: Exercise, slot: Slot, dose: Dose, external: boolean, r: SessionRequest): [number, number] {
  if (slot.reps) return [slot.reps, slot.reps];
  if (r.loading === "restore" && external) return [LIGHT.repsLow, LIGHT.reps];
  if (e.ownReps && slot.kind !== "main") {
    const most = r.emphasis === "restore" ? Math.max(dose.reps, LIGHT.leastReps) : e.ownReps[1];
    return [Math.min(e.ownReps[0], most), Math.min(e.ownReps[1], Math.max(most, e.ownReps[0]))];
  }
  return !external && dose.reps < FIXED.bodyweightLow
    ? [FIXED.bodyweightLow, FIXED.bodyweightHigh]
    : [dose.repsLow, dose.reps];
}

const holdSeconds = (pattern: string, dose: Dose): number =>
  pattern === "mobility" ? FIXED.mobilitySeconds : pattern === "jump" ? FIXED.hopSeconds : dose.seconds;
