/** Work that readies the legs for long descents before a race. */
import type { Athlete, Race } from "../athlete";
import { dayNumber, type IsoDate } from "../dates";
import { numbers, say } from "../rulebook";
import type { Finding } from "../screening";
import { raceDay } from "../season";

const { perKm, inAll, from: FROM, until: UNTIL, sets: SETS, reps: REPS } = numbers("descent.prep");

const hasDescents = (r: Race): boolean =>
  (r.sport === "run" || r.sport === "hike" || r.sport === "triathlon") &&
  r.ascentM !== undefined &&
  (r.ascentM >= inAll || (r.distanceKm !== undefined && r.ascentM / r.distanceKm >= perKm));

/** @returns what the weeks before such a race add to the sessions of a day, shaped as a finding; null where nothing */
export function descentWork(athlete: Pick<Athlete, "races">, on: IsoDate): Finding | null {
  const near = athlete.races
    .filter((r) => r.priority !== "C" && hasDescents(r))
    .map((race) => ({ race, out: raceDay(race) - dayNumber(on) }))
    .filter(({ out }) => out >= UNTIL && out <= FROM)
    .sort((a, b) => a.out - b.out)[0];
  if (!near) return null;
  const weeks = Math.ceil(near.out / 7);
  // The last row of the table holds to the end.
  const rows = Object.keys(SETS).map(Number);
  const row = `${Math.max(Math.min(...rows), ...rows.filter((w) => weeks >= w))}` as keyof typeof SETS;
  const step = { sets: SETS[row], reps: REPS[row] };
  return {
    id: `descent-${step.sets}x${step.reps}`,
    kind: "seen",
    title: `Descents of ${near.race.name}`,
    says: say("descent.prep", "slow", { ...step, weeks, race: near.race.name }),
    rule: "descent.prep",
    adds: [{ pattern: "split-squat", exercises: ["slow-lunge", "step-down"], sets: step.sets, reps: step.reps }],
    prefers: [],
    more: null,
  };
}
