/** Leg freshness where it matters: at the start of each key session. Pure. */
import type { EnduranceView, WeekView } from "../../../api/views";
import { daysBetween, MINUTES_A_DAY } from "../../../core/dates";

/** @returns the week's key sessions with their minute from Monday and the curve's value there */
export function keyFreshness(view: WeekView): { e: EnduranceView; minute: number; value: number }[] {
  const falling = [...view.freshness.curve].reverse();
  return view.endurance.flatMap((e) => {
    const minute = daysBetween(view.monday, e.date) * MINUTES_A_DAY + e.startMinutes;
    const value = falling.find(([m]) => m <= minute)?.[1];
    return e.isKey && minute >= 0 && value !== undefined ? [{ e, minute, value }] : [];
  });
}
