/** Imports: rows of a file or a training log taken over in one transaction, kept so that they can be undone. */
import { randomUUID } from "node:crypto";
import type { EntityManager } from "typeorm";
import { plannedId, slotOfId } from "../../api/make/planned";
import type { ImportCounts, ImportLine, ImportView } from "../../api/views";
import type { EnduranceSession, Race } from "../../core/athlete";
import { type Fate, fatesOf, type Incoming, type KnownSession, merged } from "../../core/endurance";
import { raceFate } from "../../formats/import/calendar";
import type { NewRace } from "../../formats/import/rows";
import { AthleteEntity, ImportEntity, LIST_ENTITIES, type ListRow } from "./entities";
import { NotSaved } from "./faults";
import { insertRows, listRows, ROWS_AT_ONCE } from "./lists";
import type { Store } from "./store";

export interface ImportRows {
  incoming: readonly Incoming[];
  races: readonly NewRace[];
}

type Told = Pick<ImportView, "counts" | "lines">;

/** What undoing takes: rows to put back as they were; rows that were added bear the import's name. */
interface Undo {
  /** Only of imports made before rows bore it. */
  added: string[];
  before: { id: string; data: string }[];
  racesAdded: string[];
  racesBefore: { id: string; data: string }[];
}

/** A row that changes: as it is and as it is to be. */
interface Update {
  id: string;
  before: string;
  date: string;
  data: string;
}

/**
 * Rows compared with what is stored, ready to be stored themselves. Made in a worker thread; what is many is bytes or text already, so that the
 * server's own thread takes it in slices.
 */
export interface StagedImport {
  /** The athlete's revision it was compared with. */
  revision: number;
  counts: ImportCounts;
  lines: ImportLine[];
  /** Fates of all rows as JSON: `"fates":[...],"raceFates":[...],"counts":{...}`. */
  answer: string;
  /** New endurance rows, each slice a JSON list of [id, seq, date, data]. */
  slices: Uint8Array[];
  updates: Update[];
  newRaces: ListRow[];
  raceUpdates: Update[];
}

/** Rows stored in one short transaction. */
const SLICE = 1500;

/** @returns the answer to a request as JSON */
export const answerText = (c: Pick<StagedImport, "answer">, batch: string | null): string =>
  `{${c.answer},"batch":${JSON.stringify(batch)}}`;

/** What would become of the rows; nothing is stored. @returns null where there is no such athlete */
export async function comparedRows(store: Store, id: string, rows: ImportRows): Promise<StagedImport | null> {
  const revision = await store.athletes.revision(id);
  if (revision === null) return null;
  const stored = await store.athletes.get(id);
  const endurance = await listRows(store.db.reader, "endurance", id);
  const races = await listRows(store.db.reader, "races", id);
  const known = endurance.flatMap((r): KnownSession[] => {
    const session = JSON.parse(r.data) as EnduranceSession;
    return session.cancelled ? [] : [{ id: r.id, session }];
  });
  const data = new Map(endurance.map((r) => [r.id, r.data]));
  for (const session of stored?.athlete.endurance ?? [])
    if (session.slot !== undefined) known.push({ id: plannedId(session.slot), session });
  const knownRaces = races.map((r) => ({ row: r.id, race: JSON.parse(r.data) as Race }));
  const fates = fatesOf(known, rows.incoming);
  const raceFates = rows.races.map((r) =>
    raceFate(
      knownRaces.map((k) => k.race),
      r,
    ),
  );
  const byId = new Map(known.map((k) => [k.id, { session: k.session, data: data.get(k.id) ?? "" }]));
  const fresh: [string, number, string, string][] = [];
  const updates: Update[] = [];
  let seq = endurance.at(-1)?.seq ?? -1;
  for (const [i, fate] of fates.entries()) {
    const row = rows.incoming[i];
    if (!row || fate.kind === "same" || fate.kind === "twice") continue;
    if (fate.kind === "new") {
      const session = merged(null, row);
      fresh.push([randomUUID(), ++seq, session.date, JSON.stringify(session)]);
      continue;
    }
    const before = byId.get(fate.id);
    if (!before) continue;
    const slot = slotOfId(fate.id);
    const next = { ...merged(before.session, row), ...(slot === null ? {} : { insteadOf: slot }) };
    if (slot !== null) {
      const { slot: _, ...session } = next;
      fresh.push([randomUUID(), ++seq, session.date, JSON.stringify(session)]);
      continue;
    }
    updates.push({ id: fate.id, before: before.data, date: next.date, data: JSON.stringify(next) });
  }
  const counts = countsOf([...fates, ...raceFates]);
  const slices: Uint8Array[] = [];
  for (let i = 0; i < fresh.length; i += SLICE)
    slices.push(new TextEncoder().encode(JSON.stringify(fresh.slice(i, i + SLICE))));
  return {
    revision,
    counts,
    lines: linesOf(rows, fates, raceFates),
    answer: JSON.stringify({ fates, raceFates, counts }).slice(1, -1),
    slices,
    updates,
    ...racesOf(id, rows, raceFates, knownRaces, races.at(-1)?.seq ?? -1),
  };
}

