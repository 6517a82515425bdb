/** What a week's endurance brings that a coach is told of, without the plan changing for it. */
import { AREA_WORDS, type Athlete, isOn, SET_OFF, type SessionKind } from "../athlete";
import { addDays, dayNumber, type IsoDate, laterOf } from "../dates";
import { numbers, type Why, why } from "../rulebook";
import { inWeek, raceDay, type SeasonWeek } from "../season";

const SPEED: readonly SessionKind[] = ["tempo", "threshold", "intervals"];

/** Says where the week comes near what set trouble off before. */
export function setOffWarnings(athlete: Athlete, week: SeasonWeek): Why[] {
  const of = athlete.health.areas.filter((a) => a.setOffBy !== undefined);
  if (of.length === 0) return [];
  const inThis = athlete.endurance.filter((e) => inWeek(week, e.date));
  const fast = (from: IsoDate, to: IsoDate) =>
    athlete.endurance.filter((e) => e.date >= from && e.date <= to && SPEED.includes(e.kind)).length;
  const near: Partial<Record<(typeof SET_OFF)[number], string>> = {};
  if (week.mileage.factor < 1) near["weekly distance"] = "the weekly distance rises fast";
  const days = inThis.map((e) => e.date);
  if (days.some((d, i) => days.indexOf(d) !== i)) near["double days"] = "there are days with two sessions";
  const now = fast(week.start, addDays(week.start, 6));
  const usual = fast(addDays(week.start, -21), addDays(week.start, -1)) / 3;
  if (now > usual + numbers("gate.set-off").speedMore)
    near["added speed"] = "there is more speed work than in the three weeks before";
  return of.flatMap((a) => {
    const what = SET_OFF.find((w) => a.setOffBy?.toLowerCase().includes(w));
    const text = what ? near[what] : undefined;
    return what && text ? [why("gate.set-off", "near", { area: AREA_WORDS[a.area], what, text })] : [];
  });
}

/** Says where a hiker's pack begins too heavy, where pack or ascent rise faster than is usual, and where the full pack comes late. */
export function packWarnings(athlete: Athlete, week: SeasonWeek): Why[] {
  if (athlete.athlete.sport !== "hike" || !isOn(athlete, "sport.pack")) return [];
  const pack = numbers("sport.pack");
  const between = (from: IsoDate, to: IsoDate) => athlete.endurance.filter((e) => e.date >= from && e.date <= to);
  const packOf = (from: IsoDate, to: IsoDate) => Math.max(0, ...between(from, to).map((e) => e.packKg ?? 0));
  const ascentOf = (from: IsoDate) => between(from, addDays(from, 6)).reduce((a, e) => a + (e.ascentM ?? 0), 0);
  const end = addDays(week.start, 6);
  const carried = packOf(addDays(week.start, -pack.carriedDays), addDays(week.start, -1));
  const now = packOf(week.start, end);
  const before = ascentOf(addDays(week.start, -7));
  const rise = now - carried;
  const pct = before > 0 ? (ascentOf(week.start) / before - 1) * 100 : 0;
  const kg = (x: number) => `${Math.round(x * 10) / 10} kg`;
  const [low, high] = [pack.startLow, pack.startHigh].map((p) => (p / 100) * athlete.athlete.bodyMassKg) as [
    number,
    number,
  ];
  const out: Why[] = [];
  if (carried === 0 && now > high + 0.05)
    out.push(why("sport.pack", "first", { now: kg(now), low: kg(low), high: kg(high) }));
  else if (carried > 0 && rise > pack.kg) out.push(why("sport.pack", "rises", { by: kg(rise), most: pack.kg }));
  else if (carried > 0 && rise > 0 && pct > pack.ascentPct)
    out.push(why("sport.pack", "both", { by: kg(rise), pct: Math.round(pct) }));
  for (const race of athlete.races.filter((r) => r.priority !== "C" && r.sport === "hike")) {
    const late = addDays(race.date, 1 - pack.fullDays);
    const here = between(laterOf(late, week.start), end).filter((e) => e.date < race.date);
    const full = Math.max(0, ...here.map((e) => e.packKg ?? 0));
    if (full <= packOf(addDays(race.date, -pack.buildDays), addDays(late, -1))) continue;
    const day = here.find((e) => e.packKg === full)?.date ?? late;
    const days = raceDay(race) - dayNumber(day);
    out.push(why("sport.pack", "late", { days, race: race.name }));
  }
  return out;
}
