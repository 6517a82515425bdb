/** The squad on a phone: an athlete a card, with what needs the coach. */
import { Link } from "react-router";
import type { SquadRow } from "../../api/views";
import { daysBetween } from "../../core/dates";
import { counted, inDays, PHASE_NAMES, SPORT_NAMES } from "../format";
import { STRATA } from "../section/patterns";
import { ICON, WarnIcon } from "../ui/glyphs";

export function SquadCards({ rows, today }: { rows: readonly SquadRow[]; today: string }) {
  return (
    <ul className="flex flex-col gap-2">
      {rows.map((r) => (
        <li key={r.id}>
          <Link to={`/a/${r.id}/week`} className="block rounded-[3px] border border-hair bg-panel p-3">
            <span className="flex items-center gap-2">
              <b className="min-w-0 flex-1 truncate text-lead font-[650]">{r.name}</b>
              <span className="text-label text-ink2">{SPORT_NAMES[r.sport]}</span>
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
            {r.attention.slice(0, 2).map((w) => (
              <span key={w.text} className="mt-2 flex gap-2 text-body leading-[18px]">
                <span className="mt-0.5">
                  <WarnIcon />
                </span>
                {w.text}
              </span>
            ))}
            {r.attention.length > 2 && (
              <span className="mt-1 block pl-[22px] text-label text-ink2">
                {counted(r.attention.length - 2, "more point")}
              </span>
            )}
          </Link>
        </li>
      ))}
    </ul>
  );
}
