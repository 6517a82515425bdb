/** What a week's endurance brings that a coach is told of, without the plan changing for it. */
import { AREA_WORDS } from "./athlete/gate";
import { isOn } from "./athlete/switches";
import { type Athlete, SET_OFF, type SessionKind } from "./athlete/types";
import { addDays, dayNumber, type IsoDate, laterOf } from "./dates";
import { raceDay } from "./season/races";
import { inWeek, type SeasonWeek } from "./season/weeks";
import { type Why, why } from "./why";

const SPEED: readonly SessionKind[] = ["tempo", "threshold", "intervals"];

/** Says where the week comes near what set trouble off before (handbook 3) [trade]. */
export function setOffWarnings(athlete: Athlete, week: SeasonWeek): Why[] {
  const of = athlete.health.areas.filter((a) => a.setOffBy !== undefined);
  if (of.length === 0) return [];
  const inThis = athlete.endurance.filter((e) => inWeek(week, e.date));
  const fast = (from: IsoDate, to: IsoDate) =>
    athlete.endurance.filter((e) => e.date >= from && e.date <= to && SPEED.includes(e.kind)).length;
  const near: Partial<Record<(typeof SET_OFF)[number], string>> = {};
  if (week.mileage.factor < 1) near["weekly distance"] = "the weekly distance jumps";
  const days = inThis.map((e) => e.date);
  if (days.some((d, i) => days.indexOf(d) !== i)) near["double days"] = "there are days with two sessions";
  const now = fast(week.start, addDays(week.start, 6));
  const usual = fast(addDays(week.start, -21), addDays(week.start, -1)) / 3;
  if (now > usual + 0.5) near["added speed"] = "there is more speed work than in the three weeks before";
  return of.flatMap((a) => {
    const what = SET_OFF.find((w) => a.setOffBy?.toLowerCase().includes(w));
    const text = what ? near[what] : undefined;
    return text
      ? [why("gate.set-off", `Near what set the ${AREA_WORDS[a.area]} off before (${what}): ${text} this week.`)]
      : [];
  });
}

/**
 * Packs: begin at 5 to 10% of body mass, rise by 2 kg or the ascent by 10% a week, never both, full pack 2 to 3 weeks out
 * (handbook 9) [trade]. A pack counts as carried for four weeks, and the full one is looked for in the six before a hike [house].
 */
const PACK = { kg: 2, ascentPct: 10, startPct: [5, 10], fullDays: 14, carriedDays: 28, buildDays: 42 } as const;

/** Says where a hiker's pack begins too heavy, where pack or ascent rise faster than is usual, and where the full pack comes late. */
export function packWarnings(athlete: Athlete, week: SeasonWeek): Why[] {
  if (athlete.athlete.sport !== "hike" || !isOn(athlete, "sport.pack")) return [];
  const between = (from: IsoDate, to: IsoDate) => athlete.endurance.filter((e) => e.date >= from && e.date <= to);
  const packOf = (from: IsoDate, to: IsoDate) => Math.max(0, ...between(from, to).map((e) => e.packKg ?? 0));
  const ascentOf = (from: IsoDate) => between(from, addDays(from, 6)).reduce((a, e) => a + (e.ascentM ?? 0), 0);
  const end = addDays(week.start, 6);
  const carried = packOf(addDays(week.start, -PACK.carriedDays), addDays(week.start, -1));
  const now = packOf(week.start, end);
  const before = ascentOf(addDays(week.start, -7));
  const rise = now - carried;
  const pct = before > 0 ? (ascentOf(week.start) / before - 1) * 100 : 0;
  const kg = (x: number) => `${Math.round(x * 10) / 10} kg`;
  const told = (text: string): Why => why("sport.pack", text);
  const [low, high] = PACK.startPct.map((p) => (p / 100) * athlete.athlete.bodyMassKg) as [number, number];
  const out: Why[] = [];
  if (carried === 0 && now > high + 0.05)
    out.push(told(`The first pack weighs ${kg(now)}; ${kg(low)} to ${kg(high)} is usual, 5 to 10% of body mass.`));
  else if (carried > 0 && rise > PACK.kg)
    out.push(told(`The pack rises by ${kg(rise)} this week; ${PACK.kg} kg at a time is usual.`));
  else if (carried > 0 && rise > 0 && pct > PACK.ascentPct)
    out.push(told(`Pack and ascent both rise this week (${kg(rise)}, ${Math.round(pct)}%): one at a time.`));
  for (const race of athlete.races.filter((r) => r.priority !== "C" && r.sport === "hike")) {
    const late = addDays(race.date, 1 - PACK.fullDays);
    const here = between(laterOf(late, week.start), end).filter((e) => e.date < race.date);
    const full = Math.max(0, ...here.map((e) => e.packKg ?? 0));
    if (full <= packOf(addDays(race.date, -PACK.buildDays), addDays(late, -1))) continue;
    const day = here.find((e) => e.packKg === full)?.date ?? late;
    const days = raceDay(race) - dayNumber(day);
    out.push(
      told(
        `The heaviest pack comes ${days} day${days === 1 ? "" : "s"} before ${race.name}; 2 to 3 weeks out is usual.`,
      ),
    );
  }
  return out;
}
