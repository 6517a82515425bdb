/** What a change for many would do to one athlete: the plan as it stands beside the plan with it. Nothing is stored. */
import { type Facts, grownTo, growSeason, type Planned, slotOfId } from "../../api/make/planned";
import type { ManyChange, ManyPreview } from "../../api/many";
import type { Athlete, EnduranceSession, PhaseSpan } from "../../core/athlete";
import { placeName } from "../../core/athlete";
import { addDays, dayLabel, type IsoDate, laterOf, mondayOf, timeOf, weeksIn } from "../../core/dates";
import type { Plan } from "../../core/plan";
import type { PlanSession } from "../../core/planning";
import { changedSessions } from "../../core/story";
import type { EnduranceChange, Stored } from "../store/athletes";
import type { Made } from "../store/many";
import { daysOf, type Known, madeFor } from "./make";

/** How far the plan must reach for a change to be looked at. */
export const reachOf = (change: ManyChange, today: IsoDate): IsoDate => laterOf(daysOf(change, today).until, today);

/** The record with endurance rows as they become. */
function withRows(
  record: Athlete,
  ids: readonly string[],
  rows: readonly EnduranceChange[],
  planned: Planned,
): Pick<Facts, "athlete" | "enduranceIds"> {
  const becomes = new Map(rows.map((r) => [r.row, r.session]));
  const kept = record.endurance.flatMap((session, i) => {
    const id = ids[i] ?? String(i);
    const next = becomes.has(id) ? becomes.get(id) : session;
    return next ? [{ id, session: next }] : [];
  });
  const instead = rows.flatMap(({ row, session }) => {
    const slot = slotOfId(row);
    const known = planned.stored.athlete.endurance[planned.stored.enduranceIds.indexOf(row)];
    if (slot === null || session !== null || !known) return [];
    const { date, sport, kind, minutes } = known;
    const out: EnduranceSession = { date, sport, kind, minutes, insteadOf: slot, cancelled: true };
    return [{ id: row, session: out }];
  });
  const all = [...kept, ...instead];
  return { athlete: { ...record, endurance: all.map((x) => x.session) }, enduranceIds: all.map((x) => x.id) };
}

function planWith(p: Planned<Stored>, made: Made, reach: IsoDate, today: IsoDate): Plan {
  const { stored, library } = p;
  // Ids stand beside the record's own sessions, which come first.
  const ids = stored.record.endurance.map((e) => stored.enduranceIds[stored.athlete.endurance.indexOf(e)] ?? "");
  const freed = new Set(made.free);
  const facts: Stored = {
    ...stored,
    ...withRows(made.next, ids, made.rows, p),
    held: stored.held.filter((h) => !freed.has(mondayOf(h.date))),
    heldWeeks: stored.heldWeeks.filter((w) => !freed.has(w)),
  };
  return grownTo(growSeason(facts, library, today), reach).plan;
}

const between = (plan: Plan, from: IsoDate, until: IsoDate): Plan => ({
  ...plan,
  weeks: plan.weeks.filter((w) => addDays(w.season.start, 6) >= from && w.season.start <= until),
});

/** Sessions without room, by the Monday of their week and label. */
const unplaced = (plan: Plan): ReadonlySet<string> =>
  new Set(plan.weeks.flatMap((w) => w.fit.unplaced.map((u) => `${w.season.start}/${u.label}`)));

const placed = (s: Pick<PlanSession, "date" | "start" | "place">): string =>
  `${dayLabel(s.date)} ${timeOf(s.start)}, ${placeName(s.place)}`;

