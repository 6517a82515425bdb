/** XML of recordings, read with everything off that a recording has no need of: no document types, no entities of its own. */
import { XMLParser, XMLValidator } from "fast-xml-parser";
import type { Read } from "../athlete-file";

export type Node = Record<string, unknown>;

const refuse = (expected: string): Read<Node> => ({ ok: false, faults: [{ path: "(file)", expected }] });

const ENTITIES: Record<string, string> = { lt: "<", gt: ">", amp: "&", quot: '"', apos: "'" };

/** @returns the document, elements without their prefixes, attributes as "@name" */
export function readXml(text: string): Read<Node> {
  if (/<!DOCTYPE|<!ENTITY/i.test(text))
    return refuse(
      "A recording without a document type expected: files that define entities of their own are not read.",
    );
  const sound = XMLValidator.validate(text);
  if (sound !== true)
    return refuse(`Whole XML expected; it breaks at line ${sound.err.line}. The file may be cut off.`);
  try {
    const parser = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: "@",
      removeNSPrefix: true,
      processEntities: false,
      htmlEntities: false,
      parseTagValue: false,
      parseAttributeValue: false,
      ignoreDeclaration: true,
      ignorePiTags: true,
    });
    return { ok: true, value: parser.parse(text) as Node };
  } catch (error) {
    return refuse(`XML that can be read expected: ${error instanceof Error ? error.message : "unknown fault"}.`);
  }
}

/** Children of a name, one or many alike. */
export function all(node: unknown, name: string): unknown[] {
  if (typeof node !== "object" || node === null) return [];
  const found = (node as Node)[name];
  return found === undefined ? [] : Array.isArray(found) ? found : [found];
}

/** The first element down a path. */
export const childAt = (node: unknown, ...path: string[]): unknown =>
  path.reduce<unknown>((n, name) => all(n, name)[0], node);

/** Text of an element; undefined where there is none. */
export function textOf(node: unknown): string | undefined {
  const raw = typeof node === "object" && node !== null ? (node as Node)["#text"] : node;
  if (typeof raw !== "string" && typeof raw !== "number") return undefined;
  return String(raw)
    .trim()
    .replace(/&(lt|gt|amp|quot|apos);/g, (_, name: string) => ENTITIES[name] ?? "");
}

/** A finite number of an element or attribute; undefined where there is none. */
export function numberOf(node: unknown): number | undefined {
  const text = textOf(node);
  if (text === undefined || text === "") return undefined;
  const n = Number(text);
  return Number.isFinite(n) ? n : undefined;
}
