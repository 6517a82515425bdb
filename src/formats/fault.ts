/** A fault in what was given: where it is, and what was expected there. */
import type { z } from "zod";

export interface Fault {
  /** Such as "races[1].date"; "(file)" for the whole. */
  path: string;
  expected: string;
}

/** @returns "a.b[2].c"; "(file)" for the root */
export function pathText(path: readonly PropertyKey[]): string {
  const text = path.map((p) => (typeof p === "number" ? `[${p}]` : `.${String(p)}`)).join("");
  return text.replace(/^\./, "") || "(file)";
}

const TYPE_WORDS: Record<string, string> = {
  string: "text",
  number: "a number",
  int: "a whole number",
  boolean: "true or false",
  array: "a list",
  object: "an object",
};

function got(input: unknown): string {
  if (input === undefined) return "it is missing";
  const text = JSON.stringify(input) ?? String(input);
  return `found ${text.length > 40 ? `${text.slice(0, 37)}...` : text}`;
}

function inputAt(root: unknown, path: readonly PropertyKey[]): unknown {
  let value = root;
  for (const p of path)
    value = value !== null && typeof value === "object" ? (value as Record<PropertyKey, unknown>)[p] : undefined;
  return value;
}

const SECRET = /^(password|before|code)$/;

/**
 * @param error of a Zod schema
 * @param input what was parsed, so that the message can show what was found
 */
export function faultsOf(error: z.ZodError, input: unknown): Fault[] {
  return error.issues.flatMap((issue): Fault[] => {
    // What somebody keeps to themselves is not said back.
    const found = SECRET.test(String(issue.path.at(-1))) ? "" : `, ${got(inputAt(input, issue.path))}`;
    const at = pathText(issue.path);
    switch (issue.code) {
      case "unrecognized_keys":
        return issue.keys.map((key) => ({
          path: pathText([...issue.path, key]),
          expected: "no such field here; remove it or check its spelling",
        }));
      case "invalid_type":
        return [{ path: at, expected: `${TYPE_WORDS[issue.expected] ?? issue.expected} expected${found}` }];
      case "invalid_value":
        return [
          {
            path: at,
            expected: `${issue.values.length > 1 ? "one of " : ""}${issue.values.map((v) => JSON.stringify(v)).join(", ")} expected${found}`,
          },
        ];
      case "too_small":
        return [
          {
            path: at,
            expected:
              issue.origin === "string"
                ? `some text expected${found}`
                : `${issue.inclusive ? "at least" : "more than"} ${issue.minimum} expected${found}`,
          },
        ];
      case "too_big":
        return [
          {
            path: at,
            expected:
              issue.origin === "string"
                ? `at most ${issue.maximum} characters expected`
                : `${issue.inclusive ? "at most" : "less than"} ${issue.maximum} expected${found}`,
          },
        ];
      default:
        return [{ path: at, expected: `${issue.message}${found}` }];
    }
  });
}
