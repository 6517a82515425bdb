/** What needs the coach, by urgency: each grade has a shape and a word of its own; what was seen waits until its day. */

import type { AttentionView, SquadRow, Urgency } from "../../api/views";
import { addDays, mondayOf } from "../../core/dates";
import { useSeen } from "../data/hooks";
import { counted, day } from "../format";
import { Asked } from "../ui/Asked";
import { tellFault, tellUndo } from "../ui/tell";

export const URGENCY_WORDS: Record<Urgency, string> = { today: "Today", week: "This week", soon: "Soon" };

/** A filled triangle, a diamond, a ring. */
export function UrgencyMark({ of }: { of: Urgency }) {
  return (
    <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true" className="flex-none">
      {of === "today" && <path d="M7 1l6 11.500H1z" fill="var(--color-brick-ink)" />}
      {of === "week" && (
        <path d="M7 1.500L12.500 7 7 12.500 1.500 7z" fill="none" stroke="var(--color-brick-ink)" strokeWidth="1.600" />
      )}
      {of === "soon" && <circle cx="7" cy="7" r="4" fill="none" stroke="var(--color-ink2)" strokeWidth="1.500" />}
    </svg>
  );
}

/** Until when a point that was seen is out of the way: one for today until tomorrow, others until Monday. */
export const seenUntil = (a: Pick<AttentionView, "urgency">, today: string): string =>
  a.urgency === "today" ? addDays(today, 1) : addDays(mondayOf(today), 7);

export const openNeeds = (row: Pick<SquadRow, "attention">): AttentionView[] =>
  row.attention.filter((a) => a.seenUntil === null);

/** @param most points shown; the others are one action away */
export function Needs({ row, today, most }: { row: SquadRow; today: string; most: number }) {
  const seen = useSeen();
  const open = openNeeds(row);
  const away = row.attention.length - open.length;
  const put = (a: AttentionView, until: string | null) =>
    seen.mutate({ id: row.id, key: a.key, until }, { onError: (e) => tellFault(e.message) });
  const putOff = (a: AttentionView) => {
    const until = seenUntil(a, today);
    put(a, until);
    tellUndo(`Seen; back on ${day(until)}.`, () => put(a, null));
  };
  return (
    <div className="flex flex-col gap-1">
      {open.slice(0, most).map((a) => (
        <span key={a.key} className="flex items-start gap-1.5">
          <span className="mt-[3px]">
            <UrgencyMark of={a.urgency} />
          </span>
          <span className="min-w-0 flex-1">
            <b className="mr-1 text-label font-semibold">{URGENCY_WORDS[a.urgency]}:</b>
            <Asked reasons={[a]} className="inline text-left max-[700px]:inline-block max-[700px]:min-h-6">
              {a.text}
            </Asked>
          </span>
          <button
            type="button"
            className="btn btn-sm flex-none self-center"
            aria-label={`Seen: ${a.text} Back on ${day(seenUntil(a, today))}`}
            title={`Seen; back on ${day(seenUntil(a, today))}`}
            onClick={() => putOff(a)}
          >
            Seen
          </button>
        </span>
      ))}
      {open.length > most && (
        <Asked reasons={open.slice(most)} className="block min-h-6 pl-5 text-left text-label leading-4 text-ink2">
          and {open.length - most} more
        </Asked>
      )}
      {open.length === 0 && (
        <span className="text-ink2">{away > 0 ? `Nothing; ${counted(away, "point")} seen` : "Nothing"}</span>
      )}
    </div>
  );
}
