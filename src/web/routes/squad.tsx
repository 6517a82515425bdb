/** Squad: who lifts today, who needs a look and why. A survey table, the most pressing first. */
import { lazy, Suspense, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import type { SquadRow } from "../../api/views";
import { daysBetween } from "../../core/dates";
import { useSquad } from "../data/hooks";
import { useHome, useMay } from "../data/session";
import { counted, day, duration, inDays, PHASE_NAMES, sessionName, time } from "../format";
import { STRATA } from "../section/patterns";
import { ShortSection } from "../section/ShortSection";
import { Due } from "../squad/Due";
import { Needs, openNeeds } from "../squad/Needs";
import { SquadCards } from "../squad/SquadCards";
import { type Stale, staleIn, staleSummary, staleWords } from "../squad/stale";
import { useFocusOn } from "../ui/focus";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Segments } from "../ui/Segments";
import { Failed, LoadingNote } from "../ui/State";
import { usePhone } from "../ui/usePhone";

const AwaySheet = lazy(() => import("../away/AwaySheet"));
const ImportSheet = lazy(() => import("../ui/ImportSheet"));
const FirstSteps = lazy(() => import("../squad/FirstSteps"));

type Filter = "all" | "today" | "look" | "due";
const FILTERS: [Filter, string][] = [
  ["all", "Everyone"],
  ["today", "Lifts today"],
  ["look", "Needs a look"],
  ["due", "Tests due"],
];

/** Four of them in 360 px. */
const SHORT_FILTERS: [Filter, string][] = FILTERS.map(([f, words]) => [f, f === "all" ? "All" : words]);
const NOBODY: Record<Filter, string> = {
  all: "No athletes.",
  today: "Nobody lifts today.",
  look: "Nobody needs a look today.",
  due: "No test is older than 12 weeks.",
};

/** Keys of whoever may add athletes and change them. */
const addingKeys = (away: () => void, add: () => void, bring: () => void) => [
  { key: "a", label: "ill or away", run: away },
  { key: "n", label: "new athlete", run: add, bar: true },
  { key: "i", label: "import", run: bring, bar: true },
];

export default function SquadView() {
  const squad = useSquad();
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const [filter, setFilter] = useState<Filter>("all");
  const [chosen, setChosen] = useState(0);
  const phone = usePhone();
  const [away, setAway] = useState(false);
  const importing = params.get("import") === "1";
  const setImporting = (open: boolean) => setParams(open ? { import: "1" } : {}, { replace: true });
  const all = squad.data?.rows ?? [];
  const stale = staleIn(squad.data);
  const rows = all.filter((r) =>
    filter === "today"
      ? r.today !== null
      : filter === "look"
        ? openNeeds(r).length > 0
        : filter === "due"
          ? r.testsDue.length > 0
          : true,
  );
  const at = Math.min(chosen, Math.max(0, rows.length - 1));
  const walked = useFocusOn(`[data-row="${at}"]`);
  const walk = (by: 1 | -1) => {
    walked();
    setChosen(Math.max(0, Math.min(rows.length - 1, at + by)));
  };
  const home = useHome();
  const may = useMay();
  const open = () => rows[at] && navigate(home(rows[at].id));
  const mayAdd = may("athlete.add");
  useKeys("view", [
    { key: "ArrowUp", label: "", run: () => walk(-1), bar: true },
    { key: "ArrowDown", label: "athlete", run: () => walk(1), bar: true },
    { key: "Enter", label: "open week", run: open, bar: true },
    { key: "t", label: "lifts today", run: () => setFilter(filter === "today" ? "all" : "today"), bar: true },
    ...(mayAdd
      ? addingKeys(
          () => setAway(true),
          () => navigate("/new"),
          () => setImporting(true),
        )
      : []),
  ]);

  if (squad.isPending) return <LoadingNote what="the squad" />;
  if (squad.isError) return <Failed error={squad.error} retry={() => squad.refetch()} what="The squad" />;
  return (
    <main className="flex h-full flex-col">
      <Head
        phone={phone}
        all={all}
        stale={staleSummary(squad.data)}
        filter={filter}
        setFilter={setFilter}
        onAway={mayAdd ? () => setAway(true) : null}
        onImport={() => setImporting(true)}
      />
      <div className="@container min-h-0 flex-1 overflow-auto px-4 pb-4">
        {all.length === 0 && !mayAdd && <p className="py-6 text-ink2">No athlete is assigned to you.</p>}
        {all.length < 2 && mayAdd && (
          <Suspense fallback={null}>
            <FirstSteps id={all[0]?.id ?? null} onImport={() => setImporting(true)} />
          </Suspense>
        )}
        {all.length === 0 ? null : phone ? (
          <SquadCards rows={rows} stale={stale} today={squad.data.today} due={filter === "due"} />
        ) : (
          <table className="w-full border-collapse text-left">
            <thead>
              <tr className="sticky top-0 z-10 h-7 bg-paper text-label text-ink2 shadow-[inset_0_-1.500px_0_var(--color-ground)]">
                <th className="w-[164px] pl-2 font-semibold">Athlete</th>
                <th className="w-[280px] font-semibold">4 weeks back, 8 ahead</th>
                <th className="w-[150px] font-semibold @max-[1012px]:hidden">Next race</th>
                <th className="w-[112px] font-semibold @max-[812px]:hidden">Today</th>
                <th className="font-semibold">What needs you</th>
                <th className="w-9">
                  <span className="sr-only">Open</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map((r, i) => (
                <Row
                  key={r.id}
                  row={r}
                  stale={stale.get(r.id)}
                  today={squad.data.today}
                  due={filter === "due"}
                  at={i}
                  on={i === at}
                  onChoose={() => setChosen(i)}
                />
              ))}
            </tbody>
          </table>
        )}
        {all.length > 0 && rows.length === 0 && <p className="p-6 text-ink2">{NOBODY[filter]}</p>}
      </div>
      {away && rows[at] && (
        <Suspense fallback={null}>
          <AwaySheet athletes={all} first={rows[at].id} today={squad.data.today} onClose={() => setAway(false)} />
        </Suspense>
      )}
      {importing && (
        <Suspense fallback={null}>
          <ImportSheet open onClose={() => setImporting(false)} />
        </Suspense>
      )}
    </main>
  );
}

