/** What a session is made of, before exercises are chosen: the slots of each label and kind of day. */
import type { Build, Column, Label, Sport } from "../athlete";
import type { Essential, Exercise, Pattern } from "../exercise";
import { numbers } from "../rulebook";
import type { AddedWork, Finding } from "../screening";
import type { DayLoading } from "../season";

export interface Slot {
  pattern: Pattern;
  kind: "main" | "single" | "assist";
  sets?: number;
  /** Repetitions that go before the dose's. */
  reps?: number;
  /** Asks for single-leg work. */
  singleLeg?: boolean;
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
}

/** Weekly share of hard sets on a scale of 0 to 5 [house]. */
export const SPORT_SHARE: Record<Sport, Record<Exclude<Column, "assist">, number>> = {
  run: { squat: 3, hinge: 3, "split-squat": 4, hip: 4, calf: 3, trunk: 3, upper: 1 },
  triathlon: { squat: 3, hinge: 3, "split-squat": 4, hip: 4, calf: 3, trunk: 3, upper: 2 },
  ride: { squat: 4, hinge: 3, "split-squat": 4, hip: 2, calf: 1, trunk: 3, upper: 1 },
  row: { squat: 4, hinge: 5, "split-squat": 2, hip: 2, calf: 1, trunk: 4, upper: 4 },
  hike: { squat: 4, hinge: 3, "split-squat": 5, hip: 3, calf: 3, trunk: 2, upper: 1 },
};

/** Sets that a share asks of one session: none at 1, one at 2, two above. */
const { shareOne, assist: ASSIST_SETS } = numbers("session.slots");
export const setsFor = (share: number): number => (share < shareOne ? 0 : share === shareOne ? 1 : ASSIST_SETS);

/** After a race, and without clearance: rolling, mobility, bridges, calf and heel walks, nothing else. */
const RESTORING: Partial<Record<Pattern, readonly string[]>> = {
  hip: ["bridge", "clam", "side-lying-raise"],
  calf: ["heel-walk", "short-foot"],
};

/** Deep split squats, hardest first: the first that is open is taken. */
const DEEP: readonly string[] = [
  "split-squat-both-feet-raised",
  "rear-foot-elevated-split-squat",
  "knee-forward-split-squat",
  "front-foot-elevated-split-squat",
];

/** Two leg days: the deep split squat with a real squat on one, hinge and hip flexors on the other. */
function fullRange(label: Label): Slot[] {
  // What makes the approach stands whatever the screening adds beside it.
  const stretch: Slot = { pattern: "mobility", kind: "assist", sets: 1, only: ["active-quad-stretch"] };
  const unloaded = ["march-hold", "march-hold-unloaded"];
  if (label === "A")
    return [
      { pattern: "squat", kind: "main" },
      { pattern: "split-squat", kind: "single", prefer: DEEP },
      {
        pattern: "hip",
        kind: "assist",
        sets: 2,
        prefer: ["straight-leg-hold"],
        only: ["straight-leg-hold", ...unloaded],
        orElse: true,
      },
      { pattern: "trunk", kind: "assist", sets: 2 },
      stretch,
    ];
  return [
    { pattern: "hinge", kind: "main" },
    {
      pattern: "hip",
      kind: "assist",
      sets: 2,
      prefer: ["loaded-hip-flexor-raise"],
      only: ["loaded-hip-flexor-raise", ...unloaded],
      orElse: true,
    },
    { pattern: "split-squat", kind: "assist", sets: 2, singleLeg: true },
    { pattern: "calf", kind: "assist", sets: 2 },
    { pattern: "trunk", kind: "assist", sets: 2 },
    stretch,
  ];
}

/** Trunk holds, hip control and moving range; the long version stands after hard runs. */
function routineSlots(long: boolean): Slot[] {
  const trunk = (prefer: readonly string[]): Slot => ({ pattern: "trunk", kind: "assist", sets: 2, prefer });
  const short: Slot[] = [
    trunk(["side-plank", "side-plank-knees"]),
    { pattern: "hip", kind: "assist", sets: 2, prefer: ["side-lying-raise", "clam"] },
    { pattern: "mobility", kind: "assist", sets: 1, prefer: ["leg-swings-back", "groiners"] },
  ];
  if (!long) return short;
  return [
    trunk(["side-plank", "side-plank-knees"]),
    { ...trunk(["bird-dog", "dead-bug-legs"]), sets: 1 },
    { pattern: "hip", kind: "assist", sets: 2, prefer: ["side-lying-raise", "clam"] },
    { pattern: "hip", kind: "assist", sets: 1, prefer: ["single-leg-bridge", "bridge"] },
    { pattern: "mobility", kind: "assist", sets: 1, prefer: ["leg-swings-back", "groiners"] },
    { pattern: "mobility", kind: "assist", sets: 1, prefer: ["hip-flexor-stretch"] },
  ];
}

/** Minutes of a routine after an easy and after a hard run (rule approach.routine). */
export const ROUTINE_MINUTES = numbers("approach.routine").minutes;

/**
 * @param routine short or long where the session follows a run
 * @returns slots in order of work: main lifts, single-leg, assistance, trunk, mobility
 */
