/** What every plan keeps of its ledger (rules ledger.owed, ledger.fill, work.lost; our assumptions). */
import { describe, expect, it } from "vitest";
import { approachFor } from "../../src/core/approach/pick";
import { safetyGate } from "../../src/core/athlete/gate";
import type { Athlete } from "../../src/core/athlete/types";
import { windowsOfWeek } from "../../src/core/athlete/windows";
import { minutesOf } from "../../src/core/dates";
import { LEDGER_PATTERNS, type LedgerPattern } from "../../src/core/ledger";
import type { PlanWeek } from "../../src/core/plan";
import { lifters, people, type Season, seasons } from "./corpus";

const corpus = (): readonly Season[] => [...seasons(), ...lifters(), ...people()];

const slotOf = (a: Athlete, w: PlanWeek, s: PlanWeek["sessions"][number]) =>
  windowsOfWeek(a, w.season.start).find(
    (x) => x.date === s.date && x.place === s.place && s.start >= x.start && s.start < x.start + x.minutes,
  );

/** Minutes from a session's start to the end of its slot, or to the endurance that begins inside it; none where it follows a run. */
function roomOf(a: Athlete, w: PlanWeek, s: PlanWeek["sessions"][number]): number {
  const slot = slotOf(a, w, s);
  if (!slot) return 0;
  const next = a.endurance
    .filter((e) => e.date === s.date && e.start !== undefined)
    .map((e) => minutesOf(e.start ?? ""))
    .filter((at) => at >= s.start);
  return Math.min(slot.start + slot.minutes, ...next) - s.start;
}

/**
 * Minutes of the slots that the week's whole sessions stand in: those that endurance or a race keeps shut are no use to it, and a short
 * session holds a set of what it can.
 */
const freeMinutes = (a: Athlete, w: PlanWeek): number =>
  w.sessions.map((s) => roomOf(a, w, s)).reduce((sum, minutes) => sum + (minutes > 35 ? minutes : 0), 0);

/** The week lets the session hold no more: by its training load, or by the sets that a hold keeps. */
const capped = (s: PlanWeek["sessions"][number]): boolean =>
  s.dropped.some((d) => d.why.includes("over what this week takes") || d.why.includes("in a week of fewer sets"));

/** Nothing cuts the week, and its sessions come from the ledger. */
const isOrdinary = (a: Athlete, w: PlanWeek): boolean =>
  w.season.setFactor >= 1 &&
  !w.season.mileage.holdOnly &&
  w.season.days.length === 7 &&
  w.season.days.every((d) => d.loading === "full") &&
  a.away.every((x) => x.end < w.season.start || x.start > (w.season.days.at(-1)?.date ?? "")) &&
  approachFor(a, w.season.phase).build !== "routines" &&
  a.settings?.shortTime === undefined &&
  w.fit.unplaced.length === 0 &&
  !w.sessions.some(capped) &&
  // Between the races of a weekly series a session takes 25 minutes, wherever it stands.
  w.season.wanted.every((x) => x.minutes === undefined) &&
  w.sessions.length > 0 &&
  freeMinutes(a, w) >= 60;

const sets = (w: PlanWeek, p: LedgerPattern): number =>
  w.sessions.flatMap((s) => s.items).reduce((n, i) => n + (i.exercise.pattern === p ? i.sets : 0), 0);

/** The plan says that nothing of the pattern is open there, or halves what is new. */
const said = (w: PlanWeek, p: LedgerPattern): boolean =>
  w.sessions.some((s) => s.dropped.some((d) => d.exercise === p));
const halved = (w: PlanWeek, p: LedgerPattern): boolean =>
  w.sessions
    .flatMap((s) => s.items)
    .some((i) => i.exercise.pattern === p && i.why.some((x) => x.rule === "first.time"));

function owedBy(a: Athlete, w: PlanWeek): LedgerPattern[] {
  const { sport } = a.athlete;
  const onFoot = sport === "run" || sport === "triathlon" || sport === "hike";
  if (w.season.emphasis !== "hold") return LEDGER_PATTERNS.filter((p) => p !== "calf" || onFoot);
  return LEDGER_PATTERNS.filter(
    (p) => (p !== "calf" || onFoot) && p !== "push" && (p !== "pull" || sport === "row" || sport === "triathlon"),
  );
}

