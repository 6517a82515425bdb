/** `npm start`: the built application on a real database, no demo data. */
import { configFromEnvironment } from "./config";
import { run } from "./run";

run(configFromEnvironment(process.env), { clubName: "Your club" })
  .then(({ address }) => process.stdout.write(`Field Anchor: ${address}\n`))
  .catch((error: unknown) => {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exit(1);
  });
