/** Dragging a session on the week section: mouse, touch, and keys. The worker weighs; the main thread only draws a ghost. */

import { type KeyboardEvent, type PointerEvent, type RefObject, useEffect, useMemo } from "react";
import type { WeekView } from "../../api/views";
import type { Label } from "../../core/athlete";
import { addDays, laterOf, MINUTES_A_DAY } from "../../core/dates";
import type { Placed } from "../../core/week";
import type { Weigher } from "../data/board";
import type { WeekLayout } from "../section/layout/week";
import { useLatest } from "../ui/latest";
import type { DragStart } from "./drag";
import {
  type Dragged,
  type DragStore,
  dragStore,
  EMPTY_HAND,
  placeAt,
  sameTarget,
  type Target,
  targetAt,
  targetBy,
} from "./drag";

/** Pixels the pointer may stray before a press becomes a drag. */
const STILL = 4;

export interface DragEnd {
  dragged: Dragged;
  date: string;
  start: number;
}

interface Given {
  layout: WeekLayout | null;
  view: WeekView;
  weigher: Weigher;
  /** A locked session was reached for. */
  onLocked: (label: string) => void;
  /** Put down on a day that has no place for it. */
  onNowhere: (label: Label, date: string) => void;
  /** Put down on an allowed place other than its own; ends once it is stored. */
  onDrop: (end: DragEnd) => Promise<unknown>;
}

/** Where the dragged session stands now. */
function placeOf(view: WeekView, dragged: Dragged): Target {
  if (dragged.kind === "endurance") return dragged.from;
  const s = view.sessions.find((x) => x.label === dragged.label && !x.done);
  const start = s ? s.start : null;
  return { date: s?.date ?? laterOf(view.today, view.monday), start };
}

/** The sessions that may still be moved, as the worker takes them. */
export const placedOf = (view: WeekView): Placed[] =>
  view.sessions
    .filter((s) => !s.done && s.date >= view.monday)
    .map((s) => ({ label: s.label, date: s.date, start: s.start, place: s.place }));

export function useWeekDrag(given: Given): { store: DragStore; drag: DragStart } {
  const store = useMemo(dragStore, []);
  const now = useLatest(given);
  const { monday } = given.view;
  useEffect(() => store.set(EMPTY_HAND), [monday, store]);

  const drag = useMemo(() => startsOf(store, now, handOf(store, now)), [store]);
  return { store, drag };
}

type Now = RefObject<Given>;
type Hand = ReturnType<typeof handOf>;

/** What is picked up, and what becomes of it: taken, aimed, put down. The worker weighs the places meanwhile. */
function handOf(store: DragStore, now: Now) {
  let weighing = false;
  /** Where the pointer last was, and what was asked for before the worker had weighed the places. */
  let pointer: number | null = null;
  let waiting: (() => void)[] = [];

  /** Drags are quicker than the worker: what needs the places is done once they are there, in the order it was asked for. */
  const onceWeighed = (act: () => void) => {
    const { dragged, board } = store.get();
    if (dragged?.kind === "session" && !board) waiting.push(act);
    else act();
  };

  /** One question at a time; whatever was pointed at meanwhile but the last is passed over. */
  const tryEndurance = async () => {
    if (weighing) return;
    weighing = true;
    try {
      for (;;) {
        const { dragged, target, trial } = store.get();
        if (dragged?.kind !== "endurance" || !target || target.start === null) return;
        if (trial && sameTarget(trial.target, target)) return;
        const view = await now.current.weigher.moveEndurance(dragged.row, { date: target.date, start: target.start });
        if (store.get().dragged !== dragged) return;
        store.set({ trial: { target, view } });
      }
    } finally {
      weighing = false;
    }
  };
  const take = (dragged: Dragged, by: "pointer" | "keys"): boolean => {
    const { view, weigher, onLocked } = now.current;
    if (store.get().saving) return false;
    if (dragged.kind === "session" && view.sessions.some((s) => s.label === dragged.label && s.locked)) {
      onLocked(dragged.label);
      return false;
    }
    pointer = null;
    waiting = [];
    store.set({ ...EMPTY_HAND, dragged, by, target: placeOf(view, dragged) });
    if (dragged.kind === "session")
      void weigher.weigh(placedOf(view), dragged.label).then(
        (board) => {
          if (store.get().dragged !== dragged) return;
          store.set({ board });
          if (pointer !== null) aim(underPointer(pointer));
          for (const act of waiting.splice(0)) act();
        },
        () => {
          if (store.get().dragged === dragged) store.set(EMPTY_HAND);
        },
      );
    return true;
  };
  const put = async () => {
    const { dragged, target, board } = store.get();
    if (!dragged || !target || target.start === null) {
      store.set(EMPTY_HAND);
      if (dragged?.kind === "session" && board && target) now.current.onNowhere(dragged.label, target.date);
      return;
    }
    const from = placeOf(now.current.view, dragged);
    const place = dragged.kind === "session" ? placeAt(board, target) : null;
    if (sameTarget(from, target) || (dragged.kind === "session" && (!place || place.blocked)))
      return store.set(EMPTY_HAND);
    store.set({ saving: true });
    try {
      await now.current.onDrop({ dragged, date: target.date, start: target.start });
    } finally {
      store.set(EMPTY_HAND);
    }
  };
  const aim = (target: Target | null) => {
    if (!target || sameTarget(store.get().target, target)) return;
    store.set({ target });
    void tryEndurance();
  };
  const underPointer = (x: number): Target | null => {
    const l = now.current.layout;
    if (!l) return null;
    const along = Math.max(0, Math.min(7 - 1e-6, (x - l.x0) / l.dayWidth));
    const date = addDays(now.current.view.monday, Math.floor(along));
    return targetAt(store.get(), date, (along % 1) * MINUTES_A_DAY);
  };
  return {
    take,
    put: () => onceWeighed(() => void put()),
    /** @param x of the pointer, in the drawing */
    aimAt: (x: number) => {
      pointer = x;
      aim(underPointer(x));
    },
    step: (key: string) => onceWeighed(() => aim(targetBy(store.get(), key, now.current.view.monday))),
  };
}

