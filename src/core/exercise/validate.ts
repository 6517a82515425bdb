/** Checks of the library at start-up: each fault names the entry and the field. */

import { AREAS, type Area, PLACE_PRESETS, type Place, placeFrom, SCREEN_TESTS, SPORTS } from "../athlete";
import { loadingAt } from "./equipment";
import {
  type Exercise,
  HANDS,
  LOADINGS,
  MUSCLES,
  PATTERNS,
  type Pattern,
  PLACE_KINDS,
  PLANES,
  POSITIONS,
  PRIMARY_PATTERNS,
  VIEWS,
} from "./types";

type Fault = (field: string, text: string) => void;

function checkWords(e: Exercise, fault: Fault): void {
  const oneOf = (field: string, value: string, list: readonly string[], what: string) => {
    if (!list.includes(value)) fault(field, `unknown ${what} "${value}"`);
  };
  oneOf("pattern", e.pattern, PATTERNS, "pattern");
  oneOf("plane", e.plane, PLANES, "plane");
  oneOf("position", e.position, POSITIONS, "position");
  oneOf("hand", e.hand, HANDS, "hand");
  oneOf("loading", e.loading, LOADINGS, "loading");
  for (const m of e.primary) oneOf("primary", m, MUSCLES, "muscle");
  for (const m of e.secondary) oneOf("secondary", m, MUSCLES, "muscle");
  for (const field of ["notWith", "careWith", "goodWith"] as const)
    for (const a of e[field]) oneOf(field, a, AREAS, "trouble area");
  for (const field of ["gates", "mustPass"] as const)
    for (const t of e[field]) oneOf(field, t, SCREEN_TESTS, "screening test");
  for (const s of Object.keys(e.sports)) oneOf("sports", s, SPORTS, "sport");
  for (const p of e.places) oneOf("places", p, PLACE_KINDS, "place");
  for (const v of e.seeWith) oneOf("seeWith", v, VIEWS, "way to see it");
  if (e.notWith.some((a) => e.goodWith.includes(a) || e.careWith.includes(a)))
    fault("notWith", "an area that is also in goodWith or careWith");
}

function checkShape(e: Exercise, fault: Fault): void {
  const between = (field: string, n: number, lo: number, hi: number) => {
    if (n < lo || n > hi) fault(field, `${lo} to ${hi} expected, found ${n}`);
  };
  if (!/^[a-z0-9]+(-[a-z0-9]+)*$/.test(e.id)) fault("id", "lower-case words joined by hyphens expected");
  if (e.name.trim() === "") fault("name", "a name expected");
  if (e.primary.length === 0) fault("primary", "at least one muscle expected");
  if (!/^\d-\d-\d$/.test(e.tempo)) fault("tempo", 'three digits such as "2-0-1" expected');
  if (e.needs.length === 0) fault("needs", "at least one set of equipment expected (an empty one is nothing)");
  if (e.felt.trim() === "") fault("felt", "where it should be felt expected");
  between("level", e.level, 1, 4);
  if (e.own) return;
  between("setup", e.setup.length, 1, 4);
  between("cues", e.cues.length, 1, 4);
  if (e.mistakes.length === 0) fault("mistakes", "at least one expected");
  if (e.look.length === 0) fault("look", "what to look at expected");
  if (e.seeWith.length === 0) fault("seeWith", "a way to see it expected");
}

function checkLadders(library: readonly Exercise[], fault: (e: Exercise) => Fault): void {
  const ids = new Map(library.map((e) => [e.id, e]));
  const followers = new Map<string, string>();
  for (const e of library) {
    if (!e.ladder) continue;
    const { id, before } = e.ladder;
    const key = `${id}/${before ?? "lowest"}`;
    const other = followers.get(key);
    if (other) fault(e)("ladder", `same step as ${other}`);
    followers.set(key, e.id);
    if (before === null) continue;
    const step = ids.get(before);
    if (!step) fault(e)("ladder", `the step before it, "${before}", does not exist`);
    else if (step.ladder?.id !== id)
      fault(e)("ladder", `the step before it, "${before}", is not in the progression "${id}"`);
    const seen = new Set([e.id]);
    for (let at = step; at?.ladder?.before; at = ids.get(at.ladder.before)) {
      if (seen.has(at.id)) {
        fault(e)("ladder", `goes round in a circle through "${at.id}"`);
        break;
      }
      seen.add(at.id);
    }
  }
}

/** @returns whether an exercise of the pattern is there for somebody new, with this trouble, at this place */
const covered = (library: readonly Exercise[], pattern: Pattern, area: Area | null, place: Place): boolean =>
  library.some(
    (e) =>
      e.pattern === pattern &&
      e.level === 1 &&
      e.mustPass.length + e.after.length + e.gates.length === 0 &&
      (area === null || !e.notWith.includes(area)) &&
      loadingAt(e, place) !== null,
  );

/** @returns one line for each trouble area and place that leaves a primary pattern without any exercise */
export function coverageGaps(library: readonly Exercise[]): string[] {
  return PLACE_PRESETS.flatMap((preset) => {
    const place = placeFrom(preset, "place");
    return [null, ...AREAS].flatMap((area) =>
      PRIMARY_PATTERNS.filter((p) => !covered(library, p, area, place)).map(
        (p) => `library.${p}: no exercise for ${area ?? "nobody's trouble"} at ${preset}`,
      ),
    );
  });
}

/**
 * @param whole false for a part of the library, which need not cover every place and trouble area
 * @returns one line a fault; empty when the library is sound
 */
export function validateLibrary(library: readonly Exercise[], whole = true): string[] {
  const faults: string[] = [];
  const of =
    (e: Exercise): Fault =>
    (field, text) =>
      faults.push(`${e.id}.${field}: ${text}`);
  const ids = new Set<string>();
  for (const e of library) {
    if (ids.has(e.id)) of(e)("id", "stands twice");
    ids.add(e.id);
    checkShape(e, of(e));
    checkWords(e, of(e));
  }
  for (const e of library) for (const id of e.after) if (!ids.has(id)) of(e)("after", `"${id}" does not exist`);
  checkLadders(library, of);
  return whole && faults.length === 0 ? coverageGaps(library) : faults;
}
