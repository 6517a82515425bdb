/** The end of a season: the next one with the races that are run again, tables to take along, or the archive. */
import { useState } from "react";
import { useNavigate } from "react-router";
import type { AthleteView } from "../../api/views";
import { addDays, isDate, laterOf } from "../../core/dates";
import { raceAgain } from "../../core/season";
import { post, put } from "../data/api";
import { useChange, useClub, useClubChange } from "../data/hooks";
import { day } from "../format";
import { DateField } from "../ui/DateField";
import { Field, FormProblem, Tick } from "../ui/form";
import { Sheet } from "../ui/Sheet";
import { tellFault, tellUndo } from "../ui/tell";
import { useUndo } from "../ui/undo";

const TABLES = ["logs", "tests", "races", "endurance", "plan"] as const;

export default function HandOverSheet({ view, onClose }: { view: AthleteView; onClose: () => void }) {
  return (
    <Sheet open onClose={onClose} title={`${view.facts.name}: next season, tables, archive`} width={520}>
      <Next view={view} onClose={onClose} />
      <section aria-label="Tables" className="mt-5 border-t border-hair pt-3">
        <h3 className="sec-h">Tables for a spreadsheet</h3>
        <p className="flex flex-wrap gap-x-4 gap-y-1">
          <a className="link" href={`/api/athletes/${view.id}/tables/all.xlsx`} download>
            all (XLSX)
          </a>
          {TABLES.map((t) => (
            <a key={t} className="link" href={`/api/athletes/${view.id}/tables/${t}.csv`} download>
              {t} (CSV)
            </a>
          ))}
        </p>
      </section>
      <Archive view={view} onClose={onClose} />
    </Sheet>
  );
}

function Next({ view, onClose }: { view: AthleteView; onClose: () => void }) {
  const { id, season, races } = view;
  const today = useClub().data?.today ?? season.end;
  const first = addDays(season.end, 1);
  const [start, setStart] = useState(laterOf(first, today));
  const [end, setEnd] = useState(addDays(start, 363));
  const again = races
    .map((r) => ({ race: r, next: raceAgain(r) }))
    .filter(({ next }) => next.date >= start && next.date <= end);
  const [off, setOff] = useState<ReadonlySet<string>>(new Set());
  const [problem, setProblem] = useState("");
  const { said } = useUndo(id);
  const save = useChange(id, (body: { start: string; end: string; races: string[] }) =>
    post(`/athletes/${id}/next-season`, body),
  );
  const submit = () => {
    if (!isDate(start) || !isDate(end) || end < start)
      return setProblem("The season's last day is before its first. A day on or after it is expected.");
    save.mutate(
      { start, end, races: again.map(({ race }) => race.id).filter((r) => !off.has(r)) },
      {
        onSuccess: () => {
          said(`The season goes from ${day(start)}.`);
          onClose();
        },
        onError: (e) => setProblem(e.message),
      },
    );
  };
  return (
    <section aria-label="Next season">
      <h3 className="sec-h">Next season</h3>
      <FormProblem text={problem} />
      <p className="mb-2 text-label leading-4 text-ink2">
        Places, free time, approach, usual weeks, health, tests and everything that was done stay. Races of this season
        are kept with their results.
        {start > today ? ` Until ${day(start)} nothing is planned any more.` : ""}
      </p>
      <div className="grid grid-cols-2 gap-3">
        <Field id="next-start" label="From">
          <DateField id="next-start" value={start} onChange={(d) => d && setStart(d)} />
        </Field>
        <Field id="next-end" label="Until" hint="included">
          <DateField id="next-end" value={end} min={start} onChange={(d) => d && setEnd(d)} />
        </Field>
      </div>
      {again.length > 0 && (
        <fieldset className="mt-2">
          <legend className="mb-1 text-label font-medium">Races that are run again, a year later</legend>
          <div className="space-y-1">
            {again.map(({ race, next }) => (
              <Tick
                key={race.id}
                checked={!off.has(race.id)}
                onChange={(on) => {
                  const now = new Set(off);
                  if (on) now.delete(race.id);
                  else now.add(race.id);
                  setOff(now);
                }}
              >
                {race.name}, {day(next.date)} {next.date.slice(0, 4)}
              </Tick>
            ))}
          </div>
        </fieldset>
      )}
      <div className="flex justify-end pt-2">
        <button type="button" className="btn btn-pri" disabled={save.isPending} onClick={submit}>
          {save.isPending ? "Saving…" : "Begin the next season"}
        </button>
      </div>
    </section>
  );
}

function Archive({ view, onClose }: { view: AthleteView; onClose: () => void }) {
  const navigate = useNavigate();
  const save = useClubChange((archived: boolean) => put(`/athletes/${view.id}/archived`, { archived }));
  const away = () =>
    save.mutate(true, {
      onSuccess: () => {
        onClose();
        navigate("/");
        tellUndo(`${view.facts.name} is in the archive.`, () =>
          save.mutate(false, { onError: (e) => tellFault(e.message) }),
        );
      },
      onError: (e) => tellFault(e.message),
    });
  return (
    <section aria-label="Archive" className="mt-5 border-t border-hair pt-3">
      <h3 className="sec-h">Archive</h3>
      <p className="mb-2 text-label leading-4 text-ink2">
        Out of squad, calendar, gym, groups and the club's week; everything is kept, and comes back from the foot of
        Groups.
      </p>
      <button type="button" className="btn" disabled={save.isPending} onClick={away}>
        Put into the archive
      </button>
    </section>
  );
}
