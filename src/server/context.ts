/** What every route works with, on the server's own thread and in worker threads. */
import type { IsoDate } from "../core/dates";
import type { Planner } from "./planner";
import type { Store } from "./store/store";

export interface Context {
  store: Store;
  planner: Planner;
  clubName: string;
  today: () => IsoDate;
}
