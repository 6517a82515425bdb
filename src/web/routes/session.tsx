/** Session: the sheet of one session, its time against the window, its cautions and reasons. */

import { useState } from "react";
import { Link, Navigate, useNavigate, useParams } from "react-router";
import type { Need } from "../../api/roles";
import type { SessionView } from "../../api/views";
import { saidText } from "../../core/readiness";
import { why } from "../../core/rulebook";
import { emphasisText } from "../../core/session";
import { CheckInSheet } from "../checkin/CheckInSheet";
import { useClub, useSession, useSessions } from "../data/hooks";
import { useMay } from "../data/session";
import type { Units } from "../format";
import { blockText, day, duration, PHASE_NAMES, placeName, sessionName, time } from "../format";
import { useUnits } from "../frame/current";
import { Cards } from "../session/Cards";
import { SessionAnchor, TimeBar } from "../session/Drawn";
import { Lines, MEDIUM, WIDE } from "../session/Lines";
import { lengthsBelow, ShortenSheet } from "../session/ShortenSheet";
import { Asked } from "../ui/Asked";
import { ICON, WarnIcon } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader, Steps } from "../ui/page";
import { Empty, Failed, LoadingNote } from "../ui/State";
import { type Action, Toolbar } from "../ui/Toolbar";
import { usePhone } from "../ui/usePhone";
import { WhyList } from "../ui/Why";

export default function SessionRoute() {
  const { id = "", date, label } = useParams();
  return date && label ? <One id={id} date={date} label={label} /> : <Nearest id={id} />;
}

/** Without a day: today's session, else the next, else the last one logged. */
function Nearest({ id }: { id: string }) {
  const around = useSessions(id);
  const club = useClub();
  if (around.isPending || club.isPending) return <LoadingNote what="the session" />;
  if (around.isError) return <Failed error={around.error} retry={() => around.refetch()} what="The session" />;
  const { sessions, logged } = around.data;
  const today = club.data?.today ?? "";
  const next = logged.find((l) => l.date === today) ?? sessions.find((s) => s.date >= today) ?? logged.at(-1);
  if (next) return <Navigate to={`/a/${id}/session/${next.date}/${next.label}`} replace />;
  return (
    <Empty title="No session in sight">
      <p className="mb-3">
        Nothing is placed in the next three weeks. Sessions need free time slots, and weeks need days that races and
        absences leave open.
      </p>
      <Link className="btn" to={`/a/${id}/records`}>
        Open free time and races
      </Link>
    </Empty>
  );
}

function One({ id, date, label }: { id: string; date: string; label: string }) {
  const session = useSession(id, date, label);
  const around = useSessions(id);
  const navigate = useNavigate();
  const all = around.data
    ? [...around.data.logged, ...around.data.sessions].sort((a, b) => (a.date < b.date ? -1 : 1))
    : [];
  const at = all.findIndex((s) => s.date === date && s.label === label);
  const step = (by: 1 | -1) => {
    const next = at >= 0 ? all[at + by] : all.find((s) => s.date >= date);
    if (next) navigate(`/a/${id}/session/${next.date}/${next.label}`);
  };
  useKeys("view", [
    { key: "ArrowLeft", label: "", run: () => step(-1), bar: true },
    { key: "ArrowRight", label: "session", run: () => step(1), bar: true },
    { key: "g", label: "log session", run: () => navigate(`/a/${id}/floor/${date}/${label}`), bar: true },
    { key: "e", label: "edit", run: () => navigate(`/a/${id}/session/${date}/${label}/edit`), bar: true },
    { key: "w", label: "this week", run: () => navigate(`/a/${id}/week/${date}`), bar: true },
  ]);
  if (session.isPending) return <LoadingNote what="the session" />;
  if (session.isError)
    return session.error.message.includes("no such session") ? (
      <Empty title="There is no session here any more">
        <p className="mb-3">
          {day(date)} holds no session {label}: it was moved, or the week changed.
        </p>
        <Link className="btn" to={`/a/${id}/week/${date}`}>
          Open this week
        </Link>
      </Empty>
    ) : (
      <Failed error={session.error} retry={() => session.refetch()} what="The session" />
    );
  return <Sheet view={session.data} onStep={step} />;
}

