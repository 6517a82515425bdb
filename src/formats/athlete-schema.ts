/** The athlete file, version 1, as Zod schemas; published as docs/formats/athlete.schema.json. Unknown fields are errors. */
import { z } from "zod";
import {
  APPROACHES,
  AREAS,
  type Athlete,
  AWAY_KINDS,
  BAR_KINDS,
  BUILDS,
  CLEARANCE_RULES,
  COLUMNS,
  DECISIONS,
  EMPHASES,
  FELT,
  LABELS,
  ONE_REP_MAX_FORMULAS,
  PATHWAY_STAGES,
  PHASES,
  PRIORITIES,
  SCREEN_TESTS,
  SEEN,
  SESSION_KINDS,
  SESSION_SPORTS,
  SIDES,
  SPORTS,
  STAGES,
} from "../core/athlete";
import { isDate, MINUTES_A_DAY } from "../core/dates";
import { ruleIdOf, SWITCHES, valueFault } from "../core/rulebook";

const DATE_TEXT = 'a real date such as "2026-03-02" expected';
const date = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/, DATE_TEXT)
  .refine(isDate, DATE_TEXT);
const time = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day such as "18:30" expected');
/** Words on one line: they reach calendars, file names and lists as they are. */
const line = z.string().regex(/^[^\p{Cc}\u2028\u2029]*$/u, "text on one line without control characters expected");
/** Words on several lines. */
const prose = z.string().regex(/^([^\p{Cc}\u2028\u2029]|[\n\r\t])*$/u, "text without control characters expected");
const text = line.min(1).max(400);
const mass = z.number().min(0).max(1000);
const positive = z.number().gt(0);
const scale = z.number().min(0).max(10);
const id = z.string().regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, "lower-case words joined by hyphens expected");
const weekday = z.int().min(1).max(7);
const count = z.int().min(0).max(1000);

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

export const raceSchema = z.strictObject({
  id,
  date,
  start: time.optional(),
  days: z.int().min(1).max(60).optional(),
  rounds: z.int().min(1).max(50).optional(),
  name: text,
  sport: z.enum(SESSION_SPORTS),
  distanceKm: positive.max(10_000).optional(),
  ascentM: z.number().min(0).max(100_000).optional(),
  expectedMinutes: positive.max(100_000).optional(),
  priority: z.enum(PRIORITIES),
  result: z
    .strictObject({
      minutes: positive.max(100_000).optional(),
      place: z.int().min(1).max(1_000_000).optional(),
      felt: z.int().min(1).max(5).optional(),
      note: prose.max(600).optional(),
      splits: z
        .strictObject({
          km: positive.max(100),
          minutes: z.array(positive.max(100_000)).min(1).max(200),
          halves: z.tuple([positive.max(100_000), positive.max(100_000)]),
        })
        .optional(),
    })
    .optional(),
});

export const enduranceSchema = z
  .strictObject({
    date,
    start: time.optional(),
    sport: z.enum(SESSION_SPORTS),
    kind: z.enum(SESSION_KINDS),
    minutes: positive.max(4320),
    distanceKm: z.number().min(0).max(2000).optional(),
    ascentM: z.number().min(0).max(50_000).optional(),
    descentM: z.number().min(0).max(50_000).optional(),
    packKg: mass.optional(),
    rpe: scale.optional(),
    key: z.boolean().optional(),
    done: z.boolean().optional(),
    averageHeartRate: z.number().min(20).max(250).optional(),
    planned: z
      .strictObject({
        date,
        kind: z.enum(SESSION_KINDS),
        minutes: positive.max(4320),
        distanceKm: z.number().min(0).max(2000).optional(),
        ascentM: z.number().min(0).max(50_000).optional(),
        rpe: scale.optional(),
      })
      .optional(),
    source: line.min(1).max(200).optional(),
    insteadOf: z
      .string()
      .regex(
        /^\d{4}-\d{2}-\d{2}\/[a-z0-9-]{1,60}$/,
        'a Monday and the id of a usual session such as "2026-01-05/tue" expected',
      )
      .optional(),
    cancelled: z.literal(true).optional(),
  })
  .refine((e) => !e.cancelled || e.insteadOf !== undefined, {
    path: ["insteadOf"],
    error: "the session of the plan that is left out expected",
  });

