/** Something came up: told once, and what is left of the week is placed again around what is done. */
import { useState } from "react";
import type { WeekView } from "../../api/views";
import type { Label } from "../../core/athlete";
import { addDays, laterOf } from "../../core/dates";
import { AwayForm } from "../away/AwayForm";
import { day } from "../format";
import { DateField } from "../ui/DateField";
import { Field, FormProblem } from "../ui/form";
import { Segments } from "../ui/Segments";
import { Sheet } from "../ui/Sheet";
import type { WeekActions } from "./useWeekActions";

type Kind = "away" | "closed" | "missed";

const NOTES: Record<Kind, string> = {
  away: "What is left of the week is placed around it.",
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
  const [kind, setKind] = useState<Kind>("away");
  const [start, setStart] = useState(first);
  const [end, setEnd] = useState(first);
  const [place, setPlace] = useState("");
  const [closed, setClosed] = useState(view.windows[0]?.place ?? view.places[0] ?? "");
  const open = view.sessions.filter((s) => !s.done && s.date >= view.monday);
  const [missed, setMissed] = useState<string>(open[0]?.label ?? "");
  const [problem, setProblem] = useState("");

  const submit = async () => {
    if (end < start) return setProblem("The last day is before the first. A day on or after it is expected.");
    if (kind === "closed")
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
      <div className="-ml-1">
        <Segments<Kind>
          name="What came up"
          value={kind}
          onChange={setKind}
          options={[
            ["away", "Ill or away"],
            ["closed", "No gym"],
            ["missed", "Missed"],
          ]}
        />
      </div>
      {kind === "away" ? (
        <AwayForm id={view.id} today={first} kind="travel" onDone={onClose} />
      ) : (
        <form
          className="space-y-3"
          onSubmit={(e) => {
            e.preventDefault();
            void submit();
          }}
          noValidate
        >
          <FormProblem text={problem} />
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
              <Field id="dis-closed" label="Closed place" className="col-span-2">
                <select id="dis-closed" className="input" value={closed} onChange={(e) => setClosed(e.target.value)}>
                  {view.places.map((p) => (
                    <option key={p} value={p}>
                      {p}
                    </option>
                  ))}
                </select>
              </Field>
              <Days start={start} view={view} end={end} setEnd={setEnd} setStart={setStart} />
              <Field id="dis-place" label="Instead at" className="col-span-2">
                <select id="dis-place" className="input" value={place} onChange={(e) => setPlace(e.target.value)}>
                  <option value="">none</option>
                  {others.map((p) => (
                    <option key={p} value={p}>
                      {p}
                    </option>
                  ))}
                </select>
              </Field>
            </div>
          )}
          <div className="flex justify-end pt-1">
            <button type="submit" className="btn btn-pri">
              Fit the rest again
            </button>
          </div>
        </form>
      )}
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
