/** Season: the ground section of many weeks, and the inspector of one. */
import { replaceEqualDeep } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { applyScenario } from "../../api/make/scenario";
import type { ScenarioBody } from "../../api/requests";
import type { SeasonView } from "../../api/views";
import type { EndurancePlan, PhaseSpan, Race } from "../../core/athlete";
import { addDays, laterOf, mondayOf } from "../../core/dates";
import { usualFromRecords, withAmounts } from "../../core/mileage";
import { type Boundary, backToComputed, boundaryIn, moveBoundary, planPhases, withSpan } from "../../core/season";
import { useChanging, useSeason } from "../data/hooks";
import { useTrial } from "../data/trial";
import { distanceNumber, span } from "../format";
import { useUnits } from "../frame/current";
import { AmountHandles } from "../mileage/AmountHandles";
import { AmountRow } from "../mileage/AmountRow";
import { amountFrom, amountNumber, shownAmounts } from "../mileage/amounts";
import { EndurancePanel } from "../mileage/EndurancePanel";
import { seasonActions } from "../season/actions";
import { phaseFacts } from "../season/facts";
import { Inspector } from "../season/Inspector";
import { TrialBar } from "../season/TrialBar";
import { Legend } from "../section/Legend";
import { type SeasonLayout, seasonLayout, type Terrain, weeksThatFit, ZOOMS, zoomed } from "../section/layout/season";
import { SeasonHandles } from "../section/SeasonHandles";
import { SeasonSection } from "../section/SeasonSection";
import { useSize } from "../section/useSize";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Segments } from "../ui/Segments";
import { Failed, LoadingNote } from "../ui/State";
import { type Action, Toolbar } from "../ui/Toolbar";

const RaceSheet = lazy(() => import("../ui/RaceSheet"));
const TERRAIN: [Terrain, string][] = [
  ["distance", "Distance"],
  ["load", "Load"],
  ["hours", "Hours"],
];
/** Weeks shown before today at first. */
const BEFORE = 9;

/** What hands ask of the season: a race or a boundary to another day, to a date or by so many days; another endurance plan; or a drag's end. */
type Move =
  | { of: "race"; race: string; to: string | number }
  | { of: "boundary"; boundary: Boundary; to: string | number }
  | { of: "plan"; change: (plan: EndurancePlan | null) => EndurancePlan | null }
  | { of: "end" };

export default function SeasonRoute() {
  const { id = "" } = useParams();
  const season = useSeason(id);
  if (season.isPending) return <LoadingNote what="the season" />;
  if (season.isError) return <Failed error={season.error} retry={() => season.refetch()} what="The season" />;
  return <Season key={id} id={id} view={season.data} />;
}

