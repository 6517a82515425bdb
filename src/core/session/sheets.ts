/** Activation before a run, the warm-up before lifting, and what comes after. Light work: never counted as strength. */
import type { Place, Sport } from "../athlete";
import { type ChoiceContext, closedBecause, type Exercise } from "../exercise";
import { numbers, type Why, why } from "../rulebook";
import { findingsOf } from "../screening";

export interface SheetLine {
  exercise: Exercise;
  /** What it is called here. */
  name: string;
  /** What is asked for, in words. */
  dose: string;
  /** Seconds of one round. */
  seconds: number;
  why: Why;
}

export interface Sheet {
  id: "activation" | "before-lifting" | "after";
  title: string;
  says: string;
  lines: SheetLine[];
  rounds: number;
  /** Whole minutes of all rounds. */
  minutes: number;
}

/** Nothing but the floor and a wall. */
const NOTHING: Place = {
  id: "anywhere",
  bars: [],
  plates: [],
  dumbbellsKg: [],
  kettlebellsKg: [],
  bands: [],
  boxesCm: [],
  machines: [],
  other: [],
};

const BEFORE: Record<Sport, string> = {
  run: "Before the run",
  triathlon: "Before the run",
  ride: "Before the ride",
  row: "Before rowing",
  hike: "Before the walk",
};

/** The five items of an activation, each with what is tried in turn. */
const ACTIVATION: readonly { name: string; exercises: readonly string[] }[] = [
  { name: "one bridge", exercises: ["single-leg-bridge", "bridge", "clam", "side-lying-raise"] },
  { name: "one trunk exercise", exercises: ["dead-bug", "bird-dog", "dead-bug-legs", "side-plank-knees"] },
  {
    name: "one single-leg balance or hinge",
    exercises: ["single-leg-reach", "toe-tap", "march-hold-unloaded", "wall-knee-press"],
  },
  {
    name: "one lunge or wall press",
    exercises: ["reverse-lunge", "wall-knee-press", "wall-pressed-squat", "wall-sit"],
  },
  { name: "one calf item", exercises: ["double-leg-calf-raise", "heel-walk", "calf-isometric", "short-foot"] },
];
/** Repetitions a side, most and least; seconds of a timed item and between items; minutes at most (rule sheet.activation). */
const LIGHT = numbers("sheet.activation");

/** Seconds of work, both sides. */
export const lightSeconds = (e: Exercise, reps: number, seconds: number): number =>
  (e.unit === "seconds" ? seconds : reps * e.secondsPerRep) * (e.unilateral ? 2 : 1);

const secondsOf = (e: Exercise, reps: number, seconds: number): number => lightSeconds(e, reps, seconds) + LIGHT.change;

/** "10 a side", "30 s" */
export const lightDose = (e: Exercise, reps: number, seconds: number): string =>
  `${e.unit === "seconds" ? `${seconds} s` : reps}${e.unilateral ? " a side" : ""}`;

/** The most repetitions, from the least on, of which one round ends in time. @param round seconds of a round of so many @param minutes there are */
export function lightReps(round: (reps: number) => number, minutes: number = LIGHT.minutes): number {
  let reps = LIGHT.most;
  while (reps > LIGHT.least && round(reps) > minutes * 60) reps -= 1;
  return reps;
}

function sheetOf(id: Sheet["id"], title: string, says: string, lines: SheetLine[], most: number | null): Sheet {
  const once = lines.reduce((a, l) => a + l.seconds, 0);
  const rounds = most !== null && once * 2 <= most * 60 ? 2 : 1;
  return { id, title, says, lines, rounds, minutes: Math.ceil((once * rounds) / 60) };
}

/** By id, an exercise that this athlete may do with nothing in the hands. */
type Open = (id: string) => Exercise | undefined;

function openIn(here: ChoiceContext): Open {
  return (id) => {
    const e = here.library.byId(id);
    return e && !here.library.hidden.has(id) && closedBecause(e, here) === null ? e : undefined;
  };
}

const item = (text: string): Why => why("sheet.activation", "item", text);

