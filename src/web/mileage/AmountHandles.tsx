/** The tops of planned weeks, to be taken hold of: drawn up and down, and over several weeks in one go; arrow keys do the same. */
import { type PointerEvent, useRef, useState } from "react";
import { addDays } from "../../core/dates";
import type { SeasonLayout } from "../section/layout/season";
import { Text } from "../section/parts";

interface Props {
  layout: SeasonLayout;
  /** Weeks before it are past. */
  today: string;
  /** What one step of a key, and one pixel's rounding, is: in the unit of the drawing. */
  step: number;
  unit: string;
  /** Amounts of the drawing's weeks by Monday, in its unit. @param done the hand has let go */
  onDraw: (amounts: ReadonlyMap<string, number>, done: boolean) => void;
  /** The drawing keeps its scale while it is drawn on. */
  onHold: (held: boolean) => void;
}

const GRIP = 24;

export function AmountHandles({ layout: l, today, step, unit, onDraw, onHold }: Props) {
  const [drawn, setDrawn] = useState<ReadonlyMap<string, number> | null>(null);
  const held = useRef<{
    top: number;
    left: number;
    scale: number;
    ground: number;
    amounts: Map<string, number>;
  } | null>(null);
  const ahead = l.columns.filter((c) => c.x1 > c.x0 && addDays(c.week.start, 6) >= today && !c.week.done);
  const amountAt = (y: number, scale: number, ground: number): number =>
    Math.max(0, Math.round((ground - y) / scale / step) * step);
  const move = (e: PointerEvent<SVGElement>) => {
    const h = held.current;
    if (!h) return;
    const x = e.clientX - h.left;
    const column = ahead.find((c) => x >= c.x0 && x < c.x1);
    if (!column) return;
    const amount = amountAt(e.clientY - h.top, h.scale, h.ground);
    if (h.amounts.get(column.week.start) === amount) return;
    h.amounts.set(column.week.start, amount);
    const next = new Map(h.amounts);
    setDrawn(next);
    onDraw(next, false);
  };
  const end = (told: boolean) => {
    const h = held.current;
    held.current = null;
    setDrawn(null);
    onHold(false);
    if (h && told && h.amounts.size > 0) onDraw(h.amounts, true);
  };
  return (
    <g>
      {ahead.map((c) => {
        const own = drawn?.get(c.week.start);
        const y = own === undefined ? c.peak : l.ground - own * l.skyUnit;
        const value = Math.round((own ?? c.value) * 10) / 10;
        return (
          <g key={c.week.start}>
            {own !== undefined && (
              <g pointerEvents="none">
                <line x1={c.x0 + 1} x2={c.x1 - 1} y1={y} y2={y} stroke="var(--color-iron)" strokeWidth="2.5" />
                <Text x={(c.x0 + c.x1) / 2} y={y - 6} size={12} weight={650} anchor="middle" halo="var(--color-paper)">
                  {String(value)}
                </Text>
              </g>
            )}
            <rect
              role="slider"
              tabIndex={0}
              aria-label={`Amount of the week of ${c.week.start}`}
              aria-valuenow={value}
              aria-valuetext={`${value} ${unit}`}
              aria-orientation="vertical"
              x={c.x0}
              y={Math.min(l.ground - GRIP, y - GRIP / 2)}
              width={c.x1 - c.x0}
              height={GRIP}
              fill="transparent"
              className="cursor-ns-resize"
              onPointerDown={(e) => {
                if (e.button !== 0) return;
                e.currentTarget.setPointerCapture(e.pointerId);
                const box = e.currentTarget.ownerSVGElement?.getBoundingClientRect();
                held.current = {
                  top: box?.top ?? 0,
                  left: box?.left ?? 0,
                  scale: l.skyUnit,
                  ground: l.ground,
                  amounts: new Map(),
                };
                onHold(true);
              }}
              onPointerMove={move}
              onPointerUp={() => end(true)}
              onPointerCancel={() => end(false)}
              onKeyDown={(e) => {
                const by = e.key === "ArrowUp" ? 1 : e.key === "ArrowDown" ? -1 : 0;
                if (by === 0) return;
                e.preventDefault();
                e.stopPropagation();
                const next = Math.max(0, value + by * step * (e.shiftKey ? 5 : 1));
                onDraw(new Map([[c.week.start, next]]), true);
              }}
            >
              <title>{`${value} ${unit}: draw it up or down, or over several weeks`}</title>
            </rect>
          </g>
        );
      })}
    </g>
  );
}
