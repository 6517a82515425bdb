import { describe, expect, it } from "vitest";
import { SHIPPED } from "../../core/exercise/entries/all";
import { PRIMARY_PATTERNS } from "../../core/exercise/types";
import { FIGURES } from "./figures";
import { figuresOf } from "./poses";

const inBox = ([x, y]: readonly [number, number]) => x >= 0 && x <= 100 && y >= 0 && y <= 96;
const far = (a: readonly [number, number], b: readonly [number, number]) => Math.hypot(a[0] - b[0], a[1] - b[1]);

describe("line figures", () => {
  it("exist for every exercise of the four primary patterns, and for nothing unknown", () => {
    const primary = SHIPPED.filter((e) => PRIMARY_PATTERNS.includes(e.pattern)).map((e) => e.id);
    expect(primary.filter((id) => !FIGURES[id])).toEqual([]);
    expect(Object.keys(FIGURES).filter((id) => !SHIPPED.some((e) => e.id === id))).toEqual([]);
  });
  it("stay in their box, above the ground, and keep limbs of a human length", () => {
    for (const [id, f] of Object.entries(FIGURES))
      for (const p of [f.start, f.end]) {
        const points = [p.head, p.neck, p.hip, ...p.leg, ...(p.other ?? []), ...p.arm];
        for (const at of points) expect(inBox(at), `${id} ${at.join()}`).toBe(true);
        const limbs = { trunk: far(p.neck, p.hip), thigh: far(p.hip, p.leg[0]), shin: far(p.leg[0], p.leg[1]) };
        for (const [name, length] of Object.entries(limbs)) {
          expect(length, `${id} ${name}`).toBeGreaterThan(name === "trunk" ? 18 : 9);
          expect(length, `${id} ${name}`).toBeLessThan(36);
        }
      }
  });
  it("move, but for what is held", () => {
    const still = Object.entries(FIGURES).filter(([, f]) => JSON.stringify(f.start) === JSON.stringify(f.end));
    expect(still.map(([id]) => id)).toEqual(["adductor-squeeze"]);
  });
  it("are read from their text, with what stands beside them", () => {
    const text = `
one
  1,2 3,4 5,6; 7,8 9,10 11,12; -; 13,14 15,16
  1,2 3,4 5,6; 7,8 9,10 11,12; 17,18 19,20 21,22; 13,14 15,16
  with box 1 2 3, band 4,5 6,7, wall 8, load, nonsense
two
  1,2 3,4 5,6; 7,8 9,10 11,12; -; 13,14 15,16
  1,2 3,4 5,6; 7,8 9,10 11,12; -; 13,14 15,16
`;
    const { one, two } = figuresOf(text);
    expect(one!.start).toEqual({
      head: [1, 2],
      neck: [3, 4],
      hip: [5, 6],
      leg: [
        [7, 8],
        [9, 10],
        [11, 12],
      ],
      other: null,
      arm: [
        [13, 14],
        [15, 16],
      ],
    });
    expect(one!.end.other).toEqual([
      [17, 18],
      [19, 20],
      [21, 22],
    ]);
    expect(one!.props).toEqual([
      { kind: "box", x: 1, y: 2, w: 3 },
      { kind: "band", from: [4, 5], to: [6, 7] },
      { kind: "wall", x: 8 },
      { kind: "load" },
    ]);
    expect(two!.props).toEqual([]);
  });
});
