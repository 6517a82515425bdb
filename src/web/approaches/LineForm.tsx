/** A cell's line through a block, week by week: what a point is changed to, how many weeks are written down, and the percent that follows. */
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import {
  directionOf,
  isOwnLine,
  isWritable,
  type LineOf,
  MOST_WEEKS,
  pointsShown,
  withoutLine,
  withPoint,
  withWeeks,
  writtenPoints,
} from "../../core/approach";
import { type Approach, buildsUp, type Column, type LinePoint, type Stage } from "../../core/athlete";
import { type CellFault, percentFor, wholeReps } from "../../core/dose";
import { Segments } from "../ui/Segments";
import { Fault, Num } from "./fields";

interface Props {
  approach: Approach;
  stage: Stage;
  column: Column;
  faults: readonly CellFault[];
  locked: boolean;
  onChange: (next: Approach) => void;
}

const USUAL_WEEKS = 3;
const HOW = {
  load: "",
  control:
    "Progressions come before load here: repetitions or seconds go from the low end to the top, then the next step comes.",
  assist: "Assistance goes low, high, low through a block, by the ranges above.",
};

export function LineForm({ approach, stage, column, faults, locked, onChange }: Props) {
  const [later, setLater] = useState(false);
  const [shown, setShown] = useState(USUAL_WEEKS);
  const cell = approach.rows[stage].cells[column];
  if (!isWritable(approach, { stage, column })) {
    const how = buildsUp(approach.rows[stage].emphasis)
      ? HOW[directionOf(approach, column)]
      : "Nothing grows in this row: its weeks stand level.";
    return (
      <div className="sec">
        <h2 className="sec-h">Week by week</h2>
        <p className="text-label leading-4 text-ink2">{how}</p>
      </div>
    );
  }
  const of: LineOf = { stage, column, later };
  const weeks = writtenPoints(approach, of)?.length ?? shown;
  const points = pointsShown(approach, of, weeks);
  const percentOf = (p: LinePoint): number | null => {
    if (column === "split-squat" || column === "hip") return null;
    return cell.percent ?? percentFor(p.reps + p.rir);
  };
  const end = (to: number) => {
    const n = Math.max(1, Math.min(MOST_WEEKS, to));
    setShown(n);
    if (!locked && n !== weeks) onChange(withWeeks(approach, of, n));
  };
  const own = isOwnLine(approach, of);
  return (
    <div className="sec">
      <h2 className="sec-h">
        Week by week
        <span className="font-normal">
          {own ? "your own line" : writtenPoints(approach, of) ? "as it ships" : "by the ranges above"}
        </span>
      </h2>
      <div className="mb-2 -ml-1">
        <Segments<"first" | "later">
          name="Which block of a phase"
          value={later ? "later" : "first"}
          onChange={(v) => setLater(v === "later")}
          options={[
            ["first", "First block"],
            ["later", "Later blocks"],
          ]}
        />
      </div>
      <Drawing points={points} percentOf={percentOf} locked={locked} onEnd={end} />
      <table className="mt-1 w-full border-collapse text-label">
        <caption className="sr-only">The line, a loading week a row</caption>
        <thead>
          <tr className="h-6 text-left text-ink2">
            <th className="font-semibold">Week</th>
            <th className="font-semibold">Sets</th>
            <th className="font-semibold">Reps</th>
            <th className="font-semibold">RIR</th>
            <th className="text-right font-semibold">Percent</th>
          </tr>
        </thead>
        <tbody>
          {points.map((p, i) => {
            const put = (change: Partial<LinePoint>) =>
              onChange(withPoint(approach, of, weeks, i, { ...p, ...change }));
            const percent = percentOf(p);
            const field = (label: string, key: keyof LinePoint) => (
              <td className="py-0.5 pr-1">
                <Num
                  label={`Week ${i + 1}, ${label}`}
                  value={p[key]}
                  locked={locked}
                  width="w-11"
                  onChange={(n) => put({ [key]: Math.round(n) })}
                />
              </td>
            );
            return (
              <tr key={`${i}/${weeks}`} className="border-t border-hair2 align-top">
                <td className="py-1.5">{i + 1}</td>
                {field("sets", "sets")}
                {field("repetitions", "reps")}
                {cell.percent === null ? (
                  field("in reserve", "rir")
                ) : (
                  <td className="py-1.5 text-ink2">{Math.max(0, wholeReps(cell.percent) - p.reps)}</td>
                )}
                <td className="num py-1.5 text-right text-body font-semibold">
                  {percent === null ? <span className="text-ink2">by reps</span> : `${Math.round(percent)}%`}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {faults.map((f) => (
        <Fault key={f.path} text={`${weekOf(f.path)}${f.expected}`} />
      ))}
      <p className="mt-1.5 text-label leading-4 text-ink2">
        As a trained lifter takes them; the percent follows from repetitions and reserve. A longer block repeats the
        last week, a step-back ends it.
      </p>
      {own && !locked && (
        <button type="button" className="btn btn-sm mt-2" onClick={() => onChange(withoutLine(approach, of))}>
          Back to the line it began with
        </button>
      )}
    </div>
  );
}

/** The week that a fault of a line is in, such as "lines.build.squat.points.2.reps". */
const weekOf = (path: string): string => {
  const nth = /\.(\d+)\.(sets|reps|rir)$/.exec(path);
  return nth
    ? `Week ${Number(nth[1]) + 1}, ${{ sets: "sets", reps: "repetitions", rir: "in reserve" }[nth[2] ?? ""]}: `
    : "";
};

const WIDTH = 260;
const HEIGHT = 96;
const LEFT = 8;
const STEP = (WIDTH - 2 * LEFT) / MOST_WEEKS;

/** The weeks of the line with their percent, and the block's end, which is dragged or moved by the arrow keys. */
function Drawing({
  points,
  percentOf,
  locked,
  onEnd,
}: {
  points: readonly LinePoint[];
  percentOf: (p: LinePoint) => number | null;
  locked: boolean;
  onEnd: (weeks: number) => void;
}) {
  const held = useRef<number | null>(null);
  const weeks = points.length;
  // Work that goes by repetitions alone is drawn by what could be done to failure.
  const height = points.map((p) => percentOf(p) ?? percentFor(p.reps + p.rir) ?? 60);
  const [low, high] = [Math.min(...height) - 2, Math.max(...height) + 2];
  const x = (i: number) => LEFT + (i + 0.5) * STEP;
  const y = (i: number) => 68 - (((height[i] ?? low) - low) / Math.max(1, high - low)) * 34;
  const endX = LEFT + weeks * STEP;
  const at = (e: PointerEvent<SVGGElement>) => {
    const left = e.currentTarget.ownerSVGElement?.getBoundingClientRect().left ?? 0;
    return Math.round((e.clientX - left - LEFT) / STEP);
  };
  const keys = (e: KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
    if (!by || locked) return;
    e.preventDefault();
    onEnd(weeks + by);
  };
  return (
    <svg width={WIDTH} height={HEIGHT} className="block" role="group" aria-label="The line through a block">
      <line
        x1={LEFT}
        x2={WIDTH - LEFT}
        y1={HEIGHT - 14.5}
        y2={HEIGHT - 14.5}
        stroke="var(--color-ground)"
        strokeWidth="1.500"
      />
      <path
        d={points.map((_, i) => `${i === 0 ? "M" : "L"}${x(i)} ${y(i)}`).join("")}
        fill="none"
        stroke="var(--color-iron)"
        strokeWidth="1.500"
      />
      {points.map((p, i) => (
        <g key={i}>
          <circle
            cx={x(i)}
            cy={y(i)}
            r={3.5}
            fill="var(--color-panel)"
            stroke="var(--color-iron)"
            strokeWidth="1.500"
          />
          <text x={x(i)} y={y(i) - 8} textAnchor="middle" fontSize="12" fontWeight="600" fill="var(--color-ink)">
            {p.sets} x {p.reps}
          </text>
          <text x={x(i)} y={HEIGHT - 2} textAnchor="middle" fontSize="12" fill="var(--color-ink2)">
            {i + 1}
          </text>
        </g>
      ))}
      <g
        role="slider"
        tabIndex={locked ? -1 : 0}
        aria-label="Loading weeks of the block that are written down"
        aria-valuemin={1}
        aria-valuemax={MOST_WEEKS}
        aria-valuenow={weeks}
        aria-valuetext={`${weeks} ${weeks === 1 ? "week" : "weeks"}`}
        aria-disabled={locked}
        className={locked ? "" : "cursor-ew-resize"}
        style={{ touchAction: "none" }}
        onKeyDown={keys}
        onPointerDown={(e) => {
          if (locked || e.button !== 0) return;
          e.currentTarget.setPointerCapture(e.pointerId);
          held.current = weeks;
        }}
        onPointerMove={(e) => {
          if (held.current === null) return;
          const n = at(e);
          if (n === held.current) return;
          held.current = n;
          onEnd(n);
        }}
        onPointerUp={() => {
          held.current = null;
        }}
        onPointerCancel={() => {
          held.current = null;
        }}
      >
        <title>{locked ? "The end of the block" : "Drag the end of the block, or use the arrow keys"}</title>
        <rect x={endX - 12} y={4} width={24} height={HEIGHT - 18} fill="transparent" />
        <line x1={endX} x2={endX} y1={8} y2={HEIGHT - 14} stroke="var(--color-ink2)" strokeDasharray="3 3" />
        {!locked && <path d={`M${endX - 5} 8h10v7l-5 5l-5-5z`} fill="var(--color-iron)" />}
      </g>
    </svg>
  );
}
