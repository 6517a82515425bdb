/** Plans of stored athletes, worked out as far as somebody asks and kept while the facts and the day stay the same. */
import { LRUCache } from "lru-cache";
import {
  clubOptions,
  firstDay,
  type Growing,
  grownTo,
  growSeason,
  type Limits,
  limitsBefore,
  type Planned as PlannedFrom,
  pastBasis,
  type Until,
  weeksBetween,
} from "../api/make/planned";
import { type IsoDate, mondayOf } from "../core/dates";
import { once } from "../core/once";
import { plan } from "../core/plan";
import { PastLimits } from "./pastLimits";
import type { Stored } from "./store/athletes";
import type { Store } from "./store/store";

export type Planned = PlannedFrom<Stored>;

/** Plans kept at most in each thread; the least lately used goes first. */
const KEPT = 8;

/** Load limits of past weeks as they were kept; worked out where one was not. */
function withKept(
  past: readonly { start: IsoDate }[],
  kept: ReadonlyMap<IsoDate, { loadLimit: number }>,
  workedOut: () => Limits,
): Limits {
  const known = past.flatMap(({ start }) => {
    const week = kept.get(start);
    return week ? [[start, week.loadLimit] as const] : [];
  });
  return known.length === past.length ? new Map(known) : new Map([...workedOut(), ...known]);
}

export class Planner {
  private readonly kept = new LRUCache<string, { key: string; growing: Growing<Stored> }>({ max: KEPT });
  private readonly limits = new PastLimits(KEPT);

  constructor(
    private readonly store: Store,
    private readonly day: () => IsoDate,
  ) {}

  today(): IsoDate {
    return this.day();
  }

  /** Another club stands in this one's place. */
  forget(): void {
    this.kept.clear();
    this.limits.forget();
  }

  /** @returns the season's plan as far as it is asked for, null where there is no such athlete */
  async season(id: string, until?: Until): Promise<Planned | null> {
    // The revision alone tells whether the kept plan still stands; the records are read only when it does not.
    const revision = await this.store.athletes.revision(id);
    const known = this.kept.get(id);
    if (known?.key === this.keyOf(revision)) return grownTo(known.growing, until);
    const stored = await this.store.athletes.get(id);
    if (!stored) return null;
    const growing = await this.begin(stored);
    this.kept.set(id, { key: this.keyOf(stored.revision), growing });
    return grownTo(growing, until);
  }

  private keyOf(revision: number | null): string {
    return `${revision}/${this.store.rules}/${this.day()}`;
  }

  private async begin(stored: Stored): Promise<Growing<Stored>> {
    const growing = growSeason(stored, this.store.exercises.library, this.day());
    // Weeks that are kept as they were planned keep their load limit too.
    const kept = await this.store.archive.weeks(stored.id);
    const past = growing.plan.season.filter((w) => w.start < mondayOf(growing.from));
    const { from, library } = growing;
    const behind = () => {
      const basis = pastBasis(growing.stored, from);
      return this.limits.of(stored.id, basis, library, () => limitsBefore(basis, library));
    };
    return { ...growing, pastLimits: once(() => withKept(past, kept, behind)) };
  }

  /** As far as the week of a date; null for a day outside the season or before what is planned. */
  until(stored: Stored, date: IsoDate): Planned | null {
    const { season } = stored.athlete;
    const weeks = weeksBetween(firstDay(stored, this.day()), date) + 1;
    return date < season.start || date > season.end || weeks < 1 ? null : this.near(stored, weeks);
  }

  /** The few weeks a squad row shows; not kept, since the rows are. */
  near(stored: Stored, weeks: number): Planned {
    const from = firstDay(stored, this.day());
    const { library } = this.store.exercises;
    return {
      stored,
      from,
      plan: plan(stored.athlete, { from, weeks, library, ...clubOptions(stored) }),
      pastLimits: () => new Map(),
      library,
    };
  }
}
