/** Weekly windows, painted on a grid with mouse, finger or keys; the list below says the same in words. */
import { useCallback, useRef, useState } from "react";
import { Link } from "react-router";
import type { IntakeView } from "../../api/views";
import type { Window } from "../../core/athlete";
import { minutesOf, timeOf, WEEKDAY_NAMES, WEEKDAYS } from "../../core/dates";
import { duration, placeName } from "../format";
import { FormProblem } from "../ui/form";
import { ICON } from "../ui/glyphs";
import { Segments } from "../ui/Segments";
import { tellUndo } from "../ui/tell";
import { GRID, paint } from "./paint";
import { useStep } from "./useStep";

/** Pixels of a quarter of an hour. */
const CELL = 7;
const COLUMN = 86;
const LEFT = 44;
const TOP = 22;
/** Tints by place, each with its own hatch. */
const TINT = ["h", "p", "l", "c"].map((b) => `var(--band-${b}-done)`);
const y = (minute: number): number => TOP + ((minute - GRID.from) / GRID.step) * CELL;

interface Stroke {
  day: number;
  from: number;
  to: number;
}

export function WeekStep({ view }: { view: IntakeView }) {
  const toBody = useCallback((availability: Window[]) => ({ availability }), []);
  const step = useStep<Window[]>(view.id, "week", view.availability, toBody);
  const places = view.places.map((p) => p.id);
  const [chosen, setBrush] = useState<string | null>(null);
  const brush = chosen ?? places[0] ?? "";
  if (places.length === 0)
    return (
      <p className="max-w-[52ch]">
        Free time slots need a place to lift.{" "}
        <Link className="link" to={`/a/${view.id}/intake/places`}>
          Add a place first
        </Link>
        .
      </p>
    );
  const apply = (s: Stroke, rub = brush === "") =>
    step.set(paint(step.value, s.day, Math.min(s.from, s.to), Math.max(s.from, s.to), rub ? null : brush));
  return (
    <div>
      <FormProblem text={step.problem} />
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <span className="text-label font-medium">Mark</span>
        <Segments
          name="Brush"
          options={[...places.map((p) => [p, p] as [string, string]), ["", "Erase"]]}
          value={brush}
          onChange={setBrush}
        />
        <span className="text-label text-ink2">
          Drag over the hours in which strength work is possible. With keys: arrows move, Space begins and ends, Delete
          erases.
        </span>
      </div>
      <div className="flex gap-6 max-[1100px]:flex-col">
        <Grid windows={step.value} places={places} brush={brush} onStroke={apply} />
        <section className="min-w-[230px] flex-1">
          <h2 className="mb-1 text-label leading-4 font-semibold">In words</h2>
          {step.value.length === 0 && <p className="text-ink2">No free time slot yet: nothing can be placed.</p>}
          <ul>
            {step.value.map((w) => (
              <li key={`${w.day}${w.start}`} className="flex items-center gap-2 border-b border-hair2 py-1">
                <span className="flex-1">
                  {WEEKDAY_NAMES[w.day - 1]} {w.start} to {timeOf(minutesOf(w.start) + w.minutes)}, {placeName(w.place)}
                  <span className="text-ink2"> ({duration(w.minutes)})</span>
                </span>
                <button
                  type="button"
                  className="btn btn-sm btn-sq"
                  aria-label={`Remove ${WEEKDAY_NAMES[w.day - 1]} ${w.start}`}
                  onClick={() => {
                    const before = step.value;
                    step.set(before.filter((x) => x !== w));
                    tellUndo("Free time slot removed.", () => step.set(before));
                  }}
                >
                  {ICON.close}
                </button>
              </li>
            ))}
          </ul>
          <p className="mt-2 max-w-[36ch] text-label leading-4 text-ink2">
            20 to 35 min take a half session of one lift, one hip and one trunk exercise; a full one takes 45 to 75 min.
          </p>
        </section>
      </div>
    </div>
  );
}

