/** A session made by hand: order, pairs, exercises, doses, notes; what it comes to is worked out beside it at every change. */

import {
  type Announcements,
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  type UniqueIdentifier,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import type { Dispatch, SetStateAction } from "react";
import { useMemo, useState } from "react";
import type { NavigateFunction } from "react-router";
import { Link, useNavigate, useParams } from "react-router";
import type { EditPreview, LibraryView, SessionView } from "../../api/views";
import { mondayOf } from "../../core/dates";
import { saidOf } from "../data/api";
import { previewEdit, useSaveEdit } from "../data/dose";
import { useSession } from "../data/hooks";
import { useLibrary } from "../data/intake";
import { useHeld } from "../data/tags";
import type { Row, Steps } from "../editor/draft";
import {
  begin,
  fromTemplate,
  itemsOf,
  labelsOf,
  linkedAt,
  moved,
  nextStep,
  redone,
  rowFor,
  rowsOf,
  undone,
  without,
} from "../editor/draft";
import { EditRow, ROW_GRID } from "../editor/EditRow";
import { Picker } from "../editor/Picker";
import { CopySheet, TemplatesSheet } from "../editor/sheets";
import type { Units } from "../format";
import { day, duration, placeName, sessionName, time } from "../format";
import { useUnits } from "../frame/current";
import { SessionAnchor, TimeBar } from "../session/Drawn";
import { ICON, WarnIcon } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Failed, LoadingNote } from "../ui/State";
import { Toolbar } from "../ui/Toolbar";
import { tell, tellFault } from "../ui/tell";
import { useSettled } from "../ui/useSettled";
import { useUnsaved } from "../ui/useUnsaved";

export default function SessionEditRoute() {
  const { id = "", date = "", label = "" } = useParams();
  const session = useSession(id, date, label);
  const library = useLibrary();
  if (session.isPending || library.isPending) return <LoadingNote what="the session" />;
  if (session.isError) return <Failed error={session.error} retry={() => session.refetch()} what="The session" />;
  if (library.isError) return <Failed error={library.error} retry={() => library.refetch()} what="The library" />;
  if (!session.data.time)
    return (
      <div className="p-6">
        <p className="mb-3">This session is past, and stays as it was lifted.</p>
        <Link className="btn" to={`/a/${id}/session/${date}/${label}`}>
          Back to the session
        </Link>
      </div>
    );
  return <Editor key={`${id}${date}${label}`} view={session.data} library={library.data} />;
}

/** Milliseconds after the last change. */
const REST = 200;

/** Waits until the hand rests, then asks; what was worked out before stays in sight until the answer is here. */
function usePreviewOf(view: SessionView, items: ReturnType<typeof itemsOf>, note: string) {
  const body = JSON.stringify({ items, ...(note ? { note } : {}) });
  const rested = useSettled(body, REST);
  const preview = useQuery<EditPreview>({
    queryKey: ["a", view.id, "edit-preview", view.date, view.label, rested],
    queryFn: () => previewEdit(view.id, view.date, view.label, JSON.parse(rested)),
    placeholderData: keepPreviousData,
    gcTime: 0,
    retry: false,
  });
  return {
    preview: preview.data ?? null,
    busy: body !== rested || preview.isFetching,
    fault: preview.isError ? preview.error.message : null,
  };
}

