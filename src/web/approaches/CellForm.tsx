/** One cell of the grid, or a row's week, to be changed; what cannot be done is said at once, with the reason. */
import type { ReactNode } from "react";
import { useId } from "react";
import type { Approach, DoseCell, DoseRow, Range } from "../../core/athlete";
import { type CellFault, percentFor } from "../../core/dose";
import { Segments } from "../ui/Segments";
import { Fault, Num } from "./fields";
import type { GridPlace } from "./Grid";
import { LineForm } from "./LineForm";
import { COLUMN_WORDS, STAGE_WORDS } from "./words";

interface Props {
  approach: Approach;
  at: GridPlace;
  faults: readonly CellFault[];
  locked: boolean;
  onChange: (next: Approach) => void;
}

export function CellForm({ approach, at, faults, locked, onChange }: Props) {
  const row = approach.rows[at.stage];
  const putRow = (next: DoseRow) => onChange({ ...approach, rows: { ...approach.rows, [at.stage]: next } });
  if (at.column === "week")
    return (
      <RowForm
        key={at.stage}
        title={`${STAGE_WORDS[at.stage]}, the week`}
        row={row}
        faults={faults.filter((f) => f.path === `rows.${at.stage}.perWeek`)}
        locked={locked}
        onChange={putRow}
      />
    );
  const column = at.column;
  const path = `rows.${at.stage}.cells.${column}`;
  return (
    <>
      <Cell
        key={path}
        title={`${STAGE_WORDS[at.stage]}, ${COLUMN_WORDS[column].toLowerCase()}`}
        cell={row.cells[column]}
        same={row.samePercent && (column === "squat" || column === "hinge")}
        faults={faults.filter((f) => f.path.startsWith(`${path}.`))}
        locked={locked}
        onChange={(cell) => putRow({ ...row, cells: { ...row.cells, [column]: cell } })}
      />
      <LineForm
        key={`line/${path}`}
        approach={approach}
        stage={at.stage}
        column={column}
        faults={faults.filter((f) => f.path.startsWith(`lines.${at.stage}.${column}.`))}
        locked={locked}
        onChange={onChange}
      />
    </>
  );
}

function Span({
  label,
  unit,
  value,
  locked,
  onChange,
  fault,
}: {
  label: string;
  unit: string;
  value: Range;
  locked: boolean;
  onChange: (r: Range) => void;
  fault: string | undefined;
}) {
  return (
    <div className="mb-2">
      <div className="flex items-center gap-2">
        <span className="w-[92px] text-label font-medium">{label}</span>
        <Num
          label={`${label}, low end`}
          value={value[0]}
          locked={locked}
          onChange={(n) => onChange([n, Math.max(n, value[1])])}
        />
        <span className="text-ink2">to</span>
        <Num
          label={`${label}, high end`}
          value={value[1]}
          locked={locked}
          onChange={(n) => onChange([Math.min(value[0], n), n])}
        />
        <span className="text-label text-ink2">{unit}</span>
      </div>
      <Fault text={fault} />
    </div>
  );
}

function Cell({
  title,
  cell,
  same,
  faults,
  locked,
  onChange,
}: {
  title: string;
  cell: DoseCell;
  same: boolean;
  faults: readonly CellFault[];
  locked: boolean;
  onChange: (c: DoseCell) => void;
}) {
  const tempoId = useId();
  const fault = (field: string) => faults.find((f) => f.path.endsWith(`.${field}`))?.expected;
  const by = cell.percent === null ? "reserve" : "percent";
  const swap = (to: "reserve" | "percent") => {
    if (to === by) return;
    if (to === "reserve") return onChange({ ...cell, rir: [2, 3], percent: null });
    // The percent that the reserve came to, so that nothing jumps.
    const percent = percentFor(cell.reps[1] + (cell.rir?.[1] ?? 2)) ?? 70;
    onChange({ ...cell, rir: null, percent: Math.floor(percent) });
  };
  return (
    <div className="sec">
      <h2 className="sec-h">{title}</h2>
      <Span
        label="Sets"
        unit=""
        value={cell.sets}
        locked={locked}
        onChange={(sets) => onChange({ ...cell, sets })}
        fault={fault("sets")}
      />
      <Span
        label="Repetitions"
        unit=""
        value={cell.reps}
        locked={locked}
        onChange={(reps) => onChange({ ...cell, reps })}
        fault={fault("reps")}
      />
      {same ? (
        <p className="mb-2 text-label leading-4 text-ink2">
          How hard: the percent of the build before it is kept; the reserve follows.
        </p>
      ) : (
        <HowHard locked={locked} by={by} swap={swap} cell={cell} onChange={onChange} fault={fault} />
      )}
      <Span
        label="Holds"
        unit="s"
        value={cell.seconds}
        locked={locked}
        onChange={(seconds) => onChange({ ...cell, seconds })}
        fault={fault("seconds")}
      />
      <OneNumber title="Rest" unit="s between sets" fault={fault("restSeconds")}>
        <Num
          label="Rest in seconds"
          value={cell.restSeconds}
          locked={locked}
          onChange={(restSeconds) => onChange({ ...cell, restSeconds })}
        />
      </OneNumber>
      <Tempo tempoId={tempoId} locked={locked} cell={cell} onChange={onChange} />
    </div>
  );
}

