/** Logs, tests, races, endurance and the plan as spreadsheets, of one athlete or of all. */
import { may } from "../../api/roles";
import { addDays } from "../../core/dates";
import { plainTable, TABLE_NAMES, type TableName, type Told, tableCsv } from "../../formats/export/tables";
import { notFound } from "../errors";
import { type Answer, file, type Route, RouteList } from "../http/route";
import { workbookOf } from "../paper/workbook";
import type { ServerContext } from "../serverContext";
import { athleteTools, fileName } from "./tools";

/** Days of the plan of all athletes; of one it is the season. */
const AHEAD = 28;
const XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

/** Which tables a file name of the address asks for: "logs.csv" one, "all.xlsx" every one. */
function asked(name: string): { csv: TableName } | "all" {
  if (name === "all.xlsx") return "all";
  const csv = TABLE_NAMES.find((t) => `${t}.csv` === name);
  if (!csv) throw notFound(`table ${TABLE_NAMES.map((t) => `${t}.csv`).join(", ")} or all.xlsx`);
  return { csv };
}

export function tableRoutes(ctx: ServerContext): Route[] {
  const { store, planner } = ctx;
  const r = new RouteList("");
  const { season } = athleteTools(ctx);
  const exerciseName = (id: string) => store.exercises.library.byId(id)?.name ?? id;

  const told = async (id: string, until: string | undefined): Promise<Told> => {
    const p = await season(id, until);
    return { athlete: p.stored.athlete, sessions: p.plan.weeks.flatMap((w) => w.sessions) };
  };
  const written = async (name: string, base: string, all: (plan: boolean) => Promise<Told[]>): Promise<Answer> => {
    const which = asked(name);
    const tables = which === "all" ? TABLE_NAMES : [which.csv];
    const of = await all(tables.includes("plan"));
    const made = tables.map((t) => plainTable(t, of, exerciseName));
    const [first] = made;
    if (which !== "all" && first) return file(tableCsv(first), "text/csv; charset=utf-8", `${base}-${name}`);
    return file(await workbookOf(made), XLSX, `${base}.xlsx`);
  };

  r.read(
    "/athletes/:id/tables/:row",
    async ({ params }) => {
      const one = await told(
        params.id,
        params.row === "plan.csv" || params.row === "all.xlsx" ? undefined : planner.today(),
      );
      return written(params.row, fileName(one.athlete, ""), async () => [one]);
    },
    { expensive: true },
  );

  r.read(
    "/tables/:row",
    async ({ params, who }) =>
      written(params.row, "club", async (plan) => {
        const ids = (await store.athletes.list()).map((a) => a.id).filter((id) => may(who, "whole", id));
        const all: Told[] = [];
        for (const id of ids) {
          const stored = await store.athletes.get(id);
          if (!stored) continue;
          const until = plan ? planner.until(stored, addDays(planner.today(), AHEAD)) : null;
          all.push({ athlete: stored.athlete, sessions: until?.plan.weeks.flatMap((w) => w.sessions) ?? [] });
        }
        return all;
      }),
    { expensive: true },
  );

  return r.all;
}
