/** Rules: every rule by chapter with its numbers, their trust and source, where it spoke for the athlete, the coach's own values; the terms of the screens. */
import { useEffect, useMemo, useRef, useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import {
  BOOK,
  CHAPTERS,
  type Chapter,
  KIND_WORDS,
  RULES,
  type RuleId,
  type RuleValues,
  ruleIdOf,
  TRUST_WORDS,
} from "../../core/rulebook";
import { useAthleteRules, useRules } from "../data/rules";
import { day, textIn } from "../format";
import { useCurrentRow, useUnits } from "../frame/current";
import { OwnValues, Parameters } from "../rules/Parameters";
import { CHAPTER_NAMES, GLOSSARY, rulePath } from "../rules/words";
import { useFocusOn } from "../ui/focus";
import { useKeys } from "../ui/keys";
import { PageHeader } from "../ui/page";
import { Segments } from "../ui/Segments";
import { Failed, LoadingNote } from "../ui/State";

type Tab = "rules" | "terms";

/** Everything of a rule that a search looks through. */
const wordsOf = (id: RuleId): string =>
  [id, RULES[id].title, RULES[id].source, ...Object.values(RULES[id].parameters).map((p) => p.says)]
    .join(" ")
    .toLowerCase();

export default function RulesRoute() {
  const rules = useRules();
  if (rules.isPending) return <LoadingNote what="the rules" />;
  if (rules.isError) return <Failed error={rules.error} retry={() => rules.refetch()} what="The rules" />;
  return <Rules values={rules.data.values} />;
}

function Rules({ values }: { values: RuleValues }) {
  const { chapter = "", rule } = useParams();
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  const search = useRef<HTMLInputElement>(null);
  const tab: Tab = params.get("tab") === "terms" ? "terms" : "rules";
  const asked = params.get("q");
  const [text, setText] = useState(asked ?? "");
  // Asked for by its address, from here too.
  useEffect(() => {
    if (asked !== null) setText(asked);
  }, [asked]);
  const needle = text.trim().toLowerCase();
  const found = useMemo(
    () =>
      CHAPTERS.map((chapter): [Chapter, RuleId[]] => [
        chapter,
        (Object.keys(BOOK[chapter]) as RuleId[]).filter((id) => wordsOf(id).includes(needle)),
      ]).filter(([, ids]) => ids.length > 0),
    [needle],
  );
  const list = found.flatMap(([, ids]) => ids);
  const chosen = ruleIdOf(rule === undefined ? chapter : `${chapter}.${rule}`) ?? list[0] ?? null;
  const walked = useFocusOn(`[data-rule="${chosen}"]`);
  const step = (by: number) => {
    walked();
    const at = chosen ? list.indexOf(chosen) : -1;
    const next = list[Math.min(list.length - 1, Math.max(0, at + by))];
    if (next) navigate(rulePath(next));
  };
  useKeys("view", [
    { key: "/", label: "search", run: () => search.current?.focus(), bar: true },
    { key: "ArrowUp", label: "", run: () => step(-1), bar: true },
    { key: "ArrowDown", label: "rule", run: () => step(1), bar: true },
    { key: "t", label: "terms", run: () => setParams(tab === "terms" ? {} : { tab: "terms" }), bar: true },
  ]);
  return (
    <div className="grid h-full grid-cols-[340px_minmax(0,1fr)] grid-rows-[minmax(0,1fr)] max-[860px]:grid-cols-1 max-[860px]:grid-rows-[42%_minmax(0,1fr)]">
      <nav aria-label="Rules by chapter" className="flex min-h-0 min-w-0 flex-col border-r border-hair bg-panel">
        <PageHeader title="Rules">
          <span className="flex-1" />
          <Segments<Tab>
            name="Shown"
            value={tab}
            onChange={(t) => setParams(t === "terms" ? { tab: t } : {})}
            options={[
              ["rules", "Rules"],
              ["terms", "Terms"],
            ]}
          />
        </PageHeader>
        <label className="mx-4 mb-2 block">
          <span className="sr-only">Search the rules and terms</span>
          <input
            ref={search}
            className="input w-full"
            placeholder="Search: taper, pain, 48 h …"
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </label>
        <div className="min-h-0 flex-1 overflow-auto border-t border-hair">
          {found.map(([chapter, ids]) => (
            <section key={chapter} aria-label={CHAPTER_NAMES[chapter]}>
              <h2 className="sticky top-0 z-10 bg-panel px-4 pt-2 pb-1 text-label font-semibold text-ink2">
                {CHAPTER_NAMES[chapter]}
              </h2>
              <ul>
                {ids.map((id) => (
                  <li key={id}>
                    <Link
                      data-rule={id}
                      to={rulePath(id)}
                      aria-current={tab === "rules" && id === chosen ? "page" : undefined}
                      className={`relative block px-4 py-1 leading-5 ${tab === "rules" && id === chosen ? "bg-iron-l font-medium before:absolute before:inset-y-0 before:left-0 before:w-[3px] before:bg-iron" : "hover:bg-surface"}`}
                    >
                      {RULES[id].title}
                    </Link>
                  </li>
                ))}
              </ul>
            </section>
          ))}
          {list.length === 0 && <p className="p-4 text-ink2">No rule by these words.</p>}
        </div>
      </nav>
      {tab === "terms" ? <Terms needle={needle} /> : chosen ? <Rule id={chosen} values={values} /> : null}
    </div>
  );
}

function Rule({ id, values }: { id: RuleId; values: RuleValues }) {
  const r = RULES[id];
  const row = useCurrentRow();
  const units = useUnits();
  const own = useAthleteRules(row?.id);
  const spoken = own.data?.spoken[id];
  const off = own.data?.rulesOff.some((x) => ruleIdOf(x) === id);
  return (
    <main
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by the keyboard
      tabIndex={0}
      className="min-h-0 min-w-0 overflow-auto px-5 pb-6"
    >
      <div className="flex min-h-[52px] flex-wrap items-center gap-x-3">
        <h2 className="text-title leading-6 font-[650]">{r.title}</h2>
        <span className="text-ink2">
          {KIND_WORDS[r.kind]} ·{" "}
          <span className="num" data-testid="rule-id">
            {id}
          </span>
        </span>
      </div>
      <p className="mb-3 max-w-[70ch]">
        {TRUST_WORDS[r.trust]}
        {r.trust === "pub"
          ? `: ${r.source}.`
          : r.trust === "trade"
            ? `. ${r.source.replace(/^Common practice among/, "Usual among")}.`
            : "."}
        {r.switchable
          ? ` Can be switched off; on, it does this: ${r.switchable.charAt(0).toLowerCase()}${r.switchable.slice(1)}.`
          : ""}
        {off && row ? ` It is off for ${row.name}.` : ""}
      </p>
      <h3 className="sec-h">Numbers</h3>
      <Parameters id={id} />
      <h3 className="sec-h mt-5">Your own values</h3>
      <OwnValues
        id={id}
        club={values}
        own={own.data?.values ?? {}}
        athlete={row && own.data ? { id: row.id, name: row.name } : null}
      />
      {row && (
        <>
          <h3 className="sec-h mt-5">In {row.name}'s plan</h3>
          {own.isPending ? (
            <p className="text-ink2">Looking through the season…</p>
          ) : spoken ? (
            <>
              <p className="mb-1 text-label text-ink2">
                Said {spoken.times === 1 ? "once" : `${spoken.times} times`}, first:
              </p>
              <ul className="space-y-1">
                {spoken.first.map((f) => (
                  <li key={f.text} className="text-label leading-4">
                    <Link className="link" to={`/a/${row.id}/week/${f.week}`}>
                      Week of {day(f.week)}
                    </Link>
                    : {textIn(f.text, units)}
                  </li>
                ))}
              </ul>
            </>
          ) : (
            <p className="text-label text-ink2">It says nothing in this season's plan.</p>
          )}
        </>
      )}
      {r.examples.length > 0 && (
        <>
          <h3 className="sec-h mt-5">Worked examples</h3>
          <ul className="text-label leading-5">
            {r.examples.map((e) => (
              <li key={JSON.stringify(e)} className="num">
                {Object.entries(e.given)
                  .map(([k, v]) => `${k} ${typeof v === "object" ? JSON.stringify(v) : String(v)}`)
                  .join(", ")}{" "}
                → {typeof e.gives === "object" ? JSON.stringify(e.gives) : String(e.gives)}
              </li>
            ))}
          </ul>
        </>
      )}
    </main>
  );
}

function Terms({ needle }: { needle: string }) {
  const shown = GLOSSARY.filter((t) => `${t.term} ${t.also ?? ""} ${t.says}`.toLowerCase().includes(needle));
  return (
    <main
      // biome-ignore lint/a11y/noNoninteractiveTabindex: a list that scrolls must be reached by the keyboard
      tabIndex={0}
      className="min-h-0 min-w-0 overflow-auto px-5 pb-6"
    >
      <h2 className="flex min-h-[52px] items-center text-title leading-6 font-[650]">Terms</h2>
      <dl className="max-w-[72ch]">
        {shown.map((t) => (
          <div key={t.term} className="grid grid-cols-[180px_minmax(0,1fr)] gap-3 border-b border-hair2 py-1.5">
            <dt className="font-semibold">
              {t.term}
              {t.also && <span className="block text-label font-normal text-ink2">{t.also}</span>}
            </dt>
            <dd>{t.says}</dd>
          </div>
        ))}
      </dl>
      {shown.length === 0 && <p className="text-ink2">No term by these words.</p>}
    </main>
  );
}
