/** Season: the ground section of many weeks, and the inspector of one. */
import { lazy, Suspense, useMemo, useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import type { SeasonView } from "../../api/views";
import { addDays, mondayOf } from "../../core/dates";
import { useSeason } from "../data/hooks";
import { distanceNumber, span } from "../format";
import { phaseFacts } from "../season/facts";
import { Inspector } from "../season/Inspector";
import { Legend } from "../section/Legend";
import { seasonLayout, type Terrain, weeksThatFit } from "../section/layout/season";
import { SeasonSection } from "../section/SeasonSection";
import { useSize } from "../section/useSize";
import { useUnits } from "../ui/Frame";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { Segments } from "../ui/Segments";
import { Failed, Loading } from "../ui/State";

const RaceSheet = lazy(() => import("../ui/RaceSheet"));
const TERRAIN: [Terrain, string][] = [
  ["distance", "Distance"],
  ["load", "Load"],
  ["hours", "Hours"],
];
/** Weeks shown before today at first. */
const BEFORE = 9;

export default function SeasonRoute() {
  const { id = "" } = useParams();
  const season = useSeason(id);
  if (season.isPending) return <Loading what="the season" />;
  if (season.isError) return <Failed error={season.error} retry={() => season.refetch()} what="The season" />;
  return <Season key={id} id={id} view={season.data} />;
}

function Season({ id, view }: { id: string; view: SeasonView }) {
  const navigate = useNavigate();
  const units = useUnits();
  const [params, setParams] = useSearchParams();
  const [terrain, setTerrain] = useState<Terrain>("distance");
  const [adding, setAdding] = useState(false);
  const [ref, size] = useSize<HTMLDivElement>();
  const now = Math.max(
    0,
    view.weeks.findIndex((w) => w.start === mondayOf(view.today)),
  );
  const asked = view.weeks.findIndex((w) => w.start === params.get("week"));
  const selected = asked >= 0 ? asked : now;
  const fits = size ? weeksThatFit(size.width, view.weeks.length) : 26;
  const [firstWanted, setFirst] = useState(Math.max(0, now - BEFORE));
  const first = Math.max(0, Math.min(firstWanted, view.weeks.length - fits));
  const select = (index: number) => {
    const to = Math.max(0, Math.min(view.weeks.length - 1, index));
    const week = view.weeks[to];
    if (!week) return;
    setParams({ week: week.start }, { replace: true });
    if (to < first) setFirst(to);
    else if (to >= first + fits) setFirst(to - fits + 1);
  };
  const open = (index: number) => view.weeks[index] && navigate(`/a/${id}/week/${view.weeks[index].start}`);
  const race = (by: 1 | -1) => {
    const start = view.weeks[selected]?.start ?? view.today;
    const next =
      by === 1 ? view.races.find((r) => r.date > addDays(start, 6)) : view.races.findLast((r) => r.date < start);
    if (next) select(view.weeks.findIndex((w) => w.start === mondayOf(next.date)));
  };
  useKeys("view", [
    { key: "ArrowLeft", label: "", run: () => select(selected - 1), bar: true },
    { key: "ArrowRight", label: "week", run: () => select(selected + 1), bar: true },
    { key: "ArrowUp", label: "race before", run: () => race(-1) },
    { key: "ArrowDown", label: "next race", run: () => race(1), bar: true },
    { key: "Enter", label: "open week", run: () => open(selected), bar: true },
    { key: "r", label: "add race", run: () => setAdding(true), bar: true },
    { key: "t", label: "to today", run: () => select(now) },
  ]);
  const layout = useMemo(
    () =>
      size
        ? seasonLayout({
            view,
            terrain,
            first,
            count: fits,
            width: size.width,
            height: size.height,
            inUnits: (km) => distanceNumber(km, units, 1),
          })
        : null,
    [view, terrain, first, fits, size, units],
  );
  const facts = useMemo(() => phaseFacts(view, units), [view, units]);
  const week = view.weeks[selected];
  const shown = view.weeks.slice(first, first + fits);
  const unit =
    terrain === "distance" ? `${units.distanceUnit} a week` : terrain === "hours" ? "hours a week" : "load a week, AU";
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_300px]">
      <main className="flex min-w-0 flex-col">
        <div className="flex h-[52px] flex-none items-center gap-2 pr-3 pl-4">
          <h1 className="text-[18px] leading-6 font-[650] whitespace-nowrap">Season section</h1>
          <span className="ml-1 truncate text-ink2">
            {shown[0]
              ? `${span(shown[0].start, addDays(shown.at(-1)?.start ?? shown[0].start, 6))}, ${shown.length} of ${view.weeks.length} weeks`
              : ""}
          </span>
          <span className="flex-1" />
          <button
            type="button"
            className="btn btn-sq"
            aria-label="Earlier weeks"
            disabled={first === 0}
            onClick={() => setFirst(Math.max(0, first - 8))}
          >
            {ICON.left}
          </button>
          <button
            type="button"
            className="btn btn-sq -ml-1"
            aria-label="Later weeks"
            disabled={first + fits >= view.weeks.length}
            onClick={() => setFirst(first + 8)}
          >
            {ICON.right}
          </button>
          <Segments name="Terrain" options={TERRAIN} value={terrain} onChange={setTerrain} />
          <button type="button" className="btn ml-1" onClick={() => setAdding(true)}>
            {ICON.flag} Add race
          </button>
        </div>
        <Legend kind="season" />
        <div ref={ref} className="min-h-[420px] flex-1 overflow-hidden">
          {layout && size && (
            <SeasonSection
              layout={layout}
              view={view}
              selected={selected}
              unit={unit}
              facts={facts}
              onSelect={select}
              onOpen={open}
              width={size.width}
              height={size.height}
            />
          )}
        </div>
      </main>
      <aside className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel" aria-label="Week inspector">
        {week && (
          <Inspector
            week={week}
            view={view}
            units={units}
            onStep={(by) => select(selected + by)}
            onOpen={() => open(selected)}
          />
        )}
      </aside>
      {adding && (
        <Suspense fallback={null}>
          <RaceSheet id={id} race={null} season={view.season} units={units} onClose={() => setAdding(false)} />
        </Suspense>
      )}
    </div>
  );
}
