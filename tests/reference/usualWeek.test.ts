/** Usual weeks read from a month's table: against weeks worked out by hand before this test was written (tests/reference/months, no source beside the hand count). */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { usualFromRecords } from "../../src/core/mileage";
import { readForeign } from "../../src/formats/import/read";
import { USUAL_BY_HAND } from "./months/expected";

/** Of a share, as the issue of it asks. */
const WITHIN = 0.03;

describe("a month's table", () => {
  it.each(USUAL_BY_HAND)("$file proposes the week that a hand found in it", ({ file, sport, unit, sessions, sum }) => {
    expect(sessions.reduce((a, [, , , mean]) => a + mean, 0)).toBe(sum);
    const read = readForeign(file, new Uint8Array(readFileSync(join(import.meta.dirname, "months", file))), {
      zone: "Europe/Berlin",
      sport,
      from: "2026-01-01",
      until: "2026-03-03",
      distanceUnit: "km",
      massUnit: "kg",
    });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const rows = read.value.rows.flatMap((r) => (r.incoming ? [r.incoming.session] : []));
    expect(rows.length).toBeGreaterThan(10);
    const found = usualFromRecords(
      rows.map((r) => ({ ...r, done: true })),
      sport,
      "2026-03-03",
    );
    expect(found?.unit).toBe(unit);
    expect(found?.sessions.map((s) => [s.day, s.sport, s.kind])).toEqual(sessions.map(([d, s, k]) => [d, s, k]));
    for (const [i, [, , , mean]] of sessions.entries())
      expect(Math.abs((found?.sessions[i]?.share ?? 0) - mean / sum)).toBeLessThanOrEqual(WITHIN);
  });
});
