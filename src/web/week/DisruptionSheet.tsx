/** Something came up: told once, and what is left of the week is placed again around what is done. */
import { useState } from "react";
import type { WeekView } from "../../api/views";
import type { Label } from "../../core/athlete";
import { addDays, laterOf } from "../../core/dates";
import { day } from "../format";
import { DateField } from "../ui/DateField";
import { Field, FormProblem } from "../ui/form";
import { Segments } from "../ui/Segments";
import { Sheet } from "../ui/Sheet";
import type { WeekActions } from "./useWeekActions";

type Kind = "travel" | "illness" | "closed" | "missed";

const NOTES: Record<Kind, string> = {
  travel: "Those days have no free time, unless there is a place on the way.",
  illness:
    "Nothing is placed until well; afterwards restore for as many days as were lost. With fever, ask a doctor first.",
  closed: "Free time slots at that place are left out, or stand at another place.",
  missed: "It is placed again on a later day of this week, where there is room.",
};

export default function DisruptionSheet({
  view,
  actions,
  onClose,
}: {
  view: WeekView;
  actions: WeekActions;
  onClose: () => void;
}) {
  const first = laterOf(view.today, view.monday);
  const [kind, setKind] = useState<Kind>("travel");
  const [start, setStart] = useState(first);
  const [end, setEnd] = useState(first);
  const [place, setPlace] = useState("");
  const [closed, setClosed] = useState(view.windows[0]?.place ?? view.places[0] ?? "");
  const open = view.sessions.filter((s) => !s.done && s.date >= view.monday);
  const [missed, setMissed] = useState<string>(open[0]?.label ?? "");
  const [problem, setProblem] = useState("");
  const until = laterOf(start, end);
  const span = start === until ? day(start) : `${day(start)} to ${day(until)}`;

  const submit = async () => {
    if (end < start) return setProblem("The last day is before the first. A day on or after it is expected.");
    const at = place ? { place } : {};
    if (kind === "travel") await actions.disrupt(`Travel ${span}`, { away: [{ start, end, kind, ...at }] });
    else if (kind === "illness") await actions.disrupt(`Illness ${span}`, { away: [{ start, end, kind }] });
    else if (kind === "closed")
      await actions.disrupt(`No ${closed} until ${day(end)}`, {
        changes: [{ kind: "closed", place: closed, start, end, ...(place ? { instead: place } : {}) }],
      });
    else {
      const s = open.find((x) => x.label === missed);
      if (!s) return setProblem("There is no session left in this week that could have been missed.");
      await actions.missed(s.label as Label, s.date);
    }
    onClose();
  };
  const others = view.places.filter((p) => kind !== "closed" || p !== closed);
  return (
    <Sheet open onClose={onClose} title="Something came up" note={NOTES[kind]} width={440}>
      <form
        className="space-y-3"
        onSubmit={(e) => {
          e.preventDefault();
          void submit();
        }}
        noValidate
      >
        <FormProblem text={problem} />
        <div className="-ml-1">
          <Segments<Kind>
            name="What came up"
            value={kind}
            onChange={setKind}
            options={[
              ["travel", "Travel"],
              ["illness", "Illness"],
              ["closed", "No gym"],
              ["missed", "Missed"],
            ]}
          />
        </div>
        {kind === "missed" ? (
          <Field id="dis-missed" label="Session">
            <select id="dis-missed" className="input" value={missed} onChange={(e) => setMissed(e.target.value)}>
              {open.map((s) => (
                <option key={s.label} value={s.label}>
                  {s.label}, {day(s.date)}
                </option>
              ))}
            </select>
          </Field>
        ) : (
          <div className="grid grid-cols-2 gap-3">
            {kind === "closed" && (
              <Field id="dis-closed" label="Closed place" className="col-span-2">
                <select id="dis-closed" className="input" value={closed} onChange={(e) => setClosed(e.target.value)}>
                  {view.places.map((p) => (
                    <option key={p} value={p}>
                      {p}
                    </option>
                  ))}
                </select>
              </Field>
            )}
            <Days start={start} view={view} end={end} setEnd={setEnd} setStart={setStart} />
            {kind !== "illness" && (
              <Field
                id="dis-place"
                label={kind === "travel" ? "Place on the way" : "Instead at"}
                className="col-span-2"
              >
                <select id="dis-place" className="input" value={place} onChange={(e) => setPlace(e.target.value)}>
                  <option value="">none</option>
                  {others.map((p) => (
                    <option key={p} value={p}>
                      {p}
                    </option>
                  ))}
                </select>
              </Field>
            )}
          </div>
        )}
        <div className="flex justify-end pt-1">
          <button type="submit" className="btn btn-pri">
            Fit the rest again
          </button>
        </div>
      </form>
    </Sheet>
  );
}

interface DaysProps {
  start: string;
  view: WeekView;
  end: string;
  setEnd: (value: string) => void;
  setStart: (value: string) => void;
}

function Days({ start, view, end, setEnd, setStart }: DaysProps) {
  return (
    <>
      <Field id="dis-start" label="From">
        <DateField
          id="dis-start"
          value={start}
          min={addDays(view.monday, -7)}
          onChange={(from) => {
            if (!from) return;
            if (end === start || end < from) setEnd(from);
            setStart(from);
          }}
        />
      </Field>
      <Field id="dis-end" label="Until" hint="included">
        <DateField id="dis-end" value={end} min={start} onChange={(to) => to && setEnd(to)} />
      </Field>
    </>
  );
}
