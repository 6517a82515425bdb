/** The usual week of an athlete, saved as it is changed; undo takes a change back. */

import { useState } from "react";
import { Link, useParams } from "react-router";
import type { EndurancePlan } from "../../core/athlete";
import { STARTER_SESSIONS, starterWeek } from "../../core/mileage";
import { useSeason } from "../data/hooks";
import { useSavePlan } from "../data/mileage";
import { useHeld } from "../data/tags";
import { usePlanning } from "../data/trial";
import { useUnits } from "../frame/current";
import { fromThisWeek, ordinaryAmount, UsualWeekEditor } from "../mileage/UsualWeekEditor";
import { Failed, LoadingNote } from "../ui/State";
import { tellFault } from "../ui/tell";
import { useAutosave } from "../ui/useAutosave";

/** Milliseconds of quiet before a change is sent. */
const QUIET = 500;

export default function UsualWeekRoute() {
  const { id = "" } = useParams();
  const planning = usePlanning(id);
  const season = useSeason(id);
  const units = useUnits();
  const save = useSavePlan(id);
  useHeld(`athletes/${id}/endurance-plan`);
  const [draft, setDraft] = useState<EndurancePlan | null>(null);
  const [stored, setStored] = useState<EndurancePlan | null>(null);
  const waiting = draft !== null && draft !== stored;
  const { mutate } = save;
  const send = () => {
    if (waiting)
      mutate(draft, {
        onSuccess: () => setStored(draft),
        onError: (e) => tellFault(`Not saved: ${e.message}`),
      });
  };
  useAutosave(draft, send, QUIET);
  if (planning.isPending || season.isPending) return <LoadingNote what="the usual week" />;
  if (planning.isError) return <Failed error={planning.error} retry={() => planning.refetch()} what="The usual week" />;
  if (season.isError) return <Failed error={season.error} retry={() => season.refetch()} what="The season" />;
  const { athlete, today } = planning.data;
  const { sport } = athlete.athlete;
  const plan = draft ??
    athlete.endurancePlan ?? {
      unit: sport === "triathlon" ? ("minutes" as const) : ("km" as const),
      usualWeeks: [{ phase: null, sessions: starterWeek(sport, STARTER_SESSIONS.least + 2) }],
      weeks: [],
    };
  const amounts = fromThisWeek(season.data.weeks, today).flatMap((w) => (w.amount ? [w.amount.amount] : []));
  return (
    <main className="grid h-full grid-rows-[52px_minmax(0,1fr)]">
      <div className="flex items-center gap-2 border-b border-hair pr-3 pl-4">
        <h1 className="text-title leading-6 font-[650]">Usual week</h1>
        <span className="ml-1 truncate text-ink2">
          {save.isError ? "not saved" : waiting ? "saving…" : "saved as you change it"}
        </span>
        <span className="flex-1" />
        <Link className="btn" to={`/a/${id}/season?plan`}>
          Weekly amounts
        </Link>
      </div>
      <UsualWeekEditor
        athlete={athlete}
        plan={plan}
        amount={ordinaryAmount(amounts, plan.unit)}
        today={today}
        units={units}
        onPlan={setDraft}
      />
    </main>
  );
}
