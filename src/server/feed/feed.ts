/** Pulls linked athletes' activities from the training log, on demand and on a schedule; each page is stored with its place in the log. */
import type { Logger } from "pino";
import type { FeedView, ImportCounts } from "../../api/views";
import { loggable } from "../errors";
import { FeedLinkEntity } from "../store/entities";
import { type ImportRows, importsOf, type StagedImport, takeImport } from "../store/imports";
import type { Store } from "../store/store";
import { type FeedClient, FeedError } from "./client";

/** Name of the imports that a pull makes. */
export const FEED_NAME = "Training log";

/** Pages of one pull at most. */
const MOST_PAGES = 500;

/** Links an athlete to an account of the log, from its beginning. @param account null ends the link; what came stays */
export const linkFeed = (store: Store, athleteId: string, account: string | null): Promise<void> =>
  store.db.write(async (m) => {
    const known = await m.findOneBy(FeedLinkEntity, { athleteId });
    if (account === null) await m.delete(FeedLinkEntity, { athleteId });
    else if (known?.account !== account)
      await m.upsert(FeedLinkEntity, { athleteId, account, cursor: null, checkedAt: null, fault: null }, ["athleteId"]);
  });

export class Feed {
  private readonly running = new Map<string, Promise<ImportCounts>>();
  private timer: NodeJS.Timeout | null = null;

  /** @param client null where no training log is set up */
  constructor(
    private readonly store: Store,
    private readonly client: FeedClient | null,
    private readonly log: Logger,
    /** Compares rows with what is stored, in a worker thread. */
    private readonly compare: (athleteId: string, rows: ImportRows) => Promise<StagedImport | null>,
    /** Told when a log was read. */
    private readonly pulled: () => void = () => undefined,
  ) {}

  async view(athleteId: string): Promise<FeedView> {
    const link = await this.store.db.reader.findOneBy(FeedLinkEntity, { athleteId });
    return {
      there: this.client !== null,
      account: link?.account ?? null,
      checkedAt: link?.checkedAt ?? null,
      fault: link?.fault ?? null,
      imports: await importsOf(this.store, athleteId),
    };
  }

  link(athleteId: string, account: string | null): Promise<void> {
    return linkFeed(this.store, athleteId, account);
  }

  /**
   * Everything new of one athlete; a pull under way is waited for, not begun again.
   * @throws FeedError where the log fails for good; the pages before that are stored
   */
  pull(athleteId: string): Promise<ImportCounts> {
    const known = this.running.get(athleteId);
    if (known) return known;
    const turn = this.pullNow(athleteId).finally(() => this.running.delete(athleteId));
    this.running.set(athleteId, turn);
    return turn;
  }

  private async pullNow(athleteId: string): Promise<ImportCounts> {
    const sum: ImportCounts = { added: 0, changed: 0, done: 0, known: 0 };
    const link = await this.store.db.reader.findOneBy(FeedLinkEntity, { athleteId });
    if (!this.client || !link) throw new FeedError("No training log is linked.");
    const zone = (await this.store.athletes.get(athleteId))?.athlete.athlete.timeZone ?? "UTC";
    const checkedAt = () => new Date().toISOString();
    try {
      let { cursor } = link;
      for (let pages = 0, more = true; more; pages++) {
        if (pages >= MOST_PAGES) throw new FeedError(`The training log did not end after ${MOST_PAGES} pages.`);
        const page = await this.client.page(link.account, cursor, zone);
        // A log that goes back or stands still would be read for ever.
        if (page.more && Number(page.next) <= Number(cursor ?? 0))
          throw new FeedError("The training log goes round in circles: its next page does not lie behind this one.");
        cursor = page.next;
        const place = { cursor, checkedAt: checkedAt(), fault: page.faults[0] ?? null };
        const again = () => this.compare(athleteId, { incoming: page.incoming, races: [] });
        const first = await again();
        const taken =
          first &&
          (await takeImport(this.store, athleteId, first, FEED_NAME, {
            again,
            also: (m) => m.update(FeedLinkEntity, { athleteId, account: link.account }, place),
          }));
        if (!taken) throw new FeedError("There is no such athlete.");
        for (const key of Object.keys(sum) as (keyof ImportCounts)[]) sum[key] += taken.compared.counts[key];
        this.pulled();
        more = page.more && page.incoming.length + page.faults.length > 0;
      }
    } catch (error) {
      if (!(error instanceof FeedError)) throw error;
      await this.store.db.write((m) =>
        m.update(FeedLinkEntity, { athleteId }, { checkedAt: checkedAt(), fault: error.message }),
      );
      throw error;
    }
    return sum;
  }

  /** Pulls every linked athlete, one after the other. */
  async pullAll(): Promise<void> {
    for (const { athleteId } of await this.store.db.reader.find(FeedLinkEntity))
      await this.pull(athleteId).catch((error: unknown) => {
        if (error instanceof FeedError) this.log.warn({ athlete: athleteId, fault: error.message }, "pull failed");
        else this.log.error({ error: loggable(error), athlete: athleteId }, "pull failed");
      });
  }

  /** Pulls every so often until it is stopped. */
  start(minutes: number): void {
    if (!this.client || this.timer) return;
    this.timer = setInterval(() => void this.pullAll(), minutes * 60_000);
    this.timer.unref();
  }

  async stop(): Promise<void> {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    this.client?.stop();
    await Promise.allSettled([...this.running.values()]);
  }
}
