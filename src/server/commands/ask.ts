/** `npm run backup -- FILE` and `npm run restore -- FILE`: asks the running server, or does it itself where none runs. */
import { createConnection } from "node:net";
import { join, resolve } from "node:path";
import { configFromEnvironment } from "../config";
import { takeBackup } from "../store/backup";
import { restoreFrom } from "../store/restore";
import { Store } from "../store/store";
import { type Command, type CommandReply, describeBackup, describeRestore, socketPath } from "./control";

/** @returns what the server says; null where none runs */
function askServer(folder: string, command: Command): Promise<CommandReply | null> {
  return new Promise((done, fail) => {
    const socket = createConnection(socketPath(folder));
    let text = "";
    socket.on("connect", () => socket.write(`${JSON.stringify(command)}\n`));
    socket.on("data", (data) => {
      text += data.toString("utf8");
    });
    socket.on("error", (error: NodeJS.ErrnoException) =>
      ["ENOENT", "ECONNREFUSED"].includes(error.code ?? "") ? done(null) : fail(error),
    );
    socket.on("end", () =>
      text === "" ? fail(new Error("The server stopped before it answered.")) : done(JSON.parse(text) as CommandReply),
    );
  });
}

async function here(file: string, command: Command): Promise<string> {
  const store = await Store.open(file);
  try {
    if (command.do === "backup")
      return describeBackup(command.file, await takeBackup(store.sqlite, command.file, "asked"));
    return describeRestore(await restoreFrom(store.sqlite, command.file));
  } finally {
    await store.close();
  }
}

export async function askAndPrint(kind: Command["do"], args: readonly string[]): Promise<void> {
  process.umask(0o077);
  const [name] = args;
  if (name === undefined || args.length !== 1) {
    process.stderr.write(`One file expected: npm run ${kind} -- FILE. FIELD_ANCHOR_DATA names the club's folder.\n`);
    process.exit(2);
  }
  try {
    const { data } = configFromEnvironment(process.env);
    // npm runs scripts in the project's folder; the file was named from where the caller stands.
    const command: Command = { do: kind, file: resolve(process.env.INIT_CWD ?? ".", name) };
    const reply = await askServer(data, command);
    const text = reply ? reply.text : await here(join(data, "field-anchor.sqlite"), command);
    if (reply && !reply.ok) throw new Error(text);
    process.stdout.write(`${text}\n`);
  } catch (error) {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exit(1);
  }
}
