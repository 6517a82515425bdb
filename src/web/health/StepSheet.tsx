/** The coach confirms a stage, with the name of a clinician and limits where there are any; going back is always open. */
import { useState } from "react";
import { useForm } from "react-hook-form";
import { type PathwayBody, pathwayBody } from "../../api/requests";
import type { HealthAreaView } from "../../api/views";
import { PATHWAY_STAGES, type PathwayStage } from "../../core/athlete";
import { useStepOn } from "../data/health";
import { bodyResolver, compact, Field, FormProblem, placeFaults, Tick } from "../ui/form";
import { Segments } from "../ui/Segments";
import { Sheet } from "../ui/Sheet";
import { useUndo } from "../ui/undo";

interface Form {
  by: string;
  clinician: string;
  limits: string;
}

const LAST_NAME = "field-anchor:confirmed-by";

export function StepSheet({ id, area, onClose }: { id: string; area: HealthAreaView; onClose: () => void }) {
  const step = useStepOn(id);
  const { said } = useUndo(id);
  const { way } = area;
  const here = PATHWAY_STAGES.indexOf(way?.stage ?? "settle");
  // The next stage, and all before it; none is skipped.
  const options = PATHWAY_STAGES.filter((_, i) => i <= here + 1 && i !== here);
  const [stage, setStage] = useState<PathwayStage>(way?.ready && way.next ? way.next : (options.at(-1) ?? "settle"));
  const [anyway, setAnyway] = useState(false);
  const [problem, setProblem] = useState("");
  const up = PATHWAY_STAGES.indexOf(stage) > here;
  const early = up && way !== null && way.days < way.least;
  const unsigned = up && way !== null && !way.ready && !early;
  const toBody = (f: Form) =>
    compact({ area: area.area, side: area.side, stage, ...f, ...(anyway && unsigned ? { anyway: true } : {}) });
  const form = useForm<Form>({
    defaultValues: { by: localStorage.getItem(LAST_NAME) ?? "", clinician: "", limits: "" },
    resolver: bodyResolver(toBody, pathwayBody),
  });
  const { errors } = form.formState;
  const submit = form.handleSubmit((f) =>
    step.mutateAsync(toBody(f) as PathwayBody).then(
      () => {
        localStorage.setItem(LAST_NAME, f.by);
        said(`The ${area.name} is at ${stage}.`);
        onClose();
      },
      (error: Error) => setProblem(placeFaults(error, ["by", "clinician", "limits"], form.setError)),
    ),
  );
  return (
    <Sheet open onClose={onClose} title={`Stage of the ${area.name}, ${area.side}`}>
      <form onSubmit={submit} noValidate className="space-y-3">
        <FormProblem text={problem} />
        <div>
          <p className="mb-0.5 text-label leading-4 font-medium">From today on</p>
          <Segments
            name="Stage"
            options={options.map((s) => [s, s] as [PathwayStage, string])}
            value={stage}
            onChange={setStage}
          />
        </div>
        {early && way && (
          <p
            role="note"
            className="border-l-[3px] border-brick bg-brick-l px-3 py-2 text-label leading-4 text-brick-ink"
          >
            Not yet: {way.stage} takes {way.least} days at least, today is day {way.days}.
          </p>
        )}
        {unsigned && way && (
          <Tick checked={anyway} onChange={setAnyway}>
            Go on although this is missing: {way.missing.join("; ")}.
          </Tick>
        )}
        <Field id="step-by" label="Confirmed by" error={errors.by?.message}>
          <input id="step-by" className="input" {...form.register("by")} />
        </Field>
        <Field
          id="step-clinician"
          label="Clinician"
          hint={
            way?.clinician && stage !== "settle"
              ? "name and profession; needed here"
              : "name and profession, where one agreed"
          }
          error={errors.clinician?.message}
        >
          <input id="step-clinician" className="input" {...form.register("clinician")} />
        </Field>
        <Field id="step-limits" label="Limits" hint="in their words" error={errors.limits?.message}>
          <textarea id="step-limits" className="input h-16" {...form.register("limits")} />
        </Field>
        <p className="text-label leading-4 text-ink2">
          The product proposes and never moves a stage up by itself. Sessions from today on change with it.
        </p>
        <div className="flex justify-end">
          <button type="submit" className="btn btn-pri" disabled={step.isPending || early || (unsigned && !anyway)}>
            {step.isPending ? "Saving…" : `Confirm ${stage}`}
          </button>
        </div>
      </form>
    </Sheet>
  );
}
