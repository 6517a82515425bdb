/** What the phone keeps: the facts, what waits to be sent, what was refused. Nothing is said to be saved before it is on the disk. */
import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { PhoneFacts, PhoneScreen } from "../api/phoneViews";
import type { Skew } from "./clock";
import { type Command, type Refused, withCommand } from "./commands";

export interface Kept {
  facts: PhoneFacts;
  skew: Skew;
  /** Tells the server which facts are here. */
  tag: string;
}

interface Schema extends DBSchema {
  state: { key: "kept" | "screen" | "athlete"; value: Kept | PhoneScreen | string };
  outbox: { key: number; value: Command };
  refused: { key: string; value: Refused };
}

const NAME = "field-anchor-phone";
/** Written through to the disk before it is answered, where the browser can say so. */
const STRICT = { durability: "strict" } as const;

export class PhoneDb {
  private opened: Promise<IDBPDatabase<Schema>> | null = null;

  constructor(private readonly name = NAME) {}

  private db(): Promise<IDBPDatabase<Schema>> {
    this.opened ??= openDB<Schema>(this.name, 1, {
      upgrade(d) {
        d.createObjectStore("state");
        d.createObjectStore("outbox", { keyPath: "seq", autoIncrement: true });
        d.createObjectStore("refused", { keyPath: "id" });
      },
    });
    return this.opened;
  }

  async athleteHere(): Promise<string | null> {
    return ((await (await this.db()).get("state", "athlete")) as string | undefined) ?? null;
  }

  async keptHere(): Promise<Kept | null> {
    return ((await (await this.db()).get("state", "kept")) as Kept | undefined) ?? null;
  }

  async screenHere(): Promise<PhoneScreen | null> {
    return ((await (await this.db()).get("state", "screen")) as PhoneScreen | undefined) ?? null;
  }

  async keepScreen(screen: PhoneScreen): Promise<void> {
    await (await this.db()).put("state", screen, "screen");
  }

  async queueHere(): Promise<Command[]> {
    return (await this.db()).getAll("outbox");
  }

  async refusedHere(): Promise<Refused[]> {
    return (await this.db()).getAll("refused");
  }

  /** Another athlete's phone from now on: nothing of the one before stays. @returns false where something of theirs waits to be sent */
  async begin(athlete: string): Promise<boolean> {
    const tx = (await this.db()).transaction(["state", "outbox", "refused"], "readwrite", STRICT);
    const before = await tx.objectStore("state").get("athlete");
    if (before !== undefined && before !== athlete && (await tx.objectStore("outbox").getAll()).some((c) => !c.taken))
      return false;
    if (before !== athlete) {
      await Promise.all([
        tx.objectStore("state").clear(),
        tx.objectStore("outbox").clear(),
        tx.objectStore("refused").clear(),
      ]);
    }
    await tx.objectStore("state").put(athlete, "athlete");
    await tx.done;
    return true;
  }

  /** Nothing stays on this phone. */
  async forgetAll(): Promise<void> {
    const tx = (await this.db()).transaction(["state", "outbox", "refused"], "readwrite", STRICT);
    await Promise.all([
      tx.objectStore("state").clear(),
      tx.objectStore("outbox").clear(),
      tx.objectStore("refused").clear(),
    ]);
    await tx.done;
  }

  /** Puts a command at the end of the line. It is kept once this resolves. */
  async enqueue(next: Pick<Command, "id" | "method" | "path" | "body">): Promise<void> {
    const tx = (await this.db()).transaction("outbox", "readwrite", STRICT);
    const queue = await tx.store.getAll();
    // The next number is the store's to give.
    const { stored } = withCommand(queue, { ...next, seq: Number.NaN });
    if (Number.isNaN(stored.seq)) {
      const { seq: _, ...fresh } = stored;
      await tx.store.add(fresh as Command);
    } else await tx.store.put(stored);
    await tx.done;
  }

  /** The next command that has not arrived, marked as leaving. */
  async nextToSend(): Promise<Command | null> {
    const tx = (await this.db()).transaction("outbox", "readwrite", STRICT);
    const next = (await tx.store.getAll()).find((c) => !c.taken) ?? null;
    if (next && !next.left) await tx.store.put({ ...next, left: true });
    await tx.done;
    return next && { ...next, left: true };
  }

  async markTaken(command: Command): Promise<void> {
    await (await this.db()).put("outbox", { ...command, taken: true });
  }

  /** The server would not take it: it leaves the line and is shown with why. */
  async markRefused(command: Command, why: string): Promise<void> {
    const tx = (await this.db()).transaction(["outbox", "refused"], "readwrite", STRICT);
    await tx.objectStore("outbox").delete(command.seq);
    await tx.objectStore("refused").put({ id: command.id, path: command.path, body: command.body, why });
    await tx.done;
  }

  async dismissRefused(id: string): Promise<void> {
    await (await this.db()).delete("refused", id);
  }

  /** New facts, which hold the commands that were taken before they were asked for. */
  async keepFacts(kept: Kept, held: readonly number[]): Promise<void> {
    const tx = (await this.db()).transaction(["state", "outbox"], "readwrite", STRICT);
    await tx.objectStore("state").put(kept, "kept");
    for (const seq of held) await tx.objectStore("outbox").delete(seq);
    await tx.done;
  }
}
