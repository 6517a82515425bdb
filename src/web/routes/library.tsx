/** Library: search, filter, and the sheet of one exercise, read for the athlete at hand. */

import { lazy, Suspense, useEffect, useMemo, useRef, useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import type { ExerciseView, LibraryView } from "../../api/views";
import { useFit, useLibrary } from "../data/intake";
import { useCurrentRow } from "../frame/current";
import { nearestTo } from "../library/aliases";
import { Essentials } from "../library/Essentials";
import { ExerciseSheet } from "../library/ExerciseSheet";
import { Filters } from "../library/Filters";
import { type Filter, filtered, filterFrom, paramsFrom } from "../library/filter";
import { LOADING_NAMES, PATTERN_NAMES } from "../library/words";
import { PatternTile } from "../section/parts";
import { bandOf } from "../section/patterns";
import { useFocusOn } from "../ui/focus";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Failed, LoadingNote } from "../ui/State";
import { useSettled } from "../ui/useSettled";

const OwnForm = lazy(() => import("../library/OwnForm"));

export default function LibraryRoute() {
  const library = useLibrary();
  if (library.isPending) return <LoadingNote what="the library" />;
  if (library.isError) return <Failed error={library.error} retry={() => library.refetch()} what="The library" />;
  return <Library library={library.data} />;
}

/** Milliseconds. */
const TYPING_REST = 300;

/**
 * What the address says at this moment, which may be ahead of what is drawn: two changes right after one another must not
 * undo each other.
 */
const addressNow = (): Filter => filterFrom(new URLSearchParams(window.location.search));
const addressWith = (change: (now: Filter) => Filter): string => {
  const query = new URLSearchParams(paramsFrom(change(addressNow()))).toString();
  return window.location.pathname + (query ? `?${query}` : "");
};

function Library({ library }: { library: LibraryView }) {
  const { exercise: chosen } = useParams();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const athlete = useCurrentRow();
  const [place, setPlace] = useState("");
  const fit = useFit(athlete?.id, place);
  const [form, setForm] = useState<"add" | "edit" | null>(null);
  const search = useRef<HTMLInputElement>(null);
  // What is typed is shown at once; the address follows when the typing rests.
  const [text, setText] = useState(params.get("q") ?? "");
  const filter = { ...filterFrom(params), text };
  const write = (change: (now: Filter) => Filter) => navigate(addressWith(change), { replace: true });
  const set = (change: Partial<Filter>) => {
    if (change.text !== undefined) setText(change.text);
    else write((now) => ({ ...now, text, ...change }));
  };
  const clear = () => {
    setText("");
    navigate(window.location.pathname, { replace: true });
  };
  const rested = useSettled(text, TYPING_REST);
  useEffect(() => {
    if (rested === addressNow().text) return;
    navigate(
      addressWith((now) => ({ ...now, text: rested })),
      { replace: true },
    );
  }, [rested, navigate]);
  const nearest = nearestTo(filter.text);
  const query = new URLSearchParams(paramsFrom(filter)).toString();
  const open = (id: string) => navigate(`/library/${id}${query ? `?${query}` : ""}`);
  const list = useMemo(
    () => filtered(library.exercises, filterFrom(new URLSearchParams(query)), fit.data?.closed),
    [library, query, fit.data],
  );
  const at = list.findIndex((e) => e.id === chosen);
  const shown = library.exercises.find((e) => e.id === chosen) ?? list[0];
  const walked = useFocusOn(`[data-exercise="${chosen}"] button`);
  const step = (by: number) => {
    walked();
    const next = list[Math.min(list.length - 1, Math.max(0, Math.max(at, 0) + by))];
    if (next) open(next.id);
  };
  useKeys("view", [
    { key: "/", label: "search", run: () => search.current?.focus(), bar: true },
    { key: "ArrowUp", label: "", run: () => step(-1), bar: true },
    { key: "ArrowDown", label: "exercise", run: () => step(1), bar: true },
    { key: "f", label: "fits the athlete now", run: () => set({ fits: !addressNow().fits }), bar: true },
    { key: "n", label: "add an exercise", run: () => setForm("add") },
  ]);
  return (
    <div className="grid h-full grid-cols-[372px_minmax(0,1fr)] grid-rows-[minmax(0,1fr)] max-[860px]:grid-cols-1 max-[860px]:grid-rows-[42%_minmax(0,1fr)]">
      <main className="flex min-h-0 min-w-0 flex-col border-r border-hair">
        <PageHeader title="Library">
          <span className="ml-1 text-ink2">
            {list.length} of {library.exercises.length}
          </span>
          <span className="flex-1" />
          <button type="button" className="btn" onClick={() => setForm("add")}>
            {ICON.plus} Own exercise
          </button>
        </PageHeader>
        <Filters
          library={library}
          filter={filter}
          set={set}
          search={search}
          athlete={athlete}
          fit={fit.data}
          place={place}
          onPlace={setPlace}
          onFirst={() => list[0] && open(list[0].id)}
        />
        <ExerciseList
          nearest={nearest}
          filter={filter}
          open={open}
          library={library}
          list={list}
          shown={shown}
          fit={fit}
          clear={clear}
        />
      </main>
      <section className="min-h-0 overflow-auto" aria-label="Exercise sheet">
        {athlete && fit.data && <Essentials athlete={athlete} fit={fit.data} onOpen={open} library={library} />}
        {shown && (
          <ExerciseSheet
            exercise={shown}
            library={library}
            fit={fit.data}
            athlete={athlete}
            onOpen={open}
            onEdit={() => setForm("edit")}
          />
        )}
      </section>
      {form && (
        <Suspense fallback={null}>
          <OwnForm
            exercise={form === "edit" && shown?.own ? shown : null}
            onClose={() => setForm(null)}
            onSaved={(id) => {
              setForm(null);
              open(id);
            }}
          />
        </Suspense>
      )}
    </div>
  );
}

