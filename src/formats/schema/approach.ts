/** The coach's copies of approaches, as they stand in the athlete file. */
import { z } from "zod";
import { APPROACHES, BUILDS, COLUMNS, EMPHASES, STAGES } from "../../core/athlete";
import { text } from "./values";

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
