/** The title block: whose plan this is, where it stands and what comes next. */
import { ChevronDown } from "lucide-react";
import { Popover } from "radix-ui";
import { Link } from "react-router";
import type { SquadRow } from "../../api/views";
import { daysBetween } from "../../core/dates";
import { useClub } from "../data/hooks";
import { dayAndYear, inDays, PHASE_NAMES, SPORT_NAMES } from "../format";
import { STRATA } from "../section/patterns";
import { FlagGlyph, Mark } from "../ui/glyphs";
import { AthleteList } from "./AthleteList";

const cell = "flex h-full min-w-0 flex-col justify-center border-r border-hair px-3 text-left last:border-r-0";
const small = "block text-note leading-[14px] text-ink2 truncate";
const big = "flex items-center gap-1.5 text-body leading-5 font-medium whitespace-nowrap";

interface TitleProps {
  row: SquadRow | undefined;
  rows: readonly SquadRow[];
  switcher: boolean;
  setSwitcher: (open: boolean) => void;
  goTo: (id: string) => void;
}

export function TitleBlock({ row, rows, switcher, setSwitcher, goTo }: TitleProps) {
  const club = useClub();
  const today = club.data?.today;
  const race = row?.nextRace;
  const days = race && today ? daysBetween(today, race.date) : null;
  return (
    <header className="print:hidden col-span-2 flex h-14 border-b-[1.5px] border-ground bg-panel">
      <Link
        to="/"
        aria-label="Field Anchor, to the squad"
        className="flex w-[var(--rail)] flex-none items-center gap-3 overflow-hidden border-r-[1.5px] border-ground pl-[13px]"
      >
        <span className="flex-none">
          <Mark />
        </span>
        <b className="rail-open truncate text-lead font-[650]">{club.data?.name ?? "Field Anchor"}</b>
      </Link>
      <Popover.Root open={switcher} onOpenChange={setSwitcher}>
        <Popover.Trigger
          className={`${cell} relative w-[216px] flex-none pr-8`}
          aria-label={`Athlete: ${row?.name ?? "none"}. Choose another`}
          disabled={rows.length === 0}
        >
          <span className={small}>Athlete</span>
          <span className="block truncate text-lead leading-5 font-[650]">{row?.name ?? "–"}</span>
          <ChevronDown size={14} aria-hidden="true" className="absolute top-[27px] right-3 text-ink2" />
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            aria-label="Athletes"
            align="start"
            sideOffset={2}
            className="fade z-50 max-h-[70vh] w-[260px] overflow-auto rounded-[3px] border border-edge bg-panel py-1 shadow-pop"
          >
            <AthleteList rows={rows} current={row?.id} onChoose={goTo} onClose={() => setSwitcher(false)} />
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      <div className={`${cell} w-[110px] flex-none max-[1000px]:hidden`}>
        <span className={small}>Sport</span>
        <span className={big}>{row ? SPORT_NAMES[row.sport] : "–"}</span>
      </div>
      <div className={`${cell} w-[176px] flex-none`}>
        <span className={small}>Phase</span>
        <span className={big}>
          {row?.phase ? (
            <>
              <i className="sw" style={{ background: STRATA[row.phase].tint }} />
              {PHASE_NAMES[row.phase]} · week {row.phaseWeek} of {row.phaseWeeks}
            </>
          ) : (
            "Outside the season"
          )}
        </span>
      </div>
      <div className={`${cell} w-[230px] flex-none`}>
        <span className={small}>{race ? `Next · ${race.name}` : "Next race"}</span>
        <span className={big}>
          {race && days !== null ? (
            <>
              <FlagGlyph />
              {inDays(days)}, {race.priority} race
            </>
          ) : (
            "none entered"
          )}
        </span>
      </div>
      <div className={`${cell} w-[146px] flex-none max-[1000px]:w-auto max-[1000px]:flex-1`}>
        <span className={small}>Date</span>
        <span className={big}>{today ? dayAndYear(today) : "–"}</span>
      </div>
      <div className={`${cell} min-w-[90px] flex-1 max-[1000px]:hidden`}>
        <span className={small}>Units</span>
        <span className={big}>{row ? `${row.distanceUnit} · ${row.massUnit}` : "–"}</span>
      </div>
    </header>
  );
}
