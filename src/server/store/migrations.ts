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

export class ExerciseTables1775000000000 implements MigrationInterface {
  readonly name = "ExerciseTables1775000000000";

  async up(q: QueryRunner): Promise<void> {
    await q.query(
      `CREATE TABLE session_swap (athlete_id TEXT NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, date TEXT NOT NULL, label TEXT NOT NULL, from_exercise TEXT NOT NULL, to_exercise TEXT NOT NULL, PRIMARY KEY (athlete_id, date, label, from_exercise))`,
    );
    await q.query(`CREATE TABLE own_exercise (id TEXT PRIMARY KEY NOT NULL, data TEXT NOT NULL)`);
    await q.query(`CREATE TABLE hidden_exercise (id TEXT PRIMARY KEY NOT NULL)`);
  }

  async down(q: QueryRunner): Promise<void> {
    for (const table of ["hidden_exercise", "own_exercise", "session_swap"]) await q.query(`DROP TABLE ${table}`);
  }
}

export class ImportTables1776000000000 implements MigrationInterface {
  readonly name = "ImportTables1776000000000";

  async up(q: QueryRunner): Promise<void> {
    await q.query(
      `CREATE TABLE import_batch (id TEXT PRIMARY KEY NOT NULL, athlete_id TEXT NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, at TEXT NOT NULL, name TEXT NOT NULL, counts TEXT NOT NULL, undo TEXT NOT NULL)`,
    );
    await q.query(`CREATE INDEX import_batch_by_athlete ON import_batch (athlete_id, at)`);
    await q.query(
      `CREATE TABLE feed_link (athlete_id TEXT PRIMARY KEY NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, account TEXT NOT NULL, cursor TEXT, checked_at TEXT, fault TEXT)`,
    );
    await q.query(
      `CREATE TABLE week_note (athlete_id TEXT NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, monday TEXT NOT NULL, text TEXT NOT NULL, PRIMARY KEY (athlete_id, monday))`,
    );
    await q.query(
      `CREATE TABLE coach_absence (id TEXT PRIMARY KEY NOT NULL, start TEXT NOT NULL, end TEXT NOT NULL, what TEXT NOT NULL)`,
    );
  }

  async down(q: QueryRunner): Promise<void> {
    for (const table of ["coach_absence", "week_note", "feed_link", "import_batch"])
      await q.query(`DROP TABLE ${table}`);
  }
}

export class EditTables1777000000000 implements MigrationInterface {
  readonly name = "EditTables1777000000000";

  async up(q: QueryRunner): Promise<void> {
    await q.query(
      `CREATE TABLE edit (id TEXT PRIMARY KEY NOT NULL, athlete_id TEXT NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, seq INTEGER NOT NULL, at TEXT NOT NULL, what TEXT NOT NULL, changes TEXT NOT NULL, undone BOOLEAN NOT NULL)`,
    );
    await q.query(`CREATE INDEX edit_by_athlete ON edit (athlete_id, seq)`);
    await q.query(`CREATE TABLE club_setting (name TEXT PRIMARY KEY NOT NULL, data TEXT NOT NULL)`);
  }

  async down(q: QueryRunner): Promise<void> {
    for (const table of ["club_setting", "edit"]) await q.query(`DROP TABLE ${table}`);
  }
}

export class DoseTables1778000000000 implements MigrationInterface {
  readonly name = "DoseTables1778000000000";

  async up(q: QueryRunner): Promise<void> {
    await q.query(
      `CREATE TABLE approach (id TEXT NOT NULL, version INTEGER NOT NULL, at TEXT NOT NULL, note TEXT NOT NULL, data TEXT NOT NULL, PRIMARY KEY (id, version))`,
    );
    await q.query(
      `CREATE TABLE session_template (id TEXT PRIMARY KEY NOT NULL, name TEXT NOT NULL, data TEXT NOT NULL)`,
    );
    await q.query(
      `CREATE TABLE week_plan (athlete_id TEXT NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, monday TEXT NOT NULL, data TEXT NOT NULL, PRIMARY KEY (athlete_id, monday))`,
    );
    await q.query(
      `CREATE TABLE block_review (id TEXT PRIMARY KEY NOT NULL, athlete_id TEXT NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, start TEXT NOT NULL, end TEXT NOT NULL, text TEXT NOT NULL, sent_at TEXT)`,
    );
  }

