/**
 * Costs that hang on the whole week and not on two sessions: S6, S11, S12, and M7 beside other sessions. Each can only rise as
 * sessions are added, which is what the exact search leans on.
 */

import { weekdayName } from "../dates";
import { fatigueAt, freshness, leftOf, TIRED, tiredFrom } from "../legs";
import { onceFor } from "../once";
import {
  type EnduranceFact,
  enduranceFacts,
  isDemanding,
  legEventOf,
  MOST_IN_A_ROW,
  points,
  startMinute,
  what,
} from "./rules";
import type { Cost, Option, WeekContext } from "./types";

/** A key session, and how much more fatigue its start can take before the legs count as tired, AU. */
interface KeyStart {
  session: EnduranceFact;
  minute: number;
  fixed: number;
  room: number;
}

/** Days looked at around the week for demanding days in a row: two before Monday, one after Sunday. */
const AROUND = { before: MOST_IN_A_ROW, after: 1 };
const SPAN = AROUND.before + 7 + AROUND.after;

/** The whole-week rules of a context. */
export const groupOf = onceFor((c: WeekContext): SessionGroup => new SessionGroup(c));

export class SessionGroup {
  /** Key sessions of the week whose legs the placement can tire. */
  readonly keys: readonly KeyStart[];
  readonly tired: number;
  /** S12 for one key session that starts on tired legs, points. */
  readonly perKey: number;
  private readonly restPoints: number;
  private readonly rowPoints: number;
  private readonly keyMask: number;
  private readonly around: number;
  private readonly free = new Map<number, number>();
  private readonly rows = new Map<number, number>();

  constructor(private readonly c: WeekContext) {
    this.tired = tiredFrom(c.legs.meanDaily);
    this.perKey = points(c, "S12", 1);
    this.restPoints = points(c, "S6", 1);
    this.rowPoints = points(c, "S11", 1);
    this.keys = enduranceFacts(c).flatMap((session): KeyStart[] => {
      const day = session.day - c.monday;
      if (!session.key || day < 0 || day > 7) return [];
      const minute = session.begin;
      const fixed = fatigueAt(c.legs.legEvents, minute);
      // Legs that are tired without any of this week's sessions are not the placement's doing.
      return fixed <= this.tired ? [{ session, minute, fixed, room: this.tired - fixed }] : [];
    });
    let [mask, around] = [0, 0];
    for (const d of c.keyDays) {
      if (d >= c.monday && d < c.monday + 7) mask |= 1 << (d - c.monday);
      around |= this.bit(d);
    }
    for (const s of c.existing) if (isDemanding(s)) around |= this.bit(s.day);
    this.keyMask = mask;
    this.around = around;
  }

  private bit(day: number): number {
    const i = day - this.c.monday + AROUND.before;
    return i >= 0 && i < SPAN ? 1 << i : 0;
  }

  /** Bits that an option adds: days with strength, and demanding days. */
  bitsOf(o: Option): { strength: number; demanding: number } {
    return {
      strength: o.mobility ? 0 : 1 << (o.day - this.c.monday),
      demanding: isDemanding(o) ? this.bit(o.day) : 0,
    };
  }

  /** What an option leaves in the legs at the start of each key session, AU. */
  fatigueOf(o: Option): Float64Array {
    const legEvent = legEventOf(o);
    return Float64Array.from(this.keys, (k) => leftOf(legEvent, k.minute));
  }

  /** S6 and S11, points. @param strength, demanding bits of the sessions placed so far */
  dayPoints(strength: number, demanding: number): number {
    let s6 = this.free.get(strength);
    if (s6 === undefined) {
      s6 = this.noFreeDay(strength) ? this.restPoints : 0;
      this.free.set(strength, s6);
    }
    let s11 = this.rows.get(demanding);
    if (s11 === undefined) {
      s11 = this.rowsOf(demanding).length * this.rowPoints;
      this.rows.set(demanding, s11);
    }
    return s6 + s11;
  }

  /** S12, points. @param fatigue what the sessions placed so far leave at each key session */
  tiredPoints(fatigue: Float64Array, from: number): number {
    let n = 0;
    for (let k = 0; k < this.keys.length; k++) if ((fatigue[from + k] ?? 0) > (this.keys[k]?.room ?? 0)) n++;
    return n * this.perKey;
  }

  /** S12 charges an option that stands alone. */
  tiredBy(o: Option): boolean {
    return this.perKey > 0 && this.keys.some((k) => leftOf(legEventOf(o), k.minute) > k.room);
  }

  private noFreeDay(strength: number): boolean {
    return (this.keyMask | strength) === 127 && this.keyMask !== 127;
  }

  /** First days of three demanding days in a row that strength has a part in. */
  private rowsOf(demanding: number): number[] {
    const all = this.around | demanding;
    const out: number[] = [];
    for (let i = 0; i + MOST_IN_A_ROW < SPAN; i++) {
      const row = ((1 << (MOST_IN_A_ROW + 1)) - 1) << i;
      if ((all & row) === row && (demanding & ~this.around & row) !== 0) out.push(i);
    }
    return out;
  }

  /** The same in words. */
  costs(placed: readonly Option[]): Cost[] {
    const out: Cost[] = [];
    let [strength, demanding] = [0, 0];
    for (const o of placed) {
      const bits = this.bitsOf(o);
      strength |= bits.strength;
      demanding |= bits.demanding;
    }
    if (this.restPoints > 0 && this.noFreeDay(strength))
      out.push({
        rule: "S6",
        points: this.restPoints,
        text: "No day of the week is free of both key sessions and strength.",
      });
    if (this.rowPoints > 0)
      for (const first of this.rowsOf(demanding)) {
        const days = [0, 1, 2].map((n) => weekdayName(((first - AROUND.before + n + 7) % 7) + 1));
        out.push({
          rule: "S11",
          points: this.rowPoints,
          text: `${days[0]}, ${days[1]} and ${days[2]} are demanding days in a row; ${MOST_IN_A_ROW} is the most.`,
        });
      }
    if (this.perKey > 0)
      for (const k of this.keys) {
        const mine = placed.reduce((a, o) => a + leftOf(legEventOf(o), k.minute), 0);
        if (mine <= k.room) continue;
        const value = Math.floor(freshness(k.fixed + mine, this.c.legs.meanDaily));
        out.push({
          rule: "S12",
          points: this.perKey,
          text: `The legs still count as tired at ${what(k.session)}: freshness ${value}, ${TIRED} is the limit.`,
        });
      }
    return out;
  }

  /** M7: whether jumps of one option stand on legs that the other sessions given have made tired. */
  jumpsTired(o: Option, others: readonly (Option | null)[]): boolean {
    if (!o.jumps) return false;
    let sum = fatigueAt(this.c.legs.legEvents, startMinute(o));
    for (const other of others) if (other) sum += leftOf(legEventOf(other), startMinute(o));
    return sum > this.tired;
  }
}
