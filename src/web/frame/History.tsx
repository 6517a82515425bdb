/** What was changed of the athlete at hand, by day and time, newest first; each change can be taken back, also long after it. */
import { format } from "date-fns";
import { enGB } from "date-fns/locale/en-GB";
import type { HistoryView } from "../../api/views";
import { useHistory } from "../data/board";
import { Sheet } from "../ui/Sheet";
import { Failed, LoadingNote } from "../ui/State";
import { useUndo } from "../ui/undo";

interface Props {
  id: string;
  name: string;
  onClose: () => void;
}

const dayOf = (at: string) => format(new Date(at), "EEEE d MMMM", { locale: enGB });
const hourOf = (at: string) => format(new Date(at), "HH:mm");

export default function History({ id, name, onClose }: Props) {
  const history = useHistory(id);
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Changes of ${name}`}
      note="The last 200 changes. One can be undone while nothing later has touched the same thing; undo the later one first, then."
      width={520}
    >
      {history.isPending ? (
        <LoadingNote what="the changes" />
      ) : history.isError ? (
        <Failed error={history.error} retry={() => history.refetch()} what="The changes" />
      ) : history.data.length === 0 ? (
        <p className="text-ink2">Nothing has been changed yet.</p>
      ) : (
        <Days id={id} list={history.data} />
      )}
    </Sheet>
  );
}

function Days({ id, list }: { id: string; list: HistoryView }) {
  const { go, busy } = useUndo(id);
  const days = new Map<string, HistoryView>();
  for (const e of list) days.set(dayOf(e.at), [...(days.get(dayOf(e.at)) ?? []), e]);
  return [...days].map(([day, entries]) => (
    <section key={day} aria-label={day} className="mb-3 last:mb-0">
      <h3 className="sec-h">{day}</h3>
      <ul className="-mx-1">
        {entries.map((e) => (
          <li
            key={e.seq}
            className="flex min-h-9 items-center gap-3 border-t border-hair2 px-1 py-1 max-[700px]:min-h-12"
          >
            <span className="num flex-none text-ink2">{hourOf(e.at)}</span>
            <span className={`min-w-0 flex-1 ${e.undone ? "text-ink2 line-through" : ""}`}>{e.what}</span>
            <button
              type="button"
              className="btn btn-sm flex-none max-[700px]:min-h-11"
              disabled={busy}
              aria-label={`${e.undone ? "Do again" : "Undo"}: ${e.what}, ${hourOf(e.at)}`}
              onClick={() => go(e.undone ? "redo" : "undo", e.seq)}
            >
              {e.undone ? "Do again" : "Undo"}
            </button>
          </li>
        ))}
      </ul>
    </section>
  ));
}
