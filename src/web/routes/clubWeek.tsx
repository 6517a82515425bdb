/** A week of the whole club: who trained, sets done of planned, pain, tests due, who lifts when; in sentences, in a table, on paper. */
import { Link, useNavigate, useParams } from "react-router";
import { type ClubDay, type ClubWeekRow, type ClubWeekView, clubWeekWords, dayText, PAIN } from "../../api/clubWeek";
import { addDays, mondayOf, WEEKDAYS } from "../../core/dates";
import { useClubWeek } from "../data/club";
import { useClub } from "../data/hooks";
import { day, duration, PHASE_NAMES } from "../format";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader, Steps } from "../ui/page";
import { Empty, Failed, LoadingNote } from "../ui/State";

export default function ClubWeekRoute() {
  const club = useClub();
  const { monday = club.data ? mondayOf(club.data.today) : "" } = useParams();
  const week = useClubWeek(monday);
  if (week.isError) return <Failed error={week.error} retry={() => week.refetch()} what="The club's week" />;
  if (!week.data) return <LoadingNote what="the club's week" />;
  return <ClubWeek view={week.data} />;
}

function ClubWeek({ view }: { view: ClubWeekView }) {
  const navigate = useNavigate();
  const go = (by: number) => navigate(`/club-week/${addDays(view.monday, by * 7)}`);
  useKeys("view", [
    { key: "ArrowLeft", label: "", run: () => go(-1), bar: true },
    { key: "ArrowRight", label: "week", run: () => go(1), bar: true },
  ]);
  return (
    <main className="flex h-full flex-col">
      <PageHeader title="Club week" className="h-auto flex-wrap gap-y-1">
        <span className="ml-1 text-ink2">
          {day(view.monday)} to {day(addDays(view.monday, 6))}
        </span>
        <Steps before="Week before" next="Week after" onStep={go} />
        <span className="flex-1" />
        <a className="btn" href={`/api/club/week/${view.monday}/pdf`} target="_blank" rel="noreferrer">
          {ICON.file} PDF
        </a>
      </PageHeader>
      <div className="min-h-0 flex-1 overflow-auto px-4 pb-6">
        {view.rows.length === 0 ? (
          <Empty title="No athletes">Nobody is in the club yet, or none of its athletes is yours.</Empty>
        ) : (
          <>
            <div className="max-w-[860px] pb-3 text-lead leading-6">
              {clubWeekWords(view).map((words) => (
                <p key={words}>{words}</p>
              ))}
            </div>
            <section
              aria-label="Athletes"
              // biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls must be reached by the keyboard
              tabIndex={0}
              className="overflow-x-auto"
            >
              <table className="w-full min-w-[820px] border-collapse text-left">
                <thead>
                  <tr className="h-7 text-label text-ink2 shadow-[inset_0_-1.5px_0_var(--color-ground)] [&>th]:font-semibold">
                    <th className="w-[164px]">Athlete</th>
                    {WEEKDAYS.map((d, i) => (
                      <th
                        key={d}
                        className={`w-[52px] text-center ${addDays(view.monday, i) === view.today ? "text-ink" : ""}`}
                      >
                        {d}
                      </th>
                    ))}
                    <th className="w-[96px] pl-3">Sessions</th>
                    <th className="w-[150px]">Hard sets</th>
                    <th className="w-[150px]">Endurance</th>
                    <th className="w-[56px]">Pain</th>
                    <th>Tests due</th>
                  </tr>
                </thead>
                <tbody>
                  {view.rows.map((r) => (
                    <Row key={r.id} row={r} view={view} />
                  ))}
                </tbody>
              </table>
            </section>
            <p className="pt-3 text-label text-ink2">
              A letter is a strength session that was done, in brackets one that was planned; the line below it is
              endurance, filled as far as it was done. Sums are done of planned, up to today.
            </p>
          </>
        )}
      </div>
    </main>
  );
}

function Row({ row: r, view }: { row: ClubWeekRow; view: ClubWeekView }) {
  return (
    <tr className="h-[52px] border-b border-hair align-middle">
      <td>
        <Link to={`/a/${r.id}/week/${view.monday}`} className="block leading-5 font-[650] hover:underline">
          {r.name}
        </Link>
        <span className="text-label text-ink2">{r.phase ? PHASE_NAMES[r.phase] : "outside the season"}</span>
      </td>
      {r.days.map((d) => (
        <td key={d.date} className={`text-center ${d.date === view.today ? "bg-panel" : ""}`}>
          <Day day={d} past={d.date < view.today} />
        </td>
      ))}
      <td className="pl-3">
        {r.sessions.done} of {r.sessions.planned}
      </td>
      <td>
        <Share
          done={r.hardSets.done}
          planned={r.hardSets.planned}
          words={`${r.hardSets.done} of ${r.hardSets.planned}`}
        />
      </td>
      <td>
        <Share
          done={r.minutes.done}
          planned={r.minutes.planned}
          words={`${duration(r.minutes.done)} of ${duration(r.minutes.planned)}`}
        />
      </td>
      <td className={r.pain !== null && r.pain >= PAIN ? "font-semibold text-brick-ink" : ""}>{r.pain ?? "–"}</td>
      <td>
        {r.testsDue > 0 ? (
          <Link className="hover:underline" to={`/a/${r.id}/screening`}>
            {r.testsDue}
          </Link>
        ) : (
          "–"
        )}
      </td>
    </tr>
  );
}

/** Longest endurance of a day that the line shows, min. */
const FULL = 180;

function Day({ day: d, past }: { day: ClubDay; past: boolean }) {
  const missed = past && d.planned.some((l) => !d.logged.includes(l));
  const width = (minutes: number) => `${Math.min(100, (100 * minutes) / FULL)}%`;
  return (
    <>
      <span className={`block leading-5 font-medium ${missed ? "text-brick-ink" : ""}`}>
        {d.race ? "race" : dayText(d) || "\u00a0"}
      </span>
      <span className="mx-auto block h-1 w-10 bg-hair2" title={`${d.minutes} of ${d.plannedMinutes} min`}>
        <span
          className={`block h-1 ${d.plannedMinutes > 0 ? "border-r border-moss" : ""}`}
          style={{ width: width(Math.max(d.plannedMinutes, d.minutes)) }}
        >
          <span
            className="block h-1 bg-moss"
            style={{ width: d.minutes === 0 ? 0 : width((FULL * d.minutes) / Math.max(d.plannedMinutes, d.minutes)) }}
          />
        </span>
      </span>
    </>
  );
}

/** A share as a bar with its words. */
const Share = ({ done, planned, words }: { done: number; planned: number; words: string }) => (
  <span className="block pr-4">
    <span className="block leading-4">{words}</span>
    <span className="mt-0.5 block h-1.5 bg-hair2" aria-hidden="true">
      <span
        className="block h-1.5 bg-iron"
        style={{ width: `${planned === 0 ? (done > 0 ? 100 : 0) : Math.min(100, (100 * done) / planned)}%` }}
      />
    </span>
  </span>
);
