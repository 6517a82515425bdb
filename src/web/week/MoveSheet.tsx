/** Where a session could stand instead: the best hour of each free time slot, what it would cost, and why other days are closed. */
import { type ReactNode, useEffect, useState } from "react";
import type { PlannedSessionView, WeekView } from "../../api/views";
import { addDays } from "../../core/dates";
import type { Board, BoardPlace } from "../../core/planning";
import type { Weigher } from "../data/board";
import { counted, day, placeName, sessionName, time } from "../format";
import { Sheet } from "../ui/Sheet";
import { AddSlot } from "./AddSlot";
import type { WeekActions } from "./useWeekActions";
import { placedOf } from "./useWeekDrag";

interface Props {
  view: WeekView;
  session: PlannedSessionView;
  weigher: Weigher;
  actions: WeekActions;
  /** The day that is looked at first, where the session was put down on one that has no slot for it. */
  on?: string;
  onClose: () => void;
}

export default function MoveSheet({ view, session: s, weigher, actions, on, onClose }: Props) {
  const [adding, setAdding] = useState(on ?? null);
  const [board, setBoard] = useState<Board | null>(null);
  useEffect(() => {
    let asked = true;
    void weigher.weigh(placedOf(view), s.label).then((b) => asked && setBoard(b));
    return () => {
      asked = false;
    };
  }, [view, s.label, weigher]);
  const move = (p: BoardPlace) => {
    void actions.drop({ dragged: { kind: "session", label: s.label }, date: p.date, start: p.start }, p.place);
    onClose();
  };
  const days = Array.from({ length: 7 }, (_, i) => addDays(view.monday, i));
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Move ${sessionName(s.label, view.emphasis, s.slow)}`}
      note={`It stands on ${day(s.date)} at ${time(s.start)}. More points mean more disturbance of the endurance training.`}
    >
      {board ? (
        <ul>
          {days.map((date) => (
            <Day key={date} date={date} board={board} session={s} onMove={move}>
              {date < view.today || !lacksSlot(board, date) ? null : adding === date ? (
                <AddSlot view={view} date={date} minutes={s.minutes} actions={actions} onDone={() => setAdding(null)} />
              ) : (
                <button type="button" className="link ml-2 min-h-8" onClick={() => setAdding(date)}>
                  Add a free time slot this week…
                </button>
              )}
            </Day>
          ))}
        </ul>
      ) : (
        <p role="status" className="text-ink2">
          Weighing every free time slot…
        </p>
      )}
    </Sheet>
  );
}

/** The least costly hour of each place of a day. */
export function bestOf(board: Board, date: string): BoardPlace[] {
  const best = new Map<string, BoardPlace>();
  for (const p of board.places) {
    if (p.date !== date || p.blocked) continue;
    const known = best.get(p.place);
    if (!known || p.cost < known.cost) best.set(p.place, p);
  }
  return [...best.values()].sort((a, b) => a.cost - b.cost || a.start - b.start);
}

/** A day that takes the session nowhere for want of a slot, and not for safety. */
const lacksSlot = (board: Board, date: string): boolean =>
  board.closed.some((c) => c.date === date && c.block.rule === "M1");

/** Why a day takes the session nowhere. */
export function closedBecause(board: Board, date: string): string {
  const whole = board.closed.find((c) => c.date === date)?.block;
  const part = board.places.find((p) => p.date === date && p.blocked)?.blocked;
  return (whole ?? part)?.text ?? "No free time slot on this day.";
}

interface DayProps {
  date: string;
  board: Board;
  session: PlannedSessionView;
  onMove: (p: BoardPlace) => void;
  /** What can be done about a day without a slot. */
  children: ReactNode;
}

function Day({ date, board, session: s, onMove, children }: DayProps) {
  const places = bestOf(board, date);
  return (
    <li className="border-b border-hair2 py-1.5 last:border-b-0">
      {places.map((p) => {
        const more = Math.round(p.cost - board.cost);
        const here = p.date === s.date && p.start === s.start && p.place === s.place;
        const costly = [...p.costs].sort((a, b) => b.points - a.points)[0];
        return (
          <button
            key={p.place}
            type="button"
            disabled={here}
            onClick={() => onMove(p)}
            className="flex min-h-11 w-full flex-col justify-center rounded-[3px] px-2 py-1 text-left enabled:hover:bg-iron-l"
          >
            <span className="flex w-full items-baseline gap-2">
              <b className="font-semibold">{day(date)}</b> {time(p.start)}
              <span className="min-w-0 flex-1 truncate text-ink2">{placeName(p.place)}</span>
              <span className="num whitespace-nowrap">
                {here
                  ? "now"
                  : more === 0
                    ? "no more"
                    : more > 0
                      ? counted(more, "point more", "points more")
                      : counted(-more, "point less", "points less")}
              </span>
            </span>
            {costly && more > 0 && !here && <span className="text-label text-ink2">{costly.text}</span>}
          </button>
        );
      })}
      {places.length === 0 && (
        <p className="px-2 py-1 text-ink2">
          <b className="font-semibold">{day(date)}</b>. Not possible: {closedBecause(board, date)}
        </p>
      )}
      {children}
    </li>
  );
}
