/** What a session is made of, before exercises are chosen: the slots of each label and kind of day. */
import type { Build, Label } from "../athlete";
import type { Essential, Exercise, Pattern } from "../exercise";
import type { LedgerPattern, Unit } from "../ledger";
import { numbers, type Why, why } from "../rulebook";
import type { AddedWork, Finding } from "../screening";
import type { DayLoading } from "../season";

export interface Slot {
  pattern: Pattern;
  kind: "main" | "single" | "assist";
  sets?: number;
  /** Repetitions that go before the dose's. */
  reps?: number;
  /** Nothing else may stand here. */
  only?: readonly string[];
  /** Where none of those is open, other work of the pattern takes the place. */
  orElse?: boolean;
  /** The first of these that is open goes before the ranking. */
  prefer?: readonly string[];
  /** The finding that asks for it. */
  added?: Finding;
  /** A light set before the hinge. */
  primer?: boolean;
  /** The essential it stands for. */
  essential?: string;
  /** What the week's ledger gives it for. */
  unit?: Unit;
  /** Sets at most, whatever the dose says. */
  most?: number;
  /** Repetitions in reserve at least. */
  reserve?: number;
  /** Jumps as their own plan has them. */
  jump?: JumpWork;
  /** Jumps and swings that were asked for: on fresh legs, with nothing in their rests. */
  alone?: boolean;
  /** Why it stands here; where nothing else may, nothing of a choice is said. */
  says?: readonly Why[];
}

/** The same slot, to be changed: with every field, so that all are laid out alike. */
export const copyOf = (s: Slot): Slot => ({
  pattern: s.pattern,
  kind: s.kind,
  sets: s.sets,
  reps: s.reps,
  only: s.only,
  orElse: s.orElse,
  prefer: s.prefer,
  added: s.added,
  primer: s.primer,
  essential: s.essential,
  unit: s.unit,
  most: s.most,
  reserve: s.reserve,
  jump: s.jump,
  alone: s.alone,
  says: s.says,
});

const sameList = (a: readonly string[] | undefined, b: readonly string[] | undefined): boolean =>
  a === b || (a !== undefined && b !== undefined && a.length === b.length && a.every((id, i) => id === b[i]));

const sameJump = (a: JumpWork | undefined, b: JumpWork | undefined): boolean =>
  a === b ||
  (a !== undefined &&
    b !== undefined &&
    a.sets === b.sets &&
    a.reps === b.reps &&
    a.seconds === b.seconds &&
    a.rest === b.rest &&
    a.says === b.says);

/** Whether two slots ask for the same. What the ledger gives is never taken for the same. */
export const isSameSlot = (a: Slot, b: Slot): boolean =>
  a.unit === undefined &&
  b.unit === undefined &&
  a.pattern === b.pattern &&
  a.kind === b.kind &&
  a.sets === b.sets &&
  a.reps === b.reps &&
  a.orElse === b.orElse &&
  a.added === b.added &&
  a.primer === b.primer &&
  a.essential === b.essential &&
  a.most === b.most &&
  a.reserve === b.reserve &&
  a.alone === b.alone &&
  a.says === b.says &&
  sameList(a.only, b.only) &&
  sameList(a.prefer, b.prefer) &&
  sameJump(a.jump, b.jump);

/** Sets of a jump. */
export interface JumpWork {
  sets: number;
  /** Repetitions of a set, or seconds. */
  reps: number | null;
  seconds: number | null;
  /** Seconds. */
  rest: number;
  says: readonly Why[];
}

/** What a routine is made of: the three stages of a season. */
export type RoutineStage = 1 | 2 | 3;

/** Deep split squats, hardest first: the first that is open is taken. */
const DEEP: readonly string[] = [
  "split-squat-both-feet-raised",
  "rear-foot-elevated-split-squat",
  "knee-forward-split-squat",
  "front-foot-elevated-split-squat",
];

