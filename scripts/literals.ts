/**
 * Numbers in the core outside the rulebook: none but 0, 1, 2, 100, the days of a week and the minutes of an hour stands there without a reason in
 * scripts/literals.json. `--list` prints all that stand there.
 */
import { readFileSync } from "node:fs";
import { join, relative } from "node:path";
import { parseSync } from "@swc/core";
import { sourcesIn } from "./sources";

const ROOT = join(import.meta.dirname, "..");
const CORE = join(ROOT, "src/core");
/** 7 days, 60 minutes or seconds. */
const FREE = new Set([0, 1, 2, 100, 7, 60]);
/** Data with its own trust, and conversions. */
const DATA = [/^rulebook\//, /^exercise\/entries\//, /^units\.ts$/, /^dates\.ts$/];

/** Every numeric literal of a syntax tree. */
function literalsOf(node: unknown, out: number[]): void {
  if (Array.isArray(node)) for (const n of node) literalsOf(n, out);
  else if (node && typeof node === "object") {
    const { type, value } = node as { type?: string; value?: unknown };
    if (type === "NumericLiteral" && typeof value === "number") {
      if (!FREE.has(value)) out.push(value);
      return;
    }
    // Types hold no numbers that are computed with.
    if (
      type?.startsWith("Ts") &&
      type !== "TsAsExpression" &&
      type !== "TsSatisfiesExpression" &&
      type !== "TsConstAssertion" &&
      type !== "TsNonNullExpression"
    )
      return;
    for (const v of Object.values(node)) literalsOf(v, out);
  }
}

interface Reason {
  why: string;
  /** Values as they stand, in the order of the file. */
  values: number[];
}
const reasons = JSON.parse(readFileSync(join(ROOT, "scripts/literals.json"), "utf8")) as Record<string, Reason>;

let wrong = 0;
const list = process.argv.includes("--list");
const found: Record<string, number[]> = {};
for (const file of sourcesIn(CORE)) {
  const name = relative(CORE, file);
  if (DATA.some((d) => d.test(name))) continue;
  const values: number[] = [];
  literalsOf(parseSync(readFileSync(file, "utf8"), { syntax: "typescript", target: "es2022" }).body, values);
  if (values.length > 0) found[name] = values;
}
for (const [name, values] of Object.entries(found)) {
  if (list) console.log(`${name}: ${values.join(", ")}`);
  const reason = reasons[name];
  if (reason && JSON.stringify(reason.values) === JSON.stringify(values)) continue;
  wrong++;
  if (!list)
    console.error(
      `src/core/${name}: numbers ${values.join(", ")}${reason ? ` (reasons are there for ${reason.values.join(", ")})` : ""}. Numbers of the trade stand in src/core/rulebook; others need a reason in scripts/literals.json.`,
    );
}
for (const name of Object.keys(reasons))
  if (!found[name]) {
    wrong++;
    console.error(`scripts/literals.json: src/core/${name} holds no such number any more.`);
  }
if (!list && wrong > 0) process.exit(1);