export function slotsFor(
  label: Label,
  loading: DayLoading,
  sport: Sport,
  build: Build = "lifts",
  routine: "short" | "long" | null = null,
): Slot[] {
  if (routine) return routineSlots(routine === "long");
  const share = SPORT_SHARE[sport];
  const assist = (pattern: Pattern, sets: number): Slot[] => (sets > 0 ? [{ pattern, kind: "assist", sets }] : []);
  const restoring = (pattern: Pattern, sets: number): Slot[] => {
    const only = RESTORING[pattern];
    return [{ pattern, kind: "assist", sets, ...(only ? { only } : {}) }];
  };
  if (loading === "mobility")
    return [...restoring("mobility", 2), ...restoring("hip", 2), ...restoring("calf", 1), ...restoring("mobility", 2)];
  if (loading === "bodyweight" || loading === "restore")
    return [
      { pattern: "squat", kind: "single" },
      { pattern: "hinge", kind: "single" },
      { pattern: "split-squat", kind: "single" },
      { pattern: "hip", kind: "assist" },
      { pattern: "calf", kind: "assist" },
      { pattern: "trunk", kind: "assist" },
    ];
  if (build === "full-range" && (label === "A" || label === "B")) return fullRange(label);
  // Ladders before load: no slot that only a loaded lift may take.
  const lead = build === "ladders" ? "single" : "main";
  if (label === "A")
    return [
      { pattern: "squat", kind: lead },
      { pattern: "hinge", kind: lead },
      { pattern: "hip", kind: "assist", sets: 2 },
      ...assist("pull", setsFor(share.upper)),
      ...assist("calf", setsFor(share.calf)),
      ...assist("trunk", setsFor(share.trunk)),
    ];
  if (label === "B")
    return [
      { pattern: "split-squat", kind: "single" },
      { pattern: "hip", kind: "single" },
      { pattern: "hinge", kind: "assist", sets: 2, singleLeg: true },
      ...assist("push", setsFor(share.upper)),
      ...assist("calf", setsFor(share.calf)),
      ...assist("trunk", setsFor(share.trunk)),
    ];
  return [
    { pattern: "split-squat", kind: "assist", sets: 2, singleLeg: true },
    { pattern: "hip", kind: "assist", sets: 2 },
    { pattern: "trunk", kind: "assist", sets: 2 },
    { pattern: "mobility", kind: "assist", sets: 1 },
  ];
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
  const out = slots.map((s) => ({ ...s }));
  const turn = label === "B" ? 1 : label === "C" ? 2 : 0;
  let added = 0;
  for (const f of findings) {
    if (f.more) {
      const slot = out.find((s) => s.pattern === f.more && s.kind === "assist");
      if (slot) slot.sets = (slot.sets ?? ADDED_SETS) + 1;
    }
    // A light set before the hinge is no added work: it comes whatever else was found.
    for (const add of f.adds) if (add.first) putBeforeHinge(out, add, f);
    const work = f.adds.filter((a) => !a.first);
    if (work.length === 0 || added >= MOST_ADDED) continue;
    added += 1;
    for (const add of work) {
      // The order of descents is one of preference, not of turns.
      const at = f.rule === "descent.prep" ? 0 : turn % add.exercises.length;
      const prefer = [...add.exercises.slice(at), ...add.exercises.slice(0, at)];
      const own = out.find((s) => s.pattern === add.pattern && s.kind === "assist" && !s.added && !s.only);
      if (own) {
        own.prefer = prefer;
        if (add.sets) own.sets = add.sets;
        if (add.reps) own.reps = add.reps;
        own.added = f;
        continue;
      }
      const slot: Slot = { pattern: add.pattern, kind: "assist", sets: add.sets ?? ADDED_SETS, prefer, added: f };
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
  const ready = slots.slice(0, hinge).find((s) => s.pattern === add.pattern && !s.added);
  if (ready) {
    ready.prefer = add.exercises;
    ready.primer = true;
  } else
    slots.splice(hinge, 0, {
      pattern: add.pattern,
      kind: "assist",
      sets: 1,
      prefer: add.exercises,
      added: f,
      primer: true,
    });
}

/** One main lift, one hip and one trunk exercise, for windows of 20 to 35 minutes (rule M1); a finding's work goes first. */
export function halfSession(slots: readonly Slot[]): Slot[] {
  const first = slots.find((s) => s.kind !== "assist") ?? slots[0];
  // Before a hinge the hip work is the set that readies the hamstrings.
  const primer = first?.pattern === "hinge" ? slots.find((s) => s.primer) : undefined;
  const rest = (["hip", "trunk"] as const).flatMap((p) => {
    if (p === "hip" && primer) return [];
    const of = slots.filter((x) => x.pattern === p && x !== first && (!x.primer || x.sets !== 1));
    const s = of.find((x) => x.added) ?? of[0];
    return s ? [s] : [];
  });
  return first ? [...(primer ? [primer] : []), first, ...rest] : [];
}

/** Free time under the first is too short for any strength session, up to the second it takes the short one; minutes (rule M1). */
export const { shortest: SHORTEST_MINUTES, half: HALF_SESSION_MINUTES } = numbers("M1");
