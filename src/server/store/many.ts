/** Changes made for many athletes in one write, and taken back in one. Each stands in its athlete's own history, too. */
import { randomUUID } from "node:crypto";
import type { EntityManager } from "typeorm";
import type { ManyAnswer, ManyEntry } from "../../api/many";
import type { Athlete } from "../../core/athlete";
import type { AthleteStore, EnduranceChange, Stored } from "./athletes";
import type { Database } from "./database";
import { ManyChangeAthleteEntity, ManyChangeEntity, WeekNoteEntity } from "./entities";
import { EditConflict, remember, stepHistory } from "./journal";

/** A change worked out for one athlete. */
export interface Made {
  next: Athlete;
  /** Endurance sessions that change with it. */
  rows: readonly EnduranceChange[];
  /** The coach's words about a week. */
  note: { monday: string; text: string } | null;
  /** Mondays whose placement goes back to the planner. */
  free: readonly string[];
}

/** Works a change out from the athlete as stored. @returns why not, where it can not be made */
export type Make = (stored: Stored) => Made | { fault: string };

type Named = ManyAnswer["changed"][number];
type Left = ManyAnswer["left"][number];

/** Entries shown, the latest. */
const SHOWN = 20;

const changedBy = (m: EntityManager, batch: string) =>
  m.find(ManyChangeAthleteEntity, { where: { changeId: batch }, order: { athleteId: "ASC" } });

export class ManyStore {
  constructor(
    private readonly db: Database,
    private readonly athletes: AthleteStore,
  ) {}

  /**
   * @param entries whom it is for, each with the state that was seen; whoever has another by now is left out and named. Null is any state
   * @param told in the transaction, what is answered
   */
  async change(
    what: string,
    entries: readonly { id: string; revision: number | null }[],
    make: Make,
    told: (answer: ManyAnswer) => void,
  ): Promise<ManyAnswer> {
    return this.db.write(async (m) => {
      const [changed, left]: [(Named & { seq: number })[], Left[]] = [[], []];
      for (const { id, revision } of entries) {
        const stored = await this.athletes.read(m, id);
        if (!stored) {
          left.push({ id, name: "An athlete", why: "is not in the club any more" });
          continue;
        }
        const { name } = stored.athlete.athlete;
        const made =
          revision === null || stored.revision === revision ? make(stored) : { fault: "was changed since the preview" };
        const seq = "fault" in made ? null : await this.one(m, stored, made, what);
        if (seq === null) left.push({ id, name, why: "fault" in made ? made.fault : "is so already" });
        else changed.push({ id, name, seq });
      }
      const batch = changed.length === 0 ? null : await this.keep(m, what, changed);
      const answer = { batch, what, changed: changed.map(({ id, name }) => ({ id, name })), left };
      told(answer);
      return answer;
    });
  }

  private async one(m: EntityManager, stored: Stored, made: Made, what: string): Promise<number | null> {
    const { id } = stored;
    await this.db.watched(m, async () => {
      await this.athletes.put(m, stored, made.next, made.free, made.rows);
      if (made.note) await m.upsert(WeekNoteEntity, { athleteId: id, ...made.note }, ["athleteId", "monday"]);
    });
    return remember(m, id, what);
  }

  private async keep(m: EntityManager, what: string, changed: readonly { id: string; seq: number }[]): Promise<string> {
    const batch = randomUUID();
    await m.insert(ManyChangeEntity, { id: batch, at: new Date().toISOString(), what, undone: false });
    for (const { id, seq } of changed) await m.insert(ManyChangeAthleteEntity, { changeId: batch, athleteId: id, seq });
    return batch;
  }

  /** Whom a change was made for. */
  async athletesOf(batch: string): Promise<string[]> {
    return (await changedBy(this.db.reader, batch)).map((r) => r.athleteId);
  }

  /**
   * Takes a change back for everybody. Whoever's rows have become something else since keeps them and is named.
   * @returns null where there is no such change, or it was taken back
   */
  async undo(batch: string): Promise<ManyAnswer | null> {
    return this.db.write(async (m) => {
      const entry = await m.findOneBy(ManyChangeEntity, { id: batch, undone: false });
      if (!entry) return null;
      const [changed, left]: [Named[], Left[]] = [[], []];
      for (const { athleteId: id, seq } of await changedBy(m, batch)) {
        const name = (await this.athletes.read(m, id))?.athlete.athlete.name ?? "An athlete";
        if (await this.back(m, id, seq)) changed.push({ id, name });
        else left.push({ id, name, why: "was changed there since, or has been taken back already" });
      }
      await m.update(ManyChangeEntity, { id: batch }, { undone: true });
      return { batch, what: entry.what, changed, left };
    });
  }

  /** All of one athlete's rows or none. */
  private async back(m: EntityManager, id: string, seq: number): Promise<boolean> {
    await m.query("SAVEPOINT one_of_many");
    try {
      const done = (await stepHistory(m, id, "undo", seq)) !== null;
      if (done) await this.athletes.touch(m, id);
      return done;
    } catch (error) {
      if (!(error instanceof EditConflict)) throw error;
      await m.query("ROLLBACK TO one_of_many");
      return false;
    } finally {
      await m.query("RELEASE one_of_many");
    }
  }

  /** The latest first. */
  async list(): Promise<(ManyEntry & { ids: string[] })[]> {
    const rows = await this.db.reader.find(ManyChangeEntity, { order: { at: "DESC" }, take: SHOWN });
    const all = await this.db.reader.find(ManyChangeAthleteEntity, { order: { athleteId: "ASC" } });
    return rows.map(({ id, at, what, undone }) => {
      const ids = all.filter((a) => a.changeId === id).map((a) => a.athleteId);
      return { batch: id, at, what, undone, athletes: ids.length, ids };
    });
  }
}
