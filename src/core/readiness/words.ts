/** A check-in as one sentence. */
import { AREA_WORDS, type CheckIn } from "../athlete";

export function saidText(c: CheckIn): string {
  const parts = [
    ...(c.ill ? ["ill"] : []),
    ...(c.sleepH === undefined ? [] : [`slept ${c.sleepH} h`]),
    ...(c.soreness === undefined ? [] : [`legs sore ${c.soreness} of 10`]),
    ...(c.feeling === undefined ? [] : [`feels ${c.feeling} of 5`]),
    ...(c.pain ?? []).map((p) => `pain ${p.level} of 10 at the ${AREA_WORDS[p.area]}, ${p.side}`),
  ];
  const then = c.taken === true ? "changed for it" : c.taken === false ? "left as planned" : "";
  return `${parts.join(", ")}${then ? `; ${then}` : ""}`;
}
