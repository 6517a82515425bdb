/** The endurance plan in short: a usual week from records or from a starter, this week's amount and what it rises to. */

import { useState } from "react";
import { Link } from "react-router";
import type { IntakeView } from "../../api/views";
import type { EndurancePlan } from "../../core/athlete";
import { laterOf, mondayOf } from "../../core/dates";
import type { UsualFound } from "../../core/mileage";
import { planFaults, ruleFrom, STARTER_COUNTS, starterWeek } from "../../core/mileage";
import { useSavePlan } from "../data/mileage";
import { useWaiting } from "../data/saved";
import { useHeld } from "../data/tags";
import type { Units } from "../format";
import { amountFrom, amountNumber, amountUnit } from "../mileage/amounts";
import { Field, FormProblem, numberFrom } from "../ui/form";
import { useAutosave } from "../ui/useAutosave";

/** Milliseconds of quiet before a change is sent. */
const QUIET = 400;
const KINDS = ["from records", "starter"] as const;

interface Form {
  /** Sessions a week of a starter; "" where the records say them, or nothing does yet. */
  sessions: string;
  start: string;
  top: string;
  every: string;
  taper: boolean;
}

export function EnduranceStep({ view }: { view: IntakeView }) {
  const { endurancePlan: stored, usualFound: found, facts } = view;
  const { sport } = facts;
  const units = { distanceUnit: facts.distanceUnit ?? "km", massUnit: facts.massUnit ?? "kg" } as const;
  const unit: EndurancePlan["unit"] = stored?.unit ?? found?.unit ?? (sport === "triathlon" ? "minutes" : "km");
  const shown = (n: number | undefined) => (n === undefined ? "" : String(Math.round(amountNumber(n, unit, units))));
  const [f, setF] = useState<Form>({
    sessions: stored || found ? "" : "5",
    start: shown(stored?.rule?.start ?? found?.amount),
    top: shown(stored?.rule?.top ?? found?.amount),
    every: String(stored?.rule?.stepBackEvery ?? 4),
    taper: stored?.rule?.taper ?? true,
  });
  const [touched, setTouched] = useState(false);
  const [problem, setProblem] = useState("");
  const save = useSavePlan(view.id);
  useHeld(`athletes/${view.id}/endurance-plan`);
  useWaiting(touched && problem !== "");
  const [start, top] = [numberFrom(f.start), numberFrom(f.top)];
  const planOf = (): EndurancePlan | null => {
    if (typeof start !== "number" || start <= 0) return null;
    const most = typeof top === "number" ? Math.max(start, top) : start;
    const usual =
      f.sessions !== ""
        ? starterWeek(sport, Number(f.sessions))
        : (stored?.usualWeeks.find((u) => u.phase === null)?.sessions ?? found?.sessions);
    if (!usual) return null;
    const from = laterOf(mondayOf(view.today), mondayOf(view.season.start));
    const rule = {
      ...ruleFrom(stored?.rule?.from ?? from, amountFrom(start, unit, units), amountFrom(most, unit, units)),
      stepBackEvery: Number(f.every),
      taper: f.taper,
      restart: f.taper,
    };
    const others = stored?.usualWeeks.filter((u) => u.phase !== null) ?? [];
    return { unit, usualWeeks: [{ phase: null, sessions: usual }, ...others], weeks: stored?.weeks ?? [], rule };
  };
  const plan = planOf();
  const faults = plan ? planFaults(plan) : [];
  const send = () => {
    if (!touched || !plan || faults.length > 0) return;
    save.mutate(plan, { onSuccess: () => setProblem(""), onError: (e) => setProblem(e.message) });
  };
  useAutosave(JSON.stringify(f), send, QUIET);
  const put = (more: Partial<Form>) => {
    setTouched(true);
    setF({ ...f, ...more });
  };
  const word = amountUnit(unit, units);
  const field = (name: "start" | "top", label: string) => (
    <Field id={`m-${name}`} label={label} hint={`${word} a week`}>
      <input
        id={`m-${name}`}
        className="input"
        inputMode="decimal"
        value={f[name]}
        onChange={(e) => put({ [name]: e.target.value })}
      />
    </Field>
  );
  return (
    <div className="max-w-[640px] space-y-4">
      <FormProblem text={problem && `Not saved: ${problem}`} />
      <p className="max-w-[60ch] text-label leading-4 text-ink2">
        A usual week and a number for each week: from both come the sessions that strength is placed around. Leave it
        open where you do not know it; nothing is taken for rest.
      </p>
      {found && <FoundNote found={found} units={units} stored={stored} put={put} />}
      <div className="grid grid-cols-3 gap-4 max-[700px]:grid-cols-1">
        <Field id="m-sessions" label="Usual week">
          <select
            id="m-sessions"
            className="input"
            value={f.sessions}
            onChange={(e) => put({ sessions: e.target.value })}
          >
            {(stored || found) && <option value="">{stored ? "as it is" : KINDS[0]}</option>}
            {STARTER_COUNTS.map((n) => (
              <option key={n} value={n}>
                {n} sessions ({KINDS[1]})
              </option>
            ))}
          </select>
        </Field>
        {field("start", "This week")}
        {field("top", "Rising to")}
        <Field id="m-every" label="Easier week">
          <select id="m-every" className="input" value={f.every} onChange={(e) => put({ every: e.target.value })}>
            <option value="3">every 3rd</option>
            <option value="4">every 4th</option>
            <option value="0">none</option>
          </select>
        </Field>
      </div>
      <label className="flex items-center gap-2">
        <input type="checkbox" checked={f.taper} onChange={(e) => put({ taper: e.target.checked })} />
        Taper before each A race, and come back step by step after it
      </label>
      {faults.map((x) => (
        <p key={x.path} role="alert" className="text-label text-brick-ink">
          {x.expected}
        </p>
      ))}
      <Ways plan={plan} touched={touched} stored={stored} put={put} view={view} />
    </div>
  );
}

interface FoundNoteProps {
  found: UsualFound;
  units: Units;
  stored: EndurancePlan | null;
  put: (more: Partial<Form>) => void;
}

function FoundNote({ found, units, stored, put }: FoundNoteProps) {
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <p className="max-w-[60ch]">
        The last {found.weeks.length} recorded weeks have {found.sessions.length} sessions that come again,{" "}
        {Math.round(amountNumber(found.amount, found.unit, units))} {amountUnit(found.unit, units)} a week.
      </p>
      {!stored && (
        <button type="button" className="btn btn-sm" onClick={() => put({ sessions: "" })}>
          Use as usual week
        </button>
      )}
    </div>
  );
}

interface WaysProps {
  plan: EndurancePlan | null;
  touched: boolean;
  stored: EndurancePlan | null;
  put: (more: Partial<Form>) => void;
  view: IntakeView;
}

function Ways({ plan, touched, stored, put, view }: WaysProps) {
  return (
    <p className="flex flex-wrap gap-x-4 text-label leading-6">
      {plan && !touched && !stored && (
        <span className="text-ink2">Not planned yet: change a field or use it as it is.</span>
      )}
      {plan && !touched && !stored && (
        <button type="button" className="link" onClick={() => put({})}>
          Use it as it is
        </button>
      )}
      {stored && (
        <Link className="link" to={`/a/${view.id}/usual-week`}>
          Edit the usual week by day and hour
        </Link>
      )}
      <Link className="link" to={`/a/${view.id}/import`}>
        Import past training
      </Link>
    </p>
  );
}
