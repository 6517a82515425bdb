/** Week: the fit around the key sessions, its price by rule, its best alternatives. */
import { lazy, Suspense, useMemo, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { toast } from "sonner";
import type { EnduranceView, PlannedSessionView, WeekView } from "../../api/views";
import type { LockedSession } from "../../core/athlete/types";
import { addDays, mondayOf } from "../../core/dates";
import { useClub, useFit, useHold, useLock, useUnlock, useWeek } from "../data/hooks";
import {
  day,
  distance,
  duration,
  EMPHASIS_NAMES,
  PHASE_NAMES,
  SPORT_NAMES,
  sessionName,
  span,
  time,
  type Units,
} from "../format";
import { Legend } from "../section/Legend";
import { weekLayout } from "../section/layout/week";
import { useSize } from "../section/useSize";
import { WeekSection } from "../section/WeekSection";
import { useCurrentRow, useUnits } from "../ui/Frame";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { Failed, Loading } from "../ui/State";
import { Chosen, FitPanel } from "../week/FitPanel";

const EnduranceSheet = lazy(() => import("../ui/EnduranceSheet"));

export default function WeekRoute() {
  const { id = "", monday } = useParams();
  const club = useClub();
  const start = monday ?? (club.data ? mondayOf(club.data.today) : "");
  const week = useWeek(id, start);
  if (week.isPending) return <Loading what="the week" />;
  if (week.isError) return <Failed error={week.error} retry={() => week.refetch()} what="The week" />;
  return <Week id={id} view={week.data} />;
}

const lockOf = (s: PlannedSessionView): LockedSession => ({
  date: s.date,
  start: time(s.start),
  place: s.place,
  label: s.label,
});

function Week({ id, view }: { id: string; view: WeekView }) {
  const navigate = useNavigate();
  const row = useCurrentRow();
  const units = useUnits();
  const [ref, size] = useSize<HTMLDivElement>();
  const [chosen, setChosen] = useState<string | null>(null);
  const [editing, setEditing] = useState<EnduranceView | "new" | null>(null);
  const [preview, setPreview] = useState<number | null>(null);
  const fit = useFit(id);
  const hold = useHold(id);
  const lock = useLock(id);
  const unlock = useUnlock(id);

  const open = view.sessions.filter((s) => !s.done);
  const selected = view.sessions.findIndex((s) => `${s.date}${s.label}` === chosen);
  const session = view.sessions[selected];
  const go = (by: number) => navigate(`/a/${id}/week/${addDays(view.monday, by * 7)}`);
  const before = { monday: view.monday, sessions: view.held };
  const undoFit = () => hold.mutate(before);
  const runFit = () =>
    fit.mutate(view.monday, {
      onSuccess: (w) =>
        toast(`Fitted: cost ${w.fit.cost}, best of ${w.fit.weighed} placements.`, {
          action: { label: "Undo", onClick: undoFit },
        }),
      onError: (e) => toast(e.message),
    });
  const toggleLock = (s: PlannedSessionView | undefined) => {
    if (!s || s.done) return;
    if (s.locked)
      unlock.mutate(
        { date: s.date, label: s.label },
        {
          onSuccess: () =>
            toast(`Session ${s.label} unlocked.`, { action: { label: "Undo", onClick: () => lock.mutate(lockOf(s)) } }),
        },
      );
    else
      lock.mutate(lockOf(s), {
        onSuccess: () =>
          toast(`Session ${s.label} stays on ${day(s.date)}.`, {
            action: { label: "Undo", onClick: () => unlock.mutate({ date: s.date, label: s.label }) },
          }),
      });
  };
  const lockAll = () => open.filter((s) => !s.locked).forEach((s) => void lock.mutateAsync(lockOf(s)));
  const take = (at: number) => {
    const alternative = view.fit.alternatives[at];
    if (!alternative) return;
    setPreview(null);
    hold.mutate(
      {
        monday: view.monday,
        sessions: alternative.sessions.map((s) => ({
          date: s.date,
          start: time(s.start),
          place: s.place,
          label: s.label,
        })),
      },
      {
        onSuccess: () =>
          toast(`Taken over at cost ${alternative.cost}.`, { action: { label: "Undo", onClick: undoFit } }),
      },
    );
  };
  const walk = (by: 1 | -1) => {
    if (view.sessions.length === 0) return;
    const next = view.sessions[(selected + by + view.sessions.length) % view.sessions.length];
    if (next) setChosen(`${next.date}${next.label}`);
  };
  const openSession = (at: number) => {
    const s = view.sessions[at];
    if (s) navigate(`/a/${id}/session/${s.date}/${s.label}`);
  };
  useKeys("view", [
    { key: "ArrowLeft", label: "", run: () => go(-1), bar: true },
    { key: "ArrowRight", label: "week", run: () => go(1), bar: true },
    { key: "ArrowDown", label: "next session", run: () => walk(1), bar: true },
    { key: "ArrowUp", label: "session before", run: () => walk(-1) },
    { key: "Enter", label: "open session", run: () => openSession(selected), bar: true },
    { key: "f", label: "fit week", run: runFit, bar: true },
    { key: "l", label: "lock", run: () => toggleLock(session), bar: true },
    { key: "e", label: "add endurance session", run: () => setEditing("new") },
  ]);

  const shown: WeekView = useMemo(() => {
    const alternative = preview === null ? undefined : view.fit.alternatives[preview];
    if (!alternative) return view;
    return {
      ...view,
      sessions: view.sessions.map((s) => {
        const to = alternative.sessions.find((a) => a.label === s.label);
        return to && !s.done ? { ...s, date: to.date, start: to.start, place: to.place, warning: null } : s;
      }),
    };
  }, [view, preview]);
  const layout = useMemo(
    () =>
      size
        ? weekLayout({
            view: shown,
            width: size.width,
            height: size.height,
            words: (e) => enduranceWords(e, units),
            tag: (s) => [sessionName(s.label, view.emphasis), `${duration(s.minutes)} · depth ${s.stress}`],
          })
        : null,
    [shown, size, units, view.emphasis],
  );
  const end = addDays(view.monday, 6);
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_300px]">
      <main className="flex min-w-0 flex-col">
        <div className="flex h-[52px] flex-none items-center gap-2 pr-3 pl-4">
          <h1 className="text-[18px] leading-6 font-[650] whitespace-nowrap">Week {view.isoWeek}</h1>
          <span className="ml-1 truncate text-ink2">
            {span(view.monday, end)}, {PHASE_NAMES[view.phase]} week {view.phaseWeek} of {view.phaseWeeks},{" "}
            {EMPHASIS_NAMES[view.emphasis].toLowerCase()}
            {view.stepBack ? ", step-back" : ""}
          </span>
          <button type="button" className="btn btn-sq ml-2" aria-label="Previous week" onClick={() => go(-1)}>
            {ICON.left}
          </button>
          <button type="button" className="btn btn-sq -ml-1" aria-label="Next week" onClick={() => go(1)}>
            {ICON.right}
          </button>
          <span className="flex-1" />
          <button type="button" className="btn" onClick={() => setEditing("new")}>
            {ICON.plus} Endurance
          </button>
          <button
            type="button"
            className="btn"
            onClick={lockAll}
            disabled={!view.editable || open.every((s) => s.locked)}
          >
            {ICON.lock} Lock all
          </button>
          <button type="button" className="btn btn-pri" onClick={runFit} disabled={!view.editable || fit.isPending}>
            {ICON.fit} {fit.isPending ? "Fitting…" : "Fit week"}
          </button>
        </div>
        <Legend kind="week" />
        <div ref={ref} className="min-h-[420px] flex-1 overflow-hidden">
          {layout && size && (
            <WeekSection
              layout={layout}
              view={shown}
              selected={selected >= 0 ? selected : null}
              onSelect={(at) =>
                setChosen(view.sessions[at] ? `${view.sessions[at].date}${view.sessions[at].label}` : null)
              }
              onOpen={openSession}
              onEndurance={(e) => setEditing(view.endurance.find((x) => x.id === e) ?? null)}
              width={size.width}
              height={size.height}
            />
          )}
        </div>
      </main>
      <aside className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel" aria-label="Fit of the week">
        {session && (
          <Chosen
            id={id}
            view={view}
            session={session}
            onLock={() => toggleLock(session)}
            onOpen={() => openSession(selected)}
          />
        )}
        <FitPanel view={view} preview={preview} onPreview={setPreview} onTake={take} onFit={runFit} />
      </aside>
      {editing && (
        <Suspense fallback={null}>
          <EnduranceSheet
            id={id}
            session={editing === "new" ? null : editing}
            date={view.today >= view.monday && view.today <= end ? view.today : view.monday}
            sport={row?.sport ?? "run"}
            units={units}
            onClose={() => setEditing(null)}
          />
        </Suspense>
      )}
    </div>
  );
}

function enduranceWords(e: EnduranceView, units: Units): string[] {
  const noun = e.sport === "triathlon" || e.sport === "other" ? "" : ` ${e.sport}`;
  const plain = ["easy", "long", "steady", "technique"].includes(e.kind);
  const kind =
    e.kind === "other"
      ? SPORT_NAMES[e.sport]
      : `${e.kind[0]?.toUpperCase()}${e.kind.slice(1)}${plain || e.sport === "swim" ? noun : ""}`;
  const far = e.distanceKm ? distance(e.distanceKm, units, e.distanceKm < 10 ? 1 : 0) : "";
  const name = `${kind} ${far}`.trim();
  return [
    // A day is narrow: the kind says more than the distance.
    name.length > 17 ? kind : name,
    `${duration(e.minutes)} · RPE ${e.rpe ?? e.load / e.minutes}${e.rpe === undefined ? "*" : ""}`,
  ];
}
