/** Work that readies the legs for long descents before a race (handbook 9, 18) [trade; what counts as long is ours]. */
import type { Athlete, Race } from "./athlete/types";
import { dayNumber, type IsoDate } from "./dates";
import type { Finding } from "./screening/findings";
import { raceDay } from "./season/races";

/** A race on foot with so many metres of descent for each km, or in all, counts as one with long descents [house]. */
const DESCENT = { perKm: 20, inAll: 800 };
/** Days before the race between which the work stands: the last one 7 to 10 days out. */
const DAYS = { from: 42, until: 8 };
/** Sets and repetitions by weeks before the race: from 2 x 6 to 3 x 10 over four to six weeks. */
const STEPS: readonly { weeks: number; sets: number; reps: number }[] = [
  { weeks: 6, sets: 2, reps: 6 },
  { weeks: 5, sets: 2, reps: 8 },
  { weeks: 4, sets: 3, reps: 8 },
  { weeks: 3, sets: 3, reps: 10 },
];

const hasDescents = (r: Race): boolean =>
  (r.sport === "run" || r.sport === "hike" || r.sport === "triathlon") &&
  r.ascentM !== undefined &&
  (r.ascentM >= DESCENT.inAll || (r.distanceKm !== undefined && r.ascentM / r.distanceKm >= DESCENT.perKm));

/** @returns what the weeks before such a race add to the sessions of a day, shaped as a finding; null where nothing */
export function descentWork(athlete: Pick<Athlete, "races">, on: IsoDate): Finding | null {
  const near = athlete.races
    .filter((r) => r.priority !== "C" && hasDescents(r))
    .map((race) => ({ race, out: raceDay(race) - dayNumber(on) }))
    .filter(({ out }) => out >= DAYS.until && out <= DAYS.from)
    .sort((a, b) => a.out - b.out)[0];
  if (!near) return null;
  const weeks = Math.ceil(near.out / 7);
  const step = STEPS.find((s) => weeks >= s.weeks) ?? STEPS.at(-1);
  if (!step) return null;
  return {
    id: `descent-${step.sets}x${step.reps}`,
    kind: "seen",
    title: `Descents of ${near.race.name}`,
    says: `Slow lowering, ${step.sets} x ${step.reps} ${weeks} weeks before ${near.race.name}; the last one 7 to 10 days out.`,
    rule: "descent.prep",
    adds: [{ pattern: "split-squat", exercises: ["slow-lunge", "step-down"], sets: step.sets, reps: step.reps }],
    prefers: [],
    more: null,
  };
}
