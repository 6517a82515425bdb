/** Writes docs/guide.md from the guide of the application; with --check it fails where that file is stale. */
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { GUIDE } from "../src/web/guide/pages";

const FILE = join(import.meta.dirname, "../docs/guide.md");
const groups = [...new Set(GUIDE.map((p) => p.group))];
const text = `# Guide

A page a task, in the words of the screens. The application has the same pages beside the real views, under Guide and in the search box
(Ctrl K). Written from \`src/web/guide/pages.ts\` by \`npm run guide\`.
${groups
  .map(
    (group) => `
## ${group}
${GUIDE.filter((p) => p.group === group)
  .map(
    (p) => `
### ${p.title}

${p.steps.map((s, i) => `${i + 1}. ${s}`).join("\n")}
${p.note ? `\n${p.note}\n` : ""}`,
  )
  .join("")}`,
  )
  .join("")}`;

if (process.argv.includes("--check")) {
  if (readFileSync(FILE, "utf8") !== text) {
    console.error("docs/guide.md is stale: npm run guide writes it anew.");
    process.exit(1);
  }
} else writeFileSync(FILE, text);
