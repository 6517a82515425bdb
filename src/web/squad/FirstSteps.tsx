/** The first steps of a new club; gone once they are all done. */
import { Check } from "lucide-react";
import { Link } from "react-router";
import type { AthleteView } from "../../api/views";
import { useAthlete } from "../data/hooks";
import { ICON } from "../ui/glyphs";
import { Empty } from "../ui/State";
import { type FirstStep, firstSteps } from "./firstSteps";

/** With the only athlete there is. */
function StepsWith({ id }: { id: string }) {
  const athlete = useAthlete(id);
  return athlete.data ? <Steps first={athlete.data} /> : null;
}

interface Props {
  /** The only athlete there is; null while there is none. */
  id: string | null;
  onImport: () => void;
}

export default function FirstSteps({ id, onImport }: Props) {
  if (id !== null) return <StepsWith id={id} />;
  return (
    <Empty title="No athletes yet">
      <p className="mb-3">
        Enter the first athlete, or import an athlete file. The steps below lead to the first placed week.
      </p>
      <Link className="btn btn-pri mr-2" to="/new">
        {ICON.plus} New athlete
      </Link>
      <button type="button" className="btn mb-4" onClick={onImport}>
        {ICON.file} Import athlete
      </button>
      <Steps first={null} />
    </Empty>
  );
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
