import { describe, expect, it } from "vitest";
import { clubOn } from "../../../tests/support/demo";
import { storedOf } from "../../../tests/support/stored";
import { planSeason } from "../../api/make/planned";
import { mondayOf } from "../../core/dates";
import { SHIPPED_LIBRARY } from "../../core/exercise/library";
import { liftRows, liftView } from "./lift";

const TODAY = "2026-03-03";

describe("the lifts of the demo club", () => {
  it("say of the last log what the plan goes by, and overrule from what is planned", () => {
    let [decided, anew, without, moved] = [0, 0, 0, 0];
    for (const [n, athlete] of clubOn(TODAY).slice(0, 6).entries()) {
      const p = planSeason(storedOf(athlete, String(n)), SHIPPED_LIBRARY, TODAY);
      for (const row of liftRows(p, TODAY)) {
        const view = liftView(p, TODAY, row.exercise)!;
        const last = view.entries.at(-1)!;
        expect(row.decision).toBe(last.decision.kind);
        const item = p.plan.weeks
          .flatMap((w) => w.sessions)
          .find((s) => s.items.some((i) => i.exercise.id === row.exercise))
          ?.items.find((i) => i.exercise.id === row.exercise);
        expect(view.next === null, row.exercise).toBe(item === undefined);
        if (!item) continue;
        const goesBy = last.decision.why.every((w) => item.why.some((x) => x.text === w.text));
        if (item.decision?.after === last.date) {
          expect([row.exercise, goesBy, last.decision.kind]).toEqual([row.exercise, true, item.decision.kind]);
          decided++;
        } else if (item.loadKg !== null && last.topKg !== null) {
          expect([row.exercise, goesBy]).toEqual([row.exercise, true]);
          anew++;
        } else without++;
        if (item.loadKg !== null) expect(view.loads, row.exercise).toContain(item.loadKg);
        for (const a of view.ahead) expect(a.date > view.next!.date).toBe(true);
        expect(new Set(view.ahead.map((a) => mondayOf(a.date))).size).toBe(view.ahead.length);
        // On a line the weeks ahead move on by one, a week at most.
        for (const [i, a] of view.ahead.entries()) {
          const before = view.ahead[i - 1];
          if (!a.line || !before?.line || a.line.point <= before.line.point) continue;
          expect(a.line.point - before.line.point, `${row.exercise} ${a.date}`).toBe(1);
          moved++;
        }
      }
    }
    expect([decided > 10, anew > 10, without > 0, moved > 30]).toEqual([true, true, true, true]);
  });
});