type RaceFate = ReturnType<typeof raceFate>;

function racesOf(
  athleteId: string,
  rows: ImportRows,
  raceFates: readonly RaceFate[],
  known: readonly { row: string; race: Race }[],
  lastSeq: number,
): Pick<StagedImport, "newRaces" | "raceUpdates"> {
  const newRaces: ListRow[] = [];
  const raceUpdates: Update[] = [];
  for (const [i, fate] of raceFates.entries()) {
    const race = rows.races[i];
    if (!race || fate.kind === "same") continue;
    const moved = fate.kind === "moved" ? known.find((k) => k.race.id === fate.id) : undefined;
    if (moved) {
      // The priority is the coach's word; the calendar moves the date.
      const next: Race = { ...moved.race, ...race, id: moved.race.id, priority: moved.race.priority };
      raceUpdates.push({
        id: moved.row,
        before: JSON.stringify(moved.race),
        date: next.date,
        data: JSON.stringify(next),
      });
    } else
      newRaces.push({
        id: randomUUID(),
        athleteId,
        seq: lastSeq + newRaces.length + 1,
        date: race.date,
        data: JSON.stringify({ id: `race-${randomUUID().slice(0, 8)}`, ...race }),
      });
  }
  return { newRaces, raceUpdates };
}

const countsOf = (fates: readonly { kind: string }[]): ImportCounts => {
  const n = (...kinds: string[]) => fates.filter((f) => kinds.includes(f.kind)).length;
  return { added: n("new"), changed: n("changed", "moved"), done: n("done"), known: n("same", "twice") };
};

/** Records named in the list of imports; the rest is counted. */
const LINES = 6;

