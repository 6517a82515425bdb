/** What the phase table says of each phase. */
import type { SeasonView, SeasonWeekView } from "../../api/views";
import { addDays } from "../../core/dates";
import type { PhaseFacts } from "../section/SeasonTables";

/** How long each phase is, and how many sessions its weeks hold. */
export function phaseFacts(view: SeasonView): Map<number, PhaseFacts> {
  const out = new Map<number, PhaseFacts>();
  view.phases.forEach((p, index) => {
    const weeks = view.weeks.filter(
      (w) => w.phase === p.phase && addDays(w.start, 3) >= p.start && addDays(w.start, 3) <= p.end,
    );
    const back = weeks.filter((w) => w.stepBack).length;
    const counts = weeks.map((w) => w.sessions.length).filter((n) => n > 0);
    const ahead = weeks.filter((w) => !w.stepBack);
    const [least, most] = [Math.min(...counts), Math.max(...counts)];
    out.set(index, {
      length: `${weeks.length || "under 1"} week${weeks.length === 1 || weeks.length === 0 ? "" : "s"}${back ? `, ${back} step-back` : ""}`,
      sessions: counts.length ? `${least === most ? least : `${least}–${most}`} a week` : "none",
      main: through(ahead, (w) => w.line.main, true),
      single: through(ahead, (w) => w.line.single, false),
    });
  });
  return out;
}

/** The first and the last of a phase's weeks: "3×6 to 3×3 at 81–92%". */
function through(weeks: readonly SeasonWeekView[], of: (w: SeasonWeekView) => string | null, loads: boolean): string {
  const shown = weeks.filter((w) => of(w) !== null);
  const [first, last] = [shown[0], shown.at(-1)];
  if (!first || !last) return "none";
  const work = [...new Set([of(first), of(last)])].join(" to ");
  const percents = [...new Set([first.line.percent, last.line.percent])];
  return !loads || percents.includes(null) ? work : `${work} at ${percents.join("–")}%`;
}
