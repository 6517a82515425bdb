/** Whom a request is about that names many athletes, for the log of who read and who changed what. */
import { may, type Need, type Who } from "../../api/roles";
import type { Store } from "../store/store";
import { nameOf, type Params, type Route } from "./route";

const CHANGES: readonly string[] = ["POST /many", "POST /groups/:group/sessions/:date/take", "POST /spreadsheet"];

interface Bulk {
  athletes?: readonly { id: string }[];
  lifts?: readonly { athlete: string }[];
  tests?: readonly { athlete: string }[];
}

/** @param body as it was parsed @returns nobody where the request is about one athlete or about none */
export async function bulkOf(
  route: Route,
  { params, who, body }: { params: Params; who: Who; body: unknown },
  store: Store,
): Promise<{ need: Need; ids: readonly string[] }> {
  const name = nameOf(route);
  if (CHANGES.includes(name)) {
    const { athletes = [], lifts = [], tests = [] } = (body ?? {}) as Bulk;
    const ids = [...athletes.map((a) => a.id), ...lifts.map((l) => l.athlete), ...tests.map((t) => t.athlete)];
    return { need: "plan.change", ids: [...new Set(ids)] };
  }
  if (name === "GET /groups/:group/reports.pdf") {
    const members = (await store.groups.get(params.group))?.members ?? [];
    return { need: "health.read", ids: members.filter((id) => may(who, "health.read", id)) };
  }
  if (name === "GET /tables/:row") {
    const all = await store.athletes.list();
    return { need: "whole", ids: all.map((a) => a.id).filter((id) => may(who, "whole", id)) };
  }
  return { need: "anyone", ids: [] };
}
