/** Week: the fit around the key sessions, its price by rule, its best alternatives. */
import { lazy, Suspense, startTransition, useCallback, useEffect, useMemo, useState } from "react";
import { useNavigate, useParams } from "react-router";
import type { EnduranceView, PlannedSessionView, WeekView } from "../../api/views";
import { addDays, laterOf, mondayOf } from "../../core/dates";
import { useWeigher, type Weigher } from "../data/board";
import { useClub, useWeek } from "../data/hooks";
import {
  blockText,
  duration,
  EMPHASIS_NAMES,
  enduranceFar,
  enduranceKind,
  PHASE_NAMES,
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
import { useWeekActions, type WeekActions } from "../week/useWeekActions";
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

/** What lies open over the week. */
type Open =
  | { what: "endurance"; session: EnduranceView | null }
  | { what: "move"; session: PlannedSessionView; date: string }
  | { what: "disruption" }
  | { what: "weights" };
const NEW_SESSION: Open = { what: "endurance", session: null };

function Week({ id, view }: { id: string; view: WeekView }) {
  const navigate = useNavigate();
  const units = useUnits();
  const [opened, setOpened] = useState<Open | null>(null);
  const [preview, setPreview] = useState<number | null>(null);
  const phone = usePhone();
  const actions = useWeekActions(id, view);
  const weigher = useWeigher(id, view.monday, view.editable);

  const { chosen, selected, session, select, walk, clear } = useChosen(view);
  const go = (by: number) => navigate(`/a/${id}/week/${addDays(view.monday, by * 7)}`);
  const openSession = useCallback(
    (at: number) => {
      const s = view.sessions[at];
      if (s) navigate(`/a/${id}/session/${s.date}/${s.label}`);
    },
    [id, view, navigate],
  );
  const editEndurance = useCallback(
    (e: string) => {
      const session = view.endurance.find((x) => x.id === e);
      setOpened(session ? { what: "endurance", session } : null);
    },
    [view],
  );
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
    { key: "e", label: "add endurance session", run: () => setOpened(NEW_SESSION) },
    { key: "d", label: "something came up", run: () => setOpened({ what: "disruption" }) },
  ]);

  const shown = useMemo(() => shownWith(view, preview), [view, preview]);
  const end = addDays(view.monday, 6);
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
  const tools = weekTools(view, actions, setOpened);
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
          <Drawing
            view={view}
            shown={shown}
            selected={selected >= 0 ? selected : null}
            weigher={weigher}
            actions={actions}
            movable={view.editable && preview === null}
            onSelect={select}
            onOpen={openSession}
            onEndurance={editEndurance}
            onNowhere={(session, date) => setOpened({ what: "move", session, date })}
          />
        )}
      </main>
      <aside className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel" aria-label="Fit of the week">
        {session && !phone && about(session)}
        <EndurancePlanned id={id} view={view} units={units} />
        <FitPanel id={id} view={view} preview={preview} onPreview={setPreview} onTake={take} actions={actions} />
      </aside>
      {phone && session && (
        <Sheet open onClose={clear} title="What to do with it">
          <div className="-m-4">{about(session)}</div>
        </Sheet>
      )}
      <Opened id={id} view={view} opened={opened} weigher={weigher} actions={actions} onClose={() => setOpened(null)} />
    </div>
  );
}

interface DrawingProps {
  view: WeekView;
  /** The week as it is drawn: an alternative may lie over it. */
  shown: WeekView;
  selected: number | null;
  weigher: Weigher;
  actions: WeekActions;
  movable: boolean;
  onSelect: (at: number) => void;
  onOpen: (at: number) => void;
  onEndurance: (id: string) => void;
  /** A session was put down on a day that has no place for it. */
  onNowhere: (session: PlannedSessionView, date: string) => void;
}

/** The week as a section, with what is dragged over it. */
function Drawing(props: DrawingProps) {
  const { view, shown, selected, weigher, actions, movable, onSelect, onOpen, onEndurance, onNowhere } = props;
  const units = useUnits();
  const [ref, size] = useSize<HTMLDivElement>();
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
      if (s) onNowhere(s, date);
    },
    onDrop: (end) => actions.drop(end, placeAt(store.get().board, store.get().target)?.place ?? null),
  });
  return (
    <>
      <Legend kind="week" />
      <div ref={ref} className="relative min-h-[420px] flex-1 overflow-hidden max-[1023px]:min-h-[560px]">
        {layout && size && (
          <>
            <WeekSection
              layout={layout}
              view={shown}
              selected={selected}
              onSelect={onSelect}
              onOpen={onOpen}
              onEndurance={onEndurance}
              drag={movable && weigher.ready ? drag : null}
              width={size.width}
              height={size.height}
            />
            <DragMarks store={store} layout={layout} view={view} width={size.width} height={size.height} />
            <DragWords store={store} layout={layout} view={view} width={size.width} />
          </>
        )}
      </div>
    </>
  );
}

