import { describe, expect, it } from "vitest";
import { brokenFiles, wholeFiles } from "../../../tests/support/foreign";
import { MOST_BYTES } from "./decode";
import { readForeign } from "./read";

const O = {
  zone: "UTC",
  sport: "run" as const,
  from: "2025-09-01",
  until: "2026-12-31",
  distanceUnit: "km" as const,
  massUnit: "kg" as const,
};

describe("files that cannot be read", () => {
  const files = brokenFiles();

  it("are 200 or more, of every kind", () => {
    expect(files.length).toBeGreaterThanOrEqual(200);
    expect(files.some((f) => f.bytes.length > MOST_BYTES)).toBe(true);
  });

  it("end in a clear message, never in a crash, and give nothing to store", () => {
    for (const f of files) {
      const read = readForeign(f.name, f.bytes, O);
      const what = `${f.name}, ${f.bytes.length} bytes: ${new TextDecoder().decode(f.bytes.subarray(0, 60))}`;
      // Either the whole file is refused, or each of its rows is.
      const said = read.ok ? read.value.rows.map((r) => r.fault ?? "") : read.faults.map((x) => x.expected);
      expect(said.length, what).toBeGreaterThan(0);
      for (const text of said) expect(text, what).toMatch(/expected|empty|cut off|found/);
      if (read.ok) for (const r of read.value.rows) expect(r.incoming ?? r.race, what).toBeUndefined();
    }
  });

  it("are told from whole ones: the same files unbroken are read", () => {
    for (const f of wholeFiles()) {
      const read = readForeign(f.name, new TextEncoder().encode(f.text), O);
      expect(read.ok && read.value.rows.some((r) => r.incoming), f.name).toBe(true);
    }
  });
});
