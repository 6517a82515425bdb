/** A group at the racks: everybody's next set in one view, logged with one tap, and who is there. */
import { useState } from "react";
import { Link, useParams } from "react-router";
import type { GroupFloorView } from "../../api/many";
import type { SessionView } from "../../api/views";
import { post } from "../data/api";
import { useChange, useClub, useSession } from "../data/hooks";
import { useGroupFloor } from "../data/many";
import {
  doneRows,
  emptyLog,
  isFinished,
  nextItem,
  sideAt,
  sidesOf,
  startEntry,
  withoutLast,
  withSet,
} from "../floor/progress";
import { useLog } from "../floor/useLog";
import { useWakeLock } from "../floor/useRest";
import { counted, day, loadText, sessionName, time, type Units } from "../format";
import { ICON, WarnIcon } from "../ui/glyphs";
import { Failed, LoadingNote } from "../ui/State";
import { tellFault } from "../ui/tell";
import { useUndo } from "../ui/undo";

type Member = GroupFloorView["members"][number];

export default function GroupFloorRoute() {
  const { group = "" } = useParams();
  const club = useClub();
  const floor = useGroupFloor(group, club.data?.today ?? "");
  useWakeLock();
  if (floor.isError) return <Failed error={floor.error} retry={() => floor.refetch()} what="The group" />;
  if (!floor.data) return <LoadingNote what="the group" />;
  const { group: of, members, date } = floor.data;
  const there = members.filter((m) => m.label && !m.absent);
  const rest = members.filter((m) => !m.label || m.absent);
  return (
    <main className="mx-auto flex h-full max-w-[860px] min-w-[360px] flex-col bg-paper text-lead">
      <header className="flex h-14 flex-none items-center border-b-[1.5px] border-ground bg-panel">
        <Link
          to={`/groups/${group}/session`}
          aria-label="Back to the hour"
          className="grid h-full w-12 flex-none place-items-center border-r border-hair [&_svg]:h-5 [&_svg]:w-5 [&_svg]:fill-none [&_svg]:stroke-current [&_svg]:stroke-2"
        >
          {ICON.left}
        </Link>
        <div className="min-w-0 flex-1 px-3 leading-[22px]">
          <h1 className="truncate font-semibold">{of.name}</h1>
          <p className="truncate text-label leading-5 text-ink2">
            {day(date)}, {there.length} of {members.length} here
          </p>
        </div>
      </header>
      <ul className="min-h-0 flex-1 overflow-auto px-3 pb-8" aria-label="Members">
        {there.map((m) => (
          <li key={m.id} className="border-b border-hair py-3">
            <Lifting member={m} date={date} group={of.name} onAbsent={() => void floor.refetch()} />
          </li>
        ))}
        {rest.map((m) => (
          <li key={m.id} className="flex items-center gap-3 border-b border-hair2 py-3 text-ink2">
            <span className="flex-1">{m.name}</span>
            {m.absent ? <Back member={m} onBack={() => void floor.refetch()} /> : "has no session today"}
          </li>
        ))}
      </ul>
    </main>
  );
}

/** An absence that was a mistake is taken back as the change that it was. */
function Back({ member, onBack }: { member: Member; onBack: () => void }) {
  const { id } = member;
  const here = useChange(id, (label: NonNullable<Member["label"]>) =>
    post(`/athletes/${id}/week-changes`, {
      what: "Here after all",
      drop: { changes: [{ kind: "missed", date: today(), label }] },
    }),
  );
  const today = useToday();
  return (
    <>
      <span>absent</span>
      <button
        type="button"
        className="btn min-h-11"
        disabled={here.isPending || !member.label}
        onClick={() =>
          member.label && here.mutate(member.label, { onSuccess: onBack, onError: (e) => tellFault(e.message) })
        }
      >
        Here after all
      </button>
    </>
  );
}

function useToday(): () => string {
  const club = useClub();
  return () => club.data?.today ?? "";
}

interface LiftingProps {
  member: Member;
  date: string;
  group: string;
  onAbsent: () => void;
}

