/** Rows of a view of the club, one an athlete, each kept while the athlete's facts, the club's rules and the day stay the same. */
import { LRUCache } from "lru-cache";
import type { IsoDate } from "../../core/dates";
import type { Store } from "../store/store";

interface Kept<R> {
  key: string;
  day: IsoDate;
  /** Later makings have higher numbers. */
  nth: number;
  row: R;
}

export interface Rows<R> {
  /** In the club's order. */
  rows: R[];
  /** Athletes whose rows tell the state before the last change: the new ones are being made. */
  behind: string[];
}

/** What makes rows. */
export interface RowMaker<R> {
  make: (id: string) => Promise<R | null>;
  /** The row of today that was last made, here or elsewhere, whatever has changed since; null where none is known. */
  last?: (id: string) => Promise<R | null>;
}

export class KeptRows<R extends object> {
  private readonly rows: LRUCache<string, Kept<R>>;
  /** Rows that are being made, by athlete, part and key: whoever asks meanwhile waits for the same. */
  private readonly making = new Map<string, Promise<R | null>>();
  private begun = 0;
  /** Makings up to this one were of what has been let go of. */
  private forgotten = 0;

  /** @param most rows kept; the least lately used go first */
  constructor(
    private readonly store: Store,
    private readonly today: () => IsoDate,
    most: number,
  ) {
    this.rows = new LRUCache({ max: most });
  }

  /** Everybody's, in the club's order. @param of parts rows of one athlete, such as the week they are of */
  async all(make: (id: string) => Promise<R | null>, of = ""): Promise<R[]> {
    return (await this.within(Number.POSITIVE_INFINITY, { make }, of)).rows;
  }

  /**
   * Everybody's: after so long, whoever's row is still being made is told as it was before, where it was made today. Rows are made side
   * by side, as many as there are threads.
   * @param ms patience; rows that were never made today are waited for all the same
   */
  async within(ms: number, { make, last }: RowMaker<R>, of = ""): Promise<Rows<R>> {
    const patience = Number.isFinite(ms) ? new Promise<"late">((r) => setTimeout(r, ms, "late")) : null;
    const behind: string[] = [];
    const rows = await Promise.all(
      (await this.store.athletes.list()).map(async ({ id, revision }) => {
        const key = `${revision}/${this.store.rules}/${this.today()}`;
        const at = `${id}/${of}`;
        const kept = this.rows.get(at);
        if (kept?.key === key) return kept.row;
        const made = this.made(at, key, () => make(id));
        if (!patience || (await Promise.race([made, patience])) !== "late") return made;
        const before = kept?.day === this.today() ? kept.row : await last?.(id);
        if (!before) return made;
        behind.push(id);
        return before;
      }),
    );
    return { rows: rows.filter((r) => r !== null), behind };
  }

  private made(at: string, key: string, make: () => Promise<R | null>): Promise<R | null> {
    const name = `${at}/${key}`;
    const under = this.making.get(name);
    if (under) return under;
    const [day, nth] = [this.today(), ++this.begun];
    const making = make()
      .then((row) => {
        const latest = Math.max(this.forgotten, this.rows.peek(at)?.nth ?? 0);
        if (row && nth > latest) this.rows.set(at, { key, day, nth, row });
        return row;
      })
      .finally(() => this.making.delete(name));
    // Whoever went on without it is told of what went wrong when asking again.
    making.catch(() => undefined);
    this.making.set(name, making);
    return making;
  }

  forget(): void {
    this.rows.clear();
    this.making.clear();
    this.forgotten = this.begun;
  }
}
