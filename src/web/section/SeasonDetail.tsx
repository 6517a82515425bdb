/** The inspector's close look at one week's sessions against what it takes. */
import type { SeasonWeekView } from "../../api/views";
import { Defs } from "./Defs";
import { anchorShape, gridValues } from "./layout/common";
import { Anchor, Earth, Text } from "./parts";
import { bandSets, STRATA } from "./patterns";

const W = 268;
const H = 172;
const GROUND = 10;
const LEFT = 24;

export function SeasonDetail({ week }: { week: SeasonWeekView }) {
  const deepest = Math.max(120, week.loadLimit, ...week.sessions.map((a) => a.stress));
  const unit = (H - GROUND - 26) / deepest;
  const limitY = GROUND + week.loadLimit * unit;
  const column = (W - LEFT) / Math.max(1, week.sessions.length);
  const label = week.sessions.map((a) => `${a.label} ${a.stress} AU`).join(", ") || "no strength session";
  return (
    <svg width={W} height={H} role="img" aria-label={`${label}; most this week takes ${week.loadLimit} AU`}>
      <Defs prefix="d" size={5} />
      <rect x={LEFT} y={GROUND} width={W - LEFT} height={H - GROUND} fill={STRATA[week.phase].tint} opacity=".7" />
      {gridValues((H - GROUND - 8) / unit, 3).map((v) => (
        <g key={v}>
          <line
            x1={LEFT}
            x2={W}
            y1={Math.round(GROUND + v * unit) + 0.5}
            y2={Math.round(GROUND + v * unit) + 0.5}
            stroke="var(--color-ground)"
            opacity=".16"
          />
          <Text x={0} y={GROUND + v * unit + 4} width={75} fill="var(--color-ink2)">
            {v}
          </Text>
        </g>
      ))}
      {week.loadLimit > 0 && (
        <>
          <rect
            x={LEFT}
            y={limitY}
            width={W - LEFT}
            height={Math.max(0, H - limitY)}
            fill="var(--color-panel)"
            opacity=".55"
          />
          <rect x={LEFT} y={limitY} width={W - LEFT} height={Math.max(0, H - limitY)} fill="url(#drock)" />
          <line x1={LEFT} x2={W} y1={limitY} y2={limitY} stroke="var(--color-ground)" strokeWidth="1.25" />
          <Text x={W - 4} y={Math.min(H - 4, limitY + 13)} width={78} anchor="end" fill="var(--color-ink-soil)">
            takes {week.loadLimit}
          </Text>
        </>
      )}
      <line x1={LEFT - 4} x2={W} y1={GROUND} y2={GROUND} stroke="var(--color-ground)" strokeWidth="2" />
      {Array.from({ length: 6 }, (_, i) => (
        <Earth key={i} x={LEFT + 8 + i * 40} y={GROUND} />
      ))}
      {week.sessions.map((a, i) => {
        const width = Math.max(18, Math.min(column * 0.5, a.minutes * 0.8));
        const shape = anchorShape(
          {
            key: a.date + a.label,
            stress: a.stress,
            bands: bandSets(a.bands),
            done: a.done,
            locked: a.locked,
            limit: week.loadLimit,
          },
          { x: LEFT + column * (i + 0.42), width, ground: GROUND, perUnit: unit, perSet: 5, leastBand: 12 },
        );
        return (
          <g key={shape.key}>
            <Anchor shape={shape} ground={GROUND} prefix="d" letters />
            <Text x={shape.x1 + 5} y={Math.max(GROUND + 14, shape.foot - 14)} size={12} weight={700}>
              {a.label}
            </Text>
            <Text x={shape.x1 + 5} y={Math.max(GROUND + 27, shape.foot - 1)} width={75} fill="var(--color-ink-soil)">
              {a.stress}
            </Text>
          </g>
        );
      })}
      {week.sessions.length === 0 && (
        <Text x={LEFT + 12} y={GROUND + 34} size={12} fill="var(--color-ink-soil)">
          No strength session this week
        </Text>
      )}
    </svg>
  );
}
