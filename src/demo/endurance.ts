/** A year of endurance history and the plan ahead, from a profile's usual week. */
import type { Athlete, EnduranceSession } from "../core/athlete";
import { dateOf, dayNumber, type IsoDate, mondayOf } from "../core/dates";
import { isBig, lastRaceDay, raceDay } from "../core/season";
import type { Profile } from "./profiles";
import type { Random } from "./random";

/** Volume of a week against the usual one: three weeks up, one back, slow growth over the year. */
function wave(week: number): number {
  const step = ((week % 4) + 4) % 4;
  return (0.98 + 0.03 * step) * (step === 3 ? 0.66 : 1) * (0.9 + 0.1 * Math.min(1, (week + 52) / 52));
}

/** Share of volume that races leave: less before an A race, little after it. */
function around(races: Athlete["races"], monday: number): number {
  let share = 1;
  for (const r of races) {
    if (r.priority !== "A") continue;
    const before = Math.floor((raceDay(r) - monday) / 7);
    const after = Math.floor((monday - lastRaceDay(r)) / 7) + 1;
    const big = isBig(r);
    if (before === 0) share = Math.min(share, 0.45);
    else if (before === 1) share = Math.min(share, big ? 0.72 : 0.85);
    if (after === 1) share = Math.min(share, big ? 0.2 : 0.6);
    else if (after === 2) share = Math.min(share, big ? 0.4 : 0.85);
    else if (after === 3 && big) share = Math.min(share, 0.65);
  }
  return share;
}

/** Weeks before today whose plan is kept beside what was done. */
const PLANNED_WEEKS = 10;

/** @param today sessions before it are done, those from it on are planned */
export function enduranceYear(p: Profile, races: Athlete["races"], today: IsoDate, random: Random): EnduranceSession[] {
  const thisMonday = dayNumber(mondayOf(today));
  const raceDays = new Set<number>();
  for (const r of races) for (let d = raceDay(r); d <= lastRaceDay(r); d++) raceDays.add(d);
  const out: EnduranceSession[] = [];
  for (let week = -52; week <= 25; week++) {
    const monday = thisMonday + week * 7;
    const share = wave(week) * around(races, monday) * (week === 0 ? 1 + (p.jump ?? 0) : 1);
    for (const u of p.usual) {
      const day = monday + u.day - 1;
      const date = dateOf(day);
      if (raceDays.has(day) || raceDays.has(day + 1)) continue;
      const done = date < today;
      const noise = done ? random.between(0.95, 1.05) : 1;
      if (done && random.chance(0.03)) continue;
      const factor = share * noise;
      const minutes = (f: number) => Math.max(15, Math.round(u.minutes * f));
      const km = (f: number) => (u.km === undefined ? {} : { distanceKm: Math.round(u.km * f * 10) / 10 });
      out.push({
        date,
        start: u.start,
        sport: u.sport,
        kind: u.kind,
        minutes: minutes(factor),
        ...km(factor),
        ...(u.ascentM === undefined
          ? {}
          : { ascentM: Math.round(u.ascentM * factor), descentM: Math.round(u.ascentM * factor) }),
        ...(u.packKg === undefined ? {} : { packKg: u.packKg }),
        ...(u.rpe === undefined ? {} : { rpe: u.rpe }),
        done,
        ...(done && week >= -PLANNED_WEEKS
          ? { planned: { date, kind: u.kind, minutes: minutes(share), ...km(share) } }
          : {}),
      });
    }
  }
  return out;
}
