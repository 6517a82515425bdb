/** Week: the fit around the key sessions, its price by rule, its best alternatives. */
import { lazy, Suspense, startTransition, useCallback, useEffect, useMemo, useState } from "react";
import { useNavigate, useParams } from "react-router";
import type { EnduranceView, PlannedSessionView, WeekView } from "../../api/views";
import { addDays, laterOf, mondayOf } from "../../core/dates";
import { useWeigher } from "../data/board";
import { useClub, useWeek } from "../data/hooks";
import {
  blockText,
  distance,
  duration,
  EMPHASIS_NAMES,
  PHASE_NAMES,
  SPORT_NAMES,
  sessionName,
  span,
  type Units,
} from "../format";
import { useCurrentRow, useUnits } from "../frame/current";
import { Legend } from "../section/Legend";
import { weekLayout } from "../section/layout/week";
import { useSize } from "../section/useSize";
import { WeekSection } from "../section/WeekSection";
import { useFocusOn } from "../ui/focus";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader, Steps } from "../ui/page";
import { Sheet } from "../ui/Sheet";
import { Failed, LoadingNote } from "../ui/State";
import { type Action, Toolbar } from "../ui/Toolbar";
import { tell } from "../ui/tell";
import { usePhone } from "../ui/usePhone";
import { Chosen } from "../week/Chosen";
import { DragMarks, DragWords } from "../week/DragLayer";
import { placeAt } from "../week/drag";
import { EndurancePlanned } from "../week/EndurancePlanned";
import { FitPanel } from "../week/FitPanel";
import { useWeekActions } from "../week/useWeekActions";
import { useWeekDrag } from "../week/useWeekDrag";
import { WeekDays } from "../week/WeekDays";
import { WeekStrip } from "../week/WeekStrip";

const EnduranceSheet = lazy(() => import("../ui/EnduranceSheet"));
const DisruptionSheet = lazy(() => import("../week/DisruptionSheet"));
const WeightsSheet = lazy(() => import("../week/WeightsSheet"));
const MoveSheet = lazy(() => import("../week/MoveSheet"));

export default function WeekRoute() {
  const { id = "", monday } = useParams();
  const club = useClub();
  const start = monday ?? (club.data ? mondayOf(club.data.today) : "");
  const week = useWeek(id, start);
  if (week.isPending) return <LoadingNote what="the week" />;
  if (week.isError) return <Failed error={week.error} retry={() => week.refetch()} what="The week" />;
  return <Week id={id} view={week.data} />;
}

