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
    // The fullest planned week says what the phase is about; step-backs and half-done weeks do not.
    const size = (w: SeasonWeekView) =>
      w.stepBack || w.sessions.some((a) => a.done) ? 0 : w.dose.reduce((a, d) => a + d.sets, 0);
    const model =
      weeks.reduce<SeasonWeekView | undefined>(
        (best, w) => (size(w) > (best ? size(best) : 0) ? w : best),
        undefined,
      ) ?? weeks.find((w) => w.dose.length > 0);
    const line = (patterns: readonly string[]): string => {
      const d = model?.dose.find((x) => patterns.includes(x.pattern));
      if (!d) return weeks.some((w) => !w.done) ? "none" : "done";
      const at = d.percent1rm !== null ? `${Math.round(d.percent1rm)}%` : loadText(d, units);
      return `${setsByReps(d)} @ ${at === "bodyweight" ? "body" : at}`.replaceAll("\u00A0", "");
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
