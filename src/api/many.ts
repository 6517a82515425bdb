/** Groups of athletes, and a change made for many of them: what is sent, and what each would get of it. */
import { z } from "zod";
import { type Emphasis, LABELS, type Label, type Sport } from "../core/athlete";
import type { LoadKind, Pattern } from "../core/exercise";
import { awaySchema, settingsSchema, windowSchema } from "../formats/athlete-schema";
import { raceSchema } from "../formats/schema/endurance";
import {
  date as dateSchema,
  id as idSchema,
  prose as proseSchema,
  text as textSchema,
  time as timeSchema,
} from "../formats/schema/values";

/** Members at most: more than any club has in one group. */
export const MOST_MEMBERS = 200;
const members = z
  .array(idSchema)
  .max(MOST_MEMBERS)
  .refine((all) => new Set(all).size === all.length, "each athlete once expected");

/** The hour a group lifts together, every week. */
export const groupHourSchema = z.strictObject({
  /** Weekday, Monday 1. */
  day: z.int().min(1).max(7),
  start: timeSchema,
  /** Until when the room is theirs, min after the start. */
  minutes: z.int().min(20).max(300),
  place: idSchema,
  racks: z.int().min(0).max(50),
  /** Athletes whom the coaches in the room can watch at once. */
  eyes: z.int().min(1).max(MOST_MEMBERS),
});
export type GroupHour = z.infer<typeof groupHourSchema>;

export const groupBody = z.strictObject({
  name: textSchema.min(1, "a name expected").max(80),
  members,
  hour: groupHourSchema.nullable(),
});
export type GroupBody = z.infer<typeof groupBody>;
export interface GroupView extends GroupBody {
  id: string;
}

const ordered = (c: { start: string; end: string }) => c.end >= c.start;
const ORDER = { path: ["end"], message: "a date on or after the first day expected" };

/** One change, as it is made for each of them. */
export const manyChangeSchema = z.discriminatedUnion("kind", [
  z.strictObject({
    kind: z.literal("away"),
    away: awaySchema.omit({ place: true }).refine(ordered, ORDER),
    /** The planned endurance of those days is left out; without it, it stays. */
    leaveOut: z.boolean(),
  }),
  z
    .strictObject({
      kind: z.literal("closed"),
      place: idSchema,
      start: dateSchema,
      end: dateSchema,
      instead: idSchema.nullable(),
    })
    .refine(ordered, ORDER),
  z.strictObject({ kind: z.literal("race"), race: raceSchema.omit({ id: true, result: true }) }),
  z.strictObject({ kind: z.literal("approach"), approach: settingsSchema.shape.approach.unwrap() }),
  z.strictObject({ kind: z.literal("template"), template: idSchema, week: dateSchema, label: z.enum(LABELS) }),
  /** The usual endurance week of one of them, for the others; each keeps their own amounts. */
  z.strictObject({ kind: z.literal("usual-week"), from: idSchema }),
  z.strictObject({ kind: z.literal("note"), week: dateSchema, text: proseSchema.min(1, "a text expected").max(2000) }),
  /** One more free time slot of every week. */
  z.strictObject({ kind: z.literal("window"), window: windowSchema }),
]);
export type ManyChange = z.infer<typeof manyChangeSchema>;
export type ManyKind = ManyChange["kind"];

export const manyTryBody = z.strictObject({ change: manyChangeSchema });
/** `revision` is the state of the athlete that the preview was made from. */
export const manyBody = z.strictObject({
  change: manyChangeSchema,
  athletes: z
    .array(z.strictObject({ id: idSchema, revision: z.int().min(1) }))
    .min(1, "one athlete or more expected")
    .max(1000)
    .refine((all) => new Set(all.map((a) => a.id)).size === all.length, "each athlete once expected"),
});
export type ManyBody = z.infer<typeof manyBody>;

/** What a change would do to one athlete; nothing is stored. */
export interface ManyPreview {
  id: string;
  name: string;
  revision: number;
  /** Why it can not be made for this athlete; null where it can. */
  fault: string | null;
  /** It would leave everything as it is. */
  same: boolean;
  /** What changes, in words, in order of time. */
  lines: string[];
  /** Sessions that find no room any more. */
  noRoom: string[];
}

export interface ManyAnswer {
  /** By which it is taken back; null where nobody was changed. */
  batch: string | null;
  what: string;
  changed: { id: string; name: string }[];
  /** Left out, each with the reason. */
  left: { id: string; name: string; why: string }[];
}

/** One change of many that was made, or taken back. */
export interface ManyEntry {
  batch: string;
  at: string;
  what: string;
  athletes: number;
  undone: boolean;
}

/** What a change for many can be about. */
export interface ManyChoices {
  athletes: { id: string; name: string; sport: Sport; places: string[]; usualWeek: boolean }[];
  templates: { id: string; name: string }[];
  approaches: { id: string; name: string }[];
}

/** What one member does at a station of the group's hour. */
export interface StationWork {
  exercise: string;
  name: string;
  sets: number;
  reps: number | null;
  seconds: number | null;
  loadKg: number | null;
  loading: LoadKind;
  eachSide: boolean;
  /** Names of the steps beside it that are open to them. */
  easier: string | null;
  harder: string | null;
}

export interface GroupMemberView {
  id: string;
  name: string;
  revision: number;
  massUnit: "kg" | "lb";
  /** The session of their week that stands in the hour; null where none may. */
  label: Label | null;
  emphasis: Emphasis | null;
  start: number | null;
  minutes: number | null;
  /** Minutes from their start in which a rack is theirs, and its number. */
  rack: { from: number; to: number; number: number | null } | null;
  /** Points that their week costs more than with its best. */
  cost: number | null;
  why: string | null;
  /** The hour is no free time of theirs and is opened for them. */
  opens: boolean;
  /** It stands there already, locked. */
  stands: boolean;
  /** Where it stands now; null where it stands nowhere. */
  before: { date: string; start: number; place: string } | null;
}

export interface GroupSessionView {
  group: GroupView;
  today: string;
  date: string;
  start: number;
  members: GroupMemberView[];
  /** Kinds of work, those that most share first, each with the work of every member who has it. */
  stations: { pattern: Pattern; work: { member: string; items: StationWork[] }[] }[];
}

/** Whose places of the hour are taken over, with the state that was seen. */
export const groupTakeBody = z.strictObject({
  athletes: z
    .array(z.strictObject({ id: idSchema, revision: z.int().min(1) }))
    .min(1, "one athlete or more expected")
    .max(MOST_MEMBERS),
});

/** Who of a group lifts today. */
export interface GroupFloorView {
  group: GroupView;
  today: string;
  date: string;
  members: { id: string; name: string; massUnit: "kg" | "lb"; label: Label | null; absent: boolean }[];
}
