/** Season: the ground section of many weeks, and the inspector of one. */
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import type { SeasonView } from "../../api/views";
import { addDays, mondayOf } from "../../core/dates";
import { usualFromRecords } from "../../core/mileage";
import { backToComputed, withSpan } from "../../core/season";
import { useSeason } from "../data/hooks";
import { useTrial } from "../data/trial";
import { span } from "../format";
import { useUnits } from "../frame/current";
import { EndurancePanel } from "../mileage/EndurancePanel";
import { seasonActions } from "../season/actions";
import { Inspector } from "../season/Inspector";
import { SeasonDrawing } from "../season/SeasonDrawing";
import { TrialBar } from "../season/TrialBar";
import { type Moves, useMoves } from "../season/useMoves";
import { type Sight, useSight } from "../season/useSight";
import { Legend } from "../section/Legend";
import { type Terrain, ZOOMS } from "../section/layout/season";
import { useSize } from "../section/useSize";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Segments } from "../ui/Segments";
import { Failed, LoadingNote } from "../ui/State";
import { type Action, Toolbar } from "../ui/Toolbar";

const AwaySheet = lazy(() => import("../away/AwaySheet"));
const RaceSheet = lazy(() => import("../ui/RaceSheet"));
const TERRAIN: [Terrain, string][] = [
  ["distance", "Distance"],
  ["load", "Load"],
  ["hours", "Hours"],
];

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
  const [params] = useSearchParams();
  const [terrain, setTerrain] = useState<Terrain>("distance");
  const [planning, setPlanning] = useState(params.get("plan") !== null);
  const [opened, setOpened] = useState<{ race: string | null } | null>(null);
  const [away, setAway] = useState(false);
  const [ref, size] = useSize<HTMLDivElement>();
  const trial = useTrial(id);
  const view = trial.view ?? stored;
  const sight = useSight(view, size?.width ?? null);
  const moves = useMoves(id, trial, stored, view);
  const { selected, first, fits, select } = sight;
  const { athlete, own, attempt } = moves;
  useFollowedFix(stored, moves);
  const open = (index: number) => view.weeks[index] && navigate(`/a/${id}/week/${view.weeks[index].start}`);
  const addRace = () => setOpened({ race: null });
  const plan = () => setPlanning(!planning);
  useSeasonKeys(id, view, sight, { open, addRace, plan, discard: trial.discard });
  const shown = view.weeks.slice(first, first + fits);
  const tools: Action[] = [
    { label: "Plan endurance", pressed: planning, run: plan },
    { label: "Add race", icon: ICON.flag, run: addRace },
    { label: "Ill or away", run: () => setAway(true), rare: true },
    ...sightTools(view, sight),
    ...seasonActions(id, own.length > 0 ? () => attempt({ phases: [] }) : null),
  ];
  const openedRace = opened?.race ? (athlete?.races.find((r) => r.id === opened.race) ?? null) : null;
  return (
    <div className="two-pane">
      <main className="relative flex min-w-0 flex-col">
        {away && (
          <Suspense fallback={null}>
            <AwaySheet
              athletes={[{ id, name: athlete?.athlete.name ?? "" }]}
              first={id}
              today={view.today}
              onClose={() => setAway(false)}
            />
          </Suspense>
        )}
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
          onWheel={sight.wheel}
        >
          {size && (
            <SeasonDrawing
              id={id}
              view={view}
              terrain={terrain}
              size={size}
              sight={sight}
              moves={moves}
              planning={planning}
              onOpen={open}
              onOpenRace={(race) => setOpened({ race })}
            />
          )}
        </div>
      </main>
      <aside className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel" aria-label="Week inspector">
        <Beside
          id={id}
          view={view}
          sight={sight}
          moves={moves}
          planning={planning}
          onPlanning={setPlanning}
          onStep={(by) => select(selected + by)}
          onOpen={() => open(selected)}
        />
      </aside>
      {opened && (opened.race === null || openedRace) && (
        <Suspense fallback={null}>
          <RaceSheet id={id} race={openedRace} season={view.season} units={units} onClose={() => setOpened(null)} />
        </Suspense>
      )}
    </div>
  );
}

