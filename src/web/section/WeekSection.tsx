/** The week as a ground section: blocks of endurance above, anchors below, rock at what each day takes. */
import { memo } from "react";
import type { WeekView } from "../../api/views";
import { duration, time } from "../format";
import type { DragStart } from "../week/drag";
import { Defs } from "./Defs";
import type { WeekLayout } from "./layout/week";
import { Flag, Plumb, Text } from "./parts";
import { crisp, Soil } from "./Soil";
import { Axes, Days, EnduranceBlocks, Freshness, SessionMark } from "./WeekParts";

/** The endurance sessions' twin for the keyboard: out of sight until one has the focus. */
const HIDDEN_UNTIL_FOCUS =
  "sr-only focus:not-sr-only focus:fixed focus:bottom-10 focus:left-20 focus:z-30 focus:rounded-[3px] focus:border focus:border-edge focus:bg-panel focus:px-3 focus:py-1.5";

interface Props {
  layout: WeekLayout;
  view: WeekView;
  selected: number | null;
  onSelect: (index: number) => void;
  onOpen: (index: number) => void;
  onEndurance: (id: string) => void;
  /** Null where the week is past. */
  drag: DragStart | null;
  width: number;
  height: number;
}

export const WeekSection = memo(function WeekSection(props: Props) {
  const { layout: l, view, selected, onSelect, onOpen, onEndurance, drag, width, height } = props;
  const enduranceDrag = (id: string) => {
    const e = view.endurance.find((x) => x.id === id);
    // What is done or past stays where it was.
    if (!drag || !e || e.done || e.date < view.today || e.date < view.monday) return undefined;
    return drag({
      kind: "endurance",
      row: id,
      minutes: e.minutes,
      from: { date: e.date, start: e.startMinutes },
    });
  };
  return (
    <>
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        // A finger drags what it takes hold of: browsers heed this on the drawing as a whole only.
        style={{ touchAction: "pinch-zoom", userSelect: "none" }}
        role="group"
        aria-label="Week drawn by day and hour. Sessions can be reached with the Tab key."
      >
        <Defs prefix="w" size={6} />
        <Soil
          prefix="w"
          {...l}
          x0={l.carry}
          strata={l.days.map((d, i) => ({
            key: d.date,
            phase: view.dayPhases[i] ?? view.phase,
            x0: i === 0 ? l.carry : d.x0,
            x1: d.x1,
          }))}
          grid={l.soilGrid}
        />
        {l.skyGrid.map((g) => (
          <line
            key={g.text}
            x1={l.carry}
            x2={l.x1}
            y1={crisp(g.y)}
            y2={crisp(g.y)}
            stroke="var(--color-hair)"
            opacity=".6"
          />
        ))}
        <Days l={l} />
        <EnduranceBlocks l={l} dragOf={enduranceDrag} onEndurance={onEndurance} />
        {l.flags.map((f) => (
          <g key={f.name}>
            <Flag x={f.x} ground={l.ground} top={l.top + 26} priority={f.priority} />
            <Text x={f.x} y={l.top + 18} size={12} weight={600} anchor="middle" halo="var(--color-paper)">
              {f.text}
            </Text>
          </g>
        ))}
        <line
          x1={l.carry - 8}
          x2={l.x1 + 6}
          y1={l.ground}
          y2={l.ground}
          stroke="var(--color-ground)"
          strokeWidth="2.5"
        />
        {l.windows.map((w) => (
          <rect key={`${w.x}`} x={w.x} y={w.y + 1} width={w.w} height={w.h} fill="var(--color-iron)" opacity=".28">
            <title>{w.text}</title>
          </rect>
        ))}
        {l.freshness && <Freshness l={l} freshness={l.freshness} />}
        {l.today !== null && <Plumb x={crisp(l.today)} top={l.top - 22 + 17} bottom={l.bottom - 2} />}
        {l.anchors.map((a) => {
          const s = view.sessions[a.index];
          if (!s) return null;
          return (
            <SessionMark
              key={a.key}
              l={l}
              shape={a}
              session={s}
              view={view}
              selected={selected === a.index}
              dragged={drag && !s.done ? drag({ kind: "session", label: s.label }) : undefined}
              onSelect={() => onSelect(a.index)}
              onOpen={() => onOpen(a.index)}
            />
          );
        })}
        <Axes l={l} />
        <Rows l={l} />
      </svg>
      <ul aria-label="Endurance sessions" className="absolute">
        {view.endurance.map((e) => (
          <li key={e.id}>
            <button
              type="button"
              className={HIDDEN_UNTIL_FOCUS}
              onClick={() => onEndurance(e.id)}
              onKeyDown={enduranceDrag(e.id)?.onKeyDown}
            >{`${e.date} ${time(e.startMinutes)} ${e.sport} ${e.kind}, ${duration(e.minutes)}, load ${e.load}${e.isKey ? ", key session" : ""}. ${enduranceDrag(e.id) ? "Space picks it up. " : ""}Edit`}</button>
          </li>
        ))}
      </ul>
    </>
  );
});

function Rows({ l }: { l: WeekLayout }) {
  const rows: [string, (d: WeekLayout["days"][number]) => number][] = [
    ["Endurance", (d) => d.load],
    ["Strength", (d) => d.trainingLoad],
  ];
  return (
    <g>
      {[0, 1, 2].map((r) => (
        <line
          key={r}
          x1={16}
          x2={l.x1}
          y1={l.bottom + r * 20 + 0.5}
          y2={l.bottom + r * 20 + 0.5}
          stroke={r === 1 ? "var(--color-hair)" : "var(--color-ground)"}
        />
      ))}
      {rows.map(([name, pick], r) => (
        <g key={name}>
          <Text x={16} y={l.bottom + r * 20 + 14} fill="var(--color-ink2)">
            {name}
          </Text>
          {l.days.map((d) => (
            <Text
              key={d.date}
              x={(d.x0 + d.x1) / 2}
              y={l.bottom + r * 20 + 14}
              size={12}
              width={78}
              weight={500}
              anchor="middle"
              fill={pick(d) === 0 ? "var(--color-ink2)" : undefined}
            >
              {pick(d) === 0 ? "–" : Math.round(pick(d))}
            </Text>
          ))}
        </g>
      ))}
    </g>
  );
}
