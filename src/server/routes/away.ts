/** Days away, entered once: the absence, what becomes of the endurance of those days, and a lighter first week after it. One change, one undo. */
import { type AwayBody, awayBody } from "../../api/requests";
import type { AwayPreview } from "../../api/views";
import type { Athlete } from "../../core/athlete";
import { addDays, type IsoDate, mondayOf, spanLabel, weekday } from "../../core/dates";
import { enduranceWeeks, withAmounts } from "../../core/mileage";
import { numbers } from "../../core/rulebook";
import { faulty } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import type { ServerContext } from "../serverContext";
import type { EnduranceChange } from "../store/athletes";
import type { Stored } from "../store/store";
import { athleteTools, dateParam } from "./tools";

export const AWAY_WORDS = {
  travel: "Travel",
  illness: "Illness",
  holiday: "Holiday",
  heat: "Heat",
  height: "Height",
} as const;

/** The first week that begins after an absence, or the one it ends in where that has more than half its days left. */
const firstWeekAfter = (end: IsoDate): IsoDate => {
  const next = addDays(end, 1);
  return weekday(next) <= 3 ? mondayOf(next) : addDays(mondayOf(next), 7);
};

/** Planned amount of a week, km or minutes; null where no endurance plan says it. */
const amountOf = (a: Athlete, week: IsoDate): number | null =>
  a.endurancePlan ? (enduranceWeeks(a).find((w) => w.week === week)?.amount ?? null) : null;

/** Sessions that are planned, and neither done nor left out, between two days. */
function openBetween({ athlete, enduranceIds }: Stored, start: IsoDate, end: IsoDate) {
  return athlete.endurance
    .flatMap((session, i) => {
      const row = enduranceIds[i];
      return row !== undefined && session.date >= start && session.date <= end && !session.done && !session.cancelled
        ? [{ row, session }]
        : [];
    })
    .sort((a, b) => (a.session.date < b.session.date ? -1 : a.session.date > b.session.date ? 1 : 0));
}

function changesOf(s: Stored, body: AwayBody): EnduranceChange[] {
  const { start, end } = body.away;
  const open = new Map(openBetween(s, start, end).map((o) => [o.row, o.session]));
  return (body.endurance ?? []).map(({ row, as, date }, i): EnduranceChange => {
    const session = open.get(row);
    if (!session)
      throw faulty(
        [{ path: `endurance[${i}].row`, expected: "a planned session of those days expected" }],
        "The absence",
      );
    if (as === "left-out") return { row, session: null };
    const { slot: _, ...kept } = session;
    if (as === "done") return { row, session: { ...kept, done: true } };
    if (date === undefined)
      throw faulty([{ path: `endurance[${i}].date`, expected: "the day it is moved to expected" }], "The absence");
    return { row, session: { ...kept, date } };
  });
}

/** The athlete with the absence, and with a lighter first week where one was asked for. */
function withAway(a: Athlete, { away, lighterPct }: AwayBody): Athlete {
  const next: Athlete = { ...a, away: [...a.away, away] };
  if (lighterPct === undefined || !a.endurancePlan) return next;
  const week = firstWeekAfter(away.end);
  const amount = amountOf(a, week);
  return amount === null
    ? next
    : { ...next, endurancePlan: withAmounts(a.endurancePlan, new Map([[week, (amount * lighterPct) / 100]])) };
}

export function awayRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  const { stored, change } = athleteTools(ctx);

  r.read("/:id/away/:date/:until", async ({ params }) => {
    const [start, end] = [dateParam(params.date), dateParam(params.until)];
    const s = await stored(params.id);
    const week = firstWeekAfter(end);
    const amount = amountOf(s.athlete, week);
    const view: AwayPreview = {
      endurance: openBetween(s, start, end).map(({ row, session }) => ({
        row,
        date: session.date,
        sport: session.sport,
        kind: session.kind,
        minutes: session.minutes,
      })),
      week: amount === null ? null : { monday: week, amount, unit: s.athlete.endurancePlan?.unit ?? "minutes" },
      lighterPct: numbers("illness.back", s.athlete.settings?.ruleValues).endurancePct,
      places: s.athlete.places.map((p) => p.id),
    };
    return json(view);
  });

  r.change("POST", "/:id/away", { body: { schema: awayBody, what: "The absence" } }, async ({ params, body }) => {
    const rows = changesOf(await stored(params.id), body);
    const { kind, start, end } = body.away;
    await change(
      params.id,
      "The absence",
      (a) => withAway(a, body),
      `${AWAY_WORDS[kind]} ${spanLabel(start, end)}`,
      mondayOf(start),
      rows,
    );
    return done();
  });
  return r.all;
}
