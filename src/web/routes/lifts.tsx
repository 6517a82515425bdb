/** Lifts: what was lifted, what it said each time, what comes next and why, and the rungs climbed. */

import { lazy, Suspense } from "react";
import { Link, useNavigate, useParams } from "react-router";
import type { LiftRow, LiftView } from "../../api/views";
import type { LoggedItem } from "../../core/athlete";
import { reserveText, workText } from "../../core/session";
import type { LiftEntry } from "../../core/story";
import { useLift, useLifts, useNextDay } from "../data/dose";
import { counted, day, dayAndYear, LABEL_NAMES, mass, textIn, type Units } from "../format";
import { useUnits } from "../frame/current";
import { Overrule } from "../lifts/Overrule";
import { DECISION_WORDS } from "../lifts/words";
import { PatternTile } from "../section/parts";
import { bandOf } from "../section/patterns";
import { Asked } from "../ui/Asked";
import { useFocusOn } from "../ui/focus";
import { WarnIcon } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PlateStack } from "../ui/Plates";
import { PageHeader } from "../ui/page";
import { Empty, Failed, LoadingNote } from "../ui/State";
import { Toolbar } from "../ui/Toolbar";
import { WhyList } from "../ui/Why";

const LiftChart = lazy(() => import("../lifts/LiftChart"));

export default function LiftsRoute() {
  const { id = "", exercise } = useParams();
  const lifts = useLifts(id);
  if (lifts.isPending) return <LoadingNote what="the lifts" />;
  if (lifts.isError) return <Failed error={lifts.error} retry={() => lifts.refetch()} what="The lifts" />;
  if (lifts.data.length === 0)
    return (
      <Empty title="Nothing lifted yet">
        <p className="mb-3">A lift has its page once it is logged on the floor, or came with an athlete file.</p>
        <Link className="btn" to={`/a/${id}/session`}>
          Open the next session
        </Link>
      </Empty>
    );
  return <Both id={id} rows={lifts.data} exercise={exercise ?? lifts.data[0]?.exercise ?? ""} />;
}

function Both({ id, rows, exercise }: { id: string; rows: LiftRow[]; exercise: string }) {
  const units = useUnits();
  const navigate = useNavigate();
  const lift = useLift(id, exercise);
  const at = rows.findIndex((r) => r.exercise === exercise);
  const walked = useFocusOn(`[data-lift="${exercise}"]`);
  const step = (by: 1 | -1) => {
    walked();
    const to = rows[at + by];
    if (to) navigate(`/a/${id}/lifts/${to.exercise}`);
  };
  useKeys("view", [
    { key: "ArrowUp", label: "", run: () => step(-1), bar: true },
    { key: "ArrowDown", label: "lift", run: () => step(1), bar: true },
  ]);
  return (
    <div className="three-pane">
      <nav aria-label="Lifts" className="min-h-0 overflow-auto border-r border-hair bg-panel py-2">
        {rows.map((r) => (
          <Link
            key={r.exercise}
            data-lift={r.exercise}
            to={`/a/${id}/lifts/${r.exercise}`}
            aria-current={r.exercise === exercise ? "page" : undefined}
            className={`relative flex gap-2 px-3 py-1.5 leading-4 ${r.exercise === exercise ? "bg-iron-l before:absolute before:inset-y-0 before:left-0 before:w-[3px] before:bg-iron" : "hover:bg-surface"}`}
          >
            <PatternTile id={bandOf(r.pattern)} size={16} />
            <span className="min-w-0 flex-1">
              <span className="block truncate font-medium">{r.name}</span>
              <span className="block text-label text-ink2">
                {r.times} × · {day(r.last)}
              </span>
            </span>
            <span className="text-right text-label text-ink2">
              {r.e1rmKg !== null && (
                <span className="num block font-semibold text-ink">{mass(Math.round(r.e1rmKg), units)}</span>
              )}
              {r.rising && <WarnIcon size={12} />}
            </span>
          </Link>
        ))}
      </nav>
      {lift.isPending ? (
        <LoadingNote what="the lift" />
      ) : lift.isError ? (
        <Failed error={lift.error} retry={() => lift.refetch()} what="The lift" />
      ) : (
        <Page view={lift.data} units={units} />
      )}
    </div>
  );
}

