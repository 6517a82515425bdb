import { describe, expect, it } from "vitest";
import { SHIPPED } from "../../core/exercise/entries/all";
import { filtered, filterFrom, NO_FILTER, paramsFrom } from "./filter";

const list = SHIPPED.map((e) => ({ ...e, hidden: false }));
const ids = (change: Partial<typeof NO_FILTER>, closed = {}) =>
  filtered(list, { ...NO_FILTER, ...change }, closed).map((e) => e.id);

describe("the library's filter", () => {
  it("finds every word, names that begin with it first", () => {
    expect(ids({ text: "squat front" })).toContain("front-squat");
    expect(ids({ text: "front" })[0]).toMatch(/^front/);
    expect(ids({ text: "side hold" })).toContain("side-plank");
    expect(ids({ text: "SOLEUS" })).toContain("soleus-raise");
    expect(ids({ text: "no such thing" })).toEqual([]);
  });
  it("narrows by each filter, and by all together", () => {
    expect(ids({ pattern: "jump" })).toHaveLength(5);
    expect(ids({ need: "trap-bar" })).toEqual(["trap-bar-deadlift"]);
    expect(ids({ need: "nothing", pattern: "squat" })).not.toContain("leg-press");
    expect(ids({ place: "outdoors" })).not.toContain("back-squat");
    expect(ids({ sport: "hike" })).toContain("step-up");
    expect(ids({ sport: "hike" })).not.toContain("back-squat");
    expect(ids({ area: "knee-front", pattern: "split-squat" })).not.toContain("reverse-lunge");
    expect(ids({ fits: true, pattern: "jump" }, { bounds: { kind: "ladder", text: "" } })).not.toContain("bounds");
    expect(ids({}).length).toBe(list.length);
  });
  it("goes into the address and comes back", () => {
    const f = { ...NO_FILTER, text: "step", pattern: "split-squat" as const, area: "hip" as const, fits: true };
    expect(filterFrom(new URLSearchParams(paramsFrom(f)))).toEqual(f);
    expect(filterFrom(new URLSearchParams("pattern=nonsense&area=elbow"))).toEqual(NO_FILTER);
  });
});
