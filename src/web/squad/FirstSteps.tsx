/** The first steps of a new club; gone once they are all done. */
import { Check } from "lucide-react";
import { Link } from "react-router";
import type { AthleteView } from "../../api/views";
import { useAthlete } from "../data/hooks";
import { type FirstStep, firstSteps } from "./firstSteps";

/** With the only athlete there is. */
function StepsWith({ id }: { id: string }) {
  const athlete = useAthlete(id);
  return athlete.data ? <Steps first={athlete.data} /> : null;
}

/** @param id the only athlete there is; null while there is none */
export default function FirstSteps({ id }: { id: string | null }) {
  return id === null ? <Steps first={null} /> : <StepsWith id={id} />;
}

function Steps({ first }: { first: AthleteView | null }) {
  const steps = firstSteps(first);
  const next = steps.find((s) => !s.done);
  if (!next) return null;
  return (
    <section aria-label="First steps" className="mb-4 max-w-[640px] rounded-[3px] border border-hair bg-panel p-4">
      <h2 className="mb-1 text-lead font-semibold">First steps</h2>
      <p className="mb-2 text-label text-ink2">
        {steps.filter((s) => s.done).length} of {steps.length} done. Phases, doses and placed weeks follow from them.
      </p>
      <ol>
        {steps.map((s) => (
          <StepLine key={s.name} step={s} next={s === next} />
        ))}
      </ol>
    </section>
  );
}

function StepLine({ step: s, next }: { step: FirstStep; next: boolean }) {
  return (
    <li className="flex min-h-11 items-center gap-3 border-t border-hair2 py-1.5">
      <span
        className={`grid h-5 w-5 flex-none place-items-center rounded-[3px] border ${s.done ? "border-iron bg-iron text-on-iron" : "border-field"}`}
      >
        {s.done && <Check size={14} strokeWidth={2.5} aria-hidden="true" />}
      </span>
      <span className="min-w-0 flex-1">
        <b className="font-semibold">{s.name}</b>
        <span className="sr-only">{s.done ? ", done" : ", open"}</span>
        <span className="block text-label leading-4 text-ink2">{s.says}</span>
      </span>
      {!s.done && (
        <Link className={`btn btn-sm ${next ? "btn-pri" : ""}`} to={s.to}>
          {next ? "Do this next" : "Open"}
        </Link>
      )}
    </li>
  );
}
