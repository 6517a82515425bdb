/**
 * The rulebook: the one home of what the trade decides. Rooms read their numbers with `numbers`, and say their sentences with `why`; both take
 * known ids alone. The rulebook imports no room.
 */
import { TOLERANCE } from "../units";
import { AMOUNT } from "./amount";
import { CHOICE } from "./choice";
import { CLUB } from "./club";
import { DOSE } from "./dose";
import { ENDURANCE } from "./endurance";
import { HOMEWORK } from "./homework";
import { HOUSEHOLD } from "./household";
import { JUMPS } from "./jumps";
import { LEDGER } from "./ledger";
import { LEGS } from "./legs";
import { LINE } from "./line";
import { PATHWAY } from "./pathway";
import { PROGRESS } from "./progress";
import { RACES } from "./races";
import { READINESS } from "./readiness";
import {
  type Bounds,
  type Chapter,
  leastTrust,
  type NumberParameter,
  type Parameter,
  type RuleShape,
  type TableParameter,
  type Trust,
} from "./rule";
import { SAFETY } from "./safety";
import { SCREENING } from "./screening";
import { SEASON } from "./season";
import { SESSION } from "./session";
import { WEEK } from "./week";

export { RESERVE_SHOWN_UP_TO, reserveWords } from "./reserve";
export type { Bounds, Chapter, Example, Kind, NumberParameter, Parameter, TableParameter, Trust } from "./rule";
export { CHAPTERS, KIND_WORDS, listWords, many, TRUST_WORDS } from "./rule";

/** The rules by chapter, in the order in which they are read. */
export const BOOK = {
  safety: { ...SAFETY, ...PATHWAY, ...READINESS },
  screening: { ...SCREENING, ...HOMEWORK },
  endurance: { ...ENDURANCE, ...AMOUNT },
  season: { ...SEASON, ...RACES },
  dose: { ...DOSE, ...LINE, ...HOUSEHOLD },
  legs: LEGS,
  week: WEEK,
  session: { ...SESSION, ...LEDGER, ...JUMPS },
  choice: CHOICE,
  progress: PROGRESS,
  club: CLUB,
} satisfies Record<Chapter, Record<string, RuleShape>>;

const ALL = {
  ...SAFETY,
  ...PATHWAY,
  ...READINESS,
  ...SCREENING,
  ...HOMEWORK,
  ...ENDURANCE,
  ...AMOUNT,
  ...SEASON,
  ...RACES,
  ...DOSE,
  ...LINE,
  ...HOUSEHOLD,
  ...LEGS,
  ...WEEK,
  ...SESSION,
  ...LEDGER,
  ...JUMPS,
  ...CHOICE,
  ...PROGRESS,
  ...CLUB,
};
type All = typeof ALL;
export type RuleId = keyof All;

/** Every rule by its id. */
export const RULES: Readonly<Record<RuleId, RuleShape>> = ALL;
export const RULE_IDS = Object.keys(ALL) as RuleId[];

/** Ids of older plans and settings. */
export const ALIASES: Readonly<Record<string, RuleId>> = {
  "mileage.jump": "mileage.increase",
  "mileage.leap": "mileage.spike",
  "depth.week": "week.most",
  "depth.day": "week.most",
  "choice.rung": "choice.step",
  "progress.missed": "missed.weeks",
  "approach.ends": "approach.dose",
  whole: "work.lost",
  thin: "hold.minimum",
};

/** @returns the rule's id of today; null for a word that is none */
export function ruleIdOf(id: string): RuleId | null {
  if (Object.hasOwn(ALL, id)) return id as RuleId;
  return Object.hasOwn(ALIASES, id) ? (ALIASES[id] ?? null) : null;
}
export const ruleOf = (id: string): RuleShape | null => {
  const known = ruleIdOf(id);
  return known && RULES[known];
};

type ValueOf<P> = P extends NumberParameter
  ? number
  : P extends TableParameter<infer K>
    ? Readonly<Record<K, number>>
    : never;