function Page({ view, units }: { view: LiftView; units: Units }) {
  const last = view.entries.at(-1);
  return (
    <>
      <main className="min-w-0 overflow-auto px-4 pb-4">
        <PageHeader
          className="-mx-4"
          title={view.name}
          note={`${counted(view.entries.length, "session")}${last ? `, last on ${day(last.date)}` : ""}`}
        >
          <Toolbar name="More for this lift" actions={[{ label: "Exercise", to: `/library/${view.exercise}` }]} />
        </PageHeader>
        {view.rising && (
          <p className="mb-2 flex gap-1.5 rounded-[3px] border border-brick bg-brick-l p-2 text-label leading-4 text-brick-ink">
            <WarnIcon /> Pain rose over three sessions: {view.rising.join(", ")} of 10. No increase; ask, and see a
            physiotherapist if it lasts or returns.
          </p>
        )}
        <Suspense fallback={<div className="h-[258px]" />}>
          <LiftChart view={view} units={units} />
        </Suspense>
        <h2 className="mt-4 mb-1 text-body font-semibold">Every time, and what it said about the next</h2>
        <Entries view={view} units={units} />
      </main>
      <aside className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel" aria-label="What comes next">
        {view.current && (
          <div className="sec">
            <h2 className="sec-h">Estimated 1RM</h2>
            <p className="num text-hero leading-[48px] font-semibold">
              {mass(Math.round(view.current.kg * 10) / 10, units)}
            </p>
            <p className="text-label leading-4 text-ink2">
              give or take {Math.round(view.current.unsurePct)}%, from {day(view.current.date)}; estimates fade after
              six weeks
            </p>
          </div>
        )}
        <div className="sec">
          <NextStep view={view} units={units} last={last} />
          <Overrule key={`${view.exercise}${last?.date}`} view={view} units={units} />
        </div>
        {view.ahead.length > 0 && <Ahead view={view} />}
        {view.ladder && <Steps view={view} ladder={view.ladder} />}
        <div className="sec flex-1">
          <p className="text-label leading-4 text-ink2">
            Estimates say what was lifted, not what will hold. They do not replace a qualified person on the floor; no
            1RM test without supervision.
          </p>
        </div>
      </aside>
    </>
  );
}

