/** What a coach does to a week, each with words for the message and for undo. Anything can be undone, also after a reload. */
import type { RoomView, WeekView } from "../../api/views";
import type { Away, Label, LockedSession, WeekChange } from "../../core/athlete";
import { timeOf } from "../../core/dates";
import { asLocked } from "../../core/week";
import { useCopyWeek, useEdits, useMoveEndurance, useWeekChanges } from "../data/board";
import { useFit, useHold, useLock, useUnlock } from "../data/hooks";
import { day, time } from "../format";
import { tellFault } from "../ui/tell";
import { useUndo } from "../ui/undo";
import type { DragEnd } from "./useWeekDrag";
import { placedOf } from "./useWeekDrag";

export const REASONS = ["tired", "no time", "sore", "away", "more endurance instead"] as const;

export function useWeekActions(id: string, view: WeekView) {
  const fit = useFit(id);
  const hold = useHold(id);
  const lock = useLock(id);
  const unlock = useUnlock(id);
  const changes = useWeekChanges(id);
  const move = useMoveEndurance(id);
  const copy = useCopyWeek(id);
  const edits = useEdits(id);

  const failed = (e: Error) => tellFault(e.message);
  const { undo, redo, said } = useUndo(id);
  const holdAs = (sessions: LockedSession[], what: string) =>
    hold.mutateAsync({ monday: view.monday, sessions, what }).then(() => said(`${what}.`), failed);
  const asHeld = (list = placedOf(view)): LockedSession[] => list.map(asLocked);
  const change = (
    what: string,
    add: { changes?: WeekChange[]; away?: Away[] },
    drop: { changes?: WeekChange[]; away?: Away[] } = {},
    free = true,
  ) =>
    changes
      .mutateAsync({ what, add, drop, ...(free ? { free: view.monday } : {}) })
      .then(() => said(free ? `${what}. The other sessions are placed again.` : `${what}.`), failed);

  return {
    edits: edits.data ?? null,
    busy: fit.isPending,
    undo,
    redo,
    fit: () =>
      fit.mutate(view.monday, {
        onSuccess: (w) =>
          said(`Sessions placed: disturbance ${w.fit.cost}, best of ${w.fit.weighed.toLocaleString("en-GB")} options.`),
        onError: failed,
      }),
    take: (at: number) => {
      const alternative = view.fit.alternatives[at];
      if (alternative)
        void holdAs(asHeld(alternative.sessions), `Alternative applied, disturbance ${alternative.cost}`);
    },
    drop: ({ dragged, date, start }: DragEnd, place: string | null): Promise<unknown> => {
      if (dragged.kind === "endurance")
        return move
          .mutateAsync({ row: dragged.row, date, start: timeOf(start) })
          .then(() => said(`Moved to ${day(date)} ${time(start)}; sessions placed again.`), failed);
      if (place === null) return Promise.resolve();
      const others = placedOf(view).filter((p) => p.label !== dragged.label);
      const next = [...others, { label: dragged.label, date, start, place }];
      return holdAs(asHeld(next), `${dragged.label} moved to ${day(date)} ${time(start)}`);
    },
    /** Two sessions change places. */
    swap: (a: Label, b: Label) => {
      const other = (l: Label): Label => (l === a ? b : l === b ? a : l);
      void holdAs(asHeld(placedOf(view).map((p) => ({ ...p, label: other(p.label) }))), `${a} and ${b} swapped`);
    },
    skip: (label: Label, reason: string) =>
      change(
        `${label} skipped (${reason})`,
        { changes: [{ kind: "skip", week: view.monday, label, reason }] },
        {},
        false,
      ),
    missed: (label: Label, date: string) =>
      change(`${label} missed on ${day(date)}`, { changes: [{ kind: "missed", date, label }] }),
    /** Takes one change of this week back. */
    takeBack: (c: WeekChange, what: string) => change(`${what} taken back`, {}, { changes: [c] }),
    takeAwayBack: (a: Away) => change(`${a.kind} taken back`, {}, { away: [a] }),
    disrupt: (what: string, add: { changes?: WeekChange[]; away?: Away[] }) => change(what, add),
    /** Free time for this week alone; what stands stays where it is. */
    addSlot: (slot: Extract<WeekChange, { kind: "window" }>) =>
      change(`Free time slot on ${day(slot.date)} ${slot.start}, ${slot.minutes} min`, { changes: [slot] }, {}, false),
    makeRoom: (r: RoomView) => {
      if (r.fix.kind === "change") return change(r.text.replace(/\.$/, ""), { changes: [r.fix.change] });
      const { row, date, start } = r.fix;
      return move.mutateAsync({ row, date, start }).then(() => said(r.text), failed);
    },
    copyLast: () => copy.mutate(view.monday, { onSuccess: () => said("Last week's days copied."), onError: failed }),
    toggleLock: (s: WeekView["sessions"][number] | undefined) => {
      if (!s || s.done) return;
      if (s.locked)
        unlock.mutate(
          { date: s.date, label: s.label },
          { onSuccess: () => said(`Session ${s.label} unlocked.`), onError: failed },
        );
      else
        lock.mutate(asLocked(s), {
          onSuccess: () => said(`Session ${s.label} stays on ${day(s.date)}.`),
          onError: failed,
        });
    },
    lockAll: async () => {
      for (const s of view.sessions.filter((x) => !x.done && !x.locked))
        await lock.mutateAsync(asLocked(s)).catch(failed);
    },
  };
}
export type WeekActions = ReturnType<typeof useWeekActions>;
