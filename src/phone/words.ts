/** Endurance in a few words. */
import type { PhoneRun } from "../api/phoneViews";
import { distance, SPORT_NAMES, type Units } from "../web/format";

const PLAIN: readonly string[] = ["easy", "long", "steady", "technique"];

/** "Easy run 8 km" */
export function runText(r: Pick<PhoneRun, "sport" | "kind" | "distanceKm">, units: Units): string {
  const noun = r.sport === "triathlon" || r.sport === "other" ? "" : ` ${r.sport}`;
  const kind =
    r.kind === "other"
      ? SPORT_NAMES[r.sport]
      : `${r.kind[0]?.toUpperCase()}${r.kind.slice(1)}${PLAIN.includes(r.kind) || r.sport === "swim" ? noun : ""}`;
  return r.distanceKm ? `${kind} ${distance(r.distanceKm, units, r.distanceKm < 10 ? 1 : 0)}` : kind;
}
