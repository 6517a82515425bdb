/** Whether a stage is done, as far as the log can say: the coach confirms, the product only proposes. */
import { AREA_WORDS, type Athlete, type PathwayStage, type StrengthLog, type TroubleArea } from "../athlete";
import { daysBetween, type IsoDate } from "../dates";
import { numbers, say } from "../rulebook";
import { asymmetry, latestScreening, testName } from "../screening";
import { TOLERANCE } from "../units";
import { nextStage } from "./opens";
import { type AreaStage, type PainDay, painDays } from "./stage";
import { AREA_PLANS } from "./table";

export interface Proposal extends AreaStage {
  /** Days in the stage so far. */
  days: number;
  least: number;
  next: PathwayStage;
  /** What the sign of the stage still lacks, in words; empty where it can be confirmed. */
  missing: string[];
  ready: boolean;
  /** So long in the stage that the coach is asked. */
  overdue: boolean;
  /** What to say to the coach; null where nothing is due. */
  says: string | null;
}

/** Tendons may hurt more in the work, where it is usual again next morning. */
const TENDONS: readonly TroubleArea["area"][] = ["achilles"];

/** Whether a day's pain lets the stage go on. */
function isQuiet(area: TroubleArea["area"], d: PainDay): boolean {
  const { quiet, quietTendon } = numbers("pathway.stage");
  if (area === "bone-stress") return d.pain === 0;
  if (d.pain <= quiet) return true;
  return TENDONS.includes(area) && d.pain <= quietTendon && d.nextDay !== null && d.nextDay <= quiet;
}

/** Quiet sessions in a row up to now. */
function quietRun(area: TroubleArea["area"], days: readonly PainDay[]): number {
  let run = 0;
  for (const d of [...days].reverse()) {
    if (!isQuiet(area, d)) break;
    if (d.lifted && d.full) run += 1;
  }
  return run;
}

function sidesMissing(athlete: Athlete, now: AreaStage, on: IsoDate): string[] {
  const test = AREA_PLANS[now.area].sides;
  if (test === null) return [];
  const last = latestScreening(athlete, test, on);
  const name = testName(test);
  if (!last || last.date < now.since || last.left === undefined || last.right === undefined)
    return [say("pathway.stage", "sidesMissing", { test: name })];
  const most = numbers("pathway.stage").sides;
  const pct = asymmetry(last.left, last.right);
  return pct < most - TOLERANCE ? [] : [say("pathway.stage", "sidesApart", { test: name, pct: Math.round(pct), most })];
}

/** Hops, where the sport has them, and quiet mornings. */
function springMissing(
  athlete: Athlete,
  now: AreaStage,
  on: IsoDate,
  log: readonly StrengthLog[],
  days: readonly PainDay[],
): string[] {
  const { hopSets, hopSeconds, sessions, quiet } = numbers("pathway.stage");
  const { sport } = athlete.athlete;
  const hops = sport !== "ride" && sport !== "row" && athlete.settings?.jumps !== "off";
  const hopped = log.some(
    (s) =>
      s.date >= now.since &&
      s.date < on &&
      s.items.some(
        (i) => i.exercise === "ankle-hops" && i.sets.filter((x) => (x.seconds ?? 0) >= hopSeconds).length >= hopSets,
      ),
  );
  let mornings = 0;
  for (const d of [...days].reverse()) {
    if (d.nextDay === null) continue;
    if (d.nextDay > quiet) break;
    mornings += 1;
  }
  return [
    ...(hops && !hopped ? [say("pathway.stage", "hops", { sets: hopSets, seconds: hopSeconds })] : []),
    ...(mornings < sessions ? [say("pathway.stage", "mornings", { done: mornings, asked: sessions })] : []),
  ];
}

/**
 * @param now the area's stage on that day (see stagesOn)
 * @param log what was lifted before it
 */
export function proposalFor(
  athlete: Athlete,
  now: AreaStage,
  on: IsoDate,
  log: readonly StrengthLog[] = athlete.strengthLog,
): Proposal | null {
  const { stage } = now;
  const next = nextStage(stage);
  if (stage === "back" || next === null) return null;
  const { leastDays, askAfter, sessions, quiet } = numbers("pathway.stage");
  const days = Math.max(0, daysBetween(now.since, on));
  const least = leastDays[stage];
  const told = painDays(athlete, now, on, log).filter((d) => d.date >= now.since);
  const run = quietRun(now.area, told);
  const missing = [
    ...(days < least ? [say("pathway.stage", "days", { days, least, stage })] : []),
    ...(run < sessions ? [say("pathway.stage", "quiet", { done: run, asked: sessions, most: quiet })] : []),
    ...(stage === "load" ? sidesMissing(athlete, now, on) : []),
    ...(stage === "spring" ? springMissing(athlete, now, on, log, told) : []),
  ];
  const ready = missing.length === 0;
  const overdue = days >= least + askAfter;
  const area = AREA_WORDS[now.area];
  return {
    ...now,
    days,
    least,
    next,
    missing,
    ready,
    overdue,
    says: ready
      ? say("pathway.stage", "ready", { area, stage, next })
      : overdue
        ? say("pathway.stage", "overdue", { area, days, stage })
        : null,
  };
}
