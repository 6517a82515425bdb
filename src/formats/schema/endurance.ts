/** Races, endurance sessions and the endurance plan of the athlete file. */
import { z } from "zod";
import { PHASES, PRIORITIES, SESSION_KINDS, SESSION_SPORTS } from "../../core/athlete";
import { date, id, line, mass, positive, prose, scale, text, time } from "./values";

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
