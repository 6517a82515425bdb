/** The inspector of one week of the season: endurance, dose, a close look at its sessions, reasons and warnings. */

import { Link } from "react-router";
import type { SeasonView, SeasonWeekView } from "../../api/views";
import type { EndurancePlan, PhaseSpan } from "../../core/athlete";
import { addDays } from "../../core/dates";
import type { Why } from "../../core/rulebook";
import { why } from "../../core/rulebook";
import type { SeasonWarning } from "../../core/season";
import { useSaveNote } from "../data/imports";
import { useHeld } from "../data/tags";
import {
  blockText,
  day,
  distanceNumber,
  duration,
  EMPHASIS_NAMES,
  loadText,
  PHASE_NAMES,
  SPORT_NAMES,
  setsByReps,
  signed,
  span,
  textIn,
  thousands,
  type Units,
} from "../format";
import { AmountField } from "../mileage/AmountField";
import { PatternTile } from "../section/parts";
import { BAND_STYLE, bandOf, STRATA } from "../section/patterns";
import { SeasonDetail } from "../section/SeasonDetail";
import { Asked } from "../ui/Asked";
import { ICON, WarnIcon } from "../ui/glyphs";
import { WhyList } from "../ui/Why";

export function Inspector({
  id,
  week,
  view,
  units,
  onStep,
  onOpen,
  onComputed,
  onSpan,
  plan,
  onAmount,
  onPlan,
  onPlanning,
}: {
  id: string;
  week: SeasonWeekView;
  view: SeasonView;
  units: Units;
  onStep: (by: number) => void;
  onOpen: () => void;
  /** Gives a phase of the coach's own back to the planner. */
  onComputed: (phase: PhaseSpan) => void;
  /** Tries a proposed phase. */
  onSpan: (span: PhaseSpan) => void;
  /** The endurance plan with everything asked for so far. */
  plan: EndurancePlan | null;
  /** Tries another amount for this week, km or minutes. */
  onAmount: (amount: number) => void;
  onPlan: (plan: EndurancePlan) => void;
  /** Opens the panel of the endurance plan. */
  onPlanning: () => void;
}) {
  const own = view.phases.find((p) => p.fixed && p.start <= addDays(week.start, 6) && p.end >= week.start);
  const end = addDays(week.start, 6);
  const warnings = view.warnings.filter((w) => w.code !== "not-placed" && w.date >= week.start && w.date <= end);
  const minutes = week.sessions.reduce((a, s) => a + s.minutes, 0);
  const mileage = week.why.filter((w) => w.rule.startsWith("mileage"));
  return (
    <>
      <div className="sec">
        <div className="flex items-center">
          <h2 className="text-title leading-6 font-[650]">Week {week.isoWeek}</h2>
          <span className="flex-1" />
          <button type="button" className="btn btn-sm btn-sq" aria-label="Previous week" onClick={() => onStep(-1)}>
            {ICON.left}
          </button>
          <button type="button" className="btn btn-sm btn-sq ml-1" aria-label="Next week" onClick={() => onStep(1)}>
            {ICON.right}
          </button>
          <button type="button" className="btn btn-sm ml-2" onClick={onOpen}>
            Open week
          </button>
        </div>
        <p className="mt-0.5 flex flex-wrap items-center gap-x-[7px]">
          {span(week.start, end)}
          <i className="sw" style={{ background: STRATA[week.phase].tint }} />
          {PHASE_NAMES[week.phase]}, {EMPHASIS_NAMES[week.emphasis].toLowerCase()}
          {blockText(week)}
        </p>
        {own && (
          <p className="mt-1 flex items-center gap-2 text-label leading-4 text-ink2">
            {PHASE_NAMES[own.phase]} {span(own.start, own.end)} is set by you.
            <button type="button" className="link" onClick={() => onComputed(own)}>
              Back to computed
            </button>
          </p>
        )}
      </div>
      <EnduranceFigures
        week={week}
        view={view}
        plan={plan}
        units={units}
        onAmount={onAmount}
        onPlanning={onPlanning}
        mileage={mileage}
      />
      {week.dose.length > 0 && <Dose week={week} units={units} />}
      <Detail week={week} minutes={minutes} id={id} />
      {view.jumps.length > 0 && (
        <div className="sec">
          <h3 className="sec-h">Jumps and power</h3>
          <WhyList reasons={view.jumps} />
        </div>
      )}
      <WeekNote key={week.start} id={id} monday={week.start} text={week.note} />
      <div className="sec flex-1">
        <h3 className="sec-h">Why</h3>
        <WhyList reasons={week.why} />
        <Warnings week={week} view={view} end={end} units={units} onPlan={onPlan} warnings={warnings} onSpan={onSpan} />
      </div>
    </>
  );
}