function Row({
  exercise: e,
  on,
  closed,
  onOpen,
}: {
  exercise: ExerciseView;
  on: boolean;
  closed: string | undefined;
  onOpen: () => void;
}) {
  return (
    <li data-exercise={e.id} className="border-b border-hair2">
      <button
        type="button"
        onClick={onOpen}
        aria-current={on ? "true" : undefined}
        className={`flex min-h-11 w-full items-center gap-2.5 px-4 py-1 text-left ${on ? "bg-iron-l shadow-[inset_3px_0_0_var(--color-iron)]" : "hover:bg-panel"}`}
      >
        <PatternTile id={bandOf(e.pattern)} size={18} />
        <span className="min-w-0 flex-1">
          <span className={`block truncate leading-5 ${e.hidden ? "text-ink2 line-through" : "font-medium"}`}>
            {e.name}
          </span>
          <span className="block truncate text-label leading-4 text-ink2">
            {closed ?? `${PATTERN_NAMES[e.pattern].toLowerCase()}, ${LOADING_NAMES[e.loading]}`}
          </span>
        </span>
        {e.own && <span className="text-note text-ink2">own</span>}
        {e.hidden && <span className="text-note text-ink2">hidden</span>}
        {closed && (
          <svg width="12" height="12" viewBox="0 0 12 12" role="img" aria-label="closed" className="flex-none">
            <rect x="1" y="1" width="10" height="10" fill="none" stroke="var(--color-field)" />
            <path d="M1 11L11 1M1 6l5-5M6 11l5-5" stroke="var(--color-field)" />
          </svg>
        )}
      </button>
    </li>
  );
}

interface ExerciseListProps {
  nearest: readonly string[] | null;
  filter: Filter;
  open: (id: string) => void | Promise<void>;
  library: LibraryView;
  list: ExerciseView[];
  shown: ExerciseView | undefined;
  fit: ReturnType<typeof useFit>;
  clear: () => void;
}

function ExerciseList({ nearest, filter, open, library, list, shown, fit, clear }: ExerciseListProps) {
  return (
    <ul className="min-h-0 flex-1 overflow-auto border-t border-hair" aria-label="Exercises">
      {nearest && (
        <li className="border-b border-hair2 bg-rest px-4 py-2 text-label leading-4">
          The library holds no “{filter.text.trim()}”. What comes nearest:{" "}
          {nearest.map((n, i) => (
            <span key={n}>
              {i > 0 ? ", " : ""}
              <button type="button" className="link" onClick={() => open(n)}>
                {library.exercises.find((e) => e.id === n)?.name ?? n}
              </button>
            </span>
          ))}
          .
        </li>
      )}
      {list.map((e) => (
        <Row
          key={e.id}
          exercise={e}
          on={e.id === shown?.id}
          closed={fit.data?.closed[e.id]?.text}
          onOpen={() => open(e.id)}
        />
      ))}
      {list.length === 0 && !nearest && (
        <li className="p-4 text-ink2">
          Nothing by that name with these filters.{" "}
          <button type="button" className="link" onClick={clear}>
            Clear the filters
          </button>
        </li>
      )}
    </ul>
  );
}
