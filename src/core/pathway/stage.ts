/** At which stage an area is on a day: as the coach confirmed it, or lower where pain says so. Nothing here ever moves it up. */
import {
  AREA_WORDS,
  type Area,
  type Athlete,
  activeTrouble,
  confirmedStage,
  type PathwayStage,
  pathwayOf,
  risingOver,
  type StrengthLog,
  stepsUntil,
  type TroubleArea,
} from "../athlete";
import { daysBetween, type IsoDate } from "../dates";
import { takenOn } from "../readiness";
import { numbers, type Why, why } from "../rulebook";
import { isBefore, isOfArea, stageBefore } from "./opens";

/** What one day says of an area's pain. */
export interface PainDay {
  date: IsoDate;
  /** The worst of the day, 0 to 10. */
  pain: number;
  /** Next morning; null where nobody asked. */
  nextDay: number | null;
  /** The area's work was done with all its sets. */
  full: boolean;
  /** It was said with a session, and not in a check-in alone. */
  lifted: boolean;
}

export interface AreaStage {
  area: Area;
  side: TroubleArea["side"];
  stage: PathwayStage;
  /** First day of the stage. */
  since: IsoDate;
  /** The coach has begun its way back; else it stays at the first stage. */
  begun: boolean;
  /** Why it stands lower than it was confirmed; null where it does not. */
  lowered: Why | null;
}

/** Days on which somebody said how the area is, oldest first. @param before days from here on are left out */
export function painDays(
  { strengthLog, checkIns }: Pick<Athlete, "strengthLog" | "checkIns">,
  { area, side }: Pick<TroubleArea, "area" | "side">,
  before: IsoDate,
  log: readonly StrengthLog[] = strengthLog,
): PainDay[] {
  const days = new Map<IsoDate, PainDay>();
  const put = (date: IsoDate, day: Omit<PainDay, "date">) => {
    const was = days.get(date);
    days.set(
      date,
      was
        ? {
            date,
            pain: Math.max(was.pain, day.pain),
            nextDay: was.nextDay === null ? day.nextDay : Math.max(was.nextDay, day.nextDay ?? 0),
            full: was.lifted ? was.full && (day.full || !day.lifted) : day.full,
            lifted: was.lifted || day.lifted,
          }
        : { date, ...day },
    );
  };
  for (const s of log)
    if (s.date < before)
      for (const i of s.items)
        if (i.pain !== undefined && isOfArea(area, i.exercise))
          put(s.date, {
            pain: i.pain,
            nextDay: i.nextDayPain ?? null,
            full: i.prescribed === undefined || i.sets.length >= i.prescribed.sets,
            lifted: true,
          });
  for (const c of checkIns ?? [])
    if (c.date < before)
      for (const p of c.pain ?? [])
        if (p.area === area && (p.side === side || p.side === "both" || side === "both"))
          put(c.date, { pain: p.level, nextDay: null, full: false, lifted: false });
  return [...days.values()].sort((a, b) => (a.date < b.date ? -1 : 1));
}

/** A stage as it goes on from a day: the coach's steps raise or lower it, three sessions of rising pain lower it by one. */
function fold(athlete: Athlete, t: TroubleArea, on: IsoDate, days: readonly PainDay[]): AreaStage {
  const pathway = pathwayOf(athlete, t);
  const begun = pathway !== undefined && pathway.since <= on;
  let stage: PathwayStage = "settle";
  let since = (begun ? pathway.since : t.since) ?? athlete.season.start;
  let lowered: Why | null = null;
  let window: number[] = [];
  const steps = begun ? stepsUntil(pathway, on) : [];
  const events = [
    ...steps.map((step) => ({ date: step.date, step, day: null })),
    ...days.map((day) => ({ date: day.date, step: null, day })),
  ].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.step ? -1 : 1));
  for (const { date, step, day } of events) {
    if (step) {
      [stage, since, lowered, window] = [step.stage, step.date, null, []];
      continue;
    }
    if (!day || date < since || date >= on) continue;
    window.push(day.pain);
    if (t.area === "bone-stress" && day.pain > 0 && stage !== "settle") {
      [stage, since, window] = ["settle", date, []];
      lowered = why("pathway.stage", "bone", { pain: day.pain });
      continue;
    }
    const pains = risingOver(window);
    if (!pains || stage === "settle") continue;
    const to = stageBefore(stage);
    lowered = why("pathway.stage", "lowered", { area: AREA_WORDS[t.area], pains, from: stage, to });
    [stage, since, window] = [to, date, []];
  }
  return { area: t.area, side: t.side, stage, since, begun, lowered };
}

/**
 * Every trouble that counts on a day, with its stage. What was confirmed to be back is among them while rising pain has taken it back, up to
 * the end of the weeks for which it is watched.
 * @param log what was lifted; what lies on the day or after it does not count
 */
export function stagesOn(
  athlete: Athlete,
  on: IsoDate,
  log: readonly StrengthLog[] = athlete.strengthLog,
): AreaStage[] {
  const active = new Set(activeTrouble(athlete, on));
  return athlete.health.areas.flatMap((t) => {
    const watched = !active.has(t) && isWatched(athlete, t, on);
    if (!active.has(t) && !watched) return [];
    const now = fold(athlete, t, on, painDays(athlete, t, on, log));
    return now.stage === "back" ? [] : [now];
  });
}

/** Confirmed to be back, and not yet for as long as it is watched. */
export function isWatched(athlete: Athlete, t: TroubleArea, on: IsoDate): boolean {
  const p = pathwayOf(athlete, t);
  if (!p || t.status === "past" || p.since > on) return false;
  const { stage, since } = confirmedStage(p, on);
  return stage === "back" && daysBetween(since, on) < numbers("pathway.stage").watchedDays;
}

/**
 * The stages of a day with what today's pain takes besides, once it was taken: of what pain of 3 to 5 touches the easier step, of what more
 * touches nothing.
 */
export function limitsOn(
  athlete: Athlete,
  on: IsoDate,
  log: readonly StrengthLog[] = athlete.strengthLog,
): { stages: AreaStage[]; out: Area[] } {
  const stages = stagesOn(athlete, on, log);
  const ready = takenOn(athlete, on);
  if (!ready) return { stages, out: [] };
  const today = ready.easier
    .filter((p) => !stages.some((s) => s.area === p.area))
    .map(({ area, side }): AreaStage => ({ area, side, stage: "move", since: on, begun: false, lowered: null }));
  const eased = stages.map((s) =>
    ready.easier.some((p) => p.area === s.area) && isBefore("move", s.stage)
      ? { ...s, stage: stageBefore(s.stage) }
      : s,
  );
  return { stages: [...eased, ...today], out: ready.out.map((p) => p.area) };
}
