/** Finds a load that is not known yet. */
import { useState } from "react";
import type { ItemView } from "../../api/views";
import { nextRamp } from "../../core/dose";
import { massNumber, type Units } from "../format";

interface RampProps {
  item: ItemView;
  units: Units;
  onFound: (loadKg: number) => void;
}

/** Sets that rise until the reserve is what was meant; none of them counts. */
export default function Ramp({ item, units, onFound }: RampProps) {
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
