/** A body from the front and the back, with the trouble areas marked; a picture beside the list, which says the same in words. */
import { AREA_WORDS, type Area, type TroubleArea } from "../../core/athlete";

/** Where each area lies: which view, height, and distance from the middle line. The athlete's left is right in the front view. */
const SPOT: Record<Area, { view: "front" | "back"; y: number; x: number }> = {
  shoulder: { view: "front", y: 40, x: 15 },
  "low-back": { view: "back", y: 84, x: 4 },
  hip: { view: "front", y: 102, x: 13 },
  "hip-flexor": { view: "front", y: 108, x: 8 },
  groin: { view: "front", y: 118, x: 3.5 },
  hamstring: { view: "back", y: 138, x: 8 },
  "knee-front": { view: "front", y: 158, x: 8 },
  "knee-outside": { view: "front", y: 152, x: 12.5 },
  calf: { view: "back", y: 180, x: 8 },
  achilles: { view: "back", y: 202, x: 7 },
  shin: { view: "front", y: 182, x: 7 },
  foot: { view: "front", y: 212, x: 9 },
  "bone-stress": { view: "front", y: 194, x: 7 },
};

const OUTLINE =
  "M-4 24v6c-8 1-13 3-14 10l-4 52 4 1 5-37 1 22-2 26-1 46 1 50-2 12h12l1-12 1-48 2-36 2 36 1 48 1 12h12l-2-12 1-50-1-46-2-26 1-22 5 37 4-1-4-52c-1-7-6-9-14-10v-6z";

export function Body({ areas }: { areas: readonly Pick<TroubleArea, "area" | "side" | "status">[] }) {
  const figure = (view: "front" | "back", cx: number) => (
    <g transform={`translate(${cx} 0)`}>
      <path
        d={OUTLINE}
        fill="var(--color-panel)"
        stroke="var(--color-ink2)"
        strokeWidth="1.200"
        strokeLinejoin="round"
      />
      <circle cy="16" r="9" fill="var(--color-panel)" stroke="var(--color-ink2)" strokeWidth="1.200" />
      <text y="236" textAnchor="middle" fontSize="11" fill="var(--color-ink2)">
        {view === "front" ? "front" : "back"}
      </text>
      {areas
        .filter((a) => SPOT[a.area].view === view)
        .flatMap((a) => {
          const { x, y } = SPOT[a.area];
          const left = view === "front" ? x : -x;
          const marks = a.side === "both" ? [left, -left] : [a.side === "left" ? left : -left];
          return marks.map((at) => (
            <circle
              key={`${a.area}${at}`}
              cx={at}
              cy={y}
              r="4.500"
              fill={a.status === "past" ? "var(--color-panel)" : "var(--color-brick)"}
              stroke="var(--color-brick-ink)"
              strokeWidth="1.500"
              strokeDasharray={a.status === "current" ? undefined : "2 1.500"}
            />
          ));
        })}
    </g>
  );
  const said = areas.map((a) => `${AREA_WORDS[a.area]}, ${a.side}, ${a.status}`).join("; ");
  return (
    <svg
      viewBox="0 0 150 244"
      width="150"
      height="244"
      role="img"
      aria-label={said ? `Marked on the body: ${said}` : "Nothing marked on the body"}
    >
      {figure("front", 40)}
      {figure("back", 110)}
    </svg>
  );
}
