/** The week's homework with what was ticked of it. */
import { type IsoDate, mondayOf } from "../../core/dates";
import { type HomeworkDay, isTicked } from "../../core/homework";
import { type PlanWeek, plan } from "../../core/plan";
import { weekHomework } from "../../core/planning";
import { isLateStill } from "../late";
import type { HomeworkDayView, HomeworkView } from "../views";
import { clubOptions, type Planned } from "./planned";

/** The week of a day; where the plan begins after it, that day planned once more as it stood. */
function weekOf(p: Planned, on: IsoDate): PlanWeek | undefined {
  const monday = mondayOf(on);
  const known = p.plan.weeks.find((w) => w.season.start === monday);
  if (known) return known;
  const { athlete } = p.stored;
  if (on < athlete.season.start || on > athlete.season.end) return undefined;
  const before = { ...athlete, strengthLog: athlete.strengthLog.filter((l) => l.date < on) };
  return plan(before, { from: on, weeks: 1, library: p.library, ...clubOptions(p.stored) }).weeks[0];
}

export function homeworkView(p: Planned, today: IsoDate): HomeworkView {
  const { id, athlete } = p.stored;
  const week = weekOf(p, today);
  const dayView = (d: HomeworkDay): HomeworkDayView => ({
    date: d.date,
    items: d.items.map((i) => ({
      item: i.id,
      name: i.name,
      dose: i.dose,
      cue: i.cue,
      why: i.why,
      done: isTicked(athlete, d.date, i.id),
    })),
    minutes: d.minutes,
    left: d.left,
    open: isLateStill(d.date, today),
  });
  return { id, name: athlete.athlete.name, today, days: week ? weekHomework(week).map(dayView) : [] };
}
