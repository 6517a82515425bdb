/** A usual week by day and hour: sessions are dragged to another place, stretched at their foot, and moved by arrow keys. */
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import type { UsualSession } from "../../core/athlete";
import { minutesOf, timeOf, WEEKDAYS, weekdayName } from "../../core/dates";
import { isKey } from "../../core/endurance";
import type { SlotRoom } from "../../core/planning";
import { duration, SPORT_NAMES } from "../format";

/** Hours shown, pixels of one, and minutes that a drag snaps to. */
const FROM = 5;
const TO = 22;
const HOUR = 31;
/** Pixels that two lines of words take. */
const TWO_LINES = 34;
const SNAP = 15;
const LEFT = 40;
const HEAD = 22;

export interface Sized extends UsualSession {
  /** Minutes in a week of the usual amount. */
  length: number;
}

interface Props {
  sessions: readonly Sized[];
  chosen: string | null;
  room: readonly SlotRoom[];
  onChoose: (id: string) => void;
  onMove: (id: string, day: number, start: string) => void;
  /** @param minutes in a week of the usual amount */
  onStretch: (id: string, minutes: number) => void;
  onCopy: (id: string) => void;
  onRemove: (id: string) => void;
}

const y = (minute: number): number => HEAD + ((minute - FROM * 60) / 60) * HOUR;
const startOf = (s: UsualSession): number => minutesOf(s.start ?? "07:00");

export function UsualGrid({ sessions, chosen, room, onChoose, onMove, onStretch, onCopy, onRemove }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const held = useRef<{ id: string; stretch: boolean; grip: number } | null>(null);
  const [ghost, setGhost] = useState<{ id: string; day: number; start: number; length: number } | null>(null);
  const at = (e: PointerEvent) => {
    const r = box.current?.getBoundingClientRect();
    const column = ((r?.width ?? 0) - LEFT) / 7;
    const day = Math.max(1, Math.min(7, Math.floor((e.clientX - (r?.left ?? 0) - LEFT) / column) + 1));
    const minute = FROM * 60 + ((e.clientY - (r?.top ?? 0) - HEAD) / HOUR) * 60;
    return { day, minute };
  };
  const snap = (m: number) => Math.round(m / SNAP) * SNAP;
  const down = (e: PointerEvent<HTMLElement>, s: Sized, stretch: boolean) => {
    if (e.button !== 0) return;
    e.stopPropagation();
    e.currentTarget.setPointerCapture(e.pointerId);
    held.current = { id: s.id, stretch, grip: at(e).minute - startOf(s) };
    onChoose(s.id);
  };
  const move = (e: PointerEvent<HTMLElement>, s: Sized) => {
    const h = held.current;
    if (!h || h.id !== s.id) return;
    const { day, minute } = at(e);
    setGhost(
      h.stretch
        ? { id: s.id, day: s.day, start: startOf(s), length: Math.max(SNAP, snap(minute - startOf(s))) }
        : {
            id: s.id,
            day,
            start: Math.max(0, Math.min(TO * 60, snap(minute - h.grip))),
            length: s.length,
          },
    );
  };
  const up = (s: Sized) => {
    const h = held.current;
    held.current = null;
    if (h && ghost) {
      if (h.stretch) onStretch(s.id, ghost.length);
      else if (ghost.day !== s.day || ghost.start !== startOf(s)) onMove(s.id, ghost.day, timeOf(ghost.start));
    }
    setGhost(null);
  };
  const onKey = (e: KeyboardEvent, s: Sized) => {
    const moves: Record<string, () => void> = {
      ArrowLeft: () => s.day > 1 && onMove(s.id, s.day - 1, timeOf(startOf(s))),
      ArrowRight: () => s.day < 7 && onMove(s.id, s.day + 1, timeOf(startOf(s))),
      ArrowUp: () => onMove(s.id, s.day, timeOf(Math.max(0, startOf(s) - SNAP))),
      ArrowDown: () => onMove(s.id, s.day, timeOf(Math.min(TO * 60, startOf(s) + SNAP))),
      "+": () => onStretch(s.id, s.length + 5),
      "-": () => onStretch(s.id, Math.max(SNAP, s.length - 5)),
      Delete: () => onRemove(s.id),
      c: () => onCopy(s.id),
    };
    const act = moves[e.key];
    if (!act || e.ctrlKey || e.metaKey) return;
    e.preventDefault();
    e.stopPropagation();
    act();
  };
  const column = `calc((100% - ${LEFT}px) / 7)`;
  const left = (day: number) => `calc(${LEFT}px + (100% - ${LEFT}px) / 7 * ${day - 1})`;
  return (
    <div
      ref={box}
      className="relative w-full touch-none select-none"
      style={{ height: y(TO * 60) + 4 }}
      role="group"
      aria-label="Usual week by day and hour. Arrow keys move the session in focus, plus and minus stretch it, C copies it, Delete takes it out"
    >
      <Backdrop left={left} column={column} room={room} />
      {sessions.map((s) => {
        const g = ghost?.id === s.id ? ghost : null;
        const [day, start, length] = [g?.day ?? s.day, g?.start ?? startOf(s), g?.length ?? s.length];
        const key = isKey(s);
        return (
          <button
            key={s.id}
            type="button"
            aria-pressed={chosen === s.id}
            aria-label={`${SPORT_NAMES[s.sport]}, ${s.kind}, ${weekdayName(day)} ${timeOf(start)}, ${duration(length)}${key ? ", key session" : ""}`}
            className={`absolute cursor-grab overflow-hidden rounded-[3px] border px-1 text-left text-note leading-4 cond ${key ? "border-moss-ink bg-moss-ink text-panel" : "border-moss-ink bg-moss-plan"} ${chosen === s.id ? "outline-2 outline-offset-1 outline-iron" : ""}`}
            style={{
              left: `calc(${left(day)} + 4px)`,
              width: `calc(${column} - 8px)`,
              top: y(start),
              height: Math.max(24, (length / 60) * HOUR),
            }}
            onClick={() => onChoose(s.id)}
            onPointerDown={(e) => down(e, s, false)}
            onPointerMove={(e) => move(e, s)}
            onPointerUp={() => up(s)}
            onPointerCancel={() => {
              held.current = null;
              setGhost(null);
            }}
            onKeyDown={(e) => onKey(e, s)}
          >
            <Words length={length} s={s} />
            <span
              aria-hidden="true"
              className="absolute right-0 bottom-0 left-0 h-2 cursor-ns-resize"
              onPointerDown={(e) => down(e, s, true)}
              onPointerMove={(e) => move(e, s)}
              onPointerUp={() => up(s)}
            />
          </button>
        );
      })}
    </div>
  );
}

