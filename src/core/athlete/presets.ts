/** Places that many athletes have, as starting points [house]: what is really there is entered over them. */
import { KG_PER_LB } from "../units";
import type { Place } from "./types";

export const PLACE_PRESETS = ["bare-home", "home-rucksack", "home-weights", "club-gym"] as const;
export type PlacePreset = (typeof PLACE_PRESETS)[number];
/** How plates and bars are marked there. */
export type PlateSystem = "kg" | "lb";

const LB = KG_PER_LB;
const pairs = (masses: readonly number[], unit: number) => masses.map((m) => ({ massKg: m * unit, count: 2 }));

/** Names a coach reads. */
export const PRESET_WORDS: Record<PlacePreset, { name: string; says: string }> = {
  "bare-home": { name: "Bare home", says: "A floor, a wall, stairs, a chair, a towel in the door." },
  "home-rucksack": {
    name: "Home with a rucksack",
    says: "The same, with a rucksack to fill and water bottles.",
  },
  "home-weights": { name: "Home with a few weights", says: "Three pairs of dumbbells, a bell, bands, a step." },
  "club-gym": { name: "Club gym", says: "Bars, plates, rack, dumbbells, bells, boxes, leg press and cable." },
};

/**
 * @param id the new place's id
 * @param system pounds give bars, plates and dumbbells as they are sold in pounds; masses are stored in exact kilograms
 */
export function placeFrom(preset: PlacePreset, id: string, system: PlateSystem = "kg"): Place {
  const bare: Place = {
    id,
    bars: [],
    plates: [],
    dumbbellsKg: [],
    kettlebellsKg: [],
    bands: [],
    boxesCm: [],
    machines: [],
    other: ["step"],
  };
  const lb = system === "lb";
  const unit = lb ? LB : 1;
  const household: Place = { ...bare, other: ["step", "wall", "chair", "towel", "door-anchor"], stairsCm: 18 };
  if (preset === "bare-home") return household;
  if (preset === "home-rucksack")
    return { ...household, rucksack: { emptyKg: 1, maxKg: 16, stepKg: 1.5 }, bottlesKg: [1.5, 1.5] };
  if (preset === "home-weights")
    return {
      ...bare,
      dumbbellsKg: pairs(lb ? [10, 15, 25] : [5, 8, 12], unit),
      kettlebellsKg: [{ massKg: lb ? 25 * LB : 12, count: 1 }],
      bands: ["light", "medium"],
      other: ["step", "sliders"],
    };
  return {
    ...bare,
    bars: lb
      ? [
          { id: "bar-45", kind: "straight", massKg: 45 * LB },
          { id: "bar-35", kind: "straight", massKg: 35 * LB },
          { id: "trap-bar", kind: "trap", massKg: 45 * LB },
        ]
      : [
          { id: "bar-20", kind: "straight", massKg: 20 },
          { id: "bar-15", kind: "straight", massKg: 15 },
          { id: "trap-bar", kind: "trap", massKg: 25 },
        ],
    plates: lb
      ? [
          [45, 3],
          [25, 2],
          [10, 2],
          [5, 2],
          [2.5, 1],
        ].map(([m, n]) => ({ massKg: (m ?? 0) * LB, pairs: n ?? 0 }))
      : [
          [20, 3],
          [15, 1],
          [10, 2],
          [5, 2],
          [2.5, 2],
          [1.25, 1],
        ].map(([m, n]) => ({ massKg: m ?? 0, pairs: n ?? 0 })),
    dumbbellsKg: pairs(lb ? [10, 15, 20, 25, 30, 35, 40, 50] : [4, 6, 8, 10, 12, 14, 16, 18, 20, 22], unit),
    kettlebellsKg: (lb ? [18, 26, 35, 44, 53] : [8, 12, 16, 20, 24]).map((m) => ({ massKg: m * unit, count: 1 })),
    bands: ["light", "medium", "strong"],
    boxesCm: [20, 40, 60],
    machines: [
      { kind: "leg-press", fromKg: 20 * unit, toKg: (lb ? 500 : 240) * unit, stepKg: (lb ? 20 : 10) * unit },
      { kind: "cable", fromKg: 5 * unit, toKg: (lb ? 200 : 90) * unit, stepKg: (lb ? 10 : 5) * unit },
    ],
    other: ["bench", "rack", "step", "sliders", "ball"],
  };
}
