/** Session: the sheet of one session, its time against the window, its cautions and reasons. */
import { Link, Navigate, useNavigate, useParams } from "react-router";
import type { ItemView, SessionView } from "../../api/views";
import { anchorShape } from "../section/layout/common";
import { useAthlete, useClub, useSession } from "../data/hooks";
import { clock, day, duration, EMPHASIS_NAMES, loadText, mass, massNumber, PHASE_NAMES, sessionName, time, type Units } from "../format";
import { Defs } from "../section/Defs";
import { Anchor, Earth, PatternTile, Text } from "../section/parts";
import { bandOf, bandSets, STRATA } from "../section/patterns";
import { useCurrentRow } from "../ui/Frame";
import { ICON, WarnIcon } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PlateStack } from "../ui/Plates";
import { Empty, Failed, Loading } from "../ui/State";
import { Asked, WhyList } from "../ui/Why";

export default function SessionRoute() {
  const { id = "", date, label } = useParams();
  return date && label ? <One id={id} date={date} label={label} /> : <Nearest id={id} />;
}

/** Without a day: today's session, else the next, else the last one logged. */
function Nearest({ id }: { id: string }) {
  const athlete = useAthlete(id);
  const club = useClub();
  if (athlete.isPending || club.isPending) return <Loading what="the session" />;
  if (athlete.isError) return <Failed error={athlete.error} retry={() => athlete.refetch()} what="The session" />;
  const { sessions, logged } = athlete.data;
  const today = club.data?.today ?? "";
  const next = logged.find((l) => l.date === today) ?? sessions.find((s) => s.date >= today) ?? logged.at(-1);
  if (next) return <Navigate to={`/a/${id}/session/${next.date}/${next.label}`} replace />;
  return (
    <Empty title="No session in sight">
      <p className="mb-3">Nothing is placed in the next three weeks. Sessions need windows, and weeks need days that races and absences leave open.</p>
      <Link className="btn" to={`/a/${id}/records`}>
        Open windows and races
      </Link>
    </Empty>
  );
}

function One({ id, date, label }: { id: string; date: string; label: string }) {
  const session = useSession(id, date, label);
  const athlete = useAthlete(id);
  const navigate = useNavigate();
  const all = athlete.data ? [...athlete.data.logged, ...athlete.data.sessions].sort((a, b) => (a.date < b.date ? -1 : 1)) : [];
  const at = all.findIndex((s) => s.date === date && s.label === label);
  const step = (by: 1 | -1) => {
    const next = at >= 0 ? all[at + by] : all.find((s) => s.date >= date);
    if (next) navigate(`/a/${id}/session/${next.date}/${next.label}`);
  };
  useKeys("view", [
    { key: "ArrowLeft", label: "", run: () => step(-1), bar: true },
    { key: "ArrowRight", label: "session", run: () => step(1), bar: true },
    { key: "g", label: "to the floor", run: () => navigate(`/a/${id}/floor/${date}/${label}`), bar: true },
    { key: "w", label: "its week", run: () => navigate(`/a/${id}/week/${date}`), bar: true },
  ]);
  if (session.isPending) return <Loading what="the session" />;
  if (session.isError)
    return session.error.message.includes("no such session") ? (
      <Empty title="No session stands here any more">
        <p className="mb-3">
          {day(date)} holds no session {label}: it was moved, or its week changed.
        </p>
        <Link className="btn" to={`/a/${id}/week/${date}`}>
          Open its week
        </Link>
      </Empty>
    ) : (
      <Failed error={session.error} retry={() => session.refetch()} what="The session" />
    );
  return <Sheet view={session.data} onStep={step} />;
}

