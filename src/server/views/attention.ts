/** Who needs the coach today, and why: one sentence each, the most pressing first. */
import { createHash } from "node:crypto";
import type { AttentionView, Urgency } from "../../api/views";
import { type Athlete, type Seen, safetyGate } from "../../core/athlete";
import { addDays, dayLabel, dayNumber, daysBetween, type IsoDate, mondayOf } from "../../core/dates";
import { type Library, sideAction, sideSums } from "../../core/exercise";
import { proposalFor, stagesOn } from "../../core/pathway";
import type { PlanWeek } from "../../core/plan";
import { historyOf, risingPain } from "../../core/progress";
import { poorDays } from "../../core/readiness";
import { numbers, type Why, why } from "../../core/rulebook";
import { asymmetry, looksDue, SEEN_WORDS } from "../../core/screening";
import { isBig, wayAfter } from "../../core/season";
import type { Planned } from "../planner";

/** Days back in which reported pain is shown; days ahead in which a race is. */
const RACE_DAYS = 9;
/** Days ahead in which what the endurance plan is warned of is said. */
const SOON = 21;

/** Weights from which something needs the coach today, and this week. */
const TODAY = 80;
const THIS_WEEK = 50;
const urgencyOf = (weight: number): Urgency => (weight >= TODAY ? "today" : weight >= THIS_WEEK ? "week" : "soon");

/** The same for the same point with other figures; tells nothing of whom it is about. */
const keyOf = ({ rule, text }: Why, week: string): string =>
  createHash("sha256")
    .update(`${rule} ${text.replace(/\d+/g, "")}${week}`)
    .digest("hex")
    .slice(0, 16);

export function attentionOf(p: Planned, week: PlanWeek | undefined, today: IsoDate): AttentionView[] {
  const { athlete } = p.stored;
  const found: AttentionView[] = [];
  /** @param week where what is seen in one week is asked again in the next */
  const add = (weight: number, because: Why, week = "") =>
    found.push({ weight, ...because, urgency: urgencyOf(weight), key: keyOf(because, week), seenUntil: null });
  const gate = safetyGate(athlete, today);
  if (gate.restricted && gate.why[0]) add(100, gate.why[0]);

  const worst = athlete.strengthLog
    .filter((l) => l.date <= today && daysBetween(l.date, today) <= numbers("progress.pain").shownDays)
    .flatMap((l) => l.items.map((i) => ({ date: l.date, exercise: i.exercise, pain: i.pain ?? 0 })))
    .sort((a, b) => b.pain - a.pain)[0];
  const pain = numbers("progress.pain");
  if (worst && worst.pain >= pain.noIncrease)
    add(
      worst.pain > pain.stop ? 95 : 70,
      why("progress.pain", "attention", {
        pain: worst.pain,
        exercise: p.library.name(worst.exercise).toLowerCase(),
        on: dayLabel(worst.date),
      }),
    );

  healthPoints(athlete, today, add);

  const rising = whereItRises(athlete, p.library, today);
  if (rising) add(80, rising);

  for (const u of week?.fit.unplaced ?? []) add(60, why("fit.place", "unplaced", u));
  const season = week?.season;
  const mileage = season?.mileage.why[0];
  if (season && mileage && (season.mileage.holdOnly || season.mileage.factor < 1))
    add(season.mileage.holdOnly ? 85 : 65, mileage);

  const close = week?.why.find((w) => w.rule === "race.close");
  if (close) add(58, close);

  const next = athlete.races.filter((r) => r.date >= today).sort((a, b) => (a.date < b.date ? -1 : 1))[0];
  if (next) {
    const days = daysBetween(today, next.date);
    if (days <= 1) add(90, why("M2", "ahead", { race: next.name, today: days === 0 }));
    else if (days <= RACE_DAYS) add(50, why("taper.light", "ahead", { race: next.name, days }));
  }
  waysBack(athlete, today, add);
  const last = athlete.strengthLog
    .filter((l) => l.date <= today)
    .reduce<string | null>((m, l) => (m === null || l.date > m ? l.date : m), null);
  if (
    last !== null &&
    season &&
    (season.phase === "base" || season.phase === "build") &&
    daysBetween(last, today) > numbers("missed.weeks").after
  )
    add(75, why("missed.weeks", "attention", { days: daysBetween(last, today), last: dayLabel(last) }));

  for (const { rule, text, date } of p.plan.enduranceWarnings)
    if (daysBetween(today, date) <= SOON) add(45, { rule, text });

  for (const look of looksDue(athlete, today, (what) => SEEN_WORDS[what as Seen].name)) add(35, look, mondayOf(today));

  const side = sideDifference(athlete, p.library, today);
  if (side) add(40, side);
  return found.sort((a, b) => b.weight - a.weight || (a.text < b.text ? -1 : 1));
}

type Add = (weight: number, because: Why, week?: string) => void;

/** Ways back of trouble areas, and poor days. */
function healthPoints(athlete: Athlete, today: IsoDate, add: Add): void {
  for (const now of stagesOn(athlete, today)) {
    if (now.lowered) add(82, now.lowered);
    const proposal = proposalFor(athlete, now, today);
    if (proposal?.says) add(62, { rule: "pathway.stage", text: proposal.says }, mondayOf(today));
  }

  const poor = poorDays(athlete, today);
  if (poor) add(68, poor);
}

/** Where the way back after each longer race stands. */
function waysBack(athlete: Athlete, today: IsoDate, add: Add): void {
  for (const r of athlete.races) {
    if (r.priority === "C" || !isBig(r)) continue;
    const way = wayAfter(athlete, r, dayNumber(today));
    if (way === null) continue;
    if (way.sore !== null) add(72, why("restore.visits", "sore", { level: way.sore, race: r.name }));
    else add(55, why("restore.visits", "attention", way));
  }
}

/** Pain in one exercise that rose over its last three sessions (rule progress.rising). */
function whereItRises(athlete: Athlete, library: Library, today: IsoDate): Why | null {
  const recent = new Set(
    athlete.strengthLog
      .filter((l) => l.date <= today && daysBetween(l.date, today) <= numbers("progress.pain").shownDays)
      .flatMap((l) => l.items.map((i) => i.exercise)),
  );
  for (const id of recent) {
    const pains = risingPain(historyOf(athlete.strengthLog, id, addDays(today, 1)));
    if (pains) return why("progress.rising", "attention", { exercise: library.name(id).toLowerCase(), pains });
  }
  return null;
}

/** The clearest side difference in the last four weeks of reps, or in the screening. */
function sideDifference(athlete: Athlete, library: Library, today: IsoDate): Why | null {
  let best: { pct: number; because: Why } | null = null;
  const consider = (name: string, left: number, right: number) => {
    const [weak, strong] = [Math.min(left, right), Math.max(left, right)];
    const pct = asymmetry(left, right);
    if (sideAction(left, right, true) !== "act" || (best && best.pct >= pct)) return;
    best = {
      pct,
      because: why("side.match", "attention", {
        side: left < right ? "Left" : "Right",
        pct: Math.round(pct),
        name: name.toLowerCase(),
        weak,
        strong,
      }),
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
  return (best as { because: Why } | null)?.because ?? null;
}
