/** A day's homework, ticked with one tap. */
import type { HomeworkDayView } from "../../api/views";
import { useTick } from "../data/homework";
import { tellFault } from "../ui/tell";

interface Props {
  id: string;
  day: HomeworkDayView;
  /** Rows as high as a thumb, with the cue of each. */
  large?: boolean;
}

export function DayList({ id, day, large = false }: Props) {
  const tick = useTick(id);
  const shown = (item: string, done: boolean) =>
    tick.isPending && tick.variables.item === item && tick.variables.date === day.date ? tick.variables.done : done;
  return (
    <ul>
      {day.items.map((i) => (
        <li key={i.item} className="border-t border-hair2 first:border-t-0">
          <label
            className={`flex gap-2.5 ${large ? "min-h-11 items-center py-1.5" : "items-start py-1 max-[700px]:min-h-11"}`}
          >
            <input
              type="checkbox"
              className={`flex-none accent-iron ${large ? "h-6 w-6" : "mt-0.5 h-4 w-4 max-[700px]:h-6 max-[700px]:w-6"}`}
              checked={shown(i.item, i.done)}
              disabled={!day.open}
              onChange={(e) =>
                tick.mutate(
                  { date: day.date, item: i.item, done: e.target.checked },
                  { onError: (fault) => tellFault(`Not saved: ${fault.message}`) },
                )
              }
            />
            <span className="min-w-0 flex-1">
              <span className="flex justify-between gap-3">
                <span className="font-semibold">{i.name}</span>
                <span className="num flex-none text-ink2">{i.dose}</span>
              </span>
              {large && i.cue && <span className="block text-label leading-4 text-ink2">{i.cue}</span>}
              {!large && <span className="block text-label leading-4 text-ink2 print:hidden">{i.why.text}</span>}
            </span>
          </label>
        </li>
      ))}
    </ul>
  );
}
