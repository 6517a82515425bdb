/** An area on its way back: its stages hanging deeper one by one, tonight's work, and what it takes to go on. */
import type { AthleteHealthView, HealthAreaView } from "../api/views";
import { day } from "../web/format";
import { Card } from "./Shell";

interface Props {
  area: HealthAreaView;
  stages: AthleteHealthView["stages"];
}

const STEP = 14;
const TOP = 16;

export function WayBack({ area, stages }: Props) {
  const { way } = area;
  if (!way) return null;
  const at = stages.findIndex((s) => s.stage === way.stage);
  const width = 320 / stages.length;
  return (
    <Card title={`${area.name}${area.side === "both" ? "" : `, ${area.side}`}`} aside={`since ${day(way.since)}`}>
      <p className="text-body text-ink2">
        Stage {at + 1} of {stages.length}, {way.stage} · day {way.days} of at least {way.least}
      </p>
      <svg
        viewBox={`0 0 320 ${TOP + STEP * (stages.length + 1)}`}
        className="my-2 w-full"
        role="img"
        aria-label={`Stage ${at + 1} of ${stages.length}: ${way.stage}`}
      >
        {stages.map((s, i) => (
          <g key={s.stage}>
            <text
              x={i * width + width / 2}
              y={10}
              fontSize="11"
              textAnchor="middle"
              fill={i === at ? "var(--color-ink)" : "var(--color-ink2)"}
              fontWeight={i === at ? 650 : 400}
            >
              {s.stage}
            </text>
            <rect
              x={i * width + 3}
              y={TOP}
              width={width - 6}
              height={STEP * (i + 1)}
              fill={i < at ? "var(--color-iron)" : "none"}
              stroke="var(--color-iron)"
              strokeDasharray={i > at ? "3 3" : undefined}
            />
            {i === at && (
              <rect
                x={i * width + 3}
                y={TOP}
                width={(width - 6) * Math.min(1, way.days / Math.max(1, way.least))}
                height={STEP * (i + 1)}
                fill="var(--color-iron)"
              />
            )}
          </g>
        ))}
        <path d={`M0 ${TOP}H320`} stroke="var(--color-ground)" strokeWidth="2" />
      </svg>
      {way.lowered && <p className="text-body">{way.lowered}</p>}
      <p>{way.says}</p>
      {way.work.length > 0 && <p className="mt-1 text-body">{way.work.join("; ")}</p>}
      {way.next && (
        <>
          <h3 className="mt-2 text-label font-semibold text-ink2">Goes on when</h3>
          <ul className="text-body">
            {way.missing.map((m) => (
              <li key={m} className="border-t border-hair2 py-1 first:border-t-0">
                {m}
              </li>
            ))}
            {way.missing.length === 0 && <li>Everything is there; your coach confirms the step.</li>}
          </ul>
        </>
      )}
      <p className="mt-2 text-body text-ink2">Your coach confirms each step. This plan does not replace a clinician.</p>
    </Card>
  );
}
