/** Builds one strength session for a day, a place and the minutes there are (handbook 17). */
import { safetyGate } from "../athlete/gate";
import { type Dose, RESTORE_PERCENT } from "../dose/layered";
import { type WarmUpSet, warmUpSets } from "../dose/warmup";
import { type Candidate, closedBecause, rankFor } from "../exercise/choose";
import { EXERCISES } from "../exercise/library";
import { HEART_PATTERNS, type Loading } from "../exercise/types";
import { weakerSide } from "../screening/marks";
import { listWords, type Why, why } from "../why";
import { HALF_SESSION_MINUTES, halfSession, type Slot, slotsFor } from "./slots";
import { pairUp, timeOfSession, totalSeconds } from "./time";
import { heartSets, nextDrop, raiseHeart, scaleSets, trimHeart } from "./trim";
import type { BuiltSession, Dropped, Item, SessionRequest } from "./types";

/** Lower-body main lift at this percent or more counts as heavy; so does RIR 2 or less at 6 reps or fewer. */
const HEAVY_PERCENT = 80;
/** RIR on days where nothing heavy may stand [house]. */
const LIGHT_RIR = 4;
/** Planned RPE of unloaded and restoring work [house]; with a third of the sets cut a session counts one less than its emphasis, with half of them two. */
const UNLOADED_RPE = 3;
const SCREEN_FOR = {
  "split-squat": "single-leg-squat",
  hip: "single-leg-bridge",
  calf: "calf-raise",
  trunk: "side-hold",
} as const;
const LOWER: readonly string[] = ["squat", "hinge", "split-squat"];
const EXTERNAL: readonly Loading[] = ["bar", "pair", "single", "kettlebell", "machine"];

/**
 * @returns the session, or null where not even its least form fits the minutes
 */
export function buildSession(r: SessionRequest): BuiltSession | null {
  const all = slotsFor(r.label, r.loading, r.choice.athlete.athlete.sport);
  const half = r.minutes <= HALF_SESSION_MINUTES && r.loading !== "mobility";
  const slots = half ? halfSession(all) : all;
  const dropped: Dropped[] = [];
  let items = fillSlots(slots, r, dropped);
  if (half) for (const s of all) if (!slots.includes(s)) dropped.push(...droppedSlot(s, r, items));
  const asked = heartSets(items);
  const cut = r.setFactor < 1 && r.loading !== "mobility";
  if (cut) items = scaleSets(items, r.setFactor);
  if (r.heartRange) items = raiseHeart(trimHeart(items, r.heartRange.most), r.heartRange.least);
  const rpe =
    r.loading === "full" || r.loading === "light"
      ? r.dose.rpe - (!cut ? 0 : r.setFactor <= 0.6 ? 2 : 1)
      : Math.min(r.dose.rpe, UNLOADED_RPE);

  const light = r.loading !== "full";
  const arrange = (list: readonly Item[]) => {
    const paired = pairUp(list);
    const warmUp = paired.filter((i) => i.main).flatMap((i) => warmUpFor(i, r, light));
    const time = timeOfSession(paired, warmUp);
    return { paired, warmUp, time, minutes: Math.ceil(totalSeconds(time) / 60) };
  };
  let now = arrange(items);
  while (r.stressCap !== null && now.minutes * rpe > r.stressCap) {
    const extra = items.filter((i) => !HEART_PATTERNS.includes(i.exercise.pattern)).at(-1);
    if (!extra) break;
    items = items.filter((i) => i !== extra);
    dropped.push({ exercise: extra.exercise.id, why: "the week's depth limit leaves no room for it" });
    now = arrange(items);
  }
  const wantedSets = items.reduce((a, i) => a + i.sets, 0);
  const before = dropped.length;
  while (now.minutes > r.minutes) {
    const step = nextDrop(items);
    if (!step || step.items.length === 0) break;
    items = step.items;
    dropped.push(step.dropped);
    now = arrange(items);
  }
  if (now.minutes > r.minutes) return null;

  const lower = now.paired.filter((i) => LOWER.includes(i.exercise.pattern) && EXTERNAL.includes(i.loading));
  const heavy = lower.some(
    (i) => i.main && ((i.percent1rm ?? 0) >= HEAVY_PERCENT || (i.rir <= 2 && (i.reps ?? 99) <= 6)),
  );
  const reasons: Why[] = [why("emphasis.layered", `${r.dose.says}.`)];
  if (half)
    reasons.push(why("time.drop", `${r.minutes} min take the half session: one lift, one hip, one trunk exercise.`));
  else if (dropped.length > before)
    reasons.push(why("time.drop", `${dropped.length - before} cuts to stay inside ${r.minutes} min.`));
  if (asked > heartSets(items) && cut)
    reasons.push(why("phase.day", `${asked} hard sets become ${heartSets(items)}; the load is kept.`));
  const left = now.paired.reduce((a, i) => a + i.sets, 0);
  return {
    label: r.label,
    emphasis: r.emphasis,
    loading: r.loading,
    items: now.paired,
    warmUp: now.warmUp,
    dropped,
    cautions: cautionsFor(now.paired, r),
    minutes: now.minutes,
    time: now.time,
    lowerLoaded: lower.length > 0,
    heavy,
    stress: now.minutes * rpe,
    rpe,
    lostShare: wantedSets > 0 ? Math.max(0, 1 - left / wantedSets) : 0,
    unloaded: r.loading === "full" && lower.length === 0,
    thin: r.heartRange !== null && heartSets(now.paired) < r.heartRange.least,
    why: reasons,
  };
}

