/**
 * A group that lifts together: which session of each member's week stands in the group's hour, and when each begins, so that there are racks and
 * eyes enough. Each one's own week goes first; among sessions that cost a week the same, the one that shares most work with the others.
 */
import type { Athlete, Label, WeekChange } from "../athlete";
import { isRoutine, withLock } from "../athlete";
import { type IsoDate, minutesOf, timeOf } from "../dates";
import type { Pattern } from "../exercise";
import { fitGym, type GymAthlete, type GymFit, type GymHour } from "../gym";
import { weighPlaces } from "./board";
import { rackOf } from "./gymDay";
import { type PlanSession, type PlanWeek, planWeek } from "./planWeek";
import type { WeekInput } from "./weekProblem";

/** The group's hour on a day. */
export interface GroupOn {
  date: IsoDate;
  /** Minutes after midnight. */
  start: number;
  /** Until when the room is theirs, min after the start. */
  minutes: number;
  place: string;
}

/** One session of a member's week, as it would be in the group's hour. */
export interface GroupOption {
  label: Label;
  session: PlanSession;
  hours: readonly GymHour[];
  rack: GymAthlete["rack"];
  patterns: ReadonlySet<Pattern>;
}

export interface GroupMember {
  id: string;
  /** The week as it is planned without the group. */
  week: PlanWeek;
  /** What of their week changes so that the hour is open to them; null where it is already. */
  opened: WeekChange | null;
  options: readonly GroupOption[];
  /** Why none of their sessions may stand there; null where one may. */
  why: string | null;
}

/** Minutes of a free time slot that the week has at the place in the group's hour. */
const covers = (week: PlanWeek, on: GroupOn): boolean =>
  weighPlaces(week.input, week.sessions, week.sessions[0]?.label ?? "A").places.some(
    (p) => p.date === on.date && p.place === on.place && p.start <= on.start,
  );

const withChange = (a: Athlete, change: WeekChange | null): Athlete =>
  change === null ? a : { ...a, changes: [...(a.changes ?? []), change] };

/** The week with one session locked in place. */
function lockedIn(input: WeekInput, label: Label, on: GroupOn, start: number): PlanWeek {
  const { athlete } = input;
  const lock = { date: on.date, start: timeOf(start), place: on.place, label };
  return planWeek({ ...input, athlete: { ...athlete, locked: withLock(athlete.locked ?? [], lock) } });
}

/** Kinds of work in a session. */
const patternsOf = (s: PlanSession): ReadonlySet<Pattern> => new Set(s.items.map((i) => i.exercise.pattern));

function optionFor(input: WeekInput, base: PlanWeek, label: Label, on: GroupOn): GroupOption | { why: string } {
  const board = weighPlaces(input, base.sessions, label);
  const here = board.places.filter((p) => p.date === on.date && p.place === on.place && p.start >= on.start);
  const open = here.filter((p) => !p.blocked);
  const least = Math.min(board.cost, ...board.places.filter((p) => !p.blocked).map((p) => p.cost));
  const first = open[0];
  if (!first) {
    const block = here.find((p) => p.blocked)?.blocked ?? board.closed.find((c) => c.date === on.date)?.block;
    return { why: block?.text ?? "the hour is not open to them" };
  }
  const session = lockedIn(input, label, on, first.start).sessions.find((s) => s.label === label && s.date === on.date);
  if (!session) return { why: "it finds no room beside the other sessions of the week" };
  const hours = open
    .filter((p) => p.start + session.minutes <= on.start + on.minutes)
    .map((p): GymHour => ({ start: p.start, minutes: session.minutes, cost: p.cost - least }));
  return hours.length === 0
    ? { why: `takes ${session.minutes} min, and the hour has ${on.minutes}` }
    : { label, session, hours, rack: rackOf(session), patterns: patternsOf(session) };
}

