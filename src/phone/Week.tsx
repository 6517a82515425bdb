/** This week and the next: endurance and sessions by day; a session is moved or left out from here. */
import { useState } from "react";
import { Link } from "react-router";
import type { PhoneDay, PhoneScreen, PhoneSession } from "../api/phoneViews";
import { addDays } from "../core/dates";
import { counted, day as dayText, duration, sessionName, span, time, type Units } from "../web/format";
import Another from "./Another";
import { Head } from "./Shell";
import { Changed } from "./Today";
import { unitsOf, usePhone } from "./usePhone";
import { runText } from "./words";

const TITLES = ["This week", "Next week", "The week after"];

export default function WeekView() {
  const { screen } = usePhone();
  const [at, setAt] = useState(0);
  if (!screen) return null;
  const week = screen.weeks[at];
  if (!week) return null;
  const sessions = week.days.flatMap((d) => d.sessions);
  const note = `${span(week.monday, addDays(week.monday, 6))} · ${counted(sessions.length, "session")}, ${sessions.filter((s) => s.state === "done").length} done`;
  return (
    <main>
      <Head title={TITLES[at] ?? "Later"} note={note} />
      <div className="px-4 pb-6">
        <div className="flex items-center justify-between gap-3 py-2">
          <p className="text-body text-ink2">{week.phase}</p>
          <span className="flex gap-4">
            {at > 0 && (
              <button type="button" className="link min-h-11" onClick={() => setAt(at - 1)}>
                {TITLES[at - 1]}
              </button>
            )}
            {at + 1 < screen.weeks.length && (
              <button type="button" className="link min-h-11" onClick={() => setAt(at + 1)}>
                {TITLES[at + 1]}
              </button>
            )}
          </span>
        </div>
        {!week.published && (
          <p className="mb-2 border-l-[3px] border-iron bg-iron-l px-2 py-1.5 text-body">
            Your coach has not given out the strength of this week yet.
          </p>
        )}
        {week.published?.note && <p className="mb-2 bg-rest px-3 py-2">{week.published.note}</p>}
        {week.gone.length > 0 && (
          <p className="mb-2 text-body text-ink2">Taken out of this week: session {week.gone.join(", ")}.</p>
        )}
        <ol>
          {week.days.map((d) => (
            <Day key={d.date} day={d} screen={screen} units={unitsOf(screen)} />
          ))}
        </ol>
      </div>
    </main>
  );
}

function Day({ day, screen, units }: { day: PhoneDay; screen: PhoneScreen; units: Units }) {
  const today = day.date === screen.today;
  const [name = "", ...rest] = dayText(day.date).split("\u00A0");
  const things = day.endurance.length + day.sessions.length;
  return (
    <li className="flex gap-3 border-t border-hair py-2.5" aria-label={dayText(day.date)}>
      <p className="w-14 flex-none leading-5">
        <b className={today ? "font-[650] text-iron" : "font-semibold"}>{name}</b>
        <span className="block text-label text-ink2">{today ? "today" : rest.join(" ")}</span>
      </p>
      <div className="min-w-0 flex-1 space-y-1">
        {day.race && <p className="font-semibold text-race-mark">{day.race}</p>}
        {day.endurance.map((r) => (
          <p key={`${r.start}${r.kind}`} className="flex items-center gap-2 leading-6">
            <span className={`h-5 w-2.5 flex-none border border-moss-ink ${r.done ? "bg-moss" : "bg-moss-plan"}`} />
            <span className={`min-w-0 flex-1 truncate ${r.key ? "font-semibold" : ""}`}>{runText(r, units)}</span>
            <span className="num flex-none text-body text-ink2">
              {time(r.start)}
              {r.done ? ", done" : `, ${duration(r.minutes)}`}
            </span>
          </p>
        ))}
        {day.sessions.map((s) => (
          <Strength key={s.label} session={s} screen={screen} units={units} />
        ))}
        {things === 0 && !day.race && <p className="text-ink2">Nothing planned here</p>}
      </div>
    </li>
  );
}

function Strength({ session: s, screen, units }: { session: PhoneSession; screen: PhoneScreen; units: Units }) {
  const [open, setOpen] = useState(false);
  return (
    <div>
      <div className="flex items-center gap-2 leading-6">
        <span className={`h-5 w-2.5 flex-none border border-iron ${s.state === "done" ? "bg-iron" : "bg-iron-m"}`} />
        <Link className="flex min-h-11 min-w-0 flex-1 items-center" to={`/a/${screen.id}/session/${s.date}/${s.label}`}>
          <span className="truncate">
            <b className="font-[650]">{sessionName(s.label, s.emphasis, s.slow)}</b>, {s.minutes} min
          </span>
        </Link>
        <span className="num flex-none text-body text-ink2">
          {time(s.start)}
          {s.state === "done" ? ", done" : ""}
        </span>
        {s.state === "planned" && s.date >= screen.today && (
          <button
            type="button"
            className="link min-h-11 flex-none px-1"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            Move
          </button>
        )}
      </div>
      <Changed session={s} units={units} />
      {open && <Another session={s} emphasis={s.emphasis} out onClose={() => setOpen(false)} />}
    </div>
  );
}
