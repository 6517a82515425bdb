/** Homework of the week, to tick; under it activation, warm-up and after-care, to read and to print. */
import { Link, useParams } from "react-router";
import { useHomework } from "../data/homework";
import { useSheets } from "../data/intake";
import { dayAndYear } from "../format";
import { HomeworkWeek } from "../homework/Week";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Failed, LoadingNote } from "../ui/State";
import { RuleNote } from "../ui/Why";

export default function HomeworkRoute() {
  const { id = "" } = useParams();
  const sheets = useSheets(id);
  const homework = useHomework(id);
  useKeys("view", [{ key: "p", label: "print", run: () => window.print(), bar: true }]);
  if (sheets.isPending || homework.isPending) return <LoadingNote what="the homework" />;
  if (homework.isError) return <Failed error={homework.error} retry={() => homework.refetch()} what="The homework" />;
  if (sheets.isError)
    return sheets.error.message.includes("no such place") ? (
      <main className="p-8">
        <h1 className="mb-1 text-title font-semibold">No place yet</h1>
        <p className="mb-3 text-ink2">The sheets need nothing but a floor, and the plan needs to know of one place.</p>
        <Link className="btn" to={`/a/${id}/intake/places`}>
          Add a place
        </Link>
      </main>
    ) : (
      <Failed error={sheets.error} retry={() => sheets.refetch()} what="The sheets" />
    );
  const view = sheets.data;
  return (
    <main className="flex h-full flex-col print:block">
      <PageHeader
        title="Homework"
        note="at most 15 min a day, never counted as a strength session"
        className="print:hidden"
      >
        <span className="flex-1" />
        <Link className="btn" to={`/a/${id}/screening`}>
          Screening
        </Link>
        <button type="button" className="btn btn-pri" onClick={() => window.print()}>
          Print
        </button>
      </PageHeader>
      <div className="min-h-0 flex-1 overflow-auto px-4 pb-6 print:overflow-visible print:p-0">
        <p className="mb-3 hidden text-lead font-semibold print:block">
          {view.name}, {dayAndYear(view.today)}
        </p>
        <h2 className="sec-h">This week</h2>
        <HomeworkWeek view={homework.data} />
        <h2 className="sec-h mt-4">Sheets</h2>
        <div className="grid grid-cols-3 gap-6 max-[1100px]:grid-cols-1 print:block">
          {view.sheets.map((s) => (
            <section
              key={s.id}
              className="rounded-[3px] border border-hair bg-panel p-4 print:mb-4 print:break-inside-avoid print:border-ink"
            >
              <h2 className="flex items-baseline justify-between gap-2 text-lead leading-6 font-[650]">
                {s.title}
                <span className="text-label font-normal text-ink2 whitespace-nowrap">
                  {s.rounds > 1 ? `${s.rounds} rounds, ` : ""}about {s.minutes} min
                </span>
              </h2>
              <p className="mb-2 text-label leading-4 text-ink2">{s.says}</p>
              <ol>
                {s.lines.map((l, i) => (
                  <li
                    key={l.exercise}
                    className="grid grid-cols-[20px_minmax(0,1fr)_auto] gap-x-2 border-t border-hair2 py-2"
                  >
                    <span className="text-ink2">{i + 1}</span>
                    <span>
                      <Link
                        to={`/library/${l.exercise}`}
                        className="block text-body leading-5 font-semibold hover:underline print:text-lead"
                      >
                        {l.name}
                      </Link>
                      <span className="block text-label leading-4">{l.cue}</span>
                      <span className="block text-label leading-4 text-ink2 print:hidden">{l.why.text}</span>
                    </span>
                    <span className="text-right text-lead leading-5 font-semibold print:text-title">{l.dose}</span>
                  </li>
                ))}
              </ol>
            </section>
          ))}
        </div>
        <div className="mt-4 max-w-[72ch] space-y-1 text-label leading-4 text-ink2 print:text-ink">
          {view.cautions.map((c) => (
            <p key={c}>{c}</p>
          ))}
          <p>
            Range ends where control ends; stop what hurts above 5 of 10. No lifting with fever. Barefoot only on a
            clean safe floor. This sheet does not replace a clinician, or a qualified person on the floor.
          </p>
          <p className="print:hidden">
            <RuleNote rule="homework.day" /> <RuleNote rule="sheet.activation" />
          </p>
        </div>
      </div>
    </main>
  );
}
