/** Cards for the gym, as they will be printed: one session to a page, or the next four. */

import { Link, useParams, useSearchParams } from "react-router";
import type { Card, CardRow } from "../../api/make/card";
import { together } from "../../core/session";
import { useCards } from "../data/dose";
import { ICON } from "../ui/glyphs";
import { useKeys } from "../ui/keys";
import { PlateStack } from "../ui/Plates";
import { PageHeader } from "../ui/page";
import { Segments } from "../ui/Segments";
import { Failed, LoadingNote } from "../ui/State";

export default function CardRoute() {
  const { id = "", date = "", label = "" } = useParams();
  const [search, setSearch] = useSearchParams();
  const per = search.get("per") === "4" ? 4 : 1;
  const cards = useCards(id, date, label, per);
  useKeys("view", [{ key: "p", label: "print", run: () => window.print(), bar: true }]);
  return (
    <main className="flex h-full flex-col print:block print:h-auto">
      <PageHeader title={per === 1 ? "Session card" : "The next four sessions"} className="print:hidden">
        <Segments<"1" | "4">
          name="Cards on a page"
          value={per === 1 ? "1" : "4"}
          onChange={(p) => setSearch({ per: p }, { replace: true })}
          options={[
            ["1", "One to a page"],
            ["4", "Four to a page"],
          ]}
        />
        <span className="flex-1" />
        <Link className="btn" to={`/a/${id}/session/${date}/${label}`}>
          Session
        </Link>
        <a
          className="btn"
          href={`/api/athletes/${id}/cards/${date}/${label}/pdf?per=${per}`}
          target="_blank"
          rel="noreferrer"
        >
          {ICON.file} PDF
        </a>
        <button type="button" className="btn btn-pri" onClick={() => window.print()}>
          Print
        </button>
      </PageHeader>
      {cards.isPending ? (
        <LoadingNote what="the card" />
      ) : cards.isError ? (
        <Failed error={cards.error} retry={() => cards.refetch()} what="The card" />
      ) : (
        <section
          aria-label="Cards"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by the keyboard
          tabIndex={0}
          className="min-h-0 flex-1 overflow-auto bg-hair2 p-4 print:overflow-visible print:bg-sheet print:p-0"
        >
          <div
            className={`mx-auto bg-sheet text-sheet-ink ${per === 1 ? "w-[760px] p-7" : "grid w-[1100px] grid-cols-2 gap-x-8 gap-y-6 p-6"} print:w-full print:p-0`}
          >
            {cards.data.map((c) => (
              <OneCard key={c.when} card={c} small={per === 4} />
            ))}
          </div>
        </section>
      )}
    </main>
  );
}

function OneCard({ card: c, small }: { card: Card; small: boolean }) {
  const cautions = [...(c.note ? [`Note: ${c.note}`] : []), ...c.cautions];
  return (
    <article
      className={`break-inside-avoid ${small ? "text-note leading-[14px]" : "text-label leading-4"}`}
      aria-label={`${c.athlete}, ${c.title}`}
    >
      <header className="border-b-2 border-sheet-ink pb-1.5">
        <div className="flex items-baseline justify-between gap-3">
          <h2 className={`font-bold ${small ? "text-lead" : "text-figure leading-8"}`}>{c.athlete}</h2>
          <span className={`font-semibold ${small ? "text-note" : "text-lead"}`}>{c.title}</span>
        </div>
        <p className={small ? "" : "text-body"}>{c.when}</p>
      </header>
      {c.rows.map((r, i) => (
        <Line key={r.pair + r.name} row={r} small={small} paired={together(r, c.rows[i + 1])} />
      ))}
      <ul className="mt-1.5">
        {cautions.map((x) => (
          <li key={x} className="flex gap-1.5">
            <span>–</span>
            {x}
          </li>
        ))}
      </ul>
      {c.homework.length > 0 && (
        <ul className="mt-1" aria-label="At home">
          {c.homework.map((h) => (
            <li key={h}>At home: {h}</li>
          ))}
        </ul>
      )}
      <p className="mt-1 font-semibold">{c.statement}</p>
    </article>
  );
}

function Line({ row: r, small, paired }: { row: CardRow; small: boolean; paired: boolean }) {
  const facts = [r.effort, `rest ${r.rest}`, r.tempo && `tempo ${r.tempo}`].filter(Boolean).join(", ");
  const under = [
    ...(r.warmUp ? [`${r.load === "find it" ? "Try" : "Warm-up"}: ${r.warmUp}`] : []),
    ...(r.notes.length > 0 ? [r.notes.join("; ")] : []),
    ...(!small && r.cue ? [r.cue] : []),
  ];
  return (
    <section
      className={`grid ${small ? "grid-cols-[22px_minmax(0,1fr)]" : "grid-cols-[36px_minmax(0,1fr)]"} py-1.5 ${paired ? "" : "border-b border-sheet-ink"}`}
      data-testid="card-row"
    >
      <span className={`font-bold ${paired ? "border-b-0" : ""} ${small ? "text-note" : "text-lead"}`}>{r.pair}</span>
      <div>
        <div className="flex items-baseline justify-between gap-2">
          <h3 className={`font-semibold ${small ? "text-note" : "text-lead"}`}>{r.name}</h3>
          <span className="text-right whitespace-nowrap">{facts}</span>
        </div>
        <div className="flex items-center gap-3">
          <b className={`num whitespace-nowrap ${small ? "text-lead leading-5" : "text-figure leading-8"}`}>{r.dose}</b>
          <b className={`num whitespace-nowrap ${small ? "text-lead leading-5" : "text-figure leading-8"}`}>{r.load}</b>
          {r.perSideKg.length > 0 && <PlateStack perSideKg={r.perSideKg} size={small ? 18 : 26} />}
          {r.loadNote && <span>{r.loadNote}</span>}
        </div>
        {under.map((t) => (
          <p key={t}>{t}</p>
        ))}
        <div className={`mt-1 flex items-stretch ${small ? "h-5 gap-1" : "h-8 gap-1.5"}`}>
          {Array.from({ length: r.sets }, (_, i) => (
            <span
              key={i}
              className={`flex border border-sheet-ink text-note leading-[12px] text-sheet-note ${small ? "w-14" : "w-24"}`}
            >
              {r.sides ? (
                <>
                  <i className="flex-1 border-r border-sheet-ink pl-0.5 not-italic">L</i>
                  <i className="flex-1 pl-0.5 not-italic">R</i>
                </>
              ) : (
                <i className="pl-0.5 not-italic">{i + 1}</i>
              )}
            </span>
          ))}
          <span className="flex-1" />
          <span
            className={`border border-sheet-ink pl-0.5 text-note leading-[12px] text-sheet-note ${small ? "w-8" : "w-14"}`}
          >
            pain
          </span>
        </div>
      </div>
    </section>
  );
}