  async down(q: QueryRunner): Promise<void> {
    for (const table of ["block_review", "week_plan", "session_template", "approach"])
      await q.query(`DROP TABLE ${table}`);
  }
}

export class SafetyTables1779000000000 implements MigrationInterface {
  readonly name = "SafetyTables1779000000000";

  async up(q: QueryRunner): Promise<void> {
    // Answers to requests that create, so that the same request sent again creates nothing twice.
    await q.query(
      `CREATE TABLE idempotency (key TEXT PRIMARY KEY NOT NULL, athlete_id TEXT REFERENCES athlete(id) ON DELETE CASCADE, request TEXT NOT NULL, status INTEGER NOT NULL, answer TEXT NOT NULL, at TEXT NOT NULL)`,
    );
    // Athletes that were erased: their ids alone, so that a restore erases them again.
    await q.query(`CREATE TABLE erasure (athlete_id TEXT PRIMARY KEY NOT NULL, at TEXT NOT NULL)`);
    // Rows of an import are stored slice by slice and hidden until all are there.
    await q.query(`CREATE TABLE hidden_batch (batch TEXT PRIMARY KEY NOT NULL)`);
    await q.query(`ALTER TABLE endurance_session ADD COLUMN batch TEXT`);
    await q.query(`CREATE INDEX endurance_session_by_batch ON endurance_session (batch) WHERE batch IS NOT NULL`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query("DROP INDEX endurance_session_by_batch");
    await q.query("ALTER TABLE endurance_session DROP COLUMN batch");
    for (const table of ["hidden_batch", "erasure", "idempotency"]) await q.query(`DROP TABLE ${table}`);
  }
}

export class AccountTables1780000000000 implements MigrationInterface {
  readonly name = "AccountTables1780000000000";

  async up(q: QueryRunner): Promise<void> {
    await q.query(
      `CREATE TABLE account (id TEXT PRIMARY KEY NOT NULL, name TEXT NOT NULL UNIQUE, shown TEXT NOT NULL, role TEXT NOT NULL, athletes TEXT NOT NULL, hash TEXT, codes TEXT NOT NULL, closed BOOLEAN NOT NULL, made_at TEXT NOT NULL)`,
    );
    await q.query(
      `CREATE TABLE account_session (id TEXT PRIMARY KEY NOT NULL, account_id TEXT NOT NULL REFERENCES account(id) ON DELETE CASCADE, made_at TEXT NOT NULL, seen_at TEXT NOT NULL, ends_at TEXT NOT NULL, device TEXT NOT NULL)`,
    );
    await q.query(`CREATE INDEX account_session_by_account ON account_session (account_id)`);
    await q.query(`CREATE TABLE access (name TEXT PRIMARY KEY NOT NULL, data TEXT NOT NULL)`);
  }

  async down(q: QueryRunner): Promise<void> {
    for (const table of ["access", "account_session", "account"]) await q.query(`DROP TABLE ${table}`);
  }
}

export class PhoneTables1781000000000 implements MigrationInterface {
  readonly name = "PhoneTables1781000000000";

