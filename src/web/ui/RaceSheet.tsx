/** Add or edit a race. */

import { type ReactNode, useState } from "react";
import type { FieldErrors, UseFormReturn } from "react-hook-form";
import { type Path, useForm } from "react-hook-form";
import { type RaceBody, raceBody } from "../../api/requests";
import { PRIORITIES, type Race, type RaceResult, SESSION_SPORTS } from "../../core/athlete";
import { addDays, isDate } from "../../core/dates";
import type { Splits } from "../../formats/import/splits";
import { saidOf, THEIRS } from "../data/api";
import { useClub, useDeleteRace, useSaveRace } from "../data/hooks";
import { useSaveIntake } from "../data/intake";
import { useHeld } from "../data/tags";
import { SPORT_NAMES, splitsText, type Units } from "../format";
import { readRecording } from "../import/recording";
import { DateControl, TimeControl } from "./controlled";
import { textOfDate } from "./dateText";
import {
  bodyResolver,
  compact,
  distanceFrom,
  distanceText,
  Field,
  FormActions,
  FormProblem,
  minutesFrom,
  numberFrom,
  placeFaults,
} from "./form";
import { Sheet } from "./Sheet";
import { tell, tellFault } from "./tell";
import { useUndo } from "./undo";

interface Form {
  name: string;
  date: string;
  start: string;
  priority: string;
  sport: string;
  distanceKm: string;
  ascentM: string;
  expectedMinutes: string;
  days: string;
  rounds: string;
  /** How it went. */
  minutes: string;
  place: string;
  felt: string;
  note: string;
}

const FIELDS: Path<Form>[] = [
  "name",
  "date",
  "start",
  "priority",
  "sport",
  "distanceKm",
  "ascentM",
  "expectedMinutes",
  "days",
  "rounds",
  "minutes",
  "place",
  "felt",
  "note",
];
const PRIORITY_WORDS = { A: "A: the season is built for it", B: "B: a small taper", C: "C: trained through" } as const;

export default function RaceSheet({
  id,
  race,
  season,
  units,
  onClose,
}: {
  id: string;
  race: Race | null;
  season: { start: string; end: string };
  units: Units;
  onClose: () => void;
}) {
  useHeld(race && `athletes/${id}/races/${race.id}`);
  const today = useClub().data?.today ?? "";
  const save = useSaveRace(id);
  const remove = useDeleteRace(id);
  const [problem, setProblem] = useState("");
  const [splits, setSplits] = useState(race?.result?.splits ?? null);
  const toBody = (f: Form) => {
    return compact({
      date: f.date,
      start: f.start,
      days: numberFrom(f.days),
      rounds: numberFrom(f.rounds),
      name: f.name.trim(),
      sport: f.sport,
      distanceKm: distanceFrom(f.distanceKm, units.distanceUnit, race?.distanceKm),
      ascentM: numberFrom(f.ascentM),
      expectedMinutes: minutesFrom(f.expectedMinutes),
      priority: f.priority,
      result: resultOf(f, splits),
    });
  };
  const form = useForm<Form>({
    resolver: bodyResolver(toBody, raceBody),
    defaultValues: valuesOf(race, units),
  });
  const { errors } = form.formState;
  const { said } = useUndo(id);
  const submit = form.handleSubmit(
    (values) =>
      save.mutate(
        { race: race?.id ?? null, body: toBody(values) as RaceBody },
        {
          onSuccess: (answer) => {
            said(saidOf(answer, race ? "Race changed. Phases follow it." : "Race added. Phases follow it."));
            onClose();
          },
          onError: (e) => setProblem(placeFaults(e, FIELDS, form.setError)),
        },
      ),
    () => setProblem(""),
  );
  const takeAway = () =>
    race &&
    remove.mutate(race.id, {
      onSuccess: (answer) => {
        if (answer === THEIRS) tell(saidOf(answer, ""));
        else said(`${race.name} removed.`);
        onClose();
      },
      onError: (e) => setProblem(e.message),
    });
  const input = (name: Path<Form>, label: string, type = "text", hint?: string) => (
    <Field id={`race-${name}`} label={label} hint={hint} error={errors[name]?.message}>
      <input
        id={`race-${name}`}
        type={type}
        inputMode={type === "text" && name !== "name" && name !== "note" ? "decimal" : undefined}
        className="input"
        aria-invalid={!!errors[name]}
        aria-describedby={errors[name] ? `race-${name}-error` : undefined}
        {...form.register(name)}
      />
    </Field>
  );
  return (
    <Sheet
      open
      onClose={onClose}
      title={race ? "Edit race" : "Add race"}
      note={`Inside the season, ${textOfDate(season.start)} to ${textOfDate(season.end)}. The duration decides how long the taper and the recovery are; where it is left out it is estimated and shown as assumed.`}
    >
      <form onSubmit={submit} noValidate className="space-y-3">
        <FormProblem text={problem} />
        {input("name", "Name")}
        <div className="grid grid-cols-2 gap-3">
          <DateControl form={form} name="date" id="race-date" label="Date" />
          <TimeControl form={form} name="start" id="race-start" label="Start" hint="optional" />
          <ImportanceAndSport errors={errors} form={form} />
          {input("expectedMinutes", "Expected duration", "text", "min or 3:45")}
          {input("distanceKm", "Distance", "text", units.distanceUnit)}
          {input("ascentM", "Ascent", "text", "m")}
          {input("days", "Days", "text", "if several")}
        </div>
        {race && today >= race.date && (
          <ResultFields
            input={input}
            splits={splits}
            onRecording={({ minutes, stepKm, splits: all, halves }) => {
              setSplits({ km: stepKm, minutes: all, halves });
              form.setValue("minutes", String(Math.round(minutes * 100) / 100));
            }}
          />
        )}
        <Lengthen id={id} season={season} date={form.watch("date")} />
        <FormActions
          save={race ? "Save race" : "Add race"}
          saving={save.isPending}
          onRemove={race ? takeAway : null}
          removing={remove.isPending}
        />
      </form>
    </Sheet>
  );
}

