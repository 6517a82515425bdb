/** The week on a phone: day by day, what is planned and when; a session opens what can be done with it. */
import type { EnduranceView, PlannedSessionView, WeekView } from "../../api/views";
import { addDays } from "../../core/dates";
import { day, duration, sessionName, time } from "../format";
import { ICON } from "../ui/glyphs";

interface Props {
  view: WeekView;
  words: (e: EnduranceView) => string[];
  onSession: (at: number) => void;
  onEndurance: (id: string) => void;
}

const line = "flex min-h-11 w-full items-center gap-2.5 text-left";

export function WeekDays({ view, words, onSession, onEndurance }: Props) {
  const days = Array.from({ length: 7 }, (_, i) => addDays(view.monday, i));
  return (
    <ol className="px-4 pb-4 text-lead">
      {days.map((date) => {
        const endurance = view.endurance.filter((e) => e.date === date);
        const sessions = view.sessions.flatMap((s, at) => (s.date === date ? [{ s, at }] : []));
        const races = view.races.filter((r) => r.date === date);
        return (
          <li key={date} className="grid grid-cols-[64px_minmax(0,1fr)] gap-2 border-t border-hair py-1.5">
            <span className={`pt-2.5 leading-5 ${date === view.today ? "font-semibold text-iron" : ""}`}>
              {day(date).split(/\s/)[0]}
              <span className="block text-label text-ink2">
                {date === view.today ? "today" : day(date).split(/\s/).slice(1).join(" ")}
              </span>
            </span>
            <div>
              {races.map((r) => (
                <p key={r.id} className={`${line} font-semibold text-brick-ink`}>
                  {r.priority} race: {r.name}
                </p>
              ))}
              {endurance.map((e) => (
                <button key={e.id} type="button" className={line} onClick={() => onEndurance(e.id)}>
                  <i className="h-5 w-2.5 flex-none border border-moss-ink bg-moss-plan" />
                  <span className="min-w-0 flex-1 truncate">{words(e)[0]}</span>
                  <span className="text-label text-ink2">{time(e.startMinutes)}</span>
                </button>
              ))}
              {sessions.map(({ s, at }) => (
                <SessionLine key={s.label} session={s} view={view} onOpen={() => onSession(at)} />
              ))}
              {races.length + endurance.length + sessions.length === 0 && (
                <p className={`${line} text-ink2`}>Nothing planned here</p>
              )}
            </div>
          </li>
        );
      })}
    </ol>
  );
}

interface LineProps {
  session: PlannedSessionView;
  view: WeekView;
  onOpen: () => void;
}

function SessionLine({ session: s, view, onOpen }: LineProps) {
  return (
    <button type="button" className={line} onClick={onOpen} aria-haspopup="dialog">
      <i className={`h-5 w-2.5 flex-none ${s.done ? "bg-iron" : "border border-iron bg-iron-m"}`} />
      <span className="min-w-0 flex-1">
        <b className="font-semibold">{sessionName(s.label, view.emphasis, s.slow)}</b>
        <span className="text-body">, {s.done ? "logged" : duration(s.minutes)}</span>
        {s.warning && <span className="block text-label text-brick-ink">{s.warning}</span>}
      </span>
      {s.locked && <span className="[&_svg]:size-4">{ICON.lock}</span>}
      <span className="text-label text-ink2">{time(s.start)}</span>
    </button>
  );
}