interface BackdropProps {
  left: (day: number) => string;
  column: "calc((100% - 40px) / 7)";
  room: readonly SlotRoom[];
}

/** Days, hours, and what strength has of free time. */
function Backdrop({ left, column, room }: BackdropProps) {
  return (
    <>
      {WEEKDAYS.map((d, i) => (
        <div
          key={d}
          className="absolute top-0 bottom-0 border-l border-hair bg-panel"
          style={{ left: left(i + 1), width: column }}
        >
          <b className="block text-center text-label leading-[22px] font-semibold">{d}</b>
        </div>
      ))}
      {Array.from({ length: TO - FROM + 1 }, (_, i) => FROM + i).map((h) => (
        <div
          key={h}
          className="pointer-events-none absolute right-0 left-0 border-t border-hair2"
          style={{ top: y(h * 60) }}
        >
          {h % 2 === 1 && (
            <span className="absolute -top-2 left-0 text-note leading-4 text-ink2">{timeOf(h * 60)}</span>
          )}
        </div>
      ))}
      {room.map(({ window: w, blocked }) => (
        <div
          key={`${w.day}${w.start}`}
          className={`pointer-events-none absolute border border-dashed ${blocked === null ? "border-iron bg-iron-l/60" : "border-edge"}`}
          style={{
            left: `calc(${left(w.day)} + 2px)`,
            width: `calc(${column} - 4px)`,
            top: y(minutesOf(w.start)),
            height: (w.minutes / 60) * HOUR,
          }}
        >
          <span className="block px-1 text-note leading-4 cond text-iron">
            {blocked === null ? "free for heavy" : "not for heavy"}
          </span>
        </div>
      ))}
    </>
  );
}

function Words({ length, s }: { length: number; s: Sized }) {
  return (
    <>
      {(length / 60) * HOUR >= TWO_LINES ? (
        <>
          <b className="block truncate font-semibold">{s.kind}</b>
          <span className="block truncate">{duration(length)}</span>
        </>
      ) : (
        <span className="block truncate">
          <b className="font-semibold">{s.kind}</b> {duration(length)}
        </span>
      )}
    </>
  );
}
