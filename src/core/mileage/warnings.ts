/** What the endurance plan is warned of, each with the change that would settle it (rule amount.warning). */
import type { Athlete, EndurancePlan, EnduranceSession, Race } from "../athlete";
import { addDays, dayNumber, type IsoDate, mondayOf, WEEKDAY_NAMES, weekday } from "../dates";
import { byWeek, isKey, medianOf } from "../endurance";
import { numbers, say, type Why } from "../rulebook";
import { lastRaceDay, raceClass, raceDay } from "../season";
import { roundTo } from "../units";
import { withAmounts } from "./amounts";
import type { ForOutline } from "./outline";
import { restartShare, taperShare } from "./races";
import { amountText } from "./unit";
import { type PlannedWeek, sizeOf } from "./week";

const WARN = numbers("amount.warning");
const RISE = numbers("amount.rise");
const { days: STEP } = numbers("amount.taper");

export interface EnduranceWarning extends Why {
  code: "no-taper" | "full-after" | "rise" | "keys" | "far";
  date: IsoDate;
  /** The change that would settle it, in words, and the plan as it would be then. */
  fix: { text: string; plan: EndurancePlan } | null;
}

const warning = (
  code: EnduranceWarning["code"],
  date: IsoDate,
  text: string,
  fix: EnduranceWarning["fix"],
): EnduranceWarning => ({
  code,
  date,
  rule: "amount.warning",
  text,
  fix,
});

/**
 * @param athlete with the plan's sessions among the endurance (see withEndurancePlan)
 * @param weeks of the plan
 * @param today what lies before it is warned of no more
 */
export function enduranceWarnings(
  athlete: ForOutline & Pick<Athlete, "endurance">,
  weeks: readonly PlannedWeek[],
  today: IsoDate,
): EnduranceWarning[] {
  const { endurancePlan: plan } = athlete;
  if (!plan) return [];
  const ahead = weeks.filter((w) => addDays(w.week, 6) >= today);
  const around = new Around(athlete, plan, weeks);
  return [
    ...athlete.races.flatMap((r) => (r.priority === "A" && r.date >= today ? around.race(r) : [])),
    ...tooSteep(plan, weeks, ahead),
    ...keysInRow(athlete.endurance, plan, today),
    ...farOff(athlete.endurance, plan, weeks, today),
  ];
}

/** What is planned in the days around a race, beside the usual week. */
class Around {
  private readonly sizes = new Map<number, number>();

  constructor(
    athlete: Pick<Athlete, "endurance">,
    private readonly plan: EndurancePlan,
    private readonly weeks: readonly PlannedWeek[],
  ) {
    for (const e of athlete.endurance)
      if (e.kind !== "race")
        this.sizes.set(dayNumber(e.date), (this.sizes.get(dayNumber(e.date)) ?? 0) + sizeOf(e, plan.unit));
  }

  private between(from: number, to: number): number {
    let sum = 0;
    for (let d = from; d <= to; d++) sum += this.sizes.get(d) ?? 0;
    return sum;
  }

  /** An ordinary week before the taper: the median of those that neither step back nor race. */
  private usual(before: number): number {
    const list = this.weeks
      .filter((w) => dayNumber(w.week) + 6 < before && w.kind !== "race" && w.kind !== "step-back")
      .slice(-4);
    return medianOf(list.map((w) => w.planned));
  }

  race(race: Race): EnduranceWarning[] {
    const [first, last] = [raceDay(race), lastRaceDay(race)];
    const of = raceClass(race);
    const usual = this.usual(first - 2 * STEP);
    if (usual <= 0) return [];
    const out: EnduranceWarning[] = [];
    const ruled = this.plan.rule && this.plan.rule.from <= race.date ? this.plan.rule : undefined;
    const before = this.between(first - STEP, first - 1);
    const monday = mondayOf(addDays(race.date, -1));
    if (before > WARN.taper * usual) {
      const plan =
        ruled && !ruled.taper
          ? { ...this.plan, rule: { ...ruled, taper: true } }
          : withAmounts(this.plan, new Map([[monday, usual * taperShare(of, 1)]]));
      out.push(
        warning("no-taper", race.date, say("amount.warning", "taper", race.name), { text: "Taper before it", plan }),
      );
    }
    const back = restartShare(of, 1)?.share ?? 1;
    const after = this.between(last + 1, last + STEP);
    if (after > (back + WARN.after) * usual) {
      const next = mondayOf(addDays(race.date, (race.days ?? 1) + 2));
      const plan =
        ruled && !ruled.restart
          ? { ...this.plan, rule: { ...ruled, restart: true } }
          : withAmounts(this.plan, new Map([[next, usual * back]]));
      out.push(
        warning(
          "full-after",
          addDays(race.date, race.days ?? 1),
          say("amount.warning", "after", { race: race.name, pct: Math.round(back * 100) }),
          {
            text: "Come back slowly",
            plan,
          },
        ),
      );
    }
    return out;
  }
}

