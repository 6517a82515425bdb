/** What holds for every sport in every kind of place with every length of free time (rules of the ledger, of lines and of the week). */
import { describe, expect, it } from "vitest";
import { daysBetween } from "../../src/core/dates";
import { type Exercise, PRIMARY_PATTERNS } from "../../src/core/exercise";
import type { PlanWeek } from "../../src/core/plan";
import { WeekProblem } from "../../src/core/planning/weekProblem";
import { isHeavy } from "../../src/core/session/heavy";
import type { Item } from "../../src/core/session/types";
import { blockedByOther, blockedHere, type Option } from "../../src/core/week";
import { MINUTES, ROOMS, SPORTS } from "../support/people";
import { people } from "./corpus";

const BUILDING: readonly string[] = ["prepare", "develop", "maximal"];

interface Kind {
  name: string;
  is: (e: Exercise) => boolean;
}
const firstOf = (e: Exercise): string => e.primary[0] ?? "";
const OTHER_KINDS: readonly Kind[] = [
  { name: "hinge on one leg", is: (e) => e.pattern === "hinge" && e.unilateral },
  { name: "hinge on two legs", is: (e) => e.pattern === "hinge" && !e.unilateral },
  { name: "hip abduction", is: (e) => e.pattern === "hip" && ["gluteus medius", "hip rotators"].includes(firstOf(e)) },
  { name: "hip flexion", is: (e) => e.pattern === "hip" && firstOf(e) === "hip flexors" },
  { name: "hip extension", is: (e) => e.pattern === "hip" && ["gluteus maximus", "hamstrings"].includes(firstOf(e)) },
  { name: "trunk work in front", is: (e) => e.pattern === "trunk" && e.plane === "sagittal" },
  { name: "trunk work at the side", is: (e) => e.pattern === "trunk" && e.plane === "frontal" },
  { name: "rotation of the trunk", is: (e) => e.pattern === "trunk" && e.plane === "transverse" },
];
const CALF_KINDS: readonly Kind[] = [
  { name: "calf work with a straight knee", is: (e) => e.pattern === "calf" && firstOf(e) !== "soleus" },
  { name: "calf work with a bent knee", is: (e) => e.pattern === "calf" && firstOf(e) === "soleus" },
];

/** Nothing cuts the week, and all of its days are of one kind. */
const isOrdinary = (w: PlanWeek): boolean =>
  !w.season.stepBack &&
  w.season.setFactor >= 1 &&
  w.season.mileage.factor === 1 &&
  w.season.days.length === 7 &&
  w.season.days.every((d) => d.loading === "full" && d.emphasis === w.season.emphasis) &&
  w.fit.unplaced.length === 0;

const where = (p: ReturnType<typeof people>[number], w: PlanWeek): string =>
  `${p.athlete.athlete.name} ${p.athlete.athlete.sport} ${p.room} ${p.minutes} ${p.athlete.settings?.approach} ${w.season.start} ${w.season.emphasis}`;

/** Whether all of them may stand together as these options. */
function together(options: readonly (readonly Option[])[], { context }: WeekProblem, chosen: Option[] = []): boolean {
  const list = options[chosen.length];
  if (!list) return true;
  return list.some(
    (o) =>
      chosen.every((x) => blockedByOther(o, x, context) === null) &&
      together(options, { context } as WeekProblem, [...chosen, o]),
  );
}

const underTheBar = (i: Item): boolean => i.main && (i.loading === "bar" || i.loading === "machine");

