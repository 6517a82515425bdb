/** The races of the season, which its phases are worked back from. */
import { lazy, Suspense, useState } from "react";
import type { IntakeView } from "../../api/views";
import type { Race } from "../../core/athlete";
import { day, distance } from "../format";
import { ICON } from "../ui/glyphs";

const RaceSheet = lazy(() => import("../ui/RaceSheet"));

export function RacesStep({ view }: { view: IntakeView }) {
  const [opened, setOpened] = useState<Race | "new" | null>(null);
  const units = { distanceUnit: view.facts.distanceUnit ?? "km", massUnit: view.facts.massUnit ?? "kg" } as const;
  return (
    <div className="max-w-[640px] space-y-4">
      <p className="max-w-[60ch] text-label leading-4 text-ink2">
        The season is worked back from its A races; without one it rolls on in blocks of base and build.
      </p>
      {view.races.length === 0 && <p className="text-ink2">No race yet.</p>}
      <ul>
        {view.races.map((r) => (
          <li key={r.id} className="flex items-center gap-3 border-b border-hair2 py-1">
            <b className="w-6 font-semibold">{r.priority}</b>
            <span className="min-w-0 flex-1 truncate">{r.name}</span>
            <span className="text-ink2">
              {day(r.date)}
              {r.distanceKm === undefined ? "" : `, ${distance(r.distanceKm, units, 1)}`}
            </span>
            <button type="button" className="btn btn-sm" onClick={() => setOpened(r)}>
              Edit
            </button>
          </li>
        ))}
      </ul>
      <button type="button" className="btn" onClick={() => setOpened("new")}>
        {ICON.plus} Add race
      </button>
      {opened && (
        <Suspense fallback={null}>
          <RaceSheet
            id={view.id}
            race={opened === "new" ? null : opened}
            season={view.season}
            units={units}
            onClose={() => setOpened(null)}
          />
        </Suspense>
      )}
    </div>
  );
}