function Editor({ view, library }: { view: SessionView; library: LibraryView }) {
  const units = useUnits();
  const navigate = useNavigate();
  const [steps, setSteps] = useState(() => begin(rowsOf(view)));
  const [note, setNote] = useState(view.edit?.note ?? "");
  const [sheet, setSheet] = useState<"copy" | "templates" | null>(null);
  const rows = steps.now;
  const put = (next: typeof rows) => setSteps((s) => nextStep(s, next));
  const items = useMemo(() => itemsOf(rows), [rows]);
  const { preview, busy, fault } = usePreviewOf(view, items, note);
  const save = useSaveEdit(view.id, view.date, view.label);
  useHeld(`athletes/${view.id}/edits/${mondayOf(view.date)}/${view.label}`);
  const labels = labelsOf(rows);
  const changed = steps.past.length > 0 || note !== (view.edit?.note ?? "");
  const back = `/a/${view.id}/session/${view.date}/${view.label}`;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const said = useMemo(() => announcements(rows, library), [rows, library]);
  useUnsaved(changed);
  const keep = () =>
    save.mutate(
      { items, ...(note.trim() ? { note: note.trim() } : {}) },
      {
        onSuccess: (answer) => {
          tell(saidOf(answer, "Kept. The planner leaves this session as you made it."));
          navigate(back);
        },
        onError: (e) => tellFault(e.message),
      },
    );
  useKeys("view", [
    { key: "ctrl+z", label: "undo", run: () => setSteps(undone), bar: true },
    { key: "ctrl+y", label: "redo", run: () => setSteps(redone) },
  ]);
  const shown = preview?.session ?? null;
  const wrong = fault ?? preview?.fault ?? null;
  return (
    <div className="two-pane">
      <main className="flex min-w-0 flex-col">
        <PageHeader
          title={<>{sessionName(view.label, view.emphasis)}, by hand</>}
          note={
            <>
              {day(view.date)} {time(view.start)}, {placeName(view.place)}
            </>
          }
        >
          <EditTools steps={steps} setSteps={setSteps} setSheet={setSheet} changed={changed} />
        </PageHeader>
        <div className="@container min-h-0 flex-1 overflow-auto px-4 pb-4">
          <ColumnNames units={units} />
          <RowList
            sensors={sensors}
            said={said}
            rows={rows}
            put={put}
            labels={labels}
            library={library}
            shown={shown}
            units={units}
          />
          <AddExercise library={library} rows={rows} put={put} />
          <label className="mt-3 block text-label font-medium" htmlFor="session-note">
            Note on the whole session
            <textarea
              id="session-note"
              className="input mt-0.5 h-14 resize-none py-1 font-normal"
              maxLength={600}
              value={note}
              onChange={(e) => setNote(e.target.value)}
            />
          </label>
        </div>
      </main>
      <aside className="flex min-h-0 flex-col border-l border-hair bg-panel" aria-label="What it comes to">
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by keyboard */}
        <div className="min-h-0 flex-1 overflow-auto" tabIndex={0}>
          <Figures busy={busy} shown={shown} wrong={wrong} />
          {shown && (
            <div className="sec">
              <h2 className="sec-h">Training load</h2>
              <SessionAnchor view={shown} />
            </div>
          )}
          <ToKnow preview={preview} shown={shown} view={view} />
        </div>
        <Ends
          changed={changed}
          busy={busy}
          wrong={wrong}
          save={save}
          keep={keep}
          back={back}
          view={view}
          navigate={navigate}
        />
      </aside>
      {sheet === "templates" && (
        <TemplatesSheet
          items={items}
          onClose={() => setSheet(null)}
          onTake={(t) => {
            put(fromTemplate(t));
            setSheet(null);
          }}
        />
      )}
      {sheet === "copy" && <CopySheet view={view} onClose={() => setSheet(null)} />}
    </div>
  );
}

interface EditToolsProps {
  steps: Steps;
  setSteps: Dispatch<SetStateAction<Steps>>;
  setSheet: (value: "copy" | "templates" | null) => void;
  changed: boolean;
}

/** Undo and redo of the draft, templates, copying. */
function EditTools({ steps, setSteps, setSheet, changed }: EditToolsProps) {
  return (
    <Toolbar
      name="More for this session"
      actions={[
        {
          label: "Undo",
          icon: ICON.undo,
          square: true,
          disabled: steps.past.length === 0,
          run: () => setSteps(undone),
        },
        {
          label: "Redo",
          icon: ICON.redo,
          square: true,
          disabled: steps.future.length === 0,
          run: () => setSteps(redone),
        },
        { label: "Templates", run: () => setSheet("templates") },
        { label: "Copy to others", disabled: changed, run: () => setSheet("copy") },
      ]}
    />
  );
}

function ColumnNames({ units }: { units: Units }) {
  return (
    <div
      className={`grid ${ROW_GRID} gap-1.5 pb-1 text-label font-semibold text-ink2 shadow-[inset_0_-1.500px_0_var(--color-ground)] @max-[760px]:hidden`}
    >
      <span />
      <span>Pair</span>
      <span>Exercise</span>
      <span className="text-center">Sets</span>
      <span className="text-center">Reps</span>
      <span className="text-center">RIR</span>
      <span className="text-center">Load, {units.massUnit}</span>
      <span className="text-center">Rest, s</span>
      <span />
    </div>
  );
}

interface RowListProps {
  sensors: ReturnType<typeof useSensors>;
  said: Announcements;
  rows: Row[];
  put: (next: Row[]) => void;
  labels: string[];
  library: LibraryView;
  shown: SessionView | null;
  units: Units;
}