function Lifting({ member, date, group, onAbsent }: LiftingProps) {
  const { id, name, label } = member;
  /** Said absent: the session is not asked for any more while that is stored. */
  const [gone, setGone] = useState(false);
  const { said } = useUndo(id);
  const absent = useChange(id, () =>
    post(`/athletes/${id}/week-changes`, {
      what: `Absent from ${group}`,
      add: { changes: [{ kind: "missed", date, label }] },
    }),
  );
  const away = () => {
    setGone(true);
    absent.mutate(undefined, {
      onSuccess: () => {
        said(`${name} is absent; the week is planned without it.`);
        onAbsent();
      },
      onError: (e) => {
        setGone(false);
        tellFault(e.message);
      },
    });
  };
  return gone ? <p className="text-ink2">{name}: absent</p> : <Session member={member} date={date} onAbsent={away} />;
}

function Session({ member, date, onAbsent }: Omit<LiftingProps, "group">) {
  const session = useSession(member.id, date, member.label ?? "A");
  if (session.isError) return <Failed error={session.error} retry={() => session.refetch()} what={member.name} />;
  if (!session.data) return <p className="text-ink2">{member.name}: loading the session…</p>;
  return <Sets key={member.id} member={member} view={session.data} onAbsent={onAbsent} />;
}

interface SetsProps extends Omit<LiftingProps, "date" | "group"> {
  view: SessionView;
}

/** "set 2 of 3", "set 2 of 3, left". */
function setText(item: SessionView["items"][number], done: number): string {
  const sides = sidesOf(item);
  const side = sides.length > 1 ? `, ${sideAt(item, done)}` : "";
  return `set ${Math.min(item.sets, Math.floor(done / sides.length) + 1)} of ${item.sets}${side}`;
}

const SENT = { sent: "saved", sending: "saving", kept: "kept on this device" } as const;

function Sets({ member, view, onAbsent }: SetsProps) {
  const { id, name, massUnit } = member;
  const units: Units = { massUnit, distanceUnit: "km" };
  const [initial] = useState(() => emptyLog(view, new Date().toTimeString().slice(0, 5)));
  const { log, change, sent, refused } = useLog(id, initial, view.log);
  const at = nextItem(view, log);
  const item = view.items[at];
  const begun = log.items.some((i) => i.sets.length > 0);
  const finished = view.items.filter((i) => isFinished(log, i, view)).length;
  const entry = item ? startEntry(item, log) : null;
  const amount = entry && (entry.seconds === null ? `${entry.reps}` : `${entry.seconds} s`);
  const load =
    item && entry?.loadKg != null
      ? loadText({ loadKg: entry.loadKg, loading: item.loading, household: item.household }, units)
      : "";
  const last = view.items.findLast((i) => doneRows(log, i) > 0);
  const find = item !== undefined && entry?.loadKg === null && item.ramp.length > 0;
  return (
    <section aria-label={name}>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <Link to={`/a/${id}/floor/${view.date}/${view.label}`} className="text-title font-semibold hover:underline">
          {name}
        </Link>
        <span className="text-label text-ink2">
          {sessionName(view.label, view.emphasis, view.slow)}, {time(view.start)}; {finished} of {view.items.length}{" "}
          done; <span role="status">{begun || sent !== "sent" ? SENT[sent] : "not begun"}</span>
        </span>
      </div>
      {refused && (
        <p role="alert" className="flex gap-2 py-1 text-body text-brick-ink">
          <WarnIcon /> {refused} It is kept on this device.
        </p>
      )}
      <div className="mt-1 flex flex-wrap items-center gap-2">
        {item && amount ? (
          <>
            <p className="min-w-[180px] flex-1">
              <span className="block font-medium">{item.name}</span>
              <span className="text-ink2">
                {setText(item, doneRows(log, item))}: {amount}
                {load ? ` at ${load}` : ""}, {counted(item.rir, "repetition")} in reserve
              </span>
            </p>
            {last && (
              <button type="button" className="btn min-h-12" onClick={() => change(withoutLast(log, last))}>
                Take back
              </button>
            )}
            {find ? (
              <Link className="btn btn-pri min-h-12" to={`/a/${id}/floor/${view.date}/${view.label}`}>
                Find the load
              </Link>
            ) : (
              <button
                type="button"
                className="btn btn-pri min-h-12"
                onClick={() => entry && change(withSet(log, item, entry, new Date().toISOString()))}
              >
                Log set for {name.split(" ")[0]}
              </button>
            )}
          </>
        ) : (
          <p className="flex-1">
            All sets are done.{" "}
            <Link className="underline" to={`/a/${id}/floor/${view.date}/${view.label}`}>
              Enter how hard it was
            </Link>
          </p>
        )}
        {!begun && (
          <button type="button" className="btn min-h-12" onClick={onAbsent}>
            Absent
          </button>
        )}
      </div>
    </section>
  );
}
