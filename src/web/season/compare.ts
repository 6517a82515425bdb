/** Two seasons side by side: phases, sessions, heavy sessions, and the weeks that differ. Pure. */
import { weekStrength } from "../../api/make/weekStrength";
import type { SeasonView, SeasonWeekView } from "../../api/views";
import type { Phase } from "../../core/athlete";
import { addDays, daysBetween } from "../../core/dates";
import { day, PHASE_NAMES } from "../format";

export interface WeekFacts {
  phase: Phase;
  stepBack: boolean;
  sessions: number;
  heavy: number;
  sets: number;
  trainingLoad: number;
  distanceKm: number;
}

export interface ChangedWeek {
  start: string;
  before: WeekFacts;
  after: WeekFacts;
}

export interface Totals {
  sessions: number;
  heavy: number;
  sets: number;
  /** Days by phase, ahead and behind alike. */
  days: Record<Phase, number>;
  warnings: number;
}

export interface Comparison {
  before: Totals;
  after: Totals;
  weeks: ChangedWeek[];
  /** What a coach would say of it, most telling first. */
  words: string[];
  newWarnings: SeasonView["warnings"];
}

function factsOf(w: SeasonWeekView): WeekFacts {
  const { stress, ...strength } = weekStrength(w.sessions);
  return {
    phase: w.phase,
    stepBack: w.stepBack,
    ...strength,
    trainingLoad: Math.round(stress),
    distanceKm: w.distanceKm,
  };
}

const same = (a: WeekFacts, b: WeekFacts): boolean =>
  (Object.keys(a) as (keyof WeekFacts)[]).every((k) =>
    k === "distanceKm" ? Math.abs(a.distanceKm - b.distanceKm) < 0.05 : a[k] === b[k],
  );

function totals(v: SeasonView): Totals {
  const days: Totals["days"] = { base: 0, build: 0, race: 0, recovery: 0 };
  for (const p of v.phases) days[p.phase] += daysBetween(p.start, p.end) + 1;
  const sum = { sessions: 0, heavy: 0, sets: 0 };
  for (const w of v.weeks) {
    const f = factsOf(w);
    sum.sessions += f.sessions;
    sum.heavy += f.heavy;
    sum.sets += f.sets;
  }
  return { ...sum, days, warnings: v.warnings.filter((w) => w.code !== "not-placed").length };
}

const more = (n: number, one: string, many = `${one}s`): string =>
  `${Math.abs(n)} ${Math.abs(n) === 1 ? one : many} ${n > 0 ? "more" : "fewer"}`;

export function compareSeasons(before: SeasonView, after: SeasonView): Comparison {
  const [a, b] = [totals(before), totals(after)];
  const byStart = new Map(before.weeks.map((w) => [w.start, w]));
  const weeks = after.weeks.flatMap((w): ChangedWeek[] => {
    const old = byStart.get(w.start);
    // The past is as it was done, whatever phase it would be counted to now.
    if (!old || addDays(w.start, 6) < after.today) return [];
    const [x, y] = [factsOf(old), factsOf(w)];
    return same(x, y) ? [] : [{ start: w.start, before: x, after: y }];
  });
  const words: string[] = [];
  for (const r of after.races) {
    const was = before.races.find((x) => x.id === r.id);
    if (!was) words.push(`${r.name} added on ${day(r.date)}`);
    else if (was.date !== r.date) words.push(`${r.name} from ${day(was.date)} to ${day(r.date)}`);
    if (was && was.priority !== r.priority) words.push(`${r.name} is a ${r.priority} race instead of ${was.priority}`);
  }
  for (const r of before.races) if (!after.races.some((x) => x.id === r.id)) words.push(`${r.name} left out`);
  for (const phase of ["base", "build", "race", "recovery"] as const) {
    const d = b.days[phase] - a.days[phase];
    if (d !== 0) words.push(`${PHASE_NAMES[phase].toLowerCase()} ${more(d, "day")}`);
  }
  if (a.heavy !== b.heavy) words.push(more(b.heavy - a.heavy, "heavy session"));
  if (a.sessions !== b.sessions) words.push(more(b.sessions - a.sessions, "session"));
  words.push(
    weeks.length === 0
      ? "no week changes"
      : `${weeks.length} week${weeks.length === 1 ? "" : "s"} change${weeks.length === 1 ? "s" : ""}`,
  );
  const known = new Set(before.warnings.map((w) => w.text));
  return {
    before: a,
    after: b,
    weeks,
    words,
    newWarnings: after.warnings.filter((w) => w.code !== "not-placed" && !known.has(w.text)),
  };
}
