/** Why an exercise stands in its slot: what the ledger, the screening, trouble, the coach or the ranking say. */
import { AREA_WORDS } from "../athlete";
import { type Candidate, closedBecause, type Exercise, inThisBlock } from "../exercise";
import { kindOf, type Unit } from "../ledger";
import { numbers, say, type Why, why } from "../rulebook";
import type { Finding } from "../screening";
import type { Slot } from "./slots";
import type { LeftOut, SessionRequest } from "./types";

/** What a choice was made among. */
export interface Among {
  left: readonly LeftOut[];
  swappedFrom: Exercise | null;
  /** Exercises that were open. */
  of: number;
}

/** What the week's ledger says of an exercise it gives, or of the one that stands in where none of the kind is open. */
export function unitWhy({ pattern, kind, owed, weekly, dueFor }: Unit, taken: Exercise): Why[] {
  const due =
    kind === null || dueFor === null
      ? []
      : [why("ledger.owed", kindOf(taken) === kind ? "due" : "noneOpen", { kind, weeks: dueFor })];
  return [why("ledger.owed", "here", { pattern, owed, weekly }), ...due];
}

/** A sister lift says whose place it takes. */
function unmovedWhy(taken: Exercise, { choice, label }: SessionRequest): Why[] {
  if (choice.unmoved.size === 0 || choice.unmoved.has(taken.id) || choice.unloaded || taken.pattern === "hip")
    return [];
  const still = choice.library
    .pattern(taken.pattern)
    .find((e) => choice.unmoved.has(e.id) && closedBecause(e, choice) === null);
  if (!still || inThisBlock(choice, label, taken)) return [];
  const { exposures } = numbers("choice.unmoved");
  return [why("choice.unmoved", "instead", { name: still.name.toLowerCase(), exposures })];
}

/** Who asked for work: a rule in its own words, a way back, the screening. */
function addedText({ rule, says, title }: Finding): string {
  if (rule === "descent.prep" || rule === "progress.felt") return says;
  return rule === "pathway.stage" ? say("pathway.stage", "work", title) : say("finding.seen", "added", title);
}

/** Part of a list that says itself why: nothing was ranked for its place. */
export const isGiven = ({ only, says }: Slot, taken: Exercise): boolean =>
  says !== undefined && only?.includes(taken.id) === true;

/** What moved it up most, the first of equals; null where nothing did. */
const mostOf = (parts: Candidate["parts"]): Candidate["parts"][number] | null =>
  parts.reduce<Candidate["parts"][number] | null>((best, p) => (p.points > (best?.points ?? 0) ? p : best), null);

export function choiceWhy(c: Candidate, slot: Slot, r: SessionRequest, { left, swappedFrom, of }: Among): Why[] {
  const { exercise } = c;
  const out: Why[] = [];
  if (swappedFrom) out.push(why("choice.coach", "instead", swappedFrom.name.toLowerCase()));
  if (slot.added) out.push({ rule: slot.added.rule, text: addedText(slot.added) });
  if (slot.essential) out.push(why("choice.five", "one", slot.essential.toLowerCase()));
  for (const l of left) out.push(why("choice.swap", "instead", { name: l.name.toLowerCase(), because: l.why }));
  const back = r.choice.past.find((a) => exercise.notWith.includes(a));
  if (back && (r.choice.recent.get(exercise.id) ?? 0) < numbers("choice.back").sessions) {
    const steps = exercise.ladder ? r.choice.library.ladder(exercise.ladder.id) : [];
    const at = steps.indexOf(exercise) + 1;
    out.push(
      why("choice.back", "back", {
        area: AREA_WORDS[back],
        name: exercise.name.toLowerCase(),
        step: at,
        of: steps.length,
      }),
    );
  }
  if (slot.kind !== "assist") out.push(...unmovedWhy(exercise, r));
  const given = isGiven(slot, exercise);
  const best = given || out.length > 0 ? null : mostOf(c.parts);
  if (best) {
    const { rule, text } = best.why();
    out.push({ rule, text: `${text.charAt(0).toUpperCase()}${text.slice(1)}.` });
  }
  if (out.length === 0 && !given)
    out.push(
      of === 1
        ? why("choice.rank", "only", exercise.pattern)
        : why("choice.rank", slot.kind === "assist" ? "assist" : "first", { of, pattern: exercise.pattern }),
    );
  const care = exercise.careWith.find((a) => r.choice.areas.includes(a));
  if (care)
    out.push(
      why("choice.trouble", "care", {
        area: AREA_WORDS[care],
        how:
          care === "knee-front"
            ? "upright shin, shorter range, introduced slowly"
            : "pain-free range, introduced slowly",
      }),
    );
  return out;
}