describe("people of every sport, place and length of free time", () => {
  it("are all there", () => {
    const kinds = new Set(people().map((p) => `${p.athlete.athlete.sport} ${p.room} ${p.minutes}`));
    expect(kinds.size).toBe(SPORTS.length * ROOMS.length * MINUTES.length);
    const ages = new Set(people().map((p) => p.athlete.athlete.birthYear));
    const training = new Set(people().map((p) => p.athlete.athlete.strengthTrainingMonths));
    const approaches = new Set(people().map((p) => p.athlete.settings?.approach));
    expect([ages.size, training.size, approaches.size]).toEqual([5, 3, 6]);
  });

  it("lift in the room with the bar wherever the week's sessions may all stand so, and heavy there alone", () => {
    let looked = 0;
    const without: string[] = [];
    for (const p of people().filter((x) => x.room === "mixed"))
      for (const w of p.plan.weeks) {
        if (!isOrdinary(w) || w.season.emphasis !== "maximal" || w.sessions.length === 0) continue;
        for (const s of w.sessions.filter((x) => x.heavy)) expect(s.place, where(p, w)).toBe("gym");
        looked++;
        if (w.sessions.some((s) => s.items.some(underTheBar))) continue;
        const problem = new WeekProblem(w.input);
        const open = problem.wanted.map((want) =>
          problem.free(want).filter((o) => blockedHere(o, problem.context) === null),
        );
        const at = problem.wanted.findIndex((x) => x.label === "A");
        const only = (open[at] ?? []).filter((o) => problem.built.get(o)?.items.some(underTheBar));
        if (only.length > 0 && together(open.with(at, only), problem)) without.push(where(p, w));
      }
    expect(looked).toBeGreaterThan(30);
    expect(without).toEqual([]);
  });

  it("call nothing heavy on two legs that their weights are too light for: less than half of body mass", () => {
    let looked = 0;
    const wrong: string[] = [];
    for (const p of people().filter((x) => x.room === "few"))
      for (const w of p.plan.weeks)
        for (const s of w.sessions.filter((x) => ["develop", "maximal", "hold"].includes(x.emphasis)))
          for (const i of s.items) {
            // The heaviest there: a pair of 16 kg, or one of them.
            const kg = i.loading === "pair" ? 32 : i.loading === "single" || i.loading === "kettlebell" ? 16 : null;
            if (
              kg === null ||
              !["squat", "hinge"].includes(i.exercise.pattern) ||
              i.exercise.unilateral ||
              kg >= 0.5 * p.athlete.athlete.bodyMassKg
            )
              continue;
            looked++;
            if (isHeavy(i)) wrong.push(`${where(p, w)} ${i.exercise.id} ${i.sets} x ${i.reps}`);
            else if (!i.why.some((y) => y.rule === "heavy.room"))
              wrong.push(`${where(p, w)} ${i.exercise.id} says nothing`);
          }
    expect(looked).toBeGreaterThan(50);
    expect(wrong).toEqual([]);
  });

  it("keep no dose of a lead lift in more than three ordinary weeks running", () => {
    let looked = 0;
    const stuck: string[] = [];
    for (const p of people()) {
      const before = new Map<string, string[]>();
      for (const w of p.plan.weeks) {
        if (!isOrdinary(w) || w.season.block === null) continue;
        const leads = w.sessions.flatMap((s) => s.items.filter((i) => i.main && i.line !== null));
        for (const i of leads) {
          const dose = [i.sets, i.reps, i.seconds, i.rir, i.loadKg, i.tempo].join();
          const four = [...(before.get(i.exercise.id) ?? []), dose].slice(-4);
          before.set(i.exercise.id, four);
          if (four.length < 4) continue;
          looked++;
          if (new Set(four).size === 1) stuck.push(`${where(p, w)} ${i.exercise.id} ${dose}`);
        }
      }
    }
    expect(looked).toBeGreaterThan(100);
    expect(stuck).toEqual([]);
  });

  it("have every kind of hinge, hip, calf and trunk work inside four ordinary weeks of 60 minutes and more", () => {
    let looked = 0;
    const missing: string[] = [];
    for (const p of people().filter((x) => x.minutes === 75 && x.athlete.settings?.approach !== "paired-routines")) {
      const ordinary = p.plan.weeks.filter(
        (w) => isOrdinary(w) && BUILDING.includes(w.season.emphasis) && w.sessions.some((s) => s.minutes > 35),
      );
      ordinary.forEach((first, i) => {
        const four = ordinary.slice(i, i + 4);
        // A step-back may stand between them, no other pause.
        const last = four[3];
        if (!last || daysBetween(first.season.start, last.season.start) > 4 * 7) return;
        const between = p.plan.weeks.filter(
          (w) => w.season.start >= first.season.start && w.season.start <= last.season.start,
        );
        const items = between.flatMap((w) => w.sessions.flatMap((s) => s.items));
        const onFoot = ["run", "triathlon", "hike"].includes(p.athlete.athlete.sport);
        const kinds = [...OTHER_KINDS, ...(onFoot ? CALF_KINDS : [])];
        looked += kinds.length;
        for (const kind of kinds) {
          const came = items.some((i) => kind.is(i.exercise));
          // Where none of the kind is open another stands in, and says so.
          const said = items.some((i) => i.why.some((y) => y.text.startsWith(`No ${kind.name}`)));
          if (!came && !said) missing.push(`${where(p, first)}: ${kind.name}`);
        }
      });
    }
    expect(looked).toBeGreaterThan(200);
    expect(missing).toEqual([]);
  });

  it("lose no leading pattern for four weeks running without a word", () => {
    let looked = 0;
    const lost: string[] = [];
    // A routine is made of its stage's exercises.
    for (const p of people().filter((x) => x.athlete.settings?.approach !== "paired-routines"))
      for (const pattern of PRIMARY_PATTERNS) {
        let without = 0;
        for (const w of p.plan.weeks) {
          if (!isOrdinary(w) || w.sessions.length === 0) continue;
          looked++;
          const items = w.sessions.flatMap((s) => s.items);
          without = items.some((i) => i.exercise.pattern === pattern) ? 0 : without + 1;
          const said = w.sessions.some((s) => s.dropped.some((d) => d.exercise === pattern));
          if (without === 4 && !said) lost.push(`${where(p, w)}: ${pattern}`);
        }
      }
    expect(looked).toBeGreaterThan(1000);
    expect(lost).toEqual([]);
  });
});
