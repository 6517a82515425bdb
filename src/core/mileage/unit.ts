/** Amounts in words. */
import type { EndurancePlan } from "../athlete";
import { roundTo } from "../units";

export type Unit = EndurancePlan["unit"];

/** "57.8 km", or hours and minutes. */
export function amountText(amount: number, unit: Unit): string {
  if (unit === "km") return `${roundTo(amount, 1)} km`;
  const minutes = Math.round(amount);
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  return hours === 0 ? `${rest} min` : rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}
