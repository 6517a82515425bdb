/** Values that the athlete file is made of. */
import { z } from "zod";
import { isDate } from "../../core/dates";

const DATE_TEXT = 'a real date such as "2026-03-02" expected';
export const date = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/, DATE_TEXT)
  .refine(isDate, DATE_TEXT);
export const time = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day such as "18:30" expected');
/** Words on one line: they reach calendars, file names and lists as they are. */
export const line = z
  .string()
  .regex(/^[^\p{Cc}\u2028\u2029]*$/u, "text on one line without control characters expected");
/** Words on several lines. */
export const prose = z
  .string()
  .regex(/^([^\p{Cc}\u2028\u2029]|[\n\r\t])*$/u, "text without control characters expected");
export const text = line.min(1).max(400);
export const mass = z.number().min(0).max(1000);
export const positive = z.number().gt(0);
export const scale = z.number().min(0).max(10);
export const id = z.string().regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, "lower-case words joined by hyphens expected");
export const weekday = z.int().min(1).max(7);
export const count = z.int().min(0).max(1000);

/** A list that may be left out, and is then empty. */
export const list = <T extends z.ZodType>(of: T) => z.array(of).default([]);