/** Two leg days: the deep split squat with a real squat on one, the hinge on the other, hip flexors and the stretch on both. */
function fullRange(label: Label): Slot[] {
  // What makes the approach stands whatever the ledger and the screening add beside it.
  const says = [why("approach.dose", "part")];
  const stretch: Slot = { pattern: "mobility", kind: "assist", sets: 1, only: ["active-quad-stretch"], says };
  const unloaded = ["march-hold", "march-hold-unloaded"];
  const flexors = (first: string): Slot => ({
    pattern: "hip",
    kind: "assist",
    sets: 2,
    prefer: [first],
    only: [first, ...unloaded],
    orElse: true,
    says,
  });
  if (label === "A")
    return [
      { pattern: "squat", kind: "main" },
      { pattern: "split-squat", kind: "single", prefer: DEEP },
      flexors("straight-leg-hold"),
      stretch,
    ];
  return [{ pattern: "hinge", kind: "main" }, flexors("loaded-hip-flexor-raise"), stretch];
}

/** Minutes of a routine after an easy and after a hard run (rule approach.routine). */
export const ROUTINE_MINUTES = numbers("approach.routine").minutes;

/** What stands in for lifting without load: the same in every approach. */
const UNLOADED: readonly Slot[] = [
  { pattern: "squat", kind: "single" },
  { pattern: "hinge", kind: "single" },
  { pattern: "split-squat", kind: "single" },
  { pattern: "hip", kind: "assist" },
  { pattern: "calf", kind: "assist" },
  { pattern: "trunk", kind: "assist" },
];

const LIFTS: Readonly<Partial<Record<Label, readonly LedgerPattern[]>>> = {
  A: ["squat", "hinge"],
  B: ["split-squat", "hip"],
};

/** A leading lift; ladders before load know no slot that only a loaded lift may take. */
const leadSlot = (pattern: LedgerPattern, build: Build): Slot => ({
  pattern,
  kind: build !== "ladders" && (pattern === "squat" || pattern === "hinge") ? "main" : "single",
});

/** What leads a session of the label, with what makes the approach: the ledger gives the rest. */
export function leadSlots(label: Label, build: Build): Slot[] {
  if (build === "full-range" && (label === "A" || label === "B")) return fullRange(label);
  return (LIFTS[label] ?? []).map((p) => leadSlot(p, build));
}

/** Single-leg work beside the leads keeps so many repetitions in reserve: it is never heavy (rule ledger.fill). */
const { reserve: BESIDE_RESERVE, shortSets: SHORT_SETS } = numbers("ledger.fill");

/** An exercise that the week's ledger gives a session. */
const unitSlot = (unit: Unit): Slot => ({
  pattern: unit.pattern,
  kind: "assist",
  sets: unit.sets,
  unit,
  reserve: unit.pattern === "split-squat" ? BESIDE_RESERVE : undefined,
});

/**
 * @param units what the week's ledger gives the session beside its leads
 * @returns slots in order of work: main lifts, single-leg, assistance, trunk, mobility
 */
export function slotsFor(
  label: Label,
  loading: DayLoading,
  build: Build = "lifts",
  units: readonly Unit[] = [],
): Slot[] {
  if (loading !== "full" && loading !== "light") return [...UNLOADED];
  const leads = leadSlots(label, build);
  const stretch = leads.filter((s) => s.pattern === "mobility");
  return [...leads.filter((s) => s.pattern !== "mobility"), ...units.map(unitSlot), ...stretch];
}

/** A short session (rule ledger.fill): one lead of three sets at most, and what the ledger gives. */
export function shortSlots(slots: readonly Slot[], lead: LedgerPattern | null, build: Build): Slot[] {
  const own = slots.filter((s) => !s.unit && s.kind !== "assist");
  const first = (lead && own.find((s) => s.pattern === lead)) ?? (lead ? leadSlot(lead, build) : own[0]);
  const rest = slots.filter((s) => !own.includes(s) && s.pattern !== "mobility" && s.pattern !== first?.pattern);
  return [...(first ? [{ ...first, most: SHORT_SETS }] : []), ...rest];
}

/** The kind of work an exercise is on its own, for a session made by hand. */
export function slotKindOf(e: Pick<Exercise, "main" | "pattern" | "unilateral">): Slot["kind"] {
  if (e.main) return "main";
  return e.pattern === "split-squat" || (e.unilateral && (e.pattern === "hinge" || e.pattern === "hip"))
    ? "single"
    : "assist";
}

