/** The gym's day as a sheet: a row an athlete, hours along the top, racks in use below. */

import type { GymRow, GymView } from "../../api/views";
import type { Occupied } from "../../core/gym";
import { day, loadText, sessionName, setsByReps, time } from "../format";
import { Text, Triangle } from "../section/parts";
import { BAND_STYLE } from "../section/patterns";
import { useSize } from "../section/useSize";

/** A rack with sets that are not heavy: the tint of the split-squat band. */
const LIGHT = BAND_STYLE.L.plan;
const LEFT = 150;
const ROW = 44;
const TOP = 34;

export function GymSheet({ view, shown }: { view: GymView; shown: "now" | "next" }) {
  const [ref, size] = useSize<HTMLDivElement>();
  const placed = view.rows.map((r) => ({
    r,
    at: shown === "now" ? r.now : r.next && r.next.date === view.date ? r.next : null,
  }));
  const starts = view.rows.flatMap((r) => [r.now.start, ...(r.next?.date === view.date ? [r.next.start] : [])]);
  const ends = view.rows.flatMap((r) => [
    r.now.start + r.minutes,
    ...(r.next?.date === view.date ? [r.next.start + r.minutes] : []),
  ]);
  const from = Math.floor(Math.min(...starts) / 60) - 1;
  const to = Math.ceil(Math.max(...ends) / 60) + 1;
  const width = size?.width ?? 900;
  const unit = (width - LEFT - 16) / ((to - from) * 60);
  const x = (minute: number) => LEFT + (minute - from * 60) * unit;
  const occupied = shown === "now" ? view.before : view.after;
  const bottom = TOP + view.rows.length * ROW + 8;
  const most = Math.max(view.limits.racks, ...view.before.map((o) => o.racks), ...view.after.map((o) => o.racks), 1);
  const step = 18;
  return (
    <div ref={ref} className="min-h-0 flex-1 overflow-auto">
      <svg
        width={width}
        height={bottom + most * step + 60}
        role="img"
        aria-label={`Hours in the gym on ${day(view.date)}, ${shown === "now" ? "as planned" : "shared out"}; the panel beside it says the same in words.`}
      >
        {Array.from({ length: to - from + 1 }, (_, i) => (from + i) * 60).map((m) => (
          <g key={m}>
            <line x1={x(m)} x2={x(m)} y1={TOP - 8} y2={bottom + most * step + 18} stroke="var(--color-hair)" />
            {m < to * 60 && (
              <Text x={x(m) + 4} y={TOP - 12} fill="var(--color-ink2)">
                {time(m)}
              </Text>
            )}
          </g>
        ))}
        {placed.map(({ r, at }, i) => {
          const y = TOP + i * ROW;
          const was = shown === "next" && (!at || at.start !== r.now.start);
          return <AthleteRow key={r.id} r={r} width={width} y={y} was={was} x={x} unit={unit} at={at} />;
        })}
        <Racks
          bottom={bottom}
          view={view}
          occupied={occupied}
          x={x}
          most={most}
          step={step}
          unit={unit}
          width={width}
        />
      </svg>
      <Lifts placed={placed} />
    </div>
  );
}

interface AthleteRowProps {
  r: GymRow;
  width: number;
  y: number;
  was: boolean;
  x: (minute: number) => number;
  unit: number;
  at: { start: number; rack: number | null } | null;
}

/** Hours and rack of one athlete. */
function AthleteRow({ r, width, y, was, x, unit, at }: AthleteRowProps) {
  return (
    <g>
      <line x1={16} x2={width - 16} y1={y + ROW - 0.5} y2={y + ROW - 0.5} stroke="var(--color-hair2)" />
      <Text x={16} y={y + 18} size={13} weight={600} width={88}>
        {r.name}
      </Text>
      <Text x={16} y={y + 33} fill="var(--color-ink2)">
        {sessionName(r.label, r.emphasis)}
        {r.locked ? ", locked" : ""}
      </Text>
      {was && (
        <rect
          x={x(r.now.start)}
          y={y + 6}
          width={r.minutes * unit}
          height={ROW - 14}
          fill="none"
          stroke="var(--color-edge)"
          strokeDasharray="4 3"
        />
      )}
      {at ? (
        <>
          <rect
            x={x(at.start)}
            y={y + 6}
            width={r.minutes * unit}
            height={ROW - 14}
            fill="var(--color-iron-l)"
            stroke="var(--color-iron)"
          />
          {r.rack && (
            <rect
              x={x(at.start + r.rack.from)}
              y={y + 6}
              width={(r.rack.to - r.rack.from) * unit}
              height={ROW - 14}
              fill={r.rack.heavy ? "var(--color-iron)" : LIGHT}
            />
          )}
          <Text
            x={x(at.start + (r.rack?.from ?? 0)) + 6}
            y={y + 26}
            weight={600}
            size={12}
            fill={r.rack?.heavy ? "var(--color-panel)" : "var(--color-ink)"}
          >
            {time(at.start)}
            {r.rack ? (at.rack ? `, rack ${at.rack}` : ", no rack free") : ""}
          </Text>
          {r.rack && !at.rack && <Triangle x={x(at.start + r.minutes) + 12} y={y + 22} size={6} />}
        </>
      ) : (
        <Text x={x(r.now.start)} y={y + 26} fill="var(--color-brick-ink)" weight={600} size={12}>
          {r.next ? `moves to ${day(r.next.date)} ${time(r.next.start)}` : "no hour left"}
        </Text>
      )}
    </g>
  );
}

