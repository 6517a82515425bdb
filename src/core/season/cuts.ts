/** What heat, height and B races take of a week's sets, and sessions that are far longer than before. */
import { type Athlete, isOn } from "../athlete";
import { addDays, dayLabel, type IsoDate } from "../dates";
import { spikesOf } from "../endurance";
import { numbers, type Why, why } from "../rulebook";

/** What heat and B races leave of a week's sets. */
export function cutsOf(athlete: Athlete, monday: IsoDate): { share: number; why: Why[] } {
  const own = athlete.settings?.ruleValues;
  const hot = isOn(athlete, "heat.sets") ? firstHeat(athlete, monday) : null;
  const bRace = isOn(athlete, "race.b")
    ? athlete.races.find((r) => r.priority === "B" && r.date >= monday && r.date <= addDays(monday, 6))
    : undefined;
  return {
    share: Math.min(bRace ? numbers("race.b", own).share : 1, hot ? numbers("heat.sets", own).share : 1),
    why: [...(hot ? [why("heat.sets", "first", hot)] : []), ...(bRace ? [why("race.b", "halved", bRace.name)] : [])],
  };
}

/** Sessions of the week that are far longer than any of the month before, said each. */
export const spikeWhy = (athlete: Athlete, monday: IsoDate): Why[] =>
  spikesOf(athlete.endurance)
    .filter(({ session: s }) => s.date >= monday && s.date <= addDays(monday, 6))
    .map(({ session: s, pct, blocks }) =>
      why("session.longer", "longer", {
        what: s.kind === "long" ? `Long ${s.sport}` : s.sport,
        on: dayLabel(s.date),
        pct: Math.round(pct),
        blocks,
      }),
    );

/** Heat or height that began so lately that the week is its first; null otherwise. */
function firstHeat(athlete: Athlete, monday: IsoDate): "heat" | "height" | null {
  const sunday = addDays(monday, 6);
  const span = athlete.away.find(
    (a) =>
      (a.kind === "heat" || a.kind === "height") &&
      a.start <= sunday &&
      addDays(a.start, numbers("heat.sets").days - 1) >= monday &&
      a.end >= monday,
  );
  return span?.kind === "height" ? "height" : span ? "heat" : null;
}
