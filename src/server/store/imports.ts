/** Imports: rows of a file or a training log taken over in one transaction, kept so that they can be undone. */
import { randomUUID } from "node:crypto";
import type { EntityManager } from "typeorm";
import type { ImportCounts, ImportLine, ImportView } from "../../api/views";
import type { EnduranceSession, Race } from "../../core/athlete/types";
import { type Fate, fatesOf, type Incoming, type Known, merged } from "../../core/endurance/incoming";
import { raceFate } from "../../formats/import/calendar";
import type { NewRace } from "../../formats/import/rows";
import { ImportEntity, LIST_ENTITIES, type ListRow } from "./entities";
import { insertRows } from "./lists";
import type { Store } from "./store";

export interface ImportRows {
  incoming: readonly Incoming[];
  races: readonly NewRace[];
}

export interface ImportResult {
  fates: Fate[];
  raceFates: ReturnType<typeof raceFate>[];
  counts: ImportCounts;
  /** Of the batch; null where nothing was stored. */
  batch: string | null;
}

type Told = Pick<ImportView, "counts" | "lines">;

/** What undoing takes: rows to remove, and rows to put back as they were. */
interface Undo {
  added: string[];
  before: { id: string; data: string }[];
  racesAdded: string[];
  racesBefore: { id: string; data: string }[];
}

const rowsOf = (m: EntityManager, list: "endurance" | "races", athleteId: string): Promise<ListRow[]> =>
  m.find(LIST_ENTITIES[list], { where: { athleteId }, order: { seq: "ASC" } });

async function read(m: EntityManager, id: string, rows: ImportRows) {
  const endurance = await rowsOf(m, "endurance", id);
  const races = await rowsOf(m, "races", id);
  const known = endurance.map((r): Known => ({ id: r.id, session: JSON.parse(r.data) as EnduranceSession }));
  const knownRaces = races.map((r) => ({ row: r.id, race: JSON.parse(r.data) as Race }));
  const fates = fatesOf(known, rows.incoming);
  const raceFates = rows.races.map((r) =>
    raceFate(
      knownRaces.map((k) => k.race),
      r,
    ),
  );
  return { endurance, races, known, knownRaces, fates, raceFates };
}

const countsOf = (fates: readonly { kind: string }[]): ImportCounts => {
  const n = (...kinds: string[]) => fates.filter((f) => kinds.includes(f.kind)).length;
  return { added: n("new"), changed: n("changed", "moved"), done: n("done"), known: n("same", "twice") };
};

/** Records named in the list of imports; the rest is counted. */
const LINES = 6;

function linesOf(rows: ImportRows, fates: readonly Fate[], raceFates: ImportResult["raceFates"]): ImportLine[] {
  const sessions = fates.flatMap((f, i): ImportLine[] => {
    const s = rows.incoming[i]?.session;
    return s && f.kind !== "same" && f.kind !== "twice"
      ? [{ date: s.date, sport: s.sport, minutes: s.minutes, fate: f.kind }]
      : [];
  });
  const races = raceFates.flatMap((f, i): ImportLine[] => {
    const r = rows.races[i];
    return r && f.kind !== "same" ? [{ date: r.date, sport: r.sport, minutes: null, fate: f.kind }] : [];
  });
  return [...races, ...sessions].sort((a, b) => (a.date < b.date ? 1 : -1)).slice(0, LINES);
}

/** What would become of the rows; nothing is stored. @returns null where there is no such athlete */
export async function previewImport(store: Store, id: string, rows: ImportRows): Promise<ImportResult | null> {
  if ((await store.revision(id)) === null) return null;
  const { fates, raceFates } = await read(store.reader, id, rows);
  return { fates, raceFates, counts: countsOf([...fates, ...raceFates]), batch: null };
}

/**
 * Takes the rows over.
 * @param name what the coach knows the import by
 * @param also runs in the same transaction, so that a pull's place in the log is kept with what it brought
 * @returns null where there is no such athlete
 */
