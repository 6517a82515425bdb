/** What the HTTP interface takes, checked with Zod; the shapes are those of the athlete file. */
import { z } from "zod";
import { AREAS, LABELS, SCREEN_TESTS, SIDES } from "../core/athlete";
import { MINUTES_A_DAY } from "../core/dates";
import { LOADINGS, MUSCLES, type OwnExercise, PATTERNS } from "../core/exercise";
import {
  awaySchema,
  checkInSchema,
  factsSchema,
  healthSchema,
  homeworkSchema,
  lockedSchema,
  overruleSchema,
  pathwayStepSchema,
  phaseSchema,
  placeSchema,
  ruleValuesSchema,
  rungsSchema,
  screeningSchema,
  seasonSchema,
  seenSchema,
  sessionEditSchema,
  settingsSchema,
  strengthLogSchema,
  weekChangeSchema,
  windowSchema,
} from "../formats/athlete-schema";
import { approachSchema } from "../formats/schema/approach";
import { endurancePlanSchema, enduranceSchema, raceSchema } from "../formats/schema/endurance";
import {
  date as dateSchema,
  id as idSchema,
  line as lineSchema,
  prose as proseSchema,
  text as textSchema,
  time as timeSchema,
} from "../formats/schema/values";
import { isCommon } from "./passwords";
import { ROLES } from "./roles";

export const raceBody = raceSchema.omit({ id: true });
export const enduranceBody = enduranceSchema;
/** The endurance plan; null takes it away. */
export const endurancePlanBody = z.strictObject({ plan: endurancePlanSchema.nullable() });
export const windowsBody = z.strictObject({ windows: z.array(windowSchema) });
export const phasesBody = z.strictObject({ phases: z.array(phaseSchema) });
export const lockBody = lockedSchema;
export const heldBody = z.strictObject({
  sessions: z.array(lockedSchema).nullable(),
  what: textSchema.max(120).optional(),
});
export const logBody = strengthLogSchema;
/** A log with what the device last had from the server, so that what others logged meanwhile stays. */
export const mergeLogBody = z.strictObject({ base: strengthLogSchema.nullable(), log: strengthLogSchema });
export const restoreBody = z.strictObject({ backup: lineSchema.max(120) });
export const factsBody = factsSchema;
/** The steps of the intake are saved one by one: whatever is left out stays as it is. */
export const intakeBody = z.strictObject({
  facts: factsSchema.optional(),
  settings: settingsSchema.optional(),
  season: seasonSchema.optional(),
  health: healthSchema.optional(),
  places: z.array(placeSchema).optional(),
  availability: z.array(windowSchema).optional(),
  rungs: rungsSchema.optional(),
});
/** One screen: results of a day, and what was seen in the sport; null leaves what was seen before. */
export const screenBody = z.strictObject({
  date: dateSchema,
  results: z.array(screeningSchema.omit({ date: true })),
  seen: z.array(seenSchema.omit({ date: true })).nullable(),
});
/** A stage that the coach confirms, from today on. */
export const pathwayBody = pathwayStepSchema.omit({ date: true }).extend({
  area: z.enum(AREAS),
  side: z.enum(SIDES),
  /** The coach goes on although the sign is not complete. */
  anyway: z.boolean().optional(),
});
export const homeworkBody = homeworkSchema.pick({ done: true });
/** What is said before a session; `taken` once its change was shown and taken, false where it was refused. */
export const checkInBody = checkInSchema.omit({ date: true });
export type CheckInBody = z.infer<typeof checkInBody>;
export type PathwayBody = z.infer<typeof pathwayBody>;
export const swapBody = z.strictObject({ from: idSchema, to: idSchema.nullable() });
export const hiddenBody = z.strictObject({ hidden: z.boolean() });
const lines = z.array(textSchema).max(6);
export const ownExerciseBody: z.ZodType<OwnExercise> = z.strictObject({
  name: textSchema.max(80),
  pattern: z.enum(PATTERNS),
  loading: z.enum(LOADINGS),
  unilateral: z.boolean(),
  unit: z.enum(["reps", "seconds"]),
  needs: z.array(z.array(textSchema)).min(1),
  primary: z.array(z.enum(MUSCLES)).min(1, "at least one muscle expected"),
  secondary: z.array(z.enum(MUSCLES)),
  setup: lines,
  cues: lines,
  mistakes: lines,
  felt: textSchema,
  level: z.union([z.literal(1), z.literal(2), z.literal(3)]),
  notWith: z.array(z.enum(AREAS)),
  gates: z.array(z.enum(SCREEN_TESTS)),
});
/** Rows of an import; each was checked where the file was read, and is checked again here. */
export const importBody = z.strictObject({
  name: textSchema.max(200),
  incoming: z.array(z.strictObject({ session: enduranceSchema, kindGuessed: z.boolean() })).max(100_000),
  races: z.array(raceBody).max(2000),
});
export const absenceBody = z
  .strictObject({ start: dateSchema, end: dateSchema, what: textSchema.max(120) })
  .refine((a) => a.end >= a.start, { path: ["end"], message: "a date on or after the first day expected" });
