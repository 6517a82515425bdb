/** Plans of stored athletes, computed when asked for and kept while the facts and the day stay the same. */
import { addDays, daysBetween, type IsoDate, laterOf, mondayOf } from "../core/dates";
import { type Plan, type PlanWeek, plan } from "../core/plan";
import type { Store, Stored } from "./store/store";

export interface Planned {
  stored: Stored;
  /** First day that is plan: today, or tomorrow once today is logged. */
  from: IsoDate;
  plan: Plan;
  /** Depth limits of the weeks before `from`, by Monday. */
  pastLimits: ReadonlyMap<IsoDate, number>;
}

/** Plans kept at most; the least lately used goes first. */
const KEPT = 12;

export class Planner {
  private readonly kept = new Map<string, { key: string; planned: Planned }>();

  constructor(
    private readonly store: Store,
    private readonly day: () => IsoDate,
  ) {}

  today(): IsoDate {
    return this.day();
  }

  /** @returns the whole season's plan, null where there is no such athlete */
  async season(id: string): Promise<Planned | null> {
    // The revision alone tells whether the kept plan still stands; the records are read only when it does not.
    const revision = await this.store.revision(id);
    const known = this.kept.get(id);
    if (known && known.key === this.keyOf(revision)) {
      this.kept.delete(id);
      this.kept.set(id, known);
      return known.planned;
    }
    const stored = await this.store.get(id);
    if (!stored) return null;
    const planned = this.compute(stored);
    this.kept.delete(id);
    this.kept.set(id, { key: this.keyOf(stored.revision), planned });
    const oldest = this.kept.keys().next().value;
    if (this.kept.size > KEPT && oldest !== undefined) this.kept.delete(oldest);
    return planned;
  }

  private keyOf(revision: number | null): string {
    return `${revision}/${this.day()}`;
  }

  private compute(stored: Stored): Planned {
    const from = firstDay(stored, this.day());
    const { athlete, held } = stored;
    const pastWeeks = weeksBetween(athlete.season.start, from);
    const past = plan({ ...athlete, strengthLog: [], locked: [] }, { weeks: pastWeeks });
    return {
      stored,
      from,
      plan: plan(athlete, { from, weeks: "season", held }),
      pastLimits: new Map(past.weeks.map((w) => [w.season.start, w.depthLimit])),
    };
  }

  /** The few weeks a squad row shows; not kept, since the rows are. */
  near(stored: Stored, weeks: number): Planned {
    const from = firstDay(stored, this.day());
    return { stored, from, plan: plan(stored.athlete, { from, weeks, held: stored.held }), pastLimits: new Map() };
  }

  /**
   * The least-cost fit of one week without what is held in it. The weeks before are planned too, since their last sessions count.
   * @returns undefined for a week that is past or outside the season
   */
  refit(stored: Stored, monday: IsoDate): PlanWeek | undefined {
    const from = firstDay(stored, this.day());
    const held = stored.held.filter((h) => mondayOf(h.date) !== monday);
    const { weeks } = plan(stored.athlete, { from, weeks: Math.max(0, weeksBetween(from, monday) + 1), held });
    return weeks.find((w) => w.season.start === monday);
  }
}

/** Whole weeks from the week of one date to the week of another. */
const weeksBetween = (from: IsoDate, to: IsoDate): number => daysBetween(mondayOf(from), mondayOf(to)) / 7;

/** Today, or tomorrow once something is logged today; inside the season. */
export function firstDay(stored: Stored, today: IsoDate): IsoDate {
  const { season, strengthLog } = stored.athlete;
  const from = strengthLog.some((l) => l.date === today) ? addDays(today, 1) : today;
  return laterOf(from, season.start);
}