/** What a member could do in the group's hour. @param week as it is planned */
export function groupMember(id: string, week: PlanWeek, on: GroupOn): GroupMember {
  const opened: WeekChange | null = covers(week, on)
    ? null
    : { kind: "window", date: on.date, start: timeOf(on.start), minutes: on.minutes, place: on.place };
  const input: WeekInput = { ...week.input, athlete: withChange(week.input.athlete, opened) };
  const base = opened ? planWeek(input) : week;
  // A session that the coach has locked elsewhere stays there; one that is locked here is the group's.
  const kept = base.sessions.filter((s) => !s.locked || (s.date === on.date && s.place === on.place));
  const here = kept.find((s) => s.locked && s.start >= on.start && s.start < on.start + on.minutes);
  const found = (here ? [here] : kept)
    .filter((s) => !isRoutine(s.label))
    .map((s) => optionFor(input, base, s.label, on));
  const options = found.flatMap((o) => ("why" in o ? [] : [o]));
  const because = found.flatMap((o) => ("why" in o ? [o.why] : []))[0] ?? "has no session left in that week";
  return { id, week, opened, options, why: options.length > 0 ? null : because };
}

const cheapest = (o: GroupOption): number => Math.min(...o.hours.map((h) => h.cost));

/** For each member the session that costs their week least; among equals the one whose patterns most others share. */
function chosenOptions(members: readonly GroupMember[]): (GroupOption | null)[] {
  const best = members.map((m) => {
    const least = Math.min(...m.options.map(cheapest));
    return m.options.filter((o) => cheapest(o) === least);
  });
  const chosen = best.map((all) => all[0] ?? null);
  const shared = (o: GroupOption, own: number): number =>
    chosen.reduce((n, c, i) => (i === own || !c ? n : n + [...o.patterns].filter((p) => c.patterns.has(p)).length), 0);
  // Each in turn, until nobody would change: what is shared only grows.
  for (let again = true; again; ) {
    again = false;
    best.forEach((all, i) => {
      const now = chosen[i];
      const better = all.find((o) => now && shared(o, i) > shared(now, i));
      if (better) {
        chosen[i] = better;
        again = true;
      }
    });
  }
  return chosen;
}

/** What stands in the group's hour, member by member. */
export interface GroupPlace {
  member: GroupMember;
  /** Null where none of their sessions may stand there, or no hour is left. */
  option: GroupOption | null;
  /** Minutes after midnight. */
  start: number | null;
  /** Points that their week costs more than with its best. */
  cost: number | null;
  /** Why they have no place. */
  why: string | null;
}

/** @param limits racks of the group, and how many the coaches in the room can watch at once */
export function fitGroup(
  members: readonly GroupMember[],
  limits: { racks: number; eyes: number },
): { places: GroupPlace[]; fit: GymFit } {
  const options = chosenOptions(members);
  const fit = fitGym(
    options.map((o, i): GymAthlete => ({ id: members[i]?.id ?? "", rack: o?.rack ?? null, hours: o?.hours ?? [] })),
    { racks: limits.racks, athletes: limits.eyes },
  );
  const places = members.map((member, i): GroupPlace => {
    const option = options[i] ?? null;
    const hour = option?.hours[fit.chosen[i] ?? -1];
    if (!option || !hour) {
      const full = "no hour is left with a rack free and somebody to watch";
      return { member, option: null, start: null, cost: null, why: member.why ?? full };
    }
    return { member, option, start: hour.start, cost: hour.cost, why: null };
  });
  return { places, fit };
}

/** One kind of work of the hour, with those who have it. */
export interface Station {
  pattern: Pattern;
  members: readonly string[];
}

/** Stations of the hour: patterns that most members have first, then in the order in which they are lifted. */
export function stationsOf(places: readonly GroupPlace[]): Station[] {
  const found = new Map<Pattern, { members: string[]; order: number }>();
  for (const { member, option } of places)
    for (const [at, item] of (option?.session.items ?? []).entries()) {
      const { pattern } = item.exercise;
      const known = found.get(pattern) ?? { members: [], order: 0 };
      if (!known.members.includes(member.id)) {
        known.members.push(member.id);
        known.order += at;
      }
      found.set(pattern, known);
    }
  return [...found]
    .map(([pattern, f]) => ({ pattern, members: f.members, order: f.order / f.members.length }))
    .sort((a, b) => b.members.length - a.members.length || a.order - b.order || (a.pattern < b.pattern ? -1 : 1))
    .map(({ pattern, members }) => ({ pattern, members }));
}

/** The hour of a group on a day. */
export const groupOn = (hour: { start: string; minutes: number; place: string }, date: IsoDate): GroupOn => ({
  date,
  start: minutesOf(hour.start),
  minutes: hour.minutes,
  place: hour.place,
});
