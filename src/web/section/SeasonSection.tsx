/** The season as a ground section. Everything drawn stands in the layout; the table twin below is for screen readers. */
import type { SeasonView } from "../../api/views";
import { day, duration, PHASE_NAMES, span } from "../format";
import { Defs } from "./Defs";
import { fitText } from "./layout/common";
import type { SeasonLayout } from "./layout/season";
import { Anchor, Earth, Flag, Plumb, Text, Triangle } from "./parts";
import { STRATA } from "./patterns";

export interface PhaseFacts {
  length: string;
  sessions: string;
  main: string;
  single: string;
}

interface Props {
  layout: SeasonLayout;
  view: SeasonView;
  selected: number;
  unit: string;
  facts: ReadonlyMap<number, PhaseFacts>;
  onSelect: (index: number) => void;
  onOpen: (index: number) => void;
  width: number;
  height: number;
}

const clip = "season-soil";

export function SeasonSection({ layout: l, view, selected, unit, facts, onSelect, onOpen, width, height }: Props) {
  const chosen = l.columns.find((c) => c.index === selected);
  const gridLine = (y: number) => Math.round(y) + 0.5;
  return (
    <>
      <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} role="img" aria-label={`Season section of ${l.columns.length} weeks. The same figures stand in the table after it.`}>
        <Defs prefix="s" size={4} />
        <clipPath id={clip}>
          <path d={l.soilArea} />
        </clipPath>
        <clipPath id="season-rock">
          <path d={l.rockArea} />
        </clipPath>
        {l.strata.map((s) => (
          <g key={`${s.index}`}>
            <rect x={s.x0} y={l.ground} width={s.x1 - s.x0} height={l.bottom - l.ground} fill={STRATA[s.phase].tint} opacity=".34" />
            <g clipPath={`url(#${clip})`}>
              <rect x={s.x0} y={l.ground} width={s.x1 - s.x0} height={l.bottom - l.ground} fill={STRATA[s.phase].tint} />
              <rect x={s.x0} y={l.ground} width={s.x1 - s.x0} height={l.bottom - l.ground} fill={`url(#s${s.phase})`} />
            </g>
          </g>
        ))}
        <rect x={l.x0} y={l.ground} width={l.x1 - l.x0} height={l.bottom - l.ground} fill="url(#srock)" clipPath="url(#season-rock)" />
        {l.soilGrid.map((g) => (
          <line key={g.text} x1={l.x0} x2={l.x1} y1={gridLine(g.y)} y2={gridLine(g.y)} stroke="var(--color-ground)" opacity=".13" />
        ))}
        <path d={l.rock} fill="none" stroke="var(--color-ground)" strokeWidth="1.25" />
        {l.strata.slice(1).map((s) => (
          <line key={s.index} x1={s.x0} x2={s.x0} y1={l.ground} y2={l.bottom} stroke="var(--color-ground)" opacity=".5" strokeDasharray="7 3" />
        ))}
        {l.skyGrid.map((g) => (
          <line key={g.text} x1={l.x0} x2={l.x1} y1={gridLine(g.y)} y2={gridLine(g.y)} stroke="var(--color-hair)" opacity=".65" />
        ))}
        {chosen && <rect x={chosen.x0} y={l.top} width={chosen.x1 - chosen.x0} height={l.bottom - l.top} fill="#fff" opacity=".5" />}
        <path d={l.terrainDone} fill="var(--color-moss)" />
        <path d={l.terrainPlan} fill="var(--color-moss-plan)" />
        <path d={l.ridge} fill="none" stroke="var(--color-moss-ink)" strokeWidth="1.25" />
        {l.columns.map((c) => {
          const x = (c.x0 + c.x1) / 2;
          return (
            <g key={c.index}>
              {c.ascentTip !== null && <path d={`M${x} ${c.peak}V${c.ascentTip}M${x - 3} ${c.ascentTip}h6`} stroke="var(--color-moss-ink)" fill="none" />}
              {c.usual !== null && <line x1={c.x0 + 1} x2={c.x1 - 1} y1={c.usual} y2={c.usual} stroke="var(--color-ground)" strokeDasharray="3 2.5" />}
              <Earth x={c.x0 + 5} y={l.ground} />
            </g>
          );
        })}
        <line x1={l.x0 - 8} x2={l.x1 + 6} y1={l.ground} y2={l.ground} stroke="var(--color-ground)" strokeWidth="2.25" />
        {l.anchors.map((a) => (
          <Anchor key={a.key} shape={a} ground={l.ground} prefix="s" eye={a.locked} />
        ))}
        {l.flags.map((f) => (
          <g key={f.race.id}>
            <Flag x={f.x} ground={l.ground} top={f.top} priority={f.race.priority} side={f.side} />
            {f.lines.map((line, i) => (
              <Text key={line} x={f.textX} y={f.top + 11 + i * 14} size={i === 0 ? 12 : 11} weight={i === 0 ? 600 : 400} width={i === 0 ? 84 : 82} anchor={f.side === 1 ? "start" : "end"} fill={i === 0 ? undefined : "var(--color-ink2)"} halo="var(--color-paper)">
                {line}
              </Text>
            ))}
          </g>
        ))}
        <line x1={l.x0} x2={l.x1} y1={l.top + 0.5} y2={l.top + 0.5} stroke="var(--color-edge)" />
        {l.months.map((m) => (
          <g key={`${m.x}`}>
            <line x1={m.x} x2={m.x} y1={6} y2={l.top} stroke="var(--color-edge)" />
            <Text x={l.today !== null && m.x + 5 > l.today - 46 && m.x + 5 < l.today + 20 ? l.today + 24 : m.x + 5} y={16} size={12} weight={500} width={88}>
              {m.text}
            </Text>
          </g>
        ))}
        {l.today !== null && <Plumb x={Math.round(l.today) + 0.5} top={18} bottom={l.bottom - 2} />}
        {l.strata.map((s) => (
          <Text key={s.index} x={l.today !== null && l.today > s.x0 && l.today < s.x0 + 46 ? l.today + 10 : s.x0 + 8} y={l.bottom - 9} size={12} weight={650} width={95}>
            {s.name}
          </Text>
        ))}
        {l.warning && (
          <g>
            <line x1={l.warning.x} x2={l.warning.x} y1={l.warning.y + 3} y2={l.bottom - 30} stroke="var(--color-brick-ink)" />
            <rect x={l.warning.x - 8} y={l.bottom - 33} width={58} height={15} fill="var(--color-panel)" opacity=".94" rx="2" />
            <Triangle x={l.warning.x} y={l.bottom - 25} />
            <Text x={l.warning.x + 9} y={l.bottom - 21} weight={600} fill="var(--color-brick-ink)">
              {l.warning.text}
            </Text>
          </g>
        )}
        <Axes l={l} unit={unit} />
        <Strip l={l} selected={selected} />
        <PhaseTable l={l} facts={facts} />
        {chosen && <path d={`M${chosen.x0 + 8} ${l.top}H${chosen.x0}V${l.top + 8}M${chosen.x1 - 8} ${l.top}H${chosen.x1}V${l.top + 8}M${chosen.x0} ${l.bottom}V${l.bottom + 60}H${chosen.x1}V${l.bottom}`} fill="none" stroke="var(--color-iron)" strokeWidth="2" />}
        {l.columns.map((c) => (
          // biome-ignore lint/a11y/noStaticElementInteractions: the pointer's twin of the arrow keys; the table below is the accessible form
          <rect key={c.index} data-week={c.week.start} x={c.x0} y={l.top} width={c.x1 - c.x0} height={l.bottom + 60 - l.top} fill="transparent" className="cursor-pointer" onClick={() => onSelect(c.index)} onDoubleClick={() => onOpen(c.index)} />
        ))}
      </svg>
      <table className="sr-only">
        <caption>Weeks of the season</caption>
        <thead>
          <tr>
            <th>Week</th>
            <th>Dates</th>
            <th>Phase</th>
            <th>{unit}</th>
            <th>Depth limit</th>
            <th>Strength sessions</th>
          </tr>
        </thead>
        <tbody>
          {l.columns.map((c) => (
            <tr key={c.index}>
              <td>{c.week.isoWeek}</td>
              <td>{c.week.start}</td>
              <td>
                {PHASE_NAMES[c.week.phase]}
                {c.week.stepBack ? ", step-back" : ""}
              </td>
              <td>{Math.round(c.value)}</td>
              <td>{c.week.depthLimit}</td>
              <td>{c.week.anchors.map((a) => `${a.label} ${day(a.date)}, ${duration(a.minutes)}, depth ${a.stress}`).join("; ")}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="sr-only" aria-label="Races">
        {view.races.map((r) => (
          <li key={r.id}>{`${r.priority} race ${r.name}, ${day(r.date)}`}</li>
        ))}
      </ul>
    </>
  );
}

function Axes({ l, unit }: { l: SeasonLayout; unit: string }) {
  return (
    <g>
      <line x1={l.x0 + 0.5} x2={l.x0 + 0.5} y1={l.top} y2={l.bottom} stroke="var(--color-ground)" />
      {[...l.skyGrid, ...l.soilGrid].map((g) => (
        <g key={`${g.y}`}>
          <line x1={l.x0 - 5} x2={l.x0} y1={Math.round(g.y) + 0.5} y2={Math.round(g.y) + 0.5} stroke="var(--color-ground)" />
          <Text x={l.x0 - 9} y={g.y + 4} width={75} anchor="end" fill="var(--color-ink2)">
            {g.text}
          </Text>
        </g>
      ))}
      <AxisTitle x={29} y={(l.top + 60 + l.ground) / 2} name="Terrain" rest={`, ${unit}`} />
      <AxisTitle x={29} y={(l.ground + l.bottom) / 2} name="Depth" rest=", AU a session" />
    </g>
  );
}

export const AxisTitle = ({ x, y, name, rest }: { x: number; y: number; name: string; rest: string }) => (
  <text transform={`translate(${x} ${y}) rotate(-90)`} textAnchor="middle" style={{ fontSize: 11, fontStretch: "84%" }} fill="var(--color-ink)">
    <tspan fontWeight="600">{name}</tspan>
    <tspan fill="var(--color-ink2)">{rest}</tspan>
  </text>
);

function Strip({ l, selected }: { l: SeasonLayout; selected: number }) {
  return (
    <g>
      {[0, 1, 2, 3].map((r) => (
        <line key={r} x1={16} x2={l.x1} y1={l.bottom + r * 20 + 0.5} y2={l.bottom + r * 20 + 0.5} stroke={r === 0 || r === 3 ? "var(--color-ground)" : "var(--color-hair)"} />
      ))}
      {l.strip.map((row, r) => (
        <g key={row.label}>
          <Text x={16} y={row.y + 14} fill="var(--color-ink2)">
            {row.label}
          </Text>
          {l.columns.map((c, i) => {
            const x = (c.x0 + c.x1) / 2;
            const on = c.index === selected;
            return (
              <g key={c.index}>
                {r === 0 && c.week.stepBack && <path d={`M${x - 10.5} ${row.y + 4.5}h21v8l-4 4h-13l-4 -4z`} fill="none" stroke="var(--color-ground)" />}
                {r === 0 && i > 0 && <line x1={c.x0 + 0.5} x2={c.x0 + 0.5} y1={row.y} y2={row.y + 60} stroke="var(--color-hair)" />}
                <Text x={x} y={row.y + 14} width={75} weight={on ? 700 : r === 1 ? 500 : 400} anchor="middle" fill={r === 2 ? "var(--color-ink2)" : undefined}>
                  {row.cells[i]}
                </Text>
              </g>
            );
          })}
        </g>
      ))}
      <line x1={l.x0 + 0.5} x2={l.x0 + 0.5} y1={l.bottom} y2={l.bottom + 60} stroke="var(--color-ground)" />
    </g>
  );
}

/** A cell that is too narrow keeps what stands before the comma; its title keeps the whole. */
const cellText = (text: string, width: number): string => {
  const whole = fitText(text, width, 10);
  return whole === text ? text : fitText(text.split(",")[0] ?? text, width, 10);
};

const ROWS = ["Phase", "Dates", "Length", "Sessions", "Squat, hinge", "Split, hip"];

function PhaseTable({ l, facts }: { l: SeasonLayout; facts: ReadonlyMap<number, PhaseFacts> }) {
  const { y: top, rowHeight: h } = l.table;
  return (
    <g>
      {l.strata.map((s, i) => {
        const f = facts.get(s.index);
        const cells = [`${PHASE_NAMES[s.phase]}${s.fixed ? ", set by coach" : ""}`, span(s.start, s.end).replaceAll("\u00A0", " "), f?.length ?? "", f?.sessions ?? "", f?.main ?? "", f?.single ?? ""];
        return (
          <g key={s.index}>
            <rect x={s.x0} y={top} width={s.x1 - s.x0} height={h} fill={STRATA[s.phase].tint} />
            {cells.map((text, r) => (
              <g key={ROWS[r]}>
                <title>{text}</title>
                <Text x={s.x0 + 7} y={top + r * h + 16} size={12} width={r === 0 ? 82 : 76} weight={r === 0 ? 650 : 400}>
                  {cellText(text, s.x1 - s.x0 - 8)}
                </Text>
              </g>
            ))}
            <line x1={s.x0 + 0.5} x2={s.x0 + 0.5} y1={top} y2={top + 6 * h} stroke={i === 0 ? "var(--color-ground)" : "var(--color-edge)"} />
          </g>
        );
      })}
      {ROWS.map((name, r) => (
        <g key={name}>
          <Text x={16} y={top + r * h + 16} fill="var(--color-ink2)">
            {name}
          </Text>
          <line x1={16} x2={l.x1} y1={top + r * h + 0.5} y2={top + r * h + 0.5} stroke={r === 0 ? "var(--color-ground)" : "var(--color-hair)"} />
        </g>
      ))}
      <line x1={16} x2={l.x1} y1={top + 6 * h + 0.5} y2={top + 6 * h + 0.5} stroke="var(--color-ground)" />
    </g>
  );
}
