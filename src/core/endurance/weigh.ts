/** What one endurance session weighs, figure by figure, each with its rule. */
import type { AthleteFacts, EnduranceSession } from "../athlete";
import { type Why, why } from "../rulebook";
import { roundTo } from "../units";
import { carriageWatts, flatEquivalent, naismithHours, toblerSpeed } from "./hills";
import { LEG_SHARES, legLoad, legShare, rpeOf, sessionLoad, trainingImpulse } from "./load";

const hours = (h: number): string => {
  const minutes = Math.round(h * 60);
  return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, "0")}`;
};

/**
 * @param of facts that heart rate and pack figures need
 * @returns sentences in the coach's words; a figure that cannot be worked out is left out
 */
export function weighs(
  s: EnduranceSession,
  of: Pick<AthleteFacts, "sex" | "bodyMassKg" | "restingHeartRate" | "maxHeartRate">,
): Why[] {
  const out: Why[] = [
    why("load.session", "load", {
      load: Math.round(sessionLoad(s)),
      rpe: rpeOf(s),
      assumed: s.rpe === undefined,
      minutes: Math.round(s.minutes),
    }),
    why("load.legs", "share", {
      share: roundTo(legShare(s), 2),
      load: Math.round(legLoad(s)),
      more: s.sport === "hike" && legShare(s) > LEG_SHARES.share.hike,
    }),
  ];
  const impulse = trainingImpulse(s, of);
  if (impulse !== null)
    out.push(
      why("load.impulse", "impulse", {
        impulse: Math.round(impulse),
        mean: s.averageHeartRate,
        rest: of.restingHeartRate,
        max: of.maxHeartRate,
      }),
    );
  const flat = flatEquivalent(s);
  if (flat) out.push(why("hills.flat", "costs", { km: roundTo(flat.km, 1), assumed: flat.assumed }));
  if (s.sport === "hike" && s.distanceKm) {
    const climb = s.ascentM ?? 0;
    const slope = climb / (s.distanceKm * 500);
    // Half the way up and half down, each at the speed of its slope.
    const byslope = s.distanceKm / 2 / toblerSpeed(slope) + s.distanceKm / 2 / toblerSpeed(-slope);
    out.push(why("hike.time", "time", { climb: hours(naismithHours(s.distanceKm, climb)), slope: hours(byslope) }));
    const speed = (s.distanceKm * 1000) / (s.minutes * 60);
    const watts = s.packKg ? carriageWatts({ bodyKg: of.bodyMassKg, packKg: s.packKg, speed, gradientPct: 0 }) : null;
    const bare = carriageWatts({ bodyKg: of.bodyMassKg, packKg: 0, speed, gradientPct: 0 });
    if (watts !== null && bare !== null && s.packKg)
      out.push(why("hike.pack", "watts", { pack: s.packKg, watts: Math.round(watts), more: Math.round(watts - bare) }));
  }
  return out;
}
