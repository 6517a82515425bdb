/** Work for worker threads beside the routes: what it is told and what it answers can be sent from one thread to the other. */
import BetterSqlite3 from "better-sqlite3";
import type { ClubWeekRow, ClubWeekView } from "../../api/clubWeek";
import { importBody } from "../../api/requests";
import type { SquadRow } from "../../api/views";
import type { Context } from "../context";
import { clubWeekPdf } from "../paper/clubWeek";
import { type BackupKind, type Manifest, sealCopy } from "../store/backup";
import { Unusable } from "../store/faults";
import { comparedRows, type ImportRows, type StagedImport } from "../store/imports";
import { previewRestore, stageRestore } from "../store/restore";
import { clubWeekRow } from "../views/clubWeek";
import { squadRow } from "../views/squadRow";
import type { KeptAnswers } from "./kept";

/** An error loses its class on the way between threads: what the caller must tell apart comes as a value. */
export type OrUnusable<T> = { ok: true; value: T } | { ok: false; why: string };
const orUnusable = async <T>(work: Promise<T>): Promise<OrUnusable<T>> => {
  try {
    return { ok: true, value: await work };
  } catch (error) {
    if (!(error instanceof Unusable)) throw error;
    return { ok: false, why: error.message };
  }
};

export const tasksOf = (ctx: Context, kept: KeptAnswers | null) => ({
  /** One row of the squad table; null without the athlete. */
  squadRow: async ({ id }: { id: string }): Promise<SquadRow | null> => {
    const make = async () => squadRow(await ctx.store.athletes.get(id), ctx.planner);
    if (!kept) return make();
    const text = await kept.through(ctx, id, "squad-row", async () => JSON.stringify(await make()));
    return JSON.parse(text) as SquadRow | null;
  },
  /** One row of a week of the club; null without the athlete. */
  clubWeekRow: ({ id, monday }: { id: string; monday: string }): Promise<ClubWeekRow | null> =>
    clubWeekRow(ctx.store, ctx.planner, id, monday),
  /** A week of the club on paper. */
  clubWeekPdf: async ({ view }: { view: ClubWeekView }): Promise<Uint8Array> => clubWeekPdf(view, ctx.clubName),
  /** What would become of incoming rows, compared with what is stored. */
  compareRows: ({ id, rows }: { id: string; rows: ImportRows }): Promise<StagedImport | null> =>
    comparedRows(ctx.store, id, rows),
  /** The same of a body as it was sent, once more. */
  compareText: ({ id, text }: { id: string; text: string }): Promise<StagedImport | null> =>
    comparedRows(ctx.store, id, importBody.parse(JSON.parse(text))),
  seal: async ({
    file,
    kind,
    counts,
  }: {
    file: string;
    kind: BackupKind;
    counts: Record<string, number>;
  }): Promise<Manifest> => sealCopy(file, kind, counts),
  /** Checks a backup and brings a copy of it up to this version; what is wrong with it is said, not thrown. */
  stage: ({ clubFile, file }: { clubFile: string; file: string }) => orUnusable(stageRestore(clubFile, file)),
  previewRestore: ({ clubFile, file }: { clubFile: string; file: string }) =>
    orUnusable(previewRestore(clubFile, file)),
  /**
   * Rewrites a file without its free pages, where asked to, and empties its log, while nobody writes.
   * @returns whether the log is empty
   */
  scrub: async ({ file, rewrite }: { file: string; rewrite: boolean }): Promise<boolean> => {
    const db = new BetterSqlite3(file, { timeout: 4000, fileMustExist: true });
    try {
      db.pragma("temp_store = MEMORY");
      db.pragma("secure_delete = ON");
      if (rewrite) db.exec("VACUUM");
      const [row] = db.pragma("wal_checkpoint(TRUNCATE)") as { busy: number }[];
      return row?.busy === 0;
    } finally {
      db.close();
    }
  },
});

export type Tasks = ReturnType<typeof tasksOf>;

/** Runs a task in a worker thread. */
export type RunTask = <K extends keyof Tasks>(
  task: K,
  args: Parameters<Tasks[K]>[0],
) => Promise<Awaited<ReturnType<Tasks[K]>>>;
