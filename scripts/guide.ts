/** Writes docs/guide.md from the guide of the application; with --check it fails where that file is stale. */
import { GUIDE, GUIDE_GROUPS } from "../src/web/guide/pages";
import { writeOrCheck } from "./written";

const text = `# Guide

A page a task, in the words of the screens. The application has the same pages beside the real views, under Guide and in the search box
(Ctrl K). Written from \`src/web/guide/pages.ts\` by \`npm run guide\`.
${GUIDE_GROUPS.map(
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
).join("")}`;

if (!writeOrCheck("docs/guide.md", text, "guide")) process.exit(1);