function droppedSlot(s: Slot, r: SessionRequest, items: readonly Item[]): Dropped[] {
  const best = rankFor(s.pattern, r.choice, s.kind === "main").find(
    (c) => !items.some((i) => i.exercise === c.exercise),
  );
  return best
    ? [
        {
          exercise: best.exercise.id,
          why: `a window of ${r.minutes} min takes one lift, one hip and one trunk exercise`,
        },
      ]
    : [];
}

function fillSlots(slots: readonly Slot[], r: SessionRequest, dropped: Dropped[]): Item[] {
  const items: Item[] = [];
  for (const slot of slots) {
    const main = slot.kind === "main";
    let ranked = rankFor(slot.pattern, r.choice, main).filter(
      (c) => !items.some((i) => i.exercise.id === c.exercise.id),
    );
    if (main && ranked.length === 0)
      ranked = rankFor(slot.pattern, r.choice, false).filter(
        (c) => !items.some((i) => i.exercise.id === c.exercise.id),
      );
    const one = slot.singleLeg ? ranked.filter((c) => c.exercise.unilateral) : [];
    const best = (slot.singleLeg ? one : ranked)[0] ?? ranked[0];
    if (!best) {
      dropped.push({
        exercise: slot.pattern,
        why: `no ${slot.pattern} exercise is open here: ${whyNone(slot.pattern, r)}`,
      });
      continue;
    }
    items.push(itemFor(best, slot, r));
  }
  return items;
}

/** The commonest reason why a pattern has nothing to offer. */
function whyNone(pattern: string, r: SessionRequest): string {
  const reasons = EXERCISES.filter((e) => e.pattern === pattern).flatMap((e) => closedBecause(e, r.choice) ?? []);
  return [...new Set(reasons)].slice(0, 2).join("; ") || "nothing left for this slot";
}

