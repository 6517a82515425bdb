/** What the answers before a session would change, worked out before they are taken. */
import type { Athlete, CheckIn, Label } from "../../core/athlete";
import { readinessOf } from "../../core/readiness";
import type { ReadinessView } from "../views";
import type { Planned } from "./planned";
import { plannedOn } from "./session";
import { shorterView } from "./shorter";
import { tried } from "./told";

/** How a plan is come by: as it stands, and with another athlete in its place (null where there is none). */
interface Plans {
  now: () => Promise<Planned> | Planned;
  changed: (athlete: Athlete) => Planned | null;
}

/** @returns the verdict in words, and what the session would lose; a plan is asked for only where an answer is not ordinary */
export async function readinessView(
  athlete: Athlete,
  said: CheckIn,
  label: Label,
  plans: Plans,
): Promise<ReadinessView> {
  const verdict = readinessOf(said, athlete.settings?.ruleValues);
  const view: ReadinessView = { session: verdict.session, says: verdict.why.map((w) => w.text), change: null };
  if (verdict.why.length === 0 || verdict.session === "none") return view;
  const now = await plans.now();
  const standing = plannedOn(now, said.date, label);
  if (!standing) return view;
  const then = plans.changed(tried(athlete, said, standing.session));
  return { ...view, change: then ? shorterView(now, then, said.date, label) : null };
}
