/** Deals a week's ledger out anew where its sessions, once placed, have no room for what was meant for them: exactly, over all of them. */

import type { Label } from "../athlete";
import type { Pattern } from "../exercise";
import {
  type Counted,
  type Deal,
  kindsIn,
  type LedgerLine,
  type LedgerPattern,
  setsByPattern,
  stillOwed,
  type Unit,
  type Weighed,
  worthGiving,
} from "../ledger";
import { flatMap } from "../lists";
import { onceFor } from "../once";
import { numbers } from "../rulebook";
import { fullest, type SessionDraft } from "../session";
import { TOLERANCE } from "../units";

/** What is left of the week's account once the leads stand; dry where the leads leave it out too. */
export interface Rest extends Weighed {
  pattern: LedgerPattern;
}

/** The same with its kinds of work, in the order in which they were missed longest; those that stand already last. */
export interface RestOfKinds extends Rest {
  kinds: readonly string[];
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

const fullestOf = onceFor(fullest);

/** The fullest choices of a session, by pattern. */
function choicesOf({ draft }: Room, rests: readonly Rest[]): Choice[] {
  return fullestOf(draft).map((of) => ({
    of,
    exercises: of.filter((n) => n > 0).length,
    sets: rests.map(({ pattern }) =>
      draft.offers.reduce((a, o, i) => a + (o.item.exercise.pattern === pattern ? (of[i] ?? 0) : 0), 0),
    ),
  }));
}

/** What sessions that are not chosen yet could still give: of each pattern, in all, and in how few exercises. */
interface Ahead {
  sets: readonly number[];
  total: number;
  exercises: number;
}

const NOTHING_AHEAD: Ahead = { sets: [], total: 0, exercises: 0 };

function aheadOf(choices: readonly (readonly Choice[])[], rests: readonly Rest[]): Ahead {
  const sum = (of: (list: readonly Choice[]) => number) => choices.reduce((a, list) => a + of(list), 0);
  return {
    sets: rests.map((_, p) => sum((list) => Math.max(...list.map((c) => c.sets[p] ?? 0)))),
    total: sum((list) => Math.max(...list.map((c) => c.sets.reduce((a, n) => a + n, 0)))),
    exercises: sum((list) => Math.min(...list.map((c) => c.exercises))),
  };
}

/** No less stays owed whatever the sessions ahead take: their sets one by one where each takes off most, no more of a pattern than any could give. */
function leastOwed(rests: readonly Rest[], given: readonly number[], ahead: Ahead): number {
  let sum = 0;
  for (let p = 0; p < rests.length; p++) sum += stillOwed(rests[p] as Rest, given[p] ?? 0);
  if (ahead.total === 0) return sum;
  const now = [...given];
  const gainOf = (r: Rest, sets: number) => stillOwed(r, sets) - stillOwed(r, sets + 1);
  const gain = rests.map((r, p) => ((ahead.sets[p] ?? 0) > 0 ? gainOf(r, given[p] ?? 0) : 0));
  for (let left = ahead.total; left > 0; left--) {
    let at = -1;
    for (let p = 0; p < gain.length; p++) if ((gain[p] ?? 0) > (gain[at] ?? 0)) at = p;
    const r = rests[at];
    if (!r) break;
    sum -= gain[at] ?? 0;
    const sets = (now[at] ?? 0) + 1;
    now[at] = sets;
    gain[at] = sets - (given[at] ?? 0) < (ahead.sets[at] ?? 0) ? gainOf(r, sets) : 0;
  }
  return sum;
}

/**
 * The choice for each session that leaves least owed; of equals the one with fewer exercises, then the earlier.
 * @returns sets of each room's offers; null where a session holds nothing but too much already
 */
export function fillRooms(rooms: readonly Room[], rests: readonly Rest[]): number[][] | null {
  const choices = rooms.map((r) => choicesOf(r, rests));
  if (choices.some((c) => c.length === 0)) return null;
  const given = rests.map(() => 0);
  const ahead = rooms.map((_, k) => aheadOf(choices.slice(k), rests));
  let best: { owed: number; exercises: number; of: number[][] } | null = null;
  const picked: number[][] = [];
  const walk = (k: number, exercises: number): void => {
    const bound = leastOwed(rests, given, ahead[k] ?? NOTHING_AHEAD);
    const fewest = exercises + (ahead[k]?.exercises ?? 0);
    if (best && (bound > best.owed + TOLERANCE || (bound > best.owed - TOLERANCE && fewest >= best.exercises))) return;
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
  const of = (best as { of: number[][] } | null)?.of;
  return of ? withoutExcess(rooms, rests, of) : null;
}

/** An exercise of a choice: whose it is, and its sets. */
interface Given {
  room: number;
  offer: number;
  unit: Unit | undefined;
  sets: number;
}

const givenOf = (rooms: readonly Room[], chosen: readonly (readonly number[])[], pattern: LedgerPattern): Given[] =>
  flatMap(rooms, ({ draft }, room) =>
    flatMap(draft.offers, ({ item }, offer): Given[] => {
      const sets = chosen[room]?.[offer] ?? 0;
      return sets > 0 && item.exercise.pattern === pattern ? [{ room, offer, unit: item.slot.unit, sets }] : [];
    }),
  );

const levelsOf = (rooms: readonly Room[], { room, offer }: Given): readonly number[] =>
  rooms[room]?.draft.offers[offer]?.levels ?? [];

/** A kind of work that is due, which nothing else of the choice is: it stays. */
const aloneDue = (g: Given, all: readonly Given[]): boolean =>
  g.unit?.dueFor != null && !all.some((x) => x !== g && x.unit?.kind === g.unit?.kind);

/** One of a pattern that may go, from the session with most exercises, the latest of equals. @param most sets it may have */
function firstToGo(
  rooms: readonly Room[],
  chosen: readonly (readonly number[])[],
  all: readonly Given[],
  most = Number.POSITIVE_INFINITY,
): Given | undefined {
  const exercises = (room: number): number => (chosen[room] ?? []).filter((n) => n > 0).length;
  return all
    .filter((g) => g.sets <= most && levelsOf(rooms, g).includes(0) && !aloneDue(g, all))
    .sort((a, b) => exercises(b.room) - exercises(a.room) || b.room - a.room)[0];
}

/**
 * Sets above what is owed are worth nothing: whole exercises go first, from the session with most of them, then single sets. What a kind of
 * work is due for stays.
 */
function withoutExcess(
  rooms: readonly Room[],
  rests: readonly Rest[],
  chosen: readonly (readonly number[])[],
): number[][] {
  const now = chosen.map((of) => [...of]);
  const put = ({ room, offer }: Given, sets: number): void => {
    const of = now[room];
    if (of) of[offer] = sets;
  };
  for (const { pattern, rest } of rests) {
    for (;;) {
      const all = givenOf(rooms, now, pattern);
      if (all.length === 0) break;
      const excess = all.reduce((a, g) => a + g.sets, 0) - Math.ceil(rest - TOLERANCE);
      const whole = firstToGo(rooms, now, all, excess);
      const fewer = all
        .filter((g) => excess > 0 && levelsOf(rooms, g).includes(g.sets - 1) && g.sets > 1)
        .sort((a, b) => b.sets - a.sets || b.room - a.room)[0];
      if (whole) put(whole, 0);
      else if (fewer) put(fewer, fewer.sets - 1);
      else break;
    }
  }
  return now;
}

/**
 * Exercises that so much is worth giving: each has its least sets, and the last what has gathered (rule ledger.fill).
 * @param rest sets owed @param least sets of one at least: fewer than usual gather sooner
 */
export function exercisesFor(rest: number, least: number): number {
  const { gather, least: usual } = numbers("ledger.fill");
  const enough = (gather * least) / usual;
  return rest < enough - TOLERANCE ? 0 : 1 + Math.floor((rest - enough + TOLERANCE) / least);
}

/** Where an exercise stands that one pattern has more than what is owed is worth; null where none has too many. */
function oneTooMany(
  rooms: readonly Room[],
  rests: readonly Rest[],
  chosen: readonly (readonly number[])[],
): Given | null {
  for (const { pattern, rest } of rests) {
    const all = givenOf(rooms, chosen, pattern);
    if (all.length === 0) continue;
    const least = Math.min(...flatMap(all, (g) => levelsOf(rooms, g).filter((n) => n > 0)));
    const gone = all.length > exercisesFor(rest, least) ? firstToGo(rooms, chosen, all) : undefined;
    if (gone) return gone;
  }
  return null;
}

/**
 * As `fillRooms`, and no pattern has more exercises than what is owed is worth: a further one for what has not gathered yet is left to a later week,
 * and its place to what else is owed.
 */
export function fillGathered(rooms: readonly Room[], rests: readonly Rest[]): number[][] | null {
  let left = rooms;
  for (;;) {
    const chosen = fillRooms(left, rests);
    const gone = chosen && oneTooMany(left, rests, chosen);
    if (!gone) return chosen;
    left = left.map((r, n) => {
      if (n !== gone.room) return r;
      const offers = r.draft.offers.map((o, i) => (i === gone.offer ? { ...o, levels: [0] } : o));
      return { ...r, draft: { ...r.draft, offers } };
    });
  }
}

/**
 * What a session could hold of everything that is still owed: an exercise a pattern, of the kind that it is due.
 * @param leads patterns that sessions lead with, in order; @param nth which of them is asked about: others in turn take another kind
 */
export function unitsFor(
  lines: readonly LedgerLine[],
  rests: readonly RestOfKinds[],
  leads: readonly (readonly Pattern[])[],
  nth: number,
): Unit[] {
  const { least, most } = numbers("ledger.fill");
  const own = leads.length > 1 ? (leads[nth] ?? []) : [];
  return flatMap(rests, ({ pattern, weekly, rest, dry, kinds }): Unit[] => {
    const line = lines.find((l) => l.pattern === pattern);
    if (!line || own.includes(pattern)) return [];
    const turn = leads.slice(0, nth).filter((l) => !l.includes(pattern)).length;
    const kind = kinds[turn % Math.max(1, kinds.length)] ?? null;
    const sets = Math.max(least, Math.min(most, worthGiving(rest)));
    const dueFor = kind !== null && line.due.includes(kind) ? (line.since[kind] ?? null) : null;
    return [{ pattern, sets, kind, owed: line.owed, weekly, rest: Math.max(rest, sets), dry, dueFor }];
  });
}

/** What is owed beside the leads and findings that stand, where it is an exercise's worth or a kind of work is due that none of them is. */
export function restsOf(lines: readonly LedgerLine[], stands: readonly Counted[]): RestOfKinds[] {
  const { gather, least } = numbers("ledger.fill");
  const given = setsByPattern(stands);
  const kinds = kindsIn(stands);
  return flatMap(lines, ({ pattern, weekly, owed, due, dry, kinds: all }): RestOfKinds[] => {
    const rest = owed - given[pattern];
    const order = [...all.filter((k) => !kinds.has(k)), ...all.filter((k) => kinds.has(k))];
    const missed = due.some((k) => !kinds.has(k));
    if (rest >= gather - TOLERANCE)
      return [
        {
          pattern,
          weekly,
          rest: missed ? Math.max(rest, least) : rest,
          dry: dry && given[pattern] === 0,
          kinds: order,
        },
      ];
    return missed ? [{ pattern, weekly, rest: least, dry: false, kinds: order }] : [];
  });
}

/** The sets that were chosen, as each session's own units. */
export function dealFrom(rooms: readonly Room[], chosen: readonly number[][]): Deal {
  return new Map(
    rooms.map(({ label, draft }, s) => [
      label,
      flatMap(draft.offers, (o, i): Unit[] => {
        const n = chosen[s]?.[i] ?? 0;
        const { unit } = o.item.slot;
        return n > 0 && unit ? [{ ...unit, sets: n }] : [];
      }),
    ]),
  );
}