/** What becomes of the sessions, one line each; those that find no room are said elsewhere. */
function sessionLines(before: Plan, after: Plan): string[] {
  const at = (plan: Plan, week: IsoDate, label: string) =>
    plan.weeks.find((w) => w.season.start === week)?.sessions.find((s) => s.label === label);
  return changedSessions(before, after).flatMap(({ week, label, kind, lines }) => {
    const [was, is] = [at(before, week, label), at(after, week, label)];
    if (kind === "gone" && was)
      return unplaced(after).has(`${week}/${label}`) ? [] : [`${label} of ${placed(was)} goes`];
    if (kind === "new" && is) return [`${label} comes, ${placed(is)}`];
    if (!was || !is) return [];
    const moved = placed(was) !== placed(is);
    const work = lines.filter(
      (l) => l.what !== "Place in the week" && l.what !== "Order and pairs" && l.what !== "Minutes",
    );
    const other =
      work.length === 0
        ? ""
        : `${work.length} exercise${work.length === 1 ? "" : "s"} differ${work.length === 1 ? "s" : ""}`;
    if (moved) return [`${label} moves from ${placed(was)} to ${placed(is)}${other && `, ${other}`}`];
    return other === "" ? [] : [`${label} of ${dayLabel(is.date)}: ${other}`];
  });
}

/** Spans of one phase that follow each other as one. */
function joined(phases: readonly PhaseSpan[]): PhaseSpan[] {
  const out: PhaseSpan[] = [];
  for (const p of phases) {
    const last = out.at(-1);
    if (last?.phase === p.phase) out[out.length - 1] = { ...last, end: p.end };
    else out.push(p);
  }
  return out;
}

/** Phases named in one line. */
const NAMED = 4;
const spans = (phases: readonly PhaseSpan[]): string =>
  phases
    .slice(0, NAMED)
    .map((p) => `${p.phase} ${weeksIn(p.start, p.end)}`)
    .join(", ");

/** The phases from the first that differs on, in weeks. */
function phaseLines(before: readonly PhaseSpan[], after: readonly PhaseSpan[]): string[] {
  const [was, is] = [joined(before), joined(after)];
  const at = is.findIndex((p, i) => p.phase !== was[i]?.phase || p.start !== was[i]?.start || p.end !== was[i]?.end);
  const first = is[at];
  return first ? [`Weeks from ${dayLabel(first.start)}: ${spans(is.slice(at))}; before: ${spans(was.slice(at))}`] : [];
}

/** One line for each reason, with the sessions that it keeps out. */
function noRoomLines(before: Plan, after: Plan): string[] {
  const known = unplaced(before);
  const byWhy = new Map<string, string[]>();
  for (const w of after.weeks) {
    const fresh = w.fit.unplaced.filter((u) => !known.has(`${w.season.start}/${u.label}`));
    for (const why of new Set(fresh.map((u) => u.why))) {
      const labels = fresh.filter((u) => u.why === why).map((u) => u.label);
      byWhy.set(why, [...(byWhy.get(why) ?? []), `${labels.join(" and ")} of the week of ${dayLabel(w.season.start)}`]);
    }
  }
  return [...byWhy].map(([why, sessions]) => `${sessions.join(", ")}: ${why}`);
}

/** @param p planned as far as `reachOf` says */
export function previewOf(p: Planned<Stored>, change: ManyChange, known: Known): ManyPreview {
  const { stored } = p;
  const { id, revision } = stored;
  const view = { id, name: stored.athlete.athlete.name, revision, same: false, lines: [], noRoom: [] };
  const made = madeFor({ ...stored, athlete: stored.record }, change, known);
  if ("fault" in made) return { ...view, fault: made.fault };
  if (change.kind === "note") return { ...view, fault: null, lines: ["The note stands on the week and on its cards."] };
  const reach = reachOf(change, known.today);
  const { from, until } = daysOf(change, known.today);
  const all = planWith(p, made, reach, known.today);
  const [before, after] = [between(p.plan, from, until), between(all, from, until)];
  const out = made.rows.filter((r) => r.session === null).length;
  const lines = [
    ...phaseLines(p.plan.phases, all.phases),
    ...(out === 0 ? [] : [`${out} planned endurance session${out === 1 ? " is" : "s are"} left out`]),
    ...sessionLines(before, after),
  ];
  const noRoom = noRoomLines(before, after);
  return { ...view, fault: null, same: lines.length + noRoom.length === 0, lines, noRoom };
}
