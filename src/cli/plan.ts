/** The planner on the command line, without server or database (see run.ts). */
import { runPlan } from "./run";

const { status, out, errors } = runPlan(process.argv.slice(2));
for (const line of errors) process.stderr.write(`${line}\n`);
process.stdout.write(out);
process.exitCode = status;
