/** Season: the ground section of many weeks, and the inspector of one. */
import { lazy, Suspense, useMemo, useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import type { SeasonView, SeasonWeekView } from "../../api/views";
import { addDays, mondayOf } from "../../core/dates";
import { useSeason } from "../data/hooks";
import {
  distanceNumber,
  EMPHASIS_NAMES,
  loadText,
  PHASE_NAMES,
  setsByReps,
  signed,
  span,
  thousands,
  type Units,
} from "../format";
import { Legend } from "../section/Legend";
import { seasonLayout, type Terrain, weeksThatFit } from "../section/layout/season";
import { PatternTile } from "../section/parts";
import { BAND_STYLE, bandOf, STRATA } from "../section/patterns";
import { SeasonDetail } from "../section/SeasonDetail";
import { SeasonSection } from "../section/SeasonSection";
import type { PhaseFacts } from "../section/SeasonTables";
import { useSize } from "../section/useSize";
import { useUnits } from "../ui/Frame";
import { ICON, WarnIcon } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { Failed, Loading } from "../ui/State";
import { Asked, WhyList } from "../ui/Why";

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
          <fieldset className="ml-1 inline-flex h-8 overflow-hidden rounded-[3px] border border-edge bg-panel">
            <legend className="sr-only">Terrain</legend>
            {TERRAIN.map(([key, name]) => (
              <button
                key={key}
                type="button"
                aria-pressed={terrain === key}
                onClick={() => setTerrain(key)}
                className={`border-r border-hair px-[11px] leading-[30px] font-medium last:border-r-0 ${terrain === key ? "bg-ink text-panel" : "text-ink2"}`}
              >
                {name}
              </button>
            ))}
          </fieldset>
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

function Inspector({
  week,
  view,
  units,
  onStep,
  onOpen,
}: {
  week: SeasonWeekView;
  view: SeasonView;
  units: Units;
  onStep: (by: number) => void;
  onOpen: () => void;
}) {
  const end = addDays(week.start, 6);
  const warnings = view.warnings.filter((w) => w.code !== "not-placed" && w.date >= week.start && w.date <= end);
  const minutes = week.anchors.reduce((a, s) => a + s.minutes, 0);
  const mileage = week.why.filter((w) => w.rule.startsWith("mileage"));
  return (
    <>
      <div className="sec">
        <div className="flex items-center">
          <h2 className="text-[18px] leading-6 font-[650]">Week {week.isoWeek}</h2>
          <span className="flex-1" />
          <button type="button" className="btn btn-sm btn-sq" aria-label="Previous week" onClick={() => onStep(-1)}>
            {ICON.left}
          </button>
          <button type="button" className="btn btn-sm btn-sq ml-1" aria-label="Next week" onClick={() => onStep(1)}>
            {ICON.right}
          </button>
          <button type="button" className="btn btn-sm ml-2" onClick={onOpen}>
            Open week
          </button>
        </div>
        <p className="mt-0.5 flex flex-wrap items-center gap-x-[7px]">
          {span(week.start, end)}
          <i className="sw" style={{ background: STRATA[week.phase].tint }} />
          {PHASE_NAMES[week.phase]}, {EMPHASIS_NAMES[week.emphasis].toLowerCase()}
          {week.stepBack ? ", step-back" : ""}
        </p>
      </div>
      <div className="sec">
        <h3 className="sec-h">Endurance {week.done ? "done" : "planned"}</h3>
        <dl className="-mx-1 grid grid-cols-3">
          <Figure value={String(distanceNumber(week.distanceKm, units))} unit={units.distanceUnit} name="distance" />
          <Figure value={thousands(week.ascentM)} unit="m" name="ascent" />
          <Figure value={thousands(week.load)} unit="" name="load, AU" />
        </dl>
        <p className="mt-2 flex justify-between text-[12px] leading-[18px] text-ink2 cond-s">
          <span>vs last 3 ordinary weeks</span>
          <Asked reasons={mileage}>
            leg load <b className="font-semibold text-ink">{week.loadPct === null ? "–" : signed(week.loadPct)}</b>,
            distance{" "}
            <b className="font-semibold text-ink">{week.distancePct === null ? "–" : signed(week.distancePct)}</b>
          </Asked>
        </p>
      </div>
      {week.dose.length > 0 && (
        <div className="sec">
          <h3 className="sec-h">
            Strength dose <em className="font-normal not-italic cond">sets × reps @ load</em>
          </h3>
          <ul>
            {week.dose.map((d) => (
              <li
                key={d.pattern}
                className="flex h-[26px] items-center gap-2 border-t border-hair2 first:border-t-0 cond"
              >
                <PatternTile id={bandOf(d.pattern)} />
                <span className="cond-s">{BAND_STYLE[bandOf(d.pattern)].name}</span>
                <span className="min-w-0 flex-1 truncate text-[12px] text-ink2" title={d.exercise}>
                  {d.exercise}
                </span>
                <b className="font-[650] whitespace-nowrap">
                  {setsByReps(d)} @ {d.percent1rm !== null ? `${Math.round(d.percent1rm)}%` : loadText(d, units)}
                </b>
              </li>
            ))}
          </ul>
        </div>
      )}
      <div className="sec pb-2">
        <h3 className="sec-h mb-0.5">
          Detail{" "}
          <em className="font-normal not-italic cond">
            {week.anchors.length} session{week.anchors.length === 1 ? "" : "s"}
            {minutes ? `, ${minutes} min` : ""}
          </em>
        </h3>
        <SeasonDetail week={week} />
      </div>
      <div className="sec flex-1">
        <h3 className="sec-h">Why</h3>
        <WhyList reasons={week.why} />
        {week.unplaced.map((u) => (
          <p key={u.label} className="mt-2 flex gap-1.5 text-[12px] leading-4 text-brick-ink">
            <WarnIcon />
            <span>
              Session {u.label} is not placed. {u.why}
            </span>
          </p>
        ))}
        {warnings.map((w) => (
          <p key={w.text} className="mt-2 flex gap-1.5 text-[12px] leading-4 text-brick-ink">
            <WarnIcon />
            <span>{w.text}</span>
          </p>
        ))}
      </div>
    </>
  );
}

const Figure = ({ value, unit, name }: { value: string; unit: string; name: string }) => (
  <div className="border-l border-hair pr-1 pl-2.5 first:border-l-0 first:pl-1">
    <dd className="num text-[22px] leading-7 font-semibold whitespace-nowrap">
      {value}
      {unit && <small className="ml-0.5 text-[13px] font-medium text-ink2">{unit}</small>}
    </dd>
    <dt className="text-[11px] leading-[14px] text-ink2">{name}</dt>
  </div>
);

/** The phase table: what each phase holds, from its planned ordinary weeks. */
function phaseFacts(view: SeasonView, units: Units): Map<number, PhaseFacts> {
  const out = new Map<number, PhaseFacts>();
  view.phases.forEach((p, index) => {
    const weeks = view.weeks.filter(
      (w) => w.phase === p.phase && addDays(w.start, 3) >= p.start && addDays(w.start, 3) <= p.end,
    );
    const back = weeks.filter((w) => w.stepBack).length;
    const counts = weeks.map((w) => w.anchors.length).filter((n) => n > 0);
    const model =
      weeks.find((w) => !w.stepBack && w.dose.some((d) => d.pattern === "squat") && w.anchors.every((a) => !a.done)) ??
      weeks.find((w) => w.dose.length > 0);
    const line = (patterns: readonly string[]): string => {
      const d = model?.dose.find((x) => patterns.includes(x.pattern));
      if (!d) return weeks.some((w) => !w.done) ? "none" : "done";
      const at = d.percent1rm !== null ? `${Math.round(d.percent1rm)}%` : loadText(d, units);
      return `${setsByReps(d)} @ ${at === "bodyweight" ? "body" : at}`.replaceAll("\u00A0", "");
    };
    const [least, most] = [Math.min(...counts), Math.max(...counts)];
    out.set(index, {
      length: `${weeks.length || "under 1"} week${weeks.length === 1 || weeks.length === 0 ? "" : "s"}${back ? `, ${back} step-back` : ""}`,
      sessions: counts.length ? `${least === most ? least : `${least}–${most}`} a week` : "none",
      main: line(["squat", "hinge"]),
      single: line(["split-squat", "hip"]),
    });
  });
  return out;
}
