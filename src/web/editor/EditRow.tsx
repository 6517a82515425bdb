/** One row of the session: dragged by its handle, or moved with the keyboard from there; its figures are fields that arrow keys walk. */
import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import type { KeyboardEvent } from "react";
import type { ExerciseView, ItemView } from "../../api/views";
import type { Units } from "../format";
import { PatternTile } from "../section/parts";
import { bandOf } from "../section/patterns";
import { Asked } from "../ui/Asked";
import { numberFrom } from "../ui/form";
import { ICON } from "../ui/glyphs";
import type { Row } from "./draft";
import { Figures } from "./Figures";
import { Picker } from "./Picker";
import { type FieldName, walkFrom } from "./walk";

interface Props {
  row: Row;
  at: number;
  label: string;
  count: number;
  exercise: ExerciseView | undefined;
  /** The row as it was worked out; null while it is, or where it was left out. */
  made: ItemView | null;
  exercises: readonly ExerciseView[];
  units: Units;
  onChange: (r: Row) => void;
  onLink: (linked: boolean) => void;
  onRemove: () => void;
}

/** Columns of a row; where there is little room the figures stand under the name, each with its own words. */
export const ROW_GRID =
  "grid-cols-[26px_38px_minmax(0,1fr)_46px_96px_48px_86px_58px_62px] @max-[760px]:grid-cols-[26px_38px_minmax(0,1fr)_44px]";

export function EditRow({
  row,
  at,
  label,
  count,
  exercise,
  made,
  exercises,
  units,
  onChange,
  onLink,
  onRemove,
}: Props) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: row.key,
  });
  const timed = exercise?.unit === "seconds";
  const name = exercise?.name ?? row.exercise;
  const walk = (e: KeyboardEvent<HTMLInputElement>, field: FieldName) => walkFrom(e, at, field);
  const field = (
    id: FieldName,
    words: string,
    value: number | undefined,
    width: string,
    put: (n: number | undefined) => void,
    limits: [number, number],
    placeholder = "",
  ) => (
    <input
      id={`e-${at}-${id}`}
      key={`${id}${value ?? ""}`}
      aria-label={`${name}: ${words}`}
      inputMode="decimal"
      className={`input h-7 ${width} px-1 text-center`}
      defaultValue={value ?? ""}
      placeholder={placeholder}
      onKeyDown={(e) => walk(e, id)}
      onBlur={(e) => {
        const n = numberFrom(e.target.value);
        if (n === undefined) {
          if (value !== undefined) put(undefined);
        } else if (typeof n === "number" && n >= limits[0] && n <= limits[1]) {
          if (n !== value) put(n);
        } else e.target.value = String(value ?? "");
      }}
    />
  );
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`relative border-b border-hair bg-paper ${isDragging ? "z-10 border-y border-iron bg-surface" : ""} ${row.linked ? "" : "border-t-0"}`}
      data-testid="edit-row"
    >
      <div className={`grid ${ROW_GRID} items-center gap-1.5 py-2`}>
        <button
          ref={setActivatorNodeRef}
          type="button"
          {...attributes}
          {...listeners}
          aria-label={`Move ${name}`}
          className="grid h-8 w-6 cursor-grab touch-none place-items-center text-ink2"
        >
          <svg width="10" height="16" viewBox="0 0 10 16" fill="currentColor" aria-hidden="true">
            {[2, 8, 14].flatMap((y) => [2, 8].map((x) => <circle key={`${x}${y}`} cx={x} cy={y} r="1.4" />))}
          </svg>
        </button>
        <span className="relative font-semibold num">
          {label}
          {/[ABC]$/.test(label) && (
            <span className="absolute -top-2 right-1 -bottom-2 border-l-[1.5px] border-iron" aria-hidden="true" />
          )}
        </span>
        <NameCell
          exercises={exercises}
          name={name}
          timed={timed}
          row={row}
          onChange={onChange}
          exercise={exercise}
          at={at}
          onLink={onLink}
        />
        <Figures row={row} timed={timed} units={units} made={made} field={field} onChange={onChange} />
        <RemoveCell name={name} count={count} onRemove={onRemove} />
      </div>
      <NoteLine at={at} name={name} row={row} walk={walk} onChange={onChange} made={made} />
    </li>
  );
}

