/** One season as a strip; two of them to one scale show what a change does. */
import type { StripLayout } from "./layout/strip";
import { Text } from "./parts";
import { STRATA } from "./patterns";

export function SeasonStrip({
  l,
  width,
  height,
  name,
}: {
  l: StripLayout;
  width: number;
  height: number;
  name: string;
}) {
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`${name}; the figures stand in the tables below.`}
    >
      {l.months.map((m) => (
        <g key={m.x}>
          <line x1={m.x} x2={m.x} y1={6} y2={l.bottom} stroke="var(--color-hair)" />
          <Text x={m.x + 4} y={15} fill="var(--color-ink2)">
            {m.text}
          </Text>
        </g>
      ))}
      {l.strata.map((s) => (
        <g key={s.key}>
          <rect x={s.x0} y={l.ground} width={s.x1 - s.x0} height={l.bottom - l.ground} fill={STRATA[s.phase].tint} />
          <rect
            x={s.x0}
            y={l.bottom}
            width={s.x1 - s.x0}
            height={18}
            fill={STRATA[s.phase].tint}
            stroke="var(--color-edge)"
          />
          <Text x={s.x0 + 5} y={l.bottom + 13} weight={600}>
            {s.name}
          </Text>
        </g>
      ))}
      {l.bars.map((b) => (
        <g key={b.start}>
          {b.changed && <rect x={b.x} y={l.ground - 2} width={b.w} height={4} fill="var(--color-iron)" />}
          <rect
            x={b.x + 1}
            y={l.ground - b.up}
            width={Math.max(1, b.w - 2)}
            height={b.up}
            fill="var(--color-moss-plan)"
          />
          <rect
            x={b.x + b.w * 0.2}
            y={l.ground}
            width={b.w * 0.6}
            height={b.down}
            fill={b.heavy > 0 ? "var(--color-iron)" : "var(--color-iron-m)"}
          />
        </g>
      ))}
      <line x1={l.x0 - 6} x2={l.x1 + 6} y1={l.ground} y2={l.ground} stroke="var(--color-ground)" strokeWidth="2" />
      {l.bars
        .filter((b) => b.changed)
        .map((b) => (
          <rect key={b.start} x={b.x} y={l.bottom - 3} width={b.w} height={3} fill="var(--color-brick-ink)" />
        ))}
      {l.flags.map((f) => (
        <g key={f.id}>
          <line
            x1={f.x}
            x2={f.x}
            y1={24}
            y2={l.ground}
            stroke="var(--color-brick-ink)"
            strokeWidth={f.priority === "A" ? 2 : 1}
          />
          <path
            d={`M${f.x} 24h18l-3.500 6.500 3.500 6.500h-18z`}
            fill={f.priority === "A" ? "var(--color-brick-ink)" : "var(--color-panel)"}
            stroke={f.moved ? "var(--color-iron)" : "var(--color-brick-ink)"}
            strokeWidth={f.moved ? 2 : 1}
          />
          <Text
            x={f.x + 8}
            y={34.5}
            weight={700}
            anchor="middle"
            fill={f.priority === "A" ? "var(--color-on-brick)" : "var(--color-brick-ink)"}
          >
            {f.priority}
          </Text>
        </g>
      ))}
      {l.today !== null && (
        <line x1={l.today} x2={l.today} y1={18} y2={l.bottom} stroke="var(--color-ink)" strokeDasharray="2 2">
          <title>Today</title>
        </line>
      )}
    </svg>
  );
}
