import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { assignRacks, fitGym, type GymAthlete, type GymLimits, NO_HOUR, occupancy, TOGETHER, togetherNow } from "./fit";

const athlete = (id: string, starts: number[], more: Partial<GymAthlete> = {}): GymAthlete => ({
  id,
  rack: { from: 0, to: 45, heavy: true },
  hours: starts.map((start, i) => ({ start, minutes: 60, cost: i })),
  ...more,
});
const at = (a: GymAthlete[], limits: GymLimits) => {
  const fit = fitGym(a, limits);
  return fit.chosen.map((c, i) => (c === null ? null : (a[i]!.hours[c]?.start ?? "away")));
};

describe("the gym on one day", () => {
  it("separates two athletes at the same hour where there is one rack, at the least cost", () => {
    const two = [athlete("m", [1080, 1140]), athlete("t", [1080, 1095, 1140])];
    const fit = fitGym(two, { racks: 1, athletes: 6 });
    expect(at(two, { racks: 1, athletes: 6 })).toEqual([1140, 1080]);
    expect(fit).toMatchObject({ cost: 1, weeks: 1, together: 0, proven: true });
  });
  it("lets both lift with two racks only when standing by both costs less than moving one", () => {
    const near = [athlete("m", [1080, 1140]), athlete("t", [1080, 1140])];
    expect(fitGym(near, { racks: 2, athletes: 6 })).toMatchObject({ cost: 1, together: 0 });
    const light = near.map((a) => ({ ...a, rack: { from: 0, to: 45, heavy: false } }));
    expect(fitGym(light, { racks: 2, athletes: 6 })).toMatchObject({ cost: 0 });
    const stuck = [athlete("m", [1080]), athlete("t", [1080])];
    expect(fitGym(stuck, { racks: 2, athletes: 6 })).toMatchObject({ cost: 3 * TOGETHER, together: 3 * TOGETHER });
  });
  it("keeps to the athletes at once, sends one away, or says that no hour is left", () => {
    const three = ["a", "b", "c"].map((id) => athlete(id, [1080], { rack: null }));
    expect(at(three, { racks: 2, athletes: 2 }).filter((x) => x === null)).toHaveLength(1);
    expect(fitGym(three, { racks: 2, athletes: 2 }).cost).toBe(NO_HOUR);
    const away = { ...three[2]!, hours: [...three[2]!.hours, { start: null, minutes: 60, cost: 9 }] };
    expect(at([three[0]!, three[1]!, away], { racks: 2, athletes: 2 })).toEqual([1080, 1080, "away"]);
  });
  it("moves nobody where moving spares nothing", () => {
    // The planned hour is the second of two equals; light sets on two racks leave nothing to spare.
    const list = ["m", "t"].map((id) =>
      athlete(id, [1020, 1080], {
        rack: { from: 0, to: 45, heavy: false },
        now: 1080,
        hours: [1020, 1080].map((start) => ({ start, minutes: 60, cost: 0 })),
      }),
    );
    expect(at(list, { racks: 2, athletes: 6 })).toEqual([1080, 1080]);
    // One rack: one of them moves, and the cost is a whole number of points.
    const one = fitGym(list, { racks: 1, athletes: 6 });
    expect(at(list, { racks: 1, athletes: 6 }).sort()).toEqual([1020, 1080]);
    expect(one).toMatchObject({ cost: 0, weeks: 0, together: 0 });
    // Three quarters of an hour of heavy sets side by side, two points each.
    const heavy = [1080, 1080].map((start) => ({ rack: { from: 0, to: 45, heavy: true }, start, minutes: 60 }));
    expect(togetherNow(heavy)).toBe(3 * TOGETHER);
    expect(togetherNow(heavy.map((h, i) => ({ ...h, start: h.start + 60 * i })))).toBe(0);
  });
  it("puts no two on one rack at once, and everybody on one where there are enough", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            start: fc.integer({ min: 60, max: 80 }).map((q) => q * 15),
            from: fc.constantFrom(0, 5, 20, 45),
            long: fc.constantFrom(15, 40, 60),
          }),
          { minLength: 1, maxLength: 8 },
        ),
        (list) => {
          const athletes = list.map((l) => ({
            start: l.start,
            minutes: l.from + l.long,
            rack: { from: l.from, to: l.from + l.long, heavy: true },
          }));
          const most = Math.max(...occupancy(athletes).map((o) => o.racks));
          const racks = assignRacks(athletes, most);
          expect(racks.includes(null)).toBe(false);
          const quarters = athletes.flatMap((a, i) => {
            const [from, to] = [(a.start + a.rack.from) / 15, (a.start + a.rack.to) / 15];
            const out: string[] = [];
            for (let q = Math.floor(from); q < Math.ceil(to); q++) out.push(`${racks[i]}/${q}`);
            return out;
          });
          expect(new Set(quarters).size).toBe(quarters.length);
        },
      ),
      { numRuns: 300 },
    );
  });
  it("uses the rack that has been free longest", () => {
    const after = [1080, 1125].map((start) => ({ rack: { from: 0, to: 30, heavy: true }, start, minutes: 60 }));
    expect(assignRacks(after, 2)).toEqual([1, 2]);
  });
  it("gives racks in turn and counts who is there", () => {
    const list = [
      { rack: { from: 0, to: 30, heavy: true }, start: 1080, minutes: 60 },
      { rack: { from: 0, to: 30, heavy: true }, start: 1110, minutes: 60 },
      { rack: { from: 0, to: 30, heavy: false }, start: 1095, minutes: 60 },
    ];
    expect(assignRacks(list, 2)).toEqual([1, 1, 2]);
    expect(assignRacks(list, 1)).toEqual([1, 1, null]);
    expect(occupancy(list).find((o) => o.start === 1095)).toEqual({ start: 1095, athletes: 2, racks: 2, heavy: 1 });
  });

  it("is the least of every combination, on 300 gyms of 1 to 4 athletes", () => {
    const anyAthlete = fc
      .record({
        starts: fc.uniqueArray(fc.integer({ min: 68, max: 76 }), { minLength: 0, maxLength: 5 }),
        costs: fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 6, maxLength: 6 }),
        minutes: fc.constantFrom(30, 45, 60),
        rack: fc.option(fc.record({ from: fc.constantFrom(0, 5), to: fc.constantFrom(20, 30), heavy: fc.boolean() })),
        away: fc.boolean(),
      })
      .map(
        (r): GymAthlete => ({
          id: "x",
          rack: r.rack,
          hours: [
            ...r.starts.sort().map((q, i) => ({ start: q * 15, minutes: r.minutes, cost: r.costs[i]! })),
            ...(r.away ? [{ start: null, minutes: r.minutes, cost: r.costs[5]! }] : []),
          ],
        }),
      );
    fc.assert(
      fc.property(
        fc.array(anyAthlete, { minLength: 1, maxLength: 4 }),
        fc.record({ racks: fc.integer({ min: 0, max: 2 }), athletes: fc.integer({ min: 1, max: 3 }) }),
        (athletes, limits) => {
          const least = (
            i: number,
            chosen: ({ start: number; minutes: number; rack: GymAthlete["rack"] } | null)[],
            cost: number,
          ): number => {
            if (i === athletes.length) {
              const there = chosen.filter((c) => c !== null);
              const full = occupancy(there);
              if (full.some((o) => o.athletes > limits.athletes || o.racks > limits.racks))
                return Number.POSITIVE_INFINITY;
              return cost + full.reduce((a, o) => a + ((o.heavy * (o.heavy - 1)) / 2) * TOGETHER, 0);
            }
            const a = athletes[i]!;
            return Math.min(
              least(i + 1, [...chosen, null], cost + NO_HOUR),
              ...a.hours.map((h) =>
                least(
                  i + 1,
                  [...chosen, h.start === null ? null : { start: h.start, minutes: h.minutes, rack: a.rack }],
                  cost + h.cost,
                ),
              ),
            );
          };
          expect(fitGym(athletes, limits).cost).toBe(least(0, [], 0));
        },
      ),
      { numRuns: 300, seed: 7 },
    );
  });
});
