/** A date: typed as people write it, day before month, or picked from a month. */
import { CalendarDays } from "lucide-react";
import { Popover } from "radix-ui";
import { lazy, Suspense, useState } from "react";
import type { IsoDate } from "../../core/dates";
import { useClub } from "../data/hooks";
import { dateFromText, textOfDate } from "./dateText";

const Calendar = lazy(() => import("./Calendar"));

interface Props {
  id?: string;
  /** Its name where no label points to it. */
  name?: string;
  value: IsoDate | "";
  min?: IsoDate;
  max?: IsoDate;
  invalid?: boolean;
  describedBy?: string | undefined;
  /** Called with a whole date, or with nothing where the text was emptied. */
  onChange: (date: IsoDate | "") => void;
  onBlur?: () => void;
  className?: string;
}

export function DateField({
  id,
  name,
  value,
  min,
  max,
  invalid,
  describedBy,
  onChange,
  onBlur,
  className = "",
}: Props) {
  const club = useClub();
  /** What is typed and is not yet, or not any more, the value; null while the field only shows it. */
  const [typed, setTyped] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const near = value || min || club.data?.today || "";
  const wrong = typed !== null && typed.trim() !== "" && dateFromText(typed, near) === null;
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <span className={`relative block ${className}`}>
        <input
          id={id}
          aria-label={name}
          className="input pr-8"
          autoComplete="off"
          placeholder="day month year"
          value={typed ?? (value === "" ? "" : textOfDate(value))}
          aria-invalid={invalid || wrong || undefined}
          aria-describedby={describedBy}
          onChange={(e) => {
            setTyped(e.target.value);
            const date = e.target.value.trim() === "" ? "" : dateFromText(e.target.value, near);
            if (date !== null) onChange(date);
          }}
          onBlur={() => {
            if (!wrong) setTyped(null);
            onBlur?.();
          }}
          onKeyDown={(e) => {
            if (e.key === "ArrowDown" && e.altKey) setOpen(true);
          }}
        />
        <Popover.Trigger
          className="absolute top-1/2 right-0 grid h-8 w-8 -translate-y-1/2 place-items-center text-ink2 hover:text-ink"
          aria-label="Pick a day from a month"
        >
          <CalendarDays size={16} strokeWidth={1.75} aria-hidden="true" />
        </Popover.Trigger>
        {wrong && (
          <span role="alert" className="mt-0.5 block text-label leading-4 text-brick-ink">
            No date. Type it as 11 Mar 2026 or 11.3.2026.
          </span>
        )}
      </span>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          className="fade z-[70] rounded-[3px] border border-edge bg-panel p-3 shadow-pop"
        >
          <Suspense fallback={<p className="text-ink2">Loading…</p>}>
            <Calendar
              value={value}
              near={near}
              min={min}
              max={max}
              onPick={(date) => {
                setTyped(null);
                onChange(date);
                setOpen(false);
              }}
            />
          </Suspense>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
