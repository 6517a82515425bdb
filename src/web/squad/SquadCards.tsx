/** The squad on a phone: an athlete a card, with what needs the coach. */

import { Link } from "react-router";
import type { SquadRow } from "../../api/views";
import { daysBetween } from "../../core/dates";
import { useHome } from "../data/session";
import { inDays, PHASE_NAMES } from "../format";
import { STRATA } from "../section/patterns";
import { ICON } from "../ui/glyphs";
import { Due } from "./Due";
import { Needs, openNeeds } from "./Needs";
import { type Stale, staleWords } from "./stale";

interface Props {
  rows: readonly SquadRow[];
  /** Whose rows tell the state before their last change. */
  stale: ReadonlyMap<string, Stale>;
  today: string;
  due: boolean;
}

export function SquadCards({ rows, stale, today, due }: Props) {
  const home = useHome();
  return (
    <ul className="flex flex-col gap-2">
      {rows.map((r) => (
        <li
          key={r.id}
          aria-busy={stale.get(r.id) === "behind"}
          className="rounded-[3px] border border-hair bg-panel p-3"
        >
          <Link to={home(r.id)} className="block">
            <span className="flex items-center gap-2">
              <b className="min-w-0 flex-1 truncate text-lead font-[650]">{r.name}</b>
              <span className="text-label text-ink2">{staleWords(r, stale.get(r.id))}</span>
              {ICON.right}
            </span>
            <span className="mt-1 flex items-center gap-1.5 text-label text-ink2">
              {r.phase && <i className="sw" style={{ background: STRATA[r.phase].tint }} />}
              {r.phase ? `${PHASE_NAMES[r.phase]}, week ${r.phaseWeek} of ${r.phaseWeeks}` : "outside the season"}
              {r.nextRace && (
                <span className="min-w-0 truncate">
                  · {r.nextRace.name}, {inDays(daysBetween(today, r.nextRace.date))}
                </span>
              )}
            </span>
          </Link>
          {(due || openNeeds(r).length > 0) && (
            <div className="mt-2 text-body leading-[18px]">
              {due ? <Due row={r} today={today} /> : <Needs row={r} today={today} most={2} />}
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}
