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

/** Colours are the theme's. */
const style = (id: BandId, name: string): BandStyle => {
  const of = (part: string) => `var(--band-${id.toLowerCase()}-${part})`;
  return { name, done: of("done"), plan: of("plan"), line: of("line"), text: of("text") };
};

export const BAND_STYLE: Record<BandId, BandStyle> = {
  S: style("S", "Squat"),
  H: style("H", "Hinge"),
  L: style("L", "Split squat"),
  P: style("P", "Hip"),
  C: style("C", "Calf"),
  T: style("T", "Trunk"),
  U: style("U", "Push, pull"),
  J: style("J", "Jump"),
  M: style("M", "Mobility"),
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

const stratum = (phase: Phase, name: string) => ({
  tint: `var(--color-${phase})`,
  mark: `var(--color-${phase}-mark)`,
  name,
});

export const STRATA: Record<Phase, { tint: string; mark: string; name: string }> = {
  base: stratum("base", "Base"),
  build: stratum("build", "Build"),
  race: stratum("race", "Race"),
  recovery: stratum("recovery", "Recovery"),
};
