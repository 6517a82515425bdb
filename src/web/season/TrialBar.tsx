/** The bar of a tried season: what changes, in words; take it over or throw it away. */
import { useMemo } from "react";
import type { SeasonView } from "../../api/views";
import type { Trial } from "../data/trial";
import { WarnIcon } from "../ui/glyphs";
import { compareSeasons } from "./compare";
import { useTakeOver } from "./takeOver";

export function TrialBar({ id, trial, stored }: { id: string; trial: Trial; stored: SeasonView }) {
  const { ready, storing, takeOver } = useTakeOver(id, trial);
  const { scenario, view } = trial;
  const compared = useMemo(() => (view ? compareSeasons(stored, view) : null), [stored, view]);
  if (!scenario && !trial.fault && !trial.busy) return null;
  return (
    <div
      role="status"
      className="absolute inset-x-0 top-0 z-20 flex h-[52px] items-center gap-3 overflow-hidden border-b border-iron bg-iron-l pr-3 pl-4"
    >
      <b className="font-semibold">Preview</b>
      <span className="line-clamp-3 min-w-0 flex-1 text-label leading-4">
        {trial.fault ? (
          <span className="text-brick-ink">{trial.fault}</span>
        ) : compared ? (
          <>
            {compared.words.join("; ")}
            {scenario?.races && !stored.endurance.plan ? "; planned mileage stays where it is" : ""}.
            {compared.newWarnings[0] && (
              <span className="ml-1 inline-flex items-center gap-1 text-brick-ink">
                <WarnIcon /> {compared.newWarnings[0].text}
                {compared.newWarnings.length > 1 ? ` And ${compared.newWarnings.length - 1} more.` : ""}
              </span>
            )}
          </>
        ) : (
          "Planning the season anew…"
        )}
      </span>
      {trial.busy && compared && <span className="text-label text-ink2">planning…</span>}
      <button type="button" className="btn" onClick={trial.discard}>
        Discard
      </button>
      <button type="button" className="btn btn-pri" disabled={!ready} onClick={takeOver}>
        {storing ? "Storing…" : "Apply"}
      </button>
    </div>
  );
}
