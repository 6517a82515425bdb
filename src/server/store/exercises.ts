/** The coach's exercises: own ones and hidden ones, and the library that the planner chooses from. */
import { createHash } from "node:crypto";
import { type Library, libraryWith, type OwnExercise, SHIPPED_LIBRARY } from "../../core/exercise";
import type { Database } from "./database";
import { HiddenExerciseEntity, OwnExerciseEntity } from "./entities";

export class ExerciseStore {
  private made: { library: Library; fingerprint: string } = { library: SHIPPED_LIBRARY, fingerprint: "" };

  constructor(private readonly db: Database) {}

  /** What the planner chooses from: the shipped exercises, the coach's own, less the hidden ones. */
  get library(): Library {
    return this.made.library;
  }

  /** Differs once anything of the library does. */
  get fingerprint(): string {
    return this.made.fingerprint;
  }

  /** Makes the library from what is stored. */
  async read(): Promise<void> {
    const facts = await this.facts();
    const fingerprint = createHash("sha256").update(JSON.stringify(facts)).digest("hex").slice(0, 16);
    if (fingerprint !== this.made.fingerprint)
      this.made = { library: libraryWith(facts.own, facts.hidden), fingerprint };
  }

  /** What makes this library of the shipped one: for the web's worker, which makes it too. */
  async facts(): Promise<{ own: { id: string; exercise: OwnExercise }[]; hidden: string[] }> {
    const own = await this.db.reader.find(OwnExerciseEntity, { order: { id: "ASC" } });
    const hidden = await this.db.reader.find(HiddenExerciseEntity, { order: { id: "ASC" } });
    return {
      own: own.map((r) => ({ id: r.id, exercise: JSON.parse(r.data) as OwnExercise })),
      hidden: hidden.map((h) => h.id),
    };
  }

  /** The coach's own exercise as it was entered; null where there is none of that id. */
  async own(id: string): Promise<OwnExercise | null> {
    const row = await this.db.reader.findOneBy(OwnExerciseEntity, { id });
    return row ? (JSON.parse(row.data) as OwnExercise) : null;
  }

  /** @param exercise null takes it away @returns false where there is nothing to take away */
  async putOwn(id: string, exercise: OwnExercise | null): Promise<boolean> {
    const done = await this.db.write(async (m) => {
      if (exercise === null) return ((await m.delete(OwnExerciseEntity, { id })).affected ?? 0) > 0;
      await m.upsert(OwnExerciseEntity, { id, data: JSON.stringify(exercise) }, ["id"]);
      return true;
    });
    await this.read();
    return done;
  }

  async hide(id: string, hidden: boolean): Promise<void> {
    await this.db.write(async (m) => {
      if (hidden) await m.upsert(HiddenExerciseEntity, { id }, ["id"]);
      else await m.delete(HiddenExerciseEntity, { id });
    });
    await this.read();
  }
}
