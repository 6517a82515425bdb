/** Leg freshness at the key sessions, with what it assumes one action away. */
import type { WeekView } from "../../api/views";
import { HALF_LIFE } from "../../core/legs/freshness";
import { day } from "../format";
import { keyFreshness } from "../section/layout/freshness";
import { Asked } from "../ui/Why";

export function Legs({ view }: { view: WeekView }) {
  const { curve, meanDaily, tired } = view.freshness;
  if (curve.length === 0) return null;
  const keys = keyFreshness(view);
  return (
    <div className="sec">
      <h3 className="sec-h">
        <Asked
          reasons={[
            {
              rule: "legs.freshness",
              text: `100 × e^(−0.5 × fatigue / mean daily leg load), the mean ${meanDaily} AU over 28 days (20 at the least).`,
            },
            {
              rule: "legs.freshness",
              text: `Half-lives: endurance ${HALF_LIFE.endurance} h, heavy lifting ${HALF_LIFE.heavy} h, many repetitions, slow lowering or new work ${HALF_LIFE.fatiguing} h, jumps ${HALF_LIFE.jumps} h.`,
            },
            {
              rule: "legs.freshness",
              text: "Loaded leg work counts in full, bodyweight 0.4, trunk 0.1; endurance by sport.",
            },
            { rule: "legs.freshness", text: "It ranks placements and promises nothing about how the legs will feel." },
          ]}
          className="font-[inherit]"
        >
          Leg freshness
        </Asked>
      </h3>
      {keys.length === 0 ? (
        <p className="text-[12px] text-ink2">No key session this week.</p>
      ) : (
        <ul>
          {keys.map(({ e, value }) => (
            <li key={e.id} className="flex text-[12px] leading-5">
              <span className="flex-1">
                {day(e.date)}, {e.kind}
              </span>
              <span className={`num ${value < tired ? "font-semibold text-brick-ink" : ""}`}>
                {value}
                {value < tired ? `, tired below ${tired}` : ""}
              </span>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