/** The rows, moved by dragging or with Space and arrows. */
function RowList({ sensors, said, rows, put, labels, library, shown, units }: RowListProps) {
  return (
    <DndContext
      sensors={sensors}
      accessibility={{ announcements: said }}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        const from = rows.findIndex((r) => r.key === active.id);
        const to = rows.findIndex((r) => r.key === over?.id);
        if (from >= 0 && to >= 0 && from !== to) put(moved(rows, from, to));
      }}
    >
      <SortableContext items={rows.map((r) => r.key)} strategy={verticalListSortingStrategy}>
        <ol>
          {rows.map((r, at) => (
            <EditRow
              key={r.key}
              row={r}
              at={at}
              label={labels[at] ?? ""}
              count={rows.length}
              exercise={library.exercises.find((e) => e.id === r.exercise)}
              made={shown?.items.find((i) => i.exercise === r.exercise) ?? null}
              exercises={library.exercises}
              units={units}
              onChange={(next) => put(rows.map((x, i) => (i === at ? next : x)))}
              onLink={(linked) => put(linkedAt(rows, at, linked))}
              onRemove={() => put(without(rows, at))}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

interface FiguresProps {
  busy: boolean;
  shown: SessionView | null;
  wrong: string | null;
}

/** Minutes, sets and training load of the draft, or what is wrong with it. */
function Figures({ busy, shown, wrong }: FiguresProps) {
  return (
    <div className="sec" aria-busy={busy}>
      <h2 className="sec-h">
        What it comes to <span className="font-normal">{busy ? "working out…" : ""}</span>
      </h2>
      {shown ? (
        <>
          <p className="num text-figure leading-7 font-semibold" data-testid="edit-minutes">
            {duration(shown.minutes)}{" "}
            <span className="text-body font-normal text-ink2">of {duration(shown.windowMinutes)}</span>
          </p>
          <p className="text-label text-ink2">
            {shown.items.reduce((a, i) => a + i.sets, 0)} sets, {shown.stress} AU
          </p>
          <TimeBar view={shown} />
        </>
      ) : (
        !wrong && <p className="text-label text-ink2">Working out the loads and the time.</p>
      )}
      {wrong && (
        <p
          role="alert"
          className="mt-2 flex gap-1.5 rounded-[3px] border border-brick bg-brick-l p-2 text-label leading-4 text-brick-ink"
        >
          <WarnIcon /> {wrong}
        </p>
      )}
    </div>
  );
}

interface ToKnowProps {
  preview: EditPreview | null;
  shown: SessionView | null;
  view: SessionView;
}

/** Warnings and cautions. */
function ToKnow({ preview, shown, view }: ToKnowProps) {
  return (
    <div className="sec flex-1">
      <h2 className="sec-h">To know before you keep it</h2>
      {preview && preview.warnings.length > 0 ? (
        <ul className="space-y-1.5 text-label leading-4">
          {preview.warnings.map((w) => (
            <li key={w} className="flex gap-1.5">
              <WarnIcon size={12} /> {w}
            </li>
          ))}
        </ul>
      ) : (
        <p className="text-label text-ink2">Nothing against it.</p>
      )}
      <ul className="mt-3 space-y-1.5 text-label leading-4 text-ink2">
        {(shown ?? view).cautions.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
    </div>
  );
}

interface EndsProps {
  changed: boolean;
  busy: boolean;
  wrong: string | null;
  save: ReturnType<typeof useSaveEdit>;
  keep: () => void;
  back: string;
  view: SessionView;
  navigate: NavigateFunction;
}

/** Keep, discard, or give it back to the planner. */
function Ends({ changed, busy, wrong, save, keep, back, view, navigate }: EndsProps) {
  return (
    <div className="flex flex-none flex-wrap gap-2 border-t border-hair bg-panel p-3">
      <button
        type="button"
        className="btn btn-pri"
        disabled={!changed || busy || wrong !== null || save.isPending}
        onClick={keep}
      >
        {save.isPending ? "Keeping…" : "Keep"}
      </button>
      <Link className="btn" to={back}>
        {changed ? "Discard" : "Back"}
      </Link>
      {view.edit && (
        <button
          type="button"
          className="btn btn-sm"
          disabled={save.isPending}
          onClick={() =>
            save.mutate(null, {
              onSuccess: () => {
                tell("The planner makes this session again.");
                navigate(back);
              },
            })
          }
        >
          Back to the planner
        </button>
      )}
    </div>
  );
}

/** What is said aloud while a row is moved. */
function announcements(rows: ReturnType<typeof rowsOf>, library: LibraryView): Announcements {
  const at = (key: UniqueIdentifier | undefined) => rows.findIndex((r) => r.key === key);
  const nameAt = (i: number) => library.exercises.find((e) => e.id === rows[i]?.exercise)?.name ?? "The row";
  const place = (key: UniqueIdentifier | undefined) => `${at(key) + 1} of ${rows.length}`;
  const held = (key: UniqueIdentifier) => `${nameAt(at(key))} picked up, ${place(key)}.`;
  return {
    onDragStart: ({ active }) => held(active.id),
    onDragOver: ({ active, over }) =>
      !over || over.id === active.id ? held(active.id) : `${nameAt(at(active.id))} would be ${place(over.id)}.`,
    onDragEnd: ({ active, over }) => (over ? `${nameAt(at(active.id))} put down, ${place(over.id)}.` : undefined),
    onDragCancel: ({ active }) => `${nameAt(at(active.id))} stays, ${place(active.id)}.`,
  };
}

interface AddExerciseProps {
  library: LibraryView;
  rows: Row[];
  put: (next: Row[]) => void;
}

function AddExercise({ library, rows, put }: AddExerciseProps) {
  return (
    <div className="mt-3 flex items-center gap-3">
      <Picker
        exercises={library.exercises.filter((e) => !rows.some((r) => r.exercise === e.id))}
        label="Add an exercise"
        className="btn"
        onPick={(e) => put([...rows, rowFor(e)])}
      >
        {ICON.plus} Add an exercise
      </Picker>
      <span className="text-label text-ink2">
        An empty load is worked out by the rules. Arrow keys walk the fields; the handle moves a row, also with Space
        and arrows.
      </span>
    </div>
  );
}
