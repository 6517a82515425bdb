/** Which exercise takes a slot: everything the athlete may do here now, ranked, with the reasons of those that were left out. */
import {
  AREA_WORDS,
  type Area,
  type Athlete,
  type Gate,
  type Label,
  type Place,
  placeName,
  TRAINING_LEVEL,
} from "../athlete";
import type { IsoDate } from "../dates";
import { flatMap } from "../lists";
import { type AreaStage, isBefore, isOfArea, openingOf } from "../pathway";
import { numbers, say, type Why, why } from "../rulebook";
import { type Finding, latestScreening, passes, TO_THE_KNEE, testName } from "../screening";
import { bareLoadingAt, loadingAt } from "./equipment";
import type { Library } from "./library";
import type { Progression } from "./progression";
import type { SideGap } from "./sides";
import { EXTERNAL, type Exercise, type LoadKind, type Pattern, STRONG } from "./types";

export interface ChoiceContext {
  athlete: Athlete;
  library: Library;
  place: Place;
  on: IsoDate;
  gate: Gate;
  areas: readonly Area[];
  /** Areas whose trouble is over. */
  past: readonly Area[];
  /** At which stage of its way back each of them is. */
  stages: readonly AreaStage[];
  /** Areas that hurt too much today for anything that touches them. */
  out: readonly Area[];
  findings: readonly Finding[];
  progressions: ReadonlyMap<string, Progression>;
  /** Nothing in the hands and no bar. */
  unloaded: boolean;
  /** The day asks for strength: lifts that can be loaded go first. */
  forStrength: boolean;
  /** The approach climbs the ladder before it adds load. */
  laddersFirst: boolean;
  /** Exercises whose sides differ in the log, by id. */
  sides: ReadonlyMap<string, SideGap>;
  /** Exercises stopped for pain, by id, with the reason. */
  stopped: ReadonlyMap<string, string>;
  /** Exercises in the log of the last eight weeks, by id, with how often. */
  recent: ReadonlyMap<string, number>;
  /** Lifts whose last loading exposures brought nothing. */
  unmoved: ReadonlySet<string>;
  /** Ever lifted or planned before; null where nothing is, and so everything is new. */
  known: ReadonlySet<string> | null;
  /** This block of four weeks so far, by label; exercises of the one before it, and of the one before that. */
  block: { now: ByLabel; before: ReadonlySet<string>; earlier: ReadonlySet<string> };
  /** Nothing new today, with the reason; null where new work may come. */
  nothingNew: string | null;
  /** Hamstring work stays light, with many repetitions. */
  sparedHamstring: boolean;
  /** Why the hinge stays light today; null where it may be heavy. */
  lightHinge: string | null;
  /** Until when hinges stop at the knee, since the back rounds; null where they go all the way. */
  kneeHinge: string | null;
  /** No slow-lowering work for the first time today, with the reason. */
  nothingSlow: string | null;
  /** Why slow lowering stays out altogether today; null where it may come. */
  slowOut: string | null;
  /** What is open in this very context, with the rankings that were made of it. */
  memo: Map<Pattern, OpenHere>;
  /** What was found of exercises on this day, whatever the place and the load there. */
  anywhere: Anywhere;
}

/** What holds of an exercise wherever the day is spent. */
export interface Anywhere {
  closed: Map<Exercise, Closed | null>;
  /** What a stage keeps without load. */
  bare: Map<Exercise, boolean>;
  /** What nothing but the place may close. */
  open: Map<Pattern, OpenAnywhere>;
}

export const nothingFound = (): Anywhere => ({ closed: new Map(), bare: new Map(), open: new Map() });

/** Exercises of a pattern that nothing but the place may close; what is found of each of them stands at its place in their list. */
interface OpenAnywhere {
  exercises: readonly Exercise[];
  loaded: Usual[];
  bare: Usual[];
  parts: Found[];
}

/** What a ranking is made for. */
interface For {
  kind: SlotKind;
  label: Label;
}

/** What moves exercises up or down in a ranking, by whether they are loaded. */
interface Found extends For {
  loaded: Part[][];
  bare: Part[][];
}

/** Exercises of a pattern that are open at a place. */
interface OpenHere {
  /** Its place among what is open anywhere. */
  open: readonly { exercise: Exercise; loading: LoadKind; at: number }[];
  rankings: (For & { list: Candidate[] })[];
}

export const CLOSED_KINDS = ["pain", "clearance", "trouble", "gate", "ladder", "equipment"] as const;
export interface Closed {
  kind: (typeof CLOSED_KINDS)[number];
  text: string;
}

function closedByScreen(e: Exercise, c: ChoiceContext): Closed | null {
  if (c.kneeHinge !== null && e.pattern === "hinge" && !TO_THE_KNEE.has(e.id))
    return { kind: "gate", text: `the back rounds: hinges stop at the knee ${c.kneeHinge}` };
  const gate = e.gates.find((t) => passes(c.athlete, t, c.on) === false);
  if (gate) return { kind: "gate", text: `closed until the ${testName(gate).toLowerCase()} test is passed` };
  const must = e.mustPass.find((t) => passes(c.athlete, t, c.on) !== true);
  if (must)
    return {
      kind: "gate",
      text: latestScreening(c.athlete, must, c.on)
        ? `closed until the ${testName(must).toLowerCase()} test is passed`
        : `opens once the ${testName(must).toLowerCase()} test is done and passed`,
    };
  const after = ownLanding(e, c) ? undefined : e.after.find((id) => !(c.known?.has(id) ?? false));
  return after ? { kind: "ladder", text: `comes after ${c.library.name(after).toLowerCase()}` } : null;
}

