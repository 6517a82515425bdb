/**
 * The filling of a week from its ledger against brute force and a mixed-integer solver (HiGHS): a session's choices are walked one by one and
 * timed by the planner's own clock; the solver picks one of each session, with the squares of what stays owed as straight pieces between whole sets.
 */
import fc from "fast-check";
import highsLoader from "highs";
import { describe, expect, it } from "vitest";
import { LEDGER_PATTERNS, type LedgerPattern } from "../../src/core/ledger";
import { dealFrom, fillRooms, leftOwed, type Rest, type Room } from "../../src/core/planning/redeal";
import { draftSession } from "../../src/core/session/build";
import { mostWorth, worthOf } from "../../src/core/session/worth";
import { athleteWith, gym, home } from "../support/athlete";
import { choiceFor } from "../support/choice";
import { request, unit } from "../support/session";

const LABELS = ["A", "B", "C", "D"] as const;

/** Weeks of one to four sessions in slots of 20 to 60 minutes, at the gym or at home, with what the leads have left owed. */
const weeks = fc.record({
  rests: fc.uniqueArray(fc.constantFrom(...LEDGER_PATTERNS), { minLength: 2, maxLength: 6 }).chain((patterns) =>
    fc.tuple(
      ...patterns.map((pattern) =>
        fc.record({
          pattern: fc.constant<LedgerPattern>(pattern),
          weekly: fc.constantFrom(1, 2.2, 3.3, 4.4),
          rest: fc.integer({ min: 15, max: 80 }).map((n) => n / 10),
          dry: fc.boolean(),
        }),
      ),
    ),
  ),
  rooms: fc.array(
    fc.record({
      minutes: fc.integer({ min: 20, max: 60 }),
      bare: fc.boolean(),
      sport: fc.constantFrom("run" as const, "row" as const),
    }),
    { minLength: 1, maxLength: 4 },
  ),
});

function roomsOf(
  rests: readonly Rest[],
  of: readonly { minutes: number; bare: boolean; sport: "run" | "row" }[],
): Room[] {
  return of.flatMap(({ minutes, bare, sport }, n): Room[] => {
    const label = LABELS[n] ?? "D";
    const athlete = athleteWith({}, { sport });
    const place = bare ? home : gym;
    const units = rests.map(({ pattern, rest, weekly, dry }) =>
      unit(pattern, { rest, weekly, dry, sets: Math.min(3, Math.max(2, Math.round(rest))) }),
    );
    const draft = draftSession(
      request({ label, minutes, units, choice: choiceFor(athlete, { place }) }, athlete, place),
    );
    return draft ? [{ label, draft }] : [];
  });
}

/** Every choice of a session that fits after each of its exercises. */
function choices({ draft }: Room): number[][] {
  let all: number[][] = [[]];
  for (const { levels } of draft.offers) all = all.flatMap((c) => levels.map((n) => [...c, n]));
  const none = draft.offers.map(() => 0);
  return all.filter((c) =>
    c.every((_, k) => draft.secondsOf(none.map((z, i) => (i <= k ? (c[i] ?? z) : z))) <= draft.limit),
  );
}

const setsOf = (room: Room, choice: readonly number[], p: LedgerPattern): number =>
  room.draft.offers.reduce((a, o, i) => a + (o.item.exercise.pattern === p ? (choice[i] ?? 0) : 0), 0);

