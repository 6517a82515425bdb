/** The season section as a table, for screen readers. */
import { memo, useMemo } from "react";
import type { SeasonView } from "../../api/views";
import { blockText, day, duration, PHASE_NAMES } from "../format";
import { useSettled } from "../ui/useSettled";
import type { SeasonLayout } from "./layout/season";

export const SeasonTwin = memo(function SeasonTwin(now: {
  columns: SeasonLayout["columns"];
  races: SeasonView["races"];
  unit: string;
}) {
  const shown = useMemo(() => ({ ...now }), [now.columns, now.races, now.unit]);
  const { columns, races, unit } = useSettled(shown);
  return (
    <div className="sr-only">
      <table>
        <caption>Weeks of the season</caption>
        <thead>
          <tr>
            <th>Week</th>
            <th>Dates</th>
            <th>Phase</th>
            <th>{unit}</th>
            <th>Load limit, AU</th>
            <th>Planned, done</th>
            <th>Ascent, m</th>
            <th>Strength sessions</th>
            <th>Squat, hinge</th>
            <th>Single leg</th>
            <th>Hops, jumps</th>
            <th>Note</th>
          </tr>
        </thead>
        <tbody>
          {columns.map((c) => (
            <tr key={c.index}>
              <td>{c.week.isoWeek}</td>
              <td>{c.week.start}</td>
              <td>
                {PHASE_NAMES[c.week.phase]}
                {blockText(c.week)}
              </td>
              <td>{Math.round(c.value)}</td>
              <td>{c.week.loadLimit}</td>
              <td>
                {c.week.planned.sessions > 0
                  ? `${duration(c.week.planned.minutes)} planned, ${c.week.done ? `${duration(c.week.minutes)} done` : "ahead"}`
                  : ""}
              </td>
              <td>{Math.round(c.week.ascentM)}</td>
              <td>
                {c.week.sessions
                  .map((a) => `${a.label} ${day(a.date)}, ${duration(a.minutes)}, ${a.stress} AU`)
                  .join("; ")}
              </td>
              <td>
                {[
                  c.week.line.main,
                  c.week.line.percent === null ? null : `${c.week.line.percent}%`,
                  c.week.line.held ? "held" : null,
                ]
                  .filter(Boolean)
                  .join(", ")}
              </td>
              <td>{c.week.line.single}</td>
              <td>{c.week.line.jumps}</td>
              <td>{[...c.week.away, c.week.note].filter(Boolean).join("; ")}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul aria-label="Races">
        {races.map((r) => (
          <li key={r.id}>{`${r.priority} race ${r.name}, ${day(r.date)}`}</li>
        ))}
      </ul>
    </div>
  );
});
