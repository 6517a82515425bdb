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
  /** Those whose rows tell it because the new ones could not be made. */
  failed: string[];
}

/** A row that could not be made is tried again after so long, ms; a change is another row. */
const AGAIN_MS = 30_000;

/** What makes rows. */
export interface RowMaker<R> {
  make: (id: string) => Promise<R | null>;
  /** The row of today that was last made, here or elsewhere, whatever has changed since; null where none is known. */
  last?: (id: string) => Promise<R | null>;
  /** A row could not be made. */
  failed?: (id: string, error: unknown) => void;
}

export class KeptRows<R extends object> {
  private readonly rows: LRUCache<string, Kept<R>>;
  /** Rows that are being made, by athlete, part and key: whoever asks meanwhile waits for the same. */
  private readonly making = new Map<string, Promise<R | null>>();
  /** Rows that could not be made. */
  private readonly failures = new Map<string, { key: string; until: number }>();
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
   * by side, as many as there are threads. A row that cannot be made takes no other with it, where an older one is known.
   * @param ms patience; rows that were never made today are waited for all the same
   * @throws what a row failed with of which nothing is known
   */
  async within(ms: number, maker: RowMaker<R>, of = ""): Promise<Rows<R>> {
    const late = Number.isFinite(ms) ? new Promise<"late">((r) => setTimeout(r, ms, "late")) : null;
    const behind: string[] = [];
    const failed: string[] = [];
    const rows = await Promise.all(
      (await this.store.athletes.list()).map(async ({ id, revision }) => {
        const key = `${revision}/${this.store.rules}/${this.today()}`;
        const at = `${id}/${of}`;
        const kept = this.rows.get(at);
        if (kept?.key === key) return kept.row;
        if (!late) return this.made(id, at, key, maker);
        const made = this.hasFailed(at, key) ? null : this.made(id, at, key, maker);
        const now = made ? await Promise.race([made.catch(() => "failed" as const), late]) : "failed";
        if (now !== "late" && now !== "failed") return now;
        const before = kept?.day === this.today() ? kept.row : await maker.last?.(id);
        // The same making where one is under way: what ended meanwhile is not made twice.
        if (!before) return made ?? this.made(id, at, key, maker);
        (now === "late" ? behind : failed).push(id);
        return before;
      }),
    );
    return { rows: rows.filter((r) => r !== null), behind, failed };
  }

  private hasFailed(at: string, key: string): boolean {
    const failure = this.failures.get(at);
    return failure?.key === key && Date.now() < failure.until;
  }

  private made(id: string, at: string, key: string, { make, failed }: RowMaker<R>): Promise<R | null> {
    const name = `${at}/${key}`;
    const under = this.making.get(name);
    if (under) return under;
    const [day, nth] = [this.today(), ++this.begun];
    const making = make(id)
      .then((row) => {
        this.failures.delete(at);
        const latest = Math.max(this.forgotten, this.rows.peek(at)?.nth ?? 0);
        if (row && nth > latest) this.rows.set(at, { key, day, nth, row });
        return row;
      })
      .finally(() => this.making.delete(name));
    // Whoever went on without it is told that it failed when asking again.
    making.catch((error: unknown) => {
      this.failures.set(at, { key, until: Date.now() + AGAIN_MS });
      failed?.(id, error);
    });
    this.making.set(name, making);
    return making;
  }

  forget(): void {
    this.rows.clear();
    this.making.clear();
    this.failures.clear();
    this.forgotten = this.begun;
  }
}
