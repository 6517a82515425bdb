/** What holds for the whole club: settings by name, points of the rules, rules switched off. */
import type { RuleValues } from "../../core/rulebook";
import type { Database } from "./database";
import { ClubSettingEntity } from "./entities";

export class ClubStore {
  /** Points of the rules as the coach has set them for everybody. */
  weights: Readonly<Record<string, number>> = {};
  /** Numbers of the rules as the coach has set them for everybody. */
  values: RuleValues = {};
  /** Rules of the phases that the coach has switched off for everybody. */
  rulesOff: readonly string[] = [];

  constructor(private readonly db: Database) {}

  async read(): Promise<void> {
    this.rulesOff = ((await this.setting("rulesOff")) ?? []) as string[];
    this.values = ((await this.setting("ruleValues")) ?? {}) as RuleValues;
    this.weights = ((await this.setting("weights")) ?? {}) as Record<string, number>;
  }

  /** @returns null where it was never set */
  async setting(name: string): Promise<unknown> {
    const row = await this.db.reader.findOneBy(ClubSettingEntity, { name });
    return row ? JSON.parse(row.data) : null;
  }

  /** @param change of the value as it stands, read in the same transaction */
  async set<T>(name: string, change: (before: T | null) => T): Promise<void> {
    await this.db.write(async (m) => {
      const row = await m.findOneBy(ClubSettingEntity, { name });
      const data = JSON.stringify(change(row ? (JSON.parse(row.data) as T) : null));
      await m.upsert(ClubSettingEntity, { name, data }, ["name"]);
    });
    await this.read();
  }
}
