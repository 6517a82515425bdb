/** What came in from the athletes' phones: one list, answered or put off. */
import type { ArrivalView, CameInView } from "../../api/phoneViews";
import { settleBody } from "../../api/requests";
import { may, sees } from "../../api/roles";
import type { Label } from "../../core/athlete";
import { addDays, dayLabel, mondayOf } from "../../core/dates";
import { notFound } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import type { ArrivalRow } from "../store/entities";
import { aboutIn, arrivalKind } from "../store/phone";

/** Days back for which a missed session is told. */
const MISSED_DAYS = 7;

const viewOf = (row: ArrivalRow, name: string): ArrivalView => ({
  athlete: row.athleteId,
  name,
  thing: row.thing,
  at: row.at,
  kind: arrivalKind(row.kind),
  about: aboutIn(row.about),
  text: row.text,
  urgent: Boolean(row.urgent),
});

export function cameInRoutes({ store, today }: ServerContext): Route[] {
  const r = new RouteList("");

  /** A session that was published, and of whose week nothing was logged, left out or moved, is missed once its day is over. */
  const tellMissed = async (): Promise<void> => {
    const from = addDays(today(), -MISSED_DAYS);
    const missed = await store.phone.missedBefore(from, today());
    if (missed.length === 0) return;
    const facts = new Map((await store.athletes.outlines()).map(({ id, athlete }) => [id, athlete]));
    for (const { athleteId, date, label } of missed) {
      const athlete = facts.get(athleteId);
      const told =
        !athlete ||
        (athlete.changes ?? []).some(
          (c) =>
            (c.kind === "skip" && c.week === mondayOf(date) && c.label === label) ||
            (c.kind === "missed" && c.date === date && c.label === label),
        ) ||
        athlete.away.some((a) => a.start <= date && date <= a.end);
      if (told || (await store.phone.stands(athleteId, label, mondayOf(date), today()))) continue;
      const about = { date, label: label as Label };
      const text = `Session ${label} of ${dayLabel(date)} was not logged`;
      await store.phone.arrived(athleteId, [
        { thing: `missed/${date}/${label}`, kind: "missed", about, text, urgent: false },
      ]);
    }
  };

  r.peek("/came-in", async ({ who }) => {
    await tellMissed();
    const names = new Map((await store.athletes.list()).map((a) => [a.id, a.name]));
    const rows = (await store.phone.open()).filter((row) => sees(who, row.athleteId) && names.has(row.athleteId));
    const shown = (row: ArrivalRow): ArrivalView => viewOf(row, names.get(row.athleteId) ?? "");
    const now = rows.filter((row) => row.until === null || row.until <= today());
    const view: CameInView = {
      today: today(),
      // What is urgent stands first; within that, what came last.
      arrivals: [...now.filter((row) => row.urgent), ...now.filter((row) => !row.urgent)].map(shown),
      later: rows.flatMap((row) =>
        row.until !== null && row.until > today() ? [{ ...shown(row), until: row.until }] : [],
      ),
    };
    return json(view);
  });

  const spec = { body: { schema: settleBody, what: "The answer" } };
  r.change("PUT", "/came-in/:id/settled", spec, async ({ params, body, who }) => {
    const { thing, done: isDone, until } = body;
    if (!may(who, "phone.admit", params.id) || !(await store.phone.settle(params.id, thing, isDone, until)))
      throw notFound(`thing that came in, as of ${dayLabel(today())}`);
    return done();
  });
  return r.all;
}
