/** Open exercises in the order in which they would be taken, with what moves each up or down (rule choice.points). */
import { AREA_WORDS, type Label } from "../athlete";
import { flatMap } from "../lists";
import { numbers, say, why } from "../rulebook";
import {
  type Candidate,
  type ChoiceContext,
  closedWherever,
  type For,
  type Found,
  loadingToday,
  type OpenAnywhere,
  type OpenHere,
  type Part,
  type SlotKind,
  type Usual,
} from "./choose";
import type { Progression } from "./progression";
import { type Exercise, type LoadKind, type Pattern, STRONG } from "./types";

/** What moves an exercise up or down, in points. */
export const POINTS = numbers("choice.points").points;

const isLoad = (loading: LoadKind): boolean => loading !== "bodyweight" && loading !== "band";

export const inThisBlock = ({ block }: Pick<ChoiceContext, "block">, label: Label, e: Exercise): boolean =>
  block.now.get(label)?.has(e.id) ?? false;

function usualOf(e: Exercise, loads: boolean, c: ChoiceContext): Usual {
  const before: Part[] = [];
  const { sport } = c.athlete.athlete;
  const matters = e.sports[sport];
  if (matters) before.push({ points: matters, why: () => why("choice.sport", "matters", sport) });
  const found = c.findings.find((f) => f.prefers.includes(e.id));
  if (found)
    before.push({
      points: POINTS.finding,
      why: () => ({ rule: found.rule, text: say("finding.test", "asks", found.title) }),
    });
  const good = e.goodWith.find((a) => c.areas.includes(a));
  if (good) before.push({ points: POINTS.good, why: () => why("choice.trouble", "suits", AREA_WORDS[good]) });
  const care = e.careWith.find((a) => c.areas.includes(a));
  if (care) before.push({ points: POINTS.care, why: () => why("choice.trouble", "with", AREA_WORDS[care]) });
  const s = e.ladder ? c.progressions.get(e.ladder.id) : undefined;
  const here = s?.steps[s.at] === e;
  if (here && s?.earned) before.push({ points: POINTS.earned, why: () => why("choice.step", "earned") });
  else if (here && s?.back) before.push({ points: POINTS.earned, why: () => why("choice.step", "back") });
  if (here && !s?.earned && c.athlete.rungs?.some((r) => r.exercise === e.id))
    before.push({ points: POINTS.step, why: () => why("choice.step", "current") });
  return { before, back: backTo(e, s, c), care: care !== undefined, after: afterSlots(e, loads, s, c) };
}

/** Somebody who has not been on this ladder comes back to it at its lowest step. */
function backTo(e: Exercise, s: Progression | undefined, c: ChoiceContext): Part | null {
  const over = c.known?.has(e.id) ? undefined : c.past.find((a) => e.notWith.includes(a));
  const backAt = s?.by === "level" ? s.steps[0] : s?.steps[s.at];
  return over && backAt === e ? { points: POINTS.back, why: () => why("choice.back", "open", AREA_WORDS[over]) } : null;
}

function afterSlots(e: Exercise, loads: boolean, s: Progression | undefined, c: ChoiceContext): Part[] {
  const after: Part[] = [];
  const harder = s && s.steps[s.at] !== e ? harderKnown(e, s, c) : undefined;
  if (harder) after.push({ points: POINTS.below, why: () => why("choice.step", "below", harder.name.toLowerCase()) });
  const { nothingNew, nothingSlow } = c;
  const isNew = c.known !== null && !c.known.has(e.id) && e.pattern !== "mobility";
  if (isNew && nothingNew) after.push({ points: POINTS.notNow, why: () => ({ rule: "first.time", text: nothingNew }) });
  else if (isNew && e.slow && nothingSlow)
    after.push({ points: POINTS.notNow, why: () => ({ rule: "first.time", text: nothingSlow }) });
  if (c.athlete.settings?.quietExercises && e.conspicuous)
    after.push({ points: POINTS.quiet, why: () => why("choice.quiet", "looks") });
  if (c.laddersFirst && !loads) after.push({ points: POINTS.ladderFirst, why: () => why("choice.ladder", "climbs") });
  if (c.gate.training === "new" && e.loading === "bar")
    after.push({ points: POINTS.newToBar, why: () => why("choice.simple", "bar") });
  return after;
}

/** A step above it that is open and was done before. */
function harderKnown(e: Exercise, s: Progression, c: ChoiceContext): Exercise | undefined {
  for (let at = s.steps.indexOf(e) + 1; at <= s.open; at++) {
    const step = s.steps[at];
    if (step && c.known?.has(step.id)) return step;
  }
  return undefined;
}

