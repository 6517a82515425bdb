/** Today's homework at the rack: what is left to do at home, or before the run. */
import { useHomework } from "../data/homework";
import { useMay } from "../data/session";
import { DayList } from "./DayList";

export function HomeworkToday({ id }: { id: string }) {
  const may = useMay();
  const homework = useHomework(id, may("health.read", id));
  const day = homework.data?.days.find((d) => d.date === homework.data.today);
  if (!day || day.items.length === 0) return null;
  return (
    <section aria-label="Homework" className="rounded-[3px] border border-hair bg-panel px-3 py-2">
      <h2 className="flex justify-between text-label font-semibold text-ink2">
        <span>Homework today</span>
        <span className="num font-normal">{day.minutes} min</span>
      </h2>
      <DayList id={id} day={day} large />
    </section>
  );
}
