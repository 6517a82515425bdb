/** Week: the fit around the key sessions, its price by rule, its best alternatives. */
import { lazy, Suspense, useMemo, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { toast } from "sonner";
import type { EnduranceView, PlannedSessionView, WeekView } from "../../api/views";
import type { LockedSession } from "../../core/athlete/types";
import { addDays, dayName, mondayOf } from "../../core/dates";
import { RULES } from "../../core/rules";
import { useClub, useFit, useHold, useLock, useUnlock, useWeek } from "../data/hooks";
import { day, distance, duration, EMPHASIS_NAMES, PHASE_NAMES, SPORT_NAMES, sessionName, span, time, type Units } from "../format";
import { FitHistogram } from "../section/FitHistogram";
import { Legend } from "../section/Legend";
import { weekLayout } from "../section/layout/week";
import { MiniWeek } from "../section/MiniWeek";
import { STRATA } from "../section/patterns";
import { useSize } from "../section/useSize";
import { WeekSection } from "../section/WeekSection";
import { useCurrentRow } from "../ui/Frame";
import { ICON, WarnIcon } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { Failed, Loading } from "../ui/State";
import { Asked, WhyList } from "../ui/Why";

const EnduranceSheet = lazy(() => import("../ui/EnduranceSheet"));

export default function WeekRoute() {
  const { id = "", monday } = useParams();
  const club = useClub();
  const start = monday ?? (club.data ? mondayOf(club.data.today) : "");
  const week = useWeek(id, start);
  if (week.isPending) return <Loading what="the week" />;
  if (week.isError) return <Failed error={week.error} retry={() => week.refetch()} what="The week" />;
  return <Week id={id} view={week.data} />;
}

const lockOf = (s: PlannedSessionView): LockedSession => ({ date: s.date, start: time(s.start), place: s.place, label: s.label });

function Week({ id, view }: { id: string; view: WeekView }) {
  const navigate = useNavigate();
  const row = useCurrentRow();
  const units: Units = { massUnit: row?.massUnit ?? "kg", distanceUnit: row?.distanceUnit ?? "km" };
  const [ref, size] = useSize<HTMLDivElement>();
  const [chosen, setChosen] = useState<string | null>(null);
  const [editing, setEditing] = useState<EnduranceView | "new" | null>(null);
  const [preview, setPreview] = useState<number | null>(null);
  const fit = useFit(id);
  const hold = useHold(id);
  const lock = useLock(id);
  const unlock = useUnlock(id);

  const open = view.sessions.filter((s) => !s.done);
  const selected = view.sessions.findIndex((s) => `${s.date}${s.label}` === chosen);
  const session = view.sessions[selected];
  const go = (by: number) => navigate(`/a/${id}/week/${addDays(view.monday, by * 7)}`);
  const before = { monday: view.monday, sessions: view.held };
  const undoFit = () => hold.mutate(before);
  const runFit = () =>
    fit.mutate(view.monday, {
      onSuccess: (w) => toast(`Fitted: cost ${w.fit.cost}, best of ${w.fit.weighed} placements.`, { action: { label: "Undo", onClick: undoFit } }),
      onError: (e) => toast(e.message),
    });
  const toggleLock = (s: PlannedSessionView | undefined) => {
    if (!s || s.done) return;
    if (s.locked) unlock.mutate({ date: s.date, label: s.label }, { onSuccess: () => toast(`Session ${s.label} unlocked.`, { action: { label: "Undo", onClick: () => lock.mutate(lockOf(s)) } }) });
    else lock.mutate(lockOf(s), { onSuccess: () => toast(`Session ${s.label} stays on ${day(s.date)}.`, { action: { label: "Undo", onClick: () => unlock.mutate({ date: s.date, label: s.label }) } }) });
  };
  const lockAll = () => open.filter((s) => !s.locked).forEach((s) => void lock.mutateAsync(lockOf(s)));
  const take = (at: number) => {
    const alternative = view.fit.alternatives[at];
    if (!alternative) return;
    setPreview(null);
    hold.mutate(
      { monday: view.monday, sessions: alternative.sessions.map((s) => ({ date: s.date, start: time(s.start), place: s.place, label: s.label })) },
      { onSuccess: () => toast(`Taken over at cost ${alternative.cost}.`, { action: { label: "Undo", onClick: undoFit } }) },
    );
  };
  const walk = (by: 1 | -1) => {
    if (view.sessions.length === 0) return;
    const next = view.sessions[(selected + by + view.sessions.length) % view.sessions.length];
    if (next) setChosen(`${next.date}${next.label}`);
  };
  const openSession = (at: number) => {
    const s = view.sessions[at];
    if (s) navigate(`/a/${id}/session/${s.date}/${s.label}`);
  };
  useKeys("view", [
    { key: "ArrowLeft", label: "", run: () => go(-1), bar: true },
    { key: "ArrowRight", label: "week", run: () => go(1), bar: true },
    { key: "ArrowDown", label: "next session", run: () => walk(1), bar: true },
    { key: "ArrowUp", label: "session before", run: () => walk(-1) },
    { key: "Enter", label: "open session", run: () => openSession(selected), bar: true },
    { key: "f", label: "fit week", run: runFit, bar: true },
    { key: "l", label: "lock", run: () => toggleLock(session), bar: true },
    { key: "e", label: "add endurance session", run: () => setEditing("new") },
  ]);

  const shown: WeekView = useMemo(() => {
    const alternative = preview === null ? undefined : view.fit.alternatives[preview];
    if (!alternative) return view;
    return {
      ...view,
      sessions: view.sessions.map((s) => {
        const to = alternative.sessions.find((a) => a.label === s.label);
        return to && !s.done ? { ...s, date: to.date, start: to.start, place: to.place, warning: null } : s;
      }),
    };
  }, [view, preview]);
  const layout = useMemo(
    () =>
      size
        ? weekLayout({
            view: shown,
            width: size.width,
            height: size.height,
            words: (e) => enduranceWords(e, units),
            tag: (s) => [sessionName(s.label, view.emphasis), `${duration(s.minutes)} · depth ${s.stress}`],
          })
        : null,
    // biome-ignore lint/correctness/useExhaustiveDependencies: units change only with the athlete's distance unit
    [shown, size, units.distanceUnit],
  );
  const end = addDays(view.monday, 6);
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_300px]">
      <main className="flex min-w-0 flex-col">
        <div className="flex h-[52px] flex-none items-center gap-2 pr-3 pl-4">
          <h1 className="text-[18px] leading-6 font-[650] whitespace-nowrap">Week {view.isoWeek}</h1>
          <span className="ml-1 truncate text-ink2">
            {span(view.monday, end)}, {PHASE_NAMES[view.phase]} week {view.phaseWeek} of {view.phaseWeeks}, {EMPHASIS_NAMES[view.emphasis].toLowerCase()}
            {view.stepBack ? ", step-back" : ""}
          </span>
          <button type="button" className="btn btn-sq ml-2" aria-label="Previous week" onClick={() => go(-1)}>
            {ICON.left}
          </button>
          <button type="button" className="btn btn-sq -ml-1" aria-label="Next week" onClick={() => go(1)}>
            {ICON.right}
          </button>
          <span className="flex-1" />
          <button type="button" className="btn" onClick={() => setEditing("new")}>
            {ICON.plus} Endurance
          </button>
          <button type="button" className="btn" onClick={lockAll} disabled={!view.editable || open.every((s) => s.locked)}>
            {ICON.lock} Lock all
          </button>
          <button type="button" className="btn btn-pri" onClick={runFit} disabled={!view.editable || fit.isPending}>
            {ICON.fit} {fit.isPending ? "Fitting…" : "Fit week"}
          </button>
        </div>
        <Legend kind="week" />
        <div ref={ref} className="min-h-[420px] flex-1 overflow-hidden">
          {layout && size && (
            <WeekSection
              layout={layout}
              view={shown}
              selected={selected >= 0 ? selected : null}
              onSelect={(at) => setChosen(view.sessions[at] ? `${view.sessions[at].date}${view.sessions[at].label}` : null)}
              onOpen={openSession}
              onEndurance={(e) => setEditing(view.endurance.find((x) => x.id === e) ?? null)}
              width={size.width}
              height={size.height}
            />
          )}
        </div>
      </main>
      <aside className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel" aria-label="Fit of the week">
        {session && <Chosen id={id} view={view} session={session} onLock={() => toggleLock(session)} onOpen={() => openSession(selected)} />}
        <FitPanel view={view} preview={preview} onPreview={setPreview} onTake={take} onFit={runFit} />
      </aside>
      {editing && (
        <Suspense fallback={null}>
          <EnduranceSheet id={id} session={editing === "new" ? null : editing} date={view.today >= view.monday && view.today <= end ? view.today : view.monday} sport={row?.sport ?? "run"} units={units} onClose={() => setEditing(null)} />
        </Suspense>
      )}
    </div>
  );
}