function Season({ id, view: stored }: { id: string; view: SeasonView }) {
  const navigate = useNavigate();
  const units = useUnits();
  const [params, setParams] = useSearchParams();
  const [terrain, setTerrain] = useState<Terrain>("distance");
  const [planning, setPlanning] = useState(params.get("plan") !== null);
  /** What the sky reached up to when a hand took hold of a week's top. */
  const [held, setHeld] = useState<number | null>(null);
  const [opened, setOpened] = useState<{ race: string | null } | null>(null);
  const [ref, size] = useSize<HTMLDivElement>();
  const trial = useTrial(id);
  const view = trial.view ?? stored;
  const now = Math.max(
    0,
    view.weeks.findIndex((w) => w.start === mondayOf(view.today)),
  );
  const asked = view.weeks.findIndex((w) => w.start === params.get("week"));
  const selected = asked >= 0 ? asked : now;
  const [zoom, setZoom] = useState<number | null>(null);
  const usual = size ? weeksThatFit(size.width, view.weeks.length) : 26;
  const fits = Math.min(zoom ?? usual, view.weeks.length);
  const [firstWanted, setFirst] = useState<number | null>(null);
  // A narrow screen shows few weeks: most of them are still ahead.
  const atFirst = now - Math.min(BEFORE, Math.floor(fits / 3));
  const first = Math.max(0, Math.min(firstWanted ?? atFirst, view.weeks.length - fits));
  const select = (index: number) => {
    const to = Math.max(0, Math.min(view.weeks.length - 1, index));
    const week = view.weeks[to];
    if (!week) return;
    setParams({ week: week.start }, { replace: true });
    if (to < first) setFirst(to);
    else if (to >= first + fits) setFirst(to - fits + 1);
  };
  /** The chosen week keeps its place in sight. */
  const zoomBy = (by: 1 | -1) => {
    const next = zoomed(fits, by, view.weeks.length);
    const share = (selected - first + 0.5) / fits;
    setZoom(next);
    setFirst(Math.round(selected + 0.5 - (share >= 0 && share <= 1 ? share : 0.5) * next));
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
    { key: "r", label: "add race", run: () => setOpened({ race: null }), bar: true },
    { key: "+", label: "closer", run: () => zoomBy(-1) },
    { key: "-", label: "wider", run: () => zoomBy(1) },
    { key: "e", label: "plan endurance", run: () => setPlanning(!planning), bar: true },
    { key: "w", label: "what if", run: () => navigate(`/a/${id}/what-if`), bar: true },
    { key: "t", label: "to today", run: () => select(now) },
    { key: "Escape", label: "throw the trial away", run: () => trial.discard() },
  ]);
  // What is drawn where it was keeps its identity, so that it is not drawn again.
  const drawn = useRef<SeasonLayout | null>(null);
  const layout = useMemo(
    () =>
      size
        ? replaceEqualDeep(
            drawn.current,
            seasonLayout({
              view,
              terrain,
              first,
              count: fits,
              width: size.width,
              height: size.height,
              inUnits: (km) => distanceNumber(km, units, 1),
              most: held ?? undefined,
            }),
          )
        : null,
    [view, terrain, first, fits, size, units, held],
  );
  drawn.current = layout;
  const facts = useMemo(() => phaseFacts(view), [view]);
  const week = view.weeks[selected];
  const shown = view.weeks.slice(first, first + fits);
  const unit =
    terrain === "distance" ? `${units.distanceUnit} a week` : terrain === "hours" ? "hours a week" : "load a week, AU";

  const athlete = trial.facts?.athlete;
  const attempt = (change: ScenarioBody) => trial.attempt({ ...trial.latest(), ...change });
  /** The athlete with everything asked for so far, planned already or not. */
  const tried = () => athlete && applyScenario(athlete, trial.latest() ?? {});
  const moveRace = (raceId: string, to: string | number) => {
    const races = tried()?.races;
    const moved = races?.find((r) => r.id === raceId);
    if (!races || !moved) return;
    const last = addDays(stored.season.end, 1 - (moved.days ?? 1));
    const wanted = typeof to === "number" ? addDays(moved.date, to) : to;
    // The past is as it was.
    const date = wanted > last ? last : laterOf(wanted, view.today);
    attempt({ races: races.map((r) => (r.id === raceId ? { ...r, date } : r)) });
  };
  const own = trial.scenario?.phases ?? athlete?.phases ?? [];
  // A drag is counted from where it began, so that it leaves one boundary and not one for each step.
  const grip = useRef<{
    phases: readonly PhaseSpan[];
    own: readonly PhaseSpan[];
    races: readonly Race[];
    index: number;
  } | null>(null);
  const moveEdge = (boundary: Boundary, to: string | number) => {
    const now = tried();
    if (!now) return;
    if (!grip.current) {
      const { phases } = planPhases(now);
      const index = boundaryIn(phases, boundary);
      if (index === null) return;
      grip.current = { phases, own: now.phases ?? [], races: now.races, index };
    }
    const from = grip.current;
    const date = typeof to === "number" ? addDays(from.phases[from.index + 1]?.start ?? view.today, to) : to;
    const ahead = laterOf(date, addDays(view.today, 1));
    attempt({ phases: moveBoundary(from.phases, from.races, from.own, from.index, ahead) });
  };
  const changePlan = (change: (plan: EndurancePlan | null) => EndurancePlan | null) => {
    const next = change(tried()?.endurancePlan ?? null);
    if (next) attempt({ endurancePlan: next });
  };
  // What is asked for while a change is being stored waits for the facts that follow it.
  const changing = useChanging(id);
  const waiting = useRef<Move[]>([]);
  const move = (m: Move) => {
    if (changing() || waiting.current.length > 0) waiting.current.push(m);
    else if (m.of === "race") moveRace(m.race, m.to);
    else if (m.of === "boundary") moveEdge(m.boundary, m.to);
    else if (m.of === "plan") changePlan(m.change);
    else grip.current = null;
  };
  useEffect(() => {
    if (!changing()) for (const m of waiting.current.splice(0)) move(m);
  });
  const wheel = (e: React.WheelEvent) => {
    if (e.ctrlKey) zoomBy(e.deltaY > 0 ? 1 : -1);
    else if (Math.abs(e.deltaX) > Math.abs(e.deltaY) || e.shiftKey)
      setFirst(first + Math.sign(e.deltaX || e.deltaY) * Math.max(1, Math.round(fits / 26)));
  };
  const plan = trial.latest()?.endurancePlan ?? athlete?.endurancePlan ?? null;
  const attemptPlan = (next: EndurancePlan) => move({ of: "plan", change: () => next });
  const attemptAmounts = (amounts: ReadonlyMap<string, number>) =>
    move({ of: "plan", change: (now) => now && withAmounts(now, amounts) });
  // A warning that was followed here shows what would settle it.
  const followed = useRef(false);
  useEffect(() => {
    const asked = params.get("fix");
    const fix = stored.endurance.warnings.find((w) => `${w.code}/${w.date}` === asked)?.fix;
    if (!fix || !athlete || followed.current) return;
    followed.current = true;
    attemptPlan(fix.plan);
  });
  const found = useMemo(
    () => (athlete ? usualFromRecords(athlete.endurance, athlete.athlete.sport, view.today) : null),
    [athlete, view.today],
  );
  const drawable = plan !== null && terrain === (plan.unit === "km" ? "distance" : "hours");
  const inUnit = (amounts: ReadonlyMap<string, number>) =>
    new Map([...amounts].map(([w, n]) => [w, amountFrom(n, plan?.unit ?? "km", units)]));
  const shownNow = useMemo(() => shownAmounts(view.weeks, plan), [view.weeks, plan]);
  const tools: Action[] = [
    { label: "Plan endurance", pressed: planning, run: () => setPlanning(!planning) },
    { label: "Add race", icon: ICON.flag, run: () => setOpened({ race: null }) },
    {
      label: "Earlier weeks",
      icon: ICON.left,
      square: true,
      disabled: first === 0,
      run: () => setFirst(Math.max(0, first - Math.ceil(fits / 3))),
    },
    {
      label: "Later weeks",
      icon: ICON.right,
      square: true,
      disabled: first + fits >= view.weeks.length,
      run: () => setFirst(first + Math.ceil(fits / 3)),
    },
    { label: "Fewer weeks, larger", icon: ICON.plus, square: true, disabled: fits <= ZOOMS[0], run: () => zoomBy(-1) },
    {
      label: "More weeks, smaller",
      icon: ICON.minus,
      square: true,
      disabled: fits >= view.weeks.length,
      run: () => zoomBy(1),
    },
    ...seasonActions(id, own.length > 0 ? () => attempt({ phases: [] }) : null),
  ];
  const openedRace = opened?.race ? (athlete?.races.find((r) => r.id === opened.race) ?? null) : null;
  return (
    <div className="two-pane">
      <main className="relative flex min-w-0 flex-col">
        <TrialBar id={id} trial={trial} stored={stored} />
        <PageHeader
          title="Season"
          note={
            shown[0]
              ? `${span(shown[0].start, addDays(shown.at(-1)?.start ?? shown[0].start, 6))}, ${shown.length} of ${view.weeks.length} weeks`
              : ""
          }
        >
          <Toolbar name="More for this season" actions={tools}>
            <Segments name="Endurance by" options={TERRAIN} value={terrain} onChange={setTerrain} />
          </Toolbar>
        </PageHeader>
        <Legend kind="season" />
        <div
          ref={ref}
          className="relative min-h-[420px] flex-1 overflow-hidden max-[1023px]:min-h-[680px]"
          onWheel={wheel}
        >
          {layout && size && (
            <SeasonSection
              layout={layout}
              view={view}
              selected={selected}
              unit={unit}
              facts={facts}
              drawing={planning && drawable}
              onSelect={select}
              onOpen={open}
              width={size.width}
              height={size.height}
              handles={
                <SeasonHandles
                  layout={layout}
                  today={view.today}
                  onRace={(race, to) => move({ of: "race", race, to })}
                  onOpenRace={(r) => setOpened({ race: r })}
                  onBoundary={(boundary, to) => move({ of: "boundary", boundary, to })}
                  onBoundaryEnd={() => move({ of: "end" })}
                  onAnchor={(a) => navigate(`/a/${id}/session/${a.date}/${a.label}`)}
                  onPick={(column) => {
                    const picked = layout.columns[column];
                    if (picked) select(picked.index);
                  }}
                >
                  {drawable && (
                    <AmountHandles
                      layout={layout}
                      today={view.today}
                      step={plan.unit === "km" ? 1 : 0.25}
                      unit={unit}
                      onDraw={(amounts) => attemptAmounts(inUnit(amounts))}
                      onHold={(now) => setHeld(now ? layout.most : null)}
                    />
                  )}
                </SeasonHandles>
              }
            />
          )}
          {layout && size && planning && drawable && (
            <AmountRow
              layout={layout}
              y={layout.strip[1]?.y ?? 0}
              today={view.today}
              amountOf={(monday) => {
                const amount = shownNow.get(monday);
                return amount === undefined ? null : amountNumber(amount, plan.unit, units);
              }}
              onType={(amounts) => attemptAmounts(inUnit(amounts))}
            />
          )}
        </div>
      </main>
      <aside className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel" aria-label="Week inspector">
        {week && planning && athlete && (
          <EndurancePanel
            id={id}
            sport={athlete.athlete.sport}
            view={view}
            plan={plan}
            week={week}
            units={units}
            found={found}
            onPlan={attemptPlan}
            onClose={() => setPlanning(false)}
          />
        )}
        {week && !(planning && athlete) && (
          <Inspector
            id={id}
            week={week}
            view={view}
            units={units}
            onStep={(by) => select(selected + by)}
            onOpen={() => open(selected)}
            onComputed={(phase) => attempt({ phases: backToComputed(own, phase) })}
            onSpan={(proposal) => attempt({ phases: withSpan(own, proposal) })}
            plan={plan}
            onAmount={(amount) => attemptAmounts(new Map([[week.start, amount]]))}
            onPlan={attemptPlan}
            onPlanning={() => setPlanning(true)}
          />
        )}
      </aside>
      {opened && (opened.race === null || openedRace) && (
        <Suspense fallback={null}>
          <RaceSheet id={id} race={openedRace} season={view.season} units={units} onClose={() => setOpened(null)} />
        </Suspense>
      )}
    </div>
  );
}
