/** How many placements cost how much, and where the chosen one stands. */
import { Text } from "./parts";

const W = 196;
const H = 60;
const BINS = 28;

export function FitHistogram({ histogram, cost }: { histogram: readonly [number, number][]; cost: number }) {
  const [first, last] = [histogram[0]?.[0] ?? 0, histogram.at(-1)?.[0] ?? 0];
  if (histogram.length < 2)
    return (
      <p className="pb-1 text-label leading-4 text-ink2">
        {histogram.length === 1 ? "Every option disturbs the same." : ""}
      </p>
    );
  const width = (last - first) / BINS || 1;
  const bins = new Array<number>(BINS).fill(0);
  for (const [points, n] of histogram) {
    const at = Math.min(BINS - 1, Math.floor((points - first) / width));
    bins[at] = (bins[at] ?? 0) + n;
  }
  const most = Math.max(...bins);
  const bar = (W - 16) / BINS;
  const x = (points: number) => 8 + ((points - first) / (last - first)) * (W - 16);
  const path = bins
    .map((n, i) => `L${(8 + i * bar).toFixed(1)} ${(42 - (n / most) * 32).toFixed(1)}h${bar.toFixed(1)}`)
    .join("");
  const at = Math.max(first, Math.min(last, cost));
  return (
    <svg
      width={W}
      height={H}
      role="img"
      aria-label={`Options disturb from ${first} to ${last} points; this one ${cost}`}
    >
      <path d={`M8 42${path}V42Z`} fill="var(--color-hair2)" stroke="var(--color-edge)" />
      <line x1="4" x2={W - 4} y1="42.5" y2="42.5" stroke="var(--color-ground)" strokeWidth="1.5" />
      <path d={`M${x(at)} 42V8h9l-2.500 4 2.500 4h-9`} fill="var(--color-iron)" stroke="var(--color-iron)" />
      <Text x={8} y={56} weight={600}>
        {first}
      </Text>
      <Text x={W / 2} y={56} anchor="middle" fill="var(--color-ink2)">
        disturbance of each option
      </Text>
      <Text x={W - 8} y={56} anchor="end" fill="var(--color-ink2)">
        {last}
      </Text>
    </svg>
  );
}
