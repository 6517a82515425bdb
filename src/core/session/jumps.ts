/** The jumps and swings of a session as slots and items: first of all, alone, on fresh legs (rules jumps.amount, jumps.swings). */
import { type Candidate, type ChoiceContext, closedBecause, type Exercise, rankFor } from "../exercise";
import { contactSets, type JumpAsk, landings, SWING } from "../jumps";
import { numbers, type Why, why } from "../rulebook";
import type { JumpWork, Slot } from "./slots";
import type { Item, SessionRequest } from "./types";

const AMOUNT = numbers("jumps.amount");
const HOPS = "ankle-hops";

const jumpSlot = (exercise: string, jump: JumpWork): Slot => ({
  pattern: "jump",
  kind: "assist",
  only: [exercise],
  sets: jump.sets,
  alone: true,
  jump,
});

const isOpen = (id: string, c: ChoiceContext): boolean => {
  const e = c.library.byId(id);
  return e !== undefined && closedBecause(e, c) === null;
};

/** Jumps that are open here beside hops, the easier first. */
function openJumps(c: ChoiceContext, only: readonly string[] | null): Exercise[] {
  const order = (e: Exercise) => (e.ladder ? c.library.ladder(e.ladder.id).indexOf(e) : 0);
  return rankFor("jump", c, "assist")
    .map((x) => x.exercise)
    .filter((e) => e.unit === "reps" && (only === null || only.includes(e.id)))
    .slice(0, AMOUNT.exercises)
    .sort((a, b) => order(a) - order(b));
}

/** Whether any of the jumps or swings that were asked for stands there. */
export const holdsAsked = (items: readonly Pick<Item, "slot">[]): boolean => items.some((i) => i.slot.alone === true);

/** Why none of what is asked for stands here: the first exercise of it is closed. */
export function whyNoJumps(ask: JumpAsk, c: ChoiceContext): string {
  const id = ask.kind === "swings" ? SWING : ask.kind === "jumps" && ask.only ? ask.only[0] : HOPS;
  const e = c.library.byId(id ?? HOPS);
  return (e && closedBecause(e, c)?.text) ?? "no exercise of it is open here";
}

/** @param minutes of a short session, whose time belongs to what is owed; null for a whole one */
function swingSlot(ask: Extract<JumpAsk, { kind: "swings" }>, minutes: number | null): Slot {
  const sets = minutes === null ? ask.sets : numbers("jumps.swings").short;
  const says = minutes === null ? ask.why : [...ask.why, why("jumps.swings", "inShort", { sets, minutes })];
  return { pattern: "hinge", kind: "assist", only: [SWING], sets, alone: true, says };
}

/** What the day asks for, as slots; none where nothing of it is open here. */
export function jumpSlots(ask: JumpAsk, short: boolean, { choice: c, minutes }: SessionRequest): Slot[] {
  if (ask.kind === "swings") return isOpen(SWING, c) ? [swingSlot(ask, short ? minutes : null)] : [];
  const hops = (sets: number, seconds: number, says: readonly Why[]): Slot[] =>
    isOpen(HOPS, c) ? [jumpSlot(HOPS, { sets, seconds, reps: null, rest: AMOUNT.hopRest, says })] : [];
  if (ask.kind === "hops") return hops(ask.sets, ask.seconds, ask.why);
  const open = short ? [] : openJumps(c, ask.only);
  if (open.length === 0 && ask.only !== null) return [];
  if (open.length === 0)
    return hops(ask.hops.sets, ask.hops.seconds, [
      short ? why("jumps.amount", "short", minutes) : why("jumps.amount", "noExercise"),
    ]);
  return dealt(ask, open);
}

/** The contacts shared out over the open exercises, set by set. */
function dealt({ contacts, why: says }: Extract<JumpAsk, { kind: "jumps" }>, open: readonly Exercise[]): Slot[] {
  const { sets, reps } = contactSets(contacts);
  const used = open.slice(0, Math.max(1, Math.min(open.length, Math.floor(sets / 2))));
  return used.map((e, i) => {
    const share = Math.floor(sets / used.length) + (i < sets % used.length ? 1 : 0);
    return jumpSlot(e.id, {
      sets: Math.max(1, Math.floor(share / landings(e.id))),
      reps,
      seconds: null,
      rest: AMOUNT.jumpRest,
      says,
    });
  });
}

/** A jump is what the week's plan of jumps says: no load, no line, far from tired. */
export function jumpItem({ exercise, loading }: Candidate, slot: Slot, jump: JumpWork): Item {
  const { shownUpTo } = numbers("load.triple");
  const far = shownUpTo + 1;
  return {
    pair: "",
    exercise,
    loading,
    main: false,
    added: null,
    slot,
    style: null,
    firstSide: null,
    extraSide: null,
    sets: jump.sets,
    repsLow: jump.reps,
    reps: jump.reps,
    repsMost: null,
    seconds: jump.seconds,
    eachSide: exercise.unilateral,
    loadKg: null,
    perSideKg: [],
    barKg: null,
    household: null,
    percent1rm: null,
    rir: far,
    rirAsked: far,
    aim: null,
    line: null,
    restSeconds: jump.rest,
    tempo: exercise.tempo,
    slow: null,
    ramp: [],
    decision: null,
    note: null,
    why: [...jump.says],
  };
}
