/** What of the findings' work can be done today. */
import { type ChoiceContext, type Closed, closedBecause } from "../exercise";
import { onceFor } from "../once";
import type { AddedWork, Finding } from "../screening";
import type { Dropped } from "./types";

export interface OpenWork {
  findings: readonly Finding[];
  dropped: readonly Dropped[];
}

/** Reasons for which nothing else takes the place of what a finding asks for. */
const SAFETY: readonly Closed["kind"][] = ["trouble", "pain", "clearance"];

/**
 * The findings with the work that is open. What a way back or pain has closed is told and waits: nothing that nobody asked for stands under
 * a finding's name. The work of a way back itself is never another than its own.
 */
export const openWork = onceFor((c: ChoiceContext): OpenWork => {
  const dropped: Dropped[] = [];
  const open = (f: Finding, add: AddedWork): AddedWork[] => {
    const known = add.exercises.flatMap((id) => c.library.byId(id) ?? []);
    const looked = known.map((e) => ({ id: e.id, closed: closedBecause(e, c) }));
    const free = looked.filter((x) => x.closed === null).map((x) => x.id);
    const own = f.rule === "pathway.stage";
    if (free.length > 0) return [own ? { ...add, exercises: free } : add];
    const shut = looked.find((x) => x.closed && SAFETY.includes(x.closed.kind)) ?? (own ? looked[0] : undefined);
    if (!shut?.closed) return [add];
    dropped.push({ exercise: shut.id, why: shut.closed.text });
    return [];
  };
  const findings = c.findings.map((f) => {
    const adds = f.adds.flatMap((a) => open(f, a));
    return adds.length === f.adds.length && f.rule !== "pathway.stage" ? f : { ...f, adds };
  });
  return { findings, dropped };
});
