import { describe, expect, it } from "vitest";
import { type AnswerAction, answers, bodyOf, isComplete, NO_ANSWERS } from "./answers";

const after = (...actions: AnswerAction[]) => actions.reduce(answers, NO_ANSWERS);
const said = (what: "sleepH" | "soreness" | "feeling", value: number): AnswerAction => ({ type: "said", what, value });

describe("answers of a check-in", () => {
  it("are complete after four taps, none of which is assumed", () => {
    const three = after(said("sleepH", 7), said("soreness", 0), said("feeling", 4));
    expect(isComplete(three)).toBe(false);
    expect(isComplete(answers(three, { type: "no-pain" }))).toBe(true);
    expect(bodyOf(answers(three, { type: "no-pain" }))).toEqual({ sleepH: 7, soreness: 0, feeling: 4 });
  });
  it("take an answer back with the same tap", () => {
    expect(after(said("sleepH", 5), said("sleepH", 5)).sleepH).toBeNull();
    expect(after(said("sleepH", 5), said("sleepH", 6)).sleepH).toBe(6);
  });
  it("hold one pain an area, the last that was said", () => {
    const pain = (level: number): AnswerAction => ({ type: "pain", area: "shin", side: "left", level });
    expect(bodyOf(after(pain(3), pain(6))).pain).toEqual([{ area: "shin", side: "left", level: 6 }]);
  });
  it("need nothing else where somebody is ill", () => {
    expect(isComplete(after({ type: "ill", ill: true }))).toBe(true);
    expect(bodyOf(after({ type: "ill", ill: true }))).toEqual({ ill: true });
  });
});
