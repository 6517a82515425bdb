/** Endurance in a few words. */
import type { PhoneRun } from "../api/phoneViews";
import { enduranceFar, enduranceKind, type Units } from "../web/format";

/** "Easy run 8 km" */
export const runText = (r: Pick<PhoneRun, "sport" | "kind" | "distanceKm">, units: Units): string =>
  `${enduranceKind(r)} ${enduranceFar(r.distanceKm, units)}`.trim();
