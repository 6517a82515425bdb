/** A rule's numbers, each with its own trust, and the coach's own values beside them. */
import { type FormEvent, useState } from "react";
import {
  type NumberParameter,
  numbers,
  type Parameter,
  RULES,
  type RuleId,
  type RuleValues,
  TRUST_WORDS,
  valueFault,
} from "../../core/rulebook";
import { useSaveOwnRuleValues, useSaveRuleValues } from "../data/rules";
import { FormProblem } from "../ui/form";
import { tell } from "../ui/tell";
import { figure } from "./words";

const isNumber = (p: Parameter): p is NumberParameter => typeof p.value === "number";

/** A source that says more than its trust. */
const sourceOf = (p: Parameter): string => (p.trust === "pub" ? `: ${p.source}` : "");

export function Parameters({ id }: { id: RuleId }) {
  const all = Object.entries(RULES[id].parameters);
  if (all.length === 0) return <p className="text-ink2">This rule has no numbers.</p>;
  return (
    <table className="w-full border-collapse text-left text-label leading-4">
      <caption className="sr-only">Numbers of the rule</caption>
      <thead>
        <tr className="h-6 text-ink2 shadow-[inset_0_-1.500px_0_var(--color-ground)]">
          <th className="w-[24%] font-semibold">Number</th>
          <th className="font-semibold">What it is</th>
          <th className="w-[38%] font-semibold">How far it can be trusted</th>
        </tr>
      </thead>
      <tbody>
        {all.map(([name, p]) => (
          <tr key={name} className="border-b border-hair2 align-top" data-parameter={name} data-trust={p.trust}>
            <td className="num py-1.5 pr-3 font-semibold">
              {isNumber(p)
                ? figure(p.value)
                : Object.entries(p.value)
                    .map(([k, v]) => `${k} ${figure(v)}`)
                    .join(", ")}
            </td>
            <td className="py-1.5 pr-3">{`${p.unit} ${p.says}`.trim()}</td>
            <td className="py-1.5">
              {TRUST_WORDS[p.trust]}
              <span className="text-ink2">{sourceOf(p)}</span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What a coach may set, for everybody or for one athlete. */
export function OwnValues({
  id,
  club,
  own,
  athlete,
}: {
  id: RuleId;
  club: RuleValues;
  own: RuleValues;
  athlete: { id: string; name: string } | null;
}) {
  const open = Object.entries(RULES[id].parameters).filter(
    (e): e is [string, NumberParameter] => isNumber(e[1]) && e[1].bounds !== undefined,
  );
  const saveClub = useSaveRuleValues();
  const saveOwn = useSaveOwnRuleValues(athlete?.id ?? "");
  if (open.length === 0) return <p className="text-ink2">Its numbers are the same for everybody.</p>;
  return (
    <div className="flex flex-wrap gap-x-8 gap-y-3">
      <Values
        key={`club/${id}`}
        id={id}
        whose="All athletes"
        open={open}
        set={club}
        under={{}}
        save={(values, done) => saveClub.mutate(values, done)}
      />
      {athlete && (
        <Values
          key={`${athlete.id}/${id}`}
          id={id}
          whose={athlete.name}
          open={open}
          set={own}
          under={club}
          save={(values, done) => saveOwn.mutate(values, done)}
        />
      )}
    </div>
  );
}

interface Done {
  onSuccess: () => void;
  onError: (e: Error) => void;
}

function Values({
  id,
  whose,
  open,
  set,
  under,
  save,
}: {
  id: RuleId;
  whose: string;
  open: readonly [string, NumberParameter][];
  /** Values as they are saved for these athletes. */
  set: RuleValues;
  /** What holds where nothing is set. */
  under: RuleValues;
  save: (values: RuleValues, done: Done) => void;
}) {
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(Object.entries(set[id] ?? {}).map(([k, v]) => [k, String(v)])),
  );
  const [problem, setProblem] = useState("");
  const holds = numbers(id, under) as Readonly<Record<string, number>>;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const next: Record<string, number> = {};
    for (const [name, text] of Object.entries(typed)) {
      if (text.trim() === "") continue;
      const value = Number(text.replace(",", "."));
      const fault = Number.isFinite(value) ? valueFault(id, name, value) : "a number expected";
      if (fault) return setProblem(`${open.find(([n]) => n === name)?.[1].says ?? name}: ${fault}, found "${text}".`);
      next[name] = value;
    }
    setProblem("");
    const { [id]: _, ...rest } = set;
    save(Object.keys(next).length > 0 ? { ...rest, [id]: next } : rest, {
      onSuccess: () => tell("Saved. What lies ahead is planned with it."),
      onError: (e) => setProblem(e.message),
    });
  };
  return (
    <form noValidate onSubmit={submit} className="min-w-[240px] flex-1">
      <h3 className="mb-1 text-label font-semibold">{whose}</h3>
      <FormProblem text={problem} />
      {open.map(([name, p]) => (
        <label key={name} className="mb-1.5 block text-label leading-4" htmlFor={`${whose}-${name}`}>
          <span className="block">
            {p.unit} {p.says}
          </span>
          <input
            id={`${whose}-${name}`}
            inputMode="decimal"
            className="input mt-0.5 h-7 w-24"
            value={typed[name] ?? ""}
            placeholder={figure(holds[name] ?? p.value)}
            onChange={(e) => setTyped((t) => ({ ...t, [name]: e.target.value }))}
          />
          <span className="ml-2 text-ink2">
            {figure(p.bounds?.least ?? 0)} to {figure(p.bounds?.most ?? 0)}
          </span>
        </label>
      ))}
      <button type="submit" className="btn btn-sm mt-1">
        Save for {whose === "All athletes" ? "all athletes" : whose}
      </button>
    </form>
  );
}
