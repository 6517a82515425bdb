/** Arrow keys between the fields of the rows. */
import type { KeyboardEvent } from "react";

const FIELDS = ["sets", "low", "reps", "rir", "load", "rest", "note"] as const;
export type FieldName = (typeof FIELDS)[number];

/** Arrow keys walk from field to field; at an end of the text they leave it. */
export function walkFrom(e: KeyboardEvent<HTMLInputElement>, at: number, field: FieldName): void {
  const to = (row: number, f: string) => document.getElementById(`e-${row}-${f}`);
  const input = e.currentTarget;
  const edge = e.key === "ArrowLeft" ? input.selectionStart === 0 : input.selectionEnd === input.value.length;
  let next: HTMLElement | null = null;
  if (e.key === "ArrowUp") next = to(at - 1, field);
  else if (e.key === "ArrowDown" || e.key === "Enter") next = to(at + 1, field);
  else if (edge && (e.key === "ArrowLeft" || e.key === "ArrowRight")) {
    const by = e.key === "ArrowLeft" ? -1 : 1;
    for (let i = FIELDS.indexOf(field) + by; i >= 0 && i < FIELDS.length && !next; i += by)
      next = to(at, FIELDS[i] ?? "");
  }
  if (!next) return;
  e.preventDefault();
  next.focus();
  if (next instanceof HTMLInputElement) next.select();
}
