import { describe, expect, it } from "vitest";
import { randomOf } from "./campaigns";
import { fuzz } from "./fuzz";

describe("requests that nobody would send", () => {
  it("end in no failure, refused ones leave nothing behind, and accepted ones an athlete that is sound as a whole", async () => {
    const { faults, statuses, requests, sound } = await fuzz(500, randomOf(7));
    expect(faults).toEqual([]);
    expect(requests).toBe(500);
    expect(sound).toBeGreaterThan(20);
    // They come through the door, some are made, many are refused for what they say.
    for (const status of [200, 204, 404, 422]) expect(statuses[status] ?? 0, String(status)).toBeGreaterThan(20);
  });

  it("would be noticed where they failed", async () => {
    expect((await fuzz(60, randomOf(8), true)).faults[0]).toMatch(/^500/);
  });
});
