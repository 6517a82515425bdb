/** A placed week filled from its ledger over all its sessions, where one had no room for what it was to hold. */

import type { Label } from "../athlete";
import { MINUTES_A_DAY } from "../dates";
import { holdsLandings } from "../jumps";
import type { Deal, LedgerLine } from "../ledger";
import { flatMap } from "../lists";
import { numbers, say } from "../rulebook";
import { type Filled, SHORT_MINUTES } from "../session";
import { blockedByOther, blockedByTiredLegs, blockedHere, enduranceFacts, type Option, tiredForJumps } from "../week";
import type { PlacedAsk } from "./planSession";
import { dealFrom, fillGathered, hasRoom, type RestOfKinds, type Room, restsOf, unitsFor } from "./redeal";
import type { WeekLedger } from "./weekLedger";
import { asCounted, type WeekProblem } from "./weekProblem";

/** A placed session, and what it may be filled with. */
interface Asking {
  option: Option;
  ask: PlacedAsk;
}

/** What is filled: the week's placed sessions, those of them that take something, and what the week owes. */
interface ToFill {
  placed: readonly Option[];
  asks: readonly Asking[];
  open: readonly LedgerLine[];
}

/** A week's sessions filled from the ledger. */
interface Filling {
  deal: Deal;
  filled: ReadonlyMap<Label, Filled>;
  /** Patterns that stay out a second week. */
  dry: number;
}

/** A placed week, filled. */
export interface Settled {
  /** The same options as before where nothing changes. */
  placed: Option[];
  /** What the week owes where time is left for more than usual; null where it owes the usual. */
  more: WeekLedger["more"];
}

/** The placed sessions filled over all of them where one had no room for what it was to hold: nothing that must hold may break by it. */
export function settled(problem: WeekProblem, fitted: readonly Option[]): Settled {
  const { open, more } = problem.builder.ledger;
  const placed = filledWith(problem, fresh(problem, fitted), open);
  return more && leavesTime(problem, placed)
    ? { placed: filledWith(problem, placed, more.open), more }
    : { placed, more: null };
}

/** A session leaves so much of its free time slot that a trained athlete takes more (rule ledger.fill). */
const leavesTime = (problem: WeekProblem, placed: readonly Option[]): boolean =>
  placed.some((o) => {
    const room = roomOf(problem, o);
    const made = problem.built.get(o);
    return (
      room !== null && made !== undefined && room.window.minutes - made.minutes > numbers("ledger.fill").moreMinutes
    );
  });

/** @param open what the week owes */
function filledWith(problem: WeekProblem, placed: Option[], open: readonly LedgerLine[]): Option[] {
  const shut = new Set<Label>();
  for (;;) {
    const filled = refilled(problem, placed, open, shut);
    if (!filled) return placed;
    const broken = breaking(problem, filled);
    if (broken.length === 0) return filled;
    // What breaks although it is as it was placed is nothing to be filled around.
    if (broken.every((l) => shut.has(l))) return placed;
    for (const label of broken) shut.add(label);
  }
}

/** Sessions that may not stand as they were filled: they come too near to something, or their jumps fall on tired legs. */
function breaking({ context }: WeekProblem, filled: readonly Option[]): Label[] {
  const jumping = filled.map((o) => ({ ...o, jumps: o.jumps || o.mayJump }));
  const alone = jumping.filter(
    (o, i) =>
      blockedHere(o, context) !== null || jumping.slice(i + 1).some((x) => blockedByOther(o, x, context) !== null),
  );
  if (alone.length > 0) return alone.map((o) => o.label);
  return blockedByTiredLegs(jumping, context) === null ? [] : jumping.map((o) => o.label);
}

/** Planned jumps go where other sessions of the week have tired the legs, or stand too near (rules M7, jumps.amount). */
function fresh(problem: WeekProblem, fitted: readonly Option[]): Option[] {
  const { context } = problem;
  const out = [...fitted];
  if (!out.some((o) => o.mayJump)) return out;
  const { jumpsApart, hopsApart } = numbers("jumps.amount", problem.input.athlete.settings?.ruleValues);
  let last = problem.input.jumps.last;
  const inOrder = [...fitted].sort((a, b) => a.day - b.day || a.start - b.start);
  for (const o of inOrder) {
    if (!o.mayJump) continue;
    const at = o.day * MINUTES_A_DAY + o.start;
    const lands = holdsLandings(problem.built.get(o)?.items ?? []);
    const apart = lands && last?.lands ? jumpsApart : hopsApart;
    const near = last && at - last.minute < apart * 60 ? say("jumps.amount", "apart", apart) : null;
    const because = near ?? tiredForJumps(o, out, context);
    if (because === null) last = { minute: at, lands };
    else out[out.indexOf(o)] = problem.plainOf(o, because);
  }
  return out;
}

