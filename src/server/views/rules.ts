/** Where each rule spoke in a planned season. */
import type { SpokenView } from "../../api/views";
import { type RuleId, ruleIdOf } from "../../core/rulebook";
import type { Planned } from "../planner";

/** @returns how often each rule spoke, and its first sentences, by rule */
export function spokenIn(p: Planned): Partial<Record<RuleId, SpokenView>> {
  const out: Partial<Record<RuleId, SpokenView>> = {};
  const say = (rule: string, text: string, week: string): void => {
    const id = ruleIdOf(rule);
    if (!id) return;
    const known = out[id] ?? { times: 0, first: [] };
    known.times += 1;
    if (known.first.length < FIRST && !known.first.some((f) => f.text === text)) known.first.push({ text, week });
    out[id] = known;
  };
  for (const w of p.plan.weeks) {
    const { start } = w.season;
    for (const r of [...w.why, w.loadLimitWhy]) say(r.rule, r.text, start);
    for (const c of w.fit.costs) say(c.rule, c.text, start);
    for (const s of w.sessions)
      for (const r of [...s.why, ...s.items.flatMap((i) => i.why)]) say(r.rule, r.text, start);
  }
  return out;
}

/** Sentences kept of each. */
const FIRST = 3;
