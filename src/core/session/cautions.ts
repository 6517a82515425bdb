/** Cautions of a session: they stand where the decision is made. */
import { AREA_WORDS } from "../athlete";
import { say } from "../rulebook";
import type { Item, SessionRequest } from "./types";

export function cautionsFor(items: readonly Item[], r: SessionRequest): string[] {
  const has = (p: string) => items.some((i) => i.exercise.pattern === p);
  const bar = items.some((i) => i.loading === "bar");
  const out: string[] = [];
  out.push(...r.choice.gate.why.map((w) => w.text));
  const { clearance } = r.choice.athlete.health;
  if (clearance?.limits) out.push(`Cleared by ${clearance.by}: ${clearance.limits}`);
  if (bar) out.push("Brace first, neutral spine. Safety pins set, or somebody who knows the lift beside the bar.");
  if (items.some((i) => i.exercise.pattern === "hinge" && i.loading === "bar"))
    out.push("Push the floor away; no pulling with the arms, knees never locked.");
  if (items.some((i) => i.loading === "machine")) out.push("Not to failure on machines; knees stay soft.");
  if (items.some((i) => i.exercise.needs.some((n) => n.includes("step") || n.includes("box"))) && has("split-squat"))
    out.push("Steps and boxes rigid, on level ground; lower the box before the form goes.");
  if (r.choice.areas.length > 0)
    out.push(
      say(
        "choice.trouble",
        "noted",
        r.choice.areas.map((a) => AREA_WORDS[a]),
      ),
    );
  const shoes = r.choice.athlete.health.areas.some((a) => a.setOffBy?.includes("shoes"));
  if (shoes)
    out.push(
      "Shoes set trouble off before: a new stiff pair counts as a load increase, with calf raises and heel walks first.",
    );
  out.push("No lifting with fever. Range ends where control ends.");
  return out;
}
