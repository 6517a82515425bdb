/**
 * The week fit stated a second time, from the words of the rules and not from the planner's code, as a mixed-integer
 * program for a general solver (HiGHS). Only the points of each rule are taken from the planner, since they are settings.
 */
import highsLoader from "highs";
import type { EnduranceSession } from "../../src/core/athlete/types";
import { dayNumber } from "../../src/core/dates";
import { type CostRule, DEFAULT_WEIGHTS } from "../../src/core/week/numbers";
import type { Demand, ExistingSession, Option, WeekContext } from "../../src/core/week/types";
import { LEFT_OUT, LEFT_OUT_PRICE } from "../support/weekfit";

const H = 60;
const minuteOf = (o: { day: number; start: number }) => o.day * 24 * H + o.start;
const clock = (t: string | undefined) => {
  const [h, m] = (t ?? "07:00").split(":").map(Number);
  return h! * H + m!;
};
const begins = (e: EnduranceSession) => dayNumber(e.date) * 24 * H + clock(e.start);
const ends = (e: EnduranceSession) => begins(e) + e.minutes;
const hard = (e: EnduranceSession) => e.key ?? ["tempo", "threshold", "intervals", "race", "long"].includes(e.kind);
const onLegs = (e: EnduranceSession) =>
  e.sport !== "swim" && (hard(e) || (["run", "hike", "triathlon"].includes(e.sport) && e.minutes > 60));

/** Whether must-hold rules keep an option out by itself. */
function forbidden(o: Option, c: WeekContext): boolean {
  const from = minuteOf(o);
  const to = from + o.minutes;
  for (const e of c.endurance) {
    if (begins(e) < to && ends(e) > from) return true; // M4: no overlap
    const between = Math.max(begins(e) - to, from - ends(e));
    if (o.lowerLoaded && onLegs(e) && between < 3 * H) return true; // M4: 3 h
    if (o.jumps && hard(e) && from >= ends(e) && from - ends(e) < 24 * H) return true; // M7
  }
  if (o.jumps && carried(c, from) > tiredAt(c)) return true; // M7
  return c.existing.some((s) => apart(o, s));
}

/** M3, and one strength session a day. */
const apart = (a: ExistingSession, b: ExistingSession): boolean =>
  a.day === b.day || (a.lowerLoaded && b.lowerLoaded && Math.abs(minuteOf(a) - minuteOf(b)) < 24 * H);

const decayed = (parts: Option["legs"], hours: number): number =>
  hours < 0 ? 0 : parts.reduce((a, p) => a + p.load * 0.5 ** (hours / p.halfLife), 0);
/** Fatigue that is there whatever is placed. */
const carried = (c: WeekContext, minute: number): number =>
  c.legs.legEvents.reduce((a, b) => a + decayed(b.parts, (minute - b.end) / H), 0);
const adds = (o: Option, minute: number): number => decayed(o.legs, (minute - minuteOf(o) - o.minutes) / H);
/** 100 exp(-0.5 sum / mean) = 55 */
const tiredAt = (c: WeekContext): number => -2 * Math.log(0.55) * Math.max(20, c.legs.meanDaily);

/** Loaded leg work of 150 AU or more makes a hard day of it. */
const hardDay = (s: ExistingSession): boolean => s.lowerLoaded && s.stress >= 150;

const weigh = (c: WeekContext, rule: CostRule, severity: number): number =>
  Math.round((c.weights[rule] ?? DEFAULT_WEIGHTS[rule]) * Math.max(0, Math.min(1, severity)));

function alone(o: Option, c: WeekContext): number {
  // Work beside the leads, and jumps, come on top of all the lead work.
  let points = Math.round((c.weights["work.lost"] ?? DEFAULT_WEIGHTS["work.lost"]) * Math.max(0, o.lostShare));
  const weekday = o.day - c.monday + 1;
  if (o.mobility) return points;
  for (const e of c.endurance) {
    const ahead = begins(e) - minuteOf(o);
    const heavyHours = e.kind === "long" ? 36 : hard(e) ? 24 : 0;
    if (o.heavy && ahead > 0 && ahead < heavyHours * H) points += weigh(c, "S2", 1);
    if (dayNumber(e.date) !== o.day) continue;
    if (hard(e) && ahead > 0) points += weigh(c, "S3", 1);
    if (Math.abs(ahead) < 6 * H) points += weigh(c, "S4", 1 - Math.abs(ahead) / (6 * H));
    if (!onLegs(e) && Math.abs(ahead) < 3 * H) points += weigh(c, "S14", 1 - Math.abs(ahead) / (3 * H));
  }
  if (hardDay(o) && c.hasKey && c.keyDays.has(o.day) === (c.placement === "spread")) points += weigh(c, "S5", 1);
  if (c.preferredDays.size > 0 && !c.preferredDays.has(weekday)) points += weigh(c, "S7", 1);
  const last = c.lastDays.get(o.label);
  if (last && last !== weekday) points += weigh(c, "S8", 1);
  if (c.dailyMinutes !== null) {
    const day = o.minutes + c.endurance.filter((e) => dayNumber(e.date) === o.day).reduce((a, e) => a + e.minutes, 0);
    points += weigh(c, "S10", (day - c.dailyMinutes) / 30);
  }
  for (const s of c.existing) points += bothHeavy(o, s, c);
  return points;
}

function bothHeavy(a: ExistingSession, b: ExistingSession, c: WeekContext): number {
  const gap = Math.abs(minuteOf(a) - minuteOf(b)) / H;
  return a.heavy && b.heavy && gap < 48 ? weigh(c, "S1", 0.5 + (0.5 * (48 - gap)) / 24) : 0;
}

