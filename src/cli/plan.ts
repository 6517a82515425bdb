/**
 * The planner on the command line, without server or database.
 * Exit 0 with a plan file on standard output; exit 2 with one line on standard error for each fault and nothing on standard output.
 */
import { readFileSync } from "node:fs";
import { parseArgs } from "node:util";
import { isDate } from "../core/dates";
import { SHIPPED_LIBRARY } from "../core/exercise";
import { plan } from "../core/plan";
import { readAthleteFile } from "../formats/athlete-file";
import { planToFile } from "../formats/plan-file";

const USAGE = "npm run --silent plan -- FILE.json... [--from DATE] [--weeks N | --season]   or   -- --exercises";

function fail(lines: readonly string[]): never {
  for (const line of lines) process.stderr.write(`${line}\n`);
  process.exit(2);
}

function options() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        from: { type: "string" },
        weeks: { type: "string" },
        season: { type: "boolean", default: false },
        exercises: { type: "boolean", default: false },
        help: { type: "boolean", default: false },
      },
    });
  } catch (error) {
    return fail([`(arguments): ${error instanceof Error ? error.message : String(error)}. Usage: ${USAGE}`]);
  }
}

function textOf(file: string): string {
  try {
    return readFileSync(file, "utf8");
  } catch (error) {
    return fail([
      `(file): a readable file expected, ${file}: ${error instanceof Error ? error.message : String(error)}`,
    ]);
  }
}

const { values, positionals: files } = options();
if (values.help) {
  process.stdout.write(`${USAGE}\n`);
} else if (values.exercises) {
  const list = SHIPPED_LIBRARY.all.map(({ id, name, pattern, unilateral, loading }) => ({
    id,
    name,
    pattern,
    unilateral,
    loading,
  }));
  process.stdout.write(`${JSON.stringify(list, null, 2)}\n`);
} else {
  if (files.length === 0) fail([`(arguments): a file expected. Usage: ${USAGE}`]);
  if (values.from !== undefined && !isDate(values.from))
    fail([`--from: a real date such as "2026-03-02" expected, found "${values.from}"`]);
  const weeks = values.weeks === undefined ? 1 : Number(values.weeks);
  if (!Number.isInteger(weeks) || weeks < 1)
    fail([`--weeks: a whole number of at least 1 expected, found "${values.weeks}"`]);

  // Every file is read before anything is written, so that a fault leaves standard output empty.
  const faults: string[] = [];
  const athletes = files.map((file) => {
    const read = readAthleteFile(textOf(file));
    const prefix = files.length > 1 ? `${file}: ` : "";
    if (!read.ok) faults.push(...read.faults.map((f) => `${prefix}${f.path}: ${f.expected}`));
    else if (
      values.from !== undefined &&
      (values.from < read.value.season.start || values.from > read.value.season.end)
    )
      faults.push(
        `${prefix}--from: a date inside the season (${read.value.season.start} to ${read.value.season.end}) expected, found "${values.from}"`,
      );
    return read;
  });
  if (faults.length > 0) fail(faults);
  for (const read of athletes) {
    if (!read.ok) continue;
    const p = plan(read.value, {
      ...(values.from ? { from: values.from } : {}),
      weeks: values.season ? "season" : weeks,
    });
    // Several files: one plan file a line.
    process.stdout.write(`${JSON.stringify(planToFile(p), null, files.length > 1 ? 0 : 2)}\n`);
  }
}