export const noteBody = z.strictObject({ text: proseSchema.max(2000) });
export const feedBody = z.strictObject({ account: textSchema.max(100).nullable() });
/** What a tried season changes, taken over at once; whatever is left out stays. */
export const scenarioBody = z.strictObject({
  races: z.array(raceSchema).optional(),
  phases: z.array(phaseSchema).optional(),
  availability: z.array(windowSchema).optional(),
  /** All sessions, for taking a change of miles back. */
  endurance: z.array(enduranceSchema).max(100_000).optional(),
  /** Planned endurance from a date on, up to another where one is said, in percent of what is planned now. */
  mileage: z
    .strictObject({ from: dateSchema, until: dateSchema.optional(), percent: z.number().min(20).max(200) })
    .optional(),
  endurancePlan: endurancePlanSchema.optional(),
});
const listed = z.strictObject({
  changes: z.array(weekChangeSchema).max(50).default([]),
  away: z.array(awaySchema).max(50).default([]),
});
/** Changes of a week or of some days: what comes, what goes, and the Monday of the week that is fitted again with it. */
export const weekChangesBody = z.strictObject({
  what: textSchema.max(120),
  add: listed.default({ changes: [], away: [] }),
  drop: listed.default({ changes: [], away: [] }),
  free: dateSchema.optional(),
});
/** Days away, with what becomes of the endurance that stood there. */
export const awayBody = z
  .strictObject({
    away: awaySchema,
    endurance: z
      .array(
        z.strictObject({
          row: textSchema.max(120),
          as: z.enum(["left-out", "done", "moved"]),
          /** Where it is moved to. */
          date: dateSchema.optional(),
        }),
      )
      .max(200)
      .default([]),
    /** Percent of the planned amount in the first endurance week after it. */
    lighterPct: z.number().min(20).max(100).optional(),
  })
  .refine((b) => b.away.end >= b.away.start, {
    path: ["away", "end"],
    message: "a date on or after the first day expected",
  });
export type AwayBody = z.input<typeof awayBody>;
export const gymBody = z.strictObject({ racks: z.int().min(0).max(50), athletes: z.int().min(1).max(200) });
export const gymTakeBody = z.strictObject({ place: idSchema });
/** What to undo or redo: the last change, or one of the history. */
/** The season after this one, and the races that are run again a year later. */
export const nextSeasonBody = seasonSchema.extend({ races: z.array(idSchema).max(2000) });
export const archivedBody = z.strictObject({ archived: z.boolean() });
export const stepBody = z.strictObject({ seq: z.int().min(1).optional() }).default({});
export const moveBody = z.strictObject({ date: dateSchema, start: timeSchema });
const weights = z.record(z.string(), z.number().min(0).max(1000));
export const weightsBody = z.strictObject({
  weights,
  preferredDays: z.array(z.int().min(1).max(7)).max(7).optional(),
  maxMinutesPerDay: z.number().min(10).max(MINUTES_A_DAY).nullable().optional(),
});
export { enduranceSchema, lockedSchema, raceSchema, strengthLogSchema, windowSchema };

export type WeekChangesBody = z.input<typeof weekChangesBody>;
export type WeightsBody = z.infer<typeof weightsBody>;
export type RaceBody = z.infer<typeof raceBody>;
export type EnduranceBody = z.infer<typeof enduranceBody>;
export type ImportBody = z.infer<typeof importBody>;
export type AbsenceBody = z.infer<typeof absenceBody>;
export type ScenarioBody = z.infer<typeof scenarioBody>;
export type IntakeBody = z.infer<typeof intakeBody>;
export type ScreenBody = z.infer<typeof screenBody>;

/** An approach tried or saved; only the coach's copies can be. */
export const approachBody = z.strictObject({ approach: approachSchema, note: lineSchema.max(200).optional() });
export const copyApproachBody = z.strictObject({ basis: textSchema.max(70), name: textSchema.max(60) });
/** What an athlete follows: approach, its exceptions by phase, and the rules switched off. */
export const followBody = z.strictObject({
  approach: settingsSchema.shape.approach,
  approachByPhase: settingsSchema.shape.approachByPhase,
  rulesOff: settingsSchema.shape.rulesOff,
});
/** What a preview tries: a version of a copy, another choice, or rules switched off for everybody. */
export const previewBody = z.strictObject({
  approach: approachSchema.optional(),
  follow: followBody.optional(),
  clubRulesOff: settingsSchema.shape.rulesOff,
});
export const clubRulesBody = z.strictObject({ rulesOff: z.array(textSchema).max(50) });
/** The coach's own numbers of rules: for the club, or for one athlete. */
export const ruleValuesBody = z.strictObject({ values: ruleValuesSchema });
export const compareBody = z.strictObject({ a: textSchema.max(70), b: textSchema.max(70) });
/** A session by hand: its exercises in order with their groups. */
export const editBody = z.strictObject({
  items: sessionEditSchema.shape.items,
  note: sessionEditSchema.shape.note,
});
export const copyEditBody = z.strictObject({ to: z.array(textSchema).min(1).max(200) });
export const templateBody = z.strictObject({ name: textSchema.max(80), items: sessionEditSchema.shape.items });
export const overruleBody = overruleSchema;
export const nextDayBody = z.strictObject({
  date: dateSchema,
  exercise: idSchema,
  pain: z.number().min(0).max(10),
});
export const reviewBody = z.strictObject({
  start: dateSchema,
  end: dateSchema,
  text: proseSchema.max(6000),
  sent: z.boolean(),
});

