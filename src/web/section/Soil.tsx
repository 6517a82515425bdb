/** What lies below the ground line in both sections: strata of soil as thick as what a week takes, rock beneath, grid, rock's edge. */
import type { Phase } from "../../core/athlete";
import { STRATA } from "./patterns";

interface Props {
  /** Of the patterns in Defs; also keeps the clip paths of several drawings apart. */
  prefix: string;
  x0: number;
  x1: number;
  ground: number;
  bottom: number;
  strata: readonly { key: string; phase: Phase; x0: number; x1: number }[];
  soilArea: string;
  rockArea: string;
  rock: string;
  grid: readonly { y: number; text: string }[];
}

/** Middle of a pixel, so that a line of one pixel is sharp. */
export const crisp = (y: number): number => Math.round(y) + 0.5;

export function Soil({ prefix, x0, x1, ground, bottom, strata, soilArea, rockArea, rock, grid }: Props) {
  const height = bottom - ground;
  return (
    <g>
      <clipPath id={`${prefix}-soil`}>
        <path d={soilArea} />
      </clipPath>
      <clipPath id={`${prefix}-rock`}>
        <path d={rockArea} />
      </clipPath>
      {strata.map((s) => {
        const rect = { x: s.x0, y: ground, width: s.x1 - s.x0, height };
        return (
          <g key={s.key}>
            <rect {...rect} fill={STRATA[s.phase].tint} opacity=".34" />
            <g clipPath={`url(#${prefix}-soil)`}>
              <rect {...rect} fill={STRATA[s.phase].tint} />
              <rect {...rect} fill={`url(#${prefix}${s.phase})`} />
            </g>
          </g>
        );
      })}
      <rect
        x={x0}
        y={ground}
        width={x1 - x0}
        height={height}
        fill={`url(#${prefix}rock)`}
        clipPath={`url(#${prefix}-rock)`}
      />
      {grid.map((g) => (
        <line key={g.text} x1={x0} x2={x1} y1={crisp(g.y)} y2={crisp(g.y)} stroke="var(--color-ground)" opacity=".13" />
      ))}
      <path d={rock} fill="none" stroke="var(--color-ground)" strokeWidth="1.25" />
    </g>
  );
}
