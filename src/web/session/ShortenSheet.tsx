/** A session made shorter: what goes, what is done less and what stays are shown before it is taken. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { ShorterView } from "../../api/views";
import type { Label } from "../../core/athlete";
import { mondayOf } from "../../core/dates";
import { get } from "../data/api";
import { useWeekChanges } from "../data/board";
import { counted, day, setsByReps, time } from "../format";
import { Segments } from "../ui/Segments";
import { Sheet } from "../ui/Sheet";
import { Failed, LoadingNote } from "../ui/State";
import { tellFault } from "../ui/tell";
import { useUndo } from "../ui/undo";
import { lessText } from "./loss";

const LENGTHS = [20, 30, 45, 60] as const;
export const lengthsBelow = (minutes: number): number[] => LENGTHS.filter((m) => m < minutes);

interface Props {
  id: string;
  session: { date: string; label: Label; start: number; minutes: number };
  /** The length looked at first, min. */
  to?: number;
  onClose: () => void;
}

export function ShortenSheet({ id, session: s, to, onClose }: Props) {
  const lengths = lengthsBelow(s.minutes);
  const [minutes, setMinutes] = useState(to ?? lengths.at(-1) ?? LENGTHS[0]);
  const changes = useWeekChanges(id);
  const { said } = useUndo(id);
  const shorter = useQuery({
    queryKey: ["a", id, "shorter", s.date, s.label, minutes],
    queryFn: () => get<ShorterView>(`/athletes/${id}/sessions/${s.date}/${s.label}/shorter/${minutes}`),
    placeholderData: keepPreviousData,
  });
  const week = mondayOf(s.date);
  const take = () =>
    changes.mutate(
      {
        what: `${s.label} shortened to ${minutes} min`,
        add: { changes: [{ kind: "shorten", week, label: s.label, minutes }] },
      },
      {
        onSuccess: () => {
          said(`${s.label} shortened to ${minutes} min.`);
          onClose();
        },
        onError: (e) => tellFault(`Not saved: ${e.message}`),
      },
    );
  return (
    <Sheet open onClose={onClose} title={`Shorten session ${s.label} of ${day(s.date)}`}>
      <div className="flex items-center gap-3">
        <span className="text-ink2">To</span>
        <Segments
          name="Minutes"
          options={lengths.map((m) => [String(m), `${m} min`] as const)}
          value={String(minutes)}
          onChange={(m) => setMinutes(Number(m))}
        />
      </div>
      <div className="mt-3 min-h-40" aria-live="polite" aria-busy={shorter.isFetching}>
        {shorter.isPending ? (
          <LoadingNote what="what would go" />
        ) : shorter.isError ? (
          <Failed error={shorter.error} retry={() => shorter.refetch()} what="What would go" />
        ) : (
          <div className={shorter.isPlaceholderData ? "opacity-50" : ""}>
            <Loss view={shorter.data} from={s} />
          </div>
        )}
      </div>
      <div className="mt-4 flex justify-end gap-2">
        <button type="button" className="btn" onClick={onClose}>
          Leave it
        </button>
        <button
          type="button"
          className="btn btn-pri"
          disabled={!shorter.data || shorter.isPlaceholderData || changes.isPending}
          onClick={take}
        >
          Shorten to {minutes} min
        </button>
      </div>
    </Sheet>
  );
}

function Loss({ view, from }: { view: ShorterView; from: Props["session"] }) {
  const moved = view.date !== from.date || view.start !== from.start;
  return (
    <>
      <p className="num">
        {from.minutes} min now, then {view.minutes} min.
      </p>
      {moved && (
        <p className="mt-1 text-brick-ink">
          The planner would place it on {day(view.date)} {time(view.start)}; lock it first if it should stay.
        </p>
      )}
      <Part title="Goes" list={view.gone.map((g) => [g.name, setsByReps(g.before)])} />
      <Part title="Less of" list={view.less.map((l) => [l.name, lessText(l)])} />
      <Part title="Comes instead" list={view.instead.map((i) => [i.name, setsByReps(i.after)])} />
      <p className="mt-3 text-ink2">
        {view.kept === 0
          ? "Nothing stays as it is."
          : `${counted(view.kept, "exercise")} as before. What goes is carried over to later sessions where they have room.`}
      </p>
    </>
  );
}

function Part({ title, list }: { title: string; list: [string, string][] }) {
  if (list.length === 0) return null;
  return (
    <section className="mt-3">
      <h3 className="sec-h">{title}</h3>
      <ul>
        {list.map(([name, dose]) => (
          <li key={name} className="flex justify-between gap-3 border-t border-hair2 py-1">
            <span>{name}</span>
            <span className="num flex-none text-ink2">{dose}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
