/** Points of the rules: for this athlete or for all, each against what it ships with, and back with one press. */
import type { Dispatch, SetStateAction } from "react";
import { useState } from "react";
import type { RuleWeightsView } from "../../api/views";
import { MINUTES_A_DAY, WEEKDAYS } from "../../core/dates";
import { ruleOf } from "../../core/rulebook";
import { useSaveClubWeights, useSaveWeights, useWeights } from "../data/board";
import { useHeld } from "../data/tags";
import { FormProblem, numberFrom } from "../ui/form";
import { Segments } from "../ui/Segments";
import { Sheet } from "../ui/Sheet";
import { Failed, LoadingNote } from "../ui/State";
import { tell } from "../ui/tell";

export default function WeightsSheet({ id, name, onClose }: { id: string; name: string; onClose: () => void }) {
  const weights = useWeights(id);
  return (
    <Sheet
      open
      onClose={onClose}
      title="Weights of the rules"
      note="Points that a rule charges when it is broken in full. Rules that must hold have no weight: they are never broken."
      width={560}
    >
      {weights.isPending ? (
        <LoadingNote what="the weights" />
      ) : weights.isError ? (
        <Failed error={weights.error} retry={() => weights.refetch()} what="The weights" />
      ) : (
        <Form id={id} name={name} view={weights.data} onClose={onClose} />
      )}
    </Sheet>
  );
}

type Whose = "athlete" | "club";

function Form({ id, name, view, onClose }: { id: string; name: string; view: RuleWeightsView; onClose: () => void }) {
  const [whose, setWhose] = useState<Whose>("athlete");
  const text = (w: Record<string, number>) =>
    Object.fromEntries(Object.entries(w).map(([rule, points]) => [rule, String(points)]));
  const [typed, setTyped] = useState({ athlete: text(view.athlete), club: text(view.club) });
  const [days, setDays] = useState(view.preferredDays);
  const [most, setMost] = useState(view.maxMinutesPerDay === null ? "" : String(view.maxMinutesPerDay));
  const [problem, setProblem] = useState("");
  useHeld(`athletes/${id}/weights`);
  useHeld("club/weights");
  const save = useSaveWeights(id);
  const saveClub = useSaveClubWeights(id);
  const under = (rule: string): number =>
    whose === "athlete" ? (view.club[rule] ?? view.shipped[rule] ?? 0) : (view.shipped[rule] ?? 0);
  const mine = typed[whose];
  const set = (rule: string, value: string) =>
    setTyped((t) => {
      const next = { ...t[whose], [rule]: value };
      if (value.trim() === "") delete next[rule];
      return { ...t, [whose]: next };
    });

  const submit = () => {
    const weightsOf = (t: Record<string, string>): Record<string, number> | null => {
      const out: Record<string, number> = {};
      for (const [rule, value] of Object.entries(t)) {
        const n = numberFrom(value);
        if (typeof n !== "number" || n < 0 || n > 1000) {
          setProblem(`${rule}: a number from 0 to 1,000 expected, found "${value}".`);
          return null;
        }
        out[rule] = n;
      }
      return out;
    };
    const limit = numberFrom(most);
    if (limit !== undefined && (typeof limit !== "number" || limit < 10 || limit > MINUTES_A_DAY))
      return setProblem(`Minutes a day: a number from 10 to 1,440 expected, found "${most}".`);
    const [own, club] = [weightsOf(typed.athlete), weightsOf(typed.club)];
    if (!own || !club) return;
    const fail = (e: Error) => setProblem(e.message);
    const finish = () => {
      tell("Weights saved. Sessions of the weeks ahead are placed with them.");
      onClose();
    };
    const body = { weights: own, preferredDays: days, maxMinutesPerDay: limit ?? null };
    const clubChanged = JSON.stringify(club) !== JSON.stringify(view.club);
    save.mutate(body, {
      onError: fail,
      onSuccess: () => (clubChanged ? saveClub.mutate(club, { onSuccess: finish, onError: fail }) : finish()),
    });
  };
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
    >
      <FormProblem text={problem} />
      <div className="mb-2 -ml-1 flex items-center">
        <Segments<Whose>
          name="For whom"
          value={whose}
          onChange={setWhose}
          options={[
            ["athlete", name],
            ["club", "All athletes"],
          ]}
        />
        <span className="flex-1" />
        <button
          type="button"
          className="btn btn-sm"
          disabled={Object.keys(mine).length === 0}
          onClick={() => setTyped((t) => ({ ...t, [whose]: {} }))}
        >
          Reset all
        </button>
      </div>
      <Weights view={view} mine={mine} under={under} set={set} />
      <Limits days={days} setDays={setDays} most={most} setMost={setMost} />
      <div className="mt-3 flex justify-end">
        <button type="submit" className="btn btn-pri" disabled={save.isPending || saveClub.isPending}>
          {save.isPending || saveClub.isPending ? "Saving…" : "Save weights"}
        </button>
      </div>
    </form>
  );
}

interface WeightsProps {
  view: RuleWeightsView;
  mine: { [k: string]: string };
  under: (rule: string) => number;
  set: (rule: string, value: string) => void;
}

function Weights({ view, mine, under, set }: WeightsProps) {
  return (
    <ul className="max-h-[360px] overflow-auto border-y border-hair">
      {Object.keys(view.shipped).map((rule) => (
        <li key={rule} className="flex h-9 items-center gap-2 border-b border-hair2 last:border-b-0">
          <label htmlFor={`w-${rule}`} className="min-w-0 flex-1 truncate text-label">
            {ruleOf(rule)?.title ?? rule} <span className="text-ink2">({rule})</span>
          </label>
          <input
            id={`w-${rule}`}
            inputMode="decimal"
            className="input h-7 w-16 text-right"
            value={mine[rule] ?? ""}
            placeholder={String(under(rule))}
            onChange={(e) => set(rule, e.target.value)}
          />
          <button
            type="button"
            className="btn btn-sm w-[58px]"
            aria-label={`Reset ${rule} to ${under(rule)}`}
            disabled={mine[rule] === undefined}
            onClick={() => set(rule, "")}
          >
            Reset
          </button>
        </li>
      ))}
    </ul>
  );
}

interface LimitsProps {
  days: number[];
  setDays: Dispatch<SetStateAction<number[]>>;
  most: string;
  setMost: (value: string) => void;
}

/** Days that are liked, and how much a day may hold. */
function Limits({ days, setDays, most, setMost }: LimitsProps) {
  return (
    <div className="mt-3 flex items-end gap-4">
      <fieldset>
        <legend className="mb-1 text-label font-medium">Preferred days</legend>
        <div className="flex gap-1">
          {WEEKDAYS.map((d, i) => (
            <button
              key={d}
              type="button"
              className="btn btn-sm"
              aria-pressed={days.includes(i + 1)}
              onClick={() =>
                setDays((now) => (now.includes(i + 1) ? now.filter((x) => x !== i + 1) : [...now, i + 1].sort()))
              }
            >
              {d}
            </button>
          ))}
        </div>
      </fieldset>
      <div>
        <label htmlFor="w-most" className="mb-1 block text-label font-medium">
          Minutes a day <span className="font-normal text-ink2">at most</span>
        </label>
        <input
          id="w-most"
          inputMode="numeric"
          className="input h-7 w-20"
          value={most}
          placeholder="no limit"
          onChange={(e) => setMost(e.target.value)}
        />
      </div>
    </div>
  );
}
