/** `npm run worker`: plans for the servers of one database, on this machine or another. */
import { constants, setPriority } from "node:os";
import { configFromEnvironment } from "./config";
import { runWorker } from "./run";

// Work in the line is ahead of whoever will ask: on a machine that also answers people, they come first. Threads take it over.
setPriority(constants.priority.PRIORITY_BELOW_NORMAL);
runWorker(configFromEnvironment(process.env))
  .then((close) => {
    for (const signal of ["SIGINT", "SIGTERM"] as const)
      process.once(signal, () => void close().then(() => process.exit(0)));
  })
  .catch((error: unknown) => {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exit(1);
  });
