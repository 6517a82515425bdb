/** The season as a ground section. Everything drawn stands in the layout; the table twin below is for screen readers. */

import type { ReactNode } from "react";
import type { SeasonView } from "../../api/views";
import { Defs } from "./Defs";
import type { SeasonLayout } from "./layout/season";
import { Anchor, Earth, Flag, Plumb, Text, Triangle } from "./parts";
import { SeasonLine } from "./SeasonLine";
import { Axes, type PhaseFacts, PhaseTable, Strip } from "./SeasonTables";
import { SeasonTwin } from "./SeasonTwin";
import { crisp, Soil } from "./Soil";

interface Props {
  layout: SeasonLayout;
  view: SeasonView;
  selected: number;
  unit: string;
  facts: ReadonlyMap<number, PhaseFacts>;
  onSelect: (index: number) => void;
  onOpen: (index: number) => void;
  /** Flags, boundaries and anchors that can be taken hold of. */
  handles?: ReactNode;
  /** Weeks' tops are drawn with a finger: it scrolls nothing. */
  drawing?: boolean;
  width: number;
  height: number;
}

export function SeasonSection({
  layout: l,
  view,
  selected,
  unit,
  facts,
  onSelect,
  onOpen,
  handles,
  drawing = false,
  width,
  height,
}: Props) {
  const chosen = l.columns.find((c) => c.index === selected);
  return (
    <>
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        // A finger drags what it takes hold of: browsers heed this on the drawing as a whole only.
        style={{ touchAction: drawing ? "none" : "pan-y pinch-zoom", userSelect: "none" }}
        role="group"
        aria-label={`Season, ${l.columns.length} weeks drawn. The same figures are in the table after it.`}
      >
        <Defs prefix="s" size={4} />
        <Soil
          prefix="s"
          {...l}
          strata={l.strata.map((t) => ({ key: String(t.index), phase: t.phase, x0: t.x0, x1: t.x1 }))}
          grid={l.soilGrid}
        />
        <Backdrop l={l} chosen={chosen} />
        <DayPosts l={l} />
        <path d={l.ridge} fill="none" stroke="var(--color-moss-ink)" strokeWidth="1.25" />
        <WeekMarks l={l} />
        <line x1={l.x0 - 8} x2={l.x1 + 6} y1={l.ground} y2={l.ground} stroke="var(--color-ground)" strokeWidth="2.25" />
        {l.anchors.map((a) => (
          <Anchor key={a.key} shape={a} ground={l.ground} prefix="s" eye={a.locked} />
        ))}
        <RaceFlags l={l} />
        <line x1={l.x0} x2={l.x1} y1={l.top + 0.5} y2={l.top + 0.5} stroke="var(--color-edge)" />
        {l.months.map((m) => (
          <g key={`${m.x}`}>
            <line x1={m.x} x2={m.x} y1={6} y2={l.top} stroke="var(--color-edge)" />
            <Text
              x={l.today !== null && m.x + 5 > l.today - 46 && m.x + 5 < l.today + 20 ? l.today + 24 : m.x + 5}
              y={16}
              size={12}
              weight={500}
              width={88}
            >
              {m.text}
            </Text>
          </g>
        ))}
        {l.today !== null && <Plumb x={Math.round(l.today) + 0.5} top={18} bottom={l.bottom - 2} />}
        {l.strata.map((s) => (
          <Text
            key={s.index}
            x={l.today !== null && l.today > s.x0 && l.today < s.x0 + 46 ? l.today + 10 : s.x0 + 8}
            y={l.bottom - 9}
            size={12}
            weight={650}
            width={95}
          >
            {s.name}
          </Text>
        ))}
        <WarningMark l={l} />
        <Axes l={l} unit={unit} />
        <Strip l={l} selected={selected} />
        <SeasonLine l={l} line={l.line} />
        <PhaseTable l={l} facts={facts} />
        {chosen && (
          <path
            d={`M${chosen.x0 + 8} ${l.top}H${chosen.x0}V${l.top + 8}M${chosen.x1 - 8} ${l.top}H${chosen.x1}V${l.top + 8}M${chosen.x0} ${l.bottom}V${l.bottom + 60}H${chosen.x1}V${l.bottom}`}
            fill="none"
            stroke="var(--color-iron)"
            strokeWidth="2"
          />
        )}
        {l.columns.map((c) => (
          // biome-ignore lint/a11y/noStaticElementInteractions: the pointer's twin of the arrow keys; the table below is the accessible form
          <rect
            key={c.index}
            data-week={c.week.start}
            x={c.x0}
            y={l.top}
            width={c.x1 - c.x0}
            height={l.bottom + 60 - l.top}
            fill="transparent"
            className="cursor-pointer"
            onClick={() => onSelect(c.index)}
            onDoubleClick={() => onOpen(c.index)}
          />
        ))}
        {handles}
      </svg>
      <SeasonTwin columns={l.columns} races={view.races} unit={unit} />
    </>
  );
}

/** The last days, each as a post. */
function DayPosts({ l }: { l: SeasonLayout }) {
  return (
    <>
      {l.days.map((d) => (
        <g key={d.date}>
          <line x1={d.x0} x2={d.x0} y1={l.ground - 4} y2={l.ground} stroke="var(--color-ground)" />
          {d.top !== null && (
            <rect
              x={d.x0 + (d.x1 - d.x0) * 0.22}
              y={d.top}
              width={(d.x1 - d.x0) * 0.56}
              height={l.ground - d.top}
              fill={d.done ? "var(--color-moss-ink)" : "var(--color-moss)"}
              opacity={d.done ? 0.85 : 0.6}
            />
          )}
          <Text x={(d.x0 + d.x1) / 2} y={l.ground - 6} size={11} anchor="middle" weight={500} halo="var(--color-paper)">
            {d.text}
          </Text>
        </g>
      ))}
    </>
  );
}

