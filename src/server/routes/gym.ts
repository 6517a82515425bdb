/** The gym on one day: who lifts when, on which rack, and the hours fitted together. */
import { gymBody, gymTakeBody } from "../../api/requests";
import type { GymRow, GymView } from "../../api/views";
import { type IsoDate, mondayOf, timeOf } from "../../core/dates";
import { EXTERNAL } from "../../core/exercise/types";
import { assignRacks, fitGym, type GymLimits, occupancy, togetherNow } from "../../core/gym/fit";
import { gymAthlete } from "../../core/gymDay";
import { asLocked } from "../../core/week/placed";
import { done, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import { gymCards, pdfFile } from "./paper";
import { dateParam } from "./tools";

/** Where nothing was said about a gym [house]. */
const UNSAID: GymLimits = { racks: 2, athletes: 6 };

export function gymRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/gym");
  const { store, planner } = ctx;

  const limitsOf = async (place: string): Promise<GymLimits> => {
    const all = ((await store.club.setting("gyms")) ?? {}) as Record<string, GymLimits>;
    return all[place] ?? UNSAID;
  };

  const read = async (date: IsoDate, wanted: string | null) => {
    const found = [];
    const counts = new Map<string, number>();
    for (const { id } of await store.athletes.list()) {
      const stored = await store.athletes.get(id);
      const week = stored && planner.until(stored, date)?.plan.weeks.find((w) => w.season.start === mondayOf(date));
      for (const s of week?.sessions ?? []) if (s.date === date) counts.set(s.place, (counts.get(s.place) ?? 0) + 1);
      if (week)
        found.push({ id, name: stored.athlete.athlete.name, massUnit: stored.athlete.athlete.massUnit ?? "kg", week });
    }
    // A home is nobody else's gym.
    const gyms = [...counts]
      .filter(([p]) => !p.startsWith("home"))
      .map(([place, athletes]) => ({ place, athletes }))
      .sort((a, b) => b.athletes - a.athletes);
    const place = wanted ?? gyms[0]?.place ?? "";
    const limits = await limitsOf(place);
    const rows = found.flatMap(({ id, name, massUnit, week }) => {
      const at = gymAthlete(id, week, date, place);
      return at ? [{ id, name, massUnit, week, ...at }] : [];
    });
    return { gyms, place, limits, rows };
  };

  const viewOf = (date: IsoDate, { gyms, place, limits, rows }: Awaited<ReturnType<typeof read>>): GymView => {
    const fit = fitGym(
      rows.map((r) => r.athlete),
      limits,
    );
    const now = rows.map((r) => ({ rack: r.athlete.rack, start: r.session.start, minutes: r.session.minutes }));
    const next = rows.flatMap((r, i) => {
      const hour = r.athlete.hours[fit.chosen[i] ?? -1];
      return hour && hour.start !== null ? [{ i, rack: r.athlete.rack, start: hour.start, minutes: hour.minutes }] : [];
    });
    const racksNow = assignRacks(now, limits.racks);
    const racksNext = assignRacks(next, limits.racks);
    return {
      today: planner.today(),
      date,
      place,
      gyms,
      limits,
      rows: rows.map((r, i): GymRow => {
        const hour = r.athlete.hours[fit.chosen[i] ?? -1] ?? null;
        const best = r.athlete.hours.find((h) => h.start === r.session.start)?.cost ?? 0;
        const at = next.findIndex((n) => n.i === i);
        return {
          id: r.id,
          name: r.name,
          label: r.session.label,
          emphasis: r.session.emphasis,
          minutes: r.session.minutes,
          locked: r.session.locked,
          rack: r.athlete.rack,
          lifts: r.session.items
            .filter((i) => EXTERNAL.includes(i.loading))
            .map(({ exercise, sets, reps, seconds, loadKg, loading }) => ({
              name: exercise.name,
              sets,
              reps,
              seconds,
              loadKg,
              loading,
            })),
          massUnit: r.massUnit,
          now: { start: r.session.start, rack: racksNow[i] ?? null },
          next:
            hour === null
              ? null
              : hour.start === null
                ? {
                    date: r.other?.date ?? date,
                    start: r.other?.start ?? 0,
                    place: r.other?.place ?? place,
                    rack: null,
                  }
                : { date, start: hour.start, place, rack: racksNext[at] ?? null },
          change: hour === null ? null : hour.cost - best,
        };
      }),
      before: occupancy(now),
      after: occupancy(next),
      fit: {
        cost: fit.cost,
        weeks: fit.weeks,
        together: fit.together,
        togetherNow: togetherNow(now),
        proven: fit.proven,
        steps: fit.steps,
      },
    };
  };

  r.read("/:date", async ({ params, query }) => {
    const place = query.place ? query.place : null;
    const date = dateParam(params.date);
    return json(viewOf(date, await read(date, place)));
  });

  /** Cards of everybody who lifts on the day, four to a page or one. */
  r.read(
    "/:date/cards.pdf",
    async ({ params, query }) => {
      const date = dateParam(params.date);
      return pdfFile(await gymCards(store, planner, date, query.per === "1" ? 1 : 4), `cards-${date}.pdf`);
    },
    { expensive: true },
  );

  r.change("PUT", "/places/:place", { body: { schema: gymBody, what: "The gym" } }, async ({ params, body }) => {
    await store.club.set<Record<string, GymLimits>>("gyms", (all) => ({ ...all, [params.place]: body }));
    return done();
  });

  /** Takes the hours over: each athlete whose hour changes gets it as a change of their own, which can be undone. */
  r.planned(
    "POST",
    "/:date/take",
    { body: { schema: gymTakeBody, what: "The gym" }, expensive: true },
    async ({ params, body }) => {
      const date = dateParam(params.date);
      const found = await read(date, body.place);
      return viewOf(date, found).rows.flatMap((row) => {
        const own = found.rows.find((x) => x.id === row.id);
        const { next } = row;
        if (!own || !next || (next.date === date && next.start === row.now.start)) return [];
        const held = own.week.sessions.map((s) => asLocked(s.label === row.label ? { label: s.label, ...next } : s));
        return [{ id: own.id, held, words: `${row.label} fitted to the gym at ${timeOf(next.start)}` }];
      });
    },
    async ({ params }, changes) => {
      const monday = mondayOf(dateParam(params.date));
      for (const c of changes) await store.weeks.hold(c.id, monday, c.held, c.words);
      return json({ changed: changes.map((c) => c.id) });
    },
  );

  return r.all;
}
