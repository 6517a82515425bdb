/** Small drawn parts of the ground section: anchor, flag, plumb line, triangle, shackle, band letters. */
import { memo, type ReactNode } from "react";
import type { AnchorShape } from "./layout/common";
import { BAND_STYLE, type BandId } from "./patterns";

interface TextProps {
  x: number;
  y: number;
  size?: number;
  width?: number;
  weight?: number;
  anchor?: "start" | "middle" | "end";
  fill?: string;
  halo?: string;
  children: ReactNode;
}

export function Text({
  x,
  y,
  size = 11,
  width = 82,
  weight = 400,
  anchor = "start",
  fill = "var(--color-ink)",
  halo,
  children,
}: TextProps) {
  const paint = halo
    ? { paintOrder: "stroke" as const, stroke: halo, strokeWidth: 3, strokeLinejoin: "round" as const }
    : {};
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      fill={fill}
      style={{ fontSize: size, fontStretch: `${width}%`, fontWeight: weight, ...paint }}
    >
      {children}
    </text>
  );
}

export function Triangle({ x, y, size = 5.5 }: { x: number; y: number; size?: number }) {
  return (
    <g fill="none" stroke="var(--color-brick-ink)" strokeWidth="1.4" strokeLinejoin="round">
      <path d={`M${x} ${y - size}L${x + size} ${y + size * 0.75}H${x - size}Z`} fill="var(--color-panel)" />
      <path d={`M${x} ${y - size * 0.35}V${y + size * 0.2}M${x} ${y + size * 0.38}v${size * 0.17}`} />
    </g>
  );
}

interface AnchorProps {
  shape: AnchorShape;
  ground: number;
  prefix: string;
  letters?: boolean;
  eye?: boolean;
  stroke?: number;
}

/** An anchor: eye on the ground line, stem, banded block, foot plate at its training load; a shackle where it is locked. */
export const Anchor = memo(function Anchor({
  shape: s,
  ground,
  prefix,
  letters = false,
  eye = true,
  stroke = 1.25,
}: AnchorProps) {
  return (
    <g>
      <line x1={s.x} y1={ground + 1} x2={s.x} y2={s.top} stroke="var(--color-iron)" strokeWidth={stroke} />
      {letters && (
        <line
          x1={s.x - 4}
          y1={s.top - 0.5}
          x2={s.x + 4}
          y2={s.top - 0.5}
          stroke="var(--color-iron)"
          strokeWidth="1.5"
        />
      )}
      {s.bands.map((b, i) => (
        <g key={b.id}>
          <rect
            x={s.x0}
            y={b.y}
            width={s.x1 - s.x0}
            height={b.h}
            fill={`url(#${prefix}${b.id}${s.done ? "d" : "p"})`}
          />
          {i > 0 && <line x1={s.x0} y1={b.y} x2={s.x1} y2={b.y} stroke="var(--color-iron-d)" />}
          {letters && b.h >= 11 && <BandLetter id={b.id} x={s.x} y={b.y + b.h / 2} done={s.done} />}
        </g>
      ))}
      <rect
        x={s.x0}
        y={s.top}
        width={s.x1 - s.x0}
        height={s.foot - s.top}
        fill="none"
        stroke="var(--color-iron)"
        strokeWidth={letters ? 1.25 : 1}
      />
      <line
        x1={s.x0 - (letters ? 3 : 1.5)}
        y1={s.foot}
        x2={s.x1 + (letters ? 3 : 1.5)}
        y2={s.foot}
        stroke="var(--color-iron-d)"
        strokeWidth={letters ? 2.25 : 1.75}
      />
      {eye && !s.locked && (
        <circle
          cx={s.x}
          cy={ground}
          r={letters ? 3.5 : 2.2}
          fill={s.done ? "var(--color-iron)" : "var(--color-panel)"}
          stroke="var(--color-iron)"
          strokeWidth="1.25"
        />
      )}
      {s.locked && <Shackle x={s.x} y={ground} scale={letters ? 1 : 0.6} />}
    </g>
  );
});

export function BandLetter({
  id,
  x,
  y,
  done,
  size = 11,
}: {
  id: BandId;
  x: number;
  y: number;
  done: boolean;
  size?: number;
}) {
  const s = BAND_STYLE[id];
  return (
    <Text
      x={x}
      y={y + size * 0.36}
      size={size}
      weight={700}
      width={90}
      anchor="middle"
      fill={s.text}
      halo={done ? s.done : s.plan}
    >
      {id}
    </Text>
  );
}

