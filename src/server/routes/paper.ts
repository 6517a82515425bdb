/** Paper: session cards and a block sheet as PDF; the cards as plain values for the page that prints. */
import { type Card, cardOf } from "../../api/make/card";
import { sessionView } from "../../api/make/session";
import { sees, type Who } from "../../api/roles";
import type { Label } from "../../core/athlete";
import { type IsoDate, mondayOf } from "../../core/dates";
import { homeworkLines } from "../../core/homework";
import { weekHomework } from "../../core/planning";
import { inWeek } from "../../core/season";
import { notFound } from "../errors";
import { file, json, type Route, RouteList } from "../http/route";
import { blockPdf } from "../paper/block";
import { cardsPdf } from "../paper/cards";
import type { Planned, Planner } from "../planner";
import type { ServerContext } from "../serverContext";
import type { Store } from "../store/store";
import { athleteTools, dateParam, fileName, labelParam } from "./tools";

const perOf = (value: unknown): 1 | 4 => (value === "4" ? 4 : 1);

export const pdfFile = (pdf: Buffer, name: string) => file(pdf, "application/pdf", name, true);

/** The card of a planned session; null where its day shows none. */
const cardFor = (p: Planned, today: IsoDate, s: { date: IsoDate; label: Label }): Card | null => {
  const view = sessionView(p, today, s.date, s.label);
  const { name, massUnit } = p.stored.athlete.athlete;
  const week = p.plan.weeks.find((w) => inWeek(w.season, s.date));
  const ahead = week ? weekHomework(week).filter((d) => d.date >= s.date) : [];
  return view && cardOf(view, name, massUnit ?? "kg", homeworkLines(ahead));
};

/** A session and, four to a page, the three that follow it. */
export function cardsFrom(p: Planned, today: IsoDate, date: IsoDate, label: Label, count: number) {
  const all = p.plan.weeks.flatMap((w) => w.sessions);
  const at = all.findIndex((s) => s.date === date && s.label === label);
  const list = at < 0 ? [] : all.slice(at, at + count);
  return list.flatMap((s) => cardFor(p, today, s) ?? []);
}

export function paperRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  const { planner, clubName } = ctx;
  const { season } = athleteTools(ctx);

  const asked = async (of: { id: string; date: string; label: string }, per: 1 | 4) => {
    const date = dateParam(of.date);
    // The cards of the sessions that follow may lie weeks ahead.
    const p = await season(of.id, per === 1 ? date : undefined);
    const cards = cardsFrom(p, planner.today(), date, labelParam(of.label), per);
    if (cards.length === 0) throw notFound("planned session on that day");
    return { p, cards };
  };

  r.read("/:id/cards/:date/:label", async ({ params, query }) => {
    return json((await asked(params, perOf(query.per))).cards);
  });

  r.read(
    "/:id/cards/:date/:label/pdf",
    async ({ params, query }) => {
      const per = perOf(query.per);
      const { p, cards } = await asked(params, per);
      return pdfFile(await cardsPdf(cards, per), fileName(p.stored.athlete, `-${params.date}-${params.label}.pdf`));
    },
    { expensive: true },
  );

  r.read(
    "/:id/block.pdf",
    async ({ params, query }) => {
      const p = await season(params.id);
      const from = mondayOf(dateParam(typeof query.from === "string" ? query.from : planner.today()));
      const weeks = Math.min(12, Math.max(1, Number(query.weeks) || 4));
      const list = p.plan.weeks.filter((w) => w.season.start >= from).slice(0, weeks);
      if (list.length === 0) throw notFound("week ahead in this season");
      return pdfFile(
        await blockPdf(p.stored.athlete, clubName, list),
        fileName(p.stored.athlete, `-block-${from}.pdf`),
      );
    },
    { expensive: true },
  );
  return r.all;
}

/** Cards of everybody who lifts on a day, in order of their hours. @param shown whose may be seen, and whose are asked for */
export async function gymCards(
  { store, planner }: { store: Store; planner: Planner },
  date: IsoDate,
  per: 1 | 4,
  shown: { who: Who; of: ReadonlySet<string> | null },
): Promise<Buffer> {
  const found: { start: number; card: Card }[] = [];
  for (const { id } of await store.athletes.list()) {
    if (!sees(shown.who, id) || (shown.of && !shown.of.has(id))) continue;
    const stored = await store.athletes.get(id);
    const p = stored && planner.until(stored, date);
    for (const s of p?.plan.weeks.at(-1)?.sessions.filter((x) => x.date === date) ?? []) {
      const card = p && cardFor(p, planner.today(), s);
      if (card) found.push({ start: s.start, card });
    }
  }
  return cardsPdf(
    found.sort((a, b) => a.start - b.start).map((f) => f.card),
    per,
  );
}
