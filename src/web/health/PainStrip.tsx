/** Pain day by day as small columns on a line of days, with the same as a sentence for those who do not see it. */
import type { HealthAreaView } from "../../api/views";
import { addDays, daysBetween } from "../../core/dates";
import { day } from "../format";

/** Days that are drawn. */
const DAYS = 42;
const HEIGHT = 44;

export function PainStrip({ pain, today }: { pain: HealthAreaView["pain"]; today: string }) {
  const from = addDays(today, 1 - DAYS);
  const shown = pain.filter((p) => p.date >= from && p.date <= today);
  if (shown.length === 0)
    return <p className="mt-3 text-label leading-4 text-ink2">No pain was asked about in the last six weeks.</p>;
  const x = (date: string) => ((daysBetween(from, date) + 0.5) / DAYS) * 100;
  const y = (level: number) => HEIGHT - (level / 10) * HEIGHT;
  const said = shown.map((p) => `${day(p.date)}: ${p.pain}`).join(", ");
  return (
    <figure className="mt-3">
      <figcaption className="text-label leading-4 text-ink2">
        Pain, 0 to 10, worst of each day, six weeks up to today
      </figcaption>
      <svg
        role="img"
        aria-label={`Pain, 0 to 10: ${said}`}
        className="block w-full overflow-visible"
        height={HEIGHT + 18}
        viewBox={`0 0 100 ${HEIGHT + 18}`}
        preserveAspectRatio="none"
      >
        {[0, 5, 10].map((level) => (
          <line
            key={level}
            x1="0"
            x2="100"
            y1={y(level)}
            y2={y(level)}
            stroke="var(--color-hair)"
            vectorEffect="non-scaling-stroke"
            strokeDasharray={level === 5 ? "3 3" : undefined}
          />
        ))}
        {shown.map((p) => (
          <line
            key={p.date}
            x1={x(p.date)}
            x2={x(p.date)}
            y1={HEIGHT}
            y2={Math.min(y(p.pain), HEIGHT - 1.5)}
            stroke={p.pain > 5 ? "var(--color-brick)" : "var(--color-iron)"}
            strokeWidth="6"
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
      <div className="relative -mt-4 h-4 text-label leading-4 text-ink2" aria-hidden="true">
        <span className="absolute left-0">{day(from)}</span>
        <span className="absolute right-0">today</span>
      </div>
    </figure>
  );
}