function itemFor(c: Candidate, slot: Slot, r: SessionRequest): Item {
  const { exercise, loading } = c;
  const dose: Dose = slot.kind === "main" ? r.dose.main : slot.kind === "single" ? r.dose.single : r.dose.assist;
  const timed = exercise.unit === "seconds";
  const external = EXTERNAL.includes(loading);
  const gentle = r.loading === "light" || (!r.heavyOk && r.loading === "full");
  const rir = gentle ? Math.max(dose.rir, LIGHT_RIR) : dose.rir;
  const answer =
    timed || !external
      ? { loadKg: null, perSideKg: [], barKg: null, percent1rm: null, why: [] }
      : r.loadFor({
          exercise,
          loading,
          place: r.place,
          repsLow: dose.repsLow,
          reps: dose.reps,
          rir,
          capPercent: r.loading === "restore" ? RESTORE_PERCENT : null,
        });
  const reasons: Why[] = [...choiceWhy(c, r), ...answer.why];
  const screen = exercise.pattern in SCREEN_FOR ? SCREEN_FOR[exercise.pattern as keyof typeof SCREEN_FOR] : null;
  const weaker = exercise.unilateral && screen ? weakerSide(r.choice.athlete, screen, r.choice.on) : null;
  if (weaker)
    reasons.push(why("side.first", `Start with the ${weaker} side, the weaker in the screening, and match its reps.`));
  // Bodyweight work done for a strength dose of few reps goes by the control dose instead.
  const low = !timed && !external && dose.reps < 8;
  return {
    pair: "",
    exercise,
    loading,
    main: slot.kind === "main",
    sets: Math.max(1, (slot.sets ?? dose.sets) - (answer.setsLess ?? 0)),
    repsLow: timed ? null : low ? 8 : dose.repsLow,
    reps: timed ? null : (answer.reps ?? (low ? 10 : dose.reps)),
    seconds: timed ? holdSeconds(exercise.pattern, r) : null,
    eachSide: exercise.unilateral,
    loadKg: answer.loadKg,
    perSideKg: answer.perSideKg,
    barKg: answer.barKg,
    percent1rm: answer.percent1rm,
    rir,
    restSeconds: dose.restSeconds,
    why: reasons,
  };
}

const holdSeconds = (pattern: string, r: SessionRequest): number =>
  pattern === "mobility" ? 60 : pattern === "jump" ? 10 : r.dose.holdSeconds;

function choiceWhy(c: Candidate, r: SessionRequest): Why[] {
  const better = EXERCISES.filter((e) => e.pattern === c.exercise.pattern && e.rank > c.exercise.rank)
    .map((e) => ({ e, closed: closedBecause(e, r.choice) }))
    .filter(
      (x): x is { e: (typeof EXERCISES)[number]; closed: string } =>
        x.closed !== null && !x.closed.includes("equipment"),
    );
  const first = better.sort((a, b) => b.e.rank - a.e.rank)[0];
  if (first) return [why("choice.swap", `Instead of ${first.e.name.toLowerCase()}: ${first.closed}.`)];
  const sport = r.choice.athlete.athlete.sport;
  if ((c.exercise.sports[sport] ?? 0) > 0) return [why("choice.sport", `Preferred for this sport (${sport}).`)];
  return [];
}

function warmUpFor(i: Item, r: SessionRequest, light: boolean): WarmUpSet[] {
  return i.loadKg === null ? [] : warmUpSets(i.exercise, i.loading, r.place, i.loadKg, i.percent1rm, light);
}

/** Cautions stand where the decision is made (handbook 14). */
function cautionsFor(items: readonly Item[], r: SessionRequest): string[] {
  const has = (p: string) => items.some((i) => i.exercise.pattern === p);
  const bar = items.some((i) => i.loading === "bar");
  const out: string[] = [];
  const gate = safetyGate(r.choice.athlete, r.choice.on);
  if (gate.minor || gate.restricted) out.push(...gate.why.map((w) => w.text));
  if (bar) out.push("Brace first, neutral spine. Safety pins set, or somebody who knows the lift beside the bar.");
  if (items.some((i) => i.exercise.pattern === "hinge" && i.loading === "bar"))
    out.push("Push the floor away; no pulling with the arms, knees never locked.");
  if (items.some((i) => i.loading === "machine")) out.push("Not to failure on machines; knees stay soft.");
  if (items.some((i) => i.exercise.needs.some((n) => n.includes("step") || n.includes("box"))) && has("split-squat"))
    out.push("Steps and boxes rigid, on level ground; lower the box before the form goes.");
  if (r.choice.areas.length > 0)
    out.push(
      `Trouble noted (${listWords(r.choice.areas.map((a) => a.replaceAll("-", " ")))}): pain-free range only; above 5 of 10 the exercise stops.`,
    );
  out.push("No lifting with fever. Range ends where control ends.");
  return out;
}
