/** The endurance plan beside the season: its rule, several weeks at once, what it is warned of. Every change is previewed in the drawing. */
import { useState } from "react";
import { Link } from "react-router";
import type { SeasonView, SeasonWeekView } from "../../api/views";
import type { AmountRule, EndurancePlan, Sport } from "../../core/athlete";
import { addDays, laterOf, mondayOf } from "../../core/dates";
import { planFaults, ruleFrom, STARTER_COUNTS, starterWeek, type UsualFound, withAmounts } from "../../core/mileage";
import { day, textIn, type Units } from "../format";
import { DateField } from "../ui/DateField";
import { numberFrom } from "../ui/form";
import { ICON, WarnIcon } from "../ui/glyphs";
import {
  amountFrom,
  amountNumber,
  amountUnit,
  copiedAmounts,
  shifted,
  shownAmounts,
  timesAmounts,
  withRule,
} from "./amounts";

interface Props {
  id: string;
  sport: Sport;
  view: SeasonView;
  /** The plan with everything asked for so far. */
  plan: EndurancePlan | null;
  week: SeasonWeekView;
  units: Units;
  /** What the athlete's records say of the usual week; null where they say nothing. */
  found: UsualFound | null;
  onPlan: (plan: EndurancePlan) => void;
  onClose: () => void;
}

export function EndurancePanel(props: Props) {
  const { id, plan, view, onPlan, onClose } = props;
  return (
    <>
      <div className="sec flex items-center">
        <h2 className="flex-1 text-title leading-6 font-[650]">Endurance plan</h2>
        <button type="button" className="btn btn-sm btn-sq" aria-label="Back to the week" onClick={onClose}>
          {ICON.close}
        </button>
      </div>
      {plan === null || plan.usualWeeks.length === 0 ? (
        <Begin {...props} />
      ) : (
        <>
          <div className="sec">
            <p className="text-label leading-4 text-ink2">
              Draw a week's top up or down, or over several weeks; or type the numbers in the row under the drawing,
              where a column from a spreadsheet can be pasted.
            </p>
            <Link className="link mt-1 block w-fit text-label leading-6" to={`/a/${id}/usual-week`}>
              Usual week: {plan.usualWeeks[0]?.sessions.length} sessions. Edit
            </Link>
          </div>
          <RuleForm
            key={JSON.stringify(plan.rule ?? null)}
            view={view}
            week={props.week}
            units={props.units}
            plan={plan}
            onPlan={onPlan}
          />
          <Several {...props} plan={plan} />
          <Warnings view={view} units={props.units} onPlan={onPlan} />
        </>
      )}
    </>
  );
}

/** Where nothing is planned yet: a usual week from records or from a starter, and what this week is to hold. */
function Begin({ sport, view, units, found, onPlan }: Props) {
  const [sessions, setSessions] = useState(found?.sessions.length ?? 5);
  const [own, setOwn] = useState(found !== null);
  const unit: EndurancePlan["unit"] = own && found ? found.unit : sport === "triathlon" ? "minutes" : "km";
  const [text, setText] = useState(found ? String(Math.round(amountNumber(found.amount, unit, units))) : "");
  const amount = numberFrom(text);
  const make = () => {
    if (typeof amount !== "number") return;
    const start = amountFrom(amount, unit, units);
    onPlan({
      unit,
      usualWeeks: [{ phase: null, sessions: own && found ? found.sessions : starterWeek(sport, sessions) }],
      weeks: [],
      rule: ruleFrom(laterOf(view.today, view.season.start), start, start),
    });
  };
  return (
    <div className="sec space-y-3">
      <p className="text-label leading-4 text-ink2">
        A usual week and a number for each week: from both come the sessions that strength is placed around.
      </p>
      {found && (
        <label className="flex items-start gap-2 text-label leading-4">
          <input type="checkbox" checked={own} onChange={(e) => setOwn(e.target.checked)} />
          <span>
            Usual week as recorded in the last {found.weeks.length} weeks: {found.sessions.length} sessions,{" "}
            {Math.round(amountNumber(found.amount, found.unit, units))} {amountUnit(found.unit, units)} a week
          </span>
        </label>
      )}
      {!own && (
        <label className="block text-label">
          Sessions a week
          <select className="input" value={sessions} onChange={(e) => setSessions(Number(e.target.value))}>
            {STARTER_COUNTS.map((n) => (
              <option key={n}>{n}</option>
            ))}
          </select>
        </label>
      )}
      <label className="block text-label">
        This week, {amountUnit(unit, units)}
        <input className="input" inputMode="decimal" value={text} onChange={(e) => setText(e.target.value)} />
      </label>
      <button type="button" className="btn btn-pri" disabled={typeof amount !== "number" || amount <= 0} onClick={make}>
        Plan the weeks
      </button>
    </div>
  );
}

