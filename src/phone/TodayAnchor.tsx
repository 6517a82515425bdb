/** The day as a picture: endurance over the ground, the session hanging below it. */
import type { PhoneRun, PhoneSession } from "../api/phoneViews";
import { Defs } from "../web/section/Defs";
import { anchorShape } from "../web/section/layout/common";
import { Anchor } from "../web/section/parts";
import { bandSets } from "../web/section/patterns";

const WIDTH = 320;
const GROUND = 34;
/** A whole day's minutes over the width, from five in the morning to ten in the evening. */
const [FIRST, LAST] = [300, 1320];
const at = (minutes: number): number => (WIDTH * (Math.min(LAST, Math.max(FIRST, minutes)) - FIRST)) / (LAST - FIRST);

export function TodayAnchor({ session: s, runs }: { session: PhoneSession; runs: readonly PhoneRun[] }) {
  const x = Math.min(WIDTH - 30, Math.max(30, at(s.start)));
  const shape = anchorShape(
    { key: "today", stress: 70, bands: bandSets(s.bands), done: s.state === "done", locked: false, limit: 0 },
    { x, width: 38, ground: GROUND, perUnit: 1, perSet: 2.2, leastBand: 9 },
  );
  const height = Math.max(GROUND + 30, ...shape.bands.map((b) => b.y + b.h)) + 8;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="mt-2 w-full max-w-[420px]"
      role="img"
      aria-label={`${s.stress} AU`}
    >
      <Defs prefix="t" size={5} />
      {runs.map((r) => {
        const [x0, x1] = [at(r.start), Math.max(at(r.start) + 14, at(r.start + r.minutes))];
        return (
          <g key={`${r.start}${r.kind}`}>
            <path
              d={`M${x0} ${GROUND}l6 -16H${x1 - 6}l6 16z`}
              fill={r.done ? "var(--color-moss)" : "var(--color-moss-plan)"}
              stroke="var(--color-moss-ink)"
            />
            <text x={x0} y={GROUND - 21} fontSize="11" fill="var(--color-ink2)">
              {r.kind}
              {r.done ? ", done" : ""}
            </text>
          </g>
        );
      })}
      <path d={`M0 ${GROUND}H${WIDTH}`} stroke="var(--color-ground)" strokeWidth="2" />
      <Anchor shape={shape} ground={GROUND} prefix="t" letters eye={false} />
      <text
        x={x + 27 > WIDTH - 50 ? x - 27 : x + 27}
        y={GROUND + 34}
        fontSize="11"
        fill="var(--color-ink2)"
        textAnchor={x + 27 > WIDTH - 50 ? "end" : "start"}
      >
        {s.stress} AU
      </text>
    </svg>
  );
}
