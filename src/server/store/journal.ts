/** What was changed of an athlete, change by change, so that each can be undone and redone, also after the browser was closed. */
import { randomUUID } from "node:crypto";
import type { EntityManager } from "typeorm";
import { EditEntity } from "./entities";

/** Tables that a change of an athlete may touch, with their key beside the athlete. */
export const JOURNAL_TABLES: readonly { table: string; key: readonly string[] }[] = [
  { table: "athlete", key: ["id"] },
  { table: "race", key: ["id"] },
  { table: "endurance_session", key: ["id"] },
  { table: "strength_log", key: ["id"] },
  { table: "locked_session", key: ["id"] },
  { table: "held_week", key: ["monday"] },
  { table: "session_swap", key: ["date", "label", "from_exercise"] },
  { table: "week_note", key: ["monday"] },
];
/** The athlete's own row: revision and place in the club are no change that anybody made. */
export const ATHLETE_COLUMNS = ["id", "name", "record"];
/** Changes that are remembered of one athlete; the oldest goes first. */
export const KEPT_EDITS = 200;

type Row = Record<string, string | number | null>;
/** One row as it was and as it became; null where there was none. */
interface RowChange {
  table: string;
  before: Row | null;
  after: Row | null;
}

export interface EditFacts {
  what: string;
  at: string;
}
export interface HistoryEntry extends EditFacts {
  /** Counts up with each change of the athlete. */
  seq: number;
  undone: boolean;
}
/** The next that undo and redo would act on. */
export interface Edits {
  undo: EditFacts | null;
  redo: EditFacts | null;
}

/** A row has become something else since, by an import or a training log. */
export class EditConflict extends Error {}

const keyOf = (table: string, row: Row): string => {
  const key = JOURNAL_TABLES.find((t) => t.table === table)?.key ?? [];
  return [table, ...key.map((k) => row[k])].join("\u001f");
};

/** What has changed since, one entry a row: as it was first and as it is now. */
async function changedRows(m: EntityManager): Promise<RowChange[]> {
  const rows: { tbl: string; before: string | null; after: string | null }[] = await m.query(
    `SELECT tbl, "before", "after" FROM row_change ORDER BY seq`,
  );
  if (rows.length > 0) await m.query("DELETE FROM row_change");
  const byKey = new Map<string, RowChange>();
  for (const r of rows) {
    const before = r.before === null ? null : (JSON.parse(r.before) as Row);
    const after = r.after === null ? null : (JSON.parse(r.after) as Row);
    const key = keyOf(r.tbl, before ?? after ?? {});
    const known = byKey.get(key);
    if (known) known.after = after;
    else byKey.set(key, { table: r.tbl, before, after });
  }
  return [...byKey.values()].filter((c) => !same(c.before, c.after));
}

const same = (a: Row | null | undefined, b: Row | null | undefined): boolean =>
  JSON.stringify(a ?? null) === JSON.stringify(b ?? null);
/** Whether a row is still as it was written down; columns that came with a later version do not count. */
const isStill = (now: Row | undefined, then: Row | null): boolean =>
  then === null ? now === undefined : now !== undefined && Object.keys(then).every((k) => now[k] === then[k]);

/**
 * Writes down what a change has made different; what was undone before it can be redone no more.
 * @param joined a change of the same name right before it becomes one with it: the sets of one log are taken back together
 * @returns its number in the athlete's history; null where nothing was different
 */
export async function remember(
  m: EntityManager,
  athleteId: string,
  what: string,
  joined = false,
): Promise<number | null> {
  const changes = await changedRows(m);
  if (changes.length === 0) return null;
  await m.delete(EditEntity, { athleteId, undone: true });
  const last = await m.findOne(EditEntity, { where: { athleteId }, order: { seq: "DESC" } });
  if (joined && last?.what === what) {
    const both = joinedChanges(JSON.parse(last.changes) as RowChange[], changes);
    await m.update(EditEntity, { id: last.id }, { at: new Date().toISOString(), changes: JSON.stringify(both) });
    return last.seq;
  }
  const seq = (last?.seq ?? 0) + 1;
  await m.insert(EditEntity, {
    id: randomUUID(),
    athleteId,
    seq,
    at: new Date().toISOString(),
    what,
    changes: JSON.stringify(changes),
    undone: false,
  });
  await m.query("DELETE FROM edit WHERE athlete_id = ? AND seq <= ?", [athleteId, seq - KEPT_EDITS]);
  return seq;
}

