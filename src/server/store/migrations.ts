/** Every table comes from a migration; the schema is never synchronised on its own. */
import type { MigrationInterface, QueryRunner } from "typeorm";

const LIST_TABLES = ["race", "endurance_session", "strength_log", "locked_session"];

export class FirstTables1774000000000 implements MigrationInterface {
  readonly name = "FirstTables1774000000000";

  async up(q: QueryRunner): Promise<void> {
    await q.query(
      `CREATE TABLE athlete (id TEXT PRIMARY KEY NOT NULL, position INTEGER NOT NULL, revision INTEGER NOT NULL, name TEXT NOT NULL, record TEXT NOT NULL)`,
    );
    for (const table of LIST_TABLES) {
      await q.query(
        `CREATE TABLE ${table} (id TEXT PRIMARY KEY NOT NULL, athlete_id TEXT NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, seq INTEGER NOT NULL, date TEXT NOT NULL, data TEXT NOT NULL)`,
      );
      await q.query(`CREATE INDEX ${table}_by_athlete ON ${table} (athlete_id, date)`);
    }
    await q.query(
      `CREATE TABLE held_week (athlete_id TEXT NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, monday TEXT NOT NULL, data TEXT NOT NULL, PRIMARY KEY (athlete_id, monday))`,
    );
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query("DROP TABLE held_week");
    for (const table of [...LIST_TABLES].reverse()) await q.query(`DROP TABLE ${table}`);
    await q.query("DROP TABLE athlete");
  }
}

export const MIGRATIONS = [FirstTables1774000000000];
