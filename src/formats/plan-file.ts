/** The plan file, version 1: what the planner answers (published as docs/formats/plan.schema.json). */
import { z } from "zod";
import { EMPHASES, LABELS, PHASES } from "../core/athlete";
import { timeOf } from "../core/dates";
import { LOADINGS, PATTERNS } from "../core/exercise";
import { LEDGER_PATTERNS } from "../core/ledger";
import type { Plan, PlanSession, PlanWeek } from "../core/plan";
import { roundTo } from "../core/units";

const whySchema = z.strictObject({ rule: z.string(), text: z.string() });

const itemSchema = z.strictObject({
  pair: z.string(),
  exercise: z.string(),
  pattern: z.enum(PATTERNS),
  sets: z.int(),
  reps: z.int().nullable(),
  repsLow: z.int().nullable(),
  seconds: z.number().nullable(),
  eachSide: z.boolean(),
  loadKg: z.number().nullable(),
  loadUnit: z.enum(LOADINGS),
  platesPerSideKg: z.array(z.number()),
  percent1rm: z.number().nullable(),
  rir: z.number(),
  block: z.strictObject({ week: z.int(), of: z.int() }).nullable(),
  restSeconds: z.number(),
  tempo: z.string(),
  why: z.array(whySchema),
});

const sessionSchema = z.strictObject({
  date: z.string(),
  start: z.string(),
  place: z.string(),
  minutes: z.int(),
  label: z.enum(LABELS),
  emphasis: z.enum(EMPHASES),
  locked: z.boolean(),
  lowerLoaded: z.boolean(),
  heavy: z.boolean(),
  stress: z.number(),
  warmUp: z.array(z.strictObject({ exercise: z.string(), reps: z.int(), loadKg: z.number() })),
  items: z.array(itemSchema),
  dropped: z.array(z.strictObject({ exercise: z.string(), why: z.string() })),
  cautions: z.array(z.string()),
});

const weekSchema = z.strictObject({
  start: z.string(),
  phase: z.enum(PHASES),
  emphasis: z.enum(EMPHASES),
  stepBack: z.boolean(),
  endurance: z.strictObject({
    minutes: z.number(),
    distanceKm: z.number(),
    load: z.number(),
    changePct: z.number().nullable(),
    monotony: z.number().nullable(),
    plan: z.strictObject({ unit: z.enum(["km", "minutes"]), amount: z.number(), planned: z.number() }).nullable(),
  }),
  ledger: z.array(
    z.strictObject({ pattern: z.enum(LEDGER_PATTERNS), owed: z.number(), planned: z.number(), done: z.number() }),
  ),
  sessions: z.array(sessionSchema),
  unplaced: z.array(z.strictObject({ label: z.enum(LABELS), why: z.string() })),
  placement: z.strictObject({
    cost: z.number(),
    weighed: z.int(),
    costs: z.array(z.strictObject({ rule: z.string(), points: z.number(), text: z.string() })),
    alternatives: z.array(
      z.strictObject({
        cost: z.number(),
        sessions: z.array(z.strictObject({ label: z.enum(LABELS), date: z.string(), start: z.string() })),
      }),
    ),
  }),
  why: z.array(whySchema),
});

export const planFileSchema = z.strictObject({
  format: z.literal("field-anchor/plan"),
  version: z.literal(1),
  from: z.string(),
  phases: z.array(
    z.strictObject({
      phase: z.enum(PHASES),
      start: z.string(),
      end: z.string(),
      race: z.string().nullable(),
      why: z.array(z.string()),
    }),
  ),
  weeks: z.array(weekSchema),
  warnings: z.array(z.strictObject({ code: z.string(), text: z.string(), date: z.string() })),
});

export type PlanFile = z.infer<typeof planFileSchema>;
export type PlanFileSession = z.infer<typeof sessionSchema>;

const rounded = (v: number | null): number | null => (v === null ? null : roundTo(v, 1));

const sessionOut = (s: PlanSession): PlanFileSession => ({
  date: s.date,
  start: timeOf(s.start),
  place: s.place,
  minutes: s.minutes,
  label: s.label,
  emphasis: s.emphasis,
  locked: s.locked,
  lowerLoaded: s.lowerLoaded,
  heavy: s.heavy,
  stress: s.stress,
  warmUp: s.warmUp.map((w) => ({ exercise: w.exercise, reps: w.reps, loadKg: w.loadKg })),
  items: s.items.map((i) => ({
    pair: i.pair,
    exercise: i.exercise.id,
    pattern: i.exercise.pattern,
    sets: i.sets,
    reps: i.reps,
    repsLow: i.repsLow,
    seconds: i.seconds,
    eachSide: i.eachSide,
    loadKg: i.loadKg,
    loadUnit: i.loading,
    platesPerSideKg: i.perSideKg,
    percent1rm: i.percent1rm,
    rir: i.rir,
    block: i.line && { week: i.line.point + 1, of: i.line.of },
    restSeconds: i.restSeconds,
    tempo: i.tempo,
    why: i.why,
  })),
  dropped: s.dropped,
  cautions: s.cautions,
});

/** What the endurance plan gives a week; null where it is not planned. */
function amountOut({ endurance, enduranceUnit: unit }: Plan, monday: string) {
  const week = endurance.find((w) => w.week === monday);
  return week && unit ? { unit, amount: roundTo(week.amount, 2), planned: roundTo(week.planned, 2) } : null;
}

const weekOut = (w: PlanWeek, p: Plan): PlanFile["weeks"][number] => ({
  start: w.season.start,
  phase: w.season.phase,
  emphasis: w.season.emphasis,
  stepBack: w.season.stepBack,
  endurance: {
    minutes: w.season.figures.minutes,
    distanceKm: roundTo(w.season.figures.distanceKm, 3),
    load: roundTo(w.season.figures.load, 1),
    changePct: rounded(w.season.change.distancePct ?? w.season.change.legLoadPct),
    monotony: w.season.figures.monotony === null ? null : roundTo(w.season.figures.monotony, 2),
    plan: amountOut(p, w.season.start),
  },
  ledger: w.ledger.lines.map((l) => ({
    pattern: l.pattern,
    owed: roundTo(l.owed, 2),
    planned: w.ledger.planned[l.pattern],
    done: w.ledger.done[l.pattern],
  })),
  sessions: w.sessions.map(sessionOut),
  unplaced: w.fit.unplaced,
  placement: {
    cost: w.fit.cost,
    weighed: w.fit.weighed,
    costs: w.fit.costs,
    alternatives: w.fit.alternatives.map((a) => ({
      cost: a.cost,
      sessions: a.sessions.map((s) => ({ label: s.label, date: s.date, start: timeOf(s.start) })),
    })),
  },
  why: [...w.why, w.loadLimitWhy],
});

/** @returns the plan as a plain value of the open format */
export const planToFile = (p: Plan): PlanFile => ({
  format: "field-anchor/plan",
  version: 1,
  from: p.from,
  phases: p.phases.map(({ phase, start, end, race, why }) => ({ phase, start, end, race, why })),
  weeks: p.weeks.map((w) => weekOut(w, p)),
  warnings: [
    ...p.warnings,
    ...p.enduranceWarnings.map(({ code, text, date }) => ({ code: `endurance-${code}`, text, date })),
  ],
});
