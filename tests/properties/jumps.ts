/**
 * What screens promise of jumps, over every plan: who may, when, how much, and that they stand on fresh legs. Read out of the facts apart from
 * the planner's own gates.
 */
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { APPROACHES, type Athlete, type EnduranceSession, type Sport } from "../../src/core/athlete/types";
import { addDays, dayNumber, minutesOf } from "../../src/core/dates";
import { plan } from "../../src/core/plan";
import { gym, home } from "../support/athlete";
import { SEASON_START } from "../support/generate";
import { active, days, failed } from "./choice";
import { people, SEASONS, type Season, type Stood, seasons, sessionsOf } from "./corpus";

/** Athletes who may jump, or nearly: tests passed, all sports and approaches, windows of every length, places with and without a step. */
const jumpers: fc.Arbitrary<Athlete> = fc
  .record({
    sport: fc.constantFrom<Sport>("run", "run", "triathlon", "hike", "ride", "row"),
    birthYear: fc.constantFrom(1951, 1966, 1990, 2003, 2008),
    months: fc.constantFrom(1, 6, 24),
    clean: fc.constantFrom(4, 5, 8),
    jumps: fc.constantFrom("by-gate", "by-gate", "by-gate", "on", "off"),
    approach: fc.constantFrom(...APPROACHES),
    placement: fc.constantFrom("stack", "spread"),
    slots: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 2, maxLength: 4 }),
    minutes: fc.constantFrom(30, 45, 75),
    at: fc.constantFrom("18:00", "12:00", "06:00"),
    bare: fc.boolean(),
    bone: fc.constantFrom(null, null, null, addDays(SEASON_START, -300), addDays(SEASON_START, -500)),
    loss: fc.constantFrom(null, null, 70),
    race: fc.constantFrom(null, 140, 170),
    hard: fc.uniqueArray(fc.integer({ min: 1, max: 6 }), { minLength: 1, maxLength: 3 }),
  })
  .map((g): Athlete => {
    const weeks = 26;
    const run = g.sport === "triathlon" ? "run" : g.sport;
    const endurance = Array.from({ length: weeks + 4 }, (_, w) =>
      g.hard.map(
        (day, i): EnduranceSession => ({
          date: addDays(SEASON_START, (w - 4) * 7 + day - 1),
          start: "07:00",
          sport: run,
          kind: i === 0 ? "long" : "intervals",
          minutes: i === 0 ? 110 : 60,
        }),
      ),
    ).flat();
    const loss = g.loss === null ? {} : { weightLoss: { start: SEASON_START, end: addDays(SEASON_START, g.loss) } };
    return {
      format: "field-anchor/athlete",
      version: 1,
      athlete: {
        name: "Jum Per",
        sport: g.sport,
        birthYear: g.birthYear,
        bodyMassKg: 70,
        strengthTrainingMonths: g.months,
      },
      settings: {
        approach: g.approach,
        placement: g.placement as "stack",
        jumps: g.jumps as "on",
        ...loss,
      },
      season: { start: SEASON_START, end: addDays(SEASON_START, weeks * 7 - 1) },
      health: {
        clearanceNeeded: false,
        areas: g.bone === null ? [] : [{ area: "bone-stress", side: "left", status: "past", since: g.bone }],
      },
      places: [g.bare ? { ...home, id: "gym", other: [] } : gym],
      availability: g.slots.map((day) => ({ day, start: g.at, minutes: g.minutes, place: "gym" })),
      away: [],
      screening: [
        { test: "calf-raise", date: SEASON_START, left: 35, right: 35 },
        { test: "single-leg-squat", date: SEASON_START, left: g.clean, right: 9 },
      ],
      seen: [],
      races:
        g.race === null
          ? []
          : [
              {
                id: "a",
                date: addDays(SEASON_START, g.race),
                name: "Goal",
                sport: "run",
                priority: "A",
                expectedMinutes: 200,
              },
            ],
      endurance,
      strengthLog: [],
    };
  });

let known: Season[] | null = null;
export const jumping = (): readonly Season[] => {
  known ??= fc
    .sample(jumpers, { numRuns: Math.ceil(SEASONS / 3), seed: 20260305 })
    .map((athlete) => ({ athlete, plan: plan(athlete, { weeks: "season" }) }));
  return known;
};