/** The pointer's and the keyboard's ways to it. */
function startsOf(store: DragStore, now: Now, hand: Hand): DragStart {
  let press: { x: number; shift: number; left: number; moved: boolean; dragged: Dragged } | null = null;
  let swallow = false;
  return (dragged) => ({
    onPointerDown: (e: PointerEvent<Element>) => {
      if (e.button !== 0) return;
      const svg = (e.currentTarget as SVGElement).ownerSVGElement;
      const left = svg?.getBoundingClientRect().left ?? 0;
      e.currentTarget.setPointerCapture(e.pointerId);
      const l = now.current.layout;
      const from = placeOf(now.current.view, dragged);
      const minutes =
        dragged.kind === "endurance"
          ? dragged.minutes
          : (now.current.view.sessions.find((s) => s.label === dragged.label)?.minutes ?? 60);
      const day = l?.days.find((d) => d.date === from.date);
      const middle =
        day && l ? day.x0 + (((from.start ?? 0) + minutes / 2) / MINUTES_A_DAY) * l.dayWidth : e.clientX - left;
      press = { x: e.clientX, shift: middle - (e.clientX - left), left, moved: false, dragged };
    },
    onPointerMove: (e: PointerEvent<Element>) => {
      if (!press) return;
      if (!press.moved) {
        if (Math.abs(e.clientX - press.x) < STILL) return;
        if (!hand.take(press.dragged, "pointer")) {
          press = null;
          return;
        }
        press.moved = true;
        swallow = true;
      }
      hand.aimAt(e.clientX - press.left + press.shift);
    },
    onPointerUp: () => {
      const moved = press?.moved ?? false;
      press = null;
      if (moved) hand.put();
    },
    onPointerCancel: () => {
      press = null;
      store.set(EMPTY_HAND);
    },
    onClickCapture: (e) => {
      if (!swallow) return;
      swallow = false;
      e.stopPropagation();
      e.preventDefault();
    },
    onKeyDown: (e: KeyboardEvent<Element>) => {
      const held = store.get().dragged;
      if (press?.moved && e.key === "Escape") {
        // Given back in the middle of a drag.
        press = null;
        store.set(EMPTY_HAND);
        e.stopPropagation();
        return;
      }
      const mine = held !== null && store.get().by === "keys";
      if (!mine && e.key !== " ") return;
      if (!mine) hand.take(dragged, "keys");
      else if (e.key === "Escape") store.set(EMPTY_HAND);
      else if (e.key === "Enter" || e.key === " ") hand.put();
      else if (e.key.startsWith("Arrow")) hand.step(e.key);
      else return;
      e.preventDefault();
      e.stopPropagation();
    },
    onBlur: () => {
      if (store.get().by === "keys" && !store.get().saving) store.set(EMPTY_HAND);
    },
  });
}