const text = (n: number | undefined): string => (n === undefined ? "" : String(n));

/** What the fields show of a race; of a new one. */
const valuesOf = (race: Race | null, units: Units): Form => ({
  name: race?.name ?? "",
  date: race?.date ?? "",
  start: race?.start ?? "",
  priority: race?.priority ?? "A",
  sport: race?.sport ?? "run",
  distanceKm: distanceText(race?.distanceKm, units.distanceUnit),
  ascentM: text(race?.ascentM),
  expectedMinutes: text(race?.expectedMinutes),
  days: text(race?.days),
  rounds: text(race?.rounds),
  minutes: text(race?.result?.minutes),
  place: text(race?.result?.place),
  felt: text(race?.result?.felt),
  note: race?.result?.note ?? "",
});

/** Nothing where no field of it is filled. */
function resultOf(f: Form, splits: RaceResult["splits"] | null) {
  const result = compact({
    splits: splits ?? undefined,
    minutes: minutesFrom(f.minutes),
    place: numberFrom(f.place),
    felt: numberFrom(f.felt),
    note: f.note.trim(),
  });
  return Object.keys(result).length > 0 ? result : undefined;
}

/** How it went: its time decides how long the way back is. */
function ResultFields({
  input,
  splits,
  onRecording,
}: {
  input: (name: "minutes" | "place" | "felt" | "note", label: string, type?: string, hint?: string) => ReactNode;
  splits: RaceResult["splits"] | null;
  onRecording: (splits: Splits) => void;
}) {
  const [fault, setFault] = useState("");
  const read = async (file: File | undefined) => {
    if (!file) return;
    const answer = await readRecording(file);
    setFault(answer.ok ? "" : answer.fault);
    if (answer.ok) onRecording(answer.splits);
  };
  return (
    <fieldset className="rounded-[3px] border border-edge p-3">
      <legend className="px-1 text-label font-semibold">Result</legend>
      <div className="grid grid-cols-3 gap-3">
        {input("minutes", "Time", "text", "min or 3:45")}
        {input("place", "Place")}
        {input("felt", "How it went", "text", "1 to 5")}
        <div className="col-span-3">{input("note", "Note")}</div>
        <div className="col-span-3">
          <Field id="race-recording" label="Recording of the race" hint="FIT, GPX, TCX: how long it took, and splits">
            <input
              id="race-recording"
              type="file"
              accept=".fit,.gpx,.tcx,.csv"
              className="text-label"
              onChange={(e) => void read(e.target.files?.[0])}
            />
          </Field>
          {fault !== "" && (
            <p role="alert" className="text-label text-brick-ink">
              {fault}
            </p>
          )}
          {splits && <p className="text-label leading-4 text-ink2">{splitsText(splits)}</p>}
        </div>
      </div>
    </fieldset>
  );
}

/** Days that a season goes on after its last race: the time in which it is recovered from. */
const AFTER = 28;

/** A race after the season's end: the season can be made as long as it takes. */
function Lengthen({ id, season, date }: { id: string; season: { start: string; end: string }; date: string }) {
  const save = useSaveIntake(id);
  const [end, setEnd] = useState(season.end);
  if (!isDate(date) || date <= end) return null;
  const to = addDays(date, AFTER);
  return (
    <div className="rounded-[3px] border border-edge bg-rest p-2 text-label leading-4">
      <p className="mb-1.5">
        The race lies after the season's end, {textOfDate(end)}. With four weeks to recover the season would go on until{" "}
        {textOfDate(to)}.
      </p>
      <button
        type="button"
        className="btn btn-sm"
        disabled={save.isPending}
        onClick={() =>
          save.mutate(
            { season: { ...season, end: to } },
            {
              onSuccess: () => {
                setEnd(to);
                tell(`The season goes on until ${textOfDate(to)}.`);
              },
              onError: (e) => tellFault(e.message),
            },
          )
        }
      >
        {save.isPending ? "Saving…" : "Lengthen the season"}
      </button>
    </div>
  );
}

function ImportanceAndSport({ errors, form }: { errors: FieldErrors<Form>; form: UseFormReturn<Form, unknown, Form> }) {
  return (
    <>
      <Field id="race-priority" label="Importance" error={errors.priority?.message}>
        <select id="race-priority" className="input" {...form.register("priority")}>
          {PRIORITIES.map((p) => (
            <option key={p} value={p}>
              {PRIORITY_WORDS[p]}
            </option>
          ))}
        </select>
      </Field>
      <Field id="race-sport" label="Sport" error={errors.sport?.message}>
        <select id="race-sport" className="input" {...form.register("sport")}>
          {SESSION_SPORTS.map((s) => (
            <option key={s} value={s}>
              {SPORT_NAMES[s]}
            </option>
          ))}
        </select>
      </Field>
    </>
  );
}
