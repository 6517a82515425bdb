/** A copy of one club of a database server: a club's file like any other, so that it can be opened, moved and restored wherever one is. */
import { join } from "node:path";
import { type BackupKind, countsIn, type Manifest, type Seal, sealedCopy, sealHere, stampOf } from "../backup";
import { moveClub } from "../move";
import { SqliteDatabase } from "../sqlite";
import type { Store } from "../store";

/** @param target file to make */
export const takeClubCopy = (
  store: Store,
  target: string,
  kind: BackupKind,
  seal: Seal = sealHere,
): Promise<Manifest> =>
  sealedCopy(target, kind, seal, async (part) => {
    const db = await SqliteDatabase.open(part);
    try {
      await moveClub(store, { db, isFile: true });
      db.checkpoint();
    } finally {
      await db.close();
    }
    return countsIn(part);
  });

/** A copy among the club's own. @returns its name */
export async function takeOwnClubCopy(store: Store, kind: BackupKind, seal?: Seal): Promise<string> {
  const name = stampOf(kind);
  await takeClubCopy(store, join(store.backups, name), kind, seal);
  return name;
}
