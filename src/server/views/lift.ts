/** The lifts of an athlete, and the page of one. */

import { askedText, lastText } from "../../api/make/session";
import type { LiftAhead, LiftRow, LiftView, RungView } from "../../api/views";
import { placeById, safetyGate } from "../../core/athlete";
import { addDays, type IsoDate } from "../../core/dates";
import { makeableLoads } from "../../core/dose";
import { type Exercise, progressionsOf } from "../../core/exercise";
import { historyOf, overruleAfter } from "../../core/progress";
import { isPoor, saidText } from "../../core/readiness";
import { asymmetry, testName } from "../../core/screening";
import { liftStory, plannedDecision } from "../../core/story";
import type { Planned } from "../planner";

/** Where the plan next has an exercise. */
const nextOf = (p: Planned, id: string) =>
  p.plan.weeks
    .flatMap((w) => w.sessions.flatMap((s) => s.items.filter((i) => i.exercise.id === id).map((i) => ({ s, i }))))
    .find(({ s }) => s.date >= p.from);

/** So many weeks ahead are told on a lift's page. */
const AHEAD_WEEKS = 9;

/** What the weeks after the next session plan of an exercise, the heaviest of each. */
const aheadOf = (p: Planned, id: string, after: IsoDate): LiftAhead[] =>
  p.plan.weeks
    .flatMap((w): LiftAhead[] => {
      const full = w.sessions.filter((s) => s.date > after && s.loading === "full");
      const found = full.flatMap((s) => s.items.filter((i) => i.exercise.id === id).map((i) => ({ s, i })));
      const top = found.reduce<(typeof found)[number] | undefined>(
        (best, x) => (!best || (x.i.loadKg ?? 0) > (best.i.loadKg ?? 0) ? x : best),
        undefined,
      );
      if (!top) return [];
      const { sets, repsLow, reps, seconds, loadKg, percent1rm, rir, line } = top.i;
      const { date, label } = top.s;
      return [
        { date, label, sets, repsLow, reps, seconds, loadKg, percent1rm, rir, line, stepBack: w.season.stepBack },
      ];
    })
    .slice(0, AHEAD_WEEKS);

/** A lift's story; what its last log said is what the plan goes by. */
function storyOf(p: Planned, e: Exercise, asOf: IsoDate) {
  const story = liftStory(p.stored.athlete, p.library, e, p.plan.season, asOf);
  const next = nextOf(p, e.id);
  const last = story.entries.at(-1);
  if (last && next) last.decision = plannedDecision(last, next.i);
  return { story, next };
}

/** Every exercise of the log, the latest first; stretches are no lifts. */
export function liftRows(p: Planned, today: IsoDate): LiftRow[] {
  const { athlete } = p.stored;
  const ids = new Set(athlete.strengthLog.flatMap((l) => l.items.map((i) => i.exercise)));
  return [...ids]
    .flatMap((id): LiftRow[] => {
      const e = p.library.byId(id);
      if (!e || e.pattern === "mobility") return [];
      const { story } = storyOf(p, e, addDays(today, 1));
      const last = story.entries.at(-1);
      if (!last) return [];
      const byMax = e.loading === "bar" || e.loading === "machine";
      return [
        {
          exercise: id,
          name: e.name,
          pattern: e.pattern,
          times: story.entries.length,
          last: last.date,
          e1rmKg: byMax ? (story.current?.kg ?? null) : null,
          unsurePct: byMax ? (story.current?.unsurePct ?? null) : null,
          decision: last.decision.kind,
          rising: story.rising !== null,
        },
      ];
    })
    .sort((a, b) => (a.last < b.last ? 1 : a.last > b.last ? -1 : b.times - a.times));
}

function ladderOf(p: Planned, e: Exercise, today: IsoDate): LiftView["ladder"] {
  if (!e.ladder) return null;
  const { athlete } = p.stored;
  const log = athlete.strengthLog.filter((l) => l.date <= today);
  const progression = progressionsOf(p.library, athlete, safetyGate(athlete, today).training, log).get(e.ladder.id);
  if (!progression) return null;
  return {
    id: e.ladder.id,
    because: progression.because,
    rungs: progression.steps.map((s, i): RungView => {
      const history = historyOf(athlete.strengthLog, s.id, addDays(today, 1));
      return {
        exercise: s.id,
        name: s.name,
        times: history.length,
        first: history.at(-1)?.date ?? null,
        here: i === progression.at,
        open: i <= progression.open,
      };
    }),
  };
}

/** @returns null where there is no such exercise */
export function liftView(p: Planned, today: IsoDate, id: string): LiftView | null {
  const e = p.library.byId(id);
  if (!e) return null;
  const { athlete } = p.stored;
  const asOf = addDays(today, 1);
  const { story, next } = storyOf(p, e, asOf);
  const byMax = e.loading === "bar" || e.loading === "machine";
  const last = story.entries.at(-1);
  const place = next ? placeById(athlete, next.s.place) : undefined;
  const unit = athlete.athlete.massUnit;
  return {
    id: p.stored.id,
    today,
    exercise: id,
    name: e.name,
    pattern: e.pattern,
    loading: e.loading,
    timed: e.unit === "seconds",
    poor: (athlete.checkIns ?? []).filter((c) => isPoor(c, athlete.settings?.ruleValues)).map((c) => c.date),
    said: Object.fromEntries((athlete.checkIns ?? []).map((c) => [c.date, saidText(c)])),
    entries: story.entries.map((x) => ({ ...x, text: lastText(x.item, unit), asked: askedText(x.item, unit) })),
    current: byMax ? story.current : null,
    line: byMax ? story.line : [],
    rising: story.rising,
    ladder: ladderOf(p, e, today),
    next: next
      ? {
          date: next.s.date,
          label: next.s.label,
          sets: next.i.sets,
          repsLow: next.i.repsLow,
          reps: next.i.reps,
          seconds: next.i.seconds,
          loadKg: next.i.loadKg,
          perSideKg: next.i.perSideKg,
          rir: next.i.rir,
          loading: next.i.loading,
          decision: next.i.decision && { kind: next.i.decision.kind, byCoach: next.i.decision.byCoach },
          why: next.i.why,
        }
      : null,
    ahead: next ? aheadOf(p, id, next.s.date) : [],
    overrule: last ? overruleAfter(athlete, id, last.date) : null,
    loads: place && next ? makeableLoads(e, next.i.loading, place) : [],
    screening: athlete.screening
      .flatMap((s) =>
        s.left !== undefined && s.right !== undefined
          ? [
              {
                date: s.date,
                test: testName(s.test),
                left: s.left,
                right: s.right,
                pct: asymmetry(s.left, s.right),
              },
            ]
          : [],
      )
      .slice(-12),
  };
}
