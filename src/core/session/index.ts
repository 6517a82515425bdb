/** A session: slots, exercises with their dose, pairs, time, what goes first. What others may use of this room. */
export { buildSession, draftSession, type SessionDraft, withShareOfSets } from "./build";
export { candidatesFor } from "./candidates";
export { isHeavy, loggedLegs } from "./heavy";
export { holdsAsked } from "./jumps";
export { prescribedOf } from "./prescribed";
export { carriedKg, emphasisText, groupOf, heldText, isInTwo, reserveText, slowText, together, workText } from "./said";
export { activationFor, lightDose, lightSeconds, sheetsFor } from "./sheets";
export { leadSlots, ROUTINE_MINUTES, SHORT_MINUTES } from "./slots";
export { competes, groupsOf, setSeconds } from "./time";
export { primarySets } from "./trim";
export type {
  BuiltSession,
  Filled,
  Item,
  LeftOut,
  LoadAim,
  LoadAnswer,
  LoadQuestion,
  SessionRequest,
  TimeParts,
} from "./types";
export { fullest } from "./worth";
