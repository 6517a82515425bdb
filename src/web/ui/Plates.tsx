/** Plates on one side of the bar, drawn to scale of their mass, in the order they go on. */
import { Text } from "../section/parts";

const height = (kg: number, full: number) => full * (0.34 + 0.66 * Math.min(1, kg / 20) ** 0.6);
const tint = (kg: number) => `var(--plate-${kg >= 15 ? 15 : kg >= 10 ? 10 : kg >= 5 ? 5 : 1})`;

export function PlateStack({ perSideKg, size = 28 }: { perSideKg: readonly number[]; size?: number }) {
  const w = 8 + perSideKg.length * 7 + 10;
  const cy = size / 2;
  return (
    <svg width={w} height={size} aria-hidden="true" className="inline-block align-middle">
      <line x1="0" x2={w} y1={cy} y2={cy} stroke="var(--color-ground)" strokeWidth="3" />
      <rect x="4" y={cy - 5} width="3" height="10" fill="var(--color-ground)" />
      {perSideKg.map((kg, i) => {
        const h = height(kg, size - 2);
        return (
          <rect
            key={i}
            x={8 + i * 7}
            y={cy - h / 2}
            width={kg >= 10 ? 6 : 4.5}
            height={h}
            fill={tint(kg)}
            stroke="var(--color-ground)"
            rx="1"
          />
        );
      })}
    </svg>
  );
}

export function BigBar({
  barText,
  perSideKg,
  sideText,
}: {
  barText: string;
  perSideKg: readonly number[];
  sideText: string;
}) {
  let x = 129;
  const cy = 36;
  return (
    <svg width="100%" height="72" viewBox="0 0 358 72" role="img" aria-label={`${barText}; each side ${sideText}`}>
      <line x1="0" x2="104" y1={cy} y2={cy} stroke="var(--color-ground)" strokeWidth="4" />
      <rect x="104" y={cy - 9} width="7" height="18" fill="var(--color-ground)" />
      <line x1="110" x2="196" y1={cy} y2={cy} stroke="var(--color-ground)" strokeWidth="9" />
      {perSideKg.map((kg, i) => {
        const h = height(kg, 66);
        const w = kg >= 15 ? 15 : kg >= 5 ? 11 : 8;
        const at = x - 16;
        x += w + 2;
        return (
          <rect
            key={i}
            x={at + 0.5}
            y={cy - h / 2}
            width={w}
            height={h}
            fill={tint(kg)}
            stroke="var(--color-ground)"
            strokeWidth="1.25"
            rx="2"
          />
        );
      })}
      <Text x={0} y={cy - 10} size={13} width={88} fill="var(--color-ink2)">
        {barText}
      </Text>
      <Text x={206} y={cy - 2} size={13} width={88} fill="var(--color-ink2)">
        each side
      </Text>
      <Text x={206} y={cy + 17} size={17} width={82} weight={650}>
        {sideText}
      </Text>
    </svg>
  );
}
