/** Add or edit an endurance session. */
import type { ReactNode } from "react";
import { useState } from "react";
import type { UseFormReturn } from "react-hook-form";
import { type Path, useForm } from "react-hook-form";
import { type EnduranceBody, enduranceBody } from "../../api/requests";
import type { EnduranceView } from "../../api/views";
import { type EndurancePlan, type EnduranceSession, SESSION_KINDS, SESSION_SPORTS } from "../../core/athlete";
import { saidOf, THEIRS } from "../data/api";
import { useDeleteEndurance, useSaveEndurance } from "../data/hooks";
import { useSavePlan } from "../data/mileage";
import { useHeld } from "../data/tags";
import { distance, duration, SPORT_NAMES, type Units } from "../format";
import { usuallyAs } from "../mileage/amounts";
import { DateControl, TimeControl } from "./controlled";
import {
  bodyResolver,
  compact,
  distanceFrom,
  distanceText,
  Field,
  FormActions,
  FormProblem,
  massFrom,
  massText,
  minutesFrom,
  numberFrom,
  placeFaults,
} from "./form";
import { Sheet } from "./Sheet";
import { tell } from "./tell";
import { useUndo } from "./undo";
import { WhyList } from "./Why";

interface Form {
  date: string;
  start: string;
  sport: string;
  kind: string;
  minutes: string;
  distanceKm: string;
  ascentM: string;
  descentM: string;
  packKg: string;
  rpe: string;
  key: string;
  done: boolean;
}

const FIELDS: Path<Form>[] = [
  "date",
  "start",
  "sport",
  "kind",
  "minutes",
  "distanceKm",
  "ascentM",
  "descentM",
  "packKg",
  "rpe",
  "key",
];
const text = (n: number | undefined) => (n === undefined ? "" : String(n));

export default function EnduranceSheet({
  id,
  session,
  date,
  sport,
  units,
  plan = null,
  onClose,
}: {
  id: string;
  session: EnduranceView | null;
  /** The endurance plan, where a session that it makes may be changed from now on. */
  plan?: EndurancePlan | null;
  date: string;
  sport: string;
  units: Units;
  onClose: () => void;
}) {
  useHeld(session && `athletes/${id}/endurance/${session.id}`);
  const save = useSaveEndurance(id);
  const remove = useDeleteEndurance(id);
  const savePlan = useSavePlan(id);
  const { said } = useUndo(id);
  const [always, setAlways] = useState(false);
  /** The session of the usual week that this one is made from. */
  const slot = session?.slot ?? session?.insteadOf;
  const [problem, setProblem] = useState("");
  const toBody = (f: Form) => bodyOf(f, session, units);
  const form = useForm<Form>({
    resolver: bodyResolver(toBody, enduranceBody),
    defaultValues: formOf(session, date, sport, units),
  });
  const { errors } = form.formState;
  const submit = form.handleSubmit((values) => {
    const body = toBody(values) as EnduranceBody;
    const next = always && plan && slot && session ? usuallyAs(plan, slot, session, body as EnduranceSession) : null;
    if (next) {
      savePlan.mutate(next, {
        onSuccess: () => {
          said("The usual week is changed from now on.");
          onClose();
        },
        onError: (e) => setProblem(e.message),
      });
      return;
    }
    save.mutate(
      { row: session?.id ?? null, body },
      {
        onSuccess: (answer) => {
          said(saidOf(answer, session ? "Session changed." : "Session added."));
          onClose();
        },
        onError: (e) => setProblem(placeFaults(e, FIELDS, form.setError)),
      },
    );
  });
  const takeAway = () =>
    session &&
    remove.mutate(session.id, {
      onSuccess: (answer) => {
        if (answer === THEIRS) tell(saidOf(answer, ""));
        else said("Session removed.");
        onClose();
      },
      onError: (e) => setProblem(e.message),
    });
  const input = (name: Exclude<Path<Form>, "done">, label: string, type = "text", hint?: string) => (
    <Field id={`end-${name}`} label={label} hint={hint} error={errors[name]?.message}>
      <input
        id={`end-${name}`}
        type={type}
        inputMode={type === "text" ? "decimal" : undefined}
        className="input"
        aria-invalid={!!errors[name]}
        {...form.register(name)}
      />
    </Field>
  );
  const select = (name: "sport" | "kind" | "key", label: string, options: readonly [string, string][]) => (
    <Field id={`end-${name}`} label={label} error={errors[name]?.message}>
      <select id={`end-${name}`} className="input" {...form.register(name)}>
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </Field>
  );
  return (
    <Sheet
      open
      onClose={onClose}
      title={session ? "Edit endurance session" : "Add endurance session"}
      note={
        session && session.assumed.length > 0
          ? `Assumed: ${session.assumed.join("; ")}.`
          : "Start, effort and key flag may be left out; what stands in for them is shown as assumed."
      }
    >
      <form onSubmit={submit} noValidate className="space-y-3">
        <FormProblem text={problem} />
        <Figures form={form} select={select} input={input} units={units} />
        <label className="flex items-center gap-2">
          <input type="checkbox" {...form.register("done")} /> Done
        </label>
        <Around plan={plan} slot={slot} always={always} setAlways={setAlways} session={session} units={units} />
        <FormActions
          save={session ? "Save session" : "Add session"}
          saving={save.isPending || savePlan.isPending}
          onRemove={session ? takeAway : null}
          removing={remove.isPending}
        />
      </form>
    </Sheet>
  );
}

