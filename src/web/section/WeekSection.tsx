/** The week as a ground section: blocks of endurance above, anchors below, rock at what each day takes. */
import { type HTMLAttributes, memo, type SVGAttributes } from "react";
import type { WeekView } from "../../api/views";
import { duration, sessionName, time } from "../format";
import type { Dragged } from "../week/drag";
import { Defs } from "./Defs";
import type { WeekLayout } from "./layout/week";
import { Anchor, Earth, Flag, Plumb, Text, Triangle } from "./parts";
import { AxisTitle } from "./SeasonTables";
import { crisp, Soil } from "./Soil";

/** The endurance sessions' twin for the keyboard: out of sight until one has the focus. */
const HIDDEN_UNTIL_FOCUS =
  "sr-only focus:not-sr-only focus:fixed focus:bottom-10 focus:left-20 focus:z-30 focus:rounded-[3px] focus:border focus:border-edge focus:bg-panel focus:px-3 focus:py-1.5";

/** What starts a drag: the pointer's and the keyboard's ways. */
export type DragStart = (dragged: Dragged) => SVGAttributes<SVGGElement> & HTMLAttributes<HTMLButtonElement>;

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
        {l.days.map((d) => {
          const middle = (d.x0 + d.x1) / 2;
          return (
            <g key={d.date}>
              <line x1={d.x0 + 0.5} x2={d.x0 + 0.5} y1={4} y2={l.ground} stroke="var(--color-hair)" />
              <line
                x1={d.x0 + 0.5}
                x2={d.x0 + 0.5}
                y1={l.ground}
                y2={l.bottom}
                stroke="var(--color-ground)"
                opacity=".2"
              />
              <line
                x1={middle}
                x2={middle}
                y1={l.top}
                y2={l.bottom}
                stroke="var(--color-ground)"
                opacity=".25"
                strokeDasharray="1 4"
              />
              <Text x={d.x0 + 8} y={18} size={13} weight={650} width={92}>
                {d.title}
              </Text>
              <Text x={d.x0 + 8} y={37} fill="var(--color-ink2)">
                AM
              </Text>
              <Text x={middle + 8} y={37} fill="var(--color-ink2)">
                PM
              </Text>
              {d.empty.map((line, i) => (
                <Text
                  key={line}
                  x={d.x0 + 8}
                  y={l.ground - 10 - 15 * (d.empty.length - 1 - i)}
                  fill="var(--color-ink2)"
                >
                  {line}
                </Text>
              ))}
              <Earth x={d.x0 + 6} y={l.ground} />
              <Earth x={middle + 6} y={l.ground} />
            </g>
          );
        })}
        {l.enduranceBlocks.map((b) => (
          // biome-ignore lint/a11y/noStaticElementInteractions: the pointer's twin; the list below holds the same sessions as buttons
          <g
            key={b.id}
            data-endurance={b.id}
            className={enduranceDrag(b.id) ? "cursor-grab touch-none" : "cursor-pointer"}
            onClick={() => onEndurance(b.id)}
            {...enduranceDrag(b.id)}
          >
            <path d={b.area} fill={b.done ? "var(--color-moss)" : "var(--color-moss-plan)"} />
            <path d={b.path} fill="none" stroke="var(--color-moss-ink)" strokeWidth="1.25" strokeLinejoin="round" />
            {b.key && (
              <line
                x1={b.key.x0}
                x2={b.key.x1}
                y1={b.key.y}
                y2={b.key.y}
                stroke="var(--color-moss-ink)"
                strokeWidth="1.5"
              />
            )}
          </g>
        ))}
        {l.enduranceBlocks.map((b) =>
          b.label.lines.map((line, i) => (
            <Text
              key={`${b.id}${line}`}
              x={b.label.x}
              y={b.label.y - (b.label.lines.length - 1 - i) * 14}
              size={i === 0 ? 12 : 11}
              weight={i === 0 ? 650 : 400}
              width={i === 0 ? 82 : 80}
              anchor={b.label.anchor}
              fill={i === 0 ? undefined : "var(--color-ink2)"}
              halo="var(--color-paper)"
            >
              {line}
            </Text>
          )),
        )}
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
        {l.freshness && (
          <g>
            <path
              d={l.freshness.path}
              fill="none"
              stroke="var(--color-mist-ink)"
              strokeWidth="1.25"
              strokeDasharray="4 3"
            />
            <line
              x1={l.x1 - 14}
              x2={l.x1}
              y1={crisp(l.freshness.tired)}
              y2={crisp(l.freshness.tired)}
              stroke="var(--color-mist-ink)"
            />
            <Text
              x={l.x1 - 2}
              y={l.freshness.tired - 4}
              width={78}
              anchor="end"
              fill="var(--color-mist-ink)"
              halo="var(--color-paper)"
            >
              tired
            </Text>
            <Text
              x={l.freshness.start.x + 4}
              y={l.freshness.start.y - 7}
              width={78}
              fill="var(--color-mist-ink)"
              halo="var(--color-paper)"
            >
              Leg freshness
            </Text>
            {l.freshness.marks.map((m) => (
              <g key={m.x}>
                <circle
                  cx={m.x}
                  cy={m.y}
                  r="2.75"
                  fill="var(--color-panel)"
                  stroke="var(--color-mist-ink)"
                  strokeWidth="1.25"
                />
                <Text x={m.x + 5} y={m.y - 3} width={78} fill="var(--color-mist-ink)" halo="var(--color-panel)">
                  {m.value}
                </Text>
              </g>
            ))}
          </g>
        )}
        {l.today !== null && <Plumb x={crisp(l.today)} top={l.top - 22 + 17} bottom={l.bottom - 2} />}
        {l.anchors.map((a) => {
          const s = view.sessions[a.index];
          if (!s) return null;
          const dragged = drag && !s.done ? drag({ kind: "session", label: s.label }) : undefined;
          return (
            <g
              key={a.key}
              data-session={s.label}
              role="button"
              tabIndex={0}
              aria-label={`${sessionName(s.label, view.emphasis, s.slow)}, ${a.tag.lines[1]}${s.locked ? ", locked" : ""}${s.done ? ", done" : ""}. Enter opens it${dragged ? ", Space picks it up" : ""}.`}
              aria-pressed={selected === a.index}
              className={`outline-none ${dragged ? "cursor-grab touch-none" : "cursor-pointer"}`}
              {...dragged}
              onClick={() => onSelect(a.index)}
              onDoubleClick={() => onOpen(a.index)}
              // A press chooses when it ends as a click; it may become a drag.
              onFocus={(e) => e.currentTarget.matches(":focus-visible") && onSelect(a.index)}
              onKeyDown={(e) => {
                dragged?.onKeyDown?.(e);
                if (!e.isPropagationStopped() && e.key === "Enter") onOpen(a.index);
              }}
            >
              {/* The whole of it can be pointed at, also between stem and tag. */}
              <rect
                x={Math.min(a.x0, a.tag.rect.x)}
                y={l.ground - 12}
                width={Math.max(a.x1, a.tag.rect.x + a.tag.rect.w) - Math.min(a.x0, a.tag.rect.x)}
                height={Math.max(a.foot, a.tag.rect.y + a.tag.rect.h) - l.ground + 12}
                fill="transparent"
              />
              <Anchor shape={a} ground={l.ground} prefix="w" letters stroke={1.75} />
              {selected === a.index && (
                <rect
                  x={a.x0 - 6}
                  y={a.top - 6}
                  width={a.x1 - a.x0 + 12}
                  height={a.foot - a.top + 12}
                  fill="none"
                  stroke="var(--color-iron)"
                  strokeWidth="2"
                  rx="3"
                />
              )}
              <rect
                x={a.tag.rect.x}
                y={a.tag.rect.y}
                width={a.tag.rect.w}
                height={a.tag.rect.h}
                fill="var(--color-panel)"
                opacity=".94"
                rx="2"
              />
              <Text x={a.tag.rect.x + 5} y={a.tag.rect.y + 13} size={12} weight={650}>
                {a.tag.lines[0]}
              </Text>
              <Text x={a.tag.rect.x + 5} y={a.tag.rect.y + 27} width={80} fill="var(--color-ink2)">
                {a.tag.lines[1]}
              </Text>
              {a.tag.warning && (
                <>
                  <Triangle x={a.tag.rect.x + 10} y={a.tag.rect.y + 38} size={5} />
                  <Text
                    x={a.tag.rect.x + 19}
                    y={a.tag.rect.y + 41}
                    width={80}
                    weight={500}
                    fill="var(--color-brick-ink)"
                  >
                    {a.tag.warning}
                  </Text>
                </>
              )}
            </g>
          );
        })}
        <line x1={l.carry} x2={l.x1} y1={l.top + 0.5} y2={l.top + 0.5} stroke="var(--color-edge)" />
        <line x1={l.carry + 0.5} x2={l.carry + 0.5} y1={l.top} y2={l.bottom} stroke="var(--color-ground)" />
        <Text x={l.carry + 4} y={37} width={80} fill="var(--color-ink2)">
          Sunday
        </Text>
        {[...l.skyGrid, ...l.soilGrid].map((g) => (
          <g key={`${g.y}`}>
            <line x1={l.carry - 5} x2={l.carry} y1={crisp(g.y)} y2={crisp(g.y)} stroke="var(--color-ground)" />
            <Text x={l.carry - 9} y={g.y + 4} width={75} anchor="end" fill="var(--color-ink2)">
              {g.text}
            </Text>
          </g>
        ))}
        <AxisTitle x={29} y={(l.top + 40 + l.ground) / 2} name="Endurance" rest=", load in AU" />
        <AxisTitle x={29} y={(l.ground + l.bottom) / 2} name="Training load" rest=", AU" />
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
