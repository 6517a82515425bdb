/** `npm run demo`: the application on the demo club, made once for a day and kept. */
import { spawn } from "node:child_process";
import { existsSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { dirname, extname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { addDays, mondayOf } from "../core/dates";
import { clubFile, configFromEnvironment, todayOf } from "../server/config";
import { linkFeed } from "../server/feed/feed";
import { run } from "../server/run";
import { CoachAbsenceEntity } from "../server/store/entities";
import { Store } from "../server/store/store";
import { addDemoAccounts, DEMO_PASSWORD } from "./accounts";
import { CLUB_NAME, demoAthlete } from "./club";
import { accountName } from "./feed/accounts";
import { addDemoGroups } from "./groups";
import { addDemoPhones } from "./phones";
import { PROFILES } from "./profiles";

const env = { ...process.env };
const feedPort = Number(env.FEED_PORT ?? Number(env.PORT ?? 4173) + 1);
const config = configFromEnvironment({
  FIELD_ANCHOR_ACCOUNTS: "open",
  ...env,
  FIELD_ANCHOR_DATA: env.FIELD_ANCHOR_DATA ?? "var/demo",
  FIELD_ANCHOR_FEED: env.FIELD_ANCHOR_FEED ?? `http://127.0.0.1:${feedPort}`,
});
/** The day the club was made stands beside it: the devices go on from there. */
const madeFile = join(resolve(config.data), "made-on");
if (process.argv.includes("--reset")) rmSync(resolve(config.data), { recursive: true, force: true });

/** Fills a new club. */
async function makeClub(store: Store): Promise<void> {
  if ((await store.athletes.count()) > 0) return;
  const today = todayOf(config);
  for (const [i, profile] of PROFILES.entries()) {
    process.stdout.write(`Making the demo club, ${i + 1} of ${PROFILES.length}: ${profile.facts.name}\n`);
    const id = await store.athletes.add(demoAthlete(profile, today));
    await linkFeed(store, id, accountName(profile.facts.name));
  }
  // The coach is away over the weekends of two A races.
  await store.db.write((m) =>
    m.insert(CoachAbsenceEntity, {
      id: "demo-course",
      start: addDays(mondayOf(today), 67),
      end: addDays(mondayOf(today), 76),
      what: "Coaching course",
    }),
  );
  await addDemoAccounts(store);
  await addDemoGroups(store);
  await addDemoPhones(store, today, "Wren Aldous");
  writeFileSync(madeFile, today);
}

async function serve(): Promise<void> {
  const { address } = await run(config, { clubName: CLUB_NAME, prepare: makeClub, tryPassword: DEMO_PASSWORD });
  if (env.FIELD_ANCHOR_FEED === undefined) startFeed();
  process.stdout.write(`\nField Anchor, demo club ${CLUB_NAME}: ${address}\n`);
}

/** The club alone, to be served later or copied. */
async function makeOnly(): Promise<void> {
  const store = await Store.open(clubFile(config));
  await makeClub(store);
  await store.close();
}

(process.argv.includes("--make") ? makeOnly() : serve()).catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});

/** The simulated training log, a process of its own that ends with this one. */
function startFeed(): void {
  const here = fileURLToPath(import.meta.url);
  const built = extname(here) === ".js";
  const entry = join(dirname(here), built ? "feed.js" : "feed/main.ts");
  const made = existsSync(madeFile) ? readFileSync(madeFile, "utf8").trim() : todayOf(config);
  const child = spawn(process.execPath, built ? [entry] : ["--import", "tsx", entry], {
    stdio: ["ignore", "ignore", "inherit"],
    env: { ...env, FEED_PORT: String(feedPort), FEED_MADE: made },
  });
  process.on("exit", () => child.kill());
}
