/**
 * Who may do what: one table, used by the server, its tests and the screens alike. A route that stands in no line of it is refused to everybody.
 */

export const ROLES = ["owner", "coach", "assistant", "athlete"] as const;
export type Role = (typeof ROLES)[number];
/**
 * How far a right goes. all: every athlete, and what belongs to the club. own: the athletes assigned, or oneself; what belongs to the club only
 * where every athlete is assigned. none: not at all.
 */
export type Reach = "all" | "own" | "none";

/** The table. */
export const MAY = {
  anyone: { owner: "all", coach: "all", assistant: "all", athlete: "all" },
  session: { owner: "all", coach: "all", assistant: "all", athlete: "all" },
  "club.see": { owner: "all", coach: "all", assistant: "all", athlete: "all" },
  "method.read": { owner: "all", coach: "all", assistant: "none", athlete: "none" },
  "club.change": { owner: "all", coach: "own", assistant: "none", athlete: "none" },
  backups: { owner: "all", coach: "none", assistant: "none", athlete: "none" },
  accounts: { owner: "all", coach: "none", assistant: "none", athlete: "none" },
  gym: { owner: "all", coach: "all", assistant: "all", athlete: "none" },
  groups: { owner: "all", coach: "all", assistant: "none", athlete: "none" },
  "athlete.add": { owner: "all", coach: "all", assistant: "none", athlete: "none" },
  "plan.read": { owner: "all", coach: "own", assistant: "none", athlete: "own" },
  "plan.change": { owner: "all", coach: "own", assistant: "none", athlete: "none" },
  "session.read": { owner: "all", coach: "own", assistant: "all", athlete: "own" },
  log: { owner: "all", coach: "own", assistant: "all", athlete: "own" },
  swap: { owner: "all", coach: "own", assistant: "all", athlete: "own" },
  "health.read": { owner: "all", coach: "own", assistant: "none", athlete: "own" },
  "health.change": { owner: "all", coach: "own", assistant: "none", athlete: "none" },
  tell: { owner: "all", coach: "own", assistant: "none", athlete: "own" },
  phone: { owner: "all", coach: "own", assistant: "none", athlete: "own" },
  "phone.admit": { owner: "all", coach: "own", assistant: "none", athlete: "none" },
  "came-in": { owner: "all", coach: "all", assistant: "none", athlete: "none" },
  "access.read": { owner: "all", coach: "own", assistant: "none", athlete: "own" },
  whole: { owner: "all", coach: "own", assistant: "none", athlete: "none" },
} as const satisfies Record<string, Readonly<Record<Role, Reach>>>;

/** What can be asked for. */
export type Need = keyof typeof MAY;

/** Who asks. `athletes` are those assigned, or oneself. */
export interface Who {
  role: Role;
  athletes: "all" | readonly string[];
}

/** Where nobody is asked who they are. */
export const NOBODY_ASKED: Who = { role: "owner", athletes: "all" };

/** @param athlete whom it is about; null where it is about the club */
export function may(who: Who, need: Need, athlete: string | null = null): boolean {
  const reach: Reach = MAY[need][who.role];
  if (reach === "none") return false;
  if (reach === "all" || who.athletes === "all") return true;
  return athlete !== null && who.athletes.includes(athlete);
}

/** Whether an athlete stands in what a view of the club shows. */
export const sees = ({ role, athletes }: Who, athlete: string): boolean =>
  role === "owner" || role === "assistant" || athletes === "all" || athletes.includes(athlete);
