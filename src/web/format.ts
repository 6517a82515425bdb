/** Numbers and dates as people read them: "72.5 kg", "Tue 19 May", 24-hour clock, spaces that do not break. */

import { isRoutine, type Label } from "../core/athlete";

export { placeName } from "../core/athlete";

export { clock } from "../core/dates";

import { LABEL_WORDS } from "../core/athlete";
import { clock, dayLabel, monthName, timeOf } from "../core/dates";
import { kmToMi, massIn, roundTo } from "../core/units";

export interface Units {
  massUnit: "kg" | "lb";
  distanceUnit: "km" | "mi";
}

const NB = "\u00A0";

export const massNumber = (kg: number, u: Units): number => massIn(kg, u.massUnit);
/** "72.5 kg" */
export const mass = (kg: number, u: Units): string => `${massNumber(kg, u)}${NB}${u.massUnit}`;
/** "10, 15, 25 lb" */
export const masses = (kg: readonly number[], u: Units): string =>
  `${kg.map((m) => massNumber(m, u)).join(", ")}${NB}${u.massUnit}`;
/** Masses and distances in a sentence, in the athlete's units: the sentences come in kilograms and kilometres. */
export const textIn = (text: string, u: Units): string => {
  const masses =
    u.massUnit === "kg"
      ? text
      : text.replace(/(\d+(?:\.\d+)?) kg\b/g, (_, kg: string) => `${massNumber(Number(kg), u)} ${u.massUnit}`);
  return u.distanceUnit === "km"
    ? masses
    : masses.replace(/(\d+(?:\.\d+)?) km\b/g, (_, km: string) => `${roundTo(kmToMi(Number(km)), 1)} mi`);
};
export const distanceNumber = (km: number, u: Units, digits = 0): number =>
  roundTo(u.distanceUnit === "mi" ? kmToMi(km) : km, digits);
export const distance = (km: number, u: Units, digits = 0): string =>
  `${distanceNumber(km, u, digits)}${NB}${u.distanceUnit}`;

/** "2 h 20" or "48 min" */
export function duration(minutes: number): string {
  const m = Math.round(minutes);
  if (m < 60) return `${m}${NB}min`;
  return m % 60 === 0 ? `${m / 60}${NB}h` : `${Math.floor(m / 60)}${NB}h${NB}${String(m % 60).padStart(2, "0")}`;
}

/** "18 – 24 May" or "30 Mar – 5 Apr" */
export function span(from: string, to: string): string {
  const day = (d: string) => Number(d.slice(8, 10));
  const same = from.slice(0, 7) === to.slice(0, 7);
  return `${day(from)}${same ? "" : `${NB}${monthName(from)}`}${NB}–${NB}${day(to)}${NB}${monthName(to)}`;
}

export const day = (date: string): string => dayLabel(date).replaceAll(" ", NB);
export const dayAndYear = (date: string): string => `${day(date)}${NB}${date.slice(0, 4)}`;
export const time = timeOf;
export const thousands = (n: number): string => Math.round(n).toLocaleString("en-GB");
export const signed = (n: number): string => `${n > 0 ? "+" : n < 0 ? "−" : ""}${Math.abs(Math.round(n))}%`;
/** An instant where the reader is: "Tue 3 Mar, 18:05". @param at ISO 8601 */
export function moment(at: string): string {
  const d = new Date(at);
  const two = (n: number) => String(n).padStart(2, "0");
  return `${day(`${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`)}, ${two(d.getHours())}:${two(d.getMinutes())}`;
}
/** "1 athlete", "2 athletes" */
export const counted = (n: number, one: string, more = `${one}s`): string => `${n}${NB}${n === 1 ? one : more}`;
/** "in 34 days", "tomorrow", "today" */
export const inDays = (n: number): string =>
  n === 0 ? "today" : n === 1 ? "tomorrow" : n < 0 ? `${-n} days ago` : `${n} days`;

interface DoseLike {
  sets: number;
  reps: number | null;
  seconds: number | null;
  loadKg: number | null;
  loading: string;
  eachSide: boolean;
}

/** "3 × 5", "2 × 30 s" */
export const setsByReps = (d: Pick<DoseLike, "sets" | "reps" | "seconds">): string =>
  `${d.sets}${NB}×${NB}${d.seconds !== null ? `${d.seconds}${NB}s` : d.reps}`;

/** "72.5 kg", "2 × 12 kg", "bodyweight", "find it" */
export function loadText(
  d: Pick<DoseLike, "loadKg" | "loading"> & { household?: "rucksack" | "bottles" | null },
  u: Units,
): string {
  if (d.loading === "bodyweight") return "bodyweight";
  if (d.loading === "band") return "band";
  if (d.loadKg === null) return "find it";
  if (d.loading === "pair" && d.household === "rucksack") return mass(d.loadKg * 2, u);
  return d.loading === "pair" ? `2${NB}×${NB}${mass(d.loadKg, u)}` : mass(d.loadKg, u);
}

/** Where a week stands in its block, behind its emphasis. */
export const blockText = (w: { stepBack: boolean; block: { week: number; of: number } | null }): string =>
  w.stepBack ? ", step-back" : w.block ? `, block week ${w.block.week} of ${w.block.of}` : "";

export const PHASE_NAMES = { base: "Base", build: "Build", race: "Race", recovery: "Recovery" } as const;
export const SPORT_NAMES = {
  run: "Running",
  triathlon: "Triathlon",
  ride: "Cycling",
  row: "Rowing",
  hike: "Hiking",
  swim: "Swim",
  other: "Other",
} as const;
export const EMPHASIS_NAMES = {
  prepare: "Prepare",
  develop: "Develop",
  maximal: "Maximal",
  hold: "Hold",
  restore: "Restore",
} as const;
export const LABEL_NAMES = LABEL_WORDS;

/** What a session is called: its label, unless it only restores, or is slow strength for want of load. */
export function sessionName(label: Label, emphasis: keyof typeof EMPHASIS_NAMES, slow = false): string {
  if (isRoutine(label)) return LABEL_NAMES[label];
  if (emphasis === "restore") return `Restore ${label}`;
  return slow ? `Slow strength ${label}` : LABEL_NAMES[label];
}

const PLAIN_KINDS: readonly string[] = ["easy", "long", "steady", "technique"];

/** "Easy run", "Intervals", "Swim": what a session of endurance is called. */
export function enduranceKind(e: { sport: keyof typeof SPORT_NAMES; kind: string }): string {
  if (e.kind === "other") return SPORT_NAMES[e.sport];
  const noun = e.sport === "triathlon" || e.sport === "other" ? "" : ` ${e.sport}`;
  return `${e.kind[0]?.toUpperCase()}${e.kind.slice(1)}${PLAIN_KINDS.includes(e.kind) || e.sport === "swim" ? noun : ""}`;
}
/** Its distance, where it has one: "8 km". */
export const enduranceFar = (km: number | null | undefined, u: Units): string =>
  km ? distance(km, u, km < 10 ? 1 : 0) : "";

/** "halves 38:10 and 38:40; 1 km each: 3:45, 3:50, ...". */
export const splitsText = (s: { km: number; minutes: readonly number[]; halves: readonly number[] }): string =>
  `halves ${s.halves.map((m) => clock(m * 60)).join(" and ")}; ${s.km}${NB}km each: ${s.minutes.map((m) => clock(m * 60)).join(", ")}`;
