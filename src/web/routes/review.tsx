/** Review: planned against done by week and phase, patterns against the sport's share, and the block in words to change and send. */
import { lazy, Suspense, useMemo, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import type { ReviewView } from "../../api/views";
import { addDays, earlierOf, laterOf, mondayOf } from "../../core/dates";
import { sumTicked } from "../../core/homework";
import { saidOf } from "../data/api";
import { useReview, useSaveReview } from "../data/dose";
import { useClub, useSeason } from "../data/hooks";
import { useHeld } from "../data/tags";
import { span as between, day, mass, PHASE_NAMES, textIn } from "../format";
import { useCurrentRow, useUnits } from "../frame/current";
import { STRATA } from "../section/patterns";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PageHeader, Steps } from "../ui/page";
import { Segments } from "../ui/Segments";
import { Empty, Failed, LoadingNote } from "../ui/State";
import { tell, tellFault } from "../ui/tell";
import { useUnsaved } from "../ui/useUnsaved";

const WeekChart = lazy(() => import("../review/WeekChart"));
const ShareChart = lazy(() => import("../review/ShareChart"));

type Span = "4" | "8" | "phase" | "season";
const SPANS: readonly (readonly [Span, string])[] = [
  ["4", "4 weeks"],
  ["8", "8 weeks"],
  ["phase", "Phase"],
  ["season", "Season"],
];

export default function ReviewRoute() {
  const { id = "" } = useParams();
  const club = useClub();
  const season = useSeason(id);
  const [search, setSearch] = useSearchParams();
  const span = SPANS.find(([s]) => s === search.get("span"))?.[0] ?? "4";
  const today = club.data?.today ?? "";
  // The last whole week, unless another end is asked for.
  const end = search.get("to") ?? (today ? addDays(mondayOf(today), -1) : "");
  const range = useMemo(() => {
    if (!season.data || end === "") return null;
    const start = season.data.season.start;
    const phase = season.data.phases.find((p) => p.start <= end && end <= p.end);
    const from =
      span === "season"
        ? start
        : span === "phase"
          ? (phase?.start ?? start)
          : addDays(mondayOf(end), -7 * (Number(span) - 1));
    return { from: mondayOf(laterOf(from, start)), to: end };
  }, [season.data, end, span]);
  const review = useReview(id, range?.from ?? "", range?.to ?? "");
  const move = (by: 1 | -1) => {
    const weeks = span === "8" ? 8 : 4;
    const to = addDays(end, by * weeks * 7);
    const last = addDays(mondayOf(today), 6);
    setSearch({ span, to: earlierOf(to, last) }, { replace: true });
  };
  useKeys("view", [
    { key: "ArrowLeft", label: "", run: () => move(-1), bar: true },
    { key: "ArrowRight", label: "block", run: () => move(1), bar: true },
  ]);
  if (season.isError) return <Failed error={season.error} retry={() => season.refetch()} what="The season" />;
  if (review.isError) return <Failed error={review.error} retry={() => review.refetch()} what="The review" />;
  if (!review.data || !range) return <LoadingNote what="the review" />;
  return (
    <main className="grid h-full grid-cols-[minmax(0,1fr)_21.25rem] grid-rows-[auto_minmax(0,1fr)] max-[1023px]:flex max-[1023px]:flex-col max-[1023px]:overflow-auto max-[1023px]:[&>*]:flex-none max-[1023px]:[&>:last-child]:order-4">
      <PageHeader title="Review" note={between(review.data.from, review.data.to)}>
        <Steps before="Block before" next="Next block" onStep={move} />
        <Segments<Span>
          name="Span"
          value={span}
          onChange={(s) => setSearch({ span: s }, { replace: true })}
          options={SPANS}
        />
        <span className="flex-1" />
        <a
          className="btn"
          href={`/api/athletes/${id}/report.pdf?from=${range.from}&to=${range.to}`}
          target="_blank"
          rel="noreferrer"
        >
          Report
        </a>
        <a
          className="btn"
          href={`/api/athletes/${id}/block.pdf?from=${review.data.today}`}
          target="_blank"
          rel="noreferrer"
        >
          Block sheet
        </a>
      </PageHeader>
      <h2 className="flex items-end border-l border-hair bg-panel px-4 pb-1.5 text-label font-semibold text-ink2 max-[1023px]:order-3 max-[1023px]:pt-3">
        The block in words
      </h2>
      {review.data.weeks.length === 0 ? (
        <Empty title="Nothing to review here">
          <p>These weeks lie before the season, or are still ahead.</p>
        </Empty>
      ) : (
        <Figures view={review.data} stale={review.isPlaceholderData} />
      )}
      <Words key={`${review.data.from}${review.data.to}${review.data.saved?.text ?? ""}`} view={review.data} />
    </main>
  );
}

