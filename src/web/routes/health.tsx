/** An athlete's health: trouble areas on a drawing, the stage of each, what the plan does because of it, and the step that the coach confirms. */
import { useState } from "react";
import { Link, useParams } from "react-router";
import type { AthleteHealthView, HealthAreaView } from "../../api/views";
import { useHealth } from "../data/health";
import { dayAndYear } from "../format";
import { AreaCard } from "../health/AreaCard";
import { StepSheet } from "../health/StepSheet";
import { Body } from "../intake/Body";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Failed, LoadingNote } from "../ui/State";

export default function HealthRoute() {
  const { id = "" } = useParams();
  const health = useHealth(id);
  if (health.isPending) return <LoadingNote what="the health view" />;
  if (health.isError) return <Failed error={health.error} retry={() => health.refetch()} what="The health view" />;
  return <Health key={id} view={health.data} />;
}

const isOver = (a: HealthAreaView): boolean => a.way === null;

function Health({ view }: { view: AthleteHealthView }) {
  const [asked, setAsked] = useState<HealthAreaView | null>(null);
  useKeys("view", [{ key: "p", label: "print", run: () => window.print(), bar: true }]);
  const active = view.areas.filter((a) => !isOver(a));
  const over = view.areas.filter(isOver);
  return (
    <main className="flex h-full min-w-0 flex-col print:block">
      <PageHeader title="Health" className="print:hidden">
        <span className="ml-1 text-ink2">
          {active.length === 0 ? "no trouble area" : `${active.length} trouble area${active.length === 1 ? "" : "s"}`}
        </span>
        <span className="flex-1" />
        <Link className="btn" to={`/a/${view.id}/intake/health`}>
          Change areas
        </Link>
        <button type="button" className="btn btn-pri" onClick={() => window.print()}>
          Print
        </button>
      </PageHeader>
      <div
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by the keyboard
        tabIndex={0}
        className="@container min-h-0 flex-1 overflow-auto px-4 pb-6 print:overflow-visible print:p-0"
      >
        <p className="mb-3 hidden text-lead font-semibold print:block">
          {view.name}, {dayAndYear(view.today)}
        </p>
        <Gate view={view} />
        <div className="grid grid-cols-[minmax(0,1fr)_170px] gap-6 @max-[760px]:grid-cols-1 print:block">
          <div className="space-y-4">
            {active.length === 0 && (
              <p className="max-w-[60ch] text-ink2">
                Nothing is in trouble. An area is entered under Intake, Health; from then on this view shows its way
                back.
              </p>
            )}
            {active.map((a) => (
              <AreaCard
                key={`${a.area}${a.side}`}
                area={a}
                stages={view.stages}
                today={view.today}
                onStep={() => setAsked(a)}
              />
            ))}
            {over.length > 0 && <Over areas={over} />}
          </div>
          <div className="print:hidden">
            <Body areas={view.areas} />
          </div>
        </div>
        <p className="mt-4 max-w-[72ch] text-label leading-4 text-ink2 print:text-ink">
          The stages are common practice, no diagnosis, and no number here says that something will not hurt. Numbness,
          weakness, a change of bladder or bowel, pain at night, a hot swollen calf or a sudden pop belong to a
          clinician at once. Licensed practice and local rules go first.
        </p>
      </div>
      {asked && (
        <StepSheet
          id={view.id}
          area={view.areas.find((a) => a.area === asked.area && a.side === asked.side) ?? asked}
          onClose={() => setAsked(null)}
        />
      )}
    </main>
  );
}

/** The clearance, where there is one or where it is missing. */
function Gate({ view }: { view: AthleteHealthView }) {
  if (view.restricted)
    return (
      <p role="note" className="mb-3 max-w-[72ch] border-l-[3px] border-brick bg-brick-l px-3 py-2 text-brick-ink">
        {view.restricted}
      </p>
    );
  if (!view.clearance) return null;
  return (
    <p className="mb-3 max-w-[72ch]">
      Cleared by {view.clearance.by} on {dayAndYear(view.clearance.date)}
      {view.clearance.limits ? `: ${view.clearance.limits}` : "."}
    </p>
  );
}

function Over({ areas }: { areas: readonly HealthAreaView[] }) {
  return (
    <section>
      <h2 className="sec-h">Past</h2>
      <ul>
        {areas.map((a) => (
          <li key={`${a.area}${a.side}`} className="border-b border-hair2 py-1.5">
            <span className="font-semibold first-letter:uppercase">{a.name}</span>, {a.side}
            {a.since && <span className="text-ink2"> since {dayAndYear(a.since)}</span>}
          </li>
        ))}
      </ul>
    </section>
  );
}
