/** A week of the club, a row an athlete. Rows are kept while an athlete's facts and the day stay the same. */
import { LRUCache } from "lru-cache";
import type { ClubDay, ClubWeekRow, ClubWeekView } from "../../api/clubWeek";
import { addDays, type IsoDate } from "../../core/dates";
import { testsDue } from "../../core/screening";
import { plannedFacts, reviewWeeks, type WeekPlan } from "../../core/story";
import type { Planned, Planner } from "../planner";
import type { Store, Stored } from "../store/store";
import { KeptRows } from "./keptRows";
import { weekAsPlanned } from "./review";
import type { Written } from "./squad";

/** The week as it was planned, or, ahead, as it stands. @returns null outside the season */
async function planOf(
  store: Store,
  planner: Planner,
  stored: Stored,
  monday: IsoDate,
): Promise<{ p: Planned; plan: WeekPlan } | null> {
  const today = planner.today();
  const p = monday > today ? planner.until(stored, monday) : planner.near(stored, 0);
  const week = p?.plan.season.find((w) => w.start === monday);
  if (!p || !week) return null;
  if (monday <= today) return { p, plan: (await store.archive.weeks(stored.id)).get(monday) ?? weekAsPlanned(p, week) };
  const sessions = p.plan.weeks.find((w) => w.season.start === monday)?.sessions ?? [];
  const { phase, emphasis, stepBack } = week;
  return {
    p,
    plan: { monday, phase, emphasis, stepBack, loadLimit: 0, sessions: sessions.map(plannedFacts), homework: [] },
  };
}

function dayOf({ athlete }: Stored, plan: WeekPlan | null, date: IsoDate): ClubDay {
  const endurance = athlete.endurance.filter((e) => e.date === date && !e.cancelled);
  const sum = (done: boolean) => endurance.reduce((a, e) => a + ((e.done ?? false) === done ? e.minutes : 0), 0);
  const done = sum(true);
  return {
    date,
    planned: (plan?.sessions ?? []).filter((s) => s.date === date).map((s) => s.label),
    logged: athlete.strengthLog.filter((l) => l.date === date).map((l) => l.label),
    plannedMinutes: Math.round(
      sum(false) + endurance.reduce((a, e) => a + (e.done ? (e.planned?.minutes ?? 0) : 0), 0),
    ),
    minutes: Math.round(done),
    race: athlete.races.find((r) => r.date === date)?.name ?? null,
  };
}

/** @returns null without the athlete */
export async function clubWeekRow(
  store: Store,
  planner: Planner,
  id: string,
  monday: IsoDate,
): Promise<ClubWeekRow | null> {
  const stored = await store.athletes.get(id);
  if (!stored) return null;
  const { athlete } = stored;
  const found = await planOf(store, planner, stored, monday);
  const today = planner.today();
  const end = addDays(monday, 6);
  const until = monday > today ? end : today;
  const [w] = found ? reviewWeeks(athlete, found.p.library, [found.plan], until) : [];
  return {
    id,
    name: athlete.athlete.name,
    sport: athlete.athlete.sport,
    phase: found?.plan.phase ?? null,
    emphasis: found?.plan.emphasis ?? null,
    days: Array.from({ length: 7 }, (_, n) => dayOf(stored, found?.plan ?? null, addDays(monday, n))),
    sessions: { planned: w?.planned.sessions ?? 0, done: w?.done.sessions ?? 0 },
    hardSets: { planned: w?.planned.hardSets ?? 0, done: w?.done.hardSets ?? 0 },
    minutes: { planned: Math.round(w?.endurance.plannedMinutes ?? 0), done: Math.round(w?.endurance.minutes ?? 0) },
    pain: w?.pain ?? null,
    poor: w?.checkIns.poor ?? 0,
    testsDue: testsDue(athlete, today).length,
  };
}

/** Rows kept at most: some weeks of more athletes than a club has. */
const KEPT = 8000;
/** Weeks kept as they are sent. */
const WEEKS = 8;

export class ClubWeeks {
  private readonly rows: KeptRows<ClubWeekRow>;
  private readonly written = new LRUCache<IsoDate, Promise<Written>>({ max: WEEKS });
  private readonly keys = new Map<IsoDate, string>();
  private readonly started = Date.now().toString(36);

  constructor(
    private readonly store: Store,
    private readonly today: () => IsoDate,
    /** Makes a row in a worker thread. */
    private readonly makeRow: (id: string, monday: IsoDate) => Promise<ClubWeekRow | null>,
  ) {
    this.rows = new KeptRows(store, today, KEPT);
  }

  /** Another club stands in this one's place. */
  forget(): void {
    this.rows.forget();
    this.written.clear();
  }

  /** The view as JSON, written once for as long as no athlete and no day changes. */
  json(monday: IsoDate): Promise<Written> {
    const key = `${this.started}-${this.store.version}-${this.today()}-${monday}`;
    const known = this.written.get(monday);
    if (known && this.keys.get(monday) === key) return known;
    const made = this.write(key, monday);
    this.keys.set(monday, key);
    this.written.set(monday, made);
    made.catch(() => this.written.delete(monday));
    return made;
  }

  private async write(key: string, monday: IsoDate): Promise<Written> {
    const rows = await this.rows.all((id) => this.makeRow(id, monday), monday);
    const view: ClubWeekView = { today: this.today(), monday, rows };
    return { key, json: Buffer.from(JSON.stringify(view)) };
  }
}
