/** The week's homework, day by day. */
import type { HomeworkDayView, HomeworkView } from "../../api/views";
import { day as dayText } from "../format";
import { DayList } from "./DayList";

export function HomeworkWeek({ view }: { view: HomeworkView }) {
  const asked = view.days.filter((d) => d.items.length > 0);
  if (asked.length === 0)
    return (
      <p className="max-w-[64ch] text-ink2">
        Nothing is asked at home this week. A finding of the screening, or an area on its way back, brings homework; it
        is never a strength session.
      </p>
    );
  return (
    <div className="grid grid-cols-[repeat(auto-fill,minmax(240px,1fr))] gap-3 print:grid-cols-3">
      {asked.map((d) => (
        <Day key={d.date} id={view.id} day={d} today={view.today} />
      ))}
    </div>
  );
}

function Day({ id, day, today }: { id: string; day: HomeworkDayView; today: string }) {
  const now = day.date === today;
  return (
    <section
      aria-label={`Homework of ${dayText(day.date)}`}
      className={`rounded-[3px] border bg-panel p-3 print:break-inside-avoid print:border-ink ${now ? "border-iron max-[700px]:order-first" : "border-hair"}`}
    >
      <h3 className="mb-1 flex items-baseline justify-between text-label">
        <span className={now ? "font-[650] text-iron" : "font-semibold"}>
          {dayText(day.date)}
          {now && ", today"}
        </span>
        <span className="num text-ink2">{day.minutes} min</span>
      </h3>
      <DayList id={id} day={day} />
      {day.left.map((l) => (
        <p key={l.name} className="border-t border-hair2 pt-1 text-label leading-4 text-ink2 print:hidden">
          {l.name}: {l.why.text}
        </p>
      ))}
    </section>
  );
}
