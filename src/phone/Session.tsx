/** A session exercise by exercise: what, how, how it should feel, what was lifted last, and another exercise in its place. */
import { useState } from "react";
import { Link, useParams } from "react-router";
import type { HowTo } from "../api/phoneViews";
import { useSession } from "../web/data/hooks";
import { clock, day, loadText, placeName, sessionName, setsByReps, textIn, time } from "../web/format";
import { PatternTile } from "../web/section/parts";
import { bandOf } from "../web/section/patterns";
import { Swap } from "../web/session/Swap";
import { Failed, LoadingNote } from "../web/ui/State";
import { Card, Head } from "./Shell";
import { howTo } from "./sync";
import { unitsOf, usePhone } from "./usePhone";

/** Set-up, cues and mistakes, when somebody asks. */
function How({ exercise }: { exercise: string }) {
  const [how, setHow] = useState<HowTo | null>(null);
  const asked = (open: boolean) => {
    if (open && !how) void howTo(exercise).then(setHow);
  };
  const lines: readonly [string, readonly string[]][] = how
    ? [
        ["Set-up", how.setup],
        ["Cues", how.cues],
        ["Mistakes", how.mistakes],
      ]
    : [];
  return (
    <details className="text-body" onToggle={(e) => asked(e.currentTarget.open)}>
      <summary className="link min-h-11 cursor-pointer content-center">How it is done</summary>
      {lines.map(([name, of]) => (
        <div key={name} className="pb-1">
          <p className="text-label font-semibold text-ink2">{name}</p>
          <ul className="list-disc pl-4">
            {of.map((l) => (
              <li key={l}>{l}</li>
            ))}
          </ul>
        </div>
      ))}
    </details>
  );
}

export default function SessionPage() {
  const { id = "", date = "", label = "" } = useParams();
  const { screen } = usePhone();
  const session = useSession(id, date, label);
  if (!screen || session.isPending) return <LoadingNote what="the session" />;
  if (session.isError) return <Failed error={session.error} what="This session" />;
  const view = session.data;
  const units = unitsOf(screen);
  const isToday = view.date === view.today;
  const done = view.log?.rpe !== undefined || (view.log && view.date < view.today);
  return (
    <main>
      <Head
        title={sessionName(view.label, view.emphasis, view.slow)}
        note={`${day(view.date)} ${time(view.start)}${view.place ? ` · ${placeName(view.place)}` : ""} · ${view.minutes} min`}
      />
      <div className="space-y-3 p-4">
        {view.cautions.length > 0 && (
          <ul
            aria-label="Mind today"
            className="space-y-1 border-l-[3px] border-brick bg-brick-l px-2.5 py-1.5 text-body"
          >
            {view.cautions.map((c) => (
              <li key={c}>{textIn(c, units)}</li>
            ))}
          </ul>
        )}
        <ol className="space-y-3">
          {view.items.map((i) => (
            <li key={`${i.exercise}${i.pair}`}>
              <Card>
                <div className="flex items-center gap-2.5">
                  <PatternTile id={bandOf(i.pattern)} size={22} />
                  <h2 className="min-w-0 flex-1 text-title leading-6 font-[650]">{i.name}</h2>
                  {!done && view.date >= view.today && <Swap item={i} view={view} />}
                </div>
                <p>
                  {setsByReps(i)} {i.eachSide ? "each side " : ""}@ {loadText(i, units)}, {clock(i.restSeconds)} rest
                </p>
                {i.note && <p className="font-medium">{i.note}</p>}
                {i.cue && <p className="text-body">{i.cue}</p>}
                {i.felt && <p className="text-body text-ink2">Felt: {i.felt}</p>}
                <How exercise={i.exercise} />
                {i.last && (
                  <p className="text-body text-ink2">
                    Last: {day(i.last.date)}, {i.last.text}
                  </p>
                )}
                <Link
                  className="link inline-flex min-h-11 items-center text-body"
                  to={`/talk?date=${date}&label=${label}&exercise=${i.exercise}`}
                >
                  Ask your coach about it
                </Link>
              </Card>
            </li>
          ))}
        </ol>
        {isToday && !done && (
          <Link
            to={`/a/${id}/floor/${date}/${label}`}
            className="grid h-14 w-full place-items-center rounded-[3px] bg-iron text-title font-semibold text-on-iron"
          >
            {view.log ? "Go on with this session" : "Log this session"}
          </Link>
        )}
        <Link className="link inline-flex min-h-11 items-center" to={`/talk?date=${date}&label=${label}`}>
          Write to your coach about this session
        </Link>
      </div>
    </main>
  );
}
