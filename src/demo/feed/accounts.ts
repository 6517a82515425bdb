/** The club's accounts at the simulated training log. */
import { addDays, type IsoDate } from "../../core/dates";
import { demoTraining } from "../club";
import { PROFILES } from "../profiles";
import type { Account } from "./world";

/** Days before the club was made that the log knows too; what the club has of them already is told again. */
export const KNOWN_DAYS = 3;

export const accountName = (athlete: string): string => athlete.toLowerCase().replace(/[^a-z]+/g, "-");

/** @param made day on which the demo club was made; its plan from then on is what the devices record */
export const demoAccounts = (made: IsoDate): { accounts: Account[]; from: IsoDate } => ({
  accounts: PROFILES.map(
    (p): Account => ({
      account: accountName(p.facts.name),
      zone: p.facts.timeZone ?? "UTC",
      seed: p.seed,
      sessions: demoTraining(p, made).endurance,
    }),
  ),
  from: addDays(made, -KNOWN_DAYS),
});
