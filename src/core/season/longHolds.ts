/** Stretches of a season in which strength is only held, and the blocks that would refresh them (rule hold.long). */
import { type Athlete, isOn, type PhaseSpan, type Race } from "../athlete";
import { dateOf, dayLabel, dayNumber, type IsoDate } from "../dates";
import { numbers, type RuleValues, say } from "../rulebook";
import type { SeasonPhase, SeasonWarning } from "./phase";
import { classRule, lastRaceDay, raceDay, stagesAfter } from "./races";

/** Stretches that only hold for longer than is usual, each with a block that would refresh them where there is room. */
export function longHolds(
  phases: readonly SeasonPhase[],
  athlete: Pick<Athlete, "races" | "settings">,
): SeasonWarning[] {
  if (!isOn(athlete, "hold.long")) return [];
  const own = athlete.settings?.ruleValues;
  const most = numbers("hold.long", own).days;
  return holds(phases).flatMap((hold): SeasonWarning[] => {
    const days = dayNumber(hold.end) - dayNumber(hold.start) + 1;
    if (days <= most) return [];
    const proposal = miniBlock(hold, athlete.races, own);
    const text = say("hold.long", "long", {
      weeks: Math.round(days / 7),
      proposal: proposal ? `from ${dayLabel(proposal.start)} to ${dayLabel(proposal.end)}` : null,
    });
    return [{ code: "long-hold", date: hold.start, text, ...(proposal ? { proposal } : {}) }];
  });
}

/** Stretches without base or build, from their first race phase to their last: strength is held or restored, never raised. */
function holds(phases: readonly SeasonPhase[]): { start: IsoDate; end: IsoDate }[] {
  const out: { start: IsoDate; end: IsoDate }[] = [];
  let open: { start: IsoDate; end: IsoDate } | null = null;
  for (const p of phases) {
    if (p.phase === "race") {
      if (open) open.end = p.end;
      else {
        open = { start: p.start, end: p.end };
        out.push(open);
      }
    } else if (p.phase !== "recovery") open = null;
  }
  return out;
}

/**
 * Two weeks of build inside a long hold: clear of the taper before every A race and of the week before B races and the days after
 * either, as near the middle of the hold as that allows.
 * @returns undefined where the races leave no room
 */
function miniBlock(
  hold: { start: IsoDate; end: IsoDate },
  races: readonly Race[],
  own: RuleValues | undefined,
): PhaseSpan | undefined {
  const { block, before } = numbers("hold.long", own);
  const bRace = numbers("race.b", own);
  const [from, to] = [dayNumber(hold.start) + before, dayNumber(hold.end) - block + 1];
  const middle = (dayNumber(hold.start) + dayNumber(hold.end) + 1 - block) / 2;
  const blocked = races
    .filter((r) => r.priority !== "C")
    .map((r): [number, number] =>
      r.priority === "A"
        ? [raceDay(r) - classRule(r).raceDays, lastRaceDay(r) + classRule(r).recoveryDays]
        : [raceDay(r) - bRace.lastHeavy, lastRaceDay(r) + stagesAfter(r, own).light],
    );
  const fits = (start: number) => blocked.every(([a, b]) => start + block - 1 < a || start > b);
  let best: number | undefined;
  for (let start = from; start <= to; start++)
    if (fits(start) && (best === undefined || Math.abs(start - middle) < Math.abs(best - middle))) best = start;
  return best === undefined ? undefined : { phase: "build", start: dateOf(best), end: dateOf(best + block - 1) };
}
