/**
 * What an athlete does at home on a day (rule homework.day): the work of a way back while it needs no load, one finding's work in turn, activation
 * before a run, the flow on days without a finding's work. Light work: it counts for nothing, and a strength session that holds it stands for it.
 */
import { AREA_WORDS, type Place } from "../athlete";
import { dayNumber, daysBetween, type IsoDate, weekday } from "../dates";
import { type ChoiceContext, closedBecause, type Exercise } from "../exercise";
import { type AreaStage, workOf } from "../pathway";
import { numbers, type Why, why } from "../rulebook";
import { type AddedWork, type Finding, findingsOf } from "../screening";
import type { DayLoading } from "../season";
import { activationFor, lightDose, lightSeconds } from "../session";

/** What the activation and the flow are ticked by; everything else by its exercise. */
export const ACTIVATION_ITEM = "activation";
export const FLOW_ITEM = "mobility-flow";

export interface HomeworkItem {
  id: string;
  kind: "way-back" | "finding" | "activation" | "flow";
  name: string;
  /** "3 x 15 a side" */
  dose: string;
  seconds: number;
  cue: string;
  why: Why;
}

export interface HomeworkDay {
  date: IsoDate;
  items: HomeworkItem[];
  /** Whole minutes of all. */
  minutes: number;
  /** What the day's minutes do not hold. */
  left: { name: string; why: Why }[];
}

export interface HomeworkFacts {
  /** What the day's loading allows. */
  loading: DayLoading;
  /** Exercises of the day's strength work, and of the day before. */
  today: ReadonlySet<string>;
  yesterday: ReadonlySet<string>;
  /** The sport's own session stands on the day. */
  before: boolean;
  /** A race, an illness: nothing is asked. */
  off: boolean;
}

/** Findings that speak of range, for which the flow is asked, beside those that add mobility [house]. */
const RANGE: readonly string[] = ["dowel-hinge", "wall-squat", "wall-squat-overhead", "knee-to-wall"];

/** The floor, a wall, and whatever the barest of the athlete's places has. */
function homeOf({ athlete }: ChoiceContext): Place {
  const bare = athlete.places.find((p) => p.bars.length === 0 && p.machines.length === 0);
  return {
    id: "home",
    bars: [],
    plates: [],
    dumbbellsKg: [],
    kettlebellsKg: [],
    bands: bare?.bands ?? [],
    boxesCm: bare?.boxesCm ?? [],
    machines: [],
    other: bare?.other ?? [],
    ...(bare?.stairsCm === undefined ? {} : { stairsCm: bare.stairsCm }),
  };
}

/** The first of a work's exercises that can be done at home today; new work is left out where nothing new may come. */
function openOf(add: AddedWork, c: ChoiceContext): Exercise | undefined {
  return add.exercises
    .flatMap((id) => c.library.byId(id) ?? [])
    .find(
      (e) =>
        !c.library.hidden.has(e.id) &&
        closedBecause(e, c) === null &&
        (c.nothingNew === null || c.known === null || c.known.has(e.id)),
    );
}

/** An item before its sets are known: what a set asks for, and its seconds. */
type Draft = Omit<HomeworkItem, "seconds"> & { sets: number; aSet: number };

function draftOf(e: Exercise, add: AddedWork, mostSets: number, kind: "way-back" | "finding", because: Why): Draft {
  const reps = add.reps ?? e.ownReps?.[1] ?? e.dose.prepare.reps ?? 1;
  const seconds = e.ownSeconds ?? e.dose.prepare.seconds ?? 0;
  return {
    id: e.id,
    kind,
    name: e.name,
    cue: e.cues[0] ?? "",
    why: because,
    sets: Math.min(mostSets, add.sets ?? e.dose.prepare.sets),
    dose: lightDose(e, reps, seconds),
    aSet: lightSeconds(e, reps, seconds),
  };
}

/** Ways back while their work needs no load: holds daily, slow work every second day; bone stress asks for nothing at home. */
function wayBackDrafts(stages: readonly AreaStage[], c: ChoiceContext, f: HomeworkFacts): Draft[] {
  const { everyDays } = numbers("homework.day", c.athlete.settings?.ruleValues);
  return stages.flatMap(({ area, stage, since }): Draft[] => {
    if (area === "bone-stress" || (stage !== "settle" && stage !== "move")) return [];
    const day = Math.max(0, daysBetween(since, c.on));
    if (stage === "move" && day % everyDays !== 0) return [];
    return workOf(area, stage, day).flatMap((add) => {
      const e = openOf(add, c);
      if (!e || f.today.has(e.id) || (stage === "move" && f.yesterday.has(e.id))) return [];
      const because = why("homework.day", "wayBack", { area: AREA_WORDS[area], stage });
      return [draftOf(e, add, Number.POSITIVE_INFINITY, "way-back", because)];
    });
  });
}

const homeAdds = (f: Finding): readonly AddedWork[] => f.adds.filter((a) => !a.first);
const isAtWork = (f: Finding): boolean => f.stage !== "over" && f.kind !== "side";
const asksFlow = (f: Finding): boolean =>
  isAtWork(f) && (RANGE.includes(f.id) || f.adds.some((a) => a.pattern === "mobility"));

