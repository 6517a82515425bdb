/** Rows of masses with their number, in the athlete's unit. */
import { useState } from "react";
import { massFrom, massText } from "../ui/form";
import { ICON } from "../ui/glyphs";

export const Title = ({ children }: { children: string }) => (
  <h3 className="mb-1 text-label leading-4 font-semibold">{children}</h3>
);

/** A mass that may be typed in pounds; what is not a number stays in the field and is not taken over. */
export function MassInput({
  kg,
  unit,
  label,
  onChange,
}: {
  kg: number;
  unit: "kg" | "lb";
  label: string;
  onChange: (kg: number) => void;
}) {
  const [text, setText] = useState(massText(kg, unit));
  const read = massFrom(text, unit, kg);
  const bad = typeof read !== "number" || read <= 0;
  return (
    <input
      className="input w-[72px]"
      inputMode="decimal"
      aria-label={label}
      aria-invalid={bad}
      value={text}
      onChange={(e) => {
        setText(e.target.value);
        const next = massFrom(e.target.value, unit, undefined);
        if (typeof next === "number" && next > 0) onChange(next);
      }}
    />
  );
}

interface Row {
  massKg: number;
  count: number;
}

export function Counted({
  title,
  unit,
  countName,
  rows,
  usual,
  each = 1,
  onChange,
}: {
  title: string;
  unit: "kg" | "lb";
  countName: readonly [string, string];
  rows: readonly Row[];
  usual: readonly number[];
  each?: number;
  onChange: (rows: Row[]) => void;
}) {
  const [added, setAdded] = useState(0);
  const kgOf = (n: number): number => {
    const kg = massFrom(String(n), unit, undefined);
    return typeof kg === "number" ? kg : n;
  };
  const missing = usual.map(kgOf).filter((kg) => !rows.some((r) => Math.abs(r.massKg - kg) < 1e-9));
  const count = (i: number, by: number) =>
    onChange(rows.map((r, k) => (k === i ? { ...r, count: Math.max(0, r.count + by) } : r)));
  return (
    <section>
      <Title>{title}</Title>
      <ul className="mb-1">
        {rows.map((r, i) => {
          const name = `${massText(r.massKg, unit)} ${unit}`;
          return (
            <li key={`${added}-${i}`} className="flex items-center gap-1.5 py-0.5">
              <MassInput
                kg={r.massKg}
                unit={unit}
                label={`${title}, mass ${i + 1}`}
                onChange={(massKg) => onChange(rows.map((x, k) => (k === i ? { ...x, massKg } : x)))}
              />
              <span className="w-6 text-label text-ink2">{unit}</span>
              <button
                type="button"
                className="btn btn-sm btn-sq"
                aria-label={`${name}: one less`}
                onClick={() => count(i, -1)}
              >
                −
              </button>
              <span className="w-[60px] text-center text-label">
                {r.count} {countName[r.count === 1 ? 0 : 1]}
              </span>
              <button
                type="button"
                className="btn btn-sm btn-sq"
                aria-label={`${name}: one more`}
                onClick={() => count(i, 1)}
              >
                +
              </button>
              <button
                type="button"
                className="btn btn-sm btn-sq"
                aria-label={`Remove ${name}`}
                onClick={() => {
                  setAdded(added + 1);
                  onChange(rows.filter((_, k) => k !== i));
                }}
              >
                {ICON.close}
              </button>
            </li>
          );
        })}
      </ul>
      <div className="flex flex-wrap gap-1">
        {missing.map((kg) => (
          <button
            key={kg}
            type="button"
            className="btn btn-sm"
            aria-label={`Add ${massText(kg, unit)} ${unit}: ${title}`}
            onClick={() => {
              setAdded(added + 1);
              onChange([...rows, { massKg: kg, count: each }].sort((a, b) => b.massKg - a.massKg));
            }}
          >
            + {massText(kg, unit)}
          </button>
        ))}
        <button
          type="button"
          className="btn btn-sm"
          aria-label={`Add another mass: ${title}`}
          onClick={() => {
            setAdded(added + 1);
            onChange([...rows, { massKg: kgOf(1), count: each }]);
          }}
        >
          + other
        </button>
      </div>
    </section>
  );
}
