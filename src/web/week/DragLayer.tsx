/** What is dragged on the week section: the places it may stand with what each costs, its ghost, and the words beside it. */
import { memo, useSyncExternalStore } from "react";
import type { WeekView } from "../../api/views";
import { MINUTES_A_DAY } from "../../core/dates";
import type { BoardPlace } from "../../core/planning";
import { RULES } from "../../core/rulebook";
import { day, placeName, sessionName, time } from "../format";
import type { WeekLayout } from "../section/layout/week";
import { Text } from "../section/parts";
import { crisp } from "../section/Soil";
import { costChange, costWords, type DragState, type DragStore, placeAt } from "./drag";

interface Props {
  store: DragStore;
  layout: WeekLayout;
  view: WeekView;
}

const useDragState = (store: DragStore): DragState => useSyncExternalStore(store.subscribe, store.get);

const xOf = (l: WeekLayout, date: string, minute: number): number => {
  const d = l.days.find((x) => x.date === date);
  return (d?.x0 ?? l.x0) + (minute / MINUTES_A_DAY) * l.dayWidth;
};
/** An anchor stands in the middle of its half of the day. */
const halfOf = (l: WeekLayout, date: string, minute: number): number => xOf(l, date, minute < 720 ? 360 : 1080);

/** Over the section, in a drawing of its own, so that the section is not painted again with every step of the pointer. */
export function DragMarks({ store, layout: l, view, width, height }: Props & { width: number; height: number }) {
  const state = useDragState(store);
  if (!state.dragged || !state.target) return null;
  const sheet = {
    width,
    height,
    viewBox: `0 0 ${width} ${height}`,
    className: "pointer-events-none absolute top-0 left-0 z-10 will-change-transform",
  };
  return (
    <>
      {state.board && (
        <svg {...sheet} aria-hidden="true">
          <Places l={l} places={state.board.places} closed={state.board.closed} cost={state.board.cost} />
        </svg>
      )}
      <svg {...sheet} aria-hidden="true">
        <Ghost l={l} view={view} state={state} />
      </svg>
    </>
  );
}

interface PlacesProps {
  l: WeekLayout;
  places: readonly BoardPlace[];
  closed: readonly { date: string; block: { rule: string; text: string } }[];
  cost: number;
}

/** The least change of cost of each run of places in one window, and the days that are closed. Drawn once for a drag. */
const Places = memo(function Places({ l, places, closed, cost }: PlacesProps) {
  const runs = new Map<string, BoardPlace[]>();
  for (const p of places) {
    const key = `${p.date}/${p.place}/${p.start < 720 ? "am" : "pm"}`;
    runs.set(key, [...(runs.get(key) ?? []), p]);
  }
  const height = l.bottom - l.ground;
  return (
    <>
      {l.days.map((d) => {
        const shut = closed.find((c) => c.date === d.date);
        const all = places.filter((p) => p.date === d.date);
        const block = shut?.block ?? (all.every((p) => p.blocked) ? all[0]?.blocked : null);
        if (!block) return null;
        return (
          <g key={d.date}>
            <rect
              x={d.x0 + 1}
              y={l.ground + 2}
              width={l.dayWidth - 2}
              height={height - 2}
              fill="var(--color-paper)"
              opacity=".4"
            />
            <Text x={d.x0 + 8} y={l.ground + 25} fill="var(--color-ink)" weight={600} halo="var(--color-paper)">
              closed
            </Text>
          </g>
        );
      })}
      {[...runs].map(([key, run]) => {
        const open = run.filter((p) => !p.blocked);
        const first = run[0];
        const last = run.at(-1);
        if (!first || !last) return null;
        const x0 = xOf(l, first.date, first.start);
        const x1 = xOf(l, last.date, last.start + last.minutes);
        const best = open.length > 0 ? Math.min(...open.map((p) => p.cost)) - cost : null;
        return (
          <g key={key}>
            {run.map((p) => (
              <rect
                key={p.start}
                x={xOf(l, p.date, p.start)}
                y={l.ground + 1}
                width={Math.max(1.5, (15 / MINUTES_A_DAY) * l.dayWidth)}
                height={9}
                fill={p.blocked ? "var(--color-edge)" : "var(--color-iron)"}
              />
            ))}
            <rect
              x={x0}
              y={l.ground + 1}
              width={Math.max(6, x1 - x0)}
              height={9}
              fill="none"
              stroke="var(--color-iron)"
            />
            {best !== null && (
              <Text
                x={(x0 + x1) / 2}
                y={l.ground + 25}
                size={12}
                weight={650}
                anchor="middle"
                fill="var(--color-iron)"
                halo="var(--color-paper)"
              >
                {best === 0 ? "±0" : best > 0 ? `+${best}` : `−${-best}`}
              </Text>
            )}
          </g>
        );
      })}
    </>
  );
});

