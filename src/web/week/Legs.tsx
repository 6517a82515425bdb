/** Leg freshness at the key sessions, with what it assumes one action away. */
import type { WeekView } from "../../api/views";
import { HALF_LIFE } from "../../core/legs";
import { why } from "../../core/rulebook";
import { day } from "../format";
import { keyFreshness } from "../section/layout/freshness";
import { Asked } from "../ui/Asked";

export function Legs({ view }: { view: WeekView }) {
  const { curve, meanDaily, tired } = view.freshness;
  if (curve.length === 0) return null;
  const keys = keyFreshness(view);
  return (
    <div className="sec">
      <h3 className="sec-h">
        <Asked
          reasons={[
            why("legs.freshness", "formula", { mean: meanDaily }),
            why("legs.freshness", "halfLives", HALF_LIFE),
            why("legs.freshness", "shares"),
            why("legs.freshness", "promise"),
          ]}
          className="font-[inherit]"
        >
          Leg freshness
        </Asked>
      </h3>
      {keys.length === 0 ? (
        <p className="text-label text-ink2">No key session this week.</p>
      ) : (
        <ul>
          {keys.map(({ e, value }) => (
            <li key={e.id} className="flex text-label leading-5">
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
