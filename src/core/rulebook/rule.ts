/**
 * What a rule of the trade is: a sentence with its numbers, each number with its own trust, and worked examples on both sides of every
 * boundary. The rooms of the core read the numbers here; none of them is written down a second time.
 */

/** How far something can be trusted: published work, common practice, or our own assumption. */
export type Trust = "pub" | "trade" | "house";

export const TRUST_WORDS: Readonly<Record<Trust, string>> = {
  pub: "Published",
  trade: "Common practice",
  house: "Our assumption",
};

/** Where a rule or a number comes from. */
export interface Origin {
  trust: Trust;
  source: string;
}

export const TRADE: Origin = { trust: "trade", source: "Common practice among strength coaches, no published source" };
export const HOUSE: Origin = { trust: "house", source: "Our own assumption" };
export const pub = (source: string): Origin => ({ trust: "pub", source });

/**
 * What a rule does: it must hold, it costs points where it is not kept, it changes the dose, it cautions, it chooses between exercises, or it
 * says how a figure is worked out.
 */
export const KINDS = ["must", "cost", "dose", "caution", "choice", "figure"] as const;
export type Kind = (typeof KINDS)[number];
export const KIND_WORDS: Readonly<Record<Kind, string>> = {
  must: "Must hold",
  cost: "Costs points",
  dose: "Changes the dose",
  caution: "Caution",
  choice: "Chooses exercises",
  figure: "Explains a figure",
};

export const CHAPTERS = [
  "safety",
  "screening",
  "endurance",
  "season",
  "dose",
  "legs",
  "week",
  "session",
  "choice",
  "progress",
  "club",
] as const;
export type Chapter = (typeof CHAPTERS)[number];

/** What a coach may set a number to. A must-hold rule is only ever tightened: `tighter` says which way that is. */
export interface Bounds {
  least: number;
  most: number;
  tighter?: "higher" | "lower";
}

export interface NumberParameter extends Origin {
  value: number;
  unit: string;
  /** What the number is, in a few words. */
  says: string;
  bounds?: Bounds;
}

/** Several numbers of one kind, by name: a column of a table. */
export interface TableParameter<K extends string = string> extends Origin {
  value: Readonly<Record<K, number>>;
  unit: string;
  says: string;
}

export type Parameter = NumberParameter | TableParameter;

/** A worked example: what the planner's own function gives for it (bound by id in tests/rulebook). */
export interface Example {
  given: Readonly<Record<string, unknown>>;
  gives: unknown;
}

export interface RuleShape extends Origin {
  title: string;
  kind: Kind;
  parameters: Readonly<Record<string, Parameter>>;
  /** Its sentences by name, from typed values. */
  says: Readonly<Record<string, (...values: never[]) => string>>;
  /** Set where the rule can be switched off: what it does while it is on. */
  switchable?: string;
  examples: readonly Example[];
}

/** Keeps a rule's own types; what is left out is empty. */
export function rule<
  const P extends Readonly<Record<string, Parameter>> = Readonly<Record<never, never>>,
  const S extends RuleShape["says"] = Readonly<Record<never, never>>,
>(
  r: Origin & {
    title: string;
    kind: Kind;
    parameters?: P;
    says?: S;
    switchable?: string;
    examples?: readonly Example[];
  },
) {
  const { parameters = {} as P, says = {} as S, examples = [] } = r;
  return { ...r, parameters, says, examples };
}

/** @param bounds what a coach may set it to; without them it stays as it is */
export const num = (value: number, unit: string, origin: Origin, says: string, bounds?: Bounds): NumberParameter => ({
  value,
  unit,
  says,
  ...origin,
  ...(bounds ? { bounds } : {}),
});

export const table = <K extends string>(
  value: Readonly<Record<K, number>>,
  unit: string,
  origin: Origin,
  says: string,
): TableParameter<K> => ({ value, unit, says, ...origin });

/** An example in short. */
export const eg = (given: Example["given"], gives: unknown): Example => ({ given, gives });

const RANK: Readonly<Record<Trust, number>> = { pub: 2, trade: 1, house: 0 };

/** The least trusted of several. */
export const leastTrust = (of: readonly Trust[]): Trust => of.reduce((a, b) => (RANK[b] < RANK[a] ? b : a), "pub");

/** "1 day", "2 days" */
export const many = (n: number, word: string): string => `${n} ${word}${n === 1 ? "" : "s"}`;
/** Joins words as a sentence does: "a, b and c". */
export function listWords(words: readonly string[]): string {
  if (words.length < 2) return words.join("");
  return `${words.slice(0, -1).join(", ")} and ${words[words.length - 1]}`;
}
