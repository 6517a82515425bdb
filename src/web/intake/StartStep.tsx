/** The end of the intake: the steps of the ladders they stand on, and what comes next. */
import { useCallback } from "react";
import { Link } from "react-router";
import type { IntakeView } from "../../api/views";
import type { Athlete } from "../../core/athlete";
import { useFit, useLibrary } from "../data/intake";
import { ladderName } from "../library/words";
import { FormProblem } from "../ui/form";
import { WarnIcon } from "../ui/glyphs";
import { useStep } from "./useStep";

type Rungs = NonNullable<Athlete["rungs"]>;
/** Ladders of the primary patterns, which the coach sets most. */
const SHOWN = ["squat", "hinge", "hinge-single", "split-squat", "lunge", "step-down", "single-leg-squat", "bridge"];

export function StartStep({ view }: { view: IntakeView }) {
  const toBody = useCallback((rungs: Rungs) => ({ rungs }), []);
  const step = useStep<Rungs>(view.id, "rungs", view.rungs, toBody);
  const library = useLibrary();
  const fit = useFit(view.id, "");
  const name = (id: string) => library.data?.exercises.find((e) => e.id === id)?.name ?? id;
  const set = (ladder: string, exercise: string) => {
    const rest = step.value.filter((r) => r.ladder !== ladder);
    step.set(exercise === "" ? rest : [...rest, { ladder, exercise }]);
  };
  const open: [string, string, string][] = [];
  if (view.places.length === 0) open.push(["places", "No place yet", "Add a place to lift"]);
  if (view.availability.length === 0) open.push(["week", "No free time slot yet", "Mark the week"]);
  if (view.health.clearanceNeeded && !view.health.clearance)
    open.push(["health", "Clearance is open", "Restore and mobility until it is recorded"]);
  if (view.endurancePlan === null)
    open.push(["endurance", "No endurance plan yet", "What is not planned is not known"]);
  if (view.races.length === 0) open.push(["races", "No race yet", "The season rolls on in blocks until there is one"]);
  return (
    <div className="max-w-[760px] space-y-6">
      <FormProblem text={step.problem} />
      {open.length > 0 && (
        <section>
          <h2 className="mb-1 text-lead leading-6 font-[650]">Still open</h2>
          <ul>
            {open.map(([to, what, says]) => (
              <li key={to} className="flex items-center gap-2 py-0.5">
                <WarnIcon />
                <Link className="link" to={`/a/${view.id}/intake/${to}`}>
                  {what}
                </Link>
                <span className="text-ink2">{says}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <section>
        <h2 className="mb-1 text-lead leading-6 font-[650]">What comes next</h2>
        <div className="flex flex-wrap gap-2">
          <Link className="btn btn-pri" to={`/a/${view.id}/week`}>
            Open the first week
          </Link>
          <Link className="btn" to={`/a/${view.id}/screening/run`}>
            Start the screening
          </Link>
          <Link className="btn" to={`/a/${view.id}/import`}>
            Import past training
          </Link>
          <Link className="btn" to={`/a/${view.id}/session`}>
            Open the next session
          </Link>
          <Link className="btn" to={`/a/${view.id}/season`}>
            Open the season
          </Link>
        </div>
      </section>
      <section>
        <h2 className="mb-1 text-lead leading-6 font-[650]">Steps of the progressions</h2>
        <p className="mb-2 max-w-[64ch] text-label leading-4 text-ink2">
          Without a choice here, training age, screening and log say where the athlete stands. What you set closes the
          steps above it until they are earned: the top of the range with control twice running.
        </p>
        <div className="grid grid-cols-2 gap-x-6 gap-y-2 max-[700px]:grid-cols-1">
          {library.data?.ladders
            .filter((l) => SHOWN.includes(l.id))
            .map((l) => {
              const now = fit.data?.progressions.find((s) => s.ladder === l.id);
              return (
                <label key={l.id} className="block">
                  <span className="mb-0.5 block text-label leading-4 font-medium">{ladderName(l.id)}</span>
                  <select
                    className="input"
                    value={step.value.find((r) => r.ladder === l.id)?.exercise ?? ""}
                    onChange={(e) => set(l.id, e.target.value)}
                  >
                    <option value="">{now && !now.set ? `suggested: ${name(now.step)}` : "suggested"}</option>
                    {l.steps.map((s, i) => (
                      <option key={s} value={s}>
                        {i + 1}. {name(s)}
                      </option>
                    ))}
                  </select>
                </label>
              );
            })}
        </div>
      </section>
    </div>
  );
}
