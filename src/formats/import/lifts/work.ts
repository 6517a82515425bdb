/** What coaches write about the work of an exercise: "3x5@60", "60x5,5,4", "3 x 30 s", "5,5,4 @ 60 kg RPE 8". */
import { lbToKg, roundTo } from "../../../core/units";
import { type Decimal, numberFrom } from "../values";

/** One set as it was written; loads in kg. */
export interface WrittenSet {
  reps?: number;
  seconds?: number;
  loadKg?: number;
  rir?: number;
}

export interface WrittenWork {
  sets: WrittenSet[];
}

export interface WorkOptions {
  /** Unit of a load that does not say its own. */
  unit: "kg" | "lb";
  decimal: Decimal;
}

/** More sets of one exercise in a cell, and more in the first place of "12x5", are no count of sets [house]. */
export const MOST_SETS = 15;
/** What a log may hold of repetitions in a set [house]: more of them are a load in the wrong place. */
const MOST_REPS = 50;
const BODYWEIGHT = /^(bw|body ?weight|kg|kgs|none|-|–|0)$/;

/** @returns kg; null for body mass alone; undefined where the text is no load */
export function loadFrom(text: string, { unit, decimal }: WorkOptions): number | null | undefined {
  const t = text
    .trim()
    .toLowerCase()
    .replace(/^\+\s*/, "");
  if (t === "" || BODYWEIGHT.test(t)) return null;
  // "2x20": two bells of 20, and the load of each is what counts.
  const m = /^(?:2\s*x\s*)?([\d.,]+)\s*(kgs?|kilos?|lbs?|pounds?|#)?(?:\s*(?:each|per hand|je|pro hand))?$/.exec(t);
  if (!m) return undefined;
  const n = numberFrom(m[1] ?? "", decimal) ?? numberFrom(m[1] ?? "", decimal === "," ? "." : ",");
  if (n === null) return undefined;
  if (n === 0) return null;
  const lb = m[2] ? /^(lb|pound|#)/.test(m[2]) : unit === "lb";
  return lb ? roundTo(lbToKg(n), 2) : n;
}

/** "30s", "30 sec" as seconds, "8" as repetitions; null where it is neither. */
export function amountFrom(text: string): Pick<WrittenSet, "reps" | "seconds"> | null {
  const m =
    /^(\d{1,4})\s*(s|sec|secs|seconds|sek|"|″)?(?:\s*(?:each|per|je|pro|x)?\s*(?:side|seite|leg|bein|es|e\/s)?)?$/i.exec(
      text.trim(),
    );
  if (!m) return null;
  const n = Number(m[1]);
  return m[2] ? { seconds: n } : { reps: n };
}

const withLoad = (load: number | null): Pick<WrittenSet, "loadKg"> => (load === null ? {} : { loadKg: load });

/** A list of repetitions such as "5,5,4", "5/5/4" or "5 5 4"; null where it is none. */
function listFrom(text: string): Pick<WrittenSet, "reps" | "seconds">[] | null {
  const parts = text.trim().split(/\s*[,;/]\s*|\s+/);
  const all = parts.map(amountFrom);
  return all.length > 0 && all.every((a) => a !== null) ? all : null;
}

/** The reserve that ends a text, and the text without it. RPE 10 is nothing in reserve, 9 one, 8 two, 7 three (Zourdos and others, 2016). */
function reserveIn(text: string): { rest: string; rir?: number } {
  const m = /\s*[@(]?\s*(rpe|rir)\s*[:=]?\s*(\d+(?:[.,]\d+)?)\)?\s*$/.exec(text);
  if (!m) return { rest: text };
  const n = Number((m[2] ?? "").replace(",", "."));
  return { rest: text.slice(0, m.index), rir: m[1] === "rpe" ? roundTo(Math.max(0, 10 - n), 1) : n };
}

/** One piece between semicolons. */
function pieceFrom(text: string, o: WorkOptions): WrittenSet[] | null {
  const { rest, rir } = reserveIn(
    text
      .trim()
      .toLowerCase()
      .replace(/[×✕*]/g, "x")
      .replace(/\s+x\s+|\s+x|x\s+/g, "x"),
  );
  const [work = "", at, more] = rest.split("@").map((p) => p.trim());
  if (more !== undefined) return null;
  const load = at === undefined ? null : loadFrom(at, o);
  if (load === undefined) return null;
  const sets = setsFrom(work, at === undefined ? undefined : load, o);
  return sets?.map((s) => ({ ...s, ...(rir === undefined ? {} : { rir }) })) ?? null;
}

/** @param said the load after an @; undefined where none is written there */
function setsFrom(work: string, said: number | null | undefined, o: WorkOptions): WrittenSet[] | null {
  const parts = work.split("x").map((p) => p.trim());
  const [first = "", second = "", third] = parts;
  if (parts.length === 1) return listFrom(work)?.map((a) => ({ ...a, ...withLoad(said ?? null) })) ?? null;
  // Sets x repetitions, and the load after them.
  const count = /^\d{1,2}$/.test(first) ? Number(first) : null;
  if (count === 0 || parts.includes("")) return null;
  if (parts.length === 3) {
    const [amount, load] = [amountFrom(second), loadFrom(third ?? "", o)];
    if (count === null || count < 1 || count > MOST_SETS || !amount || load === undefined || said !== undefined)
      return null;
    return Array.from({ length: count }, () => ({ ...amount, ...withLoad(load) }));
  }
  if (parts.length !== 2) return null;
  const list = listFrom(second);
  if (!list || list.some((a) => (a.reps ?? 0) > MOST_REPS)) return null;
  if (count !== null && count >= 1 && count <= MOST_SETS && list.length === 1) {
    const [amount] = list;
    return Array.from({ length: count }, () => ({ ...amount, ...withLoad(said ?? null) }));
  }
  // A load, and the repetitions of each set with it.
  const load = said === undefined ? loadFrom(first, o) : undefined;
  return load === undefined ? null : list.map((a) => ({ ...a, ...withLoad(load) }));
}

/**
 * @param text of one cell, such as "3x5@60", "60x5,5,4", "5x3x100", "3x10", "3x30s", "5,5,4 @ 62,5 RPE 8", "60x5; 65x5; 70x3"
 * @returns the sets in order; null where the text says no work
 */
export function workFrom(text: string, o: WorkOptions): WrittenWork | null {
  const pieces = text
    .split(";")
    .map((p) => p.trim())
    .filter((p) => p !== "")
    .map((p) => pieceFrom(p, o));
  if (pieces.length === 0 || pieces.some((p) => p === null)) return null;
  return { sets: pieces.flatMap((p) => p ?? []) };
}