/** A rule's numbers by name; tables as records. */
export type Numbers<I extends RuleId> = {
  readonly [K in keyof All[I]["parameters"]]: ValueOf<All[I]["parameters"][K]>;
};

/** The coach's own values, by rule and parameter. */
export type RuleValues = Readonly<Record<string, Readonly<Record<string, number>>>>;

const shipped = new Map<RuleId, unknown>();
const owned = new WeakMap<RuleValues, Map<RuleId, unknown>>();

/**
 * The numbers of a rule: the coach's own where there are any, else as they ship.
 * @param own the coach's values; kept for as long as they live
 */
export function numbers<I extends RuleId>(id: I, own?: RuleValues): Numbers<I> {
  if (own && Object.hasOwn(own, id)) {
    const cache = owned.get(own) ?? new Map<RuleId, unknown>();
    owned.set(own, cache);
    const known = cache.get(id) ?? { ...(numbers(id) as object), ...kept(id, own[id] ?? {}) };
    cache.set(id, known);
    return known as Numbers<I>;
  }
  const known = shipped.get(id);
  if (known) return known as Numbers<I>;
  const made = Object.fromEntries(Object.entries(RULES[id].parameters).map(([k, p]) => [k, p.value] as const));
  shipped.set(id, made);
  return made as Numbers<I>;
}

/** The values that a coach may really set: those inside their bounds. */
const kept = (id: RuleId, values: Readonly<Record<string, number>>): Record<string, number> =>
  Object.fromEntries(Object.entries(values).filter(([name, v]) => valueFault(id, name, v) === null));

/** @returns why a value may not be set, in words that say what was expected; null where it may */
export function valueFault(id: string, name: string, value: number): string | null {
  const known = ruleIdOf(id);
  const p: Parameter | undefined = known ? RULES[known].parameters[name] : undefined;
  const bounds: Bounds | undefined = p && typeof p.value === "number" ? (p as NumberParameter).bounds : undefined;
  if (!known || !p || !bounds) return "a number that a coach may set expected";
  const shippedValue = p.value as number;
  const must = RULES[known].kind === "must";
  const least = must && bounds.tighter === "higher" ? Math.max(bounds.least, shippedValue) : bounds.least;
  const most = must && bounds.tighter === "lower" ? Math.min(bounds.most, shippedValue) : bounds.most;
  return value >= least - TOLERANCE && value <= most + TOLERANCE
    ? null
    : `${least} to ${most} ${p.unit} expected${must ? ", since what must hold is only tightened" : ""}`;
}

/** Every derived figure carries its reasons: the rule's id and one sentence in the coach's words. */
export interface Why {
  rule: RuleId;
  text: string;
}

type Says<I extends RuleId> = All[I]["says"];
type Values<F> = F extends (...values: infer V) => string ? V : never;

/**
 * A rule's sentence, from typed values.
 * @example why("gate.minor", "minor", { reserve: 2 })
 */
export function why<I extends RuleId, K extends keyof Says<I>>(
  rule: I,
  sentence: K,
  ...values: Values<Says<I>[K]>
): Why {
  return { rule, text: say(rule, sentence, ...values) };
}

/** The sentence alone. */
export function say<I extends RuleId, K extends keyof Says<I>>(
  rule: I,
  sentence: K,
  ...values: Values<Says<I>[K]>
): string {
  const of = RULES[rule].says[sentence as string] as (...v: unknown[]) => string;
  return of(...values);
}

/** How far a rule's numbers can be trusted: as far as the least of them; a rule without numbers as far as its own sentence. */
export const trustOf = (r: Pick<RuleShape, "trust" | "parameters">): Trust => {
  const all = Object.values(r.parameters).map((p) => p.trust);
  return all.length > 0 ? leastTrust(all) : r.trust;
};

/** Rules that the coach may switch off, with what they do. What must hold for safety, clearance, pain and age is not among them. */
export const SWITCHES: readonly { id: RuleId; does: string }[] = RULE_IDS.flatMap((id) => {
  const does = RULES[id].switchable;
  return does ? [{ id, does }] : [];
});
