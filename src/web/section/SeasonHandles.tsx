/** What can be taken hold of on the season section: race flags, phase boundaries, anchors. Mouse, touch, and the arrow keys. */

import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef, useState } from "react";
import type { WeekSession } from "../../api/views";
import type { Boundary } from "../../core/season";
import { day, duration, PHASE_NAMES } from "../format";
import { dateAt, type SeasonLayout } from "./layout/season";
import type { Stratum } from "./layout/seasonTypes";
import { Text } from "./parts";

interface Props {
  layout: SeasonLayout;
  /** What lies before it is not moved. */
  today: string;
  /** @param to the new date, or by how many days */
  onRace: (race: string, to: string | number) => void;
  onOpenRace: (race: string) => void;
  /** @param to first day of the phase after the boundary, or by how many days */
  onBoundary: (boundary: Boundary, to: string | number) => void;
  onBoundaryEnd: () => void;
  onAnchor: (anchor: Pick<WeekSession, "date" | "label">) => void;
  onPick: (week: number) => void;
  /** What else can be taken hold of, over the columns and under the flags. */
  children?: ReactNode;
}

/** Pixels the pointer may stray before a press becomes a drag. */
const STILL = 3;

/** What is being dragged, drawn at once while the season is still planned. */
interface Ghost {
  x: number;
  date: string;
}

/** A drag along the ground line: each new date under the pointer is told once. */
function useDrag(
  layout: SeasonLayout,
  ghost: (g: Ghost | null) => void,
  tell: (key: string, date: string) => void,
  done: (key: string, moved: boolean) => void,
) {
  const held = useRef<{ key: string; x: number; shift: number; left: number; last: string; moved: boolean } | null>(
    null,
  );
  return (key: string, date: string, at: number) => ({
    onPointerDown: (e: PointerEvent<SVGElement>) => {
      if (e.button !== 0) return;
      e.currentTarget.setPointerCapture(e.pointerId);
      const left = e.currentTarget.ownerSVGElement?.getBoundingClientRect().left ?? 0;
      held.current = { key, x: e.clientX - left, shift: at - (e.clientX - left), left, last: date, moved: false };
    },
    onPointerMove: (e: PointerEvent<SVGElement>) => {
      const h = held.current;
      if (!h || h.key !== key) return;
      const x = e.clientX - h.left;
      if (!h.moved && Math.abs(x - h.x) < STILL) return;
      h.moved = true;
      const to = dateAt(layout, x + h.shift);
      if (to === h.last) return;
      h.last = to;
      ghost({ x: Math.max(layout.x0, Math.min(layout.x1, x + h.shift)), date: to });
      tell(key, to);
    },
    onPointerUp: () => {
      const h = held.current;
      held.current = null;
      ghost(null);
      if (h) done(key, h.moved);
    },
    onPointerCancel: () => {
      held.current = null;
      ghost(null);
      done(key, true);
    },
  });
}

/** Arrow keys move by a day, with Shift by a week. */
const steps = (e: KeyboardEvent): number =>
  e.key === "ArrowLeft" ? (e.shiftKey ? -7 : -1) : e.key === "ArrowRight" ? (e.shiftKey ? 7 : 1) : 0;

export function SeasonHandles({
  layout: l,
  today,
  onRace,
  onOpenRace,
  onBoundary,
  onBoundaryEnd,
  onAnchor,
  onPick,
  children,
}: Props) {
  const [ghost, setGhost] = useState<Ghost | null>(null);
  const race = useDrag(l, setGhost, onRace, (key, moved) => !moved && onOpenRace(key));
  const boundaries = new Map<string, Boundary>();
  for (const [i, s] of l.strata.entries()) {
    const before = l.strata[i - 1];
    if (before) boundaries.set(s.edge, { before: before.phase, after: s.phase, start: s.start });
  }
  const moveBoundary = (key: string, to: string | number) => {
    const moved = boundaries.get(key);
    if (moved) onBoundary(moved, to);
  };
  const boundary = useDrag(l, setGhost, moveBoundary, onBoundaryEnd);
  return (
    <g>
      <GhostMark ghost={ghost} l={l} />
      {children}
      {l.anchors.map((a) => (
        // biome-ignore lint/a11y/noStaticElementInteractions: the pointer's twin of the links in the inspector
        <rect
          key={a.key}
          x={a.x0 - 2}
          y={Math.min(a.top, l.ground)}
          width={a.x1 - a.x0 + 4}
          height={Math.max(8, a.foot - Math.min(a.top, l.ground))}
          fill="transparent"
          className="cursor-pointer"
          data-anchor={`${a.label} ${a.date}`}
          onClick={() => onAnchor(a)}
        >
          <title>{`Session ${a.label}, ${day(a.date)}, ${duration(a.minutes)}: open`}</title>
        </rect>
      ))}
      {l.strata.map((s, i) => {
        const before = l.strata[i - 1];
        if (!before || s.start <= today) return null;
        const name = `${PHASE_NAMES[before.phase]} to ${PHASE_NAMES[s.phase].toLowerCase()}`;
        const key = s.edge;
        return (
          <BoundaryHandle
            key={key}
            edge={key}
            name={name}
            s={s}
            boundary={boundary}
            l={l}
            moveBoundary={moveBoundary}
            onBoundaryEnd={onBoundaryEnd}
            before={before}
          />
        );
      })}
      {l.flags.map((f) => {
        const past = f.race.date < today;
        const [left, right] = [Math.min(f.x - 4, f.x + f.side * 30), Math.max(f.x + 4, f.x + f.side * 30)];
        return (
          <FlagHandle
            key={f.race.id}
            f={f}
            past={past}
            onOpenRace={onOpenRace}
            race={race}
            onPick={onPick}
            l={l}
            onRace={onRace}
            left={left}
            right={right}
          />
        );
      })}
    </g>
  );
}

