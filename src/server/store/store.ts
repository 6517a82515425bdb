/** The store: athletes in and out of SQLite. Each write is one transaction and raises the athlete's revision. */
import { randomUUID } from "node:crypto";
import { mkdirSync } from "node:fs";
import { dirname } from "node:path";
import { DataSource, type EntityManager } from "typeorm";
import type { Facts } from "../../api/make/planned";
import type { Athlete, EnduranceSession, Label, LockedSession, Race, StrengthLog } from "../../core/athlete/types";
import { mondayOf } from "../../core/dates";
import type { Swap } from "../../core/plan";
import {
  AthleteEntity,
  type AthleteRow,
  ClubSettingEntity,
  ENTITIES,
  HeldEntity,
  LIST_ENTITIES,
  LISTS,
  type ListRow,
  SwapEntity,
  WeekNoteEntity,
} from "./entities";
import { type Edits, editsOf, remember, snapshot, step } from "./journal";
import { insertList, putList } from "./lists";
import { MIGRATIONS } from "./migrations";
import { Past } from "./past";
import { Schools } from "./schools";
import { Shelf } from "./shelf";

export interface Stored extends Facts {
  revision: number;
}

/** What changes of an athlete; whatever is left out stays. */
export type Change = (athlete: Athlete) => Athlete;

export class Store {
  private line: Promise<unknown> = Promise.resolve();
  private writes = 0;
  /** Points of the rules as the coach has set them for everybody. */
  private weights: Readonly<Record<string, number>> = {};
  /** Rules of the phases that the coach has switched off for everybody. */
  private rulesOff: readonly string[] = [];
  /** The coach's copies of approaches. */
  readonly schools: Schools;
  /** Past weeks as they were planned, and reviews. */
  readonly past: Past;
  /** The coach's exercises and the library they make. */
  readonly shelf: Shelf;

  /** Rises with every write of this process, which is the only one that writes; tells whether anything can have changed. */
  get version(): number {
    return this.writes;
  }

  /** Differs once the coach changes the points of the rules, switches one, or saves an approach. */
  get rules(): string {
    return JSON.stringify([this.weights, this.rulesOff, this.schools.all.map((a) => [a.id, a.version])]);
  }

  get switchedOff(): readonly string[] {
    return this.rulesOff;
  }

  private constructor(private readonly db: DataSource) {
    this.shelf = new Shelf(db.manager, (work) => this.write(work));
    this.schools = new Schools(db.manager, (work) => this.write(work));
    this.past = new Past(db.manager, (work) => this.write(work));
  }

  /** Opens the file, makes what is missing, brings it up to date. @param file path, or ":memory:" */
  static async open(file: string): Promise<Store> {
    if (file !== ":memory:") mkdirSync(dirname(file), { recursive: true });
    const db = new DataSource({
      type: "better-sqlite3",
      database: file,
      entities: ENTITIES,
      migrations: MIGRATIONS,
      migrationsRun: true,
      synchronize: false,
      enableWAL: file !== ":memory:",
      prepareDatabase: (raw: { pragma: (s: string) => unknown }) => {
        raw.pragma("foreign_keys = ON");
        raw.pragma("busy_timeout = 4000");
        raw.pragma("cache_size = -8000");
      },
    });
    await db.initialize();
    const store = new Store(db);
    await store.shelf.read();
    await store.schools.read();
    store.rulesOff = ((await store.clubSetting("rulesOff")) ?? []) as string[];
    store.weights = ((await store.clubSetting("weights")) ?? {}) as Record<string, number>;
    return store;
  }

  /** @param to null gives the slot back to the planner */
  async swap(id: string, date: string, label: Label, from: string, to: string | null): Promise<boolean> {
    return this.edit(id, to === null ? "Swap taken back" : "Exercise swapped", async (m) => {
      if (!(await this.touch(m, id))) return false;
      const key = { athleteId: id, date, label, from };
      if (to === null) await m.delete(SwapEntity, key);
      else await m.upsert(SwapEntity, { ...key, to }, ["athleteId", "date", "label", "from"]);
      return true;
    });
  }

  close(): Promise<void> {
    return this.db.destroy();
  }

  /** Value of a SQLite pragma, for the health check and the tests. */
  async pragma(name: "journal_mode" | "foreign_keys"): Promise<unknown> {
    const rows: Record<string, unknown>[] = await this.db.query(`PRAGMA ${name}`);
    return rows[0]?.[name];
  }

  /** Ids and revisions in the club's order. */
  async list(): Promise<Pick<AthleteRow, "id" | "revision" | "name">[]> {
    return this.db
      .getRepository(AthleteEntity)
      .find({ select: { id: true, revision: true, name: true }, order: { position: "ASC" } });
  }

  count(): Promise<number> {
    return this.db.getRepository(AthleteEntity).count();
  }

  /** @returns the athlete's revision, null where there is no such athlete */
  async revision(id: string): Promise<number | null> {
    const row = await this.db
      .getRepository(AthleteEntity)
      .findOne({ select: { id: true, revision: true }, where: { id } });
    return row?.revision ?? null;
  }

