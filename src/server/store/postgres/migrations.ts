/** Migrations of a database server. A table that changes has a migration here and one of a club's own file; a test holds both schemas equal. */
import type { MigrationInterface, QueryRunner } from "typeorm";
import { firstTablesSql } from "./tables";

export class ServerTables1784000000001 implements MigrationInterface {
  readonly name = "ServerTables1784000000001";

  async up(q: QueryRunner): Promise<void> {
    for (const sql of firstTablesSql()) await q.query(sql);
  }

  async down(): Promise<void> {
    throw new Error("The tables of all clubs are not taken away by a step back: restore a dump.");
  }
}

export const SERVER_MIGRATIONS = [ServerTables1784000000001];
