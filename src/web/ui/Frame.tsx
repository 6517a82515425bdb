/** The frame: title block, rail, status bar; every view stands in its middle. */
import { Popover } from "radix-ui";
import { lazy, Suspense, useEffect, useMemo, useState } from "react";
import { Link, NavLink, Outlet, useLocation, useNavigate, useParams } from "react-router";
import { Toaster } from "sonner";
import type { SquadRow } from "../../api/views";
import { daysBetween } from "../../core/dates";
import { useClub, useSquad } from "../data/hooks";
import { useSaved } from "../data/saved";
import { dayAndYear, inDays, PHASE_NAMES, SPORT_NAMES, type Units } from "../format";
import { STRATA } from "../section/patterns";
import { Mark, RAIL, WarnIcon } from "./glyphs";
import { keyName, useKeyList, useKeys } from "./keys";
import { Sheet } from "./Sheet";

const loadPalette = () => import("./Palette");
const Palette = lazy(loadPalette);
const LAST = "field-anchor:last-athlete";

/** The athlete of the address, else the last one looked at, else the first. */
export function useCurrentRow(): SquadRow | undefined {
  const { id } = useParams();
  const squad = useSquad();
  const rows = squad.data?.rows ?? [];
  useEffect(() => {
    if (id) localStorage.setItem(LAST, id);
  }, [id]);
  return rows.find((r) => r.id === (id ?? localStorage.getItem(LAST))) ?? (id ? undefined : rows[0]);
}

/** Units of the current athlete; the same object as long as they are the same. */
export function useUnits(): Units {
  const row = useCurrentRow();
  const massUnit = row?.massUnit ?? "kg";
  const distanceUnit = row?.distanceUnit ?? "km";
  return useMemo(() => ({ massUnit, distanceUnit }), [massUnit, distanceUnit]);
}

/** The same view of another athlete. */
function useGoTo() {
  const navigate = useNavigate();
  const { pathname } = useLocation();
  return (id: string) => {
    const view =
      /^\/a\/[^/]+\/(season|week|session|records|screening|intake|sheets|lifts|review)/.exec(pathname)?.[1] ?? "week";
    navigate(`/a/${id}/${view}`);
  };
}

export function Frame() {
  const current = useCurrentRow();
  const { pathname } = useLocation();
  // While a new athlete is entered, nobody else stands in the title block.
  const row = pathname === "/new" ? undefined : current;
  const squad = useSquad();
  const navigate = useNavigate();
  const goTo = useGoTo();
  const [palette, setPalette] = useState(false);
  // It is there before it is asked for: what is typed right after its key is typed into it.
  useEffect(() => void loadPalette(), []);
  const [help, setHelp] = useState(false);
  const [switcher, setSwitcher] = useState(false);
  const rows = squad.data?.rows ?? [];
  const step = (by: number) => {
    const at = rows.findIndex((r) => r.id === row?.id);
    const next = rows[(at + by + rows.length) % rows.length];
    if (next) goTo(next.id);
  };
  const open = (view: string) => () => row && navigate(`/a/${row.id}/${view}`);
  useKeys("frame", [
    { key: "ctrl+k", label: "command palette", run: () => setPalette(true) },
    { key: "?", label: "all keys", run: () => setHelp(true), bar: true },
    { key: "a", label: "choose athlete", run: () => setSwitcher(true) },
    { key: "[", label: "athlete before", run: () => step(-1) },
    { key: "]", label: "next athlete", run: () => step(1) },
    { key: "1", label: "Squad", run: () => navigate("/") },
    { key: "2", label: "Season", run: open("season") },
    { key: "3", label: "Week", run: open("week") },
    { key: "4", label: "Session", run: open("session") },
    { key: "5", label: "Records", run: open("records") },
    { key: "6", label: "Screening", run: open("screening") },
    { key: "7", label: "Library", run: () => navigate("/library") },
    { key: "8", label: "Intake", run: open("intake") },
    { key: "9", label: "Club calendar", run: () => navigate("/calendar") },
    { key: "0", label: "Gym on one day", run: () => navigate("/gym") },
    { key: "b", label: "Club data", run: () => navigate("/club-data") },
    { key: "h", label: "Approaches", run: () => navigate("/approaches") },
    { key: "y", label: "Rules", run: () => navigate("/rules") },
    { key: "j", label: "Lifts", run: open("lifts") },
    { key: "k", label: "Review", run: open("review") },
  ]);

  return (
    <div className="grid h-full print:block print:h-auto grid-cols-[56px_minmax(0,1fr)] grid-rows-[56px_minmax(0,1fr)_28px] max-[700px]:grid-rows-[0_minmax(0,1fr)_0] max-[700px]:grid-cols-[0_minmax(0,1fr)]">
      <TitleBlock row={row} rows={rows} switcher={switcher} setSwitcher={setSwitcher} goTo={goTo} />
      <nav
        aria-label="Views"
        className="max-[700px]:hidden print:hidden flex flex-col items-center gap-1 border-r border-hair bg-panel py-2"
      >
        <RailLink to="/" name="Squad" glyph={RAIL.squad} end />
        <RailLink to="/calendar" name="Club calendar" glyph={RAIL.calendar} />
        <RailLink to="/gym" name="Gym on one day" glyph={RAIL.gym} />
        {row && (
          <>
            <RailLink to={`/a/${row.id}/season`} name="Season" glyph={RAIL.season} />
            <RailLink to={`/a/${row.id}/week`} name="Week" glyph={RAIL.week} />
            <RailLink to={`/a/${row.id}/session`} name="Session" glyph={RAIL.session} />
            <RailLink to={`/a/${row.id}/lifts`} name="Lifts" glyph={RAIL.lifts} />
            <RailLink to={`/a/${row.id}/review`} name="Review" glyph={RAIL.review} />
            <RailLink to={`/a/${row.id}/screening`} name="Screening" glyph={RAIL.screening} />
          </>
        )}
        <RailLink to="/library" name="Library" glyph={RAIL.library} />
        <RailLink to="/approaches" name="Approaches" glyph={RAIL.approaches} />
        <RailLink to="/rules" name="Rules" glyph={RAIL.rules} />
        {row && (
          <>
            <RailLink to={`/a/${row.id}/records`} name="Records" glyph={RAIL.records} />
            <RailLink to={`/a/${row.id}/intake`} name="Intake" glyph={RAIL.intake} />
          </>
        )}
        <RailLink to="/club-data" name="Club data" glyph={RAIL.clubData} />
      </nav>
      <div className="flex min-h-0 min-w-0 flex-col max-[700px]:col-start-2 max-[700px]:row-start-2">
        <Notices />
        <div className="min-h-0 flex-1">
          <Outlet />
        </div>
      </div>
      <StatusBar row={row} />
      {palette && (
        <Suspense fallback={null}>
          <Palette rows={rows} current={row?.id ?? null} onClose={() => setPalette(false)} />
        </Suspense>
      )}
      <KeySheet open={help} onClose={() => setHelp(false)} />
      <Toaster
        position="bottom-center"
        toastOptions={{
          style: {
            fontFamily: "var(--font-sans)",
            borderRadius: 3,
            border: "1px solid var(--color-edge)",
            background: "var(--color-panel)",
            color: "var(--color-ink)",
          },
        }}
      />
    </div>
  );
}

