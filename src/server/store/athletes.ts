/** Athletes in and out of the store: their records with the long lists, the changes made to them, and their erasing. */
import { randomUUID } from "node:crypto";
import { type EntityManager, IsNull, Not } from "typeorm";
import { type Facts, slotOfId, withPlannedEndurance } from "../../api/make/planned";
import type { Athlete, EnduranceSession, Label, LockedSession, Race } from "../../core/athlete";
import type { Swap } from "../../core/plan";
import type { ApproachStore } from "./approaches";
import type { ClubStore } from "./club";
import type { Database } from "./database";
import {
  AccessLogEntity,
  AthleteEntity,
  type AthleteRow,
  ClubSettingEntity,
  ErasureEntity,
  HeldEntity,
  LIST_ENTITIES,
  LISTS,
  type ListRow,
  SwapEntity,
  WeekNoteEntity,
} from "./entities";
import { type Edits, editsOf, type HistoryEntry, historyOf, remember, stepHistory } from "./journal";
import { insertList, listRows, putList } from "./lists";

export interface Stored extends Facts {
  revision: number;
  /** The athlete as stored, without the sessions that the endurance plan makes. */
  record: Athlete;
}

/** An endurance session as it becomes; null leaves it out. */
export interface EnduranceChange {
  row: string;
  session: EnduranceSession | null;
}

/** What changes of an athlete; whatever is left out stays. */
export type AthleteChange = (athlete: Athlete) => Athlete;

/** Sessions copied to others once named in their history whom they came from. Asks for the name twice. */
export const UNNAME = "UPDATE edit SET what = replace(what, ?, 'an erased athlete') WHERE replace(what, ?, '') <> what";

/** Set with an erasure, until its traces are out of the file, too: a start after a kill in between goes on with it. */
export const SCRUB = "scrub";

export class AthleteStore {
  constructor(
    private readonly db: Database,
    private readonly club: ClubStore,
    private readonly approaches: ApproachStore,
  ) {}

  /** Ids and revisions in the club's order, without those that are archived. */
  async list(): Promise<Pick<AthleteRow, "id" | "revision" | "name">[]> {
    return this.db.reader.find(AthleteEntity, {
      select: { id: true, revision: true, name: true },
      where: { archivedAt: IsNull() },
      order: { position: "ASC" },
    });
  }

  /** Those that are out of the club's views, the latest first. */
  async archived(): Promise<{ id: string; name: string; at: string }[]> {
    const rows = await this.db.reader.find(AthleteEntity, {
      select: { id: true, name: true, archivedAt: true },
      where: { archivedAt: Not(IsNull()) },
      order: { archivedAt: "DESC" },
    });
    return rows.map(({ id, name, archivedAt }) => ({ id, name, at: archivedAt ?? "" }));
  }

  /** Takes an athlete out of the club's views, or back into them; nothing of theirs changes. @returns false without the athlete */
  async archive(id: string, archived: boolean): Promise<boolean> {
    return this.db.write(async (m) => {
      const at = archived ? new Date().toISOString() : null;
      return ((await m.update(AthleteEntity, { id }, { archivedAt: at })).affected ?? 0) > 0;
    });
  }

  count(): Promise<number> {
    return this.db.reader.count(AthleteEntity);
  }

  /** @returns the athlete's revision, null where there is no such athlete */
  async revision(id: string): Promise<number | null> {
    const row = await this.db.reader.findOne(AthleteEntity, { select: { id: true, revision: true }, where: { id } });
    return row?.revision ?? null;
  }

  /** Every athlete with the races but without the other lists: what a club sheet needs, in two reads. */
  async outlines(): Promise<{ id: string; athlete: Athlete }[]> {
    const rows = await this.db.reader.find(AthleteEntity, {
      where: { archivedAt: IsNull() },
      order: { position: "ASC" },
    });
    const races = new Map<string, Race[]>();
    for (const r of await this.db.reader.find(LIST_ENTITIES.races, { order: { seq: "ASC" } }))
      races.set(r.athleteId, [...(races.get(r.athleteId) ?? []), JSON.parse(r.data) as Race]);
    return rows.map((r) => ({
      id: r.id,
      athlete: { ...(JSON.parse(r.record) as Athlete), races: races.get(r.id) ?? [] },
    }));
  }

  /** @returns the athlete with the sessions of the endurance plan; null where there is none */
  async get(id: string): Promise<Stored | null> {
    const stored = await this.read(this.db.reader, id);
    return stored && withPlannedEndurance(stored);
  }

