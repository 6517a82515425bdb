/** What the HTTP interface takes, checked with Zod; the shapes are those of the athlete file. */
import { z } from "zod";
import {
  enduranceSchema,
  lockedSchema,
  phaseSchema,
  raceSchema,
  strengthLogSchema,
  windowSchema,
} from "../formats/athlete-schema";

export const raceBody = raceSchema.omit({ id: true });
export const enduranceBody = enduranceSchema;
export const windowsBody = z.strictObject({ windows: z.array(windowSchema) });
export const phasesBody = z.strictObject({ phases: z.array(phaseSchema) });
export const lockBody = lockedSchema;
export const heldBody = z.strictObject({ sessions: z.array(lockedSchema).nullable() });
export const logBody = strengthLogSchema;
export { enduranceSchema, lockedSchema, raceSchema, strengthLogSchema, windowSchema };

export type RaceBody = z.infer<typeof raceBody>;
export type EnduranceBody = z.infer<typeof enduranceBody>;
