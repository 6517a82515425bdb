/** Today: the session or the rest, why, what to say before it, homework. */
import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import type { PhoneDay, PhoneScreen, PhoneSession } from "../api/phoneViews";
import { CheckIn } from "../web/checkin/CheckIn";
import { counted, day as dayText, duration, placeName, sessionName, textIn, time, type Units } from "../web/format";
import { HomeworkToday } from "../web/homework/Today";
import { NextMorning } from "./NextMorning";
import { Card, Head } from "./Shell";
import { TodayAnchor } from "./TodayAnchor";
import { unitsOf, usePhone } from "./usePhone";
import { runText } from "./words";

const Away = lazy(() => import("./Another"));

/** The day itself. */
export const dayOf = (screen: PhoneScreen, date: string): PhoneDay | undefined =>
  screen.weeks.flatMap((w) => w.days).find((d) => d.date === date);

export function TodayView() {
  const { screen } = usePhone();
  if (!screen) return null;
  const week = screen.weeks[0];
  const day = dayOf(screen, screen.today);
  const units = unitsOf(screen);
  const note = [week?.phase, screen.race && `${counted(screen.race.days, "day")} to ${screen.race.name}`]
    .filter(Boolean)
    .join(" · ");
  const sessions = day?.sessions ?? [];
  return (
    <main>
      <Head title={dayText(screen.today)} note={note} />
      <div className="space-y-3 p-4">
        {screen.nextDay.length > 0 && <NextMorning asked={screen.nextDay} />}
        {sessions.map((s) => (
          <Strength key={s.label} session={s} day={day} screen={screen} units={units} />
        ))}
        {sessions.length === 0 && day && (
          <Rest day={day} screen={screen} units={units} published={week?.published !== null} />
        )}
        <HomeworkToday id={screen.id} />
        {week?.published?.note && (
          <Card title="From your coach, for this week">
            <p>{week.published.note}</p>
          </Card>
        )}
      </div>
    </main>
  );
}

interface StrengthProps {
  session: PhoneSession;
  day: PhoneDay | undefined;
  screen: PhoneScreen;
  units: Units;
}

function Strength({ session: s, day, screen, units }: StrengthProps) {
  const [open, setOpen] = useState<"check-in" | "another" | "cant" | null>(null);
  const name = sessionName(s.label, s.emphasis, s.slow);
  const floor = `/a/${screen.id}/floor/${s.date}/${s.label}`;
  return (
    <>
      <Card
        title={s.state === "done" ? "Strength today, done" : "Strength today"}
        aside={`${time(s.start)} · ${placeName(s.place)} · ${s.minutes} min`}
      >
        <h3 className="text-title leading-6 font-[650]">{name}</h3>
        <p>{textIn(s.lines.join(", "), units)}.</p>
        {s.why && <p className="mt-1 text-body text-ink2">Why then: {s.why}.</p>}
        <Changed session={s} units={units} />
        <TodayAnchor session={s} runs={day?.endurance ?? []} />
        <Link className="link inline-flex min-h-11 items-center" to={`/a/${screen.id}/session/${s.date}/${s.label}`}>
          Every exercise, and how it is done
        </Link>
      </Card>
      {s.state === "planned" && !screen.checkIn && (
        <Card title="Before you start" aside="ten seconds">
          {open === "check-in" ? (
            <CheckIn id={screen.id} date={s.date} label={s.label} onDone={() => setOpen(null)} />
          ) : (
            <button type="button" className="btn min-h-11 w-full justify-center" onClick={() => setOpen("check-in")}>
              Check in: sleep, legs, feeling, pain
            </button>
          )}
        </Card>
      )}
      {s.state !== "done" && (
        <>
          <Link
            to={floor}
            className="grid h-14 w-full place-items-center rounded-[3px] bg-iron text-title font-semibold text-on-iron"
          >
            {s.state === "begun" ? "Go on with this session" : "Log this session"}
          </Link>
          {s.state === "planned" && (
            <div className="flex gap-2">
              <button type="button" className="btn min-h-12 flex-1 justify-center" onClick={() => setOpen("another")}>
                Another time
              </button>
              <button type="button" className="btn min-h-12 flex-1 justify-center" onClick={() => setOpen("cant")}>
                Can't today
              </button>
            </div>
          )}
          {(open === "another" || open === "cant") && (
            <Suspense fallback={null}>
              <Away session={s} emphasis={s.emphasis} out={open === "cant"} onClose={() => setOpen(null)} />
            </Suspense>
          )}
        </>
      )}
    </>
  );
}

/** What is different from what the coach gave out. */
export function Changed({ session, units }: { session: PhoneSession; units: Units }) {
  if (session.changed.length === 0) return null;
  return (
    <p className="mt-1 border-l-[3px] border-iron bg-iron-l px-2 py-1 text-body">
      Changed since it was given out: {textIn(session.changed.join("; "), units)}.
    </p>
  );
}

interface RestProps {
  day: PhoneDay;
  screen: PhoneScreen;
  units: Units;
  published: boolean;
}

function Rest({ day, screen, units, published }: RestProps) {
  const next = screen.weeks.flatMap((w) => w.days).find((d) => d.date > day.date && d.sessions.length > 0);
  return (
    <Card title={day.race ? "Race day" : "No strength today"}>
      {day.race && <p className="text-title font-[650]">{day.race}</p>}
      {day.endurance.map((r) => (
        <p key={`${r.start}${r.kind}`}>
          {time(r.start)} {runText(r, units)}, {duration(r.minutes)}
          {r.done ? ", done" : ""}
        </p>
      ))}
      <p className="text-ink2">
        {!published
          ? "Your coach has not given out this week yet."
          : next
            ? `Next: ${sessionName(next.sessions[0]?.label ?? "A", next.sessions[0]?.emphasis ?? "develop")} on ${dayText(next.date)} at ${time(next.sessions[0]?.start ?? 0)}.`
            : "Nothing else stands in the days that were given out."}
      </p>
    </Card>
  );
}
