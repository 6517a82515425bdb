/** What the blocks plan, what was done of it, and where it was held: under the ground section, in its columns. */
import type { LineLayout, SeasonLayout } from "./layout/seasonTypes";
import { Text } from "./parts";

export function SeasonLine({ l, line }: { l: SeasonLayout; line: LineLayout }) {
  return (
    <g>
      <Text x={16} y={line.y + 14} fill="var(--color-ink2)">
        Block
      </Text>
      {line.boxes.map((b) => (
        <g key={b.key}>
          <rect
            x={b.x0 + 1.5}
            y={b.y + 0.5}
            width={Math.max(1, b.x1 - b.x0 - 3)}
            height={b.h}
            fill="var(--color-panel)"
            stroke="var(--color-edge)"
            rx="2"
          />
          <Text x={b.x0 + 6} y={b.y + 12} width={80}>
            {b.text}
          </Text>
        </g>
      ))}
      <Text x={16} y={line.stair.y + 24} fill="var(--color-ink2)">
        Percent
      </Text>
      <Text x={16} y={line.stair.y + 37} fill="var(--color-ink2)">
        of 1RM
      </Text>
      <path d={line.path} fill="none" stroke="var(--color-iron)" strokeWidth="1.500" />
      {line.points.map((p) => (
        <g key={p.index}>
          <circle
            cx={p.x}
            cy={p.y}
            r={3.5}
            fill={p.done ? "var(--color-iron)" : "var(--color-paper)"}
            stroke="var(--color-iron)"
            strokeWidth="1.500"
          />
          {p.held && (
            <line x1={p.x - 6} x2={p.x + 6} y1={p.y + 7} y2={p.y + 7} stroke="var(--color-brick-ink)" strokeWidth="2">
              <title>Held: nothing may go up this week</title>
            </line>
          )}
          <Text x={p.x} y={p.y - 7} width={75} anchor="middle" weight={500}>
            {p.text}
          </Text>
        </g>
      ))}
      {line.rows.map((row) => (
        <g key={row.label}>
          <Text x={16} y={row.y + 13} fill="var(--color-ink2)">
            {row.label}
          </Text>
          <line x1={16} x2={l.x1} y1={row.y + 0.5} y2={row.y + 0.5} stroke="var(--color-hair)" />
          {l.columns.map((c, i) => (
            <Text key={c.index} x={(c.x0 + c.x1) / 2} y={row.y + 13} width={75} anchor="middle">
              {row.cells[i]}
            </Text>
          ))}
        </g>
      ))}
    </g>
  );
}