interface OpenedProps {
  id: string;
  view: WeekView;
  opened: Open | null;
  weigher: Weigher;
  actions: WeekActions;
  onClose: () => void;
}

function Opened({ id, view, opened, weigher, actions, onClose }: OpenedProps) {
  const row = useCurrentRow();
  const units = useUnits();
  const inside = view.today >= view.monday && view.today <= addDays(view.monday, 6);
  return (
    <Suspense fallback={null}>
      {opened?.what === "endurance" && (
        <EnduranceSheet
          id={id}
          session={opened.session}
          date={inside ? view.today : view.monday}
          sport={row?.sport ?? "run"}
          units={units}
          plan={view.mileage.plan}
          onClose={onClose}
        />
      )}
      {opened?.what === "move" && (
        <MoveSheet
          view={view}
          session={opened.session}
          on={opened.date}
          weigher={weigher}
          actions={actions}
          onClose={onClose}
        />
      )}
      {opened?.what === "disruption" && <DisruptionSheet view={view} actions={actions} onClose={onClose} />}
      {opened?.what === "weights" && <WeightsSheet id={id} name={row?.name ?? "This athlete"} onClose={onClose} />}
    </Suspense>
  );
}

/** Which session is chosen: by a press, by keys, or none. */
function useChosen(view: WeekView) {
  const [chosen, setChosen] = useState<string | null>(null);
  const selected = view.sessions.findIndex((s) => `${s.date}${s.label}` === chosen);
  const session = view.sessions[selected];
  // A session that was moved or left out is not chosen any more, though it may come back to its hour.
  useEffect(() => {
    if (chosen !== null && !session) setChosen(null);
  }, [chosen, session]);
  const walked = useFocusOn(`[data-session="${session?.label ?? ""}"]`);
  const walk = (by: 1 | -1) => {
    walked();
    if (view.sessions.length === 0) return;
    const next = view.sessions[(selected + by + view.sessions.length) % view.sessions.length];
    if (next) setChosen(`${next.date}${next.label}`);
  };
  const select = useCallback(
    // Drawn in slices: a press chooses before it becomes a drag, and the pointer must not wait for the panel.
    (at: number) =>
      startTransition(() =>
        setChosen(view.sessions[at] ? `${view.sessions[at].date}${view.sessions[at].label}` : null),
      ),
    [view],
  );
  return { chosen, selected, session, select, walk, clear: () => setChosen(null) };
}

/** The week with an alternative placement laid over it. */
function shownWith(view: WeekView, at: number | null): WeekView {
  const alternative = at === null ? undefined : view.fit.alternatives[at];
  if (!alternative) return view;
  return {
    ...view,
    sessions: view.sessions.map((s) => {
      const to = alternative.sessions.find((a) => a.label === s.label);
      return to && !s.done ? { ...s, date: to.date, start: to.start, place: to.place, warning: null } : s;
    }),
  };
}

/** What can be done with a week. */
function weekTools(view: WeekView, actions: WeekActions, open: (what: Open) => void): Action[] {
  const canLock = view.editable && view.sessions.some((s) => !s.done && !s.locked);
  const end = addDays(view.monday, 6);
  const { edits } = actions;
  return [
    {
      label: edits?.undo ? `Undo: ${edits.undo.what}` : "Nothing to undo",
      icon: ICON.undo,
      square: true,
      disabled: !edits?.undo,
      run: actions.undo,
    },
    { label: "Endurance", icon: ICON.plus, run: () => open(NEW_SESSION) },
    { label: "Something came up…", disabled: !view.editable, run: () => open({ what: "disruption" }) },
    {
      label: edits?.redo ? `Redo: ${edits.redo.what}` : "Nothing to redo",
      icon: ICON.redo,
      square: true,
      disabled: !edits?.redo,
      run: actions.redo,
    },
    { label: "Copy last week's days", rare: true, disabled: !view.editable, run: actions.copyLast },
    { label: "Lock all", rare: true, disabled: !canLock, run: () => void actions.lockAll() },
    { label: "Weights of the rules…", rare: true, run: () => open({ what: "weights" }) },
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
}

function enduranceWords(e: EnduranceView, units: Units): string[] {
  const kind = enduranceKind(e);
  const far = enduranceFar(e.distanceKm, units);
  const name = `${kind} ${far}`.trim();
  return [
    // A day is narrow: the kind says more than the distance.
    name.length > 17 ? kind : name,
    `${duration(e.minutes)} · RPE ${e.rpe ?? e.load / e.minutes}${e.rpe === undefined ? "*" : ""}`,
  ];
}