export function Shackle({ x, y, scale = 1 }: { x: number; y: number; scale?: number }) {
  return (
    <g transform={`translate(${x} ${y}) scale(${scale})`} fill="none" stroke="var(--color-iron)">
      <path d="M-5.5 -1V-7a5.5 5.5 0 0 1 11 0V-1" strokeWidth="2.25" />
      <line x1="-9" y1="0" x2="9" y2="0" strokeWidth="4" strokeLinecap="round" />
    </g>
  );
}

const FLAG_SIZE = { A: [28, 20], B: [22, 16], C: [18, 14] } as const;

export function Flag({
  x,
  ground,
  top,
  priority,
  side = 1,
}: {
  x: number;
  ground: number;
  top: number;
  priority: "A" | "B" | "C";
  side?: 1 | -1;
}) {
  const [w, h] = FLAG_SIZE[priority];
  const a = priority === "A";
  return (
    <g>
      <line
        x1={x}
        y1={ground}
        x2={x}
        y2={top}
        stroke={a ? "var(--color-brick-ink)" : "var(--color-ink)"}
        strokeWidth={a ? 2 : 1.25}
      />
      <path
        d={`M${x - 3.5} ${ground + 0.5}L${x} ${ground - 6}L${x + 3.5} ${ground + 0.5}Z`}
        fill={a ? "var(--color-brick-ink)" : "var(--color-panel)"}
        stroke={a ? "var(--color-brick-ink)" : "var(--color-ink)"}
      />
      <path
        d={`M${x} ${top}H${x + side * w}L${x + side * (w - 5)} ${top + h / 2}L${x + side * w} ${top + h}H${x}Z`}
        fill={a ? "var(--color-brick-ink)" : priority === "B" ? "var(--color-brick-m)" : "var(--color-panel)"}
        stroke="var(--color-brick-ink)"
      />
      <Text
        x={x + side * (w / 2 - 2)}
        y={top + h / 2 + 4}
        size={a ? 12 : 11}
        weight={700}
        width={100}
        anchor="middle"
        fill={a ? "var(--color-on-brick)" : "var(--color-brick-ink)"}
      >
        {priority}
      </Text>
    </g>
  );
}

export function Plumb({ x, top, bottom }: { x: number; top: number; bottom: number }) {
  return (
    <g>
      <line x1={x} y1={top} x2={x} y2={bottom - 17} stroke="var(--color-ink)" />
      <path d={`M${x - 1.5} ${bottom - 18}h3v3h3v4l-4.5 10l-4.5 -10v-4h3z`} fill="var(--color-ink)" />
      <rect x={x - 19} y={top - 17} width="38" height="17" rx="2" fill="var(--color-ink)" />
      <Text x={x} y={top - 4.5} weight={600} width={88} anchor="middle" fill="var(--color-panel)">
        Today
      </Text>
    </g>
  );
}

/** Three short strokes of earth under the ground line. */
export const Earth = ({ x, y }: { x: number; y: number }) => (
  <path
    d={`M${x} ${y + 1}l-4 5M${x + 3.5} ${y + 1}l-4 5M${x + 7} ${y + 1}l-4 5`}
    stroke="var(--color-ground)"
    opacity=".55"
  />
);

/** The letter tile of a pattern, with its hatch. */
export function PatternTile({ id, size = 16 }: { id: BandId; size?: number }) {
  const prefix = `tile${id}${size}`;
  return (
    <svg width={size} height={size} aria-hidden="true" className="flex-none">
      <defs>
        <pattern
          id={prefix}
          width="5"
          height="5"
          patternUnits="userSpaceOnUse"
          patternTransform={id === "H" || id === "T" ? "rotate(45)" : id === "U" ? "rotate(-45)" : undefined}
        >
          <rect width="5" height="5" fill={BAND_STYLE[id].done} />
          {id === "L" && <rect x="2" width="1" height="5" fill={BAND_STYLE[id].line} />}
          {id === "P" && <circle cx="2.5" cy="2.5" r=".95" fill={BAND_STYLE[id].line} />}
          {id === "C" && <rect y="2" width="5" height="1" fill={BAND_STYLE[id].line} />}
          {(id === "H" || id === "T" || id === "U") && <rect width="1.1" height="5" fill={BAND_STYLE[id].line} />}
          {id === "T" && <rect width="5" height=".8" fill={BAND_STYLE[id].line} />}
        </pattern>
      </defs>
      <rect x=".5" y=".5" width={size - 1} height={size - 1} fill={`url(#${prefix})`} stroke="var(--color-iron)" />
      <BandLetter id={id} x={size / 2} y={size / 2} done size={Math.max(11, Math.round(size * 0.62))} />
    </svg>
  );
}
