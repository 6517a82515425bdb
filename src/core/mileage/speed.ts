/** How fast planned sessions are taken to be: by the athlete's own records, else by sport and kind (rule amount.speed). */
import type { EnduranceSession, SessionKind, SessionSport } from "../athlete";
import type { IsoDate } from "../dates";
import { medianOf } from "../endurance";
import { numbers } from "../rulebook";

const { run, others, climb, records } = numbers("amount.speed");

/** km/h on the flat where nothing else is known. */
const usualSpeed = (sport: SessionSport, kind: SessionKind): number =>
  sport === "run"
    ? (run[kind as keyof typeof run] ?? run.other)
    : (others[sport] * (run[kind as keyof typeof run] ?? run.other)) / run.easy;

/** Hikes and ways with a pack are one speed, whatever their kind. */
const flatSpeed = (sport: SessionSport, kind: SessionKind): number =>
  sport === "hike" ? others.hike : usualSpeed(sport, kind);

/** km/h of a session, from its climb an hour. */
const slowed = (sport: SessionSport, speed: number, ascentM: number): number =>
  sport === "hike" ? speed * Math.max(0.25, 1 - ascentM / climb) : speed;

export type SpeedOf = (s: { sport: SessionSport; kind: SessionKind; ascentM?: number }) => number;

/**
 * @param done sessions that say how fast the athlete is: those before a day, so that a plan does not change with every record that comes in
 * @param before that day
 * @returns km/h of a session; where an athlete's records are five or more of the sport, their median against the usual speed scales it
 */
export function speedsFrom(done: readonly EnduranceSession[], before: IsoDate): SpeedOf {
  const ratios = new Map<SessionSport, number[]>();
  for (const s of done) {
    if (s.done !== true || s.date >= before || !s.distanceKm || s.kind === "race" || s.minutes <= 0) continue;
    const hours = s.minutes / 60;
    const usual = slowed(s.sport, flatSpeed(s.sport, s.kind), (s.ascentM ?? 0) / hours);
    const list = ratios.get(s.sport) ?? [];
    list.push(s.distanceKm / hours / usual);
    ratios.set(s.sport, list);
  }
  const own = new Map([...ratios].map(([sport, list]) => [sport, list.length >= records ? medianOf(list) : 1]));
  return ({ sport, kind, ascentM = 0 }) => slowed(sport, flatSpeed(sport, kind), ascentM) * (own.get(sport) ?? 1);
}
