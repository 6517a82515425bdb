/** What the past holds: weeks as they were planned, written once, and the coach's reviews of blocks. */
import type { IsoDate } from "../../core/dates";
import type { WeekPlan } from "../../core/story";
import type { Database } from "./database";
import { ReviewEntity, type ReviewRow, WeekPlanEntity } from "./entities";

/** A week as it was kept; earlier versions called its load limit otherwise. */
function weekPlanOf(data: string): WeekPlan {
  const { depthLimit, ...week } = JSON.parse(data) as WeekPlan & { depthLimit?: number };
  return depthLimit === undefined ? week : { ...week, loadLimit: depthLimit };
}

export class WeekArchive {
  constructor(private readonly db: Database) {}

  async weeks(athleteId: string): Promise<Map<IsoDate, WeekPlan>> {
    const rows = await this.db.reader.findBy(WeekPlanEntity, { athleteId });
    return new Map(rows.map((r) => [r.monday, weekPlanOf(r.data)]));
  }

  /** Weeks that are kept: they only grow in number. */
  count(athleteId: string): Promise<number> {
    return this.db.reader.countBy(WeekPlanEntity, { athleteId });
  }

  /** Weeks that are kept already stay as they are. */
  async keep(athleteId: string, plans: readonly WeekPlan[]): Promise<void> {
    if (plans.length === 0) return;
    await this.db.writeAside(async (m) => {
      for (const p of plans)
        await m
          .createQueryBuilder()
          .insert()
          .into(WeekPlanEntity)
          .values({ athleteId, monday: p.monday, data: JSON.stringify(p) })
          .orIgnore()
          .execute();
    });
  }

  async review(
    athleteId: string,
    start: IsoDate,
    end: IsoDate,
  ): Promise<{ text: string; sentAt: string | null } | null> {
    const row = await this.db.reader.findOneBy(ReviewEntity, { athleteId, start, end });
    return row ? { text: row.text, sentAt: row.sentAt } : null;
  }

  /** Everything that was written about an athlete's blocks. */
  reviews(athleteId: string): Promise<ReviewRow[]> {
    return this.db.reader.find(ReviewEntity, { where: { athleteId }, order: { start: "ASC" } });
  }

  async keepReview(
    athleteId: string,
    r: { id: string; start: IsoDate; end: IsoDate; text: string; sent: boolean },
  ): Promise<void> {
    await this.db.write(async (m) => {
      const known = await m.findOneBy(ReviewEntity, { athleteId, start: r.start, end: r.end });
      const sentAt = r.sent ? new Date().toISOString() : (known?.sentAt ?? null);
      if (known) await m.update(ReviewEntity, { id: known.id }, { text: r.text, sentAt });
      else await m.insert(ReviewEntity, { id: r.id, athleteId, start: r.start, end: r.end, text: r.text, sentAt });
    });
  }
}
