/** The short section of a squad row: four weeks behind, eight ahead, on its own small scale. */
import type { SquadRow } from "../../api/views";
import { daysBetween } from "../../core/dates";
import { Defs } from "./Defs";
import { anchorShape, steppedEdge } from "./layout/common";
import { Anchor } from "./parts";
import { bandSets, STRATA } from "./patterns";

/** Weeks shown: behind this one, and in all. */
const BEFORE = 4;
const COLUMNS = 12;
const SIZE = { width: 264, height: 52, ground: 22 };

export function ShortSection({ row }: { row: SquadRow }) {
  const { width, height, ground } = SIZE;
  const column = width / COLUMNS;
  // A season that has only begun, or soon ends, leaves its columns empty, so that the rows of the club share one scale of time.
  const first = row.weeks[0]?.start;
  const lead = first ? Math.max(0, BEFORE + daysBetween(row.monday, first) / 7) : 0;
  const left = (i: number) => (lead + i) * column;
  const end = left(row.weeks.length);
  const most = Math.max(1, ...row.weeks.map((w) => w.load));
  const deepest = Math.max(
    200,
    ...row.weeks.map((w) => w.loadLimit),
    ...row.weeks.flatMap((w) => w.sessions.map((a) => a.stress)),
  );
  const unit = (height - ground - 2) / deepest;
  const edges = row.weeks.map((w, i) => ({
    x0: left(i),
    x1: left(i + 1),
    y: ground - (w.load / most) * (ground - 2),
  }));
  const ridge = steppedEdge(edges, 3);
  const nowAt = row.weeks.findIndex((w) => w.start === row.monday);
  const text = row.weeks.map((w) => `${w.start}: load ${Math.round(w.load)}, ${w.sessions.length} strength`).join("; ");
  return (
    <svg width={width} height={height} role="img" aria-label={`Short section. ${text}`}>
      <Defs prefix={`q${row.id}`} size={4} />
      {row.weeks.map((w, i) => (
        <rect
          key={w.start}
          x={left(i)}
          y={ground}
          width={column + 0.5}
          height={height - ground}
          fill={STRATA[w.phase].tint}
        />
      ))}
      <path d={`${ridge}L${end} ${ground}L${left(0)} ${ground}Z`} fill="var(--color-moss-plan)" />
      {nowAt > 0 && (
        <path
          d={`${steppedEdge(edges.slice(0, nowAt), 3)}L${left(nowAt)} ${ground}L${left(0)} ${ground}Z`}
          fill="var(--color-moss)"
        />
      )}
      <path d={ridge} fill="none" stroke="var(--color-moss-ink)" />
      <line x1="0" x2={width} y1={ground} y2={ground} stroke="var(--color-ground)" strokeWidth="1.75" />
      {row.weeks.flatMap((w, i) =>
        w.sessions.map((a, k) => {
          const bw = Math.min(5, column / (w.sessions.length + 1));
          const x = left(i) + ((k + 1) * column) / (w.sessions.length + 1);
          const shape = anchorShape(
            {
              key: `${a.date}${a.label}`,
              stress: a.stress,
              bands: bandSets(a.bands),
              done: a.done,
              locked: false,
              limit: 0,
            },
            { x, width: bw, ground, perUnit: unit, perSet: 1.2 },
          );
          return (
            <Anchor key={shape.key} shape={shape} ground={ground} prefix={`q${row.id}`} eye={false} stroke={0.9} />
          );
        }),
      )}
      {nowAt >= 0 && (
        <line x1={left(nowAt) + 0.5} x2={left(nowAt) + 0.5} y1="0" y2={height} stroke="var(--color-ink)" />
      )}
    </svg>
  );
}
