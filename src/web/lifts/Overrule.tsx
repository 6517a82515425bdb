/** The coach's word on what comes next for a lift; it holds until the lift is logged again. */

import { useState } from "react";
import type { LiftView } from "../../api/views";
import type { DecisionKind } from "../../core/athlete";
import { useOverrule, useTakeBackOverrule } from "../data/dose";
import { day, mass, type Units } from "../format";
import { FormProblem } from "../ui/form";
import { tell } from "../ui/tell";
import { DECISION_WORDS } from "./words";

const LOADED: readonly DecisionKind[] = ["up-load", "same", "down-load", "up-reps", "fewer-reps"];
const UNLOADED: readonly DecisionKind[] = ["up-reps", "same", "fewer-reps", "up-sets", "slower"];
const TIMED: readonly DecisionKind[] = ["up-seconds", "same", "up-sets"];

export function Overrule({ view, units }: { view: LiftView; units: Units }) {
  const last = view.entries.at(-1);
  const { next } = view;
  const [open, setOpen] = useState(false);
  const [kind, setKind] = useState<DecisionKind>("same");
  const lastKg = last?.topKg ?? null;
  // It starts from what is planned; what was lifted last is only where nothing is.
  const plannedKg = next?.loadKg ?? lastKg;
  const [loadKg, setLoad] = useState<number | null>(plannedKg);
  const [reps, setReps] = useState(next?.reps ?? 8);
  const [seconds, setSeconds] = useState(next?.seconds ?? 20);
  const [sets, setSets] = useState(next?.sets ?? 3);
  const [reason, setReason] = useState("");
  const save = useOverrule(view.id);
  if (!last) return null;
  if (view.overrule) return <Decided last={last} view={view} decided={view.overrule} />;
  if (!open)
    return (
      <button type="button" className="btn btn-sm mt-2" onClick={() => setOpen(true)}>
        Overrule
      </button>
    );
  const kinds = view.timed ? TIMED : plannedKg === null ? UNLOADED : LOADED;
  const loads = plannedKg === null ? [] : [...new Set([...view.loads, plannedKg])].sort((a, b) => a - b);
  const submit = () =>
    save.mutate(
      {
        date: last.date,
        exercise: view.exercise,
        kind,
        ...(loadKg === null || view.timed ? {} : { loadKg }),
        ...(view.timed ? { seconds } : { reps }),
        sets,
        ...(reason.trim() ? { reason: reason.trim() } : {}),
      },
      {
        onSuccess: () => {
          setOpen(false);
          tell("Decided. It holds until the lift is logged again.");
        },
      },
    );
  return (
    <form
      className="mt-2 border-t border-hair2 pt-2"
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
    >
      <FormProblem text={save.error?.message ?? ""} />
      <label className="mb-1.5 block text-label font-medium" htmlFor="o-kind">
        Next time
        <select
          id="o-kind"
          className="input mt-0.5 font-normal"
          value={kind}
          onChange={(e) => {
            const k = e.target.value as DecisionKind;
            setKind(k);
            if (plannedKg === null) return;
            if (k === "up-load") setLoad(view.loads.find((l) => l > plannedKg) ?? plannedKg);
            else if (k === "down-load") setLoad(view.loads.filter((l) => l < plannedKg).at(-1) ?? plannedKg);
            else setLoad(plannedKg);
          }}
        >
          {kinds.map((k) => (
            <option key={k} value={k}>
              {DECISION_WORDS[k]}
            </option>
          ))}
        </select>
      </label>
      <Amounts
        loads={loads}
        view={view}
        loadKg={loadKg}
        setLoad={setLoad}
        units={units}
        sets={sets}
        setSets={setSets}
        seconds={seconds}
        reps={reps}
        setSeconds={setSeconds}
        setReps={setReps}
      />
      <label className="mb-2 block text-label font-medium" htmlFor="o-why">
        Why <span className="font-normal text-ink2">(may stay empty)</span>
        <input
          id="o-why"
          className="input mt-0.5 font-normal"
          maxLength={200}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      </label>
      <div className="flex gap-2">
        <button type="submit" className="btn btn-sm btn-pri" disabled={save.isPending}>
          Decide
        </button>
        <button type="button" className="btn btn-sm" onClick={() => setOpen(false)}>
          Leave it
        </button>
      </div>
    </form>
  );
}

interface DecidedProps {
  last: LiftView["entries"][number];
  view: LiftView;
  decided: NonNullable<LiftView["overrule"]>;
}

function Decided({ last, view, decided }: DecidedProps) {
  const back = useTakeBackOverrule(view.id);
  return (
    <div className="mt-2 border-t border-hair2 pt-2 text-label leading-4">
      <p>
        You decided after {day(last.date)}: <b>{DECISION_WORDS[decided.kind]}</b>
        {decided.reason ? `, ${decided.reason}` : ""}. It holds until the lift is logged again.
      </p>
      <button
        type="button"
        className="btn btn-sm mt-2"
        disabled={back.isPending}
        onClick={() =>
          back.mutate(
            { date: last.date, exercise: view.exercise },
            { onSuccess: () => tell("The rules decide again.") },
          )
        }
      >
        Back to the rules
      </button>
    </div>
  );
}

interface AmountsProps {
  loads: number[];
  view: LiftView;
  loadKg: number | null;
  setLoad: (value: number | null) => void;
  units: Units;
  sets: number;
  setSets: (value: number) => void;
  seconds: number;
  reps: number;
  setSeconds: (value: number) => void;
  setReps: (value: number) => void;
}

/** Load, sets and repetitions or seconds. */
function Amounts({
  loads,
  view,
  loadKg,
  setLoad,
  units,
  sets,
  setSets,
  seconds,
  reps,
  setSeconds,
  setReps,
}: AmountsProps) {
  return (
    <div className="mb-1.5 flex gap-2">
      {loads.length > 0 && !view.timed && (
        <label className="block text-label font-medium" htmlFor="o-load">
          Load
          <select
            id="o-load"
            className="input mt-0.5 w-[96px] font-normal"
            value={String(loadKg ?? "")}
            onChange={(e) => setLoad(Number(e.target.value))}
          >
            {loads.map((l) => (
              <option key={l} value={String(l)}>
                {mass(l, units)}
              </option>
            ))}
          </select>
        </label>
      )}
      <label className="block text-label font-medium" htmlFor="o-sets">
        Sets
        <input
          id="o-sets"
          type="number"
          min={1}
          max={10}
          className="input mt-0.5 w-14 font-normal"
          value={sets}
          onChange={(e) => setSets(Number(e.target.value))}
        />
      </label>
      <label className="block text-label font-medium" htmlFor="o-work">
        {view.timed ? "Seconds" : "Reps"}
        <input
          id="o-work"
          type="number"
          min={1}
          max={120}
          className="input mt-0.5 w-16 font-normal"
          value={view.timed ? seconds : reps}
          onChange={(e) => (view.timed ? setSeconds : setReps)(Number(e.target.value))}
        />
      </label>
    </div>
  );
}
