/** The long lists of an athlete, a row an item. */
import { randomUUID } from "node:crypto";
import type { EntityManager } from "typeorm";
import type { EnduranceSession, LockedSession, Race, StrengthLog } from "../../core/athlete/types";
import { LIST_ENTITIES, type ListName, type ListRow } from "./entities";

type ListItem = Race | EnduranceSession | StrengthLog | LockedSession;

/** Rows keep their ids where the list keeps its length, so that what refers to them still does. */
export async function putList(
  m: EntityManager,
  athleteId: string,
  name: ListName,
  items: readonly ListItem[],
): Promise<void> {
  const entity = LIST_ENTITIES[name];
  const rows = await m.find(entity, { where: { athleteId }, order: { seq: "ASC" } });
  if (rows.length !== items.length) {
    await m.delete(entity, { athleteId });
    await insertList(m, athleteId, name, items);
    return;
  }
  for (const [i, row] of rows.entries()) {
    const item = items[i];
    const data = JSON.stringify(item);
    if (item && data !== row.data) await m.update(entity, { id: row.id }, { date: item.date, data });
  }
}

/** Many rows at once: SQLite takes so many values in one statement. */
export async function insertRows(m: EntityManager, name: ListName, rows: readonly ListRow[]): Promise<void> {
  for (let i = 0; i < rows.length; i += 150) await m.insert(LIST_ENTITIES[name], rows.slice(i, i + 150));
}

export async function insertList(
  m: EntityManager,
  athleteId: string,
  name: ListName,
  items: readonly ListItem[],
): Promise<void> {
  const rows = items.map(
    (item, seq): ListRow => ({
      id: randomUUID(),
      athleteId,
      seq,
      date: item.date,
      data: JSON.stringify(item),
    }),
  );
  await insertRows(m, name, rows);
}
