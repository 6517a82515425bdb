/** Rules that the coach has switched off. */
import { type RuleId, ruleIdOf } from "../rulebook";
import type { Athlete } from "./types";

/** @returns whether a rule acts for this athlete; older ids count, too */
export const isOn = (athlete: Pick<Athlete, "settings">, rule: RuleId): boolean =>
  !(athlete.settings?.rulesOff?.some((id) => ruleIdOf(id) === rule) ?? false);
