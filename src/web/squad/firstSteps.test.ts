import { describe, expect, it } from "vitest";
import type { AthleteView } from "../../api/views";
import { firstSteps } from "./firstSteps";

const nobody = { id: "x", places: [], windows: [], endurance: [], races: [], sessions: [] } as unknown as AthleteView;
const open = (a: AthleteView | null) => firstSteps(a).flatMap((s) => (s.done ? [] : [s.name]));

describe("first steps", () => {
  it("are all open in an empty club, and lead to a new athlete", () => {
    expect(open(null)).toEqual(["An athlete", "Places", "Free time", "Endurance", "Races", "The first placed week"]);
    expect(new Set(firstSteps(null).map((s) => s.to))).toEqual(new Set(["/new"]));
  });
  it("go one by one with what the first athlete has, and lead to where it is entered", () => {
    expect(open(nobody)).toEqual(["Places", "Free time", "Endurance", "Races", "The first placed week"]);
    expect(firstSteps(nobody)[2]).toMatchObject({ name: "Free time", to: "/a/x/intake/week", done: false });
    const some = { ...nobody, places: [{}], races: [{}] } as unknown as AthleteView;
    expect(open(some)).toEqual(["Free time", "Endurance", "The first placed week"]);
  });
  it("are done with a placed week", () => {
    const all = { ...nobody, places: [1], windows: [1], endurance: [1], races: [1], sessions: [1] };
    expect(open(all as unknown as AthleteView)).toEqual([]);
  });
});
