/** Fields of a form whose value is no plain text: a date, a time of day. */
import { Controller, type FieldValues, get, type Path, type UseFormReturn } from "react-hook-form";
import { DateField } from "./DateField";
import { Field } from "./form";
import { TimeField } from "./TimeField";

interface Props<F extends FieldValues> {
  form: UseFormReturn<F>;
  name: Path<F>;
  id: string;
  label: string;
  hint?: string;
}

export function DateControl<F extends FieldValues>({ form, name, id, label, hint }: Props<F>) {
  const fault: { message?: string } | undefined = get(form.formState.errors, name);
  return (
    <Field id={id} label={label} hint={hint} error={fault?.message}>
      <Controller
        name={name}
        control={form.control}
        render={({ field }) => (
          <DateField
            id={id}
            value={field.value}
            invalid={!!fault}
            describedBy={fault ? `${id}-error` : undefined}
            onChange={field.onChange}
            onBlur={field.onBlur}
          />
        )}
      />
    </Field>
  );
}

export function TimeControl<F extends FieldValues>({ form, name, id, label, hint }: Props<F>) {
  const fault: { message?: string } | undefined = get(form.formState.errors, name);
  return (
    <Field id={id} label={label} hint={hint} error={fault?.message}>
      <Controller
        name={name}
        control={form.control}
        render={({ field }) => (
          <TimeField
            id={id}
            value={field.value}
            invalid={!!fault}
            describedBy={fault ? `${id}-error` : undefined}
            onChange={field.onChange}
            onBlur={field.onBlur}
          />
        )}
      />
    </Field>
  );
}
