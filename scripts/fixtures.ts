/** Writes tests/support/*.json: one athlete file for each sport, from the demo's profiles under other names, on a fixed day. */
import { writeFileSync } from "node:fs";
import { addDays } from "../src/core/dates";
import { demoAthlete } from "../src/demo/club";
import { PROFILES } from "../src/demo/profiles";
import { writeAthleteFile } from "../src/formats/athlete-file";

const TODAY = "2026-03-03";
const NAMES = {
  run: "Corin Ashby",
  triathlon: "Liv Marrable",
  ride: "Anselm Roke",
  row: "Petra Holm",
  hike: "Dagny Wray",
} as const;
/** Weeks of endurance history and plan, and of logs, that are kept. */
const KEPT = { back: 84, ahead: 112, log: 70 };

for (const profile of PROFILES) {
  const sport = profile.facts.sport;
  if (PROFILES.find((p) => p.facts.sport === sport) !== profile) continue;
  const changed = {
    ...profile,
    seed: profile.seed + 500,
    jump: 0,
    missedDays: 0,
    facts: { ...profile.facts, name: NAMES[sport], bodyMassKg: profile.facts.bodyMassKg + 2.5 },
  };
  const athlete = demoAthlete(changed, TODAY);
  const near = (date: string, back: number, ahead: number) =>
    date >= addDays(TODAY, -back) && date <= addDays(TODAY, ahead);
  writeFileSync(
    `tests/support/${sport}.json`,
    writeAthleteFile({
      ...athlete,
      endurance: athlete.endurance.filter((e) => near(e.date, KEPT.back, KEPT.ahead)),
      strengthLog: athlete.strengthLog.filter((l) => near(l.date, KEPT.log, 0)),
      rungs: [{ ladder: "calf", exercise: "calf-raise" }],
    }),
  );
}
