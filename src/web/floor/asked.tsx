/** What is asked at the rack beside sets and pain: the load that is not known yet, and where a hinge is felt. */
import { useState } from "react";
import type { ItemView } from "../../api/views";
import type { LoggedItem } from "../../core/athlete";
import { nextRamp } from "../../core/dose";
import { massNumber, type Units } from "../format";

interface RampProps {
  item: ItemView;
  units: Units;
  onFound: (loadKg: number) => void;
}

/** Sets that rise until the reserve is what was meant; none of them counts. */
export function Ramp({ item, units, onFound }: RampProps) {
  const [tried, setTried] = useState<{ loadKg: number; rir: number }[]>([]);
  const [now, setNow] = useState(item.ramp[0]?.loadKg ?? null);
  const [found, setFound] = useState(false);
  const reps = item.ramp[0]?.reps ?? 5;
  if (now === null) return null;
  const answer = (rir: number) => {
    const next = nextRamp({ loadKg: now, reps, rir }, { reps: item.reps ?? reps, rir: item.rir }, item.loads);
    setTried([...tried, { loadKg: now, rir }]);
    setNow(next.loadKg);
    setFound(next.found);
    if (next.found) onFound(next.loadKg);
  };
  return (
    <section className="mb-3 rounded-[3px] border border-edge bg-panel p-3" aria-label="Find the load">
      <h2 className="text-body font-semibold">Find the load</h2>
      {tried.length > 0 && (
        <p className="text-body text-ink2">
          {tried.map((t) => `${massNumber(t.loadKg, units)}: ${t.rir > 4 ? "5 or more" : t.rir} left`).join(", ")}
        </p>
      )}
      {found ? (
        <p className="mt-1 text-title font-semibold">
          Work with {massNumber(now, units)} {units.massUnit}.
        </p>
      ) : (
        <>
          <p className="mt-1 text-title font-semibold">
            {massNumber(now, units)} {units.massUnit} × {reps}
          </p>
          <p className="text-body text-ink2">How many more could you have done, cleanly?</p>
          <div className="mt-2 grid grid-cols-6 gap-1.5">
            {[0, 1, 2, 3, 4, 5].map((rir) => (
              <button
                key={rir}
                type="button"
                className="h-11 rounded-[3px] border border-edge bg-surface text-lead font-semibold"
                aria-label={rir === 5 ? "5 or more left" : `${rir} left`}
                onClick={() => answer(rir)}
              >
                {rir === 5 ? "5+" : rir}
              </button>
            ))}
          </div>
        </>
      )}
    </section>
  );
}

const PLACES = [
  ["hamstrings", "Hamstrings"],
  ["glutes", "Glutes"],
  ["low-back", "Low back"],
] as const;

interface FeltProps {
  felt: LoggedItem["felt"] | undefined;
  onFelt: (felt: NonNullable<LoggedItem["felt"]>) => void;
}

/** Low back twice sends the hinge back a step (rule progress.felt). */
export function Felt({ felt, onFelt }: FeltProps) {
  return (
    <fieldset className="mt-3">
      <legend className="mb-1 text-body font-semibold">Where is it felt?</legend>
      <div className="grid grid-cols-3 gap-2">
        {PLACES.map(([id, words]) => (
          <button
            key={id}
            type="button"
            aria-pressed={felt === id}
            className={`h-11 rounded-[3px] border text-lead ${felt === id ? "border-iron bg-iron text-on-iron" : "border-edge bg-panel"}`}
            onClick={() => onFelt(id)}
          >
            {words}
          </button>
        ))}
      </div>
      {felt === "low-back" && (
        <p className="mt-1 text-body leading-5 text-brick-ink">
          Brace, weight on the heels, stop at the knee. If it hurts, say so below and stop.
        </p>
      )}
    </fieldset>
  );
}
