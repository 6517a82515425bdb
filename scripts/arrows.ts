/**
 * The arrows of docs/architecture.md, checked by dependency-cruiser. Its reader of TypeScript knows no JSX, so it is given a tree
 * that holds each file's imports and nothing else.
 */
import { spawnSync } from "node:child_process";
import { mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { dirname, join, relative, resolve } from "node:path";
import { parseSync } from "@swc/core";
import { filesIn } from "./sources";

const root = resolve(".");
const tree = join(root, ".tmp/arrows");

/** What a file imports or exports again, also for its types and on demand. */
function sourcesOf(file: string): string[] {
  const code = readFileSync(file, "utf8");
  const { body } = parseSync(code, { syntax: "typescript", tsx: file.endsWith(".tsx") });
  const fixed = body.flatMap((node) => {
    if (node.type === "ImportDeclaration" || node.type === "ExportAllDeclaration") return [node.source.value];
    return node.type === "ExportNamedDeclaration" && node.source ? [node.source.value] : [];
  });
  const onDemand = [...code.matchAll(/\bimport\("([^"]+)"\)/g)].map((m) => m[1] ?? "");
  return [...fixed, ...onDemand].filter((s) => !s.endsWith(".css") && !s.startsWith("@fontsource"));
}

rmSync(tree, { recursive: true, force: true });
for (const file of filesIn(join(root, "src"))) {
  const copy = join(tree, relative(root, file)).replace(/\.tsx$/, ".ts");
  mkdirSync(dirname(copy), { recursive: true });
  writeFileSync(
    copy,
    sourcesOf(file)
      .map((s) => `import ${JSON.stringify(s)};\n`)
      .join(""),
  );
}
symlinkSync(join(root, "node_modules"), join(tree, "node_modules"));
writeFileSync(join(tree, "package.json"), readFileSync(join(root, "package.json")));
writeFileSync(join(tree, "tsconfig.json"), readFileSync(join(root, "tsconfig.json")));
const done = spawnSync(
  join(root, "node_modules/.bin/depcruise"),
  ["--config", join(root, ".dependency-cruiser.cjs"), "src"],
  { cwd: tree, stdio: "inherit" },
);
process.exit(done.status ?? 1);
