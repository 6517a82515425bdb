/** Which column of a spreadsheet says what, and how it is written; guessed, and changed here. */
import {
  LIFT_FIELDS,
  type LiftField,
  type LiftMapping,
  missingLifts,
  TEST_FIELDS,
  type TestField,
} from "../../formats/import/lifts/columns";
import { Choice } from "../import/MappingPanel";
import { WarnIcon } from "../ui/glyphs";
import type { SheetFacts } from "../worker/sheet.worker";

const WORDS: Record<LiftField | TestField, string> = {
  date: "Date",
  athlete: "Athlete",
  exercise: "Exercise",
  work: "Work, 3x5@60",
  set: "Number of set",
  sets: "Sets",
  reps: "Repetitions",
  seconds: "Seconds",
  load: "Load",
  unit: "Unit of load",
  rpe: "RPE",
  rir: "In reserve",
  side: "Side",
  test: "Test",
  left: "Left",
  right: "Right",
  value: "Result",
};

interface Props {
  sheet: SheetFacts;
  onChange: (mapping: LiftMapping) => void;
}

export function Columns({ sheet: { headings, samples, mapping: m }, onChange }: Props) {
  const fields = m.kind === "tests" ? TEST_FIELDS : LIFT_FIELDS;
  const missing = missingLifts(m);
  const choose = (field: LiftField | TestField, at: string) => {
    const { [field]: _, ...columns } = m.columns;
    onChange({ ...m, columns: at === "" ? columns : { ...columns, [field]: Number(at) } });
  };
  return (
    <section className="sec" aria-label="What the columns say">
      <h2 className="sec-h">What the columns say</h2>
      <div className="grid grid-cols-[104px_minmax(0,1fr)] items-center gap-x-2 gap-y-1">
        {fields.map((field) => (
          <div key={field} className="contents">
            <label htmlFor={`sheet-${field}`} className="text-label leading-4">
              {WORDS[field]}
            </label>
            <select
              id={`sheet-${field}`}
              className="input h-7 text-label max-[700px]:h-11"
              aria-invalid={missing.includes(field)}
              value={m.columns[field] ?? ""}
              onChange={(e) => choose(field, e.target.value)}
            >
              <option value="">not in the file</option>
              {headings.map((h, i) => (
                <option key={i} value={i}>
                  {h || `column ${i + 1}`}
                  {samples[i] ? `: ${samples[i].slice(0, 24)}` : ""}
                </option>
              ))}
            </select>
          </div>
        ))}
        <Choice
          name="Dates"
          value={m.dateOrder}
          options={[
            ["ymd", "year, month, day"],
            ["dmy", "day, month, year"],
            ["mdy", "month, day, year"],
          ]}
          onChange={(dateOrder) => onChange({ ...m, dateOrder })}
        />
        <Choice
          name="Numbers"
          value={m.decimal}
          options={[
            [".", "62.5"],
            [",", "62,5"],
          ]}
          onChange={(decimal) => onChange({ ...m, decimal })}
        />
        {m.kind === "lifts" && (
          <Choice
            name="Loads in"
            value={m.unit}
            options={[
              ["kg", "kg"],
              ["lb", "lb"],
            ]}
            onChange={(unit) => onChange({ ...m, unit })}
          />
        )}
      </div>
      {missing.length > 0 && (
        <p role="alert" className="mt-2 flex gap-1.5 text-label leading-4 text-brick-ink">
          <WarnIcon /> Choose the column of {missing.map((f) => WORDS[f].toLowerCase()).join(" and ")}.
        </p>
      )}
    </section>
  );
}
