/** What a changed session loses, in words. */
import type { ShorterView } from "../../api/views";
import { setsByReps } from "../format";

/** "3 × 8, then 2 × 8"; "3 × 8, then none". */
export const lessText = ({ before, after }: Pick<ShorterView["less"][number], "before" | "after">): string =>
  `${setsByReps(before)}, then ${after ? setsByReps(after) : "none"}`;