function enduranceWords(e: EnduranceView, units: Units): string[] {
  const noun = e.sport === "triathlon" || e.sport === "other" ? "" : ` ${e.sport}`;
  const plain = ["easy", "long", "steady", "technique"].includes(e.kind);
  const kind = e.kind === "other" ? SPORT_NAMES[e.sport] : `${e.kind[0]?.toUpperCase()}${e.kind.slice(1)}${plain || e.sport === "swim" ? noun : ""}`;
  const far = e.distanceKm ? distance(e.distanceKm, units, e.distanceKm < 10 ? 1 : 0) : "";
  return [`${kind} ${far}`.trim(), `${duration(e.minutes)} · RPE ${e.rpe ?? e.load / e.minutes}${e.rpe === undefined ? "*" : ""}`];
}

function Chosen({ id, view, session: s, onLock, onOpen }: { id: string; view: WeekView; session: PlannedSessionView; onLock: () => void; onOpen: () => void }) {
  const navigate = useNavigate();
  return (
    <div className="sec bg-iron-l">
      <h2 className="text-[15px] leading-5 font-[650]">{sessionName(s.label, view.emphasis)}</h2>
      <p className="mb-2 text-[12px] text-ink2">
        {day(s.date)} {time(s.start)}
        {s.place ? `, ${s.place}` : ""}, {duration(s.minutes)}
        {s.done ? ", logged" : ""}
      </p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm" onClick={onOpen}>
          Open session
        </button>
        {!s.done && (
          <button type="button" className="btn btn-sm" onClick={onLock} aria-pressed={s.locked}>
            {s.locked ? ICON.unlock : ICON.lock} {s.locked ? "Unlock" : "Lock here"}
          </button>
        )}
        {s.date === view.today && (
          <button type="button" className="btn btn-sm" onClick={() => navigate(`/a/${id}/floor/${s.date}/${s.label}`)}>
            {ICON.floor} Floor
          </button>
        )}
      </div>
    </div>
  );
}

