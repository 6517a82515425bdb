/** Tables as entity schemas (no decorators, so that they run everywhere). Facts are kept as the athlete file has them, in JSON columns. */
import { EntitySchema } from "typeorm";

export interface AthleteRow {
  id: string;
  position: number;
  /** Rises with every write; caches are keyed by it. */
  revision: number;
  name: string;
  /** The athlete file without its long lists, whose places in the order of keys are kept. */
  record: string;
}

export interface ListRow {
  id: string;
  athleteId: string;
  /** Order inside the athlete file. */
  seq: number;
  date: string;
  data: string;
}

export interface HeldRow {
  athleteId: string;
  monday: string;
  data: string;
}

export const AthleteEntity = new EntitySchema<AthleteRow>({
  name: "athlete",
  columns: {
    id: { type: "text", primary: true },
    position: { type: "integer" },
    revision: { type: "integer" },
    name: { type: "text" },
    record: { type: "text" },
  },
});

const list = (name: string) =>
  new EntitySchema<ListRow>({
    name,
    columns: {
      id: { type: "text", primary: true },
      athleteId: { type: "text", name: "athlete_id" },
      seq: { type: "integer" },
      date: { type: "text" },
      data: { type: "text" },
    },
    indices: [{ name: `${name}_by_athlete`, columns: ["athleteId", "date"] }],
  });

export const LISTS = ["races", "endurance", "strengthLog", "locked"] as const;
export type ListName = (typeof LISTS)[number];

export const LIST_ENTITIES: Record<ListName, EntitySchema<ListRow>> = {
  races: list("race"),
  endurance: list("endurance_session"),
  strengthLog: list("strength_log"),
  locked: list("locked_session"),
};

export const HeldEntity = new EntitySchema<HeldRow>({
  name: "held_week",
  columns: {
    athleteId: { type: "text", primary: true, name: "athlete_id" },
    monday: { type: "text", primary: true },
    data: { type: "text" },
  },
});

export const ENTITIES = [AthleteEntity, ...Object.values(LIST_ENTITIES), HeldEntity];