/** One finding a day, the next in turn; what the day's session holds already is not asked twice. */
function findingDrafts(findings: readonly Finding[], c: ChoiceContext, f: HomeworkFacts): Draft[] {
  const { sets } = numbers("homework.day", c.athlete.settings?.ruleValues);
  const asking = findings.filter((x) => isAtWork(x) && homeAdds(x).some((a) => openOf(a, c)));
  const turn = asking[dayNumber(c.on) % Math.max(1, asking.length)];
  if (!turn) return [];
  return homeAdds(turn).flatMap((add) => {
    const e = openOf(add, c);
    if (!e || f.today.has(e.id)) return [];
    const half = turn.stage === "half" && add.sets === undefined;
    const draft = draftOf(e, add, sets, "finding", {
      rule: turn.rule,
      text: why("homework.day", "finding", turn.title).text,
    });
    return [half ? { ...draft, sets: Math.ceil(draft.sets / 2) } : draft];
  });
}

/** Seconds of an item of so many sets. */
const secondsOf = (d: Pick<Draft, "aSet">, sets: number): number => {
  const { rest, setUp } = numbers("homework.day");
  return setUp + sets * d.aSet + (sets - 1) * rest;
};

const itemOf = (d: Draft, sets: number): HomeworkItem => {
  const { sets: _, aSet: __, ...item } = d;
  return { ...item, dose: `${sets > 1 ? `${sets} x ` : ""}${d.dose}`, seconds: secondsOf(d, sets) };
};

/** Fills the day's minutes in order; an item takes fewer sets before it is left out. @param most seconds */
export function fitted(
  wanted: readonly (Draft | HomeworkItem)[],
  most: number,
): { items: HomeworkItem[]; left: string[] } {
  const items: HomeworkItem[] = [];
  const left: string[] = [];
  let room = most;
  for (const w of wanted) {
    const sizes = "seconds" in w ? [w] : Array.from({ length: w.sets }, (_, i) => itemOf(w, w.sets - i));
    const item = sizes.find((s) => s.seconds <= room);
    if (!item) {
      left.push(w.name);
      continue;
    }
    items.push(item);
    room -= item.seconds;
  }
  return { items, left };
}

/** @param c what the day's exercises are chosen by; its place does not matter */
export function homeworkOn(c: ChoiceContext, f: HomeworkFacts): HomeworkDay {
  if (f.off) return { date: c.on, items: [], minutes: 0, left: [] };
  const own = c.athlete.settings?.ruleValues;
  const { minutes, flowSeconds, flowFirst, flowEvery, flows } = numbers("homework.day", own);
  const here: ChoiceContext = { ...c, place: homeOf(c), unloaded: true, memo: new Map() };
  const findings = findingsOf(c.athlete, c.on);
  const resting = f.loading === "mobility";
  const nth = (weekday(c.on) - flowFirst) / flowEvery;
  const flowDay = findings.some(asksFlow) && Number.isInteger(nth) && nth >= 0 && nth < flows;
  const wanted: (Draft | HomeworkItem)[] = [];
  if (!resting) wanted.push(...wayBackDrafts(c.stages, here, f));
  if (flowDay) wanted.push(...flowItem(here, flowSeconds, f));
  else if (!resting && f.loading !== "bodyweight") wanted.push(...findingDrafts(findings, here, f));
  const unique = wanted.filter((w, i) => wanted.findIndex((x) => x.id === w.id) === i);
  const { items, left } = fitted(unique, minutes * 60);
  if (!resting && f.before && (findings.some(isAtWork) || c.stages.length > 0)) {
    const room = minutes * 60 - secondsIn(items);
    const activation = activationItem(c, room);
    if (activation && activation.seconds <= room) items.push(activation);
    else if (activation) left.push(activation.name);
  }
  return {
    date: c.on,
    items,
    minutes: Math.ceil(secondsIn(items) / 60),
    left: left.map((name) => ({ name, why: why("homework.day", "full", { minutes }) })),
  };
}

const secondsIn = (items: readonly HomeworkItem[]): number => items.reduce((a, i) => a + i.seconds, 0);

function flowItem(c: ChoiceContext, seconds: number, f: HomeworkFacts): HomeworkItem[] {
  const e = c.library.byId(FLOW_ITEM);
  if (!e || closedBecause(e, c) !== null || f.today.has(FLOW_ITEM)) return [];
  const dose = `${Math.round(seconds / 60)} min`;
  return [
    {
      id: FLOW_ITEM,
      kind: "flow",
      name: e.name,
      dose,
      seconds,
      cue: e.cues[0] ?? "",
      why: why("homework.day", "flow"),
    },
  ];
}

/** One round, with as many repetitions as there is room for. @param room seconds */
function activationItem(c: ChoiceContext, room: number): HomeworkItem | null {
  const sheet = activationFor(c, room / 60);
  if (sheet.lines.length === 0) return null;
  return {
    id: ACTIVATION_ITEM,
    kind: "activation",
    name: "Activation",
    dose: "1 round",
    seconds: sheet.lines.reduce((a, l) => a + l.seconds, 0),
    cue: sheet.lines.map((l) => `${l.name.toLowerCase()} ${l.dose}`).join(", "),
    why: why("homework.day", "activation", sheet.title),
  };
}
