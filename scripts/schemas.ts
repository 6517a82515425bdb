/** Publishes the JSON Schemas of the open formats under docs/formats; `--check` only compares. */
import { mkdirSync } from "node:fs";
import { z } from "zod";
import { athleteSchema } from "../src/formats/athlete-schema";
import { planFileSchema } from "../src/formats/plan-file";
import { writeOrCheck } from "./written";

const FILES = [
  ["athlete", "Field Anchor athlete file, version 1", athleteSchema],
  ["plan", "Field Anchor plan file, version 1", planFileSchema],
] as const;

let stale = false;
mkdirSync("docs/formats", { recursive: true });
for (const [name, title, schema] of FILES) {
  const file = `docs/formats/${name}.schema.json`;
  const text = `${JSON.stringify({ title, ...z.toJSONSchema(schema) }, null, 2)}\n`;
  if (!writeOrCheck(file, text, "schemas")) stale = true;
}
process.exit(stale ? 1 : 0);