function bodyOf(f: Form, session: EnduranceView | null, units: Units) {
  return compact({
    date: f.date,
    start: f.start,
    sport: f.sport,
    kind: f.kind,
    minutes: minutesFrom(f.minutes),
    distanceKm: distanceFrom(f.distanceKm, units.distanceUnit, session?.distanceKm),
    ascentM: numberFrom(f.ascentM),
    descentM: numberFrom(f.descentM),
    packKg: massFrom(f.packKg, units.massUnit, session?.packKg),
    rpe: numberFrom(f.rpe),
    key: f.key === "" ? undefined : f.key === "yes",
    done: f.done || session?.done !== undefined ? f.done : undefined,
    averageHeartRate: session?.averageHeartRate,
    planned: session?.planned,
    source: session?.source,
  });
}

const formOf = (session: EnduranceView | null, date: string, sport: string, units: Units): Form => ({
  date: session?.date ?? date,
  start: session?.start ?? "",
  sport: session?.sport ?? sport,
  kind: session?.kind ?? "easy",
  minutes: text(session?.minutes),
  distanceKm: distanceText(session?.distanceKm, units.distanceUnit),
  ascentM: text(session?.ascentM),
  descentM: text(session?.descentM),
  packKg: massText(session?.packKg, units.massUnit),
  rpe: text(session?.rpe),
  key: session?.key === undefined ? "" : session.key ? "yes" : "no",
  done: session?.done ?? false,
});

interface FiguresProps {
  form: UseFormReturn<Form, unknown, Form>;
  select: (name: "sport" | "kind" | "key", label: string, options: readonly [string, string][]) => ReactNode;
  input: (name: Exclude<Path<Form>, "done">, label: string, type?: string, hint?: string | undefined) => ReactNode;
  units: Units;
}

function Figures({ form, select, input, units }: FiguresProps) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <DateControl form={form} name="date" id="end-date" label="Date" />
      <TimeControl form={form} name="start" id="end-start" label="Start" hint="optional" />
      {select(
        "sport",
        "Sport",
        SESSION_SPORTS.map((s) => [s, SPORT_NAMES[s]]),
      )}
      {select(
        "kind",
        "Kind",
        SESSION_KINDS.map((k) => [k, k]),
      )}
      {input("minutes", "Duration", "text", "min")}
      {input("rpe", "Effort", "text", "RPE 0 to 10")}
      {input("distanceKm", "Distance", "text", units.distanceUnit)}
      {select("key", "Key session", [
        ["", "by kind"],
        ["yes", "yes"],
        ["no", "no"],
      ])}
      {input("ascentM", "Ascent", "text", "m")}
      {input("descentM", "Descent", "text", "m")}
      {form.watch("sport") === "hike" && input("packKg", "Pack", "text", units.massUnit)}
    </div>
  );
}

interface AroundProps {
  plan: EndurancePlan | null;
  slot: string | undefined;
  always: boolean;
  setAlways: (value: boolean) => void;
  session: EnduranceView | null;
  units: Units;
}

/** What it was planned as, and what it weighs. */
function Around({ plan, slot, always, setAlways, session, units }: AroundProps) {
  return (
    <>
      {plan && slot && (
        <fieldset className="flex gap-4 text-label">
          <legend className="sr-only">How long the change holds</legend>
          <label className="flex items-center gap-2">
            <input type="radio" name="once" checked={!always} onChange={() => setAlways(false)} /> This week only
          </label>
          <label className="flex items-center gap-2">
            <input type="radio" name="once" checked={always} onChange={() => setAlways(true)} /> From now on
          </label>
        </fieldset>
      )}
      {session?.planned && (
        <p className="text-label leading-4 text-ink2">
          Planned: {session.planned.kind}, {duration(session.planned.minutes)}
          {session.planned.distanceKm === undefined ? "" : `, ${distance(session.planned.distanceKm, units, 1)}`}.
        </p>
      )}
      {session && (
        <div className="border-t border-hair2 pt-2">
          <h3 className="sec-h">What it weighs, as stored</h3>
          <WhyList reasons={session.weighs} />
        </div>
      )}
    </>
  );
}
