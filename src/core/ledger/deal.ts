/** Deals what a week owes beside its leading lifts out to its sessions. */

import type { Label } from "../athlete";
import { flatMap } from "../lists";
import { numbers } from "../rulebook";
import { TOLERANCE } from "../units";
import type { LedgerLine } from "./owed";
import type { LedgerPattern } from "./shares";

/** An exercise that a session is to hold for the ledger. */
export interface Unit {
  pattern: LedgerPattern;
  sets: number;
  /** The kind of work that has been missed longest; null where the pattern has none. */
  kind: string | null;
  /** What the pattern is owed this week, and its sets a week. */
  owed: number;
  weekly: number;
  /** What of it is left for this exercise, at least its own sets. */
  rest: number;
  /** The week before went without the pattern. */
  dry: boolean;
  /** Weeks without this kind, where that is why it comes. */
  dueFor: number | null;
}

/** Leading lifts of a session: pattern and sets. */
export type Leads = readonly { pattern: LedgerPattern; sets: number }[];
export type Deal = ReadonlyMap<Label, readonly Unit[]>;

/** Patterns in the order in which they are dealt out and stand in a session. */
const ORDER: readonly LedgerPattern[] = ["squat", "hinge", "split-squat", "hip", "pull", "push", "calf", "trunk"];
/** Sets worth giving: what is owed to the nearest set, nothing until enough has gathered (rule ledger.fill). */
export const worthGiving = (owed: number): number =>
  owed < numbers("ledger.fill").gather - TOLERANCE ? 0 : Math.round(owed + TOLERANCE);

const { dryWorth: DRY_WORTH } = numbers("ledger.fill");

/** What an account of one pattern is weighed by. */
export type Weighed = Pick<Unit, "rest" | "weekly" | "dry">;

/** w x (what stays owed / w)^2 once so many sets are given; a pattern that was left out the week before weighs more than all the others. */
export function stillOwed({ rest, weekly, dry }: Weighed, given: number): number {
  const left = Math.max(0, rest - given);
  return (weekly > 0 ? (left * left) / weekly : 0) + (dry && given === 0 ? DRY_WORTH : 0);
}

/** Dealing out one week. */
class Dealer {
  private readonly units = new Map<Label, Unit[]>();
  private readonly weight = new Map<Label, number>();

  constructor(private readonly sessions: ReadonlyMap<Label, Leads>) {
    for (const [label, leads] of sessions) {
      this.units.set(label, []);
      this.weight.set(label, leads.length * numbers("ledger.fill").leadWeight);
    }
  }

  deal(lines: readonly LedgerLine[]): Deal {
    for (const pattern of ORDER) {
      const line = lines.find((l) => l.pattern === pattern);
      if (line) this.dealOne(line);
    }
    return this.units;
  }

  private dealOne(line: LedgerLine): void {
    const { least, most } = numbers("ledger.fill");
    const leads = flatMap([...this.sessions.values()], (l) => l.filter((x) => x.pattern === line.pattern));
    const given = leads.reduce((a, l) => a + l.sets, 0);
    const [kinds, due] = [this.kindsLeft(line, leads.length), line.due];
    const open = worthGiving(line.owed - given);
    const sets = Math.max(open, this.kindsDue(line, leads.length).length * least);
    if (sets === 0) return;
    const places = this.placesFor(line.pattern);
    // One exercise a session, two where the pattern has kinds and one alone would not do.
    const spread = Math.min(places.length, Math.max(1, Math.floor(sets / least)));
    const count = Math.min(places.length * (line.kinds.length > 0 ? 2 : 1), Math.max(spread, Math.ceil(sets / most)));
    const total = Math.min(sets, count * most);
    for (let i = 0; i < count; i++) {
      const label = this.lightest(line.pattern);
      if (!label) return;
      const kind = kinds[i % Math.max(1, kinds.length)] ?? null;
      const own = Math.floor(total / count) + (i < total % count ? 1 : 0);
      const unit: Unit = {
        pattern: line.pattern,
        sets: own,
        rest: Math.max(own, line.owed - given - (total - own)),
        kind,
        owed: line.owed,
        dry: line.dry && given === 0 && i === 0,
        weekly: line.weekly,
        dueFor: kind !== null && due.includes(kind) ? (line.since[kind] ?? null) : null,
      };
      this.units.get(label)?.push(unit);
      this.weight.set(label, (this.weight.get(label) ?? 0) + 1);
    }
  }

  /** Kinds beside those that the leads are (the last of the list, where there are leads), the longest missed first. */
  private kindsLeft(line: LedgerLine, leads: number): readonly string[] {
    const usual = leads > 0 ? USUAL_LEAD[line.pattern] : undefined;
    return line.kinds.filter((k) => k !== usual || line.due.includes(k));
  }

  private kindsDue(line: LedgerLine, leads: number): readonly string[] {
    const left = this.kindsLeft(line, leads);
    return line.due.filter((k) => left.includes(k));
  }

  /** Sessions that may take a pattern: those that do not lead with it, if there are such. */
  private placesFor(pattern: LedgerPattern): Label[] {
    const all = [...this.sessions];
    const others = all.filter(([, leads]) => !leads.some((l) => l.pattern === pattern));
    return (others.length > 0 ? others : all).map(([label]) => label);
  }

  /** The session with least in it that may take the pattern, one without it first. */
  private lightest(pattern: LedgerPattern): Label | undefined {
    const score = (label: Label) => {
      const units = this.units.get(label) ?? [];
      const same = units.filter((u) => u.pattern === pattern).length;
      // Pushing and pulling stand together, so that they can share their rests with a lift.
      const mate = pattern === "push" && units.some((u) => u.pattern === "pull") ? 1 : 0;
      return same * 100 + (this.weight.get(label) ?? 0) - mate;
    };
    return this.placesFor(pattern).reduce<Label | undefined>(
      (best, l) => (best === undefined || score(l) < score(best) ? l : best),
      undefined,
    );
  }
}

/** What the leading lifts of a pattern mostly are. */
const USUAL_LEAD: Readonly<Partial<Record<LedgerPattern, string>>> = {
  hinge: "hinge on two legs",
  hip: "hip extension",
};

/**
 * @param sessions the week's sessions with their leading lifts, in order
 * @returns for each session what it is to hold beside its leads; sets that are no exercise's worth wait
 */
export const deal = (lines: readonly LedgerLine[], sessions: ReadonlyMap<Label, Leads>): Deal =>
  new Dealer(sessions).deal(lines);
