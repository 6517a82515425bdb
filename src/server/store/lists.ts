/** The long lists of an athlete, a row an item. */
import { randomUUID } from "node:crypto";
import type { EntityManager } from "typeorm";
import type { EnduranceSession, LockedSession, Race, StrengthLog } from "../../core/athlete";
import { LIST_ENTITIES, type ListName, type ListRow } from "./entities";

type ListItem = Race | EnduranceSession | StrengthLog | LockedSession;

/** Rows of an import that is not whole yet, or is being undone, are left out. */
export const WHOLE_IMPORTS = " AND (batch IS NULL OR batch NOT IN (SELECT batch FROM hidden_batch))";

/** Rows of a list in its order; those of an import that is not whole yet are not among them. */
export function listRows(m: EntityManager, name: ListName, athleteId: string): Promise<ListRow[]> {
  const { tableName } = m.connection.getMetadata(LIST_ENTITIES[name]);
  const hidden = name === "endurance" ? WHOLE_IMPORTS : "";
  return m.query(
    `SELECT id, athlete_id AS "athleteId", seq, date, data FROM ${tableName} WHERE athlete_id = ?${hidden} ORDER BY seq`,
    [athleteId],
  );
}

/** Rows keep their ids where the list keeps its length or grows at its end (of logs also where others change meanwhile), so that what refers to them still does. */
export async function putList(
  m: EntityManager,
  athleteId: string,
  name: ListName,
  items: readonly ListItem[],
): Promise<void> {
  const entity = LIST_ENTITIES[name];
  const rows = await listRows(m, name, athleteId);
  if (items.length > rows.length && rows.every((r, i) => r.data === JSON.stringify(items[i]))) {
    await insertList(m, athleteId, name, items.slice(rows.length), (rows.at(-1)?.seq ?? -1) + 1);
    return;
  }
  if (rows.length !== items.length && !(name === "strengthLog" && growsAtItsEnd(rows, items))) {
    await m.delete(entity, { athleteId });
    await insertList(m, athleteId, name, items);
    return;
  }
  for (const [i, row] of rows.entries()) {
    const item = items[i];
    const data = JSON.stringify(item);
    if (item && data !== row.data) await m.update(entity, { id: row.id }, { date: item.date, data });
  }
  if (items.length > rows.length)
    await insertList(m, athleteId, name, items.slice(rows.length), (rows.at(-1)?.seq ?? -1) + 1);
}

/** Every log stands where it stood, told by its day and label, and others follow. */
function growsAtItsEnd(rows: readonly ListRow[], items: readonly ListItem[]): boolean {
  const nameOf = (log: StrengthLog | undefined) => log && `${log.date}/${log.label}`;
  return (
    items.length > rows.length &&
    rows.every((r, i) => nameOf(JSON.parse(r.data) as StrengthLog) === nameOf(items[i] as StrengthLog))
  );
}

/** A database takes so many values in one statement, and no more. */
export const ROWS_AT_ONCE = 150;

export async function insertRows(m: EntityManager, name: ListName, rows: readonly ListRow[]): Promise<void> {
  for (let i = 0; i < rows.length; i += ROWS_AT_ONCE)
    await m.insert(LIST_ENTITIES[name], rows.slice(i, i + ROWS_AT_ONCE));
}

export async function insertList(
  m: EntityManager,
  athleteId: string,
  name: ListName,
  items: readonly ListItem[],
  from = 0,
): Promise<void> {
  const rows = items.map(
    (item, i): ListRow => ({
      id: randomUUID(),
      athleteId,
      seq: from + i,
      date: item.date,
      data: JSON.stringify(item),
    }),
  );
  await insertRows(m, name, rows);
}
