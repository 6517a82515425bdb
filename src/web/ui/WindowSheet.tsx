/** Add or edit a weekly window. */

import { useState } from "react";
import { useForm } from "react-hook-form";
import { windowSchema } from "../../api/requests";
import type { Window } from "../../core/athlete";
import { WEEKDAY_NAMES } from "../../core/dates";
import { saidOf, THEIRS } from "../data/api";
import { useSaveWindows } from "../data/hooks";
import { useHeld } from "../data/tags";
import { TimeControl } from "./controlled";
import { bodyResolver, Field, FormActions, FormProblem, numberFrom, placeFaults } from "./form";
import { Sheet } from "./Sheet";
import { tell, tellUndo } from "./tell";

interface Form {
  day: string;
  start: string;
  minutes: string;
  place: string;
}

const toBody = (f: Form) => ({ day: Number(f.day), start: f.start, minutes: numberFrom(f.minutes), place: f.place });

export default function WindowSheet({
  id,
  windows,
  at,
  places,
  onClose,
}: {
  id: string;
  windows: readonly Window[];
  at: number | null;
  places: readonly string[];
  onClose: () => void;
}) {
  useHeld(`athletes/${id}/windows`);
  const save = useSaveWindows(id);
  const [problem, setProblem] = useState("");
  const known = at === null ? undefined : windows[at];
  const form = useForm<Form>({
    resolver: bodyResolver(toBody, windowSchema),
    defaultValues: {
      day: String(known?.day ?? 1),
      start: known?.start ?? "18:00",
      minutes: String(known?.minutes ?? 60),
      place: known?.place ?? places[0] ?? "",
    },
  });
  const { errors } = form.formState;
  const put = (next: Window[], done: string) =>
    save.mutate(next, {
      onSuccess: (answer) => {
        if (answer === THEIRS) tell(saidOf(answer, ""));
        else tellUndo(done, () => save.mutate([...windows]));
        onClose();
      },
      onError: (e) => setProblem(placeFaults(e, ["day", "start", "minutes", "place"], form.setError)),
    });
  const submit = form.handleSubmit((values) => {
    const body = windowSchema.parse(toBody(values));
    put(
      at === null ? [...windows, body] : windows.map((w, i) => (i === at ? body : w)),
      at === null ? "Free time slot added." : "Free time slot changed.",
    );
  });
  return (
    <Sheet
      open
      onClose={onClose}
      title={at === null ? "Add free time slot" : "Edit free time slot"}
      note="A time each week in which strength work may stand. Slots of one day may not overlap."
      width={400}
    >
      <form onSubmit={submit} noValidate className="space-y-3">
        <FormProblem text={problem} />
        <div className="grid grid-cols-2 gap-3">
          <Field id="win-day" label="Day" error={errors.day?.message}>
            <select id="win-day" className="input" {...form.register("day")}>
              {WEEKDAY_NAMES.map((d, i) => (
                <option key={d} value={i + 1}>
                  {d}
                </option>
              ))}
            </select>
          </Field>
          <Field id="win-place" label="Place" error={errors.place?.message}>
            <select id="win-place" className="input" {...form.register("place")}>
              {places.map((p) => (
                <option key={p} value={p}>
                  {p}
                </option>
              ))}
            </select>
          </Field>
          <TimeControl form={form} name="start" id="win-start" label="From" />
          <Field id="win-minutes" label="Length" hint="min" error={errors.minutes?.message}>
            <input
              id="win-minutes"
              inputMode="numeric"
              className="input"
              aria-invalid={!!errors.minutes}
              {...form.register("minutes")}
            />
          </Field>
        </div>
        <FormActions
          save={at === null ? "Add slot" : "Save slot"}
          saving={save.isPending}
          onRemove={
            at === null
              ? null
              : () =>
                  put(
                    windows.filter((_, i) => i !== at),
                    "Free time slot removed.",
                  )
          }
        />
      </form>
    </Sheet>
  );
}
