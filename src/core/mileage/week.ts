/** One planned week: the usual week scaled to the week's amount, around what stands already (rules amount.long, amount.sessions). */
import type { EnduranceSession, SessionSport, UsualSession } from "../athlete";
import { addDays, dayNumber, type IsoDate, mondayOf } from "../dates";
import { isKey } from "../endurance";
import { numbers, type Why, why } from "../rulebook";
import { TOLERANCE } from "../units";
import type { WeekAmount } from "./amounts";
import type { SpeedOf } from "./speed";
import { amountText, type Unit } from "./unit";

const LONG = numbers("amount.long");
const RULES = numbers("amount.sessions");

/** Everything a week's sessions are made from. */
export interface WeekInput {
  amount: WeekAmount;
  usual: readonly UsualSession[];
  unit: Unit;
  /** Rows of this week. */
  rows: readonly EnduranceSession[];
  /** Rows of any week by the planned session that they stand for or leave out. */
  instead: ReadonlyMap<string, EnduranceSession>;
  /** Size of the longest training session of the 30 days before a day number, in the unit; null where there was none. */
  longestBefore: (day: number, sport: SessionSport) => number | null;
  speedOf: SpeedOf;
}

export interface PlannedWeek {
  week: IsoDate;
  kind: WeekAmount["kind"];
  /** What the week is to hold, km or minutes. */
  amount: number;
  /** What it holds: planned here and standing already. */
  planned: number;
  /** Sessions that were made for it. */
  sessions: EnduranceSession[];
  /** How its amount comes about, and what it does not hold. */
  why: Why[];
}

/** A session of the usual week on its way to a size. */
interface Part {
  of: UsualSession;
  size: number;
  least: number;
  most: number;
  long: boolean;
}

/** Name of a plan's session: its week's Monday and its id. */
export const slotOf = (week: IsoDate, id: string): string => `${week}/${id}`;

/** Size of a session in the plan's unit. */
export const sizeOf = (s: Pick<EnduranceSession, "minutes" | "distanceKm">, unit: Unit): number =>
  unit === "km" ? (s.distanceKm ?? 0) : s.minutes;

/** Most of the week that its long session takes; null where nothing holds it. */
export function longShare(sport: SessionSport, sessions: number): number | null {
  if (sport === "hike") return null;
  if (sport === "ride") return LONG.ride / 100;
  const at = Math.min(6, sessions);
  return at < 3 ? null : ((LONG.share as Readonly<Record<string, number>>)[at] ?? 100) / 100;
}

/** The part of a usual session whose size is its own minutes. */
const fixedSize = (s: UsualSession, unit: Unit, speedOf: SpeedOf): number =>
  unit === "minutes" ? (s.minutes ?? 0) : ((s.minutes ?? 0) / 60) * speedOf(s);

/** @returns the planned week, with its sessions rounded to what one writes down */
export function plannedWeek(input: WeekInput): PlannedWeek {
  return new WeekMaker(input).make();
}

class WeekMaker {
  private readonly why: Why[] = [];
  /** Sports whose sessions are shares of the amount: records of others are beside it. */
  private readonly counted: ReadonlySet<SessionSport>;
  private readonly standing: readonly EnduranceSession[];
  /** Days on which a record says that a race was run. */
  private readonly raced: ReadonlySet<IsoDate>;
  /** Usual sessions whose place something takes. */
  private readonly taken: ReadonlySet<UsualSession>;

  constructor(private readonly input: WeekInput) {
    const { usual, rows, instead, amount } = input;
    this.counted = new Set(usual.filter((s) => s.share !== undefined).map((s) => s.sport));
    this.raced = new Set(rows.filter((r) => r.kind === "race" && !r.cancelled).map((r) => r.date));
    this.standing = rows.filter((r) => !r.cancelled && r.kind !== "race");
    const taken = new Set<UsualSession>();
    const left = this.standing.filter((r) => r.insteadOf === undefined);
    for (const s of usual) {
      if (instead.has(slotOf(amount.week, s.id))) {
        taken.add(s);
        continue;
      }
      const on = addDays(amount.week, s.day - 1);
      const same = left.findIndex((r) => r.date === on && r.sport === s.sport);
      if (same >= 0) {
        taken.add(s);
        left.splice(same, 1);
      }
    }
    this.taken = taken;
  }