interface Form {
  from: string;
  start: string;
  top: string;
  rise: string;
  every: string;
  back: string;
  taper: boolean;
  restart: boolean;
}

/** The rule of a plan, drawn again with each figure that is left. */
export function RuleForm({
  plan,
  view,
  week,
  units,
  onPlan,
}: Pick<Props, "view" | "units" | "onPlan"> & {
  plan: EndurancePlan;
  /** Where a rule would begin that is not there yet. */
  week: Pick<SeasonWeekView, "start">;
}) {
  const now = shownAmounts(view.weeks, plan);
  const monday = mondayOf(view.today);
  const shown = (amount: number) => String(amountNumber(amount, plan.unit, units));
  const first = plan.rule ?? ruleFrom(laterOf(week.start, monday), now.get(monday) ?? 0, now.get(monday) ?? 0);
  const [f, setF] = useState<Form>({
    from: first.from,
    start: shown(first.start),
    top: shown(first.top),
    rise: String(first.risePct),
    every: String(first.stepBackEvery),
    back: String(Math.round(first.stepBackTo * 100)),
    taper: first.taper,
    restart: first.restart,
  });
  const ruleOf = (of: Form): AmountRule | null => {
    const [start, top, risePct, back] = [of.start, of.top, of.rise, of.back].map(numberFrom);
    return [start, top, risePct, back].every((n) => typeof n === "number")
      ? {
          from: mondayOf(of.from),
          start: amountFrom(start as number, plan.unit, units),
          top: amountFrom(top as number, plan.unit, units),
          risePct: risePct as number,
          stepBackEvery: Number(of.every),
          stepBackTo: (back as number) / 100,
          taper: of.taper,
          restart: of.restart,
        }
      : null;
  };
  const rule = ruleOf(f);
  const faults = rule ? planFaults({ ...plan, rule }).filter((x) => x.path.startsWith("rule")) : [];
  const change = (more: Partial<Form>) => {
    const next = { ...f, ...more };
    setF(next);
  };
  const draw = (next: Form) => {
    const r = ruleOf(next);
    if (r && planFaults({ ...plan, rule: r }).length === 0) onPlan(withRule(plan, r));
  };
  const field = (name: "start" | "top" | "rise" | "back", label: string, unit: string) => (
    <label className="block text-label">
      {label}, {unit}
      <input
        className="input"
        inputMode="decimal"
        value={f[name]}
        onChange={(e) => change({ [name]: e.target.value })}
        onBlur={() => draw(f)}
        onKeyDown={(e) => e.key === "Enter" && draw(f)}
      />
    </label>
  );
  const tick = (name: "taper" | "restart", label: string) => (
    <label className="flex items-center gap-2 text-label">
      <input
        type="checkbox"
        checked={f[name]}
        onChange={(e) => {
          const next = { ...f, [name]: e.target.checked };
          setF(next);
          draw(next);
        }}
      />
      {label}
    </label>
  );
  const unit = amountUnit(plan.unit, units);
  return (
    <div className="sec">
      <h3 className="sec-h">Draw by rule</h3>
      <div className="grid grid-cols-2 gap-2">
        <label className="col-span-2 block text-label">
          From the week of
          <DateField
            value={f.from}
            min={view.season.start}
            max={view.season.end}
            onChange={(from) => from && change({ from: mondayOf(from) })}
            onBlur={() => draw(f)}
          />
        </label>
        {field("start", "Starts at", unit)}
        {field("top", "Rises to", unit)}
        {field("rise", "A loading week", "%")}
        <EasierWeek f={f} setF={setF} draw={draw} />
        {f.every !== "0" && field("back", "It holds", "% of the last")}
      </div>
      <div className="mt-2 space-y-1">
        {tick("taper", "Taper before each A race")}
        {tick("restart", "Come back step by step after it")}
      </div>
      {faults.map((x) => (
        <p key={x.path} role="alert" className="mt-1 text-label leading-4 text-brick-ink">
          {x.expected}
        </p>
      ))}
    </div>
  );
}