function RowForm({
  title,
  row,
  faults,
  locked,
  onChange,
}: {
  title: string;
  row: DoseRow;
  faults: readonly CellFault[];
  locked: boolean;
  onChange: (r: DoseRow) => void;
}) {
  const box = (label: string, checked: boolean, put: (v: boolean) => void) => (
    <label className="mb-1.5 flex items-start gap-2 text-label leading-4">
      <input
        type="checkbox"
        className="mt-0.5"
        checked={checked}
        disabled={locked}
        onChange={(e) => put(e.target.checked)}
      />
      {label}
    </label>
  );
  return (
    <div className="sec">
      <h2 className="sec-h">{title}</h2>
      <Span
        label="Sessions"
        unit="a week"
        value={row.perWeek}
        locked={locked}
        onChange={(perWeek) => onChange({ ...row, perWeek })}
        fault={faults[0]?.expected}
      />
      {box("Falls from the high end to the low one through the phase", row.slides, (slides) =>
        onChange({ ...row, slides }),
      )}
      {box("Squat and hinge keep the percent of the build before it", row.samePercent, (samePercent) =>
        onChange({ ...row, samePercent }),
      )}
    </div>
  );
}

interface HowHardProps {
  locked: boolean;
  by: "reserve" | "percent";
  swap: (to: "reserve" | "percent") => void;
  cell: DoseCell;
  onChange: (c: DoseCell) => void;
  fault: (field: string) => string | undefined;
}

/** By reserve or by percent. */
function HowHard({ locked, by, swap, cell, onChange, fault }: HowHardProps) {
  return (
    <>
      <div className="mb-2 flex items-center gap-2">
        <span className="w-[92px] text-label font-medium">How hard by</span>
        <fieldset disabled={locked} className="-ml-1">
          <Segments<"reserve" | "percent">
            name="How hard by"
            value={by}
            onChange={swap}
            options={[
              ["reserve", "Reserve"],
              ["percent", "Percent"],
            ]}
          />
        </fieldset>
      </div>
      {cell.percent === null ? (
        <Span
          label="In reserve"
          unit="reps"
          value={cell.rir ?? [2, 3]}
          locked={locked}
          onChange={(rir) => onChange({ ...cell, rir })}
          fault={fault("rir")}
        />
      ) : (
        <OneNumber title="Percent" unit="% of 1RM" fault={fault("percent")}>
          <Num
            label="Percent of 1RM"
            value={cell.percent}
            locked={locked}
            onChange={(percent) => onChange({ ...cell, percent })}
          />
        </OneNumber>
      )}
    </>
  );
}

interface TempoProps {
  tempoId: string;
  locked: boolean;
  cell: DoseCell;
  onChange: (c: DoseCell) => void;
}

function Tempo({ tempoId, locked, cell, onChange }: TempoProps) {
  return (
    <div className="flex items-center gap-2">
      <label htmlFor={tempoId} className="w-[92px] text-label font-medium">
        Tempo
      </label>
      <input
        id={tempoId}
        className="input h-7 w-20"
        placeholder="its own"
        disabled={locked}
        defaultValue={cell.tempo ?? ""}
        key={cell.tempo ?? ""}
        onBlur={(e) => {
          const t = e.target.value.trim();
          if (t === "") onChange({ ...cell, tempo: null });
          else if (/^\d{1,2}-\d{1,2}-\d{1,2}$/.test(t)) onChange({ ...cell, tempo: t });
          else e.target.value = cell.tempo ?? "";
        }}
      />
      <span className="text-label text-ink2">seconds</span>
    </div>
  );
}

interface OneNumberProps {
  title: string;
  unit: string;
  fault: string | undefined;
  children: ReactNode;
}

/** One figure on a line, with its name, its unit and what is wrong with it. */
function OneNumber({ title, unit, fault, children }: OneNumberProps) {
  return (
    <div className="mb-2">
      <div className="flex items-center gap-2">
        <span className="w-[92px] text-label font-medium">{title}</span>
        {children}
        <span className="text-label text-ink2">{unit}</span>
      </div>
      <Fault text={fault} />
    </div>
  );
}
