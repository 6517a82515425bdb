/** Screening: the latest results against their marks, what they change, and the history of each test. */
import { lazy, Suspense, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import type { ScreeningView, ScreenTestView } from "../../api/views";
import { useScreening } from "../data/intake";
import { day } from "../format";
import { draftOf } from "../intake/useStep";
import { draftKey, isWhole, type ScreenDraft, valueText } from "../screening/draft";
import { FindingLine } from "../screening/FindingLine";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Failed, LoadingNote } from "../ui/State";

const HistoryChart = lazy(() => import("../charts/HistoryChart"));

export default function ScreeningRoute() {
  const { id = "" } = useParams();
  const screening = useScreening(id);
  if (screening.isPending) return <LoadingNote what="the screening" />;
  if (screening.isError)
    return <Failed error={screening.error} retry={() => screening.refetch()} what="The screening" />;
  return <Overview key={id} id={id} view={screening.data} />;
}

const latest = (t: ScreenTestView) => t.history.at(-1);
const weaker = (h: ScreenTestView["history"][number]): number | null =>
  h.value ?? (h.left === null || h.right === null ? (h.left ?? h.right) : Math.min(h.left, h.right));

function Overview({ id, view }: { id: string; view: ScreeningView }) {
  const navigate = useNavigate();
  const draft = draftOf<ScreenDraft>(draftKey(id));
  const begun = draft !== null && (Object.keys(draft.results).length > 0 || draft.looked);
  // The first test under its mark is what a coach looks at, else the first with a history.
  const under = view.tests.findIndex((t) => {
    const h = latest(t);
    const v = h ? weaker(h) : null;
    return v !== null && v < t.mark;
  });
  const first = under >= 0 ? under : view.tests.findIndex((t) => t.history.length > 0);
  const [at, setAt] = useState(Math.max(0, first));
  const test = view.tests[at];
  const run = () => navigate(`/a/${id}/screening/run`);
  useKeys("view", [
    { key: "n", label: begun ? "go on with the screen" : "new screen", run, bar: true },
    { key: "ArrowUp", label: "", run: () => setAt(Math.max(0, at - 1)), bar: true },
    { key: "ArrowDown", label: "test", run: () => setAt(Math.min(view.tests.length - 1, at + 1)), bar: true },
  ]);
  const done = view.tests.filter((t) => t.history.length > 0).length;
  return (
    <div className="two-pane side-wide">
      <main className="flex min-w-0 flex-col">
        <PageHeader title="Screening">
          <span className="ml-1 text-ink2">
            {done} of {view.tests.length} tests on record
          </span>
          <span className="flex-1" />
          <Link className="btn" to={`/a/${id}/homework`}>
            Activation sheet
          </Link>
          <button type="button" className="btn btn-pri" onClick={run}>
            {begun
              ? `Go on: ${view.tests.filter((t) => isWhole(t, draft.results[t.test])).length} of ${view.tests.length} done`
              : "New screen"}
          </button>
        </PageHeader>
        <div className="@container min-h-0 flex-1 overflow-auto px-4 pb-4">
          <Tests view={view} at={at} setAt={setAt} />
          {test && (
            <section className="mt-5">
              <h2 className="mb-1 text-lead leading-6 font-[650]">{test.name} over time</h2>
              {test.history.length === 0 ? (
                <p className="text-ink2">Not done yet: the first screen draws the first point.</p>
              ) : (
                <Suspense fallback={<LoadingNote what="the chart" />}>
                  <HistoryChart test={test} />
                </Suspense>
              )}
            </section>
          )}
        </div>
      </main>
      <aside
        className="overflow-auto border-l border-hair bg-panel max-[860px]:border-t max-[860px]:border-l-0"
        aria-label="What the screening changes"
      >
        <div className="sec">
          <h2 className="sec-h">What it changes now</h2>
          {view.findings.length === 0 ? (
            <p className="text-ink2">
              {done === 0 ? "Nothing yet: no test was done." : "Nothing: what was tested passed, and nothing was seen."}
            </p>
          ) : (
            <ul>
              {view.findings.map((f) => (
                <FindingLine key={f.id} f={f} />
              ))}
            </ul>
          )}
        </div>
      </aside>
    </div>
  );
}

interface TestsProps {
  view: ScreeningView;
  at: number;
  setAt: (value: number) => void;
}

function Tests({ view, at, setAt }: TestsProps) {
  return (
    <table className="w-full border-collapse text-left">
      <thead>
        <tr className="h-7 text-label text-ink2 shadow-[inset_0_-1.500px_0_var(--color-ground)]">
          <th className="font-semibold">Test</th>
          <th className="w-[76px] font-semibold @max-[720px]:w-[56px]">Left</th>
          <th className="w-[76px] font-semibold @max-[720px]:w-[56px]">Right</th>
          <th className="w-[76px] font-semibold @max-[720px]:w-[56px]">Mark</th>
          <th className="w-[120px] font-semibold @max-[720px]:w-[72px]">Result</th>
          <th className="w-[96px] @max-[720px]:hidden font-semibold">Since before</th>
          <th className="w-[96px] @max-[720px]:hidden font-semibold">On</th>
        </tr>
      </thead>
      <tbody>
        {view.tests.map((t, i) => {
          const h = latest(t);
          const before = t.history.at(-2);
          const [now, then] = [h ? weaker(h) : null, before ? weaker(before) : null];
          const change = now !== null && then !== null ? now - then : null;
          return (
            <tr
              key={t.test}
              className={`h-8 border-b border-hair2 ${i === at ? "bg-iron-l" : "hover:bg-panel"}`}
              onClick={() => setAt(i)}
            >
              <td>
                <button type="button" className="link text-left" aria-pressed={i === at} onClick={() => setAt(i)}>
                  {t.name}
                </button>
              </td>
              {t.sides ? (
                <>
                  <td>{valueText(t, h?.left)}</td>
                  <td>{valueText(t, h?.right)}</td>
                </>
              ) : (
                <td colSpan={2}>{valueText(t, h?.value)}</td>
              )}
              <td>{t.unit === "yes-no" ? "pass" : valueText(t, t.mark)}</td>
              <td>
                {now === null ? (
                  <span className="text-ink2">not done</span>
                ) : now >= t.mark ? (
                  "passed"
                ) : (
                  <b className="font-semibold text-brick-ink">under the mark</b>
                )}
              </td>
              <td className="@max-[720px]:hidden">
                {change === null || t.unit === "yes-no"
                  ? "–"
                  : change === 0
                    ? "same"
                    : `${change > 0 ? "+" : "−"}${valueText(t, Math.abs(change))}`}
              </td>
              <td className="@max-[720px]:hidden">{h ? day(h.date) : "–"}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