export async function takeImport(
  store: Store,
  id: string,
  rows: ImportRows,
  name: string,
  also?: (m: EntityManager) => Promise<unknown>,
): Promise<ImportResult | null> {
  return store.write(async (m) => {
    const { endurance, races, known, knownRaces, fates, raceFates } = await read(m, id, rows);
    const counts = countsOf([...fates, ...raceFates]);
    const undo: Undo = { added: [], before: [], racesAdded: [], racesBefore: [] };
    const writes = counts.added + counts.changed + counts.done;
    if (writes > 0) {
      if (!(await store.touch(m, id))) return null;
    } else if ((await store.revision(id)) === null) return null;
    const byId = new Map(known.map((k) => [k.id, k.session]));
    const fresh: ListRow[] = [];
    let seq = endurance.at(-1)?.seq ?? -1;
    for (const [i, fate] of fates.entries()) {
      const row = rows.incoming[i];
      if (!row || fate.kind === "same" || fate.kind === "twice") continue;
      if (fate.kind === "new") {
        const data = JSON.stringify(merged(null, row));
        fresh.push({ id: randomUUID(), athleteId: id, seq: ++seq, date: row.session.date, data });
        continue;
      }
      const before = byId.get(fate.id);
      if (!before) continue;
      undo.before.push({ id: fate.id, data: JSON.stringify(before) });
      const next = merged(before, row);
      await m.update(LIST_ENTITIES.endurance, { id: fate.id }, { date: next.date, data: JSON.stringify(next) });
    }
    undo.added = fresh.map((r) => r.id);
    await insertRows(m, "endurance", fresh);

    let raceSeq = races.at(-1)?.seq ?? -1;
    for (const [i, fate] of raceFates.entries()) {
      const race = rows.races[i];
      if (!race || fate.kind === "same") continue;
      const moved = fate.kind === "moved" ? knownRaces.find((k) => k.race.id === fate.id) : undefined;
      if (moved) {
        undo.racesBefore.push({ id: moved.row, data: JSON.stringify(moved.race) });
        // The priority is the coach's word; the calendar moves the date.
        const next: Race = { ...moved.race, ...race, id: moved.race.id, priority: moved.race.priority };
        await m.update(LIST_ENTITIES.races, { id: moved.row }, { date: next.date, data: JSON.stringify(next) });
      } else {
        const row: ListRow = {
          id: randomUUID(),
          athleteId: id,
          seq: ++raceSeq,
          date: race.date,
          data: JSON.stringify({ id: `race-${randomUUID().slice(0, 8)}`, ...race }),
        };
        undo.racesAdded.push(row.id);
        await m.insert(LIST_ENTITIES.races, row);
      }
    }
    await also?.(m);
    if (writes === 0) return { fates, raceFates, counts, batch: null };
    const batch = randomUUID();
    await m.insert(ImportEntity, {
      id: batch,
      athleteId: id,
      at: new Date().toISOString(),
      name,
      counts: JSON.stringify({ counts, lines: linesOf(rows, fates, raceFates) }),
      undo: JSON.stringify(undo),
    });
    return { fates, raceFates, counts, batch };
  });
}

/** The latest imports first. */
export async function importsOf(store: Store, athleteId: string, most = 20): Promise<ImportView[]> {
  const rows = await store.reader.find(ImportEntity, { where: { athleteId }, order: { at: "DESC" }, take: most });
  return rows.map((r) => ({ id: r.id, at: r.at, name: r.name, ...(JSON.parse(r.counts) as Told) }));
}

/**
 * Takes an import back: what it added goes, what it changed is as it was. What was edited since goes with it.
 * @returns false where there is no such import
 */
export async function undoImport(store: Store, athleteId: string, batch: string): Promise<boolean> {
  return store.write(async (m) => {
    const row = await m.findOneBy(ImportEntity, { id: batch, athleteId });
    if (!row || !(await store.touch(m, athleteId))) return false;
    const undo = JSON.parse(row.undo) as Undo;
    for (const [list, added, before] of [
      ["endurance", undo.added, undo.before],
      ["races", undo.racesAdded, undo.racesBefore],
    ] as const) {
      const entity = LIST_ENTITIES[list];
      for (let i = 0; i < added.length; i += 150) await m.delete(entity, added.slice(i, i + 150));
      for (const b of before)
        await m.update(
          entity,
          { id: b.id, athleteId },
          { date: (JSON.parse(b.data) as { date: string }).date, data: b.data },
        );
    }
    await m.delete(ImportEntity, { id: batch });
    return true;
  });
}
