/** Start and end position of an exercise as line figures. */
import { FIGURES } from "./figures";
import type { Pose, Prop } from "./poses";

const line = (points: readonly (readonly [number, number])[]): string =>
  points.map(([x, y], i) => `${i === 0 ? "M" : "L"}${x} ${y}`).join("");

function Drawn({ pose, props }: { pose: Pose; props: readonly Prop[] }) {
  const { head, neck, hip, leg, other, arm } = pose;
  const hand = arm[1];
  return (
    <g fill="none" stroke="var(--color-ink)" strokeWidth="2.400" strokeLinecap="round" strokeLinejoin="round">
      <path d="M2 94.500h96" stroke="var(--color-ground)" strokeWidth="1.200" />
      {props.map((p) => (p.kind === "box" || p.kind === "wall" ? <Solid key={JSON.stringify(p)} prop={p} /> : null))}
      {other && <path d={line([hip, ...other])} stroke="var(--color-ink2)" strokeWidth="1.800" />}
      <path d={line([neck, hip])} />
      <path d={line([hip, ...leg])} />
      <path d={line([neck, ...arm])} strokeWidth="1.800" />
      <circle cx={head[0]} cy={head[1]} r="5.500" fill="var(--color-panel)" strokeWidth="2" />
      {props.map((p) => (
        <Held key={JSON.stringify(p)} prop={p} pose={pose} hand={hand} />
      ))}
    </g>
  );
}

function Solid({ prop }: { prop: Extract<Prop, { kind: "box" | "wall" }> }) {
  return prop.kind === "wall" ? (
    <path d={`M${prop.x} 4V94`} stroke="var(--color-field)" strokeWidth="2" />
  ) : (
    <rect
      x={prop.x}
      y={prop.y}
      width={prop.w}
      height={Math.max(1.5, 94 - prop.y)}
      fill="var(--color-hair2)"
      stroke="var(--color-field)"
      strokeWidth="1.200"
    />
  );
}

function Held({ prop, pose, hand }: { prop: Prop; pose: Pose; hand: readonly [number, number] }) {
  const iron = { fill: "var(--color-iron)", stroke: "none" } as const;
  const at = (x: number, y: number) => <rect x={x - 3.5} y={y - 3.5} width="7" height="7" rx="1" {...iron} />;
  const disc = (x: number, y: number) => (
    <>
      <circle cx={x} cy={y} r="7" fill="none" stroke="var(--color-iron)" strokeWidth="2" />
      <circle cx={x} cy={y} r="1.500" {...iron} />
    </>
  );
  switch (prop.kind) {
    case "load":
      return at(hand[0], hand[1] + 3);
    case "bar":
      return disc(hand[0], hand[1]);
    case "back-bar":
      return disc(pose.neck[0] - 3, pose.neck[1] + 1);
    case "overhead":
      return disc(hand[0], hand[1] - 1);
    case "hips":
      return at(pose.hip[0] + 2, pose.hip[1] - 5);
    case "foot": {
      const toe = (pose.other ?? pose.leg)[2];
      return at(toe[0], toe[1] + 3);
    }
    case "ball": {
      // Between the knees of somebody lying, else in the hand.
      const lying = pose.neck[1] > 80;
      const [x, y] = lying ? pose.leg[0] : hand;
      return (
        <circle
          cx={x}
          cy={lying ? y : y - 4}
          r="5"
          fill="var(--color-iron-l)"
          stroke="var(--color-iron)"
          strokeWidth="1.500"
        />
      );
    }
    case "stick": {
      const [x, y] = pose.neck;
      const upright = pose.arm[1][1] > y - 4 && pose.arm[1][0] > x + 4;
      return upright ? (
        <circle cx={x + 8} cy={y + 4} r="2" {...iron} />
      ) : (
        <path
          d={line([
            [x + (x - pose.hip[0]) * 0.35 - 4, y + (y - pose.hip[1]) * 0.35 - 2],
            [pose.hip[0] - 4, pose.hip[1] - 2],
          ])}
          stroke="var(--color-iron)"
          strokeWidth="1.800"
        />
      );
    }
    case "band":
      return (
        <path d={line([prop.from, prop.to])} stroke="var(--color-mist-ink)" strokeWidth="2" strokeDasharray="3 2" />
      );
    default:
      return null;
  }
}

/** @returns nothing where there is no figure of the exercise */
export function Figure({ exercise, name }: { exercise: string; name: string }) {
  const figure = FIGURES[exercise];
  if (!figure) return null;
  return (
    <figure className="max-w-[400px]">
      <svg
        viewBox="0 0 214 98"
        width="100%"
        role="img"
        aria-label={`Line figures of ${name.toLowerCase()}: start and end position`}
      >
        <Drawn pose={figure.start} props={figure.props} />
        <g transform="translate(112 0)">
          <Drawn pose={figure.end} props={figure.props} />
        </g>
        <path
          d="M103 50h6m-2.500-2.500l2.500 2.500-2.500 2.500"
          fill="none"
          stroke="var(--color-ink2)"
          strokeWidth="1.200"
        />
      </svg>
      <figcaption className="grid grid-cols-2 text-center text-label text-ink2">
        <span>start</span>
        <span>end</span>
      </figcaption>
    </figure>
  );
}