interface NameCellProps {
  exercises: readonly ExerciseView[];
  name: string;
  timed: boolean;
  row: Row;
  onChange: (r: Row) => void;
  exercise: ExerciseView | undefined;
  at: number;
  onLink: (linked: boolean) => void;
}

/** The exercise, its pairing, and another one in its place. */
function NameCell({ exercises, name, timed, row, onChange, exercise, at, onLink }: NameCellProps) {
  return (
    <span className="min-w-0">
      <Picker
        exercises={exercises}
        label={`Instead of ${name}`}
        className="flex min-h-7 max-w-full min-w-0 items-center gap-2 text-left font-semibold decoration-edge decoration-dotted underline-offset-4 hover:underline"
        onPick={(e) => {
          const wasTimed = timed;
          const { seconds: _s, reps: _r, repsLow: _l, rir: _i, loadKg: _k, ...rest } = row;
          if ((e.unit === "seconds") === wasTimed) onChange({ ...row, exercise: e.id });
          else if (e.unit === "seconds") onChange({ ...rest, exercise: e.id, seconds: e.ownSeconds ?? 20 });
          else onChange({ ...rest, exercise: e.id, reps: e.ownReps?.[1] ?? 10, rir: 2 });
        }}
      >
        {exercise && <PatternTile id={bandOf(exercise.pattern)} size={18} />}
        <span className="truncate">{name}</span>
      </Picker>
      <span className="flex items-center gap-3 pl-[26px] text-label leading-4">
        {at > 0 && (
          <button type="button" className="link min-h-6" onClick={() => onLink(!row.linked)}>
            {row.linked ? "Unpair" : "Pair with above"}
          </button>
        )}
        {exercise?.unilateral && <span className="text-ink2">each side</span>}
      </span>
    </span>
  );
}

interface NoteLineProps {
  at: number;
  name: string;
  row: Row;
  walk: (e: KeyboardEvent<HTMLInputElement>, field: FieldName) => void;
  onChange: (r: Row) => void;
  made: ItemView | null;
}

/** A note for the athlete, and why the load is what it is. */
function NoteLine({ at, name, row, walk, onChange, made }: NoteLineProps) {
  return (
    <div className="flex items-center gap-3 pb-2 pl-[70px]">
      <input
        id={`e-${at}-note`}
        aria-label={`${name}: note`}
        className="input h-6 flex-1 border-hair bg-transparent text-label"
        placeholder="Note for the athlete"
        maxLength={300}
        defaultValue={row.note ?? ""}
        key={`note${row.note ?? ""}`}
        onKeyDown={(e) => {
          if (e.key === "ArrowUp" || e.key === "ArrowDown") walk(e, "note");
        }}
        onBlur={(e) => {
          const text = e.target.value.trim();
          if (text === (row.note ?? "")) return;
          const { note: _, ...rest } = row;
          onChange(text === "" ? rest : { ...row, note: text });
        }}
      />
      {made && made.why.length > 0 && (
        <Asked reasons={made.why} className="text-label text-ink2">
          {made.percent1rm === null ? "why" : `${made.percent1rm}% of 1RM`}
        </Asked>
      )}
    </div>
  );
}

interface RemoveCellProps {
  name: string;
  count: number;
  onRemove: () => void;
}

function RemoveCell({ name, count, onRemove }: RemoveCellProps) {
  return (
    <span className="flex justify-end">
      <button
        type="button"
        className="btn btn-sm btn-sq"
        aria-label={`Remove ${name}`}
        disabled={count === 1}
        onClick={onRemove}
      >
        {ICON.bin}
      </button>
    </span>
  );
}
