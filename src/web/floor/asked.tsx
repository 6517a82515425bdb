/** What is asked at the rack beside sets and pain: where a hinge is felt. */
import type { LoggedItem } from "../../core/athlete";

interface FeltProps {
  felt: LoggedItem["felt"] | undefined;
  onFelt: (felt: NonNullable<LoggedItem["felt"]>) => void;
}

/** Low back twice sends the hinge back a step (rule progress.felt). */
const PLACES = [
  ["hamstrings", "Hamstrings"],
  ["glutes", "Glutes"],
  ["low-back", "Low back"],
] as const;

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
