/** Add or edit an endurance session. */
import { useState } from "react";
import { type Path, useForm } from "react-hook-form";
import { toast } from "sonner";
import { type EnduranceBody, enduranceBody } from "../../api/requests";
import type { EnduranceView } from "../../api/views";
import { type EnduranceSession, SESSION_KINDS, SESSION_SPORTS } from "../../core/athlete";
import { saidOf, THEIRS } from "../data/api";
import { useDeleteEndurance, useSaveEndurance } from "../data/hooks";
import { useHeld } from "../data/tags";
import { distance, duration, SPORT_NAMES, type Units } from "../format";
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
  numberFrom,
  placeFaults,
} from "./form";
import { Sheet } from "./Sheet";
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

/** Without what the server added to the stored session. */
export function storedPart(e: EnduranceView): EnduranceSession {
  const {
    id: _id,
    load: _load,
    isKey: _key,
    startMinutes: _start,
    assumed: _assumed,
    flatKm: _flat,
    weighs: _weighs,
    ...session
  } = e;
  return session;
}

export default function EnduranceSheet({
  id,
  session,
  date,
  sport,
  units,
  onClose,
}: {
  id: string;
  session: EnduranceView | null;
  date: string;
  sport: string;
  units: Units;
  onClose: () => void;
}) {
  useHeld(session && `athletes/${id}/endurance/${session.id}`);
  const save = useSaveEndurance(id);
  const remove = useDeleteEndurance(id);
  const [problem, setProblem] = useState("");
  const toBody = (f: Form) => {
    return compact({
      date: f.date,
      start: f.start,
      sport: f.sport,
      kind: f.kind,
      minutes: numberFrom(f.minutes),
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
  };
  const form = useForm<Form>({
    resolver: bodyResolver(toBody, enduranceBody),
    defaultValues: {
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
    },
  });
  const { errors } = form.formState;
  const submit = form.handleSubmit((values) =>
    save.mutate(
      { row: session?.id ?? null, body: toBody(values) as EnduranceBody },
      {
        onSuccess: (answer) => {
          toast(saidOf(answer, session ? "Session changed." : "Session added."));
          onClose();
        },
        onError: (e) => setProblem(placeFaults(e, FIELDS, form.setError)),
      },
    ),
  );
  const takeAway = () =>
    session &&
    remove.mutate(session.id, {
      onSuccess: (answer) => {
        if (answer === THEIRS) toast(saidOf(answer, ""));
        else
          toast("Session removed.", {
            action: { label: "Undo", onClick: () => save.mutate({ row: null, body: storedPart(session) }) },
          });
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
        <div className="grid grid-cols-2 gap-3">
          {input("date", "Date", "date")}
          {input("start", "Start", "time", "optional")}
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
        <label className="flex items-center gap-2">
          <input type="checkbox" {...form.register("done")} /> Done
        </label>
        {session?.planned && (
          <p className="text-[12px] leading-4 text-ink2">
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
        <FormActions
          save={session ? "Save session" : "Add session"}
          saving={save.isPending}
          onRemove={session ? takeAway : null}
          removing={remove.isPending}
        />
      </form>
    </Sheet>
  );
}
