/** Deals a week's ledger out anew where its sessions, once placed, have no room for what was meant for them: exactly, over all of them. */
import type { Label } from "../athlete";
import type { Pattern } from "../exercise";
import {
  type Deal,
  type LedgerLine,
  type LedgerPattern,
  setsByPattern,
  stillOwed,
  type Unit,
  type Weighed,
  worthGiving,
} from "../ledger";
import { numbers } from "../rulebook";
import { fullest, type SessionDraft } from "../session";
import { TOLERANCE } from "../units";

/** What is left of the week's account once the leads stand; dry where the leads leave it out too. */
export interface Rest extends Weighed {
  pattern: LedgerPattern;
}

/** One session with everything it could hold. */
export interface Room {
  label: Label;
  draft: SessionDraft;
}

/** Sum over patterns of w x (what stays owed / w)^2; less is better. */
export function leftOwed(rests: readonly Rest[], given: (p: LedgerPattern) => number): number {
  return rests.reduce((a, r) => a + stillOwed(r, given(r.pattern)), 0);
}

/** Whether a session's least form leaves it any choice. */
export const hasRoom = ({ draft }: Room): boolean =>
  draft.secondsOf(draft.offers.map((o) => Math.min(...o.levels))) <= draft.limit;

interface Choice {
  /** Sets by pattern, in the order of the rests. */
  sets: readonly number[];
  exercises: number;
  of: readonly number[];
}

/** The fullest choices of a session, by pattern. */
function choicesOf({ draft }: Room, rests: readonly Rest[]): Choice[] {
  return fullest(draft).map((of) => ({
    of,
    exercises: of.filter((n) => n > 0).length,
    sets: rests.map(({ pattern }) =>
      draft.offers.reduce((a, o, i) => a + (o.item.exercise.pattern === pattern ? (of[i] ?? 0) : 0), 0),
    ),
  }));
}

/**
 * The choice for each session that leaves least owed; of equals the one with fewer exercises, then the earlier.
 * @returns sets of each room's offers; null where a session holds nothing but too much already
 */
export function fillRooms(rooms: readonly Room[], rests: readonly Rest[]): number[][] | null {
  const choices = rooms.map((r) => choicesOf(r, rests));
  if (choices.some((c) => c.length === 0)) return null;
  // Most that the sessions from the kth on could still give.
  const still = rooms.map((_, k) =>
    rests.map((_, p) => choices.slice(k).reduce((a, list) => a + Math.max(...list.map((c) => c.sets[p] ?? 0)), 0)),
  );
  const given = rests.map(() => 0);
  /** The same as leftOwed, by the place of each pattern: it is asked for at every step. */
  const owedWith = (more: readonly number[]): number => {
    let sum = 0;
    for (let p = 0; p < rests.length; p++) {
      sum += stillOwed(rests[p] as Rest, (given[p] ?? 0) + (more[p] ?? 0));
    }
    return sum;
  };
  let best: { owed: number; exercises: number; of: number[][] } | null = null;
  const picked: number[][] = [];
  const nothing = rests.map(() => 0);
  const walk = (k: number, exercises: number): void => {
    const bound = owedWith(still[k] ?? nothing);
    if (best && (bound > best.owed + TOLERANCE || (bound > best.owed - TOLERANCE && exercises >= best.exercises)))
      return;
    const list = choices[k];
    if (!list) {
      best = { owed: bound, exercises, of: picked.map((p) => [...p]) };
      return;
    }
    for (const c of list) {
      c.sets.forEach((n, p) => {
        given[p] = (given[p] ?? 0) + n;
      });
      picked.push([...c.of]);
      walk(k + 1, exercises + c.exercises);
      picked.pop();
      c.sets.forEach((n, p) => {
        given[p] = (given[p] ?? 0) - n;
      });
    }
  };
  walk(0, 0);
  return (best as { of: number[][] } | null)?.of ?? null;
}

/** What a session could hold of everything that is still owed: an exercise a pattern, of the kind that it is due. */
export function unitsFor(
  lines: readonly LedgerLine[],
  rests: readonly Rest[],
  leads: readonly Pattern[],
  nth: number,
): Unit[] {
  const { least, most } = numbers("ledger.fill");
  return rests.flatMap(({ pattern, weekly, rest, dry }): Unit[] => {
    const line = lines.find((l) => l.pattern === pattern);
    if (!line || leads.includes(pattern)) return [];
    const kinds = line.kinds;
    const kind = kinds[nth % Math.max(1, kinds.length)] ?? null;
    const sets = Math.max(least, Math.min(most, worthGiving(rest)));
    const dueFor = kind !== null && line.due.includes(kind) ? (line.since[kind] ?? null) : null;
    return [{ pattern, sets, kind, owed: line.owed, weekly, rest: Math.max(rest, sets), dry, dueFor }];
  });
}

/** What is owed beside the leads and findings that stand, where it is an exercise's worth or a kind of work is due. */
export function restsOf(lines: readonly LedgerLine[], stands: Parameters<typeof setsByPattern>[0]): Rest[] {
  const { gather, least } = numbers("ledger.fill");
  const given = setsByPattern(stands);
  return lines.flatMap(({ pattern, weekly, owed, due, dry }): Rest[] => {
    const rest = owed - given[pattern];
    const none = given[pattern] === 0;
    if (rest >= gather - TOLERANCE) return [{ pattern, weekly, rest, dry: dry && none }];
    return due.length > 0 && none ? [{ pattern, weekly, rest: least, dry: false }] : [];
  });
}

/** The sets that were chosen, as each session's own units. */
export function dealFrom(rooms: readonly Room[], chosen: readonly number[][]): Deal {
  return new Map(
    rooms.map(({ label, draft }, s) => [
      label,
      draft.offers.flatMap((o, i): Unit[] => {
        const n = chosen[s]?.[i] ?? 0;
        const { unit } = o.item.slot;
        return n > 0 && unit ? [{ ...unit, sets: n }] : [];
      }),
    ]),
  );
}
