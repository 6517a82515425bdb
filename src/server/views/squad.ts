/** The survey table of the club. Rows are kept while an athlete's facts and the day stay the same. */

import { columnOf, flagOf, phasePlace } from "../../api/make/season";
import type { SquadRow, SquadView } from "../../api/views";
import { addDays, type IsoDate, mondayOf } from "../../core/dates";
import { inOrder } from "../../core/season/races";
import type { Planner } from "../planner";
import type { Store } from "../store/store";
import { attentionOf } from "./attention";

/** Weeks before and from this one in the short section. */
export const SHORT = { before: 4, ahead: 8 };

export interface Written {
  /** Names the state of the whole club; serves as the answer's ETag. */
  key: string;
  json: Buffer;
}

export class Squad {
  private readonly rows = new Map<string, { key: string; row: SquadRow }>();
  private making: { key: string; written: Promise<Written> } | null = null;
  private kept: Written | null = null;
  /** Keeps the keys of two runs apart. */
  private readonly started = Date.now().toString(36);

  constructor(
    private readonly store: Store,
    private readonly planner: Planner,
  ) {}

  /**
   * The view as JSON, written once for as long as no athlete and no day changes: it is asked for more than anything else.
   * Whoever asks while it is being made waits for the same making.
   */
  async json(): Promise<Written> {
    const key = `${this.started}-${this.store.version}-${this.planner.today()}`;
    if (this.kept?.key === key) return this.kept;
    if (this.making?.key !== key) this.making = { key, written: this.write(key) };
    return this.making.written;
  }

  private async write(key: string): Promise<Written> {
    try {
      const view: SquadView = { today: this.planner.today(), rows: await this.makeRows() };
      this.kept = { key, json: Buffer.from(JSON.stringify(view)) };
      return this.kept;
    } finally {
      if (this.making?.key === key) this.making = null;
    }
  }

  /** Most pressing first, then the club's order. Between athletes other requests get their turn. */
  private async makeRows(): Promise<SquadRow[]> {
    const list = await this.store.list();
    const known = new Set(list.map((a) => a.id));
    for (const id of this.rows.keys()) if (!known.has(id)) this.rows.delete(id);
    const out: SquadRow[] = [];
    for (const { id, revision } of list) {
      const key = `${revision}/${this.store.shelf.version}/${this.store.rules}/${this.planner.today()}`;
      const kept = this.rows.get(id);
      if (kept?.key === key) {
        out.push(kept.row);
        continue;
      }
      await new Promise((resolve) => setImmediate(resolve));
      const row = await this.makeRow(id);
      if (!row) continue;
      this.rows.set(id, { key, row });
      out.push(row);
    }
    const weight = (r: SquadRow) => r.attention[0]?.weight ?? 0;
    return out
      .map((r, i) => ({ r, i }))
      .sort((a, b) => weight(b.r) - weight(a.r) || a.i - b.i)
      .map(({ r }) => r);
  }

  private async makeRow(id: string): Promise<SquadRow | null> {
    const stored = await this.store.get(id);
    if (!stored) return null;
    const today: IsoDate = this.planner.today();
    const p = this.planner.near(stored, SHORT.ahead);
    const monday = mondayOf(today);
    const { athlete } = stored;
    const byStart = new Map(p.plan.weeks.map((w) => [w.season.start, w]));
    const [first, last] = [addDays(monday, -7 * SHORT.before), addDays(monday, 7 * (SHORT.ahead - 1))];
    const season = p.plan.season.filter((w) => w.start >= first && w.start <= last);
    const now = p.plan.season.find((w) => w.start === monday);
    const next = inOrder(athlete.races).find((r) => r.date >= today);
    const logged = athlete.strengthLog.find((l) => l.date === today);
    const planned = byStart.get(monday)?.sessions.find((s) => s.date === today);
    const place = now ? phasePlace(p.plan.phases, now) : { phaseWeek: 0, phaseWeeks: 0 };
    return {
      id,
      name: athlete.athlete.name,
      sport: athlete.athlete.sport,
      massUnit: athlete.athlete.massUnit ?? "kg",
      distanceUnit: athlete.athlete.distanceUnit ?? "km",
      phase: now?.phase ?? null,
      emphasis: now?.emphasis ?? null,
      ...place,
      nextRace: next ? flagOf(next) : null,
      weeks: season.map((w) => columnOf(p, w, byStart.get(w.start), athlete)),
      monday,
      today: logged
        ? { label: logged.label, start: 0, minutes: logged.minutes ?? 0, place: "", done: true }
        : planned
          ? { label: planned.label, start: planned.start, minutes: planned.minutes, place: planned.place, done: false }
          : null,
      attention: attentionOf(p, byStart.get(monday), today),
    };
  }
}
