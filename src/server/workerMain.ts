/** `npm run worker`: plans for the servers of one database, on this machine or another. */
import { configFromEnvironment, runWorker } from "./run";

runWorker(configFromEnvironment(process.env))
  .then((close) => {
    for (const signal of ["SIGINT", "SIGTERM"] as const)
      process.once(signal, () => void close().then(() => process.exit(0)));
  })
  .catch((error: unknown) => {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exit(1);
  });
