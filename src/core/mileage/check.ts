/** What an endurance plan may not be: each fault with its place and what was expected. */
import type { AmountRule, EndurancePlan, UsualWeekPlan } from "../athlete";
import { mondayOf } from "../dates";
import { numbers } from "../rulebook";
import { roundTo, TOLERANCE } from "../units";

const { shares: OFF } = numbers("amount.sessions");
const { riseMost, backLeast, backMost } = numbers("amount.rise");

export interface PlanFault {
  /** Inside the plan, such as "usualWeeks[0].sessions". */
  path: string;
  expected: string;
}

/** @returns nothing where the plan may stand */
export function planFaults(plan: EndurancePlan): PlanFault[] {
  const faults: PlanFault[] = [];
  const phases = new Set<string>();
  plan.usualWeeks.forEach((u, i) => {
    const name = u.phase ?? "all phases";
    if (phases.has(name))
      faults.push({ path: `usualWeeks[${i}].phase`, expected: `one usual week for ${name} expected, found a second` });
    phases.add(name);
    faults.push(...weekFaults(u, `usualWeeks[${i}]`));
  });
  const seen = new Set<string>();
  plan.weeks.forEach(({ week }, i) => {
    if (mondayOf(week) !== week)
      faults.push({ path: `weeks[${i}].week`, expected: `a Monday expected, found ${week}` });
    if (seen.has(week))
      faults.push({ path: `weeks[${i}].week`, expected: `one amount for ${week} expected, found a second` });
    seen.add(week);
  });
  return [...faults, ...(plan.rule ? ruleFaults(plan.rule) : [])];
}

function weekFaults({ sessions }: UsualWeekPlan, at: string): PlanFault[] {
  const faults: PlanFault[] = [];
  const ids = new Set<string>();
  sessions.forEach((s, k) => {
    const path = `${at}.sessions[${k}]`;
    if (ids.has(s.id))
      faults.push({ path: `${path}.id`, expected: `an id of its own expected, found "${s.id}" twice` });
    ids.add(s.id);
    if (s.share === undefined && s.minutes === undefined)
      faults.push({ path, expected: "a share of the week or minutes expected" });
  });
  const shares = sessions.flatMap((s) => (s.share === undefined ? [] : [s.share]));
  const sum = shares.reduce((a, b) => a + b, 0);
  if (shares.length > 0 && Math.abs(sum - 1) > OFF + TOLERANCE)
    faults.push({
      path: `${at}.sessions`,
      expected: `shares that make 1 within ${OFF} expected, found ${roundTo(sum, 3)}`,
    });
  return faults;
}

function ruleFaults({ from, start, top, risePct, stepBackEvery, stepBackTo }: AmountRule): PlanFault[] {
  const faults: PlanFault[] = [];
  const add = (field: string, expected: string) => faults.push({ path: `rule.${field}`, expected });
  if (mondayOf(from) !== from) add("from", `a Monday expected, found ${from}`);
  if (top < start) add("top", `at least the start (${start}) expected, found ${top}`);
  if (risePct < 0 || risePct > riseMost) add("risePct", `0 to ${riseMost}% a loading week expected, found ${risePct}`);
  if (![0, 3, 4].includes(stepBackEvery)) add("stepBackEvery", `0, 3 or 4 expected, found ${stepBackEvery}`);
  if (stepBackTo < backLeast - TOLERANCE || stepBackTo > backMost + TOLERANCE)
    add("stepBackTo", `${backLeast} to ${backMost} of the last loading week expected, found ${stepBackTo}`);
  return faults;
}
