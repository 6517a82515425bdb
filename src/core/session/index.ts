/** A session: slots, exercises with their dose, pairs, time, what goes first. What others may use of this room. */
export { buildSession } from "./build";
export { candidatesFor } from "./fill";
export { isHeavy, loggedLegs } from "./heavy";
export { prescribedOf } from "./prescribed";
export { groupOf, reserveText, together, workText } from "./said";
export { sheetsFor } from "./sheets";
export { ROUTINE_MINUTES, SPORT_SHARE } from "./slots";
export { competes, groupsOf, setSeconds } from "./time";
export { primarySets } from "./trim";
export type { BuiltSession, Filled, Item, LeftOut, LoadAim, LoadAnswer, LoadQuestion, TimeParts } from "./types";