interface HeadProps {
  phone: boolean;
  all: readonly SquadRow[];
  /** How many rows tell the state before the last change. */
  stale: string;
  filter: Filter;
  setFilter: (filter: Filter) => void;
  /** Null for whoever may neither add athletes nor change them. */
  onAway: (() => void) | null;
  onImport: () => void;
}

function Head({ phone, all, stale, filter, setFilter, onAway, onImport }: HeadProps) {
  const lifting = all.filter((r) => r.today).length;
  const looks = all.filter((r) => openNeeds(r).length > 0).length;
  return (
    <PageHeader title="Squad" className="h-auto flex-wrap gap-y-2 py-2">
      <span className="ml-1 min-w-0 flex-1 basis-[180px] text-ink2">
        {counted(all.length, "athlete")}, {lifting} lift{lifting === 1 ? "s" : ""} today, {looks} need
        {looks === 1 ? "s" : ""} a look
      </span>
      <span role="status" className="sr-only">
        {stale}
      </span>
      <Segments name="Show" options={phone ? SHORT_FILTERS : FILTERS} value={filter} onChange={setFilter} />
      <div className={phone ? "grid w-full grid-cols-2 gap-2 [&_.btn]:justify-center" : "flex gap-2 empty:hidden"}>
        {all.length > 1 && onAway && (
          <Link className="btn" to="/several">
            Change several
          </Link>
        )}
        {all.length > 0 && onAway && (
          <button type="button" className="btn" aria-haspopup="dialog" onClick={onAway}>
            Ill or away
          </button>
        )}
        {onAway && (
          <>
            <button type="button" className="btn" aria-label="Import athlete" onClick={onImport}>
              {ICON.file} Import
            </button>
            <Link className="btn btn-pri" to="/new">
              {ICON.plus} New athlete
            </Link>
          </>
        )}
      </div>
    </PageHeader>
  );
}

function Row({
  row,
  stale,
  today,
  due,
  at,
  on,
  onChoose,
}: {
  row: SquadRow;
  /** Tells the state before the last change. */
  stale: Stale | undefined;
  today: string;
  /** The list asks for tests that are due. */
  due: boolean;
  at: number;
  on: boolean;
  onChoose: () => void;
}) {
  const home = useHome();
  return (
    <tr
      data-row={at}
      aria-busy={stale === "behind"}
      tabIndex={-1}
      onClick={onChoose}
      className={`h-[76px] border-b border-hair align-middle ${on ? "bg-panel shadow-[inset_3px_0_0_var(--color-iron)]" : ""}`}
    >
      <td className="pl-3">
        <Link to={home(row.id)} className="block text-lead leading-5 font-[650] hover:underline">
          {row.name}
        </Link>
        <span className="block text-label leading-4 text-ink2">{staleWords(row, stale)}</span>
        {row.phase && row.emphasis ? (
          <span className="flex items-center gap-1.5 text-label leading-4">
            <i className="sw" style={{ background: STRATA[row.phase].tint }} />
            {PHASE_NAMES[row.phase]}, week {row.phaseWeek} of {row.phaseWeeks}
          </span>
        ) : (
          <span className="text-label text-ink2">outside the season</span>
        )}
      </td>
      <td>
        <Link to={`/a/${row.id}/season`} aria-label={`${row.name}, season`} className="inline-block">
          <ShortSection row={row} />
        </Link>
      </td>
      <td className="@max-[1012px]:hidden">
        {row.nextRace ? (
          <>
            <span className="block leading-4 font-medium">{row.nextRace.name}</span>
            <span className="text-label text-ink2">
              {row.nextRace.priority}, {day(row.nextRace.date)}, {inDays(daysBetween(today, row.nextRace.date))}
            </span>
          </>
        ) : (
          <span className="text-ink2">none entered</span>
        )}
      </td>
      <td className="@max-[812px]:hidden">
        {row.today ? (
          <Link to={`/a/${row.id}/session/${today}/${row.today.label}`} className="block hover:underline">
            <span className="block font-medium">{sessionName(row.today.label, row.emphasis ?? "develop")}</span>
            <span className="text-label text-ink2">
              {row.today.done ? "logged" : `${time(row.today.start)}, ${duration(row.today.minutes)}`}
            </span>
          </Link>
        ) : (
          <span className="text-ink2">–</span>
        )}
      </td>
      <td className="py-1.5 pr-2 text-body leading-[18px]">
        {due ? <Due row={row} today={today} /> : <Needs row={row} today={today} most={2} />}
      </td>
      <td>
        <Link to={home(row.id)} className="btn btn-sm btn-sq" aria-label={`Open ${row.name}'s week`}>
          {ICON.right}
        </Link>
      </td>
    </tr>
  );
}
