/** Days on which the coach is away: a list, and a line to add one. */
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { AbsenceBody } from "../../api/requests";
import type { CalendarView, CoachAbsence } from "../../api/views";
import { del, post } from "../data/api";
import { CALENDAR_KEY, renew } from "../data/hooks";
import { markSaved } from "../data/saved";
import { span } from "../format";
import { DateField } from "../ui/DateField";
import { ICON } from "../ui/glyphs";
import { tellUndo } from "../ui/tell";

export function Absences({ view }: { view: CalendarView }) {
  const client = useQueryClient();
  const done = () => {
    markSaved();
    return renew(client, CALENDAR_KEY);
  };
  const add = useMutation({
    mutationFn: (a: AbsenceBody) => post<{ id: string }>("/calendar/absences", a),
    onSuccess: done,
  });
  const remove = useMutation({ mutationFn: (a: CoachAbsence) => del(`/calendar/absences/${a.id}`), onSuccess: done });
  const [what, setWhat] = useState("");
  const [start, setStart] = useState("");
  const [end, setEnd] = useState("");
  return (
    <div className="sec">
      <h2 className="sec-h">My absences</h2>
      <ul>
        {view.absences.map((a) => (
          <li key={a.id} className="flex items-center gap-2 border-t border-hair2 py-1 first:border-t-0">
            <span className="min-w-0 flex-1 text-label leading-4">
              <b className="font-semibold">{span(a.start, a.end)}</b> {a.what}
            </span>
            <button
              type="button"
              className="btn btn-sm btn-sq"
              aria-label={`Remove ${a.what}`}
              onClick={() =>
                remove.mutate(a, {
                  onSuccess: () =>
                    tellUndo(`${a.what} removed.`, () => add.mutate({ start: a.start, end: a.end, what: a.what })),
                })
              }
            >
              {ICON.close}
            </button>
          </li>
        ))}
      </ul>
      <form
        className="mt-2 space-y-1"
        onSubmit={(e) => {
          e.preventDefault();
          add.mutate(
            { start, end: end || start, what: what.trim() },
            {
              onSuccess: () => {
                setWhat("");
                setStart("");
                setEnd("");
              },
            },
          );
        }}
      >
        <input
          className="input"
          aria-label="What takes you away"
          placeholder="Course, holiday, another club"
          value={what}
          onChange={(e) => setWhat(e.target.value)}
        />
        <div className="flex gap-1">
          <DateField name="First day" value={start} onChange={setStart} />
          <DateField name="Last day" value={end} min={start} onChange={setEnd} />
        </div>
        <button type="submit" className="btn btn-sm" disabled={what.trim() === "" || start === "" || add.isPending}>
          {ICON.plus} Absence
        </button>
        {add.isError && (
          <p role="alert" className="text-label text-brick-ink">
            {add.error.message}
          </p>
        )}
      </form>
    </div>
  );
}