  /** Every athlete with the races but without the other lists: what a club sheet needs, in two reads. */
  async outlines(): Promise<{ id: string; athlete: Athlete }[]> {
    const rows = await this.db.getRepository(AthleteEntity).find({ order: { position: "ASC" } });
    const races = new Map<string, Race[]>();
    for (const r of await this.db.getRepository(LIST_ENTITIES.races).find({ order: { seq: "ASC" } }))
      races.set(r.athleteId, [...(races.get(r.athleteId) ?? []), JSON.parse(r.data) as Race]);
    return rows.map((r) => ({
      id: r.id,
      athlete: { ...(JSON.parse(r.record) as Athlete), races: races.get(r.id) ?? [] },
    }));
  }

  async get(id: string): Promise<Stored | null> {
    return this.read(this.db.manager, id);
  }

  private async read(m: EntityManager, id: string): Promise<Stored | null> {
    const row = await m.findOneBy(AthleteEntity, { id });
    if (!row) return null;
    const record: Record<string, unknown> = JSON.parse(row.record);
    let enduranceIds: string[] = [];
    for (const name of LISTS) {
      if (!(name in record)) continue;
      const rows = await m.find(LIST_ENTITIES[name], { where: { athleteId: id }, order: { seq: "ASC" } });
      record[name] = rows.map((r) => JSON.parse(r.data) as unknown);
      if (name === "endurance") enduranceIds = rows.map((r) => r.id);
    }
    const heldRows = await m.findBy(HeldEntity, { athleteId: id });
    return {
      id,
      revision: row.revision,
      athlete: record as unknown as Athlete,
      held: heldRows.flatMap((h) => JSON.parse(h.data) as LockedSession[]),
      heldWeeks: heldRows.map((h) => h.monday),
      enduranceIds,
      weights: this.weights,
      approaches: this.schools.all,
      rulesOff: this.rulesOff,
      notes: Object.fromEntries(
        (await m.findBy(WeekNoteEntity, { athleteId: id })).map((n) => [n.monday, n.text] as const),
      ),
      swaps: (await m.findBy(SwapEntity, { athleteId: id })).map(
        (s): Swap => ({ date: s.date, label: s.label as Label, from: s.from, to: s.to }),
      ),
    };
  }

  /** Takes a checked athlete in. @returns the new id */
  async add(athlete: Athlete): Promise<string> {
    const id = randomUUID();
    await this.write(async (m) => {
      const position = await m.count(AthleteEntity);
      await m.insert(AthleteEntity, {
        id,
        position,
        revision: 1,
        name: athlete.athlete.name,
        record: recordOf(athlete),
      });
      for (const name of LISTS) await insertList(m, id, name, athlete[name] ?? []);
    });
    return id;
  }

  async remove(id: string): Promise<boolean> {
    return this.write(async (m) => ((await m.delete(AthleteEntity, { id })).affected ?? 0) > 0);
  }

  /**
   * One transaction: reads, changes, checks, writes what differs.
   * @param check throws where the changed athlete may not stand; nothing is stored then
   * @param what the change in words, for undo
   * @param free a Monday whose placement goes back to the planner with it
   * @returns false where there is no such athlete
   */
  async change(
    id: string,
    change: Change,
    check: (a: Athlete) => void,
    what = "Change",
    free: string | null = null,
  ): Promise<boolean> {
    return this.edit(id, what, async (m) => {
      const stored = await this.read(m, id);
      if (!stored) return false;
      const next = change(stored.athlete);
      check(next);
      if (free !== null) await m.delete(HeldEntity, { athleteId: id, monday: free });
      for (const name of LISTS) {
        if (next[name] !== stored.athlete[name]) await putList(m, id, name, next[name] ?? []);
      }
      await m.update(
        AthleteEntity,
        { id },
        { record: recordOf(next), name: next.athlete.name, revision: stored.revision + 1 },
      );
      return true;
    });
  }

  /** Endurance sessions are many: one is written without touching the others. @returns its row id, null without the athlete */
  async putEndurance(
    id: string,
    session: EnduranceSession | null,
    rowId: string | null,
    what = session === null
      ? "Endurance session removed"
      : rowId === null
        ? "Endurance session added"
        : "Endurance session changed",
  ): Promise<string | null> {
    return this.edit(id, what, async (m) => {
      if (!(await this.touch(m, id))) return null;
      const entity = LIST_ENTITIES.endurance;
      if (rowId !== null && session === null)
        return ((await m.delete(entity, { id: rowId, athleteId: id })).affected ?? 0) > 0 ? rowId : null;
      if (session === null) return null;
      const known = rowId === null ? null : await m.findOneBy(entity, { id: rowId, athleteId: id });
      if (rowId !== null && !known) return null;
      if (known) {
        await m.update(entity, { id: known.id }, { date: session.date, data: JSON.stringify(session) });
        return known.id;
      }
      const top = await m.findOne(entity, { where: { athleteId: id }, order: { seq: "DESC" } });
      const row: ListRow = {
        id: randomUUID(),
        athleteId: id,
        seq: (top?.seq ?? -1) + 1,
        date: session.date,
        data: JSON.stringify(session),
      };
      await m.insert(entity, row);
      return row.id;
    });
  }