const canLift = (v: SessionView): boolean => v.date === v.today || (v.date < v.today && v.log === null);

/** What can be done with a session; it is edited and printed as long as it is planned. */
function sessionActions(v: SessionView, may: (need: Need) => boolean, onCheckIn: () => void): Action[] {
  const at = `${v.date}/${v.label}`;
  const when = (on: boolean, action: Action): Action[] => (on ? [action] : []);
  return [
    ...when(may("plan.read"), { label: "Week", name: "Open this week", to: `/a/${v.id}/week/${v.date}` }),
    ...when(v.time !== null && may("plan.change"), {
      label: "Edit",
      icon: ICON.edit,
      to: `/a/${v.id}/session/${at}/edit`,
    }),
    ...when(v.time !== null, { label: "Card", to: `/a/${v.id}/card/${at}` }),
    ...when(may("health.read"), { label: "Warm-up", to: `/a/${v.id}/homework` }),
    ...when(v.date === v.today && v.time !== null && !v.log && may("tell"), { label: "Check in", run: onCheckIn }),
    ...(canLift(v)
      ? [
          {
            label: v.log ? "Log again" : "Log session",
            icon: ICON.floor,
            primary: true,
            to: `/a/${v.id}/floor/${at}`,
          },
        ]
      : []),
  ];
}

function Sheet({ view, onStep }: { view: SessionView; onStep: (by: 1 | -1) => void }) {
  const phone = usePhone();
  const [shortening, setShortening] = useState<number | null>(null);
  const [checking, setChecking] = useState(false);
  const may = useMay();
  const open = view.date >= view.today && !view.log && !view.edit && may("plan.change", view.id);
  const shorter = open ? lengthsBelow(view.minutes) : [];
  const units = useUnits();
  return (
    <div className="two-pane">
      <main className="flex min-w-0 flex-col">
        <PageHeader
          title={sessionName(view.label, view.emphasis, view.slow)}
          note={
            <>
              {day(view.date)} {time(view.start)}
              {view.place ? `, ${placeName(view.place)}` : ""}
              {view.edit ? ", made by hand" : ""}
            </>
          }
        >
          <Steps before="Session before" next="Next session" onStep={onStep} />
          <Toolbar
            name="More for this session"
            actions={sessionActions(
              view,
              (need) => may(need, view.id),
              () => setChecking(true),
            )}
          >
            {view.date > view.today ? (
              <span className="text-label leading-4 text-ink2">Logging opens on {day(view.date)}</span>
            ) : (
              !canLift(view) && <span className="text-label text-ink2">Logged</span>
            )}
          </Toolbar>
        </PageHeader>
        {checking && <CheckInSheet view={view} onClose={() => setChecking(false)} />}
        {shortening !== null && (
          <ShortenSheet id={view.id} session={view} to={shortening} onClose={() => setShortening(null)} />
        )}
        <div className="@container min-h-0 flex-1 overflow-auto px-4 pb-4">
          {view.checkIn && (
            <p className="mb-2 text-label leading-4">
              <b className="font-semibold">Check-in:</b> {saidText(view.checkIn)}.
            </p>
          )}
          {phone ? <Cards view={view} units={units} /> : <ItemTable view={view} units={units} />}
          <TimeBar view={view} />
          {shorter.length > 0 && (
            <p className="mt-2 flex flex-wrap items-center gap-2 text-label text-ink2">
              Less time? See what goes at
              {shorter.map((m) => (
                <button
                  key={m}
                  type="button"
                  className="btn btn-sm"
                  aria-haspopup="dialog"
                  onClick={() => setShortening(m)}
                >
                  {m} min
                </button>
              ))}
            </p>
          )}
          {view.edit?.note && (
            <section className="mt-4">
              <h2 className="sec-h">Note</h2>
              <p className="text-body">{view.edit.note}</p>
            </section>
          )}
          <LeftOut view={view} />
        </div>
      </main>
      <About view={view} />
    </div>
  );
}

