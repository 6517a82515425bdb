/** The frame of a phone: whose plan this is at the top, four ways on at the bottom, everything else under More. */
import { CalendarCheck, ChevronDown, Dumbbell, Ellipsis, Users } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import { Link, NavLink, useLocation } from "react-router";
import type { SquadRow } from "../../api/views";
import { Mark } from "../ui/glyphs";
import type { BarProps } from "./MoreSheet";
import { useSavedWords } from "./StatusBar";

const AthleteSheet = lazy(() => import("./AthleteSheet"));
const MoreSheet = lazy(() => import("./MoreSheet"));

interface TopProps {
  row: SquadRow | undefined;
  rows: readonly SquadRow[];
  goTo: (id: string) => void;
}

/** Athlete and saved state; the name opens the list of athletes. */
export function PhoneTop({ row, rows, goTo }: TopProps) {
  const [choosing, setChoosing] = useState(false);
  const saved = useSavedWords();
  const { pathname } = useLocation();
  const own = pathname.startsWith("/a/") ? row : undefined;
  return (
    <header className="col-span-2 flex h-12 items-center gap-2 border-b-[1.5px] border-ground bg-panel px-3 print:hidden">
      <Link to="/" aria-label="Field Anchor, to the squad" className="grid h-11 w-9 flex-none place-items-center">
        <Mark />
      </Link>
      {own ? (
        <button
          type="button"
          aria-label={`Athlete: ${own.name}. Choose another`}
          className="flex h-11 min-w-0 flex-1 items-center gap-1 text-left text-lead font-[650]"
          onClick={() => setChoosing(true)}
        >
          <span className="truncate">{own.name}</span>
          <ChevronDown size={16} aria-hidden="true" className="flex-none text-ink2" />
        </button>
      ) : (
        <span className="flex-1 text-lead font-[650]">Field Anchor</span>
      )}
      <span className={`text-label ${saved.safe ? "text-ink2" : "font-semibold text-brick-ink"}`}>{saved.words}</span>
      {choosing && (
        <Suspense fallback={null}>
          <AthleteSheet rows={rows} current={own?.id} onChoose={goTo} onClose={() => setChoosing(false)} />
        </Suspense>
      )}
    </header>
  );
}

const tab = "relative flex min-w-0 flex-1 flex-col items-center justify-center gap-1 text-label";
const on = "font-semibold text-iron before:absolute before:inset-x-3 before:top-0 before:h-[3px] before:bg-iron";
const look = { size: 22, strokeWidth: 1.6, "aria-hidden": true } as const;

export function BottomBar({ row, onSearch, onHistory, onGuide }: BarProps) {
  const [more, setMore] = useState(false);
  const linked = ({ isActive }: { isActive: boolean }) => `${tab} ${isActive ? on : "text-ink2"}`;
  return (
    <nav aria-label="Main" className="col-span-2 flex border-t border-hair bg-panel print:hidden">
      <NavLink to="/today" className={linked}>
        <CalendarCheck {...look} /> Today
      </NavLink>
      <NavLink to="/" end className={linked}>
        <Users {...look} /> Squad
      </NavLink>
      <NavLink to="/gym" className={linked}>
        <Dumbbell {...look} /> Gym
      </NavLink>
      <button type="button" className={`${tab} text-ink2`} aria-haspopup="dialog" onClick={() => setMore(true)}>
        <Ellipsis {...look} /> More
      </button>
      {more && (
        <Suspense fallback={null}>
          <MoreSheet
            row={row}
            onClose={() => setMore(false)}
            onSearch={onSearch}
            onHistory={onHistory}
            onGuide={onGuide}
          />
        </Suspense>
      )}
    </nav>
  );
}
