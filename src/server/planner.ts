/** Plans of stored athletes, computed when asked for and kept while the facts and the day stay the same. */
import { addDays, type IsoDate, laterOf } from "../core/dates";
import { type Plan, plan } from "../core/plan";
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
    const stored = await this.store.get(id);
    if (!stored) return null;
    const key = `${stored.revision}/${this.day()}`;
    const known = this.kept.get(id);
    if (known?.key === key) {
      this.kept.delete(id);
      this.kept.set(id, known);
      return known.planned;
    }
    const planned = this.compute(stored);
    this.kept.delete(id);
    this.kept.set(id, { key, planned });
    const oldest = this.kept.keys().next().value;
    if (this.kept.size > KEPT && oldest !== undefined) this.kept.delete(oldest);
    return planned;
  }

  private compute(stored: Stored): Planned {
    const from = firstDay(stored, this.day());
    const { athlete, held } = stored;
    const past =
      from > athlete.season.start ? plan({ ...athlete, strengthLog: [], locked: [] }, { weeks: "season" }) : null;
    return {
      stored,
      from,
      plan: plan(athlete, { from, weeks: "season", held }),
      pastLimits: new Map(
        (past?.weeks ?? []).filter((w) => addDays(w.season.start, 6) < from).map((w) => [w.season.start, w.depthLimit]),
      ),
    };
  }

  /** The few weeks a squad row shows; not kept, since the rows are. */
  near(stored: Stored, weeks: number): Planned {
    const from = firstDay(stored, this.day());
    return { stored, from, plan: plan(stored.athlete, { from, weeks, held: stored.held }), pastLimits: new Map() };
  }

  /** The least-cost fit of one week without what is held. */
  refit(stored: Stored, monday: IsoDate): Plan {
    const from = firstDay(stored, this.day());
    return plan(stored.athlete, {
      from: laterOf(monday, from),
      weeks: 1,
      held: stored.held.filter((h) => h.date < monday || h.date > addDays(monday, 6)),
    });
  }
}

/** Today, or tomorrow once something is logged today; inside the season. */
export function firstDay(stored: Stored, today: IsoDate): IsoDate {
  const { season, strengthLog } = stored.athlete;
  const from = strengthLog.some((l) => l.date === today) ? addDays(today, 1) : today;
  return laterOf(from, season.start);
}