/** S9 for two days of the week. */
function spacing(a: number, b: number, c: WeekContext): number {
  const around = Math.min(Math.abs(a - b), 7 - Math.abs(a - b));
  const even = Math.floor(7 / Math.max(2, c.perWeek));
  return around >= even ? 0 : weigh(c, "S9", (even - around) / even);
}

const solver = highsLoader();

/** @returns the least cost, with what is left out, as the solver finds it */
export async function byHighs(demands: readonly Demand[], c: WeekContext): Promise<number> {
  const highs = await solver;
  const objective: string[] = [];
  const rows: string[] = [];
  const binary: string[] = [];
  const say = (terms: readonly (readonly [number, string])[]) => terms.map(([k, x]) => `${k} ${x}`).join(" + ");
  const yes = (name: string, points: number) => {
    binary.push(name);
    objective.push(`${points} ${name}`);
    return name;
  };
  const lists = demands.map((d, i) =>
    d.options.flatMap((o, k) => (forbidden(o, c) ? [] : [{ o, x: yes(`x${i}_${k}`, alone(o, c)) }])),
  );
  lists.forEach((list, i) => {
    const out = yes(`out${i}`, LEFT_OUT * LEFT_OUT_PRICE[demands[i]!.label]);
    rows.push(`${[...list.map((l) => l.x), out].join(" + ")} = 1`);
  });
  const all = lists.flat();
  lists.forEach((from, i) => {
    for (const a of from)
      for (const b of lists.slice(i + 1).flat()) {
        if (apart(a.o, b.o)) rows.push(`${a.x} + ${b.x} <= 1`);
        else {
          const points = bothHeavy(a.o, b.o, c);
          if (points > 0) rows.push(`${a.x} + ${b.x} - ${yes(`p${a.x}${b.x}`, points)} <= 1`);
        }
      }
  });
  const week = [0, 1, 2, 3, 4, 5, 6].map((d) => c.monday + d);
  // S9: two sessions on two days.
  lists.forEach((from, i) => {
    lists.slice(i + 1).forEach((to, j) => {
      for (const d of week)
        for (const e of week) {
          const points = spacing(d, e, c);
          const both = [...from.filter((l) => l.o.day === d), ...to.filter((l) => l.o.day === e)];
          const there = both.filter(({ o }) => !o.mobility).map((l) => l.x);
          if (points > 0 && there.length > 1)
            rows.push(`${there.join(" + ")} - ${yes(`s9_${i}_${i + 1 + j}_${d}_${e}`, points)} <= 1`);
        }
    });
  });
  // S6: y is forced up once strength stands on every day without a key session.
  const free = week.filter((d) => !c.keyDays.has(d));
  const onFree = all.filter(({ o }) => !o.mobility && free.includes(o.day));
  if (free.length > 0 && onFree.length > 0)
    rows.push(`${onFree.map((l) => l.x).join(" + ")} - ${yes("s6", weigh(c, "S6", 1))} <= ${free.length - 1}`);
  // S11: the same for each three days in a row, counted where strength has a part in them.
  const always = (d: number) => c.keyDays.has(d) || c.existing.some((s) => hardDay(s) && s.day === d);
  for (let first = c.monday - 2; first <= c.monday + 5; first++) {
    const open = [first, first + 1, first + 2].filter((d) => !always(d));
    const on = all.filter(({ o }) => hardDay(o) && open.includes(o.day));
    if (open.length === 0 || on.length === 0 || open.some((d) => d < c.monday || d > c.monday + 6)) continue;
    const y = yes(`s11_${first - c.monday + 2}`, weigh(c, "S11", 1));
    rows.push(`${on.map((l) => l.x).join(" + ")} - ${y} <= ${open.length - 1}`);
  }
  // S12: y is forced up once what the sessions leave in the legs is more than there is room for.
  c.endurance.forEach((e, i) => {
    const day = dayNumber(e.date) - c.monday;
    const room = tiredAt(c) - carried(c, begins(e));
    if (!hard(e) || day < 0 || day > 7 || room < 0) return;
    const terms = all.map(({ o, x }) => [adds(o, begins(e)), x] as const).filter(([k]) => k > 1e-6);
    if (terms.length > 0) rows.push(`${say(terms)} - 5000 ${yes(`s12_${i}`, weigh(c, "S12", 1))} <= ${room}`);
  });
  // M7 beside the other sessions: the same, as a wall.
  for (const j of all.filter(({ o }) => o.jumps)) {
    const room = tiredAt(c) - carried(c, minuteOf(j.o));
    const terms = all.map(({ o, x }) => [adds(o, minuteOf(j.o)), x] as const).filter(([k]) => k > 1e-6);
    if (terms.length > 0) rows.push(`${say(terms)} + 5000 ${j.x} <= ${room + 5000}`);
  }
  const model = `Minimize\n obj: ${objective.join(" + ")}\nSubject To\n ${rows.map((r, i) => `r${i}: ${r}`).join("\n ")}\nBinary\n ${binary.join("\n ")}\nEnd`;
  // Exactly the least: by default the solver is content with a ten-thousandth of what is left out.
  const solved = highs.solve(model, { mip_rel_gap: 0, mip_abs_gap: 0.1 });
  if (solved.Status !== "Optimal") throw new Error(solved.Status);
  return Math.round(solved.ObjectiveValue) + 0;
}

/** Whether a placement breaks a rule that must hold. */
export const breaksMust = (placed: readonly Option[], c: WeekContext): boolean =>
  placed.some(
    (o, i) =>
      forbidden(o, c) ||
      placed.slice(i + 1).some((b) => apart(o, b)) ||
      (o.jumps && carried(c, minuteOf(o)) + placed.reduce((a, b) => a + adds(b, minuteOf(o)), 0) > tiredAt(c)),
  );
