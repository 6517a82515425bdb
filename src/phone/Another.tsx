/** A session at another time of the week, with what it costs in words; or left out, with why. */
import { useEffect, useState } from "react";
import type { PhonePlace, PhonePlaces, PhoneSession } from "../api/phoneViews";
import { timeOf } from "../core/dates";
import { counted, day, placeName, sessionName, time } from "../web/format";
import { tellFault } from "../web/ui/tell";
import { Card } from "./Shell";
import { act, places } from "./sync";

const REASONS = ["No time", "Ill", "Something hurts", "Travelling"] as const;

interface Props {
  session: PhoneSession;
  emphasis: PhoneSession["emphasis"];
  /** Leaving it out is offered, too. */
  out: boolean;
  onClose: () => void;
}

const costText = (p: PhonePlace): string =>
  p.more > 0
    ? `${p.because.replace(/\.$/, "") || "Disturbs the week more"}: ${counted(p.more, "point")} more`
    : "costs no more";

export default function Another({ session: s, emphasis, out, onClose }: Props) {
  const [found, setFound] = useState<PhonePlaces | null>(null);
  const [chosen, setChosen] = useState<PhonePlace | null>(null);
  useEffect(() => {
    let asked = true;
    void places(s.date, s.label).then((p) => asked && setFound(p));
    return () => {
      asked = false;
    };
  }, [s.date, s.label]);
  const name = sessionName(s.label, emphasis, s.slow);
  const done = (work: Promise<void>) => work.then(onClose, () => tellFault("Not saved: this phone could not keep it."));
  const move = (p: PhonePlace) =>
    done(
      act("POST", "phone/moves", {
        date: s.date,
        label: s.label,
        to: { date: p.date, start: timeOf(p.start), place: p.place },
      }),
    );
  const leaveOut = (why: string) => done(act("POST", "phone/skips", { date: s.date, label: s.label, why }));
  return (
    <Card title={`Another time for ${name}`}>
      {s.locked && <p>Your coach has fixed this session where it stands. Write a message instead.</p>}
      {!s.locked && found && found.places.length === 0 && <p>No other free time of this week takes it.</p>}
      {!found && <p role="status">Weighing the free times of the week…</p>}
      <ul>
        {found?.places.map((p) => (
          <li key={`${p.date}${p.place}`} className="border-t border-hair2 first:border-t-0">
            <button
              type="button"
              aria-pressed={chosen === p}
              onClick={() => setChosen(p)}
              className={`flex min-h-12 w-full flex-col justify-center px-2 py-1.5 text-left ${chosen === p ? "bg-rest" : ""}`}
            >
              <span className="flex w-full justify-between gap-2">
                <b className="font-semibold">
                  {day(p.date)} {time(p.start)}
                </b>
                <span className="text-body text-ink2">{placeName(p.place)}</span>
              </span>
              <span className="text-body text-ink2">{costText(p)}</span>
            </button>
          </li>
        ))}
      </ul>
      {out && (
        <>
          <p className="mt-3 mb-1 text-label font-semibold text-ink2">Or leave it out this week, because</p>
          <div className="grid grid-cols-2 gap-2">
            {REASONS.map((why) => (
              <button
                key={why}
                type="button"
                className="btn min-h-11 justify-center"
                onClick={() => void leaveOut(why)}
              >
                {why}
              </button>
            ))}
          </div>
        </>
      )}
      <div className="mt-3 flex gap-2">
        <button type="button" className="btn min-h-12 flex-1 justify-center" onClick={onClose}>
          Keep {day(s.date).split("\u00A0")[0]}
        </button>
        {chosen && (
          <button
            type="button"
            className="btn btn-pri min-h-12 flex-1 justify-center"
            onClick={() => void move(chosen)}
          >
            Move to {day(chosen.date)}
          </button>
        )}
      </div>
    </Card>
  );
}
