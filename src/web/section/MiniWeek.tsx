/** An alternative placement, small: endurance above, sessions below. */
import type { WeekView } from "../../api/views";
import { daysBetween } from "../../core/dates";
import type { Alternative } from "../../core/week";
import { STRATA } from "./patterns";

export function MiniWeek({ view, alternative }: { view: WeekView; alternative: Alternative }) {
  const [w, h, ground] = [116, 64, 30];
  const most = Math.max(60, ...view.endurance.map((e) => e.load));
  const deepest = Math.max(120, ...view.sessions.map((s) => s.stress));
  const x = (date: string, minutes: number) =>
    ((daysBetween(view.monday, date) + (minutes < 720 ? 0.28 : 0.72)) / 7) * w;
  return (
    <svg width={w} height={h} aria-hidden="true">
      <rect y={ground} width={w} height={h - ground} fill={STRATA[view.phase].tint} opacity=".7" />
      {view.endurance
        .filter((e) => e.date >= view.monday)
        .map((e) => {
          const [at, top] = [x(e.date, e.startMinutes), ground - (e.load / most) * (ground - 4)];
          return (
            <path
              key={e.id}
              d={`M${at - 5} ${ground}L${at - 3} ${top}h6L${at + 5} ${ground}Z`}
              fill={e.done ? "var(--color-moss)" : "var(--color-moss-plan)"}
              stroke="var(--color-moss-ink)"
              strokeWidth=".75"
            />
          );
        })}
      <line x2={w} y1={ground} y2={ground} stroke="var(--color-ground)" strokeWidth="1.5" />
      {alternative.sessions.map((s) => {
        const stress = view.sessions.find((v) => v.label === s.label)?.stress ?? 120;
        const [at, foot] = [x(s.date, s.start), ground + (stress / deepest) * (h - ground - 4)];
        return (
          <g key={s.label}>
            <line x1={at} x2={at} y1={ground} y2={foot} stroke="var(--color-iron)" />
            <rect
              x={at - 4}
              y={Math.max(ground + 3, foot - 12)}
              width="8"
              height={Math.min(12, foot - ground - 3)}
              fill="var(--color-iron)"
            />
          </g>
        );
      })}
    </svg>
  );
}
