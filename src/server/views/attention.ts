/** Who needs the coach today, and why: one sentence each, the most pressing first. */
import type { AttentionView } from "../../api/views";
import { safetyGate } from "../../core/athlete/gate";
import type { Athlete } from "../../core/athlete/types";
import { addDays, dayLabel, dayNumber, daysBetween, type IsoDate } from "../../core/dates";
import type { Library } from "../../core/exercise/library";
import { sideAction, sideSums } from "../../core/exercise/sides";
import type { PlanWeek } from "../../core/plan";
import { historyOf } from "../../core/progress/history";
import { risingPain } from "../../core/progress/pain";
import { asymmetry } from "../../core/screening/marks";
import { CLASS_RULES, lastRaceDay, raceClass } from "../../core/season/races";
import type { Planned } from "../planner";

/** Days back in which reported pain is shown; days ahead in which a race is. */
const PAIN_DAYS = 7;
const RACE_DAYS = 9;
const MISSED_DAYS = 14;

export function attentionOf(p: Planned, week: PlanWeek | undefined, today: IsoDate): AttentionView[] {
  const { athlete } = p.stored;
  const found: AttentionView[] = [];
  const add = (weight: number, rule: string, text: string) => found.push({ weight, rule, text });
  const gate = safetyGate(athlete, today);
  if (gate.restricted) add(100, "gate.clearance", gate.why[0]?.text ?? "Clearance is needed.");

  const worst = athlete.strengthLog
    .filter((l) => l.date <= today && daysBetween(l.date, today) <= PAIN_DAYS)
    .flatMap((l) => l.items.map((i) => ({ date: l.date, exercise: i.exercise, pain: i.pain ?? 0 })))
    .sort((a, b) => b.pain - a.pain)[0];
  if (worst && worst.pain >= 3)
    add(
      worst.pain > 5 ? 95 : 70,
      "progress.pain",
      `Pain ${worst.pain} of 10 in the ${p.library.name(worst.exercise).toLowerCase()} on ${dayLabel(worst.date)}.`,
    );

  const rising = whereItRises(athlete, p.library, today);
  if (rising) add(80, "progress.rising", rising);

  for (const u of week?.fit.unplaced ?? [])
    add(60, "fit.place", `Session ${u.label} is not placed this week. ${u.why}`);
  const season = week?.season;
  if (season && (season.mileage.holdOnly || season.mileage.factor < 1))
    add(
      season.mileage.holdOnly ? 85 : 65,
      season.mileage.why[0]?.rule ?? "mileage.jump",
      season.mileage.why[0]?.text ?? "",
    );

  const close = week?.why.find((w) => w.rule === "race.close");
  if (close) add(58, close.rule, close.text);

  const next = athlete.races.filter((r) => r.date >= today).sort((a, b) => (a.date < b.date ? -1 : 1))[0];
  if (next) {
    const days = daysBetween(today, next.date);
    if (days <= 1) add(90, "M2", `${next.name} is ${days === 0 ? "today" : "tomorrow"}: nothing but mobility.`);
    else if (days <= RACE_DAYS) add(50, "taper.light", `${next.name} in ${days} days.`);
  }
  for (const r of athlete.races) {
    const after = dayNumber(today) - lastRaceDay(r);
    const kind = raceClass(r);
    const restoring = kind === "long" || kind === "very long";
    if (r.priority === "A" && restoring && after > 0 && after <= CLASS_RULES[kind].recoveryDays)
      add(55, "restore.visits", `Day ${after} after ${r.name}: restoring, nothing loaded too soon.`);
  }
  const last = athlete.strengthLog
    .filter((l) => l.date <= today)
    .reduce<string | null>((m, l) => (m === null || l.date > m ? l.date : m), null);
  if (
    last !== null &&
    season &&
    (season.phase === "base" || season.phase === "build") &&
    daysBetween(last, today) > MISSED_DAYS
  )
    add(75, "progress.same", `Nothing lifted for ${daysBetween(last, today)} days; last on ${dayLabel(last)}.`);

  const side = sideDifference(athlete, p.library, today);
  if (side) add(40, "side.first", side);
  return found.sort((a, b) => b.weight - a.weight || (a.text < b.text ? -1 : 1));
}

/** Pain in one exercise that rose over its last three sessions (handbook 14). */
function whereItRises(athlete: Athlete, library: Library, today: IsoDate): string | null {
  const recent = new Set(
    athlete.strengthLog
      .filter((l) => l.date <= today && daysBetween(l.date, today) <= PAIN_DAYS)
      .flatMap((l) => l.items.map((i) => i.exercise)),
  );
  for (const id of recent) {
    const pains = risingPain(historyOf(athlete.strengthLog, id, addDays(today, 1)));
    if (pains)
      return `Pain rises in the ${library.name(id).toLowerCase()}: ${pains.join(", ")} of 10 in three sessions.`;
  }
  return null;
}

/** The clearest side difference in the last four weeks of reps, or in the screening. */
function sideDifference(athlete: Athlete, library: Library, today: IsoDate): string | null {
  let best: { pct: number; text: string } | null = null;
  const consider = (name: string, left: number, right: number) => {
    const [weak, strong] = [Math.min(left, right), Math.max(left, right)];
    const pct = asymmetry(left, right);
    if (sideAction(left, right, true) !== "act" || (best && best.pct >= pct)) return;
    best = {
      pct,
      text: `${left < right ? "Left" : "Right"} side ${Math.round(pct)}% weaker in the ${name.toLowerCase()} (${weak} against ${strong}).`,
    };
  };
  for (const s of athlete.screening)
    if (
      s.left !== undefined &&
      s.right !== undefined &&
      daysBetween(s.date, today) <= 60 &&
      daysBetween(s.date, today) >= 0
    )
      consider(`${s.test.replaceAll("-", " ")} test`, s.left, s.right);
  const seen = new Set(
    athlete.strengthLog.filter((l) => l.date >= addDays(today, -28)).flatMap((l) => l.items.map((i) => i.exercise)),
  );
  for (const id of seen) {
    const last = historyOf(athlete.strengthLog, id, addDays(today, 1))[0]?.item;
    const sums = last ? sideSums(last) : null;
    if (sums?.reps) consider(library.name(id), sums.left, sums.right);
  }
  return (best as { text: string } | null)?.text ?? null;
}
