/** The figures of a row: sets, repetitions or seconds, reserve, load and rest. */
import type { ReactNode } from "react";
import type { ItemView } from "../../api/views";
import { lbToKg } from "../../core/units";
import { loadText, massNumber, type Units } from "../format";
import type { Row } from "./draft";
import type { FieldName } from "./walk";

/** A field of the row: its name, words, value, width, what takes the number, its limits and what an empty one shows. */
export type FieldMaker = (
  id: FieldName,
  words: string,
  value: number | undefined,
  width: string,
  put: (n: number | undefined) => void,
  limits: [number, number],
  placeholder?: string,
) => ReactNode;

/** A row with a figure of its own, or without one: then the rules say it. */
function withField(row: Row, field: "repsLow" | "rir" | "loadKg" | "restSeconds", n: number | undefined): Row {
  const { [field]: _, ...rest } = row;
  return (n === undefined ? rest : { ...row, [field]: n }) as Row;
}

interface FiguresProps {
  row: Row;
  timed: boolean;
  units: Units;
  made: ItemView | null;
  field: FieldMaker;
  onChange: (r: Row) => void;
}

/** Sets, repetitions, reserve, load and rest. */
export function Figures({ row, timed, units, made, field, onChange }: FiguresProps) {
  return (
    <div className="contents @max-[760px]:order-last @max-[760px]:col-span-full @max-[760px]:flex @max-[760px]:flex-wrap @max-[760px]:gap-x-3 @max-[760px]:gap-y-1 @max-[760px]:pl-[70px]">
      <Captioned as="Sets">
        {field(
          "sets",
          "sets",
          row.sets,
          "w-[42px]",
          (n) => onChange({ ...row, sets: Math.round(n ?? row.sets) }),
          [1, 10],
        )}
      </Captioned>
      <Captioned as={timed ? "Seconds" : "Reps"}>
        <AmountCell timed={timed} field={field} row={row} onChange={onChange} />
      </Captioned>
      <Captioned as="RIR">
        <ReserveCell timed={timed} field={field} row={row} onChange={onChange} />
      </Captioned>
      <Captioned as={`Load, ${units.massUnit}`}>
        <LoadCell made={made} field={field} units={units} row={row} onChange={onChange} />
      </Captioned>
      <Captioned as="Rest, s">
        {field(
          "rest",
          "rest in seconds",
          row.restSeconds,
          "w-[52px]",
          (n) => onChange(withField(row, "restSeconds", n)),
          [0, 900],
          made ? String(made.restSeconds) : "",
        )}
      </Captioned>
    </div>
  );
}

/** A figure with its words where the columns' heads are not shown. */
function Captioned({ as, children }: { as: string; children: ReactNode }) {
  return (
    <span className="contents @max-[760px]:grid">
      <span className="hidden text-label text-ink2 @max-[760px]:block" aria-hidden="true">
        {as}
      </span>
      {children}
    </span>
  );
}

interface AmountCellProps {
  timed: boolean;
  field: FieldMaker;
  row: Row;
  onChange: (r: Row) => void;
}

/** Repetitions with their low end, or seconds. */
function AmountCell({ timed, field, row, onChange }: AmountCellProps) {
  return timed ? (
    <span className="flex items-center gap-1">
      {field("reps", "seconds", row.seconds, "w-[52px]", (n) => onChange({ ...row, seconds: n ?? 20 }), [1, 600])}
      <span className="text-label text-ink2">s</span>
    </span>
  ) : (
    <span className="flex items-center gap-1">
      {field(
        "low",
        "reps, low end",
        row.repsLow,
        "w-[40px]",
        (n) => onChange(withField(row, "repsLow", n === undefined ? n : Math.round(n))),
        [1, 100],
      )}
      <span className="text-ink2">–</span>
      {field("reps", "reps", row.reps, "w-[40px]", (n) => onChange({ ...row, reps: Math.round(n ?? 8) }), [1, 100])}
    </span>
  );
}

interface LoadCellProps {
  made: ItemView | null;
  field: FieldMaker;
  units: Units;
  row: Row;
  onChange: (r: Row) => void;
}

function LoadCell({ made, field, units, row, onChange }: LoadCellProps) {
  return (
    <span>
      {made && !["bodyweight", "band"].includes(made.loading) ? (
        field(
          "load",
          `load in ${units.massUnit}, empty works it out`,
          row.loadKg === undefined ? undefined : massNumber(row.loadKg, units),
          "w-[78px]",
          (n) => onChange(withField(row, "loadKg", n === undefined ? n : units.massUnit === "lb" ? lbToKg(n) : n)),
          [0, 1300],
          made.loadKg === null ? "find" : String(massNumber(made.loadKg, units)),
        )
      ) : (
        <span className="block text-center text-label text-ink2">{made ? loadText(made, units) : "…"}</span>
      )}
    </span>
  );
}

interface ReserveCellProps {
  timed: boolean;
  field: FieldMaker;
  row: Row;
  onChange: (r: Row) => void;
}

function ReserveCell({ timed, field, row, onChange }: ReserveCellProps) {
  return timed ? (
    <span className="text-center text-ink2">–</span>
  ) : (
    field("rir", "in reserve", row.rir, "w-[42px]", (n) => onChange(withField(row, "rir", n)), [0, 10])
  );
}
