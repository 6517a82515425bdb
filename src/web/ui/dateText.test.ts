/** Expected dates are read off a calendar of 2026 and 2028. */
import { describe, expect, it } from "vitest";
import { dateFromText, textOfDate, timeFromText } from "./dateText";

describe("a typed date", () => {
  it.each([
    ["2026-03-11", "2026-03-11"],
    ["11.3.2026", "2026-03-11"],
    ["11.03.26", "2026-03-11"],
    ["3/4/2026", "2026-04-03"],
    ["11 Mar 2027", "2027-03-11"],
    ["11 March 2026", "2026-03-11"],
    ["Wed 11 Mar 2026", "2026-03-11"],
    ["Wed, 11 Mar 2026", "2026-03-11"],
    [" 29.2.2028 ", "2028-02-29"],
  ])("%s is %s: the day stands before the month", (typed, date) => {
    expect(dateFromText(typed, "2026-01-01")).toBe(date);
  });

  it("without a year is of the year that is looked at", () => {
    expect(dateFromText("11 Mar", "2027-08-01")).toBe("2027-03-11");
    expect(dateFromText("11.3.", "2026-08-01")).toBe("2026-03-11");
    expect(dateFromText("11/3", "2026-08-01")).toBe("2026-03-11");
  });

  it.each(["", "soon", "2026-02-29", "29.2.2026", "31.4.2026", "13/13/2026", "2026-3"])("%j is none", (typed) => {
    expect(dateFromText(typed, "2026-01-01")).toBeNull();
  });

  it("is shown with its day of the week", () => {
    expect(textOfDate("2026-03-11")).toBe("Wed 11 Mar 2026");
    expect(textOfDate("2028-02-29")).toBe("Tue 29 Feb 2028");
    expect(textOfDate("")).toBe("");
  });
});

describe("a typed time of day", () => {
  it.each([
    ["17:30", "17:30"],
    ["17.30", "17:30"],
    ["1730", "17:30"],
    ["5:30 pm", "17:30"],
    ["5:30pm", "17:30"],
    ["12 am", "00:00"],
    ["7", "07:00"],
    ["0:05", "00:05"],
    ["23:59", "23:59"],
  ])("%s is %s", (typed, time) => {
    expect(timeFromText(typed)).toBe(time);
  });
  it.each(["", "24:00", "12:60", "noon", "17:3", "-1"])("%s is none", (typed) => {
    expect(timeFromText(typed)).toBeNull();
  });
});
