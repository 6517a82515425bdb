/** A result as a pair of bars against the mark, with the last time as a thin line. */
import type { ScreenTestView } from "../../api/views";
import type { Result } from "./draft";

const W = 320;
const LEFT = 44;
const ROW = 22;

export function ResultBars({ test, now, last }: { test: ScreenTestView; now: Result; last: Result | null }) {
  const rows: [string, number | undefined, number | undefined][] = test.sides
    ? [
        ["left", now.left, last?.left],
        ["right", now.right, last?.right],
      ]
    : [["", now.value, last?.value]];
  const top = Math.max(test.mark * 1.35, ...rows.flatMap(([, a, b]) => [a ?? 0, b ?? 0]));
  const x = (v: number) => LEFT + (v / top) * (W - LEFT - 40);
  const height = rows.length * ROW + 22;
  const said = rows
    .map(([name, a, b]) => `${name} ${a ?? "not done"}${b === undefined ? "" : `, last time ${b}`}`)
    .join("; ");
  return (
    <svg
      viewBox={`0 0 ${W} ${height}`}
      width="100%"
      role="img"
      aria-label={`${said}; mark ${test.mark}`}
      className="max-w-[420px]"
    >
      {rows.map(([name, a, b], i) => {
        const y = i * ROW + 4;
        const pass = a !== undefined && a >= test.mark;
        return (
          <g key={name}>
            <text x={LEFT - 6} y={y + 12} textAnchor="end" fontSize="12" fill="var(--color-ink2)">
              {name}
            </text>
            <rect x={LEFT} y={y} width={W - LEFT - 40} height="15" fill="var(--color-hair2)" />
            {a !== undefined && (
              <>
                <rect
                  x={LEFT}
                  y={y}
                  width={Math.max(1, x(a) - LEFT)}
                  height="15"
                  fill={pass ? "var(--color-iron)" : "var(--color-panel)"}
                  stroke={pass ? "var(--color-iron)" : "var(--color-brick-ink)"}
                  strokeWidth="1.500"
                  strokeDasharray={pass ? undefined : "4 2"}
                />
                <text x={W - 34} y={y + 12} fontSize="12" fontWeight="600" fill="var(--color-ink)">
                  {a}
                </text>
              </>
            )}
            {b !== undefined && <path d={`M${x(b)} ${y - 2}v19`} stroke="var(--color-mist-ink)" strokeWidth="2" />}
          </g>
        );
      })}
      <path
        d={`M${x(test.mark)} 0v${rows.length * ROW + 4}`}
        stroke="var(--color-ground)"
        strokeWidth="1.500"
        strokeDasharray="4 3"
      />
      <text x={x(test.mark)} y={rows.length * ROW + 16} textAnchor="middle" fontSize="11" fill="var(--color-ink)">
        mark {test.mark}
      </text>
    </svg>
  );
}
