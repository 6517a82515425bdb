/** What was lifted and measured, and what the coach decided about it. */
import type { ClockTime, IsoDate } from "../dates";
import type { Area, FELT, Label, ScreenTest, Side } from "./kinds";

export interface LoggedSet {
  reps?: number;
  seconds?: number;
  loadKg?: number;
  rir?: number;
  side: Side;
  clean?: number;
  /** When it was logged, ISO 8601 with milliseconds; tells two equal sets apart. */
  at?: string;
}

export interface Prescribed {
  sets: number;
  reps?: number;
  repsLow?: number;
  /** Top of the range, where less was asked for on the way to it. */
  most?: number;
  seconds?: number;
  rir?: number;
  loadKg?: number;
  /** Lowering-pause-lifting in seconds, where it is slower than the exercise's own. */
  tempo?: string;
  /** One and a half repetitions in one. */
  half?: boolean;
}

export interface LoggedItem {
  exercise: string;
  prescribed?: Prescribed;
  sets: LoggedSet[];
  pain?: number;
  nextDayPain?: number;
  felt?: (typeof FELT)[number];
}

export interface StrengthLog {
  date: IsoDate;
  start?: ClockTime;
  minutes?: number;
  rpe?: number;
  label: Label;
  items: LoggedItem[];
}

export interface Screening {
  test: ScreenTest;
  date: IsoDate;
  left?: number;
  right?: number;
  value?: number;
}

/** One exercise of a session made by hand. What is left out is worked out as for any other session. */
export interface EditItem {
  exercise: string;
  /** Items of the same number stand in one pair or trio. */
  group: number;
  sets: number;
  repsLow?: number;
  reps?: number;
  seconds?: number;
  rir?: number;
  restSeconds?: number;
  /** Set by hand; otherwise the load rules say. */
  loadKg?: number;
  note?: string;
}

/** A session of a week as the coach made it; it stays so wherever in the week it stands. */
export interface SessionEdit {
  week: IsoDate;
  label: Label;
  items: EditItem[];
  note?: string;
}

export const DECISIONS = [
  "up-load",
  "up-reps",
  "up-seconds",
  "up-sets",
  "next-rung",
  "slower",
  "same",
  "fewer-reps",
  "down-load",
  "back-rung",
  "stop",
] as const;
export type DecisionKind = (typeof DECISIONS)[number];
/** What the coach decided after a log instead of the rules; it holds until the exercise is logged again. */
export interface Overrule {
  /** Day of the log that was decided on. */
  date: IsoDate;
  exercise: string;
  kind: DecisionKind;
  loadKg?: number;
  reps?: number;
  seconds?: number;
  sets?: number;
  reason?: string;
}

/** What an athlete said before a session; whatever is left out was not asked or not answered. */
export interface CheckIn {
  date: IsoDate;
  sleepH?: number;
  /** Of the legs, 0 to 10. */
  soreness?: number;
  /** 1 to 5. */
  feeling?: number;
  pain?: { area: Area; side: Side; level: number }[];
  /** Fever, or symptoms below the neck. */
  ill?: boolean;
  /** The change that it asks for: taken, or refused; none where it asks for none or nobody has answered. */
  taken?: boolean;
}

/** One thing of a day's homework: an exercise by its id, or "activation". */
export interface HomeworkTick {
  date: IsoDate;
  item: string;
  done: boolean;
}
