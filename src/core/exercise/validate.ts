/** Checks of the library at start-up: each fault names the entry and the field. */
import { type Exercise, MUSCLES, PATTERNS } from "./types";

/** @returns one line a fault; empty when the library is sound */
export function validateLibrary(library: readonly Exercise[]): string[] {
  const faults: string[] = [];
  const ids = new Set<string>();
  const steps = new Map<string, string>();
  for (const e of library) {
    const fault = (field: string, text: string) => faults.push(`${e.id}.${field}: ${text}`);
    if (!/^[a-z]+(-[a-z]+)*$/.test(e.id)) fault("id", "lower-case words joined by hyphens expected");
    if (ids.has(e.id)) fault("id", "stands twice");
    ids.add(e.id);
    if (!PATTERNS.includes(e.pattern)) fault("pattern", `unknown pattern "${e.pattern}"`);
    for (const m of [...e.primary, ...e.secondary]) if (!MUSCLES.includes(m)) fault("muscles", `unknown muscle "${m}"`);
    if (e.primary.length === 0) fault("primary", "at least one muscle expected");
    if (!/^\d-\d-\d$/.test(e.tempo)) fault("tempo", 'three digits such as "2-0-1" expected');
    if (e.needs.length === 0) fault("needs", "at least one set of equipment expected (an empty one is nothing)");
    if (e.ladder) {
      const key = `${e.ladder.id}/${e.ladder.step}`;
      const other = steps.get(key);
      if (other) fault("ladder", `same step as ${other}`);
      steps.set(key, e.id);
    }
  }
  return faults;
}