/** The least that can stay owed, by the solver. */
async function bySolver(rooms: readonly Room[], rests: readonly Rest[]): Promise<number> {
  const highs = await highsLoader();
  const [terms, rows, binary]: [string[], string[], string[]] = [[], [], []];
  const sums = rests.map(() => [] as string[]);
  rooms.forEach((room, s) => {
    const names = choices(room).map((choice, k) => {
      rests.forEach(({ pattern }, p) => {
        const n = setsOf(room, choice, pattern);
        if (n > 0) sums[p]?.push(`${n} x${s}_${k}`);
      });
      return `x${s}_${k}`;
    });
    binary.push(...names);
    rows.push(` one${s}: ${names.join(" + ")} = 1`);
  });
  // Each set given takes off what it is worth; the worth falls from set to set, so that straight pieces are exact.
  rests.forEach((rest, p) => {
    const pieces = Array.from({ length: Math.ceil(rest.rest) }, (_, k) => `y${p}_${k}`);
    pieces.forEach((y, k) => {
      terms.push(`${(worthOf(rest, k + 1) - worthOf(rest, k)).toFixed(9)} ${y}`);
      rows.push(` top${p}_${k}: ${y} <= 1`);
    });
    rows.push(` give${p}: ${pieces.join(" + ")}${(sums[p] ?? []).map((x) => ` - ${x}`).join("")} <= 0`);
  });
  const model = `Maximize\n obj: ${terms.join(" + ")}\nSubject To\n${rows.join("\n")}\nBinary\n ${binary.join(" ")}\nEnd`;
  const { ObjectiveValue, Status } = highs.solve(model, { mip_rel_gap: 0, mip_abs_gap: 1e-7 });
  expect(Status).toBe("Optimal");
  return leftOwed(rests, () => 0) - ObjectiveValue;
}

describe("filling a week from its ledger", () => {
  it(`leaves as little owed as a mixed-integer solver (HiGHS) does, in ${process.env.FIELD_ANCHOR_SEASONS ? 500 : 60} weeks`, async () => {
    let [tight, several] = [0, 0];
    await fc.assert(
      fc.asyncProperty(weeks, async ({ rests, rooms: of }) => {
        const rooms = roomsOf(rests, of);
        fc.pre(rooms.length > 0);
        const chosen = fillRooms(rooms, rests);
        if (chosen === null) {
          expect(rooms.some((r) => choices(r).length === 0)).toBe(true);
          return;
        }
        chosen.forEach((c, s) => {
          expect(rooms[s]!.draft.secondsOf(c)).toBeLessThanOrEqual(rooms[s]!.draft.limit);
        });
        const given = (p: LedgerPattern) => rooms.reduce((a, room, s) => a + setsOf(room, chosen[s] ?? [], p), 0);
        const left = leftOwed(rests, given);
        if (left > 0.5) tight++;
        if (rooms.length > 1) several++;
        expect(left).toBeCloseTo(await bySolver(rooms, rests), 5);
        const deal = dealFrom(rooms, chosen);
        for (const { pattern } of rests)
          expect([...deal.values()].flat().reduce((a, u) => a + (u.pattern === pattern ? u.sets : 0), 0)).toBe(
            given(pattern),
          );
      }),
      { numRuns: process.env.FIELD_ANCHOR_SEASONS ? 500 : 60, seed: 14 },
    );
    // Both kinds are among them: weeks with more owed than there is room for, and weeks of several sessions.
    expect(tight).toBeGreaterThan(20);
    expect(several).toBeGreaterThan(20);
  });

  it("chooses for one session what is worth most of everything that fits, the fewest exercises of equals", () => {
    let short = 0;
    fc.assert(
      fc.property(weeks, ({ rests, rooms: of }) => {
        for (const room of roomsOf(rests, of.slice(0, 1))) {
          const all = choices(room);
          const chosen = mostWorth(room.draft);
          const worth = (c: readonly number[]) =>
            room.draft.offers.reduce((a, o, i) => a + (o.item.slot.unit ? worthOf(o.item.slot.unit, c[i] ?? 0) : 0), 0);
          if (all.length === 0) {
            expect(chosen).toBeNull();
            continue;
          }
          const most = Math.max(...all.map(worth));
          expect(worth(chosen ?? [])).toBeCloseTo(most, 6);
          const exercises = (c: readonly number[]) => c.filter((n) => n > 0).length;
          const fewest = Math.min(...all.filter((c) => worth(c) > most - 1e-6).map(exercises));
          expect(exercises(chosen ?? [])).toBe(fewest);
          if (chosen?.some((n, i) => n < (room.draft.offers[i]?.item.sets ?? 0))) short++;
        }
      }),
      { numRuns: 60, seed: 15 },
    );
    expect(short).toBeGreaterThan(15);
  });
});