const isJump = (i: Stood["session"]["items"][number]): boolean => i.exercise.pattern === "jump";
const jumpsIn = (s: Stood) => s.session.items.filter(isJump);
const everywhere = (): Stood[] =>
  sessionsOf([...seasons(), ...jumping(), ...people()]).filter((s) => !s.session.byHand);

/** Names what breaks a promise; the sessions looked at hold jumps. */
function kept(applies: (s: Stood) => boolean, wrong: (s: Stood) => boolean, least = 20): void {
  const looked = everywhere().filter((s) => jumpsIn(s).length > 0 && applies(s));
  const broken = looked.filter(wrong).map((s) => `${s.athlete.athlete.sport} ${s.session.date} ${s.session.label}`);
  expect(broken.slice(0, 3)).toEqual([]);
  expect(looked.length).toBeGreaterThan(least);
}

describe("what screens promise of jumps", () => {
  it("none without the calf raise, with trouble where the landing goes, a bone stress of this year, or in weight loss", () => {
    kept(
      () => true,
      ({ athlete: a, session: { date } }) =>
        failed(a, "calf-raise", date) ||
        !a.screening.some((r) => r.test === "calf-raise" && r.date <= date) ||
        active(a, date).some((x) => ["calf", "achilles", "shin", "foot", "bone-stress"].includes(x)) ||
        a.health.areas.some((x) => x.area === "bone-stress" && days(x.since ?? date, date) < 365) ||
        (a.settings?.weightLoss !== undefined &&
          date <= a.settings.weightLoss.end &&
          date >= a.settings.weightLoss.start),
    );
  });

  it("none for rowers and riders, hops alone from fifty, hikers step off, unless the coach switches them on; none switched off", () => {
    kept(
      ({ athlete }) => athlete.settings?.jumps !== "on",
      (s) => {
        const { sport, birthYear } = s.athlete.athlete;
        const ids = jumpsIn(s).map((i) => i.exercise.id);
        const old = Number(s.session.date.slice(0, 4)) - birthYear >= 50;
        if (s.athlete.settings?.jumps === "off" || sport === "row" || sport === "ride") return true;
        if (sport === "hike") return ids.some((id) => id !== "step-off-stick");
        return old && ids.some((id) => id !== "ankle-hops");
      },
    );
  });

  it("eight weeks of strength work and the strength to land come first, unless the coach switches them on", () => {
    kept(
      ({ athlete }) => athlete.settings?.jumps !== "on" && athlete.strengthLog.length === 0,
      ({ athlete: a, session: { date } }) => {
        const behind = (a.athlete.strengthTrainingMonths * 30.44 + days(a.season.start, date)) / 7;
        const clean = a.screening.find((r) => r.test === "single-leg-squat");
        return behind < 8 || Math.min(clean?.left ?? 0, clean?.right ?? 0) < 5;
      },
    );
  });

  it("none in the first half of base, before the light stage of recovery, nor in the last five days before an A race", () => {
    kept(
      () => true,
      ({ athlete, week, session }) => {
        const day = week.season.days.find((d) => d.date === session.date)!;
        const near = athlete.races.some((r) => {
          const out = days(session.date, r.date);
          return r.priority === "A" && out >= 0 && out <= 5;
        });
        return (
          near ||
          (day.phase === "base" && day.through < 0.5) ||
          (day.loading !== "full" && day.loading !== "light") ||
          (day.phase === "race" && jumpsIn({ athlete, week, session }).some((i) => i.sets > 1))
        );
      },
    );
  });

  it("never within 24 h after a hard or long session (M7)", () => {
    const minute = (date: string, start: string | number) =>
      dayNumber(date) * 1440 + (typeof start === "string" ? minutesOf(start) : start);
    kept(
      () => true,
      ({ athlete, session }) =>
        athlete.endurance.some((e) => {
          if (!["long", "tempo", "threshold", "intervals", "race"].includes(e.kind)) return false;
          const since = minute(session.date, session.start) - minute(e.date, e.start ?? "00:00") - (e.minutes ?? 0);
          return e.start !== undefined && since >= 0 && since < 24 * 60;
        }),
    );
  });

  it("no more than 100 s of hops or 40 contacts a session, two sessions of jumps a week and three of all", () => {
    kept(
      () => true,
      (s) => {
        const seconds = jumpsIn(s).reduce((a, i) => a + i.sets * (i.seconds ?? 0), 0);
        const contacts = jumpsIn(s).reduce(
          (a, i) => a + i.sets * (i.reps ?? 0) * (i.exercise.id === "bounds" ? 2 : 1),
          0,
        );
        const same = s.week.sessions.filter((x) => x.items.some(isJump));
        const lands = same.filter((x) => x.items.some((i) => isJump(i) && i.seconds === null));
        return seconds > 100 || contacts > 40 || same.length > 3 || lands.length > 2;
      },
    );
  });

  it("48 hours between jumps, 24 between hops, also over the week's end", () => {
    let looked = 0;
    for (const { plan: p } of [...seasons(), ...jumping(), ...people()]) {
      const held = p.weeks.flatMap((w) => w.sessions).filter((s) => s.items.some(isJump));
      for (const [n, s] of held.entries()) {
        const before = held[n - 1];
        if (!before) continue;
        looked += 1;
        const lands = [s, before].every((x) => x.items.some((i) => isJump(i) && i.seconds === null));
        const hours = (dayNumber(s.date) - dayNumber(before.date)) * 24 + (s.start - before.start) / 60;
        expect(hours).toBeGreaterThanOrEqual(lands ? 48 : 24);
      }
    }
    expect(looked).toBeGreaterThan(100);
  });

  it("first in the session, with nothing in their rests; no week's hops or contacts rise by more than a step", () => {
    kept(
      () => true,
      (s) => {
        const n = jumpsIn(s).length;
        const first = s.session.items.slice(0, n);
        return !first.every(isJump) || s.session.items.some((i) => isJump(i) && /[A-C]$/.test(i.pair));
      },
    );
    const steps = [0, 10, 20, 30, 40, 50, 60, 80, 100];
    let looked = 0;
    for (const { plan: p } of jumping()) {
      let before = 0;
      for (const w of p.weeks) {
        const most = Math.max(
          0,
          ...w.sessions.map((s) => s.items.reduce((a, i) => a + (isJump(i) ? i.sets * (i.seconds ?? 0) : 0), 0)),
        );
        if (most === 0) continue;
        looked += 1;
        const next = steps.find((x) => x > Math.max(before, 10)) ?? 100;
        // What a step-back or a race week took off comes back at once.
        expect(most).toBeLessThanOrEqual(before === 0 ? 20 : next);
        before = Math.max(before, most);
      }
    }
    expect(looked).toBeGreaterThan(50);
  });

  it("who may and has a slot on fresh legs jumps in at least 60% of the ordinary weeks from late base", () => {
    let [asked, held] = [0, 0];
    for (const { athlete, plan: p } of [...jumping(), ...people()]) {
      for (const w of p.weeks) {
        const ordinary = !w.season.stepBack && w.season.mileage.factor === 1 && w.jumps.right.kind !== "swings";
        if (!ordinary || w.jumps.asks.size === 0 || !["base", "build"].includes(w.season.phase)) continue;
        const bare = w.jumps.right.kind === "step-off" && !athlete.places.some((x) => x.boxesCm.length > 0);
        const fresh = athlete.availability.some((slot) => {
          const at = dayNumber(w.season.start) * 1440 + (slot.day - 1) * 1440 + minutesOf(slot.start);
          return !athlete.endurance.some((e) => {
            const since = at - dayNumber(e.date) * 1440 - minutesOf(e.start ?? "00:00") - (e.minutes ?? 0);
            return since >= 0 && since < 24 * 60;
          });
        });
        if (bare || !fresh) continue;
        asked += 1;
        if (w.sessions.some((s) => s.items.some(isJump))) held += 1;
      }
    }
    expect(asked).toBeGreaterThan(50);
    expect(held / asked).toBeGreaterThanOrEqual(0.6);
  });
});
