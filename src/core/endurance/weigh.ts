/** What one endurance session weighs, figure by figure, each with its rule. */
import type { AthleteFacts, EnduranceSession } from "../athlete/types";
import { roundTo } from "../units";
import { type Why, why } from "../why";
import { carriageWatts, flatEquivalent, naismithHours, toblerSpeed } from "./hills";
import { legLoad, legShare, rpeOf, sessionLoad, trainingImpulse } from "./load";

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
    why(
      "load.session",
      `Load ${Math.round(sessionLoad(s))} AU: effort ${rpeOf(s)}${s.rpe === undefined ? " (assumed)" : ""} x ${Math.round(s.minutes)} min.`,
    ),
    why(
      "load.legs",
      `The legs carry ${roundTo(legShare(s), 2)} of it, ${Math.round(legLoad(s))} AU${s.sport === "hike" && legShare(s) > 0.8 ? ", more for pack and descent" : ""}.`,
    ),
  ];
  const impulse = trainingImpulse(s, of);
  if (impulse !== null)
    out.push(
      why(
        "load.impulse",
        `Training impulse ${Math.round(impulse)} from a mean heart rate of ${s.averageHeartRate} between ${of.restingHeartRate} and ${of.maxHeartRate}.`,
      ),
    );
  const flat = flatEquivalent(s);
  if (flat)
    out.push(
      why(
        "hills.flat",
        `Costs as much as ${roundTo(flat.km, 1)} km on the flat${flat.assumed ? ", taking as much down as up" : ""}.`,
      ),
    );
  if (s.sport === "hike" && s.distanceKm) {
    const climb = s.ascentM ?? 0;
    const slope = climb / (s.distanceKm * 500);
    // Half the way up and half down, each at the speed of its slope.
    const byslope = s.distanceKm / 2 / toblerSpeed(slope) + s.distanceKm / 2 / toblerSpeed(-slope);
    out.push(
      why(
        "hike.time",
        `Without rests the way asks ${hours(naismithHours(s.distanceKm, climb))} by distance and climb, ${hours(byslope)} by slope, taking as much down as up.`,
      ),
    );
    const speed = (s.distanceKm * 1000) / (s.minutes * 60);
    const watts = s.packKg ? carriageWatts({ bodyKg: of.bodyMassKg, packKg: s.packKg, speed, gradientPct: 0 }) : null;
    const bare = carriageWatts({ bodyKg: of.bodyMassKg, packKg: 0, speed, gradientPct: 0 });
    if (watts !== null && bare !== null && s.packKg)
      out.push(
        why(
          "hike.pack",
          `With ${s.packKg} kg on a hard level road this speed takes about ${Math.round(watts)} W, ${Math.round(watts - bare)} W of it for the pack.`,
        ),
      );
  }
  return out;
}