  /** As stored. */
  async read(m: EntityManager, id: string): Promise<Stored | null> {
    const row = await m.findOneBy(AthleteEntity, { id });
    if (!row) return null;
    const record: Record<string, unknown> = JSON.parse(row.record);
    let enduranceIds: string[] = [];
    for (const name of LISTS) {
      if (!(name in record)) continue;
      const rows = await listRows(m, name, id);
      record[name] = rows.map((r) => JSON.parse(r.data) as unknown);
      if (name === "endurance") enduranceIds = rows.map((r) => r.id);
    }
    const heldRows = await m.find(HeldEntity, { where: { athleteId: id }, order: { monday: "ASC" } });
    return {
      id,
      revision: row.revision,
      athlete: record as unknown as Athlete,
      record: record as unknown as Athlete,
      held: heldRows.flatMap((h) => JSON.parse(h.data) as LockedSession[]),
      heldWeeks: heldRows.map((h) => h.monday),
      enduranceIds,
      weights: this.club.weights,
      approaches: this.approaches.all,
      rulesOff: this.club.rulesOff,
      values: this.club.values,
      notes: Object.fromEntries(
        (await m.find(WeekNoteEntity, { where: { athleteId: id }, order: { monday: "ASC" } })).map(
          (n) => [n.monday, n.text] as const,
        ),
      ),
      swaps: (
        await m.find(SwapEntity, {
          where: { athleteId: id },
          order: { date: "ASC", label: "ASC", from: "ASC" },
        })
      ).map((s): Swap => ({ date: s.date, label: s.label as Label, from: s.from, to: s.to })),
    };
  }

  /** Takes a checked athlete in. @returns the new id */
  async add(athlete: Athlete, id: string = randomUUID()): Promise<string> {
    await this.db.write(async (m) => {
      const top = await m.maximum(AthleteEntity, "position");
      await m.insert(AthleteEntity, {
        id,
        position: (top ?? -1) + 1,
        revision: 1,
        name: athlete.athlete.name,
        archivedAt: null,
        record: recordOf(athlete),
      });
      for (const name of LISTS) await insertList(m, id, name, athlete[name] ?? []);
    });
    this.db.checkpoint();
    return id;
  }

  /**
   * Takes an athlete away for good. What is left in free pages goes with `Store.scrub`.
   * @returns when, ISO 8601; null where there is no such athlete
   */
  async erase(id: string): Promise<string | null> {
    const at = new Date().toISOString();
    return this.db.write(async (m) => {
      const row = await m.findOne(AthleteEntity, { select: { id: true, name: true }, where: { id } });
      if (!row) return null;
      await m.upsert(ErasureEntity, { athleteId: id, at }, ["athleteId"]);
      await m.delete(AthleteEntity, { id });
      await m.delete(AccessLogEntity, { athleteId: id });
      await m.upsert(ClubSettingEntity, { name: SCRUB, data: "true" }, ["name"]);
      await m.query(UNNAME, [row.name, row.name]);
      return at;
    });
  }

  /** When an athlete was erased, ISO 8601; null where none of that id was. */
  async erasedAt(id: string): Promise<string | null> {
    return (await this.db.reader.findOneBy(ErasureEntity, { athleteId: id }))?.at ?? null;
  }

  /**
   * One transaction: reads, changes, checks, writes what differs.
   * @param check throws where the changed athlete may not stand; nothing is stored then
   * @param what the change in words, for undo
   * @param free a Monday whose placement goes back to the planner with it
   * @param rows endurance sessions that change with it, by their ids
   * @returns false where there is no such athlete
   */
  async change(
    id: string,
    change: AthleteChange,
    check: (a: Athlete) => void,
    what = "Change",
    free: string | null = null,
    rows: readonly EnduranceChange[] = [],
  ): Promise<boolean> {
    return this.edit(id, what, async (m) => {
      const stored = await this.read(m, id);
      if (!stored) return false;
      const next = change(stored.athlete);
      check(next);
      await this.put(m, stored, next, free === null ? [] : [free], rows);
      return true;
    });
  }

  /** Writes what differs, in the edit under way. @param free Mondays whose placement goes back to the planner */
  async put(
    m: EntityManager,
    { id, athlete: before, revision }: Stored,
    next: Athlete,
    free: readonly string[],
    rows: readonly EnduranceChange[],
  ): Promise<void> {
    for (const monday of free) await m.delete(HeldEntity, { athleteId: id, monday });
    for (const name of LISTS) {
      if (next[name] !== before[name]) await putList(m, id, name, next[name] ?? []);
    }
    await m.update(AthleteEntity, { id }, { record: recordOf(next), name: next.athlete.name, revision: revision + 1 });
    for (const { row, session } of rows) await this.writeEndurance(m, id, session, row, randomUUID());
  }

  /** Endurance sessions are many: one is written without touching the others. @returns its row id, null without the athlete */
  async putEndurance(
    id: string,
    session: EnduranceSession | null,
    rowId: string | null,
    newId = randomUUID(),
    what = session === null
      ? "Endurance session removed"
      : rowId === null
        ? "Endurance session added"
        : "Endurance session changed",
  ): Promise<string | null> {
    return this.edit(id, what, (m) => this.writeEndurance(m, id, session, rowId, newId));
  }