export type ApproachBody = z.infer<typeof approachBody>;
export type FollowBody = z.infer<typeof followBody>;
export type PreviewBody = z.infer<typeof previewBody>;
export type MergeLogBody = z.infer<typeof mergeLogBody>;
export type EditBody = z.infer<typeof editBody>;
export type TemplateBody = z.infer<typeof templateBody>;
export type OverruleBody = z.infer<typeof overruleBody>;
export type ReviewBody = z.infer<typeof reviewBody>;

/** Until when a point about an athlete is out of the coach's way; null brings it back. */
export const seenBody = z.strictObject({ until: dateSchema.nullable() });

const loginField = textSchema.max(60);
const anyPassword = z.string().refine((p) => p.length <= 200, "200 letters or fewer expected");
/** Twelve letters at least: length is what makes a password hard to guess. */
const passwordField = anyPassword
  .refine((p) => p.length >= 12, "12 letters or more expected")
  .refine((p) => p.length < 12 || !isCommon(p), "a password expected that nobody would try first");
const reach = z.union([z.literal("all"), z.array(idSchema).max(5000)]);
const roleField = z.enum(ROLES);
export const signInBody = z.strictObject({ name: loginField, password: anyPassword });
export const joinBody = z.strictObject({ name: loginField, code: lineSchema.max(40), password: passwordField });
export const newPasswordBody = z.strictObject({ before: anyPassword, password: passwordField });
/** The first account, or that nobody is to be asked. */
export const ownerBody = z.union([
  z.strictObject({ name: loginField, shown: textSchema.max(80), password: passwordField }),
  z.strictObject({ signIn: z.literal(false) }),
]);
/** An athlete's account is one athlete's. */
const oneAthlete = (a: { role: string; athletes: "all" | string[] }): boolean =>
  a.role !== "athlete" || (a.athletes !== "all" && a.athletes.length === 1);
const ONE = { path: ["athletes"], error: "one athlete expected for an account of the role athlete" };
export const accountBody = z
  .strictObject({ name: loginField, shown: textSchema.max(80), role: roleField, athletes: reach })
  .refine(oneAthlete, ONE);
export const changeAccountBody = z
  .strictObject({ role: roleField, athletes: reach, closed: z.boolean() })
  .refine(oneAthlete, ONE);
export type AccountBody = z.infer<typeof accountBody>;
export type ChangeAccountBody = z.infer<typeof changeAccountBody>;

/** The session, and the exercise of it, that something is about. */
export const aboutSchema = z.strictObject({ date: dateSchema, label: z.enum(LABELS), exercise: idSchema.optional() });
export const phoneCodeBody = z.strictObject({ code: lineSchema.max(40), device: textSchema.max(60) });
export const deviceNameBody = z.strictObject({ device: textSchema.max(60) });
/** A session of one's own at another place of its week. */
export const phoneMoveBody = z.strictObject({
  date: dateSchema,
  label: z.enum(LABELS),
  to: z.strictObject({ date: dateSchema, start: timeSchema, place: idSchema }),
});
export const phoneSkipBody = z.strictObject({ date: dateSchema, label: z.enum(LABELS), why: textSchema.max(200) });
/** `id` is made where it is written, so that the same message sent again stands once. */
export const messageBody = z.strictObject({
  id: z.string().regex(/^[0-9a-f]{32}$/, "32 hexadecimal digits expected"),
  text: proseSchema.min(1, "a text expected").max(1000),
  about: aboutSchema.nullable(),
});
export const troubleBody = z.strictObject({
  id: z.string().regex(/^[0-9a-f]{32}$/, "32 hexadecimal digits expected"),
  area: z.enum(AREAS),
  side: z.enum(SIDES),
  level: z.number().int().min(1).max(10),
  text: proseSchema.max(1000),
});
export const publishBody = z.strictObject({ note: proseSchema.max(500) });
/** An arrival is answered, or out of the way until a day. */
export const settleBody = z.strictObject({
  thing: lineSchema.max(200),
  done: z.boolean(),
  until: dateSchema.nullable(),
});
export type MessageBody = z.infer<typeof messageBody>;
export type TroubleBody = z.infer<typeof troubleBody>;
export type PhoneMoveBody = z.infer<typeof phoneMoveBody>;
export type PhoneSkipBody = z.infer<typeof phoneSkipBody>;

const keyField = lineSchema.max(60);
/** What the browser's key answered; its shape is checked where it is verified. */
const keyAnswer = z.looseObject({ id: lineSchema.max(2000) });
export const passkeyAddBody = z.strictObject({ key: keyField, name: textSchema.max(60), response: keyAnswer });
export const passkeySignInBody = z.strictObject({ key: keyField, response: keyAnswer });
