/** The coach's own mapping of a table is kept in this browser and used for the next file with the same headings. */
import type { Mapping } from "../../formats/import/mapping";

const KEY = "field-anchor/mappings";
/** Mappings kept; the oldest goes first. */
const KEPT = 20;

const of = (headings: readonly string[]): string => headings.map((h) => h.trim().toLowerCase()).join("\u001f");

function all(): [string, Mapping][] {
  try {
    const list: unknown = JSON.parse(localStorage.getItem(KEY) ?? "[]");
    return Array.isArray(list) ? (list as [string, Mapping][]) : [];
  } catch {
    // A browser that keeps nothing, or keeps something else under this name: the guess is used.
    return [];
  }
}

export const recall = (headings: readonly string[]): Mapping | undefined =>
  all().find(([key]) => key === of(headings))?.[1];

export function remember(headings: readonly string[], mapping: Mapping): void {
  const others = all().filter(([key]) => key !== of(headings));
  try {
    localStorage.setItem(KEY, JSON.stringify([...others, [of(headings), mapping]].slice(-KEPT)));
  } catch {
    // Nothing can be kept here; the mapping still holds for this import.
  }
}