  private async writeEndurance(
    m: EntityManager,
    id: string,
    session: EnduranceSession | null,
    rowId: string | null,
    newId: string,
  ): Promise<string | null> {
    const slot = rowId === null ? null : slotOfId(rowId);
    if (slot !== null) return this.putInstead(m, id, slot, session, newId);
    const entity = LIST_ENTITIES.endurance;
    const known = rowId === null ? null : await m.findOneBy(entity, { id: rowId, athleteId: id });
    if (rowId !== null && !known) return null;
    if (!(await this.touch(m, id))) return null;
    // What stands in the place of a planned session goes on doing so, and the plan's own does not come back with its end.
    const before = known ? (JSON.parse(known.data) as EnduranceSession) : null;
    const instead = before?.insteadOf === undefined ? {} : { insteadOf: before.insteadOf };
    const next = session ?? (before?.insteadOf !== undefined && before.done !== true ? leftOut(before) : null);
    if (next === null) {
      if (known) await m.delete(entity, { id: known.id });
      return rowId;
    }
    if (!known) return this.insertEndurance(m, id, next, newId);
    await m.update(entity, { id: known.id }, { date: next.date, data: JSON.stringify({ ...next, ...instead }) });
    return known.id;
  }

  private async insertEndurance(
    m: EntityManager,
    id: string,
    session: EnduranceSession,
    rowId: string,
  ): Promise<string> {
    const entity = LIST_ENTITIES.endurance;
    const top = await m.findOne(entity, { where: { athleteId: id }, order: { seq: "DESC" } });
    const row: ListRow = {
      id: rowId,
      athleteId: id,
      seq: (top?.seq ?? -1) + 1,
      date: session.date,
      data: JSON.stringify(session),
    };
    await m.insert(entity, row);
    return row.id;
  }

  /** A row in the place of a session that the endurance plan makes. @returns its id; null where the plan makes no such session */
  private async putInstead(
    m: EntityManager,
    id: string,
    slot: string,
    session: EnduranceSession | null,
    newId: string,
  ): Promise<string | null> {
    const stored = await this.read(m, id);
    const planned = stored && withPlannedEndurance(stored).athlete.endurance.find((e) => e.slot === slot);
    if (!planned || !(await this.touch(m, id))) return null;
    const { slot: _, ...rest } = { ...(session ?? leftOut(planned)), insteadOf: slot };
    return this.insertEndurance(m, id, rest, newId);
  }

  /** A session elsewhere; the weeks it leaves and comes to are placed by the planner again. */
  async moveEndurance(
    id: string,
    rowId: string,
    session: EnduranceSession,
    free: readonly string[],
    what: string,
  ): Promise<void> {
    const slot = slotOfId(rowId);
    await this.edit(id, what, async (m) => {
      if (slot !== null) {
        if ((await this.putInstead(m, id, slot, session, randomUUID())) === null) return;
        for (const monday of free) await m.delete(HeldEntity, { athleteId: id, monday });
        return;
      }
      const done = await m.update(
        LIST_ENTITIES.endurance,
        { id: rowId, athleteId: id },
        { date: session.date, data: JSON.stringify(session) },
      );
      if ((done.affected ?? 0) === 0) return;
      await this.touch(m, id);
      for (const monday of free) await m.delete(HeldEntity, { athleteId: id, monday });
    });
  }

  /**
   * One transaction that can be undone: what it makes different is written down with it.
   * @param joined with the change of the same name right before it, it is one to undo
   */
  edit<T>(id: string, what: string, work: (m: EntityManager) => Promise<T>, joined = false): Promise<T> {
    return this.db.write(async (m) => {
      const done = await this.db.watched(m, () => work(m));
      await remember(m, id, what, joined);
      return done;
    });
  }

  /**
   * Takes the last change of an athlete back, or does it again.
   * @param told is called in the same transaction with what it was
   * @param seq one change of the history instead of the last
   * @returns what it was, null where there is nothing to take back
   * @throws EditConflict where what it changed has become something else since; nothing is changed then
   */
  async step(
    id: string,
    way: "undo" | "redo",
    told: (what: string) => void = () => undefined,
    seq?: number,
  ): Promise<string | null> {
    return this.db.write(async (m) => {
      const what = await stepHistory(m, id, way, seq);
      if (what !== null) {
        await this.touch(m, id);
        told(what);
      }
      return what;
    });
  }

  /** What was changed, newest first; null where there is no such athlete. */
  async history(id: string): Promise<HistoryEntry[] | null> {
    return (await this.revision(id)) === null ? null : historyOf(this.db.reader, id);
  }

  edits(id: string): Promise<Edits> {
    return editsOf(this.db.reader, id);
  }

  /** Raises the revision. @returns false where there is no such athlete */
  async touch(m: EntityManager, id: string): Promise<boolean> {
    return ((await m.increment(AthleteEntity, { id }, "revision", 1)).affected ?? 0) > 0;
  }
}

/** What says that a planned session is left out. */
const leftOut = ({ date, sport, kind, minutes, insteadOf }: EnduranceSession): EnduranceSession => ({
  date,
  sport,
  kind,
  minutes,
  ...(insteadOf === undefined ? {} : { insteadOf }),
  cancelled: true,
});

/** The record without its lists; an empty list keeps the place of its key. */
function recordOf(athlete: Athlete): string {
  const record: Record<string, unknown> = { ...athlete };
  for (const name of LISTS) if (name in record) record[name] = [];
  return JSON.stringify(record);
}
