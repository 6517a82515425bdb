/** Races of the seasons before, with how they went: what this season's are compared with. */
import type { Race, RaceResult } from "../core/athlete";
import { addDays, DAYS_IN_52_WEEKS, type IsoDate, yearOf } from "../core/dates";
import type { Profile } from "./profiles";

interface Past {
  /** Whose. */
  who: string;
  /** The race of this season that it is the same as. */
  race: string;
  years: number;
  result: RaceResult;
}

const PAST: readonly Past[] = [
  { who: "Maren", race: "harrow-quay", years: 2, result: { minutes: 82.4, place: 61, felt: 3 } },
  {
    who: "Maren",
    race: "harrow-quay",
    years: 1,
    result: {
      minutes: 79.1,
      place: 44,
      felt: 4,
      splits: { km: 5, minutes: [24.4, 24.5, 24.7, 5.5], halves: [39.4, 39.7] },
    },
  },
  {
    who: "Maren",
    race: "gullfoot",
    years: 1,
    result: { minutes: 402, place: 58, felt: 3, note: "Quads gone from 38 km." },
  },
  { who: "Teodor", race: "col-classic", years: 1, result: { minutes: 271, felt: 3 } },
];

/** @returns none where there are none */
export const pastRacesOf = ({ facts, races }: Profile, today: IsoDate): Race[] =>
  PAST.flatMap(({ who, race, years, result }) => {
    const found = facts.name.startsWith(who) ? races.find((r) => r.id === race) : undefined;
    if (!found) return [];
    const { inDays, ...rest } = found;
    const date = addDays(today, inDays - years * DAYS_IN_52_WEEKS);
    return [{ ...rest, id: `${rest.id}-${yearOf(date)}`, date, result } as Race];
  });
