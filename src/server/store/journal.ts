/** What was changed of an athlete, change by change, so that each can be undone and redone, also after the browser was closed. */
import { randomUUID } from "node:crypto";
import type { EntityManager } from "typeorm";
import { EditEntity } from "./entities";

/** Tables that a coach's change may touch, with their key beside the athlete. What was lifted is no such change. */
const TABLES: readonly { table: string; key: readonly string[] }[] = [
  { table: "athlete", key: ["id"] },
  { table: "race", key: ["id"] },
  { table: "endurance_session", key: ["id"] },
  { table: "locked_session", key: ["id"] },
  { table: "held_week", key: ["monday"] },
  { table: "session_swap", key: ["date", "label", "from_exercise"] },
  { table: "week_note", key: ["monday"] },
];
/** The athlete's own row: revision and place in the club are not the coach's change. */
const ATHLETE_COLUMNS = "id, name, record";
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
/** The next that undo and redo would act on. */
export interface Edits {
  undo: EditFacts | null;
  redo: EditFacts | null;
}

/** A row has become something else since, by an import or a training log. */
export class EditConflict extends Error {}

const keyOf = (table: string, row: Row): string => {
  const key = TABLES.find((t) => t.table === table)?.key ?? [];
  return [table, ...key.map((k) => row[k])].join("\u001f");
};

/** Every row of an athlete as it stands. */
export async function snapshot(m: EntityManager, athleteId: string): Promise<Map<string, { table: string; row: Row }>> {
  const all = new Map<string, { table: string; row: Row }>();
  for (const { table } of TABLES) {
    const rows: Row[] =
      table === "athlete"
        ? await m.query(`SELECT ${ATHLETE_COLUMNS} FROM athlete WHERE id = ?`, [athleteId])
        : await m.query(`SELECT * FROM ${table} WHERE athlete_id = ?`, [athleteId]);
    for (const row of rows) all.set(keyOf(table, row), { table, row });
  }
  return all;
}

type Snapshot = Awaited<ReturnType<typeof snapshot>>;
const same = (a: Row | null | undefined, b: Row | null | undefined): boolean =>
  JSON.stringify(a ?? null) === JSON.stringify(b ?? null);

function changesBetween(before: Snapshot, after: Snapshot): RowChange[] {
  const out: RowChange[] = [];
  for (const [key, { table, row }] of before) {
    const now = after.get(key)?.row ?? null;
    if (!same(row, now)) out.push({ table, before: row, after: now });
  }
  for (const [key, { table, row }] of after) if (!before.has(key)) out.push({ table, before: null, after: row });
  return out;
}

/** Writes down what a change has made different; what was undone before it can be redone no more. @returns whether anything was */
export async function remember(m: EntityManager, athleteId: string, what: string, before: Snapshot): Promise<boolean> {
  const changes = changesBetween(before, await snapshot(m, athleteId));
  if (changes.length === 0) return false;
  await m.delete(EditEntity, { athleteId, undone: true });
  const last = await m.findOne(EditEntity, { where: { athleteId }, order: { seq: "DESC" } });
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
  return true;
}

async function put(m: EntityManager, { table, before, after }: RowChange, back: boolean): Promise<void> {
  const [from, to] = back ? [after, before] : [before, after];
  const any = from ?? to;
  if (!any) return;
  const { key } = TABLES.find((t) => t.table === table) ?? { key: [] };
  const where = key.map((k) => `${k} = ?`).join(" AND ");
  const owner = table === "athlete" ? "" : " AND athlete_id = ?";
  const at = [...key.map((k) => any[k]), ...(table === "athlete" ? [] : [any.athlete_id])];
  const columns = table === "athlete" ? ATHLETE_COLUMNS : "*";
  const [now]: Row[] = await m.query(`SELECT ${columns} FROM ${table} WHERE ${where}${owner}`, at);
  if (!same(now, from)) throw new EditConflict();
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

/** Takes the last change back, or does the last one taken back again. @returns what it was, null where there is none @throws EditConflict */
export async function step(m: EntityManager, athleteId: string, way: "undo" | "redo"): Promise<string | null> {
  const edit = await next(m, athleteId, way);
  if (!edit) return null;
  const changes = JSON.parse(edit.changes) as RowChange[];
  for (const c of way === "undo" ? [...changes].reverse() : changes) await put(m, c, way === "undo");
  await m.update(EditEntity, { id: edit.id }, { undone: way === "undo" });
  return edit.what;
}

export async function editsOf(m: EntityManager, athleteId: string): Promise<Edits> {
  const [undo, redo] = [await next(m, athleteId, "undo"), await next(m, athleteId, "redo")];
  const facts = (e: typeof undo): EditFacts | null => (e ? { what: e.what, at: e.at } : null);
  return { undo: facts(undo), redo: facts(redo) };
}
