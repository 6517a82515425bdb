/** A free time slot for this week alone, on a day that has none for a session. */
import { useState } from "react";
import type { WeekView } from "../../api/views";
import { timeOf } from "../../core/dates";
import { day, placeName } from "../format";
import { Field, minutesFrom } from "../ui/form";
import { TimeField } from "../ui/TimeField";
import type { WeekActions } from "./useWeekActions";

interface Props {
  view: WeekView;
  date: string;
  /** What the session takes, min. */
  minutes: number;
  actions: WeekActions;
  onDone: () => void;
}

/** Where no slot of the week says when strength is usually done. */
const EVENING = 18 * 60;

export function AddSlot({ view, date, minutes, actions, onDone }: Props) {
  const [start, setStart] = useState(timeOf(view.windows[0]?.start ?? EVENING));
  const [length, setLength] = useState(String(Math.ceil(minutes / 5) * 5));
  const [place, setPlace] = useState(view.windows[0]?.place ?? view.places[0] ?? "");
  const [busy, setBusy] = useState(false);
  const long = minutesFrom(length);
  const fault = typeof long === "number" && long >= 10 ? undefined : "minutes expected, 10 or more, such as 60 or 1:15";
  const field = `slot-${date}`;
  return (
    <form
      noValidate
      aria-label={`Free time slot on ${day(date)}`}
      className="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2 px-2 pt-1 pb-2 max-[480px]:grid-cols-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (fault || typeof long !== "number" || start === "") return;
        setBusy(true);
        void actions.addSlot({ kind: "window", date, start, minutes: long, place }).finally(onDone);
      }}
    >
      <Field id={`${field}-start`} label="From">
        <TimeField id={`${field}-start`} value={start} onChange={setStart} />
      </Field>
      <Field id={`${field}-minutes`} label="Length" hint="min" error={fault}>
        <input
          id={`${field}-minutes`}
          className="input"
          inputMode="text"
          aria-invalid={fault !== undefined}
          value={length}
          onChange={(e) => setLength(e.target.value)}
        />
      </Field>
      <Field id={`${field}-place`} label="Place">
        <select id={`${field}-place`} className="input" value={place} onChange={(e) => setPlace(e.target.value)}>
          {view.places.map((p) => (
            <option key={p} value={p}>
              {placeName(p)}
            </option>
          ))}
        </select>
      </Field>
      <button type="submit" className="btn btn-pri" disabled={busy}>
        {busy ? "Adding…" : "Add slot"}
      </button>
    </form>
  );
}
