/** An athlete's phone, as the coach sees it: who has joined, which weeks are given out, messages, who looked. */
import { lazy, Suspense, useState } from "react";
import { Link, useParams } from "react-router";
import type { InvitationView, PhoneView } from "../../api/phoneViews";
import { addDays } from "../../core/dates";
import { useAccessLog, useInvitePhone, usePhone, usePublish, useSignOutPhone, useTakeBack } from "../data/phone";
import { counted, day, moment, span } from "../format";
import { Talk } from "../phone/Talk";
import { PageHeader } from "../ui/page";
import { Failed, LoadingNote } from "../ui/State";
import { tell, tellFault } from "../ui/tell";

const Invite = lazy(() => import("../phone/Invite"));

export default function PhoneRoute() {
  const { id = "" } = useParams();
  const query = usePhone(id);
  const invite = useInvitePhone(id);
  const [invitation, setInvitation] = useState<InvitationView | null>(null);
  if (query.isPending) return <LoadingNote what="the phone" />;
  if (query.isError) return <Failed error={query.error} retry={() => query.refetch()} what="The phone" />;
  const view = query.data;
  const ask = () =>
    invite.mutate(undefined, {
      onSuccess: setInvitation,
      onError: (fault) => tellFault(`No invitation: ${fault.message}`),
    });
  return (
    <main className="flex h-full flex-col">
      <PageHeader title="Phone" note="the plan on the athlete's phone">
        <span className="flex-1" />
        <button type="button" className="btn btn-pri" disabled={invite.isPending} onClick={ask}>
          Invite a phone
        </button>
      </PageHeader>
      <div className="grid min-h-0 flex-1 grid-cols-2 content-start items-start gap-6 overflow-auto px-4 pb-6 max-[1000px]:grid-cols-1">
        <div className="space-y-5">
          <Weeks id={id} view={view} />
          <Phones id={id} view={view} />
          <Lookers id={id} />
        </div>
        <Talk id={id} messages={view.messages} />
      </div>
      {invitation && (
        <Suspense fallback={null}>
          <Invite name={view.name} invitation={invitation} onClose={() => setInvitation(null)} />
        </Suspense>
      )}
    </main>
  );
}

function Weeks({ id, view }: { id: string; view: PhoneView }) {
  return (
    <section aria-label="Weeks given out">
      <h2 className="sec-h">Weeks given out</h2>
      <p className="mb-1 max-w-[64ch] text-label text-ink2">
        The athlete sees the strength of weeks that are given out, always as it stands now; what has changed since is
        marked on the phone.
      </p>
      <ul>
        {view.weeks.map((w) => (
          <WeekRow key={w.monday} id={id} week={w} />
        ))}
      </ul>
    </section>
  );
}

function WeekRow({ id, week: w }: { id: string; week: PhoneView["weeks"][number] }) {
  const publish = usePublish(id);
  const back = useTakeBack(id);
  const [note, setNote] = useState(w.published?.note ?? "");
  const give = () =>
    publish.mutate(
      { monday: w.monday, note: note.trim() },
      {
        onSuccess: () => tell("The week is given out."),
        onError: (fault) => tellFault(`Not given out: ${fault.message}`),
      },
    );
  const asBefore = w.published !== null && w.changed.length === 0 && w.published.note === note.trim();
  return (
    <li className="border-b border-hair2 py-2">
      <div className="flex flex-wrap items-center gap-2">
        <Link className="w-28 flex-none font-semibold hover:underline" to={`/a/${id}/week/${w.monday}`}>
          {span(w.monday, addDays(w.monday, 6))}
        </Link>
        <span className="flex-1 text-label text-ink2">
          {counted(w.sessions, "session")},{" "}
          {w.published ? `given out ${moment(w.published.at).split(",")[0]}` : "not given out"}
        </span>
        {w.published && (
          <button type="button" className="btn max-[700px]:min-h-11" onClick={() => back.mutate(w.monday)}>
            Take back
          </button>
        )}
        <button
          type="button"
          className="btn max-[700px]:min-h-11"
          disabled={asBefore || publish.isPending}
          aria-label={`${w.published ? "Give out again" : "Give out"}: ${span(w.monday, addDays(w.monday, 6))}`}
          onClick={give}
        >
          {w.published ? "Give out again" : "Give out"}
        </button>
      </div>
      <label className="mt-1 block">
        <span className="sr-only">Note for the week of {day(w.monday)}</span>
        <input
          className="input w-full max-[700px]:min-h-11"
          placeholder="A note for the athlete"
          maxLength={500}
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
      </label>
      {w.changed.length > 0 && (
        <ul className="mt-1 text-label leading-4 text-ink2">
          {w.changed.slice(0, 6).map((c) => (
            <li key={c}>Changed since: {c}</li>
          ))}
          {w.changed.length > 6 && <li>and {w.changed.length - 6} more</li>}
        </ul>
      )}
    </li>
  );
}

function Phones({ id, view }: { id: string; view: PhoneView }) {
  const out = useSignOutPhone(id);
  return (
    <section aria-label="Phones">
      <h2 className="sec-h">Phones</h2>
      {view.phones.length === 0 && (
        <p className="text-ink2">
          No phone has joined yet. An invitation is a link and a picture; no password is needed.
        </p>
      )}
      <ul>
        {view.phones.map((p) => (
          <li key={p.id} className="flex items-center justify-between gap-3 border-b border-hair2 py-1.5">
            <span>
              <b className="font-semibold">{p.device}</b>
              <span className="block text-label text-ink2">
                last heard {day(p.seenAt.slice(0, 10))} {p.seenAt.slice(11, 16)} UTC, joined{" "}
                {day(p.madeAt.slice(0, 10))}
              </span>
            </span>
            <button
              type="button"
              className="btn max-[700px]:min-h-11"
              onClick={() => out.mutate(p.id, { onSuccess: () => tell(`${p.device} is signed out.`) })}
            >
              Sign out
            </button>
          </li>
        ))}
      </ul>
      {view.openUntil && (
        <p className="mt-1 text-label text-ink2">An invitation is open until {moment(view.openUntil)}.</p>
      )}
    </section>
  );
}

function Lookers({ id }: { id: string }) {
  const [open, setOpen] = useState(false);
  const log = useAccessLog(id, open);
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="min-h-8 cursor-pointer font-semibold">Who looked, and who changed what</summary>
      {log.data?.length === 0 && <p className="text-ink2">Nobody with an account of their own yet.</p>}
      <ul className="text-label leading-5">
        {log.data?.map((l) => (
          <li key={`${l.day}${l.who}${l.what}${l.changed}`}>
            {day(l.day)}: {l.who} {l.changed ? "changed" : "read"} {l.what}, {counted(l.times, "time")}
          </li>
        ))}
      </ul>
      <p className="mt-1">
        <a className="link" href={`/api/athletes/${id}/everything`} download>
          Everything that is kept about this athlete, as one file
        </a>
      </p>
    </details>
  );
}
