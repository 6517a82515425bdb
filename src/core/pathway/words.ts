import type { PathwayStage } from "../athlete";

/** What a stage is for, in a few words. */
export const STAGE_SAYS: Readonly<Record<PathwayStage, string>> = {
  settle: "holds and the pain-free range",
  move: "slow bodyweight through the range",
  load: "loads, from light to the block's line",
  spring: "hops and jumps, where the sport needs them",
  back: "the ordinary plan, watched for 12 weeks",
};
