/** Who they are: sport, age, mass, time in the gym, units. The same form makes a new athlete and edits one. */

import { type Athlete, SPORTS, trainingAge } from "../../core/athlete";
import type { Fault } from "../../formats/fault";
import { SPORT_NAMES } from "../format";
import { compact, Field, massFrom, massText, numberFrom } from "../ui/form";
import { Segments } from "../ui/Segments";
import { faultAt } from "./useStep";

export interface FactsForm {
  name: string;
  sport: Athlete["athlete"]["sport"];
  birthYear: string;
  sex: "" | "female" | "male" | "unspecified";
  mass: string;
  months: string;
  massUnit: "kg" | "lb";
  distanceUnit: "km" | "mi";
}

export const EMPTY_FACTS: FactsForm = {
  name: "",
  sport: "run",
  birthYear: "",
  sex: "",
  mass: "",
  months: "0",
  massUnit: "kg",
  distanceUnit: "km",
};

export const factsForm = (f: Athlete["athlete"]): FactsForm => ({
  name: f.name,
  sport: f.sport,
  birthYear: String(f.birthYear),
  sex: f.sex ?? "",
  mass: massText(f.bodyMassKg, f.massUnit ?? "kg"),
  months: String(f.strengthTrainingMonths),
  massUnit: f.massUnit ?? "kg",
  distanceUnit: f.distanceUnit ?? "km",
});

/** The facts as the file has them; what the form does not ask for stays. */
export const factsOf = (f: FactsForm, known: Partial<Athlete["athlete"]> = {}): unknown => {
  const { timeZone, restingHeartRate, maxHeartRate } = known;
  return {
    name: f.name.trim(),
    sport: f.sport,
    birthYear: numberFrom(f.birthYear),
    bodyMassKg: massFrom(f.mass, f.massUnit, known.bodyMassKg),
    strengthTrainingMonths: numberFrom(f.months),
    massUnit: f.massUnit,
    distanceUnit: f.distanceUnit,
    ...compact({ sex: f.sex, timeZone, restingHeartRate, maxHeartRate }),
  };
};

const AGES = { new: "new to the gym", novice: "novice", trained: "trained" } as const;

export function AthleteStep({
  form,
  set,
  faults,
}: {
  form: FactsForm;
  set: (next: FactsForm) => void;
  faults: readonly Fault[];
}) {
  const put = (change: Partial<FactsForm>) => set({ ...form, ...change });
  const fault = (field: string) => faultAt(faults, `facts.${field}`);
  const months = Number(form.months.replace(",", "."));
  const toUnit = (massUnit: "kg" | "lb") => {
    const kg = massFrom(form.mass, form.massUnit, undefined);
    put({ massUnit, ...(typeof kg === "number" ? { mass: massText(kg, massUnit) } : {}) });
  };
  return (
    <div className="grid max-w-[560px] grid-cols-2 gap-x-4 gap-y-4 max-[700px]:grid-cols-1">
      <Field id="f-name" label="Name" error={fault("name")} className="col-span-2 max-[700px]:col-span-1">
        <input
          id="f-name"
          className="input"
          value={form.name}
          autoComplete="off"
          aria-invalid={!!fault("name")}
          onChange={(e) => put({ name: e.target.value })}
        />
      </Field>
      <div className="col-span-2 max-[700px]:col-span-1">
        <span className="mb-0.5 block text-label leading-4 font-medium">Sport</span>
        <div className="-ml-1">
          <Segments
            name="Sport"
            options={SPORTS.map((s) => [s, SPORT_NAMES[s]] as const)}
            value={form.sport}
            onChange={(sport) => put({ sport })}
          />
        </div>
      </div>
      <Field id="f-year" label="Birth year" error={fault("birthYear")}>
        <input
          id="f-year"
          className="input"
          inputMode="numeric"
          value={form.birthYear}
          aria-invalid={!!fault("birthYear")}
          onChange={(e) => put({ birthYear: e.target.value })}
        />
      </Field>
      <Field id="f-sex" label="Sex" hint="for test standards" error={fault("sex")}>
        <select
          id="f-sex"
          className="input"
          value={form.sex}
          onChange={(e) => put({ sex: e.target.value as FactsForm["sex"] })}
        >
          <option value="">not asked</option>
          <option value="female">female</option>
          <option value="male">male</option>
          <option value="unspecified">unspecified</option>
        </select>
      </Field>
      <Field id="f-mass" label="Body mass" hint={form.massUnit} error={fault("bodyMassKg")}>
        <input
          id="f-mass"
          className="input"
          inputMode="decimal"
          value={form.mass}
          aria-invalid={!!fault("bodyMassKg")}
          onChange={(e) => put({ mass: e.target.value })}
        />
      </Field>
      <Field
        id="f-months"
        label="Strength training so far"
        hint={`months${Number.isFinite(months) && months >= 0 ? `: ${AGES[trainingAge(months)]}` : ""}`}
        error={fault("strengthTrainingMonths")}
      >
        <input
          id="f-months"
          className="input"
          inputMode="numeric"
          value={form.months}
          aria-invalid={!!fault("strengthTrainingMonths")}
          onChange={(e) => put({ months: e.target.value })}
        />
      </Field>
      <div>
        <span className="mb-0.5 block text-label leading-4 font-medium">Weight unit</span>
        <div className="-ml-1">
          <Segments
            name="Weight unit"
            options={[
              ["kg", "kg"],
              ["lb", "lb"],
            ]}
            value={form.massUnit}
            onChange={toUnit}
          />
        </div>
      </div>
      <div>
        <span className="mb-0.5 block text-label leading-4 font-medium">Distance unit</span>
        <div className="-ml-1">
          <Segments
            name="Distance unit"
            options={[
              ["km", "km"],
              ["mi", "mi"],
            ]}
            value={form.distanceUnit}
            onChange={(distanceUnit) => put({ distanceUnit })}
          />
        </div>
      </div>
    </div>
  );
}