/** Weeks that rise more than the rule, against the last loading week. */
function tooSteep(
  plan: EndurancePlan,
  weeks: readonly PlannedWeek[],
  ahead: readonly PlannedWeek[],
): EnduranceWarning[] {
  const most = RISE.riseMost;
  const share = 1 + most / 100;
  const out: EnduranceWarning[] = [];
  let last: number | null = null;
  for (const w of weeks) {
    const racing = w.kind === "race" || w.kind === "step-back";
    // Typed weeks may be easier ones, too.
    const easier = last !== null && w.amount < last * RISE.backMost;
    if (racing || easier || w.amount <= 0) continue;
    if (last !== null && w.amount > last * share + 0.05 && ahead.includes(w)) {
      const text = say("amount.warning", "rise", { pct: Math.round((w.amount / last - 1) * 100), most });
      const to = last * (1 + (plan.rule?.risePct ?? RISE.risePct) / 100);
      out.push(
        warning("rise", w.week, text, {
          text: `${amountText(to, plan.unit)} instead`,
          plan: withAmounts(plan, new Map([[w.week, to]])),
        }),
      );
    }
    last = w.amount;
  }
  return out;
}

/** Key sessions of the usual weeks on days in a row. */
function keysInRow(endurance: readonly EnduranceSession[], plan: EndurancePlan, today: IsoDate): EnduranceWarning[] {
  return plan.usualWeeks.flatMap((u, at): EnduranceWarning[] => {
    const keys = u.sessions.filter(isKey);
    const days = new Set(keys.map((s) => s.day));
    return keys.flatMap((s): EnduranceWarning[] => {
      const other = keys.find((k) => k.day === (s.day % 7) + 1);
      const used = endurance.find((e) => e.date >= today && weekday(e.date) === s.day && e.slot?.endsWith(`/${s.id}`));
      if (!other || !used) return [];
      const text = say("amount.warning", "keys", {
        one: `${s.kind} on ${WEEKDAY_NAMES[s.day - 1]}`,
        other: `${other.kind} on ${WEEKDAY_NAMES[other.day - 1]}`,
      });
      const apart = (d: number) => !days.has(d) && !days.has((d % 7) + 1) && !days.has(((d + 5) % 7) + 1);
      const moved = other.kind === "long" ? s : other;
      days.delete(moved.day);
      const free = [1, 2, 3, 4, 5, 6, 7]
        .filter((d) => apart(d))
        .sort((a, b) => Math.abs(a - moved.day) - Math.abs(b - moved.day))[0];
      days.add(moved.day);
      if (free === undefined) return [warning("keys", used.date, text, null)];
      const sessions = u.sessions.map((x) =>
        x === moved ? { ...x, day: free } : x.day === free && !keys.includes(x) ? { ...x, day: moved.day } : x,
      );
      const fixed = { ...plan, usualWeeks: plan.usualWeeks.map((w, i) => (i === at ? { ...w, sessions } : w)) };
      return [warning("keys", used.date, text, { text: `${moved.kind} on ${WEEKDAY_NAMES[free - 1]}`, plan: fixed })];
    });
  });
}

/** Three weeks that all miss the plan to the same side. */
function farOff(
  endurance: readonly EnduranceSession[],
  plan: EndurancePlan,
  weeks: readonly PlannedWeek[],
  today: IsoDate,
): EnduranceWarning[] {
  const monday = mondayOf(today);
  const past = weeks.filter((w) => w.week < monday).slice(-WARN.weeks);
  if (past.length < WARN.weeks || past[0]?.week !== addDays(monday, -7 * WARN.weeks)) return [];
  const by = byWeek(endurance);
  const ratios = past.map((w) => {
    const done = (by.get(w.week) ?? [])
      .filter((e) => e.done === true && e.kind !== "race")
      .reduce((a, e) => a + sizeOf(e, plan.unit), 0);
    return { done, amount: w.amount, ratio: w.amount > 0 ? done / w.amount : 1 };
  });
  if (ratios.every((r) => r.done === 0)) return [];
  const far = ratios.every((r) => r.ratio < 1 - WARN.far) || ratios.every((r) => r.ratio > 1 + WARN.far);
  if (!far) return [];
  const mean = (pick: (r: (typeof ratios)[number]) => number) =>
    ratios.reduce((a, r) => a + pick(r), 0) / ratios.length;
  const done = mean((r) => r.done);
  const text = say("amount.warning", "far", {
    done: amountText(done, plan.unit),
    planned: amountText(
      mean((r) => r.amount),
      plan.unit,
    ),
    weeks: WARN.weeks,
  });
  const next = plan.rule
    ? {
        ...plan,
        rule: { ...plan.rule, from: monday, start: roundTo(done, 0), top: Math.max(plan.rule.top, roundTo(done, 0)) },
        weeks: plan.weeks.filter((w) => w.week < monday),
      }
    : withAmounts(plan, new Map([[monday, done]]));
  return [warning("far", monday, text, { text: `Go on from ${amountText(done, plan.unit)} a week`, plan: next })];
}
