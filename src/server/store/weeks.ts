/** What the coach decided about single weeks: placements taken over, notes, exercises swapped. */
import type { Label, LockedSession } from "../../core/athlete";
import { mondayOf } from "../../core/dates";
import type { AthleteStore } from "./athletes";
import { HeldEntity, SwapEntity, WeekNoteEntity } from "./entities";

export class WeekStore {
  constructor(private readonly athletes: AthleteStore) {}

  /** What the coach has taken over for a week; null gives the week back to the planner. */
  async hold(
    id: string,
    monday: string,
    sessions: readonly LockedSession[] | null,
    what = "Placement of the week",
  ): Promise<boolean> {
    return this.athletes.edit(id, what, async (m) => {
      if (!(await this.athletes.touch(m, id))) return false;
      await m.delete(HeldEntity, { athleteId: id, monday: mondayOf(monday) });
      if (sessions)
        await m.insert(HeldEntity, { athleteId: id, monday: mondayOf(monday), data: JSON.stringify(sessions) });
      return true;
    });
  }

  /** @param text empty takes the note away */
  async putNote(id: string, monday: string, text: string): Promise<boolean> {
    return this.athletes.edit(id, "Note of the week", async (m) => {
      if (!(await this.athletes.touch(m, id))) return false;
      const key = { athleteId: id, monday: mondayOf(monday) };
      if (text.trim() === "") await m.delete(WeekNoteEntity, key);
      else await m.upsert(WeekNoteEntity, { ...key, text: text.trim() }, ["athleteId", "monday"]);
      return true;
    });
  }

  /** @param to null gives the slot back to the planner */
  async swap(id: string, date: string, label: Label, from: string, to: string | null): Promise<boolean> {
    return this.athletes.edit(id, to === null ? "Swap taken back" : "Exercise swapped", async (m) => {
      if (!(await this.athletes.touch(m, id))) return false;
      const key = { athleteId: id, date, label, from };
      if (to === null) await m.delete(SwapEntity, key);
      else await m.upsert(SwapEntity, { ...key, to }, ["athleteId", "date", "label", "from"]);
      return true;
    });
  }
}
