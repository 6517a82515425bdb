/** The library, what an athlete may do of it, and what could stand in a slot. */
import type { FitView, LibraryView, ProgressionView, SheetsView } from "../../api/views";
import { type Athlete, placeById } from "../../core/athlete";
import { mondayOf } from "../../core/dates";
import {
  type ChoiceContext,
  type Closed,
  closedBecause,
  essentialFive,
  type Library,
  type Progression,
} from "../../core/exercise";
import { choiceContexts } from "../../core/planning";
import { sheetsFor } from "../../core/session";
import type { Planned } from "../planner";

export const libraryView = (library: Library): LibraryView => ({
  exercises: library.all.map((e) => ({ ...e, hidden: library.hidden.has(e.id) })),
  ladders: library.ladders.map((id) => ({ id, steps: library.ladder(id).map((e) => e.id) })),
});

/** What exercises are chosen by today, at a place; the first place where none is named. */
function contextToday(p: Planned, today: string, place: string | undefined): ChoiceContext | null {
  const { athlete } = p.stored;
  const at = placeById(athlete, place ?? athlete.places[0]?.id ?? "");
  const week = p.plan.season.find((w) => w.start === mondayOf(today)) ?? p.plan.season[0];
  const day = week?.days.find((d) => d.date === today) ?? week?.days[0];
  if (!at || !week || !day) return null;
  const basis = p.plan.weeks.find((w) => w.season === week)?.input.basis ?? {
    known: null,
    now: new Map(),
    before: new Set(),
    earlier: new Set(),
  };
  const make = choiceContexts({ athlete, library: p.library, basis, week, log: athlete.strengthLog, from: p.from });
  return make(day, at);
}

export function fitView(p: Planned, today: string, place: string | undefined): FitView | null {
  const { athlete } = p.stored;
  const c = contextToday(p, today, place);
  if (!c) return null;
  // What the athlete may do at all, loaded too, whatever today's dose is.
  const free = { ...c, unloaded: false, memo: new Map() };
  const closed: Record<string, Closed> = {};
  for (const e of p.library.all) {
    const because = closedBecause(e, free);
    if (because) closed[e.id] = because;
  }
  const five = essentialFive(athlete.athlete.sport, athlete.settings?.shortTime === "essential-five-swim");
  return {
    place: c.place.id,
    places: athlete.places.map((x) => x.id),
    closed,
    progressions: [...c.progressions.values()].map((s) => progressionView(s, closed, athlete.rungs)),
    essentials: five.map((e) => {
      const id = e.exercises.find((x) => !closed[x]) ?? e.exercises[0] ?? "";
      return { name: e.name, exercise: id };
    }),
  };
}

/** Nobody stands on a step that a test, trouble or pain has closed: the highest open one below it is where they are. */
function progressionView(s: Progression, closed: Record<string, Closed>, rungs: Athlete["rungs"]): ProgressionView {
  const shut = (id: string) => closed[id] !== undefined && closed[id].kind !== "equipment";
  let at = s.at;
  while (at > 0 && shut(s.steps[at]?.id ?? "")) at -= 1;
  const held = closed[s.steps[at + 1]?.id ?? ""];
  return {
    ladder: s.ladder,
    step: s.steps[at]?.id ?? "",
    because: at < s.at && held ? `the next step: ${held.text}` : s.because,
    set: rungs?.some((r) => r.ladder === s.ladder) ?? false,
  };
}

export function sheetsView(p: Planned, today: string): SheetsView | null {
  const c = contextToday(p, today, undefined);
  if (!c) return null;
  const { athlete } = p.stored;
  return {
    id: p.stored.id,
    today,
    name: athlete.athlete.name,
    sheets: sheetsFor(c).map((s) => ({
      ...s,
      lines: s.lines.map((l) => ({
        exercise: l.exercise.id,
        name: l.name,
        dose: l.dose,
        cue: l.exercise.cues[0] ?? "",
        why: l.why,
      })),
    })),
    cautions: c.gate.why.map((w) => w.text),
  };
}
