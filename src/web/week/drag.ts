/** What is dragged on the week board, and where it would be put down. Pure but for its listeners; the section is not drawn again by it. */
import type { HTMLAttributes, SVGAttributes } from "react";
import type { WeekView } from "../../api/views";
import type { Label } from "../../core/athlete";
import { addDays } from "../../core/dates";
import type { Board, BoardPlace } from "../../core/planning";
import type { Cost } from "../../core/week";

export type Dragged =
  | { kind: "session"; label: Label }
  | { kind: "endurance"; row: string; minutes: number; from: { date: string; start: number } };

/** What starts a drag: the pointer's and the keyboard's ways. */
export type DragStart = (dragged: Dragged) => SVGAttributes<SVGGElement> & HTMLAttributes<HTMLButtonElement>;

/** Where it would be put down; `start` is null on a day without a place for it. */
export interface Target {
  date: string;
  start: number | null;
}

export interface DragState {
  dragged: Dragged | null;
  by: "pointer" | "keys";
  target: Target | null;
  /** Of a session that is dragged, once the worker has weighed it. */
  board: Board | null;
  /** Of an endurance session that is dragged: the week that would follow, and for which target. */
  trial: { target: Target; view: WeekView | null } | null;
  /** Put down; being stored. */
  saving: boolean;
}

export const EMPTY_HAND: DragState = {
  dragged: null,
  by: "pointer",
  target: null,
  board: null,
  trial: null,
  saving: false,
};

/** A store of one value, so that only what listens is drawn again. */
export function dragStore() {
  let state = EMPTY_HAND;
  const listeners = new Set<() => void>();
  return {
    get: () => state,
    set: (change: Partial<DragState>) => {
      state = { ...state, ...change };
      for (const l of listeners) l();
    },
    subscribe: (l: () => void) => {
      listeners.add(l);
      return () => {
        listeners.delete(l);
      };
    },
  };
}
export type DragStore = ReturnType<typeof dragStore>;

export const sameTarget = (a: Target | null, b: Target | null): boolean => a?.date === b?.date && a?.start === b?.start;

/** Hours between which an endurance session may be put by hand, minutes after midnight. */
export const DAYTIME = { from: 4 * 60, to: 23 * 60, step: 15 };

/** @param minute minutes after midnight under the pointer, the middle of what is dragged */
export function targetAt(state: DragState, date: string, minute: number): Target {
  const { dragged, board } = state;
  if (dragged?.kind === "endurance") {
    const start = Math.round((minute - dragged.minutes / 2) / DAYTIME.step) * DAYTIME.step;
    return { date, start: Math.max(DAYTIME.from, Math.min(DAYTIME.to - dragged.minutes, start)) };
  }
  const there = board?.places.filter((p) => p.date === date) ?? [];
  let best: BoardPlace | null = null;
  for (const p of there)
    if (!best || Math.abs(p.start + p.minutes / 2 - minute) < Math.abs(best.start + best.minutes / 2 - minute))
      best = p;
  return { date, start: best?.start ?? null };
}

/** The target one step on by key: left and right by day, up and down by a quarter of an hour. */
export function targetBy(state: DragState, key: string, monday: string): Target | null {
  const { dragged, board, target } = state;
  if (!target || !dragged) return null;
  const days = key === "ArrowLeft" ? -1 : key === "ArrowRight" ? 1 : 0;
  if (days !== 0) {
    const date = addDays(target.date, days);
    if (date < monday || date > addDays(monday, 6)) return target;
    if (dragged.kind === "endurance") return { date, start: target.start };
    // The cheapest hour of the day that is allowed, else the one nearest to the hour it is dragged to.
    const open = board?.places.filter((p) => p.date === date && !p.blocked) ?? [];
    const cheapest = open.reduce<BoardPlace | null>((a, p) => (a === null || p.cost < a.cost ? p : a), null);
    return cheapest ? { date, start: cheapest.start } : targetAt(state, date, target.start ?? 18 * 60);
  }
  const by = key === "ArrowUp" ? -1 : key === "ArrowDown" ? 1 : 0;
  if (by === 0 || target.start === null) return target;
  if (dragged.kind === "endurance")
    return targetAt(state, target.date, target.start + by * DAYTIME.step + dragged.minutes / 2);
  const there = board?.places.filter((p) => p.date === target.date) ?? [];
  const at = there.findIndex((p) => p.start === target.start);
  return { date: target.date, start: there[at + by]?.start ?? target.start };
}

/** @returns the place under the target, where the worker has weighed it */
export const placeAt = (board: Board | null, target: Target | null): BoardPlace | null =>
  board?.places.find((p) => p.date === target?.date && p.start === target?.start) ?? null;

/** What changes from one list of costs to another, the dearest first. */
export function costChange(before: readonly Cost[], after: readonly Cost[]): { more: Cost[]; less: Cost[] } {
  const left = [...before];
  const more: Cost[] = [];
  for (const c of after) {
    const at = left.findIndex((b) => b.rule === c.rule && b.text === c.text && b.points === c.points);
    if (at >= 0) left.splice(at, 1);
    else more.push(c);
  }
  const dear = (a: Cost, b: Cost) => b.points - a.points;
  return { more: more.sort(dear), less: left.sort(dear) };
}

/** Such as "cost 7, 6 more". */
export const costWords = (cost: number, before: number): string =>
  `disturbance ${cost}, ${cost === before ? "the same" : cost > before ? `${cost - before} more` : `${before - cost} less`}`;