function Week({ id, view }: { id: string; view: WeekView }) {
  const navigate = useNavigate();
  const row = useCurrentRow();
  const units = useUnits();
  const [ref, size] = useSize<HTMLDivElement>();
  const [chosen, setChosen] = useState<string | null>(null);
  const [editing, setEditing] = useState<EnduranceView | "new" | null>(null);
  const [sheet, setSheet] = useState<"disruption" | "weights" | null>(null);
  const [preview, setPreview] = useState<number | null>(null);
  const [nowhere, setNowhere] = useState<{ session: PlannedSessionView; date: string } | null>(null);
  const phone = usePhone();
  const actions = useWeekActions(id, view);
  const weigher = useWeigher(id, view.monday, view.editable);

  const open = view.sessions.filter((s) => !s.done);
  const selected = view.sessions.findIndex((s) => `${s.date}${s.label}` === chosen);
  const session = view.sessions[selected];
  // A session that was moved or left out is not chosen any more, though it may come back to its hour.
  useEffect(() => {
    if (chosen !== null && !session) setChosen(null);
  }, [chosen, session]);
  const go = (by: number) => navigate(`/a/${id}/week/${addDays(view.monday, by * 7)}`);
  const walked = useFocusOn(`[data-session="${session?.label ?? ""}"]`);
  const walk = (by: 1 | -1) => {
    walked();
    if (view.sessions.length === 0) return;
    const next = view.sessions[(selected + by + view.sessions.length) % view.sessions.length];
    if (next) setChosen(`${next.date}${next.label}`);
  };
  const openSession = useCallback(
    (at: number) => {
      const s = view.sessions[at];
      if (s) navigate(`/a/${id}/session/${s.date}/${s.label}`);
    },
    [id, view, navigate],
  );
  const select = useCallback(
    // Drawn in slices: a press chooses before it becomes a drag, and the pointer must not wait for the panel.
    (at: number) =>
      startTransition(() =>
        setChosen(view.sessions[at] ? `${view.sessions[at].date}${view.sessions[at].label}` : null),
      ),
    [view],
  );
  const editEndurance = useCallback((e: string) => setEditing(view.endurance.find((x) => x.id === e) ?? null), [view]);
  const take = (at: number) => {
    setPreview(null);
    actions.take(at);
  };
  useKeys("view", [
    { key: "ArrowLeft", label: "", run: () => go(-1), bar: true },
    { key: "ArrowRight", label: "week", run: () => go(1), bar: true },
    { key: "ArrowDown", label: "next session", run: () => walk(1), bar: true },
    { key: "ArrowUp", label: "session before", run: () => walk(-1) },
    { key: "Enter", label: "open session", run: () => openSession(selected), bar: true },
    { key: "f", label: "re-plan week", run: actions.fit, bar: true },
    { key: "l", label: "lock", run: () => actions.toggleLock(session), bar: true },
    { key: "e", label: "add endurance session", run: () => setEditing("new") },
    { key: "d", label: "something came up", run: () => setSheet("disruption") },
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
            tag: (s) => [sessionName(s.label, view.emphasis), `${duration(s.minutes)} · ${s.stress} AU`],
          })
        : null,
    [shown, size, units, view.emphasis],
  );
  const { store, drag } = useWeekDrag({
    layout,
    view,
    weigher,
    onLocked: (label) => tell(`Session ${label} is locked and stays. Unlock it first (L).`),
    onNowhere: (label, date) => {
      const s = view.sessions.find((x) => x.label === label && !x.done);
      if (s) setNowhere({ session: s, date });
    },
    onDrop: (end) => actions.drop(end, placeAt(store.get().board, store.get().target)?.place ?? null),
  });
  const end = addDays(view.monday, 6);
  const { edits } = actions;
  const about = (s: PlannedSessionView) => (
    <Chosen
      key={chosen}
      id={id}
      view={view}
      session={s}
      actions={actions}
      weigher={weigher}
      onOpen={() => openSession(selected)}
    />
  );
  const canLock = view.editable && open.some((s) => !s.locked);
  const tools: Action[] = [
    {
      label: edits?.undo ? `Undo: ${edits.undo.what}` : "Nothing to undo",
      icon: ICON.undo,
      square: true,
      disabled: !edits?.undo,
      run: actions.undo,
    },
    { label: "Endurance", icon: ICON.plus, run: () => setEditing("new") },
    { label: "Something came up…", disabled: !view.editable, run: () => setSheet("disruption") },
    {
      label: edits?.redo ? `Redo: ${edits.redo.what}` : "Nothing to redo",
      icon: ICON.redo,
      square: true,
      disabled: !edits?.redo,
      run: actions.redo,
    },
    { label: "Copy last week's days", rare: true, disabled: !view.editable, run: actions.copyLast },
    { label: "Lock all", rare: true, disabled: !canLock, run: () => void actions.lockAll() },
    { label: "Weights of the rules…", rare: true, run: () => setSheet("weights") },
    {
      label: "The gym on one day",
      rare: true,
      apart: true,
      to: `/gym/${laterOf(view.monday, view.today <= end ? view.today : view.monday)}`,
    },
    {
      label: actions.busy ? "Placing…" : "Re-plan week",
      icon: ICON.fit,
      primary: true,
      disabled: !view.editable || actions.busy,
      run: actions.fit,
    },
  ];
  return (
    <div className="two-pane">
      <main className="flex min-w-0 flex-col">
        <PageHeader title={<>Week {view.isoWeek}</>} note={span(view.monday, end)}>
          <Steps before="Previous week" next="Next week" onStep={go} />
          <Toolbar name="More for this week" actions={tools} />
        </PageHeader>
        <div className="flex h-7 flex-none items-end gap-3 pr-3 pl-4">
          <span className="flex-none self-center text-label text-ink2">
            {PHASE_NAMES[view.phase]} week {view.phaseWeek} of {view.phaseWeeks},{" "}
            {EMPHASIS_NAMES[view.emphasis].toLowerCase()}
            {blockText(view)}
          </span>
          {!phone && <WeekStrip id={id} monday={view.monday} />}
        </div>
        {phone ? (
          <WeekDays
            view={shown}
            words={(e) => enduranceWords(e, units)}
            onSession={select}
            onEndurance={editEndurance}
          />
        ) : (
          <>
            <Legend kind="week" />
            <div ref={ref} className="relative min-h-[420px] flex-1 overflow-hidden max-[1023px]:min-h-[560px]">
              {layout && size && (
                <>
                  <WeekSection
                    layout={layout}
                    view={shown}
                    selected={selected >= 0 ? selected : null}
                    onSelect={select}
                    onOpen={openSession}
                    onEndurance={editEndurance}
                    drag={view.editable && preview === null && weigher.ready ? drag : null}
                    width={size.width}
                    height={size.height}
                  />
                  <DragMarks store={store} layout={layout} view={view} width={size.width} height={size.height} />
                  <DragWords store={store} layout={layout} view={view} width={size.width} />
                </>
              )}
            </div>
          </>
        )}
      </main>
      <aside className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel" aria-label="Fit of the week">
        {session && !phone && about(session)}
        <EndurancePlanned id={id} view={view} units={units} />
        <FitPanel id={id} view={view} preview={preview} onPreview={setPreview} onTake={take} actions={actions} />
      </aside>
      {phone && session && (
        <Sheet open onClose={() => setChosen(null)} title="What to do with it">
          <div className="-m-4">{about(session)}</div>
        </Sheet>
      )}
      {editing && (
        <Suspense fallback={null}>
          <EnduranceSheet
            id={id}
            session={editing === "new" ? null : editing}
            date={view.today >= view.monday && view.today <= end ? view.today : view.monday}
            sport={row?.sport ?? "run"}
            units={units}
            plan={view.mileage.plan}
            onClose={() => setEditing(null)}
          />
        </Suspense>
      )}
      <Suspense fallback={null}>
        {nowhere && (
          <MoveSheet
            view={view}
            session={nowhere.session}
            on={nowhere.date}
            weigher={weigher}
            actions={actions}
            onClose={() => setNowhere(null)}
          />
        )}
        {sheet === "disruption" && <DisruptionSheet view={view} actions={actions} onClose={() => setSheet(null)} />}
        {sheet === "weights" && (
          <WeightsSheet id={id} name={row?.name ?? "This athlete"} onClose={() => setSheet(null)} />
        )}
      </Suspense>
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
