/** What the week's section is made of: days, blocks of endurance, leg freshness, one session, the axes. */

import type { WeekView } from "../../api/views";
import { sessionName } from "../format";
import type { DragStart } from "../week/drag";
import type { WeekLayout } from "./layout/week";
import { Anchor, Earth, Text, Triangle } from "./parts";
import { AxisTitle } from "./SeasonTables";
import { crisp } from "./Soil";

/** The lines of the days with their names and halves. */
export function Days({ l }: { l: WeekLayout }) {
  return l.days.map((d) => {
    const middle = (d.x0 + d.x1) / 2;
    return (
      <g key={d.date}>
        <line x1={d.x0 + 0.5} x2={d.x0 + 0.5} y1={4} y2={l.ground} stroke="var(--color-hair)" />
        <line x1={d.x0 + 0.5} x2={d.x0 + 0.5} y1={l.ground} y2={l.bottom} stroke="var(--color-ground)" opacity=".2" />
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
          <Text key={line} x={d.x0 + 8} y={l.ground - 10 - 15 * (d.empty.length - 1 - i)} fill="var(--color-ink2)">
            {line}
          </Text>
        ))}
        <Earth x={d.x0 + 6} y={l.ground} />
        <Earth x={middle + 6} y={l.ground} />
      </g>
    );
  });
}

interface BlocksProps {
  l: WeekLayout;
  dragOf: (id: string) => ReturnType<DragStart> | undefined;
  onEndurance: (id: string) => void;
}

/** The endurance sessions above the ground, each with its words. */
export function EnduranceBlocks({ l, dragOf, onEndurance }: BlocksProps) {
  return (
    <>
      {l.enduranceBlocks.map((b) => (
        // biome-ignore lint/a11y/noStaticElementInteractions: the pointer's twin; the list below holds the same sessions as buttons
        <g
          key={b.id}
          data-endurance={b.id}
          className={dragOf(b.id) ? "cursor-grab touch-none" : "cursor-pointer"}
          onClick={() => onEndurance(b.id)}
          {...dragOf(b.id)}
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
    </>
  );
}

/** How fresh the legs are over the week, the higher the fresher. */
export function Freshness({ l, freshness: f }: { l: WeekLayout; freshness: NonNullable<WeekLayout["freshness"]> }) {
  return (
    <g>
      <path d={f.path} fill="none" stroke="var(--color-mist-ink)" strokeWidth="1.25" strokeDasharray="4 3" />
      <line x1={l.x1 - 14} x2={l.x1} y1={crisp(f.tired)} y2={crisp(f.tired)} stroke="var(--color-mist-ink)" />
      <Text x={l.x1 - 2} y={f.tired - 4} width={78} anchor="end" fill="var(--color-mist-ink)" halo="var(--color-paper)">
        tired
      </Text>
      <Text x={f.start.x + 4} y={f.start.y - 7} width={78} fill="var(--color-mist-ink)" halo="var(--color-paper)">
        Leg freshness
      </Text>
      {f.marks.map((m) => (
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
  );
}

interface SessionProps {
  l: WeekLayout;
  shape: WeekLayout["anchors"][number];
  session: WeekView["sessions"][number];
  view: WeekView;
  selected: boolean;
  dragged: ReturnType<DragStart> | undefined;
  onSelect: () => void;
  onOpen: () => void;
}

/** One session below the ground: chosen with a press, opened with Enter, picked up with Space or by dragging. */
export function SessionMark({ l, shape: a, session: s, view, selected, dragged, onSelect, onOpen }: SessionProps) {
  return (
    <g
      data-session={s.label}
      role="button"
      tabIndex={0}
      aria-label={`${sessionName(s.label, view.emphasis, s.slow)}, ${a.tag.lines[1]}${s.locked ? ", locked" : ""}${s.done ? ", done" : ""}. Enter opens it${dragged ? ", Space picks it up" : ""}.`}
      aria-pressed={selected}
      className={`outline-none ${dragged ? "cursor-grab touch-none" : "cursor-pointer"}`}
      {...dragged}
      onClick={() => onSelect()}
      onDoubleClick={() => onOpen()}
      // A press chooses when it ends as a click; it may become a drag.
      onFocus={(e) => e.currentTarget.matches(":focus-visible") && onSelect()}
      onKeyDown={(e) => {
        dragged?.onKeyDown?.(e);
        if (!e.isPropagationStopped() && e.key === "Enter") onOpen();
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
      {selected && (
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
      <SessionTag tag={a.tag} />
    </g>
  );
}

function SessionTag({ tag }: { tag: WeekLayout["anchors"][number]["tag"] }) {
  return (
    <>
      <rect
        x={tag.rect.x}
        y={tag.rect.y}
        width={tag.rect.w}
        height={tag.rect.h}
        fill="var(--color-panel)"
        opacity=".94"
        rx="2"
      />
      <Text x={tag.rect.x + 5} y={tag.rect.y + 13} size={12} weight={650}>
        {tag.lines[0]}
      </Text>
      <Text x={tag.rect.x + 5} y={tag.rect.y + 27} width={80} fill="var(--color-ink2)">
        {tag.lines[1]}
      </Text>
      {tag.warning && (
        <>
          <Triangle x={tag.rect.x + 10} y={tag.rect.y + 38} size={5} />
          <Text x={tag.rect.x + 19} y={tag.rect.y + 41} width={80} weight={500} fill="var(--color-brick-ink)">
            {tag.warning}
          </Text>
        </>
      )}
    </>
  );
}

/** Scales and their names. */
export function Axes({ l }: { l: WeekLayout }) {
  return (
    <>
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
    </>
  );
}
