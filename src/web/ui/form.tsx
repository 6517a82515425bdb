/** Forms: labelled fields with their faults beside them; what a form gives is checked by the same schemas as the server's. */
import type { ReactNode } from "react";
import type { FieldErrors, FieldValues, Path, Resolver, UseFormSetError } from "react-hook-form";
import type { z } from "zod";
import { kgToLb, kmToMi, lbToKg, miToKm, roundTo } from "../../core/units";
import { faultsOf } from "../../formats/fault";
import { ProblemError } from "../data/api";
import { ICON, WarnIcon } from "./glyphs";

/** Last name in a path: "races[3].date" belongs to the field "date". */
const fieldOf = (path: string): string =>
  path
    .split(".")
    .at(-1)
    ?.replace(/\[\d+\]$/, "") ?? path;

/** Checks what the form would send; faults land on the fields they name. */
export function bodyResolver<F extends FieldValues>(toBody: (form: F) => unknown, schema: z.ZodType): Resolver<F> {
  return (values) => {
    const body = toBody(values);
    const result = schema.safeParse(body);
    if (result.success) return { values, errors: {} };
    const errors: Record<string, { type: string; message: string }> = {};
    for (const f of faultsOf(result.error, body)) errors[fieldOf(f.path)] ??= { type: "schema", message: f.expected };
    return { values: {}, errors: errors as FieldErrors<F> };
  };
}

/** Puts the server's faults on the fields; what no field owns is returned to be shown above. */
export function placeFaults<F extends FieldValues>(
  error: Error,
  fields: readonly Path<F>[],
  setError: UseFormSetError<F>,
): string {
  if (!(error instanceof ProblemError)) return error.message;
  const rest: string[] = [];
  for (const f of error.problem.faults) {
    const name = fieldOf(f.path) as Path<F>;
    if (fields.includes(name)) setError(name, { type: "server", message: f.expected });
    else rest.push(`${f.path}: ${f.expected}`);
  }
  return rest.length > 0 ? rest.join("; ") : error.problem.faults.length > 0 ? "" : error.message;
}

export function Field({
  label,
  error,
  hint,
  children,
  className = "",
  id,
}: {
  label: string;
  error?: string | undefined;
  hint?: string;
  children: ReactNode;
  className?: string;
  id: string;
}) {
  return (
    <div className={className}>
      <label htmlFor={id} className="mb-0.5 block text-label leading-4 font-medium">
        {label}
        {hint && <span className="ml-1 font-normal text-ink2">{hint}</span>}
      </label>
      {children}
      {error && (
        <p id={`${id}-error`} role="alert" className="mt-0.5 text-label leading-4 text-brick-ink">
          {error}
        </p>
      )}
    </div>
  );
}

/** A yes or no with its sentence, which may take several lines. */
export const Tick = ({
  checked,
  onChange,
  children,
}: {
  checked: boolean;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}) => (
  <label className="flex items-start gap-2">
    <input
      type="checkbox"
      className="mt-0.5 h-4 w-4 flex-none accent-iron"
      checked={checked}
      onChange={(e) => onChange(e.target.checked)}
    />
    <span>{children}</span>
  </label>
);

export const FormProblem = ({ text }: { text: string }) =>
  text ? (
    <p
      role="alert"
      className="mb-3 flex gap-1.5 rounded-[3px] border border-brick bg-brick-l p-2 text-label leading-4 text-brick-ink"
    >
      <WarnIcon /> {text}
    </p>
  ) : null;

/** The foot of a form: take away on the left where there is something to take away, save on the right. */
export function FormActions({
  save,
  saving,
  onRemove,
  removing = false,
}: {
  save: string;
  saving: boolean;
  onRemove: (() => void) | null;
  removing?: boolean;
}) {
  return (
    <div className="flex justify-between pt-1">
      {onRemove ? (
        <button type="button" className="btn" onClick={onRemove} disabled={removing}>
          {ICON.bin} Remove
        </button>
      ) : (
        <span />
      )}
      <button type="submit" className="btn btn-pri" disabled={saving}>
        {saving ? "Saving…" : save}
      </button>
    </div>
  );
}

/** Text of an optional number field: "" is left out, "12,5" is 12.5, anything else is given on to be refused with its path. */
export function numberFrom(text: string): number | string | undefined {
  const t = text.trim().replace(",", ".");
  if (t === "") return undefined;
  const n = Number(t);
  return Number.isFinite(n) ? n : text;
}

/** Hours and minutes as people write them. */
const SPOKEN = /^(?:(\d+(?:\.\d+)?)\s*h)?\s*(?:(\d{1,3})\s*(?:m|min)?)?$/i;

/** Minutes of an optional duration field: "225", "3:45", "3h45", "3 h 45 min" and "1.5 h"; anything else is given on to be refused with its path. */
export function minutesFrom(text: string): number | string | undefined {
  const t = text.trim().replace(",", ".");
  const clock = /^(\d{1,3}):([0-5]\d)$/.exec(t);
  if (clock) return Number(clock[1]) * 60 + Number(clock[2]);
  const spoken = t === "" ? null : SPOKEN.exec(t);
  if (spoken?.[1] !== undefined) return roundTo(Number(spoken[1]) * 60 + Number(spoken[2] ?? 0), 2);
  return numberFrom(t.replace(/\s*min$/i, ""));
}

/** Drops keys without a value, so that optional fields stay out of the file. */
export const compact = <T extends Record<string, unknown>>(o: T): Partial<T> =>
  Object.fromEntries(Object.entries(o).filter(([, v]) => v !== undefined && v !== "")) as Partial<T>;

/** A distance in the athlete's unit, for a field. */
export const distanceText = (km: number | undefined, unit: "km" | "mi"): string =>
  km === undefined ? "" : String(unit === "mi" ? roundTo(kmToMi(km), 3) : km);

/**
 * Kilometres from such a field; an unchanged text keeps the exact value that was stored.
 * @param known what the field was filled from
 */
export function distanceFrom(text: string, unit: "km" | "mi", known: number | undefined): number | string | undefined {
  if (known !== undefined && text === distanceText(known, unit)) return known;
  const n = numberFrom(text);
  return typeof n === "number" && unit === "mi" ? miToKm(n) : n;
}

/** A mass in the athlete's unit, for a field: 2.5 lb stays 2.5, not 1.13. */
export const massText = (kg: number | undefined, unit: "kg" | "lb"): string =>
  kg === undefined ? "" : String(roundTo(unit === "lb" ? kgToLb(kg) : kg, unit === "lb" ? 2 : 3));

/**
 * Kilograms from such a field, exact; an unchanged text keeps the value that was stored.
 * @param known what the field was filled from
 */
export function massFrom(text: string, unit: "kg" | "lb", known: number | undefined): number | string | undefined {
  if (known !== undefined && text === massText(known, unit)) return known;
  const n = numberFrom(text);
  return typeof n === "number" && unit === "lb" ? lbToKg(n) : n;
}
