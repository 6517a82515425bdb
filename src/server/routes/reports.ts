/** Reports on paper: a block or a season of one athlete, or of everybody in a group. */
import { may } from "../../api/roles";
import { dayLabel, type IsoDate } from "../../core/dates";
import { notFound } from "../errors";
import { type Route, RouteList } from "../http/route";
import { type Report, reportsPdf } from "../paper/report";
import type { ServerContext } from "../serverContext";
import { reviewView } from "../views/review";
import { pdfFile } from "./paper";
import { athleteTools, dateParam, fileName } from "./tools";

export function reportRoutes(ctx: ServerContext): Route[] {
  const { store, planner } = ctx;
  const r = new RouteList("");
  const { season } = athleteTools(ctx);

  const reportOf = async (id: string, from: IsoDate, to: IsoDate): Promise<Report> => {
    const today = planner.today();
    const p = await season(id, today);
    return { view: (await reviewView(store, p, today, from, to)).view, athlete: p.stored.athlete };
  };

  r.read(
    "/athletes/:id/report.pdf",
    async ({ params, query }) => {
      const report = await reportOf(params.id, dateParam(query.from), dateParam(query.to));
      const pdf = await reportsPdf([report], report.athlete.athlete.name);
      return pdfFile(pdf, fileName(report.athlete, `-report-${report.view.to}.pdf`));
    },
    { expensive: true },
  );

  r.read(
    "/groups/:group/reports.pdf",
    async ({ params, query, who }) => {
      const group = await store.groups.get(params.group);
      if (!group) throw notFound("group");
      const [from, to] = [dateParam(query.from), dateParam(query.to)];
      const reports: Report[] = [];
      for (const id of group.members) if (may(who, "health.read", id)) reports.push(await reportOf(id, from, to));
      return pdfFile(
        await reportsPdf(reports, `${group.name}, ${dayLabel(from)} to ${dayLabel(to)}`),
        `reports-${to}.pdf`,
      );
    },
    { expensive: true },
  );

  return r.all;
}
