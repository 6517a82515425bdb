/** What only the server's own thread has. */
import type { HealthView } from "../api/views";
import type { IsoDate } from "../core/dates";
import type { Access } from "./accounts/door";
import type { Context } from "./context";
import type { Feed } from "./feed/feed";
import type { Answer, Call } from "./http/route";
import type { RunTask } from "./jobs/tasks";
import type { BackupKeeper } from "./keeper";
import type { Written, WrittenSquad } from "./views/squad";

/** What handlers on the server's own thread have beside it; a worker thread calls none of it. */
export interface ServerContext extends Context {
  feed: Feed;
  /** Another route's answer, such as the view after a change. */
  ask: (route: string, call: Call) => Promise<Answer>;
  run: RunTask;
  /** Everything that was worked out before is forgotten: the club is another one now. */
  forget: () => Promise<void>;
  /** Takes what a person who is erased has left outside the rows: free pages, logs, kept answers. */
  scrub: (id: string) => Promise<void>;
  keeper: BackupKeeper;
  health: () => Promise<HealthView>;
  squad: () => Promise<WrittenSquad>;
  /** A week of the club. */
  clubWeek: (monday: IsoDate) => Promise<Written>;
  /** Who is asked who they are. */
  access: Access;
  /** Password of every account of a club to try. */
  tryPassword: string | null;
}
