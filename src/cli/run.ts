/**
 * The plan command: what it answers, without the process around it.
 * Status 0 with a plan file on the output; 2 with one line of error for each fault and nothing on the output.
 */
import { readFileSync } from "node:fs";
import { parseArgs } from "node:util";
import type { Athlete } from "../core/athlete";
import { isDate } from "../core/dates";
import { SHIPPED_LIBRARY } from "../core/exercise";
import { plan } from "../core/plan";
import { type Read, readAthleteFile } from "../formats/athlete-file";
import { planToFile } from "../formats/plan-file";

const USAGE = "npm run --silent plan -- FILE.json... [--from DATE] [--weeks N | --season]   or   -- --exercises";

export interface Answer {
  status: 0 | 2;
  out: string;
  errors: readonly string[];
}

const fail = (...errors: string[]): Answer => ({ status: 2, out: "", errors });
const said = (error: unknown): string => (error instanceof Error ? error.message : String(error));

const exercises = (): string =>
  `${JSON.stringify(
    SHIPPED_LIBRARY.all.map(({ id, name, pattern, unilateral, loading }) => ({
      id,
      name,
      pattern,
      unilateral,
      loading,
    })),
    null,
    2,
  )}\n`;

function parsed(args: readonly string[]) {
  return parseArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      from: { type: "string" },
      weeks: { type: "string" },
      season: { type: "boolean", default: false },
      exercises: { type: "boolean", default: false },
      help: { type: "boolean", default: false },
    },
  });
}

/** Why a file cannot be planned from a day; empty where it can. */
function faultsOf(read: Read<Athlete>, from: string | undefined): string[] {
  if (!read.ok) return read.faults.map((f) => `${f.path}: ${f.expected}`);
  const { start, end } = read.value.season;
  return from !== undefined && (from < start || from > end)
    ? [`--from: a date inside the season (${start} to ${end}) expected, found "${from}"`]
    : [];
}

/** @param args as they stand after the command's name */
export function runPlan(args: readonly string[]): Answer {
  let options: ReturnType<typeof parsed>;
  try {
    options = parsed(args);
  } catch (error) {
    return fail(`(arguments): ${said(error)}. Usage: ${USAGE}`);
  }
  const { values, positionals: files } = options;
  if (values.help) return { status: 0, out: `${USAGE}\n`, errors: [] };
  if (values.exercises) return { status: 0, out: exercises(), errors: [] };
  if (files.length === 0) return fail(`(arguments): a file expected. Usage: ${USAGE}`);
  const { from } = values;
  if (from !== undefined && !isDate(from))
    return fail(`--from: a real date such as "2026-03-02" expected, found "${from}"`);
  const weeks = values.weeks === undefined ? 1 : Number(values.weeks);
  if (!Number.isInteger(weeks) || weeks < 1)
    return fail(`--weeks: a whole number of at least 1 expected, found "${values.weeks}"`);

  // Every file is read before anything is planned, so that a fault leaves the output empty.
  const faults: string[] = [];
  const athletes: Athlete[] = [];
  for (const file of files) {
    let text: string;
    try {
      text = readFileSync(file, "utf8");
    } catch (error) {
      return fail(`(file): a readable file expected, ${file}: ${said(error)}`);
    }
    const read = readAthleteFile(text);
    const prefix = files.length > 1 ? `${file}: ` : "";
    faults.push(...faultsOf(read, from).map((f) => `${prefix}${f}`));
    if (read.ok) athletes.push(read.value);
  }
  if (faults.length > 0) return fail(...faults);
  const plans = athletes.map((a) => plan(a, { ...(from ? { from } : {}), weeks: values.season ? "season" : weeks }));
  // Several files: one plan file a line.
  const out = plans.map((p) => `${JSON.stringify(planToFile(p), null, files.length > 1 ? 0 : 2)}\n`).join("");
  return { status: 0, out, errors: [] };
}
