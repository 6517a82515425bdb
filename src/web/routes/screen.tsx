/** The guided screen: one test a page, then what was seen, then what it changes. Made for a tablet at the rack and for keys. */
import { useEffect, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import type { ScreeningView, ScreenTestView } from "../../api/views";
import { useAcceptScreen, usePreview, useScreening } from "../data/intake";
import { day } from "../format";
import { draftOf, keepDraft } from "../intake/useStep";
import { ResultBars } from "../screening/Bars";
import { bodyOf, draftKey, isWhole, newDraft, type Result, type ScreenDraft, valueText } from "../screening/draft";
import { FindingLine } from "../screening/FindingLine";
import { Sights } from "../screening/Sights";
import { Tool } from "../screening/Tools";
import { FormProblem } from "../ui/form";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { Failed, LoadingNote } from "../ui/State";
import { tell } from "../ui/tell";

export default function ScreenRoute() {
  const { id = "" } = useParams();
  const screening = useScreening(id);
  if (screening.isPending) return <LoadingNote what="the screen" />;
  if (screening.isError) return <Failed error={screening.error} retry={() => screening.refetch()} what="The screen" />;
  return <Run key={id} id={id} view={screening.data} />;
}

const lastOf = (t: ScreenTestView, before: string): Result | null => {
  const h = t.history.filter((x) => x.date < before).at(-1) ?? t.history.at(-1);
  if (!h) return null;
  return {
    ...(h.left === null ? {} : { left: h.left }),
    ...(h.right === null ? {} : { right: h.right }),
    ...(h.value === null ? {} : { value: h.value }),
  };
};

function Run({ id, view }: { id: string; view: ScreeningView }) {
  const navigate = useNavigate();
  const [draft, setDraft] = useState<ScreenDraft>(() => draftOf<ScreenDraft>(draftKey(id)) ?? newDraft(view.today));
  const [side, setSide] = useState<"left" | "right">("left");
  const set = (change: Partial<ScreenDraft>) => {
    const next = { ...draft, ...change };
    setDraft(next);
    keepDraft(draftKey(id), next);
  };
  const pages = view.tests.length + 2;
  const test = view.tests[draft.page];
  const sights = draft.page === view.tests.length;
  const go = (page: number) => {
    set({ page: Math.min(pages - 1, Math.max(0, page)) });
    setSide("left");
  };
  const r = test ? (draft.results[test.test] ?? {}) : {};
  // Left first, then right, then the next page.
  const next = () => {
    if (test?.sides && side === "left" && r.right === undefined) setSide("right");
    else go(draft.page + 1);
  };
  useKeys("view", [
    { key: " ", label: "count, start or stop", run: () => undefined, bar: true },
    { key: "ArrowLeft", label: "", run: () => go(draft.page - 1), bar: true },
    { key: "ArrowRight", label: "page", run: () => go(draft.page + 1), bar: true },
    { key: "Enter", label: "next side, next test", run: next, bar: true },
  ]);
  const put = (test: ScreenTestView, change: Result) => {
    const merged = { ...draft.results[test.test], ...change };
    set({ results: { ...draft.results, [test.test]: merged } });
  };
  const done = view.tests.filter((t) => isWhole(t, draft.results[t.test])).length;
  return (
    <main className="flex h-full flex-col">
      <header className="flex min-h-[52px] flex-none flex-wrap items-center gap-3 px-4 py-2">
        <h1 className="text-title leading-6 font-[650]">
          {test ? test.name : sights ? "Seen in the sport" : "What it changes"}
        </h1>
        <span className="text-ink2">
          {test ? `test ${draft.page + 1} of ${view.tests.length}` : `${done} of ${view.tests.length} tests done`}
        </span>
        <span className="flex-1" />
        <Link className="btn" to={`/a/${id}/screening`}>
          Leave, keep the draft
        </Link>
      </header>
      <Progress view={view} draft={draft} onGo={go} />
      <div className="min-h-0 flex-1 overflow-auto px-4 py-4">
        {test ? (
          <TestPage
            key={test.test}
            test={test}
            result={r}
            last={lastOf(test, draft.date)}
            side={side}
            onSide={setSide}
            put={(change) => put(test, change)}
          />
        ) : sights ? (
          <Sights view={view} draft={draft} set={set} />
        ) : (
          <Changes
            id={id}
            draft={draft}
            onDone={() => {
              localStorage.removeItem(draftKey(id));
              tell("The screen is in the plan.");
              navigate(`/a/${id}/screening`);
            }}
          />
        )}
      </div>
      <footer className="flex min-h-[64px] flex-none items-center gap-3 border-t border-hair bg-panel px-4">
        <button type="button" className="btn h-11 px-4" disabled={draft.page === 0} onClick={() => go(draft.page - 1)}>
          {ICON.left} Back
        </button>
        <span className="flex-1" />
        {draft.page < pages - 1 && (
          <>
            {test && !isWhole(test, r) && (
              <button type="button" className="btn h-11 px-4" onClick={() => go(draft.page + 1)}>
                Skip
              </button>
            )}
            {test?.sides && side === "left" && r.right === undefined ? (
              <button type="button" className="btn btn-pri h-11 px-5" onClick={() => setSide("right")}>
                Right side {ICON.right}
              </button>
            ) : (
              <button type="button" className="btn btn-pri h-11 px-5" onClick={() => go(draft.page + 1)}>
                {sights ? "What it changes" : draft.page === view.tests.length - 1 ? "What was seen" : "Next test"}{" "}
                {ICON.right}
              </button>
            )}
          </>
        )}
      </footer>
    </main>
  );
}

function Progress({ view, draft, onGo }: { view: ScreeningView; draft: ScreenDraft; onGo: (page: number) => void }) {
  const names = [...view.tests.map((t) => t.name), "Seen in the sport", "What it changes"];
  return (
    <nav aria-label="Pages of the screen" className="flex flex-none gap-1 px-4">
      {names.map((name, i) => {
        const t = view.tests[i];
        const full = t ? isWhole(t, draft.results[t.test]) : i === view.tests.length && draft.looked;
        return (
          <button
            key={name}
            type="button"
            aria-label={`${name}${full ? ", done" : ""}`}
            aria-current={i === draft.page ? "step" : undefined}
            title={name}
            onClick={() => onGo(i)}
            className="flex h-11 flex-1 items-center"
          >
            <span
              className={`block w-full border ${i === draft.page ? "h-3 border-iron" : "h-1.5 border-edge"} ${full ? "bg-iron" : "bg-panel"}`}
            />
          </button>
        );
      })}
    </nav>
  );
}

function TestPage({
  test,
  result,
  last,
  side,
  onSide,
  put,
}: {
  test: ScreenTestView;
  result: Result;
  last: Result | null;
  side: "left" | "right";
  onSide: (s: "left" | "right") => void;
  put: (change: Result) => void;
}) {
  const [l, r] = [result.left, result.right];
  const apart =
    l !== undefined && r !== undefined && Math.max(l, r) > 0
      ? Math.round((Math.abs(l - r) / Math.max(l, r)) * 100)
      : null;
  return (
    <div className="mx-auto grid w-full max-w-[960px] grid-cols-[minmax(0,1fr)_minmax(0,1.2fr)] gap-6 max-[760px]:grid-cols-1">
      <section>
        <h2 className="mb-1 text-label leading-4 font-semibold text-ink2">How to do it</h2>
        <ol className="mb-4 list-decimal space-y-1 pl-5 text-lead leading-6">
          {test.how.map((h) => (
            <li key={h}>{h}</li>
          ))}
        </ol>
        <h2 className="mb-1 text-label leading-4 font-semibold text-ink2">What to look at</h2>
        <ul className="mb-4 list-disc space-y-1 pl-5 text-lead leading-6">
          {test.look.map((h) => (
            <li key={h}>{h}</li>
          ))}
        </ul>
        <p className="text-label leading-4 text-ink2">
          Mark: {test.unit === "yes-no" ? "passed" : valueText(test, test.mark)}. {test.source}.
        </p>
      </section>
      <section>
        <div className="mb-4 flex gap-3">
          {test.sides ? (
            (["left", "right"] as const).map((s) => (
              <Tool
                key={s}
                test={test}
                side={s}
                value={result[s]}
                active={side === s}
                onActive={() => onSide(s)}
                onChange={(v) => put({ [s]: v })}
              />
            ))
          ) : (
            <Tool
              test={test}
              side="both"
              value={result.value}
              active
              onActive={() => undefined}
              onChange={(v) => put({ value: v ?? 0 })}
            />
          )}
        </div>
        {test.unit !== "yes-no" && <ResultBars test={test} now={result} last={last} />}
        <p className="mt-2 text-body">
          {last
            ? `Last time: ${test.sides ? `${valueText(test, last.left)} left, ${valueText(test, last.right)} right` : valueText(test, last.value)}.`
            : "Not done before."}
          {apart !== null && ` The sides are ${apart}% apart.`}
        </p>
      </section>
    </div>
  );
}

function Changes({ id, draft, onDone }: { id: string; draft: ScreenDraft; onDone: () => void }) {
  const body = bodyOf(draft);
  const nothing = body.results.length === 0 && body.seen === null;
  const preview = usePreview(id, body, !nothing);
  const accept = useAcceptScreen(id);
  useEffect(() => {
    document.title = "What the screen changes, Field Anchor";
  }, []);
  if (nothing)
    return (
      <p className="mx-auto max-w-[680px] text-lead">
        Nothing was tested and nothing looked at: there is nothing to accept.
      </p>
    );
  if (preview.isPending) return <LoadingNote what="what it changes" />;
  if (preview.isError) return <Failed error={preview.error} retry={() => preview.refetch()} what="What it changes" />;
  const { findings, over, opens, closes } = preview.data;
  return (
    <div className="mx-auto w-full max-w-[680px]">
      <FormProblem text={accept.error?.message ?? ""} />
      <p className="mb-2 text-ink2">
        {day(draft.date)}: {body.results.length} {body.results.length === 1 ? "test" : "tests"}
        {body.seen === null ? "" : ", the sport looked at"}. Nothing is changed until you accept.
      </p>
      {findings.length === 0 ? (
        <p className="text-lead">Every test that was done passed, and nothing was seen: the plan stays as it is.</p>
      ) : (
        <ul aria-label="What each finding changes">
          {findings.map((f) => (
            <FindingLine key={f.id} f={f} />
          ))}
        </ul>
      )}
      {over.length > 0 && (
        <p className="mt-3">
          <b className="font-semibold">Over:</b> {over.map((f) => f.title).join("; ")}. Its added work leaves the plan.
        </p>
      )}
      {opens.length > 0 && (
        <p className="mt-2">
          <b className="font-semibold">Opens:</b> {opens.join(", ")}.
        </p>
      )}
      {closes.length > 0 && (
        <p className="mt-2">
          <b className="font-semibold">Closes:</b> {closes.join(", ")}.
        </p>
      )}
      <button
        type="button"
        className="btn btn-pri mt-4 h-12 px-6 text-lead"
        disabled={accept.isPending}
        onClick={() => accept.mutate(body, { onSuccess: onDone })}
      >
        {accept.isPending ? "Saving…" : "Accept, and change the plan"}
      </button>
    </div>
  );
}