function Sheet({ view, onStep }: { view: SessionView; onStep: (by: 1 | -1) => void }) {
  const row = useCurrentRow();
  const units: Units = { massUnit: row?.massUnit ?? "kg", distanceUnit: row?.distanceUnit ?? "km" };
  const canLift = view.date <= view.today;
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_300px]">
      <main className="flex min-w-0 flex-col">
        <div className="flex h-[52px] flex-none items-center gap-2 pr-3 pl-4">
          <h1 className="text-[18px] leading-6 font-[650] whitespace-nowrap">{sessionName(view.label, view.emphasis)}</h1>
          <span className="ml-1 truncate text-ink2">
            {day(view.date)} {time(view.start)}
            {view.place ? `, ${view.place}` : ""}, {PHASE_NAMES[view.phase]}, {EMPHASIS_NAMES[view.emphasis].toLowerCase()}
          </span>
          <button type="button" className="btn btn-sq ml-2" aria-label="Session before" onClick={() => onStep(-1)}>
            {ICON.left}
          </button>
          <button type="button" className="btn btn-sq -ml-1" aria-label="Next session" onClick={() => onStep(1)}>
            {ICON.right}
          </button>
          <span className="flex-1" />
          <Link className="btn" to={`/a/${view.id}/week/${view.date}`}>
            Its week
          </Link>
          {canLift ? (
            <Link className="btn btn-pri" to={`/a/${view.id}/floor/${view.date}/${view.label}`}>
              {ICON.floor} {view.log ? "Log again" : "To the floor"}
            </Link>
          ) : (
            <span className="text-[12px] text-ink2">The floor opens on the day</span>
          )}
        </div>
        <div className="min-h-0 flex-1 overflow-auto px-4 pb-4">
          <table className="w-full border-collapse text-left">
            <thead>
              <tr className="h-7 text-[12px] text-ink2 shadow-[inset_0_-1.500px_0_var(--color-ground)]">
                <th className="w-10 font-semibold">Pair</th>
                <th className="font-semibold">Exercise</th>
                <th className="w-[104px] font-semibold">Sets × reps</th>
                <th className="w-[112px] font-semibold">Load</th>
                <th className="w-[112px] font-semibold">Last time</th>
                <th className="w-[118px] font-semibold">Plates a side</th>
                <th className="w-[70px] font-semibold">Reserve</th>
                <th className="w-14 font-semibold">Rest</th>
                <th className="w-14 font-semibold">Tempo</th>
                {view.log && <th className="w-[150px] font-semibold">Lifted</th>}
              </tr>
            </thead>
            <tbody>
              {view.items.map((i) => (
                <Lines key={i.pair + i.exercise} item={i} view={view} units={units} />
              ))}
            </tbody>
          </table>
          <TimeBar view={view} />
          {view.dropped.length > 0 && (
            <section className="mt-4">
              <h2 className="sec-h">Left out</h2>
              <ul className="text-[12px] leading-4">
                {view.dropped.map((d) => (
                  <li key={d.name + d.why} className="py-0.5">
                    <b className="font-semibold">{d.name}</b>: {d.why}
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
      </main>
      <aside className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel" aria-label="About this session">
        <div className="sec">
          <h2 className="sec-h">
            Anchor <em className="font-normal not-italic cond">{view.depthLimit > 0 ? `limit ${view.depthLimit} this week` : ""}</em>
          </h2>
          <SessionAnchor view={view} />
          <p className="mt-1 text-[12px] text-ink2">
            {duration(view.minutes)} × RPE {view.rpe} = <Asked reasons={[view.why[0] ?? { rule: "depth.week", text: "Planned session RPE x minutes." }]}>{view.stress} AU</Asked>
            {view.locked ? ", locked" : ""}
          </p>
        </div>
        <div className="sec">
          <h2 className="sec-h">Cautions</h2>
          <ul className="space-y-1.5 text-[12px] leading-4">
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
          <WhyList reasons={[...view.why, ...view.items.flatMap((i) => i.why.map((w) => ({ rule: w.rule, text: `${i.name}: ${w.text}` })))]} />
        </div>
      </aside>
    </div>
  );
}

function Lines({ item: i, view, units }: { item: ItemView; view: SessionView; units: Units }) {
  const [partnered, second] = [/[AB]$/.test(i.pair), i.pair.endsWith("B")];
  const logged = view.log?.items.find((x) => x.exercise === i.exercise);
  const reps = i.seconds !== null ? `${i.sets} × ${i.seconds} s` : `${i.sets} × ${i.repsLow !== null && i.repsLow !== i.reps ? `${i.repsLow}–` : ""}${i.reps}`;
  const columns = view.log ? 10 : 9;
  return (
    <>
      {i.warmUp.length > 0 && (
        <tr className="h-6 text-[12px] text-ink2">
          <td className="relative">{partnered && !second && <Bracket part="top" />}</td>
          <td colSpan={columns - 1}>
            Warm-up sets:{" "}
            {i.warmUp.map((w, k) => (
              <span key={w.loadKg} className="whitespace-nowrap">
                {k > 0 ? ", " : ""}
                {mass(w.loadKg, units)} × {w.reps}
              </span>
            ))}
          </td>
        </tr>
      )}
      <tr className={`h-14 align-middle ${partnered && !second ? "" : "border-b border-hair"}`}>
        <td className="relative font-semibold num">
          {i.pair}
          {partnered && <Bracket part={second ? "bottom" : i.warmUp.length > 0 ? "through" : "top"} />}
        </td>
        <td className="pr-3">
          <span className="flex items-center gap-2">
            <PatternTile id={bandOf(i.pattern)} size={18} />
            <span>
              <Asked reasons={i.why.filter((w) => w.rule.startsWith("choice") || w.rule === "side.first")} className="block text-left text-[14px] leading-5 font-semibold">
                {i.name}
              </Asked>
              <span className="block max-w-[46ch] text-[12px] leading-4 text-ink2 cond-s">{i.cue}</span>
            </span>
          </span>
        </td>
        <td>
          <Asked reasons={view.why} className="text-[15px] font-semibold whitespace-nowrap">
            {reps}
          </Asked>
          {i.eachSide && <span className="block text-[12px] leading-4 text-ink2">each side</span>}
        </td>
        <td>
          <Asked reasons={i.why.filter((w) => /^(load|progress)/.test(w.rule))} className="text-[15px] font-semibold whitespace-nowrap">
            {loadText(i, units)}
          </Asked>
          {i.percent1rm !== null && <span className="block text-[12px] leading-4 text-ink2">{i.percent1rm}% of 1RM</span>}
          {i.loading === "pair" && i.loadKg !== null && <span className="block text-[12px] leading-4 text-ink2">one in each hand</span>}
          {i.loading === "single" && i.loadKg !== null && <span className="block text-[12px] leading-4 text-ink2">one, held</span>}
        </td>
        <td className="pr-2 text-[12px] leading-4 text-ink2 cond-s">
          {i.last ? (
            <>
              <span className="block">{day(i.last.date)}</span>
              {i.last.text}
            </>
          ) : (
            "–"
          )}
        </td>
        <td className="text-[12px] leading-4">
          {i.loading === "bar" && i.barKg !== null && i.loadKg !== null ? (
            <>
              <PlateStack perSideKg={i.perSideKg} />
              <span className="block text-ink2 cond-s">
                {massNumber(i.barKg, units)} bar{i.perSideKg.length ? `, ${i.perSideKg.map((p) => massNumber(p, units)).join(" + ")}` : " alone"}
              </span>
            </>
          ) : (
            <span className="text-ink2">–</span>
          )}
        </td>
        <td>{i.seconds === null ? i.rir : "–"}</td>
        <td className="num">{clock(i.restSeconds)}</td>
        <td className="num">{i.seconds === null ? i.tempo : "hold"}</td>
        {view.log && (
          <td className="text-[12px] leading-4">
            {logged ? logged.sets.map((s) => `${s.side === "both" ? "" : s.side[0]?.toUpperCase()}${s.reps ?? `${s.seconds} s`}${s.loadKg === undefined ? "" : ` @ ${massNumber(s.loadKg, units)}`}`).join(", ") : "not done"}
            {(logged?.pain ?? 0) > 0 && <span className="block text-brick-ink">pain {logged?.pain}</span>}
          </td>
        )}
      </tr>
    </>
  );
}

const Bracket = ({ part }: { part: "top" | "bottom" | "through" }) => (
  <span aria-hidden="true" className={`absolute right-2 w-1.5 border-l-[1.5px] border-iron ${part === "top" ? "top-1/2 bottom-0 border-t-[1.5px]" : part === "bottom" ? "top-0 bottom-1/2 border-b-[1.5px]" : "inset-y-0"}`} />
);

/** Work, rest filled by the partner, rest left empty, against the window. */
function TimeBar({ view }: { view: SessionView }) {
  const t = view.time;
  const parts: [string, number, string][] = [
    ["opening", t.opening, "var(--color-hair)"],
    ["warm-up sets", t.warmUp, "#C6D1DD"],
    ["work", t.work, "var(--color-iron)"],
    ["rest, empty", t.emptyRest, "var(--color-base)"],
    ["changing over", t.change, "var(--color-edge)"],
  ];
  const used = parts.reduce((a, [, s]) => a + s, 0);
  const all = Math.max(used, view.windowMinutes * 60);
  return (
    <section className="mt-4" aria-label="Time">
      <h2 className="sec-h">
        Time{" "}
        <em className="font-normal not-italic">
          {duration(view.minutes)} of {duration(view.windowMinutes)} there are
        </em>
      </h2>
      <div className="flex h-4 overflow-hidden rounded-[2px] border border-ground bg-panel">
        {parts.map(([name, s, fill]) => (s > 0 ? <div key={name} title={`${name}: ${clock(s)}`} style={{ width: `${(s / all) * 100}%`, background: fill }} /> : null))}
      </div>
      <p className="mt-1 flex flex-wrap gap-x-4 text-[12px] text-ink2">
        {parts.map(([name, s, fill]) => (
          <span key={name} className="flex items-center gap-1.5">
            <i className="sw" style={{ background: fill }} /> {name} {clock(s)}
          </span>
        ))}
        <span>rest filled by the partner {clock(t.filledRest)}</span>
      </p>
    </section>
  );
}

function SessionAnchor({ view }: { view: SessionView }) {
  const [w, h, ground] = [268, 150, 10];
  const deepest = Math.max(120, view.depthLimit, view.stress);
  const unit = (h - ground - 12) / deepest;
  const shape = anchorShape(
    { key: "one", stress: view.stress, bands: bandSets(view.items.map((i) => ({ pattern: i.pattern, sets: i.sets }))), done: view.log !== null, locked: view.locked, limit: view.depthLimit },
    92,
    Math.max(28, Math.min(96, view.minutes * 1.1)),
    ground,
    unit,
    7,
    12,
  );
  const limit = ground + view.depthLimit * unit;
  return (
    <svg width={w} height={h} role="img" aria-label={`Depth ${view.stress} of a limit of ${view.depthLimit}`}>
      <Defs prefix="one" size={6} />
      <rect y={ground} width={w} height={h - ground} fill={STRATA[view.phase].tint} opacity=".7" />
      {view.depthLimit > 0 && <rect y={limit} width={w} height={Math.max(0, h - limit)} fill="url(#onerock)" />}
      {view.depthLimit > 0 && <line x2={w} y1={limit} y2={limit} stroke="var(--color-ground)" strokeWidth="1.25" />}
      <line x2={w} y1={ground} y2={ground} stroke="var(--color-ground)" strokeWidth="2" />
      {[12, 60, 150, 210].map((x) => (
        <Earth key={x} x={x} y={ground} />
      ))}
      <Anchor shape={shape} ground={ground} prefix="one" letters />
      <Text x={shape.x1 + 8} y={shape.foot - 2} size={12} weight={600}>
        depth {view.stress}
        {shape.over > 0 ? `, ${shape.over} over` : ""}
      </Text>
    </svg>
  );
}