/** The same with what its slot and its label say of it. */
function partsOf(e: Exercise, loads: boolean, c: ChoiceContext, { kind, label }: For, usual: Usual): Part[] {
  const parts: Part[] = [...usual.before];
  const times = Math.min(POINTS.recentMost, c.recent.get(e.id) ?? 0);
  // Lifts stay; what is done without load changes from block to block, as assistance does.
  const stays = kind === "main" || (kind === "single" && loads);
  if (kind === "single" && c.forStrength && loads && !usual.care && e.primary.some((m) => STRONG.includes(m)))
    parts.push({ points: POINTS.load, why: () => why("choice.load", "loads") });
  if (kind !== "assist" && c.forStrength && e.unit === "seconds")
    parts.push({ points: POINTS.held, why: () => why("choice.load", "held") });
  if (stays && times > 0) parts.push({ points: times * POINTS.recent, why: () => why("choice.block", "recent") });
  const goesOn = inThisBlock(c, label, e);
  const changes = !stays && !c.nothingNew;
  if (goesOn) parts.push({ points: POINTS.thisBlock, why: () => why("choice.block", "thisBlock") });
  else if (changes && c.block.before.has(e.id))
    parts.push({ points: POINTS.lastBlock, why: () => why("choice.block", "lastBlock") });
  else if (changes && c.block.earlier.has(e.id))
    parts.push({ points: POINTS.earlierBlock, why: () => why("choice.block", "earlierBlock") });
  if (usual.back) parts.push(usual.back);
  // What stands beside another of its pattern at the hip is other work, no sister of it.
  if (stays && !goesOn && e.pattern !== "hip" && c.unmoved.has(e.id))
    parts.push({
      points: POINTS.unmoved,
      why: () => why("choice.unmoved", "still", numbers("choice.unmoved").exposures),
    });
  for (const p of usual.after) parts.push(p);
  return parts;
}

/** What is found of a kind of slot and a label is the same at every place. */
function foundFor({ parts }: OpenAnywhere, { kind, label }: For): Found {
  const before = parts.find((f) => f.kind === kind && f.label === label);
  if (before) return before;
  const made: Found = { kind, label, loaded: [], bare: [] };
  parts.push(made);
  return made;
}

function openAnywhere(pattern: Pattern, c: ChoiceContext): OpenAnywhere {
  const before = c.anywhere.open.get(pattern);
  if (before) return before;
  const exercises = c.library.pattern(pattern).filter((e) => closedWherever(e, c) === null);
  const made: OpenAnywhere = { exercises, loaded: [], bare: [], parts: [] };
  c.anywhere.open.set(pattern, made);
  return made;
}

function openHere(pattern: Pattern, c: ChoiceContext): OpenHere {
  const before = c.memo.get(pattern);
  if (before) return before;
  const open = flatMap(openAnywhere(pattern, c).exercises, (exercise, at) => {
    const loading = loadingToday(exercise, c);
    return loading === null ? [] : [{ exercise, loading, at }];
  });
  const made: OpenHere = { open, rankings: [] };
  c.memo.set(pattern, made);
  return made;
}

/** Open exercises of a pattern before anything else of the session stands, best first; equal scores fall in the order of their ids. */
export function rankFor(pattern: Pattern, c: ChoiceContext, kind: SlotKind, label: Label = "A"): Candidate[] {
  const { open, rankings } = openHere(pattern, c);
  const known = rankings.find((r) => r.kind === kind && r.label === label);
  if (known) return known.list;
  const anywhere = openAnywhere(pattern, c);
  const found = foundFor(anywhere, { kind, label });
  const list: Candidate[] = [];
  for (const { exercise, loading, at } of open) {
    if (kind === "main" && !exercise.main && !c.unloaded) continue;
    const as = isLoad(loading) ? "loaded" : "bare";
    let parts = found[as][at];
    if (!parts) {
      const usual = anywhere[as][at] ?? usualOf(exercise, as === "loaded", c);
      anywhere[as][at] = usual;
      parts = partsOf(exercise, as === "loaded", c, found, usual);
      found[as][at] = parts;
    }
    let score = exercise.rank;
    for (const p of parts) score += p.points;
    list.push({ exercise, loading, score, parts });
  }
  rankings.push({ kind, label, list: list.sort(byScore) });
  return list;
}

const byScore = (a: Candidate, b: Candidate): number => b.score - a.score || (a.exercise.id < b.exercise.id ? -1 : 1);

/** Marks down what shares a primary muscle with work that already stands, since partners must not compete. */
export function besides(list: readonly Candidate[], chosen: readonly Exercise[]): readonly Candidate[] {
  if (!list.some((c) => chosen.some((s) => sharesMuscle(s, c.exercise)))) return list;
  return list
    .map((c): Candidate => {
      const { exercise, loading, score, parts } = c;
      if (!chosen.some((s) => sharesMuscle(s, exercise))) return c;
      return { exercise, loading, score: score + POINTS.sameMuscle, parts: [...parts, sharing(exercise, chosen)] };
    })
    .sort(byScore);
}

const sharesMuscle = (a: Exercise, b: Exercise): boolean => a.primary.some((m) => b.primary.includes(m));

const sharing = (e: Exercise, chosen: readonly Exercise[]): Part => ({
  points: POINTS.sameMuscle,
  why: () => {
    const other = chosen.find((s) => sharesMuscle(s, e));
    return why("pair.rest", "sameMuscles", other?.name.toLowerCase() ?? "");
  },
});