const usualSession = z.strictObject({
  id,
  day: z.int().min(1).max(7),
  start: time.optional(),
  sport: z.enum(SESSION_SPORTS),
  kind: z.enum(SESSION_KINDS),
  share: z.number().gt(0).max(1).optional(),
  minutes: positive.max(4320).optional(),
  rpe: scale.optional(),
  key: z.boolean().optional(),
  ascentM: z.number().min(0).max(5000).optional(),
  packKg: mass.optional(),
});
/** Weekly amounts: more than a week has minutes is nobody's. */
const weekAmount = z.number().min(0).max(10_000);
export const endurancePlanSchema = z.strictObject({
  unit: z.enum(["km", "minutes"]),
  usualWeeks: z
    .array(z.strictObject({ phase: z.enum(PHASES).nullable(), sessions: z.array(usualSession).max(28) }))
    .max(5),
  weeks: z.array(z.strictObject({ week: date, amount: weekAmount })).max(1000),
  rule: z
    .strictObject({
      from: date,
      start: weekAmount,
      top: weekAmount,
      risePct: z.number(),
      stepBackEvery: z.int(),
      stepBackTo: z.number(),
      taper: z.boolean(),
      restart: z.boolean(),
    })
    .optional(),
});

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

/** A list that may be left out, and is then empty. */
const list = <T extends z.ZodType>(of: T) => z.array(of).default([]);
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
const span = z.tuple([z.number().min(0).max(600), z.number().min(0).max(600)]).readonly();
const doseCell = z.strictObject({
  sets: span,
  reps: span,
  rir: span.nullable(),
  percent: z.number().gt(0).max(100).nullable(),
  seconds: span,
  restSeconds: z.number().min(0).max(600),
  tempo: z
    .string()
    .regex(/^\d{1,2}-\d{1,2}-\d{1,2}$/, 'lowering-pause-lifting in seconds such as "3-0-1" expected')
    .nullable(),
});
const doseRow = z.strictObject({
  emphasis: z.enum(EMPHASES),
  perWeek: span,
  slides: z.boolean(),
  samePercent: z.boolean(),
  says: text,
  cells: z.strictObject(
    Object.fromEntries(COLUMNS.map((c) => [c, doseCell])) as Record<(typeof COLUMNS)[number], typeof doseCell>,
  ),
});
const linePoint = z.strictObject({ sets: z.int().min(1), reps: z.int().min(1), rir: z.int().min(0) });
const linePoints = z.array(linePoint).min(1).max(8).readonly();
const lineOfPoints = z.strictObject({ points: linePoints, later: linePoints.optional() });
/** Lines that are written down, by part of the season and pattern. */
const lines = z.partialRecord(z.enum(STAGES), z.partialRecord(z.enum(COLUMNS), lineOfPoints));
/** One of the coach's copies of an approach; what its figures may be is checked by core/dose/check. */
export const approachSchema = z.strictObject({
  id: z.string().regex(/^own-[a-z0-9-]{1,60}$/, 'an id such as "own-club" expected'),
  name: text.max(60),
  basis: z.enum(APPROACHES),
  build: z.enum(BUILDS),
  version: z.int().min(1),
  rows: z.strictObject(
    Object.fromEntries(STAGES.map((s) => [s, doseRow])) as Record<(typeof STAGES)[number], typeof doseRow>,
  ),
  lines: lines.optional(),
});

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
export {
  date as dateSchema,
  id as idSchema,
  line as lineSchema,
  prose as proseSchema,
  text as textSchema,
  time as timeSchema,
};

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
