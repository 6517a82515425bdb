/** The coach's copies of approaches, every saved version of them. */
import type { Approach } from "../../core/athlete";
import type { Database } from "./database";
import { ApproachEntity } from "./entities";

export interface ApproachVersion {
  approach: Approach;
  /** When it was saved, ISO 8601. */
  at: string;
  /** What the coach said about the change. */
  note: string;
}

export class ApproachStore {
  private latest: readonly Approach[] = [];

  constructor(private readonly db: Database) {}

  /** The latest version of each copy, in order of their names. */
  get all(): readonly Approach[] {
    return this.latest;
  }

  async read(): Promise<void> {
    const rows = await this.db.reader.find(ApproachEntity, { order: { id: "ASC", version: "ASC" } });
    const byId = new Map<string, Approach>();
    for (const r of rows) byId.set(r.id, JSON.parse(r.data) as Approach);
    this.latest = [...byId.values()].sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0));
  }

  /** Saves a copy as its next version. @returns the version saved */
  async save(approach: Approach, note = ""): Promise<Approach> {
    const saved = await this.db.write(async (m) => {
      const last = await m.findOne(ApproachEntity, { where: { id: approach.id }, order: { version: "DESC" } });
      const next = { ...approach, version: (last?.version ?? 0) + 1 };
      await m.insert(ApproachEntity, {
        id: next.id,
        version: next.version,
        at: new Date().toISOString(),
        note,
        data: JSON.stringify(next),
      });
      return next;
    });
    await this.read();
    return saved;
  }

  /** Takes a copy away with all its versions. @returns them, so that it can be put back */
  async remove(id: string): Promise<ApproachVersion[]> {
    const gone = await this.versions(id);
    await this.db.write((m) => m.delete(ApproachEntity, { id }));
    await this.read();
    return gone;
  }

  /** Every version of a copy, the newest first. */
  async versions(id: string): Promise<ApproachVersion[]> {
    const rows = await this.db.reader.find(ApproachEntity, { where: { id }, order: { version: "DESC" } });
    return rows.map((r) => ({ approach: JSON.parse(r.data) as Approach, at: r.at, note: r.note }));
  }
}