/** The essential five as slots: lifts first where a bar is meant, single-leg work beside them, two sets of the rest. */
export function essentialSlots(five: readonly Essential[]): Slot[] {
  return five.map(
    (e): Slot => ({
      pattern: e.pattern,
      kind: e.main
        ? "main"
        : e.pattern === "trunk" || e.pattern === "calf" || e.pattern === "pull"
          ? "assist"
          : "single",
      prefer: e.exercises,
      essential: e.name,
    }),
  );
}

/** At most so many findings add work to one session, the others wait for the next; and the sets of added work (rule finding.seen). */
const { mostAdded: MOST_ADDED, sets: ADDED_SETS } = numbers("finding.seen");

/**
 * Puts the work that the findings ask for into the slots: it takes an assistance slot of its pattern, or a slot of its own behind the
 * last of its kind. The week's second session begins with the finding's second exercise, so that both come.
 */
export function withFindings(slots: readonly Slot[], findings: readonly Finding[], label: Label): Slot[] {
  const out = slots.map(copyOf);
  const turn = label === "B" ? 1 : label === "C" ? 2 : 0;
  let added = 0;
  for (const f of findings) {
    if (f.more) {
      // A way back asks for its own sets, no more.
      const slot = out.find((s) => s.pattern === f.more && s.kind === "assist" && s.added?.rule !== "pathway.stage");
      if (slot) slot.sets = (slot.sets ?? ADDED_SETS) + 1;
    }
    // A light set before the hinge is no added work: it comes whatever else was found.
    for (const add of f.adds) if (add.first) putBeforeHinge(out, add, f);
    const work = f.adds.filter((a) => !a.first);
    const wayBack = f.rule === "pathway.stage";
    if (work.length === 0 || (!wayBack && added >= MOST_ADDED)) continue;
    if (!wayBack) added += 1;
    for (const add of work) {
      // The order of descents and of a way back is one of preference, not of turns.
      const at = wayBack || f.rule === "descent.prep" ? 0 : turn % add.exercises.length;
      const prefer = [...add.exercises.slice(at), ...add.exercises.slice(0, at)];
      const own = out.find((s) => s.pattern === add.pattern && s.kind === "assist" && !s.added && !s.only);
      // The work of a way back is never another than its own.
      const only = wayBack ? { only: add.exercises } : {};
      if (own) {
        Object.assign(own, only);
        own.prefer = prefer;
        if (add.sets) own.sets = add.sets;
        if (add.reps) own.reps = add.reps;
        own.added = f;
        continue;
      }
      const slot = copyOf({
        pattern: add.pattern,
        kind: "assist",
        sets: add.sets ?? ADDED_SETS,
        prefer,
        added: f,
        ...only,
      });
      if (add.reps) slot.reps = add.reps;
      const last = out.map((s) => s.pattern).lastIndexOf(add.pattern);
      const before = out.findIndex((s) => s.pattern === "trunk" || s.pattern === "mobility");
      const place = last >= 0 ? last + 1 : before >= 0 && add.pattern !== "mobility" ? before : out.length;
      out.splice(place, 0, slot);
    }
  }
  return out;
}

/** Light work for the hamstrings before the hinge: the hip work that stands there anyway takes it, or a set of its own does. */
function putBeforeHinge(slots: Slot[], add: AddedWork, f: Finding): void {
  const hinge = slots.findIndex((s) => s.pattern === "hinge");
  if (hinge < 0 || slots.some((s) => s.primer)) return;
  // A place that something of its own must take readies nothing.
  const ready = slots.slice(0, hinge).find((s) => s.pattern === add.pattern && !s.added && !s.only);
  if (ready) {
    ready.prefer = add.exercises;
    ready.primer = true;
  } else
    slots.splice(
      hinge,
      0,
      copyOf({
        pattern: add.pattern,
        kind: "assist",
        sets: 1,
        prefer: add.exercises,
        added: f,
        primer: true,
      }),
    );
}

/** Free time under the first is too short for any strength session, up to the second it takes the short one; minutes (rule M1). */
export const { shortest: SHORTEST_MINUTES, half: SHORT_MINUTES } = numbers("M1");
