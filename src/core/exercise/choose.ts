/** What exercises are chosen by, and which of them the athlete may do here now, with the reasons of those that are closed. */
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
import { type AreaStage, isBefore, isOfArea, openingOf } from "../pathway";
import { say, type Why } from "../rulebook";
import { type Finding, latestScreening, passes, TO_THE_KNEE, testName } from "../screening";
import { bareLoadingAt, loadingAt } from "./equipment";
import type { Library } from "./library";
import type { Progression } from "./progression";
import type { SideGap } from "./sides";
import { EXTERNAL, type Exercise, type LoadKind, type Pattern } from "./types";

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

/** What moves an exercise up or down; its sentence is made when somebody asks, since few of those ranked are ever read. */
export interface Part {
  points: number;
  why: () => Why;
}

/** Kind of slot a ranking is made for: lifts of a block stay, assistance changes from block to block. */
export type SlotKind = "main" | "single" | "assist";

export interface Candidate {
  exercise: Exercise;
  loading: LoadKind;
  score: number;
  /** What moved it from its place in the library. */
  parts: Part[];
}

/** What moves an exercise whatever the kind of slot and the label; what those say of it stands between the two parts. */
export interface Usual {
  before: readonly Part[];
  after: readonly Part[];
  /** It is taken up again after trouble that is over. */
  back: Part | null;
  /** It asks for care. */
  care: boolean;
}

/** Ids of exercises by the label of their session: what A does in a block is no reason for B to do it too. */
export type ByLabel = ReadonlyMap<Label, ReadonlySet<string>>;

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
export interface OpenAnywhere {
  exercises: readonly Exercise[];
  loaded: Usual[];
  bare: Usual[];
  parts: Found[];
}

/** What a ranking is made for. */
export interface For {
  kind: SlotKind;
  label: Label;
}

/** What moves exercises up or down in a ranking, by whether they are loaded. */
export interface Found extends For {
  loaded: Part[][];
  bare: Part[][];
}

/** Exercises of a pattern that are open at a place. */
export interface OpenHere {
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
export function closedWherever(e: Exercise, c: ChoiceContext): Closed | null {
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
