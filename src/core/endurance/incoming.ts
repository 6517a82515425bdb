/** Records that come in (files, a training log): what each one is beside what is known already, so that nothing counts twice. */

import type { EnduranceSession } from "../athlete";
import { type IsoDate, minutesOf } from "../dates";
import { numbers } from "../rulebook";
import { TOLERANCE } from "../units";

export interface KnownSession {
  id: string;
  session: EnduranceSession;
}

export interface Incoming {
  session: EnduranceSession;
  /** The kind was read from words or assumed; a planned session's own kind goes before it. */
  kindGuessed: boolean;
}

/**
 * new: not known. same: known already. twice: a row of this import says it already (`row`, from 0). changed: known by its source, with
 * other figures. done: a planned session, now done.
 */
export type Fate = { kind: "new" } | { kind: "same" | "changed" | "done"; id: string } | { kind: "twice"; row: number };

/** How far two records of one session may lie apart: minutes of start, share and minutes of duration, share of distance [house]. */
export const TWIN = numbers("import.twin");

const near = (a: number, b: number, share: number, least: number): boolean =>
  Math.abs(a - b) <= Math.max(least, share * Math.max(a, b)) + TOLERANCE;

/** Whether two records of one date can only be one session. */
export function isTwin(a: EnduranceSession, b: EnduranceSession): boolean {
  if (a.date !== b.date || a.sport !== b.sport || (a.done === true) !== (b.done === true)) return false;
  const timed = a.start !== undefined && b.start !== undefined;
  if (timed && Math.abs(minutesOf(a.start ?? "") - minutesOf(b.start ?? "")) > TWIN.start) return false;
  if (!near(a.minutes, b.minutes, timed ? TWIN.share : 0, TWIN.minutes)) return false;
  if (a.distanceKm !== undefined && b.distanceKm !== undefined)
    return near(a.distanceKm, b.distanceKm, TWIN.distance, TWIN.leastDistance);
  // Without distances, two easy hours on one day are told apart by their start alone.
  return timed || a.distanceKm === b.distanceKm;
}

/** Whether a known record already says all that an incoming one says. */
function saysAll(known: EnduranceSession, { session, kindGuessed }: Incoming): boolean {
  return (Object.keys(session) as (keyof EnduranceSession)[]).every(
    (key) => key === "planned" || (key === "kind" && kindGuessed) || known[key] === session[key],
  );
}

/**
 * @param known the athlete's records
 * @param incoming rows of one import, in order
 * @returns a fate for each row; each known record answers for one row at most
 */
export function fatesOf(known: readonly KnownSession[], incoming: readonly Incoming[]): Fate[] {
  const fates = new Array<Fate | undefined>(incoming.length).fill(undefined);
  const bySource = new Map<string, KnownSession>();
  const byDate = new Map<IsoDate, KnownSession[]>();
  for (const k of known) {
    if (k.session.source !== undefined) bySource.set(k.session.source, k);
    const list = byDate.get(k.session.date);
    if (list) list.push(k);
    else byDate.set(k.session.date, [k]);
  }
  const used = new Set<string>();
  const take = (i: number, kind: "same" | "changed" | "done", k: KnownSession) => {
    used.add(k.id);
    fates[i] = { kind, id: k.id };
  };

  // The last word of a source counts; what it said before in the same import is told twice.
  const last = new Map<string, number>();
  incoming.forEach(({ session: { source } }, i) => {
    if (source === undefined) return;
    const before = last.get(source);
    if (before !== undefined) fates[before] = { kind: "twice", row: i };
    last.set(source, i);
  });
  for (const [source, i] of last) {
    const k = bySource.get(source);
    const row = incoming[i];
    if (k && row) take(i, saysAll(k.session, row) ? "same" : "changed", k);
  }

  const free = (date: IsoDate, test: (k: KnownSession) => boolean): KnownSession[] =>
    (byDate.get(date) ?? []).filter((k) => !used.has(k.id) && test(k));
  incoming.forEach(({ session }, i) => {
    if (fates[i]) return;
    const twin = free(session.date, (k) => isTwin(k.session, session) || plannedTwin(k.session, session))[0];
    if (twin) take(i, "same", twin);
  });
  const news = new Map<IsoDate, number[]>();
  incoming.forEach(({ session }, i) => {
    if (fates[i]) return;
    // Rows without a start may be two alike sessions of one day; with one they are the same session told twice.
    const before = (news.get(session.date) ?? []).find((k) => {
      const other = incoming[k]?.session;
      return other?.start !== undefined && session.start !== undefined && isTwin(other, session);
    });
    if (before !== undefined) {
      fates[i] = { kind: "twice", row: before };
      return;
    }
    const plan = session.done
      ? plannedFor(
          session,
          free(session.date, (k) => k.session.done !== true),
        )
      : undefined;
    if (plan) take(i, "done", plan);
    else {
      fates[i] = { kind: "new" };
      news.set(session.date, [...(news.get(session.date) ?? []), i]);
    }
  });
  return fates.map((f) => f ?? { kind: "new" });
}

