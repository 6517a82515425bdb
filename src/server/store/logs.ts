/** What was lifted. Devices that log one session at once keep each other's sets. */
import { randomUUID } from "node:crypto";
import type { EntityManager } from "typeorm";
import { type Label, mergeLogs, type StrengthLog } from "../../core/athlete";
import { dayLabel } from "../../core/dates";
import type { AthleteStore } from "./athletes";
import { LIST_ENTITIES, type ListRow } from "./entities";

const entity = LIST_ENTITIES.strengthLog;

async function rowOf(m: EntityManager, athleteId: string, date: string, label: Label): Promise<ListRow | undefined> {
  const rows = await m.findBy(entity, { athleteId, date });
  return rows.find((r) => (JSON.parse(r.data) as StrengthLog).label === label);
}

const logIn = (row: ListRow | undefined): StrengthLog | null => (row ? (JSON.parse(row.data) as StrengthLog) : null);

async function keep(m: EntityManager, athleteId: string, known: ListRow | undefined, log: StrengthLog): Promise<void> {
  const data = JSON.stringify(log);
  if (known) {
    await m.update(entity, { id: known.id }, { data });
    return;
  }
  const top = await m.findOne(entity, { where: { athleteId }, order: { seq: "DESC" } });
  await m.insert(entity, { id: randomUUID(), athleteId, seq: (top?.seq ?? -1) + 1, date: log.date, data });
}

export class LogStore {
  constructor(private readonly athletes: AthleteStore) {}

  /** Every save of one log is one change to undo, however many sets it came in. */
  private edit<T>(id: string, date: string, label: Label, work: (m: EntityManager) => Promise<T>): Promise<T> {
    return this.athletes.edit(id, `Log of session ${label} on ${dayLabel(date)}`, work, true);
  }

  /** One log a day and label; saving it again replaces it. @param log null takes it away */
  async put(id: string, date: string, label: Label, log: StrengthLog | null): Promise<boolean> {
    return this.edit(id, date, label, async (m) => {
      const known = await rowOf(m, id, date, label);
      if (log === null && !known) return false;
      if (!(await this.athletes.touch(m, id))) return false;
      if (log) await keep(m, id, known, log);
      else if (known) await m.delete(entity, { id: known.id });
      return true;
    });
  }

  /**
   * Takes in what a device has changed since it last heard from the server; what others changed meanwhile stays.
   * @param base the log as the device last had it from the server; null where it had none
   * @param told is called in the same transaction with what will be returned
   * @returns the log as it is now, null where there is no such athlete
   */
  async merge(
    id: string,
    base: StrengthLog | null,
    mine: StrengthLog,
    told: (merged: StrengthLog) => void = () => undefined,
  ): Promise<StrengthLog | null> {
    return this.edit(id, mine.date, mine.label, async (m) => {
      const known = await rowOf(m, id, mine.date, mine.label);
      const merged = mergeLogs(base, mine, logIn(known));
      told(merged);
      if (known && JSON.stringify(merged) === known.data) return merged;
      if (!(await this.athletes.touch(m, id))) return null;
      await keep(m, id, known, merged);
      return merged;
    });
  }

  /** How it was the morning after. @returns false where the exercise was not logged that day */
  async nextDay(id: string, date: string, exercise: string, pain: number): Promise<boolean> {
    return this.athletes.edit(id, `Next day's pain after ${dayLabel(date)}`, async (m) => {
      const rows = await m.findBy(entity, { athleteId: id, date });
      const row = rows.find((r) => logIn(r)?.items.some((i) => i.exercise === exercise));
      const log = logIn(row);
      if (!row || !log || !(await this.athletes.touch(m, id))) return false;
      const items = log.items.map((i) => (i.exercise === exercise ? { ...i, nextDayPain: pain } : i));
      await keep(m, id, row, { ...log, items });
      return true;
    });
  }
}
