/** Units of this phone. */
import type { PhoneScreen } from "../api/phoneViews";
import type { Units } from "../web/format";

const UNITS = "field-anchor:units";
/** Units as chosen on this phone; else those of the athlete's file. */
export function unitsOf(screen: Pick<PhoneScreen, "massUnit" | "distanceUnit">): Units {
  try {
    return {
      massUnit: screen.massUnit,
      distanceUnit: screen.distanceUnit,
      ...(JSON.parse(localStorage.getItem(UNITS) ?? "{}") as Partial<Units>),
    };
  } catch {
    return screen;
  }
}
export const chooseUnits = (units: Partial<Units>): void => localStorage.setItem(UNITS, JSON.stringify(units));
