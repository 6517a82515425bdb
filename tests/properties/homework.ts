/** What is asked for at home, in every generated season: never more than its minutes, never what a stage closes, never beside a race. */
import { describe, expect, it } from "vitest";
import { PATHWAY_STAGES } from "../../src/core/athlete/types";
import { addDays, type IsoDate } from "../../src/core/dates";
import { FLOW_ITEM, type HomeworkDay } from "../../src/core/homework";
import { openingOf, stagesOn } from "../../src/core/pathway";
import { weekHomework } from "../../src/core/planning";
import { findingsOf } from "../../src/core/screening";
import { seasons } from "./corpus";
import { returning } from "./pathways";

interface Asked {
  season: ReturnType<typeof seasons>[number];
  day: HomeworkDay;
  lifted: readonly string[];
}

let known: Asked[] | null = null;

/** Days of the first weeks, when findings and ways back are at work, and of the last. */
function asked(): readonly Asked[] {
  known ??= [...seasons(), ...returning()].flatMap((season) =>
    season.plan.weeks
      .filter((_, i, all) => i < 10 || i >= all.length - 2)
      .flatMap((week) =>
        weekHomework(week).map((day) => ({
          season,
          day,
          lifted: week.sessions.filter((s) => s.date === day.date).flatMap((s) => s.items.map((i) => i.exercise.id)),
        })),
      ),
  );
  return known;
}

const rank = (s: (typeof PATHWAY_STAGES)[number]) => PATHWAY_STAGES.indexOf(s);
const isRaceDay = (a: Asked["season"]["athlete"], date: IsoDate) =>
  a.races.some((r) => date >= r.date && date <= addDays(r.date, (r.days ?? 1) - 1));

describe("homework of every season", () => {
  it("takes 15 minutes at most, holds the flow and a finding's work on different days, and nothing on a race day", () => {
    const kinds = new Set<string>();
    for (const { season, day, lifted } of asked()) {
      const seconds = day.items.reduce((a, i) => a + i.seconds, 0);
      expect(seconds, day.date).toBeLessThanOrEqual(15 * 60);
      expect(day.items.some((i) => i.kind === "flow") && day.items.some((i) => i.kind === "finding"), day.date).toBe(
        false,
      );
      if (isRaceDay(season.athlete, day.date)) expect(day.items, day.date).toEqual([]);
      for (const i of day.items) {
        kinds.add(i.kind);
        expect(lifted, `${i.id} on ${day.date}`).not.toContain(i.id);
      }
      expect(new Set(day.items.map((i) => i.id)).size).toBe(day.items.length);
    }
    expect([...kinds].sort()).toEqual(["activation", "finding", "flow", "way-back"]);
  });

  it("asks for nothing that a stage closes, and for no work of a finding that is over", () => {
    let looked = 0;
    for (const { season, day } of asked()) {
      const { athlete } = season;
      const stages = stagesOn(
        athlete,
        day.date,
        athlete.strengthLog.filter((l) => l.date < season.plan.from),
      );
      const over = new Set(
        findingsOf(athlete, day.date)
          .filter((f) => f.stage === "over")
          .map((f) => f.title.toLowerCase()),
      );
      for (const i of day.items) {
        if (i.id === FLOW_ITEM || i.kind === "activation") continue;
        const e = season.plan.weeks[0]?.input.library.byId(i.id);
        expect(e, i.id).toBeDefined();
        for (const s of stages)
          expect(
            rank(openingOf(e as NonNullable<typeof e>, s.area).bare),
            `${i.id} on ${day.date}`,
          ).toBeLessThanOrEqual(rank(s.stage));
        if (i.kind === "finding") expect(over.has(i.why.text.replace("for: ", "")), day.date).toBe(false);
        looked += 1;
      }
    }
    expect(looked).toBeGreaterThan(500);
  });
});
