/** Functions of the core and the server: none over 80 lines; of the web, components with them: none over 120. `--list` prints the longest. */
import { readFileSync } from "node:fs";
import { join, relative } from "node:path";
import { parseSync } from "@swc/core";
import { sourcesIn } from "./sources";

const ROOT = join(import.meta.dirname, "..");
const MOST: Readonly<Record<string, number>> = { core: 80, server: 80, web: 120 };
const FUNCTIONS = new Set([
  "FunctionDeclaration",
  "FunctionExpression",
  "ArrowFunctionExpression",
  "ClassMethod",
  "Constructor",
  "PrivateMethod",
  "MethodProperty",
]);

interface Found {
  file: string;
  line: number;
  lines: number;
  most: number;
}
const found: Found[] = [];
for (const [room, most] of Object.entries(MOST))
  for (const file of sourcesIn(join(ROOT, "src", room))) {
    const bytes = Buffer.from(readFileSync(file, "utf8"));
    const module = parseSync(bytes.toString(), { syntax: "typescript", tsx: file.endsWith("x"), target: "es2022" });
    // Spans count bytes on from those of the files read before.
    const from = module.span.end - bytes.length;
    const lineOf = (at: number): number =>
      bytes
        .subarray(0, Math.max(0, at - from))
        .toString()
        .split("\n").length;
    const walk = (node: unknown): void => {
      if (Array.isArray(node)) for (const n of node) walk(n);
      else if (node && typeof node === "object") {
        const { type, span } = node as { type?: string; span?: { start: number; end: number } };
        if (type && span && FUNCTIONS.has(type)) {
          const [a, b] = [lineOf(span.start), lineOf(span.end)];
          found.push({ file: relative(ROOT, file), line: a, lines: b - a + 1, most });
        }
        for (const v of Object.values(node)) walk(v);
      }
    };
    walk(module.body);
  }
found.sort((a, b) => b.lines / b.most - a.lines / a.most);
if (process.argv.includes("--list")) for (const f of found.slice(0, 30)) console.log(`${f.lines}\t${f.file}:${f.line}`);
else {
  const long = found.filter((f) => f.lines > f.most);
  for (const f of long) console.error(`${f.file}:${f.line}: a function of ${f.lines} lines; ${f.most} are the most.`);
  if (long.length > 0) process.exit(1);
}
