/** A session without a place: which rule keeps it out, and the nearest changes that would make room, worked out. */
import type { WeekView } from "../../api/views";
import { useRoom } from "../data/board";
import { day, time } from "../format";
import { WarnIcon } from "../ui/glyphs";
import type { WeekActions } from "./useWeekActions";

export function Room({
  id,
  view,
  unplaced: u,
  actions,
}: {
  id: string;
  view: WeekView;
  unplaced: WeekView["fit"]["unplaced"][number];
  actions: WeekActions;
}) {
  const room = useRoom(id, view.monday, u.label);
  return (
    <section className="sec" aria-label={`Session ${u.label} is not placed`}>
      <p className="flex gap-1.5 text-label leading-4 text-brick-ink">
        <WarnIcon />
        <span>
          <b>Session {u.label} is not placed.</b> {u.why}
        </span>
      </p>
      <h3 className="mt-2 text-label leading-4 font-semibold">The nearest changes that make room</h3>
      {room.isPending && <p className="text-label text-ink2">Looking for changes…</p>}
      {room.isError && <p className="text-label text-brick-ink">{room.error.message}</p>}
      {room.data?.length === 0 && (
        <p className="text-label leading-4 text-ink2">
          No single change of a free time slot, a length or a key session makes room this week. Skip it, or change two
          things.
        </p>
      )}
      <ul>
        {room.data?.map((r) => (
          <li key={r.text} className="border-t border-hair2 py-2 first:border-t-0">
            <p className="text-label leading-4">{r.text}</p>
            <div className="mt-1 flex items-center gap-2">
              <button type="button" className="btn btn-sm" onClick={() => void actions.makeRoom(r)}>
                Make this change
              </button>
              <span className="text-label text-ink2">
                {u.label} {day(r.placed.date)} {time(r.placed.start)}, disturbance {r.cost}
              </span>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
