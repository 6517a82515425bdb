/** Rows of the club's views, kept in the database by what they were worked out from, so that one worker's work serves every server. */
import { createHash } from "node:crypto";
import { ClubDatabase } from "../store/postgres/database";
import type { Store } from "../store/store";

/** What is worked out, and for whom. */
export interface Question {
  task: "squadRow" | "clubWeekRow";
  args: { id: string; monday?: string };
}

/** The name under which an answer is kept. */
export const nameOfAnswer = ({ task, args }: Question): string =>
  args.monday === undefined ? task : `${task} ${args.monday}`;

/** How the keys of answers begin that were worked out on a day by a version of the program. */
export const keyOfDay = (today: string, program: string): string => `${today}/${program}/`;

/**
 * Differs once an answer would: by the athlete's revision, the club's rules, the day and the version of the program.
 * @returns null without the athlete
 */
export async function keyOf(store: Store, { args }: Question, today: string, program: string): Promise<string | null> {
  const revision = await store.athletes.revision(args.id);
  if (revision === null) return null;
  const madeFrom = [revision, store.rules, store.approaches.all, await store.archive.count(args.id)];
  return keyOfDay(today, program) + createHash("sha256").update(JSON.stringify(madeFrom)).digest("hex");
}

export async function readAnswer(store: Store, q: Question): Promise<{ key: string; body: string } | null> {
  const [row] = (await store.db.reader.query("SELECT key, body FROM kept_answer WHERE athlete_id = ? AND what = ?", [
    q.args.id,
    nameOfAnswer(q),
  ])) as { key: string; body: string }[];
  return row ?? null;
}

/** Answers to the same question take each other's place. */
export async function keepAnswer(store: Store, q: Question, key: string, body: string): Promise<void> {
  if (!(store.db instanceof ClubDatabase)) throw new Error("Answers are kept on a database server alone.");
  await store.db.keep((m) =>
    m.query(
      "INSERT INTO kept_answer (athlete_id, what, key, body) VALUES (?, ?, ?, ?) ON CONFLICT (athlete_id, what) DO UPDATE SET key = excluded.key, body = excluded.body",
      [q.args.id, nameOfAnswer(q), key, body],
    ),
  );
}
