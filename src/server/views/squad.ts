/** The survey table of the club. Rows are kept while an athlete's facts and the day stay the same. */
import type { SquadRow, SquadView } from "../../api/views";
import type { IsoDate } from "../../core/dates";
import type { Store } from "../store/store";
import { KeptRows, type RowMaker } from "./keptRows";

export interface Written {
  /** Names the state of the whole club; serves as the answer's ETag. */
  key: string;
  json: Buffer;
}
/** Without a key where some rows tell an older state. */
export type WrittenSquad = Omit<Written, "key"> & { key: string | null };

/** Setting of the club: what the coach has seen of each athlete, and until when. */
export const SEEN = "seen";
export type Seen = Readonly<Record<string, Readonly<Record<string, IsoDate>>>>;

/** Lets go of what was seen of an athlete. */
export async function forgetSeen(store: Store, id: string): Promise<void> {
  const known = (await store.club.setting(SEEN)) as Seen | null;
  if (known?.[id])
    await store.club.set<Seen>(SEEN, (before) =>
      Object.fromEntries(Object.entries(before ?? {}).filter(([other]) => other !== id)),
    );
}

/** Points that were seen stand behind the others until their day. */
function withSeen(row: SquadRow, seen: Readonly<Record<string, IsoDate>>, today: IsoDate): SquadRow {
  const attention = row.attention.map((a) => {
    const until = seen[a.key];
    return { ...a, seenUntil: until !== undefined && until > today ? until : null };
  });
  return {
    ...row,
    attention: [...attention.filter((a) => a.seenUntil === null), ...attention.filter((a) => a.seenUntil !== null)],
  };
}

/** Rows kept at most: more athletes than a club has. */
const KEPT = 5000;

export class Squad {
  private readonly rows: KeptRows<SquadRow>;
  private making: { key: string; written: Promise<WrittenSquad> } | null = null;
  private kept: Written | null = null;
  /** Keeps the keys of two runs apart. */
  private readonly started = Date.now().toString(36);

  constructor(
    private readonly store: Store,
    private readonly today: () => IsoDate,
    /** In worker threads. */
    private readonly maker: RowMaker<SquadRow>,
    /** Rows that take longer are told as they were before, ms. */
    private readonly patienceMs: number,
  ) {
    this.rows = new KeptRows(store, today, KEPT);
  }

  /** Another club stands in this one's place. */
  forget(): void {
    this.rows.forget();
    this.kept = null;
    this.making = null;
  }

  /**
   * The view as JSON, written once for as long as no athlete and no day changes: it is asked for more than anything else.
   * Whoever asks while it is being made waits for the same making; with rows that are behind it is made anew each time.
   */
  async json(): Promise<WrittenSquad> {
    const key = `${this.started}-${this.store.version}-${this.today()}`;
    if (this.kept?.key === key) return this.kept;
    if (this.making?.key !== key) this.making = { key, written: this.write(key) };
    return this.making.written;
  }

  private async write(key: string): Promise<WrittenSquad> {
    try {
      const { rows, behind, failed } = await this.rows.within(this.patienceMs, this.maker);
      const view: SquadView = { today: this.today(), rows: await this.inOrder(rows), behind, failed };
      const json = Buffer.from(JSON.stringify(view));
      if (behind.length + failed.length > 0) return { key: null, json };
      this.kept = { key, json };
      return this.kept;
    } finally {
      if (this.making?.key === key) this.making = null;
    }
  }

  /** Most pressing first, then the club's order. */
  private async inOrder(made: readonly SquadRow[]): Promise<SquadRow[]> {
    const seen = ((await this.store.club.setting(SEEN)) ?? {}) as Seen;
    const out = made.map((r) => withSeen(r, seen[r.id] ?? {}, this.today()));
    const weight = (r: SquadRow) => (r.attention[0]?.seenUntil === null ? r.attention[0].weight : 0);
    return out
      .map((r, i) => ({ r, i }))
      .sort((a, b) => weight(b.r) - weight(a.r) || a.i - b.i)
      .map(({ r }) => r);
  }
}