/** Hikers step off and stick without the hops that others begin with (rule jumps.gate). */
const ownLanding = (e: Exercise, { athlete }: ChoiceContext): boolean =>
  e.pattern === "jump" && athlete.athlete.sport === "hike";

function closedByLadder(e: Exercise, c: ChoiceContext): Closed | null {
  const level = TRAINING_LEVEL[c.gate.training];
  const s = e.ladder && !ownLanding(e, c) ? c.progressions.get(e.ladder.id) : undefined;
  if (!s) {
    if (e.level <= level) return null;
    return { kind: "ladder", text: e.level === 2 ? "for lifters past three months" : "for lifters past a year" };
  }
  const step = s.steps.indexOf(e);
  if (step <= s.open) return null;
  const before = s.steps[step - 1];
  return { kind: "ladder", text: `comes after ${(before?.name ?? "an easier step").toLowerCase()} in its progression` };
}

/** How an exercise is done on this day here; null where it cannot be. */
export function loadingToday(e: Exercise, c: ChoiceContext): LoadKind | null {
  if (c.unloaded) return bareLoadingAt(e, c.place);
  const loading = loadingAt(e, c.place);
  return loading !== null && EXTERNAL.includes(loading) && isKeptBare(e, c) ? bareLoadingAt(e, c.place) : loading;
}

/** A stage of some area's way back allows it without load alone. */
function isKeptBare(e: Exercise, { stages, anywhere }: ChoiceContext): boolean {
  if (stages.length === 0) return false;
  const known = anywhere.bare.get(e);
  if (known !== undefined) return known;
  const bare = stages.some((s) => isBefore(s.stage, openingOf(e, s.area).loaded));
  anywhere.bare.set(e, bare);
  return bare;
}

const stageWords = (s: AreaStage) => ({ area: AREA_WORDS[s.area], stage: s.stage });

/** @returns why the exercise is closed to this athlete here today, or null when it is open */
export function closedBecause(e: Exercise, c: ChoiceContext): Closed | null {
  const closed = closedWherever(e, c);
  if (closed || loadingToday(e, c) !== null) return closed;
  const kept = c.unloaded ? undefined : c.stages.find((s) => isBefore(s.stage, openingOf(e, s.area).loaded));
  if (kept && loadingAt(e, c.place) !== null)
    return { kind: "trouble", text: `needs load: ${say("pathway.stage", "bare", stageWords(kept))}` };
  return {
    kind: "equipment",
    text:
      c.unloaded && loadingAt(e, c.place) !== null
        ? "needs load, and today is unloaded"
        : `no equipment for it at ${placeName(c.place.id)}`,
  };
}

/** The same at every place of the day. */
function closedWherever(e: Exercise, c: ChoiceContext): Closed | null {
  const known = c.anywhere.closed.get(e);
  if (known !== undefined) return known;
  const closed = closedAnywhere(e, c);
  c.anywhere.closed.set(e, closed);
  return closed;
}

/** Why it is closed to this athlete today at any place. */
function closedAnywhere(e: Exercise, c: ChoiceContext): Closed | null {
  const stopped = c.stopped.get(e.id);
  if (stopped) return { kind: "pain", text: stopped };
  if (c.gate.rules.includes("no-supine") && e.position === "supine" && e.pattern !== "mobility")
    return { kind: "clearance", text: "cleared without long work on the back" };
  if (c.gate.rules.includes("no-impact") && e.pattern === "jump")
    return { kind: "clearance", text: "cleared without impact" };
  const hurts = c.out.find((a) => isOfArea(a, e.id) || e.notWith.includes(a) || e.careWith.includes(a));
  if (hurts) return { kind: "pain", text: say("readiness.day", "touched", AREA_WORDS[hurts]) };
  for (const s of c.stages) {
    const { bare } = openingOf(e, s.area);
    if (isBefore(s.stage, bare))
      return { kind: "trouble", text: say("pathway.stage", "closed", { ...stageWords(s), opens: bare }) };
  }
  if (e.slow && c.slowOut) return { kind: "gate", text: c.slowOut };
  return closedByScreen(e, c) ?? closedByLadder(e, c);
}

/** What moves an exercise up or down, in points (rule choice.points). */
export const POINTS = numbers("choice.points").points;

/** What moves an exercise up or down; its sentence is made when somebody asks, since few of those ranked are ever read. */
export interface Part {
  points: number;
  why: () => Why;
}

/** Ids of exercises by the label of their session: what A does in a block is no reason for B to do it too. */
export type ByLabel = ReadonlyMap<Label, ReadonlySet<string>>;
export const inThisBlock = ({ block }: Pick<ChoiceContext, "block">, label: Label, e: Exercise): boolean =>
  block.now.get(label)?.has(e.id) ?? false;

/** Kind of slot a ranking is made for: lifts of a block stay, assistance changes from block to block. */
export type SlotKind = "main" | "single" | "assist";

export interface Candidate {
  exercise: Exercise;
  loading: LoadKind;
  score: number;
  /** What moved it from its place in the library. */
  parts: Part[];
}

const isLoad = (loading: LoadKind): boolean => loading !== "bodyweight" && loading !== "band";

/** What moves an exercise whatever the kind of slot and the label, in the order in which it is told: what is said of slots stands after the first part. */
interface Usual {
  before: readonly Part[];
  after: readonly Part[];
  /** It is taken up again after trouble that is over. */
  back: Part | null;
  /** It asks for care. */
  care: boolean;
}

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
