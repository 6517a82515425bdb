/** A block in words, made from its figures alone. */
import { type Athlete, LABEL_WORDS, type Phase } from "../athlete";
import { addDays, dayLabel, type IsoDate } from "../dates";
import { type Library, sideGaps } from "../exercise";
import { sumTicked } from "../homework";
import { saidBetween, saidText } from "../readiness";
import { listWords, many, say } from "../rulebook";
import { roundTo } from "../units";
import { GROUP_WORDS, isFarFromShare, liftChanges, type ReviewWeek, sharesOf, sumOf } from "./review";

/** What lies ahead, for the last sentence. */
export interface Ahead {
  phase: Phase;
  until: IsoDate;
  race: { name: string; days: number } | null;
  stepBack: IsoDate | null;
}

const hours = (minutes: number): string => `${roundTo(minutes / 60, 1)} h`;

/** What was told: pain, check-ins, homework. @param end last day */
function toldWords(athlete: Athlete, library: Library, weeks: readonly ReviewWeek[], end: IsoDate): string[] {
  const out: string[] = [];
  const from = weeks[0]?.monday ?? end;
  const pains = athlete.strengthLog
    .filter((l) => l.date >= from && l.date <= end)
    .flatMap((l) =>
      l.items
        .filter((i) => (i.pain ?? 0) >= 3)
        .map((i) => `${library.name(i.exercise).toLowerCase()} ${i.pain} of 10 on ${dayLabel(l.date)}`),
    );
  out.push(pains.length > 0 ? `Pain told: ${listWords(pains)}.` : "No pain of 3 or more was told.");
  const { said, poor } = saidBetween(athlete, from, end);
  if (said.length > 0)
    out.push(
      `Checked in before ${many(said.length, "session")}, ${poor.length === 0 ? "all ordinary" : `${poor.length} not ordinary: ${listWords(poor.map((c) => `${dayLabel(c.date)} ${saidText(c)}`))}`}.`,
    );
  const homework = sumTicked(weeks.map((w) => w.homework));
  if (homework.asked > 0) out.push(say("homework.day", "asked", homework));
  return out;
}

/**
 * The block in words, made from the figures alone; for the coach to change and send.
 * @returns one paragraph a line
 */
export function reviewWords(
  athlete: Athlete,
  library: Library,
  weeks: readonly ReviewWeek[],
  ahead: Ahead | null,
  until: IsoDate,
): string[] {
  const [first, last] = [weeks[0], weeks.at(-1)];
  if (!first || !last) return [];
  const end = addDays(last.monday, 6) < until ? addDays(last.monday, 6) : until;
  const [planned, done] = [sumOf(weeks, "planned"), sumOf(weeks, "done")];
  const out: string[] = [];
  const n = weeks.length;
  out.push(
    `${many(n, "week")}, ${dayLabel(first.monday)} to ${dayLabel(end)}: ${many(done.sessions, "session")} done, ${planned.sessions} planned; ${many(done.hardSets, "hard set")} done, ${planned.hardSets} planned.`,
  );
  const missed = weeks.flatMap((w) => w.missed.map((l) => `${LABEL_WORDS[l]} in the week of ${dayLabel(w.monday)}`));
  if (missed.length > 0) out.push(`Missed: ${listWords(missed)}.`);
  const endurance = weeks.reduce(
    (a, w) => ({
      minutes: a.minutes + w.endurance.minutes,
      planned: a.planned + w.endurance.plannedMinutes,
      km: a.km + w.endurance.distanceKm,
    }),
    { minutes: 0, planned: 0, km: 0 },
  );
  out.push(
    `Strength stress ${done.stress} AU of ${planned.stress} planned. Beside it ${hours(endurance.minutes)} of endurance${endurance.planned > 0 ? ` (${hours(endurance.planned)} planned)` : ""}${endurance.km > 0 ? ` and ${Math.round(endurance.km)} km` : ""}.`,
  );
  for (const l of liftChanges(athlete, library, first.monday, end)) {
    const unsure = `give or take ${Math.round(l.unsurePct)}%`;
    if (l.fromKg === null)
      out.push(`${l.name}: estimated 1RM ${roundTo(l.toKg, 1)} kg (${unsure}), the first estimate.`);
    else {
      const pct = (l.toKg / l.fromKg - 1) * 100;
      const word = Math.abs(pct) <= l.unsurePct ? "too small a change to be sure" : pct > 0 ? "up" : "down";
      out.push(
        `${l.name}: estimated 1RM ${roundTo(l.fromKg, 1)} to ${roundTo(l.toKg, 1)} kg (${pct >= 0 ? "+" : ""}${roundTo(pct, 1)}%, ${unsure}): ${word}.`,
      );
    }
  }
  const gaps = sharesOf(done, athlete.athlete.sport)
    .filter(isFarFromShare)
    .map((s) => `${GROUP_WORDS[s.group]} ${Math.round(s.pct)}% against ${Math.round(s.sportPct)}%`);
  if (done.hardSets > 0)
    out.push(
      gaps.length > 0
        ? `Hard sets by pattern against the sport's share: ${listWords(gaps)}; the others are near it.`
        : "Hard sets by pattern are near the sport's share.",
    );
  out.push(...toldWords(athlete, library, weeks, end));
  const sides = [...sideGaps(athlete.strengthLog.filter((l) => l.date <= end))]
    .filter(([, g]) => g.action !== "even")
    .map(([id, g]) => `${library.name(id).toLowerCase()} ${g.weaker} ${Math.round(g.pct)}% less`);
  if (sides.length > 0) out.push(`Sides that differ: ${listWords(sides)}.`);
  if (ahead) {
    const race = ahead.race ? `; ${ahead.race.name} in ${ahead.race.days} days` : "";
    const back = ahead.stepBack ? `; step-back week from ${dayLabel(ahead.stepBack)}` : "";
    out.push(`Ahead: ${ahead.phase} until ${dayLabel(ahead.until)}${race}${back}.`);
  }
  return out;
}
