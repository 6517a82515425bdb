/** A month to pick a day from, Monday first. Loaded when it is opened. */
import { format } from "date-fns";
import { enGB } from "date-fns/locale/en-GB";
import { DayPicker } from "react-day-picker";
import { type IsoDate, isDate } from "../../core/dates";

const asDate = (date: IsoDate): Date => new Date(`${date}T12:00:00`);
const asIso = (d: Date): IsoDate => format(d, "yyyy-MM-dd");

interface Props {
  value: IsoDate;
  near: IsoDate;
  min: IsoDate | undefined;
  max: IsoDate | undefined;
  onPick: (date: IsoDate) => void;
}

const valid = (date: IsoDate | undefined): date is IsoDate => date !== undefined && isDate(date);

export default function Calendar({ value, near, min, max, onPick }: Props) {
  const selected = valid(value) ? asDate(value) : undefined;
  return (
    <DayPicker
      mode="single"
      autoFocus
      required
      locale={enGB}
      weekStartsOn={1}
      showWeekNumber
      selected={selected}
      defaultMonth={selected ?? (valid(near) ? asDate(near) : undefined)}
      disabled={[...(valid(min) ? [{ before: asDate(min) }] : []), ...(valid(max) ? [{ after: asDate(max) }] : [])]}
      onSelect={(d: Date) => onPick(asIso(d))}
      classNames={{
        root: "calendar",
        month_caption: "flex h-8 items-center font-semibold",
        months: "relative",
        nav: "absolute right-0 top-0 flex gap-1",
        button_previous: "btn btn-sm btn-sq",
        button_next: "btn btn-sm btn-sq",
        weekday: "w-9 text-note font-normal text-ink2",
        week_number: "w-8 text-note font-normal text-ink2",
        day_button: "h-9 w-9 rounded-[3px] hover:bg-iron-l disabled:text-ink2 disabled:opacity-50",
        selected: "[&>button]:bg-iron [&>button]:font-semibold [&>button]:text-on-iron",
        today: "font-bold underline",
        outside: "text-ink2",
      }}
    />
  );
}