function Grid({
  windows,
  places,
  brush,
  onStroke,
}: {
  windows: readonly Window[];
  places: readonly string[];
  brush: string;
  /** @param rub rubs out whatever the brush is */
  onStroke: (s: Stroke, rub?: boolean) => void;
}) {
  const [stroke, setStroke] = useState<Stroke | null>(null);
  const [cursor, setCursor] = useState({ day: 1, minute: 18 * 60 });
  const [focus, setFocus] = useState(false);
  const svg = useRef<SVGSVGElement>(null);
  const height = y(GRID.to) + 6;
  const width = LEFT + COLUMN * 7 + 4;
  const cellAt = (e: React.PointerEvent): { day: number; minute: number } => {
    const box = svg.current?.getBoundingClientRect();
    const scale = box ? width / box.width : 1;
    const px = (e.clientX - (box?.left ?? 0)) * scale;
    const py = (e.clientY - (box?.top ?? 0)) * scale;
    const day = Math.min(7, Math.max(1, Math.floor((px - LEFT) / COLUMN) + 1));
    const cell = Math.floor((py - TOP) / CELL);
    const minute = Math.min(GRID.to - GRID.step, Math.max(GRID.from, GRID.from + cell * GRID.step));
    return { day, minute };
  };
  const end = () => {
    if (stroke) onStroke(stroke);
    setStroke(null);
  };
  const move = (days: number, cells: number) => {
    const next = {
      day: Math.min(7, Math.max(1, cursor.day + (stroke ? 0 : days))),
      minute: Math.min(GRID.to - GRID.step, Math.max(GRID.from, cursor.minute + cells * GRID.step)),
    };
    setCursor(next);
    if (stroke) setStroke({ ...stroke, to: next.minute + GRID.step });
  };
  const onKey = (e: React.KeyboardEvent) => {
    const moves: Record<string, [number, number]> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, -1],
      ArrowDown: [0, 1],
      PageUp: [0, -4],
      PageDown: [0, 4],
    };
    const by = moves[e.key];
    if (by) move(...by);
    else if (e.key === " " || e.key === "Enter") {
      if (stroke) end();
      else setStroke({ day: cursor.day, from: cursor.minute, to: cursor.minute + GRID.step });
    } else if (e.key === "Escape" && stroke) setStroke(null);
    else if (e.key === "Delete" || e.key === "Backspace") {
      const at = windows.find(
        (w) =>
          w.day === cursor.day && minutesOf(w.start) <= cursor.minute && cursor.minute < minutesOf(w.start) + w.minutes,
      );
      if (at) onStroke({ day: at.day, from: minutesOf(at.start), to: minutesOf(at.start) + at.minutes }, true);
    } else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const tint = (place: string) => TINT[Math.max(0, places.indexOf(place)) % TINT.length];
  const hours = Array.from({ length: (GRID.to - GRID.from) / 60 + 1 }, (_, i) => GRID.from + i * 60);
  const said = `${WEEKDAY_NAMES[cursor.day - 1]} ${timeOf(cursor.minute)}${stroke ? `, ${brush === "" ? "rubbing out" : `painting ${brush}`} from ${timeOf(Math.min(stroke.from, stroke.to))} to ${timeOf(Math.max(stroke.from, stroke.to))}` : ""}`;
  return (
    <div
      // biome-ignore lint/a11y/noNoninteractiveTabindex: one focus stop for the whole grid, whose arrow keys move a cursor
      tabIndex={0}
      role="group"
      aria-label="Week grid. Arrow keys move, Space begins and ends a free time slot, Delete erases one"
      onKeyDown={onKey}
      onFocus={() => setFocus(true)}
      onBlur={() => setFocus(false)}
      className="rounded-[3px]"
    >
      <span aria-live="polite" className="sr-only">
        {focus ? said : ""}
      </span>
      <svg
        ref={svg}
        viewBox={`0 0 ${width} ${height}`}
        width={width}
        className="h-auto max-w-full touch-none select-none"
        aria-hidden="true"
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          const at = cellAt(e);
          setCursor(at);
          setStroke({ day: at.day, from: at.minute, to: at.minute + GRID.step });
        }}
        onPointerMove={(e) => {
          if (!stroke || e.buttons === 0) return;
          const { minute } = cellAt(e);
          setStroke({ ...stroke, to: minute >= stroke.from ? minute + GRID.step : minute });
        }}
        onPointerUp={end}
        onPointerCancel={() => setStroke(null)}
      >
        <defs>
          <pattern id="rub" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0v6" stroke="var(--color-brick-ink)" strokeWidth="1.500" />
          </pattern>
        </defs>
        <Paper hours={hours} width={width} />
        <Slots windows={windows} tint={tint} />
        <Marks stroke={stroke} brush={brush} tint={tint} focus={focus} cursor={cursor} />
      </svg>
    </div>
  );
}

