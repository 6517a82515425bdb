import { describe, expect, it } from "vitest";
import { planSeason } from "../../api/make/planned";
import { SHIPPED_LIBRARY } from "../../core/exercise/library";
import { demoClub } from "../../demo/club";
import type { Stored } from "../store/store";
import { liftRows, liftView } from "./lift";

const TODAY = "2026-03-03";

describe("the lifts of the demo club", () => {
  it("say of the last log what the plan goes by, and overrule from what is planned", () => {
    let [decided, anew] = [0, 0];
    for (const [n, athlete] of demoClub(TODAY).entries()) {
      const facts = {
        id: String(n),
        revision: 1,
        athlete,
        held: [],
        swaps: [],
        heldWeeks: [],
        enduranceIds: [],
        weights: {},
        approaches: [],
        rulesOff: [],
        values: {},
        notes: {},
      } satisfies Stored;
      const p = planSeason(facts, SHIPPED_LIBRARY, TODAY);
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
        const texts = item.why.map((w) => w.text);
        expect(
          last.decision.why.every((w) => texts.includes(w.text)),
          row.exercise,
        ).toBe(true);
        if (item.decision?.after === last.date) {
          expect(last.decision.kind, row.exercise).toBe(item.decision.kind);
          decided++;
        } else anew++;
        if (item.loadKg !== null) expect(view.loads, row.exercise).toContain(item.loadKg);
      }
    }
    expect([decided > 10, anew > 10]).toEqual([true, true]);
  });
});
