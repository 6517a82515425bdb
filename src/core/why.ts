/** Every derived figure carries its reasons: a rule id (see rules.ts) and one sentence in the coach's words. */
export interface Why {
  rule: string;
  text: string;
}

/** How far a rule can be trusted: published work, common practice, or our own assumption. */
export type Trust = "pub" | "trade" | "house";

export const why = (rule: string, text: string): Why => ({ rule, text });

/** Joins words as a sentence does: "a, b and c". */
export function listWords(words: readonly string[]): string {
  if (words.length < 2) return words.join("");
  return `${words.slice(0, -1).join(", ")} and ${words[words.length - 1]}`;
}
