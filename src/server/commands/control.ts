/**
 * Commands reach the running server through a socket in the club's folder, which only the owner of the folder can open. The server then does
 * the work on its own connection: a copy made from another process would begin anew with every write.
 */
import { existsSync, rmSync } from "node:fs";
import { createServer, type Socket } from "node:net";
import { join } from "node:path";
import type { Logger } from "pino";
import { z } from "zod";
import { loggable } from "../errors";
import type { BackupKeeper } from "../keeper";

/** Longest address of a socket that every system takes. */
const LONGEST = 100;

const command = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("backup"), file: z.string() }),
  z.strictObject({ do: z.literal("restore"), file: z.string() }),
]);
export type Command = z.infer<typeof command>;
export type CommandReply = { ok: true; text: string } | { ok: false; text: string };

export const socketPath = (folder: string): string => join(folder, "control.sock");

async function answer(text: string, keeper: BackupKeeper): Promise<CommandReply> {
  const read = command.safeParse(JSON.parse(text));
  if (!read.success) return { ok: false, text: "This is no command." };
  if (read.data.do === "backup")
    return { ok: true, text: describeBackup(read.data.file, await keeper.takeTo(read.data.file)) };
  return { ok: true, text: describeRestore(await keeper.restore(read.data.file)) };
}

const of = (n = 0, what: string): string => `${n} ${what}${n === 1 ? "" : "s"}`;

export const describeBackup = (file: string, m: { counts: Record<string, number>; sha256: string }): string =>
  `Backup written and read again: ${file}\n${of(m.counts.athlete, "athlete")}, ${of(m.counts.endurance_session, "endurance session")}, ${of(m.counts.strength_log, "strength log")}; SHA-256 of the rows ${m.sha256}`;

export const describeRestore = (r: { safety: string | null; erasedAgain: number }): string =>
  [
    "Restored.",
    r.safety === null ? "There was nothing here before." : `What was here before is kept as backups/${r.safety}.`,
    ...(r.erasedAgain > 0
      ? [`${r.erasedAgain} erased ${r.erasedAgain === 1 ? "athlete" : "athletes"} in it erased again.`]
      : []),
  ].join("\n");

/** Answers commands until it is closed. */
export async function answerCommands(
  folder: string,
  keeper: BackupKeeper,
  log: Logger,
): Promise<{ close: () => Promise<void> }> {
  const path = socketPath(folder);
  if (path.length > LONGEST) {
    log.warn("the folder's name is too long for commands while the server runs");
    return { close: async () => undefined };
  }
  // The lock says that no other server has this folder: what stands there was left by one that was killed.
  if (existsSync(path)) rmSync(path);
  const open = new Set<Socket>();
  const server = createServer((socket) => {
    open.add(socket);
    let text = "";
    socket.on("close", () => open.delete(socket));
    socket.on("error", () => socket.destroy());
    socket.on("data", (data) => {
      text += data.toString("utf8");
      if (!text.includes("\n")) return;
      answer(text, keeper)
        .catch((error: unknown): CommandReply => {
          log.error({ error: loggable(error) }, "command failed");
          return { ok: false, text: error instanceof Error ? error.message : String(error) };
        })
        .then((reply) => socket.end(`${JSON.stringify(reply)}\n`));
    });
  });
  await new Promise<void>((done, fail) => {
    server.once("error", fail);
    server.listen(path, done);
  });
  return {
    close: () =>
      new Promise((done) => {
        for (const s of open) s.destroy();
        server.close(() => done());
      }),
  };
}
