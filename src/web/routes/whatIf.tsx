/** What if: the season copied, races moved, miles changed, windows dropped; before and after side by side. */
import { useMemo, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import type { ScenarioBody } from "../../api/requests";
import type { PlanningView, SeasonView } from "../../api/views";
import { useSeason } from "../data/hooks";
import { type Trial, useTrial } from "../data/trial";
import { useUnits } from "../frame/current";
import { ChangedWeeks, TotalsTable } from "../season/ComparisonTables";
import { compareSeasons } from "../season/compare";
import { useTakeOver } from "../season/takeOver";
import { WhatIfControls } from "../season/WhatIfControls";
import { stripLayout, trainingLoadSum } from "../section/layout/strip";
import { SeasonStrip } from "../section/SeasonStrip";
import { useSize } from "../section/useSize";
import { ICON, WarnIcon } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Failed, LoadingNote } from "../ui/State";

const STRIP = 168;

export default function WhatIfRoute() {
  const { id = "" } = useParams();
  const season = useSeason(id);
  const trial = useTrial(id);
  if (season.isPending || (!trial.facts && !trial.fault)) return <LoadingNote what="the season" />;
  if (season.isError) return <Failed error={season.error} retry={() => season.refetch()} what="The season" />;
  if (!trial.facts) return <p className="p-6 text-brick-ink">{trial.fault}</p>;
  return <WhatIf key={id} id={id} stored={season.data} trial={trial} facts={trial.facts} />;
}

function WhatIf({ id, stored, trial, facts }: { id: string; stored: SeasonView; trial: Trial; facts: PlanningView }) {
  const units = useUnits();
  const navigate = useNavigate();
  const { ready, storing, takeOver } = useTakeOver(id, trial, () => navigate(`/a/${id}/season`));
  const [ref, size] = useSize<HTMLDivElement>();
  /** What the controls say, ahead of the plan that is made from it. */
  const [asked, setAsked] = useState<ScenarioBody>({});
  const attempt = (change: ScenarioBody) => {
    const next = { ...asked, ...change };
    setAsked(next);
    trial.attempt(next);
  };
  const discard = () => {
    setAsked({});
    trial.discard();
  };
  const after = trial.view ?? stored;
  const compared = useMemo(() => compareSeasons(stored, after), [stored, after]);
  const strips = useMemo(() => {
    if (!size) return null;
    const weeks = [...stored.weeks, ...after.weeks];
    const most = {
      km: Math.max(...weeks.map((w) => w.distanceKm)),
      trainingLoad: Math.max(...weeks.map(trainingLoadSum)),
    };
    const changed = new Set(compared.weeks.map((w) => w.start));
    const moved = new Set(
      after.races.filter((r) => stored.races.find((s) => s.id === r.id)?.date !== r.date).map((r) => r.id),
    );
    const make = (view: SeasonView, marks: boolean) =>
      stripLayout({
        view,
        width: size.width,
        height: STRIP,
        most,
        changed: marks ? changed : new Set(),
        movedRaces: marks ? moved : new Set(),
      });
    return { before: make(stored, false), after: make(after, true) };
  }, [size, stored, after, compared]);
  useKeys("view", [{ key: "Escape", label: "discard", run: discard, bar: true }]);
  return (
    <div className="two-pane side-wide">
      <main className="flex min-h-0 min-w-0 flex-col overflow-auto">
        <PageHeader title="What if">
          <span className="ml-1 truncate text-ink2" role="status">
            {trial.busy
              ? "planning the season anew…"
              : trial.scenario
                ? `${compared.words.join("; ")}.`
                : "change something on the right; nothing is stored until you apply it"}
          </span>
          <span className="flex-1" />
          <Link className="btn" to={`/a/${id}/season`}>
            {ICON.left} Season
          </Link>
          <button type="button" className="btn" disabled={!trial.scenario} onClick={discard}>
            Discard
          </button>
          <button type="button" className="btn btn-pri" disabled={!ready} onClick={takeOver}>
            {storing ? "Storing…" : "Apply"}
          </button>
        </PageHeader>
        {trial.fault && (
          <p role="alert" className="mx-4 mb-2 flex gap-1.5 text-brick-ink">
            <WarnIcon /> {trial.fault}
          </p>
        )}
        <div ref={ref} className="flex-none">
          {strips && size && (
            <>
              <h2 className="px-4 text-label leading-4 font-semibold text-ink2">Before</h2>
              <SeasonStrip l={strips.before} width={size.width} height={STRIP} name="The season now" />
              <h2 className="px-4 pt-2 text-label leading-4 font-semibold text-ink2">
                After{" "}
                <em className="font-normal not-italic">
                  · mileage above, strength below the line, dark where a session is heavy; weeks that change are
                  underlined
                </em>
              </h2>
              <SeasonStrip l={strips.after} width={size.width} height={STRIP} name="The season as tried" />
            </>
          )}
        </div>
        <TotalsTable compared={compared} />
        {compared.newWarnings.map((w) => (
          <p key={w.text} className="mx-4 mb-1 flex gap-1.5 text-label leading-4 text-brick-ink">
            <WarnIcon /> {w.text}
          </p>
        ))}
        <ChangedWeeks compared={compared} units={units} id={id} />
      </main>
      <WhatIfControls scenario={asked} attempt={attempt} facts={facts} view={after} units={units} />
    </div>
  );
}