/** Days and hours. */
function Paper({ hours, width }: { hours: number[]; width: number }) {
  return (
    <>
      {WEEKDAYS.map((d, i) => (
        <g key={d}>
          <rect
            x={LEFT + i * COLUMN}
            y={TOP}
            width={COLUMN - 4}
            height={y(GRID.to) - TOP}
            fill="var(--color-panel)"
            stroke="var(--color-hair)"
          />
          <text
            x={LEFT + i * COLUMN + (COLUMN - 4) / 2}
            y={14}
            textAnchor="middle"
            fontSize="12"
            fontWeight="600"
            fill="var(--color-ink)"
          >
            {d}
          </text>
        </g>
      ))}
      {hours.map((h) => (
        <g key={h}>
          <path d={`M${LEFT} ${y(h)}H${width - 8}`} stroke="var(--color-hair2)" />
          {h % 120 === 60 || h === GRID.from ? (
            <text x={LEFT - 6} y={y(h) + 4} textAnchor="end" fontSize="11" fill="var(--color-ink2)">
              {timeOf(h)}
            </text>
          ) : null}
        </g>
      ))}
    </>
  );
}

/** What is marked. */
function Slots({ windows, tint }: { windows: readonly Window[]; tint: (place: string) => string | undefined }) {
  return (
    <>
      {windows.map((w) => {
        const top = y(Math.max(GRID.from, minutesOf(w.start)));
        const bottom = y(Math.min(GRID.to, minutesOf(w.start) + w.minutes));
        return (
          <g key={`${w.day}${w.start}`}>
            <rect
              x={LEFT + (w.day - 1) * COLUMN + 2}
              y={top}
              width={COLUMN - 8}
              height={Math.max(2, bottom - top)}
              fill={tint(w.place)}
              stroke="var(--color-iron)"
            />
            {bottom - top >= 14 && (
              <text
                x={LEFT + (w.day - 1) * COLUMN + 7}
                y={top + 12}
                fontSize="11"
                fill="var(--color-ink)"
                style={{ fontStretch: "82%" }}
              >
                {w.start} {w.place.length > 9 ? `${w.place.slice(0, 8)}…` : w.place}
              </text>
            )}
          </g>
        );
      })}
    </>
  );
}

interface MarksProps {
  stroke: Stroke | null;
  brush: string;
  tint: (place: string) => string | undefined;
  focus: boolean;
  cursor: { day: number; minute: number };
}

/** What is being painted, and where the cursor stands. */
function Marks({ stroke, brush, tint, focus, cursor }: MarksProps) {
  return (
    <>
      {stroke && (
        <rect
          x={LEFT + (stroke.day - 1) * COLUMN + 2}
          y={y(Math.min(stroke.from, stroke.to))}
          width={COLUMN - 8}
          height={Math.abs(y(stroke.to) - y(stroke.from))}
          fill={brush === "" ? "url(#rub)" : tint(brush)}
          fillOpacity="0.7"
          stroke="var(--color-ink)"
          strokeDasharray="3 2"
        />
      )}
      {focus && (
        <rect
          x={LEFT + (cursor.day - 1) * COLUMN + 1}
          y={y(cursor.minute)}
          width={COLUMN - 6}
          height={CELL}
          fill="none"
          stroke="var(--color-iron)"
          strokeWidth="2"
        />
      )}
    </>
  );
}
