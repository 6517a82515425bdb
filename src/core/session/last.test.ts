/** The last of a session (common practice, no source). */
import { describe, expect, it } from "vitest";
import { layeredAt } from "../../../tests/support/dose";
import { request, unit } from "../../../tests/support/session";
import { buildSession } from "./build";
import type { SessionRequest } from "./types";

const pulling = (more: Partial<SessionRequest> = {}) =>
  buildSession(request({ units: (["hip", "calf", "pull"] as const).map((p) => unit(p)), ...more }))?.items.find(
    (i) => i.exercise.pattern === "pull",
  );

describe("the last pair of a session", () => {
  it("carries one more in reserve than its dose, and says so", () => {
    const dose = layeredAt("maximal");
    const asked = dose.cells.upper.loaded[0]?.rir ?? 0;
    expect(asked).toBe(2);
    expect(pulling({ dose })?.rirAsked).toBe(asked + 1);
    expect(pulling({ dose })?.why.map((w) => w.text)).toContain("Last of the session: 1 more in reserve.");
  });

  it("stays as it is where the day eases everything, where it holds, and where one more would make it light work", () => {
    expect(pulling({ dose: layeredAt("hold"), emphasis: "hold" })?.rirAsked).toBe(2);
    expect(pulling({ loading: "light" })?.why.map((w) => w.rule)).not.toContain("session.last");
    // Three are asked for in the develop row: four would be light.
    expect(pulling({ dose: layeredAt("develop"), emphasis: "develop" })?.rirAsked).toBe(3);
  });
});
