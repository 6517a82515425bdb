/** Which column says what, and how it is written; guessed, and changed here. */
import { FIELDS, type Field, type Mapping, missingColumns } from "../../formats/import/mapping";
import { WarnIcon } from "../ui/glyphs";
import type { TableFacts } from "../worker/import.worker";

const FIELD_WORDS: Record<Field, string> = {
  date: "Date",
  start: "Start",
  sport: "Sport",
  kind: "Kind",
  minutes: "Duration",
  distance: "Distance",
  ascent: "Ascent",
  descent: "Descent",
  rpe: "Effort, 0 to 10",
  heartRate: "Heart rate",
  pack: "Pack",
  name: "Name",
  id: "Record ID",
};

export function MappingPanel({ table, onChange }: { table: TableFacts; onChange: (m: Mapping) => void }) {
  const { mapping: m, headings, samples } = table;
  const set = (change: Partial<Mapping>) => onChange({ ...m, ...change });
  const column = (field: Field, at: number | undefined) => {
    const columns = { ...m.columns };
    if (at === undefined) delete columns[field];
    else columns[field] = at;
    set({ columns });
  };
  const missing = missingColumns(m);
  return (
    <>
      <div className="sec">
        <h2 className="sec-h">What the columns say</h2>
        <div className="grid grid-cols-[92px_minmax(0,1fr)] items-center gap-x-2 gap-y-1">
          {FIELDS.map((field) => {
            const at = m.columns[field];
            return (
              <div key={field} className="contents">
                <label htmlFor={`col-${field}`} className="text-label leading-4">
                  {FIELD_WORDS[field]}
                </label>
                <select
                  id={`col-${field}`}
                  className="input h-7 text-label"
                  aria-invalid={missing.includes(field)}
                  value={at ?? ""}
                  onChange={(e) => column(field, e.target.value === "" ? undefined : Number(e.target.value))}
                >
                  <option value="">not in the file</option>
                  {headings.map((h, i) => (
                    <option key={i} value={i}>
                      {h || `column ${i + 1}`}
                      {samples[i]?.[0] ? `: ${samples[i]?.[0]?.slice(0, 24)}` : ""}
                    </option>
                  ))}
                </select>
              </div>
            );
          })}
        </div>
        {missing.length > 0 && (
          <p role="alert" className="mt-2 flex gap-1.5 text-label leading-4 text-brick-ink">
            <WarnIcon /> Choose the column of {missing.map((f) => FIELD_WORDS[f].toLowerCase()).join(" and ")}.
          </p>
        )}
      </div>
      <Written m={m} set={set} />
    </>
  );
}

/** One way of writing among several. */
export function Choice<T extends string>({
  name,
  value,
  options,
  onChange,
}: {
  name: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
}) {
  const id = `how-${name}`;
  return (
    <>
      <label htmlFor={id} className="text-label leading-4">
        {name}
      </label>
      <select
        id={id}
        className="input h-7 text-label"
        value={value}
        onChange={(e) => {
          const chosen = options.find(([v]) => v === e.target.value);
          if (chosen) onChange(chosen[0]);
        }}
      >
        {options.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </select>
    </>
  );
}

/** How dates, numbers and units are written. */
function Written({ m, set }: { m: Mapping; set: (change: Partial<Mapping>) => void }) {
  return (
    <div className="sec">
      <h2 className="sec-h">How it is written</h2>
      <div className="grid grid-cols-[92px_minmax(0,1fr)] items-center gap-x-2 gap-y-1">
        <Choice
          name="Dates"
          value={m.dateOrder}
          options={[
            ["ymd", "year, month, day"],
            ["dmy", "day, month, year"],
            ["mdy", "month, day, year"],
          ]}
          onChange={(dateOrder) => set({ dateOrder })}
        />
        <Choice
          name="Decimals"
          value={m.decimal}
          options={[
            [",", "comma: 12,5"],
            [".", "point: 12.5"],
          ]}
          onChange={(decimal) => set({ decimal })}
        />
        <Choice
          name="Durations"
          value={m.duration}
          options={[
            ["h:mm", "h:mm or h:mm:ss"],
            ["mm:ss", "mm:ss or h:mm:ss"],
            ["minutes", "minutes"],
            ["seconds", "seconds"],
            ["hours", "hours"],
          ]}
          onChange={(duration) => set({ duration })}
        />
        <Choice
          name="Distances"
          value={m.distanceUnit}
          options={[
            ["km", "km"],
            ["m", "m"],
            ["mi", "mi"],
          ]}
          onChange={(distanceUnit) => set({ distanceUnit })}
        />
        <Choice
          name="Heights"
          value={m.heightUnit}
          options={[
            ["m", "m"],
            ["ft", "ft"],
          ]}
          onChange={(heightUnit) => set({ heightUnit })}
        />
        {m.columns.pack !== undefined && (
          <Choice
            name="Packs"
            value={m.massUnit}
            options={[
              ["kg", "kg"],
              ["lb", "lb"],
            ]}
            onChange={(massUnit) => set({ massUnit })}
          />
        )}
        <Choice
          name="Sessions"
          value={m.done ? "done" : "planned"}
          options={[
            ["done", "were done"],
            ["planned", "are planned"],
          ]}
          onChange={(v) => set({ done: v === "done" })}
        />
      </div>
    </div>
  );
}
