/** What the guide names as written on the screen is written there, and its views exist. */
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { sourcesIn } from "../../scripts/sources";
import { GUIDE, guideAddress, partsOf } from "../../src/web/guide/pages";
import { textsOf } from "../support/literals";

const WEB = join(import.meta.dirname, "..", "..", "src", "web");

describe("the guide", () => {
  const shown = new Set(
    sourcesIn(WEB)
      .filter((f) => !f.includes("guide"))
      .flatMap(textsOf),
  );
  const views = new Set(textsOf(join(WEB, "frame", "views.tsx")));

  it("names only what is written on the screens", () => {
    const named = GUIDE.flatMap((p) =>
      [...p.steps, p.note ?? ""].flatMap((s) => partsOf(s).filter((_, i) => i % 2 === 1)),
    );
    expect(named.length).toBeGreaterThan(40);
    expect(named.filter((n) => !shown.has(n))).toEqual([]);
  });
  it("leads to views that there are, an athlete's only where there is one", () => {
    for (const p of GUIDE) {
      const id = p.view.replace(/^a\//, "");
      expect([p.id, id === "" || views.has(id) || ["new", "what-if"].includes(id)]).toEqual([p.id, true]);
    }
    const own = GUIDE.find((p) => p.id === "week")!;
    expect(guideAddress(own, null)).toBeNull();
    expect(guideAddress(own, "x1")).toBe("/a/x1/week");
    expect(guideAddress(GUIDE.find((p) => p.id === "monday")!, null)).toBe("/");
  });
  it("has a page a task, each with its own address and at least three steps", () => {
    expect(new Set(GUIDE.map((p) => p.id)).size).toBe(GUIDE.length);
    expect(GUIDE.filter((p) => p.steps.length < 3).map((p) => p.id)).toEqual([]);
  });
});
