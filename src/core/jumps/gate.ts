/** Who may jump, and what kind of it (rule jumps.gate). What is unsafe stays closed whatever the coach switches. */
import { AREA_WORDS, type Area, type Athlete, ageRange, type LoggedItem, safetyGate } from "../athlete";
import { DAYS_A_MONTH, daysBetween, type IsoDate } from "../dates";
import { currentMax } from "../dose";
import type { Library } from "../exercise";
import { isBefore, limitsOn } from "../pathway";
import { numbers, type Why, why } from "../rulebook";
import { latestScreening, passes } from "../screening";

/** Hops then jumps, hops alone, stepping off alone, or a rider's swings. */
export type JumpKind = "jumps" | "hops" | "step-off" | "swings";

export interface JumpRight {
  /** Null where there are none. */
  kind: JumpKind | null;
  why: Why;
}

/** Trouble that no landing may stand on. */
const NO_LANDING: readonly Area[] = ["calf", "achilles", "shin", "foot", "bone-stress"];

/**
 * @param on the day asked about: trouble, age and clearance are those of the day
 * @param asOf strength is what the log before this day says of it
 */
export function jumpRight(
  athlete: Athlete,
  on: IsoDate,
  { library, asOf }: { library: Library; asOf: IsoDate },
): JumpRight {
  const switched = athlete.settings?.jumps ?? "by-gate";
  const { sport } = athlete.athlete;
  if (switched === "off") return { kind: null, why: why("jumps.gate", "off") };
  if (sport === "row" && switched !== "on") return { kind: null, why: why("jumps.gate", "sport") };
  const unsafe = unsafeToJump(athlete, on, asOf);
  if (unsafe) return { kind: null, why: unsafe };
  if (sport === "ride" && switched !== "on") return { kind: "swings", why: why("jumps.gate", "swings") };
  if (passes(athlete, "calf-raise", on) !== true) return { kind: null, why: why("jumps.gate", "calf") };
  if (switched === "on") return { kind: sport === "hike" ? "step-off" : "jumps", why: why("jumps.gate", "coach") };
  const weak = notReady(athlete, on, { library, asOf });
  if (weak) return { kind: null, why: weak };
  if (sport === "hike") return { kind: "step-off", why: why("jumps.gate", "hike") };
  const { hopsOnlyFrom } = numbers("jumps.gate");
  return ageRange(athlete.athlete.birthYear, on).oldest >= hopsOnlyFrom
    ? { kind: "hops", why: why("jumps.gate", "age", hopsOnlyFrom) }
    : { kind: "jumps", why: why("jumps.gate", "passed") };
}

/** Clearance, trouble where the landing goes, bone stress and low energy: no switch opens these. */
function unsafeToJump(athlete: Athlete, on: IsoDate, asOf: IsoDate): Why | null {
  const gate = safetyGate(athlete, on);
  if (gate.restricted) return why("jumps.gate", "clearance");
  if (gate.rules.includes("no-impact")) return why("jumps.gate", "impact");
  const log = athlete.strengthLog.filter((s) => s.date < asOf);
  const { stages, out } = limitsOn(athlete, on, log);
  const early = stages.find((s) => NO_LANDING.includes(s.area) && isBefore(s.stage, "spring"))?.area;
  const area = early ?? out.find((a) => NO_LANDING.includes(a));
  if (area) return why("jumps.gate", "area", AREA_WORDS[area]);
  const { boneDays } = numbers("jumps.gate", athlete.settings?.ruleValues);
  for (const { area: a, since } of athlete.health.areas) {
    if (a !== "bone-stress") continue;
    if (since === undefined) return why("jumps.gate", "boneUndated");
    if (daysBetween(since, on) < boneDays) return why("jumps.gate", "bone", boneDays);
  }
  const lean = athlete.settings?.weightLoss;
  return lean && on >= lean.start && on <= lean.end ? why("jumps.gate", "energy") : null;
}

/** What is missing of weeks and strength; null where nothing is. */
function notReady(athlete: Athlete, on: IsoDate, by: { library: Library; asOf: IsoDate }): Why | null {
  const { strengthWeeks, squatShare, cleanSquats } = numbers("jumps.gate", athlete.settings?.ruleValues);
  const before = (athlete.athlete.strengthTrainingMonths * DAYS_A_MONTH) / 7;
  const behind = Math.floor(before + Math.max(0, daysBetween(athlete.season.start, on)) / 7);
  if (behind < strengthWeeks) return why("jumps.gate", "weeks", { behind, asked: strengthWeeks });
  const single = latestScreening(athlete, "single-leg-squat", on);
  if (single && Math.min(single.left ?? 0, single.right ?? 0) >= cleanSquats) return null;
  const share = squatOf(athlete, by) / athlete.athlete.bodyMassKg;
  return share >= squatShare ? null : why("jumps.gate", "strength", { share, asked: squatShare, squats: cleanSquats });
}

/** e1RM of the strongest squat of the log, kg; 0 where nothing says it. */
function squatOf(athlete: Athlete, { library, asOf }: { library: Library; asOf: IsoDate }): number {
  const squats = new Map<string, { date: IsoDate; item: LoggedItem }[]>();
  for (const { date, items } of athlete.strengthLog)
    for (const item of items) {
      const e = library.byId(item.exercise);
      if (e?.pattern === "squat" && e.loading === "bar")
        squats.set(e.id, [...(squats.get(e.id) ?? []), { date, item }]);
    }
  const formula = athlete.settings?.oneRepMax ?? "default";
  return Math.max(0, ...[...squats.values()].map((history) => currentMax(history, formula, asOf)?.kg ?? 0));
}
