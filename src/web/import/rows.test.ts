import { describe, expect, it } from "vitest";
import type { ImportAnswer } from "../../api/views";
import type { ImportRow } from "../../formats/import/rows";
import { askedOf, countFates, listRows, rowKey } from "./rows";
import type { ForeignEntry } from "./useFiles";

const session = (date: string): ImportRow => ({
  where: date,
  label: date,
  notes: [],
  incoming: { session: { date, sport: "run", kind: "easy", minutes: 30 }, kindGuessed: false },
});
const race: ImportRow = {
  where: "event 1",
  label: "Race",
  notes: [],
  race: { date: "2026-05-01", name: "Race", sport: "run", priority: "C" },
};
const bad: ImportRow = { where: "line 3", label: "", notes: [], fault: "Date: a date expected" };
const file = (key: number, rows: ImportRow[]): ForeignEntry => ({
  key,
  name: `${key}.csv`,
  state: "read",
  share: 1,
  kind: "table",
  fault: null,
  strength: null,
  table: null,
  rows,
});

describe("rows of an import", () => {
  const files = [file(1, [session("2026-01-01"), bad, session("2026-01-02")]), file(2, [race, session("2026-01-03")])];
  const left = new Set([rowKey(1, 2)]);

  it("ask the server for what is left in", () => {
    const asked = askedOf(files, left);
    expect(asked.incoming.map((i) => i.session.date)).toEqual(["2026-01-01", "2026-01-03"]);
    expect(asked.races).toEqual([race.race]);
  });

  it("get their own fates back, in the order they were asked", () => {
    const answer: ImportAnswer = {
      fates: [{ kind: "same", id: "x" }, { kind: "new" }],
      raceFates: [{ kind: "moved", id: "r" }],
      counts: { added: 1, changed: 1, done: 0, known: 1 },
      batch: null,
    };
    expect(listRows(files, left, answer).map((r) => r.fate)).toEqual(["same", "fault", "left", "moved", "new"]);
    expect(listRows(files, left, null).map((r) => r.fate)).toEqual([null, "fault", "left", null, null]);
    expect(countFates(listRows(files, left, answer))).toMatchObject({
      new: 1,
      same: 1,
      moved: 1,
      left: 1,
      fault: 1,
      done: 0,
    });
  });
});
