/** `npm run demo`: the application on the demo club, made once for a day and kept. */
import { rmSync } from "node:fs";
import { resolve } from "node:path";
import { configFromEnvironment, run, todayOf } from "../server/run";
import { CLUB_NAME, demoAthlete } from "./club";
import { PROFILES } from "./profiles";

const env = { ...process.env };
const config = configFromEnvironment({ ...env, FIELD_ANCHOR_DATA: env.FIELD_ANCHOR_DATA ?? "var/demo" });
if (process.argv.includes("--reset")) rmSync(resolve(config.data), { recursive: true, force: true });

run(config, CLUB_NAME, async (store) => {
  if ((await store.count()) > 0) return;
  const today = todayOf(config);
  for (const [i, profile] of PROFILES.entries()) {
    process.stdout.write(`Making the demo club, ${i + 1} of ${PROFILES.length}: ${profile.facts.name}\n`);
    await store.add(demoAthlete(profile, today));
  }
})
  .then(({ address }) => process.stdout.write(`\nField Anchor, demo club ${CLUB_NAME}: ${address}\n`))
  .catch((error: unknown) => {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exit(1);
  });
