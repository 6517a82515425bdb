/** Rules that the coach has switched off. */
import type { Athlete } from "./types";

/** @returns whether a rule of the phases acts for this athlete */
export const isOn = (athlete: Pick<Athlete, "settings">, rule: string): boolean =>
  !(athlete.settings?.rulesOff?.includes(rule) ?? false);
