/** What may never stand in a session, checked on generated athletes by rules written again here, apart from the planner's own. */
import { describe, expect, it } from "vitest";
import type { Athlete, Place } from "../../src/core/athlete/types";
import type { IsoDate } from "../../src/core/dates";
import { SHIPPED } from "../../src/core/exercise/entries/all";
import { type Exercise, type LoadKind, PRIMARY_PATTERNS } from "../../src/core/exercise/types";
import type { PlanSession } from "../../src/core/plan";
import { exercise } from "../support/choice";
import { SEASON_START } from "../support/generate";
import { seasons, sessions } from "./corpus";

export const days = (a: IsoDate, b: IsoDate): number => (Date.parse(b) - Date.parse(a)) / 86_400_000;

/** Calf marks as in the source, bridge marks ours; the others as rule screen.marks says. */
function mark(test: string, birthYear: number, on: IsoDate): number {
  const age = Number(on.slice(0, 4)) - birthYear;
  const calf = age >= 80 ? 10 : age >= 70 ? 14 : age >= 60 ? 19 : age >= 50 ? 21 : age >= 40 ? 24 : 25;
  const marks: Record<string, number> = {
    "dowel-hinge": 60,
    "wall-squat": 1,
    "wall-squat-overhead": 1,
    "single-leg-squat": 10,
    "step-down": 20,
    "side-hold": 30,
    "calf-raise": calf,
    "single-leg-bridge": age >= 65 ? 15 : age >= 50 ? 18 : 20,
    "knee-to-wall": 10,
    "march-hold": 10,
    "front-plank": 60,
  };
  return marks[test]!;
}

export function failed(a: Athlete, test: string, on: IsoDate): boolean {
  const done = a.screening.filter((s) => s.test === test && s.date <= on);
  const last = done.sort((x, y) => (x.date < y.date ? -1 : 1)).at(-1);
  return last !== undefined && Math.min(last.left!, last.right!) < mark(test, a.athlete.birthYear, on);
}

function has(place: Place, need: string): boolean {
  const things = new Set([
    ...place.other,
    ...place.bars.map((b) => `${b.kind}-bar`),
    ...place.machines.map((m) => `machine:${m.kind}`),
    ...(place.dumbbellsKg.length > 0 ? ["dumbbell"] : []),
    ...(place.dumbbellsKg.some((d) => d.count > 1) ? ["dumbbell-pair"] : []),
    ...(place.kettlebellsKg.length > 0 ? ["kettlebell"] : []),
    ...(place.bands.length > 0 ? ["band"] : []),
    ...(place.boxesCm.length > 0 ? ["box"] : []),
  ]);
  return things.has(need);
}

function possible(e: Exercise, loading: LoadKind, place: Place): boolean {
  const held = ["dumbbell", "dumbbell-pair", "kettlebell"];
  return e.needs.some((set) =>
    set.filter((n) => loading !== "bodyweight" || !held.includes(n)).every((n) => has(place, n)),
  );
}

export const active = (a: Athlete, on: IsoDate) =>
  a.health.areas
    .filter((t) => t.status === "current" || (t.status === "recent" && days(t.since!, on) < 84))
    .map((t) => t.area);

const TO_THE_KNEE = [
  "dowel-hinge",
  "dowel-good-morning",
  "rdl-to-knee",
  "kettlebell-deadlift",
  "supported-back-extension",
];
const RESTORING = ["bridge", "clam", "side-lying-raise", "heel-walk", "short-foot"];

