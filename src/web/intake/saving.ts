/** What becomes of one step of the intake: typed, sent, stored, refused. */
import type { Fault } from "../../formats/fault";

export interface Saving<T> {
  value: T;
  /** Faults by path, as the server would say them. */
  faults: readonly Fault[];
  state: "saved" | "saving" | "waiting";
  /** What could not be stored, in one sentence. */
  problem: string;
}

export type SavingAction<T> =
  | { type: "typed"; value: T }
  /** Not sent: the body has faults of its own. */
  | { type: "incomplete"; faults: readonly Fault[] }
  | { type: "sent" }
  /** The server has `sent`; `instead` where somebody else's version was kept. */
  | { type: "stored"; sent: T; instead?: T }
  | { type: "refused"; faults: readonly Fault[]; problem: string };

/** @param draft what was typed and never reached the server; null where there is none */
export const opened = <T>(draft: T | null, stored: T): Saving<T> => ({
  value: draft ?? stored,
  faults: [],
  state: draft === null ? "saved" : "waiting",
  problem: "",
});

/** @returns the next state; an answer to something older than what stands there now changes nothing */
export function saving<T>(state: Saving<T>, action: SavingAction<T>): Saving<T> {
  switch (action.type) {
    case "typed":
      return { ...state, value: action.value, state: "saving" };
    case "incomplete":
      return { ...state, faults: action.faults, state: "waiting" };
    case "sent":
      return { ...state, faults: [], state: "saving" };
    case "stored":
      if (action.sent !== state.value) return state;
      return { value: action.instead ?? state.value, faults: [], state: "saved", problem: "" };
    case "refused":
      return { ...state, faults: action.faults, state: "waiting", problem: action.problem };
  }
}
