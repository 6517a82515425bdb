/** The group's hour as a drawing: a line each from beginning to end, with the time at a rack filled. The same stands in the list below. */
import type { GroupSessionView } from "../../api/many";
import { time } from "../format";
import { useSize } from "../section/useSize";

/** Geometry, px. */
const NAME = 132;
const ROW = 26;
const TOP = 22;
const QUARTER = 15;

export function HourDrawing({ view }: { view: GroupSessionView }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const width = size?.width ?? 0;
  const minutes = view.group.hour?.minutes ?? 60;
  const perMinute = Math.max(0, width - NAME - 20) / minutes;
  const x = (minute: number) => NAME + (minute - view.start) * perMinute;
  const there = view.members.filter((m) => m.start !== null);
  const marks = Array.from({ length: Math.floor(minutes / QUARTER) + 1 }, (_, i) => view.start + i * QUARTER);
  return (
    <div ref={ref} className="max-w-[980px]">
      {width > 0 && there.length > 0 && (
        <svg
          width={width}
          height={TOP + there.length * ROW + 6}
          role="img"
          aria-label="Who lifts when, and when at a rack"
        >
          {marks.map((m, i) => (
            <g key={m}>
              <line x1={x(m)} x2={x(m)} y1={TOP - 4} y2={TOP + there.length * ROW} stroke="var(--color-hair)" />
              {i % (width < 500 ? 4 : 2) === 0 && (
                <text x={x(m)} y={TOP - 8} fontSize="11" textAnchor="middle" fill="var(--color-ink2)">
                  {time(m)}
                </text>
              )}
            </g>
          ))}
          {there.map((m, i) => {
            const y = TOP + i * ROW + ROW / 2;
            const start = m.start ?? 0;
            return (
              <g key={m.id}>
                <text x={0} y={y + 4} fontSize="13" fill="var(--color-ink)">
                  {m.name}
                </text>
                <line
                  x1={x(start)}
                  x2={x(start + (m.minutes ?? 0))}
                  y1={y}
                  y2={y}
                  stroke="var(--color-ground)"
                  strokeWidth="3"
                  strokeLinecap="round"
                />
                {m.rack && (
                  <>
                    <rect
                      x={x(start + m.rack.from)}
                      width={Math.max(2, (m.rack.to - m.rack.from) * perMinute)}
                      y={y - 8}
                      height="16"
                      rx="2"
                      fill="var(--color-iron)"
                    />
                    <text
                      x={x(start + (m.rack.from + m.rack.to) / 2)}
                      y={y + 4}
                      fontSize="11"
                      textAnchor="middle"
                      fill="var(--color-panel)"
                    >
                      {(m.rack.to - m.rack.from) * perMinute > 44
                        ? `rack ${m.rack.number ?? "?"}`
                        : (m.rack.number ?? "")}
                    </text>
                  </>
                )}
              </g>
            );
          })}
        </svg>
      )}
    </div>
  );
}