function Figures({ view, stale }: { view: ReviewView; stale: boolean }) {
  const units = useUnits();
  const endurance = view.weeks.reduce((a, w) => a + w.endurance.minutes, 0);
  const planned = view.weeks.reduce((a, w) => a + w.endurance.plannedMinutes, 0);
  const homework = sumTicked(view.weeks.map((w) => w.homework));
  const figure = (label: string, done: string, of: string) => (
    <div className="border-r border-hair px-4 py-1.5 first:pl-0 last:border-r-0">
      <p className="text-note leading-[14px] text-ink2">{label}</p>
      <p className="num text-figure leading-7 font-semibold">
        {done} <span className="text-body font-normal text-ink2">{of}</span>
      </p>
    </div>
  );
  const h = (m: number) => Math.round(m / 6) / 10;
  return (
    <section aria-label="Figures of the block" className="min-w-0 overflow-auto px-4 pb-4" aria-busy={stale}>
      <div className="mb-2 flex border-b border-hair">
        {figure("Sessions", String(view.done.sessions), `of ${view.planned.sessions}`)}
        {figure("Hard sets", String(view.done.hardSets), `of ${view.planned.hardSets}`)}
        {figure(
          "Strength stress, AU",
          view.done.stress.toLocaleString("en-GB"),
          `of ${view.planned.stress.toLocaleString("en-GB")}`,
        )}
        {homework.asked > 0 && figure("Homework", String(homework.done), `of ${homework.asked}`)}
        {figure("Endurance, h", String(h(endurance)), planned > 0 ? `of ${h(planned)}` : "")}
      </div>
      <Suspense fallback={<div className="h-[422px]" />}>
        <WeekChart view={view} />
      </Suspense>
      <div className="mt-3 grid grid-cols-[minmax(0,1fr)_300px] gap-6 max-[1180px]:grid-cols-1">
        <Suspense fallback={<div className="h-[236px]" />}>
          <ShareChart view={view} />
        </Suspense>
        <div>
          <h2 className="mb-1 text-body font-semibold">By phase</h2>
          <table className="w-full text-left text-label leading-5">
            <thead>
              <tr className="text-ink2">
                <th className="font-semibold">Phase</th>
                <th className="font-semibold">Sessions</th>
                <th className="font-semibold">Hard sets</th>
                <th className="font-semibold">AU</th>
              </tr>
            </thead>
            <tbody>
              {view.phases.map((p) => (
                <tr key={p.phase} className="border-b border-hair2">
                  <td className="flex items-center gap-1.5">
                    <i className="sw" style={{ background: STRATA[p.phase].tint }} /> {PHASE_NAMES[p.phase]}, {p.weeks}{" "}
                    w
                  </td>
                  <td>
                    {p.done.sessions} of {p.planned.sessions}
                  </td>
                  <td>
                    {p.done.hardSets} of {p.planned.hardSets}
                  </td>
                  <td>
                    {p.done.stress} of {p.planned.stress}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <h2 className="mt-3 mb-1 text-body font-semibold">Estimated 1RM</h2>
          {view.lifts.length === 0 ? (
            <p className="text-label text-ink2">No lift with a bar or a machine in this block.</p>
          ) : (
            <ul className="text-label leading-5">
              {view.lifts.map((l) => (
                <li key={l.exercise} className="flex justify-between border-b border-hair2 py-1">
                  <Link className="link" to={`/a/${view.id}/lifts/${l.exercise}`}>
                    {l.name}
                  </Link>
                  <span>
                    {l.fromKg === null ? "" : `${mass(Math.round(l.fromKg), units)} to `}
                    {mass(Math.round(l.toKg), units)} <span className="text-ink2">± {Math.round(l.unsurePct)}%</span>
                  </span>
                </li>
              ))}
            </ul>
          )}
        </div>
      </div>
    </section>
  );
}

/** The words made from the figures, to change, keep, copy and send. */
function Words({ view }: { view: ReviewView }) {
  const units = useUnits();
  const row = useCurrentRow();
  const made = view.words.map((w) => textIn(w, units)).join("\n\n");
  const [text, setText] = useState(view.saved?.text ?? made);
  const save = useSaveReview(view.id);
  useHeld(`athletes/${view.id}/reviews/${view.from}/${view.to}`);
  const known = view.saved?.text ?? made;
  const changed = text !== known;
  useUnsaved(changed);
  const keep = (sent: boolean, said: string) =>
    save.mutate(
      { start: view.from, end: view.to, text, sent },
      { onSuccess: (answer) => tell(saidOf(answer, said)), onError: (e) => tellFault(e.message) },
    );
  const subject = `${row?.name ?? "Strength"}: ${day(view.from)} to ${day(view.to)}`.replaceAll("\u00A0", " ");
  return (
    <aside className="flex min-h-0 flex-col border-l border-hair bg-panel p-4 pt-1" aria-label="The block in words">
      <textarea
        aria-label="Text of the review"
        className="input min-h-0 flex-1 resize-none py-2 leading-5"
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <p className="mt-2 text-label leading-4 text-ink2">
        {view.saved?.sentAt
          ? `Sent ${view.saved.sentAt.slice(0, 10)}.`
          : view.saved
            ? "Kept, not sent."
            : "Made from the figures; nothing is kept until you do."}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-pri"
          disabled={save.isPending}
          onClick={() => keep(false, "The text is kept.")}
        >
          Keep
        </button>
        <button
          type="button"
          className="btn"
          onClick={() =>
            navigator.clipboard.writeText(text).then(
              () => tell("Copied."),
              () => tellFault("The browser would not copy: select the text and copy it by hand."),
            )
          }
        >
          Copy
        </button>
        <a
          className="btn"
          href={`mailto:?subject=${encodeURIComponent(subject)}&body=${encodeURIComponent(text)}`}
          onClick={() => keep(true, "Kept, and handed to your mail program.")}
        >
          Send by mail
        </a>
        {text !== made && (
          <button type="button" className="btn btn-sm" onClick={() => setText(made)}>
            {ICON.undo} From the figures
          </button>
        )}
      </div>
    </aside>
  );
}
