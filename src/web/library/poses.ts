/**
 * Line figures of start and end positions, drawn by us. A skeleton stands in a box of 100 by 100, ground at 94, seen from the side
 * and facing right; band walks, lateral steps and hip hikes are seen from the front.
 *
 * Each figure is written as its exercise's id, then start and end, then what stands beside the body. A position is: head, neck and
 * hip; knee, ankle and toe of the working leg; the same of the other leg, or "-" where both do the same; elbow and hand.
 */
type Point = readonly [number, number];

export interface Pose {
  head: Point;
  neck: Point;
  hip: Point;
  leg: readonly [Point, Point, Point];
  other: readonly [Point, Point, Point] | null;
  arm: readonly [Point, Point];
}

/** A box by its left, top and width; a wall by its x; a band by its ends; the rest is held, or lies on the body. */
export type Prop =
  | { kind: "box"; x: number; y: number; w: number }
  | { kind: "wall"; x: number }
  | { kind: "load" | "bar" | "stick" | "back-bar" | "overhead" | "hips" | "foot" | "ball" }
  | { kind: "band"; from: Point; to: Point };

export interface Figure {
  start: Pose;
  end: Pose;
  props: readonly Prop[];
}

const point = (text: string | undefined): Point => {
  const [x = Number.NaN, y = Number.NaN] = (text ?? "").split(",").map(Number);
  return [x, y];
};
const points = (text: string): string[] => text.trim().split(" ");

function poseOf(line: string): Pose {
  const [trunk = "", leg = "", other = "", arm = ""] = line.split("; ");
  const [head, neck, hip] = points(trunk);
  const three = (text: string): Pose["leg"] => {
    const [knee, ankle, toe] = points(text);
    return [point(knee), point(ankle), point(toe)];
  };
  const [elbow, hand] = points(arm);
  return {
    head: point(head),
    neck: point(neck),
    hip: point(hip),
    leg: three(leg),
    other: other === "-" ? null : three(other),
    arm: [point(elbow), point(hand)],
  };
}

const HELD = ["load", "bar", "stick", "back-bar", "overhead", "hips", "foot", "ball"] as const;

function propOf(text: string): Prop[] {
  const [kind, a, b, c] = text.trim().split(" ");
  if (kind === "box") return [{ kind, x: Number(a), y: Number(b), w: Number(c) }];
  if (kind === "wall") return [{ kind, x: Number(a) }];
  if (kind === "band") return [{ kind, from: point(a), to: point(b) }];
  const held = HELD.find((h) => h === kind);
  return held ? [{ kind: held }] : [];
}

/** @returns the figures of a text by the exercise's id */
export function figuresOf(text: string): Record<string, Figure> {
  const figures: Record<string, Figure> = {};
  for (const block of text.trim().split(/\n(?=\S)/)) {
    const [id = "", start = "", end = "", beside] = block.split("\n");
    const props = beside
      ? beside
          .trim()
          .replace(/^with /, "")
          .split(", ")
          .flatMap(propOf)
      : [];
    figures[id] = { start: poseOf(start), end: poseOf(end), props };
  }
  return figures;
}
