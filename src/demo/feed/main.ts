/** `npm run feed`: the simulated training log on a port of its own. FEED_PORT changes it, FEED_MADE is the day the club was made. */
import { isDate } from "../../core/dates";
import { configFromEnvironment, todayOf } from "../../server/config";
import { demoAccounts } from "./accounts";
import { feedServer, USUAL_FAULTS } from "./server";

const config = configFromEnvironment(process.env);
const port = Number(process.env.FEED_PORT ?? 4174);
const made = process.env.FEED_MADE ?? todayOf(config);
if (!isDate(made)) throw new Error(`FEED_MADE: a real date such as "2026-03-04" expected, found "${made}"`);

const server = feedServer({ ...demoAccounts(made), today: () => todayOf(config), faults: USUAL_FAULTS, seed: 11 });
server.listen(port, config.host, () => process.stdout.write(`Training log stand-in: http://${config.host}:${port}\n`));
for (const signal of ["SIGINT", "SIGTERM"] as const) process.once(signal, () => process.exit(0));