/** Pain the morning after: a tendon may hurt in the work if it is back to its usual level then (rule progress.tendon). */
function NextDay({ view, entry: e }: { view: LiftView; entry: LiftView["entries"][number] }) {
  const save = useNextDay(view.id);
  return (
    <label className="block font-normal text-ink2">
      next day
      <select
        aria-label={`Pain the morning after ${day(e.date)}`}
        className="block w-11 border border-edge bg-surface text-ink"
        value={e.item.nextDayPain ?? ""}
        onChange={(x) => save.mutate({ date: e.date, exercise: view.exercise, pain: Number(x.target.value) })}
      >
        <option value="" disabled>
          ?
        </option>
        {Array.from({ length: 11 }, (_, n) => (
          <option key={n} value={n}>
            {n}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The weeks ahead on the block's line. */
function Ahead({ view }: { view: LiftView }) {
  const units = useUnits();
  return (
    <div className="sec">
      <h2 className="sec-h">
        After that <span className="font-normal">if each week is done as asked</span>
      </h2>
      <table className="w-full text-label leading-4" aria-label="Planned ahead">
        <thead className="sr-only">
          <tr>
            <th>Day</th>
            <th>Sets and repetitions</th>
            <th>Load</th>
            <th>Week of the block</th>
          </tr>
        </thead>
        <tbody>
          {view.ahead.map((a) => (
            <tr key={`${a.date}${a.label}`} className="border-b border-hair2">
              <td className="py-1 pr-2">
                <Link className="link" to={`/a/${view.id}/session/${a.date}/${a.label}`}>
                  {day(a.date).replace(/^\w+\s/, "")}
                </Link>
              </td>
              <td className="num py-1 pr-2">
                {a.sets} × {workText(a)}
              </td>
              <td className="num py-1 pr-2">
                {a.loadKg === null ? "" : mass(a.loadKg, units)}
                {a.percent1rm === null ? "" : `, ${Math.round(a.percent1rm)}%`}
              </td>
              <td className="py-1 text-right text-ink2">
                {a.stepBack ? "step-back" : a.line ? `week ${a.line.point + 1} of ${a.line.of}` : ""}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Every time the lift was done. */
function Entries({ view, units }: { view: LiftView; units: Units }) {
  return (
    <table className="w-full border-collapse text-left text-label leading-4">
      <thead>
        <tr className="h-6 text-ink2 shadow-[inset_0_-1.500px_0_var(--color-ground)]">
          <th className="w-[88px] font-semibold">Day</th>
          <th className="font-semibold">Asked</th>
          <th className="font-semibold">Lifted</th>
          <th className="w-[68px] font-semibold">Pain</th>
          {view.entries.some((e) => e.sides) && <th className="w-[104px] font-semibold">Left / right</th>}
          <th className="w-[40%] font-semibold">Decision</th>
        </tr>
      </thead>
      <tbody>
        {[...view.entries].reverse().map((e) => (
          <tr key={e.date} className="border-b border-hair2 align-top" data-testid="lift-entry" data-date={e.date}>
            <td className="py-1.5">
              {day(e.date)}
              {view.said[e.date] && <span className="block text-label leading-4 text-ink2">{view.said[e.date]}</span>}
            </td>
            <td className="py-1.5 pr-2">{textIn(e.asked, units)}</td>
            <td className="py-1.5 pr-2 font-medium">{e.text}</td>
            <td className={`py-1.5 ${(e.item.pain ?? 0) >= 3 ? "font-semibold text-brick-ink" : ""}`}>
              {e.item.pain ?? "–"}
              {(e.item.pain ?? 0) > 0 && <NextDay view={view} entry={e} />}
            </td>
            {view.entries.some((x) => x.sides) && (
              <td className="py-1.5">
                {e.sides ? (
                  <>
                    {e.sides.left} / {e.sides.right}
                    {e.sides.action !== "even" && (
                      <span className="text-brick-ink">
                        {" "}
                        {Math.round(e.sides.pct)}%{e.sides.action === "act" ? ", acted on" : ", watched"}
                      </span>
                    )}
                  </>
                ) : (
                  "–"
                )}
              </td>
            )}
            <td className="py-1.5">
              <b className="font-semibold">
                {DECISION_WORDS[e.decision.kind]}
                {e.decision.byCoach ? ", your decision" : ""}
              </b>{" "}
              <Asked reasons={e.decision.why} className="text-left text-ink2">
                {textIn(
                  e.decision.why
                    .slice(0, 2)
                    .map((w) => w.text)
                    .join(" "),
                  units,
                )}
              </Asked>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface NextStepProps {
  view: LiftView;
  units: Units;
  last: (Omit<LiftEntry, "item"> & { item: LoggedItem; text: string; asked: string }) | undefined;
}

function NextStep({ view, units, last }: NextStepProps) {
  return (
    <>
      <h2 className="sec-h">Next step</h2>
      {view.next ? (
        <>
          <p className="text-label text-ink2">
            <Link className="link" to={`/a/${view.id}/session/${view.next.date}/${view.next.label}`}>
              {day(view.next.date)}, {LABEL_NAMES[view.next.label]}
            </Link>
          </p>
          <p className="num text-figure leading-7 font-semibold" data-testid="next-step">
            {view.next.sets} × {workText(view.next)}
            {view.next.loadKg !== null ? ` @ ${mass(view.next.loadKg, units)}` : ""}
          </p>
          <p className="mb-2 flex items-center gap-2 text-label text-ink2">
            {reserveText(view.next.rir)} in reserve
            {view.next.perSideKg.length > 0 && <PlateStack perSideKg={view.next.perSideKg} />}
            {view.next.decision && (
              <b className="font-semibold text-ink">
                {DECISION_WORDS[view.next.decision.kind]}
                {view.next.decision.byCoach ? ", your decision" : ""}
              </b>
            )}
          </p>
          <WhyList reasons={view.next.why} />
        </>
      ) : (
        <p className="text-label leading-4">
          No planned session takes it. {last ? `The last log said: ${DECISION_WORDS[last.decision.kind]}.` : ""}
        </p>
      )}
    </>
  );
}

/** The progression, with the step the athlete is on. */
function Steps({ view, ladder }: { view: LiftView; ladder: NonNullable<LiftView["ladder"]> }) {
  return (
    <div className="sec">
      <h2 className="sec-h">
        Progression <span className="font-normal">{ladder.because}</span>
      </h2>
      <ol className="flex flex-col-reverse text-label leading-4">
        {ladder.rungs.map((r, i) => (
          <li
            key={r.exercise}
            className={`flex items-center gap-2 border-b border-hair2 py-1 ${r.open ? "" : "text-ink2"}`}
            style={{ paddingLeft: `${i * 3}px` }}
          >
            <span
              className={`inline-block h-[9px] w-[9px] flex-none rounded-full border border-ground ${r.here ? "bg-iron" : r.times > 0 ? "bg-hair" : "bg-panel"}`}
            />
            {r.times > 0 ? (
              <Link className="link min-w-0 flex-1 truncate" to={`/a/${view.id}/lifts/${r.exercise}`}>
                {r.name}
              </Link>
            ) : (
              <span className="min-w-0 flex-1 truncate">{r.name}</span>
            )}
            <span className="flex-none text-ink2">
              {r.here ? "current step" : r.times > 0 && r.first ? `from ${dayAndYear(r.first).slice(-8)}` : ""}
            </span>
          </li>
        ))}
      </ol>
    </div>
  );
}
