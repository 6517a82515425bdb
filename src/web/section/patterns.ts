/** Bands of an anchor: letter, name, tint and hatch of each group of patterns, always in this order. */
import type { Phase } from "../../core/athlete";
import type { Pattern } from "../../core/exercise";

export const BANDS = ["S", "H", "L", "P", "C", "T", "U", "J", "M"] as const;
export type BandId = (typeof BANDS)[number];

export interface BandStyle {
  name: string;
  done: string;
  plan: string;
  line: string;
  /** Letter colour. */
  text: string;
}

export const BAND_STYLE: Record<BandId, BandStyle> = {
  S: { name: "Squat", done: "#24456B", plan: "#4C698C", line: "#24456B", text: "#FFFFFF" },
  H: { name: "Hinge", done: "#7F97B4", plan: "#9DB0C6", line: "#24456B", text: "#0F2338" },
  L: { name: "Split squat", done: "#A9BACD", plan: "#BFCCDA", line: "#24456B", text: "#17304C" },
  P: { name: "Hip", done: "#C6D1DD", plan: "#D5DDE6", line: "#24456B", text: "#17304C" },
  C: { name: "Calf", done: "#DCE3E9", plan: "#E6EAEE", line: "#24456B", text: "#17304C" },
  T: { name: "Trunk", done: "#F1F1EC", plan: "#F7F6F1", line: "#4A6484", text: "#17304C" },
  U: { name: "Push, pull", done: "#B4C4CE", plan: "#CBD7DE", line: "#2C5568", text: "#17304C" },
  J: { name: "Jump", done: "#8FA7BD", plan: "#B3C4D3", line: "#17304C", text: "#0F2338" },
  M: { name: "Mobility", done: "#EAEFE9", plan: "#F3F6F1", line: "#5B7A76", text: "#17304C" },
};

const OF_PATTERN: Record<Pattern, BandId> = {
  squat: "S",
  hinge: "H",
  "split-squat": "L",
  hip: "P",
  calf: "C",
  trunk: "T",
  push: "U",
  pull: "U",
  jump: "J",
  mobility: "M",
};

export const bandOf = (p: Pattern): BandId => OF_PATTERN[p];

/** Sets by band in drawing order. */
export function bandSets(bands: readonly { pattern: Pattern; sets: number }[]): [BandId, number][] {
  const sums = new Map<BandId, number>();
  for (const b of bands) sums.set(bandOf(b.pattern), (sums.get(bandOf(b.pattern)) ?? 0) + b.sets);
  return BANDS.flatMap((id): [BandId, number][] => {
    const n = sums.get(id);
    return n ? [[id, n]] : [];
  });
}

export const STRATA: Record<Phase, { tint: string; mark: string; name: string }> = {
  base: { tint: "#E6D8C2", mark: "#8A6B3D", name: "Base" },
  build: { tint: "#EED9B3", mark: "#8A6314", name: "Build" },
  race: { tint: "#E5C0B2", mark: "#9A3B25", name: "Race" },
  recovery: { tint: "#CCDBD6", mark: "#3F7375", name: "Recovery" },
};
