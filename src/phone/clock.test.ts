import { describe, expect, it } from "vitest";
import { NO_SKEW, skewOf, todayWith } from "./clock";

const at = (text: string): number => new Date(text).getTime();

describe("the club's day on a phone", () => {
  it("is the server's, whatever the phone's own clock says", () => {
    // The phone is three days ahead: 6 March here is 3 March there.
    const skew = skewOf("2026-03-03T12:00:00.000Z", "2026-03-03", at("2026-03-06T12:00:00.000Z"));
    expect(todayWith(skew, at("2026-03-06T12:00:00.000Z"))).toBe("2026-03-03");
    expect(todayWith(skew, at("2026-03-08T12:00:00.000Z"))).toBe("2026-03-05");
  });

  it("goes on by itself for days without network", () => {
    const skew = skewOf("2026-03-03T12:00:00.000Z", "2026-03-03", at("2026-03-03T12:00:00.000Z"));
    expect(todayWith(skew, at("2026-03-13T12:00:00.000Z"))).toBe("2026-03-13");
  });

  it("stands on the club's fixed day, or another zone's", () => {
    const skew = skewOf("2026-11-29T12:00:00.000Z", "2026-03-03", at("2026-11-29T12:00:00.000Z"));
    expect(todayWith(skew, at("2026-11-29T12:00:00.000Z"))).toBe("2026-03-03");
    expect(todayWith(skew, at("2026-11-30T12:00:00.000Z"))).toBe("2026-03-04");
    expect(todayWith(NO_SKEW, at("2026-03-03T12:00:00"))).toBe("2026-03-03");
  });
});
