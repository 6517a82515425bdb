/** Days away, entered once: ill, travelling, on holiday; the endurance of those days is settled with them. */
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { AwayBody } from "../../api/requests";
import type { AwayPreview } from "../../api/views";
import type { Away } from "../../core/athlete";
import { placeName } from "../../core/athlete";
import { amountText } from "../../core/mileage";
import { get, post } from "../data/api";
import { useChange } from "../data/hooks";
import { day, duration, SPORT_NAMES } from "../format";
import { DateField } from "../ui/DateField";
import { Field, FormProblem, Tick } from "../ui/form";
import { Segments } from "../ui/Segments";
import { LoadingNote } from "../ui/State";
import { useUndo } from "../ui/undo";

type Kind = Away["kind"];
type As = "left-out" | "done" | "moved" | "stays";

const NOTES: Record<Kind, string> = {
  illness:
    "Nothing is placed until well; afterwards it restores for as many days as were lost, at most 14. With fever, or chest pain and breathlessness after it, a doctor goes first.",
  travel: "Those days have no free time, unless there is a place on the way.",
  holiday: "Those days have no free time, unless there is a place there.",
  heat: "The first week takes a third fewer sets; the load stays.",
  height: "The first week takes a third fewer sets; the load stays.",
};
const KINDS: readonly [Kind, string][] = [
  ["illness", "Ill"],
  ["travel", "Travel"],
  ["holiday", "Holiday"],
  ["heat", "Heat"],
  ["height", "Height"],
];

interface Props {
  id: string;
  today: string;
  /** The kind that is chosen first. */
  kind?: Kind;
  onDone: () => void;
}

export function AwayForm({ id, today, kind: first = "illness", onDone }: Props) {
  const [kind, setKind] = useState<Kind>(first);
  const [start, setStart] = useState(today);
  const [end, setEnd] = useState(today);
  const [place, setPlace] = useState("");
  const [said, setSaid] = useState<Record<string, { as: As; date?: string }>>({});
  const [lighter, setLighter] = useState(true);
  const [problem, setProblem] = useState("");
  const { said: tellUndoable } = useUndo(id);
  const save = useChange(id, (body: AwayBody) => post(`/athletes/${id}/away`, body));
  const preview = useQuery({
    queryKey: ["a", id, "away", start, end],
    queryFn: () => get<AwayPreview>(`/athletes/${id}/away/${start}/${end}`),
    enabled: end >= start,
  });
  const view = preview.data;
  const ill = kind === "illness";
  const usual: As = ill ? "left-out" : "stays";
  const asOf = (row: string): As => said[row]?.as ?? usual;
  const submit = () => {
    if (end < start) return setProblem("The last day is before the first. A day on or after it is expected.");
    const endurance = (view?.endurance ?? []).flatMap(({ row }) => {
      const as = asOf(row);
      if (as === "stays") return [];
      const date = said[row]?.date;
      return [{ row, as, ...(as === "moved" && date ? { date } : {}) }];
    });
    save.mutate(
      {
        away: { start, end, kind, ...(place && !ill ? { place } : {}) },
        endurance,
        ...(ill && lighter && view?.week ? { lighterPct: view.lighterPct } : {}),
      },
      {
        onSuccess: () => {
          tellUndoable(`${KINDS.find(([k]) => k === kind)?.[1]} until ${day(end)}. The plan goes around it.`);
          onDone();
        },
        onError: (e) => setProblem(e.message),
      },
    );
  };
  return (
    <form
      className="space-y-3"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
    >
      <FormProblem text={problem} />
      <div className="-ml-1">
        <Segments name="Why away" options={KINDS} value={kind} onChange={setKind} />
      </div>
      <p className="text-label leading-4 text-ink2">{NOTES[kind]}</p>
      <div className="grid grid-cols-2 gap-3">
        <Field id="away-start" label="From">
          <DateField
            id="away-start"
            value={start}
            onChange={(d) => {
              if (!d) return;
              setStart(d);
              if (end < d) setEnd(d);
            }}
          />
        </Field>
        <Field id="away-end" label="Until" hint="included">
          <DateField id="away-end" value={end} min={start} onChange={(d) => d && setEnd(d)} />
        </Field>
        {!ill && view && (
          <Field id="away-place" label="Place there" className="col-span-2">
            <select id="away-place" className="input" value={place} onChange={(e) => setPlace(e.target.value)}>
              <option value="">none</option>
              {view.places.map((p) => (
                <option key={p} value={p}>
                  {placeName(p)}
                </option>
              ))}
            </select>
          </Field>
        )}
      </div>
      {preview.isPending ? (
        <LoadingNote what="the endurance of those days" />
      ) : (
        view && (
          <EnduranceOf
            view={view}
            asOf={asOf}
            onSay={(row, as, date) => setSaid({ ...said, [row]: { as, ...(date ? { date } : {}) } })}
          />
        )
      )}
      {ill && view?.week && (
        <Tick checked={lighter} onChange={setLighter}>
          First endurance week after it ({day(view.week.monday)}) at {view.lighterPct}% of{" "}
          {amountText(view.week.amount, view.week.unit)}
        </Tick>
      )}
      <div className="flex justify-end pt-1">
        <button type="submit" className="btn btn-pri" disabled={save.isPending || (end >= start && !view)}>
          {save.isPending ? "Saving…" : "Enter and plan around it"}
        </button>
      </div>
    </form>
  );
}

interface EnduranceProps {
  view: AwayPreview;
  asOf: (row: string) => As;
  onSay: (row: string, as: As, date?: string) => void;
}

function EnduranceOf({ view, asOf, onSay }: EnduranceProps) {
  if (view.endurance.length === 0) return <p className="text-ink2">No endurance is planned in those days.</p>;
  return (
    <section aria-label="Endurance of those days">
      <h3 className="sec-h">Endurance of those days</h3>
      <ul className="max-h-52 overflow-auto">
        {view.endurance.map((e) => {
          const name = `${day(e.date)}, ${SPORT_NAMES[e.sport].toLowerCase()} ${e.kind}`;
          return (
            <li key={e.row} className="flex flex-wrap items-center gap-2 border-b border-hair2 py-1">
              <span className="min-w-0 flex-1">
                {name} <span className="text-ink2">{duration(e.minutes)}</span>
              </span>
              <select
                aria-label={name}
                className="input w-auto"
                value={asOf(e.row)}
                onChange={(x) => onSay(e.row, x.target.value as As, e.date)}
              >
                <option value="left-out">left out</option>
                <option value="moved">moved to …</option>
                <option value="done">was done</option>
                <option value="stays">stays planned</option>
              </select>
              {asOf(e.row) === "moved" && (
                <DateField
                  className="w-[150px]"
                  value={e.date}
                  name={`${name}: moved to`}
                  onChange={(d) => d && onSay(e.row, "moved", d)}
                />
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
