/** What stands around the season section: axes, the weekly strip, the phase table; all in the section's own columns. */
import { PHASE_NAMES } from "../format";
import { fitText } from "./layout/common";
import type { SeasonLayout } from "./layout/season";
import { Text } from "./parts";
import { STRATA } from "./patterns";

export interface PhaseFacts {
  length: string;
  sessions: string;
  /** Leading work of its first and last week. */
  main: string;
  single: string;
}

export function Axes({ l, unit }: { l: SeasonLayout; unit: string }) {
  return (
    <g>
      <line x1={l.x0 + 0.5} x2={l.x0 + 0.5} y1={l.top} y2={l.bottom} stroke="var(--color-ground)" />
      {[...l.skyGrid, ...l.soilGrid].map((g) => (
        <g key={`${g.y}`}>
          <line
            x1={l.x0 - 5}
            x2={l.x0}
            y1={Math.round(g.y) + 0.5}
            y2={Math.round(g.y) + 0.5}
            stroke="var(--color-ground)"
          />
          <Text x={l.x0 - 9} y={g.y + 4} width={75} anchor="end" fill="var(--color-ink2)">
            {g.text}
          </Text>
        </g>
      ))}
      <AxisTitle x={29} y={(l.top + 60 + l.ground) / 2} name="Endurance" rest={`, ${unit}`} />
      <AxisTitle x={29} y={(l.ground + l.bottom) / 2} name="Training load" rest=", AU a session" />
    </g>
  );
}

export const AxisTitle = ({ x, y, name, rest }: { x: number; y: number; name: string; rest: string }) => (
  <text
    transform={`translate(${x} ${y}) rotate(-90)`}
    textAnchor="middle"
    style={{ fontSize: 11, fontStretch: "84%" }}
    fill="var(--color-ink)"
  >
    <tspan fontWeight="600">{name}</tspan>
    <tspan fill="var(--color-ink2)">{rest}</tspan>
  </text>
);

export function Strip({ l, selected }: { l: SeasonLayout; selected: number }) {
  return (
    <g>
      {[0, 1, 2, 3].map((r) => (
        <line
          key={r}
          x1={16}
          x2={l.x1}
          y1={l.bottom + r * 20 + 0.5}
          y2={l.bottom + r * 20 + 0.5}
          stroke={r === 0 || r === 3 ? "var(--color-ground)" : "var(--color-hair)"}
        />
      ))}
      {l.strip.map((row, r) => (
        <g key={row.label}>
          <Text x={16} y={row.y + 14} fill="var(--color-ink2)">
            {row.label}
          </Text>
          {l.columns.map((c, i) => {
            const x = (c.x0 + c.x1) / 2;
            const on = c.index === selected;
            return (
              <g key={c.index}>
                {r === 0 && c.week.stepBack && (
                  <path
                    d={stepBackMark(x, row.y, Math.min(10.5, l.columnWidth / 2 - 1.5))}
                    fill="none"
                    stroke="var(--color-ground)"
                  />
                )}
                {r === 0 && i > 0 && (
                  <line x1={c.x0 + 0.5} x2={c.x0 + 0.5} y1={row.y} y2={row.y + 60} stroke="var(--color-hair)" />
                )}
                <Text
                  x={x}
                  y={row.y + 14}
                  width={75}
                  weight={on ? 700 : r === 1 ? 500 : 400}
                  anchor="middle"
                  fill={r === 2 ? "var(--color-ink2)" : undefined}
                >
                  {row.cells[i]}
                </Text>
              </g>
            );
          })}
        </g>
      ))}
      <line x1={l.x0 + 0.5} x2={l.x0 + 0.5} y1={l.bottom} y2={l.bottom + 60} stroke="var(--color-ground)" />
    </g>
  );
}

/** A box with its lower corners cut, round the number of a step-back week. */
const stepBackMark = (x: number, y: number, half: number): string => {
  const cut = Math.min(4, half / 2);
  return `M${x - half} ${y + 4.5}h${2 * half}v8l${-cut} ${cut}h${-2 * (half - cut)}l${-cut} ${-cut}z`;
};

/** A cell that is too narrow keeps what stands before the comma; its title keeps the whole. */
const cellText = (text: string, width: number): string => {
  const whole = fitText(text, width, 10);
  return whole === text ? text : fitText(text.split(",")[0] ?? text, width, 10);
};

const ROWS = ["Phase", "Sessions"];

export function PhaseTable({ l, facts }: { l: SeasonLayout; facts: ReadonlyMap<number, PhaseFacts> }) {
  const { y: top, rowHeight: h } = l.table;
  return (
    <g>
      {l.strata.map((s, i) => {
        const f = facts.get(s.index);
        const cells = [
          `${PHASE_NAMES[s.phase]}${s.fixed ? ", set by coach" : ""}`,
          [f?.length, f?.sessions].filter(Boolean).join(", "),
        ];
        return (
          <g key={s.index}>
            <rect x={s.x0} y={top} width={s.x1 - s.x0} height={h} fill={STRATA[s.phase].tint} />
            {cells.map((text, r) => (
              <g key={ROWS[r]}>
                <title>{text}</title>
                <Text
                  x={s.x0 + 7}
                  y={top + r * h + 16}
                  size={12}
                  width={r === 0 ? 82 : 76}
                  weight={r === 0 ? 650 : 400}
                >
                  {cellText(text, s.x1 - s.x0 - 8)}
                </Text>
              </g>
            ))}
            <line
              x1={s.x0 + 0.5}
              x2={s.x0 + 0.5}
              y1={top}
              y2={top + ROWS.length * h}
              stroke={i === 0 ? "var(--color-ground)" : "var(--color-edge)"}
            />
          </g>
        );
      })}
      {ROWS.map((name, r) => (
        <g key={name}>
          <Text x={16} y={top + r * h + 16} fill="var(--color-ink2)">
            {name}
          </Text>
          <line
            x1={16}
            x2={l.x1}
            y1={top + r * h + 0.5}
            y2={top + r * h + 0.5}
            stroke={r === 0 ? "var(--color-ground)" : "var(--color-hair)"}
          />
        </g>
      ))}
      <line
        x1={16}
        x2={l.x1}
        y1={top + ROWS.length * h + 0.5}
        y2={top + ROWS.length * h + 0.5}
        stroke="var(--color-ground)"
      />
    </g>
  );
}
