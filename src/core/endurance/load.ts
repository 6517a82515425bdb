/** Endurance load (rules load.session, load.legs): session load, and what stands in for what a record leaves out. */
import type { AthleteFacts, EnduranceSession, SessionKind, SessionSport } from "../athlete";
import { minutesOf } from "../dates";
import { numbers } from "../rulebook";

/** Effort taken where none was given, by kind, of 10; start taken where none was, minutes after midnight (rule load.session). */
export const { rpe: ASSUMED_RPE, start: ASSUMED_START } = numbers("load.session");

const KEY_KINDS: readonly SessionKind[] = ["tempo", "threshold", "intervals", "race", "long"];

/** Share of a session's load that falls on the legs, and what a hike adds to it (rule load.legs). */
export const LEG_SHARES = numbers("load.legs");

/** @returns RPE, given or assumed by kind */
export const rpeOf = (s: EnduranceSession): number => s.rpe ?? ASSUMED_RPE[s.kind];

/** Session load = RPE x minutes, in AU [pub: Foster 2001]. */
export const sessionLoad = (s: EnduranceSession): number => rpeOf(s) * s.minutes;

/** @returns share of the load that falls on the legs; a hike's rises with pack and descent [house] */
export function legShare(s: EnduranceSession): number {
  const { packPerKg, descentPerKm, most } = LEG_SHARES;
  const share = LEG_SHARES.share[s.sport];
  if (s.sport !== "hike") return share;
  const descentKm = (s.descentM ?? s.ascentM ?? 0) / 1000;
  return Math.min(most, share + packPerKg * (s.packKg ?? 0) + descentPerKm * descentKm);
}

/** @returns load on the legs in AU [house shares] */
export const legLoad = (s: EnduranceSession): number => sessionLoad(s) * legShare(s);

/**
 * Training impulse by heart rate = minutes x x x 0.64 e^(1.92 x) (men) or 0.86 e^(1.67 x) (women), x = heart rate reserve fraction
 * [pub: Banister 1991]. Where the sex is not said, the mean of both [house].
 * @returns null where average, resting or maximum heart rate is not known, or they contradict each other
 */
export function trainingImpulse(
  s: Pick<EnduranceSession, "minutes" | "averageHeartRate">,
  of: Pick<AthleteFacts, "sex" | "restingHeartRate" | "maxHeartRate">,
): number | null {
  const { restingHeartRate: rest, maxHeartRate: max } = of;
  if (s.averageHeartRate === undefined || rest === undefined || max === undefined || max <= rest) return null;
  const x = Math.max(0, Math.min(1, (s.averageHeartRate - rest) / (max - rest)));
  const man = s.minutes * x * 0.64 * Math.exp(1.92 * x);
  const woman = s.minutes * x * 0.86 * Math.exp(1.67 * x);
  return of.sex === "male" ? man : of.sex === "female" ? woman : (man + woman) / 2;
}

/** @returns whether it is a key session: as flagged, or by kind */
export const isKey = (s: Pick<EnduranceSession, "key" | "kind">): boolean => s.key ?? KEY_KINDS.includes(s.kind);

/** @returns minutes after midnight of its start, given or assumed */
export const startOf = (s: EnduranceSession): number => (s.start === undefined ? ASSUMED_START : minutesOf(s.start));

const ON_FOOT: readonly SessionSport[] = ["run", "hike", "triathlon"];

/** Leg-heavy in the sense of rule M4: key, long, or over 60 minutes on foot. */
export const isLegHeavy = (s: EnduranceSession): boolean =>
  s.sport !== "swim" &&
  (isKey(s) || s.kind === "long" || (ON_FOOT.includes(s.sport) && s.minutes > numbers("M4").onFoot));
