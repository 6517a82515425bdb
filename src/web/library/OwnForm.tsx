/** Add or edit an exercise of the coach's own. */

import { useState } from "react";
import type { FieldErrors, UseFormReturn } from "react-hook-form";
import { useForm } from "react-hook-form";
import { ownExerciseBody } from "../../api/requests";
import type { ExerciseView } from "../../api/views";
import { AREA_WORDS, AREAS } from "../../core/athlete";
import { LOADINGS, MUSCLES, type OwnExercise, PATTERNS } from "../../core/exercise";
import { saidOf } from "../data/api";
import { useDeleteOwn, useSaveOwn } from "../data/intake";
import { useHeld } from "../data/tags";
import { bodyResolver, Field, FormActions, FormProblem, placeFaults } from "../ui/form";
import { Sheet } from "../ui/Sheet";
import { tell, tellUndo } from "../ui/tell";
import { LOADING_NAMES, PATTERN_NAMES } from "./words";

interface Form {
  name: string;
  pattern: OwnExercise["pattern"];
  loading: OwnExercise["loading"];
  unilateral: boolean;
  unit: "reps" | "seconds";
  needs: string;
  primary: string;
  secondary: string;
  setup: string;
  cues: string;
  mistakes: string;
  felt: string;
  level: string;
  notWith: string[];
}

const lines = (text: string): string[] =>
  text
    .split("\n")
    .map((l) => l.trim())
    .filter(Boolean);
const words = (text: string): string[] =>
  text
    .split(",")
    .map((w) => w.trim().toLowerCase())
    .filter(Boolean);

const toBody = (f: Form) => ({
  name: f.name.trim(),
  pattern: f.pattern,
  loading: f.loading,
  unilateral: f.unilateral,
  unit: f.unit,
  needs: [words(f.needs)],
  primary: words(f.primary),
  secondary: words(f.secondary),
  setup: lines(f.setup),
  cues: lines(f.cues),
  mistakes: lines(f.mistakes),
  felt: f.felt.trim(),
  level: Number(f.level),
  notWith: f.notWith,
  gates: [],
});

export default function OwnForm({
  exercise,
  onClose,
  onSaved,
}: {
  exercise: ExerciseView | null;
  onClose: () => void;
  onSaved: (id: string) => void;
}) {
  useHeld(exercise && `exercises/${exercise.id}`);
  const save = useSaveOwn();
  const remove = useDeleteOwn();
  const [problem, setProblem] = useState("");
  const form = useForm<Form>({
    resolver: bodyResolver(toBody, ownExerciseBody),
    defaultValues: {
      name: exercise?.name ?? "",
      pattern: exercise?.pattern ?? "trunk",
      loading: exercise?.loading ?? "bodyweight",
      unilateral: exercise?.unilateral ?? false,
      unit: exercise?.unit ?? "reps",
      needs: exercise?.needs[0]?.join(", ") ?? "",
      primary: exercise?.primary.join(", ") ?? "",
      secondary: exercise?.secondary.join(", ") ?? "",
      setup: exercise?.setup.join("\n") ?? "",
      cues: exercise?.cues.join("\n") ?? "",
      mistakes: exercise?.mistakes.join("\n") ?? "",
      felt: exercise?.felt ?? "",
      level: String(Math.min(3, exercise?.level ?? 1)),
      notWith: [...(exercise?.notWith ?? [])],
    },
  });
  const { errors } = form.formState;
  const submit = form.handleSubmit((values) => {
    const body = ownExerciseBody.parse(toBody(values));
    save.mutate(
      { exercise: exercise?.id ?? null, body },
      {
        onSuccess: (answer) => {
          tell(saidOf(answer, exercise ? "Exercise changed." : "Exercise added."));
          onSaved(exercise?.id ?? (answer as { id: string }).id);
        },
        onError: (e) =>
          setProblem(
            placeFaults(
              e,
              ["name", "needs", "primary", "secondary", "setup", "cues", "mistakes", "felt"],
              form.setError,
            ),
          ),
      },
    );
  });
  const takeAway = () => {
    if (!exercise) return;
    const body = ownExerciseBody.parse(toBody(form.getValues()));
    remove.mutate(exercise.id, {
      onSuccess: () => {
        tellUndo(`${exercise.name} removed.`, () => save.mutate({ exercise: null, body }));
        onClose();
      },
      onError: (e) => setProblem(e.message),
    });
  };
  const area = (id: keyof Form, label: string, hint: string) => (
    <Field id={`own-${id}`} label={label} hint={hint} error={errors[id]?.message as string | undefined}>
      <textarea id={`own-${id}`} rows={2} className="input h-auto py-1" {...form.register(id)} />
    </Field>
  );
  return (
    <Sheet
      open
      onClose={onClose}
      title={exercise ? "Edit exercise" : "Add an exercise"}
      note="The planner ranks it with the others of its pattern, and keeps it out where you say so."
      width={620}
    >
      <form onSubmit={submit} noValidate className="space-y-3">
        <FormProblem text={problem} />
        <Field id="own-name" label="Name" error={errors.name?.message}>
          <input id="own-name" className="input" aria-invalid={!!errors.name} {...form.register("name")} />
        </Field>
        <KindFields form={form} errors={errors} />
        <label className="flex items-center gap-2">
          <input type="checkbox" className="h-4 w-4 accent-iron" {...form.register("unilateral")} /> One side at a time
        </label>
        <MuscleFields errors={errors} form={form} />
        {area("setup", "Set-up", "a step a line")}
        {area("cues", "Cues", "one a line; the first stands on the session")}
        {area("mistakes", "Usual mistakes", "one a line")}
        <Field id="own-felt" label="Where it should be felt" error={errors.felt?.message}>
          <input id="own-felt" className="input" aria-invalid={!!errors.felt} {...form.register("felt")} />
        </Field>
        <TroubleField form={form} />
        <FormActions
          save={exercise ? "Save exercise" : "Add exercise"}
          saving={save.isPending}
          onRemove={exercise ? takeAway : null}
          removing={remove.isPending}
        />
      </form>
    </Sheet>
  );
}

