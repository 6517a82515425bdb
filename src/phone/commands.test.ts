import { describe, expect, it } from "vitest";
import type { PhoneFacts } from "../api/phoneViews";
import type { StrengthLog } from "../core/athlete";
import { type Command, logWith, waitingText, withCommand } from "./commands";

const DAY = "2026-03-03";
const log = (...reps: number[]): StrengthLog => ({
  date: DAY,
  label: "A",
  items: [
    {
      exercise: "front-squat",
      sets: reps.map((r, i) => ({ reps: r, rir: 2, side: "both" as const, at: `2026-03-03T17:0${i}:00.000Z` })),
    },
  ],
});
const merge = (seq: number, base: StrengthLog | null, now: StrengthLog) => ({
  seq,
  id: String(seq),
  method: "POST" as const,
  path: `/athletes/x/logs/${DAY}/A/merge`,
  body: { base, log: now },
});
const message = (seq: number) => ({
  seq,
  id: String(seq),
  method: "POST" as const,
  path: "/athletes/x/messages",
  body: { id: "1", text: "x", about: null },
});
const factsOf = (strengthLog: StrengthLog[]): PhoneFacts =>
  ({ planning: { athlete: { strengthLog } } }) as unknown as PhoneFacts;
const all = (...commands: Omit<Command, "left" | "taken">[]): Command[] =>
  commands.reduce<Command[]>((q, c) => withCommand(q, c).queue, []);

describe("the line of what waits", () => {
  it("lets the sets of one session go together, from the first one's start to the last one's end", () => {
    const queue = all(merge(1, null, log(5)), merge(2, log(5), log(5, 5)), merge(3, log(5, 5), log(5, 5, 4)));
    expect(queue).toHaveLength(1);
    expect(queue[0]).toMatchObject({ seq: 1, id: "1", body: { base: null, log: log(5, 5, 4) } });
  });

  it("puts nothing into what may have left, nor into another session's, nor messages into one another", () => {
    const [first] = all(merge(1, null, log(5)));
    const left = withCommand([{ ...(first as Command), left: true }], merge(2, log(5), log(5, 5)));
    expect(left.queue.map((c) => c.seq)).toEqual([1, 2]);
    expect(left.stored.seq).toBe(2);
    const other = { ...merge(2, null, log(5)), path: "/athletes/x/logs/2026-03-05/A/merge" };
    expect(all(merge(1, null, log(5)), other)).toHaveLength(2);
    expect(all(message(1), message(2))).toHaveLength(2);
  });

  it("is said in sets, messages and changes, without what has arrived", () => {
    const tick = { ...message(3), method: "PUT" as const, path: "/athletes/x/homework/2026-03-03/activation" };
    const queue = all(merge(1, log(5), log(5, 5, 4)), message(2), tick);
    expect(waitingText(queue)).toBe("2 sets, 1 message, 1 change");
    expect(waitingText(queue.map((c) => ({ ...c, taken: c.seq !== 1 })))).toBe("2 sets");
    // What changes no set is still one thing that waits.
    expect(waitingText(all(merge(1, log(5), log(5))))).toBe("1 set");
    expect(waitingText(queue.map((c) => ({ ...c, taken: true })))).toBe("");
    expect(waitingText([])).toBe("");
  });
});

describe("a log with what waits", () => {
  it("holds what was kept, what another device sent, and what was lifted here since", () => {
    const theirs: StrengthLog = {
      ...log(5),
      items: [
        ...log(5).items,
        { exercise: "row", sets: [{ reps: 8, rir: 3, side: "both", at: "2026-03-03T17:09:00.000Z" }] },
      ],
    };
    const queue = all(merge(1, log(5), log(5, 4)));
    const now = logWith(factsOf([theirs]), queue, DAY, "A");
    expect(now?.items.map((i) => [i.exercise, i.sets.length])).toEqual([
      ["front-squat", 2],
      ["row", 1],
    ]);
    expect(logWith(factsOf([]), queue, DAY, "A")).toEqual(log(5, 4));
    expect(logWith(factsOf([]), [], DAY, "A")).toBeNull();
    expect(logWith(factsOf([theirs]), queue, DAY, "B")).toBeNull();
  });
});