  make(): PlannedWeek {
    const { amount, usual, unit, speedOf } = this.input;
    const open = usual.filter(
      (s) => !this.taken.has(s) && this.dayShare(s) > 0 && !this.raced.has(addDays(amount.week, s.day - 1)),
    );
    const fixed = usual.filter((s) => s.minutes !== undefined);
    const fixedAll = fixed.reduce((a, s) => a + this.counts(s) * fixedSize(s, unit, speedOf), 0);
    const asked = this.asked(Math.max(0, amount.base - fixedAll), fixedAll);
    const stands = this.standing.reduce((a, r) => a + (this.counted.has(r.sport) ? sizeOf(r, unit) : 0), 0);
    const openFixed = open.filter((s) => s.minutes !== undefined);
    const fixedOpen = openFixed.reduce((a, s) => a + this.counts(s) * fixedSize(s, unit, speedOf), 0);
    const whole = Math.max(0, asked - fixedAll);
    const gone = this.leftOut(whole);
    const parts = this.sized(open, Math.max(0, asked - stands - fixedOpen - gone), whole, asked);
    const sessions = [
      ...openFixed.map((of) => this.session(of, fixedSize(of, unit, speedOf))),
      ...parts.map((p) => this.session(p.of, p.size)),
    ].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : (a.start ?? "") < (b.start ?? "") ? -1 : 1));
    const planned = stands + fixedOpen + parts.reduce((a, p) => a + p.size, 0);
    this.told(asked, planned, parts.length);
    return { week: amount.week, kind: amount.kind, amount: asked, planned, sessions, why: this.why };
  }

  /** Minutes of other sports are beside the amount where it is counted in km. */
  private counts = (s: UsualSession): number => (this.input.unit === "minutes" || this.counted.has(s.sport) ? 1 : 0);

  private dayShare = (s: UsualSession): number => this.input.amount.days[s.day - 1]?.share ?? 1;

  /** What the week is to hold: a typed amount as it stands, one by rule less what races take of its days. */
  private asked(shared: number, fixed: number): number {
    const { amount, usual } = this.input;
    if (amount.kind === "typed") return amount.base;
    const left = usual.reduce((a, s) => a + this.shareOf(s) * this.dayShare(s), 0);
    const whole = usual.reduce((a, s) => a + this.shareOf(s), 0);
    return fixed + (whole > 0 ? (shared * left) / whole : 0);
  }

  /** What the sessions that were left out would have been: nothing else grows for them. */
  private leftOut(whole: number): number {
    const { usual } = this.input;
    const all = usual.reduce((a, s) => a + this.shareOf(s) * this.dayShare(s), 0);
    const gone = usual.filter((s) => this.isGone(s));
    return all > 0 ? (whole * gone.reduce((a, s) => a + this.shareOf(s) * this.dayShare(s), 0)) / all : 0;
  }

  /** Left out, or moved to another week. */
  private isGone(s: UsualSession): boolean {
    const { instead, amount } = this.input;
    const row = instead.get(slotOf(amount.week, s.id));
    return row !== undefined && (row.cancelled === true || mondayOf(row.date) !== amount.week);
  }

  /** Share of what is left beside fixed minutes. */
  private shareOf = (s: UsualSession): number => (s.minutes === undefined ? (s.share ?? 0) : 0);

  /** The long session: the only one of its kind, or the largest of them. */
  private longOf(open: readonly UsualSession[]): UsualSession | undefined {
    return open
      .filter((s) => s.kind === "long" && s.minutes === undefined)
      .sort((a, b) => (b.share ?? 0) - (a.share ?? 0))[0];
  }

  /** @param left that the open sessions share @param whole what the week's shares are of @param asked the week's amount */
  private sized(open: readonly UsualSession[], left: number, whole: number, asked: number): Part[] {
    const { usual, amount } = this.input;
    const weight = (s: UsualSession) => this.shareOf(s) * this.dayShare(s);
    const all = usual.reduce((a, s) => a + weight(s), 0);
    const long = this.longOf(open);
    const sharing = open.filter((s) => this.shareOf(s) > 0);
    let parts = sharing.map((of): Part => {
      const nominal = all > 0 ? (weight(of) / all) * whole : 0;
      if (of === long) {
        const most = this.longMost(of, asked, nominal);
        return { of, size: most, least: most * RULES.shrink, most, long: true };
      }
      const key = isKey(of) && !this.onWayBack(of);
      if (!key) return { of, size: nominal, least: nominal * RULES.shrink, most: nominal * RULES.grow, long: false };
      const least = this.shareOf(of) * amount.usual * RULES.key;
      const size = Math.max(nominal, least);
      return { of, size, least, most: size, long: false };
    });
    parts = spread(parts, left);
    for (;;) {
      const short = parts.find((p) => this.minutesOf(p.of, p.size) < RULES.easyLeast - TOLERANCE && !isKey(p.of));
      if (!short) break;
      parts = spread(
        parts.filter((p) => p !== short),
        left,
      );
    }
    return rounded(parts, this.input.unit === "km" ? RULES.gridKm : RULES.gridMinutes);
  }

  /** What holds the long session, said where it does. */
  private longMost(of: UsualSession, asked: number, nominal: number): number {
    const { usual, unit, longestBefore, amount } = this.input;
    const share = longShare(of.sport, usual.length);
    const before = longestBefore(dayNumber(amount.week) + of.day - 1, of.sport);
    const byShare = share === null ? Number.POSITIVE_INFINITY : share * asked;
    const byLongest = before === null ? Number.POSITIVE_INFINITY : before * LONG.over;
    const most = Math.min(byShare, byLongest);
    if (most >= nominal - TOLERANCE) return nominal;
    const what = amountText(floorTo(most, unit), unit);
    this.why.push(
      byShare <= byLongest
        ? why("amount.long", "share", { what, pct: Math.round((share ?? 1) * 100) })
        : why("amount.long", "longest", { what, longest: amountText(before ?? 0, unit) }),
    );
    return floorTo(most, unit);
  }

  private onWayBack(s: UsualSession): boolean {
    const day = this.input.amount.days[s.day - 1];
    return day?.kind === "back" && day.share < 1;
  }

  private minutesOf(s: UsualSession, size: number): number {
    return this.input.unit === "minutes" ? size : (size / this.input.speedOf(s)) * 60;
  }

  private session(of: UsualSession, size: number): EnduranceSession {
    const { amount, unit } = this.input;
    const back = this.onWayBack(of) && of.kind !== "long" && isKey(of);
    const minutes = Math.max(1, Math.round(of.minutes ?? this.minutesOf(of, size)));
    const climb = of.ascentM === undefined ? {} : { ascentM: Math.round((of.ascentM * minutes) / 60) };
    return {
      date: addDays(amount.week, of.day - 1),
      ...(of.start === undefined ? {} : { start: of.start }),
      sport: of.sport,
      kind: back ? "easy" : of.kind,
      minutes,
      ...(unit === "km" && size > 0 ? { distanceKm: Math.round(size * 10) / 10 } : {}),
      ...climb,
      ...(of.packKg === undefined ? {} : { packKg: of.packKg }),
      ...(of.rpe === undefined || back ? {} : { rpe: of.rpe }),
      ...(back ? { key: false } : of.key === undefined ? {} : { key: of.key }),
      slot: slotOf(amount.week, of.id),
    };
  }

  /** How the amount comes about, and what is missing of it. */
  private told(asked: number, planned: number, parts: number): void {
    const { amount, unit } = this.input;
    const text = amountText(asked, unit);
    const back = amount.days.filter((d) => d.kind === "back" && d.share < 1);
    const taper = amount.days.find((d) => d.kind === "taper");
    const racing = back.length > amount.days.length / 2 ? back.at(-1) : (taper ?? back.at(-1));
    if (amount.kind === "typed") this.why.unshift(why("amount.rise", "typed", text));
    else if (amount.kind === "step-back")
      this.why.unshift(why("amount.rise", "back", { amount: text, share: amount.base / amount.usual }));
    else if (racing?.kind === "back" && racing.race)
      this.why.unshift(why("amount.restart", "back", { amount: text, week: racing.week, race: racing.race.name }));
    else if (racing?.race) this.why.unshift(why("amount.taper", "taper", { amount: text, race: racing.race.name }));
    else if (amount.kind === "first") this.why.unshift(why("amount.rise", "first", { amount: text }));
    else if (amount.risePct > 0) this.why.unshift(why("amount.rise", "loading", { amount: text, pct: amount.risePct }));
    else this.why.unshift(why("amount.rise", "same", { amount: text }));
    const grid = unit === "km" ? RULES.gridKm : RULES.gridMinutes;
    const off = asked - planned;
    if (off > grid * Math.max(1, parts / 2) + TOLERANCE)
      this.why.push(why("amount.sessions", "short", { short: amountText(off, unit), because: this.whyShort() }));
    else if (-off > grid * Math.max(1, parts / 2) + TOLERANCE)
      this.why.push(why("amount.sessions", "over", amountText(-off, unit)));
  }

  private whyShort(): string {
    const { usual } = this.input;
    if (usual.some((s) => this.isGone(s))) return "a session was left out";
    return this.standing.length > 0
      ? "the sessions that are left grow by a quarter at most"
      : "no session grows by more than a quarter, and the long one is held";
  }
}

