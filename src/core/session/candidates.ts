/** Which exercises a slot may take, in the order in which they would be taken. */
import type { Label } from "../athlete";
import { besides, type Candidate, type ChoiceContext, type Exercise, type Pattern, rankFor } from "../exercise";
import { kindOf, type Unit } from "../ledger";
import type { Slot } from "./slots";

/** The open exercises of a slot beside what stands already, in the order they would be taken. */
export function candidatesFor(
  slot: Slot,
  c: ChoiceContext,
  chosen: readonly Exercise[],
  label: Label,
): readonly Candidate[] {
  const fresh = (list: readonly Candidate[]) => list.filter((x) => !chosen.includes(x.exercise));
  const { pattern, kind, only, unit, prefer = [] } = slot;
  let ranked: readonly Candidate[] = fresh(rankFor(pattern, c, kind, label));
  if (kind === "main" && ranked.length === 0) ranked = fresh(rankFor(pattern, c, "single", label));
  if (only) {
    const open = ranked.filter((x) => only.includes(x.exercise.id));
    if (open.length > 0 || !slot.orElse) return preferred(open, prefer);
  }
  if (kind === "assist") ranked = besides(ranked, chosen);
  if (unit) ranked = forLedger(unit, ranked, c);
  return preferred(ranked, prefer);
}

/** Those that are asked for by name go first, in the order in which they are. */
function preferred(list: readonly Candidate[], ids: readonly string[]): readonly Candidate[] {
  const named = ids.flatMap((id) => list.filter((x) => x.exercise.id === id));
  return named.length === 0 ? list : [...named, ...list.filter((x) => !named.includes(x))];
}

/** Those that pass go first, each part in its order. */
function first<T>(list: readonly T[], test: (x: T) => boolean): readonly T[] {
  const passed: T[] = [];
  const others: T[] = [];
  for (const x of list) (test(x) ? passed : others).push(x);
  return passed.length === 0 || others.length === 0 ? list : passed.concat(others);
}

/** Lifts that stand beside a lead of their pattern in the same week. */
const SISTERS: Readonly<Partial<Record<Pattern, readonly string[]>>> = {
  squat: ["leg-press", "safety-bar-squat", "front-squat", "goblet-squat", "box-squat"],
  hinge: [
    "romanian-deadlift",
    "stiff-leg-deadlift",
    "dumbbell-romanian-deadlift",
    "rdl-to-knee",
    "supported-back-extension",
  ],
};

/** Who leads with a pattern, and as what. */
const LED: Readonly<Partial<Record<Pattern, { kind: "main" | "single"; label: Label }>>> = {
  squat: { kind: "main", label: "A" },
  hinge: { kind: "main", label: "A" },
  "split-squat": { kind: "single", label: "B" },
  hip: { kind: "single", label: "B" },
};

/** The kind of work that was missed longest goes first; a second place of a pattern takes another exercise than the week's lead, of squat and hinge a sister lift. */
function forLedger(unit: Unit, ranked: readonly Candidate[], c: ChoiceContext): readonly Candidate[] {
  const { pattern, kind } = unit;
  const led = LED[pattern];
  const lead = led ? rankFor(pattern, c, led.kind, led.label)[0]?.exercise : undefined;
  const sisters = SISTERS[pattern];
  let out = lead ? first(ranked, (x) => x.exercise !== lead) : ranked;
  if (sisters) out = first(out, (x) => x.exercise !== lead && sisters.includes(x.exercise.id));
  return kind === null ? out : first(out, (x) => kindOf(x.exercise) === kind);
}