function linesOf(rows: ImportRows, fates: readonly Fate[], raceFates: readonly RaceFate[]): ImportLine[] {
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

/** Somebody else wrote since the rows were compared. */
class Stale extends Error {}

/** How often rows are compared again where others keep writing. */
const TRIES = 8;

export interface TakeOptions {
  /** Compares the rows again. */
  again: () => Promise<StagedImport | null>;
  /** Runs in the transaction that makes the import visible, so that a pull's place in the log is kept with what it brought. */
  also?: (m: EntityManager) => Promise<unknown>;
  /** Told in that transaction what will be answered. */
  told?: (batch: string | null, compared: StagedImport) => void;
}

/**
 * Takes compared rows over. New rows are stored slice by slice, hidden; one short transaction then makes them visible together with
 * everything else that changes. Others get their turn between the slices.
 * @param name what the coach knows the import by
 * @returns null where there is no such athlete
 */
export async function takeImport(
  store: Store,
  id: string,
  first: StagedImport,
  name: string,
  options: TakeOptions,
): Promise<{ batch: string | null; compared: StagedImport } | null> {
  let compared: StagedImport | null = first;
  for (let n = 0; n < TRIES && compared; n++) {
    const batch = await stage(store, id, compared);
    try {
      return await show(store, { id, compared, name, batch }, options);
    } catch (error) {
      await sweep(store, batch);
      if (!(error instanceof Stale)) throw error;
      compared = await options.again();
    }
  }
  if (compared)
    throw new NotSaved(503, "SQLITE_BUSY", "Not saved: others kept changing this athlete's records. Try again.");
  return null;
}

async function stage(store: Store, id: string, { slices }: StagedImport): Promise<string> {
  const batch = randomUUID();
  if (slices.length === 0) return batch;
  await store.db.writeAside((m) => m.query("INSERT INTO hidden_batch VALUES (?)", [batch]));
  try {
    for (const slice of slices) {
      const rows = JSON.parse(new TextDecoder().decode(slice)) as HiddenRow[];
      await store.db.writeAside((m) => insertHidden(m, id, batch, rows));
      await turn();
    }
  } catch (error) {
    await sweep(store, batch).catch(() => undefined);
    throw error;
  }
  return batch;
}

/** Id, place, day and data. */
type HiddenRow = [string, number, string, string];

/** Rows in one statement, as elsewhere. */
async function insertHidden(m: EntityManager, id: string, batch: string, rows: readonly HiddenRow[]): Promise<void> {
  for (let i = 0; i < rows.length; i += ROWS_AT_ONCE) {
    const some = rows.slice(i, i + ROWS_AT_ONCE);
    await m.query(
      `INSERT INTO endurance_session (id, athlete_id, seq, date, data, batch) VALUES ${some.map(() => "(?, ?, ?, ?, ?, ?)").join(", ")}`,
      some.flatMap(([row, seq, date, data]) => [row, id, seq, date, data, batch]),
    );
  }
}

async function show(
  store: Store,
  { id, compared: c, name, batch }: { id: string; compared: StagedImport; name: string; batch: string },
  { also, told }: TakeOptions,
): Promise<{ batch: string | null; compared: StagedImport } | null> {
  return store.db.write(async (m) => {
    const now = await m.findOne(AthleteEntity, { select: { id: true, revision: true }, where: { id } });
    if (!now) return null;
    if (now.revision !== c.revision) throw new Stale();
    await also?.(m);
    if (c.counts.added + c.counts.changed + c.counts.done === 0) {
      told?.(null, c);
      return { batch: null, compared: c };
    }
    await store.athletes.touch(m, id);
    for (const [list, updates] of [
      ["endurance", c.updates],
      ["races", c.raceUpdates],
    ] as const)
      await changeRows(m, list, updates);
    await insertRows(m, "races", c.newRaces);
    const back = (updates: readonly Update[]) => updates.map((u) => ({ id: u.id, data: u.before }));
    const undo: Undo = {
      added: [],
      before: back(c.updates),
      racesAdded: c.newRaces.map((r) => r.id),
      racesBefore: back(c.raceUpdates),
    };
    await m.insert(ImportEntity, {
      id: batch,
      athleteId: id,
      at: new Date().toISOString(),
      name,
      counts: JSON.stringify({ counts: c.counts, lines: c.lines } satisfies Told),
      undo: JSON.stringify(undo),
    });
    await m.query("DELETE FROM hidden_batch WHERE batch = ?", [batch]);
    told?.(batch, c);
    return { batch, compared: c };
  });
}

/** Changes many rows in the transaction under way; what only reads has its turn in between. */
async function changeRows(m: EntityManager, list: "endurance" | "races", updates: readonly Update[]): Promise<void> {
  const table = list === "races" ? "race" : "endurance_session";
  for (let i = 0; i < updates.length; i += SLICE) {
    if (i > 0) await turn();
    for (const u of updates.slice(i, i + SLICE))
      await m.query(`UPDATE ${table} SET date = ?, data = ? WHERE id = ?`, [u.date, u.data, u.id]);
  }
}

/** Lets everything else that waits have its turn. */
const turn = () => new Promise<void>((done) => setImmediate(done));

/** Removes the rows of a hidden import, slice by slice. */
async function sweep(store: Store, batch: string): Promise<void> {
  for (let left = SLICE; left === SLICE; await turn())
    left = await store.db.writeAside(async (m) => {
      const { affected } = await m
        .createQueryBuilder()
        .delete()
        .from(LIST_ENTITIES.endurance)
        .where(
          `id IN (SELECT id FROM endurance_session WHERE batch = :batch LIMIT ${SLICE}) AND EXISTS (SELECT 1 FROM hidden_batch WHERE batch = :batch)`,
          { batch },
        )
        .execute();
      return affected ?? 0;
    });
  await store.db.writeAside((m) => m.query("DELETE FROM hidden_batch WHERE batch = ?", [batch]));
}

/** Imports that nobody sees: those that are being stored, and what is left of those that were broken off. */
export async function hiddenImports(store: Store): Promise<string[]> {
  const rows: { batch: string }[] = await store.db.reader.query("SELECT batch FROM hidden_batch");
  return rows.map((r) => r.batch);
}

/** Removes what broken-off imports left behind. @param batches nobody stores them any more; of what is seen by now every row stays */
export async function sweepHidden(store: Store, batches: readonly string[]): Promise<void> {
  for (const batch of batches) await sweep(store, batch);
}

/** The same of all, where no other process stores any. */
export const sweepAll = async (store: Store): Promise<void> => sweepHidden(store, await hiddenImports(store));

/** The latest imports first. */
export async function importsOf(store: Store, athleteId: string, most = 20): Promise<ImportView[]> {
  const rows = await store.db.reader.find(ImportEntity, { where: { athleteId }, order: { at: "DESC" }, take: most });
  return rows.map((r) => ({ id: r.id, at: r.at, name: r.name, ...(JSON.parse(r.counts) as Told) }));
}

/**
 * Takes an import back: what it added goes, what it changed is as it was. What was edited since goes with it.
 * @returns false where there is no such import
 */
export async function undoImport(store: Store, athleteId: string, batch: string): Promise<boolean> {
  const done = await store.db.write(async (m) => {
    const row = await m.findOneBy(ImportEntity, { id: batch, athleteId });
    if (!row || !(await store.athletes.touch(m, athleteId))) return false;
    const undo = JSON.parse(row.undo) as Undo;
    await m.query("INSERT INTO hidden_batch VALUES (?) ON CONFLICT DO NOTHING", [batch]);
    for (const [list, added, before] of [
      ["endurance", undo.added, undo.before],
      ["races", undo.racesAdded, undo.racesBefore],
    ] as const) {
      const entity = LIST_ENTITIES[list];
      for (let i = 0; i < added.length; i += ROWS_AT_ONCE) await m.delete(entity, added.slice(i, i + ROWS_AT_ONCE));
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
  // The rows are gone for everybody; their places in the file are freed little by little.
  if (done) await sweep(store, batch);
  return done;
}
