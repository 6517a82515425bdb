/** Prints the milliseconds that a season takes, in a process of its own. Part of `npm run bench`. */
import { plan } from "../src/core/plan";
import { demoAthlete } from "../src/demo/club";
import { PROFILES } from "../src/demo/profiles";

const club = PROFILES.map((p) => demoAthlete(p, process.argv[2] ?? "2026-03-04"));
for (const a of club) plan(a, { weeks: "season" });
const ROUNDS = 4;
const begin = performance.now();
for (let n = 0; n < ROUNDS; n++) for (const a of club) plan(a, { weeks: "season" });
process.stdout.write(String((performance.now() - begin) / (ROUNDS * club.length)));
