/** What is kept by its text is made once, and kept for so many texts. */
import { expect, it, vi } from "vitest";
import { onceForText } from "./once";

it("an answer is made once a text, and anew once more texts than are kept have been asked for", () => {
  const make = vi.fn((text: string) => ({ text }));
  const ask = onceForText(make);
  const first = ask("a");
  expect(first).toEqual({ text: "a" });
  expect(ask("a")).toBe(first);
  expect(make).toHaveBeenCalledTimes(1);
  for (let n = 1; n < 1000; n++) ask(`${n}`);
  expect(ask("a")).toBe(first);
  ask("one more");
  expect(ask("a")).not.toBe(first);
  expect(ask("a")).toEqual(first);
});
