/** A copy of one club of a database server: a club's file like any other, so that it can be opened, moved and restored wherever one is. */
import { dirname, join } from "node:path";
import { type BackupKind, countsIn, type Manifest, place, type Seal, sealHere, stampOf } from "../backup";
import { moveClub } from "../move";
import { makeFolder, removeDatabase } from "../open";
import { SqliteDatabase } from "../sqlite";
import type { Store } from "../store";

/** @param target file to make; what stands there is replaced once the copy is sound */
export async function takeClubCopy(
  store: Store,
  target: string,
  kind: BackupKind,
  seal: Seal = sealHere,
): Promise<Manifest> {
  const part = `${target}.part`;
  makeFolder(dirname(target));
  removeDatabase(part);
  try {
    const db = await SqliteDatabase.open(part);
    try {
      await moveClub(store, { db, isFile: true });
      db.checkpoint();
    } finally {
      await db.close();
    }
    const manifest = await seal(part, kind, countsIn(part));
    place(part, target);
    return manifest;
  } catch (error) {
    removeDatabase(part);
    throw error;
  }
}

/** A copy among the club's own. @returns its name */
export async function takeOwnClubCopy(store: Store, kind: BackupKind, seal?: Seal): Promise<string> {
  const name = stampOf(kind);
  await takeClubCopy(store, join(store.backups, name), kind, seal);
  return name;
}
