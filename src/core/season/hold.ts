/** A hold that is shared out over two visits (rule hold.visits). */
import { type Athlete, ageRange, isOn } from "../athlete";
import { numbers, type Why, why } from "../rulebook";
import type { SeasonDay } from "./day";

/**
 * @returns why a day's hold is shared out over visits of one lead each; null where one session holds both, and where the week has not days enough
 * for more than one
 */
export function holdInVisits(
  athlete: Athlete,
  day: Pick<SeasonDay, "date" | "phase" | "emphasis" | "loading">,
): Why | null {
  if (day.phase !== "race" || day.emphasis !== "hold" || day.loading !== "full" || !isOn(athlete, "hold.visits"))
    return null;
  const { minutes, visits } = numbers("hold.visits", athlete.settings?.ruleValues);
  if (new Set(athlete.availability.map((w) => w.day)).size < visits) return null;
  const { from } = numbers("gate.masters");
  if (ageRange(athlete.athlete.birthYear, day.date).oldest >= from)
    return why("hold.visits", "masters", { from, visits });
  return athlete.availability.every((w) => w.minutes < minutes)
    ? why("hold.visits", "short", { minutes, visits })
    : null;
}
