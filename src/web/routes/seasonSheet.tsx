/** The season on paper: phases, races, and a line for each week; to print, or to keep as PDF from the print dialog. */
import { useMemo } from "react";
import { Link, useParams } from "react-router";
import type { SeasonView, SeasonWeekView } from "../../api/views";
import { addDays } from "../../core/dates";
import { useAthlete, useSeason } from "../data/hooks";
import {
  blockText,
  day,
  dayAndYear,
  distanceNumber,
  duration,
  EMPHASIS_NAMES,
  PHASE_NAMES,
  span,
  type Units,
} from "../format";
import { useUnits } from "../frame/current";
import { phaseFacts } from "../season/facts";
import { stripLayout, trainingLoadSum } from "../section/layout/strip";
import { STRATA } from "../section/patterns";
import { SeasonStrip } from "../section/SeasonStrip";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Failed, LoadingNote } from "../ui/State";

const STRIP = { width: 1000, height: 160 };

export default function SeasonSheetRoute() {
  const { id = "" } = useParams();
  const season = useSeason(id);
  const athlete = useAthlete(id);
  useKeys("view", [{ key: "p", label: "print", run: () => window.print(), bar: true }]);
  if (season.isPending || athlete.isPending) return <LoadingNote what="the season sheet" />;
  if (season.isError) return <Failed error={season.error} retry={() => season.refetch()} what="The season" />;
  return <Paper id={id} name={athlete.data?.facts.name ?? ""} view={season.data} />;
}

function Paper({ id, name, view }: { id: string; name: string; view: SeasonView }) {
  const units = useUnits();
  const facts = useMemo(() => phaseFacts(view), [view]);
  const strip = useMemo(
    () =>
      stripLayout({
        view,
        ...STRIP,
        most: {
          km: Math.max(...view.weeks.map((w) => w.distanceKm)),
          trainingLoad: Math.max(...view.weeks.map(trainingLoadSum)),
        },
        changed: new Set(),
        movedRaces: new Set(),
      }),
    [view],
  );
  const head = "h-7 text-left text-label shadow-[inset_0_-1px_0_var(--color-ground)] [&>th]:font-semibold [&>th]:pr-3";
  return (
    <main className="flex h-full flex-col print:block">
      <PageHeader title="Season sheet" className="print:hidden">
        <span className="ml-1 text-ink2">the print dialog also keeps it as PDF</span>
        <span className="flex-1" />
        <Link className="btn" to={`/a/${id}/season`}>
          {ICON.left} Season
        </Link>
        <a className="btn" href={`/api/athletes/${id}/season.csv`} download>
          {ICON.down} CSV
        </a>
        <button type="button" className="btn btn-pri" onClick={() => window.print()}>
          Print
        </button>
      </PageHeader>
      <section
        aria-label="Sheet"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a sheet that scrolls must be reached by the keyboard
        tabIndex={0}
        className="min-h-0 flex-1 overflow-auto px-4 pb-6 print:overflow-visible print:p-0"
      >
        <div className="mx-auto max-w-[1032px] rounded-[3px] border border-hair bg-panel p-4 print:max-w-none print:border-0 print:p-0">
          <h2 className="text-figure leading-8 font-[650]">{name}</h2>
          <p className="mb-2 text-ink2 print:text-ink">
            Season {dayAndYear(view.season.start)} to {dayAndYear(view.season.end)}, as of {dayAndYear(view.today)}
          </p>
          <div className="max-w-full overflow-hidden [&>svg]:h-auto [&>svg]:max-w-full">
            <SeasonStrip l={strip} {...STRIP} name="The season at a glance" />
          </div>
          <h3 className="mt-3 mb-1 text-lead leading-6 font-[650]">Phases</h3>
          <table className="w-full border-collapse text-label leading-4">
            <thead>
              <tr className={head}>
                <th>Phase</th>
                <th>Dates</th>
                <th>Length</th>
                <th>Sessions</th>
                <th>Squat, hinge</th>
                <th>Single leg</th>
              </tr>
            </thead>
            <tbody>
              {view.phases.map((p, i) => {
                const f = facts.get(i);
                return (
                  <tr key={p.start} className="h-6 border-b border-hair2 print:break-inside-avoid">
                    <td>
                      <i className="sw mr-1.5 align-[-2px]" style={{ background: STRATA[p.phase].tint }} />
                      {PHASE_NAMES[p.phase]}
                      {p.fixed ? ", set by coach" : ""}
                    </td>
                    <td>{span(p.start, p.end)}</td>
                    <td>{f?.length}</td>
                    <td>{f?.sessions}</td>
                    <td>{f?.main}</td>
                    <td>{f?.single}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <h3 className="mt-4 mb-1 text-lead leading-6 font-[650]">Weeks</h3>
          <WeekTable view={view} units={units} head={head} />
          <p className="mt-3 max-w-[80ch] text-label leading-4">
            Training load is session RPE times minutes, in arbitrary units. Effort that was not recorded is assumed by
            kind of session. This sheet does not replace a clinician, or a qualified person on the floor, and no figure
            on it promises that nobody gets hurt.
          </p>
        </div>
      </section>
    </main>
  );
}

const racesOf = (view: SeasonView, w: SeasonWeekView): string =>
  view.races
    .filter((r) => r.date >= w.start && r.date <= addDays(w.start, 6))
    .map((r) => `${r.priority} ${r.name}, ${day(r.date)}`)
    .join("; ");

function WeekTable({ view, units, head }: { view: SeasonView; units: Units; head: string }) {
  return (
    <table className="w-full border-collapse text-label leading-4 [&_td]:pr-2 print:text-note">
      <thead className="print:table-header-group">
        <tr className={head}>
          <th>Week</th>
          <th>Dates</th>
          <th>Phase, emphasis</th>
          <th>{units.distanceUnit}</th>
          <th>Hours</th>
          <th>Ascent, m</th>
          <th>Load, AU</th>
          <th>Strength</th>
          <th>Training load</th>
          <th>Races and notes</th>
        </tr>
      </thead>
      <tbody>
        {view.weeks.map((w) => (
          <tr
            key={w.start}
            className={`h-6 border-b border-hair2 align-top print:break-inside-avoid ${w.done ? "text-ink2 print:text-ink" : ""}`}
          >
            <td className="py-1">{w.isoWeek}</td>
            <td className="py-1 whitespace-nowrap">{span(w.start, addDays(w.start, 6))}</td>
            <td className="py-1">
              {PHASE_NAMES[w.phase]}, {EMPHASIS_NAMES[w.emphasis].toLowerCase()}
              {blockText(w)}
            </td>
            <td className="py-1">{distanceNumber(w.distanceKm, units)}</td>
            <td className="py-1">{duration(w.minutes)}</td>
            <td className="py-1">{Math.round(w.ascentM)}</td>
            <td className="py-1">{Math.round(w.load)}</td>
            <td className="py-1 whitespace-nowrap">
              {w.sessions.map((a) => `${a.label} ${day(a.date).slice(0, 3)}${a.heavy ? "*" : ""}`).join(", ") || "–"}
            </td>
            <td className="py-1">{Math.round(trainingLoadSum(w)) || "–"}</td>
            <td className="py-1">{[racesOf(view, w), w.note, w.away.join(", ")].filter(Boolean).join("; ")}</td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <td colSpan={10} className="pt-1 text-ink2">
            * heavy session
          </td>
        </tr>
      </tfoot>
    </table>
  );
}
