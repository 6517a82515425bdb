/** The coach's exercises: own ones and hidden ones, and the library that the planner chooses from. */
import type { EntityManager } from "typeorm";
import { type Library, SHIPPED_LIBRARY } from "../../core/exercise/library";
import { libraryWith, type OwnExercise } from "../../core/exercise/own";
import { HiddenExerciseEntity, OwnExerciseEntity } from "./entities";

type Write = <T>(work: (m: EntityManager) => Promise<T>) => Promise<T>;

export class Shelf {
  private made: { library: Library; version: number } = { library: SHIPPED_LIBRARY, version: 0 };

  constructor(
    private readonly reader: EntityManager,
    private readonly write: Write,
  ) {}

  /** What the planner chooses from: the shipped exercises, the coach's own, less the hidden ones. */
  get library(): Library {
    return this.made.library;
  }

  /** Rises with every change of the library. */
  get version(): number {
    return this.made.version;
  }

  /** Makes the library from what is stored. */
  async read(): Promise<void> {
    const { own, hidden } = await this.facts();
    this.made = {
      library: libraryWith(own, hidden),
      version: this.made.version + 1,
    };
  }

  /** What makes this library of the shipped one: for the web's worker, which makes it too. */
  async facts(): Promise<{ own: { id: string; exercise: OwnExercise }[]; hidden: string[] }> {
    const own = await this.reader.find(OwnExerciseEntity, { order: { id: "ASC" } });
    const hidden = await this.reader.find(HiddenExerciseEntity);
    return {
      own: own.map((r) => ({ id: r.id, exercise: JSON.parse(r.data) as OwnExercise })),
      hidden: hidden.map((h) => h.id),
    };
  }

  /** The coach's own exercise as it was entered; null where there is none of that id. */
  async own(id: string): Promise<OwnExercise | null> {
    const row = await this.reader.findOneBy(OwnExerciseEntity, { id });
    return row ? (JSON.parse(row.data) as OwnExercise) : null;
  }

  /** @param exercise null takes it away @returns false where there is nothing to take away */
  async putOwn(id: string, exercise: OwnExercise | null): Promise<boolean> {
    const done = await this.write(async (m) => {
      if (exercise === null) return ((await m.delete(OwnExerciseEntity, { id })).affected ?? 0) > 0;
      await m.upsert(OwnExerciseEntity, { id, data: JSON.stringify(exercise) }, ["id"]);
      return true;
    });
    await this.read();
    return done;
  }

  async hide(id: string, hidden: boolean): Promise<void> {
    await this.write(async (m) => {
      if (hidden) await m.upsert(HiddenExerciseEntity, { id }, ["id"]);
      else await m.delete(HiddenExerciseEntity, { id });
    });
    await this.read();
  }
}
