/** The end of a session, whole or stopped early: how hard it was and how long it took. */
import { lazy, Suspense, useState } from "react";
import type { SessionView } from "../../api/views";
import type { StrengthLog } from "../../core/athlete";
import { Stepper } from "./parts";
import { isFinished } from "./progress";

const HomeworkToday = lazy(async () => ({ default: (await import("../homework/Today")).HomeworkToday }));

interface FinishProps {
  view: SessionView;
  planned: number;
  minutes: number;
  finished: number;
  total: number;
  log: StrengthLog;
  onBack: (() => void) | null;
  onSave: (rpe: number, minutes: number) => void;
  onUndo: () => void;
}

export function Finish({ view, planned, minutes: counted, finished, total, log, onBack, onSave, onUndo }: FinishProps) {
  const [rpe, setRpe] = useState(log.rpe ?? planned);
  const [minutes, setMinutes] = useState(log.minutes ?? (counted < view.minutes / 3 ? view.minutes : counted));
  const missing = view.items.filter((i) => !isFinished(log, i, view));
  return (
    <>
      <div className="min-h-0 flex-1 overflow-auto px-4 pt-4">
        <h1 className="text-figure leading-7 font-[650]">{missing.length === 0 ? "All done" : "Stop here"}</h1>
        <p className="mt-1 mb-4">
          {finished} of {total} exercises
          {missing.length > 0 ? `; not finished: ${missing.map((i) => i.name).join(", ")}` : ""}. What is logged is
          saved.
        </p>
        <div className="grid grid-cols-2 gap-3">
          <Stepper label="How hard, 0 to 10" value={rpe} onStep={(by) => setRpe(Math.min(10, Math.max(0, rpe + by)))} />
          <Stepper label="Minutes" value={minutes} onStep={(by) => setMinutes(Math.max(1, minutes + by))} />
        </div>
        <button type="button" className="mt-3 min-h-11 text-body underline" onClick={onBack ?? onUndo}>
          {onBack ? "Go on lifting" : "Take back the last set"}
        </button>
        {view.date === view.today && (
          <div className="mt-3 pb-4">
            <Suspense fallback={null}>
              <HomeworkToday id={view.id} />
            </Suspense>
          </div>
        )}
      </div>
      <div className="flex-none border-t border-hair bg-panel p-4 pt-2">
        <button
          type="button"
          className="h-14 w-full rounded-[3px] bg-iron text-title font-semibold text-on-iron"
          onClick={() => onSave(rpe, minutes)}
        >
          Finish session
        </button>
      </div>
    </>
  );
}
