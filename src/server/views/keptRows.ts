/** Rows of a view of the club, one an athlete, each kept while the athlete's facts, the club's rules and the day stay the same. */
import { LRUCache } from "lru-cache";
import type { IsoDate } from "../../core/dates";
import type { Store } from "../store/store";

export class KeptRows<R extends object> {
  private readonly rows: LRUCache<string, { key: string; row: R }>;

  /** @param most rows kept; the least lately used go first */
  constructor(
    private readonly store: Store,
    private readonly today: () => IsoDate,
    most: number,
  ) {
    this.rows = new LRUCache({ max: most });
  }

  /**
   * Everybody's, in the club's order. Rows are made side by side, as many as there are threads.
   * @param of parts rows of one athlete, such as the week they are of
   */
  async all(make: (id: string) => Promise<R | null>, of = ""): Promise<R[]> {
    const rows = await Promise.all(
      (await this.store.athletes.list()).map(async ({ id, revision }) => {
        const key = `${revision}/${this.store.rules}/${this.today()}`;
        const kept = this.rows.get(`${id}/${of}`);
        if (kept?.key === key) return kept.row;
        const row = await make(id);
        if (row) this.rows.set(`${id}/${of}`, { key, row });
        return row;
      }),
    );
    return rows.filter((r) => r !== null);
  }

  forget(): void {
    this.rows.clear();
  }
}
