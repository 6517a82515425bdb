/** What may never stand in a session, checked on generated athletes by rules written again here, apart from the planner's own. */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { exercise } from "../../tests/support/choice";
import { SEASON_START, screenedAthletes } from "../../tests/support/generate";
import type { Athlete, Place } from "./athlete/types";
import { addDays, type IsoDate } from "./dates";
import { SHIPPED } from "./exercise/entries/all";
import { type Exercise, HEART_PATTERNS, type Loading } from "./exercise/types";
import { type PlanSession, plan } from "./plan";

const days = (a: IsoDate, b: IsoDate): number => (Date.parse(b) - Date.parse(a)) / 86_400_000;

/** Calf marks as in the source, bridge marks ours; the others as in the handbook, section 4. */
function mark(test: string, birthYear: number, on: IsoDate): number {
  const age = Number(on.slice(0, 4)) - birthYear;
  const calf = age >= 80 ? 10 : age >= 70 ? 14 : age >= 60 ? 19 : age >= 50 ? 21 : 25;
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

function failed(a: Athlete, test: string, on: IsoDate): boolean {
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

function possible(e: Exercise, loading: Loading, place: Place): boolean {
  const held = ["dumbbell", "dumbbell-pair", "kettlebell"];
  return e.needs.some((set) =>
    set.filter((n) => loading !== "bodyweight" || !held.includes(n)).every((n) => has(place, n)),
  );
}

const active = (a: Athlete, on: IsoDate) =>
  a.health.areas
    .filter((t) => t.status === "current" || (t.status === "recent" && days(t.since!, on) < 84))
    .map((t) => t.area);

const RESTORING = ["bridge", "clam", "side-lying-raise", "heel-walk", "short-foot"];

/** Every reason why an exercise may not stand in a session, in words. */
function forbidden(a: Athlete, e: Exercise, on: IsoDate): string[] {
  const out: string[] = [];
  const { clearance, clearanceNeeded } = a.health;
  const areas = active(a, on);
  const cleared = clearance !== undefined && clearance.date <= on;
  for (const area of areas) if (e.notWith.includes(area)) out.push(`trouble: ${area}`);
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

const sessionsOf = (a: Athlete): PlanSession[] =>
  [SEASON_START, addDays(SEASON_START, 35)].flatMap((from) =>
    plan(a, { from, weeks: 2 }).weeks.flatMap((w) => w.sessions),
  );

describe("1,000 generated athletes", () => {
  it("never meet an exercise that equipment, gates, trouble, age or clearance forbid, and every heart pattern is filled that can be", () => {
    let seen = 0;
    fc.assert(
      fc.property(screenedAthletes(), (a) => {
        for (const s of sessionsOf(a)) {
          const place = a.places.find((p) => p.id === s.place)!;
          for (const i of s.items) {
            seen += 1;
            const at = `${i.exercise.id} on ${s.date} at ${s.place}`;
            expect(forbidden(a, i.exercise, s.date), at).toEqual([]);
            expect(possible(i.exercise, i.loading, place), `equipment: ${at}`).toBe(true);
            if (Number(s.date.slice(0, 4)) - a.athlete.birthYear - 1 < 18 && s.loading !== "mobility")
              expect(i.rir, `reserve: ${at}`).toBeGreaterThanOrEqual(2);
            const moderate =
              a.health.clearance?.rules?.includes("moderate-effort") && a.health.clearance.date <= s.date;
            if (moderate && s.loading !== "mobility") expect(i.rir, `moderate: ${at}`).toBeGreaterThanOrEqual(4);
          }
          const empty = s.dropped.filter((d) => d.why.includes("exercise is open here"));
          for (const p of HEART_PATTERNS) {
            if (!empty.some((d) => d.exercise === p) || s.loading === "mobility") continue;
            const open = SHIPPED.filter(
              (e) =>
                e.pattern === p &&
                e.level === 1 &&
                e.ladder?.before == null &&
                e.bodyweightToo &&
                possible(e, "bodyweight", place) &&
                forbidden(a, e, s.date).length === 0,
            ).filter((e) => !s.items.some((i) => i.exercise === e));
            expect(
              open.map((e) => e.id),
              `${p} is empty on ${s.date}`,
            ).toEqual([]);
          }
        }
      }),
      { numRuns: 1000, seed: 20260303 },
    );
    expect(seen).toBeGreaterThan(10_000);
  }, 240_000);

  it("would be caught: the check names what is forbidden", () => {
    const a = fc.sample(screenedAthletes(), { numRuns: 1, seed: 1 })[0]!;
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
