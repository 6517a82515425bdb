/** The athlete file, version 1, as Zod schemas; published as docs/formats/athlete.schema.json. Unknown fields are errors. */
import { z } from "zod";
import {
  APPROACHES,
  AREAS,
  type Athlete,
  AWAY_KINDS,
  BAR_KINDS,
  CLEARANCE_RULES,
  DECISIONS,
  FELT,
  LABELS,
  ONE_REP_MAX_FORMULAS,
  PATHWAY_STAGES,
  PHASES,
  SCREEN_TESTS,
  SEEN,
  SIDES,
  SPORTS,
} from "../core/athlete";
import { MINUTES_A_DAY } from "../core/dates";
import { ruleIdOf, SWITCHES, valueFault } from "../core/rulebook";
import { approachSchema } from "./schema/approach";
import { endurancePlanSchema, enduranceSchema, raceSchema } from "./schema/endurance";
import { count, date, id, line, list, mass, positive, prose, scale, text, time, weekday } from "./schema/values";

export const factsSchema = z.strictObject({
  name: text,
  sport: z.enum(SPORTS),
  birthYear: z.int().min(1900).max(2100),
  sex: z.enum(["female", "male", "unspecified"]).optional(),
  bodyMassKg: positive.max(400),
  strengthTrainingMonths: z.number().min(0).max(1200),
  massUnit: z.enum(["kg", "lb"]).optional(),
  distanceUnit: z.enum(["km", "mi"]).optional(),
  timeZone: text.optional(),
  restingHeartRate: z.number().min(20).max(150).optional(),
  maxHeartRate: z.number().min(80).max(250).optional(),
});

const approach = z
  .string()
  .refine(
    (v) => (APPROACHES as readonly string[]).includes(v) || /^own-[a-z0-9-]{1,60}$/.test(v),
    `one of ${APPROACHES.join(", ")}, or the id of a copy such as "own-club" expected`,
  );
/** The coach's own numbers of rules; what must hold is only tightened. */
export const ruleValuesSchema = z
  .record(z.string().max(60), z.record(z.string().max(60), z.number()))
  .superRefine((values, context) => {
    for (const [id, of] of Object.entries(values))
      for (const [name, value] of Object.entries(of)) {
        const fault = valueFault(id, name, value);
        if (fault) context.addIssue({ code: "custom", path: [id, name], message: fault });
      }
  });

export const settingsSchema = z.strictObject({
  approach: approach.optional(),
  approachByPhase: z
    .strictObject({
      base: approach.optional(),
      build: approach.optional(),
      race: approach.optional(),
      recovery: approach.optional(),
    })
    .optional(),
  rulesOff: z
    .array(
      z
        .string()
        .refine(
          (v) => SWITCHES.some((r) => r.id === ruleIdOf(v)),
          "the id of a rule that can be switched off expected",
        ),
    )
    .max(50)
    .optional(),
  placement: z.enum(["stack", "spread"]).optional(),
  maxMinutesPerDay: z.number().min(0).max(MINUTES_A_DAY).optional(),
  squatDepth: z.enum(["45", "90", "thigh-level", "full"]).optional(),
  splitSquatStyle: z.enum(["upright", "lean", "knee-forward"]).optional(),
  singleLegLoad: z.enum(["opposite", "same"]).optional(),
  strictPain: z.boolean().optional(),
  quietExercises: z.boolean().optional(),
  oneRepMax: z.enum(ONE_REP_MAX_FORMULAS).optional(),
  ruleWeights: z.record(z.string(), z.number().min(0).max(1000)).optional(),
  ruleValues: ruleValuesSchema.optional(),
  preferredDays: z.array(weekday).max(7).optional(),
  shortTime: z.enum(["essential-five", "essential-five-swim"]).optional(),
  jumps: z.enum(["by-gate", "on", "off"]).optional(),
  weightLoss: z
    .strictObject({ start: date, end: date })
    .refine((s) => s.end >= s.start, { path: ["end"], error: "a date on or after its start expected" })
    .optional(),
});

