/** The week by hand: what a session would cost at every place it might be moved to, while all the others stay. Pure; fast enough to drag by. */
import type { EnduranceSession, Label } from "../athlete";
import { type IsoDate, timeOf } from "../dates";
import {
  asLocked,
  type Block,
  blockedByOther,
  blockedByTiredLegs,
  blockedHere,
  type Cost,
  costsOf,
  type Option,
  type Placed,
} from "../week";
import { withFix } from "./nearest";
import { type PlanWeek, planWeek } from "./planWeek";
import { settled } from "./settle";
import { type WeekInput, WeekProblem } from "./weekProblem";

/** One place of the week for the session in hand. */
export interface BoardPlace {
  date: IsoDate;
  /** Minutes after midnight. */
  start: number;
  minutes: number;
  place: string;
  /** The must-hold rule that keeps it out; null where it may stand. */
  blocked: Block | null;
  /** The whole week with it there, points. */
  cost: number;
  costs: Cost[];
  /** AU. */
  stress: number;
}

export interface Board {
  label: Label;
  /** The week as it stands, points. */
  cost: number;
  costs: Cost[];
  /** Every quarter of an hour in every window, in order of time. */
  places: BoardPlace[];
  /** Days without a place for it, with the reason. */
  closed: { date: IsoDate; block: Block }[];
}

/**
 * @param placed the week's sessions as they stand, the one in hand too where it has a place
 * @param label the session in hand
 */
export function weighPlaces(input: WeekInput, placed: readonly Placed[], label: Label): Board {
  const problem = new WeekProblem(input);
  const { context } = problem;
  const optionOf = (p: Placed): Option[] => problem.fixed(asLocked(p), false);
  const others = placed.filter((p) => p.label !== label).flatMap(optionOf);
  const now = [...others, ...placed.filter((p) => p.label === label).flatMap(optionOf)];
  const want = problem.wanted.find((w) => w.label === label) ?? { label, days: null, taper: false };
  const places = problem.free(want).map((o): BoardPlace => {
    const other = others.map((x) => blockedByOther(o, x, context)).find((b) => b !== null) ?? null;
    const blocked = blockedHere(o, context) ?? other ?? blockedByTiredLegs([...others, o], context);
    const costs = blocked ? [] : costsOf(settled(problem, [...others, o]).placed, context);
    return {
      date: o.date,
      start: o.start,
      minutes: o.minutes,
      place: o.place,
      blocked,
      cost: costs.reduce((a, c) => a + c.points, 0),
      costs,
      stress: o.stress,
    };
  });
  const costs = costsOf(settled(problem, now).placed, context);
  return {
    label,
    cost: costs.reduce((a, c) => a + c.points, 0),
    costs,
    places,
    closed: input.week.days
      .filter((d) => !places.some((p) => p.date === d.date))
      .map((d) => ({ date: d.date, block: whyClosed(input, d.date, problem, want.days) })),
  };
}

function whyClosed(
  input: WeekInput,
  date: IsoDate,
  { windows, standable }: WeekProblem,
  days: readonly IsoDate[] | null,
): Block {
  if (date < input.from) return { rule: "M1", text: "the day is past" };
  if (!windows.some((w) => w.date === date)) return { rule: "M1", text: "there is no free time slot on that day" };
  const allowed = days === null ? standable.some((w) => w.date === date) : days.includes(date);
  if (!allowed) {
    const day = input.week.days.find((d) => d.date === date);
    return { rule: "M2", text: day?.why[0]?.text ?? "the days around a race are closed to it" };
  }
  return { rule: "M1", text: "no free time slot of that day is long enough, or the place lacks the equipment" };
}

/**
 * The week fitted again with an endurance session on another day or at another hour; only what is locked stays.
 * @param session as it stands in the input's athlete
 */
export function withEnduranceMoved(
  input: WeekInput,
  session: EnduranceSession,
  to: { date: IsoDate; start: number },
): PlanWeek {
  const athlete = withFix(input.athlete, { kind: "endurance", session, date: to.date, start: timeOf(to.start) });
  return planWeek({ ...input, held: [], athlete });
}
