/** What the phase table says of each phase. */
import type { SeasonView, SeasonWeekView } from "../../api/views";
import { addDays } from "../../core/dates";
import { loadText, setsByReps, type Units } from "../format";
import type { PhaseFacts } from "../section/SeasonTables";

/** The phase table: what each phase holds, from its planned ordinary weeks. */
export function phaseFacts(view: SeasonView, units: Units): Map<number, PhaseFacts> {
  const out = new Map<number, PhaseFacts>();
  view.phases.forEach((p, index) => {
    const weeks = view.weeks.filter(
      (w) => w.phase === p.phase && addDays(w.start, 3) >= p.start && addDays(w.start, 3) <= p.end,
    );
    const back = weeks.filter((w) => w.stepBack).length;
    const counts = weeks.map((w) => w.sessions.length).filter((n) => n > 0);
    // Through a block from the first loading week to the last; elsewhere the fullest week. Step-backs and half-done weeks say less than the
    // phase is about.
    const planned = weeks.filter((w) => w.dose.length > 0);
    const whole = planned.filter((w) => !w.stepBack && !w.sessions.some((a) => a.done));
    const loading = whole.filter((w) => w.block !== null);
    const size = (w: SeasonWeekView) => w.dose.reduce((a, d) => a + d.sets, 0);
    const fullest = whole.reduce<SeasonWeekView[]>((best, w) => (best[0] && size(best[0]) >= size(w) ? best : [w]), []);
    const shown = loading.length > 0 ? loading : fullest.length > 0 ? fullest : planned.slice(0, 1);
    const line = (patterns: readonly string[]): string => {
      const doses = shown.flatMap((w) => w.dose.find((x) => patterns.includes(x.pattern)) ?? []);
      const [first, last] = [doses[0], doses.at(-1)];
      if (!first || !last) return weeks.some((w) => !w.done) ? "none" : "done";
      const work = [...new Set([setsByReps(first), setsByReps(last)])].join(" to ");
      return `${work} @ ${loadsText(first, last, units)}`.replaceAll("\u00A0", "");
    };
    const [least, most] = [Math.min(...counts), Math.max(...counts)];
    out.set(index, {
      length: `${weeks.length || "under 1"} week${weeks.length === 1 || weeks.length === 0 ? "" : "s"}${back ? `, ${back} step-back` : ""}`,
      sessions: counts.length ? `${least === most ? least : `${least}–${most}`} a week` : "none",
      main: line(["squat", "hinge"]),
      single: line(["split-squat", "hip"]),
    });
  });
  return out;
}

type Dose = SeasonWeekView["dose"][number];

/** "81%", "81–89%"; the last week's "60 kg" or "body" where no percent is known */
function loadsText(first: Dose, last: Dose, units: Units): string {
  if (first.percent1rm !== null && last.percent1rm !== null) {
    const [from, to] = [Math.round(first.percent1rm), Math.round(last.percent1rm)];
    return from === to ? `${from}%` : `${from}–${to}%`;
  }
  const at = loadText(last, units);
  return at === "bodyweight" ? "body" : at;
}
