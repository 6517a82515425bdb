/** The texts that the source holds: strings, templates and what stands between tags. */
import { readFileSync } from "node:fs";
import { parseSync } from "@swc/core";

interface Node {
  type?: string;
  value?: unknown;
  name?: { value?: string };
  quasis?: { cooked: string }[];
}
/** Attributes whose text nobody reads. */
const SILENT = new Set(["className", "to", "d", "style"]);

/** What is filled in stands as a 7; white space is one blank. */
export function textsOf(file: string): string[] {
  const found: string[] = [];
  const walk = (node: unknown): void => {
    if (Array.isArray(node)) for (const n of node) walk(n);
    else if (node && typeof node === "object") {
      const n = node as Node;
      if (n.type === "ImportDeclaration" || (n.type === "JSXAttribute" && SILENT.has(n.name?.value ?? ""))) return;
      const text =
        n.type === "StringLiteral" || n.type === "JSXText"
          ? String(n.value)
          : n.type === "TemplateLiteral"
            ? (n.quasis ?? []).map((q) => q.cooked).join("7")
            : "";
      if (text.trim() !== "") found.push(text.replace(/\s+/g, " ").trim());
      for (const v of Object.values(node)) walk(v);
    }
  };
  walk(parseSync(readFileSync(file, "utf8"), { syntax: "typescript", tsx: file.endsWith("x"), target: "es2022" }).body);
  return found;
}
