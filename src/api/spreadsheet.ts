/** Spreadsheets of strength work and test results: the rows as they are sent, and what becomes of each. */
import { z } from "zod";
import { loggedSetSchema, screeningSchema } from "../formats/athlete-schema";
import type { LiftFate, TestFate } from "../formats/import/lifts/merge";
import { date as dateSchema, id as idSchema, text as textSchema } from "../formats/schema/values";
import type { ManyAnswer } from "./many";

/** Rows of one import. */
export const MOST_ROWS = 20_000;
export const spreadsheetBody = z.strictObject({
  /** Of the file, as the history names it. */
  name: textSchema.max(200),
  lifts: z
    .array(
      z.strictObject({
        athlete: idSchema,
        date: dateSchema,
        exercise: idSchema,
        sets: z.array(loggedSetSchema).min(1).max(60),
      }),
    )
    .max(MOST_ROWS),
  tests: z.array(screeningSchema.extend({ athlete: idSchema })).max(MOST_ROWS),
  /** What names of exercises mean, by the plain name; "" is left out. The club remembers them. */
  names: z.record(textSchema.max(200), z.union([z.literal(""), idSchema])),
});
export type SpreadsheetBody = z.infer<typeof spreadsheetBody>;

export interface SpreadsheetFates {
  /** In the order of the rows that were sent. */
  lifts: LiftFate[];
  tests: TestFate[];
}
export interface SpreadsheetAnswer extends ManyAnswer, SpreadsheetFates {}

/** Names of exercises that were confirmed before. */
export type KnownNames = Readonly<Record<string, string>>;