/** A warning that was followed here shows what would settle it. */
function useFollowedFix(stored: SeasonView, { athlete, attemptPlan }: Moves): void {
  const [params] = useSearchParams();
  const followed = useRef(false);
  useEffect(() => {
    const asked = params.get("fix");
    const fix = stored.endurance.warnings.find((w) => `${w.code}/${w.date}` === asked)?.fix;
    if (!fix || !athlete || followed.current) return;
    followed.current = true;
    attemptPlan(fix.plan);
  });
}

interface Does {
  open: (index: number) => void;
  addRace: () => void;
  plan: () => void;
  discard: () => void;
}

function useSeasonKeys(id: string, view: SeasonView, sight: Sight, does: Does): void {
  const navigate = useNavigate();
  const { selected, select, zoomBy, now } = sight;
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
    { key: "Enter", label: "open week", run: () => does.open(selected), bar: true },
    { key: "r", label: "add race", run: does.addRace, bar: true },
    { key: "+", label: "closer", run: () => zoomBy(-1) },
    { key: "-", label: "wider", run: () => zoomBy(1) },
    { key: "e", label: "plan endurance", run: does.plan, bar: true },
    { key: "w", label: "what if", run: () => navigate(`/a/${id}/what-if`), bar: true },
    { key: "t", label: "to today", run: () => select(now) },
    { key: "Escape", label: "discard what is tried", run: does.discard },
  ]);
}

/** Which weeks are in sight. */
const sightTools = (view: SeasonView, { first, fits, scroll, zoomBy }: Sight): Action[] => [
  {
    label: "Earlier weeks",
    icon: ICON.left,
    square: true,
    disabled: first === 0,
    run: () => scroll(-Math.min(first, Math.ceil(fits / 3))),
  },
  {
    label: "Later weeks",
    icon: ICON.right,
    square: true,
    disabled: first + fits >= view.weeks.length,
    run: () => scroll(Math.ceil(fits / 3)),
  },
  { label: "Fewer weeks, larger", icon: ICON.plus, square: true, disabled: fits <= ZOOMS[0], run: () => zoomBy(-1) },
  {
    label: "More weeks, smaller",
    icon: ICON.minus,
    square: true,
    disabled: fits >= view.weeks.length,
    run: () => zoomBy(1),
  },
];

interface BesideProps {
  id: string;
  view: SeasonView;
  sight: Sight;
  moves: Moves;
  planning: boolean;
  onPlanning: (planning: boolean) => void;
  onStep: (by: number) => void;
  onOpen: () => void;
}

/** The chosen week, or the endurance plan while it is drawn. */
function Beside({ id, view, sight, moves, planning, onPlanning, onStep, onOpen }: BesideProps) {
  const units = useUnits();
  const { athlete, attempt, own, plan, attemptPlan, attemptAmounts } = moves;
  const week = view.weeks[sight.selected];
  const found = useMemo(
    () => (athlete ? usualFromRecords(athlete.endurance, athlete.athlete.sport, view.today) : null),
    [athlete, view.today],
  );
  if (!week) return null;
  return planning && athlete ? (
    <EndurancePanel
      id={id}
      sport={athlete.athlete.sport}
      view={view}
      plan={plan}
      week={week}
      units={units}
      found={found}
      onPlan={attemptPlan}
      onClose={() => onPlanning(false)}
    />
  ) : (
    <Inspector
      id={id}
      week={week}
      view={view}
      units={units}
      onStep={onStep}
      onOpen={onOpen}
      onComputed={(phase) => attempt({ phases: backToComputed(own, phase) })}
      onSpan={(proposal) => attempt({ phases: withSpan(own, proposal) })}
      plan={plan}
      onAmount={(amount) => attemptAmounts(new Map([[week.start, amount]]))}
      onPlan={attemptPlan}
      onPlanning={() => onPlanning(true)}
    />
  );
}