/** Where what is dragged would stand. */
function GhostMark({ ghost, l }: { ghost: Ghost | null; l: SeasonLayout }) {
  return (
    <>
      {ghost && (
        <g pointerEvents="none">
          <line x1={ghost.x} x2={ghost.x} y1={l.top} y2={l.bottom} stroke="var(--color-iron)" strokeWidth="2" />
          <Text
            x={ghost.x + 6}
            y={l.ground - 8}
            size={12}
            weight={650}
            fill="var(--color-iron)"
            halo="var(--color-paper)"
          >
            {day(ghost.date)}
          </Text>
        </g>
      )}
    </>
  );
}

interface BoundaryHandleProps {
  edge: string;
  name: string;
  s: Stratum;
  boundary: ReturnType<typeof useDrag>;
  l: SeasonLayout;
  moveBoundary: (key: string, to: string | number) => void;
  onBoundaryEnd: () => void;
  before: Stratum;
}

function BoundaryHandle({ edge, name, s, boundary, l, moveBoundary, onBoundaryEnd, before }: BoundaryHandleProps) {
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`Boundary ${name}`}
      aria-valuenow={Math.round(s.x0)}
      aria-valuetext={`${PHASE_NAMES[s.phase]} begins ${day(s.start)}`}
      className="group cursor-ew-resize touch-none outline-none"
      {...boundary(edge, s.start, s.x0 + l.columnWidth / 14)}
      onKeyDown={(e) => {
        const by = steps(e);
        if (by === 0) return;
        e.preventDefault();
        e.stopPropagation();
        moveBoundary(edge, by);
        onBoundaryEnd();
      }}
    >
      <title>{`${PHASE_NAMES[s.phase]} begins ${day(s.start)}: drag to move`}</title>
      <rect x={s.x0 - 5} y={l.ground + 2} width={10} height={l.bottom - l.ground} fill="transparent" />
      <rect
        x={s.x0 - 4}
        y={l.bottom - 28}
        width={8}
        height={16}
        rx={2}
        fill={s.fixed || before.fixed ? "var(--color-ground)" : "var(--color-panel)"}
        stroke="var(--color-ground)"
        className="group-hover:stroke-iron group-focus-visible:stroke-iron group-focus-visible:[stroke-width:3px]"
      />
    </g>
  );
}

interface FlagHandleProps {
  f: SeasonLayout["flags"][number];
  past: boolean;
  onOpenRace: (race: string) => void;
  race: ReturnType<typeof useDrag>;
  onPick: (week: number) => void;
  l: SeasonLayout;
  onRace: (race: string, to: string | number) => void;
  left: number;
  right: number;
}

function FlagHandle({ f, past, onOpenRace, race, onPick, l, onRace, left, right }: FlagHandleProps) {
  return (
    <g
      role="button"
      tabIndex={0}
      data-race={f.race.id}
      aria-label={`${f.race.priority} race ${f.race.name}, ${day(f.race.date)}. ${past ? "" : "Arrow keys move it by a day, with Shift by a week; "}Enter opens it.`}
      className={`group outline-none ${past ? "cursor-pointer" : "cursor-grab touch-none active:cursor-grabbing"}`}
      {...(past ? { onClick: () => onOpenRace(f.race.id) } : race(f.race.id, f.race.date, f.x))}
      onFocus={() => onPick(l.columns.findIndex((c) => f.x >= c.x0 && f.x < c.x1))}
      onKeyDown={(e) => {
        const by = past ? 0 : steps(e);
        if (by === 0 && e.key !== "Enter" && e.key !== " ") return;
        e.preventDefault();
        e.stopPropagation();
        if (by === 0) onOpenRace(f.race.id);
        else onRace(f.race.id, by);
      }}
    >
      <title>{`${f.race.name}, ${day(f.race.date)}: ${past ? "" : "drag to move, "}click to change`}</title>
      <rect x={left} y={f.top - 3} width={right - left} height={26} fill="transparent" />
      <rect x={f.x - 5} y={f.top} width={10} height={l.ground - f.top + 4} fill="transparent" />
      <rect
        x={left}
        y={f.top - 3}
        width={right - left}
        height={26}
        rx={2}
        fill="none"
        className="stroke-transparent group-focus-visible:[stroke:var(--color-iron)]"
        strokeWidth="2"
      />
    </g>
  );
}