/** Every reason why an exercise may not stand in a session, in words. */
function forbidden(a: Athlete, e: Exercise, on: IsoDate): string[] {
  const out: string[] = [];
  const { clearance, clearanceNeeded } = a.health;
  const areas = active(a, on);
  const cleared = clearance !== undefined && clearance.date <= on;
  for (const area of areas) if (e.notWith.includes(area)) out.push(`trouble: ${area}`);
  // At the first stage of a low back nothing hinges past the knee, with load or without (rule pathway.stage).
  if (areas.includes("low-back") && e.pattern === "hinge" && !TO_THE_KNEE.includes(e.id)) out.push("past the knee");
  for (const t of e.gates) if (failed(a, t, on)) out.push(`gate: ${t}`);
  const bone = a.health.areas.filter((t) => t.area === "bone-stress" && areas.includes("bone-stress"));
  const forIt = (since: IsoDate | undefined) =>
    cleared && (since === undefined ? days(clearance.date, on) < 84 : since <= clearance.date);
  if ((clearanceNeeded && !cleared) || bone.some((t) => !forIt(t.since)))
    if (e.pattern !== "mobility" && !RESTORING.includes(e.id)) out.push("not cleared");
  const rules = cleared ? (clearance.rules ?? []) : [];
  if (rules.includes("no-supine") && e.position === "supine" && e.pattern !== "mobility")
    out.push("no work on the back");
  if (rules.includes("no-impact") && e.pattern === "jump") out.push("no impact");
  return out;
}

/** Exercises of the primary patterns that were open where the session says that none is. */
function wronglyEmpty(a: Athlete, s: PlanSession, place: Place): string[] {
  if (s.loading === "mobility") return [];
  const empty = new Set(s.dropped.filter((d) => d.why.includes("exercise is open here")).map((d) => d.exercise));
  return SHIPPED.filter(
    (e) =>
      PRIMARY_PATTERNS.includes(e.pattern) &&
      empty.has(e.pattern) &&
      e.level === 1 &&
      e.ladder?.before == null &&
      e.bodyweightToo &&
      possible(e, "bodyweight", place) &&
      forbidden(a, e, s.date).length === 0 &&
      !s.items.some((i) => i.exercise === e) &&
      // It stood there and was left out for another reason, which is told.
      !s.dropped.some((d) => d.exercise === e.id),
  ).map((e) => e.id);
}

describe("what may stand in a session", () => {
  it("is never what equipment, gates, trouble, age or clearance forbid, and every primary pattern is filled that can be", () => {
    let seen = 0;
    for (const { athlete: a, session: s } of sessions()) {
      const place = a.places.find((p) => p.id === s.place)!;
      for (const i of s.items) {
        seen += 1;
        const at = `${i.exercise.id} on ${s.date} at ${s.place}`;
        const wrong = forbidden(a, i.exercise, s.date);
        if (wrong.length > 0) expect(wrong, at).toEqual([]);
        if (!possible(i.exercise, i.loading, place)) expect.fail(`equipment: ${at}`);
      }
      expect(wronglyEmpty(a, s, place), `${s.date} at ${s.place}`).toEqual([]);
    }
    expect(seen).toBeGreaterThan(100 * seasons().length);
  });

  it("would be caught: the check names what was open where a session says that nothing is", () => {
    const { athlete: a, session: s } = sessions().find((x) => x.session.loading === "full")!;
    const place = a.places.find((p) => p.id === s.place)!;
    const sound: Athlete = { ...a, health: { clearanceNeeded: false, areas: [] }, screening: [] };
    const says = (loading: PlanSession["loading"], why: string) =>
      wronglyEmpty(sound, { ...s, loading, items: [], dropped: [{ exercise: "squat", why }] }, place);
    const nothing = "no squat exercise is open here: nothing left for this slot";
    expect(says("full", nothing).length).toBeGreaterThan(0);
    expect(says("full", nothing).every((id) => exercise(id).pattern === "squat")).toBe(true);
    expect(says("full", "no time")).toEqual([]);
    expect(says("mobility", nothing)).toEqual([]);
  });

  it("would be caught: the check names what is forbidden", () => {
    const a = seasons()[0]!.athlete;
    const sore: Athlete = {
      ...a,
      health: { clearanceNeeded: true, areas: [{ area: "shoulder", side: "left", status: "current" }] },
      screening: [{ test: "wall-squat", date: SEASON_START, left: 0, right: 0 }],
    };
    expect(forbidden(sore, exercise("back-squat"), "2026-03-03")).toEqual([
      "trouble: shoulder",
      "gate: wall-squat",
      "not cleared",
    ]);
  });
});
