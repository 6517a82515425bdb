/** Every route there is. Express, the worker threads, the door tests and the fuzz are fed from this list. */
import { OPEN } from "../accounts/door";
import type { Context } from "../context";
import type { Route } from "../http/route";
import type { ServerContext } from "../serverContext";
import { approachRoutes } from "./approaches";
import { athleteRoutes } from "./athletes";
import { awayRoutes } from "./away";
import { boardRoutes } from "./board";
import { calendarRoutes } from "./calendar";
import { cameInRoutes } from "./cameIn";
import { checkInRoutes } from "./checkIns";
import { clubRoutes } from "./club";
import { editRoutes } from "./edits";
import { exerciseRoutes } from "./exercises";
import { followRoutes } from "./follow";
import { groupRoutes } from "./groups";
import { gymRoutes } from "./gym";
import { healthRoutes } from "./health";
import { homeworkRoutes } from "./homework";
import { intakeRoutes } from "./intake";
import { liftRoutes } from "./lifts";
import { manyRoutes } from "./many";
import { outgoingRoutes } from "./outgoing";
import { paperRoutes } from "./paper";
import { passkeyRoutes } from "./passkeys";
import { phoneRoutes } from "./phone";
import { recordRoutes } from "./records";
import { reportRoutes } from "./reports";
import { resultRoutes } from "./results";
import { ruleRoutes } from "./rules";
import { sessionRoutes } from "./session";
import { spreadsheetRoutes } from "./spreadsheets";
import { tableRoutes } from "./tables";
import { templateRoutes } from "./templates";

const ROOMS = [
  sessionRoutes,
  passkeyRoutes,
  clubRoutes,
  cameInRoutes,
  calendarRoutes,
  gymRoutes,
  groupRoutes,
  manyRoutes,
  spreadsheetRoutes,
  tableRoutes,
  exerciseRoutes,
  approachRoutes,
  templateRoutes,
  ruleRoutes,
  athleteRoutes,
  phoneRoutes,
  intakeRoutes,
  healthRoutes,
  checkInRoutes,
  homeworkRoutes,
  recordRoutes,
  outgoingRoutes,
  boardRoutes,
  awayRoutes,
  followRoutes,
  editRoutes,
  liftRoutes,
  paperRoutes,
  reportRoutes,
  resultRoutes,
] as const;

export const allRoutes = (ctx: ServerContext): Route[] => ROOMS.flatMap((room) => room(ctx));

/** The same list in a worker thread, where what only the server has is never asked for. */
export function readRoutes(ctx: Context): Route[] {
  const only = (what: string) => (): never => {
    throw new Error(`${what} is the server's own.`);
  };
  return allRoutes({
    ...ctx,
    get feed(): never {
      throw new Error("The training log is the server's own.");
    },
    get keeper(): never {
      throw new Error("Backups are the server's own.");
    },
    health: only("Health"),
    squad: only("The squad"),
    clubWeek: only("The club's week"),
    ask: only("Asking another route"),
    run: only("Asking a worker thread"),
    forget: only("Forgetting"),
    scrub: only("Scrubbing"),
    access: OPEN,
    tryPassword: null,
  });
}
