/** The last of a session (common practice, no source). */
import { describe, expect, it } from "vitest";
import { layeredAt } from "../../../tests/support/dose";
import { built, request, unit } from "../../../tests/support/session";
import { buildSession } from "./build";
import { lastEased } from "./last";
import type { Filled, Item, SessionRequest } from "./types";

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

describe("the last group, by hand", () => {
  const lead = (id: string, pair: string) =>
    built(id, 3, { pair, main: true, slot: { pattern: built(id, 1).exercise.pattern, kind: "main" } });
  const leads = [lead("back-squat", "1"), lead("deadlift", "2")];
  const push = (more: Partial<Item> = {}) => built("push-up", 2, { pair: "3A", ...more });
  const row = (more: Partial<Item> = {}) => built("one-arm-row", 2, { pair: "3B", ...more });
  const cat = (pair: string) => built("cat-cow", 1, { pair });
  const anew = (i: Item) => (sets: number, reserve?: number) => ({
    ...i,
    pair: "",
    sets,
    rirAsked: reserve ?? i.rirAsked,
    note: `${sets}`,
  });
  const eased = (items: readonly Item[], more: Partial<SessionRequest> = {}, again?: Filled["again"]) => {
    const known = again ?? new Map(items.map((i) => [i.exercise, anew(i)]));
    return lastEased(items, known, request(more))?.map((i) => `${i.pair} ${i.exercise.id} ${i.sets} ${i.rirAsked}`);
  };
  const first = ["1 back-squat 3 2", "2 deadlift 3 2"];

  it("is eased whole, with its sets and its places as they were", () => {
    expect(eased([...leads, push(), row()])).toEqual([...first, "3A push-up 2 3", "3B one-arm-row 2 3"]);
    expect(eased([...leads, push()], { emphasis: "develop" })).toEqual([...first, "3A push-up 2 3"]);
    const made = lastEased([...leads, push()], new Map([[push().exercise, anew(push())]]), request());
    expect(made?.at(-1)?.why.map((w) => w.rule)).toEqual(["session.last"]);
    expect(made?.[0]).toBe(leads[0]);
  });
  it("is asked for anew with the sets of its slot, and keeps those that the minutes left it", () => {
    const fewer = push({ slot: { pattern: "push", kind: "assist", sets: 4 } });
    const notes = (i: Item) => lastEased([...leads, i], new Map([[i.exercise, anew(i)]]), request())?.at(-1);
    expect(notes(fewer)).toMatchObject({ note: "4", sets: 2 });
    expect(notes(push())).toMatchObject({ note: "2", sets: 2 });
  });
  it("stands behind two others of work; mobility at the end is none", () => {
    expect(eased([leads[0] as Item, push({ pair: "2" })])).toBeUndefined();
    expect(eased([leads[0] as Item, push({ pair: "2" }), cat("3")])).toBeUndefined();
    expect(eased([...leads, push({ pair: "3" }), cat("4")])).toEqual([...first, "3 push-up 2 3", "4 cat-cow 1 2"]);
    expect(eased([...leads, push({ pair: "3A" }), cat("3B")])).toEqual([...first, "3A push-up 2 3", "3B cat-cow 1 2"]);
  });
  it("leaves leads, holds, jumps, slow work and light work as they are", () => {
    expect(eased([...leads, lead("split-squat", "3")])).toBeUndefined();
    expect(eased([...leads, push({ reps: null, seconds: 30 })])).toBeUndefined();
    expect(eased([...leads, built("squat-jump", 2, { pair: "3" })])).toBeUndefined();
    expect(eased([...leads, push({ slow: { step: 1, half: false, strength: false, isNew: false } })])).toBeUndefined();
    // Three and one more are four, which is light.
    expect(eased([...leads, push({ rirAsked: 3 })])).toBeUndefined();
    expect(eased([...leads, push(), row({ rirAsked: 3 })])).toEqual([...first, "3A push-up 2 3", "3B one-arm-row 2 3"]);
  });
  it("is left on days that ease everything, in what was made by hand, in routines, and where nothing is made anew", () => {
    const all = [...leads, push()];
    for (const more of [
      { loading: "light" },
      { emphasis: "hold" },
      { emphasis: "prepare" },
      { routine: "short" },
      { edit: {} },
    ])
      expect(eased(all, more as Partial<SessionRequest>)).toBeUndefined();
    expect(eased(all, {}, new Map())).toBeUndefined();
    expect(lastEased(all, undefined, request())).toBeNull();
  });
});