/** The coach's own words about a week; kept when the field is left. */
function WeekNote({ id, monday, text }: { id: string; monday: string; text: string }) {
  const save = useSaveNote(id);
  useHeld(`athletes/${id}/notes/${monday}`);
  return (
    <div className="sec">
      <label htmlFor="week-note" className="sec-h">
        Note
      </label>
      <textarea
        id="week-note"
        className="input h-auto min-h-8 py-1"
        rows={text ? 3 : 1}
        maxLength={2000}
        defaultValue={text}
        placeholder="Camp, exams, a cold: what the figures do not say"
        onBlur={(e) => e.target.value.trim() !== text && save.mutate({ monday, text: e.target.value })}
      />
      {save.isError && (
        <p role="alert" className="text-label text-brick-ink">
          {save.error.message}
        </p>
      )}
    </div>
  );
}

const Figure = ({ value, unit, name }: { value: string; unit: string; name: string }) => (
  <div className="border-l border-hair pr-1 pl-2.5 first:border-l-0 first:pl-1">
    <dd className="num text-figure leading-7 font-semibold whitespace-nowrap">
      {value}
      {unit && <small className="ml-0.5 text-body font-medium text-ink2">{unit}</small>}
    </dd>
    <dt className="text-note leading-[14px] text-ink2">{name}</dt>
  </div>
);

interface EnduranceFiguresProps {
  week: SeasonWeekView;
  view: SeasonView;
  plan: EndurancePlan | null;
  units: Units;
  onAmount: (amount: number) => void;
  onPlanning: () => void;
  mileage: Why[];
}

/** What was done or is planned, against what was to be expected. */
function EnduranceFigures({ week, view, plan, units, onAmount, onPlanning, mileage }: EnduranceFiguresProps) {
  return (
    <div className="sec">
      <h3 className="sec-h">Endurance {week.done ? "done" : "planned"}</h3>
      {week.known !== "all" && (
        <p className="text-label leading-5 text-ink2">
          {week.known === "part"
            ? "Only part of this week is planned."
            : week.done
              ? "Nothing recorded here."
              : "Nothing planned here."}
        </p>
      )}
      {addDays(week.start, 6) >= view.today && !week.done && (
        <div className="mb-1">
          {plan && (
            <AmountField
              monday={week.start}
              amount={plan.weeks.find((w) => w.week === week.start)?.amount ?? week.amount?.amount ?? null}
              unit={plan.unit}
              units={units}
              onAmount={onAmount}
            />
          )}
          <button type="button" className="link text-label leading-6" onClick={onPlanning}>
            {plan ? "Draw by rule…" : "Plan the endurance…"}
          </button>
        </div>
      )}
      <dl className="-mx-1 grid grid-cols-3">
        <Figure value={String(distanceNumber(week.distanceKm, units))} unit={units.distanceUnit} name="distance" />
        <Figure value={thousands(week.ascentM)} unit="m" name="ascent" />
        <Figure value={thousands(week.load)} unit="" name="load, AU" />
      </dl>
      {week.planned.sessions > 0 && week.done && (
        <p className="mt-1 flex justify-between text-label leading-5 text-ink2 cond-s">
          <span>planned</span>
          <span>
            {distanceNumber(week.planned.distanceKm, units)} {units.distanceUnit} in {duration(week.planned.minutes)},
            done in {duration(week.minutes)}
          </span>
        </p>
      )}
      {week.sports.length > 1 && (
        <p className="mt-1 text-label leading-5 text-ink2 cond-s">
          {week.sports.map((s) => `${SPORT_NAMES[s.sport].toLowerCase()} ${duration(s.minutes)}`).join(", ")}
        </p>
      )}
      {week.away.length > 0 && <p className="text-label leading-5 text-mist-ink">Away: {week.away.join(", ")}</p>}
      <p className="mt-1 flex justify-between text-label leading-6 text-ink2 cond-s">
        <span>vs what was to be expected</span>
        <Asked reasons={mileage}>
          leg load <b className="font-semibold text-ink">{week.loadPct === null ? "–" : signed(week.loadPct)}</b>,
          distance{" "}
          <b className="font-semibold text-ink">{week.distancePct === null ? "–" : signed(week.distancePct)}</b>
        </Asked>
      </p>
      <p className="text-label leading-6 text-ink2 cond-s">
        <Asked reasons={[why("figures.monotony", "strain", week.strain === null ? "none" : thousands(week.strain))]}>
          monotony{" "}
          <b className="font-semibold text-ink">{week.monotony === null ? "even" : week.monotony.toFixed(1)}</b>
        </Asked>
        {", "}
        <Asked reasons={[why("figures.means", "means", { short: week.shortMean, long: week.longMean })]}>
          7 / 28 days{" "}
          <b className="font-semibold text-ink">
            {week.shortMean} / {week.longMean}
          </b>
        </Asked>
        {", "}
        <Asked
          reasons={[
            week.longestBefore === null
              ? why("figures.longest", "none")
              : why("figures.longest", "before", duration(week.longestBefore)),
          ]}
        >
          longest <b className="font-semibold text-ink">{duration(week.longestMinutes)}</b>
        </Asked>
      </p>
    </div>
  );
}