function Ghost({ l, view, state }: { l: WeekLayout; view: WeekView; state: DragState }) {
  const { dragged, target } = state;
  if (!dragged || !target) return null;
  if (dragged.kind === "endurance") {
    const b = l.enduranceBlocks.find((x) => x.id === dragged.row);
    if (!b || target.start === null) return null;
    const x = halfOf(l, target.date, target.start);
    return (
      <g>
        <path
          d={b.path}
          transform={`translate(${x - b.x} 0)`}
          fill="none"
          stroke="var(--color-moss-ink)"
          strokeWidth="1.75"
          strokeDasharray="5 3"
        />
        <line
          x1={crisp(xOf(l, target.date, target.start))}
          x2={crisp(xOf(l, target.date, target.start))}
          y1={l.ground - 8}
          y2={l.ground + 6}
          stroke="var(--color-moss-ink)"
          strokeWidth="2"
        />
        {state.trial?.view && <Followers l={l} before={view} after={state.trial.view} />}
      </g>
    );
  }
  if (target.start === null) return null;
  const place = placeAt(state.board, target);
  const known = view.sessions.find((s) => s.label === dragged.label);
  const stress = place?.stress ?? known?.stress ?? 200;
  const x = halfOf(l, target.date, target.start);
  const width = Math.max(20, Math.min((l.dayWidth / 2) * 0.85, (place?.minutes ?? 50) * 0.8));
  const foot = l.ground + stress * l.soilUnit;
  const ink = place?.blocked ? "var(--color-brick-ink)" : "var(--color-iron)";
  return (
    <g fill="none" stroke={ink} strokeWidth="1.75" strokeDasharray="5 3">
      <rect
        x={x - width / 2}
        y={Math.max(l.ground + 12, foot - 46)}
        width={width}
        height={Math.min(46, foot - l.ground - 12)}
      />
      <line x1={x} x2={x} y1={l.ground} y2={Math.max(l.ground + 12, foot - 46)} />
      <line
        x1={crisp(xOf(l, target.date, target.start))}
        x2={crisp(xOf(l, target.date, target.start))}
        y1={l.ground - 8}
        y2={l.ground + 12}
        strokeDasharray="none"
        strokeWidth="2"
      />
    </g>
  );
}

/** Sessions that the fit would move, as dashed outlines. */
function Followers({ l, before, after }: { l: WeekLayout; before: WeekView; after: WeekView }) {
  return (
    <g fill="none" stroke="var(--color-iron)" strokeWidth="1.5" strokeDasharray="4 3">
      {movesOf(before, after).map(({ label, to }) => {
        if (!to) return null;
        const foot = l.ground + to.stress * l.soilUnit;
        const x = halfOf(l, to.date, to.start);
        return (
          <rect
            key={label}
            x={x - 18}
            y={Math.max(l.ground + 12, foot - 44)}
            width={36}
            height={Math.min(44, foot - l.ground - 12)}
          />
        );
      })}
    </g>
  );
}

