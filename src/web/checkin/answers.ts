/** The answers of a check-in while they are given: a tap each, in any order. */
import type { CheckInBody } from "../../api/requests";
import type { Area, Side } from "../../core/athlete";

export interface Answers {
  sleepH: number | null;
  soreness: number | null;
  feeling: number | null;
  /** Null while it was not said whether something hurts. */
  pain: readonly { area: Area; side: Side; level: number }[] | null;
  ill: boolean;
}

export const NO_ANSWERS: Answers = { sleepH: null, soreness: null, feeling: null, pain: null, ill: false };

export type AnswerAction =
  | { type: "said"; what: "sleepH" | "soreness" | "feeling"; value: number }
  | { type: "no-pain" }
  | { type: "pain"; area: Area; side: Side; level: number }
  | { type: "ill"; ill: boolean };

export function answers(state: Answers, action: AnswerAction): Answers {
  switch (action.type) {
    case "said":
      // The same tap again takes it back.
      return { ...state, [action.what]: state[action.what] === action.value ? null : action.value };
    case "no-pain":
      return { ...state, pain: [] };
    case "pain": {
      const { area, side, level } = action;
      return { ...state, pain: [...(state.pain ?? []).filter((p) => p.area !== area), { area, side, level }] };
    }
    case "ill":
      return { ...state, ill: action.ill };
  }
}

/** All four were answered; illness needs no other answer. */
export const isComplete = (a: Answers): boolean =>
  a.ill || (a.sleepH !== null && a.soreness !== null && a.feeling !== null && a.pain !== null);

export const bodyOf = (a: Answers): CheckInBody => ({
  ...(a.sleepH === null ? {} : { sleepH: a.sleepH }),
  ...(a.soreness === null ? {} : { soreness: a.soreness }),
  ...(a.feeling === null ? {} : { feeling: a.feeling }),
  ...(a.pain === null || a.pain.length === 0 ? {} : { pain: [...a.pain] }),
  ...(a.ill ? { ill: true } : {}),
});
