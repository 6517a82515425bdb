import { describe, expect, it, vi } from "vitest";
import type { Store } from "../store/store";
import { KeptRows } from "./keptRows";

interface Row {
  id: string;
  of: number;
}

/** A club of two whose rows are made when the test says so. */
function club() {
  const state = {
    revision: 1,
    today: "2026-03-04",
    made: [] as string[],
    gates: new Map<string, (row: Row) => void>(),
  };
  const store = {
    rules: "r",
    athletes: {
      list: async () => [
        { id: "ann", revision: state.revision },
        { id: "bo", revision: 1 },
      ],
    },
  } as unknown as Store;
  const rows = new KeptRows<Row>(store, () => state.today, 100);
  const make = (id: string) => {
    state.made.push(`${id} ${state.revision}`);
    if (id === "bo") return Promise.resolve({ id, of: 1 });
    return new Promise<Row>((done) => state.gates.set(`${state.revision}`, done));
  };
  const finish = (revision: number) => state.gates.get(`${revision}`)?.({ id: "ann", of: revision });
  return { state, rows, make, finish };
}
const tick = () => new Promise((r) => setTimeout(r, 20));
const SHORT = 5;

/** A club whose rows of the first revision are made. */
async function made() {
  const c = club();
  const first = c.rows.all(c.make);
  await tick();
  c.finish(1);
  expect(await first).toEqual([
    { id: "ann", of: 1 },
    { id: "bo", of: 1 },
  ]);
  c.state.revision = 2;
  return c;
}

describe("rows of a club", () => {
  it("that are late are told as they were before, by name, and anew once they are made", async () => {
    const { state, rows, make, finish } = await made();
    const before = [
      { id: "ann", of: 1 },
      { id: "bo", of: 1 },
    ];
    expect(await rows.within(SHORT, { make })).toEqual({ rows: before, behind: ["ann"], failed: [] });
    // Asked for once more while it is being made: it is not made twice.
    expect(await rows.within(SHORT, { make })).toEqual({ rows: before, behind: ["ann"], failed: [] });
    finish(2);
    await tick();
    expect(await rows.within(SHORT, { make })).toEqual({
      rows: [{ id: "ann", of: 2 }, before[1]],
      behind: [],
      failed: [],
    });
    expect(state.made).toEqual(["ann 1", "bo 1", "ann 2"]);
  });

  it("that were never made are waited for, however long", async () => {
    const { rows, make, finish } = club();
    const asked = rows.within(SHORT, { make });
    await tick();
    finish(1);
    expect((await asked).behind).toEqual([]);
  });

  it("that end while an older one is looked for are not made twice", async () => {
    const { state, rows, make, finish } = club();
    const last = async () => {
      finish(1);
      await tick();
      return null;
    };
    expect((await rows.within(SHORT, { make, last })).rows[0]).toEqual({ id: "ann", of: 1 });
    expect(state.made).toEqual(["ann 1", "bo 1"]);
  });

  it("of yesterday are not told today", async () => {
    const { state, rows, make, finish } = await made();
    state.today = "2026-03-05";
    const asked = rows.within(SHORT, { make });
    await tick();
    finish(2);
    expect(await asked).toEqual({
      rows: [
        { id: "ann", of: 2 },
        { id: "bo", of: 1 },
      ],
      behind: [],
      failed: [],
    });
  });

  it("that were made elsewhere are told where none is known here", async () => {
    const { rows, make } = club();
    const last = async (id: string) => ({ id, of: 7 });
    expect(await rows.within(SHORT, { make, last })).toEqual({
      rows: [
        { id: "ann", of: 7 },
        { id: "bo", of: 1 },
      ],
      behind: ["ann"],
      failed: [],
    });
  });

  it("of an older state do not take the place of newer ones by ending later", async () => {
    const { state, rows, make, finish } = await made();
    await rows.within(SHORT, { make });
    state.revision = 3;
    await rows.within(SHORT, { make });
    finish(3);
    await tick();
    finish(2);
    await tick();
    expect((await rows.within(SHORT, { make })).rows[0]).toEqual({ id: "ann", of: 3 });
    expect(state.made.filter((m) => m === "ann 3")).toHaveLength(1);
  });

  it("of a club that has been replaced are not kept, even if they were being made", async () => {
    const { rows, make, finish } = await made();
    await rows.within(SHORT, { make });
    rows.forget();
    finish(2);
    await tick();
    const asked = rows.within(SHORT, { make });
    await tick();
    finish(2);
    expect(await asked).toMatchObject({ rows: [{ of: 2 }, { of: 1 }], behind: [], failed: [] });
  });

  it("that cannot be made are told as they were before, by name, and tried again after half a minute or a change", async () => {
    const { state, rows } = await made();
    vi.useFakeTimers({ toFake: ["Date"] });
    const told: string[] = [];
    const maker = {
      make: async (id: string): Promise<Row> => {
        state.made.push(`${id} tried`);
        await tick();
        throw new Error("no memory");
      },
      failed: (id: string, error: unknown) => told.push(`${id}: ${(error as Error).message}`),
    };
    const before = [
      { id: "ann", of: 1 },
      { id: "bo", of: 1 },
    ];
    const tried = () => state.made.filter((m) => m === "ann tried").length;
    expect(await rows.within(SHORT, maker)).toEqual({ rows: before, behind: ["ann"], failed: [] });
    await tick();
    const failed = { rows: before, behind: [], failed: ["ann"] };
    expect(await rows.within(SHORT, maker)).toEqual(failed);
    vi.setSystemTime(Date.now() + 29_000);
    expect(await rows.within(1000, maker)).toEqual(failed);
    expect([tried(), told]).toEqual([1, ["ann: no memory"]]);
    vi.setSystemTime(Date.now() + 2000);
    expect(await rows.within(1000, maker)).toEqual(failed);
    expect(tried()).toBe(2);
    state.revision = 3;
    expect(await rows.within(1000, maker)).toEqual(failed);
    expect(tried()).toBe(3);
    vi.useRealTimers();
  });

  it("of which nothing is known fail with what they failed with", async () => {
    const { rows } = club();
    const make = async (): Promise<Row> => {
      throw new Error("no memory");
    };
    await expect(rows.within(SHORT, { make })).rejects.toThrow("no memory");
  });
});
