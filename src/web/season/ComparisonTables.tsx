/** Before and after in figures: the season's totals, and each week that changes. */
import { Link } from "react-router";
import { day, distanceNumber, PHASE_NAMES, type Units } from "../format";
import { STRATA } from "../section/patterns";
import type { Comparison, WeekFacts } from "./compare";

const PHASES = ["base", "build", "race", "recovery"] as const;
const head = "h-7 text-left text-label text-ink2 shadow-[inset_0_-1px_0_var(--color-ground)] [&>th]:font-semibold";

export function TotalsTable({ compared: { before, after } }: { compared: Comparison }) {
  const cell = (name: string, a: number, b: number) => (
    <td key={name}>
      {a}
      {a !== b && (
        <>
          {" "}
          → <b className="font-semibold text-iron">{b}</b>
        </>
      )}
    </td>
  );
  return (
    <table className="mx-4 my-2 border-collapse">
      <caption className="sr-only">Before and after</caption>
      <thead>
        <tr className={head}>
          {PHASES.map((p) => (
            <th key={p} className="pr-4">
              <i className="sw mr-1 align-[-2px]" style={{ background: STRATA[p].tint }} />
              {PHASE_NAMES[p]}, days
            </th>
          ))}
          <th className="pr-4">Sessions</th>
          <th className="pr-4">Heavy</th>
          <th className="pr-4">Hard sets</th>
          <th>Warnings</th>
        </tr>
      </thead>
      <tbody>
        <tr className="h-8 border-b border-hair2">
          {PHASES.map((p) => cell(p, before.days[p], after.days[p]))}
          {(["sessions", "heavy", "sets", "warnings"] as const).map((k) => cell(k, before[k], after[k]))}
        </tr>
      </tbody>
    </table>
  );
}

export function ChangedWeeks({ compared, units, id }: { compared: Comparison; units: Units; id: string }) {
  if (compared.weeks.length === 0) return <p className="px-4 py-2 text-ink2">No week differs from the season now.</p>;
  const both = (a: string | number, b: string | number) =>
    a === b ? (
      <span className="text-ink2">{a}</span>
    ) : (
      <>
        {a} → <b className="font-semibold text-iron">{b}</b>
      </>
    );
  const phase = (f: WeekFacts) => `${PHASE_NAMES[f.phase]}${f.stepBack ? ", step-back" : ""}`;
  return (
    <div className="px-4 pb-4">
      <table className="w-full border-collapse">
        <caption className="mb-1 text-left text-lead leading-6 font-[650]">
          Weeks that change
          <span className="ml-2 text-label font-normal text-ink2">{compared.weeks.length}</span>
        </caption>
        <thead>
          <tr className={head}>
            <th>Week of</th>
            <th>Phase</th>
            <th>Sessions</th>
            <th>Heavy</th>
            <th>Hard sets</th>
            <th>Training load, AU</th>
            <th>{units.distanceUnit}</th>
          </tr>
        </thead>
        <tbody>
          {compared.weeks.map((w) => (
            <tr key={w.start} className="h-7 border-b border-hair2">
              <td>
                <Link className="link" to={`/a/${id}/season?week=${w.start}`}>
                  {day(w.start)}
                </Link>
              </td>
              <td>{both(phase(w.before), phase(w.after))}</td>
              <td>{both(w.before.sessions, w.after.sessions)}</td>
              <td>{both(w.before.heavy, w.after.heavy)}</td>
              <td>{both(w.before.sets, w.after.sets)}</td>
              <td>{both(w.before.trainingLoad, w.after.trainingLoad)}</td>
              <td>{both(distanceNumber(w.before.distanceKm, units), distanceNumber(w.after.distanceKm, units))}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
