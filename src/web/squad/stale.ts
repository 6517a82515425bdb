/** Rows of the squad that tell the state before the last change: which, why, and what is said of them. */
import type { SquadRow, SquadView } from "../../api/views";
import { counted, SPORT_NAMES } from "../format";

const STALE = { behind: "being worked out anew", failed: "could not be worked out" } as const;
export type Stale = keyof typeof STALE;
type StaleRows = Pick<SquadView, Stale>;

const WHYS = Object.keys(STALE) as Stale[];

/** @returns by athlete, why the row is an older one */
export const staleIn = (squad: StaleRows | undefined): ReadonlyMap<string, Stale> =>
  new Map(WHYS.flatMap((why) => squad?.[why].map((id) => [id, why] as const) ?? []));

/** What stands under a name: the sport, or why the row is an older one. */
export const staleWords = (row: Pick<SquadRow, "sport">, stale: Stale | undefined): string =>
  stale ? STALE[stale] : SPORT_NAMES[row.sport];

/** How many rows are older ones, for those who do not see them. */
export const staleSummary = (squad: StaleRows): string =>
  WHYS.filter((why) => squad[why].length > 0)
    .map((why) => `${counted(squad[why].length, "row")} ${STALE[why]}`)
    .join(", ");
