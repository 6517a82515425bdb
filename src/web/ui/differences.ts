/** Two versions of one thing in words, for showing them side by side. */
import { dayLabel, isDate } from "../../core/dates";

export interface Difference {
  label: string;
  mine: string;
  theirs: string;
}

const UNITS: Record<string, string> = { Km: "km", Kg: "kg", M: "m", Minutes: "min" };

/** "expectedMinutes" as "Expected (min)", "loadKg" as "Load (kg)". */
export function labelOf(key: string): string {
  const unit = Object.keys(UNITS).find((u) => key.endsWith(u) && key !== u);
  const name = (unit ? key.slice(0, -unit.length) : key)
    .replace(/([A-Z0-9]+)/g, " $1")
    .trim()
    .toLowerCase();
  const words = name.charAt(0).toUpperCase() + name.slice(1);
  return unit ? `${words} (${UNITS[unit]})` : words;
}

const isRecord = (v: unknown): v is Record<string, unknown> => typeof v === "object" && v !== null && !Array.isArray(v);

/** Any value in one or more lines. */
export function inWords(value: unknown): string {
  if (value === null || value === undefined || value === "") return "nothing";
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "string") return isDate(value) ? dayLabel(value) : value;
  if (Array.isArray(value)) return value.length === 0 ? "none" : value.map(inWords).join("\n");
  if (isRecord(value))
    return Object.entries(value)
      .filter(([, v]) => v !== undefined)
      .map(([k, v]) => `${labelOf(k).toLowerCase()} ${inWords(v).replaceAll("\n", ", ")}`)
      .join(", ");
  return String(value);
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** What of two versions differs; a version that is not there differs in everything. */
export function differences(mine: unknown, theirs: unknown, label = ""): Difference[] {
  if (same(mine, theirs)) return [];
  if (isRecord(mine) && isRecord(theirs))
    return [...new Set([...Object.keys(mine), ...Object.keys(theirs)])].flatMap((k) =>
      differences(mine[k], theirs[k], label ? `${label}: ${labelOf(k).toLowerCase()}` : labelOf(k)),
    );
  if (Array.isArray(mine) && Array.isArray(theirs)) {
    const only = (a: readonly unknown[], b: readonly unknown[]) => a.filter((x) => !b.some((y) => same(x, y)));
    return [{ label: label || "All", mine: inWords(only(mine, theirs)), theirs: inWords(only(theirs, mine)) }];
  }
  return [{ label: label || "All", mine: inWords(mine), theirs: inWords(theirs) }];
}

/** Both versions as one, where that makes sense: two texts below each other, the free time slots of both. */
export function bothOf(mine: unknown, theirs: unknown): unknown {
  if (!isRecord(mine) || !isRecord(theirs)) return null;
  if (typeof mine.text === "string" && typeof theirs.text === "string")
    return { ...mine, text: `${theirs.text}\n\n${mine.text}` };
  const { windows } = mine;
  if (Array.isArray(windows) && Array.isArray(theirs.windows))
    return {
      windows: [...theirs.windows, ...windows.filter((w) => !(theirs.windows as unknown[]).some((t) => same(w, t)))],
    };
  return null;
}

const NAMES: Record<string, string> = {
  held: "placement of the week",
  locks: "lock of a session",
  races: "race",
  endurance: "endurance session",
  windows: "free time slots",
  phases: "phases",
  intake: "intake",
  scenario: "season",
  screening: "screening",
  swaps: "swap of an exercise",
  notes: "note of the week",
  edits: "session made by hand",
  overrules: "decision on a lift",
  follow: "approach that is followed",
  weights: "points of the rules",
  rules: "numbers of the rules",
  feed: "training log",
  reviews: "text of the review",
  approaches: "approach",
  exercises: "exercise",
  gyms: "gym",
  templates: "template",
  absences: "absence",
  club: "points of the rules for all athletes",
};

/** What a thing is called in a sentence. */
export function thingName(thing: string): string {
  const parts = thing.split("/");
  if (thing === "approaches/rules") return "rules of all athletes";
  return NAMES[(parts[0] === "athletes" ? parts[2] : parts[0]) ?? ""] ?? "entry";
}
