/** Writes docs/handbook.md from the rulebook and the short chapters beside it; with --check it fails where that file is stale. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { AREA_WORDS, AREAS, WORKING_STAGES } from "../src/core/athlete";
import { SHIPPED_LIBRARY } from "../src/core/exercise";
import { AREA_PLANS, workOf, workText } from "../src/core/pathway";
import {
  BOOK,
  CHAPTERS,
  type Chapter,
  KIND_WORDS,
  numbers,
  type Parameter,
  RULES,
  type RuleId,
  TRUST_WORDS,
} from "../src/core/rulebook";
import { CHAPTER_NAMES, figure } from "../src/web/rules/words";
import { writeOrCheck } from "./written";

const ROOT = join(import.meta.dirname, "..");

const shownValue = (p: Parameter): string =>
  typeof p.value === "number"
    ? figure(p.value)
    : Object.entries(p.value)
        .map(([k, v]) => `${k} ${figure(v)}`)
        .join(", ");

function ruleText(id: RuleId): string {
  const r = RULES[id];
  const head = `**${r.title}** (\`${id}\`). ${KIND_WORDS[r.kind]}. ${TRUST_WORDS[r.trust]}${r.trust === "pub" ? `: ${r.source}` : ""}.${r.switchable ? " Can be switched off." : ""}`;
  const rows = Object.values(r.parameters).map(
    (p) => `  | ${shownValue(p)} | ${`${p.unit} ${p.says}`.trim()} | ${TRUST_WORDS[p.trust]} |`,
  );
  return rows.length === 0
    ? `- ${head}`
    : [`- ${head}`, "", "  | number | what it is | trust |", "  |---|---|---|", ...rows].join("\n");
}

/** The sign that ends each stage (rule pathway.stage). */
const SIGNS = {
  settle: "three quiet sessions",
  move: "three quiet sessions",
  load: "three quiet sessions, sides under 10% apart where a test measures the area",
  spring: "three quiet sessions, 5 x 20 s of hops, three quiet mornings",
} as const;

/** Every area's stages: what is open, the work with its dose, the sign, least days. */
function waysBack(): string {
  const { leastDays } = numbers("pathway.stage");
  const rows = AREAS.flatMap((area) =>
    WORKING_STAGES.map((stage) => {
      const works = [...new Set([0, leastDays[stage] - 1].flatMap((day) => workOf(area, stage, day)))].map((w) =>
        workText(w, SHIPPED_LIBRARY.byId),
      );
      return `| ${AREA_WORDS[area]} | ${stage} | ${AREA_PLANS[area].stages[stage].says} | ${works.join("; then ") || "–"} | ${SIGNS[stage]} | ${leastDays[stage]} |`;
    }),
  );
  const watch = AREAS.map((a) => `- ${AREA_WORDS[a]}: ${AREA_PLANS[a].watch}`);
  return [
    "### Ways back, area by area",
    "",
    "Common practice; the exercises that stand for it are our choice. Nothing moves up without the coach; pain that rises over three sessions takes an area back a stage.",
    "",
    "| area | stage | what is open | work in every session | sign that it is done | least days |",
    "|---|---|---|---|---|---|",
    ...rows,
    "",
    "What to watch for:",
    "",
    ...watch,
    "",
  ].join("\n");
}

const chapterText = (c: Chapter): string =>
  [
    `## ${CHAPTER_NAMES[c]}`,
    "",
    readFileSync(join(ROOT, `docs/chapters/${c}.md`), "utf8").trim(),
    "",
    ...(Object.keys(BOOK[c]) as RuleId[]).map((id) => `${ruleText(id)}\n`),
    ...(c === "safety" ? [waysBack()] : []),
  ].join("\n");

/** Published sources, each once. */
const sources = (): string[] => {
  const of = new Set<string>();
  for (const r of Object.values(RULES))
    for (const o of [r, ...Object.values(r.parameters)]) if (o.trust === "pub") of.add(o.source);
  return [...of].sort().map((s) => `- ${s}`);
};

const text = `# The trade, as Field Anchor knows it

Written from the rulebook (\`src/core/rulebook\`) by \`npm run handbook\`; the words between stand in \`docs/chapters\`. How far a number can be
trusted stands beside it: published with its source, common practice without one, or our own assumption, which a coach can change where it
is safe to. Published numbers were written down from memory.

${CHAPTERS.map(chapterText).join("\n")}
## Sources

${sources().join("\n")}
`;

if (!writeOrCheck("docs/handbook.md", text, "handbook")) process.exit(1);