/** @param shut sessions that stay as they are: filled, they break something */
function refilled(
  problem: WeekProblem,
  placed: readonly Option[],
  open: readonly LedgerLine[],
  shut: ReadonlySet<Label>,
): Option[] | null {
  if (problem.input.week.setFactor < 1) return null;
  const items = flatMap(placed, (o) => problem.built.get(o)?.items ?? []).map(asCounted);
  if (restsOf(open, items).length === 0) return null;
  const asks = [...placed]
    .sort((a, b) => (a.label < b.label ? -1 : 1))
    .flatMap((option) => {
      const ask = shut.has(option.label) ? null : roomOf(problem, option);
      return ask ? [{ option, ask }] : [];
    });
  const whole = filling(problem, { placed, asks, open }, false);
  // Where a pattern would stay out a second week the leads give a set.
  const gives = (!whole || whole.dry > 0) && asks.some((a) => a.ask.window.minutes > SHORT_MINUTES);
  const lean = gives ? filling(problem, { placed, asks, open }, true) : null;
  const best = lean && (!whole || lean.dry < whole.dry) ? lean : whole;
  if (!best) return null;
  return placed.map((o) => {
    const at = asks.find((a) => a.option === o);
    const units = best.deal.get(o.label);
    const filled = best.filled.get(o.label);
    const session = at && units && filled ? problem.builder.rebuild(at.ask, units, filled) : null;
    if (!at || !session || o.start + session.minutes > at.ask.window.start + at.ask.window.minutes) return o;
    return problem.refilled(o, session);
  });
}

/** What stands in the placed sessions whatever the ledger gives: all of those that are not filled anew. */
function restsBeside(problem: WeekProblem, { placed, asks, open }: ToFill): RestOfKinds[] {
  const stands = flatMap(placed, (o) => {
    const { items: own } = problem.built.get(o) ?? { items: [] };
    return asks.some((a) => a.option === o) ? own.filter((i) => !i.slot.unit) : own;
  });
  return restsOf(open, stands.map(asCounted));
}

function roomsFor(problem: WeekProblem, { asks, open }: ToFill, rests: readonly RestOfKinds[], lean: boolean): Room[] {
  const leads = asks.map(({ option }) =>
    (problem.built.get(option)?.items ?? [])
      .filter((i) => !i.slot.unit && i.slot.kind !== "assist")
      .map((i) => i.exercise.pattern),
  );
  return flatMap(asks, ({ ask }, n): Room[] => {
    const draft = problem.builder.draft(ask, unitsFor(open, rests, leads, n), lean);
    return draft ? [{ label: ask.label, draft }] : [];
  });
}

/** The placed sessions filled over all of them; one that holds too much already stays as it is. Null where none takes anything. */
function filling(problem: WeekProblem, what: ToFill, lean: boolean): Filling | null {
  const rests = restsBeside(problem, what);
  const rooms = roomsFor(problem, what, rests, lean);
  const asks = what.asks.filter((a) => rooms.some((r) => r.label === a.ask.label && hasRoom(r)));
  if (asks.length === 0) return null;
  if (asks.length < what.asks.length) return filling(problem, { ...what, asks }, lean);
  const chosen = fillGathered(rooms, rests);
  if (!chosen) return null;
  const deal = dealFrom(rooms, chosen);
  const given = new Set([...deal.values()].flat().map((u) => u.pattern));
  return {
    deal,
    filled: new Map(rooms.map(({ label, draft }, i) => [label, draft.filled(chosen[i] ?? [])])),
    dry: rests.filter((r) => r.dry && !given.has(r.pattern)).length,
  };
}

/** What a placed session may still take: what is left of its slot from its hour on, up to endurance that begins in it; null where that would make it a shorter kind. */
function roomOf(problem: WeekProblem, option: Option): PlacedAsk | null {
  const ask = problem.asks.get(option);
  if (!ask) return null;
  const begins = enduranceFacts(problem.context)
    .filter((e) => e.day === option.day && e.session.start !== undefined)
    .map((e) => e.begin - e.day * MINUTES_A_DAY)
    .filter((at) => at >= option.start + option.minutes);
  const end = Math.min(ask.window.start + ask.window.minutes, ...begins);
  const left = Math.min(ask.window.minutes, end - option.start);
  if (left <= SHORT_MINUTES && ask.window.minutes > SHORT_MINUTES) return null;
  return { ...ask, window: { ...ask.window, start: option.start, minutes: left } };
}
