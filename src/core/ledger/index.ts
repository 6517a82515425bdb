/** The ledger: sets owed by pattern, carried from week to week, dealt out to a week's sessions. What others may use of this room. */
export { type Deal, deal, type Leads, stillOwed, type Unit, type Weighed, worthGiving } from "./deal";
export { kindOf } from "./kinds";
export {
  type Counted,
  closeWeek,
  kindsIn,
  type LedgerLine,
  type LedgerState,
  NO_LEDGER,
  owedIn,
  setsByPattern,
} from "./owed";
export { isLedgerPattern, LEDGER_PATTERNS, type LedgerPattern, SPORT_SHARE, weeklySets } from "./shares";