function KindFields({ form, errors }: { form: UseFormReturn<Form, unknown, Form>; errors: FieldErrors<Form> }) {
  return (
    <div className="grid grid-cols-3 gap-3">
      <Field id="own-pattern" label="Pattern">
        <select id="own-pattern" className="input" {...form.register("pattern")}>
          {PATTERNS.map((p) => (
            <option key={p} value={p}>
              {PATTERN_NAMES[p]}
            </option>
          ))}
        </select>
      </Field>
      <Field id="own-loading" label="Load">
        <select id="own-loading" className="input" {...form.register("loading")}>
          {LOADINGS.map((l) => (
            <option key={l} value={l}>
              {LOADING_NAMES[l]}
            </option>
          ))}
        </select>
      </Field>
      <Field id="own-unit" label="Counted in">
        <select id="own-unit" className="input" {...form.register("unit")}>
          <option value="reps">repetitions</option>
          <option value="seconds">seconds</option>
        </select>
      </Field>
      <Field id="own-level" label="Who may start">
        <select id="own-level" className="input" {...form.register("level")}>
          <option value="1">everybody</option>
          <option value="2">past three months</option>
          <option value="3">past a year</option>
        </select>
      </Field>
      <Field
        id="own-needs"
        label="Equipment"
        hint="commas; empty is nothing"
        className="col-span-2"
        error={errors.needs?.message as string | undefined}
      >
        <input id="own-needs" className="input" placeholder="band, step" {...form.register("needs")} />
      </Field>
    </div>
  );
}

function MuscleFields({ errors, form }: { errors: FieldErrors<Form>; form: UseFormReturn<Form, unknown, Form> }) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <Field id="own-primary" label="Muscles first" hint="commas" error={errors.primary?.message as string | undefined}>
        <input
          id="own-primary"
          className="input"
          list="own-muscles"
          aria-invalid={!!errors.primary}
          {...form.register("primary")}
        />
      </Field>
      <Field id="own-secondary" label="Then" hint="commas" error={errors.secondary?.message as string | undefined}>
        <input id="own-secondary" className="input" list="own-muscles" {...form.register("secondary")} />
      </Field>
      <datalist id="own-muscles">
        {MUSCLES.map((m) => (
          <option key={m} value={m} />
        ))}
      </datalist>
    </div>
  );
}

function TroubleField({ form }: { form: UseFormReturn<Form, unknown, Form> }) {
  return (
    <fieldset>
      <legend className="mb-0.5 text-label leading-4 font-medium">Leave out with trouble at</legend>
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        {AREAS.map((a) => (
          <label key={a} className="flex items-center gap-1.5">
            <input type="checkbox" value={a} className="h-4 w-4 accent-iron" {...form.register("notWith")} />
            {AREA_WORDS[a]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
