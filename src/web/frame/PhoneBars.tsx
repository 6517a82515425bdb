/** The frame of a phone: whose plan this is at the top, four ways on at the bottom, everything else under More. */
import {
  CalendarCheck,
  ChevronDown,
  CircleHelp,
  Dumbbell,
  Ellipsis,
  History as HistoryIcon,
  Search,
  Users,
} from "lucide-react";
import { useState } from "react";
import { Link, NavLink, useLocation } from "react-router";
import type { SquadRow } from "../../api/views";
import { FlagGlyph, Mark } from "../ui/glyphs";
import { Segments } from "../ui/Segments";
import { Sheet } from "../ui/Sheet";
import { AthleteList } from "./AthleteList";
import { useSavedWords } from "./StatusBar";
import { chooseTheme, useThemeChoice } from "./theme";
import { addressOf, viewsOf } from "./views";

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
      <Sheet open={choosing} onClose={() => setChoosing(false)} title="Choose an athlete" width={360}>
        <div className="-mx-4 -my-3 text-lead [&_a]:min-h-11 [&_button]:min-h-11">
          <AthleteList rows={rows} current={own?.id} onChoose={goTo} onClose={() => setChoosing(false)} />
        </div>
      </Sheet>
    </header>
  );
}

const tab = "relative flex min-w-0 flex-1 flex-col items-center justify-center gap-1 text-label";
const on = "font-semibold text-iron before:absolute before:inset-x-3 before:top-0 before:h-[3px] before:bg-iron";
const look = { size: 22, strokeWidth: 1.6, "aria-hidden": true } as const;

interface BarProps {
  row: SquadRow | undefined;
  onSearch: () => void;
  onHistory: () => void;
  onGuide: () => void;
}

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
      <MoreSheet
        row={row}
        open={more}
        onClose={() => setMore(false)}
        onSearch={onSearch}
        onHistory={onHistory}
        onGuide={onGuide}
      />
    </nav>
  );
}

function MoreSheet({
  row,
  open,
  onClose,
  onSearch,
  onHistory,
  onGuide,
}: BarProps & { open: boolean; onClose: () => void }) {
  const choice = useThemeChoice();
  const group = (name: string, which: "club" | "athlete") => (
    <section aria-label={name}>
      <h3 className="mt-3 mb-1 text-label font-semibold text-ink2">{name}</h3>
      <div className="grid grid-cols-2 gap-2">
        {viewsOf(which).map((v) => (
          <NavLink
            key={v.id}
            to={addressOf(v, row?.id ?? "")}
            end={v.id === ""}
            onClick={onClose}
            className={({ isActive }) =>
              `flex h-11 items-center gap-2.5 rounded-[3px] border px-3 text-lead ${isActive ? "border-iron bg-iron-l font-semibold text-iron" : "border-hair bg-surface"}`
            }
          >
            {v.glyph}
            {v.name}
          </NavLink>
        ))}
      </div>
    </section>
  );
  return (
    <Sheet open={open} onClose={onClose} title="All views" width={420}>
      <button
        type="button"
        className="flex h-11 w-full items-center gap-2.5 rounded-[3px] border border-field bg-surface px-3 text-lead text-ink2"
        onClick={() => {
          onClose();
          onSearch();
        }}
      >
        <Search size={18} aria-hidden="true" /> Search and go to
      </button>
      {row && (
        <button
          type="button"
          className="mt-2 flex h-11 w-full items-center gap-2.5 rounded-[3px] border border-hair bg-surface px-3 text-lead"
          onClick={() => {
            onClose();
            onHistory();
          }}
        >
          <HistoryIcon size={18} aria-hidden="true" /> Changes of {row.name}, undo
        </button>
      )}
      {row && group(row.name, "athlete")}
      {group("Club", "club")}
      <button
        type="button"
        className="mt-4 flex h-11 w-full items-center gap-2.5 rounded-[3px] border border-hair bg-surface px-3 text-lead"
        onClick={() => {
          onClose();
          onGuide();
        }}
      >
        <CircleHelp size={18} aria-hidden="true" /> Guide
      </button>
      <div className="mt-4 flex items-center gap-2">
        <span className="flex-1 text-label text-ink2">Theme</span>
        <Segments
          name="Theme"
          options={[
            ["system", "System"],
            ["day", "Day"],
            ["dusk", "Dusk"],
          ]}
          value={choice}
          onChange={chooseTheme}
        />
      </div>
      {row?.nextRace && (
        <p className="mt-3 flex items-center gap-2 text-label text-ink2">
          <FlagGlyph /> Next race: {row.nextRace.name}
        </p>
      )}
    </Sheet>
  );
}