/** What stands at a week: ascent, the planned amount, absences, notes, the usual amount. */
function WeekMarks({ l }: { l: SeasonLayout }) {
  return (
    <>
      {l.columns.map((c) => {
        const x = (c.x0 + c.x1) / 2;
        return (
          <g key={c.index}>
            {c.ascentTip !== null && (
              <path
                d={`M${x} ${c.peak}V${c.ascentTip}M${x - 3} ${c.ascentTip}h6`}
                stroke="var(--color-moss-ink)"
                fill="none"
              />
            )}
            {c.planned !== null && (
              <path
                d={`M${c.x0 + 2} ${c.planned - 3}V${c.planned}H${c.x1 - 2}V${c.planned - 3}`}
                stroke="var(--color-ink)"
                fill="none"
              />
            )}
            {c.week.away.length > 0 && (
              <path d={`M${c.x0 + 2} ${l.top + 3}H${c.x1 - 2}`} stroke="var(--color-mist-ink)" strokeWidth="3">
                <title>Away: {c.week.away.join(", ")}</title>
              </path>
            )}
            {c.week.note !== "" && (
              <g>
                <title>{c.week.note}</title>
                <path
                  d={`M${x - 5} ${l.top + 9}h10v8h-6l-3 4v-4h-1z`}
                  fill="var(--color-panel)"
                  stroke="var(--color-ink)"
                />
              </g>
            )}
            {c.usual !== null && (
              <line
                x1={c.x0 + 1}
                x2={c.x1 - 1}
                y1={c.usual}
                y2={c.usual}
                stroke="var(--color-ground)"
                strokeDasharray="3 2.5"
              />
            )}
            <Earth x={c.x0 + 5} y={l.ground} />
          </g>
        );
      })}
    </>
  );
}

/** Flags with their names. */
function RaceFlags({ l }: { l: SeasonLayout }) {
  return (
    <>
      {l.flags.map((f) => (
        <g key={f.race.id}>
          <Flag x={f.x} ground={l.ground} top={f.top} priority={f.race.priority} side={f.side} />
          {f.lines.map((line, i) => (
            <Text
              key={line}
              x={f.textX}
              y={f.top + 11 + i * 14}
              size={i === 0 ? 12 : 11}
              weight={i === 0 ? 600 : 400}
              width={i === 0 ? 84 : 82}
              anchor={f.side === 1 ? "start" : "end"}
              fill={i === 0 ? undefined : "var(--color-ink2)"}
              halo="var(--color-paper)"
            >
              {line}
            </Text>
          ))}
        </g>
      ))}
    </>
  );
}

/** The warning that matters most. */
function WarningMark({ l }: { l: SeasonLayout }) {
  return (
    <>
      {l.warning && (
        <g>
          <line
            x1={l.warning.x}
            x2={l.warning.x}
            y1={l.warning.y + 3}
            y2={l.bottom - 30}
            stroke="var(--color-brick-ink)"
          />
          <rect
            x={l.warning.x - 8}
            y={l.bottom - 33}
            width={58}
            height={15}
            fill="var(--color-panel)"
            opacity=".94"
            rx="2"
          />
          <Triangle x={l.warning.x} y={l.bottom - 25} />
          <Text x={l.warning.x + 9} y={l.bottom - 21} weight={600} fill="var(--color-brick-ink)">
            {l.warning.text}
          </Text>
        </g>
      )}
    </>
  );
}

/** Scales, the chosen week, and the endurance as ground. */
interface BackdropProps {
  l: SeasonLayout;
  chosen: SeasonLayout["columns"][number] | undefined;
}

function Backdrop({ l, chosen }: BackdropProps) {
  return (
    <>
      {l.strata.slice(1).map((s) => (
        <line
          key={s.index}
          x1={s.x0}
          x2={s.x0}
          y1={l.ground}
          y2={l.bottom}
          stroke="var(--color-ground)"
          opacity=".5"
          strokeDasharray="7 3"
        />
      ))}
      {l.skyGrid.map((g) => (
        <line
          key={g.text}
          x1={l.x0}
          x2={l.x1}
          y1={crisp(g.y)}
          y2={crisp(g.y)}
          stroke="var(--color-hair)"
          opacity=".65"
        />
      ))}
      {chosen && (
        <rect
          x={chosen.x0}
          y={l.top}
          width={chosen.x1 - chosen.x0}
          height={l.bottom - l.top}
          fill="var(--color-surface)"
          opacity=".5"
        />
      )}
      <path d={l.terrainDone} fill="var(--color-moss)" />
      <path d={l.terrainPlan} fill="var(--color-moss-plan)" />
      {l.columns.map((c) =>
        c.layers
          .slice(0, -1)
          .map((s) => (
            <line
              key={`${c.index}${s.sport}`}
              x1={c.x0 + 1}
              x2={c.x1 - 1}
              y1={s.y}
              y2={s.y}
              stroke="var(--color-moss-ink)"
              opacity=".7"
              strokeDasharray="1.500 2"
            />
          )),
      )}
      {l.days.length > 0 && (
        <Text x={l.x0 + 8} y={l.top + 16} fill="var(--color-ink2)" halo="var(--color-paper)">
          posts: days, to a scale of their own
        </Text>
      )}
    </>
  );
}