/** Sessions that stand elsewhere, or nowhere, after a change. */
function movesOf(before: WeekView, after: WeekView) {
  return before.sessions
    .filter((s) => !s.done && s.date >= before.monday)
    .flatMap((s) => {
      const to = after.sessions.find((x) => x.label === s.label && !x.done) ?? null;
      return to && to.date === s.date && to.start === s.start ? [] : [{ label: s.label, to }];
    });
}

/** Beside the ghost: where, at what cost, by which rule. */
export function DragWords({ store, layout: l, view, width }: Props & { width: number }) {
  const state = useDragState(store);
  const { dragged, target } = state;
  if (!dragged || !target) return null;
  const x = halfOf(l, target.date, target.start ?? 720);
  const left = Math.max(l.x0, Math.min(width - 268, x > width / 2 ? x - 288 : x + 34));
  return (
    <div
      className="pointer-events-none absolute z-20 w-[256px] rounded-[3px] border border-edge bg-panel px-3 py-2 text-label leading-4 shadow-pop [contain:layout_paint_style] will-change-transform"
      style={{ left: 0, top: 0, transform: `translate(${left}px, ${l.ground + 44}px)` }}
      aria-live={state.by === "keys" ? "assertive" : "off"}
      role="status"
    >
      <p className="text-body leading-5 font-[650]">
        {dragged.kind === "session" ? sessionName(dragged.label, view.emphasis) : kindOf(view, dragged.row)}:{" "}
        {day(target.date)}
        {target.start === null ? "" : ` ${time(target.start)}`}
      </p>
      {state.saving ? (
        <p className="text-ink2">Saving…</p>
      ) : dragged.kind === "session" ? (
        <SessionWords state={state} />
      ) : (
        <EnduranceWords state={state} view={view} />
      )}
      {state.by === "keys" && (
        <p className="mt-1 text-ink2">Arrows: day and quarter hour. Enter puts it down, Esc gives it back.</p>
      )}
    </div>
  );
}

/** Such as "Long run". */
function kindOf(view: WeekView, row: string): string {
  const e = view.endurance.find((x) => x.id === row);
  if (!e) return "Endurance session";
  const words = e.kind === "other" ? e.sport : `${e.kind} ${e.sport}`;
  return `${words[0]?.toUpperCase()}${words.slice(1)}`;
}

function SessionWords({ state }: { state: DragState }) {
  const { board, target } = state;
  if (!board || !target) return <p className="text-ink2">Weighing…</p>;
  const place = placeAt(board, target);
  const block = place ? place.blocked : board.closed.find((c) => c.date === target.date)?.block;
  if (!place || block)
    return <p className="text-brick-ink">Not possible: {block?.text ?? "no place is left for it"}.</p>;
  const { more, less } = costChange(board.costs, place.costs);
  return (
    <>
      <p>
        {costWords(place.cost, board.cost)} · {placeName(place.place)}
      </p>
      {more.slice(0, 3).map((c) => (
        <p key={c.text} className="mt-0.5 cond-s">
          <b>+{c.points}</b> {c.text}
        </p>
      ))}
      {less.slice(0, 2).map((c) => (
        <p key={c.text} className="mt-0.5 text-ink2 cond-s">
          <b>−{c.points}</b> {RULES[c.rule].title}
        </p>
      ))}
    </>
  );
}

function EnduranceWords({ state, view }: { state: DragState; view: WeekView }) {
  const after = state.trial?.view;
  if (!after)
    return <p className="text-ink2">{state.trial ? "The sessions cannot be placed around it." : "Weighing…"}</p>;
  const moves = movesOf(view, after);
  return (
    <>
      <p>Sessions are placed again: {costWords(after.fit.cost, view.fit.cost)}</p>
      {moves.map(({ label, to }) => (
        <p key={label} className={`mt-0.5 ${to ? "" : "text-brick-ink"}`}>
          {label}: {to ? `${day(to.date)} ${time(to.start)}` : "finds no place"}
        </p>
      ))}
      {moves.length === 0 && <p className="mt-0.5 text-ink2">Every session stays.</p>}
    </>
  );
}