export const awaySchema = z.strictObject({
  start: date,
  end: date,
  kind: z.enum(AWAY_KINDS),
  place: id.optional(),
  hours: z.number().min(0).max(72).optional(),
  zones: z.int().min(0).max(12).optional(),
});

export const windowSchema = z.strictObject({
  day: weekday,
  start: time,
  minutes: z.int().min(10).max(MINUTES_A_DAY),
  place: id,
});
export const phaseSchema = z.strictObject({ phase: z.enum(PHASES), start: date, end: date });
export const lockedSchema = z.strictObject({ date, start: time, place: id, label: z.enum(LABELS) });

const label = z.enum(LABELS);
/** Lengths a session can be shortened to, whole minutes. */
export const SESSION_MINUTES = { least: 20, most: 300 };
const sessionMinutes = z.int().min(SESSION_MINUTES.least).max(SESSION_MINUTES.most);
export const weekChangeSchema = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("skip"), week: date, label, reason: text.max(200) }),
  z.strictObject({ kind: z.literal("shorten"), week: date, label, minutes: sessionMinutes }),
  z.strictObject({ kind: z.literal("missed"), date, label }),
  z.strictObject({ kind: z.literal("closed"), place: id, start: date, end: date, instead: id.optional() }),
  z.strictObject({
    kind: z.literal("window"),
    date,
    start: time,
    minutes: z.int().min(10).max(MINUTES_A_DAY),
    place: id,
  }),
]);

export const loggedSetSchema = z.strictObject({
  reps: count.optional(),
  seconds: z.number().min(0).max(7200).optional(),
  loadKg: mass.optional(),
  rir: scale.optional(),
  side: z.enum(SIDES),
  clean: count.optional(),
  at: line.max(40).optional(),
});

export const strengthLogSchema = z.strictObject({
  date,
  start: time.optional(),
  minutes: z.number().min(0).max(600).optional(),
  rpe: scale.optional(),
  label: z.enum(LABELS),
  items: z.array(
    z.strictObject({
      exercise: id,
      prescribed: z
        .strictObject({
          sets: count,
          reps: count.optional(),
          repsLow: count.optional(),
          most: count.optional(),
          seconds: z.number().min(0).optional(),
          rir: scale.optional(),
          loadKg: mass.optional(),
          tempo: z
            .string()
            .regex(/^\d{1,2}-\d{1,2}-\d{1,2}$/, "seconds of lowering, pause and lifting expected, such as 3-0-1")
            .optional(),
          half: z.boolean().optional(),
        })
        .optional(),
      sets: z.array(loggedSetSchema),
      pain: scale.optional(),
      nextDayPain: scale.optional(),
      felt: z.enum(FELT).optional(),
    }),
  ),
});

const counted = z.strictObject({ massKg: positive.max(500), count });
export const placeSchema = z.strictObject({
  id,
  bars: list(z.strictObject({ id, kind: z.enum(BAR_KINDS), massKg: positive.max(100) })),
  plates: list(z.strictObject({ massKg: positive.max(100), pairs: count })),
  dumbbellsKg: list(counted),
  kettlebellsKg: list(counted),
  bands: list(text),
  boxesCm: list(positive.max(300)),
  machines: list(z.strictObject({ kind: id, fromKg: mass, toKg: mass, stepKg: positive.max(100) })),
  other: list(text),
  stairsCm: positive.max(60).optional(),
  rucksack: z
    .strictObject({ emptyKg: mass, maxKg: positive.max(60), stepKg: positive.max(20) })
    .refine((r) => r.maxKg >= r.emptyKg, { path: ["maxKg"], error: "a mass of at least emptyKg expected" })
    .optional(),
  bottlesKg: z.array(positive.max(20)).max(20).optional(),
});

export const pathwayStepSchema = z.strictObject({
  stage: z.enum(PATHWAY_STAGES),
  date,
  by: text.max(120),
  clinician: text.max(120).optional(),
  limits: prose.max(2000).optional(),
});