/** Several weeks at once, from the chosen one on. */
function Several({ plan, view, week, onPlan }: Props & { plan: EndurancePlan }) {
  const [count, setCount] = useState(4);
  const now = shownAmounts(view.weeks, plan);
  const weeks = Array.from({ length: count }, (_, i) => addDays(week.start, 7 * i));
  const last = view.weeks.at(-1)?.start ?? week.start;
  const times = (share: number) => onPlan(withAmounts(plan, timesAmounts(now, weeks, share)));
  return (
    <div className="sec">
      <h3 className="sec-h">From {day(week.start)} on</h3>
      <label className="flex items-center gap-2 text-label">
        for
        <input
          type="number"
          className="input w-16"
          min={1}
          max={26}
          value={count}
          aria-label="Weeks"
          onChange={(e) => setCount(Math.max(1, Math.min(26, Number(e.target.value) || 1)))}
        />
        weeks
      </label>
      <div className="mt-2 flex flex-wrap gap-1">
        <button type="button" className="btn btn-sm" onClick={() => times(0.9)}>
          −10%
        </button>
        <button type="button" className="btn btn-sm" onClick={() => times(1.1)}>
          +10%
        </button>
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            onPlan(withAmounts(plan, copiedAmounts(now, week.start, count, addDays(week.start, 7 * count))))
          }
        >
          Repeat after it
        </button>
        <button type="button" className="btn btn-sm" onClick={() => onPlan(shifted(plan, now, week.start, 1, last))}>
          A week later
        </button>
        <button type="button" className="btn btn-sm" onClick={() => onPlan(shifted(plan, now, week.start, -1, last))}>
          A week earlier
        </button>
      </div>
    </div>
  );
}

/** What the endurance plan is warned of; each with the change that would settle it, previewed with one click. */
function Warnings({ view, units, onPlan }: Pick<Props, "view" | "units" | "onPlan">) {
  const { warnings } = view.endurance;
  if (warnings.length === 0) return null;
  return (
    <div className="sec">
      <h3 className="sec-h">Worth a look</h3>
      {warnings.map((w) => (
        <p key={`${w.code}${w.date}`} className="mb-2 flex gap-1.5 text-label leading-4 text-brick-ink">
          <WarnIcon />
          <span>
            {textIn(w.text, units)}
            {w.fix && (
              <button type="button" className="link ml-1" onClick={() => w.fix && onPlan(w.fix.plan)}>
                {textIn(w.fix.text, units)}
              </button>
            )}
          </span>
        </p>
      ))}
    </div>
  );
}

interface EasierWeekProps {
  f: Form;
  setF: (value: Form) => void;
  draw: (next: Form) => void;
}

function EasierWeek({ f, setF, draw }: EasierWeekProps) {
  return (
    <label className="block text-label">
      Easier week
      <select
        className="input"
        value={f.every}
        onChange={(e) => {
          const next = { ...f, every: e.target.value };
          setF(next);
          draw(next);
        }}
      >
        <option value="3">every 3rd</option>
        <option value="4">every 4th</option>
        <option value="0">none</option>
      </select>
    </label>
  );
}