/** Two changes as one: rows as they were before the first and as they are after the second. */
function joinedChanges(first: readonly RowChange[], second: readonly RowChange[]): RowChange[] {
  const byKey = new Map(first.map((c) => [keyOf(c.table, c.before ?? c.after ?? {}), { ...c }]));
  for (const c of second) {
    const key = keyOf(c.table, c.before ?? c.after ?? {});
    const known = byKey.get(key);
    if (known) known.after = c.after;
    else byKey.set(key, c);
  }
  return [...byKey.values()];
}

async function put(m: EntityManager, { table, before, after }: RowChange, back: boolean): Promise<void> {
  const [from, to] = back ? [after, before] : [before, after];
  const any = from ?? to;
  if (!any) return;
  const { key } = JOURNAL_TABLES.find((t) => t.table === table) ?? { key: [] };
  const where = key.map((k) => `${k} = ?`).join(" AND ");
  const owner = table === "athlete" ? "" : " AND athlete_id = ?";
  const at = [...key.map((k) => any[k]), ...(table === "athlete" ? [] : [any.athlete_id])];
  const columns = table === "athlete" ? ATHLETE_COLUMNS.join(", ") : "*";
  const [now]: Row[] = await m.query(`SELECT ${columns} FROM ${table} WHERE ${where}${owner}`, at);
  if (!isStill(now, from)) throw new EditConflict();
  if (!to) await m.query(`DELETE FROM ${table} WHERE ${where}${owner}`, at);
  else if (from) {
    const names = Object.keys(to);
    const set = names.map((n) => `"${n}" = ?`).join(", ");
    await m.query(`UPDATE ${table} SET ${set} WHERE ${where}${owner}`, [...names.map((n) => to[n]), ...at]);
  } else {
    const names = Object.keys(to);
    const marks = names.map(() => "?").join(", ");
    await m.query(
      `INSERT INTO ${table} (${names.map((n) => `"${n}"`).join(", ")}) VALUES (${marks})`,
      names.map((n) => to[n]),
    );
  }
}

const next = (m: EntityManager, athleteId: string, way: "undo" | "redo") =>
  m.findOne(EditEntity, {
    where: { athleteId, undone: way === "redo" },
    order: { seq: way === "undo" ? "DESC" : "ASC" },
  });

/**
 * Takes the last change back, or does the last one taken back again.
 * @param seq a change of its own instead, wherever it stands, where nothing has touched its rows since
 * @returns what it was, null where there is none @throws EditConflict
 */
export async function stepHistory(
  m: EntityManager,
  athleteId: string,
  way: "undo" | "redo",
  seq?: number,
): Promise<string | null> {
  const edit =
    seq === undefined
      ? await next(m, athleteId, way)
      : await m.findOneBy(EditEntity, { athleteId, seq, undone: way === "redo" });
  if (!edit) return null;
  const changes = JSON.parse(edit.changes) as RowChange[];
  for (const c of way === "undo" ? [...changes].reverse() : changes) await put(m, c, way === "undo");
  await m.update(EditEntity, { id: edit.id }, { undone: way === "undo" });
  return edit.what;
}

/** All that is remembered, newest first. */
export async function historyOf(m: EntityManager, athleteId: string): Promise<HistoryEntry[]> {
  const edits = await m.find(EditEntity, { where: { athleteId }, order: { seq: "DESC" } });
  return edits.map(({ seq, what, at, undone }) => ({ seq, what, at, undone }));
}

export async function editsOf(m: EntityManager, athleteId: string): Promise<Edits> {
  const [undo, redo] = [await next(m, athleteId, "undo"), await next(m, athleteId, "redo")];
  const facts = (e: typeof undo): EditFacts | null => (e ? { what: e.what, at: e.at } : null);
  return { undo: facts(undo), redo: facts(redo) };
}
