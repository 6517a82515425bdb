/** What the HTTP interface answers: plain views, made by the server from the stored facts and the plan, by subject. */
export type * from "./accountViews";
export type * from "./clubViews";
export type * from "./doseViews";
export type * from "./gymViews";
export type * from "./healthViews";
export type * from "./intakeViews";
export type * from "./phoneViews";
export type * from "./recordViews";
export type * from "./seasonViews";
export type * from "./sessionViews";
export type * from "./weekViews";
