/** Fields of a form whose value is no plain text: a date, a time of day. */
import type { ComponentType } from "react";
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

/** What both fields take. */
interface Typed {
  id: string;
  value: string;
  invalid: boolean;
  describedBy: string | undefined;
  onChange: (value: string) => void;
  onBlur: () => void;
}

const controlled = (Typing: ComponentType<Typed>) =>
  function Controlled<F extends FieldValues>({ form, name, id, label, hint }: Props<F>) {
    const fault: { message?: string } | undefined = get(form.formState.errors, name);
    return (
      <Field id={id} label={label} hint={hint} error={fault?.message}>
        <Controller
          name={name}
          control={form.control}
          render={({ field }) => (
            <Typing
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
  };

export const DateControl = controlled(DateField);
export const TimeControl = controlled(TimeField);
