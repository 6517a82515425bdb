/** A hiker's carries and step-ups take the pack that is hiked with (rule pack.load). */
import { addDays, type IsoDate, mondayOf } from "../dates";
import { numbers, type Why, why } from "../rulebook";
import type { LoadAnswer } from "../session";
import { roundTo } from "../units";
import { answer, type Basis } from "./basis";

const WITH_PACK: ReadonlySet<string> = new Set(["loaded-carry", "suitcase-carry", "step-up"]);

/** @returns kg that the pack weighs, and whether the last hikes keep it lower than planned */
export function packFor(planned: number, hiked: number): { kg: number; held: boolean } {
  const most = hiked + numbers("pack.load").more;
  return planned > most ? { kg: most, held: true } : { kg: planned, held: false };
}

/** The load of work that is done with the pack; null where none is hiked with, or the place has none. */
export function fromPack(b: Basis): LoadAnswer | null {
  const { q, c } = b;
  if (!q.place.rucksack || !WITH_PACK.has(q.exercise.id) || q.capPercent !== null) return null;
  const heaviest = (from: IsoDate, to: IsoDate) =>
    Math.max(0, ...c.athlete.endurance.filter((e) => e.date >= from && e.date <= to).map((e) => e.packKg ?? 0));
  const monday = mondayOf(c.on);
  const planned = heaviest(monday, addDays(monday, 6));
  if (planned === 0) return null;
  const { days, more } = numbers("pack.load");
  const hiked = heaviest(addDays(c.on, -days), addDays(c.on, -1));
  const { kg, held } = packFor(planned, hiked);
  const because: Why = held
    ? why("pack.load", "most", { kg: roundTo(kg, 1), hiked: roundTo(hiked, 1), more })
    : why("pack.load", "planned", { kg: roundTo(kg, 1) });
  // A pair is reckoned by what is in each hand; the pack is both.
  return answer(b, q.loading === "pair" ? kg / 2 : kg, [because]);
}
