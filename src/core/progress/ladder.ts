/** Work without load: repetitions or seconds, then sets, a harder position, load, slower lowering. */
import { amountOf, setsOnce, topLoad } from "../athlete";
import { LADDER_SETS, tempoOf, tempoText } from "../exercise";
import { numbers, why } from "../rulebook";
import { type Decision, type DecisionInput, kg } from "./decision";
import type { History } from "./history";
import { painFirst } from "./pain";

const { seconds: EXTRA_SECONDS, slowest: SLOWEST } = numbers("progress.ladder");

/** Every set at the top that was asked for, with control: no rep left out, and the reserve where it was told. */
function atTop({ item }: History, asked: number, rir: number): boolean {
  const target = item.prescribed?.rir ?? rir;
  return (
    item.sets.length > 0 &&
    setsOnce(item).length >= (item.prescribed?.sets ?? 1) &&
    item.sets.every((s) => amountOf(s) >= asked && (s.rir === undefined || s.rir >= target))
  );
}

const askedOf = (h: History, otherwise: number): number =>
  h.item.prescribed?.seconds ?? h.item.prescribed?.reps ?? otherwise;

/** At the top in the session before, too; from 65 in the two before. */
function repeatedly(input: DecisionInput, otherwise: number): boolean {
  const times = input.slower ? 2 : 1;
  const earlier = input.history.slice(1, 1 + times);
  return earlier.length === times && earlier.every((h) => atTop(h, askedOf(h, otherwise), input.rir));
}

/**
 * Rule 5, for work without load: the top of the range with control in two consecutive sessions earns repetitions, then a set, then the
 * harder position, then load, then slower lowering. Null where the top was not reached.
 */
export function onLadder(input: DecisionInput, hi: number): Decision | null {
  const [last] = input.history;
  if (!atTop(last, hi, input.rir)) return null;
  const { reps } = input;
  const asked = last.item.prescribed?.sets ?? setsOnce(last.item).length;
  const base = { loadKg: null, reps };
  const ready = `All sets at ${hi} with control`;
  if (input.cap)
    return { ...base, kind: "same", why: [why("progress.ladder", "told", `${ready}: ready for more.`), input.cap] };
  if (hi < reps)
    return {
      ...base,
      kind: "up-reps",
      reps: Math.min(reps, hi + numbers("progress.step", input.own).extra),
      why: [why("progress.ladder", "told", `${ready}: more repetitions.`)],
    };
  if (hi < (last.item.prescribed?.most ?? input.repsMost ?? reps))
    return {
      ...base,
      kind: "same",
      why: [why("progress.ladder", "told", `${ready}: the block's line goes on from there.`)],
    };
  if (!repeatedly(input, hi))
    return {
      ...base,
      kind: "same",
      why: [why("progress.ladder", "told", `${ready}: once more at the top before it gets harder.`)],
    };
  return { ...base, ...climb(input, asked, `${ready} twice running`) };
}

/** The step after the repetitions or seconds are done. */
function climb(
  input: DecisionInput,
  sets: number,
  because: string,
): Pick<Decision, "kind" | "sets" | "loadKg" | "tempo" | "why"> {
  const told = (text: string) => [why("progress.ladder", "told", `${because}: ${text}`)];
  const ladder = input.ladder?.();
  if (sets < LADDER_SETS)
    return { kind: "up-sets", loadKg: null, sets: sets + 1, why: told(`a set more, ${sets + 1}.`) };
  if (ladder?.harder) return { kind: "next-rung", loadKg: null, why: told(`next, ${ladder.harder.toLowerCase()}.`) };
  if (ladder && ladder.lightestKg !== null)
    return { kind: "up-load", loadKg: ladder.lightestKg, why: told(`with load, ${kg(ladder.lightestKg)}.`) };
  const tempo = ladder && tempoOf(ladder.tempo);
  if (tempo && tempo.down < SLOWEST)
    return {
      kind: "slower",
      loadKg: null,
      tempo: tempoText({ ...tempo, down: tempo.down + 1 }),
      why: told(`slower lowering, ${tempo.down + 1} seconds.`),
    };
  return { kind: "same", loadKg: null, why: told("nothing harder is open here; the same again.") };
}

/** Holds and timed work: five seconds at a time to the top of the range, then as on any ladder. */
export function decideHold(input: DecisionInput, dose: number): Decision {
  const [last] = input.history;
  const { reps } = input;
  const asked = askedOf(last, dose);
  const most = Math.max(input.secondsMost ?? dose, dose);
  const base = { loadKg: topLoad(last.item), reps };
  const hurt = painFirst(input, { ...base, seconds: asked });
  if (hurt) return hurt;
  const held = last.item.sets.map(amountOf);
  const least = held.length > 0 ? Math.min(...held) : asked;
  const short = held.filter((v) => v < asked).length;
  if (short >= numbers("progress.range").sets)
    return {
      ...base,
      kind: "fewer-reps",
      seconds: Math.max(EXTRA_SECONDS, least),
      why: [why("progress.range", "holds", { sets: short, asked, next: Math.max(EXTRA_SECONDS, least) })],
    };
  if (!atTop(last, asked, input.rir))
    return {
      ...base,
      kind: "same",
      seconds: asked,
      why: [why("progress.same", "held", held)],
    };
  const ready = `All holds at ${asked} s`;
  if (input.cap)
    return {
      ...base,
      kind: "same",
      seconds: asked,
      why: [why("progress.ladder", "told", `${ready}: ready for more.`), input.cap],
    };
  if (!repeatedly(input, asked))
    return {
      ...base,
      kind: "same",
      seconds: asked,
      why: [why("progress.ladder", "told", `${ready}: once more before it gets longer.`)],
    };
  if (asked < most)
    return {
      ...base,
      kind: "up-seconds",
      seconds: Math.min(most, asked + EXTRA_SECONDS),
      why: [why("progress.ladder", "told", `${ready} twice running: ${Math.min(most, asked + EXTRA_SECONDS)} s.`)],
    };
  const sets = last.item.prescribed?.sets ?? held.length;
  return { ...base, seconds: asked, ...climb(input, sets, `${ready} twice running`) };
}