describe("the ledger of a week", () => {
  it("leaves no pattern out over two ordinary weeks running", () => {
    let looked = 0;
    const missing: string[] = [];
    for (const { athlete: a, plan: p } of corpus())
      p.weeks.forEach((w, i) => {
        const before = p.weeks[i - 1];
        if (!before || !isOrdinary(a, w) || !isOrdinary(a, before)) return;
        // A week with a session that holds keeps what a hold keeps.
        const least = [w, before].some(
          (x) => x.season.emphasis === "hold" || x.sessions.some((s) => s.emphasis === "hold"),
        )
          ? 1
          : 2;
        for (const pattern of owedBy(a, w)) {
          if (!owedBy(a, before).includes(pattern)) continue;
          looked++;
          const n = sets(w, pattern) + sets(before, pattern);
          if (
            n < least &&
            !said(w, pattern) &&
            !said(before, pattern) &&
            !(n > 0 && (halved(w, pattern) || halved(before, pattern)))
          )
            missing.push(
              `${a.athlete.sport} ${a.settings?.approach} ${w.season.start} ${w.season.emphasis} ${pattern}: ${n}`,
            );
        }
      });
    expect(looked).toBeGreaterThan(1000);
    expect(missing).toEqual([]);
  });
  it("uses 85% of a short slot's minutes while an exercise's worth is owed and nothing caps the session", () => {
    let looked = 0;
    const idle: string[] = [];
    for (const { athlete: a, plan: p } of corpus())
      for (const w of p.weeks) {
        if (w.season.setFactor < 1 || a.settings?.shortTime !== undefined) continue;
        const owed = w.ledger.lines.filter((l) => l.owed - w.ledger.planned[l.pattern] >= 1.5).map((l) => l.pattern);
        for (const s of w.sessions) {
          const left = roomOf(a, w, s);
          if (
            s.loading !== "full" ||
            // A hold keeps a share of the build's sets, whatever the minutes.
            s.emphasis === "hold" ||
            // A whole session that begins late in a long slot is none of these.
            (slotOf(a, w, s)?.minutes ?? 0) > 35 ||
            left < 20 ||
            w.season.wanted.some((x) => x.minutes !== undefined)
          )
            continue;
          // A pattern that stands in the session already, or that is closed there, cannot fill it.
          const open = owed.filter(
            (x) => !s.items.some((i) => i.exercise.pattern === x) && !s.dropped.some((d) => d.exercise === x),
          );
          if (open.length === 0 || capped(s)) continue;
          looked++;
          // Less than five minutes hold no exercise more: change-over, a set of both sides, rest. Where all stand in pairs it may take a partner away,
          // whose rests nobody uses then: 6.2 min were seen by the plan's own clock, and nothing outside of it confirms them.
          const paired = s.items.filter((i) => !i.slot.primer && i.exercise.pattern !== "mobility").length % 2 === 0;
          if (s.minutes < 0.85 * left && left - s.minutes >= (paired ? 7 : 5))
            idle.push(
              `${a.athlete.sport} ${a.settings?.approach} ${s.date} ${s.place} ${s.minutes} of ${left}: ${open} ${s.items.map((i) => `${i.exercise.id} ${i.sets}`)} ${s.dropped.map((d) => d.exercise + d.why)}`,
            );
        }
      }
    expect(looked).toBeGreaterThan(50);
    expect(idle).toEqual([]);
  });
  it("owes more than a week's sets to the trained alone, in weeks that build, and to all of them whose slots leave more than 20 min", () => {
    let [more, usual] = [0, 0];
    const wrong: string[] = [];
    for (const { athlete: a, plan: p } of corpus())
      for (const w of p.weeks) {
        const trained = safetyGate(a, w.season.start).training === "trained";
        const builds = ["prepare", "develop", "maximal"].includes(w.season.emphasis);
        const says = w.why.some((x) => x.rule === "ledger.fill");
        const left = Math.max(0, ...w.sessions.map((s) => roomOf(a, w, s) - s.minutes));
        if (says) {
          more++;
          if (!trained || !builds || w.season.setFactor < 1) wrong.push(`${w.season.start}: ${w.season.emphasis}`);
        } else if (trained && builds && isOrdinary(a, w)) {
          usual++;
          if (left > 20) wrong.push(`${a.athlete.sport} ${w.season.start}: ${left} min left`);
        }
      }
    expect([more > 50, usual > 50]).toEqual([true, true]);
    expect(wrong).toEqual([]);
  });
  it("adds up: what is owed is a week's sets and what was carried; what is planned is what the sessions hold", () => {
    for (const { plan: p } of corpus())
      for (const w of p.weeks)
        for (const l of w.ledger.lines) {
          expect(l.owed).toBeGreaterThanOrEqual(0);
          expect(Math.abs(l.carry)).toBeLessThanOrEqual(weeklyBefore(p.weeks, w, l.pattern) + 1e-9);
          const primers = w.sessions
            .flatMap((s) => s.items)
            .filter((i) => i.slot.primer && i.exercise.pattern === l.pattern);
          expect(w.ledger.planned[l.pattern]).toBe(sets(w, l.pattern) - primers.reduce((n, i) => n + i.sets, 0));
        }
  });
  it("gives no session an exercise twice, nor more than four sets of one beside the leads", () => {
    let looked = 0;
    for (const { plan: p } of corpus())
      for (const w of p.weeks)
        for (const s of w.sessions) {
          const units = s.items.filter((i) => i.slot.unit);
          looked += units.length;
          // The holds of a way back are five (rule pathway.stage).
          for (const i of units) expect(i.sets).toBeLessThanOrEqual(i.slot.added?.rule === "pathway.stage" ? 5 : 4);
          expect(new Set(units.map((i) => i.exercise.id)).size).toBe(units.length);
        }
    expect(looked).toBeGreaterThan(1000);
  });
});

/** A week's sets are the most that is carried; the week before may have held more of them. */
function weeklyBefore(weeks: readonly PlanWeek[], w: PlanWeek, p: LedgerPattern): number {
  const at = weeks.indexOf(w);
  return Math.max(
    ...weeks.slice(Math.max(0, at - 12), at + 1).map((x) => x.ledger.lines.find((l) => l.pattern === p)?.weekly ?? 0),
  );
}