  /** A session elsewhere; the weeks it leaves and comes to are placed by the planner again. */
  async moveEndurance(
    id: string,
    rowId: string,
    session: EnduranceSession,
    free: readonly string[],
    what: string,
  ): Promise<void> {
    await this.edit(id, what, async (m) => {
      await this.touch(m, id);
      await m.update(
        LIST_ENTITIES.endurance,
        { id: rowId, athleteId: id },
        { date: session.date, data: JSON.stringify(session) },
      );
      for (const monday of free) await m.delete(HeldEntity, { athleteId: id, monday });
    });
  }

  /** One log a day and label; saving it again replaces it. @param log null takes it away */
  async putLog(id: string, date: string, label: Label, log: StrengthLog | null): Promise<boolean> {
    return this.write(async (m) => {
      if (!(await this.touch(m, id))) return false;
      const entity = LIST_ENTITIES.strengthLog;
      const rows = await m.findBy(entity, { athleteId: id, date });
      const known = rows.find((r) => (JSON.parse(r.data) as StrengthLog).label === label);
      if (log === null) return known ? ((await m.delete(entity, { id: known.id })).affected ?? 0) > 0 : false;
      if (known) await m.update(entity, { id: known.id }, { data: JSON.stringify(log) });
      else {
        const top = await m.findOne(entity, { where: { athleteId: id }, order: { seq: "DESC" } });
        await m.insert(entity, {
          id: randomUUID(),
          athleteId: id,
          seq: (top?.seq ?? -1) + 1,
          date,
          data: JSON.stringify(log),
        });
      }
      return true;
    });
  }

  /** What the coach has taken over for a week; null gives the week back to the planner. */
  async hold(
    id: string,
    monday: string,
    sessions: readonly LockedSession[] | null,
    what = "Placement of the week",
  ): Promise<boolean> {
    return this.edit(id, what, async (m) => {
      if (!(await this.touch(m, id))) return false;
      await m.delete(HeldEntity, { athleteId: id, monday: mondayOf(monday) });
      if (sessions)
        await m.insert(HeldEntity, { athleteId: id, monday: mondayOf(monday), data: JSON.stringify(sessions) });
      return true;
    });
  }

  /** @param text empty takes the note away */
  async putNote(id: string, monday: string, text: string): Promise<boolean> {
    return this.edit(id, "Note of the week", async (m) => {
      if (!(await this.touch(m, id))) return false;
      const key = { athleteId: id, monday: mondayOf(monday) };
      if (text.trim() === "") await m.delete(WeekNoteEntity, key);
      else await m.upsert(WeekNoteEntity, { ...key, text: text.trim() }, ["athleteId", "monday"]);
      return true;
    });
  }

  /** One transaction that can be undone: what it makes different is written down with it. */
  edit<T>(id: string, what: string, work: (m: EntityManager) => Promise<T>): Promise<T> {
    return this.write(async (m) => {
      const before = await snapshot(m, id);
      const done = await work(m);
      if (before.size > 0) await remember(m, id, what, before);
      return done;
    });
  }

  /**
   * Takes the last change of an athlete back, or does it again.
   * @returns what it was, null where there is nothing to take back
   * @throws EditConflict where what it changed has become something else since; nothing is changed then
   */
  async step(id: string, way: "undo" | "redo"): Promise<string | null> {
    return this.write(async (m) => {
      const what = await step(m, id, way);
      if (what !== null) await this.touch(m, id);
      return what;
    });
  }

  edits(id: string): Promise<Edits> {
    return editsOf(this.db.manager, id);
  }

  /** What holds for the whole club. @returns null where it was never set */
  async clubSetting(name: string): Promise<unknown> {
    const row = await this.db.getRepository(ClubSettingEntity).findOneBy({ name });
    return row ? JSON.parse(row.data) : null;
  }

  async setClub(name: string, value: unknown): Promise<void> {
    await this.write((m) => m.upsert(ClubSettingEntity, { name, data: JSON.stringify(value) }, ["name"]));
    if (name === "rulesOff") this.rulesOff = value as string[];
    if (name === "weights") this.weights = value as Record<string, number>;
  }

  /** Reads outside any transaction, for what stands in a file of its own beside this one. */
  get reader(): EntityManager {
    return this.db.manager;
  }

  /** Writes stand in one line: the driver has one connection, and a transaction must not run inside another. */
  write<T>(work: (m: EntityManager) => Promise<T>): Promise<T> {
    const turn = this.line.then(() => this.db.transaction(work)).finally(() => this.writes++);
    this.line = turn.catch(() => undefined);
    return turn;
  }

  async touch(m: EntityManager, id: string): Promise<boolean> {
    return ((await m.increment(AthleteEntity, { id }, "revision", 1)).affected ?? 0) > 0;
  }
}

/** The record without its lists; an empty list keeps the place of its key. */
function recordOf(athlete: Athlete): string {
  const record: Record<string, unknown> = { ...athlete };
  for (const name of LISTS) if (name in record) record[name] = [];
  return JSON.stringify(record);
}