/** Rounded down to what one writes. */
function floorTo(size: number, unit: Unit): number {
  const grid = unit === "km" ? RULES.gridKm : RULES.gridMinutes;
  return Math.floor(size / grid + TOLERANCE) * grid;
}

/** Sizes between least and most that come nearest to what is left, each by the same share of its room. */
function spread(parts: readonly Part[], left: number): Part[] {
  const sum = (pick: (p: Part) => number) => parts.reduce((a, p) => a + pick(p), 0);
  const now = sum((p) => p.size);
  if (Math.abs(left - now) < TOLERANCE) return [...parts];
  const room = left > now ? sum((p) => p.most - p.size) : sum((p) => p.size - p.least);
  const share = room <= 0 ? 0 : Math.min(1, Math.abs(left - now) / room);
  return parts.map((p) => ({ ...p, size: p.size + share * (left > now ? p.most - p.size : p.least - p.size) }));
}

/** Sizes on the grid whose sum is as near as it can be: the largest remainders go up; none goes over its most. */
function rounded(parts: readonly Part[], grid: number): Part[] {
  const steps = parts.map((p) => Math.max(1, Math.floor(p.size / grid + TOLERANCE)));
  let open = Math.round(parts.reduce((a, p) => a + p.size, 0) / grid) - steps.reduce((a, n) => a + n, 0);
  const order = parts
    .map((p, i) => ({ i, rest: p.size / grid - (steps[i] ?? 0), long: p.long }))
    .filter((x) => !x.long)
    .sort((a, b) => b.rest - a.rest || a.i - b.i);
  for (const { i } of order) {
    if (open <= 0) break;
    steps[i] = (steps[i] ?? 0) + 1;
    open -= 1;
  }
  return parts.map((p, i) => ({ ...p, size: (steps[i] ?? 0) * grid }));
}