export const healthSchema = z.strictObject({
  clearanceNeeded: z.boolean(),
  clearance: z
    .strictObject({
      date,
      by: text,
      limits: prose.max(2000),
      rules: z.array(z.enum(CLEARANCE_RULES)).optional(),
    })
    .optional(),
  areas: list(
    z.strictObject({
      area: z.enum(AREAS),
      side: z.enum(SIDES),
      status: z.enum(["current", "recent", "past"]),
      since: date.optional(),
      setOffBy: text.optional(),
    }),
  ),
  pathways: z
    .array(z.strictObject({ area: z.enum(AREAS), side: z.enum(SIDES), since: date, steps: z.array(pathwayStepSchema) }))
    .max(100)
    .optional(),
});
export const seasonSchema = z.strictObject({ start: date, end: date });
export const screeningSchema = z.strictObject({
  test: z.enum(SCREEN_TESTS),
  date,
  left: z.number().min(0).optional(),
  right: z.number().min(0).optional(),
  value: z.number().min(0).optional(),
});
export const seenSchema = z.strictObject({ what: z.enum(SEEN), date, side: z.enum(SIDES).optional() });
export const editItemSchema = z.strictObject({
  exercise: id,
  group: z.int().min(0).max(99),
  sets: z.int().min(1).max(10),
  repsLow: z.int().min(1).max(100).optional(),
  reps: z.int().min(1).max(100).optional(),
  seconds: z.number().min(1).max(600).optional(),
  rir: z.number().min(0).max(10).optional(),
  restSeconds: z.number().min(0).max(900).optional(),
  loadKg: z.number().min(0).max(600).optional(),
  note: prose.max(300).optional(),
});
export const sessionEditSchema = z.strictObject({
  week: date,
  label: z.enum(LABELS),
  items: z.array(editItemSchema).min(1).max(20),
  note: prose.max(600).optional(),
});
export const overruleSchema = z.strictObject({
  date,
  exercise: id,
  kind: z.enum(DECISIONS),
  loadKg: z.number().min(0).max(600).optional(),
  reps: z.int().min(1).max(100).optional(),
  seconds: z.number().min(1).max(600).optional(),
  sets: z.int().min(1).max(10).optional(),
  reason: prose.max(200).optional(),
});

export const checkInSchema = z.strictObject({
  date,
  sleepH: z.number().min(0).max(24).optional(),
  soreness: z.int().min(0).max(10).optional(),
  feeling: z.int().min(1).max(5).optional(),
  pain: z
    .array(z.strictObject({ area: z.enum(AREAS), side: z.enum(SIDES), level: z.int().min(0).max(10) }))
    .max(26)
    .optional(),
  ill: z.boolean().optional(),
  taken: z.boolean().optional(),
});

export const homeworkSchema = z.strictObject({ date, item: id, done: z.boolean() });

export const rungsSchema = z.array(z.strictObject({ ladder: id, exercise: id }));
export const athleteSchema: z.ZodType<Athlete, unknown> = z.strictObject({
  format: z.literal("field-anchor/athlete"),
  version: z.literal(1),
  athlete: factsSchema,
  settings: settingsSchema.optional(),
  season: seasonSchema,
  health: healthSchema,
  places: list(placeSchema),
  availability: list(windowSchema),
  away: list(awaySchema),
  changes: z.array(weekChangeSchema).max(2000).optional(),
  locked: z.array(lockedSchema).optional(),
  screening: list(screeningSchema),
  seen: list(seenSchema),
  races: list(raceSchema),
  pastRaces: z.array(raceSchema).max(2000).optional(),
  phases: z.array(phaseSchema).optional(),
  pastPhases: z.array(phaseSchema).max(500).optional(),
  endurance: list(enduranceSchema),
  endurancePlan: endurancePlanSchema.optional(),
  strengthLog: list(strengthLogSchema),
  rungs: rungsSchema.optional(),
  approaches: z.array(approachSchema).max(20).optional(),
  edits: z.array(sessionEditSchema).max(500).optional(),
  overrules: z.array(overruleSchema).max(2000).optional(),
  checkIns: z.array(checkInSchema).max(4000).optional(),
  homework: z.array(homeworkSchema).max(12000).optional(),
});