/** What holds for every view: the disk takes nothing, or everybody in the network may come in. */
function Notices() {
  const { fault } = useSaved();
  const club = useClub();
  const bar = "flex flex-none items-center gap-2 border-b px-4 py-1.5 print:hidden";
  return (
    <>
      {fault && (
        <p role="alert" className={`${bar} border-brick-ink bg-panel font-medium text-brick-ink`}>
          <WarnIcon /> {fault}
        </p>
      )}
      {club.data?.open && (
        <p className={`${bar} border-hair bg-panel text-ink2`}>
          <WarnIcon /> Open to the network: whoever reaches this address can read and change the whole club.
        </p>
      )}
    </>
  );
}

function RailLink({
  to,
  name,
  glyph,
  end = false,
}: {
  to: string;
  name: string;
  glyph: React.ReactNode;
  end?: boolean;
}) {
  return (
    <NavLink
      to={to}
      end={end}
      aria-label={name}
      className={({ isActive }) =>
        `group relative grid h-10 w-10 place-items-center rounded-[3px] ${isActive ? "bg-iron-l text-iron before:absolute before:inset-y-0 before:-left-2 before:w-[3px] before:bg-iron" : "text-ink2 hover:text-ink"}`
      }
    >
      {glyph}
      <span className="pointer-events-none invisible absolute left-12 z-30 h-6 rounded-[3px] bg-ink px-2 text-[12px] leading-6 font-medium whitespace-nowrap text-panel group-hover:visible group-focus-visible:visible">
        {name}
      </span>
    </NavLink>
  );
}

const cell = "flex h-full min-w-0 flex-col justify-center border-r border-hair px-3 text-left last:border-r-0";
const small = "block text-[11px] leading-[14px] text-ink2 truncate";
const big = "flex items-center gap-1.5 text-[13px] leading-5 font-medium whitespace-nowrap";

interface TitleProps {
  row: SquadRow | undefined;
  rows: readonly SquadRow[];
  switcher: boolean;
  setSwitcher: (open: boolean) => void;
  goTo: (id: string) => void;
}

