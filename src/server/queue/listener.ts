/** Hears what is said on channels of a database server, on a connection of its own that is made again where it falls. */
import pg from "pg";

/** Between two tries to connect, ms. */
const AGAIN_MS = 1000;

export class Listener {
  private client: pg.Client | null = null;
  private closed = false;

  private constructor(
    private readonly url: string,
    private readonly heard: ReadonlyMap<string, (said: string) => void>,
    /** Told when something may have been missed. */
    private readonly missed: () => void,
  ) {}

  /** @param heard what is done with a word, by its channel */
  static async open(
    url: string,
    heard: ReadonlyMap<string, (said: string) => void>,
    missed: () => void,
  ): Promise<Listener> {
    const listener = new Listener(url, heard, missed);
    await listener.connect();
    return listener;
  }

  private async connect(): Promise<void> {
    const client = new pg.Client({ connectionString: this.url, application_name: "field-anchor-listener" });
    client.on("notification", ({ channel, payload }) => this.heard.get(channel)?.(payload ?? ""));
    client.on("error", () => undefined);
    client.on("end", () => this.fell(client));
    await client.connect();
    for (const channel of this.heard.keys()) await client.query(`LISTEN ${channel}`);
    this.client = client;
  }

  private fell(client: pg.Client): void {
    if (this.closed || (this.client !== null && this.client !== client)) return;
    this.client = null;
    setTimeout(() => {
      if (this.closed) return;
      this.connect().then(this.missed, () => this.fell(client));
    }, AGAIN_MS).unref();
  }

  async close(): Promise<void> {
    this.closed = true;
    await this.client?.end().catch(() => undefined);
  }
}
