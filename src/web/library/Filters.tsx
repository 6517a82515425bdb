/** Search and filters of the library. */
import { useMemo } from "react";
import type { FitView, LibraryView, SquadRow } from "../../api/views";
import { AREA_WORDS, AREAS, SPORTS } from "../../core/athlete";
import { PATTERNS } from "../../core/exercise";
import { placeName, SPORT_NAMES } from "../format";
import { type Filter, NO_FILTER } from "./filter";
import { needName, PATTERN_NAMES } from "./words";

export function Filters({
  library,
  filter,
  set,
  search,
  athlete,
  fit,
  place,
  onPlace,
  onFirst,
}: {
  library: LibraryView;
  filter: Filter;
  set: (change: Partial<Filter>) => void;
  search: React.RefObject<HTMLInputElement | null>;
  athlete: SquadRow | undefined;
  fit: FitView | undefined;
  place: string;
  onPlace: (place: string) => void;
  onFirst: () => void;
}) {
  const needs = useMemo(
    () =>
      [...new Set(library.exercises.flatMap((e) => e.needs.flat()))].sort((a, b) =>
        needName(a).localeCompare(needName(b)),
      ),
    [library],
  );
  const select = <T extends string>(
    name: string,
    value: T,
    options: readonly (readonly [string, string])[],
    onChange: (v: T) => void,
  ) => (
    <select
      aria-label={name}
      className={`input ${value === "" ? "" : "border-iron bg-iron-l"}`}
      value={value}
      onChange={(e) => onChange(e.target.value as T)}
    >
      <option value="">{name}: all</option>
      {options.map(([v, words]) => (
        <option key={v} value={v}>
          {words}
        </option>
      ))}
    </select>
  );
  const { text: _, ...cleared } = NO_FILTER;
  const filtering = JSON.stringify({ ...filter, text: "" }) !== JSON.stringify(NO_FILTER);
  return (
    <div className="flex-none space-y-2 px-4 pb-2">
      <input
        ref={search}
        type="search"
        className="input"
        placeholder="Search by name, muscle or equipment"
        aria-label="Search the library"
        value={filter.text}
        onChange={(e) => set({ text: e.target.value })}
        onKeyDown={(e) => {
          if (e.key === "Enter" || e.key === "ArrowDown") onFirst();
          if (e.key === "Enter" || e.key === "Escape" || e.key === "ArrowDown") e.currentTarget.blur();
        }}
      />
      <div className="grid grid-cols-2 gap-2">
        {select(
          "Pattern",
          filter.pattern,
          PATTERNS.map((p) => [p, PATTERN_NAMES[p]] as const),
          (pattern: Filter["pattern"]) => set({ pattern }),
        )}
        {select(
          "Equipment",
          filter.need,
          [["nothing", "nothing"], ...needs.map((n) => [n, needName(n)] as const)],
          (need: string) => set({ need }),
        )}
        {select(
          "Where",
          filter.place,
          [
            ["home", "home"],
            ["gym", "gym"],
            ["outdoors", "outdoors"],
          ],
          (p: Filter["place"]) => set({ place: p }),
        )}
        {select(
          "Sport",
          filter.sport,
          SPORTS.map((s) => [s, SPORT_NAMES[s]] as const),
          (sport: Filter["sport"]) => set({ sport }),
        )}
        {select(
          "Trouble",
          filter.area,
          AREAS.map((a) => [a, `allowed: ${AREA_WORDS[a]}`] as const),
          (area: Filter["area"]) => set({ area }),
        )}
        {fit && fit.places.length > 1 && (
          <select aria-label="At which place" className="input" value={place} onChange={(e) => onPlace(e.target.value)}>
            {fit.places.map((p, i) => (
              <option key={p} value={i === 0 ? "" : p}>
                at {placeName(p)}
              </option>
            ))}
          </select>
        )}
      </div>
      <Below athlete={athlete} filter={filter} set={set} filtering={filtering} cleared={cleared} />
    </div>
  );
}

interface BelowProps {
  athlete: SquadRow | undefined;
  filter: Filter;
  set: (change: Partial<Filter>) => void;
  filtering: boolean;
  cleared: Omit<Filter, "text">;
}

function Below({ athlete, filter, set, filtering, cleared }: BelowProps) {
  return (
    <div className="flex items-center gap-2">
      {athlete && (
        <label className="flex min-h-7 flex-1 items-center gap-2">
          <input
            type="checkbox"
            className="h-4 w-4 accent-iron"
            checked={filter.fits}
            onChange={(e) => set({ fits: e.target.checked })}
          />
          Fits {athlete.name} now
        </label>
      )}
      {filtering && (
        <button type="button" className="link text-label" onClick={() => set(cleared)}>
          Clear filters
        </button>
      )}
    </div>
  );
}