interface RacksProps {
  bottom: number;
  view: GymView;
  occupied: Occupied[];
  x: (minute: number) => number;
  most: number;
  step: 18;
  unit: number;
  width: number;
}

/** Racks in use, a quarter of an hour a column. */
function Racks({ bottom, view, occupied, x, most, step, unit, width }: RacksProps) {
  return (
    <>
      <Text x={16} y={bottom + 22} size={13} weight={600} width={88}>
        Racks in use
      </Text>
      <Text x={16} y={bottom + 37} fill="var(--color-ink2)">
        {view.limits.racks} there, dark: heavy sets
      </Text>
      {occupied.flatMap((o) =>
        Array.from({ length: o.racks }, (_, k) => (
          <rect
            key={`${o.start}/${k}`}
            x={x(o.start)}
            y={bottom + 8 + (most - k - 1) * step}
            width={15 * unit}
            height={step}
            fill={k >= view.limits.racks ? "var(--color-brick)" : k < o.heavy ? "var(--color-iron)" : LIGHT}
            stroke="var(--color-paper)"
          />
        )),
      )}
      <line
        x1={LEFT}
        x2={width - 16}
        y1={bottom + 8 + (most - view.limits.racks) * step}
        y2={bottom + 8 + (most - view.limits.racks) * step}
        stroke="var(--color-ground)"
        strokeWidth="1.5"
        strokeDasharray="3 3"
      />
      <line
        x1={LEFT}
        x2={width - 16}
        y1={bottom + 8 + most * step}
        y2={bottom + 8 + most * step}
        stroke="var(--color-ground)"
        strokeWidth="2"
      />
    </>
  );
}

/** What is lifted, as a table. */
function Lifts({ placed }: { placed: { r: GymRow; at: { start: number; rack: number | null } | null }[] }) {
  return (
    <table className="mx-4 mb-4 w-[calc(100%-32px)] text-label leading-4">
      <caption className="sr-only">What is lifted, and on which rack</caption>
      <thead>
        <tr className="border-b border-ground text-left">
          <th className="w-[150px] py-1 max-[700px]:w-[96px] font-semibold">Athlete</th>
          <th className="w-[64px] py-1 font-semibold">From</th>
          <th className="not-phone w-[64px] py-1 font-semibold">Until</th>
          <th className="w-[56px] py-1 font-semibold">Rack</th>
          <th className="py-1 font-semibold">With a load</th>
        </tr>
      </thead>
      <tbody>
        {placed
          .flatMap(({ r, at }) => (at ? [{ r, at }] : []))
          .sort((a, b) => a.at.start - b.at.start)
          .map(({ r, at }) => (
            <tr key={r.id} className="border-b border-hair2 align-top">
              <td className="py-1.5 font-medium">{r.name}</td>
              <td className="num py-1.5">{time(at.start)}</td>
              <td className="not-phone num py-1.5">{time(at.start + r.minutes)}</td>
              <td className="num py-1.5">{r.rack ? (at.rack ?? "none free") : "–"}</td>
              <td className="py-1.5">
                {r.lifts.length === 0
                  ? "nothing"
                  : r.lifts
                      .map(
                        (l) =>
                          `${l.name} ${setsByReps(l)}, ${loadText(l, { massUnit: r.massUnit, distanceUnit: "km" })}`,
                      )
                      .join("; ")}
              </td>
            </tr>
          ))}
      </tbody>
    </table>
  );
}
