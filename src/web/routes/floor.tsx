/** Floor: the session at the rack, on a phone. One tap logs a set as prescribed. */
import { lazy, Suspense, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import type { SessionView } from "../../api/views";
import { useSession, useSquad } from "../data/hooks";
import { useMay } from "../data/session";
import { Exercise } from "../floor/Exercise";
import { Finish } from "../floor/Finish";
import {
  doneRows,
  emptyLog,
  isFinished,
  nextItem,
  type SetEntry,
  sidesOf,
  withFelt,
  withoutLast,
  withPain,
  withSet,
} from "../floor/progress";
import { type Sent, useLog } from "../floor/useLog";
import { useRest, useWakeLock } from "../floor/useRest";
import { day, sessionName, type Units } from "../format";
import { ICON, WarnIcon } from "../ui/glyphs";
import { Failed, LoadingNote } from "../ui/State";
import { Told } from "../ui/Told";

// Read in when somebody checks in: the sets stand before it.
const Before = lazy(() => import("../floor/Before"));

export default function FloorRoute() {
  const { id = "", date = "", label = "" } = useParams();
  const session = useSession(id, date, label);
  const squad = useSquad();
  const [entering, setEntering] = useState("");
  if (session.isPending || squad.isPending) return <LoadingNote what="the session" />;
  if (session.isError) return <Failed error={session.error} retry={() => session.refetch()} what="This session" />;
  const row = squad.data?.rows.find((r) => r.id === id);
  const units: Units = { massUnit: row?.massUnit ?? "kg", distanceUnit: row?.distanceUnit ?? "km" };
  const { date: stands, today, log } = session.data;
  // Neither a day to come nor a past that is logged is lifted here; a past session that is being entered now goes on.
  const key = `${id}${date}${label}`;
  const mayEnter = stands <= today && !(stands < today && log);
  if (mayEnter && entering !== key) setEntering(key);
  if (!mayEnter && entering !== key)
    return (
      <main className="mx-auto max-w-[430px] p-6 text-lead">
        <h1 className="mb-2 text-figure font-semibold">{stands > today ? "Not yet" : "Logged"}</h1>
        <p className="mb-4">
          {stands > today
            ? `This session stands on ${day(stands)}. Logging opens on that day.`
            : `This session was lifted on ${day(stands)} and stays as it was logged.`}
        </p>
        <Link className="btn" to={`/a/${id}/session/${date}/${label}`}>
          Back to the sheet
        </Link>
      </main>
    );
  return <Floor key={`${date}${label}`} id={id} view={session.data} name={row?.name ?? ""} units={units} />;
}

const nowText = () => new Date().toTimeString().slice(0, 5);

function Floor({ id, view: now, name, units }: { id: string; view: SessionView; name: string; units: Units }) {
  const navigate = useNavigate();
  // A past session is entered against what was planned for it, which a log of its own would hide.
  const [first] = useState(now);
  const view = now.date < now.today ? first : now;
  const [initial] = useState(() => emptyLog(view, nowText()));
  const { log, change, sent, refused } = useLog(id, initial, view.log);
  const [picked, setPicked] = useState<number | null>(null);
  const [rest, beginRest, endRest] = useRest();
  useWakeLock();
  const [ending, setEnding] = useState(false);
  const [asking, setAsking] = useState(false);
  const [began] = useState(() => Date.now());
  const may = useMay();
  const mayAsk = log.items.length === 0 && view.date === view.today && !view.checkIn && may("tell", id);
  const due = nextItem(view, log);
  const at = picked ?? due;
  const item = view.items[at];
  const done = due === -1;
  const finished = view.items.filter((i) => isFinished(log, i, view)).length;
  const logSet = (entry: SetEntry) => {
    if (!item) return;
    const next = withSet(log, item, entry, new Date().toISOString());
    change(next);
    const full = doneRows(next, item) % sidesOf(item).length === 0;
    if (full) beginRest(item.restSeconds);
    // A hand-picked exercise stays until it is done; then the order takes over again.
    setPicked(picked !== null && isFinished(next, item, view) ? null : picked);
  };
  return (
    <main className="mx-auto flex h-full max-w-[430px] min-w-[360px] flex-col bg-paper text-lead">
      <header className="flex h-14 flex-none border-b-[1.5px] border-ground bg-panel">
        <Link
          to={`/a/${id}/session/${view.date}/${view.label}`}
          aria-label="Back to the sheet"
          className="grid w-12 flex-none place-items-center border-r border-hair [&_svg]:h-5 [&_svg]:w-5 [&_svg]:fill-none [&_svg]:stroke-current [&_svg]:stroke-2"
        >
          {ICON.left}
        </Link>
        <div className="min-w-0 flex-1 px-3 pt-1.5 leading-[22px]">
          <p className="truncate text-label leading-5 text-ink2">
            {name} <SentMark sent={sent} />
          </p>
          <p className="truncate font-semibold">
            {sessionName(view.label, view.emphasis, view.slow)}, {day(view.date)}
          </p>
        </div>
        <div className="border-l border-hair px-3 pt-1.5 leading-[22px]">
          <p className="text-label leading-5 text-ink2">Exercise</p>
          <p className="num font-semibold">
            {done ? view.items.length : at + 1} of {view.items.length}
          </p>
        </div>
      </header>
      {refused && (
        <p role="alert" className="flex gap-2 bg-brick-l px-4 py-2 text-body text-brick-ink">
          <WarnIcon /> {refused} It is kept on this phone.
        </p>
      )}
      {asking && log.items.length === 0 ? (
        <section aria-label="Before you start" className="min-h-0 flex-1 overflow-auto p-4">
          <div className="mb-3 flex items-baseline justify-between gap-3">
            <h1 className="text-title font-semibold">Before you start</h1>
            <button type="button" className="link min-h-11" onClick={() => setAsking(false)}>
              Back
            </button>
          </div>
          <Suspense fallback={<p role="status">Loading the questions…</p>}>
            <Before id={id} date={view.date} label={view.label} onDone={() => setAsking(false)} />
          </Suspense>
        </section>
      ) : ending || done || !item ? (
        <Finish
          view={view}
          planned={view.rpe}
          minutes={Math.max(1, Math.round((Date.now() - began) / 60_000))}
          finished={finished}
          total={view.items.length}
          log={log}
          onBack={done ? null : () => setEnding(false)}
          onSave={(rpe, minutes) => {
            change({ ...log, rpe, minutes });
            navigate(`/a/${id}/session/${view.date}/${view.label}`);
          }}
          onUndo={() => {
            const last = view.items.findLast((i) => doneRows(log, i) > 0);
            if (last) change(withoutLast(log, last));
          }}
        />
      ) : (
        <Exercise
          key={`${item.exercise}${doneRows(log, item)}`}
          view={view}
          item={item}
          log={log}
          units={units}
          rest={rest}
          onRestOver={endRest}
          onLog={logSet}
          onUndo={() => change(withoutLast(log, item))}
          onPain={(p) => change(withPain(log, item, p))}
          onCheckIn={mayAsk ? () => setAsking(true) : null}
          onFelt={(felt) => change(withFelt(log, item, felt))}
          onPick={(index) => setPicked(index)}
          onEnd={() => setEnding(true)}
        />
      )}
      <Told position="top-center" offset={{ top: 56 }} mobileOffset={{ top: 56, left: 0, right: 0 }} />
    </main>
  );
}

const SentMark = ({ sent }: { sent: Sent }) => (
  <span role="status">
    · {sent === "sent" ? "saved" : sent === "sending" ? "saving" : "kept on this phone, not sent yet"}
  </span>
);