  async up(q: QueryRunner): Promise<void> {
    await q.query(`ALTER TABLE account_session ADD COLUMN kind TEXT NOT NULL DEFAULT 'browser'`);
    await q.query(
      `CREATE TABLE message (id TEXT PRIMARY KEY NOT NULL, athlete_id TEXT NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, at TEXT NOT NULL, by_whom TEXT NOT NULL, who TEXT NOT NULL, text TEXT NOT NULL, about TEXT)`,
    );
    await q.query(`CREATE INDEX message_by_athlete ON message (athlete_id, at)`);
    await q.query(
      `CREATE TABLE published_week (athlete_id TEXT NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, monday TEXT NOT NULL, at TEXT NOT NULL, note TEXT NOT NULL, data TEXT NOT NULL, PRIMARY KEY (athlete_id, monday))`,
    );
    await q.query(
      `CREATE TABLE arrival (athlete_id TEXT NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, thing TEXT NOT NULL, at TEXT NOT NULL, kind TEXT NOT NULL, about TEXT, text TEXT NOT NULL, urgent BOOLEAN NOT NULL, done BOOLEAN NOT NULL, until TEXT, PRIMARY KEY (athlete_id, thing))`,
    );
    // Who read and who changed what of an athlete: without a reference, since a restore takes all athletes out and in again.
    await q.query(
      `CREATE TABLE access_log (athlete_id TEXT NOT NULL, day TEXT NOT NULL, account TEXT NOT NULL, what TEXT NOT NULL, changed BOOLEAN NOT NULL, who TEXT NOT NULL, times INTEGER NOT NULL, last_at TEXT NOT NULL, PRIMARY KEY (athlete_id, day, account, what, changed))`,
    );
  }

  async down(q: QueryRunner): Promise<void> {
    for (const table of ["access_log", "arrival", "published_week", "message"]) await q.query(`DROP TABLE ${table}`);
    await q.query("ALTER TABLE account_session DROP COLUMN kind");
  }
}

export class PasskeyTables1782000000000 implements MigrationInterface {
  readonly name = "PasskeyTables1782000000000";

  async up(q: QueryRunner): Promise<void> {
    await q.query(
      `CREATE TABLE passkey (id TEXT PRIMARY KEY NOT NULL, account_id TEXT NOT NULL REFERENCES account(id) ON DELETE CASCADE, public_key TEXT NOT NULL, counter INTEGER NOT NULL, transports TEXT NOT NULL, name TEXT NOT NULL, made_at TEXT NOT NULL, used_at TEXT)`,
    );
    await q.query(`CREATE INDEX passkey_by_account ON passkey (account_id)`);
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query("DROP TABLE passkey");
  }
}

export class GroupTables1783000000000 implements MigrationInterface {
  readonly name = "GroupTables1783000000000";

  async up(q: QueryRunner): Promise<void> {
    await q.query(
      `CREATE TABLE athlete_group (id TEXT PRIMARY KEY NOT NULL, position INTEGER NOT NULL, name TEXT NOT NULL, hour TEXT)`,
    );
    await q.query(
      `CREATE TABLE group_member (group_id TEXT NOT NULL REFERENCES athlete_group(id) ON DELETE CASCADE, athlete_id TEXT NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, seq INTEGER NOT NULL, PRIMARY KEY (group_id, athlete_id))`,
    );
    await q.query(
      `CREATE TABLE many_change (id TEXT PRIMARY KEY NOT NULL, at TEXT NOT NULL, what TEXT NOT NULL, undone BOOLEAN NOT NULL)`,
    );
    await q.query(
      `CREATE TABLE many_change_athlete (change_id TEXT NOT NULL REFERENCES many_change(id) ON DELETE CASCADE, athlete_id TEXT NOT NULL REFERENCES athlete(id) ON DELETE CASCADE, seq INTEGER NOT NULL, PRIMARY KEY (change_id, athlete_id))`,
    );
  }

  async down(q: QueryRunner): Promise<void> {
    for (const table of ["many_change_athlete", "many_change", "group_member", "athlete_group"])
      await q.query(`DROP TABLE ${table}`);
  }
}

export class ArchivedAthletes1784000000000 implements MigrationInterface {
  readonly name = "ArchivedAthletes1784000000000";

  async up(q: QueryRunner): Promise<void> {
    await q.query("ALTER TABLE athlete ADD COLUMN archived_at TEXT");
  }

  async down(q: QueryRunner): Promise<void> {
    await q.query("ALTER TABLE athlete DROP COLUMN archived_at");
  }
}

export const MIGRATIONS = [
  FirstTables1774000000000,
  ExerciseTables1775000000000,
  ImportTables1776000000000,
  EditTables1777000000000,
  DoseTables1778000000000,
  SafetyTables1779000000000,
  AccountTables1780000000000,
  PhoneTables1781000000000,
  PasskeyTables1782000000000,
  GroupTables1783000000000,
  ArchivedAthletes1784000000000,
];
