/** Searching and filtering the library. */
import type { ExerciseView, FitView } from "../../api/views";
import { AREAS, type Area, SPORTS, type Sport } from "../../core/athlete";
import { PATTERNS, type Pattern } from "../../core/exercise";
import { needName } from "./words";

export interface Filter {
  text: string;
  pattern: Pattern | "";
  need: string;
  place: "home" | "gym" | "outdoors" | "";
  sport: Sport | "";
  area: Area | "";
  /** Only what the athlete may do now. */
  fits: boolean;
}

export const NO_FILTER: Filter = { text: "", pattern: "", need: "", place: "", sport: "", area: "", fits: false };

/** Everything of an exercise that a word may be found in. */
const wordsOf = (e: ExerciseView): string =>
  [e.name, ...e.alsoCalled, e.id, e.pattern, ...e.primary, ...e.secondary, ...e.needs.flat().map(needName)]
    .join(" ")
    .toLowerCase()
    .replace(/['’]/g, "");

/** Every word of the search must be found; names that begin with it come first. */
export function filtered(
  list: readonly ExerciseView[],
  f: Filter,
  closed: FitView["closed"] | undefined,
): ExerciseView[] {
  const words = f.text
    .toLowerCase()
    .replace(/['’]/g, "")
    .split(/[\s-]+/)
    .filter(Boolean)
    .map((w) => (w.length > 2 ? w.replace(/s$/, "") : w));
  const first = words[0] ?? "";
  return list
    .filter(
      (e) =>
        words.every((w) => wordsOf(e).includes(w)) &&
        (f.pattern === "" || e.pattern === f.pattern) &&
        (f.need === "" ||
          (f.need === "nothing"
            ? e.needs.some((s) => s.length === 0) || e.bodyweightToo
            : e.needs.flat().includes(f.need))) &&
        (f.place === "" || e.places.includes(f.place)) &&
        (f.sport === "" || (e.sports[f.sport] ?? 0) > 0) &&
        (f.area === "" || !e.notWith.includes(f.area)) &&
        (!f.fits || closed === undefined || closed[e.id] === undefined),
    )
    .sort((a, b) => {
      if (first === "") return 0;
      const starts = (e: ExerciseView) => (e.name.toLowerCase().startsWith(first) ? 0 : 1);
      return starts(a) - starts(b);
    });
}

/** A filter in the address, so that a link shows the same list. */
export function filterFrom(params: URLSearchParams): Filter {
  const one = <T extends string>(name: string, all: readonly T[]): T | "" =>
    all.find((x) => x === params.get(name)) ?? "";
  return {
    text: params.get("q") ?? "",
    pattern: one("pattern", PATTERNS),
    need: params.get("need") ?? "",
    place: one("place", ["home", "gym", "outdoors"] as const),
    sport: one("sport", SPORTS),
    area: one("area", AREAS),
    fits: params.get("fits") === "1",
  };
}

export function paramsFrom(f: Filter): Record<string, string> {
  const all = {
    q: f.text,
    pattern: f.pattern,
    need: f.need,
    place: f.place,
    sport: f.sport,
    area: f.area,
    fits: f.fits ? "1" : "",
  };
  return Object.fromEntries(Object.entries(all).filter(([, v]) => v !== ""));
}
