/** What is drawn beside the sheet: its time against the window, and its training load against what the week takes. */
import type { SessionView } from "../../api/views";
import { clock, duration } from "../format";
import { Defs } from "../section/Defs";
import { anchorShape } from "../section/layout/common";
import { Anchor, Earth, Text } from "../section/parts";
import { bandSets, STRATA } from "../section/patterns";

/** Work, rest filled by the partner, rest left empty, against the window. */
export function TimeBar({ view }: { view: SessionView }) {
  const t = view.time;
  if (!t) return null;
  const parts: [string, number, string][] = [
    ["opening", t.opening, "var(--color-hair)"],
    ["warm-up sets", t.warmUp, "var(--band-p-done)"],
    ["work", t.work, "var(--color-iron)"],
    ["rest", t.emptyRest, "var(--color-base)"],
    ["set-up time", t.change, "var(--color-edge)"],
  ];
  const used = parts.reduce((a, [, s]) => a + s, 0);
  const all = Math.max(used, view.windowMinutes * 60);
  return (
    <section className="mt-4" aria-label="Time">
      <h2 className="sec-h">
        Time{" "}
        <em className="font-normal not-italic">
          {duration(view.minutes)} of {duration(view.windowMinutes)} free
        </em>
      </h2>
      <div className="flex h-4 overflow-hidden rounded-[2px] border border-ground bg-panel">
        {parts.map(([name, s, fill]) =>
          s > 0 ? (
            <div key={name} title={`${name}: ${clock(s)}`} style={{ width: `${(s / all) * 100}%`, background: fill }} />
          ) : null,
        )}
      </div>
      <p className="mt-1 flex flex-wrap gap-x-4 text-label text-ink2">
        {parts.map(([name, s, fill]) => (
          <span key={name} className="flex items-center gap-1.5">
            <i className="sw" style={{ background: fill }} /> {name} {clock(s)}
          </span>
        ))}
        <span>rest filled by the partner {clock(t.filledRest)}</span>
      </p>
    </section>
  );
}

export function SessionAnchor({ view }: { view: SessionView }) {
  const [w, h, ground] = [268, 150, 10];
  const deepest = Math.max(120, view.loadLimit, view.stress);
  const unit = (h - ground - 12) / deepest;
  const shape = anchorShape(
    {
      key: "one",
      stress: view.stress,
      bands: bandSets(view.items.map((i) => ({ pattern: i.pattern, sets: i.sets }))),
      done: view.log !== null,
      locked: view.locked,
      limit: view.loadLimit,
    },
    {
      x: 92,
      width: Math.max(28, Math.min(96, view.minutes * 1.1)),
      ground,
      perUnit: unit,
      perSet: 7,
      leastBand: 12,
    },
  );
  const limit = ground + view.loadLimit * unit;
  return (
    <svg
      width={w}
      height={h}
      role="img"
      aria-label={`Training load ${view.stress} AU; most this week takes ${view.loadLimit} AU`}
    >
      <Defs prefix="one" size={6} />
      <rect y={ground} width={w} height={h - ground} fill={STRATA[view.phase].tint} opacity=".7" />
      {view.loadLimit > 0 && <rect y={limit} width={w} height={Math.max(0, h - limit)} fill="url(#onerock)" />}
      {view.loadLimit > 0 && <line x2={w} y1={limit} y2={limit} stroke="var(--color-ground)" strokeWidth="1.25" />}
      <line x2={w} y1={ground} y2={ground} stroke="var(--color-ground)" strokeWidth="2" />
      {[12, 60, 150, 210].map((x) => (
        <Earth key={x} x={x} y={ground} />
      ))}
      <Anchor shape={shape} ground={ground} prefix="one" letters />
      <Text x={shape.x1 + 8} y={shape.foot - 2} size={12} weight={600}>
        {view.stress} AU
        {shape.over > 0 ? `, ${shape.over} over` : ""}
      </Text>
    </svg>
  );
}