function FitPanel({ view, preview, onPreview, onTake, onFit }: { view: WeekView; preview: number | null; onPreview: (at: number | null) => void; onTake: (at: number) => void; onFit: () => void }) {
  const { fit } = view;
  if (!view.editable)
    return (
      <div className="sec flex-1">
        <h2 className="mb-1 text-[18px] leading-6 font-[650]">Done</h2>
        <p className="mb-3 text-ink2">This week is past. What was lifted stands as it was logged.</p>
        <WhyList reasons={view.why} />
      </div>
    );
  const open = view.sessions.filter((s) => !s.done);
  return (
    <>
      <div className="sec">
        <div className="mb-2 flex items-baseline justify-between">
          <h2 className="text-[18px] leading-6 font-[650]">Fit</h2>
          <span className="text-[12px] text-ink2">
            {view.held ? "held" : "proposed"}, best of {fit.weighed.toLocaleString("en-GB")} placements
          </span>
        </div>
        <div className="flex items-end gap-4">
          <div>
            <Asked reasons={[{ rule: "fit.place", text: `The least cost of ${fit.weighed} placements that keep every must-hold rule.` }]} className="num block text-[44px] leading-[44px] font-semibold" label={`Cost ${fit.cost}`}>
              {fit.cost}
            </Asked>
            <span className="block text-[12px] leading-4 text-ink2">cost</span>
          </div>
          <FitHistogram histogram={fit.histogram} cost={fit.cost} />
        </div>
        {view.stale && (
          <p className="mt-2 flex items-start gap-1.5 text-[12px] leading-4 text-brick-ink">
            <WarnIcon />
            <span>
              A cheaper placement exists now.{" "}
              <button type="button" className="underline" onClick={onFit}>
                Fit again
              </button>
            </span>
          </p>
        )}
      </div>
      {fit.unplaced.length > 0 && (
        <div className="sec">
          {fit.unplaced.map((u) => (
            <p key={u.label} className="flex gap-1.5 text-[12px] leading-4 text-brick-ink">
              <WarnIcon />
              <span>
                <b>Session {u.label} is not placed.</b> {u.why}
              </span>
            </p>
          ))}
        </div>
      )}
      <div className="sec">
        <h3 className="sec-h">{fit.cost > 0 ? `Where the ${fit.cost} points come from` : open.length > 0 ? "No rule charges anything" : "Nothing to place"}</h3>
        <ul>
          {fit.costs.map((c) => (
            <li key={c.rule + c.text} className="grid grid-cols-[32px_1fr] border-t border-hair2 py-2 first:border-t-0 first:pt-0.5">
              <span className="num text-[18px] leading-5 font-semibold">{c.points}</span>
              <div>
                <Asked reasons={[c]} className="block text-left text-[13px] leading-5 font-semibold">
                  {RULES[c.rule]?.title ?? c.rule}
                </Asked>
                <p className="text-[12px] leading-4 text-ink2 cond-s">{c.text}</p>
              </div>
            </li>
          ))}
        </ul>
        <p className="mt-1 border-t border-hair pt-2 text-[12px] leading-4 text-ink2">{fit.freeRules} other rules cost nothing</p>
      </div>
      <div className="sec">
        <h3 className="sec-h">Alternatives</h3>
        {fit.alternatives.length === 0 && <p className="text-[12px] text-ink2">No other choice of days keeps every must-hold rule.</p>}
        {fit.alternatives.map((a, i) => (
          <div key={a.sessions.map((s) => s.date + s.label).join()} className="grid grid-cols-[116px_1fr] gap-3 border-t border-hair2 py-2.5 first-of-type:border-t-0 first-of-type:pt-0.5">
            <MiniWeek view={view} alternative={a} />
            <div>
              <h4 className="text-[13px] leading-4 font-semibold cond-s">{a.sessions.map((s) => `${s.label} ${dayName(s.date)} ${time(s.start)}`).join(", ")}</h4>
              <p className="mt-0.5 text-[12px] leading-4 text-ink2">
                cost <b className="text-ink">{a.cost}</b>
                {a.cost === fit.cost ? ", the same" : a.cost > fit.cost ? `, ${a.cost - fit.cost} more` : `, ${fit.cost - a.cost} less`}
              </p>
              <div className="mt-1.5 flex gap-1.5">
                <button type="button" className="btn btn-sm" aria-pressed={preview === i} onClick={() => onPreview(preview === i ? null : i)}>
                  {preview === i ? "Back" : "Preview"}
                </button>
                <button type="button" className="btn btn-sm" onClick={() => onTake(i)}>
                  Take
                </button>
              </div>
            </div>
          </div>
        ))}
      </div>
      <div className="sec flex-1">
        <h3 className="sec-h">
          Why
          <i className="sw self-center" style={{ background: STRATA[view.phase].tint }} />
        </h3>
        <WhyList reasons={view.why} />
      </div>
    </>
  );
}