/** One exercise of each kind: what a finding asks for first, then the first that is open; repetitions that fit the minutes. */
function activationLines(here: ChoiceContext, open: Open, minutes: number): SheetLine[] {
  const findings = findingsOf(here.athlete, here.on);
  const taken = new Set<string>();
  const lines = ACTIVATION.flatMap(({ name, exercises }): SheetLine[] => {
    const asked = findings.find((f) =>
      f.adds.some((a) => a.exercises.some((id) => exercises.includes(id) && open(id) && !taken.has(id))),
    );
    const wanted = asked?.adds.flatMap((a) => a.exercises).filter((id) => exercises.includes(id)) ?? [];
    const e = [...wanted, ...exercises].flatMap((id) => (taken.has(id) ? [] : (open(id) ?? [])))[0];
    if (!e) return [];
    taken.add(e.id);
    const first = exercises.map((id) => here.library.byId(id)).find((x) => x !== undefined && x !== e);
    const closed = first && exercises.indexOf(first.id) < exercises.indexOf(e.id) ? closedBecause(first, here) : null;
    const because =
      asked && wanted.includes(e.id)
        ? { rule: asked.rule, text: `${name}, for: ${asked.title.toLowerCase()}` }
        : closed && first
          ? why("choice.swap", "sheet", { what: name, name: first.name.toLowerCase(), because: closed.text })
          : item(name);
    return [{ exercise: e, name: e.name, dose: "", seconds: 0, why: because }];
  });
  const reps = lightReps((n) => lines.reduce((a, l) => a + secondsOf(l.exercise, n, LIGHT.seconds), 0), minutes);
  return lines.map((l) => ({
    ...l,
    dose: lightDose(l.exercise, reps, LIGHT.seconds),
    seconds: secondsOf(l.exercise, reps, LIGHT.seconds),
  }));
}

function beforeLines(c: ChoiceContext, open: Open): SheetLine[] {
  const line = (id: string, seconds: number, text: string): SheetLine[] => {
    const exercise = open(id);
    return exercise ? [{ exercise, name: exercise.name, dose: "10", seconds, why: item(text) }] : [];
  };
  const chop = c.library.byId("half-kneeling-chop");
  const backed = !c.areas.includes("shoulder") && !c.areas.includes("low-back");
  const chopWords = "standing, with a ball of 2 to 3 kg, across to both sides";
  const lunge = line("reverse-lunge", 60, "reverse lunge, alternating");
  return [
    ...(chop && backed
      ? [{ exercise: chop, name: "Light ball chop", dose: "10", seconds: 40, why: item(chopWords) }]
      : []),
    ...line("wall-facing-squat", 70, "squat to an easy depth"),
    ...(lunge.length > 0 ? lunge : line("supported-split-squat", 70, "split squat on a support")),
  ];
}

const STRETCHES = ["hip-flexor-stretch", "outer-hip-stretch", "active-quad-stretch", "leg-swings-back", "foot-rolling"];

const afterLines = (open: Open): SheetLine[] =>
  STRETCHES.flatMap((id): SheetLine[] => {
    const e = open(id);
    if (!e) return [];
    const [reps, seconds] = [e.ownReps?.[1] ?? 8, e.ownSeconds ?? LIGHT.hold];
    const dose = lightDose(e, reps, seconds);
    return [{ exercise: e, name: e.name, dose, seconds: secondsOf(e, reps, seconds), why: item("held, breath easy") }];
  });

const bareHanded = (c: ChoiceContext): ChoiceContext => ({ ...c, place: NOTHING, unloaded: true, memo: new Map() });

/** @param minutes there are for one round of it */
export function activationFor(c: ChoiceContext, minutes: number = LIGHT.minutes): Sheet {
  const here = bareHanded(c);
  return sheetOf(
    "activation",
    BEFORE[c.athlete.athlete.sport],
    "No equipment, barefoot where it is safe. One round at least, two when there is time.",
    activationLines(here, openIn(here), Math.min(minutes, LIGHT.minutes)),
    LIGHT.minutes,
  );
}

/**
 * @param c what is chosen by; its place does not matter, since nothing is needed
 * @returns the sheets for this athlete and day
 */
export function sheetsFor(c: ChoiceContext): Sheet[] {
  const open = openIn(bareHanded(c));
  return [
    activationFor(c),
    sheetOf(
      "before-lifting",
      "Before lifting",
      "1 to 3 rounds; then the lift's own warm-up sets.",
      beforeLines(c, open),
      null,
    ),
    sheetOf(
      "after",
      "After",
      "Stretches held about 30 s, or a moving hip routine. Running drills two to three times a week.",
      afterLines(open),
      null,
    ),
  ];
}