/** The dose of each pattern. */
function Dose({ week, units }: { week: SeasonWeekView; units: Units }) {
  return (
    <div className="sec">
      <h3 className="sec-h">
        Strength dose <em className="font-normal not-italic cond">sets × reps @ load</em>
      </h3>
      <ul>
        {week.dose.map((d) => (
          <li key={d.pattern} className="flex h-[26px] items-center gap-2 border-t border-hair2 first:border-t-0 cond">
            <PatternTile id={bandOf(d.pattern)} />
            <span className="cond-s">{BAND_STYLE[bandOf(d.pattern)].name}</span>
            <span className="min-w-0 flex-1 truncate text-label text-ink2" title={d.exercise}>
              {d.exercise}
            </span>
            <b className="font-[650] whitespace-nowrap">
              {setsByReps(d)} @ {d.percent1rm !== null ? `${Math.round(d.percent1rm)}%` : loadText(d, units)}
            </b>
          </li>
        ))}
      </ul>
    </div>
  );
}

interface DetailProps {
  week: SeasonWeekView;
  minutes: number;
  id: string;
}

/** A close look at the sessions of the week. */
function Detail({ week, minutes, id }: DetailProps) {
  return (
    <div className="sec pb-2">
      <h3 className="sec-h mb-0.5">
        Detail{" "}
        <em className="font-normal not-italic cond">
          {week.sessions.length} session{week.sessions.length === 1 ? "" : "s"}
          {minutes ? `, ${minutes} min` : ""}
        </em>
      </h3>
      <SeasonDetail week={week} />
      {week.sessions.length > 0 && (
        <ul className="mt-1 flex flex-wrap gap-x-3 text-label leading-5">
          {week.sessions.map((a) => (
            <li key={`${a.date}${a.label}`}>
              <Link className="link" to={`/a/${id}/session/${a.date}/${a.label}`}>
                {a.label} {day(a.date)}
              </Link>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

interface WarningsProps {
  week: SeasonWeekView;
  view: SeasonView;
  end: string;
  units: Units;
  onPlan: (plan: EndurancePlan) => void;
  warnings: SeasonWarning[];
  onSpan: (span: PhaseSpan) => void;
}

/** What is not placed, and what the week is warned of. */
function Warnings({ week, view, end, units, onPlan, warnings, onSpan }: WarningsProps) {
  return (
    <>
      {week.unplaced.map((u) => (
        <p key={u.label} className="mt-2 flex gap-1.5 text-label leading-4 text-brick-ink">
          <WarnIcon />
          <span>
            Session {u.label} is not placed. {u.why}
          </span>
        </p>
      ))}
      {view.endurance.warnings
        .filter((w) => w.date >= week.start && w.date <= end)
        .map(({ code, text, fix }) => (
          <p key={code} className="mt-2 flex gap-1.5 text-label leading-4 text-brick-ink">
            <WarnIcon />
            <span>
              {textIn(text, units)}
              {fix && (
                <button type="button" className="link ml-1" onClick={() => onPlan(fix.plan)}>
                  {textIn(fix.text, units)}
                </button>
              )}
            </span>
          </p>
        ))}
      {warnings.map((w) => (
        <p key={w.text} className="mt-2 flex gap-1.5 text-label leading-4 text-brick-ink">
          <WarnIcon />
          <span>
            {w.text}
            {w.proposal && (
              <button type="button" className="link ml-1" onClick={() => w.proposal && onSpan(w.proposal)}>
                Try it
              </button>
            )}
          </span>
        </p>
      ))}
    </>
  );
}
