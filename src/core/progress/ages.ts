/** What of a day's date decides about loads: days of one week that agree on it take the same ones. */
import type { Athlete, StrengthLog } from "../athlete";
import { addDays, type IsoDate, mondayOf, weekday } from "../dates";
import { numbers } from "../rulebook";

interface Asked {
  athlete: Pick<Athlete, "athlete" | "settings" | "endurance">;
  log: readonly StrengthLog[];
  on: IsoDate;
  /** First day of the block, or of the run of its emphasis. */
  blockStart: IsoDate;
}

/**
 * Loads look at whole weeks since a log of the block, or since one so recent that its age still limits a rise; a pack looks at the days before.
 * @returns the same text for days of one week from which every such age is the same
 */
export function agesOn({ athlete, log, on, blockStart }: Asked): string {
  if (athlete.athlete.sport === "hike" && athlete.endurance.some((e) => e.packKg !== undefined)) return on;
  const { atOnce, perWeek } = numbers("progress.step", athlete.settings?.ruleValues);
  const limited = addDays(mondayOf(on), -7 * (Math.ceil(atOnce / perWeek) + 1));
  const from = blockStart < limited ? blockStart : limited;
  const weekdays = new Set(log.filter((s) => s.date >= from).map((s) => weekday(s.date)));
  return String([...weekdays].filter((d) => d <= weekday(on)).length);
}