function ItemTable({ view, units }: { view: SessionView; units: Units }) {
  return (
    <table className="w-full border-collapse text-left">
      <thead>
        <tr className="h-7 text-label text-ink2 shadow-[inset_0_-1.500px_0_var(--color-ground)]">
          <th className="w-10 font-semibold">Pair</th>
          <th className="font-semibold">Exercise</th>
          <th className="w-[104px] font-semibold">Sets × reps</th>
          <th className="w-[112px] font-semibold">Load</th>
          {!view.log && <th className={`w-[112px] font-semibold ${MEDIUM}`}>Last time</th>}
          {view.time && <th className={`w-[118px] font-semibold ${WIDE}`}>Plates a side</th>}
          <th className={`w-[70px] font-semibold ${MEDIUM}`}>Reserve</th>
          {view.time && <th className={`w-14 font-semibold ${WIDE}`}>Rest</th>}
          {!view.log && <th className={`w-14 font-semibold ${WIDE}`}>Tempo</th>}
          {view.log && <th className="w-[150px] font-semibold">Lifted</th>}
        </tr>
      </thead>
      <tbody>
        {view.items.map((i) => (
          <Lines key={i.pair + i.exercise} item={i} view={view} units={units} />
        ))}
      </tbody>
    </table>
  );
}

/** What safety took out, and what else is missing. */
function LeftOut({ view }: { view: SessionView }) {
  return (
    <>
      {view.left.length > 0 && (
        <section className="mt-4">
          <h2 className="sec-h">Out for safety, and what stands instead</h2>
          <ul className="text-label leading-4">
            {view.left.map((l) => (
              <li key={l.exercise} className="flex gap-1.5 py-0.5">
                <WarnIcon size={12} />
                <span>
                  <b className="font-semibold">{l.name}</b>: {l.why}. Instead: {l.instead.toLowerCase()}.
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {view.dropped.length > 0 && (
        <section className="mt-4">
          <h2 className="sec-h">Left out</h2>
          <ul className="text-label leading-4">
            {view.dropped.map((d) => (
              <li key={d.name + d.why} className="py-0.5">
                <b className="font-semibold">{d.name}</b>: {d.why}
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

/** Training load, cautions and reasons. */
function About({ view }: { view: SessionView }) {
  return (
    <aside
      className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel"
      aria-label="About this session"
    >
      <div className="sec">
        <p className="mb-2">
          {PHASE_NAMES[view.phase]}, {emphasisText(view)}
          {blockText(view)}
        </p>
        <h2 className="sec-h">
          Training load{" "}
          <em className="font-normal not-italic cond">
            {view.loadLimit > 0 ? `most this week takes: ${view.loadLimit} AU` : ""}
          </em>
        </h2>
        <SessionAnchor view={view} />
        <p className="mt-1 text-label text-ink2">
          {duration(view.minutes)} × RPE {view.rpe} ={" "}
          <Asked reasons={[view.why[0] ?? why("week.most", "planned")]}>{view.stress} AU</Asked>
          {view.locked ? ", locked" : ""}
        </p>
      </div>
      <div className="sec">
        <h2 className="sec-h">Cautions</h2>
        <ul className="space-y-1.5 text-label leading-4">
          {view.cautions.map((c) => (
            <li key={c} className="flex gap-1.5">
              <span className="mt-px">
                <WarnIcon size={12} />
              </span>
              {c}
            </li>
          ))}
          <li className="text-ink2">This sheet does not replace a clinician, or a qualified person on the floor.</li>
        </ul>
      </div>
      <div className="sec flex-1">
        <h2 className="sec-h">Why</h2>
        <WhyList
          reasons={[
            ...view.why,
            ...(view.time
              ? view.items.flatMap((i) => i.why.map((w) => ({ rule: w.rule, text: `${i.name}: ${w.text}` })))
              : []),
          ]}
        />
      </div>
    </aside>
  );
}
