/** The chosen session of a week, and what can be done with it. */
import { lazy, Suspense, useState } from "react";
import { useNavigate } from "react-router";
import type { PlannedSessionView, WeekView } from "../../api/views";
import type { Weigher } from "../data/board";
import { day, duration, placeName, sessionName, time } from "../format";
import { lengthsBelow, ShortenSheet } from "../session/ShortenSheet";
import { ICON } from "../ui/glyphs";
import { REASONS, type WeekActions } from "./useWeekActions";

const MoveSheet = lazy(() => import("./MoveSheet"));

/** Lengths a session is cut to, minutes. */

export function Chosen({
  id,
  view,
  session: s,
  actions,
  onOpen,
  weigher,
}: {
  id: string;
  view: WeekView;
  session: PlannedSessionView;
  actions: WeekActions;
  onOpen: () => void;
  weigher: Weigher;
}) {
  const navigate = useNavigate();
  const [asking, setAsking] = useState<"shorten" | "skip" | "move" | null>(null);
  const others = view.sessions.filter((x) => !x.done && !x.locked && x.label !== s.label && x.date >= view.monday);
  return (
    <div className="sec bg-iron-l">
      <h2 className="text-lead leading-5 font-[650]">{sessionName(s.label, view.emphasis, s.slow)}</h2>
      <p className="mb-2 text-label text-ink2">
        {day(s.date)} {time(s.start)}
        {s.place ? `, ${placeName(s.place)}` : ""}, {duration(s.minutes)}
        {s.done ? ", logged" : ""}
      </p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm" onClick={onOpen}>
          Open session
        </button>
        {!s.done && (
          <button type="button" className="btn btn-sm" onClick={() => actions.toggleLock(s)} aria-pressed={s.locked}>
            {s.locked ? ICON.unlock : ICON.lock} {s.locked ? "Unlock" : "Lock here"}
          </button>
        )}
        {s.date === view.today && (
          <button type="button" className="btn btn-sm" onClick={() => navigate(`/a/${id}/floor/${s.date}/${s.label}`)}>
            {ICON.floor} Log
          </button>
        )}
        {!s.done && view.editable && (
          <>
            {!s.locked && (
              <button
                type="button"
                className="btn btn-sm"
                disabled={!weigher.ready}
                aria-haspopup="dialog"
                onClick={() => setAsking("move")}
              >
                Move…
              </button>
            )}
            {lengthsBelow(s.minutes).length > 0 && (
              <button type="button" className="btn btn-sm" aria-haspopup="dialog" onClick={() => setAsking("shorten")}>
                Shorten…
              </button>
            )}
            {!s.locked &&
              others.map((o) => (
                <button
                  key={o.label}
                  type="button"
                  className="btn btn-sm"
                  onClick={() => actions.swap(s.label, o.label)}
                >
                  Swap with {o.label}
                </button>
              ))}
            <button
              type="button"
              className="btn btn-sm"
              aria-expanded={asking === "skip"}
              onClick={() => setAsking(asking === "skip" ? null : "skip")}
            >
              Skip
            </button>
          </>
        )}
      </div>
      {asking === "move" && (
        <Suspense fallback={null}>
          <MoveSheet view={view} session={s} weigher={weigher} actions={actions} onClose={() => setAsking(null)} />
        </Suspense>
      )}
      {asking === "shorten" && <ShortenSheet id={id} session={s} onClose={() => setAsking(null)} />}
      {asking === "skip" && (
        <fieldset className="mt-2">
          <legend className="mb-1 text-label text-ink2">Why?</legend>
          <div className="flex flex-wrap gap-1.5">
            {REASONS.map((r) => (
              <button key={r} type="button" className="btn btn-sm" onClick={() => void actions.skip(s.label, r)}>
                {r}
              </button>
            ))}
          </div>
        </fieldset>
      )}
    </div>
  );
}