/** A planned row that comes again after its session was done. */
const plannedTwin = (known: EnduranceSession, row: EnduranceSession): boolean =>
  row.done !== true &&
  known.planned !== undefined &&
  known.sport === row.sport &&
  near(known.planned.minutes, row.minutes, TWIN.share, TWIN.minutes);

/** The day's planned session that a done one stands for: nearest in minutes, where it is not twice as long or half as short. */
function plannedFor(done: EnduranceSession, plans: readonly KnownSession[]): KnownSession | undefined {
  const apart = (k: KnownSession) => Math.abs(Math.log(done.minutes / k.session.minutes));
  return plans
    .filter(({ session: p }) => {
      const share = done.minutes / p.minutes;
      return p.sport === done.sport && share >= TWIN.planLeast && share <= TWIN.planMost;
    })
    .reduce<KnownSession | undefined>((best, k) => (!best || apart(k) < apart(best) ? k : best), undefined);
}

/** @returns the record as it is kept: what came in, with what only the known one can say */
export function merged(known: EnduranceSession | null, { session, kindGuessed }: Incoming): EnduranceSession {
  if (!known) return session;
  const kind = kindGuessed ? { kind: known.kind } : {};
  if (known.done === true || session.done !== true) return { ...known, ...session, ...kind };
  const { done: _done, start: _start, key, ...plan } = known;
  return {
    ...session,
    ...kind,
    ...(key === undefined || session.key !== undefined ? {} : { key }),
    planned: {
      date: plan.date,
      kind: plan.kind,
      minutes: plan.minutes,
      ...(plan.distanceKm === undefined ? {} : { distanceKm: plan.distanceKm }),
      ...(plan.ascentM === undefined ? {} : { ascentM: plan.ascentM }),
      ...(plan.rpe === undefined ? {} : { rpe: plan.rpe }),
    },
  };
}

/**
 * Sessions that count in the figures. Where records are kept, a planned session that lies before the last done one and before `from`
 * was missed; without any done session everything counts.
 */
export function withoutMissed(sessions: readonly EnduranceSession[], from: IsoDate): EnduranceSession[] {
  const kept = sessions.reduce((m, s) => (s.done && s.date < from && s.date > m ? s.date : m), "");
  return sessions.filter((s) => s.done === true || s.date >= kept);
}

export interface PlannedAndDone {
  plannedMinutes: number;
  plannedKm: number;
  plannedSessions: number;
  doneMinutes: number;
  doneKm: number;
  doneSessions: number;
}

/** Sums of what was planned (still open, missed, or since done) and of what was done. */
export function plannedAndDone(sessions: readonly EnduranceSession[]): PlannedAndDone {
  const sums: PlannedAndDone = {
    plannedMinutes: 0,
    plannedKm: 0,
    plannedSessions: 0,
    doneMinutes: 0,
    doneKm: 0,
    doneSessions: 0,
  };
  for (const s of sessions) {
    const plan = s.done ? s.planned : s;
    if (plan) {
      sums.plannedMinutes += plan.minutes;
      sums.plannedKm += plan.distanceKm ?? 0;
      sums.plannedSessions++;
    }
    if (s.done) {
      sums.doneMinutes += s.minutes;
      sums.doneKm += s.distanceKm ?? 0;
      sums.doneSessions++;
    }
  }
  return sums;
}
