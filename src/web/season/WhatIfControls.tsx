/** What can be tried: races moved, ranked and left out, planned miles in percent, windows dropped. */

import type { ScenarioBody } from "../../api/requests";
import type { PlanningView, SeasonView } from "../../api/views";
import { type Athlete, PRIORITIES, type Priority, type Race, type Window } from "../../core/athlete";
import { addDays, daysBetween, mondayOf, WEEKDAYS } from "../../core/dates";
import { placeName, type Units } from "../format";
import { RuleForm } from "../mileage/EndurancePanel";
import { DateField } from "../ui/DateField";
import { ICON } from "../ui/glyphs";

export function WhatIfControls({
  scenario,
  attempt,
  facts,
  view,
  units,
}: {
  scenario: ScenarioBody;
  attempt: (change: ScenarioBody) => void;
  facts: PlanningView;
  /** The season as it is tried. */
  view: SeasonView;
  units: Units;
}) {
  const plan = scenario.endurancePlan ?? facts.athlete.endurancePlan;
  const { athlete, today } = facts;
  const races = scenario.races ?? athlete.races;
  const windows = scenario.availability ?? athlete.availability;
  const percent = scenario.mileage?.percent ?? 100;
  const from = scenario.mileage?.from ?? today;
  const until = scenario.mileage?.until;
  const tryMiles = (more: Partial<NonNullable<ScenarioBody["mileage"]>>) =>
    attempt({ mileage: { from, percent, ...(until === undefined ? {} : { until }), ...more } });
  const putRace = (race: Race) => attempt({ races: races.map((r) => (r.id === race.id ? race : r)) });
  const within = (date: string, days: number): boolean =>
    date >= today && addDays(date, days - 1) <= athlete.season.end;
  const ahead = races.filter((r) => r.date >= today).sort((a, b) => (a.date < b.date ? -1 : 1));
  return (
    <aside className="flex min-h-0 flex-col overflow-auto border-l border-hair bg-panel" aria-label="What is tried">
      <div className="sec">
        <h2 className="sec-h">Races</h2>
        {ahead.length === 0 && <p className="text-label text-ink2">No race ahead.</p>}
        <ul className="space-y-2">
          {ahead.map((r) => {
            const was = athlete.races.find((x) => x.id === r.id)?.date ?? r.date;
            const by = daysBetween(was, r.date);
            return (
              <RaceLine
                key={r.id}
                r={r}
                by={by}
                putRace={putRace}
                within={within}
                today={today}
                athlete={athlete}
                attempt={attempt}
                races={races}
              />
            );
          })}
        </ul>
      </div>
      <Mileage
        percent={percent}
        tryMiles={tryMiles}
        from={from}
        today={today}
        athlete={athlete}
        until={until}
        units={units}
      />
      {plan && (
        <RuleForm
          key={JSON.stringify(plan.rule ?? null)}
          plan={plan}
          view={view}
          week={{ start: mondayOf(today) }}
          units={units}
          onPlan={(endurancePlan) => attempt({ endurancePlan })}
        />
      )}
      <FreeTime athlete={athlete} windows={windows} attempt={attempt} />
    </aside>
  );
}

interface RaceLineProps {
  r: Race;
  by: number;
  putRace: (race: Race) => void;
  within: (date: string, days: number) => boolean;
  today: string;
  athlete: Athlete;
  attempt: (change: ScenarioBody) => void;
  races: readonly Race[];
}

