/** The season's weeks in a row, to walk through: phase, planned training load, and what could not be placed. */
import { memo } from "react";
import { Link } from "react-router";
import type { SeasonWeekView } from "../../api/views";
import { addDays } from "../../core/dates";
import { useSeason } from "../data/hooks";
import { PHASE_NAMES, span } from "../format";
import { STRATA } from "../section/patterns";
import { useSize } from "../section/useSize";

/** Least width of a week, so that it can be hit; as many as there is room for stand around the one shown. */
const LEAST = 26;

const trainingLoadOf = (w: SeasonWeekView): number => w.sessions.reduce((a, s) => a + s.stress, 0);

export const WeekStrip = memo(function WeekStrip({ id, monday }: { id: string; monday: string }) {
  const season = useSeason(id);
  const [ref, size] = useSize<HTMLElement>();
  const all = season.data?.weeks ?? [];
  const room = Math.max(1, Math.floor((size?.width ?? 0) / LEAST));
  const at = all.findIndex((w) => w.start === monday);
  const first = Math.max(0, Math.min(at - Math.floor(room / 2), all.length - room));
  const weeks = size ? all.slice(first, first + room) : [];
  const deepest = Math.max(1, ...weeks.map(trainingLoadOf));
  return (
    <nav ref={ref} aria-label="Weeks of the season" className="flex h-7 min-w-0 flex-1 items-end gap-px">
      {weeks.map((w) => (
        <Link
          key={w.start}
          to={`/a/${id}/week/${w.start}`}
          aria-current={w.start === monday ? "page" : undefined}
          aria-label={`Week ${w.isoWeek}, ${span(w.start, addDays(w.start, 6))}, ${PHASE_NAMES[w.phase]}`}
          title={`Week ${w.isoWeek}, ${span(w.start, addDays(w.start, 6))}, ${PHASE_NAMES[w.phase]}`}
          className={`relative h-[26px] min-w-0 flex-1 border-b-2 ${w.start === monday ? "border-iron outline-2 outline-iron" : "border-transparent"}`}
          style={{ background: STRATA[w.phase].tint }}
        >
          <span
            className="absolute top-0 right-[25%] left-[25%] bg-iron"
            style={{ height: `${Math.round((trainingLoadOf(w) / deepest) * 100)}%`, opacity: w.done ? 0.9 : 0.55 }}
          />
        </Link>
      ))}
    </nav>
  );
});
