/** Results of the club's races, of this season and of those before. */
import type { ResultRow, ResultsView } from "../../api/results";
import { sees } from "../../api/roles";
import type { Athlete, Race } from "../../core/athlete";
import type { IsoDate } from "../../core/dates";
import { json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";

/** A race is the same as another of its name, whatever the year in it. */
const nameOf = (r: Race): string =>
  r.name
    .toLowerCase()
    .replace(/\b(19|20)\d\d\b/g, "")
    .replace(/\s+/g, " ")
    .trim();

function rowsOf(id: string, a: Athlete, today: IsoDate): ResultRow[] {
  const all = [...(a.pastRaces ?? []), ...a.races]
    .filter((r) => r.date <= today)
    .sort((x, y) => (x.date < y.date ? 1 : -1));
  return all.map((r, i): ResultRow => {
    const earlier = all.slice(i + 1).find((x) => nameOf(x) === nameOf(r) && x.result?.minutes !== undefined);
    return {
      athlete: id,
      name: a.athlete.name,
      race: r.name,
      date: r.date,
      sport: r.sport,
      priority: r.priority,
      distanceKm: r.distanceKm ?? null,
      minutes: r.result?.minutes ?? null,
      expectedMinutes: r.expectedMinutes ?? null,
      halves: r.result?.splits?.halves ?? null,
      place: r.result?.place ?? null,
      felt: r.result?.felt ?? null,
      before: earlier?.result?.minutes === undefined ? null : { date: earlier.date, minutes: earlier.result.minutes },
    };
  });
}

export function resultRoutes({ store, planner }: ServerContext): Route[] {
  const r = new RouteList("");
  r.read("/results", async ({ who }) => {
    const today = planner.today();
    const all = (await store.athletes.outlines()).filter(({ id }) => sees(who, id));
    const rows = all
      .flatMap(({ id, athlete }) => rowsOf(id, athlete, today))
      .sort((a, b) => (a.date < b.date ? 1 : a.date > b.date ? -1 : 0));
    return json({ today, rows } satisfies ResultsView);
  });
  return r.all;
}