/** One race: its priority, its day, or left out. */
function RaceLine({ r, by, putRace, within, today, athlete, attempt, races }: RaceLineProps) {
  return (
    <li>
      <div className="flex items-baseline justify-between gap-2">
        <b className="truncate font-semibold">{r.name}</b>
        {by !== 0 && (
          <span className="flex-none text-label text-iron">
            {Math.abs(by)} day{Math.abs(by) === 1 ? "" : "s"} {by > 0 ? "later" : "earlier"}
          </span>
        )}
      </div>
      <div className="mt-0.5 flex items-center gap-1">
        <select
          className="input w-14 flex-none"
          aria-label={`Priority of ${r.name}`}
          value={r.priority}
          onChange={(e) => putRace({ ...r, priority: e.target.value as Priority })}
        >
          {PRIORITIES.map((p) => (
            <option key={p}>{p}</option>
          ))}
        </select>
        <button
          type="button"
          className="btn btn-sq min-w-8"
          aria-label={`${r.name} a week earlier`}
          disabled={!within(addDays(r.date, -7), r.days ?? 1)}
          onClick={() => putRace({ ...r, date: addDays(r.date, -7) })}
        >
          {ICON.left}
        </button>
        <DateField
          className="flex-1"
          name={`Date of ${r.name}`}
          value={r.date}
          min={today}
          max={athlete.season.end}
          onChange={(date) => {
            if (date && within(date, r.days ?? 1)) putRace({ ...r, date });
          }}
        />
        <button
          type="button"
          className="btn btn-sq min-w-8"
          aria-label={`${r.name} a week later`}
          disabled={!within(addDays(r.date, 7), r.days ?? 1)}
          onClick={() => putRace({ ...r, date: addDays(r.date, 7) })}
        >
          {ICON.right}
        </button>
        <button
          type="button"
          className="btn btn-sq min-w-8"
          aria-label={`Leave ${r.name} out`}
          onClick={() => attempt({ races: races.filter((x) => x.id !== r.id) })}
        >
          {ICON.close}
        </button>
      </div>
    </li>
  );
}

interface MileageProps {
  percent: number;
  tryMiles: (more: Partial<NonNullable<ScenarioBody["mileage"]>>) => void;
  from: string;
  today: string;
  athlete: Athlete;
  until: string | undefined;
  units: Units;
}

function Mileage({ percent, tryMiles, from, today, athlete, until, units }: MileageProps) {
  return (
    <div className="sec">
      <label htmlFor="mileage" className="sec-h">
        Planned mileage <b className="font-semibold text-ink">{percent}%</b>
      </label>
      <input
        id="mileage"
        type="range"
        min={50}
        max={150}
        step={5}
        value={percent}
        className="w-full accent-iron"
        onChange={(e) => tryMiles({ percent: Number(e.target.value) })}
      />
      <label className="mt-1 flex items-center gap-2 text-label">
        from
        <DateField
          className="flex-1"
          value={from}
          min={today}
          max={athlete.season.end}
          onChange={(to) => to && tryMiles({ from: to })}
        />
      </label>
      <label className="mt-1 flex items-center gap-2 text-label">
        until
        <DateField
          className="flex-1"
          value={until ?? athlete.season.end}
          min={from}
          max={athlete.season.end}
          onChange={(to) => to && tryMiles({ until: to })}
        />
      </label>
      <p className="mt-1 text-label leading-4 text-ink2">
        Of the planned sessions' minutes, {units.distanceUnit} and ascent; what is done stays.
      </p>
    </div>
  );
}

interface FreeTimeProps {
  athlete: Athlete;
  windows: readonly Window[];
  attempt: (change: ScenarioBody) => void;
}

function FreeTime({ athlete, windows, attempt }: FreeTimeProps) {
  return (
    <div className="sec">
      <h2 className="sec-h">Free time slots</h2>
      <ul className="space-y-1">
        {athlete.availability.map((w) => {
          const kept = windows.includes(w);
          return (
            <li key={`${w.day}${w.start}`}>
              <label className="flex items-center gap-2">
                <input
                  type="checkbox"
                  checked={kept}
                  onChange={(e) =>
                    attempt({
                      availability: athlete.availability.filter((x) =>
                        x === w ? e.target.checked : windows.includes(x),
                      ),
                    })
                  }
                />
                {WEEKDAYS[w.day - 1]} {w.start}, {w.minutes} min, {placeName(w.place)}
              </label>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