function TitleBlock({ row, rows, switcher, setSwitcher, goTo }: TitleProps) {
  const club = useClub();
  const today = club.data?.today;
  const race = row?.nextRace;
  const days = race && today ? daysBetween(today, race.date) : null;
  return (
    <header className="max-[700px]:hidden print:hidden col-span-2 flex h-14 border-b-[1.5px] border-ground bg-panel">
      <Link
        to="/"
        aria-label="Field Anchor, to the squad"
        className="grid w-14 flex-none place-items-center border-r-[1.5px] border-ground"
      >
        <Mark />
      </Link>
      <Popover.Root open={switcher} onOpenChange={setSwitcher}>
        <Popover.Trigger
          className={`${cell} relative w-[216px] flex-none pr-8`}
          aria-label={`Athlete: ${row?.name ?? "none"}. Choose another`}
          disabled={rows.length === 0}
        >
          <span className={small}>Athlete</span>
          <span className="block truncate text-[15px] leading-5 font-[650]">{row?.name ?? "–"}</span>
          <svg
            className="absolute top-[27px] right-3"
            width="14"
            height="14"
            viewBox="0 0 14 14"
            fill="none"
            stroke="var(--color-ink2)"
            strokeWidth="1.5"
            aria-hidden="true"
          >
            <path d="M3.5 5L7 8.5 10.5 5" />
          </svg>
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            aria-label="Athletes"
            align="start"
            sideOffset={2}
            className="fade z-50 max-h-[70vh] w-[260px] overflow-auto rounded-[3px] border border-edge bg-panel py-1 shadow-[0_2px_8px_rgb(58_47_37/0.18)]"
          >
            {rows.map((r) => (
              <button
                key={r.id}
                type="button"
                className={`flex w-full items-center justify-between px-3 py-1.5 text-left hover:bg-iron-l focus-visible:bg-iron-l ${r.id === row?.id ? "font-semibold" : ""}`}
                onClick={() => {
                  setSwitcher(false);
                  goTo(r.id);
                }}
                onKeyDown={(e) => {
                  const to =
                    e.key === "ArrowDown"
                      ? e.currentTarget.nextElementSibling
                      : e.key === "ArrowUp"
                        ? e.currentTarget.previousElementSibling
                        : null;
                  if (to instanceof HTMLElement) to.focus();
                }}
              >
                {r.name}
                <span className="text-[12px] text-ink2">{SPORT_NAMES[r.sport]}</span>
              </button>
            ))}
            <Link
              to="/new"
              className="mt-1 block border-t border-hair px-3 py-2 font-medium text-iron hover:bg-iron-l"
              onClick={() => setSwitcher(false)}
            >
              New athlete
            </Link>
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      <div className={`${cell} w-[110px] flex-none max-[1000px]:hidden`}>
        <span className={small}>Sport</span>
        <span className={big}>{row ? SPORT_NAMES[row.sport] : "–"}</span>
      </div>
      <div className={`${cell} w-[172px] flex-none max-[1150px]:hidden`}>
        <span className={small}>Club</span>
        <span className={`${big} truncate`}>{club.data?.name ?? "–"}</span>
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
              <svg width="12" height="15" viewBox="0 0 12 15" aria-hidden="true">
                <path d="M1.5 15V1" stroke="var(--color-brick-ink)" strokeWidth="1.5" />
                <path d="M1.5 1h10l-2.5 3.5 2.5 3.5h-10z" fill="var(--color-brick-ink)" />
              </svg>
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

function StatusBar({ row }: { row: SquadRow | undefined }) {
  const keys = useKeyList().filter((k) => k.bar);
  const { at, waiting, fault } = useSaved();
  const warning = row?.attention[0];
  return (
    <footer className="max-[700px]:hidden print:hidden col-span-2 flex items-center gap-4 border-t border-hair bg-panel pr-3 pl-4 text-[12px] leading-4 text-ink2 cond-s">
      <span className="flex flex-none items-center gap-1.5">
        {waiting || fault ? (
          <WarnIcon />
        ) : (
          <svg
            width="14"
            height="14"
            viewBox="0 0 14 14"
            fill="none"
            stroke="var(--color-moss-ink)"
            strokeWidth="1.75"
            aria-hidden="true"
          >
            <path d="M2.5 7.5l3 3 6-7" />
          </svg>
        )}
        {fault ? "Not saved" : waiting ? "Not saved yet" : at ? `Saved ${at.toTimeString().slice(0, 5)}` : "All saved"}
      </span>
      {warning && (
        <span className="flex min-w-0 items-center gap-1.5" title={warning.text}>
          <WarnIcon />
          <span className="truncate">Now: {warning.text}</span>
        </span>
      )}
      <span className="flex-1" />
      {keys.map((k) => (
        <span key={k.key} className="flex flex-none items-center gap-1.5">
          <kbd className="key">{keyName(k.key)}</kbd>
          {k.label}
        </span>
      ))}
    </footer>
  );
}

function KeySheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const keys = useKeyList();
  return (
    <Sheet open={open} onClose={onClose} title="Keys that work here" width={380}>
      <dl className="grid grid-cols-[80px_1fr] gap-y-1.5">
        {keys.map((k) => (
          <div key={`${k.key}${k.label}`} className="contents">
            <dt>
              <kbd className="key">{keyName(k.key)}</kbd>
            </dt>
            <dd>{k.label}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
